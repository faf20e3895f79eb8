using System.Text;
using HomeStart.Formats.Domains;
using HomeStart.Formats.Exports;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
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
        site.MapPost("/transfer-checks", CheckTransferAsync)
            .WithName("checkTransfer")
            .RequireRateLimiting(DomainsEndpoints.Limit);
        site.MapPost("/owned-name", WeighAsync).WithName("weighOwnedName").RequireRateLimiting(DomainsEndpoints.Limit);
        site.MapGet("/owned-record", RecordAsync)
            .WithName("getOwnedRecord")
            .RequireRateLimiting(DomainsEndpoints.Limit);
        app.MapGet("/api/names-had", async (NamesHad names, CancellationToken cancel) => await names.WiresAsync(cancel))
            .WithName("getNamesHad");
        site.MapGet("/pointing", PointingAsync).WithName("getPointing").RequireRateLimiting(DomainsEndpoints.Limit);
        site.MapGet("/pointing.zone", ZoneAsync)
            .WithName("zoneFile")
            .Produces(StatusCodes.Status200OK)
            .RequireRateLimiting(DomainsEndpoints.Limit);
        site.MapGet("/host-entry", EntryAsync).WithName("getHostEntry");
        site.MapGet("/claim.ics", ClaimAsync).WithName("claimReminder").Produces(StatusCodes.Status200OK);
    }

    private static async Task<Results<Ok<TransferWire>, NotFoundProblem, UnprocessableProblem>> CheckTransferAsync(
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
            return new UnprocessableProblem(faults);
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
        return TypedResults.Ok(TransferWire.From(domain, answer, await asking));
    }

    private static async Task<Results<Ok<OwnedRecordWire>, NotFoundProblem, UnprocessableProblem>> RecordAsync(
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
            ? TypedResults.Ok(await desk.RecordAsync(name, cancel))
            : new UnprocessableProblem(faults);
    }

    private static async Task<Results<Ok<OwnedNameWire>, NotFoundProblem, UnprocessableProblem>> WeighAsync(
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
            return new UnprocessableProblem(faults);
        }

        if (await desk.FilledAsync(keep, book, settings, faults, cancel) is not var (kept, expiresFrom, renewalFrom))
        {
            return new UnprocessableProblem(faults);
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
            ? new UnprocessableProblem(faults)
            : TypedResults.Ok(OwnedNameWire.From(owned, settings.DisplayCurrency!, kept, expiresFrom, renewalFrom));
    }

    private static Task<Results<Ok<PointingWire>, NotFoundProblem, UnprocessableProblem, SilentProblem>> PointingAsync(
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
            (pointing, provider) => TypedResults.Ok(PointingWire.From(pointing, provider)),
            cancel
        );

    private static Task<Results<FileContentHttpResult, NotFoundProblem, UnprocessableProblem, SilentProblem>> ZoneAsync(
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
                TypedResults.File(
                    Encoding.ASCII.GetBytes(ZoneFile.Write(pointing.Domain, pointing.Records)),
                    "text/dns",
                    $"{pointing.Domain}.zone"
                ),
            cancel
        );

    private static async Task<
        Results<TAnswer, NotFoundProblem, UnprocessableProblem, SilentProblem>
    > PointedAsync<TAnswer>(
        Guid siteId,
        string? view,
        string? domain,
        bool? keepMail,
        SiteDesk sites,
        Workspace workspace,
        IHostingCompany host,
        NameServerDesk nameServers,
        Func<Pointing, string, TAnswer> answer,
        CancellationToken cancel
    )
        where TAnswer : IResult
    {
        if (await HostOfAsync(siteId, view, sites, workspace, cancel) is not { } book)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        if (OwnedReader.ReadDomain(domain, "domain", faults) is not { } name)
        {
            return new UnprocessableProblem(faults);
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

    private static async Task<Results<Ok<HostEntryWire>, NotFoundProblem, SilentProblem>> EntryAsync(
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
            : TypedResults.Ok(
                new HostEntryWire(
                    book.Provider.Name,
                    entry.NameServers,
                    entry.LentUnder is { } under ? $"{OwnedReader.LentLabel(site.Name)}.{under}" : null,
                    entry.LentRules
                )
            );
    }

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> ClaimAsync(
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

        return TypedResults.File(
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

    private static SilentProblem Silent(OfferBook book) =>
        new SilentProblem(
            $"{book.Provider.Name} did not answer what names are to be pointed at. Try again in a while."
        );
}
