using BenchmarkDotNet.Attributes;

namespace HomeStart.Bench;

/// <summary>
/// The whole scan: how it grows with hosts and endings, and with hosts that sell the domain too, so that its price is
/// not theirs alone.
/// </summary>
[MemoryDiagnoser]
[SimpleJob(launchCount: 1, warmupCount: 3, iterationCount: 10)]
public class ScanBenchmarks
{
    private ScanRequest _request = null!;

    [Params(50, 100, 200)]
    public int Hosts { get; set; }

    [Params(1, 10)]
    public int Endings { get; set; }

    [Params(false, true)]
    public bool HostsSell { get; set; }

    [GlobalSetup]
    public void Setup() => _request = LargeMarket.Request(Hosts, 60, Endings, HostsSell);

    [Benchmark]
    public ScanResult Whole() => Scan.Run(_request, null, CancellationToken.None).Value!;
}
