using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Work;

/// <summary>
/// Carries on with orders, days and mail: what is rung for at once, and what is found waiting now and then. Whoever
/// works at something has the lease of it, so that it is done by one at a time; a fault of our own is tried again with
/// growing pauses, and what a stopped server left open is gone on with when it starts again.
/// </summary>
public sealed partial class Worker(
    IEnumerable<IDurableWork> kinds,
    WorkBell bell,
    WorkPace pace,
    TimeProvider time,
    ILogger<Worker> log
) : BackgroundService
{
    private readonly Dictionary<Type, IDurableWork> _kinds = kinds.ToDictionary(work => work.GetType());
    private readonly Dictionary<(Type Kind, WorkKey Key), Lease> _leases = [];
    private readonly Lock _leasing = new();
    private long _answered;

    /// <summary>Whether all that was rung for is over, and nothing is worked at.</summary>
    public bool IsIdle
    {
        get
        {
            lock (_leasing)
            {
                return _leases.Count == 0 && Interlocked.Read(ref _answered) == bell.Times;
            }
        }
    }

    protected override Task ExecuteAsync(CancellationToken stoppingToken) =>
        Task.WhenAll([AnswerAsync(stoppingToken), .. _kinds.Values.Select(work => SweepAsync(work, stoppingToken))]);

    private async Task AnswerAsync(CancellationToken cancel)
    {
        await foreach (var (kind, key) in bell.RungAsync(cancel))
        {
            Begin(_kinds[kind], key, cancel);
            Interlocked.Increment(ref _answered);
        }
    }

    private async Task SweepAsync(IDurableWork work, CancellationToken cancel)
    {
        using var timer = new PeriodicTimer(work.SweepEvery, time);
        do
        {
            try
            {
                foreach (var key in await work.WaitingAsync(cancel))
                {
                    Begin(work, key, cancel);
                }
            }
            catch (Exception exception) when (!cancel.IsCancellationRequested)
            {
                LogNoSweep(exception, work.GetType().Name);
            }
        } while (await timer.WaitForNextTickAsync(cancel));
    }

    // Work waits for nobody but itself: what hangs on a slow counterpart holds nothing else up.
    private void Begin(IDurableWork work, WorkKey key, CancellationToken cancel)
    {
        lock (_leasing)
        {
            if (_leases.TryGetValue((work.GetType(), key), out var held))
            {
                held.IsRungAgain = true;
                return;
            }

            _leases.Add((work.GetType(), key), new Lease());
        }

        _ = Task.Run(() => GoOnAsync(work, key, cancel), cancel);
    }

    private async Task GoOnAsync(IDurableWork work, WorkKey key, CancellationToken cancel)
    {
        var faults = 0;
        do
        {
            for (var more = true; more && !cancel.IsCancellationRequested; )
            {
                try
                {
                    more = await work.StepAsync(key, cancel);
                    faults = 0;
                }
                catch (OperationCanceledException)
                {
                    Release(work, key); // The server stops, and the next one goes on; else it is found waiting.
                    return;
                }
                catch (DbUpdateConcurrencyException)
                {
                    // The owner decided something meanwhile: it is looked at anew.
                }
                catch (Exception exception)
                {
                    LogFault(exception, work.GetType().Name, key, ++faults);
                    await pace.AfterFaultAsync(faults, cancel).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
                }
            }
            // The server stops, whatever the step made of that; the next one goes on.
            if (cancel.IsCancellationRequested)
            {
                Release(work, key);
                return;
            }
        } while (!IsOver(work, key));
    }

    private void Release(IDurableWork work, WorkKey key)
    {
        lock (_leasing)
        {
            _leases.Remove((work.GetType(), key));
        }
    }

    // Rung for while it was worked at: there may be more to do than was seen.
    private bool IsOver(IDurableWork work, WorkKey key)
    {
        lock (_leasing)
        {
            var lease = _leases[(work.GetType(), key)];
            if (lease.IsRungAgain)
            {
                lease.IsRungAgain = false;
                return false;
            }

            return _leases.Remove((work.GetType(), key));
        }
    }

    private sealed class Lease
    {
        public bool IsRungAgain { get; set; }
    }

    [LoggerMessage(
        Level = LogLevel.Error,
        Message = "{Work} met a fault of our own at {Key} ({Faults} in a row); it is tried again after a pause."
    )]
    private partial void LogFault(Exception exception, string work, WorkKey key, int faults);

    [LoggerMessage(
        Level = LogLevel.Error,
        Message = "{Work} could not look for what waits; it looks again in a while."
    )]
    private partial void LogNoSweep(Exception exception, string work);
}
