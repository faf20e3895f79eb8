using System.Collections.Concurrent;
using HomeStart.Data;
using HomeStart.Web.Mail;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using HomeStart.Web.Upkeep;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Orders;

/// <summary>
/// Carries orders out, one action at a time: record it, ask the counterpart, record the outcome. What a stopped server
/// left open is gone on with when it starts
/// again; a fault of our own is tried again with growing pauses.
/// </summary>
public sealed partial class OrderRunner(
    IServiceScopeFactory scopes,
    OrderQueue queue,
    OrderPace pace,
    OrderMetrics metrics,
    PostBell bell,
    DayBell days,
    StartOptions options,
    TimeProvider time,
    ILogger<OrderRunner> log
) : BackgroundService
{
    private readonly ConcurrentDictionary<OrderKey, Task> _running = new();

    /// <summary>
    /// Puts an order into its row. A claim that came to nothing gives its domain-year back in the same step. The caller
    /// saves.
    /// </summary>
    public static async Task StoreAsync(HomeStartDb db, OrderRow row, Order order, CancellationToken cancel)
    {
        row.Document = Documents.Write(order);
        row.IsOpen = OrderFlow.Next(order) is not null || !OrderFlow.Looks(order).IsEmpty;
        row.Version++;
        if (order is { State: OrderState.Cancelled, ClaimOf: not null })
        {
            db.ClaimedAllowances.RemoveRange(
                await db
                    .ClaimedAllowances.IgnoreQueryFilters()
                    .Where(claimed => claimed.WorkspaceId == row.WorkspaceId && claimed.ClaimId == order.Id)
                    .ToListAsync(cancel)
            );
        }
    }

    protected override Task ExecuteAsync(CancellationToken stoppingToken) =>
        Task.WhenAll(SweepAsync(stoppingToken), TakeUpAsync(stoppingToken));

    // At the start, and again and again: no open order is left lying, whatever became of those that should have gone on
    // with it.
    private async Task SweepAsync(CancellationToken cancel)
    {
        using var timer = new PeriodicTimer(pace.SweepEvery, time);
        do
        {
            try
            {
                foreach (var open in (await OpenOrdersAsync(cancel)).Where(open => !_running.ContainsKey(open)))
                {
                    queue.Add(open);
                }
            }
            catch (Exception exception) when (!cancel.IsCancellationRequested)
            {
                LogNoSweep(exception);
            }
        } while (await timer.WaitForNextTickAsync(cancel));
    }

    private async Task<List<OrderKey>> OpenOrdersAsync(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        return await scope
            .ServiceProvider.GetRequiredService<HomeStartDb>()
            .Orders.IgnoreQueryFilters()
            .Where(row => row.IsOpen)
            .Select(row => new OrderKey(row.WorkspaceId, row.Id))
            .ToListAsync(cancel);
    }

    private async Task TakeUpAsync(CancellationToken cancel)
    {
        await foreach (var order in queue.ReadAllAsync(cancel))
        {
            // Orders wait for nobody but themselves: one that hangs on a slow host holds no other up.
            var going = GoOnAsync(order, _running.GetValueOrDefault(order, Task.CompletedTask), cancel);
            _running[order] = going;
            _ = going.ContinueWith(
                _ => _running.TryRemove(KeyValuePair.Create(order, going)),
                CancellationToken.None,
                TaskContinuationOptions.None,
                TaskScheduler.Default
            );
        }
    }

    private async Task GoOnAsync(OrderKey order, Task before, CancellationToken cancel)
    {
        await before;
        await Task.Yield();
        var faults = 0;
        for (var more = true; more; )
        {
            try
            {
                more = await ActAsync(order, cancel);
                faults = 0;
            }
            catch (OperationCanceledException)
            {
                return; // The server stops; the next one goes on.
            }
            catch (DbUpdateConcurrencyException)
            {
                continue; // The owner decided something meanwhile.
            }
            catch (Exception exception)
            {
                LogFault(exception, order.Id, ++faults);
                more = await PausedAsync(faults, cancel);
            }
        }
    }

    private async Task<bool> PausedAsync(int faults, CancellationToken cancel)
    {
        await pace.AfterFaultAsync(faults, cancel).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        return !cancel.IsCancellationRequested;
    }

    private async Task<bool> ActAsync(OrderKey key, CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var services = scope.ServiceProvider;
        var db = services.GetRequiredService<HomeStartDb>();
        if (
            await db
                .Orders.IgnoreQueryFilters()
                .SingleOrDefaultAsync(row => row.WorkspaceId == key.Workspace && row.Id == key.Id, cancel)
            is not { } row
        )
        {
            return false;
        }

        var order = Documents.Read<Order>(row.Document);
        var ahead = await db
            .Workspaces.IgnoreQueryFilters()
            .Where(workspace => workspace.Id == key.Workspace)
            .Select(workspace => workspace.DaysAhead)
            .SingleOrDefaultAsync(cancel);
        var at = new Place(services, row, new World(row.WorldId), Workspace.DayOf(options, time, ahead));
        return OrderFlow.Next(order) is { } action
            ? await CarryOutAsync(at, order, action, cancel)
            : await LookAsync(at, order, cancel);
    }

    private sealed record Place(IServiceProvider Services, OrderRow Row, World World, DateOnly Today)
    {
        public HomeStartDb Db => Services.GetRequiredService<HomeStartDb>();

        public OrderActions Actions => Services.GetRequiredService<OrderActions>();
    }

    private async Task<bool> CarryOutAsync(Place at, Order order, OrderAction action, CancellationToken cancel)
    {
        await pace.WaitAsync(action.Step.Unanswered, cancel);
        order = OrderFlow.Begun(order, action);
        await StoreAsync(at.Db, at.Row, order, cancel);
        await at.Db.SaveDurablyAsync(cancel);
        await pace.AtAsync(OrderMoment.Recorded, action, cancel);
        var outcome = await at.Actions.CarryOutAsync(at.World, order, action, at.Today, cancel);
        metrics.Count(action, outcome);
        await pace.AtAsync(OrderMoment.Answered, action, cancel);
        await RecordAsync(at, order, OrderFlow.After(order, action, outcome), cancel);
        return true;
    }

    // Whether anything has come of what the order waits for. Looking changes nothing, and so only what has changed is
    // recorded.
    private async Task<bool> LookAsync(Place at, Order order, CancellationToken cancel)
    {
        var after = order;
        foreach (var look in OrderFlow.Looks(order))
        {
            var outcome = await at.Actions.CarryOutAsync(at.World, order, look, at.Today, cancel);
            metrics.Count(look, outcome);
            after = after.Steps.Any(step => step.Key == look.Step.Key) ? OrderFlow.After(after, look, outcome) : after;
        }

        if (Documents.Write(after) == Documents.Write(order))
        {
            return false;
        }

        await RecordAsync(at, order, after, cancel);
        return OrderFlow.Next(after) is not null;
    }

    private async Task RecordAsync(Place at, Order before, Order after, CancellationToken cancel)
    {
        await StoreAsync(at.Db, at.Row, after, cancel);
        at.Services.GetRequiredService<Outbox>().Tell(at.Row.WorkspaceId, before.State, after, at.Row.Version);
        if (after.State == OrderState.Completed)
        {
            await NowCustomerAsync(at, after, cancel);
        }

        await at.Db.SaveDurablyAsync(cancel);
        bell.Ring();
        if (after.State == OrderState.Completed)
        {
            days.Ring(at.Row.WorkspaceId);
        }
    }

    // Whoever has bought is the seller's customer: codes for new ones stop counting there.
    private static async Task NowCustomerAsync(Place at, Order order, CancellationToken cancel)
    {
        var known = await at
            .Db.Customers.IgnoreQueryFilters()
            .Where(row => row.WorkspaceId == at.Row.WorkspaceId)
            .Select(row => row.BookId)
            .ToListAsync(cancel);
        at.Db.Customers.AddRange(
            order
                .Things.Payments.Select(payment => payment.Book)
                .Distinct()
                .Except(known)
                .Select(book => new CustomerRow
                {
                    WorkspaceId = at.Row.WorkspaceId,
                    BookId = book,
                    Since = at.Today,
                })
        );
    }

    [LoggerMessage(
        Level = LogLevel.Error,
        Message = "Order {Order} met a fault of our own ({Faults} in a row); it is tried again after a pause."
    )]
    private partial void LogFault(Exception exception, Guid order, int faults);

    [LoggerMessage(
        Level = LogLevel.Error,
        Message = "Open orders could not be looked for; they are looked for again in a while."
    )]
    private partial void LogNoSweep(Exception exception);
}
