using HomeStart.Core.Basics;

namespace HomeStart.Core.Costings;

/// <summary>
/// The plan's change of price, a month, in the book's currency; a null <paramref name="To"/> is not stated (costing
/// rule 26).
/// </summary>
public sealed record PriceStepUp(DateOnly Date, Money From, Money? To)
{
    /// <summary>Null: the price holds over what is counted.</summary>
    internal static PriceStepUp? Find(Costing costing)
    {
        if (costing.Run.Purchase.Hosting is not { } hosting)
        {
            return null;
        }

        var first = hosting.Option.Prices.At(0);
        if (
            hosting.Option.Prices.FirstOtherThan(first) is not var (cycle, price)
            || (long)cycle * hosting.Option.EveryMonths >= Months.Run
            || hosting.Option.MonthsTo(cycle) >= Months.Run
        )
        {
            return null;
        }

        var date = costing.Settings.StartDate.AddMonths(hosting.Option.MonthsTo(cycle));
        return date >= costing.End
            ? null
            : new PriceStepUp(
                date,
                PerMonth(hosting, first.Units),
                price.IsStated ? PerMonth(hosting, price.Units) : null
            );
    }

    internal static Money PerMonth(BoughtHosting hosting, Minor price) =>
        new(hosting.Option.PerMonth(price), hosting.Book.Currency);
}
