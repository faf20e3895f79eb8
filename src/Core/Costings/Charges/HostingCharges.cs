using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>What the hosting of a purchase costs and when (costing rules 5 to 7, 13 and 15).</summary>
internal static class HostingCharges
{
    public static void Make(Purchase purchase, BillRun run)
    {
        if (purchase.Hosting is not { } hosting)
        {
            return;
        }

        var paid = Paid(hosting);
        Once(hosting, paid, purchase.StartDate, run);
        var each = paid.RemoveAll(bought => bought.AddOn.Every is ChargeEvery.Once or ChargeEvery.Year);
        var from = purchase.StartDate;
        for (var cycle = 0; run.Holds(from); cycle++)
        {
            var until = purchase.StartDate.AddMonths(hosting.Option.MonthsTo(cycle + 1));
            EachCycle(hosting, each, cycle, new Cover(from, until), run);
            from = until;
        }

        foreach (var bought in paid.Where(bought => bought.AddOn.Every == ChargeEvery.Year))
        {
            EachYear(hosting, bought, purchase.StartDate, run);
        }
    }

    private static void Once(BoughtHosting hosting, ImmutableArray<BoughtAddOn> paid, DateOnly start, BillRun run)
    {
        if (hosting.Option.SetupFee is { } fee && fee != 0)
        {
            Add(hosting, start, new BillLine(LineKind.Setup, hosting.Plan.Id, 1, Price.FromUnits(fee), null), run);
        }

        foreach (
            var had in hosting
                .AddOns.Where(bought => IsIncluded(hosting, bought))
                .Select(bought => bought with { Quantity = 1 })
        )
        {
            Add(
                hosting,
                start,
                Line(had, Price.Nothing, null, new IncludedLine(FirstCharge(had, hosting.Option.EveryMonths).OrNull)),
                run
            );
        }

        foreach (var bought in paid.Where(bought => bought.AddOn.Every == ChargeEvery.Once))
        {
            Add(hosting, start, Line(bought, FirstCharge(bought, hosting.Option.EveryMonths), null), run);
        }
    }

    private static void EachCycle(
        BoughtHosting hosting,
        ImmutableArray<BoughtAddOn> each,
        int cycle,
        Cover cover,
        BillRun run
    )
    {
        var every = hosting.Option.EveryMonths;
        Add(
            hosting,
            cover.From,
            new BillLine(LineKind.Plan, hosting.Plan.Id, 1, hosting.Option.Prices.At(cycle), cover),
            run
        );
        if (hosting.DataCentre is { PerMonth: { } perMonth } centre && perMonth != 0)
        {
            Add(
                hosting,
                cover.From,
                new BillLine(LineKind.DataCentre, centre.Id, 1, Price.FromUnits(perMonth).Times(every), cover),
                run
            );
        }

        foreach (var bought in each)
        {
            var price = ChargeSchedule.WithBill(bought.AddOn, cycle, every);
            Add(hosting, cover.From, Line(bought, price.Times(bought.Quantity), cover), run);
        }
    }

    private static void EachYear(BoughtHosting hosting, BoughtAddOn bought, DateOnly start, BillRun run)
    {
        for (var year = 0; run.Holds(start.AddMonths(12 * year)); year++)
        {
            var cover = new Cover(start.AddMonths(12 * year), start.AddMonths(12 * (year + 1)));
            Add(hosting, cover.From, Line(bought, bought.AddOn.Prices.At(year).Times(bought.Quantity), cover), run);
        }
    }

    // An included extra is had once; more of it is bought like any other.
    private static ImmutableArray<BoughtAddOn> Paid(BoughtHosting hosting) =>
        [
            .. hosting
                .AddOns.Select(bought =>
                    IsIncluded(hosting, bought) ? bought with { Quantity = bought.Quantity - 1 } : bought
                )
                .Where(bought => bought.Quantity > 0),
        ];

    private static Price FirstCharge(BoughtAddOn bought, int everyMonths) =>
        ChargeSchedule.WithBill(bought.AddOn, 0, everyMonths).Times(bought.Quantity);

    private static bool IsIncluded(BoughtHosting hosting, BoughtAddOn bought) =>
        hosting.Plan.Includes.Contains(bought.AddOn.Id, StringComparer.Ordinal);

    private static BillLine Line(BoughtAddOn bought, Price price, Cover? cover, IncludedLine? included = null) =>
        new(LineKind.AddOn, bought.AddOn.Id, bought.Quantity, price, cover)
        {
            BookOrder = bought.BookOrder,
            Included = included,
        };

    private static void Add(BoughtHosting hosting, DateOnly date, BillLine line, BillRun run) =>
        run.Add(date, hosting.Book, hosting.Book.Currency, line);
}
