using System.Collections.Immutable;
using CsCheck;

namespace HomeStart.Core.Tests;

/// <summary>What settles it: checked against scanning and costing each horizon and each need by itself.</summary>
public class SettlingTests
{
    private static readonly DateOnly Start = new(2026, 12, 1);

    [Fact]
    public void Names_the_month_from_which_another_costs_less_and_until_when()
    {
        // Low at first and dear later, against one price held: 12 × 3, then 9 a month; 5 a month throughout. 36 against
        // 60, 144 against 120.
        var steep = Book("steep", [new PriceStep(1, 3600), new PriceStep(null, 10800)], every: 12);
        var held = Book("held", [new PriceStep(null, 500)], every: 1);
        var settling = Settling
            .WorkOut(Request([steep, held], horizon: 12, new Needs()), CancellationToken.None)
            .Value!;
        Book(settling.Least!).ShouldBe("steep");
        var longer = settling.Longer!;
        (longer.FromMonths, longer.ToMonths, Book(longer.Other!)).ShouldBe((13, 120, "held"));
        (longer.Other!.Totals.Horizon, longer.Least.Totals.Horizon).ShouldBe((6500, 14400));
        var shorter = settling.Shorter!;
        (shorter.FromMonths, shorter.ToMonths, Book(shorter.Other!)).ShouldBe((1, 7, "held"));
        (shorter.Other!.Totals.Horizon, shorter.Least.Totals.Horizon).ShouldBe((3500, 3600));
    }

    // The need is the owner's, over what they count: trying other horizons does not change what is asked.
    [Fact]
    public void A_price_that_must_stay_the_same_must_do_so_over_what_the_owner_counts()
    {
        var steep = Book("steep", [new PriceStep(1, 3600), new PriceStep(null, 10800)], every: 12);
        var held = Book("held", [new PriceStep(null, 500)], every: 1);
        var settling = Settling
            .WorkOut(Request([steep, held], horizon: 12, new Needs { SamePrice = true }), CancellationToken.None)
            .Value!;
        (Book(settling.Least!), settling.Longer!.FromMonths, Book(settling.Longer.Other!)).ShouldBe(
            ("steep", 13, "held")
        );
        Book(
                Settling
                    .WorkOut(
                        Request([steep, held], horizon: 13, new Needs { SamePrice = true }),
                        CancellationToken.None
                    )
                    .Value!.Least!
            )
            .ShouldBe("held"); // 65.00, where steep would change.
        var dropped = Settling
            .WorkOut(
                Request(
                    [steep, Book("dear", [new PriceStep(null, 20000)], every: 12)],
                    horizon: 24,
                    new Needs { SamePrice = true }
                ),
                CancellationToken.None
            )
            .Value!.Needs.ShouldHaveSingleItem();
        (dropped.Need, dropped.Saves).ShouldBe(("samePrice", (Minor?)25600)); // 400.00 against 144.00.
    }

    [Fact]
    public void Says_where_another_is_less_for_some_months_only()
    {
        // Every three years 120, against 40 a year: less in months 37 to 48 … only until the next year is due.
        var long36 = Book("long", [new PriceStep(null, 11000)], every: 36);
        var yearly = Book("yearly", [new PriceStep(null, 4000)], every: 12);
        var longer = Settling
            .WorkOut(Request([long36, yearly], horizon: 36, new Needs()), CancellationToken.None)
            .Value!.Longer!;
        (longer.FromMonths, longer.ToMonths, Book(longer.Other!)).ShouldBe((37, 60, "yearly"));
    }

    [Fact]
    public void A_least_that_hides_a_later_price_is_no_longer_known_to_be_the_least()
    {
        var hidden = Book("hidden", [new PriceStep(1, 1000), new PriceStep(null, null)], every: 12);
        var held = Book("held", [new PriceStep(null, 9000)], every: 12);
        var longer = Settling
            .WorkOut(Request([hidden, held], horizon: 12, new Needs()), CancellationToken.None)
            .Value!.Longer!;
        (longer.FromMonths, longer.Other).ShouldBe((13, null));
    }

    [Fact]
    public void Puts_the_dearest_need_first_with_what_dropping_it_saves()
    {
        var book = Book("host", [new PriceStep(null, 1000)], every: 12) with
        {
            AddOns = [Extra("backup", 700), Extra("privacy", 300)],
        };
        var needs = new Needs { Extras = ["privacy", "backup"] };
        var costs = Settling.WorkOut(Request([book], horizon: 12, needs), CancellationToken.None).Value!.Needs;
        costs
            .Select(cost => (cost.Wants.Word, cost.Saves, cost.Best.Totals.Horizon))
            .ShouldBe([("backup", 700, 1300), ("privacy", (Minor?)300, 1700)]);
    }

    [Fact]
    public void Where_nothing_fits_the_needs_without_which_something_does_are_named()
    {
        var needs = new Needs { Support = ["phone"] };
        var settling = Settling
            .WorkOut(
                Request([Book("host", [new PriceStep(null, 1000)], every: 12)], horizon: 12, needs),
                CancellationToken.None
            )
            .Value!;
        settling.Least.ShouldBeNull();
        settling.Needs.Select(cost => (cost.Need, cost.Saves)).ShouldBe([("support", (Minor?)null)]);
    }

    [Fact]
    public void Agrees_with_scanning_every_horizon_on_random_markets() =>
        Gen.Int.Sample(
            seed =>
            {
                var request = RandomScan.Make(seed) with { Objective = Objective.Horizon, ByPlan = false, Top = 1 };
                var settling = Settling.WorkOut(request, CancellationToken.None).Value!;
                if (settling.Least is not { } least || least.Totals.AtLeast.Horizon)
                {
                    return;
                }

                var end = settling.Longer?.AtMonths ?? 121;
                for (var months = request.Settings.HorizonMonths; months <= Math.Min(end, 60); months++)
                {
                    var over = request.Settings with { HorizonMonths = months };
                    var totals = Coster.Cost(least.Candidate, request.Books, over).Value!.Totals;
                    var first = Scan.Run(
                            request with
                            {
                                Settings = over,
                                SamePriceMonths = request.Settings.HorizonMonths,
                            },
                            null,
                            CancellationToken.None
                        )
                        .Value!.Rows[0]
                        .Totals;
                    var isOvertaken = totals.AtLeast.Horizon || first.Horizon < totals.Horizon;
                    isOvertaken.ShouldBe(months == end);
                }
            },
            iter: 25
        );

    private static string Book(ScanRow row) => row.Candidate.Hosting!.Book!;

    private static ScanRequest Request(ImmutableArray<OfferBook> books, int horizon, Needs needs) =>
        new(
            books,
            new CountSettings(Start, horizon) { DisplayCurrency = Currency.Get("GBP") },
            needs,
            Objective.Horizon,
            ByPlan: false,
            Top: 25
        );

    private static OfferBook Book(string id, ImmutableArray<PriceStep> prices, int every) =>
        new(id, new Provider(id, ["chat"]), Start, Currency.Get("GBP"))
        {
            Tax = new BookTax(true, true),
            Plans =
            [
                new Plan("plan", "Plan") { Billing = [new BillingOption(every, every, null, new PriceSteps(prices))] },
            ],
        };

    private static AddOn Extra(string tag, int price) =>
        new(tag, tag, AddOnFor.Hosting, ChargeEvery.Year, new PriceSteps([new PriceStep(null, price)]))
        {
            Provides = tag,
        };
}
