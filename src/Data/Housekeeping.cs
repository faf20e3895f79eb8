using Microsoft.EntityFrameworkCore;

namespace HomeStart.Data;

/// <summary>Clears away what nobody will ask for again.</summary>
public sealed class Housekeeping(HomeStartDb db, TimeProvider time)
{
    /// <summary>As long as a visitor's cookie lives: after that nobody can come back to a workspace.</summary>
    public const int WorkspaceDays = 400;

    /// <summary>After so many days without a change few undo any.</summary>
    public const int HistoryDays = 90;

    /// <summary>How many documents of a site that rests are kept, counted back from its present one.</summary>
    public const int RestingKept = 20;

    /// <summary>For how many days a deleted site can be brought back.</summary>
    public const int DeletedDays = 30;

    /// <summary>
    /// For how many days what was said of a name is kept: it is worth little after an hour, and is asked again then.
    /// </summary>
    public const int AnswerDays = 14;

    /// <summary>For how many days a mail that was sent is kept here: the mailbox has it.</summary>
    public const int SentDays = 30;

    /// <summary>
    /// For how many days an address is remembered that somebody asked a code for and never confirmed.
    /// </summary>
    public const int UnconfirmedDays = 2;

    /// <summary>For how many days after its end a link, and what readers wrote, is kept.</summary>
    public const int SharedDays = 30;

    /// <param name="today">The real day.</param>
    /// <param name="shipped">The hashes of the offer books that come with the program: they stay.</param>
    public async Task TidyAsync(DateOnly today, IReadOnlyCollection<string> shipped, CancellationToken cancel)
    {
        var resting = today.AddDays(-HistoryDays);
        await db
            .Revisions.IgnoreQueryFilters()
            .Where(revision =>
                db.Sites.IgnoreQueryFilters()
                    .Any(site =>
                        site.Id == revision.SiteId
                        && site.ChangedOn < resting
                        && revision.Position <= site.Cursor - RestingKept
                    )
            )
            .ExecuteDeleteAsync(cancel);
        var gone = today.AddDays(-DeletedDays);
        await db
            .Revisions.IgnoreQueryFilters()
            .Where(revision =>
                db.Sites.IgnoreQueryFilters().Any(site => site.Id == revision.SiteId && site.DeletedOn < gone)
            )
            .ExecuteDeleteAsync(cancel);
        await db
            .Sites.IgnoreQueryFilters()
            .Where(site =>
                site.DeletedOn < gone && !db.Revisions.IgnoreQueryFilters().Any(revision => revision.SiteId == site.Id)
            )
            .ExecuteDeleteAsync(cancel);
        var stale = new DateTimeOffset(
            today.AddDays(-AnswerDays),
            TimeOnly.MinValue,
            TimeSpan.Zero
        ).ToUnixTimeSeconds();
        await db.Answers.IgnoreQueryFilters().Where(answer => answer.AskedAt < stale).ExecuteDeleteAsync(cancel);
        var delivered = new DateTimeOffset(
            today.AddDays(-SentDays),
            TimeOnly.MinValue,
            TimeSpan.Zero
        ).ToUnixTimeSeconds();
        await db
            .Outbox.IgnoreQueryFilters()
            .Where(letter => letter.State == OutboxState.Sent && letter.NextAt < delivered)
            .ExecuteDeleteAsync(cancel);
        await TidySharedAsync(today, cancel);
        var unreachable = today.AddDays(-WorkspaceDays);
        var forgotten = db
            .Workspaces.IgnoreQueryFilters()
            .Where(workspace =>
                !db.Orders.IgnoreQueryFilters().Any(order => order.WorkspaceId == workspace.Id)
                && db.Sites.IgnoreQueryFilters().Any(site => site.WorkspaceId == workspace.Id)
                && !db
                    .Sites.IgnoreQueryFilters()
                    .Any(site => site.WorkspaceId == workspace.Id && site.ChangedOn >= unreachable)
            );
        foreach (var id in await forgotten.Select(workspace => workspace.Id).ToListAsync(cancel))
        {
            await ForgetAsync(id, cancel);
        }

        // Whoever only asked for a code has no site that tells how long they were away.
        var bare = await db
            .Workspaces.IgnoreQueryFilters()
            .Where(workspace =>
                workspace.AccountId == null
                && !db.Sites.IgnoreQueryFilters().Any(site => site.WorkspaceId == workspace.Id)
                && !db.Orders.IgnoreQueryFilters().Any(order => order.WorkspaceId == workspace.Id)
            )
            .Select(workspace => new { workspace.Id, workspace.CreatedAt })
            .ToListAsync(cancel);
        foreach (
            var workspace in bare.Where(workspace =>
                DateOnly.FromDateTime(workspace.CreatedAt.UtcDateTime) < unreachable
            )
        )
        {
            await ForgetAsync(workspace.Id, cancel);
        }

        var unconfirmed = today.AddDays(-UnconfirmedDays);
        foreach (
            var account in (await db.Users.Where(account => account.WorkspaceId == null).ToListAsync(cancel)).Where(
                account => DateOnly.FromDateTime(account.CreatedAt.UtcDateTime) < unconfirmed
            )
        )
        {
            db.Users.Remove(account);
        }

        await db.SaveChangesAsync(cancel);

        // No cookie lives that long: nobody can ask for them any more.
        await db.ClosedWorkspaces.Where(closed => closed.ClosedOn < unreachable).ExecuteDeleteAsync(cancel);

        // Books that nobody has any more and no order was placed from.
        await db
            .Books.Where(book =>
                !shipped.Contains(book.Hash)
                && !db.OwnBooks.IgnoreQueryFilters().Any(own => own.Hash == book.Hash)
                && !db.Orders.IgnoreQueryFilters().Any(order => order.BookHashes.Contains(book.Hash))
            )
            .ExecuteDeleteAsync(cancel);
    }

