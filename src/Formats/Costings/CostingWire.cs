namespace HomeStart.Formats.Costings;

/// <summary>
/// The answer of <c>POST /api/costings</c> (costing.md, wire format). Amounts are decimal strings with exactly their
/// currency's decimals, those without a currency of their own in <see cref="TotalsWire.Currency"/>; dates are ISO days.
/// </summary>
public sealed record CostingWire(
    TotalsWire Totals,
    IReadOnlyList<UnstatedWire> Unstated,
    PriceStepWire? PriceStep,
    IReadOnlyList<CodeWire> Codes,
    IReadOnlyList<BillWire> Bills,
    LedgerWire Ledger,
    DatesWire Dates,
    RefundWire Refund,
    IReadOnlyList<InclusionWire> Inclusions,
    IReadOnlyList<BillWire> NextBills
);

public sealed record TotalsWire(
    string Currency,
    string DueToday,
    string FirstTerm,
    string Horizon,
    string PerMonth,
    DueOnWire? Peak,
    NextWire? Next,
    string OwedAfterHorizon,
    string UnusedAtEnd,
    string Refundable,
    AdvertisedWire? Advertised,
    string? Expected,
    IReadOnlyList<string> AtLeast
);

public sealed record DueOnWire(DateOnly Date, string Total);

public sealed record NextWire(DateOnly Date, string Total, bool AtLeast)
{
    /// <summary>
    /// What falls due first after the horizon of a costing; null: nothing does, or there is no costing.
    /// </summary>
    internal static NextWire? From(Costing? costing) =>
        costing?.Totals.Next is { } next
            ? new NextWire(next.Date, new Money(next.Total, costing.Currency).ToAmount(), next.AtLeast)
            : null;
}

public sealed record AdvertisedWire(string PerMonth, string Currency);

/// <summary>A line that is not stated, before the end of the horizon.</summary>
public sealed record UnstatedWire(DateOnly Date, string? Book, LineKind Kind, string Ref);

/// <summary>The plan's change of price, a month; a null <paramref name="To"/> is not stated.</summary>
public sealed record PriceStepWire(DateOnly Date, string From, string? To, string Currency)
{
    internal static PriceStepWire? Write(PriceStepUp? step) =>
        step is null
            ? null
            : new PriceStepWire(step.Date, step.From.ToAmount(), step.To?.ToAmount(), step.From.Currency.Code);
}

/// <param name="Saves">What an applied code saves over the horizon; null for one that is not.</param>
/// <param name="MakesItCount">What would make a refused code count; null where nothing would, or it counts.</param>
public sealed record CodeWire(
    string Book,
    string Code,
    Verdict Verdict,
    string? Saves,
    CodeConditionWire? MakesItCount
);

/// <summary>The condition a code failed: the one that belongs to its verdict is set.</summary>
/// <param name="OnOrAfter">Start on this day or later.</param>
/// <param name="OnOrBefore">Start on this day or earlier.</param>
/// <param name="Plans">Ids of the plans it is for.</param>
/// <param name="EveryMonths">Pay for at least so many months at a time.</param>
/// <param name="Without">The code that it cannot stand beside.</param>
public sealed record CodeConditionWire(
    DateOnly? OnOrAfter,
    DateOnly? OnOrBefore,
    IReadOnlyList<string>? Plans,
    int? EveryMonths,
    string? Without
);

/// <param name="Counts">What it counts, in the display currency.</param>
/// <param name="AtLeast">Whether a line of it is not stated.</param>
/// <param name="Column">In which column of the ledger it stands: 0 is today, N the year N.</param>
public sealed record BillWire(
    DateOnly Date,
    string? Book,
    string Currency,
    string Net,
    string Tax,
    string Total,
    IReadOnlyList<LineWire> Lines,
    string Counts,
    bool AtLeast,
    int Column
);

/// <param name="InRow">What its row of the ledger holds of it: its amount less the included domain-year; codes have
/// rows of their own.</param>
/// <param name="Included">True on a line that the plan or the domain price holds already; other lines have neither this
/// nor worth.</param>
/// <param name="Worth">What an included line would have cost; null where that is not stated.</param>
/// <param name="ForDomain">The domain that a domain extra is for.</param>
public sealed record LineWire(
    LineKind Kind,
    string Ref,
    int Quantity,
    string Amount,
    string AfterDiscounts,
    string InRow,
    IReadOnlyList<DiscountWire> Discounts,
    bool? Included,
    string? Worth,
    bool AtLeast,
    DateOnly? CoversFrom,
    DateOnly? CoversUntil,
    string? ForDomain
);

public sealed record DiscountWire(string Source, string Amount);

/// <param name="AtLeast">Which columns hold a line that is not stated.</param>
/// <param name="Folded">The sum of the totals from year 4 on, where a long horizon is folded; else null.</param>
/// <param name="FirstTermEndsAfter">The number of the last column of the first term; null where the term ends inside
/// one.</param>
public sealed record LedgerWire(
    IReadOnlyList<string> Columns,
    IReadOnlyList<string> Totals,
    IReadOnlyList<bool> AtLeast,
    IReadOnlyList<LedgerRowWire> Rows,
    SumWire? Folded,
    int? FirstTermEndsAfter
);

/// <param name="Folded">The sum of its cells from year 4 on, where a long horizon is folded; else null.</param>
public sealed record LedgerRowWire(
    RowKind Kind,
    string? Book,
    string? Ref,
    IReadOnlyList<string> Cells,
    string Total,
    IReadOnlyList<bool> AtLeast,
    bool TotalAtLeast,
    SumWire? Folded
);

/// <param name="End">The first day that is not counted any more.</param>
/// <param name="FirstTermEnd">The first day after what is committed to.</param>
public sealed record DatesWire(DateOnly End, DateOnly FirstTermEnd);

/// <param name="LastDay">The last day to leave and be paid back.</param>
/// <param name="Reason">Why nothing comes back; null where something does.</param>
public sealed record RefundWire(DateOnly? LastDay, NoRefund? Reason, int? MinCommitMonths);

/// <summary>What became of the plan's domain-year for one domain of the candidate.</summary>
/// <param name="Domain">The domain's place in the candidate.</param>
public sealed record InclusionWire(int Domain, InclusionResult Result, int? MinCommitMonths);
