using HomeStart.Web.Work;
using Microsoft.Extensions.Logging.Abstractions;
using Microsoft.Extensions.Time.Testing;

namespace HomeStart.Web.Tests;

/// <summary>
/// The worker goes on with whatever is rung for or found waiting, one at a time, whatever goes wrong.
/// </summary>
public class WorkerTests
{
    private static readonly WorkKey Key = new(Guid.NewGuid());

    [Fact]
    public async Task What_is_rung_for_while_it_is_worked_at_is_done_once_more_and_never_by_two_at_once()
    {
        var work = new Counted { Hold = new TaskCompletionSource() };
        await using var running = await StartAsync(work);
        running.Bell.Ring<Counted>(Key);
        await work.UntilAsync(() => work.Steps == 1);
        running.Bell.Ring<Counted>(Key);
        running.Bell.Ring<Counted>(Key);
        running.Bell.Ring<Counted>(new WorkKey(Guid.NewGuid())); // Another waits for nobody.
        await work.UntilAsync(() => work.Steps == 2);
        work.Hold.SetResult();
        await work.UntilAsync(() => work.Steps == 3);
        (work.MostAtOnce, work.Steps).ShouldBe((1, 3));
    }

    [Fact]
    public async Task A_fault_is_tried_again_and_a_step_that_gave_up_is_found_by_the_sweep()
    {
        var work = new Counted
        {
            Fails = new([new InvalidOperationException("A full disk."), new OperationCanceledException()]),
            Waiting = [Key],
        };
        await using var running = await StartAsync(work);
        await work.UntilAsync(() => work.Steps == 2);
        running.Faults.ShouldBe([1]);
        running.Clock.Advance(work.SweepEvery);
        await work.UntilAsync(() => work.Steps == 3);
    }

    [Fact]
    public async Task What_fails_without_end_ends_when_the_server_stops()
    {
        var work = new Counted { Waiting = [Key], AlwaysFails = true };
        var running = await StartAsync(work);
        await work.UntilAsync(() => work.Steps > 2);
        await running.DisposeAsync();
        await work.UntilAsync(() => running.Worker.IsIdle);
    }

    [Fact]
    public async Task Sweeps_go_on_where_one_failed()
    {
        var work = new Counted { Waiting = [Key], IsSweepBroken = true };
        await using var running = await StartAsync(work);
        await work.UntilAsync(() => work.Sweeps == 1);
        work.IsSweepBroken = false;
        running.Clock.Advance(work.SweepEvery);
        await work.UntilAsync(() => work.Steps == 1);
    }

    private static async Task<Running> StartAsync(IDurableWork work)
    {
        var (bell, clock, pace) = (new WorkBell(), new FakeTimeProvider(), new NoPause());
        var worker = new Worker([work], bell, pace, clock, NullLogger<Worker>.Instance);
        await worker.StartAsync(CancellationToken.None);
        return new Running(worker, bell, clock, pace.Faults);
    }

    private sealed record Running(Worker Worker, WorkBell Bell, FakeTimeProvider Clock, List<int> Faults)
        : IAsyncDisposable
    {
        public async ValueTask DisposeAsync()
        {
            await Worker.StopAsync(CancellationToken.None);
            Worker.Dispose();
        }
    }

    private sealed class NoPause : WorkPace
    {
        public List<int> Faults { get; } = [];

        public override Task AfterFaultAsync(int faults, CancellationToken cancel)
        {
            Faults.Add(faults);
            return Task.CompletedTask;
        }
    }

    private sealed class Counted : IDurableWork
    {
        private readonly Lock _counting = new();
        private readonly Dictionary<WorkKey, int> _atWork = [];

        public TimeSpan SweepEvery => TimeSpan.FromSeconds(30);

        public TaskCompletionSource? Hold { get; init; }

        public Queue<Exception> Fails { get; init; } = new();

        public IReadOnlyCollection<WorkKey> Waiting { get; init; } = [];

        public bool IsSweepBroken { get; set; }

        public bool AlwaysFails { get; init; }

        public int Steps { get; private set; }

        public int Sweeps { get; private set; }

        public int MostAtOnce { get; private set; }

        public Task<IReadOnlyCollection<WorkKey>> WaitingAsync(CancellationToken cancel)
        {
            Sweeps++;
            return IsSweepBroken ? throw new InvalidOperationException("No file.") : Task.FromResult(Waiting);
        }

        public async Task<bool> StepAsync(WorkKey key, CancellationToken cancel)
        {
            lock (_counting)
            {
                Steps++;
                _atWork[key] = _atWork.GetValueOrDefault(key) + 1;
                MostAtOnce = Math.Max(MostAtOnce, _atWork[key]);
            }

            await (Hold?.Task ?? Task.CompletedTask);
            lock (_counting)
            {
                _atWork[key]--;
                return Fails.TryDequeue(out var fails) ? throw fails
                    : AlwaysFails ? throw new ObjectDisposedException("The database.")
                    : false;
            }
        }

        public async Task UntilAsync(Func<bool> holds)
        {
            for (var tries = 0; !holds(); tries++)
            {
                tries.ShouldBeLessThan(2000, "it did not come to that");
                await Task.Delay(5, TestContext.Current.CancellationToken);
            }
        }
    }
}
