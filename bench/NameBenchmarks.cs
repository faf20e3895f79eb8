using BenchmarkDotNet.Attributes;
using HomeStart.Formats.Domains;

namespace HomeStart.Bench;

/// <summary>Reading and judging five hundred names; aim 50 ms.</summary>
[MemoryDiagnoser]
public class NameBenchmarks
{
    private readonly string[] _typed =
    [
        .. Enumerable
            .Range(0, 500)
            .Select(number => $"ostler wren {(char)('a' + (number % 26))} clocks & barometers {number % 7}"),
    ];

    [Benchmark]
    public int FiveHundredNames() => _typed.Sum(text => NameData.Reader.Read(text, "com", "GB").Advice.Length);

    [Benchmark]
    public int Ideas() =>
        NameIdeas.Suggest("Ostler & Wren", "clock and barometer repairs", "Ludlow", NameData.Reader, "GB").Length;
}
