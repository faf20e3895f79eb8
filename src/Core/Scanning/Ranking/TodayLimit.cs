using HomeStart.Core.Wants;

namespace HomeStart.Core.Scanning;

/// <summary>The most the owner can pay today (scan rule 6), and what one plan has to say to it.</summary>
internal sealed class TodayLimit(Needs needs)
{
    /// <summary>The least due today of any candidate that other needs do not bar from being costed.</summary>
    public Minor? Least { get; private set; }

    public bool SomeMet { get; private set; }

    public bool SomeBarred { get; private set; }

    public bool IsSet => needs.MaxDueToday is not null;

    public bool IsMetBy(PartTotals sums) =>
        needs.MaxDueToday is not { } most || (sums.Today <= most && (!sums.TodayAtLeast || needs.AcceptUnknown));

    public void Saw(Minor today) => Least = Least is { } least && least <= today ? least : today;

    /// <summary>How many of some pairs of hosting and domain have a candidate that meets it.</summary>
    public void Counted(long met, long of)
    {
        SomeMet |= met > 0;
        SomeBarred |= met < of;
    }
}
