using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>Every ending asked for at every book that sells it by the route asked for (scan rule 2).</summary>
internal static class DomainWays
{
    public static ImmutableArray<DomainWay> Of(ScanRequest request)
    {
        if (request.Needs.Domain is not { } need)
        {
            return [new DomainWay(null, null, null, null)];
        }

        var choice = new DomainChoice(need.Route)
        {
            Name = need.Name, Years = need.Years, InMonths = need.InMonths, Expires = need.Expires, Renewal = need.Renewal, Currency = need.Currency,
        };
        if (need.Route is DomainRoute.Keep or DomainRoute.Lent)
        {
            var ending = need.Endings.FirstOrDefault();
            return [new DomainWay(null, ending, null, choice with { Ending = ending })];
        }

        return
        [
            .. from ending in need.Endings.Distinct()
               from book in request.Books
               let price = book.Domain(ending)
               where price is not null && (need.Route == DomainRoute.Transfer ? price.Transfer is not null : need.Years <= price.MaxYears)
               select new DomainWay(book, ending, price, choice with { Book = book.Id, Ending = ending }),
        ];
    }
}
