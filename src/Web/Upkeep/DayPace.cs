namespace HomeStart.Web.Upkeep;

/// <summary>How days go on. Tests stop the server here.</summary>
public class DayPace
{
    /// <summary>How often it is looked for what fell due, and for what nobody answered.</summary>
    public virtual TimeSpan SweepEvery => TimeSpan.FromSeconds(10);

    /// <summary>The moments of an act, between which a server may be stopped.</summary>
    public virtual Task AtAsync(Orders.OrderMoment moment, Act act, CancellationToken cancel) => Task.CompletedTask;
}
