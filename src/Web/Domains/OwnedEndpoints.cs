using System.Text;
using HomeStart.Data;
using HomeStart.Formats.Domains;
using HomeStart.Formats.Exports;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using HomeStart.Web.Startup;
using HomeStart.Web.Upkeep;

namespace HomeStart.Web.Domains;

/// <summary>
/// The other routes to a domain: one that the owner has, moved or pointed here; one of the host's, borrowed; one chosen
/// later.
/// </summary>
internal static class OwnedEndpoints
{
    public static void MapOwned(this IEndpointRouteBuilder app)
    {
        var site = app.MapGroup("/api/sites/{siteId:guid}");
        Faulted(
            site.MapPost("/transfer-checks", CheckTransferAsync)
                .WithName("checkTransfer")
                .Produces<TransferWire>()
                .RequireRateLimiting(DomainsEndpoints.Limit)
        );
        Faulted(
            site.MapPost("/owned-name", WeighAsync)
                .WithName("weighOwnedName")
                .Produces<OwnedNameWire>()
                .RequireRateLimiting(DomainsEndpoints.Limit)
        );
        Faulted(
            site.MapGet("/owned-record", RecordAsync)
                .WithName("getOwnedRecord")
                .Produces<OwnedRecordWire>()
                .RequireRateLimiting(DomainsEndpoints.Limit)
        );
        app.MapGet("/api/names-had", async (NamesHad names, CancellationToken cancel) => await names.WiresAsync(cancel))
            .WithName("getNamesHad");
        Faulted(
            site.MapGet("/pointing", PointingAsync)
                .WithName("getPointing")
                .Produces<PointingWire>()
                .ProducesProblem(StatusCodes.Status503ServiceUnavailable)
                .RequireRateLimiting(DomainsEndpoints.Limit)
        );
        Faulted(
            site.MapGet("/pointing.zone", ZoneAsync)
                .WithName("zoneFile")
                .Produces(StatusCodes.Status200OK)
                .ProducesProblem(StatusCodes.Status503ServiceUnavailable)
                .RequireRateLimiting(DomainsEndpoints.Limit)
        );
        Faulted(
            site.MapGet("/host-entry", EntryAsync)
                .WithName("getHostEntry")
                .Produces<HostEntryWire>()
                .ProducesProblem(StatusCodes.Status503ServiceUnavailable)
        );
        site.MapGet("/claim.ics", ClaimAsync)
            .WithName("claimReminder")
            .Produces(StatusCodes.Status200OK)
            .ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static void Faulted(RouteHandlerBuilder route) =>
        route.ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    private static async Task<IResult> CheckTransferAsync(
        Guid siteId,
        JsonBody<CheckTransferBody> body,
        SiteDesk sites,
        Workspace workspace,
        IRegistrar registrar,
        CancellationToken cancel
    )
    {
        if (await sites.FindAsync(siteId, cancel) is null)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        if (OwnedReader.ReadTransfer(body.Root, workspace.Books, faults) is not var (domain, code, book))
        {
            return FaultResults.Unprocessable(faults);
        }

        var asking = registrar.LookUpAsync(workspace.World, domain, cancel);
        var answer = await registrar.CheckTransferAsync(
            workspace.World,
            book,
            domain,
            code,
            await workspace.BusinessDateAsync(cancel),
            cancel
        );
        return Results.Ok(TransferWire.From(domain, answer, await asking));
    }

    private static async Task<IResult> RecordAsync(
        Guid siteId,
        string? domain,
        SiteDesk sites,
        OwnedDesk desk,
        CancellationToken cancel
    )
    {
        if (await sites.FindAsync(siteId, cancel) is null)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        return OwnedReader.ReadDomain(domain, "domain", faults) is { } name
            ? Results.Ok(await desk.RecordAsync(name, cancel))
            : FaultResults.Unprocessable(faults);
    }

    private static async Task<IResult> WeighAsync(
        Guid siteId,
        string? view,
        JsonBody<WeighOwnedBody> body,
        SiteDesk sites,
        Workspace workspace,
        OwnedDesk desk,
        CancellationToken cancel
    )
    {
        if (await sites.FindAsync(siteId, cancel) is not { Site: var site })
        {
            return SiteDesk.Missing();
        }

        var (faults, settings) = (new FaultList(), await workspace.CountAsync(site.Settings, cancel));
        if (OwnedReader.ReadOwned(body.Root, settings.DisplayCurrency!, faults) is not var (keep, book))
        {
            return FaultResults.Unprocessable(faults);
        }

        if (await desk.FilledAsync(keep, book, settings, faults, cancel) is not var (kept, expiresFrom, renewalFrom))
        {
            return FaultResults.Unprocessable(faults);
        }

        var owned = OwnedName.WorkOut(
            (site.Listed(view) ?? site.Shortlist[0]).Candidate,
            kept,
            book,
            workspace.Books,
            settings,
            faults
        );
        return owned is { Staying: null, Moving: null }
            ? FaultResults.Unprocessable(faults)
            : Results.Ok(OwnedNameWire.From(owned, settings.DisplayCurrency!, kept, expiresFrom, renewalFrom));
    }

    private static Task<IResult> PointingAsync(
        Guid siteId,
        string? view,
        string? domain,
        bool? keepMail,
        SiteDesk sites,
        Workspace workspace,
        IHostingCompany host,
        NameServerDesk nameServers,
        CancellationToken cancel
    ) =>
        PointedAsync(
            siteId,
            view,
            domain,
            keepMail,
            sites,
            workspace,
            host,
            nameServers,
            (pointing, provider) => Results.Ok(PointingWire.From(pointing, provider)),
            cancel
        );

    private static Task<IResult> ZoneAsync(
        Guid siteId,
        string? view,
        string? domain,
        bool? keepMail,
        SiteDesk sites,
        Workspace workspace,
        IHostingCompany host,
        NameServerDesk nameServers,
        CancellationToken cancel
    ) =>
        PointedAsync(
            siteId,
            view,
            domain,
            keepMail,
            sites,
            workspace,
            host,
            nameServers,
            (pointing, _) =>
                Results.File(
                    Encoding.ASCII.GetBytes(ZoneFile.Write(pointing.Domain, pointing.Records)),
                    "text/dns",
                    $"{pointing.Domain}.zone"
                ),
            cancel
        );

    private static async Task<IResult> PointedAsync(
        Guid siteId,
        string? view,
        string? domain,
        bool? keepMail,
        SiteDesk sites,
        Workspace workspace,
        IHostingCompany host,
        NameServerDesk nameServers,
        Func<Pointing, string, IResult> answer,
        CancellationToken cancel
    )
    {
        if (await HostOfAsync(siteId, view, sites, workspace, cancel) is not { } book)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        if (OwnedReader.ReadDomain(domain, "domain", faults) is not { } name)
        {
            return FaultResults.Unprocessable(faults);
        }

        var asking = nameServers.MailOfAsync(workspace.World, name, cancel);
        var entry = await host.EntryAsync(workspace.World, book.Id, cancel);
        var mail = await asking;
        return entry is null
            ? Silent(book)
            : answer(
                new Pointing(name, entry, mail is null ? null : [.. mail], keepMail ?? mail is { Count: > 0 }),
                book.Provider.Name
            );
    }

    private static async Task<IResult> EntryAsync(
        Guid siteId,
        string? view,
        SiteDesk sites,
        Workspace workspace,
        IHostingCompany host,
        CancellationToken cancel
    )
    {
        if (await HostOfAsync(siteId, view, sites, workspace, cancel) is not { } book)
        {
            return SiteDesk.Missing();
        }

        var site = (await sites.FindAsync(siteId, cancel))!.Site;
        return await host.EntryAsync(workspace.World, book.Id, cancel) is not { } entry
            ? Silent(book)
            : Results.Ok(
                new HostEntryWire(
                    book.Provider.Name,
                    entry.NameServers,
                    entry.LentUnder is { } under ? $"{OwnedReader.LentLabel(site.Name)}.{under}" : null,
                    entry.LentRules
                )
            );
    }

    private static async Task<IResult> ClaimAsync(
        Guid siteId,
        string? view,
        SiteDesk sites,
        Workspace workspace,
        CancellationToken cancel
    )
    {
        if (
            await sites.CountedAsync(siteId, cancel) is not var (site, settings)
            || (site.Listed(view) ?? site.Shortlist[0]) is not { } listed
            || LaterClaim.Find(listed.Candidate, workspace.Books, settings) is not { } claim
        )
        {
            return SiteDesk.Missing();
        }

        return Results.File(
            Encoding.UTF8.GetBytes(
                Reminder.Write(
                    claim,
                    site.Name,
                    $"claim-{siteId:N}-{listed.Letter}@home-start",
                    await workspace.BusinessDateAsync(cancel)
                )
            ),
            "text/calendar; charset=utf-8",
            "claim-the-domain.ics"
        );
    }

    private static async Task<OfferBook?> HostOfAsync(
        Guid siteId,
        string? view,
        SiteDesk sites,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await sites.FindAsync(siteId, cancel) is { Site: var site }
        && (site.Listed(view) ?? site.Shortlist[0]).Candidate.Hosting is { Plan: not null } hosting
            ? workspace.Books.FirstOrDefault(book => book.Id == hosting.Book)
            : null;

    private static IResult Silent(OfferBook book) =>
        Results.Problem(
            $"{book.Provider.Name} did not answer what names are to be pointed at. Try again in a while.",
            statusCode: StatusCodes.Status503ServiceUnavailable
        );
}
