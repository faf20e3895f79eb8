using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using HomeStart.Core;

namespace HomeStart.Connectors;

/// <summary>
/// One way of asking a counterpart for a change: an idempotency key in, an <see cref="Outcome"/> out. 200 is done, 409 refused; everything else, and no answer at
/// all, leaves open whether it was done.
/// </summary>
public sealed class Counterpart(HttpClient http)
{
    public const string WorldHeader = "X-World";
    private const string KeyHeader = "Idempotency-Key";

    public Task<Outcome> ChangeAsync(World world, string key, string path, object body, CancellationToken cancel) =>
        SendAsync(world, HttpMethod.Post, path, body, key, cancel);

    /// <summary>What became of a key at a service; with <paramref name="orVoid"/> a key not used yet never can be.</summary>
    public Task<Outcome> AskAsync(World world, string service, string key, bool orVoid, CancellationToken cancel)
    {
        var path = $"/{service}/operations/{Uri.EscapeDataString(key)}";
        return orVoid ? SendAsync(world, HttpMethod.Put, path + "/void", null, null, cancel) : SendAsync(world, HttpMethod.Get, path, null, null, cancel);
    }

    /// <summary>A plain question or request; the caller reads the response.</summary>
    public async Task<HttpResponseMessage> SendAsync(World world, HttpMethod method, string path, CancellationToken cancel)
    {
        using var request = new HttpRequestMessage(method, path);
        request.Headers.Add(WorldHeader, world.ToString());
        return await http.SendAsync(request, cancel);
    }

    private async Task<Outcome> SendAsync(World world, HttpMethod method, string path, object? body, string? key, CancellationToken cancel)
    {
        using var request = new HttpRequestMessage(method, path);
        request.Headers.Add(WorldHeader, world.ToString());
        if (key is not null)
        {
            request.Headers.Add(KeyHeader, key);
        }

        request.Content = body is null ? null : JsonContent.Create(body);
        try
        {
            using var response = await http.SendAsync(request, cancel);
            return await ReadAsync(response, cancel);
        }
        catch (Exception exception) when (exception is HttpRequestException or JsonException || (exception is OperationCanceledException && !cancel.IsCancellationRequested))
        {
            return Outcome.NoAnswer("There was no answer.");
        }
    }

    private static async Task<Outcome> ReadAsync(HttpResponseMessage response, CancellationToken cancel)
    {
        switch (response.StatusCode)
        {
            case HttpStatusCode.OK:
                var answer = await response.Content.ReadFromJsonAsync<JsonElement>(cancel);
                return Outcome.Done with { Account = answer.TryGetProperty("server", out _) ? answer.Deserialize<HostAccount>(JsonSerializerOptions.Web) : null };
            case HttpStatusCode.Conflict:
                var refusal = await response.Content.ReadFromJsonAsync<Refusal>(cancel);
                return new Outcome(OutcomeState.Refused, refusal?.Code ?? "refused", refusal?.Message);
            case HttpStatusCode.NotFound:
                return new Outcome(OutcomeState.NeverHappened);
            case HttpStatusCode.TooManyRequests:
                return Outcome.NoAnswer("It is asked too much at the moment.");
            default:
                return Outcome.NoAnswer("It does not work at the moment.");
        }
    }

    private sealed record Refusal(string Code, string Message);
}
