using Microsoft.EntityFrameworkCore;

namespace HomeStart.Data;

/// <summary>Joins what a browser holds to the workspace of an account: nothing is lost on either side.</summary>
public sealed class WorkspaceJoin(HomeStartDb db, TimeProvider time)
{
    // Where both sides said something of the same thing, the account's word holds.
    private static readonly string[] Moves =
    [
        .. new[]
        {
            "Orders",
            "ClaimedAllowances",
            "DayBooks",
            "Outbox",
            "Sought",
            "Shelf",
            "Customers",
            "Answers",
            "FirstPages",
            "KeptFiles",
            "Slips",
            "Uploads",
            "Shared",
            "SharedNotes",
        }.SelectMany(table =>
            new[]
            {
                $"UPDATE OR IGNORE \"{table}\" SET \"WorkspaceId\" = {{0}} WHERE \"WorkspaceId\" = {{1}}",
                $"DELETE FROM \"{table}\" WHERE \"WorkspaceId\" = {{1}} AND {{0}} IS NOT NULL",
            }
        ),
    ];

    public async Task JoinAsync(Guid from, Guid into, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await db
            .Sites.IgnoreQueryFilters()
            .Where(site => site.WorkspaceId == from)
            .ExecuteUpdateAsync(set => set.SetProperty(site => site.WorkspaceId, into), cancel);
        await db
            .Revisions.IgnoreQueryFilters()
            .Where(revision => revision.WorkspaceId == from)
            .ExecuteUpdateAsync(set => set.SetProperty(revision => revision.WorkspaceId, into), cancel);

        // What was placed stays in the world it was placed in.
        await db
            .Orders.IgnoreQueryFilters()
            .Where(order => order.WorkspaceId == from && order.World == null)
            .ExecuteUpdateAsync(set => set.SetProperty(order => order.World, from), cancel);
        await JoinBooksAsync(from, into, cancel);

        // No clock goes back: what happened in the browser's workspace has happened.
        var ahead = await db
            .Workspaces.IgnoreQueryFilters()
            .Where(workspace => workspace.Id == from || workspace.Id == into)
            .MaxAsync(workspace => (int?)workspace.DaysAhead, cancel)
            ?? 0;
        await db
            .Workspaces.IgnoreQueryFilters()
            .Where(workspace => workspace.Id == into)
            .ExecuteUpdateAsync(set => set.SetProperty(workspace => workspace.DaysAhead, ahead), cancel);
        foreach (var statement in Moves)
        {
            await db.Database.ExecuteSqlRawAsync(statement, [into, from], cancel);
        }

        await db.Workspaces.IgnoreQueryFilters().Where(workspace => workspace.Id == from).ExecuteDeleteAsync(cancel);
        await db.CloseAsync(from, time, cancel);
        await transaction.CommitAsync(cancel);
    }

    // A book that both have: the browser's versions come after the account's, where they are others.
    private async Task JoinBooksAsync(Guid from, Guid into, CancellationToken cancel)
    {
        var theirs = await db
            .OwnBooks.IgnoreQueryFilters()
            .AsNoTracking()
            .Where(own => own.WorkspaceId == into)
            .ToListAsync(cancel);
        var ours = await db
            .OwnBooks.IgnoreQueryFilters()
            .AsNoTracking()
            .Where(own => own.WorkspaceId == from)
            .OrderBy(own => own.Version)
            .ToListAsync(cancel);
        await db.OwnBooks.IgnoreQueryFilters().Where(own => own.WorkspaceId == from).ExecuteDeleteAsync(cancel);
        foreach (
            var own in ours.Where(own => !theirs.Exists(known => known.BookId == own.BookId && known.Hash == own.Hash))
        )
        {
            var version =
                1
                + theirs
                    .Where(known => known.BookId == own.BookId)
                    .Select(known => known.Version)
                    .DefaultIfEmpty(0)
                    .Max();
            var joined = new OwnBookRow
            {
                WorkspaceId = into,
                BookId = own.BookId,
                Version = version,
                Hash = own.Hash,
                AddedAt = own.AddedAt,
            };
            theirs.Add(joined);
            db.OwnBooks.Add(joined);
        }

        await db.SaveChangesAsync(cancel);
    }
}
