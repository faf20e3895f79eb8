using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Upkeep;

namespace HomeStart.Core.Tests;

/// <summary>
/// A seller that knows its own price list and its own part of what was bought names the sums that the whole comes to:
/// over random markets and decisions.
/// </summary>
public class SellerSideProperties
{
    private const int Cases = 400;

    [Fact]
    public void Each_sellers_part_has_the_wholes_bills_there() =>
        RandomMarket.Request.Sample(
            request =>
            {
                var read = CostingRequestReader.Read(request.Deserialize<JsonElement>(), [], new FaultList())!;
                if (Coster.Cost(read.Candidate, read.Books, read.Settings).Value is not { } whole)
                {
                    return;
                }

                foreach (
                    var book in read.Books.Where(book =>
                        whole.Run.Bills.Any(bill => bill.Date == read.Settings.StartDate && bill.Book == book)
                    )
                )
                {
                    var part = Coster
                        .Cost(
                            read.Candidate.At(book.Id),
                            [book],
                            new CountSettings(read.Settings.StartDate, 12)
                            {
                                TaxPercent = read.Settings.TaxPercent,
                                Customer = read.Settings.Customer,
                            }
                        )
                        .Value.ShouldNotBeNull();
                    Bills(part, book, part.End).ShouldBe(Bills(whole, book, part.End));
                }
            },
            iter: Cases
        );

    [Fact]
    public void Each_seller_names_the_sums_of_every_moment_as_the_whole_has_them() =>
        UpkeepProperties.Years.Sample(
            request =>
            {
                ClaimAtTheHost(request);
                var read = UpkeepRequestReader.Read(request.Deserialize<JsonElement>(), [], new FaultList());
                if (
                    read is null
                    || Tenure
                        .Begin(read.Costing.Candidate, read.Costing.Books, read.Costing.Settings, new FaultList())
                        .Value
                        is not { } tenure
                )
                {
                    return;
                }

                var years = tenure.Through(read.Until, read.Decisions);
                foreach (
                    var book in tenure.Books.Where(book =>
                        years.Balances.ContainsKey(book.Id) && tenure.Purchase.BuysAt(book)
                    )
                )
                {
                    var (candidate, decisions) = (
                        read.Costing.Candidate.At(book.Id),
                        SellerDecisions.Select(read.Costing.Candidate, book.Id, read.Decisions)
                    );
                    var own = Tenure
                        .Begin(
                            candidate,
                            [book],
                            new CountSettings(read.Costing.Settings.StartDate, 12)
                            {
                                TaxPercent = read.Costing.Settings.TaxPercent,
                                Customer = read.Costing.Settings.Customer,
                            },
                            new FaultList()
                        )
                        .Value.ShouldNotBeNull();
                    foreach (
                        var like in years
                            .Happened.OfType<Charged>()
                            .Where(charged => charged.Book == book.Id)
                            .GroupBy(charged => (charged.On, charged.Due))
                    )
                    {
                        var made = SellerDecisions.Select(
                            read.Costing.Candidate,
                            book.Id,
                            read.Decisions.Where(decision => decision.On <= like.Key.On)
                        );
                        foreach (var (occurrence, charged) in like.Index())
                        {
                            LaterSums
                                .WorkOut(
                                    own,
                                    book.Id,
                                    new LaterMoment(like.Key.On, IsDecision: false, made, made.Length),
                                    new LaterMovement(LaterMovementKind.Charge, like.Key.Due, occurrence)
                                )!
                                .Amount.Units.ShouldBe(charged.Total - charged.FromBalance);
                        }
                    }

                    own.Through(read.Until, decisions).Balances[book.Id].ShouldBe(years.Balances[book.Id]);
                    own.Through(read.Until, decisions)
                        .Happened.OfType<Refunded>()
                        .ShouldBe(years.Happened.OfType<Refunded>().Where(refunded => refunded.Book == book.Id));
                }
            },
            iter: Cases
        );

    [Fact]
    public void What_is_not_due_has_no_sum_and_a_claim_says_what_it_takes()
    {
        var tenure = TenureOf(UpkeepByHand.Given().With("candidate.domains", "[]"));
        var (spring, claim) = (
            new DateOnly(2027, 3, 1),
            new ClaimDomain(
                new DateOnly(2027, 3, 1),
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "host",
                    Name = "later",
                    Ending = "com",
                }
            )
        );
        Of(LaterMovementKind.Charge, spring).ShouldBeNull();
        Of(LaterMovementKind.Refund, spring).ShouldBeNull();
        Of(LaterMovementKind.Balance, spring)!.Amount.Units.ShouldBe(0);
        Of(LaterMovementKind.Claim, spring, claim)
            .ShouldBe(new LaterSum(Money.Zero(Currency.Get("GBP")), "later.com", 0));

