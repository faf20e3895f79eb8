using System.Text.Json;
using Polly.CircuitBreaker;
using Polly.Timeout;

namespace HomeStart.Connectors;

/// <summary>Questions that change nothing.</summary>
public sealed class LookUps(HttpClient http)
{
    internal async Task<HttpResponseMessage> GetAsync(World world, FormattableString path, CancellationToken cancel)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, CounterpartPath.Of(path));
        request.Headers.Add(Counterpart.WorldHeader, world.ToString());
        return await http.SendAsync(request, cancel);
    }

    /// <summary>Whether an exception means that no usable answer came, and not that the caller left. A charset nobody knows is an <see cref="InvalidOperationException"/>.</summary>
    internal static bool IsFailure(Exception exception, CancellationToken cancel) =>
        !cancel.IsCancellationRequested
        && exception is HttpRequestException or OperationCanceledException or TimeoutRejectedException or BrokenCircuitException or JsonException or InvalidOperationException or IOException;
}
