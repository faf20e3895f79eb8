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
        app.MapPost("/api/scans", ScanAsync).WithName("scan").WithMetadata(new RequestSizeLimitAttribute(LargestScan));
        app.MapGet("/api/sites/{siteId:guid}/scan", ScanSiteAsync).WithName("scanForSite");
        app.MapGet("/api/sites/{siteId:guid}/settling", SettleSiteAsync).WithName("settlingForSite");
    }

    private static async Task<Results<ScanAnswer<ScanWire>, UnprocessableProblem, TooManyProblem>> ScanAsync(
        JsonBody<ScanBody> body,
        HttpContext http,
        Demo demo,
        WorkSlots turns,
        WorkspaceScope workspace
    )
    {
        // Given back when all is answered.
        var turn = await turns.ScanAsync(workspace, http.RequestAborted);
        http.Response.RegisterForDispose(turn);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        var faults = new FaultList();
        return ScanRequestReader.Read(body.Root, demo.OfferBooks, faults) is { } request
            ? new ScanAnswer<ScanWire>((progress, cancel) => Scan.Run(request, progress, cancel).As(ScanWire.From))
            : new UnprocessableProblem(faults);
    }

    private static Task<
        Results<ScanAnswer<SiteScanWire>, NotFoundProblem, UnprocessableProblem, TooManyProblem>
    > ScanSiteAsync(
        Guid siteId,
        string? objective,
        bool? byPlan,
        bool? oneSeller,
        HttpContext http,
        SiteDesk desk,
        WorkSlots turns,
        WorkspaceScope workspace
    ) => ForSiteAsync(siteId, objective, byPlan ?? false, http, desk, turns, workspace, (request, progress, cancel) =>
        {
            var wanted = request with { OneSeller = oneSeller ?? false };
            var everyWay = wanted with { ByPlan = false, Top = ScanRequest.MostRows };
            if (!wanted.ByPlan)
            {
                // One scan serves the list and its picture: what is listed is the first of all.
                return Scan.Run(everyWay, progress, cancel)
                    .As(all =>
                        SiteScanWire.From(all with { Rows = [.. all.Rows.Take(wanted.Top)] }, all, wanted.Objective)
                    );
            }

            var listed = Scan.Run(wanted, progress, cancel);
            return listed.Value is { } rows
                ? Scan.Run(everyWay, null, cancel).As(all => SiteScanWire.From(rows, all, wanted.Objective))
                : listed.As(rows => SiteScanWire.From(rows, rows, wanted.Objective));
        });

    private static Task<
        Results<ScanAnswer<SettlingWire>, NotFoundProblem, UnprocessableProblem, TooManyProblem>
    > SettleSiteAsync(
        Guid siteId,
        string? objective,
        bool? oneSeller,
        HttpContext http,
        SiteDesk desk,
        WorkSlots turns,
        WorkspaceScope workspace
    ) =>
        ForSiteAsync(siteId, objective, byPlan: false, http, desk, turns, workspace, (request, _, cancel) =>
            Settling
                .WorkOut(request with { OneSeller = oneSeller ?? false }, cancel)
                .As(settling => SettlingWire.From(settling, request.Settings.DisplayCurrency!))
        );

    private static async Task<
        Results<ScanAnswer<T>, NotFoundProblem, UnprocessableProblem, TooManyProblem>
    > ForSiteAsync<T>(
        Guid siteId,
        string? objective,
        bool byPlan,
        HttpContext http,
        SiteDesk desk,
        WorkSlots turns,
        WorkspaceScope workspace,
        Func<ScanRequest, IProgress<(int Done, int Of)>, CancellationToken, Result<T>> work
    )
        where T : class
    {
        if (await desk.FindAsync(siteId, http.RequestAborted) is not { } site)
        {
            return new NotFoundProblem("There is no such site here.");
        }

        var faults = new FaultList();
        if (ScanRequestReader.ObjectiveOf(objective) is not { } wanted)
        {
            faults.Say(FaultCodes.Unknown, "objective", "A scan ranks by horizon, dueToday or expected.");
            return new UnprocessableProblem(faults);
        }

        var request = await desk.ScanAsync(site.Site, wanted, byPlan, http.RequestAborted);
        if (request is { Objective: Objective.Expected, Settings.KeepChancePercent: null })
        {
            faults.Say(
                FaultCodes.Required,
                "keepChancePercent",
                "Say on the needs page how sure you are to keep the site, to scan for what is expected."
            );
            return new UnprocessableProblem(faults);
        }

        // Given back when all is answered.
        var turn = await turns.OwnScanAsync(workspace, http.RequestAborted);
        http.Response.RegisterForDispose(turn);
        return turn.Refusal is { } refusal
            ? refusal
            : new ScanAnswer<T>((progress, cancel) => work(request, progress, cancel));
    }
}
