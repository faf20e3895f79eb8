using System.Net.Http.Json;
using System.Text.Json;
using Polly.CircuitBreaker;
using Polly.Timeout;

namespace HomeStart.Connectors;

/// <summary>Questions that change nothing.</summary>
public sealed class LookUps(HttpClient http)
{
    internal Task<HttpResponseMessage> GetAsync(World world, FormattableString path, CancellationToken cancel) =>
        SendAsync(world, HttpMethod.Get, path, null, cancel);

    /// <summary>Asks with what must not stand in an address.</summary>
    internal Task<HttpResponseMessage> PostAsync(
        World world,
        FormattableString path,
        object question,
        CancellationToken cancel
    ) => SendAsync(world, HttpMethod.Post, path, question, cancel);

    /// <summary>Asks with bytes of a media type.</summary>
    internal async Task<HttpResponseMessage> PostBytesAsync(
        World world,
        FormattableString path,
        byte[] question,
        string type,
        CancellationToken cancel
    )
    {
        using var content = new ByteArrayContent(question);
        content.Headers.ContentType = new(type);
        return await SendAsync(world, HttpMethod.Post, path, content, cancel);
    }

    private async Task<HttpResponseMessage> SendAsync(
        World world,
        HttpMethod method,
        FormattableString path,
        object? question,
        CancellationToken cancel
    )
    {
        using var request = new HttpRequestMessage(method, CounterpartPath.Escape(path))
        {
            Content = question is null ? null : question as HttpContent ?? JsonContent.Create(question),
        };
        request.Headers.Add(Counterpart.WorldHeader, world.ToString());
        return await http.SendAsync(request, cancel);
    }

    /// <summary>
    /// Whether an exception means that no usable answer came, and not that the caller left. A charset nobody knows is
    /// an <see cref="InvalidOperationException"/>.
    /// </summary>
    internal static bool IsFailure(Exception exception, CancellationToken cancel) =>
        !cancel.IsCancellationRequested
        && exception
            is HttpRequestException
                or OperationCanceledException
                or TimeoutRejectedException
                or BrokenCircuitException
                or JsonException
                or InvalidOperationException
                or IOException;
}
