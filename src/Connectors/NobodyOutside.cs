using System.Net;

namespace HomeStart.Connectors;

/// <summary>
/// In place of the network where there are no counterparts: nobody here can be asked, which each connector has a
/// sentence for, and no time is lost waiting.
/// </summary>
public sealed class NobodyOutside : HttpMessageHandler
{
    protected override Task<HttpResponseMessage> SendAsync(
        HttpRequestMessage request,
        CancellationToken cancellationToken
    ) => Task.FromResult(new HttpResponseMessage(HttpStatusCode.NotFound) { RequestMessage = request });
}
