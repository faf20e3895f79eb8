using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;
using HomeStart.Formats.Costings;

namespace HomeStart.Core.Tests;

/// <summary>
/// What the worksheet, the foresight of upkeep and the day book say of the same thing is the same: a name chosen for
/// later, or claimed on that day, costs what it costs (costing rule 9, upkeep rule 15).
/// </summary>
public class SameFigures
{
    private const int Cases = 150;

    [Fact]
    public void A_name_chosen_for_later_costs_what_it_costs_when_it_is_claimed_on_that_day() =>
        Gen.Select(RandomMarket.Request, Gen.Int[1, 30], Gen.Int[24, 60])
            .Sample(
                (request, inMonths, months) =>
                {
                    if (
                        Later(request, inMonths) is not { } chosen
                        || Asked(chosen, months) is not { } read
                        || Coster.Cost(read.Candidate, read.Books, read.Settings).Value is not { } worksheet
                    )
                    {
                        return;
                    }

                    var tenure = Tenure.Begin(read.Candidate, read.Books, read.Settings, new FaultList()).Value!;
                    var later = read.Candidate.Domains[0];
                    var claim = new ClaimDomain(
                        read.Settings.StartDate.AddMonths(inMonths),
                        later with
                        {
                            Route = DomainRoute.Register,
                            InMonths = 0,
                        }
                    );
                    var last = worksheet.End.AddDays(-1);
                    if (claim.On > last)
                    {
                        return;
                    }

                    var expected = worksheet
                        .Counted.SelectMany(bill =>
                            bill.Lines.Where(line => line.AfterDiscounts != 0)
                                .Select(line =>
                                    $"{bill.Date:yyyy-MM-dd} {bill.Book!.Id} {line.Kind} {line.Ref} "
                                    + $"{line.AfterDiscounts}"
                                )
                        )
                        .Order(StringComparer.Ordinal)
                        .ToList();
                    Lines(tenure.Through(last, [claim]).Happened).ShouldBe(expected);

                    // The outlook on the day of the order, with the claim planned, and the day book run to its end.
                    var book = DayKeeper
                        .Opened(tenure, Guid.NewGuid(), Guid.NewGuid(), new PaidBy("card", "0004"))
                        .With(claim);
                    Lines(All(new Outlook(tenure, book, read.Settings.StartDate, months))).ShouldBe(expected);
                    Lines(Kept(tenure, book, last).Lines).ShouldBe(expected);
                    Allowances(worksheet)
                        .ShouldBe(
                            tenure
                                .Through(last, [claim])
                                .AllowancesTaken.Where(taken =>
                                    read.Settings.StartDate.AddMonths(12 * taken.Key) <= last
                                )
                                .Select(taken => $"{taken.Key} {taken.Value}")
                        );
                },
                iter: Cases
            );

    [Fact]
    public void A_name_that_is_had_costs_other_hosting_what_its_renewal_takes() =>
        Gen.Select(RandomMarket.Request, Gen.Int[0, 20])
            .Sample(
                (request, inMonths) =>
                {
                    // Nothing that takes anything off one year and not another.
                    foreach (var book in request["books"]!.AsArray())
                    {
                        book!["promotions"] = null;
                        foreach (var plan in book["plans"]?.AsArray() ?? [])
                        {
                            plan!["includedDomain"] = null;
                        }
                    }

                    if (
                        Asked(request, 36) is not { } read
                        || Tenure.Begin(read.Candidate, read.Books, read.Settings, new FaultList()).Value
                            is not { } tenure
                    )
                    {
                        return;
                    }

                    var today = tenure.Start.AddMonths(inMonths);
                    var outlook = new Outlook(
                        tenure,
                        DayKeeper.Opened(tenure, Guid.NewGuid(), Guid.NewGuid(), new PaidBy("card", "0004")),
                        today,
                        60
                    );
                    foreach (var had in NameHad.ListAll(outlook))
                    {
                        // A renewal that costs nothing is on no bill: the next one that is seen may be a later one.
                        if (
                            outlook.Holdings.First(holding => holding.Held.Ref == had.Domain.Text).Next is { } next
                            && had.Renewal is { } renewal
                            && renewal.Units > 0
                        )
                        {
                            (next.On, next.Amount).ShouldBe((had.Expires, renewal));
                            var kept = Coster
                                .Cost(
                                    new Candidate(null, [had.Choice()]),
                                    read.Books,
                                    read.Settings with
                                    {
                                        StartDate = today,
                                        DisplayCurrency = renewal.Currency,
                                    },
                                    new FaultList()
                                )
                                .Value!;
                            (kept.Run.Bills[0].Date, kept.Run.Bills[0].Sum).ShouldBe((had.Expires, renewal.Units));
                        }
                    }
                },
                iter: Cases
            );

