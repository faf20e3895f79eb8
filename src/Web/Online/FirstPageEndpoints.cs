using System.Security.Cryptography;
using System.Text;
using HomeStart.Data;
using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Formats.Words;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Online;

/// <summary>A first page from a few answers: seen before it is put up, and changed later.</summary>
internal static class FirstPageEndpoints
{
    private const int LargestPicture = 5 << 20;
    private const string FrontPage = "index.html";

    public static void MapFirstPage(this IEndpointRouteBuilder order)
    {
        var page = order.MapGroup("/first-page");
        page.MapGet("", GetAsync).WithName("getFirstPage");
        page.MapPut("", PutUpAsync).WithName("putPageUp");
        page.MapPut("/picture", PictureAsync)
            .WithName("putPictureUp")
            .WithMetadata(new RequestSizeLimitAttribute(LargestPicture));
    }

    /// <summary>The preview comes by a form, which carries no token: it changes nothing.</summary>
    public static void MapPreview(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/orders/{orderId:guid}/first-page/preview.html", PreviewPageAsync)
            .WithName("previewPageHtml")
            .DisableAntiforgery()
            .ExcludeFromDescription();

    private static async Task<Results<Ok<FirstPageWire>, NotFoundProblem, SilentProblem>> GetAsync(
        Guid orderId,
        OnlineDesk desk,
        HomeStartDb db,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        return await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel) is var (version, space)
            ? TypedResults.Ok(Wire(await MadeAsync(db, orderId, cancel), version, space))
            : OnlineDesk.Silent(hosted);
    }

