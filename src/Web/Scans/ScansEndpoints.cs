using System.Text.Json;
using System.Threading.Channels;
using System.Threading.RateLimiting;
using HomeStart.Core;
using HomeStart.Formats;
using HomeStart.Web.Hosting;
using Microsoft.AspNetCore.Mvc;

namespace HomeStart.Web.Scans;

/// <summary>Scanning every way to buy, for anybody: no sign-in, nothing stored, stopped when the caller leaves.</summary>
internal static class ScansEndpoints
{
    private const string Lines = "application/x-ndjson";
    private const long LargestScan = 8 << 20;
    private const string OneAtATime = "scans";
    private const int MostWaiting = 4;

    /// <summary>One scan a caller: the next ones wait their turn, more than a few are turned away.</summary>
    public static void AddScanLimits(this IServiceCollection services) =>
        services.AddRateLimiter(limits => limits.AddPolicy(OneAtATime, http => RateLimitPartition.GetConcurrencyLimiter(
            http.Connection.RemoteIpAddress?.ToString() ?? "", _ => new ConcurrencyLimiterOptions { PermitLimit = 1, QueueLimit = MostWaiting })));

    public static void MapScans(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/scans", ScanAsync)
            .WithMetadata(new RequestSizeLimitAttribute(LargestScan))
            .RequireRateLimiting(OneAtATime)
            .WithName("scan")
            .Produces<ScanWire>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    private static async Task<IResult> ScanAsync(JsonElement body, HttpContext http, Demo demo, CancellationToken cancel)
    {
        var faults = new FaultList();
        if (ScanRequestReader.Read(body, demo.OfferBooks, faults) is not { } request)
        {
            return FaultResults.Unprocessable(faults);
        }

        var lines = Channel.CreateUnbounded<(int Done, int Of)>();
        var scanning = Task.Run(() => Run(request, faults, lines.Writer, cancel), cancel);
        if (!http.Request.Headers.Accept.ToString().Contains(Lines, StringComparison.Ordinal))
        {
            return await scanning is { } result ? Results.Ok(ScanWire.Of(result)) : FaultResults.Unprocessable(faults);
        }

        await WriteLinesAsync(http, lines.Reader, scanning, faults, cancel);
        return Results.Empty;
    }

    private static ScanResult? Run(ScanRequest request, FaultList faults, ChannelWriter<(int Done, int Of)> lines, CancellationToken cancel)
    {
        try
        {
            return Scan.Run(request, faults, new Told(lines), cancel);
        }
        finally
        {
            lines.Complete();
        }
    }

    // Each line is one JSON value: progress, then the result or the faults.
    private static async Task WriteLinesAsync(HttpContext http, ChannelReader<(int Done, int Of)> progress, Task<ScanResult?> scanning, FaultList faults, CancellationToken cancel)
    {
        http.Response.ContentType = Lines;
        await foreach (var (done, of) in progress.ReadAllAsync(cancel))
        {
            await WriteAsync(new { progress = new ScanProgressWire(done, of) });
        }

        var result = await scanning;
        await WriteAsync(result is null ? new { errors = faults.Faults.Select(fault => new FaultWire(fault.Code, fault.Where, fault.Message)) } : (object)new { result = ScanWire.Of(result) });

        async Task WriteAsync(object value)
        {
            await http.Response.WriteAsync(JsonSerializer.Serialize(value, WireJson.Options) + "\n", cancel);
            await http.Response.Body.FlushAsync(cancel);
        }
    }

    private sealed class Told(ChannelWriter<(int Done, int Of)> lines) : IProgress<(int Done, int Of)>
    {
        public void Report((int Done, int Of) value) => lines.TryWrite(value);
    }
}
