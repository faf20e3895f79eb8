using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// How what was bought stands on a morning, and what is to come over the horizon if nothing else is decided.
/// </summary>
public sealed class Outlook
{
    private readonly Dictionary<DateOnly, int> _happensBefore = [];
    private AmountsPaid? _staying;
    private ImmutableArray<YearAhead> _years;

    /// <param name="today">The day of the order or a later one, up to the last that is run to.</param>
    /// <param name="horizonMonths">How far is looked ahead from that day.</param>
    public Outlook(Tenure tenure, DayBook book, DateOnly today, int horizonMonths)
    {
        var end = today.AddMonths(horizonMonths);
        (Tenure, Today) = (tenure, today < tenure.Last ? today : tenure.Last);
        End = end < tenure.Last ? end : tenure.Last;
        Book = book = DayKeeper.Restored(tenure, book);
        Now = tenure.ToMorning(book.State!, Today, book.Planned);
        Ahead = tenure.Ahead(Now.State, LastDay, Planned);
        Counting = new Counting(tenure.Settings, tenure.Purchase.OwnCurrency);
    }

    /// <summary>What was bought.</summary>
    public Tenure Tenure { get; }

    /// <summary>What happened so far, and what is decided.</summary>
    public DayBook Book { get; }

    /// <summary>How it was counted when it was bought.</summary>
    public Counting Counting { get; }

    /// <summary>The business date.</summary>
    public DateOnly Today { get; }

    /// <summary>The first day beyond the horizon.</summary>
    public DateOnly End { get; }

    /// <summary>The last day that is looked at.</summary>
    public DateOnly LastDay => End > Today ? End.AddDays(-1) : Today;

    /// <summary>
    /// This morning: how it stands, and what happened since what the day book has carried out.
    /// </summary>
    public UpkeepYears Now { get; }

    /// <summary>From then to the end of the horizon, with what is decided so far.</summary>
    public UpkeepYears Ahead { get; }

    /// <summary>
    /// The first day for which something can be decided: a decision comes after the day of the order.
    /// </summary>
    public DateOnly DecidingOn => Today > Tenure.Start ? Today : Tenure.Start.AddDays(1);

    /// <summary>What is decided for later days than this.</summary>
    public IEnumerable<Decision> Planned => Book.Planned.Where(decision => decision.On > Today);

    /// <summary>All that happened since the order, up to this morning.</summary>
    public IEnumerable<Happening> Happened =>
        Book.Lines.Take(Book.UnderWay?.FirstLine ?? Book.Lines.Length).Concat(Now.Happened);

    /// <summary>What is still to happen, from this day's evening on.</summary>
    public IEnumerable<Happening> Coming => Ahead.Happened;

    /// <summary>What is decided for later, with other decisions: each comes after those of its day.</summary>
    internal IEnumerable<Decision> PlannedWith(IEnumerable<Decision> decisions) =>
        Planned.Concat(decisions).OrderBy(decision => decision.On);

    /// <summary>What is paid from now to the end of the horizon if nothing else is decided.</summary>
    public AmountsPaid Staying => _staying ??= AmountsPaid.Sum(Coming);

    /// <summary>
    /// The years from today to the end of the horizon, with what is paid in each if nothing else is decided.
    /// </summary>
    internal ImmutableArray<YearAhead> Years =>
        _years.IsDefault ? _years = [.. YearAhead.ListAll(Today, End, Ahead)] : _years;

    /// <summary>
    /// How much happens until the morning of a day and by what is decided for it so far: what other decisions of that
    /// day bring comes after it.
    /// </summary>
    internal int CountBefore(DateOnly day) =>
        _happensBefore.TryGetValue(day, out var count)
            ? count
            : _happensBefore[day] = Tenure.AheadToMorning(Now.State, day, Planned).Happened.Length;

    /// <summary>What is had, each with what was paid first and what comes next.</summary>
    public ImmutableArray<Holding> Holdings => [.. Now.Holdings.Select(HoldingFor)];

    /// <summary>An amount of a line as it is paid: with the tax its seller charges.</summary>
    public Money WithTax(string book, Minor amount)
    {
        var seller = Tenure.Book(book);
        return new Money(Counting.Tax(seller, amount).Total, seller.Currency);
    }

