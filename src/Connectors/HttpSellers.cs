using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>What sellers say to their customers, over HTTP.</summary>
public sealed class HttpSellers(Counterpart changes, LookUps lookUps) : ISellers
{
    public async Task<Money?> BalanceAsync(World world, string book, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/sellers/{book}/customers/me", cancel);
            return response.IsSuccessStatusCode ? Balance(await response.Content.ReadFromJsonAsync<JsonElement>(cancel)) : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public Task<Outcome> MoveBalanceAsync(World world, string key, string book, Money by, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/sellers/{book}/customers/me/balance", new { by = by.ToAmount() }, cancel);

    public async Task<bool> SendCodeAsync(World world, string book, string mail, CancellationToken cancel)
    {
        try
        {
            using var response = await changes.SendAsync(world, HttpMethod.Post, $"/sellers/{book}/customers/code", cancel, new { mail });
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
            using var response = await changes.SendAsync(world, HttpMethod.Post, $"/sellers/{book}/customers/confirm", cancel, new { code });
            var answer = response.StatusCode is HttpStatusCode.OK or HttpStatusCode.Conflict ? await response.Content.ReadFromJsonAsync<JsonElement>(cancel) : default;
            return response.StatusCode == HttpStatusCode.Conflict ? new CustomerAnswer(null, Answers.Text(answer, "message") ?? "It was refused, without a reason.")
                : Balance(answer) is { } balance ? new CustomerAnswer(balance) : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    private static Money? Balance(JsonElement answer) =>
        Currency.TryGet(Answers.Text(answer, "currency"), out var currency) && Money.TryParse(Answers.Text(answer, "balance"), currency, out var money) == AmountFault.None ? money : null;
}
