using System.Collections.Concurrent;
using HomeStart.Core;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Orders;

/// <summary>
/// Carries orders out, one action at a time: record it, ask the counterpart, record the outcome. What a stopped server left open is gone on with when it starts
/// again.
/// </summary>
public sealed partial class OrderRunner(IServiceScopeFactory scopes, OrderQueue queue, OrderPace pace, ILogger<OrderRunner> log) : BackgroundService
{
    private readonly ConcurrentDictionary<Guid, Task> _running = new();

    /// <summary>Puts an order into its row.</summary>
    public static void Store(OrderRow row, Order order)
    {
        row.Document = Documents.Write(order);
        row.IsOpen = OrderFlow.Next(order) is not null;
        row.Version++;
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        foreach (var open in await OpenOrdersAsync(stoppingToken))
        {
            queue.Add(open);
        }

        await foreach (var id in queue.ReadAllAsync(stoppingToken))
        {
            // Orders wait for nobody but themselves: one that hangs on a slow host holds no other up.
            _running[id] = GoOnAsync(id, _running.GetValueOrDefault(id, Task.CompletedTask), stoppingToken);
        }
    }

    private async Task<List<Guid>> OpenOrdersAsync(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        return await scope.ServiceProvider.GetRequiredService<HomeStartDb>().Orders.IgnoreQueryFilters().Where(row => row.IsOpen).Select(row => row.Id).ToListAsync(cancel);
    }

    private async Task GoOnAsync(Guid id, Task before, CancellationToken cancel)
    {
        await before;
        await Task.Yield();
        try
        {
            while (await ActAsync(id, cancel))
            {
                // One action after another, until the owner is needed or all is done.
            }
        }
        catch (OperationCanceledException)
        {
            // The server stops; the next one goes on.
        }
        catch (DbUpdateConcurrencyException)
        {
            queue.Add(id); // The owner decided something meanwhile.
        }
        catch (Exception exception)
        {
            LogStuck(exception, id);
        }
    }

    private async Task<bool> ActAsync(Guid id, CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var services = scope.ServiceProvider;
        var db = services.GetRequiredService<HomeStartDb>();
        var row = await db.Orders.IgnoreQueryFilters().SingleAsync(row => row.Id == id, cancel);
        var order = Documents.Read<Order>(row.Document);
        if (OrderFlow.Next(order) is not { } action)
        {
            return false;
        }

        await pace.WaitAsync(action.Step.Unanswered, cancel);
        order = OrderFlow.Begun(order, action);
        Store(row, order);
        await db.SaveChangesAsync(cancel);
        await pace.AtAsync(OrderMoment.Recorded, action, cancel);
        var outcome = await services.GetRequiredService<OrderActions>().CarryOutAsync(new World(row.WorkspaceId), order, action, cancel);
        await pace.AtAsync(OrderMoment.Answered, action, cancel);
        Store(row, OrderFlow.After(order, action, outcome));
        await db.SaveChangesAsync(cancel);
        return true;
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "Order {Order} cannot go on; it will be tried when the server starts again.")]
    private partial void LogStuck(Exception exception, Guid order);
}
