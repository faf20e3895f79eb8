namespace HomeStart.Web.Orders;

/// <summary>The moments of an action, between which a server may be stopped.</summary>
public enum OrderMoment
{
    /// <summary>The action is recorded; nobody was asked yet.</summary>
    Recorded,

    /// <summary>There was an answer, which is not recorded yet.</summary>
    Answered,
}

/// <summary>How fast an order goes on. Tests stop the server here.</summary>
public class OrderPace
{
    /// <summary>Before asking again where there was no answer.</summary>
    public virtual Task WaitAsync(int unanswered, CancellationToken cancel) =>
        Task.Delay(TimeSpan.FromSeconds(unanswered), cancel);

    /// <summary>How often open orders are looked for that nothing carries on.</summary>
    public virtual TimeSpan SweepEvery => TimeSpan.FromSeconds(30);

    public virtual Task AtAsync(OrderMoment moment, OrderAction action, CancellationToken cancel) => Task.CompletedTask;
}
