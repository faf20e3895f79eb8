using HomeStart.Formats.Costings;
using HomeStart.Formats.Reconciling;

namespace HomeStart.Formats.Upkeep;

/// <summary>What is had, and what is to come of it, for a site.</summary>
/// <param name="Today">The business date.</param>
/// <param name="RealToday">The day it really is, or was when the server was started with a date.</param>
/// <param name="NextEvent">The next day on which something can be decided or will have happened; null: none is
/// foreseen.</param>
/// <param name="Furthest">As far as the clock can be moved on.</param>
/// <param name="IsMoving">Whether what fell due up to today is still being carried out.</param>
/// <param name="Awaited">Orders that are being carried out: what they bring stands here once it is delivered.</param>
/// <param name="Untold">Orders of which only their dates are known: what they were made of was not kept yet.</param>
public sealed record UpkeepPageWire(
    DateOnly Today,
    DateOnly Tomorrow,
    DateOnly RealToday,
    int HorizonMonths,
    DateOnly Furthest,
    bool IsMoving,
    DateOnly? NextEvent,
    IReadOnlyList<TenureWire> Tenures,
    IReadOnlyList<NamedOrderWire> Awaited,
    IReadOnlyList<NamedOrderWire> Untold,
    RemindersWire Reminders
);

public sealed record NamedOrderWire(Guid OrderId, string Reference);

/// <param name="Days">How many days before something falls due a mail is written.</param>
/// <param name="CalendarAddress">Where a calendar can subscribe; null: there is no such address.</param>
public sealed record RemindersWire(IReadOnlyList<int> Days, string? CalendarAddress);

/// <summary>What was bought with one order.</summary>
/// <param name="Version">What a decision must have seen.</param>
/// <param name="DecidingOn">The day a decision is made on: today, or tomorrow where it was ordered today.</param>
/// <param name="Until">The first day beyond what is looked ahead to.</param>
public sealed record TenureWire(
    Guid OrderId,
    string Reference,
    string Name,
    int Version,
    DateOnly PlacedOn,
    DateOnly DecidingOn,
    DateOnly Until,
    bool IsBehind,
    string? Problem,
    PayerWire Payer
)
{
    public required IReadOnlyList<HadWire> Holdings { get; init; }

    public required IReadOnlyList<BalanceWire> Balances { get; init; }

    public required IReadOnlyList<NoticeWire> Notices { get; init; }

    /// <summary>What was paid so far.</summary>
    public required IReadOnlyList<PaidBillWire> Paid { get; init; }

    /// <summary>Bills to come, with what is decided so far.</summary>
    public required IReadOnlyList<ComingBillWire> Bills { get; init; }

    /// <summary>What was lost, step by step, or will be if nothing else is decided.</summary>
    public required IReadOnlyList<ComingStateWire> States { get; init; }

    /// <summary>What all of it comes to until then.</summary>
    public required SumsWire Staying { get; init; }

    public required IReadOnlyList<EffectWire> Effects { get; init; }

    public required IReadOnlyList<AllowanceWire> Allowances { get; init; }

    /// <summary>What is decided for a later day.</summary>
    public required IReadOnlyList<PlannedWire> Planned { get; init; }

    /// <summary>What happened, the newest first.</summary>
    public required IReadOnlyList<DayLineWire> DayBook { get; init; }

    /// <summary>
    /// The day from which on the day book holds what an earlier release carried out and this one would not; null: none.
    /// </summary>
    public required DateOnly? DiffersFrom { get; init; }

    /// <summary>Money that moved, and what was seen of it, the newest first.</summary>
    public required IReadOnlyList<MovementWire> Movements { get; init; }

    /// <summary>What sellers took beyond what was due.</summary>
    public required IReadOnlyList<OverchargedWire> Overcharged { get; init; }

    /// <summary>What is being paid against an invoice; null: nothing.</summary>
    public PayingWire? Paying { get; init; }
}

/// <param name="Works">False after a refusal, until another card is given or it is paid again.</param>
/// <param name="AtTheSellers">Whether the sellers take it themselves: it was bought at their own pages.</param>
public sealed record PayerWire(string? CardEnding, bool Wallet, DateOnly? Expires, bool Works, bool AtTheSellers);

/// <param name="Renews">Whether it renews by itself, as it is decided.</param>
/// <param name="RenewsFrom">From when on that counts; null: already.</param>
/// <param name="CommittedUntil">Until then it renews whatever is said; null: it is not committed to.</param>
/// <param name="StateWords">What its state means.</param>
/// <param name="IsDearer">Whether what comes next costs more a month than what was paid first.</param>
/// <param name="Owed">What paying would cost today where something is missing; null: nothing is, or it is too
/// late.</param>
public sealed record HadWire(
    string Holding,
    string Name,
    string Seller,
    HoldingState State,
    string StateWords,
    bool Renews,
    DateOnly? RenewsFrom,
    DateOnly? CommittedUntil,
    DateOnly? PaidUntil,
    PaymentDueWire? First,
    PaymentDueWire? Next,
    bool IsDearer,
    MoneyWire? Owed
);

