namespace HomeStart.Web.Work;

/// <summary>How work goes on after a fault of our own.</summary>
public class WorkPace
{
    /// <summary>A full disk, say: twice as long each time, up to a minute.</summary>
    public virtual Task AfterFaultAsync(int faults, CancellationToken cancel) =>
        Task.Delay(TimeSpan.FromSeconds(Math.Min(60, Math.Pow(2, Math.Min(faults, 6)) / 2)), cancel);
}
