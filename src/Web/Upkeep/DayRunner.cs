using System.Collections.Concurrent;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Upkeep;

/// <summary>
/// Lets days pass: what falls due up to a workspace's business date is carried out at the counterparts, one workspace
/// at a time by itself, several side by side.
/// </summary>
public sealed partial class DayRunner(IServiceScopeFactory scopes, TimeProvider time, ILogger<DayRunner> log)
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
