using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Books;
using HomeStart.Formats.Pages;
using HomeStart.Formats.Slips;

namespace HomeStart.Core.Tests;

/// <summary>A seller's cart beside a candidate, line by line (pages.md 21), worked out by hand.</summary>
public sealed class CartCheckTests
{
    private static readonly DateOnly Start = new(2026, 12, 1);

    // Kern for 12 months at 60.00, with 20% tax on top; a .com for 12.00, its privacy for 5.00; backups for 24.00 a
    // year.
    private static readonly JsonObject Book = JsonNode
        .Parse(
            """
            {
              "format": "home-start/offer-book@1", "id": "larch", "provider": { "name": "Larch Hosting" }, "asOf": "2026-11-20", "currency": "GBP", "tax": { "pricesInclude": false },
              "plans": [
                { "id": "kern", "name": "Kern", "billing": [
                  { "everyMonths": 12, "setupFee": "3.00", "prices": [ { "periods": 1, "amount": "60.00" }, { "periods": null, "amount": "90.00" } ] },
                  { "everyMonths": 24, "prices": [ { "periods": null, "amount": "110.00" } ] } ] },
                { "id": "grove", "name": "Grove", "billing": [ { "everyMonths": 12, "prices": [ { "periods": null, "amount": "120.00" } ] } ] } ],
              "addOns": [
                { "id": "backup", "name": "Daily backups", "for": "hosting", "provides": "backup", "charge": { "every": "cycle", "prices": [ { "periods": null, "amount": "24.00" } ] } },
                { "id": "scan", "name": "Search listing help", "for": "hosting", "charge": { "every": "cycle", "prices": [ { "periods": null, "amount": "18.00" } ] } },
                { "id": "privacy", "name": "Contact privacy", "for": "domain", "provides": "privacy", "charge": { "every": "year", "prices": [ { "periods": null, "amount": "5.00" } ] } } ],
              "domains": [ { "ending": "com", "register": "12.00", "renew": "15.00" } ],
              "promotions": [ { "id": "spring", "code": "SPRING10", "percent": "10", "appliesTo": [ "plan" ] } ]
            }
            """
        )!
        .AsObject();

    private const string Ours =
        "Kern hosting, 12 months: £60.00\nSet-up: £3.00\nDaily backups, 12 months: £24.00\nlark.com, 1 year: "
        + "£12.00\nContact privacy for lark.com: £5.00\n";

    [Fact]
    public void Lines_that_are_as_the_candidate_has_them_are_as_expected()
    {
        var check = Check(Ours + "Subtotal £104.00\nVAT £20.80\nTotal £124.80");
        check.Pairs.Select(pair => pair.Fit).ShouldAllBe(fit => fit == CartFit.AsExpected);
        check.Pairs.Length.ShouldBe(5);
        check.Total.ShouldBe((Minor)12480);
        check.Deviations.ShouldBeEmpty();

        // A plan that is called by its name alone is the plan.
        Check(Ours.Replace("Kern hosting, 12 months", "Kern", StringComparison.Ordinal) + "Total £124.80")
            .Pairs.ShouldAllBe(pair => pair.Fit == CartFit.AsExpected);

        // With the tax within each line it is the same cart.
        Check(
            "Kern hosting, 12 months: £72.00\nSet-up: £3.60\nDaily backups: £28.80\nlark.com, 1 year: "
                + "£14.40\nContact privacy for lark.com: £6.00\nTotal incl. VAT £124.80"
        )
            .Pairs.Select(pair => pair.Fit)
            .ShouldAllBe(fit => fit == CartFit.AsExpected);
    }

    [Theory]
    [InlineData(
        "Kern hosting, 12 months: £60.00",
        "Kern hosting, 24 months: £110.00",
        CartFit.OtherLength,
        DeviationKind.PaidOtherwise
    )]
    [InlineData(
        "Kern hosting, 12 months: £60.00",
        "Kern hosting, 12 months: £90.00",
        CartFit.OtherAmount,
        DeviationKind.LaterPrice
    )]
    [InlineData(
        "Kern hosting, 12 months: £60.00",
        "Grove hosting, 12 months: £120.00",
        CartFit.OtherAmount,
        DeviationKind.OtherPlan
    )]
    [InlineData("Kern hosting, 12 months: £60.00", "Kern hosting, 12 months: £71.00", CartFit.OtherAmount, null)]
    [InlineData("Kern hosting, 12 months: £60.00", "Kern hosting, 6 months: £40.00", CartFit.OtherLength, null)]
    [InlineData("Set-up: £3.00", "Set-up: £0.00", CartFit.OtherAmount, DeviationKind.SetUpLeftOut)]
    [InlineData("Set-up: £3.00\n", "", CartFit.Missing, DeviationKind.SetUpLeftOut)]
    [InlineData("lark.com, 1 year: £12.00", "lark.com, 2 years: £27.00", CartFit.OtherLength, DeviationKind.Years)]
    [InlineData("lark.com, 1 year: £12.00\n", "", CartFit.Missing, DeviationKind.DomainLeftOut)]
    [InlineData("Daily backups, 12 months: £24.00\n", "", CartFit.Missing, DeviationKind.ExtraLeftOut)]
    [InlineData(
        "Daily backups, 12 months: £24.00",
        "Daily backups x 2, 12 months: £48.00",
        CartFit.OtherAmount,
        DeviationKind.Quantity
    )]
    [InlineData(
        "Contact privacy for lark.com: £5.00",
        "Contact privacy for lark.com: £5.00\nSearch listing help: £18.00",
        CartFit.NotAskedFor,
        DeviationKind.ExtraAdded
    )]
    [InlineData(
        "Contact privacy for lark.com: £5.00",
        "Contact privacy for lark.com: £5.00\nGolden frame: £7.00",
        CartFit.NotAskedFor,
        null
    )]
    public void What_differs_is_told_with_the_change_that_makes_it(
        string ours,
        string theirs,
        CartFit fit,
        DeviationKind? why
    )
    {
        var pair = Check(Ours.Replace(ours, theirs, StringComparison.Ordinal) + "Total £1.00")
            .Pairs.Where(known => known.Fit != CartFit.AsExpected)
            .ShouldHaveSingleItem();
        (pair.Fit, pair.Why?.Kind).ShouldBe((fit, why));
    }

