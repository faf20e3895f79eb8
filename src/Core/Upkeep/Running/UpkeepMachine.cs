using System.Collections.Immutable;

namespace HomeStart.Core.Upkeep;

/// <summary>What makes one state of another.</summary>
public abstract record UpkeepEvent;

/// <summary>The owner decides something, before anything of that day falls due.</summary>
public sealed record Decided(Decision Decision) : UpkeepEvent;

/// <summary>A day ends: what falls due on it is tried, and what changes by itself changes.</summary>
public sealed record DayEnded(DateOnly Day) : UpkeepEvent;

/// <summary>What an event makes of a state.</summary>
/// <param name="State">As it stands then.</param>
/// <param name="Happened">What happened, in that order.</param>
public sealed record UpkeepStep(UpkeepState State, ImmutableArray<Happening> Happened);

/// <summary>
/// The rules of upkeep.md as one pure function: a state and an event give the next state and what happened. The day
/// book, the look-ahead and <c>POST /api/upkeep</c> all fold it over days.
/// </summary>
public static class UpkeepMachine
{
    /// <summary>The day of the order: what is due on it is paid.</summary>
    public static UpkeepStep Open(Tenure tenure) => UpkeepRun.Opening(tenure).Step();

    /// <summary>The state after an event, and what happened; days before it pass first.</summary>
    public static UpkeepStep Apply(Tenure tenure, UpkeepState state, UpkeepEvent happens)
    {
        var run = UpkeepRun.At(tenure, state);
        switch (happens)
        {
            case Decided { Decision: var decision }:
                run.PassTo(decision.On.AddDays(-1));
                run.Decide(decision);
                break;
            case DayEnded { Day: var day }:
                run.PassTo(day);
                break;
            default:
                throw new InvalidOperationException($"There is no event {happens.GetType().Name}.");
        }

        return run.Step();
    }

    /// <summary>The first day after a state, up to another, on which something happens by itself; null: none.</summary>
    public static DateOnly? NextDay(Tenure tenure, UpkeepState state, DateOnly last) =>
        UpkeepRun.At(tenure, state).PassToNext(last);
}
