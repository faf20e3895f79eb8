using HomeStart.Formats.Sites;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;

namespace HomeStart.Web.Comparisons;

/// <summary>
/// The shortlist side by side; of one candidate the plans it could have, and what changing the way to pay or stopping
/// early would cost.
/// </summary>
internal static class ComparisonsEndpoints
{
    public static void MapComparisons(this IEndpointRouteBuilder app)
    {
        var sites = app.MapGroup("/api/sites/{siteId:guid}");
        sites.MapGet("/comparison", CompareAsync).WithName("compare");
        sites.MapGet("/candidates/{letter}/plans", PlansAsync).WithName("plans");
        sites.MapGet("/candidates/{letter}/changing", ChangeAsync).WithName("changing");
        sites.MapGet("/candidates/{letter}/stopping", StopAsync).WithName("stopping");
    }

    private static async Task<Results<Ok<ComparisonWire>, NotFoundProblem>> CompareAsync(
        Guid siteId,
        string? @base,
        string? against,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await desk.CountedAsync(siteId, cancel) is var (site, settings)
            ? TypedResults.Ok(
                ComparisonWire.From(Comparison.Compare(site, workspace.Books, settings, @base, against), settings)
            )
            : SiteDesk.Missing();

    private static async Task<Results<Ok<PlanTableWire>, NotFoundProblem>> PlansAsync(
        Guid siteId,
        string letter,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await desk.CountedAsync(siteId, cancel) is var (site, settings) && site.Listed(letter) is { } listed
            ? TypedResults.Ok(
                PlanTableWire.From(
                    PlanTable.Build(listed.Candidate, workspace.OfferedTo(listed.Candidate), settings, site.Needs),
                    site.Needs
                )
            )
            : SiteDesk.Missing();

    private static async Task<Results<Ok<ChangingLaterWire>, NotFoundProblem>> ChangeAsync(
        Guid siteId,
        string letter,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await desk.CountedAsync(siteId, cancel) is var (site, settings)
        && site.Listed(letter) is { } listed
        && ChangingLater.WorkOut(listed.Candidate, workspace.Books, settings) is { } changing
            ? TypedResults.Ok(ChangingLaterWire.From(changing, settings.DisplayCurrency!))
            : SiteDesk.Missing();

    private static async Task<Results<Ok<StoppingWire>, NotFoundProblem>> StopAsync(
        Guid siteId,
        string letter,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await desk.CountedAsync(siteId, cancel) is var (site, settings)
        && site.Listed(letter) is { } listed
        && Stopping.WorkOut(listed.Candidate, workspace.Books, settings) is { } stopping
            ? TypedResults.Ok(StoppingWire.From(stopping, settings.DisplayCurrency!))
            : SiteDesk.Missing();
}
