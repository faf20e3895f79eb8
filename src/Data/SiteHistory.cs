using Microsoft.EntityFrameworkCore;

namespace HomeStart.Data;

/// <summary>
/// A site as a versioned document: its kept revisions with a cursor. A change drops what redo could reach; undo and
/// redo move the cursor. Saving fails with <see cref="DbUpdateConcurrencyException"/> where somebody else was first.
/// </summary>
public sealed class SiteHistory(HomeStartDb db, TimeProvider time)
{
    /// <summary>How many documents of a site are kept.</summary>
    public const int Kept = 200;

    public async Task<VersionedSite?> FindAsync(Guid siteId, CancellationToken cancel)
    {
        var row = await db.Sites.SingleOrDefaultAsync(site => site.Id == siteId, cancel);
        return row is null ? null : await AtCursorAsync(row, cancel);
    }

    /// <summary>Adds a site that has not been stored yet, at its first revision.</summary>
    public VersionedSite Start(Guid siteId, Guid workspaceId, Site site)
    {
        var row = new SiteRow
        {
            Id = siteId,
            WorkspaceId = workspaceId,
            Revision = 0,
            Cursor = 0,
            Newest = 0,
            CreatedAt = time.GetUtcNow(),
            ChangedOn = Today,
        };
        db.Sites.Add(row);
        db.Revisions.Add(
            new RevisionRow
            {
                SiteId = siteId,
                WorkspaceId = workspaceId,
                Position = 0,
                Document = Documents.Write(site),
            }
        );
        return new VersionedSite(row, site, CanUndo: false);
    }

    public async Task<VersionedSite> AppendAsync(VersionedSite versioned, Site changed, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var row = versioned.Row;
        var position = row.Cursor + 1;
        if (row.Newest >= position)
        {
            await db
                .Revisions.Where(revision => revision.SiteId == row.Id && revision.Position >= position)
                .ExecuteDeleteAsync(cancel);
        }

        db.Revisions.Add(
            new RevisionRow
            {
                SiteId = row.Id,
                WorkspaceId = row.WorkspaceId,
                Position = position,
                Document = Documents.Write(changed),
            }
        );
        (row.Cursor, row.Newest, row.Revision, row.ChangedOn) = (position, position, row.Revision + 1, Today);
        await db.SaveChangesAsync(cancel);
        if (position >= Kept)
        {
            await db
                .Revisions.Where(revision => revision.SiteId == row.Id && revision.Position <= position - Kept)
                .ExecuteDeleteAsync(cancel);
        }

        await transaction.CommitAsync(cancel);
        return new VersionedSite(row, changed, CanUndo: true);
    }

    /// <summary>Moves the cursor one back (-1) or on (+1); the same site where there is nothing to move to.</summary>
    public async Task<VersionedSite> MoveAsync(VersionedSite versioned, int by, CancellationToken cancel)
    {
        var row = versioned.Row;
        var position = row.Cursor + by;
        if (
            position > row.Newest
            || !await db.Revisions.AnyAsync(
                revision => revision.SiteId == row.Id && revision.Position == position,
                cancel
            )
        )
        {
            return versioned;
        }

        (row.Cursor, row.Revision, row.ChangedOn) = (position, row.Revision + 1, Today);
        await db.SaveChangesAsync(cancel);
        return await AtCursorAsync(row, cancel);
    }

    private DateOnly Today => DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime);

    private async Task<VersionedSite> AtCursorAsync(SiteRow row, CancellationToken cancel)
    {
        var kept = await db
            .Revisions.Where(revision =>
                revision.SiteId == row.Id && (revision.Position == row.Cursor || revision.Position == row.Cursor - 1)
            )
            .ToListAsync(cancel);
        var present = kept.Single(revision => revision.Position == row.Cursor);
        return new VersionedSite(row, Documents.Read<Site>(present.Document), CanUndo: kept.Count == 2);
    }
}

/// <summary>A site at its present revision.</summary>
public sealed record VersionedSite(SiteRow Row, Site Site, bool CanUndo)
{
    public bool CanRedo => Row.Newest > Row.Cursor;
}