    // The page itself, to stand in a frame: a form brings it, it runs nothing, and it belongs to no origin.
    private static async Task<IResult> PreviewPageAsync(Guid orderId, HttpContext http, OnlineDesk desk)
    {
        if (await desk.FindAsync(orderId, http.RequestAborted) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        if (!http.Request.HasFormContentType)
        {
            return TypedResults.Problem(
                "Send the page as a form.",
                statusCode: StatusCodes.Status415UnsupportedMediaType
            );
        }

        var form = await http.Request.ReadFormAsync(http.RequestAborted);
        var faults = new FaultList();
        var (json, _) = JsonText.Parse(Encoding.UTF8.GetBytes(form["page"].ToString()));
        http.Response.RegisterForDispose(json ?? System.Text.Json.JsonDocument.Parse("null"));
        var page = json is null ? null : BusinessPageReader.Read(new Node(json.RootElement, "", faults));
        var site = desk.AddressOf(hosted, hosted.Domain);
        http.Items[SecurityHeaders.PolicyItem] =
            // Its own small icon stands in the page itself.
            $"default-src 'none'; style-src 'unsafe-inline'; img-src data: {site}; sandbox; "
            + "frame-ancestors 'self'";
        return TypedResults.Text(
            page is null
                ? "<!DOCTYPE html><title>Not yet</title><p>Fill in the form, and your page appears here."
                : PageMaker.Make(page, page.Picture is { } picture && site is not null ? site + picture : null),
            "text/html; charset=utf-8"
        );
    }

    // What stands at the front is only replaced by this page where the owner says so, or where it is this page.
    private static async Task<
        Results<Ok<FirstPageWire>, NotFoundProblem, UnprocessableProblem, SilentProblem, HostProblem>
    > PutUpAsync(
        Guid orderId,
        JsonBody<PutPageUpBody> body,
        OnlineDesk desk,
        IHostPanel panel,
        HomeStartDb db,
        Workspace workspace,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var (mayReplace, page) = (node["mayReplace"].Flag() ?? false, BusinessPageReader.Read(node["page"]));
        if (page is null || faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        if (await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel) is not var (version, space))
        {
            return OnlineDesk.Silent(hosted);
        }

        if (!mayReplace && Wire(await MadeAsync(db, orderId, cancel), version, space).IsOccupied)
        {
            faults.Say(
                FaultCodes.Unavailable,
                "mayReplace",
                "Another page stands at the front of your site. Say that it may be replaced: the version "
                    + "before is kept under Files."
            );
            return new UnprocessableProblem(faults);
        }

        var html = Encoding.UTF8.GetBytes(PageMaker.Make(page));
        var file = new SiteFile(FrontPage, Hash(html), html.Length);
        var stored = await panel.StoreAsync(hosted.World, hosted.Account.Id, file.Hash, file.Size, Whole(html), cancel);
        var after = space.With([file], "", alone: false);
        var answer =
            stored.State == PanelState.Done
                ? await desk.WriteAsync(hosted, PanelKinds.Space, version, PanelDocuments.Write(after), cancel)
                : stored;
        if (answer.State != PanelState.Done)
        {
            return OnlineDesk.Explain(answer, hosted);
        }

        await workspace.EnsureStoredAsync(cancel);
        await db.AloneAsync(
            async () =>
            {
                var row = await db.FirstPages.SingleOrDefaultAsync(row => row.OrderId == orderId, cancel)
                    ?? db.FirstPages.Add(
                        new FirstPageRow
                        {
                            WorkspaceId = workspace.Id,
                            OrderId = orderId,
                            Document = "",
                        }
                    ).Entity;
                row.Document = Documents.Write(page);
                return await db.SaveChangesAsync(cancel);
            },
            cancel
        );
        return TypedResults.Ok(Wire(page, answer.Version, after));
    }

    // A picture goes to the host at once, under a name of its own; it is seen when a page is put up with it.
    private static async Task<
        Results<Ok<PictureWire>, NotFoundProblem, UnprocessableProblem, SilentProblem, HostProblem>
    > PictureAsync(Guid orderId, RawBody body, OnlineDesk desk, IHostPanel panel, CancellationToken cancel)
    {
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        var picture = body.Bytes;
        if (picture.Length > LargestPicture || Pictures.EndingOf(picture) is not { } ending)
        {
            var faults = new FaultList();
            faults.Say(
                FaultCodes.BadType,
                "picture",
                picture.Length > LargestPicture
                    ? "This picture has more than 5 MB: make it smaller first."
                    : "This is no picture that browsers show: choose a PNG, JPEG, GIF or WebP."
            );
            return new UnprocessableProblem(faults);
        }

        if (await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel) is not var (version, space))
        {
            return OnlineDesk.Silent(hosted);
        }

        var file = new SiteFile($"picture-{Hash(picture)[..8]}.{ending}", Hash(picture), picture.Length);
        var stored = await panel.StoreAsync(
            hosted.World,
            hosted.Account.Id,
            file.Hash,
            file.Size,
            Whole(picture),
            cancel
        );
        var answer =
            stored.State == PanelState.Done
                ? await desk.WriteAsync(
                    hosted,
                    PanelKinds.Space,
                    version,
                    PanelDocuments.Write(space.With([file], "", alone: false)),
                    cancel
                )
                : stored;
        return answer.State == PanelState.Done
            ? TypedResults.Ok(new PictureWire(file.Path))
            : OnlineDesk.Explain(answer, hosted);
    }

    private static async Task<BusinessPage?> MadeAsync(HomeStartDb db, Guid orderId, CancellationToken cancel) =>
        await db.FirstPages.AsNoTracking().SingleOrDefaultAsync(row => row.OrderId == orderId, cancel) is { } row
            ? Documents.Read<BusinessPage>(row.Document)
            : null;

    private static FirstPageWire Wire(BusinessPage? made, int version, WebSpace space)
    {
        var ours = made is null ? null : Hash(Encoding.UTF8.GetBytes(PageMaker.Make(made)));
        return new FirstPageWire(
            made is null ? null : BusinessPageWire.From(made),
            version > 0 && space.At(FrontPage) is { } front && front.Hash != ours && !IsBegun(front)
        );
    }

    // The host's own page is nobody's work: it may always go. It is the one a space begins with.
    private static bool IsBegun(SiteFile front) => front.Hash == HostPages.Placeholder.Hash;

    private static string Hash(byte[] bytes) => Convert.ToHexStringLower(SHA256.HashData(bytes));

    private static async IAsyncEnumerable<ReadOnlyMemory<byte>> Whole(byte[] bytes)
    {
        await Task.CompletedTask;
        yield return bytes;
    }
}
