using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>
/// What a seller's page says. Amounts are decimal text as they are printed; what is not said is null.
/// </summary>
public sealed record PageReading(
    string? Provider,
    string? Currency,
    string? Tax,
    int? RefundDays,
    ImmutableArray<ReadPlan> Plans,
    ImmutableArray<ReadDomain> Domains,
    ImmutableArray<ReadExtra> Extras,
    ImmutableArray<ReadCode> Codes,
    ImmutableArray<ReadSource> Sources,
    ImmutableArray<NotPlaced> NotPlaced,
    ImmutableArray<ReadDoubt> Doubts,
    string Text
);

/// <summary>A plan that hosts.</summary>
/// <param name="Features">By the keys of pages.md: a decimal, "unlimited", a word, true or false, or a list.</param>
public sealed record ReadPlan(
    string? Name,
    ImmutableArray<ReadWay> Ways,
    string? SetupFee,
    ImmutableSortedDictionary<string, object> Features,
    ReadPlanDomain? Domain,
    ImmutableArray<string> Includes
);

/// <summary>One price for a length of time.</summary>
/// <param name="Per">"month", "year" or "term".</param>
/// <param name="Paid">"at-once", "monthly-bound" or "monthly-free"; null: not said.</param>
/// <param name="Later">What it renews at; null: not said.</param>
/// <param name="SetupFee">Where this way alone has one.</param>
public sealed record ReadWay(
    int? Months,
    string Price,
    string Per,
    string? Paid,
    int FreeMonths,
    string? Struck,
    ReadLater? Later,
    string? SetupFee
);

/// <summary>What comes after the first term: the same price, or another.</summary>
public sealed record ReadLater(string? Price, string? Per)
{
    /// <summary>The same price again.</summary>
    public static readonly ReadLater Same = new(null, null);
}

/// <summary>The domain that is in a plan's price.</summary>
public sealed record ReadPlanDomain(ImmutableArray<string> Endings, int? FromMonths, bool EveryYear);

/// <summary>What an ending costs a year.</summary>
public sealed record ReadDomain(string Ending, string? Register, string? Renew, string? Transfer);

/// <summary>Something to add to a plan.</summary>
public sealed record ReadExtra(string Name, string Price, string Per, bool Ticked);

/// <summary>A word to type for less.</summary>
public sealed record ReadCode(string Code, string? Percent, string? Amount);

/// <summary>Where a value comes from.</summary>
/// <param name="At">Its place in the reading: "/plans/0/ways/0/price".</param>
public sealed record ReadSource(string At, PageSpan Words);

/// <summary>An amount that went nowhere.</summary>
/// <param name="Why">"worth", "saving", "total" and the others of pages.md 17.</param>
public sealed record NotPlaced(PageSpan Words, string Why);

/// <summary>What the page leaves open.</summary>
public sealed record ReadDoubt(string Code, string At);

/// <summary>What a cart, quote or receipt says.</summary>
public sealed record CartReading(
    string? Provider,
    string? Currency,
    ImmutableArray<CartLine> Lines,
    ImmutableArray<CartDiscount> Discounts,
    string? Subtotal,
    string? Tax,
    string? Total,
    bool? TaxInside,
    bool? AddsUp,
    ImmutableArray<ReadSource> Sources,
    ImmutableArray<NotPlaced> NotPlaced,
    ImmutableArray<ReadDoubt> Doubts,
    string Text
);

/// <summary>One thing that is bought.</summary>
/// <param name="Kind">"plan", "domain", "addOn", "setup", "dataCentre" or "other".</param>
public sealed record CartLine(
    string Name,
    string Kind,
    string? Domain,
    int? Months,
    int Quantity,
    string Amount,
    string? Struck
);

/// <summary>What is taken off; positive.</summary>
public sealed record CartDiscount(string Name, string Amount);
