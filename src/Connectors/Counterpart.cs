using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>
/// One way of asking a counterpart for a change: an idempotency key in, an <see cref="Outcome"/> out. 200 is done, 202
/// taken up and waiting for somebody, 409 refused; everything else, and no answer at all, leaves open whether it was
/// done.
/// </summary>
public sealed class Counterpart(HttpClient http)
{
    public const string WorldHeader = "X-World";
    private const string KeyHeader = "Idempotency-Key";

    /// <param name="read">What is read from a success besides that it was done; null: it could not be read.</param>
    internal async Task<Outcome> ChangeAsync(
        World world,
        string key,
        FormattableString path,
        object body,
        CancellationToken cancel,
        Func<JsonElement, Outcome?>? read = null
    )
    {
        using var request = Request(world, HttpMethod.Post, path);
        request.Headers.Add(KeyHeader, key);
        request.Content = JsonContent.Create(body);
        return await SendAsync(
            request,
            read,
            new Outcome(
                OutcomeState.NoAnswer,
                "no-answer",
                "It answered that it knows nothing of what it was asked for."
            ),
            cancel
        );
    }

    /// <summary>
    /// What became of a key at a service; with <paramref name="voidIfUnsettled"/> a key not used yet never can be.
    /// </summary>
    /// <param name="today">The business date there; without it nothing has come to its day.</param>
    internal async Task<Outcome> AskAsync(
        World world,
        string service,
        string key,
        bool voidIfUnsettled,
        CancellationToken cancel,
        Func<JsonElement, Outcome?>? read = null,
        DateOnly? today = null
    )
    {
        var (method, date) = (voidIfUnsettled ? HttpMethod.Put : HttpMethod.Get, today ?? DateOnly.MinValue);
        using var request = Request(
            world,
            method,
            voidIfUnsettled
                ? $"/{service}/operations/{key}/void?date={date:yyyy-MM-dd}"
                : (FormattableString)$"/{service}/operations/{key}?date={date:yyyy-MM-dd}"
        );
        return await SendAsync(request, read, new Outcome(OutcomeState.NeverHappened), cancel);
    }

    /// <summary>A plain question or request; the caller reads the response.</summary>
    internal async Task<HttpResponseMessage> SendAsync(
        World world,
        HttpMethod method,
        FormattableString path,
        CancellationToken cancel,
        object? body = null
    )
    {
        using var request = Request(world, method, path);
        request.Content = body is null ? null : JsonContent.Create(body);
        return await http.SendAsync(request, cancel);
    }

    private static HttpRequestMessage Request(World world, HttpMethod method, FormattableString path)
    {
        var request = new HttpRequestMessage(method, CounterpartPath.Escape(path));
        request.Headers.Add(WorldHeader, world.ToString());
        return request;
    }

    private async Task<Outcome> SendAsync(
        HttpRequestMessage request,
        Func<JsonElement, Outcome?>? read,
        Outcome notFound,
        CancellationToken cancel
    )
    {
        try
        {
            using var response = await http.SendAsync(request, cancel);
            return response.StatusCode switch
            {
                HttpStatusCode.OK => Done(await response.Content.ReadFromJsonAsync<JsonElement>(cancel), read),
                HttpStatusCode.Accepted => new Outcome(OutcomeState.Pending)
                {
                    Pending = Waiting(await response.Content.ReadFromJsonAsync<JsonElement>(cancel)),
                },
                HttpStatusCode.Conflict => Refusal(await response.Content.ReadFromJsonAsync<JsonElement>(cancel)),
                HttpStatusCode.NotFound => notFound,
                HttpStatusCode.TooManyRequests => Outcome.NoAnswer("It is receiving too many requests at the moment."),
                _ => Outcome.NoAnswer("It is not working at the moment."),
            };
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return Outcome.NoAnswer("There was no answer.");
        }
    }

    private static Outcome Done(JsonElement answer, Func<JsonElement, Outcome?>? read) =>
        read is null ? Outcome.Done : read(answer) ?? Outcome.NoAnswer("Its answer could not be read.");

    // Its page is a path at its own address, and nothing else.
    private static Pending Waiting(JsonElement answer) =>
        new(
            Answers.Text(answer, "page") is { } page
            && page.StartsWith("/pages/", StringComparison.Ordinal)
            && page[7..].All(char.IsAsciiLetterOrDigit)
                ? page
                : null,
            DateOnly.TryParseExact(Answers.Text(answer, "until"), "yyyy-MM-dd", out var until) ? until : null,
            Answers.Text(answer, "said")
        );

    private static Outcome Refusal(JsonElement answer) =>
        new(OutcomeState.Refused, Answers.Text(answer, "code") ?? "refused", Answers.Text(answer, "message"));
}
