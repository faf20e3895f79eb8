using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>Costs a candidate: the entry to the rules of costing.md.</summary>
public static class Coster
{
    /// <summary>
    /// The costing of a candidate over the owner's settings, or null with what bars it in <paramref name="faults"/>. Null without a new fault means that
    /// something is not chosen yet.
    /// </summary>
    public static Costing? Cost(Candidate candidate, IReadOnlyList<OfferBook> books, CountSettings settings, FaultList faults) =>
        Resolver.Resolve(candidate, books, settings, faults) is { } purchase && CostingWork.IsBounded(purchase, faults) ? Cost(purchase, settings, faults) : null;

    private static Costing? Cost(Purchase purchase, CountSettings settings, FaultList faults)
    {
        var counting = new Counting(settings, settings.DisplayCurrency ?? purchase.OwnCurrency);
        var costing = Costing.Of(purchase, settings, counting);
        counting.ReportMissingRates(faults);
        return counting.MissingRates.Count == 0 ? costing : null;
    }

    /// <summary>
    /// What a code of a costing saves over the horizon: the exact difference to the same candidate without it, in minor units of the display currency.
    /// </summary>
    public static Minor Saves(Costing costing, CodeVerdict code) => Without(costing, code).Totals.Horizon - costing.Totals.Horizon;

    private static Costing Without(Costing costing, CodeVerdict code)
    {
        var purchase = costing.Run.Purchase;
        var without = purchase with
        {
            Hosting = purchase.Hosting is { } hosting && hosting.Book == code.Book ? hosting with { Codes = hosting.Codes.RemoveAll(Same) } : purchase.Hosting,
            Domains =
            [
                .. purchase.Domains.Select(domain =>
                    domain.Book == code.Book ? domain with { Choice = domain.Choice with { Codes = domain.Choice.Codes.RemoveAll(Same) } } : domain),
            ],
        };
        return Costing.Of(without, costing.Settings, costing.Counting);

        bool Same(string entered) => Ascii.EqualsIgnoreCase(entered, code.Code);
    }
}
