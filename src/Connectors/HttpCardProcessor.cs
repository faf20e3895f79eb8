namespace HomeStart.Connectors;

/// <summary>The card processor over HTTP.</summary>
public sealed class HttpCardProcessor(Counterpart changes) : ICardProcessor
{
    public Task<Outcome> HoldAsync(World world, string key, string cardToken, Money amount, string seller, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/holds", new { token = cardToken, amount = amount.ToAmount(), currency = amount.Currency.Code, seller }, cancel);

    public Task<Outcome> CaptureAsync(World world, string key, string holdKey, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/holds/{holdKey}/capture", new { }, cancel);

    public Task<Outcome> ReleaseAsync(World world, string key, string holdKey, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/holds/{holdKey}/release", new { }, cancel);

    public Task<Outcome> AskAsync(World world, string key, bool orVoid, CancellationToken cancel) => changes.AskAsync(world, "card", key, orVoid, cancel);
}
