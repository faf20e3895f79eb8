using HomeStart.Core.Costings;

namespace HomeStart.Core.Worksheets;

/// <summary>What holds between the candidates of a shortlist.</summary>
public static class Shortlist
{
    /// <summary>
    /// The places of those that cost least over the horizon: equal ones all, never one whose total is only "at least", and none where fewer than two can be compared.
    /// </summary>
    public static IReadOnlySet<int> Least(IReadOnlyList<Costing?> costings)
    {
        var whole = costings.Index().Where(pair => pair.Item is { Totals.AtLeast.Horizon: false }).ToList();
        if (whole.Count < 2 || whole.Select(pair => pair.Item!.Currency).Distinct().Count() > 1)
        {
            return new HashSet<int>();
        }

        var least = whole.Min(pair => pair.Item!.Totals.Horizon);
        return whole.Where(pair => pair.Item!.Totals.Horizon == least).Select(pair => pair.Index).ToHashSet();
    }
}
