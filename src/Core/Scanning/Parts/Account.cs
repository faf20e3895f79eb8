using System.Collections.Immutable;

namespace HomeStart.Core.Scanning;

/// <summary>What bills come to, in minor units of the display currency: all that ranking needs.</summary>
/// <param name="Expected">Before rounding; zero unless asked for.</param>
internal readonly record struct PartTotals(
    Minor Today,
    Minor Horizon,
    bool TodayAtLeast,
    bool HorizonAtLeast,
    double Expected
)
{
    public static PartTotals operator +(PartTotals left, PartTotals right) =>
        new(
            left.Today + right.Today,
            left.Horizon + right.Horizon,
            left.TodayAtLeast || right.TodayAtLeast,
            left.HorizonAtLeast || right.HorizonAtLeast,
            left.Expected + right.Expected
        );
}

/// <summary>The bills of one book before the end of the horizon, by date.</summary>
/// <param name="Applied">The codes that count; known only of an account made over the whole run.</param>
internal sealed record Account(
    ImmutableArray<AccountEntry> Entries,
    PartTotals PartTotals,
    ImmutableArray<string> Applied
)
{
    public static readonly Account Empty = new([], default, []);
}

/// <summary>One bill: its sum in its own currency, and what it adds to each figure.</summary>
internal readonly record struct AccountEntry(DateOnly Date, Minor Sum, bool IsAtLeast, PartTotals Adds);
