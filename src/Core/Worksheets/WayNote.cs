using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>What an owner must not misread about a way to pay.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="IsDayAfter">Whether the next bill falls on the very day the count ends.</param>
public sealed record WayNote(WayNoteKind Kind, bool IsDayAfter)
{
    /// <summary>Null: there is nothing to misread.</summary>
    public static WayNote? Find(WhatIf<BillingOption> way)
    {
        if (way.Costing is not { Totals.Next: { } next } costing)
        {
            return null;
        }

        var isDayAfter = next.Date == costing.End;
        return way.IsChosen ? new WayNote(WayNoteKind.FallsDueNext, isDayAfter)
            : isDayAfter && way.Choice.EveryMonths > 1 && way.HorizonChange < 0 && (next.Total != 0 || next.AtLeast)
                ? new WayNote(WayNoteKind.LooksCheap, isDayAfter)
            : null;
    }
}

/// <summary>What people misread about a way to pay.</summary>
public enum WayNoteKind
{
    /// <summary>It is the one chosen: this is what falls due after what is counted.</summary>
    FallsDueNext,

    /// <summary>It costs less than the one chosen because its next bill is the first that is not counted.</summary>
    LooksCheap,
}
