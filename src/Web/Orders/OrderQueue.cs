using System.Threading.Channels;

namespace HomeStart.Web.Orders;

/// <summary>An order among all workspaces'.</summary>
public readonly record struct OrderKey(Guid Workspace, Guid Id);

/// <summary>Orders that can go on without their owner.</summary>
public sealed class OrderQueue
{
    private readonly Channel<OrderKey> _orders = Channel.CreateUnbounded<OrderKey>();

    public void Add(OrderKey order) => _orders.Writer.TryWrite(order);

    public IAsyncEnumerable<OrderKey> ReadAllAsync(CancellationToken cancel) => _orders.Reader.ReadAllAsync(cancel);
}
