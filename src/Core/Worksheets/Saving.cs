using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// What a way to pay comes to over the horizon, against the way that binds least. A saving means nothing without what
/// it is a saving against.
/// </summary>
/// <param name="Change">Minor units of the display currency; below zero is less.</param>
public sealed record Saving(BillingOption Against, Minor Change)
{
    /// <summary>Null for the way that binds least itself, and where either has no whole total.</summary>
    public static Saving? Find(WhatIf<BillingOption> way, ImmutableArray<WhatIf<BillingOption>> ways)
    {
        var shortest = ways.MinBy(other => (other.Choice.CommitMonths, other.Choice.EveryMonths))!;
        return
            way != shortest
            && Whole(way) is { } sum
            && Whole(shortest) is { } against
            && way.Costing!.Currency == shortest.Costing!.Currency
            ? new Saving(shortest.Choice, sum - against)
            : null;
    }

    private static Minor? Whole(WhatIf<BillingOption> way) =>
        way.Costing is { Totals: { AtLeast.Horizon: false, Horizon: var sum } } ? sum : null;
}
