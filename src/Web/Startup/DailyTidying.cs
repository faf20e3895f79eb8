using HomeStart.Data;
using HomeStart.Web.Backups;
using HomeStart.Web.Online;

namespace HomeStart.Web.Startup;

/// <summary>Tidies the database at the start and once a day.</summary>
internal sealed partial class DailyTidying(
    IServiceScopeFactory scopes,
    Demo demo,
    StartOptions options,
    TimeProvider time,
    ILogger<DailyTidying> log
) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(TimeSpan.FromDays(1), time);
        do
        {
            try
            {
                await using var scope = scopes.CreateAsyncScope();
                await scope
                    .ServiceProvider.GetRequiredService<Housekeeping>()
                    .TidyAsync(
                        DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime),
                        [.. demo.Files.Select(file => file.Hash)],
                        stoppingToken
                    );
                await scope.ServiceProvider.GetRequiredService<UploadTidying>().TidyAsync(stoppingToken);
                BeforeUpgrade.Tidy(options.Data, time.GetUtcNow());
            }
            catch (Exception exception) when (!stoppingToken.IsCancellationRequested)
            {
                LogUntidy(exception);
            }
        } while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    [LoggerMessage(
        Level = LogLevel.Warning,
        Message = "The database could not be tidied; that is tried again tomorrow."
    )]
    private partial void LogUntidy(Exception exception);
}
