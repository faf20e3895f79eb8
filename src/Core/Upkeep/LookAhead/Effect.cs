using System.Collections.Immutable;

namespace HomeStart.Core.Upkeep;

/// <summary>What decisions would do, against leaving all as it is.</summary>
/// <param name="Decisions">In the order they would be made, all on one day.</param>
/// <param name="Refused">Why it cannot be carried out; null: it can.</param>
/// <param name="AtOnce">What is charged, comes back or is credited when it is carried out.</param>
/// <param name="States">What changes state until the end of the horizon that would not, or not then, if all were left
/// as it is.</param>
public sealed record Effect(
    ImmutableArray<Decision> Decisions,
    RefusalReason? Refused,
    ImmutableArray<Happening> AtOnce,
    ImmutableArray<StateChanged> States
)
{
    /// <summary>Year by year from today: with it, and as it is.</summary>
    public ImmutableArray<EffectYear> Years { get; init; } = [];

    /// <summary>Paid to the end of the horizon.</summary>
    public AmountsPaid Horizon { get; init; } = AmountsPaid.Nothing;

    /// <summary>That, less what is paid if all is left as it is.</summary>
    public AmountsPaid Difference { get; init; } = AmountsPaid.Nothing;

    /// <summary>The day it is carried out on.</summary>
    public DateOnly On => Decisions[0].On;

    /// <summary>What is paid by card when it is carried out, less what comes back.</summary>
    public AmountsPaid DueThen => AmountsPaid.Sum(AtOnce);

    /// <summary>What the seller owes the owner from then on, by book.</summary>
    public IEnumerable<Credited> Credits => AtOnce.OfType<Credited>();

    /// <summary>Whether the book does not say what a change does, so that the usual was taken.</summary>
    public bool IsAssumed =>
        AtOnce.Any(happening => happening is Charged { IsAssumed: true } or Credited { IsAssumed: true });

    /// <param name="decisions">All on one day, from the first on that can still be decided.</param>
    public static Effect WorkOut(Outlook outlook, params ImmutableArray<Decision> decisions)
    {
        var day = decisions[0].On;
        var years = outlook.Tenure.Ahead(
            outlook.Now.State,
            outlook.LastDay < day ? day : outlook.LastDay,
            outlook.PlannedWith(decisions)
        );
        var before = outlook.Tenure.AheadToMorning(outlook.Now.State, day, outlook.Planned).Happened.Length;
        ImmutableArray<Happening> atOnce = [.. years.Happened.Take(years.AfterDecisions[day]).Skip(before)];
        var kept = outlook.Coming.OfType<StateChanged>().ToHashSet();
        return new Effect(
            decisions,
            atOnce.OfType<Refused>().FirstOrDefault()?.Reason,
            atOnce,
            [.. years.Happened.OfType<StateChanged>().Where(state => !kept.Contains(state))]
        )
        {
            Years = [.. EffectYear.ListAll(outlook, years)],
            Horizon = AmountsPaid.Sum(years.Happened),
            Difference = AmountsPaid.Sum(years.Happened) - outlook.Staying,
        };
    }
}

/// <summary>A year from today, or the part of it within the horizon.</summary>
/// <param name="Until">The first day that is no longer in it.</param>
public sealed record EffectYear(DateOnly From, DateOnly Until, AmountsPaid Then, AmountsPaid Staying)
{
    internal static IEnumerable<EffectYear> ListAll(Outlook outlook, UpkeepYears years)
    {
        var then = years.Happened;
        var staying = outlook.Coming.ToList();
        for (var (year, from) = (1, outlook.Today); from < outlook.End; year++)
        {
            var (first, next) = (from, outlook.Today.AddMonths(12 * year));
            var until = next < outlook.End ? next : outlook.End;
            from = next;
            yield return new EffectYear(
                first,
                until,
                AmountsPaid.Sum(then.Where(In)),
                AmountsPaid.Sum(staying.Where(In))
            );

            bool In(Happening happening) => happening.On >= first && happening.On < until;
        }
    }
}
