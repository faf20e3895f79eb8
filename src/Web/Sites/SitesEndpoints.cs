using HomeStart.Data;
using HomeStart.Formats.Json;
using HomeStart.Formats.Sites;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Sites;

/// <summary>Reading a site's page, and changing the site by commands that carry the revision they saw.</summary>
internal static class SitesEndpoints
{
    public static void MapSites(this IEndpointRouteBuilder app)
    {
        var sites = app.MapGroup("/api/sites").AddEndpointFilter<OneConnection>();
        sites.MapPost("", StartAsync).WithName("startSite");
        sites.MapGet("/{siteId:guid}", GetAsync).WithName("getSite");
        sites.MapDelete("/{siteId:guid}", DeleteAsync).WithName("deleteSite");
        sites.MapPost("/{siteId:guid}/restore", RestoreAsync).WithName("restoreSite");
        sites.MapPost("/{siteId:guid}/commands", CommandAsync).WithName("changeSite");
        sites
            .MapPost(
                "/{siteId:guid}/undo",
                (
                    Guid siteId,
                    string? view,
                    JsonBody<RevisionBody> body,
                    SiteDesk desk,
                    SiteHistory history,
                    CancellationToken cancel
                ) => MoveAsync(siteId, view, body, -1, desk, history, cancel)
            )
            .WithName("undo");
        sites
            .MapPost(
                "/{siteId:guid}/redo",
                (
                    Guid siteId,
                    string? view,
                    JsonBody<RevisionBody> body,
                    SiteDesk desk,
                    SiteHistory history,
                    CancellationToken cancel
                ) => MoveAsync(siteId, view, body, +1, desk, history, cancel)
            )
            .WithName("redo");
    }

    private static async Task<Results<Ok<SitePageWire>, UnprocessableProblem>> StartAsync(
        JsonBody<StartSiteBody> body,
        SiteDesk desk,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var name = node.IsObject() && !node["name"].IsAbsent ? node["name"].RequiredText("The site's name") : null;
        var named = name is null ? null : SiteChange.Apply(Site.Empty("New site"), new RenameSite(name), [], default);
        if (!faults.Any && named is not null)
        {
            faults.Add(named.Faults);
        }

        return !faults.Any && await desk.StartAsync(named?.Value!.Name, faults, cancel) is { } started
            ? TypedResults.Ok(await desk.PageAsync(started, null, cancel))
            : new UnprocessableProblem(faults);
    }

    private static async Task<Results<NoContent, NotFoundProblem, UnprocessableProblem>> DeleteAsync(
        Guid siteId,
        SiteDesk desk,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        return !await desk.DeleteAsync(siteId, faults, cancel) ? SiteDesk.Missing()
            : faults.Any ? new UnprocessableProblem(faults)
            : TypedResults.NoContent();
    }

    private static async Task<Results<Ok<SitePageWire>, NotFoundProblem>> RestoreAsync(
        Guid siteId,
        SiteDesk desk,
        CancellationToken cancel
    ) =>
        await desk.RestoreAsync(siteId, cancel) is { } site
            ? TypedResults.Ok(await desk.PageAsync(site, null, cancel))
            : SiteDesk.Missing();

    private static async Task<Results<Ok<SitePageWire>, NotFoundProblem>> GetAsync(
        Guid siteId,
        string? view,
        SiteDesk desk,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(siteId, cancel) is { } site
            ? TypedResults.Ok(await desk.PageAsync(site, view, cancel))
            : SiteDesk.Missing();

    private static async Task<
        Results<Ok<SitePageWire>, Conflict<SitePageWire>, NotFoundProblem, UnprocessableProblem>
    > CommandAsync(
        Guid siteId,
        string? view,
        JsonBody<ChangeSiteBody> body,
        SiteDesk desk,
        SiteHistory history,
        Workspace workspace,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        if (await desk.FindAsync(siteId, cancel) is not { } site)
        {
            return SiteDesk.Missing();
        }

        var today = await workspace.BusinessDateAsync(cancel);
        if (CommandReader.Read(body.Root, site.Site.Settings.On(today), faults) is not { } request)
        {
            return new UnprocessableProblem(faults);
        }

        if (request.Revision != site.Row.Revision)
        {
            return await StaleAsync(site, view, desk, cancel);
        }

        var change = SiteChange.Apply(site.Site, request.Command, workspace.Books, today);
        if (change.Has(out var changed))
        {
            SiteDesk.CheckSize(changed, change.Faults);
        }

        return changed is null || change.Faults.Any
            ? new UnprocessableProblem(change.Faults)
            : await SavedAsync(
                siteId,
                view,
                desk,
                async () => await history.AppendAsync(await desk.StoredAsync(site, cancel), changed, cancel),
                cancel
            );
    }

    private static async Task<
        Results<Ok<SitePageWire>, Conflict<SitePageWire>, NotFoundProblem, UnprocessableProblem>
    > MoveAsync(
        Guid siteId,
        string? view,
        JsonBody body,
        int by,
        SiteDesk desk,
        SiteHistory history,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var revision = CommandReader.Revision(body.Root, faults);
        if (await desk.FindAsync(siteId, cancel) is not { } site)
        {
            return SiteDesk.Missing();
        }

        return revision is null ? new UnprocessableProblem(faults)
            : revision != site.Row.Revision ? await StaleAsync(site, view, desk, cancel)
            : await SavedAsync(
                siteId,
                view,
                desk,
                async () => await history.MoveAsync(await desk.StoredAsync(site, cancel), by, cancel),
                cancel
            );
    }

    // Two changes that saw the same revision may arrive together: the database lets one through, and the other is told
    // what came of it.
    private static async Task<
        Results<Ok<SitePageWire>, Conflict<SitePageWire>, NotFoundProblem, UnprocessableProblem>
    > SavedAsync(Guid siteId, string? view, SiteDesk desk, Func<Task<VersionedSite>> save, CancellationToken cancel)
    {
        try
        {
            return TypedResults.Ok(await desk.PageAsync(await save(), view, cancel));
        }
        catch (DbUpdateException exception)
            when (exception is DbUpdateConcurrencyException || Sqlite.IsDuplicate(exception))
        {
            return await desk.FindAsync(siteId, cancel) is { } newer
                ? await StaleAsync(newer, view, desk, cancel)
                : SiteDesk.Missing();
        }
    }

    private static async Task<
        Results<Ok<SitePageWire>, Conflict<SitePageWire>, NotFoundProblem, UnprocessableProblem>
    > StaleAsync(VersionedSite newer, string? view, SiteDesk desk, CancellationToken cancel) =>
        TypedResults.Conflict(await desk.PageAsync(newer, view, cancel));
}
