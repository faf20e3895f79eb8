using System.Collections.Immutable;

namespace HomeStart.Core.Scanning;

/// <summary>
/// Why the first row stands first: what it costs less than the best of any other plan. Minor units of the display
/// currency.
/// </summary>
/// <param name="Next">The best row of another plan.</param>
/// <param name="Saves">What the first costs less by what the scan ranks by; zero: they are equal.</param>
/// <param name="MoreToday">What the first takes more today; below zero: less. Null: a price of either that is due today
/// is not stated.</param>
public sealed record ScanLead(ScanRow Next, Minor Saves, Minor? MoreToday)
{
    /// <summary>Null where there is no other plan among the rows, or a price of either is not stated.</summary>
    public static ScanLead? Find(ImmutableArray<ScanRow> rows, Objective objective)
    {
        if (
            rows.FirstOrDefault() is not { } first
            || rows.FirstOrDefault(row => PlanOf(row) != PlanOf(first)) is not { } next
            || first.Totals.IsAtLeast(objective)
            || next.Totals.IsAtLeast(objective)
        )
        {
            return null;
        }

        return new ScanLead(
            next,
            next.Totals.Figure(objective) - first.Totals.Figure(objective),
            first.Totals.AtLeast.DueToday || next.Totals.AtLeast.DueToday
                ? null
                : first.Totals.DueToday - next.Totals.DueToday
        );
    }

    private static (string?, string?) PlanOf(ScanRow row) => (row.Candidate.Hosting?.Book, row.Candidate.Hosting?.Plan);
}