    /// <summary>Takes everything of a workspace away, its orders and its account too.</summary>
    public async Task ForgetAsync(Guid id, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await db
            .Revisions.IgnoreQueryFilters()
            .Where(revision => revision.WorkspaceId == id)
            .ExecuteDeleteAsync(cancel);
        await db.Sites.IgnoreQueryFilters().Where(site => site.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db.Orders.IgnoreQueryFilters().Where(order => order.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db
            .ClaimedAllowances.IgnoreQueryFilters()
            .Where(claimed => claimed.WorkspaceId == id)
            .ExecuteDeleteAsync(cancel);
        await db.DayBooks.IgnoreQueryFilters().Where(book => book.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db.OwnBooks.IgnoreQueryFilters().Where(own => own.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db.Shelf.IgnoreQueryFilters().Where(shelf => shelf.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db
            .Customers.IgnoreQueryFilters()
            .Where(customer => customer.WorkspaceId == id)
            .ExecuteDeleteAsync(cancel);
        await db.Answers.IgnoreQueryFilters().Where(answer => answer.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db.Sought.IgnoreQueryFilters().Where(sought => sought.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db.FirstPages.IgnoreQueryFilters().Where(page => page.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db.KeptFiles.IgnoreQueryFilters().Where(file => file.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db.Slips.IgnoreQueryFilters().Where(slip => slip.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db.Uploads.IgnoreQueryFilters().Where(upload => upload.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db.Outbox.IgnoreQueryFilters().Where(letter => letter.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db
            .Sessions.Where(session =>
                db.Users.Any(account => account.Id == session.AccountId && account.WorkspaceId == id)
            )
            .ExecuteDeleteAsync(cancel);
        await db.Users.Where(account => account.WorkspaceId == id).ExecuteDeleteAsync(cancel);
        await db.Workspaces.IgnoreQueryFilters().Where(workspace => workspace.Id == id).ExecuteDeleteAsync(cancel);
        await db.CloseAsync(id, time, cancel);
        await transaction.CommitAsync(cancel);
    }

    private async Task TidySharedAsync(DateOnly today, CancellationToken cancel)
    {
        var over = new DateTimeOffset(today.AddDays(-SharedDays), TimeOnly.MinValue, TimeSpan.Zero).ToUnixTimeSeconds();
        var ended = db.Shared.IgnoreQueryFilters().Where(link => link.Until < over);
        await db
            .SharedNotes.IgnoreQueryFilters()
            .Where(note => ended.Any(link => link.Id == note.SharedId))
            .ExecuteDeleteAsync(cancel);
        await ended.ExecuteDeleteAsync(cancel);
    }
}
