using System.Threading.Channels;
using HomeStart.Formats.Scans;
using HomeStart.Web.Requests;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Scans;

/// <summary>
/// Answers with what a scan finds: at once, or, for a caller who accepts lines, with progress first. Each line is one
/// JSON value; the last holds the result or the faults. The scan
/// stops when the caller leaves.
/// </summary>
internal static class ScanAnswer
{
    public static async Task<IResult> Stream<T>(HttpContext http, Func<IProgress<(int Done, int Of)>, Result<T>> scan)
        where T : class
    {
        var cancel = http.RequestAborted;
        var lines = Channel.CreateUnbounded<(int Done, int Of)>();
        var scanning = Task.Run(() => Run(scan, lines.Writer), cancel);
        if (!http.Request.Headers.Accept.ToString().Contains(LineAnswer.ContentType, StringComparison.Ordinal))
        {
            return FaultResults.Answer(await scanning);
        }

        try
        {
            await WriteLinesAsync(http, lines.Reader, scanning, cancel);
        }
        finally
        {
            // Whoever waits for a turn gets it when the work has stopped, not when its caller left.
            await ((Task)scanning).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }

        return Results.Empty;
    }

    private static Result<T> Run<T>(
        Func<IProgress<(int Done, int Of)>, Result<T>> scan,
        ChannelWriter<(int Done, int Of)> lines
    )
        where T : class
    {
        try
        {
            return scan(new Told(lines));
        }
        finally
        {
            lines.Complete();
        }
    }

    private static async Task WriteLinesAsync<T>(
        HttpContext http,
        ChannelReader<(int Done, int Of)> progress,
        Task<Result<T>> scanning,
        CancellationToken cancel
    )
        where T : class
    {
        var answer = new LineAnswer(http);
        await foreach (var (done, of) in progress.ReadAllAsync(cancel))
        {
            await answer.WriteAsync(new { progress = new ScanProgressWire(done, of) });
        }

        var found = await scanning;
        await answer.WriteAsync(
            found.Has(out var result) ? new { result } : new { errors = FaultResults.Wires(found.Faults) }
        );
    }

    private sealed class Told(ChannelWriter<(int Done, int Of)> lines) : IProgress<(int Done, int Of)>
    {
        public void Report((int Done, int Of) value) => lines.TryWrite(value);
    }
}
