using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// An ending that a candidate's domain may have, and who sells it: registrars, and the host that the candidate is with.
/// Another host sells its domains with its hosting alone.
/// </summary>
/// <param name="Sellers">The host first, whose registrar is the one to ask.</param>
public sealed record EndingOffer(string Ending, ImmutableArray<EndingSeller> Sellers)
{
    /// <summary>Every ending that can be bought, in the order of the books, their own orders kept.</summary>
    public static ImmutableArray<EndingOffer> ListAll(Candidate candidate, IReadOnlyList<OfferBook> books)
    {
        var host = candidate.Hosting?.Book;
        var sellers = books.Where(book => book.Plans.IsEmpty || book.Id == host).ToList();
        return
        [
            .. sellers
                .SelectMany(book => book.Domains)
                .Select(price => price.Ending)
                .Distinct()
                .Select(ending => new EndingOffer(ending, SellersOf(ending))),
        ];

        ImmutableArray<EndingSeller> SellersOf(string ending) =>
            [
                .. from book in sellers
                where book.Domain(ending) is not null
                orderby book.Id == host ? 0 : 1
                select new EndingSeller(
                    book,
                    book.Domain(ending)!,
                    book.Id == host ? Given(book, candidate.Hosting?.Plan, ending) : null
                ),
            ];
    }

    private static IncludedDomain? Given(OfferBook host, string? plan, string ending) =>
        host.Plan(plan)?.IncludedDomain is { } given && given.Endings.Contains(ending) ? given : null;
}

/// <param name="Included">The domain-year that the candidate's plan gives, where this ending may have it.</param>
public sealed record EndingSeller(OfferBook Book, DomainPrice Price, IncludedDomain? Included);
