using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>What it costs to have something back that was missed.</summary>
/// <param name="Cost">By card, with tax.</param>
/// <param name="IsAtLeast">Whether the fee, say, is not stated.</param>
public sealed record Return(DateOnly On, Money Cost, bool IsAtLeast)
{
    /// <summary>Paying on a day; null: there is nothing to pay, or it is too late.</summary>
    public static Return? Paying(Outlook outlook, HoldingAtEnd held, DateOnly day) => WorkOut(outlook, held, day, []);

    internal static Return? WorkOut(Outlook outlook, HoldingAtEnd held, DateOnly day, ImmutableArray<Decision> before)
    {
        ImmutableArray<Decision> able = [.. before, new SetCard(day, Works: true)];
        var without = Morning(able).Happened.Length;

        // What was paid earlier that day is not paid again.
        var charged = Morning(able.Add(new PayMissed(day, held.Holding)))
            .Happened.Skip(without)
            .OfType<Charged>()
            .FirstOrDefault();
        return charged?.On == day && charged.Lines.Any(line => line.Holding == held.Holding)
            ? new Return(day, new Money(charged.Total - charged.FromBalance, charged.Currency), charged.IsAtLeast)
            : null;

        UpkeepYears Morning(ImmutableArray<Decision> decisions) =>
            outlook.Tenure.AheadToMorning(outlook.Now.State, day, outlook.PlannedWith(decisions));
    }
}

/// <summary>
/// What follows when something is let lapse: state by state, each with what coming back costs from then on.
/// </summary>
public sealed record LapseStep(DateOnly On, HoldingState State, Return? Return, bool IsAssumed)
{
    /// <summary>The steps of a holding that stops renewing now; empty where it is not live.</summary>
    public static ImmutableArray<LapseStep> ListAll(Outlook outlook, HoldingAtEnd held)
    {
        if (held is not { State: HoldingState.Live, PaidUntil: { } paid })
        {
            return [];
        }

        var stop = new SetRenewing(outlook.DecidingOn, held.Holding, Value: false);
        var ends =
            held.IsHosting && outlook.Now.Hosting!.CommittedEnd > paid ? outlook.Now.Hosting.CommittedEnd.Value : paid;
        var years = outlook.Tenure.Ahead(
            outlook.Now.State,
            Farthest(outlook, ends),
            outlook.PlannedWith(held.Renews ? [stop] : [])
        );
        return
        [
            .. years
                .Happened.OfType<StateChanged>()
                .Where(state => state.Holding == held.Holding && state.State != HoldingState.Live)
                .Select(state => new LapseStep(
                    state.On,
                    state.State,
                    Return.WorkOut(outlook, held, state.On.AddDays(1), held.Renews ? [stop] : []),
                    state.IsAssumed
                )),
        ];
    }

    // As long as every state lasts in the longest of lapse rules that a book can state, and some days.
    private static DateOnly Farthest(Outlook outlook, DateOnly ends)
    {
        var far = ends.AddMonths(18);
        return far < outlook.Tenure.Last ? far : outlook.Tenure.Last;
    }
}
