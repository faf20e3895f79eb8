namespace HomeStart.Formats;

/// <summary>Everything the worksheet page shows of a site at one revision.</summary>
public sealed record SitePageWire(
    Guid Id, int Revision, bool CanUndo, bool CanRedo, string Name, SiteSettingsWire Settings, NeedsWire Needs, IReadOnlyList<SlipWire> Shortlist, WorksheetWire Worksheet);

/// <param name="StartDate">The day counted from.</param>
/// <param name="Rates">By currency code: what one unit is worth in <paramref name="Currency"/>.</param>
/// <param name="StartsToday">Whether that is whatever day it is looked at.</param>
public sealed record SiteSettingsWire(int HorizonMonths, DateOnly StartDate, bool StartsToday, DateOnly BusinessDate, string TaxPercent, bool CountTax, string Currency, IReadOnlyDictionary<string, string> Rates, string? KeepChancePercent);

/// <summary>A candidate on the shortlist; its sums are null while it cannot be costed.</summary>
/// <param name="IsLeast">Whether no other whole total over the horizon is lower; never said of one alone.</param>
/// <param name="NextDue">What falls due first after the horizon.</param>
public sealed record SlipWire(
    string Letter,
    string? Provider,
    string? Plan,
    int? EveryMonths,
    int? CommitMonths,
    string? Domain,
    string? Currency,
    string? Horizon,
    string? DueToday,
    bool AtLeast,
    bool TodayAtLeast,
    bool IsLeast,
    NextWire? NextDue);

/// <param name="Faults">Why it cannot be costed, where that is not merely that something is not chosen yet.</param>
public sealed record WorksheetWire(
    string Letter,
    CandidateWire Candidate,
    CostingWire? Costing,
    SummaryWire? Summary,
    TimelineWire? Timeline,
    IReadOnlyList<FaultWire> Faults,
    IReadOnlyList<WayToPayWire> WaysToPay,
    IReadOnlyList<ExtraWire> Extras,
    IReadOnlyList<DomainSellerWire> DomainSellers);

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
    bool DomainIncluded);

/// <summary>An extra that could be taken, or is.</summary>
/// <param name="First">The price of its first period, in the book's currency.</param>
/// <param name="Later">The price after the last step; null where it is not stated; the same as the first where it never changes.</param>
/// <param name="IsHad">The plan or the domain price holds it already.</param>
/// <param name="Preselected">The seller ticks it in advance. We do not.</param>
/// <param name="HorizonChange">What taking it, or leaving it off, would change.</param>
public sealed record ExtraWire(
    string Id,
    string Name,
    string? About,
    string Seller,
    bool ForDomain,
    string? Unit,
    string Every,
    string First,
    string? Later,
    string Currency,
    bool Preselected,
    bool IsHad,
    int Quantity,
    string? HorizonChange,
    string? TodayChange);

/// <summary>A book where the domain chosen can be registered, and what it would come to there.</summary>
public sealed record DomainSellerWire(string Book, string Provider, string? Register, string? Renew, string Currency, bool IsChosen, string? Horizon, string? HorizonChange, string? TodayChange);
