using HomeStart.Data;
using HomeStart.Formats.Scans;
using HomeStart.Formats.Words;
using HomeStart.Web.Requests;
using HomeStart.Web.Sites;
using HomeStart.Web.Startup;
using Microsoft.AspNetCore.Mvc;

namespace HomeStart.Web.Scans;

/// <summary>
/// Scanning every way to buy: for anybody, without sign-in and storing nothing, and for a visitor's site.
/// </summary>
internal static class ScansEndpoints
{
    private const long LargestScan = 8 << 20;

    public static void MapScans(this IEndpointRouteBuilder app)
    {
        Limited(app.MapPost("/api/scans", ScanAsync).WithName("scan"))
            .WithMetadata(new RequestSizeLimitAttribute(LargestScan))
            .Produces<ScanWire>()
            .ProducesProblem(StatusCodes.Status400BadRequest);
        Limited(app.MapGet("/api/sites/{siteId:guid}/scan", ScanSiteAsync).WithName("scanForSite"))
            .Produces<SiteScanWire>()
            .ProducesProblem(StatusCodes.Status404NotFound);
        Limited(app.MapGet("/api/sites/{siteId:guid}/settling", SettleSiteAsync).WithName("settlingForSite"))
            .Produces<SettlingWire>()
            .ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static RouteHandlerBuilder Limited(RouteHandlerBuilder route) =>
        route
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .ProducesProblem(StatusCodes.Status429TooManyRequests);

    private static async Task<IResult> ScanAsync(
        JsonBody<ScanBody> body,
        HttpContext http,
        Demo demo,
        WorkSlots turns,
        WorkspaceScope workspace
    )
    {
        using var turn = await turns.ScanAsync(workspace, http.RequestAborted);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        var faults = new FaultList();
        return ScanRequestReader.Read(body.Root, demo.OfferBooks, faults) is { } request
            ? await ScanAnswer.Stream(http, progress =>
                Scan.Run(request, progress, http.RequestAborted).As(ScanWire.From)
            )
            : FaultResults.Unprocessable(faults);
    }

    private static Task<IResult> ScanSiteAsync(
        Guid siteId,
        string? objective,
        bool? byPlan,
        bool? oneSeller,
        HttpContext http,
        SiteDesk desk,
        WorkSlots turns,
        WorkspaceScope workspace
    ) => ForSiteAsync(siteId, objective, byPlan ?? false, http, desk, turns, workspace, (request, progress) =>
        {
            var wanted = request with { OneSeller = oneSeller ?? false };
            var listed = Scan.Run(wanted, progress, http.RequestAborted);
            return listed.Value is { } rows
                ? Scan.Run(wanted with { ByPlan = false, Top = ScanRequest.MostRows }, null, http.RequestAborted)
                    .As(all => SiteScanWire.From(rows, all, wanted.Objective))
                : listed.As(rows => SiteScanWire.From(rows, rows, wanted.Objective));
        });

    private static Task<IResult> SettleSiteAsync(
        Guid siteId,
        string? objective,
        bool? oneSeller,
        HttpContext http,
        SiteDesk desk,
        WorkSlots turns,
        WorkspaceScope workspace
    ) =>
        ForSiteAsync(siteId, objective, byPlan: false, http, desk, turns, workspace, (request, _) =>
            Settling
                .WorkOut(request with { OneSeller = oneSeller ?? false }, http.RequestAborted)
                .As(settling => SettlingWire.From(settling, request.Settings.DisplayCurrency!))
        );

    private static async Task<IResult> ForSiteAsync<T>(
        Guid siteId,
        string? objective,
        bool byPlan,
        HttpContext http,
        SiteDesk desk,
        WorkSlots turns,
        WorkspaceScope workspace,
        Func<ScanRequest, IProgress<(int Done, int Of)>, Result<T>> work
    )
        where T : class
    {
        if (await desk.FindAsync(siteId, http.RequestAborted) is not { } site)
        {
            return Results.Problem("There is no such site here.", statusCode: StatusCodes.Status404NotFound);
        }

        var faults = new FaultList();
        if (ScanRequestReader.ObjectiveOf(objective) is not { } wanted)
        {
            faults.Say(FaultCodes.Unknown, "objective", "A scan ranks by horizon, dueToday or expected.");
            return FaultResults.Unprocessable(faults);
        }

        var request = await desk.ScanAsync(site.Site, wanted, byPlan, http.RequestAborted);
        if (request is { Objective: Objective.Expected, Settings.KeepChancePercent: null })
        {
            faults.Say(
                FaultCodes.Required,
                "keepChancePercent",
                "Say on the needs page how sure you are to keep the site, to scan for what is expected."
            );
            return FaultResults.Unprocessable(faults);
        }

        using var turn = await turns.OwnScanAsync(workspace, http.RequestAborted);
        return turn.Refusal ?? await ScanAnswer.Stream(http, progress => work(request, progress));
    }
}
