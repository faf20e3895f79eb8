namespace HomeStart.Connectors;

/// <summary>The payment processor over HTTP.</summary>
public sealed class HttpPaymentProcessor(Counterpart changes) : IPaymentProcessor
{
    public Task<Outcome> HoldAsync(World world, string key, PaymentRequest request, CancellationToken cancel)
    {
        var body = new
        {
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

    public Task<Outcome> CaptureAsync(World world, string key, string holdKey, Money amount, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/holds/{holdKey}/capture", new { amount = amount.ToAmount() }, cancel);

    public Task<Outcome> ReleaseAsync(World world, string key, string holdKey, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/holds/{holdKey}/release", new { }, cancel);

    public Task<Outcome> AskAsync(World world, string key, bool orVoid, DateOnly today, CancellationToken cancel) => changes.AskAsync(world, "card", key, orVoid, cancel, today: today);
}
