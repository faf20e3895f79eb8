using System.Net.Http.Json;
using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>The payment processor over HTTP.</summary>
public sealed class HttpPaymentProcessor(Counterpart changes) : IPaymentProcessor
{
    public Task<Outcome> HoldAsync(World world, string key, PaymentRequest request, CancellationToken cancel)
    {
        var body = new
        {
            quote = request.Quote,
            way = request.Way,
            token = request.CardToken,
            amount = request.Amount.ToAmount(),
            currency = request.Amount.Currency.Code,
            book = request.Book,
            seller = request.Seller,
            number = request.Number,
            returnTo = request.ReturnTo,
            date = request.On,
        };
        return changes.ChangeAsync(world, key, $"/holds", body, cancel);
    }

    public Task<Outcome> CaptureAsync(
        World world,
        string key,
        string holdKey,
        string? quote,
        Money amount,
        CancellationToken cancel
    ) =>
        changes.ChangeAsync(world, key, $"/holds/{holdKey}/capture", new { quote, amount = amount.ToAmount() }, cancel);

    public Task<Outcome> ReleaseAsync(World world, string key, string holdKey, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/holds/{holdKey}/release", new { }, cancel);

    public Task<Outcome> ChargeAsync(World world, string key, LaterCharge charge, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/charges", Body(charge), cancel);

    public Task<Outcome> GiveBackAsync(World world, string key, LaterCharge charge, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/refunds", Body(charge), cancel);

    public async Task<KnownCard?> CardAsync(World world, string token, CancellationToken cancel)
    {
        try
        {
            using var response = await changes.SendAsync(world, HttpMethod.Post, $"/cards/look", cancel, new { token });
            return response.StatusCode == System.Net.HttpStatusCode.NotFound ? KnownCard.Unknown
                : response.IsSuccessStatusCode ? Card(await response.Content.ReadFromJsonAsync<JsonElement>(cancel))
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    private static KnownCard? Card(JsonElement answer) =>
        Answers.Text(answer, "ending") is { Length: 4 } ending && ending.All(char.IsAsciiDigit)
            ? new KnownCard(
                ending,
                DateOnly.TryParseExact(Answers.Text(answer, "expiresOn"), "yyyy-MM-dd", out var day) ? day : null
            )
            : null;

    private static object Body(LaterCharge charge) =>
        new
        {
            quote = charge.Quote,
            token = charge.CardToken,
            wallet = charge.Wallet,
            amount = charge.Amount.ToAmount(),
            currency = charge.Amount.Currency.Code,
            book = charge.Book,
            seller = charge.Seller,
            date = charge.On,
        };

    public Task<Outcome> AskAsync(
        World world,
        string key,
        bool voidIfUnsettled,
        DateOnly today,
        CancellationToken cancel
    ) => changes.AskAsync(world, "card", key, voidIfUnsettled, cancel, today: today);
}
