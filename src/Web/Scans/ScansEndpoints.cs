using System.Text.Json;
using System.Threading.RateLimiting;
using HomeStart.Core;
using HomeStart.Formats;
using HomeStart.Web.Hosting;
using HomeStart.Web.Sites;
using Microsoft.AspNetCore.Mvc;

namespace HomeStart.Web.Scans;

/// <summary>Scanning every way to buy: for anybody, without sign-in and storing nothing, and for a visitor's site.</summary>
internal static class ScansEndpoints
{
    private const long LargestScan = 8 << 20;
    private const string OneAtATime = "scans";
    private const int MostWaiting = 4;

    /// <summary>One scan a caller: the next ones wait their turn, more than a few are turned away.</summary>
    public static void AddScanLimits(this IServiceCollection services) =>
        services.AddRateLimiter(limits => limits.AddPolicy(OneAtATime, http => RateLimitPartition.GetConcurrencyLimiter(
            http.Connection.RemoteIpAddress?.ToString() ?? "", _ => new ConcurrencyLimiterOptions { PermitLimit = 1, QueueLimit = MostWaiting })));

    public static void MapScans(this IEndpointRouteBuilder app)
    {
        Limited(app.MapPost("/api/scans", ScanAsync).WithName("scan"))
            .WithMetadata(new RequestSizeLimitAttribute(LargestScan))
            .Produces<ScanWire>()
            .ProducesProblem(StatusCodes.Status400BadRequest);
        Limited(app.MapGet("/api/sites/{siteId:guid}/scan", ScanSiteAsync).WithName("scanForSite")).Produces<SiteScanWire>().ProducesProblem(StatusCodes.Status404NotFound);
        Limited(app.MapGet("/api/sites/{siteId:guid}/settling", SettleSiteAsync).WithName("settlingForSite")).Produces<SettlingWire>().ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static RouteHandlerBuilder Limited(RouteHandlerBuilder route) => route.RequireRateLimiting(OneAtATime).ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    private static async Task<IResult> ScanAsync(JsonElement body, HttpContext http, Demo demo)
    {
        var faults = new FaultList();
        return ScanRequestReader.Read(body, demo.OfferBooks, faults) is { } request
            ? await ScanAnswer.Of(http, faults, progress => Scan.Run(request, faults, progress, http.RequestAborted) is { } result ? ScanWire.Of(result) : null)
            : FaultResults.Unprocessable(faults);
    }

    private static Task<IResult> ScanSiteAsync(Guid siteId, string? objective, bool? byPlan, HttpContext http, SiteDesk desk) =>
        ForSiteAsync(siteId, objective, byPlan ?? false, http, desk, (request, faults, progress) =>
            Scan.Run(request, faults, progress, http.RequestAborted) is { } listed
            && Scan.Run(request with { ByPlan = false, Top = ScanRequest.MostRows }, faults, null, http.RequestAborted) is { } all
                ? SiteScanWire.Of(listed, all)
                : null);

    private static Task<IResult> SettleSiteAsync(Guid siteId, string? objective, HttpContext http, SiteDesk desk) =>
        ForSiteAsync(siteId, objective, byPlan: false, http, desk, (request, faults, _) =>
            Settling.Of(request, faults, http.RequestAborted) is { } settling ? SettlingWire.Of(settling, request.Settings.DisplayCurrency!) : null);

    private static async Task<IResult> ForSiteAsync<T>(
        Guid siteId, string? objective, bool byPlan, HttpContext http, SiteDesk desk, Func<ScanRequest, FaultList, IProgress<(int Done, int Of)>, T?> work)
        where T : class
    {
        if (await desk.FindAsync(siteId, http.RequestAborted) is not { } site)
        {
            return Results.Problem("There is no such site here.", statusCode: StatusCodes.Status404NotFound);
        }

        var faults = new FaultList();
        if (!Enum.TryParse<Objective>(objective ?? nameof(Objective.Horizon), ignoreCase: true, out var wanted))
        {
            faults.Add(FaultCodes.Unknown, "objective", "A scan ranks by horizon, dueToday or expected.");
        }

        var request = await desk.ScanAsync(site.Site, wanted, byPlan, http.RequestAborted);
        if (request is { Objective: Objective.Expected, Settings.KeepChancePercent: null })
        {
            faults.Add(FaultCodes.Required, "keepChancePercent", "Say on the needs page how sure you are to keep the site, to scan for what is expected.");
        }

        return faults.Any ? FaultResults.Unprocessable(faults) : await ScanAnswer.Of(http, faults, progress => work(request, faults, progress));
    }
}
