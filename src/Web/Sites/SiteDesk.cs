using System.Security.Cryptography;
using HomeStart.Data;
using HomeStart.Formats.Scans;
using HomeStart.Formats.Sites;
using HomeStart.Formats.Words;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Sites;

/// <summary>
/// The sites of a visitor. Until their first change they see a copy of the demo's site that is nowhere stored: its id
/// is made from the workspace's, so that links to it hold.
/// </summary>
public sealed class SiteDesk(Workspace workspace, HomeStartDb db, SiteHistory history, Demo demo, TimeProvider time)
{
    /// <summary>How many sites a workspace may hold.</summary>
    private const int MostSites = 20;

    /// <summary>
    /// The most characters a site may take as it is stored: hundreds of times what one with every candidate worked out
    /// does.
    /// </summary>
    private const int LargestSite = 200_000;

    /// <summary>Reports where a site has become too large to keep.</summary>
    public static void CheckSize(Site site, FaultList faults)
    {
        var length = Documents.Write(site).Length;
        if (length > LargestSite)
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "",
                $"With this the site would take {length} characters; at most {LargestSite} are kept. Take off "
                    + "codes, extras or candidates that are not needed."
            );
        }
    }

    public async Task<IReadOnlyList<SiteListedWire>> ListAsync(CancellationToken cancel) =>
        [
            .. (await PresentAsync(cancel)).Select(site => new SiteListedWire(
                site.Id,
                site.Site.Name,
                IsExample(site.Id, site.Site),
                site.IsUsed
            )),
        ];

    /// <summary>All sites of this visitor as they are now.</summary>
    public async Task<IReadOnlyList<Site>> AllAsync(CancellationToken cancel) =>
        [.. (await PresentAsync(cancel)).Select(site => site.Site)];

    private async Task<List<(Guid Id, Site Site, bool IsUsed)>> PresentAsync(CancellationToken cancel)
    {
        var rows = await db
            .Sites.Join(
                db.Revisions,
                site => new { SiteId = site.Id, Position = site.Cursor },
                revision => new { revision.SiteId, revision.Position },
                (site, revision) =>
                    new
                    {
                        site.Id,
                        site.CreatedAt,
                        site.DeletedOn,
                        revision.Document,
                    }
            )
            .ToListAsync(cancel);
        List<(Guid Id, Site Site, bool IsUsed)> present =
        [
            .. rows.Where(row => row.DeletedOn is null)
                .OrderBy(row => row.CreatedAt)
                .Select(row => (row.Id, Documents.Read<Site>(row.Document), true)),
        ];
        if (demo.Site is not null && rows.TrueForAll(row => row.Id != DemoSiteId))
        {
            present.Insert(
                0,
                (DemoSiteId, demo.Site, await db.Orders.AnyAsync(order => order.SiteId == DemoSiteId, cancel))
            ); // An order stores no site that was not changed.
        }

        return present;
    }

    /// <summary>A site of this visitor, or null.</summary>
    public async Task<VersionedSite?> FindAsync(Guid siteId, CancellationToken cancel) =>
        await KnownAsync(siteId, cancel) is { Row.DeletedOn: null } site ? site : null;

    /// <summary>
    /// Deletes a site, so that it can be brought back for a while. A site with orders stays: what was ordered is looked
    /// after there.
    /// </summary>
    public async Task<bool> DeleteAsync(Guid siteId, FaultList faults, CancellationToken cancel)
    {
        if (await FindAsync(siteId, cancel) is not { } found)
        {
            return false;
        }

        if (await db.Orders.AnyAsync(order => order.SiteId == siteId, cancel))
        {
            faults.Say(
                FaultCodes.Unavailable,
                "",
                $"“{found.Site.Name}” has orders, and they are looked after on its pages. It can't be deleted "
                    + "while they are there."
            );
            return true;
        }

        var site = await ThereAsync(found, cancel);
        site.Row.DeletedOn = DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime);
        await db.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>Brings a deleted site back; null where there is none.</summary>
    public async Task<VersionedSite?> RestoreAsync(Guid siteId, CancellationToken cancel)
    {
        if (await KnownAsync(siteId, cancel) is not { } site)
        {
            return null;
        }

        site.Row.DeletedOn = null;
        await db.SaveChangesAsync(cancel);
        return site;
    }

    // The same, deleted ones among them.
    private async Task<VersionedSite?> KnownAsync(Guid siteId, CancellationToken cancel) =>
        await history.FindAsync(siteId, cancel)
        ?? (siteId == DemoSiteId && demo.Site is not null ? Unstored(demo.Site) : null);

    /// <summary>Makes sure that a site found is stored before it is changed.</summary>
    public async Task<VersionedSite> StoredAsync(VersionedSite versioned, CancellationToken cancel)
    {
        if (db.Entry(versioned.Row).State != EntityState.Detached)
        {
            return versioned;
        }

        return await StartAsync(versioned.Row.Id, versioned.Site, cancel);
    }

    /// <summary>
    /// The same for what only needs the site to be there, whatever its version: of two at once the second takes what
    /// the first stored.
    /// </summary>
    public async Task<VersionedSite> ThereAsync(VersionedSite versioned, CancellationToken cancel)
    {
        if (db.Entry(versioned.Row).State != EntityState.Detached)
        {
            return versioned;
        }

        await workspace.EnsureStoredAsync(cancel);
        return await db.AloneAsync(
            async () =>
                await history.FindAsync(versioned.Row.Id, cancel)
                ?? await StartAsync(versioned.Row.Id, versioned.Site, cancel),
            cancel
        );
    }

    /// <summary>
    /// Stores the example, unchanged so far, once something refers to it. An account has an example of its own, so this
    /// one would be gone when what the browser holds is joined with the account.
    /// </summary>
    public async Task KeepAsync(Guid siteId, CancellationToken cancel)
    {
        if (await FindAsync(siteId, cancel) is { } found)
        {
            await ThereAsync(found, cancel);
        }
    }

    /// <summary>
    /// Starts an empty site, counted as the demo's is: its currency and rates go along. Null, with the reason, where it
    /// would be one too many: counted and started in one step.
    /// </summary>
    /// <param name="name">What it is called; null: "My site", with a number where there is one of that name.</param>
    public async Task<VersionedSite?> StartAsync(string? name, FaultList faults, CancellationToken cancel)
    {
        await workspace.EnsureStoredAsync(cancel);
        return await db.AloneAsync(
            async () =>
            {
                var sites = await ListAsync(cancel);
                if (await db.Sites.CountAsync(cancel) >= MostSites * 3)
                {
                    faults.Say(
                        FaultCodes.OutOfRange,
                        "name",
                        $"Many sites were deleted here in the last {Housekeeping.DeletedDays} days, and they "
                            + "are still kept. Use one of your sites for the new one."
                    );
                    return null;
                }

                if (sites is { Count: >= MostSites and var count })
                {
                    faults.Say(
                        FaultCodes.OutOfRange,
                        "name",
                        $"There are {count} sites here already, and no more can be kept. Use one of them for "
                            + "the new one."
                    );
                    return null;
                }

                var empty = Site.Empty(
                    name
                        ?? Enumerable
                            .Range(1, MostSites)
                            .Select(number => number == 1 ? "My site" : $"My site {number}")
                            .First(free => sites.All(site => site.Name != free))
                );
                return await StartAsync(
                    Guid.NewGuid(),
                    empty with
                    {
                        Settings = demo.Site?.Settings ?? empty.Settings,
                    },
                    cancel
                );
            },
            cancel
        );
    }

    /// <summary>
    /// Everything the page shows of a site, with one candidate worked out: the one asked for, else the first.
    /// </summary>
    public async Task<SitePageWire> PageAsync(VersionedSite versioned, string? letter, CancellationToken cancel)
    {
        var (row, site) = (versioned.Row, versioned.Site);
        var today = await workspace.BusinessDateAsync(cancel);
        var settings = await workspace.CountAsync(site.Settings, cancel);
        var listed = site.Listed(letter) ?? site.Shortlist[0];
        return new SitePageWire(
            row.Id,
            row.Revision,
            versioned.CanUndo,
            versioned.CanRedo,
            site.Name,
            IsExample(row.Id, site),
            new SiteSettingsWire(
                site.Settings.HorizonMonths,
                settings.StartDate,
                site.Settings.StartDate is null,
                today,
                site.Settings.TaxPercent.ToString(),
                site.Settings.CountTax,
                site.Settings.DisplayCurrency,
                site.Settings.Rates.ToDictionary(rate => rate.Key, rate => rate.Value.ToString()),
                site.Settings.RateDates,
                site.Settings.NewCustomer,
                site.Settings.KeepChancePercent?.ToString()
            ),
            NeedsWire.From(site.Needs, settings.DisplayCurrency!),
            SitePageWriter.Shortlist(site, workspace.Books, settings, workspace.IsConnected),
            [.. site.Held.Select(held => new HeldNameWire(held.Name, held.Ending))],
            WorksheetWriter.Write(Worksheet.Fill(listed, workspace.OfferedTo(listed.Candidate), settings, site.Needs))
        );
    }

    /// <summary>A site of this visitor and how it is counted today, or null.</summary>
    public async Task<(Site Site, CountSettings Settings)?> CountedAsync(Guid siteId, CancellationToken cancel) =>
        await FindAsync(siteId, cancel) is { } versioned
            ? (versioned.Site, await workspace.CountAsync(versioned.Site.Settings, cancel))
            : null;

    /// <summary>A candidate of a site worked out; null where there is none, or it is not complete.</summary>
    public async Task<(Site Site, Costing Costing)?> CostedAsync(
        Guid siteId,
        string letter,
        CancellationToken cancel
    ) =>
        await CountedAsync(siteId, cancel) is var (site, settings)
        && site.Listed(letter) is { } listed
        && Worksheet.CostingOf(listed.Candidate, workspace.Books, settings) is { } costing
            ? (site, costing)
            : null;

    public static NotFoundProblem Missing() => new NotFoundProblem("There is no such site or candidate here.");

    /// <summary>What scanning for a site's needs asks: its own books, counted as the site is.</summary>
    public async Task<ScanRequest> ScanAsync(Site site, Objective objective, bool byPlan, CancellationToken cancel) =>
        new(
            [.. workspace.Offered],
            await workspace.CountAsync(site.Settings, cancel),
            site.Needs,
            objective,
            byPlan,
            25
        );

    // An owner who renames the example makes it their own.
    private bool IsExample(Guid siteId, Site site) => siteId == DemoSiteId && site.Name == demo.Site?.Name;

    private Guid DemoSiteId => new(SHA256.HashData(workspace.Id.ToByteArray()).AsSpan(0, 16));

    private VersionedSite Unstored(Site site) =>
        new(new SiteRow { Id = DemoSiteId, WorkspaceId = workspace.Id }, site, CanUndo: false);

    private async Task<VersionedSite> StartAsync(Guid id, Site site, CancellationToken cancel)
    {
        await workspace.EnsureStoredAsync(cancel);
        var started = history.Start(id, workspace.Id, site);
        await db.SaveChangesAsync(cancel);
        return started;
    }
}
