using HomeStart.Formats.Sites;
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
        sites
            .MapGet("/comparison", CompareAsync)
            .WithName("compare")
            .Produces<ComparisonWire>()
            .ProducesProblem(StatusCodes.Status404NotFound);
        sites
            .MapGet("/candidates/{letter}/plans", PlansAsync)
            .WithName("plans")
            .Produces<PlanTableWire>()
            .ProducesProblem(StatusCodes.Status404NotFound);
        sites
            .MapGet("/candidates/{letter}/changing", ChangeAsync)
            .WithName("changing")
            .Produces<ChangingLaterWire>()
            .ProducesProblem(StatusCodes.Status404NotFound);
        sites
            .MapGet("/candidates/{letter}/stopping", StopAsync)
            .WithName("stopping")
            .Produces<StoppingWire>()
            .ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static async Task<IResult> CompareAsync(
        Guid siteId,
        string? @base,
        string? against,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await desk.CountedAsync(siteId, cancel) is var (site, settings)
            ? Results.Ok(
                ComparisonWire.From(Comparison.Compare(site, workspace.Books, settings, @base, against), settings)
            )
            : SiteDesk.Missing();

    private static async Task<IResult> PlansAsync(
        Guid siteId,
        string letter,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await desk.CountedAsync(siteId, cancel) is var (site, settings) && site.Listed(letter) is { } listed
            ? Results.Ok(
                PlanTableWire.From(
                    PlanTable.Build(listed.Candidate, workspace.OfferedTo(listed.Candidate), settings, site.Needs),
                    site.Needs
                )
            )
            : SiteDesk.Missing();

    private static async Task<IResult> ChangeAsync(
        Guid siteId,
        string letter,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await desk.CountedAsync(siteId, cancel) is var (site, settings)
        && site.Listed(letter) is { } listed
        && ChangingLater.WorkOut(listed.Candidate, workspace.Books, settings) is { } changing
            ? Results.Ok(ChangingLaterWire.From(changing, settings.DisplayCurrency!))
            : SiteDesk.Missing();

    private static async Task<IResult> StopAsync(
        Guid siteId,
        string letter,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await desk.CountedAsync(siteId, cancel) is var (site, settings)
        && site.Listed(letter) is { } listed
        && Stopping.WorkOut(listed.Candidate, workspace.Books, settings) is { } stopping
            ? Results.Ok(StoppingWire.From(stopping, settings.DisplayCurrency!))
            : SiteDesk.Missing();
}
