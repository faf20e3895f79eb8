using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// What each charge of an extra comes to: here and nowhere else its price steps become charges (costing rules 13 and
/// 14). Prices are in minor units of the book's currency, for one unit.
/// </summary>
public static class ChargeSchedule
{
    /// <summary>Of a hosting extra: with the bill of the plan of this number, counted from 0.</summary>
    /// <param name="everyMonths">The months between two bills.</param>
    public static Price WithBill(AddOn extra, int bill, int everyMonths) =>
        extra.Every switch
        {
            ChargeEvery.Month => extra.Prices.Sum(bill * everyMonths, everyMonths),
            ChargeEvery.Once or ChargeEvery.Year or ChargeEvery.Cycle => extra.Prices.At(bill),
        };

    /// <summary>Of a hosting extra: with each bill once no step is to come any more.</summary>
    public static Price WithLaterBills(AddOn extra, int everyMonths) =>
        extra.Every == ChargeEvery.Month ? Lasting(extra.Prices).Times(everyMonths) : Lasting(extra.Prices);

    /// <summary>Of a domain extra: with so many years of its domain, from the year of this number on.</summary>
    public static Price WithYears(AddOn extra, int year, int count) =>
        extra.Every switch
        {
            ChargeEvery.Once => year == 0 ? extra.Prices.At(0) : Price.Nothing,
            ChargeEvery.Month => extra.Prices.Sum(12 * year, 12 * count),
            ChargeEvery.Year or ChargeEvery.Cycle => extra.Prices.Sum(year, count),
        };

    /// <summary>The price that holds for good.</summary>
    public static Price Lasting(PriceSteps prices) => Price.FromUnits(prices.Steps[^1].Units);
}
