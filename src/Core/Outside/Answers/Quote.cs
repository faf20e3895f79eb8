using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Outside;

/// <summary>
/// What a seller is asked to name its sum for: its own part of a candidate, bought on a day by somebody in a country.
/// </summary>
/// <param name="Book">The seller, by the id of its price list.</param>
/// <param name="IsCustomer">Whether the owner says they are its customer already; the seller's own records count beside
/// that.</param>
/// <param name="Country">Where the holder lives (ISO 3166): the seller charges that country's tax.</param>
public sealed record SellerPurchase(
    string Book,
    DateOnly StartDate,
    Candidate Candidate,
    bool IsCustomer,
    string Country
)
{
    /// <summary>Only of orders placed before sellers named their sums: the tax rate agreed then, in percent.</summary>
    public ExactDecimal? AgreedTaxPercent { get; init; }
}

/// <summary>
/// The sum a seller names for a purchase, worked out from its own price list alone. It is what is agreed to, held and
/// taken.
/// </summary>
/// <param name="Id">Under which the seller knows it.</param>
/// <param name="Total">With tax.</param>
/// <param name="TaxPercent">Null: the seller charges no tax.</param>
/// <param name="ValidUntil">The real time until which the seller keeps to it.</param>
public sealed record Quote(
    string Id,
    string Book,
    Money Total,
    Money Tax,
    ExactDecimal? TaxPercent,
    DateTimeOffset ValidUntil
)
{
    /// <summary>In the order of a bill.</summary>
    public ImmutableArray<QuotedLine> Lines { get; init; } = [];

    /// <summary>What the seller says of each code that was entered.</summary>
    public ImmutableArray<QuotedCode> Codes { get; init; } = [];
}

/// <summary>A line of a quote.</summary>
/// <param name="Ref">As on a bill: the id of a plan, data centre or extra, or the domain written out.</param>
/// <param name="ForDomain">The domain an extra is for, written out.</param>
/// <param name="Amount">Before discounts.</param>
/// <param name="Left">After discounts, before tax on top.</param>
public sealed record QuotedLine(LineKind Kind, string Ref, string? ForDomain, int Quantity, Money Amount, Money Left);

/// <param name="Code">As it was typed.</param>
public sealed record QuotedCode(string Code, Verdict Verdict);

/// <summary>What came of asking a seller for a quote: the quote, or why there is none.</summary>
/// <param name="Refusal">In the seller's words; null where it gave a quote or did not answer.</param>
public sealed record QuoteAnswer(Quote? Quote, string? Refusal = null)
{
    /// <summary>Nobody answered.</summary>
    public static readonly QuoteAnswer Silent = new((Quote?)null);
}
