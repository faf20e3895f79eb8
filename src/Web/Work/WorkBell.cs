using System.Threading.Channels;

namespace HomeStart.Web.Work;

/// <summary>Says that there is something to go on with, so that it need not wait until it is looked for.</summary>
public sealed class WorkBell
{
    private readonly Channel<(Type Kind, WorkKey Key)> _rung = Channel.CreateUnbounded<(Type, WorkKey)>();

    private long _times;

    /// <summary>How often it rang.</summary>
    public long Times => Interlocked.Read(ref _times);

    public void Ring<TWork>(WorkKey key = default)
        where TWork : IDurableWork
    {
        Interlocked.Increment(ref _times);
        _rung.Writer.TryWrite((typeof(TWork), key));
    }

    internal IAsyncEnumerable<(Type Kind, WorkKey Key)> RungAsync(CancellationToken cancel) =>
        _rung.Reader.ReadAllAsync(cancel);
}
