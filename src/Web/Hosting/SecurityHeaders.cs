using System.Security.Cryptography;

namespace HomeStart.Web.Hosting;

/// <summary>What a browser may do with our pages: our own scripts only, styles by nonce, and connections to us and the card processor.</summary>
internal sealed class SecurityHeaders(RequestDelegate next, StartOptions options)
{
    public const string NonceItem = "csp-nonce";

    public Task InvokeAsync(HttpContext http)
    {
        var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(16));
        http.Items[NonceItem] = nonce;
        var headers = http.Response.Headers;
        headers.ContentSecurityPolicy =
            $"default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; font-src 'self'; img-src 'self' data:; "
            + $"connect-src 'self' {options.CounterpartsAddress.GetLeftPart(UriPartial.Authority)}; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        return next(http);
    }
}
