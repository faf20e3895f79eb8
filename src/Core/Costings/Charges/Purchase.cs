using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// A candidate with every id found in its book: what the bills are made from. Made by <see cref="Resolver"/>.
/// </summary>
public sealed record Purchase(
    DateOnly StartDate,
    CustomerStatus Customer,
    BoughtHosting? Hosting,
    ImmutableArray<BoughtDomain> Domains,
    ImmutableArray<OfferBook> Books
)
{
    /// <summary>
    /// C: the months first committed to; without hosting 12 × the first domain's years, else 12 (costing rule 25).
    /// </summary>
    public int CommitMonths =>
        Hosting is { } hosting ? hosting.Option.CommitMonths
        : Domains is [{ Choice: { Route: DomainRoute.Register or DomainRoute.Later, Years: var years } }, ..]
            ? 12 * years
        : 12;

    /// <summary>Whether anything is bought from a book.</summary>
    public bool BuysAt(OfferBook book) =>
        ReferenceEquals(Hosting?.Book, book) || Domains.Any(domain => ReferenceEquals(domain.Book, book));

    /// <summary>The currency totals are shown in unless the owner asks for another (costing rule 24).</summary>
    public Currency OwnCurrency => Hosting?.Book.Currency ?? Domains[0].ChargedIn;
}

/// <summary>The hosting of a purchase, every id found.</summary>
public sealed record BoughtHosting(
    OfferBook Book,
    Plan Plan,
    BillingOption Option,
    DataCentre? DataCentre,
    ImmutableArray<BoughtAddOn> AddOns,
    ImmutableArray<string> Codes
);

/// <param name="BookOrder">Where the extra stands in its book.</param>
public sealed record BoughtAddOn(AddOn AddOn, int Quantity, int BookOrder);

/// <summary>
/// One domain. <see cref="Book"/> is null where it is kept elsewhere; a lent one is not charged and has neither book,
/// price nor currency.
/// </summary>
public sealed record BoughtDomain(int Index, DomainChoice Choice, OfferBook? Book, Currency? Currency)
{
    /// <summary>What its book asks for the ending; null where it is not bought.</summary>
    public DomainPrice? Price { get; init; }

    /// <summary>The first year's price, premium or not; null is not stated.</summary>
    public Minor? Register { get; init; }

    /// <summary>A later year's price, premium or not, also of a domain kept elsewhere; null is not stated.</summary>
    public Minor? Renew { get; init; }

    /// <summary>Its extras, as the candidate lists them.</summary>
    public ImmutableArray<BoughtAddOn> AddOns { get; init; } = [];

    /// <exception cref="InvalidOperationException">It is lent: nothing is charged.</exception>
    internal Currency ChargedIn =>
        Currency ?? throw new InvalidOperationException("An address that is lent is not charged.");

    internal LineDomain OnLines { get; } = new(Index, Choice.Ending, Choice.Ref);
}
