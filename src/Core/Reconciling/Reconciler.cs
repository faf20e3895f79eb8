using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Reconciling;

/// <summary>
/// Says why a seller's sum is not ours: which one change of the candidate, or else which two, give exactly that sum
/// (reconciling.md).
/// </summary>
public static class Reconciler
{
    /// <summary>How many explanations are given.</summary>
    public const int Most = 20;

    /// <summary>Steps of all pairs together: some seconds.</summary>
    private const long MostWork = 2_000_000_000;

    /// <summary>The reconciliation; null with what bars it in <paramref name="faults"/>.</summary>
    public static Result<Reconciliation> Run(
        Candidate candidate,
        ImmutableArray<OfferBook> books,
        CountSettings settings,
        SeenSum seen,
        FaultList faults,
        CancellationToken cancel
    )
    {
        if (
            Resolver.Resolve(candidate, books, settings, faults) is not { } purchase
            || !CostingWork.IsBounded(purchase, faults)
        )
        {
            return Result.From<Reconciliation>(null, faults);
        }

        var sent = new Situation(
            candidate.Hosting,
            candidate.Domains,
            [.. Enumerable.Range(0, candidate.Domains.Length)],
            books,
            settings,
            seen.Book,
            seen.Date
        );
        return Result.From(Run(sent, sent.Cost(isWhole: true)!, seen.Total, purchase, faults, cancel), faults);
    }

    private static Reconciliation? Run(
        Situation sent,
        CostedBill read,
        Minor seen,
        Purchase purchase,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var (ours, isAtLeast) = (sent.TaxedOf(read).Total, read.Bill is { IsAtLeast: true });
        if (isAtLeast && seen >= ours)
        {
            return Answer([new Explanation([new Deviation(DeviationKind.NotStated)], seen)], null);
        }

        if (ours == seen)
        {
            return new Reconciliation(sent.Book.Currency, ours, seen, false, true, [], null);
        }

        var singles = Singles(sent, read);
        ImmutableArray<Explanation> single =
        [
            .. singles
                .Where(made => made.Sum == seen)
                .Take(Most)
                .Select(made => new Explanation([made.Deviation], made.Sum)),
        ];
        if (!single.IsEmpty)
        {
            return Answer(single, null);
        }

        if (IsTooMuch(singles.Count, sent, purchase, faults))
        {
            return null;
        }

        var pairs = Pairs(singles, seen, cancel);
        return Answer(pairs, pairs.IsEmpty ? Closest() : null);

        Reconciliation Answer(ImmutableArray<Explanation> explanations, Explanation? closest) =>
            new(sent.Book.Currency, ours, seen, isAtLeast, false, explanations, closest);

        Explanation Closest()
        {
            var nearest = new Explanation([], ours);
            foreach (var (deviation, _, sum) in singles)
            {
                nearest =
                    Minor.Abs(seen - sum) < Minor.Abs(seen - nearest.Total)
                        ? new Explanation([deviation], sum)
                        : nearest;
            }

            return nearest;
        }
    }

    // Those that can be costed, whole.
    private static List<(Deviation Deviation, Situation Made, Minor Sum)> Singles(Situation sent, CostedBill read)
    {
        var singles = new List<(Deviation, Situation, Minor)>();
        foreach (var deviation in Deviations.Find(sent, read))
        {
            if (sent.With(deviation) is { } made && made.Sum() is { } sum)
            {
                singles.Add((deviation, made, sum));
            }
        }

        return singles;
    }

    private static ImmutableArray<Explanation> Pairs(
        List<(Deviation Deviation, Situation Made, Minor Sum)> singles,
        Minor seen,
        CancellationToken cancel
    )
    {
        var found = ImmutableArray.CreateBuilder<Explanation>();
        for (var first = 0; first < singles.Count && found.Count < Most; first++)
        {
            cancel.ThrowIfCancellationRequested();
            var (earlier, made, _) = singles[first];
            for (var second = first + 1; second < singles.Count && found.Count < Most; second++)
            {
                var later = singles[second].Deviation;
                if (GoTogether(earlier, later) && made.With(later)?.Sum() == seen)
                {
                    found.Add(new Explanation([earlier, later], seen));
                }
            }
        }

        return found.ToImmutable();
    }

    private static bool GoTogether(Deviation earlier, Deviation later) =>
        (earlier.Kind, later.Kind) switch
        {
            (DeviationKind.WithoutTax, DeviationKind.TaxAdded) => false,


            (DeviationKind.PaidOtherwise, DeviationKind.PaidOtherwise)
            or
            (DeviationKind.OtherPlan, DeviationKind.OtherPlan)
            or (DeviationKind.DataCentre, DeviationKind.DataCentre) => false,
            (DeviationKind.Years, DeviationKind.Years) => earlier.Domain != later.Domain,
            (DeviationKind.Quantity, DeviationKind.Quantity) => earlier.Ref != later.Ref,
            (DeviationKind.LaterPrice, DeviationKind.LaterPrice) => earlier.Ref is not null && later.Ref is not null,
            _ => true,
        };

    private static bool IsTooMuch(int singles, Situation sent, Purchase purchase, FaultList faults)
    {
        var months = Math.Max(0, Months.WholeBetween(sent.Settings.StartDate, sent.Date));
        var work = (long)singles * singles / 2 * (1 + (CostingWork.Count(purchase) * (months + 1) / Months.Run));
        if (work > MostWork)
        {
            faults.Add(FaultCodes.OutOfRange, "candidate", new PairsTooMany(work, MostWork));
        }

        return work > MostWork;
    }
}
