namespace HomeStart.Formats;

/// <summary>Everything the page shows of one candidate.</summary>
/// <param name="Faults">Why it cannot be costed, where that is not merely that something is not chosen yet.</param>
public sealed record WorksheetWire(
    string Letter,
    CandidateWire Candidate,
    CostingWire? Costing,
    SummaryWire? Summary,
    TimelineWire? Timeline,
    IReadOnlyList<FaultWire> Faults,
    IReadOnlyList<PlanOptionWire> Plans,
    IReadOnlyList<DataCentreOptionWire> DataCentres,
    IReadOnlyList<WayToPayWire> WaysToPay,
    IReadOnlyList<ExtraWire> Extras,
    IReadOnlyList<DomainSellerWire> DomainSellers,
    IReadOnlyList<DomainWayWire> DomainWays,
    IReadOnlyList<CodeCureWire> CodeCures,
    BestCodesWire? BestCodes,
    IReadOnlyList<KnownCodeWire> KnownCodes,
    DifferentDaysWire? DifferentDays,
    PublicRecordWire? PublicRecord);

/// <summary>When domain and hosting first renew, where that is not one day.</summary>
public sealed record DifferentDaysWire(DateOnly Domain, DateOnly Hosting);

/// <summary>Whether the public record of a domain that ordering registers shows its holder.</summary>
public sealed record PublicRecordWire(string Domain, string Seller, bool IsPrivate);

/// <summary>What people misread about a way to pay.</summary>
public sealed record WayNoteWire(WayNoteKind Kind, bool IsDayAfter);

public sealed record FaultWire(string Code, string Where, string Message);

/// <param name="EachLaterYear">What each year after the first comes to, where they are all alike.</param>
/// <param name="StepTimes">How many times its first price the plan costs later: "2.8".</param>
public sealed record SummaryWire(string Currency, string Today, string RestOfFirstYear, string? EachLaterYear, string Horizon, string? StepTimes);

/// <summary>Bills through time in the display currency; parts add up to their bar.</summary>
public sealed record TimelineWire(bool IsByYear, IReadOnlyList<BarWire> Bars);

public sealed record BarWire(DateOnly Date, string Total, bool AtLeast, string Plan, string Domain, string Extras, string Setup, string Tax, IReadOnlyList<BarWire> Within);

/// <summary>A way to pay, with the columns the ledger would have.</summary>
/// <param name="Cells">As the ledger's totals; null where it cannot be costed.</param>
/// <param name="SetupFee">In the book's currency; null: none.</param>
public sealed record WayToPayWire(
    int EveryMonths,
    int CommitMonths,
    bool IsChosen,
    string? SetupFee,
    IReadOnlyList<string>? Cells,
    string? Folded,
    string? Total,
    bool AtLeast,
    bool TodayAtLeast,
    NextWire? NextDue,
    string? HorizonChange,
    string? TodayChange,
    bool DomainIncluded,
    WayNoteWire? Note);
