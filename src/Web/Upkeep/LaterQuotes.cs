using System.Collections.Immutable;
using HomeStart.Web.Orders;

namespace HomeStart.Web.Upkeep;

/// <summary>
/// Asks sellers for their sums after the order: each charge, refund, change of a balance and claim is theirs to name.
/// </summary>
public sealed class LaterQuotes(ILaterSums sellers)
{
    /// <summary>The seller's sum for a charge that is being carried out.</summary>
    /// <param name="paid">The day book as it is once the charge is paid.</param>
    public Task<(LaterQuote? Quote, string? Refusal)> ForChargeAsync(
        LoadedTenure kept,
        TryCharge charge,
        DayBook paid,
        CancellationToken cancel
    )
    {
        var under = kept.Book.UnderWay!;
        var like = paid
            .Lines.OfType<Charged>()
            .Count(line => line.On == under.Day && line.Book == charge.Book && line.Due == charge.Due);
        return AskAsync(
            kept,
            charge.Book,
            under,
            paid,
            new LaterMovement(LaterMovementKind.Charge, charge.Due, like - 1),
            cancel
        );
    }

    /// <summary>The seller's sum for what it gives back, or for what its balance changes by.</summary>
    public Task<(LaterQuote? Quote, string? Refusal)> ForAsync(
        LoadedTenure kept,
        string book,
        LaterMovementKind kind,
        CancellationToken cancel
    ) => AskAsync(kept, book, kept.Book.UnderWay!, kept.Book, new LaterMovement(kind, kept.Book.UnderWay!.Day), cancel);

    /// <summary>The seller's sum for something missed, to be held before it is decided.</summary>
    public Task<(LaterQuote? Quote, string? Refusal)> ForMissedAsync(
        LoadedTenure kept,
        string book,
        DateOnly on,
        PayMissed pay,
        bool cardWorks,
        CancellationToken cancel
    )
    {
        ImmutableArray<Decision> before =
        [
            .. kept.Book.Decisions.Where(decision => decision.On <= on),
            .. cardWorks ? [] : new[] { new SetCard(on, Works: true) },
        ];
        return AskAsync(
            kept,
            book,
            on,
            isDecision: true,
            before.Add(pay),
            before,
            new LaterMovement(LaterMovementKind.Charge, on),
            cancel
        );
    }

    /// <summary>The seller's sum for a name that is claimed.</summary>
    public Task<(LaterQuote? Quote, string? Refusal)> ForClaimAsync(
        LoadedTenure kept,
        ClaimDomain claim,
        CancellationToken cancel
    )
    {
        ImmutableArray<Decision> before = [.. kept.Book.Decisions.Where(decision => decision.On <= claim.On)];
        return AskAsync(
            kept,
            claim.Domain.Book!,
            claim.On,
            isDecision: true,
            before.Add(claim),
            before,
            new LaterMovement(LaterMovementKind.Claim, claim.On),
            cancel
        );
    }

    private Task<(LaterQuote? Quote, string? Refusal)> AskAsync(
        LoadedTenure kept,
        string book,
        MomentUnderWay under,
        DayBook now,
        LaterMovement movement,
        CancellationToken cancel
    ) =>
        AskAsync(
            kept,
            book,
            under.Day,
            under.IsDecision,
            now.Decisions[..(now.Decided + (under.IsDecision ? 1 : 0))],
            now.Made,
            movement,
            cancel
        );

    private Task<(LaterQuote? Quote, string? Refusal)> AskAsync(
        LoadedTenure kept,
        string book,
        DateOnly day,
        bool isDecision,
        ImmutableArray<Decision> decisions,
        ImmutableArray<Decision> before,
        LaterMovement movement,
        CancellationToken cancel
    )
    {
        var had = kept.Order.Bought!.Without(kept.Order.Missed).Candidate;
        var moment = new LaterMoment(
            day,
            isDecision,
            SellerDecisions.Select(had, book, decisions),
            SellerDecisions.Select(had, book, before).Length
        );
        var later = new LaterPurchase(
            kept.Order.QuoteAt(book),
            QuoteDesk.PurchaseAt(kept.Order, book),
            moment,
            movement
        )
        {
            Missed = [.. kept.Order.Missed.Select(missed => missed.Domain.Name?.Text).OfType<string>()],
        };
        return sellers.QuoteAsync(kept.World, later, cancel);
    }
}
