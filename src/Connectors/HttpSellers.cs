using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;

namespace HomeStart.Connectors;

/// <summary>What sellers say to their customers, over HTTP.</summary>
public sealed class HttpSellers(Counterpart changes, LookUps lookUps) : ISellers, ILaterSums
{
    public async Task<QuoteAnswer> QuoteAsync(
        World world,
        SellerPurchase purchase,
        string? id,
        CancellationToken cancel
    )
    {
        var (answer, refusal) = await AskAsync<QuoteWire>(
            world,
            $"/sellers/{purchase.Book}/quotes",
            new QuoteBody(id, SellerPurchaseWire.From(purchase)),
            cancel
        );
        return refusal is not null ? new QuoteAnswer(null, refusal)
            : answer?.Read(purchase.Book) is { } quote ? new QuoteAnswer(quote)
            : QuoteAnswer.Silent;
    }

    public async Task<(LaterQuote? Quote, string? Refusal)> QuoteAsync(
        World world,
        LaterPurchase later,
        CancellationToken cancel
    )
    {
        var (answer, refusal) = await AskAsync<LaterQuoteWire>(
            world,
            $"/sellers/{later.Purchase.Book}/later-quotes",
            LaterBody.From(later),
            cancel
        );
        return (answer?.Read(), refusal);
    }

    // A seller's refusal says why in a sentence; everything else that is no answer is silence.
    private async Task<(T? Answer, string? Refusal)> AskAsync<T>(
        World world,
        FormattableString path,
        object body,
        CancellationToken cancel
    )
        where T : class
    {
        try
        {
            using var content = JsonContent.Create(body, options: WireJson.Options);
            using var response = await lookUps.PostAsync(world, path, content, cancel);
            return response.StatusCode switch
            {
                HttpStatusCode.OK => (await response.Content.ReadFromJsonAsync<T>(WireJson.Options, cancel), null),
                HttpStatusCode.Conflict => (
                    null,
                    Answers.Text(await response.Content.ReadFromJsonAsync<JsonElement>(cancel), "message")
                        ?? "It was refused, without a reason."
                ),
                _ => (null, null),
            };
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel) || exception is NotSupportedException)
        {
            return (null, null);
        }
    }

    public async Task<Money?> BalanceAsync(World world, string book, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/sellers/{book}/customers/me", cancel);
            return response.IsSuccessStatusCode
                ? Balance(await response.Content.ReadFromJsonAsync<JsonElement>(cancel))
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public Task<Outcome> MoveBalanceAsync(
        World world,
        string key,
        string book,
        string quote,
        Money by,
        CancellationToken cancel
    ) =>
        changes.ChangeAsync(
            world,
            key,
            $"/sellers/{book}/customers/me/balance",
            new { quote, by = by.ToAmount() },
            cancel
        );

    public async Task<bool> SendCodeAsync(World world, string book, string mail, CancellationToken cancel)
    {
        try
        {
            using var response = await changes.SendAsync(
                world,
                HttpMethod.Post,
                $"/sellers/{book}/customers/code",
                cancel,
                new { mail }
            );
            return response.IsSuccessStatusCode;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return false;
        }
    }

    public async Task<CustomerAnswer?> ConfirmAsync(World world, string book, string code, CancellationToken cancel)
    {
        try
        {
            using var response = await changes.SendAsync(
                world,
                HttpMethod.Post,
                $"/sellers/{book}/customers/confirm",
                cancel,
                new { code }
            );
            var answer = response.StatusCode is HttpStatusCode.OK or HttpStatusCode.Conflict
                ? await response.Content.ReadFromJsonAsync<JsonElement>(cancel)
                : default;
            return response.StatusCode == HttpStatusCode.Conflict
                    ? new CustomerAnswer(null, Answers.Text(answer, "message") ?? "It was refused, without a reason.")
                : Balance(answer) is { } balance ? new CustomerAnswer(balance)
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    private static Money? Balance(JsonElement answer) =>
        Currency.TryGet(Answers.Text(answer, "currency"), out var currency)
        && Money.TryParse(Answers.Text(answer, "balance"), currency, out var money) == AmountFault.None
            ? money
            : null;
}
