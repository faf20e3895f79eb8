using HomeStart.Formats.Online;
using Microsoft.AspNetCore.Http;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>The documents, behind what asks for them over HTTP and what the host itself does with them.</summary>
internal sealed class PanelDesk(CounterpartsDb db, Zones zones, FileStore files, PriceLists lists, TimeProvider time)
{
    /// <summary>How many versions of a document are kept.</summary>
    private const int Kept = 20;

    /// <summary>
    /// A version of a document, the newest where none is asked for; what was never written is as the host began it.
    /// </summary>
    public async Task<(int Version, byte[] Content)?> FindAsync(
        string world,
        string scope,
        string kind,
        int? version,
        CancellationToken cancel
    )
    {
        var key = kind == PanelKinds.Zone ? await zones.KindAsync(world, scope, cancel) : kind;
        if (
            key is null
            || (
                kind != PanelKinds.Zone
                && !await db.Accounts.AnyAsync(row => row.World == world && row.Id == scope && !row.IsRemoved, cancel)
            )
        )
        {
            return null;
        }

        var row = await db
            .Kept.AsNoTracking()
            .Where(row =>
                row.World == world
                && row.Scope == scope
                && row.Kind == key
                && (version == null || row.Version == version)
            )
            .OrderByDescending(row => row.Version)
            .FirstOrDefaultAsync(cancel);
        return row is not null ? (row.Version, row.Content)
            : version is null or 0 ? (0, await BegunAsync(world, scope, kind, cancel))
            : null;
    }

    public async Task<(int Status, int Version)> PutAsync(
        string world,
        string scope,
        string kind,
        int seen,
        byte[] content,
        CancellationToken cancel
    )
    {
        if (await FindAsync(world, scope, kind, null, cancel) is not var (now, _))
        {
            return (StatusCodes.Status404NotFound, 0);
        }

        if (now != seen)
        {
            return (StatusCodes.Status412PreconditionFailed, now);
        }

        if (!IsReadable(kind, content) || (kind == PanelKinds.Space && !HasAll(world, scope, content)))
        {
            return (StatusCodes.Status409Conflict, now);
        }

        if (kind == PanelKinds.Space && await IsFullAsync(world, scope, content, cancel))
        {
            return (StatusCodes.Status507InsufficientStorage, now);
        }

        var key = kind == PanelKinds.Zone ? (await zones.KindAsync(world, scope, cancel))! : kind;
        db.Kept.Add(
            new KeptRow
            {
                World = world,
                Scope = scope,
                Kind = key,
                Version = now + 1,
                Content = content,
                KeptAt = time.GetUtcNow(),
            }
        );
        try
        {
            await db.SaveChangesAsync(CancellationToken.None);
        }
        catch (DbUpdateException)
        {
            db.ChangeTracker.Clear();
            return (StatusCodes.Status412PreconditionFailed, now + 1); // Somebody else was a moment earlier.
        }

        await TidyAsync(world, scope, key, now + 1, cancel);
        return (StatusCodes.Status200OK, now + 1);
    }

    public async Task<WebSpace> SpaceAsync(string world, string account, CancellationToken cancel) =>
        await FindAsync(world, account, PanelKinds.Space, null, cancel) is var (_, content)
            ? PanelDocuments.Space(content) ?? WebSpace.Empty
            : WebSpace.Empty;

    private async Task<byte[]> BegunAsync(string world, string scope, string kind, CancellationToken cancel) =>
        kind switch
        {
            PanelKinds.Zone => PanelDocuments.Write(await zones.BegunAsync(world, scope, cancel)),
            PanelKinds.Space => PanelDocuments.Write(new WebSpace([HostPages.Placeholder])),
            PanelKinds.Names => PanelDocuments.Write(
                HostedNames.ForMain(
                    DomainName.Parse(
                        await db
                            .Accounts.Where(row => row.World == world && row.Id == scope)
                            .Select(row => row.Domain)
                            .SingleAsync(cancel)
                    )
                )
            ),
            PanelKinds.Mail => PanelDocuments.Write(MailSetUp.None),
            _ => PanelDocuments.Write(Array.Empty<InstalledEngine>()),
        };

    private static bool IsReadable(string kind, byte[] content) =>
        kind switch
        {
            PanelKinds.Zone => PanelDocuments.Records(content) is not null,
            PanelKinds.Space => PanelDocuments.Space(content) is not null,
            PanelKinds.Names => PanelDocuments.Names(content) is not null,
            PanelKinds.Mail => PanelDocuments.Mail(content) is not null,
            PanelKinds.Engines => PanelDocuments.Engines(content) is not null,
            _ => false,
        };

    private bool HasAll(string world, string account, byte[] content) =>
        PanelDocuments.Space(content)!.Files.All(file => files.Has(world, account, file.Hash));

    private async Task<bool> IsFullAsync(string world, string account, byte[] content, CancellationToken cancel)
    {
        var row = await db.Accounts.AsNoTracking().SingleAsync(row => row.World == world && row.Id == account, cancel);
        return await Behaviours.ModeOfAsync(db, world, Service.Host, cancel) == Mode.Full
            || (
                lists.Find(row.Book)?.Plan(row.Plan) is { } plan
                && PanelDocuments.Space(content)!.Size > HostedPlan.StorageOf(plan)
            );
    }

    // Old versions go, and with them files that none of those left has.
    private async Task TidyAsync(string world, string scope, string kind, int newest, CancellationToken cancel)
    {
        await db
            .Kept.Where(row =>
                row.World == world && row.Scope == scope && row.Kind == kind && row.Version <= newest - Kept
            )
            .ExecuteDeleteAsync(cancel);
        if (kind == PanelKinds.Space)
        {
            var kept = await db
                .Kept.AsNoTracking()
                .Where(row => row.World == world && row.Scope == scope && row.Kind == kind)
                .Select(row => row.Content)
                .ToListAsync(cancel);
            files.Keep(
                world,
                scope,
                kept.SelectMany(content => PanelDocuments.Space(content)?.Files ?? [])
                    .Select(file => file.Hash)
                    .ToHashSet(StringComparer.Ordinal)
            );
        }
    }
}