    [Fact]
    public void A_plan_that_gives_a_domain_year_every_year_pays_for_all_of_them()
    {
        // £17.00 a year and 0.00 a year stood on two pages for the same name.
        var market = UpkeepByHand
            .Given()
            .With("books[0].plans[0].includedDomain.everyYear", "true")
            .With(
                "candidate.domains",
                "[{\"route\":\"later\",\"book\":\"host\",\"name\":\"clocks\",\"ending\":\"com\",\"inMonths\":5}]"
            );
        var read = Asked(market, 36)!;
        var worksheet = Coster.Cost(read.Candidate, read.Books, read.Settings).Value!;
        worksheet.Totals.Horizon.ShouldBe(60000); // 120.00 and twice 240.00: nothing for the name.
        var tenure = Tenure.Begin(read.Candidate, read.Books, read.Settings, new FaultList()).Value!;
        var claim = new ClaimDomain(
            new DateOnly(2027, 6, 1),
            read.Candidate.Domains[0] with
            {
                Route = DomainRoute.Register,
            }
        );
        tenure.Through(new DateOnly(2029, 12, 31), [claim]).Paid.Single().Units.ShouldBe(60000);
        var outlook = new Outlook(
            tenure,
            DayKeeper.Opened(tenure, Guid.NewGuid(), Guid.NewGuid(), new PaidBy("card", "0004")).With(claim),
            new DateOnly(2027, 7, 1),
            36
        );
        Allowance
            .ListAll(outlook)
            .Select(allowance => $"{allowance.Number} {allowance.TakenBy}")
            .ShouldBe(["0 clocks.com", "1 clocks.com", "2 clocks.com", "3 clocks.com"]);
    }

    // The request with one domain, chosen for later at the host, and nothing that takes anything off: a claimed name
    // has no promotions.
    private static JsonObject? Later(JsonObject request, int inMonths)
    {
        if (request["candidate"]!["hosting"] is not JsonObject hosting)
        {
            return null;
        }

        hosting["codes"] = null;
        foreach (var book in request["books"]!.AsArray())
        {
            book!["promotions"] = null;
        }

        var ending = inMonths % 2 == 0 ? "com" : "org";
        request["candidate"]!["domains"] = new JsonArray(
            new JsonObject
            {
                ["route"] = "later",
                ["book"] = "host",
                ["name"] = "clocks",
                ["ending"] = ending,
                ["years"] = 1 + (inMonths % 3),
                ["inMonths"] = inMonths,
                ["addOns"] = inMonths % 5 == 0 ? new JsonArray(new JsonObject { ["id"] = "y1" }) : null,
            }
        );
        return request;
    }

    private static CostingRequest? Asked(JsonObject request, int months)
    {
        var asked = request.DeepClone().AsObject();
        asked["horizonMonths"] = months;
        return CostingRequestReader.Read(asked.Deserialize<JsonElement>(), [], new FaultList());
    }

    private static List<string> Lines(IEnumerable<Happening> happened) =>
        [
            .. happened
                .OfType<Charged>()
                .SelectMany(charged =>
                    charged
                        .Lines.Where(line => line.Amount != 0)
                        .Select(line => $"{charged.On:yyyy-MM-dd} {charged.Book} {line.Kind} {line.Ref} {line.Amount}")
                )
                .Order(StringComparer.Ordinal),
        ];

    // Which domain-years the worksheet spends within its horizon.
    private static List<string> Allowances(Costing worksheet)
    {
        var start = worksheet.Settings.StartDate;
        var isYearly = worksheet.Run.Purchase.Hosting?.Plan.IncludedDomain?.EveryYear == true;
        return
        [
            .. worksheet
                .Counted.SelectMany(bill =>
                    bill.Lines.Where(line =>
                            line.Kind == LineKind.Domain && line.Discounts.Any(discount => discount.Promotion is null)
                        )
                        .Select(line =>
                            (
                                Year: isYearly
                                    ? (
                                        ((bill.Date.Year - start.Year) * 12)
                                        + bill.Date.Month
                                        - start.Month
                                        - (
                                            bill.Date
                                            < start.AddMonths(
                                                ((bill.Date.Year - start.Year) * 12) + bill.Date.Month - start.Month
                                            )
                                                ? 1
                                                : 0
                                        )
                                    ) / 12
                                    : 0,
                                line.Ref
                            )
                        )
                )
                .Select(spent => $"{spent.Year} {spent.Ref}"),
        ];
    }

    private static IEnumerable<Happening> All(Outlook outlook) => outlook.Happened.Concat(outlook.Coming);

    // The day book as it is once every act up to a day was carried out, with a card that pays.
    internal static DayBook Kept(Tenure tenure, DayBook book, DateOnly last)
    {
        while (true)
        {
            book = DayKeeper.MarkStarted(tenure, book, last.AddDays(1));
            if (book.UnderWay is null)
            {
                return book;
            }

            book = DayKeeper.NextAct(tenure, book) switch
            {
                null => DayKeeper.Finished(book),
                TryCharge charge => charge.Expected.Paid,
                _ => DayKeeper.Done(book),
            };
        }
    }
}
