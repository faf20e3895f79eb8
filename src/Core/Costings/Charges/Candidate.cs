using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>One complete way to buy, by the ids of the books: hosting, domains, or both. It may not fit any book yet: <see cref="Resolver"/> tells.</summary>
public sealed record Candidate(HostingChoice? Hosting, ImmutableArray<DomainChoice> Domains);

/// <summary>The hosting of a candidate. A null id has not been chosen.</summary>
public sealed record HostingChoice(string? Book, string? Plan, int? EveryMonths, int? CommitMonths)
{
    public string? DataCentre { get; init; }
    public ImmutableArray<AddOnChoice> AddOns { get; init; } = [];

    /// <summary>Codes as typed, in the order they were entered.</summary>
    public ImmutableArray<string> Codes { get; init; } = [];
}
/// <summary>One domain of a candidate. Which fields count depends on the route (costing rules 8 to 12).</summary>
public sealed record DomainChoice(DomainRoute? Route)
{
    public string? Book { get; init; }

    /// <summary>The part before the ending; null while a domain is chosen later.</summary>
    public string? Name { get; init; }

    /// <summary>Without its leading dot: <c>co.uk</c>.</summary>
    public string? Ending { get; init; }

    public int Years { get; init; } = 1;
    public bool UseIncluded { get; init; } = true;
    public PremiumPrices? Premium { get; init; }
    public ImmutableArray<AddOnChoice> AddOns { get; init; } = [];
    public ImmutableArray<string> Codes { get; init; } = [];
    public int InMonths { get; init; }
    public DateOnly? Expires { get; init; }

    /// <summary>For keep: what the outside registrar takes for a year, in <see cref="Currency"/>.</summary>
    public ExactDecimal? Renewal { get; init; }

    public Currency? Currency { get; init; }

    public bool IsBought => Route is DomainRoute.Register or DomainRoute.Later or DomainRoute.Transfer;

    /// <summary>The domain written out: <c>ostlerwren.com</c>; <c>.org</c> while it has no name.</summary>
    public string Ref => $"{Name}.{Ending}";

    /// <summary>The domain, where its name and ending make one.</summary>
    public DomainName? Domain => Name is null || Ending is null ? null : DomainName.Parse(Name, Ending).Domain;
}

/// <summary>What a registrar asks for a premium name, in its book's currency, which is known only with the book; null is not stated.</summary>
public sealed record PremiumPrices(ExactDecimal? Register, ExactDecimal? Renew);
