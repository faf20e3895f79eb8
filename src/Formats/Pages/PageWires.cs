using System.Text.Json.Serialization;

namespace HomeStart.Formats.Pages;

/// <summary>A seller's page or cart, as a clipboard or a file holds it.</summary>
/// <param name="Html">Read where it has visible words.</param>
/// <param name="Text">Read where there is no HTML, or where it shows nothing.</param>
/// <param name="File">The bytes of a saved page, a web archive, a PDF or a text, in Base64; read in place of the
/// two.</param>
public sealed record PageBody(string? Html, string? Text, string? File = null);

/// <summary>What a seller's page says.</summary>
/// <param name="Tax">inside or on-top; null: not said.</param>
/// <param name="Text">The visible words; the places of sources count in it, in UTF-16 units.</param>
public sealed record PageReadingWire(
    string? Provider,
    string? Currency,
    string? Tax,
    int? RefundDays,
    IReadOnlyList<ReadPlanWire> Plans,
    IReadOnlyList<ReadDomainWire> Domains,
    IReadOnlyList<ReadExtraWire> Extras,
    IReadOnlyList<ReadCodeWire> Codes,
    IReadOnlyList<SourceWire> Sources,
    IReadOnlyList<NotPlacedWire> NotPlaced,
    IReadOnlyList<DoubtWire> Doubts,
    string Text
);

/// <summary>A plan that a page sells.</summary>
/// <param name="Name">Null: the page names it nowhere.</param>
/// <param name="Features">By key: a number, unlimited, a word, true or false, or a list.</param>
/// <param name="Includes">Kinds of extras at no price.</param>
public sealed record ReadPlanWire(
    string? Name,
    IReadOnlyList<ReadWayWire> Ways,
    string? SetupFee,
    IReadOnlyDictionary<string, object> Features,
    ReadPlanDomainWire? Domain,
    IReadOnlyList<string> Includes
);

/// <summary>One price for a length of time.</summary>
/// <param name="Per">month, year or term.</param>
/// <param name="Paid">at-once, monthly-bound or monthly-free; null: not said.</param>
/// <param name="Later">same, or a price with what it is for; null: not said.</param>
/// <param name="SetupFee">Only where this way alone has one.</param>
public sealed record ReadWayWire(
    int? Months,
    string Price,
    string Per,
    string? Paid,
    int FreeMonths,
    string? Struck,
    object? Later,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? SetupFee
);

/// <summary>What a plan renews at.</summary>
public sealed record ReadLaterWire(string Price, string Per);

/// <summary>The domain in a plan's price.</summary>
public sealed record ReadPlanDomainWire(IReadOnlyList<string> Endings, int? FromMonths, bool EveryYear);

/// <summary>What an ending costs a year.</summary>
public sealed record ReadDomainWire(string Ending, string? Register, string? Renew, string? Transfer);

/// <param name="Per">month, year, once or term.</param>
/// <param name="Ticked">Whether it is in the sum unless one objects.</param>
public sealed record ReadExtraWire(string Name, string Price, string Per, bool Ticked);

/// <summary>A word to type for less: a share or an amount.</summary>
public sealed record ReadCodeWire(string Code, string? Percent, string? Amount);

/// <param name="At">The value: /plans/0/ways/0/price.</param>
/// <param name="Words">The words it was read from.</param>
public sealed record SourceWire(string At, string Words, int From, int To);

/// <summary>An amount of money that is no value.</summary>
/// <param name="Why">worth, saving, total, example, other-term, other-currency, not-hosting, unit, later, offered or
/// unknown.</param>
public sealed record NotPlacedWire(string Words, int From, int To, string Why);

/// <summary>What the page leaves open about a value.</summary>
public sealed record DoubtWire(string Code, string At);

/// <summary>What a cart, quote or receipt says.</summary>
/// <param name="TaxInside">Whether the tax is within the total; null: nothing says.</param>
/// <param name="AddsUp">Whether the lines are the sums; null: a part is missing.</param>
public sealed record CartReadingWire(
    string? Provider,
    string? Currency,
    IReadOnlyList<CartLineWire> Lines,
    IReadOnlyList<CartDiscountWire> Discounts,
    string? Subtotal,
    string? Tax,
    string? Total,
    bool? TaxInside,
    bool? AddsUp,
    IReadOnlyList<SourceWire> Sources,
    IReadOnlyList<NotPlacedWire> NotPlaced,
    IReadOnlyList<DoubtWire> Doubts,
    string Text
);

/// <param name="Kind">plan, domain, addOn, setup, dataCentre or other.</param>
/// <param name="Amount">For all pieces, before discounts that stand apart.</param>
public sealed record CartLineWire(
    string Name,
    string Kind,
    string? Domain,
    int? Months,
    int Quantity,
    string Amount,
    string? Struck
);

/// <summary>What is taken off; positive.</summary>
public sealed record CartDiscountWire(string Name, string Amount);