        // The second claim of the year costs the first year; the same name again is refused, and so is one of another
        // ending or seller.
        var second = claim with { Domain = claim.Domain with { Name = "more" } };
        Of(LaterMovementKind.Claim, spring, claim, second)!
            .ShouldBe(new LaterSum(new Money(1000, Currency.Get("GBP")), "more.com"));
        Of(LaterMovementKind.Claim, spring, claim, claim).ShouldBeNull();
        Of(LaterMovementKind.Claim, spring, claim with { Domain = claim.Domain with { Ending = "org" } })
            .ShouldBeNull();
        Of(LaterMovementKind.Claim, spring, new Leave(spring)).ShouldBeNull();
        var back = new Leave(new DateOnly(2027, 1, 20));
        LaterSums
            .WorkOut(
                tenure,
                "host",
                new LaterMoment(back.On, IsDecision: true, [back], 0),
                new LaterMovement(LaterMovementKind.Refund, back.On)
            )!
            .Amount.Units.ShouldBe(12000);
        LaterSums
            .WorkOut(
                tenure,
                "host",
                new LaterMoment(spring, IsDecision: true, [back, claim], 1),
                new LaterMovement(LaterMovementKind.Claim, spring)
            )!
            .Amount.Units.ShouldBe(1000); // Given back, it gives no domain any more.

        LaterSum? Of(LaterMovementKind kind, DateOnly on, params Decision[] decisions) =>
            LaterSums.WorkOut(
                tenure,
                "host",
                new LaterMoment(
                    on,
                    IsDecision: decisions.Length > 0,
                    [.. decisions],
                    Math.Max(0, decisions.Length - 1)
                ),
                new LaterMovement(kind, on)
            );
    }

    [Fact]
    public void What_is_asked_reads_back_as_it_was_written() =>
        UpkeepProperties.Years.Sample(
            request =>
            {
                var read = UpkeepRequestReader.Read(request.Deserialize<JsonElement>(), [], new FaultList())!;
                var purchase = new SellerPurchase(
                    "host",
                    read.Costing.Settings.StartDate,
                    read.Costing.Candidate.At("host"),
                    IsCustomer: true,
                    "GB"
                );
                if (purchase.Candidate is { Hosting: null, Domains.IsEmpty: true })
                {
                    return;
                }

                var later = new LaterPurchase(
                    "quote_1",
                    purchase,
                    new LaterMoment(read.Until, IsDecision: true, read.Decisions, 0),
                    new LaterMovement(LaterMovementKind.Charge, read.Until, 2)
                );
                var node = new Node(
                    JsonSerializer.SerializeToElement(LaterBody.From(later), WireJson.Options),
                    "",
                    new FaultList()
                );
                JsonSerializer
                    .Serialize(
                        SellerPurchaseWire.From(SellerPurchaseWire.Read("host", node["purchase"])!),
                        WireJson.Options
                    )
                    .ShouldBe(JsonSerializer.Serialize(SellerPurchaseWire.From(purchase), WireJson.Options));
                var (moment, movement) = LaterBody
                    .Read(node, read.Costing.Settings.StartDate, [.. read.Costing.Books])
                    .ShouldNotBeNull();
                (moment.Day, moment.IsDecision, moment.Before, movement).ShouldBe(
                    (read.Until, true, 0, later.Movement)
                );
                moment
                    .Decisions.Select(decision => JsonSerializer.Serialize(DecisionBodies.From(decision)))
                    .ShouldBe(
                        read.Decisions.Select(decision => JsonSerializer.Serialize(DecisionBodies.From(decision)))
                    );
            },
            iter: Cases
        );

    private static Tenure TenureOf(JsonObject market)
    {
        var read = UpkeepRequestReader.Read(
            UpkeepByHand.Ask(market, "2030-01-01").Deserialize<JsonElement>(),
            [],
            new FaultList()
        )!;
        return Tenure.Begin(read.Costing.Candidate, read.Costing.Books, read.Costing.Settings, new FaultList()).Value!;
    }

    // Names are claimed through orders at the plan's own seller alone.
    private static void ClaimAtTheHost(JsonObject request)
    {
        if (request["candidate"]!["hosting"] is null)
        {
            request["decisions"] = new JsonArray([
                .. request["decisions"]!
                    .AsArray()
                    .Where(decision => decision!["do"]!.GetValue<string>() != "claim")
                    .Select(decision => decision!.DeepClone()),
            ]);
        }

        foreach (
            var claim in request["decisions"]!
                .AsArray()
                .Where(decision => decision!["do"]!.GetValue<string>() == "claim")
        )
        {
            claim!["domain"]!["book"] = "host";
        }
    }

    private static List<string> Bills(Costing costing, OfferBook book, DateOnly before) =>
        [
            .. costing
                .Run.Bills.Where(bill => bill.Book == book && bill.Date < before)
                .Select(bill =>
                    $"{bill.Date:yyyy-MM-dd} {costing.Counting.Tax(bill.Book, bill.Sum).Total} "
                    + $"{string.Join(' ', bill.Lines.Select(line => $"{line.Kind}:{line.Ref}:{line.ForDomain}:{line.Amount}:{line.AfterDiscounts}:{line.IsUnstated}"))}"
                ),
        ];
}
