using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// One complete way to buy, by the ids of the books: hosting, domains, or both. It may not fit any book yet:
/// <see cref="Resolver"/> tells.
/// </summary>
public sealed record Candidate(HostingChoice? Hosting, ImmutableArray<DomainChoice> Domains)
{
    /// <summary>
    /// The part that is bought at one book. Its bills there are those of the whole: no book's bill depends on
    /// another's.
    /// </summary>
    public Candidate At(string book) =>
        new(
            Hosting?.Book == book ? Hosting : null,
            [.. Domains.Where(domain => domain.IsBought && domain.Book == book)]
        );
}

/// <summary>The hosting of a candidate. A null id has not been chosen.</summary>
public sealed record HostingChoice(string? Book, string? Plan, int? EveryMonths, int? CommitMonths)
{
    /// <summary>Its id in the book; null: whichever.</summary>
    public string? DataCentre { get; init; }

    /// <summary>The extras of the hosting, by id.</summary>
    public ImmutableArray<AddOnChoice> AddOns { get; init; } = [];

    /// <summary>Codes as typed, in the order they were entered.</summary>
    public ImmutableArray<string> Codes { get; init; } = [];
}

/// <summary>One domain of a candidate. Which fields count depends on the route (costing rules 8 to 12).</summary>
public sealed record DomainChoice(DomainRoute? Route)
{
    /// <summary>The id of the book it is bought from; null where it is not bought.</summary>
    public string? Book { get; init; }

    /// <summary>The part before the ending; null while a domain is chosen later.</summary>
    public string? Name { get; init; }

    /// <summary>Without its leading dot: <c>co.uk</c>.</summary>
    public string? Ending { get; init; }

    /// <summary>For how many years it is first paid, 1 to 10.</summary>
    public int Years { get; init; } = 1;

    /// <summary>Whether the plan's domain-year may be spent on it (costing rule 16).</summary>
    public bool UseIncluded { get; init; } = true;

    /// <summary>What a premium name costs; null: the ending's own prices.</summary>
    public PremiumPrices? Premium { get; init; }

    /// <summary>The extras of this domain, by id.</summary>
    public ImmutableArray<AddOnChoice> AddOns { get; init; } = [];

    /// <summary>Codes as typed for this domain, in the order they were entered.</summary>
    public ImmutableArray<string> Codes { get; init; } = [];

    /// <summary>For later: in how many months it is bought.</summary>
    public int InMonths { get; init; }

    /// <summary>For transfer and keep: until when it is paid already.</summary>
    public DateOnly? Expires { get; init; }

    /// <summary>For keep: what the outside registrar takes for a year, in <see cref="Currency"/>.</summary>
    public ExactDecimal? Renewal { get; init; }

    /// <summary>For keep: the currency of <see cref="Renewal"/>; null for every other route.</summary>
    public Currency? Currency { get; init; }

    /// <summary>Whether a book here is paid for it.</summary>
    public bool IsBought => Route is DomainRoute.Register or DomainRoute.Later or DomainRoute.Transfer;

    /// <summary>The domain written out: <c>ostlerwren.com</c>; <c>.org</c> while it has no name.</summary>
    public string Ref => $"{Name}.{Ending}";

    /// <summary>The domain, where its name and ending make one.</summary>
    public DomainName? Domain => Name is null || Ending is null ? null : DomainName.Parse(Name, Ending).Domain;
}

/// <summary>
/// What a registrar asks for a premium name, in its book's currency, which is known only with the book; null is not
/// stated.
/// </summary>
public sealed record PremiumPrices(ExactDecimal? Register, ExactDecimal? Renew);
