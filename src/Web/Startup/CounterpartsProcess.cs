using System.Diagnostics;
using System.Globalization;

namespace HomeStart.Web.Startup;

/// <summary>
/// The counterparts as a process beside ours: started with us, started again when it dies, and ended with us, also
/// where we are killed, as its standard input ends then.
/// </summary>
internal sealed partial class CounterpartsProcess(StartOptions options, ILogger<CounterpartsProcess> log)
    : BackgroundService
{
    private static readonly TimeSpan LongestPause = TimeSpan.FromSeconds(30);

    private Process? _process;

    /// <summary>Starts it and waits until it listens; false with what it said where it could not.</summary>
    public async Task<(bool IsUp, string Said)> TryStartAsync(CancellationToken cancel)
    {
        var (program, itself) = Program();
        var start = new ProcessStartInfo(
            program,
            [
                .. itself,
                "--port",
                (options.Port + 1).ToString(CultureInfo.InvariantCulture),
                "--file",
                Path.Combine(options.Data, "counterparts.db"),
                "--books",
                Path.Combine(options.Demo, "books"),
                "--secret",
                CounterpartsSecret.FileIn(options.Data),
                "--notices",
                $"http://localhost:{options.Port}{Orders.NoticesEndpoints.Path}",
            ]
        )
        {
            UseShellExecute = false,
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        _process?.Dispose();
        _process = Process.Start(start)!;
        var said = _process.StandardError.ReadToEndAsync(CancellationToken.None);
        return await _process.StandardOutput.ReadLineAsync(cancel) is not null ? (true, "") : (false, await said);
    }

    public override async Task StopAsync(CancellationToken cancellationToken)
    {
        await base.StopAsync(cancellationToken);
        if (_process is { HasExited: false })
        {
            _process.StandardInput.Close();
            await _process.WaitForExitAsync(cancellationToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        for (var deaths = 0; !stoppingToken.IsCancellationRequested; )
        {
            var since = Stopwatch.GetTimestamp();
            await _process!.WaitForExitAsync(stoppingToken);
            deaths = Stopwatch.GetElapsedTime(since) > LongestPause ? 1 : deaths + 1;
            await Task.Delay(Pause(deaths), stoppingToken); // Ctrl C ends both at once, which is no death.
            LogDied(_process.ExitCode);
            await TryStartAsync(stoppingToken);
        }
    }

    // In a release both are programs of their own; else both are run by dotnet.
    private static (string Program, string[] Itself) Program()
    {
        var itself = Path.Combine(AppContext.BaseDirectory, "HomeStart.Counterparts");
        return Path.GetFileNameWithoutExtension(Environment.ProcessPath) == "dotnet"
            ? (Environment.ProcessPath!, [itself + ".dll"])
            : (itself, []);
    }

    private static TimeSpan Pause(int deaths) =>
        TimeSpan.FromSeconds(Math.Min(LongestPause.TotalSeconds, 0.1 * Math.Pow(2, Math.Min(deaths, 12))));

    [LoggerMessage(
        Level = LogLevel.Warning,
        Message = "The counterparts ended with code {ExitCode}; they are started again."
    )]
    private partial void LogDied(int exitCode);
}
