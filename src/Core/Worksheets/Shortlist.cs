using HomeStart.Core.Costings;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Worksheets;

/// <summary>What holds between the candidates of a shortlist.</summary>
public static class Shortlist
{
    /// <summary>
    /// The places of those that cost least over the horizon among those that do what is needed: equal ones all, never
    /// one whose total is only "at least", and none where fewer than two can be compared.
    /// </summary>
    public static IReadOnlySet<int> Least(IReadOnlyList<Costing?> costings, Needs needs)
    {
        var whole = costings.Index().Where(pair => pair.Item is { Totals.AtLeast.Horizon: false }).ToList();
        if (whole.Count < 2 || whole.Select(pair => pair.Item!.Currency).Distinct().Count() > 1)
        {
            return new HashSet<int>();
        }

        var doing = whole.Where(pair => Does(pair.Item!, needs)).ToList();
        return doing
            .Where(pair => pair.Item!.Totals.Horizon == doing.Min(other => other.Item!.Totals.Horizon))
            .Select(pair => pair.Index)
            .ToHashSet();
    }

    /// <summary>
    /// Whether a candidate does what is needed, with the extras it takes. A name alone hosts no site.
    /// </summary>
    public static bool Does(Costing costing, Needs needs) =>
        costing.Run.Purchase.Hosting is not null
            ? PlanFit.AreMet(BoughtFit.Check(costing.Run.Purchase, needs, costing.Settings.HorizonMonths), needs)
            : PlanFit.AsksNothing(needs);
}