/// <param name="Months">How long it pays for.</param>
public sealed record PaymentDueWire(DateOnly On, string Amount, string Currency, int Months, bool AtLeast);

public sealed record MoneyWire(string Amount, string Currency)
{
    public static MoneyWire From(Money money) => new(money.ToAmount(), money.Currency.Code);
}

/// <summary>What is paid by card, less what comes back, currency by currency.</summary>
public sealed record SumsWire(IReadOnlyList<MoneyWire> Amounts, bool AtLeast)
{
    public static SumsWire From(AmountsPaid sums) =>
        new([.. sums.Amounts.Values.Select(MoneyWire.From)], sums.IsAtLeast);
}

public sealed record BalanceWire(string Seller, string Amount, string Currency);

/// <param name="Words">The whole of it as a sentence.</param>
/// <param name="IsUrgent">Whether something is lost, or costs more, if nothing is done.</param>
public sealed record NoticeWire(NoticeKind Kind, DateOnly On, string? Holding, string Words, bool IsUrgent);

public sealed record ComingBillWire(
    DateOnly On,
    string Seller,
    string Amount,
    string Currency,
    bool AtLeast,
    string FromBalance,
    IReadOnlyList<ComingLineWire> Lines
);

public sealed record PaidBillWire(DateOnly On, string Seller, string Amount, string Currency);

/// <param name="Amount">After discounts, before tax where it is added on top.</param>
public sealed record ComingLineWire(string What, string Amount);

public sealed record ComingStateWire(DateOnly On, string Name, HoldingState State, string Words);

public sealed record PlannedWire(int Index, DateOnly On, string Words);

public sealed record DayLineWire(DateOnly On, string Words, string Kind);

/// <param name="Page">The path, at the processor's address, of the page where it is paid.</param>
public sealed record PayingWire(string Holding, string Amount, string Currency, string? Page, DateOnly? Until);

/// <summary>What a decision would do, against leaving all as it is.</summary>
/// <param name="Group">What it is about: renewing, plan, extra, drop, leave, pay, claim.</param>
/// <param name="Title">What is decided, as a sentence.</param>
/// <param name="Refused">Why it cannot be done; null: it can.</param>
/// <param name="On">The day it would be carried out on.</param>
public sealed record EffectWire(string Group, string Title, string? Refused, DateOnly On, DecisionBody Decision)
{
    public required SumsWire DueThen { get; init; }

    /// <summary>What comes back, or is kept as a balance, in words.</summary>
    public required IReadOnlyList<string> Notes { get; init; }

    public required IReadOnlyList<EffectYearWire> Years { get; init; }

    public required SumsWire Horizon { get; init; }

    public required SumsWire Staying { get; init; }

    /// <summary>The first, less what is paid if all is left as it is.</summary>
    public required SumsWire Difference { get; init; }
}

public sealed record EffectYearWire(DateOnly From, DateOnly Until, SumsWire Then, SumsWire Staying);

/// <param name="TakenBy">The domain that takes it; null: it is there to be spent.</param>
/// <param name="SavesThere">What it saves there.</param>
public sealed record AllowanceWire(
    string Book,
    string Seller,
    DateOnly From,
    DateOnly LastDay,
    bool IsYearly,
    string? TakenBy,
    MoneyWire? SavesThere,
    IReadOnlyList<AllowanceUseWire> Uses
);

/// <param name="Saves">What its first year costs without; null: not stated.</param>
/// <param name="Costs">What its later years cost until the end of what is looked ahead to.</param>
public sealed record AllowanceUseWire(string Ending, MoneyWire? Saves, SumsWire Costs);

/// <summary>What follows when something is let lapse.</summary>
public sealed record LapseStepWire(
    DateOnly On,
    HoldingState State,
    string Words,
    MoneyWire? Return,
    bool ReturnAtLeast,
    bool Assumed
);

/// <param name="On">The day hosting renews: both are counted from it.</param>
/// <param name="Saving">Below zero: staying is cheaper; null: there is nowhere to move to.</param>
public sealed record StayOrMoveWire(
    DateOnly On,
    DateOnly LastDay,
    int Months,
    string? Domain,
    MoneyWire Staying,
    bool StayingAtLeast,
    MoveToWire? Best,
    MoneyWire? Saving,
    IReadOnlyList<string> Takes
);

public sealed record MoveToWire(
    string Seller,
    string Plan,
    string Words,
    MoneyWire Costs,
    bool AtLeast,
    CandidateWire Candidate
);

/// <param name="Code">The transfer code; null: it rests where it is until a day.</param>
public sealed record ReleaseWire(string Domain, string? Code, DateOnly? Until);

/// <summary>
/// What happened with an order after it, and what was decided, to take away: in the words of <c>POST /api/upkeep</c>.
/// </summary>
public sealed record DayBookWire(IReadOnlyList<HappeningWire> Happened, IReadOnlyList<DecisionBody> Decided)
{
    public static DayBookWire From(DayBook book) =>
        new([.. book.Lines.Select(HappeningWire.From)], [.. book.Decisions.Select(DecisionBodies.From)]);
}
