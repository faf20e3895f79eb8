using HomeStart.Formats.Costings;
using HomeStart.Formats.Scans;

namespace HomeStart.Formats.Sites;

/// <summary>Everything the worksheet page shows of a site at one revision.</summary>
public sealed record SitePageWire(
    Guid Id,
    int Revision,
    bool CanUndo,
    bool CanRedo,
    string Name,
    bool IsExample,
    SiteSettingsWire Settings,
    NeedsWire Needs,
    IReadOnlyList<SlipWire> Shortlist,
    IReadOnlyList<HeldNameWire> Held,
    WorksheetWire Worksheet
);

/// <param name="StartDate">The day counted from.</param>
/// <param name="Rates">By currency code: what one unit is worth in <paramref name="Currency"/>.</param>
/// <param name="RateDates">By currency code: when the owner typed its rate.</param>
/// <param name="StartsToday">Whether that is whatever day it is looked at.</param>
public sealed record SiteSettingsWire(
    int HorizonMonths,
    DateOnly StartDate,
    bool StartsToday,
    DateOnly BusinessDate,
    string TaxPercent,
    bool CountTax,
    string Currency,
    IReadOnlyDictionary<string, string> Rates,
    IReadOnlyDictionary<string, DateOnly> RateDates,
    bool NewCustomer,
    string? KeepChancePercent
);

/// <summary>A candidate on the shortlist; its sums are null while it cannot be costed.</summary>
/// <param name="IsLeast">Whether no other whole total over the horizon is lower; never said of one alone.</param>
/// <param name="Name">The owner's own word for it.</param>
/// <param name="CannotOrder">Why it cannot be ordered; null: it can, or is not complete.</param>
/// <param name="NextDue">What falls due first after the horizon.</param>
/// <param name="Books">The ids of the books it buys at.</param>
public sealed record SlipWire(
    string Letter,
    string? Name,
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
    NextWire? NextDue,
    string? CannotOrder,
    IReadOnlyList<string> Books
);
