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
        ImmutableArray<Happening> atOnce = [.. years.Happened[outlook.CountBefore(day)..years.AfterDecisions[day]]];
        var horizon = AmountsPaid.Sum(years.Happened);
        var kept = outlook.Coming.OfType<StateChanged>().ToHashSet();
        return new Effect(
            decisions,
            atOnce.OfType<Refused>().FirstOrDefault()?.Reason,
            atOnce,
            [.. years.Happened.OfType<StateChanged>().Where(state => !kept.Contains(state))]
        )
        {
            Years =
            [
                .. outlook.Years.Select(year => new EffectYear(year.From, year.Until, year.Sum(years), year.Staying)),
            ],
            Horizon = horizon,
            Difference = horizon - outlook.Staying,
        };
    }
}

/// <summary>A year from today, or the part of it within the horizon.</summary>
/// <param name="Until">The first day that is no longer in it.</param>
public sealed record EffectYear(DateOnly From, DateOnly Until, AmountsPaid Then, AmountsPaid Staying);

/// <summary>
/// A year from today, or the part of it within the horizon, with what is paid if nothing else is decided.
/// </summary>
/// <param name="Until">The first day that is no longer in it.</param>
internal sealed record YearAhead(DateOnly From, DateOnly Until, AmountsPaid Staying)
{
    public static IEnumerable<YearAhead> ListAll(DateOnly today, DateOnly end, UpkeepYears ahead)
    {
        for (var (year, from) = (1, today); from < end; year++)
        {
            var next = today.AddMonths(12 * year);
            var until = next < end ? next : end;
            yield return new YearAhead(from, until, Sum(ahead, from, until));
            from = next;
        }
    }

    /// <summary>What is paid in this year as it would go.</summary>
    public AmountsPaid Sum(UpkeepYears years) => Sum(years, From, Until);

    private static AmountsPaid Sum(UpkeepYears years, DateOnly from, DateOnly until) =>
        AmountsPaid.Sum(years.Happened.Where(happening => happening.On >= from && happening.On < until));
}
