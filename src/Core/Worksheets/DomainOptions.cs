using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// The other ways to have the first domain of a candidate that need nothing more to be said: other numbers of years,
/// later, lent, none, another seller, the included year left.
/// </summary>
internal static class DomainOptions
{
    /// <summary>In how many months a name chosen later would be bought, where nothing else is said.</summary>
    private const int LaterInMonths = 3;

    public static IEnumerable<DomainChoice?> ListAll(Candidate candidate, IReadOnlyList<OfferBook> books)
    {
        if (candidate.Domains is not [var domain, ..])
        {
            yield break;
        }

        var price = books.FirstOrDefault(book => book.Id == domain.Book)?.Domain(domain.Ending);
        if (domain.Route is DomainRoute.Register or DomainRoute.Later)
        {
            for (var years = 1; years <= price?.MaxYears; years++)
            {
                yield return domain with
                {
                    Years = years,
                };
            }
        }

        if (domain is { Route: DomainRoute.Register, Premium: null })
        {
            yield return domain with
            {
                Route = DomainRoute.Later,
                InMonths = LaterInMonths,
                Years = 1,
            };
        }

        if (domain.IsBought && Gives(candidate, books))
        {
            yield return domain with
            {
                UseIncluded = !domain.UseIncluded,
            };
        }

        if (domain.Route != DomainRoute.Lent && candidate.Hosting?.Plan is not null)
        {
            yield return new DomainChoice(DomainRoute.Lent);
        }

        yield return null;
    }

    /// <summary>
    /// The books where it can be bought: the host's, those of registrars, and the one it is bought from now.
    /// </summary>
    public static IEnumerable<OfferBook> Sellers(Candidate candidate, IReadOnlyList<OfferBook> books) =>
        candidate.Domains
            is [{ Route: DomainRoute.Register or DomainRoute.Later, Ending: not null, Premium: null } domain, ..]
            ? books.Where(book =>
                domain.Years <= book.Domain(domain.Ending)?.MaxYears
                && (book.Plans.IsEmpty || book.Id == candidate.Hosting?.Book || book.Id == domain.Book)
            )
            : [];

    private static bool Gives(Candidate candidate, IReadOnlyList<OfferBook> books) =>
        candidate.Domains[0].Book == candidate.Hosting?.Book
        && books
            .FirstOrDefault(book => book.Id == candidate.Hosting?.Book)
            ?.Plan(candidate.Hosting?.Plan)
            ?.IncludedDomain
            is not null;
}
