using System.Threading.Channels;

namespace HomeStart.Web.Upkeep;

/// <summary>How days go on. Tests stop the server here.</summary>
public class DayPace
{
    /// <summary>How often it is looked for what fell due, and for what nobody answered.</summary>
    public virtual TimeSpan SweepEvery => TimeSpan.FromSeconds(10);

    /// <summary>The moments of an act, between which a server may be stopped.</summary>
    public virtual Task AtAsync(Orders.OrderMoment moment, Act act, CancellationToken cancel) => Task.CompletedTask;
}

/// <summary>
/// Says that the days of a workspace may go on: something was delivered, decided, or its clock was moved.
/// </summary>
public sealed class DayBell
{
    private readonly Channel<Guid> _rung = Channel.CreateUnbounded<Guid>();

    public void Ring(Guid workspace) => _rung.Writer.TryWrite(workspace);

    public IAsyncEnumerable<Guid> RungAsync(CancellationToken cancel) => _rung.Reader.ReadAllAsync(cancel);
}
