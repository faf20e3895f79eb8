using System.Collections.Immutable;
using HomeStart.Data;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;
using HomeStart.Web.Session;

namespace HomeStart.Web.Orders;

/// <summary>
/// Asks the sellers to name their sums, and says where one is not the worksheet's. Nothing is paid but what a seller
/// named.
/// </summary>
public sealed class QuoteDesk(Workspace workspace, ISellers sellers)
{
    /// <summary>
    /// Each seller's sum for its part of a candidate; with the reasons, at <c>quotes.BOOK</c>, where one differs or
    /// there is none.
    /// </summary>
    /// <param name="country">The holder's.</param>
    /// <param name="seen">By book: the quotes that the owner saw, and that are to hold; null: new ones are asked
    /// for.</param>
    public async Task<ImmutableArray<Quote>> AskAsync(
        Costing costing,
        Candidate candidate,
        string country,
        IReadOnlyDictionary<string, SeenQuote>? seen,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var quotes = ImmutableArray.CreateBuilder<Quote>();
        foreach (var purchase in Placing.Asked(costing, candidate, country))
        {
            var before = seen?.GetValueOrDefault(purchase.Book);
            if (seen is not null && before is null)
            {
                faults.Say(
                    FaultCodes.Required,
                    $"quotes.{purchase.Book}",
                    $"{NameOf(purchase.Book)} has not been asked for its sum: look at it before you order."
                );
            }
            else if (await QuoteAsync(purchase, before, costing, faults, cancel) is { } quote)
            {
                quotes.Add(quote);
            }
        }

        return quotes.ToImmutable();
    }

    /// <summary>
    /// The order with quotes that hold, at the sums that were agreed to; null, with the reason, where a seller asks for
    /// another sum by now.
    /// </summary>
    public async Task<Order?> RenewedAsync(OrderRow row, Order order, FaultList faults, CancellationToken cancel)
    {
        var renewed = order.Quotes.ToBuilder();
        for (var i = 0; i < renewed.Count; i++)
        {
            var agreed = renewed[i];
            var purchase = PurchaseAt(order, agreed.Book);
            var answer = await sellers.QuoteAsync(new World(row.WorldId), purchase, agreed.Id, cancel);
            answer = answer.Quote is null
                ? await sellers.QuoteAsync(new World(row.WorldId), purchase, null, cancel)
                : answer;
            if (answer.Quote is { } quote && quote.Total == agreed.Total)
            {
                renewed[i] = agreed with { Id = quote.Id };
                continue;
            }

            var name = NameOf(agreed.Book);
            faults.Say(
                FaultCodes.Unavailable,
                $"quotes.{agreed.Book}",
                answer.Quote is { } other
                    ? $"{name} asks for {other.Total} now, and you agreed to {agreed.Total}. Cancel this order, "
                        + "look at the new sum, and order again if it suits you."
                    : answer.Refusal ?? $"{name} did not answer. Nothing was charged; try again in a while."
            );
        }

        return faults.Any ? null : order with { Quotes = renewed.ToImmutable() };
    }

    /// <summary>One seller's part of what an order was made of.</summary>
    public static SellerPurchase PurchaseAt(Order order, string book)
    {
        var bought = order.Bought!;
        return new SellerPurchase(
            book,
            order.PlacedOn,
            bought.Candidate.At(book),
            bought.CustomerOf.Contains(book) || !bought.Settings.NewCustomer,
            order.RegisteredTo.Country
        )
        {
            AgreedTaxPercent = order.Quotes.IsEmpty
                ? order.Things.Payments.FirstOrDefault(payment => payment.Book == book)?.TaxPercent
                    ?? bought.Settings.TaxPercent
                : null,
        };
    }

    private async Task<Quote?> QuoteAsync(
        SellerPurchase purchase,
        SeenQuote? seen,
        Costing costing,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var (answer, where) = (
            await sellers.QuoteAsync(workspace.World, purchase, seen?.Id, cancel),
            $"quotes.{purchase.Book}"
        );
        if (
            answer.Quote is null
            && seen?.Total is { } total
            && (await sellers.QuoteAsync(workspace.World, purchase, null, cancel)) is { Quote: { } anew }
            && anew.Total.ToAmount() == total
        )
        {
            // It had run out, or they became a customer since: the sum is the one they saw.
            answer = new QuoteAnswer(anew);
        }

        if (answer.Quote is not { } quote)
        {
            faults.Say(
                FaultCodes.Unavailable,
                where,
                answer.Refusal is { } refusal
                    ? $"{NameOf(purchase.Book)}: {refusal}"
                    : $"{NameOf(purchase.Book)} did not answer when it was asked for its sum. Nothing was "
                        + "ordered. Try again in a while."
            );
            return null;
        }

        foreach (var difference in QuoteCheck.Compare(costing, quote))
        {
            faults.Say(
                FaultCodes.OutOfRange,
                where,
                QuoteWords.Difference(difference, costing.Run.Purchase.Books.First(book => book.Id == purchase.Book))
            );
        }

        return quote;
    }

    private string NameOf(string book) =>
        workspace.Books.FirstOrDefault(known => known.Id == book)?.Provider.Name ?? book;
}
