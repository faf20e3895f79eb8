namespace HomeStart.Web.Upkeep;

/// <summary>
/// Carries one act of a day out at the counterpart it belongs to. The same key does it once, however often it is asked
/// for.
/// </summary>
public sealed class DayActions(
    IPaymentProcessor payments,
    ISellers sellers,
    IHostingCompany hosts,
    IRegistrar registrar,
    LaterQuotes quotes
)
{
    /// <param name="today">The day that is being carried out.</param>
    public Task<Outcome> CarryOutAsync(LoadedTenure kept, Act act, DateOnly today, CancellationToken cancel) =>
        act switch
        {
            TryCharge charge => ChargeAsync(kept, charge, today, cancel),
            GiveMoneyBack back => OnceAsync(
                kept,
                back.Key,
                today,
                () =>
                    AtTheirSumAsync(
                        kept,
                        back.Book,
                        back.Amount,
                        quotes.ForAsync(kept, back.Book, LaterMovementKind.Refund, cancel),
                        quote =>
                            payments.GiveBackAsync(
                                kept.World,
                                back.Key,
                                Charge(kept, quote, back.Book, back.Amount, today),
                                cancel
                            )
                    ),
                cancel
            ),
            MoveBalance move => AtTheirSumAsync(
                kept,
                move.Book,
                move.By,
                quotes.ForAsync(kept, move.Book, LaterMovementKind.Balance, cancel),
                quote => sellers.MoveBalanceAsync(kept.World, move.Key, move.Book, quote, move.By, cancel)
            ),
            TellStanding standing => TellAsync(kept, standing, cancel),
            _ => throw new InvalidOperationException($"Nobody carries out {act.GetType().Name}."),
        };

    /// <summary>In words: who is asked.</summary>
    public static string WhoOf(LoadedTenure kept, Act act) =>
        act switch
        {
            TryCharge or GiveMoneyBack => "The payment processor",
            MoveBalance move => kept.Tenure.Book(move.Book).Provider.Name,
            TellStanding standing => kept.Tenure.Book(standing.Book).Provider.Name,
            _ => "Somebody",
        };

    private Task<Outcome> ChargeAsync(LoadedTenure kept, TryCharge charge, DateOnly today, CancellationToken cancel) =>
        OnceAsync(
            kept,
            charge.Key,
            today,
            () =>
                AtTheirSumAsync(
                    kept,
                    charge.Book,
                    charge.Amount,
                    quotes.ForChargeAsync(kept, charge, charge.Expected.Paid, cancel),
                    quote =>
                        PaidOtherwise(kept.Book) is { } held
                            ? payments.CaptureAsync(kept.World, charge.Key, held.Hold, quote, charge.Amount, cancel)
                            : payments.ChargeAsync(
                                kept.World,
                                charge.Key,
                                Charge(kept, quote, charge.Book, charge.Amount, today),
                                cancel
                            )
                ),
            cancel
        );

    // The seller names the sum. Where it is not ours, no money moves, and the day waits with both sums said.
    private static async Task<Outcome> AtTheirSumAsync(
        LoadedTenure kept,
        string book,
        Money ours,
        Task<(LaterQuote? Quote, string? Refusal)> asked,
        Func<string, Task<Outcome>> move
    )
    {
        var (quote, refusal) = await asked;
        if (quote?.Amount == ours)
        {
            return await move(quote.Id);
        }

        var seller = kept.Tenure.Book(book).Provider.Name;
        return Outcome.NoAnswer(
            quote is not null
                ? $"{seller} names {quote.Amount}, where {ours} is due by what was agreed. No money has moved."
            : refusal is not null ? $"{seller}: {refusal} No money has moved."
            : $"{seller} did not answer when it was asked for its sum. No money has moved."
        );
    }

    /// <summary>The money that is held for the decision under way; null: none is, and the card pays.</summary>
    public static PaidOtherwise? PaidOtherwise(DayBook book) =>
        book is { Otherwise: { IsDecided: true } held, UnderWay.IsDecision: true, Planned: [PayMissed pay, ..] }
        && pay.Holding == held.Holding
            ? held
            : null;

    // What may have been asked for before is asked after by its key first.
    private async Task<Outcome> OnceAsync(
        LoadedTenure kept,
        string key,
        DateOnly today,
        Func<Task<Outcome>> ask,
        CancellationToken cancel
    )
    {
        var before = kept.Book.UnderWay!.IsTried
            ? await payments.AskAsync(kept.World, key, voidIfUnsettled: false, today, cancel)
            : new Outcome(OutcomeState.NeverHappened);
        return before.State == OutcomeState.NeverHappened ? await ask() : before;
    }

    private static LaterCharge Charge(LoadedTenure kept, string quote, string book, Money amount, DateOnly today) =>
        new(
            quote,
            kept.Book.Payer.CardToken,
            kept.Book.Payer.Wallet,
            amount,
            book,
            kept.Tenure.Book(book).Provider.Name,
            today
        );

    private Task<Outcome> TellAsync(LoadedTenure kept, TellStanding standing, CancellationToken cancel)
    {
        var (held, state) = (standing.Held, standing.Held.State.ToString().ToLowerInvariant());
        return held.IsHosting
            ? kept.Order.Account is { } account
                ? hosts.StandAsync(kept.World, standing.Key, account.Id, state, held.Ref, held.PaidUntil, cancel)
                : Task.FromResult(Outcome.Done)
            : DomainName.Parse(held.Ref) is { } domain
                ? registrar.StandAsync(kept.World, standing.Key, standing.Book, domain, state, held.PaidUntil, cancel)
                : Task.FromResult(Outcome.Done);
    }
}
