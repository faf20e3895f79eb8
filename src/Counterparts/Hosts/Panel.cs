using HomeStart.Formats.Online;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// What a host lets its customers change: documents with versions, of which the newest counts and earlier ones can be
/// read again, and files kept under their hash. A change says which version it saw, so that of two at once one is
/// refused, and what it makes stands whole or not at all.
/// </summary>
internal static class Panel
{
    private const int LargestDocument = 4 << 20;

    public static void MapPanel(this IEndpointRouteBuilder app)
    {
        var group = app.Behaving(Service.Host).MapGroup("/panel");
        group.MapGet("/{scope}/documents/{kind}", ReadAsync);
        group.MapGet("/{scope}/documents/{kind}/{version:int}", ReadAsync);
        group.MapPut("/{scope}/documents/{kind}", WriteAsync);
        group.MapPost("/{account}/missing-files", MissingAsync);
        group.MapPut("/{account}/files/{hash}", StoreAsync);
        group.MapGet("/visits/{name}", async (string name, HttpContext http, WebServers servers) =>
            new { status = await servers.StatusAsync(http.World(), name, http.RequestAborted) }
        );
        Certificates.Map(group);
        Engines.Map(group);
        app.Behaving(Service.Host).MapGet("/hosts/{book}/engines", Engines.Offers);
    }

    private static async Task<IResult> ReadAsync(
        string scope,
        string kind,
        int? version,
        HttpContext http,
        PanelDesk desk
    )
    {
        if (await desk.FindAsync(http.World(), scope, kind, version, http.RequestAborted) is not var (now, content))
        {
            return Results.NotFound();
        }

        http.Response.Headers.ETag = $"\"{now}\"";
        return Results.Bytes(content, "application/json");
    }

    private static async Task<IResult> WriteAsync(string scope, string kind, HttpContext http, PanelDesk desk)
    {
        if (!int.TryParse(http.Request.Headers.IfMatch.ToString().Trim('"'), out var seen))
        {
            return Results.StatusCode(StatusCodes.Status428PreconditionRequired);
        }

        using var bytes = new MemoryStream();
        await http.Request.Body.CopyToAsync(bytes, http.RequestAborted);
        if (bytes.Length > LargestDocument)
        {
            return Results.StatusCode(StatusCodes.Status413PayloadTooLarge);
        }

        var (state, now) = await desk.PutAsync(http.World(), scope, kind, seen, bytes.ToArray(), http.RequestAborted);
        http.Response.Headers.ETag = $"\"{now}\"";
        return Results.StatusCode(state);
    }

    private static IResult MissingAsync(string account, string[] hashes, HttpContext http, FileStore files) =>
        Results.Ok(hashes.Where(hash => !PanelDocuments.IsHash(hash) || !files.Has(http.World(), account, hash)));

    private static async Task<IResult> StoreAsync(
        string account,
        string hash,
        HttpContext http,
        FileStore files,
        CounterpartsDb db
    )
    {
        if (http.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit)
        {
            limit.MaxRequestBodySize = FileRules.LargestFile;
        }

        if (
            !PanelDocuments.IsHash(hash)
            || !await db.Accounts.AnyAsync(
                row => row.World == http.World() && row.Id == account && !row.IsRemoved,
                http.RequestAborted
            )
        )
        {
            return Results.NotFound();
        }

        if (await Behaviours.ModeOfAsync(db, http.World(), Service.Host, http.RequestAborted) == Mode.Full)
        {
            return Results.StatusCode(StatusCodes.Status507InsufficientStorage);
        }

        return await files.StoreAsync(http.World(), account, hash, http.Request.Body, http.RequestAborted)
            ? Results.NoContent()
            : Results.Conflict(new { code = "damaged", message = "The file did not arrive as it was sent." });
    }
}