    /// <summary>The months that a line of a holding pays for after the first term.</summary>
    public int MonthsOf(HoldingAtEnd held) => held.IsHosting ? Now.Hosting!.Option.EveryMonths : 12;

    private Holding HoldingFor(HoldingAtEnd held)
    {
        var book = Now.Books[held.Holding];
        var first = First(held, book);
        return new Holding(held, book, first, Next(held, book))
        {
            Last = Last(held, book, first),
            Planned = PlanOf(held),
        };
    }

    // On the day of the order what is decided counts from the next day on: until then it is only planned.
    private RenewalPlan? PlanOf(HoldingAtEnd held) =>
        Book
            .Decisions.OfType<SetRenewing>()
            .LastOrDefault(decision => decision.Holding == held.Holding && decision.On > Today)
            is { } planned
        && planned.Value != held.Renews
            ? new RenewalPlan(planned.Value, planned.On)
            : null;

    // Before anything was charged again: what was paid first.
    private Paying? Last(HoldingAtEnd held, string book, Paying? first) =>
        Happened
            .OfType<Charged>()
            .Reverse()
            .Select(charged => charged.On == first?.On ? first : Own(charged, held, book, MonthsOf(held)))
            .FirstOrDefault(paying => paying is not null)
        ?? first;

    private Paying? First(HoldingAtEnd held, string book)
    {
        var choice = held.IsHosting
            ? null
            : Tenure.Purchase.Domains.FirstOrDefault(domain => $"domain:{domain.Index}" == held.Holding)?.Choice;
        var months = held.IsHosting ? Tenure.Purchase.Hosting!.Option.EveryMonths : 12 * (choice?.Years ?? 1);
        return Happened
            .OfType<Charged>()
            .Select(charged => Own(charged, held, book, months))
            .FirstOrDefault(paying => paying is not null)
            ?? (
                choice is null && !held.IsHosting
                    ? null
                    : new Paying(Tenure.Start, Money.Zero(Tenure.Book(book).Currency), months, IsAtLeast: false)
            );
    }

    private Paying? Next(HoldingAtEnd held, string book)
    {
        foreach (var happening in Coming)
        {
            switch (happening)
            {
                case Charged charged when Own(charged, held, book, MonthsOf(held)) is { } paying:
                    return paying;
                case StateChanged changed when changed.Holding == held.Holding && changed.State != HoldingState.Live:
                    return null;
                default:
                    continue;
            }
        }

        return null;
    }

    private Paying? Own(Charged charged, HoldingAtEnd held, string book, int months)
    {
        var own = charged.Lines.FirstOrDefault(line =>
            line.Holding == held.Holding && line.Kind is UpkeepLineKind.Plan or UpkeepLineKind.Domain
        );
        return own is null ? null : new Paying(charged.On, WithTax(book, own.Amount), months, charged.IsAtLeast);
    }
}

/// <summary>Something that is had.</summary>
/// <param name="First">What was paid for it first, itself alone; null: it is not known.</param>
/// <param name="Next">What it is charged next; null: nothing within the horizon, or not before it is lost.</param>
public sealed record Holding(HoldingAtEnd Held, string Book, Paying? First, Paying? Next)
{
    /// <summary>What was paid for it last.</summary>
    public Paying? Last { get; init; }

    /// <summary>What is decided of its renewing and does not count yet; null: nothing but what holds already.</summary>
    public RenewalPlan? Planned { get; init; }
}

/// <summary>Whether a holding renews by itself, from a day on.</summary>
public sealed record RenewalPlan(bool Renews, DateOnly From);

/// <summary>A payment for a plan or a domain itself.</summary>
/// <param name="Amount">With tax, after discounts.</param>
/// <param name="Months">How long it pays for.</param>
/// <param name="IsAtLeast">Whether a part of its bill is not stated.</param>
public sealed record Paying(DateOnly On, Money Amount, int Months, bool IsAtLeast)
{
    /// <summary>Whether a month of it costs more than of another.</summary>
    public bool IsDearerThan(Paying other) =>
        Amount.Currency == other.Amount.Currency && Amount.Units * other.Months > other.Amount.Units * Months;
}
