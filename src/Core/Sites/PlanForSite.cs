using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Sites;

/// <summary>
/// A plan that was read from a seller's page, as this site would buy it: the domain that the site is for goes along.
/// </summary>
public static class PlanForSite
{
    /// <summary>
    /// The plan with the domains of the first candidate that has any; without such a candidate,
    /// <paramref name="alone"/>.
    /// </summary>
    /// <param name="alone">What buys the plan for itself.</param>
    /// <param name="books">The price lists on the shelf.</param>
    public static Candidate Choose(
        Site site,
        OfferBook book,
        Plan plan,
        Candidate alone,
        IEnumerable<OfferBook> books
    ) =>
        site.Shortlist.FirstOrDefault(listed => !listed.Candidate.Domains.IsEmpty) is { } with
            ? PlanChange.To(
                with.Candidate,
                new ChoosePlan(with.Letter, book.Id, plan.Id),
                [.. books.Where(known => known.Id != book.Id), book],
                new FaultList()
            ) with
            {
                Hosting = alone.Hosting,
            }
            : alone;
}
