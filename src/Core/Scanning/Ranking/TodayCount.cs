using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>How many domains bought away from a host have a candidate with it that meets the limit for today.</summary>
internal sealed class TodayCount(
    TodayLimit limit,
    OfferBook book,
    ImmutableArray<ImmutableArray<Part>> hostings,
    DomainMarket domains
)
{
    public int Run(CancellationToken cancel)
    {
        var met = 0;
        foreach (var domain in domains.Domains)
        {
            cancel.ThrowIfCancellationRequested();
            if (!ReferenceEquals(domain.Way.Book, book) && IsMet(domain))
            {
                met++;
            }
        }

        return met;
    }

    private bool IsMet(PricedDomain domain)
    {
        var isMet = false;
        for (var split = 0; split < hostings.Length; split++)
        {
            foreach (var hosting in hostings[split])
            {
                foreach (var name in domain.Parts[split])
                {
                    var sums = hosting.PartTotals + name.PartTotals;
                    limit.Saw(sums.Today);
                    isMet |= limit.IsMetBy(sums);
                }
            }
        }

        return isMet;
    }
}
