using System.Diagnostics.CodeAnalysis;
using System.Text.Json;
using HomeStart.Web.Session;
using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Net.Http.Headers;

namespace HomeStart.Web.Startup;

/// <summary>
/// The built client: its one page, with the nonce of the answer put in, and with what its address needs named at once:
/// the programs and the first answers are on their way before the first program has been read. And its hashed assets.
/// </summary>
public sealed class ClientPage(IWebHostEnvironment environment)
{
    private const string NonceMark = "__NONCE__";
    private const string HeadEnd = "</head>";

    private readonly Lazy<string?> _html = new(() =>
    {
        var file = environment.WebRootFileProvider.GetFileInfo("index.html");
        return file.Exists ? File.ReadAllText(file.PhysicalPath!) : null;
    });

    private readonly Lazy<IReadOnlyDictionary<string, string[]>> _programs = new(() =>
    {
        var file = environment.WebRootFileProvider.GetFileInfo("programs.json");
        return file.Exists
            ? JsonSerializer.Deserialize<Dictionary<string, string[]>>(File.ReadAllText(file.PhysicalPath!))!
            : [];
    });

    public string? For(string nonce, PathString path, string? view) =>
        _html
            .Value?.Replace(NonceMark, nonce, StringComparison.Ordinal)
            .Replace(HeadEnd, $"{Preloads(path)}{FirstAnswers(path, view)}{HeadEnd}", StringComparison.Ordinal);

    // Asked for just as the client will ask: it is given what has come. The page itself has brought the visitor's
    // cookie.
    private static string FirstAnswers(PathString path, string? view)
    {
        var answers = new List<string> { "/api/session" };
        if (
            path.Value!.Trim('/').Split('/') is ["sites", var id, ..]
            && Guid.TryParse(id, out var site)
            && (view ?? "").All(char.IsAsciiLetterUpper)
        )
        {
            answers.Add(view is null or "" ? $"/api/sites/{site}" : $"/api/sites/{site}?view={view}");
        }

        return string.Concat(
            answers.Select(answer => $"""<link rel="preload" as="fetch" crossorigin href="{answer}">""")
        );
    }

    // "/sites/*/orders/*" is the route of "/sites/8f2c…/orders/51d0…".
    private string Preloads(PathString path)
    {
        var parts = path.Value!.Trim('/').Split('/');
        var route = _programs.Value.FirstOrDefault(route => IsAt(route.Key.Trim('/').Split('/'), parts));
        return string.Concat(
            (route.Value ?? []).Select(file => $"""<link rel="modulepreload" crossorigin href="/{file}">""")
        );
    }

    private static bool IsAt(string[] route, string[] parts) =>
        route.Length == parts.Length && route.Zip(parts).All(part => part.First == "*" || part.First == part.Second);
}

/// <summary>A pressed asset is of the type of what was pressed.</summary>
internal sealed class TypesOfPressed : IContentTypeProvider
{
    private readonly FileExtensionContentTypeProvider _types = new();

    public bool TryGetContentType(string subpath, [MaybeNullWhen(false)] out string contentType) =>
        _types.TryGetContentType(
            subpath.EndsWith(".br", StringComparison.Ordinal) ? subpath[..^3] : subpath,
            out contentType
        );
}

internal static class ClientPageRoutes
{
    private const string Pressed = ".br";

    public static void UseClientAssets(this WebApplication app)
    {
        app.Use(SendPressed);
        app.UseStaticFiles(
            new StaticFileOptions
            {
                ContentTypeProvider = new TypesOfPressed(),
                OnPrepareResponse = context =>
                {
                    // Names under assets hold a hash of the contents.
                    var (request, headers) = (context.Context.Request, context.Context.Response.Headers);
                    headers.CacheControl = request.Path.StartsWithSegments("/assets", StringComparison.Ordinal)
                        ? "public, max-age=31536000, immutable"
                        : "no-cache";
                    if (request.Path.Value!.EndsWith(Pressed, StringComparison.Ordinal))
                    {
                        (headers.ContentEncoding, headers.Vary) = ("br", HeaderNames.AcceptEncoding);
                    }
                },
            }
        );
    }

    // The build presses each asset (client/vite.config.ts): who can read that gets it in the asset's place.
    private static Task SendPressed(HttpContext http, RequestDelegate next)
    {
        var files = http.RequestServices.GetRequiredService<IWebHostEnvironment>().WebRootFileProvider;
        if (
            http.Request.Path.StartsWithSegments("/assets", StringComparison.Ordinal)
            && http.Request.Headers.AcceptEncoding.ToString().Split(',').Any(way => way.Trim() == "br")
            && files.GetFileInfo(http.Request.Path + Pressed).Exists
        )
        {
            http.Request.Path += Pressed;
        }

        return next(http);
    }

    public static void MapClientPage(this WebApplication app)
    {
        // As handlers, the generator of routes would take them for routes like any other.
        app.MapFallback(
                "/api/{**rest}",
                (RequestDelegate)(
                    http =>
                        Results
                            .Problem("There is nothing at this address.", statusCode: StatusCodes.Status404NotFound)
                            .ExecuteAsync(http)
                )
            )
            .WithMetadata(new ForEverybody())
            .ExcludeFromDescription();
        app.MapFallback((RequestDelegate)SendPage)
            .WithMetadata(new ForEverybody(IsPage: true))
            .ExcludeFromDescription();
    }

    private static Task SendPage(HttpContext http)
    {
        http.Response.Headers.CacheControl = "no-store";
        var page = http
            .RequestServices.GetRequiredService<ClientPage>()
            .For((string)http.Items[SecurityHeaders.NonceItem]!, http.Request.Path, http.Request.Query["view"])
            is { } html
            ? Results.Content(html, "text/html; charset=utf-8")
            : Results.Problem(
                "The client is not built: run ./run, which builds it.",
                statusCode: StatusCodes.Status503ServiceUnavailable
            );
        return page.ExecuteAsync(http);
    }
}
