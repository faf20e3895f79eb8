using System.Reflection;
using System.Threading.Channels;
using HomeStart.Formats.Scans;
using HomeStart.Web.Requests;
using Microsoft.AspNetCore.Http.Metadata;

namespace HomeStart.Web.Scans;

/// <summary>
/// Answers with what a scan finds: at once, or, for a caller who accepts lines, with progress first. Each line is one
/// JSON value; the last holds the result or the faults. The scan stops when the caller leaves.
/// </summary>
internal sealed class ScanAnswer<T>(Func<IProgress<(int Done, int Of)>, CancellationToken, Result<T>> scan)
    : IResult,
        IEndpointMetadataProvider
    where T : class
{
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder)
    {
        builder.Metadata.Add(
            new ProducesResponseTypeMetadata(StatusCodes.Status200OK, typeof(T), ["application/json"])
        );
        UnprocessableProblem.PopulateMetadata(method, builder);
    }

    public async Task ExecuteAsync(HttpContext httpContext)
    {
        var cancel = httpContext.RequestAborted;
        var lines = Channel.CreateUnbounded<(int Done, int Of)>();
        var scanning = Task.Run(() => Run(lines.Writer, cancel), cancel);
        if (!httpContext.Request.Headers.Accept.ToString().Contains(LineAnswer.ContentType, StringComparison.Ordinal))
        {
            var result = await scanning;
            await (
                result.Has(out var found) ? TypedResults.Ok(found) : (IResult)new UnprocessableProblem(result.Faults)
            ).ExecuteAsync(httpContext);
            return;
        }

        try
        {
            await WriteLinesAsync(httpContext, lines.Reader, scanning, cancel);
        }
        finally
        {
            // Whoever waits for a turn gets it when the work has stopped, not when its caller left.
            await ((Task)scanning).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    private Result<T> Run(ChannelWriter<(int Done, int Of)> lines, CancellationToken cancel)
    {
        try
        {
            return scan(new Told(lines), cancel);
        }
        finally
        {
            lines.Complete();
        }
    }

    private static async Task WriteLinesAsync(
        HttpContext http,
        ChannelReader<(int Done, int Of)> progress,
        Task<Result<T>> scanning,
        CancellationToken cancel
    )
    {
        var answer = new LineAnswer(http);
        await foreach (var (done, of) in progress.ReadAllAsync(cancel))
        {
            await answer.WriteAsync(new { progress = new ScanProgressWire(done, of) });
        }

        var found = await scanning;
        await answer.WriteAsync(
            found.Has(out var result) ? new { result } : new { errors = UnprocessableProblem.Wires(found.Faults) }
        );
    }

    private sealed class Told(ChannelWriter<(int Done, int Of)> lines) : IProgress<(int Done, int Of)>
    {
        public void Report((int Done, int Of) value) => lines.TryWrite(value);
    }
}
