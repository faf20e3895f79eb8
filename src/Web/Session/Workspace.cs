using HomeStart.Data;
using HomeStart.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Session;

/// <summary>The visitor's workspace: its world, its business date, its offer books.</summary>
public sealed class Workspace(WorkspaceScope scope, HomeStartDb db, StartOptions options, Demo demo, TimeProvider time)
{
    // It does not change within a request.
    private DateOnly? _today;

    public Guid Id => scope.Id;

    public World World => new(scope.Id);

    public IReadOnlyList<OfferBook> Books => demo.OfferBooks;

    /// <summary>The only date Core sees: the fixed or present day, moved on by look-ahead.</summary>
    public async Task<DateOnly> BusinessDateAsync(CancellationToken cancel) => _today ??= await TodayAsync(cancel);

    /// <summary>Stores the workspace itself, at its first change.</summary>
    public async Task EnsureStoredAsync(CancellationToken cancel)
    {
        if (await db.Workspaces.AnyAsync(row => row.Id == scope.Id, cancel))
        {
            return;
        }

        var row = db.Workspaces.Add(new WorkspaceRow { Id = scope.Id, CreatedAt = time.GetUtcNow() });
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException exception) when (Sqlite.IsDuplicate(exception))
        {
            row.State = EntityState.Detached; // Two first changes at once: the other one stored it.
        }
    }

    private async Task<DateOnly> TodayAsync(CancellationToken cancel)
    {
        var ahead = await db.Workspaces.Where(row => row.Id == scope.Id).Select(row => row.DaysAhead).SingleOrDefaultAsync(cancel);
        return (options.Date ?? DateOnly.FromDateTime(time.GetLocalNow().DateTime)).AddDays(ahead);
    }
}
