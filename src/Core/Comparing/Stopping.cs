using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Comparing;

/// <summary>
/// If the owner stops after some months: what is paid by then, with what is still owed of the first term. Against the
/// way to pay that binds least. The first sum is for stopping after one month, the last at the end of the horizon.
/// </summary>
/// <param name="Shortest">The way to pay with the shortest commitment; null where that is the one chosen, or it cannot
/// be costed.</param>
/// <param name="WinsFrom">From how many months on the chosen way has cost less than the shortest, whenever the owner
/// stops after that; null: from none within the horizon.</param>
public sealed record Stopping(
    ImmutableArray<Sum> Chosen,
    BillingOption? Shortest,
    ImmutableArray<Sum> ByShortest,
    int? WinsFrom
)
{
    /// <summary>Null where the candidate has no hosting or cannot be costed.</summary>
    public static Stopping? WorkOut(Candidate candidate, IReadOnlyList<OfferBook> books, CountSettings settings)
    {
        if (Coster.Cost(candidate, books, settings).Value is not { Run.Purchase.Hosting: { } hosting } costing)
        {
            return null;
        }

        var chosen = SunkBy(costing);
        var shortest = hosting
            .Plan.Billing.OrderBy(option => option.CommitMonths)
            .ThenBy(option => option.EveryMonths)
            .First();
        var other = shortest == hosting.Option ? null : Coster.Cost(Paying(candidate, shortest), books, settings).Value;
        if (other is null)
        {
            return new Stopping(chosen, null, [], null);
        }

        var byShortest = SunkBy(other);
        return new Stopping(chosen, shortest, byShortest, WinningFrom(chosen, byShortest));
    }

    private static Candidate Paying(Candidate candidate, BillingOption option) =>
        candidate with
        {
            Hosting = candidate.Hosting! with { EveryMonths = option.EveryMonths, CommitMonths = option.CommitMonths },
        };

    private static ImmutableArray<Sum> SunkBy(Costing costing)
    {
        var settings = costing.Settings;
        return
        [
            .. Enumerable
                .Range(1, settings.HorizonMonths)
                .Select(months => After(costing, settings.StartDate.AddMonths(months))),
        ];
    }

    private static Sum After(Costing costing, DateOnly stop)
    {
        Minor sum = 0;
        var isAtLeast = false;
        foreach (var bill in costing.Run.Bills)
        {
            var owed =
                bill.Date < costing.FirstTermEnd && ReferenceEquals(bill.Book, costing.Run.Purchase.Hosting!.Book);
            if (bill.Date < stop || owed)
            {
                sum += costing.ValueOf(bill);
                isAtLeast |= bill.IsAtLeast;
            }
        }

        return new Sum(sum, isAtLeast);
    }

    private static int? WinningFrom(ImmutableArray<Sum> chosen, ImmutableArray<Sum> other)
    {
        var months = chosen.Length;
        while (
            months > 0
            && !chosen[months - 1].IsAtLeast
            && !other[months - 1].IsAtLeast
            && chosen[months - 1].Amount < other[months - 1].Amount
        )
        {
            months--;
        }

        return months == chosen.Length ? null : months + 1;
    }
}
