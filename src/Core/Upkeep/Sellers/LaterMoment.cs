using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Outside;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// A moment after the order as one seller sees it: a decision being carried out, or what falls due at the end of a day.
/// </summary>
/// <param name="Decisions">The seller's (<see cref="SellerDecisions"/>): those made before, then the one of this moment
/// where it is a decision.</param>
/// <param name="Before">How many of them were made before the moment.</param>
public sealed record LaterMoment(DateOnly Day, bool IsDecision, ImmutableArray<Decision> Decisions, int Before);

/// <summary>Which movement of money at a moment is meant.</summary>
/// <param name="Due">Of a charge: the day it was due first.</param>
/// <param name="Occurrence">Of a charge: how many charges of that day and due date came before it at this
/// seller.</param>
public sealed record LaterMovement(LaterMovementKind Kind, DateOnly Due, int Occurrence = 0);

/// <summary>Ways in which money moves after the order.</summary>
public enum LaterMovementKind
{
    /// <summary>The card or a hold pays what the balance does not.</summary>
    Charge,

    /// <summary>Money goes back to the card.</summary>
    Refund,

    /// <summary>The balance with the seller changes.</summary>
    Balance,

    /// <summary>A name is claimed: what it costs, which is nothing where the plan's domain-year pays.</summary>
    Claim,
}

/// <summary>What is asked of a seller that has something to charge, give back or note after the order.</summary>
/// <param name="Agreement">The id of the order's quote at this seller; null for orders from before there were any: then
/// <paramref name="Purchase"/> says what was bought.</param>
public sealed record LaterPurchase(
    string? Agreement,
    SellerPurchase Purchase,
    LaterMoment Moment,
    LaterMovement Movement
)
{
    /// <summary>Domains of the order that could not be had, written out: they are no part of what was sold.</summary>
    public ImmutableArray<string> Missed { get; init; } = [];
}

/// <summary>The sum a seller names for one movement after the order.</summary>
/// <param name="Amount">Of a balance: below zero where it shrinks.</param>
public sealed record LaterQuote(string Id, Money Amount);

/// <summary>Sellers that name each sum after the order, from the price list they sold by.</summary>
public interface ILaterSums
{
    /// <summary>The seller's sum for a movement; no quote and no refusal: it did not answer.</summary>
    Task<(LaterQuote? Quote, string? Refusal)> QuoteAsync(World world, LaterPurchase later, CancellationToken cancel);
}

/// <summary>What a movement comes to by the seller's own books.</summary>
/// <param name="Domain">Of a claim: the name, written out.</param>
/// <param name="Allowance">Of a claim: the number of the domain-year it takes; null: it takes none.</param>
public sealed record LaterSum(Money Amount, string? Domain = null, int? Allowance = null);

/// <summary>Works out the sums that a seller names, from what was bought at it.</summary>
public static class LaterSums
{
    /// <summary>What a movement comes to; null: no such money moves at that moment.</summary>
    /// <param name="tenure">Of the seller's part of what was bought, by its own price list.</param>
    public static LaterSum? WorkOut(Tenure tenure, string book, LaterMoment moment, LaterMovement movement)
    {
        var after = moment.IsDecision
            ? tenure.ToMorning(moment.Day, moment.Decisions)
            : tenure.Through(moment.Day, moment.Decisions);
        var happened = after.Happened.Where(happening => happening.On == moment.Day).ToList();
        return movement.Kind switch
        {
            LaterMovementKind.Charge => happened
                .OfType<Charged>()
                .Where(charged => charged.Book == book && charged.Due == movement.Due)
                .ElementAtOrDefault(movement.Occurrence)
                is { } charge
                ? new LaterSum(new Money(charge.Total - charge.FromBalance, charge.Currency))
                : null,
            LaterMovementKind.Refund => happened.OfType<Refunded>().LastOrDefault(refunded => refunded.Book == book)
                is { } refund
                ? new LaterSum(new Money(refund.Total, refund.Currency))
                : null,
            LaterMovementKind.Balance => after.Balances.TryGetValue(book, out var balance)
                ? new LaterSum(balance - BalanceBefore(tenure, book, moment, balance.Currency))
                : null,
            LaterMovementKind.Claim => Claimed(tenure, book, moment, after, happened),
            _ => throw new ArgumentOutOfRangeException(nameof(movement), movement.Kind, null),
        };
    }

    private static Money BalanceBefore(Tenure tenure, string book, LaterMoment moment, Currency currency) =>
        tenure
            .ToMorning(moment.Day, moment.Decisions[..moment.Before])
            .Balances.GetValueOrDefault(book, Money.Zero(currency));

    // The claim is the last decision of its moment; refused, it leaves its refusal as the last thing that happened.
    private static LaterSum? Claimed(
        Tenure tenure,
        string book,
        LaterMoment moment,
        UpkeepYears after,
        List<Happening> happened
    )
    {
        if (
            moment.Decisions is not [.., ClaimDomain claim]
            || happened is not [.., StateChanged { State: HoldingState.Live } live]
            || after.Holding(live.Holding)?.Ref != claim.Domain.Ref
            || claim.Domain.Book != book
        )
        {
            return null;
        }

        var before = tenure.ToMorning(moment.Day, moment.Decisions[..moment.Before]);
        var paid =
            happened.Count > 1
            && happened[^2] is Charged charged
            && charged.Book == book
            && charged.Lines.Any(line => line.Holding == live.Holding)
                ? charged
                : null;
        var taken = after.AllowancesTaken.Keys.Except(before.AllowancesTaken.Keys).Cast<int?>().FirstOrDefault();
        return new LaterSum(new Money(paid?.Total ?? 0, tenure.Book(book).Currency), claim.Domain.Ref, taken);
    }
}