    [Fact]
    public void What_costs_nothing_there_is_no_fault_and_a_code_that_did_not_count_is()
    {
        Check(Ours + "Data centre Leeds: £0.00\nTotal £1.00").Pairs.ShouldAllBe(pair => pair.Fit == CartFit.AsExpected);
        var check = Check(Ours + "Total £1.00", codes: ["SPRING10"]);
        check
            .Pairs.Where(pair => pair.Fit == CartFit.Missing)
            .ShouldHaveSingleItem()
            .Why.ShouldBe(new Deviation(DeviationKind.CodeLeftOut, "SPRING10"));
        var given = Check(Ours + "SPRING10 discount: -£6.00\nTotal £1.00");
        given
            .Pairs.Where(pair => pair.Fit == CartFit.NotAskedFor)
            .ShouldHaveSingleItem()
            .Why.ShouldBe(new Deviation(DeviationKind.CodeAdded, "SPRING10"));
    }

    [Fact]
    public void The_candidate_as_it_stands_in_the_cart_costs_what_the_cart_asks()
    {
        var (costing, candidate, book) = Costed([]);
        var cart = CartReader.Read(
            PlainPage.Read(
                Ours.Replace("12 months: £60.00\nSet-up: £3.00", "24 months: £110.00", StringComparison.Ordinal)
                    .Replace("Daily backups, 12 months: £24.00\n", "", StringComparison.Ordinal)
                    + "Subtotal £127.00\nVAT £25.40\nTotal £152.40"
            )
        );
        var wire = CartCheckWriter.Write(
            CartCheck.Compare(costing, book, cart),
            cart,
            candidate,
            [book],
            costing.Settings,
            null
        );
        wire.Lines.Count(line => line.Fit != CartFit.AsExpected).ShouldBe(3); // Another length, no set-up, no backups.
        var theirs = wire.AsTheySell.ShouldNotBeNull();
        (theirs.Hosting!.EveryMonths, theirs.Hosting.AddOns.Count).ShouldBe((24, 0));
        wire.Lines.Single(line => line.Fit == CartFit.OtherLength)
            .Why.ShouldBe("Their sum is for paying every 2 years: check how often you pay.");
    }

    [Fact]
    public void Without_the_domain_and_what_was_for_it_the_candidate_is_the_hosting_alone()
    {
        var (costing, candidate, book) = Costed([]);
        var cart = CartReader.Read(
            PlainPage.Read("Kern hosting, 12 months: £60.00\nSet-up: £3.00\nDaily backups: £24.00\nTotal £104.40")
        );
        var theirs = CartCheckWriter
            .Write(CartCheck.Compare(costing, book, cart), cart, candidate, [book], costing.Settings, null)
            .AsTheySell.ShouldNotBeNull();
        theirs.Domains.ShouldBeEmpty();
    }

    private static CartCheck Check(string cart, string[]? codes = null)
    {
        var (costing, _, book) = Costed(codes ?? []);
        return CartCheck.Compare(costing, book, CartReader.Read(PlainPage.Read(cart)));
    }

    private static (Costing Costing, Candidate Candidate, OfferBook Book) Costed(string[] codes)
    {
        var faults = new FaultList();
        var book = BookReader
            .Read(Book, faults)
            .ShouldNotBeNull(JsonSerializer.Serialize(faults.Faults.Select(fault => fault.Where)));
        var candidate = new Candidate(
            new HostingChoice("larch", "kern", 12, 12) { AddOns = [new AddOnChoice("backup")], Codes = [.. codes] },
            [
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "larch",
                    Name = "lark",
                    Ending = "com",
                    AddOns = [new AddOnChoice("privacy")],
                },
            ]
        );
        var settings = new CountSettings(Start, 36) { TaxPercent = ExactDecimal.Whole(20) };
        return (Coster.Cost(candidate, [book], settings).Value.ShouldNotBeNull(), candidate, book);
    }
}
