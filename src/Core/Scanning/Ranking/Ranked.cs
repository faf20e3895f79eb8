using HomeStart.Core.Costings;

namespace HomeStart.Core.Scanning;

/// <summary>The figure that a scan ranks by, and whether a part of it is not stated (scan rule 6).</summary>
internal static class Ranked
{
    public static Minor Figure(this Totals totals, Objective objective) =>
        objective switch
        {
            Objective.DueToday => totals.DueToday,
            Objective.Expected => totals.Expected!.Value,
            _ => totals.Horizon,
        };

    public static bool IsAtLeast(this Totals totals, Objective objective) =>
        objective == Objective.DueToday ? totals.AtLeast.DueToday : totals.AtLeast.Horizon;
}
