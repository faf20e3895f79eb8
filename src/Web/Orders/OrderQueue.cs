using System.Threading.Channels;

namespace HomeStart.Web.Orders;

/// <summary>Orders that can go on without their owner.</summary>
public sealed class OrderQueue
{
    private readonly Channel<Guid> _orders = Channel.CreateUnbounded<Guid>();

    public void Add(Guid order) => _orders.Writer.TryWrite(order);

    public IAsyncEnumerable<Guid> ReadAllAsync(CancellationToken cancel) => _orders.Reader.ReadAllAsync(cancel);
}
