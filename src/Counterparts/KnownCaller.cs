using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Http;

namespace HomeStart.Counterparts;

/// <summary>Lets in who knows the secret, and any browser that hands a card in or answers on a page of the bank, and any question to name servers.</summary>
internal sealed class KnownCaller(RequestDelegate next, string secret)
{
    private readonly byte[] _expected = Encoding.UTF8.GetBytes("Bearer " + secret);

    public Task InvokeAsync(HttpContext http)
    {
        var given = Encoding.UTF8.GetBytes(http.Request.Headers.Authorization.ToString());
        if (http.Request.Path == Cards.Path || Pages.IsPage(http.Request.Path) || NameServers.IsQuestion(http.Request.Path) || CryptographicOperations.FixedTimeEquals(given, _expected))
        {
            return next(http);
        }

        http.Response.StatusCode = StatusCodes.Status401Unauthorized;
        return http.Response.WriteAsync("Send the secret of the data folder along: see the README.", http.RequestAborted);
    }
}
