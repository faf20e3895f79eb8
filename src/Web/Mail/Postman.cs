using System.Threading.Channels;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Mail;

/// <summary>Says that there is something to send.</summary>
public sealed class PostBell
{
    private readonly Channel<bool> _rung = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    public void Ring() => _rung.Writer.TryWrite(true);

    /// <summary>Waits until it rings, or for a while.</summary>
    public async Task WaitAsync(TimeSpan atMost, TimeProvider time, CancellationToken cancel)
    {
        using var either = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        await Task.WhenAny(_rung.Reader.WaitToReadAsync(either.Token).AsTask(), Task.Delay(atMost, time, either.Token));
        await either.CancelAsync();
        _rung.Reader.TryRead(out _);
        cancel.ThrowIfCancellationRequested();
    }
}

/// <summary>
/// Sends what is in the outbox, oldest first. What nobody takes is tried again after growing pauses and never given up;
/// what a stopped server may have sent is sent again, under
/// the same id, and filed once.
/// </summary>
public sealed partial class Postman(IServiceScopeFactory scopes, PostBell bell, TimeProvider time, ILogger<Postman> log)
    : BackgroundService
{
    private const int LongestPauseSeconds = 300;
    private static readonly TimeSpan Round = TimeSpan.FromSeconds(2);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                while (await SendNextAsync(stoppingToken)) { }

                await bell.WaitAsync(Round, time, stoppingToken);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception exception)
            {
                LogFault(exception);
                await Task.Delay(Round, time, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }
        }
    }

    private async Task<bool> SendNextAsync(CancellationToken cancel)
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

    [LoggerMessage(
        Level = LogLevel.Error,
        Message = "The outbox met a fault of our own; it is looked at again in a while."
    )]
    private partial void LogFault(Exception exception);
}
