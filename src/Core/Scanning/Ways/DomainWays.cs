using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>Every ending asked for at every book that sells it by the route asked for (scan rule 2).</summary>
internal static class DomainWays
{
    /// <summary>With what bars one, a date that has passed say, in <paramref name="faults"/>.</summary>
    public static ImmutableArray<DomainWay> ListAll(ScanRequest request, FaultList faults)
    {
        if (request.Needs.Domain is not { } need)
        {
            return [new DomainWay(null, null, null, null, null)];
        }

        var choice = new DomainChoice(need.Route)
        {
            Name = need.Name,
            Years = need.Years,
            InMonths = need.InMonths,
            Expires = need.Expires,
            Renewal = need.Renewal,
            Currency = need.Currency,
        };
        if (need.Route is DomainRoute.Keep or DomainRoute.Lent)
        {
            var ending = need.Endings.FirstOrDefault();
            return [Way(null, ending, null)];
        }

        return
        [
            .. from ending in need.Endings.Distinct()
            from book in request.Books
            let price = book.Domain(ending)
            where
                price is not null
                && (need.Route == DomainRoute.Transfer ? price.Transfer is not null : need.Years <= price.MaxYears)
            select Way(book, ending, price),
        ];

        DomainWay Way(OfferBook? book, string? ending, DomainPrice? price)
        {
            var way = choice with { Book = book?.Id, Ending = ending };
            return new DomainWay(
                book,
                ending,
                price,
                way,
                Resolver.ResolveDomain(way, book is null ? [] : [book], request.Settings, faults)
            );
        }
    }
}
