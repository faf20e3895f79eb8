using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Reconciling;

/// <summary>
/// A candidate as a seller's page has it, where what differs lies in what is chosen and not in how it is read or what
/// the price list says.
/// </summary>
public static class AsTheySellIt
{
    /// <summary>The candidate with deviations; null where any of them is not a choice of the candidate's.</summary>
    public static Candidate? Translate(
        Candidate candidate,
        ImmutableArray<OfferBook> books,
        CountSettings settings,
        SeenSum seen,
        IEnumerable<Deviation> deviations
    )
    {
        var now = new Situation(
            candidate.Hosting,
            candidate.Domains,
            [.. Enumerable.Range(0, candidate.Domains.Length)],
            books,
            settings,
            seen.Book,
            seen.Date
        );
        foreach (var deviation in deviations)
        {
            if (!IsChoice(deviation.Kind) || now.With(deviation) is not { } made)
            {
                return null;
            }

            now = made;
        }

        return new Candidate(now.Hosting, now.Domains);
    }

    /// <summary>Whether it lies in what is chosen.</summary>
    public static bool IsChoice(Deviation deviation) => IsChoice(deviation.Kind);

    private static bool IsChoice(DeviationKind kind) =>
        kind
            is DeviationKind.ExtraAdded
                or DeviationKind.Quantity
                or DeviationKind.ExtraLeftOut
                or DeviationKind.CodeLeftOut
                or DeviationKind.CodeAdded
                or DeviationKind.CodeInstead
                or DeviationKind.PaidOtherwise
                or DeviationKind.OtherPlan
                or DeviationKind.Years
                or DeviationKind.DomainLeftOut
                or DeviationKind.IncludedNotGiven
                or DeviationKind.DataCentre;
}
