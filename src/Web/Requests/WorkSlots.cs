using System.Threading.RateLimiting;
using HomeStart.Data;

namespace HomeStart.Web.Requests;

/// <summary>
/// Turns at what takes a processor for long. One is taken only when the whole request is there, so that a slow sender
/// holds nobody up; a workspace has one scan at a time, and the page's own scans do not wait for those of programs, nor
/// the other way round.
/// </summary>
public sealed class WorkSlots : IDisposable
{
    private const int MostWaiting = 4;

    private static readonly int AtOnce = Math.Max(2, Environment.ProcessorCount);

    private readonly PartitionedRateLimiter<Guid> _perWorkspace = PartitionedRateLimiter.Create<Guid, Guid>(workspace =>
        RateLimitPartition.GetConcurrencyLimiter(workspace, _ => Limit(1, MostWaiting))
    );
    private readonly ConcurrencyLimiter _ownScans = new(Limit(AtOnce, 32));

    // A scan takes every core for as long as it runs: those of programs leave the others to owners at work.
    private readonly ConcurrencyLimiter _otherScans = new(Limit(AtOnce / 2, 16));
    private readonly PartitionedRateLimiter<Guid> _checksPerWorkspace = PartitionedRateLimiter.Create<Guid, Guid>(
        workspace => RateLimitPartition.GetConcurrencyLimiter(workspace, _ => Limit(4, 8))
    );
    private readonly ConcurrencyLimiter _checks = new(Limit(24, 48));
    private readonly ConcurrencyLimiter _costings = new(Limit(AtOnce, 400));

    /// <summary>A turn at a scan of the page's own.</summary>
    public Task<WorkSlot> OwnScanAsync(WorkspaceScope workspace, CancellationToken cancel) =>
        ScanAsync(_ownScans, workspace, cancel);

    /// <summary>A turn at a scan that anybody sent.</summary>
    public Task<WorkSlot> ScanAsync(WorkspaceScope workspace, CancellationToken cancel) =>
        ScanAsync(_otherScans, workspace, cancel);

    /// <summary>A turn at asking registrars about many names.</summary>
    public Task<WorkSlot> ChecksAsync(WorkspaceScope workspace, CancellationToken cancel) =>
        OfWorkspaceAsync(_checksPerWorkspace, _checks, workspace.Id, cancel);

    public async Task<WorkSlot> CostingAsync(CancellationToken cancel) => new(await _costings.AcquireAsync(1, cancel));

    public void Dispose()
    {
        _perWorkspace.Dispose();
        _checksPerWorkspace.Dispose();
        _checks.Dispose();
        _ownScans.Dispose();
        _otherScans.Dispose();
        _costings.Dispose();
    }

    private async Task<WorkSlot> ScanAsync(
        ConcurrencyLimiter all,
        WorkspaceScope workspace,
        CancellationToken cancel
    ) =>
        workspace.IsKnown
            ? await OfWorkspaceAsync(_perWorkspace, all, workspace.Id, cancel)
            : new WorkSlot(await all.AcquireAsync(1, cancel));

    private static async Task<WorkSlot> OfWorkspaceAsync(
        PartitionedRateLimiter<Guid> perWorkspace,
        ConcurrencyLimiter all,
        Guid workspace,
        CancellationToken cancel
    )
    {
        var own = await perWorkspace.AcquireAsync(workspace, 1, cancel);
        if (!own.IsAcquired)
        {
            return new WorkSlot(own);
        }

        try
        {
            return new WorkSlot(own, await all.AcquireAsync(1, cancel));
        }
        catch (OperationCanceledException)
        {
            own.Dispose();
            throw;
        }
    }

    private static ConcurrencyLimiterOptions Limit(int atOnce, int waiting) =>
        new()
        {
            PermitLimit = atOnce,
            QueueLimit = waiting,
            QueueProcessingOrder = QueueProcessingOrder.OldestFirst,
        };
}

/// <summary>A turn, given back when disposed.</summary>
public readonly record struct WorkSlot(RateLimitLease First, RateLimitLease? Second = null) : IDisposable
{
    /// <summary>The answer where too many wait already; null: it is one's turn.</summary>
    public TooManyProblem? Refusal =>
        First.IsAcquired && Second is not { IsAcquired: false }
            ? null
            : new TooManyProblem("Too much is being worked out just now. Try again in a moment.");

    public void Dispose()
    {
        First.Dispose();
        Second?.Dispose();
    }
}
