using HomeStart.Data;
using HomeStart.Web.Work;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Mail;

/// <summary>
/// Sends what is in the outbox: to one address in the order it was written, so that no order is complete before it was
/// placed. What nobody takes is tried again after growing pauses and never given up, and what was written to that
/// address since waits with it; what a stopped server may have sent is sent again, under the same id, and filed once.
/// </summary>
public sealed class MailWork(IServiceScopeFactory scopes, TimeProvider time) : IDurableWork
{
    private const int LongestPauseSeconds = 300;

    /// <inheritdoc/>
    public TimeSpan SweepEvery => TimeSpan.FromSeconds(2);

    /// <summary>The outbox is one piece of work: whether there is a letter in it is seen when it is opened.</summary>
    public Task<IReadOnlyCollection<WorkKey>> WaitingAsync(CancellationToken cancel) =>
        Task.FromResult<IReadOnlyCollection<WorkKey>>([default]);

    /// <summary>Sends the oldest letter to the address whose turn it is; whether there was one.</summary>
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
            is not { } due
        )
        {
            return false;
        }

        var queue = await ToTheSameAddressAsync(db, due, cancel);
        var row = queue[0];
        var outcome = await scope
            .ServiceProvider.GetRequiredService<IPostOffice>()
            .SendAsync(new World(row.WorkspaceId), LetterOf(row), cancel);
        row.Tries++;
        (row.State, row.NextAt) = outcome.State switch
        {
            OutcomeState.Done => (OutboxState.Sent, now),
            OutcomeState.Refused => (OutboxState.Refused, now),
            _ => (OutboxState.Waiting, now + Math.Min(LongestPauseSeconds, 1 << Math.Min(row.Tries, 9))),
        };
        if (row.State == OutboxState.Waiting)
        {
            queue.ForEach(behind => behind.NextAt = row.NextAt);
        }

        await db.SaveChangesAsync(CancellationToken.None);
        return true;
    }

    // What waits for the address of the letter, the oldest first. Moments are compared here: the database has text.
    private static async Task<List<OutboxRow>> ToTheSameAddressAsync(
        HomeStartDb db,
        OutboxRow letter,
        CancellationToken cancel
    )
    {
        var waiting = await db
            .Outbox.IgnoreQueryFilters()
            .Where(row => row.WorkspaceId == letter.WorkspaceId && row.State == OutboxState.Waiting)
            .ToListAsync(cancel);
        return [.. waiting.Where(row => LetterOf(row).To == LetterOf(letter).To).OrderBy(row => row.WrittenAt)];
    }

    private static Letter LetterOf(OutboxRow row) => Documents.Read<Letter>(row.Document);
}
