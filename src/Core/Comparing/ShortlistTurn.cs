using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Sites;
using HomeStart.Core.Worksheets;

namespace HomeStart.Core.Comparing;

/// <summary>
/// The nearest number of months, below or above what the owner counts, over which another candidate that does what is
/// needed costs less than the least.
/// </summary>
/// <param name="Sum">What the other costs over them, in minor units of the display currency.</param>
/// <param name="LeastSum">What the least over the owner's horizon costs over them.</param>
public sealed record ShortlistTurn(int Months, string Letter, string Least, Minor Sum, Minor LeastSum)
{
    /// <summary>None where there is no one least.</summary>
    internal static ImmutableArray<ShortlistTurn> FindAll(
        Site site,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        IReadOnlySet<int> least
    ) =>
        least.Count != 1
            ? []
            :
            [
                .. new[] { -1, +1 }
                    .Select(step => Towards(site, books, settings, least.Single(), Doing(site, books, settings), step))
                    .OfType<ShortlistTurn>(),
            ];

    // What is needed is needed over what the owner counts: other horizons do not change it.
    private static HashSet<int> Doing(Site site, IReadOnlyList<OfferBook> books, CountSettings settings) =>
        [
            .. site
                .Shortlist.Index()
                .Where(pair =>
                    Worksheet.CostingOf(pair.Item.Candidate, books, settings) is { } costing
                    && Shortlist.Does(costing, site.Needs)
                )
                .Select(pair => pair.Index),
        ];

    private static ShortlistTurn? Towards(
        Site site,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        int least,
        HashSet<int> doing,
        int step
    )
    {
        for (
            var months = settings.HorizonMonths + step;
            months is >= 1 and <= CountSettings.LongestHorizon;
            months += step
        )
        {
            var over = settings with { HorizonMonths = months };
            var totals = site
                .Shortlist.Select(listed => Worksheet.CostingOf(listed.Candidate, books, over)?.Totals)
                .ToList();
            if (totals[least] is not { AtLeast.Horizon: false } leastThen)
            {
                return null;
            }

            var whole = totals
                .Index()
                .Where(pair =>
                    pair.Item is { AtLeast.Horizon: false }
                    && pair.Item.Horizon < leastThen.Horizon
                    && doing.Contains(pair.Index)
                )
                .ToList();
            if (whole.Count > 0)
            {
                var (index, other) = whole.MinBy(pair => pair.Item!.Horizon);
                return new ShortlistTurn(
                    months,
                    site.Shortlist[index].Letter,
                    site.Shortlist[least].Letter,
                    other!.Horizon,
                    leastThen.Horizon
                );
            }
        }

        return null;
    }
}
