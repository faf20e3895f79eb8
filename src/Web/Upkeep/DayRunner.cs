using System.Collections.Concurrent;
using HomeStart.Data;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Upkeep;

/// <summary>
/// Lets days pass: what falls due up to a workspace's business date is carried out at the counterparts, one workspace
/// at a time by itself, several side by side. Whatever a stopped server left open is
/// gone on with when it starts again, and what nobody answered is asked for again.
/// </summary>
public sealed partial class DayRunner(
    IServiceScopeFactory scopes,
    DayBell bell,
    DayPace pace,
    StartOptions options,
    TimeProvider time,
    ILogger<DayRunner> log
) : BackgroundService
{
    private readonly ConcurrentDictionary<Guid, SemaphoreSlim> _turns = new();

    /// <summary>
    /// Carries out all that fell due in a workspace, until nothing is left or somebody does not answer.
    /// </summary>
    public Task PlayAsync(Guid workspace, CancellationToken cancel) =>
        AloneAsync(
            workspace,
            async () =>
            {
                await InScopeAsync(workspace, async services =>
                {
                    await services.GetRequiredService<TenureDesk>().OpenAsync(cancel);
                    return true;
                });
                var orders = await InScopeAsync(workspace, services =>
                    services.GetRequiredService<HomeStartDb>().DayBooks.Select(row => row.OrderId).ToListAsync(cancel)
                );
                foreach (var order in orders)
                {
                    while (await StepAsync(workspace, order, cancel)) { }
                }

                return true;
            },
            cancel
        );

    /// <summary>Does something while no day passes in a workspace.</summary>
    public async Task<T> AloneAsync<T>(Guid workspace, Func<Task<T>> work, CancellationToken cancel)
    {
        var turn = _turns.GetOrAdd(workspace, _ => new SemaphoreSlim(1, 1));
        await turn.WaitAsync(cancel);
        try
        {
            return await work();
        }
        finally
        {
            turn.Release();
        }
    }

    /// <summary>Plays, and waits for it no longer than an owner would: what is left goes on by itself.</summary>
    public async Task PlayForAWhileAsync(Guid workspace, TimeSpan atMost, CancellationToken cancel)
    {
        var playing = Task.Run(() => PlayAsync(workspace, CancellationToken.None), CancellationToken.None);
        await Task.WhenAny(playing, Task.Delay(atMost, time, cancel));
        if (playing.IsFaulted)
        {
            LogFault(playing.Exception!, workspace);
        }
        else if (!playing.IsCompleted)
        {
            _ = playing.ContinueWith(
                faulted => LogFault(faulted.Exception!, workspace),
                CancellationToken.None,
                TaskContinuationOptions.OnlyOnFaulted,
                TaskScheduler.Default
            );
        }
    }

    protected override Task ExecuteAsync(CancellationToken stoppingToken) =>
        Task.WhenAll(SweepAsync(stoppingToken), AnswerBellAsync(stoppingToken));

    private async Task<bool> StepAsync(Guid workspace, Guid order, CancellationToken cancel)
    {
        try
        {
            return await InScopeAsync(workspace, services =>
                services.GetRequiredService<DayStep>().TakeAsync(order, cancel)
            );
        }
        catch (DbUpdateConcurrencyException)
        {
            return true; // The owner decided something meanwhile.
        }
    }

    private async Task SweepAsync(CancellationToken cancel)
    {
        using var timer = new PeriodicTimer(pace.SweepEvery, time);
        await RingUnopenedAsync(cancel);
        do
        {
            try
            {
                await Parallel.ForEachAsync(
                    await WaitingAsync(cancel),
                    new ParallelOptions { MaxDegreeOfParallelism = 8, CancellationToken = cancel },
                    async (workspace, token) => await SafelyAsync(workspace, token)
                );
            }
            catch (Exception exception) when (!cancel.IsCancellationRequested)
            {
                LogFault(exception, Guid.Empty);
            }
        } while (await timer.WaitForNextTickAsync(cancel));
    }

    // What was delivered just before a server stopped may have no day book yet, or be a claim that is not noted.
    private async Task RingUnopenedAsync(CancellationToken cancel)
    {
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            var db = scope.ServiceProvider.GetRequiredService<HomeStartDb>();
            var books = db.DayBooks.IgnoreQueryFilters();
            foreach (
                var workspace in await db
                    .Orders.IgnoreQueryFilters()
                    .Where(order =>
                        !order.IsOpen
                        && !books.Any(book => book.WorkspaceId == order.WorkspaceId && book.OrderId == order.Id)
                    )
                    .Select(order => order.WorkspaceId)
                    .Distinct()
                    .ToListAsync(cancel)
            )
            {
                bell.Ring(workspace);
            }
        }
        catch (Exception exception) when (!cancel.IsCancellationRequested)
        {
            LogFault(exception, Guid.Empty);
        }
    }

    private async Task AnswerBellAsync(CancellationToken cancel)
    {
        await foreach (var workspace in bell.RungAsync(cancel))
        {
            _ = SafelyAsync(workspace, cancel);
        }
    }

    private async Task SafelyAsync(Guid workspace, CancellationToken cancel)
    {
        try
        {
            await PlayAsync(workspace, cancel);
        }
        catch (Exception exception) when (!cancel.IsCancellationRequested)
        {
            LogFault(exception, workspace);
        }
        catch (OperationCanceledException)
        {
            // The server stops; the next one goes on.
        }
    }

    // Each workspace has a day of its own.
    private async Task<List<Guid>> WaitingAsync(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<HomeStartDb>();
        var today = Workspace.DayOf(options, time, 0).DayNumber;
        return await db
            .DayBooks.IgnoreQueryFilters()
            .Where(row =>
                db.Workspaces.IgnoreQueryFilters()
                    .Any(workspace => workspace.Id == row.WorkspaceId && row.WaitsFor <= today + workspace.DaysAhead)
            )
            .Select(row => row.WorkspaceId)
            .Distinct()
            .ToListAsync(cancel);
    }

    private async Task<T> InScopeAsync<T>(Guid workspace, Func<IServiceProvider, Task<T>> work)
    {
        await using var scope = scopes.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<WorkspaceScope>().Open(workspace);
        return await work(scope.ServiceProvider);
    }

    [LoggerMessage(
        Level = LogLevel.Error,
        Message = "The days of workspace {Workspace} met a fault of our own; they are gone on with in a while."
    )]
    private partial void LogFault(Exception exception, Guid workspace);
}
