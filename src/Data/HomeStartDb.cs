using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Data;

/// <summary>
/// Everything the application stores, the accounts among it. Rows of a visitor carry their workspace, and no other
/// workspace's rows can be read through this.
/// </summary>
public sealed class HomeStartDb(DbContextOptions<HomeStartDb> options, WorkspaceScope scope)
    : IdentityUserContext<Account, Guid>(options)
{
    public DbSet<WorkspaceRow> Workspaces => Set<WorkspaceRow>();

    public DbSet<ClosedWorkspaceRow> ClosedWorkspaces => Set<ClosedWorkspaceRow>();

    public DbSet<SiteRow> Sites => Set<SiteRow>();

    public DbSet<RevisionRow> Revisions => Set<RevisionRow>();

    public DbSet<OrderRow> Orders => Set<OrderRow>();

    public DbSet<DayBookRow> DayBooks => Set<DayBookRow>();

    public DbSet<ClaimedAllowanceRow> ClaimedAllowances => Set<ClaimedAllowanceRow>();

    public DbSet<BookRow> Books => Set<BookRow>();

    public DbSet<OwnBookRow> OwnBooks => Set<OwnBookRow>();

    public DbSet<ShelfRow> Shelf => Set<ShelfRow>();

    public DbSet<SessionRow> Sessions => Set<SessionRow>();

    public DbSet<CodeAskerRow> CodeAskers => Set<CodeAskerRow>();

    public DbSet<CustomerRow> Customers => Set<CustomerRow>();

    public DbSet<AnswerRow> Answers => Set<AnswerRow>();

    public DbSet<SoughtRow> Sought => Set<SoughtRow>();

    public DbSet<FirstPageRow> FirstPages => Set<FirstPageRow>();

    public DbSet<KeptFileRow> KeptFiles => Set<KeptFileRow>();

    public DbSet<SlipRow> Slips => Set<SlipRow>();

    public DbSet<UploadRow> Uploads => Set<UploadRow>();

    public DbSet<OutboxRow> Outbox => Set<OutboxRow>();

    public DbSet<SharedRow> Shared => Set<SharedRow>();

    public DbSet<SharedNoteRow> SharedNotes => Set<SharedNoteRow>();

    /// <summary>
    /// Brings the tables up to date. A process killed meanwhile leaves EF's lock behind, and EF would wait for it
    /// without end. The data folder belongs to one running program, so a lock found here is nobody's any more.
    /// </summary>
    public async Task BringForwardAsync()
    {
        await Database.ExecuteSqlRawAsync("DROP TABLE IF EXISTS \"__EFMigrationsLock\"");
        await Database.MigrateAsync();
    }

    /// <summary>
    /// Saves so that it is on the disk before this returns: the write-ahead log is synced, which a usual save leaves to
    /// the next checkpoint. For whatever must not be forgotten once the outside was asked.
    /// </summary>
    public Task SaveDurablyAsync(CancellationToken cancel) => SaveDurablyAsync(() => Task.FromResult(true), cancel);

    /// <summary>
    /// Saves so where something still holds at that moment, with no other writer in between; false: it does not, and
    /// nothing was saved.
    /// </summary>
    public async Task<bool> SaveDurablyAsync(Func<Task<bool>> holds, CancellationToken cancel)
    {
        await Database.OpenConnectionAsync(cancel);
        try
        {
            await Database.ExecuteSqlRawAsync("PRAGMA synchronous = FULL", cancel);
            return await AloneAsync(
                async () =>
                {
                    var does = await holds();
                    if (does)
                    {
                        await SaveChangesAsync(cancel);
                    }

                    return does;
                },
                cancel
            );
        }
        finally
        {
            await Database.ExecuteSqlRawAsync("PRAGMA synchronous = NORMAL", CancellationToken.None);
            await Database.CloseConnectionAsync();
        }
    }

    /// <summary>
    /// Reads and writes with no other writer in between, so that what was counted is still so when a row is added. The
    /// work saves.
    /// </summary>
    public async Task<T> AloneAsync<T>(Func<Task<T>> work, CancellationToken cancel)
    {
        await using var transaction = await Database.BeginTransactionAsync(
            System.Data.IsolationLevel.Serializable,
            cancel
        ); // BEGIN IMMEDIATE: writers wait for each other here.
        var result = await work();
        await transaction.CommitAsync(cancel);
        return result;
    }

    /// <summary>Remembers that a workspace's id opens nothing any more.</summary>
    public async Task CloseAsync(Guid workspace, TimeProvider time, CancellationToken cancel)
    {
        ClosedWorkspaces.Add(
            new ClosedWorkspaceRow { Id = workspace, ClosedOn = DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime) }
        );
        await SaveChangesAsync(cancel);
    }

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.Entity<SessionRow>(session =>
        {
            // Looked for before anybody knows whose it is.
            session.HasIndex(row => row.AccountId);
            session.HasOne<Account>().WithMany().HasForeignKey(row => row.AccountId);
        });
        builder.Entity<CodeAskerRow>(asker =>
        {
            asker.HasKey(row => new { row.AccountId, row.Asker });
            asker.HasOne<Account>().WithMany().HasForeignKey(row => row.AccountId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<WorkspaceRow>(workspace => workspace.HasQueryFilter(row => row.Id == scope.Id));
        builder.Entity<SiteRow>(site =>
        {
            site.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            site.HasIndex(row => row.WorkspaceId);
            site.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
            site.Property(row => row.Revision).IsConcurrencyToken();
        });
        builder.Entity<RevisionRow>(revision =>
        {
            revision.HasKey(row => new { row.SiteId, row.Position });
            revision.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            revision.HasOne<SiteRow>().WithMany().HasForeignKey(row => row.SiteId);
        });
        builder.Entity<OrderRow>(order =>
        {
            // The id is the visitor's to choose: it tells nothing of other workspaces'.
            order.HasKey(row => new { row.WorkspaceId, row.Id });
            order.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            order.HasIndex(row => row.IsOpen);
            order.Property(row => row.Version).IsConcurrencyToken();
        });
        builder.Entity<DayBookRow>(book =>
        {
            book.HasKey(row => new { row.WorkspaceId, row.OrderId });
            book.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            book.HasIndex(row => row.WaitsFor);
            book.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
            book.Property(row => row.Version).IsConcurrencyToken();
        });
        builder.Entity<ClaimedAllowanceRow>(claimed =>
        {
            claimed.HasKey(row => new
            {
                row.WorkspaceId,
                row.OrderId,
                row.Number,
            });
            claimed.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            claimed.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<BookRow>().HasKey(row => row.Hash);
        builder.Entity<OwnBookRow>(own =>
        {
            own.HasKey(row => new
            {
                row.WorkspaceId,
                row.BookId,
                row.Version,
            });
            own.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            own.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
            own.HasOne<BookRow>().WithMany().HasForeignKey(row => row.Hash);
        });
        builder.Entity<CustomerRow>(customer =>
        {
            customer.HasKey(row => new { row.WorkspaceId, row.BookId });
            customer.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            customer.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<AnswerRow>(answer =>
        {
            answer.HasKey(row => new { row.WorkspaceId, row.Domain });
            answer.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            answer.HasIndex(row => row.AskedAt);
            answer.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<SoughtRow>(sought =>
        {
            sought.HasKey(row => new { row.WorkspaceId, row.SiteId });
            sought.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            sought.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<OutboxRow>(letter =>
        {
            letter.HasKey(row => new { row.WorkspaceId, row.Id });
            letter.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            letter.HasIndex(row => new { row.State, row.NextAt });
            letter.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<SharedRow>(link =>
        {
            link.HasKey(row => new { row.WorkspaceId, row.Id });
            link.HasIndex(row => row.Secret).IsUnique();
            link.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            link.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<SharedNoteRow>(note =>
        {
            note.HasKey(row => new
            {
                row.WorkspaceId,
                row.SharedId,
                row.Line,
            });
            note.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            note.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<FirstPageRow>(page =>
        {
            page.HasKey(row => new { row.WorkspaceId, row.OrderId });
            page.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            page.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<KeptFileRow>(file =>
        {
            file.HasKey(row => new { row.WorkspaceId, row.Id });
            file.HasIndex(row => new { row.WorkspaceId, row.OrderId });
            file.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            file.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<SlipRow>(slip =>
        {
            slip.HasKey(row => new
            {
                row.WorkspaceId,
                row.SiteId,
                row.Letter,
            });
            slip.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            slip.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<UploadRow>(upload =>
        {
            upload.HasKey(row => new { row.WorkspaceId, row.Id });
            upload.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            upload.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
        builder.Entity<ShelfRow>(shelf =>
        {
            shelf.HasKey(row => new { row.WorkspaceId, row.BookId });
            shelf.HasQueryFilter(row => row.WorkspaceId == scope.Id);
            shelf.HasOne<WorkspaceRow>().WithMany().HasForeignKey(row => row.WorkspaceId);
        });
    }
}
