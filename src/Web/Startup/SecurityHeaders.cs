using System.Security.Cryptography;
using Microsoft.Net.Http.Headers;

namespace HomeStart.Web.Startup;

/// <summary>
/// What a browser may do with our pages: our own scripts only, styles by nonce, connections to us and the card
/// processor, nothing of its devices. Set when the answer begins, so that answers on faults have them too.
/// </summary>
internal sealed class SecurityHeaders(RequestDelegate next, StartOptions options)
{
    public const string NonceItem = "csp-nonce";

    /// <summary>
    /// Where an answer says its own policy: a page that is an owner's and not ours, shown inside one of ours.
    /// </summary>
    public const string PolicyItem = "csp";

    private const string Unused =
        "accelerometer=(), camera=(), geolocation=(), gyroscope=(), magnetometer=(), microphone=(), payment=(), usb=()";

    public Task InvokeAsync(HttpContext http)
    {
        var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(16));
        http.Items[NonceItem] = nonce;
        http.Response.OnStarting(() =>
        {
            Set(http, nonce);
            return Task.CompletedTask;
        });
        return next(http);
    }

    private void Set(HttpContext http, string nonce)
    {
        var headers = http.Response.Headers;
        headers.ContentSecurityPolicy =
            http.Items[PolicyItem] as string
            ?? $"default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; font-src 'self'; img-src "
                + "'self' data:; "
                + $"connect-src 'self' {options.CardProcessor.GetLeftPart(UriPartial.Authority)}; frame-src "
                + "'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        headers["Permissions-Policy"] = Unused;
        if (!headers.ContainsKey(HeaderNames.CacheControl))
        {
            headers.CacheControl = "no-store";
        }

        if (http.Request.IsHttps)
        {
            headers.StrictTransportSecurity = "max-age=31536000";
        }
    }
}
