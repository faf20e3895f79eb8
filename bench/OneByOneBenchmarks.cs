using BenchmarkDotNet.Attributes;
using HomeStart.Core.Tests;

namespace HomeStart.Bench;

/// <summary>
/// The scan against every candidate costed by itself, as the tests do it, on a part of the market; both in one run, and
/// their rows must be alike.
/// </summary>
[MemoryDiagnoser]
[SimpleJob(launchCount: 1, warmupCount: 2, iterationCount: 5)]
public class OneByOneBenchmarks
{
    private ScanRequest _request = null!;

    [Params(false, true)]
    public bool HostsSell { get; set; }

    [GlobalSetup]
    public void Setup()
    {
        _request = LargeMarket.Request(hosts: 4, registrars: 10, endings: 2, HostsSell);
        var (fast, slow) = (Scanned(), OneByOne());
        if (
            fast.Feasible != slow.Feasible
            || !fast
                .Rows.Select(row => row.Totals.Horizon)
                .SequenceEqual(slow.Rows.Select(row => row.Costing.Totals.Horizon))
        )
        {
            throw new InvalidOperationException("The scan and the one-by-one costing differ.");
        }
    }

    [Benchmark(Baseline = true)]
    public ScanResult Scanned() => Scan.Run(_request, null, CancellationToken.None).Value!;

    [Benchmark]
    public object OneByOneRun() => OneByOne();

    private BruteForce OneByOne() => new BruteForce(_request).Run();
}
