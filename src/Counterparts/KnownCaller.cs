using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Http;

namespace HomeStart.Counterparts;

/// <summary>
/// Marks a route that browsers, or anybody with a question to name servers, may use without the secret.
/// </summary>
internal sealed class ForAnybody;

/// <summary>Lets in callers that know the secret, and everybody else only where the route says so.</summary>
internal sealed class KnownCaller(RequestDelegate next, string secret)
{
    private readonly byte[] _expected = Encoding.UTF8.GetBytes("Bearer " + secret);

    public Task InvokeAsync(HttpContext http)
    {
        var given = Encoding.UTF8.GetBytes(http.Request.Headers.Authorization.ToString());
        if (
            http.GetEndpoint()?.Metadata.GetMetadata<ForAnybody>() is not null
            || CryptographicOperations.FixedTimeEquals(given, _expected)
        )
        {
            return next(http);
        }

        http.Response.StatusCode = StatusCodes.Status401Unauthorized;
        return http.Response.WriteAsync(
            "Send the secret of the data folder along: see the README.",
            http.RequestAborted
        );
    }
}
