using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Sites;

/// <summary>
/// Which of several domains has the plan's domain-year. Domains take it in the order they are listed (costing rule 16),
/// which need not be where it saves most.
/// </summary>
/// <param name="Domain">Where it saves most, written out.</param>
/// <param name="Saves">Against spending it on the next best, over the horizon: minor units of the display
/// currency.</param>
public sealed record IncludedYear(string Domain, Minor Saves)
{
    /// <summary>
    /// Where it is spent in a candidate of several domains; null where it is not spent on one of them, or there is no
    /// other to spend it on.
    /// </summary>
    public static IncludedYear? Find(Candidate candidate, IReadOnlyList<OfferBook> books, CountSettings settings)
    {
        if (
            candidate.Domains.Length < 2
            || Coster.Cost(candidate, books, settings).Value is not { } costing
            || TakersOf(costing) is not [var taker]
        )
        {
            return null;
        }

        var others = Spent(
                candidate with
                {
                    Domains = [.. candidate.Domains.Select(domain => domain with { UseIncluded = true })],
                },
                books,
                settings
            )
            .Where(way => way.Taker != taker)
            .ToList();
        return others.Count == 0
            ? null
            : new IncludedYear(taker, others.Min(way => way.Costing.Totals.Horizon) - costing.Totals.Horizon);
    }

    /// <summary>
    /// The candidate with the domain-year where it costs least over the horizon; as it is where that changes nothing,
    /// or it cannot be costed.
    /// </summary>
    internal static Candidate Placed(Candidate candidate, IReadOnlyList<OfferBook> books, CountSettings settings)
    {
        var least = Coster.Cost(candidate, books, settings).Value?.Totals.Horizon;
        foreach (var (other, costing, _) in least is null ? [] : Spent(candidate, books, settings).ToList())
        {
            if (costing.Totals.Horizon < least)
            {
                (candidate, least) = (other, costing.Totals.Horizon);
            }
        }

        return candidate;
    }

    // Each way to spend it on one domain alone, of those that may have it.
    private static IEnumerable<(Candidate Candidate, Costing Costing, string Taker)> Spent(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        CountSettings settings
    )
    {
        for (var at = 0; at < candidate.Domains.Length; at++)
        {
            if (!candidate.Domains[at].UseIncluded)
            {
                continue;
            }

            var alone = candidate with
            {
                Domains = [.. candidate.Domains.Select((domain, index) => domain with { UseIncluded = index == at })],
            };
            if (Coster.Cost(alone, books, settings).Value is { } costing && TakersOf(costing) is [var taker])
            {
                yield return (alone, costing, taker);
            }
        }
    }

    private static ImmutableArray<string> TakersOf(Costing costing) =>
        [
            .. costing
                .Counted.SelectMany(bill => bill.Lines)
                .Where(line => line.Kind == LineKind.Domain && line.Waived > 0)
                .Select(line => line.Ref)
                .Distinct(StringComparer.Ordinal),
        ];
}
