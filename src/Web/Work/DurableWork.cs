namespace HomeStart.Web.Work;

/// <summary>What is gone on with: the days of a workspace, say, or one of its orders.</summary>
/// <param name="Id">Null: the workspace as a whole, or with an empty workspace all of it.</param>
public readonly record struct WorkKey(Guid Workspace, Guid? Id = null);

/// <summary>
/// A kind of work that ends whatever becomes of the server. Each step records what it does before and after, so that it
/// can be gone on with from there; <see cref="Worker"/> sees that it is.
/// </summary>
public interface IDurableWork
{
    /// <summary>How often it is looked for what waits.</summary>
    TimeSpan SweepEvery { get; }

    /// <summary>What waits now. Asked at the start, and again and again, so that nothing is left lying.</summary>
    Task<IReadOnlyCollection<WorkKey>> WaitingAsync(CancellationToken cancel);

    /// <summary>Takes one step; whether there may be another at once.</summary>
    Task<bool> StepAsync(WorkKey key, CancellationToken cancel);
}
