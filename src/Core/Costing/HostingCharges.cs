namespace HomeStart.Core;

/// <summary>What the hosting of a purchase costs and when (costing rules 5 to 7, 13 and 15).</summary>
internal static class HostingCharges
{
    public static void Make(Purchase purchase, BillRun run)
    {
        if (purchase.Hosting is not { } hosting)
        {
            return;
        }

        Once(hosting, purchase.StartDate, run);
        var every = hosting.Option.EveryMonths;
        for (var cycle = 0; run.Holds(At(cycle)); cycle++)
        {
            EachCycle(hosting, cycle, At(cycle), new Cover(At(cycle), At(cycle + 1)), run);
        }

        foreach (var bought in hosting.AddOns.Where(bought => bought.AddOn.Every == ChargeEvery.Year && !IsIncluded(hosting, bought)))
        {
            EachYear(hosting, bought, purchase.StartDate, run);
        }

        DateOnly At(int cycle) => purchase.StartDate.AddMonths(cycle * every);
    }

    private static void Once(BoughtHosting hosting, DateOnly start, BillRun run)
    {
        if (hosting.Option.SetupFee is { } fee && fee != 0)
        {
            Add(hosting, start, new BillLine(LineKind.Setup, hosting.Plan.Id, 1, Price.Of(fee), null), run);
        }

        foreach (var bought in hosting.AddOns)
        {
            var worth = FirstCharge(bought, hosting.Option.EveryMonths);
            if (IsIncluded(hosting, bought))
            {
                Add(hosting, start, Line(bought, Price.Nothing, null, isIncluded: true, worth.OrNull), run);
            }
            else if (bought.AddOn.Every == ChargeEvery.Once)
            {
                Add(hosting, start, Line(bought, worth, null), run);
            }
        }
    }

    private static void EachCycle(BoughtHosting hosting, int cycle, DateOnly date, Cover cover, BillRun run)
    {
        var every = hosting.Option.EveryMonths;
        Add(hosting, date, new BillLine(LineKind.Plan, hosting.Plan.Id, 1, hosting.Option.Prices.At(cycle), cover), run);
        if (hosting.DataCentre is { PerMonth: { } perMonth } centre && perMonth != 0)
        {
            Add(hosting, date, new BillLine(LineKind.DataCentre, centre.Id, 1, Price.Of(perMonth).Times(every), cover), run);
        }

        foreach (var bought in hosting.AddOns)
        {
            if (bought.AddOn.Every is ChargeEvery.Month or ChargeEvery.Cycle && !IsIncluded(hosting, bought))
            {
                var price = bought.AddOn.Every == ChargeEvery.Month ? bought.AddOn.Prices.Sum(cycle * every, every) : bought.AddOn.Prices.At(cycle);
                Add(hosting, date, Line(bought, price.Times(bought.Quantity), cover), run);
            }
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

    private static Price FirstCharge(BoughtAddOn bought, int everyMonths) =>
        (bought.AddOn.Every == ChargeEvery.Month ? bought.AddOn.Prices.Sum(0, everyMonths) : bought.AddOn.Prices.At(0)).Times(bought.Quantity);

    private static bool IsIncluded(BoughtHosting hosting, BoughtAddOn bought) => hosting.Plan.Includes.Contains(bought.AddOn.Id, StringComparer.Ordinal);

    private static BillLine Line(BoughtAddOn bought, Price price, Cover? cover, bool isIncluded = false, Minor? worth = null) =>
        new(LineKind.AddOn, bought.AddOn.Id, bought.Quantity, price, cover) { BookOrder = bought.BookOrder, IsIncluded = isIncluded, Worth = worth };

    private static void Add(BoughtHosting hosting, DateOnly date, BillLine line, BillRun run) => run.Add(date, hosting.Book, hosting.Book.Currency, line);
}
