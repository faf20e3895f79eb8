using HomeStart.Data;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using HomeStart.Web.Work;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Upkeep;

/// <summary>The days of workspaces, as work that is gone on with until nothing is left to be carried out.</summary>
public sealed class DayWork(
    IServiceScopeFactory scopes,
    DayRunner runner,
    DayPace pace,
    StartOptions options,
    TimeProvider time
) : IDurableWork, IDisposable
{
    private readonly SemaphoreSlim _atOnce = new(8);
    private bool _areUnopenedFound;

    /// <inheritdoc/>
    public TimeSpan SweepEvery => pace.SweepEvery;

    /// <summary>
    /// Workspaces in which something fell due, each by its own day; the first time also those in which something was
    /// delivered just before a server stopped.
    /// </summary>
    public async Task<IReadOnlyCollection<WorkKey>> WaitingAsync(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<HomeStartDb>();
        var waiting = await DueAsync(db, cancel);
        if (!_areUnopenedFound)
        {
            waiting.AddRange(await UnopenedAsync(db, cancel));
            _areUnopenedFound = true;
        }

        return [.. waiting.Distinct().Select(workspace => new WorkKey(workspace))];
    }

    /// <summary>
    /// Carries out all that fell due; some workspaces at a time, so that they do not wait for one file.
    /// </summary>
    public async Task<bool> StepAsync(WorkKey key, CancellationToken cancel)
    {
        await _atOnce.WaitAsync(cancel);
        try
        {
            await runner.PlayAsync(key.Workspace, cancel);
            return false;
        }
        finally
        {
            _atOnce.Release();
        }
    }

    /// <inheritdoc/>
    public void Dispose() => _atOnce.Dispose();

    private Task<List<Guid>> DueAsync(HomeStartDb db, CancellationToken cancel)
    {
        var today = Workspace.DayOf(options, time, 0).DayNumber;
        return db
            .DayBooks.IgnoreQueryFilters()
            .Where(row =>
                db.Workspaces.IgnoreQueryFilters()
                    .Any(workspace => workspace.Id == row.WorkspaceId && row.WaitsFor <= today + workspace.DaysAhead)
            )
            .Select(row => row.WorkspaceId)
            .Distinct()
            .ToListAsync(cancel);
    }

    // What was delivered may have no day book yet, or be a claim that is not noted.
    private static Task<List<Guid>> UnopenedAsync(HomeStartDb db, CancellationToken cancel)
    {
        var books = db.DayBooks.IgnoreQueryFilters();
        return db
            .Orders.IgnoreQueryFilters()
            .Where(order =>
                !order.IsOpen && !books.Any(book => book.WorkspaceId == order.WorkspaceId && book.OrderId == order.Id)
            )
            .Select(order => order.WorkspaceId)
            .Distinct()
            .ToListAsync(cancel);
    }
}
