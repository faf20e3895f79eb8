using Microsoft.Net.Http.Headers;

namespace HomeStart.Web.Hosting;

/// <summary>The built client: its one page, with the nonce of the answer put in, and its hashed assets.</summary>
public sealed class ClientPage(IWebHostEnvironment environment)
{
    private const string NonceMark = "__NONCE__";

    private readonly Lazy<string?> _html = new(() =>
    {
        var file = environment.WebRootFileProvider.GetFileInfo("index.html");
        return file.Exists ? File.ReadAllText(file.PhysicalPath!) : null;
    });

    public string? For(string nonce) => _html.Value?.Replace(NonceMark, nonce, StringComparison.Ordinal);
}

internal static class ClientPageRoutes
{
    public static void UseClientAssets(this WebApplication app) =>
        app.UseStaticFiles(new StaticFileOptions
        {
            OnPrepareResponse = context =>
            {
                // Names under assets hold a hash of the contents.
                var hashed = context.Context.Request.Path.StartsWithSegments("/assets", StringComparison.Ordinal);
                context.Context.Response.Headers[HeaderNames.CacheControl] = hashed ? "public, max-age=31536000, immutable" : "no-cache";
            },
        });

    public static void MapClientPage(this WebApplication app)
    {
        app.MapFallback("/api/{**rest}", () => Results.Problem("There is nothing at this address.", statusCode: StatusCodes.Status404NotFound)).ExcludeFromDescription();
        app.MapFallback((HttpContext http, ClientPage page) =>
        {
            http.Response.Headers.CacheControl = "no-store";
            return page.For((string)http.Items[SecurityHeaders.NonceItem]!) is { } html
                ? Results.Content(html, "text/html; charset=utf-8")
                : Results.Problem("The client is not built: run ./run, which builds it.", statusCode: StatusCodes.Status503ServiceUnavailable);
        }).ExcludeFromDescription();
    }
}
