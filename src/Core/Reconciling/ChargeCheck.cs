using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Upkeep;

namespace HomeStart.Core.Reconciling;

/// <summary>Why a charge that was seen is not what was due.</summary>
public static class ChargeCheck
{
    /// <summary>
    /// The reasons for a total of a charge; null where there are none to be found: money that came back, or a bill that
    /// what was decided since the order made another than the costing's.
    /// </summary>
    /// <param name="seen">What the card paid, in the currency of the book.</param>
    public static Reconciliation? Why(Tenure tenure, Movement movement, Money seen, CancellationToken cancel)
    {
        if (movement.Charged is not { } charged || seen.Currency != charged.Currency || seen.Units < 0)
        {
            return null;
        }

        var found = Reconciler
            .Run(tenure.Candidate, [.. tenure.Books], tenure.Settings, Sum(charged, seen), new FaultList(), cancel)
            .Value;
        return found?.Ours == charged.Total ? found : null;
    }

    /// <summary>What was seen as the bill would have it: with what the balance paid.</summary>
    public static SeenSum Sum(Charged charged, Money seen) =>
        new(charged.Book, seen.Units + charged.FromBalance, charged.Due);

    /// <summary>
    /// What was taken beyond what was due, or did not come back, seller by seller, of those where that is more than
    /// nothing.
    /// </summary>
    public static ImmutableSortedDictionary<string, Money> OverchargedOf(IEnumerable<Movement> movements) =>
        movements
            .Where(movement => movement.Over?.Units > 0)
            .GroupBy(movement => movement.Book, movement => movement.Over!.Value)
            .ToImmutableSortedDictionary(
                seller => seller.Key,
                seller => seller.Aggregate((sum, over) => sum + over),
                StringComparer.Ordinal
            );
}
