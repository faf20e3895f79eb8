using HomeStart.Formats.Books;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Sites;

namespace HomeStart.Formats.Advertising;

/// <summary>An advertisement as it is typed in: every value as text, an empty one is not given.</summary>
/// <param name="Currency">A code.</param>
/// <param name="Price">The headline's amount.</param>
/// <param name="PricePer">month, year or term.</param>
/// <param name="Months">For how many months it holds at first.</param>
/// <param name="Paid">at-once, monthly-bound or monthly-free.</param>
/// <param name="Later">not-stated, same or stated.</param>
/// <param name="Endings">With commas.</param>
/// <param name="DomainFromMonths">The commitment from which the domain is included.</param>
/// <param name="Tax">inside or on-top.</param>
public sealed record AdvertisementBody(
    string? Provider,
    string? Plan,
    string? Currency,
    string? Price,
    string? PricePer,
    string? Months,
    string? Paid,
    string? Later,
    string? LaterPrice,
    string? LaterPer,
    IReadOnlyList<AdvertisedWayBody>? OtherWays,
    string? SetupFee,
    bool? IncludesDomain,
    string? Endings,
    string? DomainFromMonths,
    string? Tax,
    string? RefundDays,
    IReadOnlyList<AdvertisedExtraBody>? Ticked
);

/// <summary>Another way to pay: as the headline's fields.</summary>
public sealed record AdvertisedWayBody(
    string? Price,
    string? PricePer,
    string? Months,
    string? Paid,
    string? Later,
    string? LaterPrice,
    string? LaterPer
);

/// <param name="Every">once, month or year.</param>
public sealed record AdvertisedExtraBody(string? Name, string? Price, string? Every);

/// <summary>What a typed advertisement makes, and what is missing for it.</summary>
/// <param name="Faults">By field; empty: it can go on the shelf.</param>
/// <param name="Costs">Null until the price, its months and how it is paid are there.</param>
/// <param name="Book">The offer book as the text of a file; null while there are faults. It adds its plan to a book of
/// the same seller, where there is one.</param>
/// <param name="AddsTo">The name of that book.</param>
/// <param name="Candidate">What buys it, to be put on the shortlist once the book is on the shelf.</param>
public sealed record AdvertisementWire(
    IReadOnlyList<FaultWire> Faults,
    HiddenCostsWire? Costs,
    string? Book,
    string? AddsTo,
    CandidateWire? Candidate
);

/// <summary>What the large print does not say, in the advertisement's own currency.</summary>
/// <param name="TickedInAdvance">What the extras ticked in advance add over three years; null: none are.</param>
/// <param name="NotStated">All that the book lacks but the first year of an included domain, which is in the
/// price.</param>
public sealed record HiddenCostsWire(
    string Currency,
    string PerMonth,
    SumWire DueToday,
    SumWire FirstYear,
    SumWire ThreeYears,
    AfterFirstTermWire? AfterFirstTerm,
    string? TickedInAdvance,
    IReadOnlyList<BookGapWire> NotStated
)
{
    public static HiddenCostsWire From(HiddenCosts costs, OfferBook book) =>
        new(
            book.Currency.Code,
            costs.PerMonth.ToAmount(),
            SumWire.From(costs.DueToday, book.Currency),
            SumWire.From(costs.FirstYear, book.Currency),
            SumWire.From(costs.ThreeYears, book.Currency),
            costs.AfterFirstTerm is { } step ? new AfterFirstTermWire(step.Date, step.To?.ToAmount()) : null,
            costs.TickedInAdvance?.ToAmount(),
            [.. BookGapWire.From(book).Where(gap => gap.Part != BookPart.Registering)]
        );
}

/// <param name="PerMonth">Null: not stated.</param>
public sealed record AfterFirstTermWire(DateOnly From, string? PerMonth);

public sealed record AdvertisementTextBody(string Text);

/// <param name="Value">As it would be typed into the field.</param>
/// <param name="Words">The advertisement's own.</param>
public sealed record FindingWire(ProseField Field, string Value, string Words);

/// <summary>A table pasted or read from a file, as its cells in text parted by tabs, commas or semicolons.</summary>
/// <param name="Roles">What each column is to be taken for; absent: as its heading says.</param>
/// <param name="Provider">Who sells, where no column says so.</param>
/// <param name="Tax">inside or on-top, where no column says so.</param>
/// <param name="LaterIsSame">Whether a price with no later one holds for good; else what follows is not stated.</param>
public sealed record PriceTableBody(
    string Text,
    IReadOnlyList<string>? Roles,
    string? Provider,
    string? Currency,
    string? Tax,
    bool? LaterIsSame,
    int? Months = null
);

/// <summary>How a table was understood.</summary>
/// <param name="WasTurned">The plans stood across.</param>
/// <param name="Headings">None: there is no table in the text.</param>
/// <param name="Book">The offer book as the text of a file; null while there are faults.</param>
/// <param name="Currency">As it was typed, or a column says.</param>
/// <param name="Candidates">What buys each plan, for the shortlist.</param>
public sealed record PriceTableWire(
    IReadOnlyList<FaultWire> Faults,
    bool WasTurned,
    IReadOnlyList<string> Headings,
    IReadOnlyList<string> Roles,
    IReadOnlyList<IReadOnlyList<string>> Rows,
    string? Provider,
    string? Currency,
    string? Tax,
    string? Book,
    IReadOnlyList<CandidateWire> Candidates
);
