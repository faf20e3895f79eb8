using System.Collections.Immutable;
using System.Globalization;
using HomeStart.Core.Costings;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// The decisions that concern one seller, with holdings named as in the seller's own part of the candidate
/// (<see cref="Candidate.At"/>).
/// </summary>
public static class SellerDecisions
{
    private const string DomainKey = "domain:";

    /// <summary>
    /// Of all the decisions of an order, those about what was bought at a book. The card is every seller's concern.
    /// </summary>
    public static ImmutableArray<Decision> Select(Candidate candidate, string book, IEnumerable<Decision> decisions) =>
        [.. decisions.Select(decision => At(candidate, book, decision)).OfType<Decision>()];

    private static Decision? At(Candidate candidate, string book, Decision decision)
    {
        var isHost = candidate.Hosting?.Book == book;
        return decision switch
        {
            SetCard => decision,
            SetRenewing renewing => HoldingAt(candidate, book, renewing.Holding) is { } holding
                ? renewing with
                {
                    Holding = holding,
                }
                : null,
            PayMissed pay => HoldingAt(candidate, book, pay.Holding) is { } holding
                ? pay with
                {
                    Holding = holding,
                }
                : null,
            ClaimDomain claim => claim.Domain.Book == book ? claim : null,
            Leave or ChangePlan or AddExtra or DropExtra => isHost ? decision : null,
            _ => throw new InvalidOperationException($"There is no decision {decision.GetType().Name}."),
        };
    }

    // Domains are numbered by their place among those bought at the seller; claimed ones, which only the host takes,
    // come after.
    private static string? HoldingAt(Candidate candidate, string book, string holding)
    {
        if (holding == HoldingAtEnd.HostingKey)
        {
            return candidate.Hosting?.Book == book ? holding : null;
        }

        if (
            !holding.StartsWith(DomainKey, StringComparison.Ordinal)
            || !int.TryParse(
                holding[DomainKey.Length..],
                NumberStyles.None,
                CultureInfo.InvariantCulture,
                out var place
            )
        )
        {
            return holding;
        }

        var (all, there) = (candidate.Domains, candidate.At(book).Domains.Length);
        return place >= all.Length
            ? candidate.Hosting?.Book == book
                ? Key(place - all.Length + there)
                : null
            : all[place].IsBought && all[place].Book == book
                ? Key(all[..place].Count(domain => domain.IsBought && domain.Book == book))
                : null;
    }

    private static string Key(int place) => string.Create(CultureInfo.InvariantCulture, $"{DomainKey}{place}");
}
