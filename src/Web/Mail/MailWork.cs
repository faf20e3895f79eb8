using HomeStart.Data;
using HomeStart.Web.Work;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Mail;

/// <summary>
/// Sends what is in the outbox, oldest first. What nobody takes is tried again after growing pauses and never given up;
/// what a stopped server may have sent is sent again, under the same id, and filed once.
/// </summary>
public sealed class MailWork(IServiceScopeFactory scopes, TimeProvider time) : IDurableWork
{
    private const int LongestPauseSeconds = 300;

    /// <inheritdoc/>
    public TimeSpan SweepEvery => TimeSpan.FromSeconds(2);

    /// <summary>The outbox is one piece of work: whether there is a letter in it is seen when it is opened.</summary>
    public Task<IReadOnlyCollection<WorkKey>> WaitingAsync(CancellationToken cancel) =>
        Task.FromResult<IReadOnlyCollection<WorkKey>>([default]);

    /// <summary>Sends the letter that has waited longest; whether there was one.</summary>
    public async Task<bool> StepAsync(WorkKey key, CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<HomeStartDb>();
        var now = time.GetUtcNow().ToUnixTimeSeconds();
        if (
            await db
                .Outbox.IgnoreQueryFilters()
                .Where(row => row.State == OutboxState.Waiting && row.NextAt <= now)
                .OrderBy(row => row.NextAt)
                .FirstOrDefaultAsync(cancel)
            is not { } row
        )
        {
            return false;
        }

        var outcome = await scope
            .ServiceProvider.GetRequiredService<IPostOffice>()
            .SendAsync(new World(row.WorkspaceId), Documents.Read<Letter>(row.Document), cancel);
        row.Tries++;
        (row.State, row.NextAt) = outcome.State switch
        {
            OutcomeState.Done => (OutboxState.Sent, now),
            OutcomeState.Refused => (OutboxState.Refused, now),
            _ => (OutboxState.Waiting, now + Math.Min(LongestPauseSeconds, 1 << Math.Min(row.Tries, 9))),
        };
        await db.SaveChangesAsync(CancellationToken.None);
        return true;
    }
}
