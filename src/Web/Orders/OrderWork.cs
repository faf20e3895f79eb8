using HomeStart.Data;
using HomeStart.Web.Mail;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using HomeStart.Web.Upkeep;
using HomeStart.Web.Work;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Orders;

/// <summary>
/// Carries orders out, one action at a time: record it, ask the counterpart, record the outcome.
/// </summary>
public sealed class OrderWork(
    IServiceScopeFactory scopes,
    OrderPace pace,
    OrderMetrics metrics,
    WorkBell bell,
    StartOptions options,
    TimeProvider time
) : IDurableWork
{
    /// <inheritdoc/>
    public TimeSpan SweepEvery => pace.SweepEvery;

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

    /// <summary>
    /// All open orders: none is left lying, whatever became of those that should have gone on with it.
    /// </summary>
    public async Task<IReadOnlyCollection<WorkKey>> WaitingAsync(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        return await scope
            .ServiceProvider.GetRequiredService<HomeStartDb>()
            .Orders.IgnoreQueryFilters()
            .Where(row => row.IsOpen)
            .Select(row => new WorkKey(row.WorkspaceId, row.Id))
            .ToListAsync(cancel);
    }

    /// <inheritdoc/>
    public async Task<bool> StepAsync(WorkKey key, CancellationToken cancel)
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
        bell.Ring<MailWork>();
        if (after.State == OrderState.Completed)
        {
            bell.Ring<DayWork>(new WorkKey(at.Row.WorkspaceId));
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
}
