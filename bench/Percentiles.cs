namespace HomeStart.Bench;

/// <summary>How long something took, many times over. Milliseconds.</summary>
internal sealed class Percentiles(IEnumerable<double> taken)
{
    private readonly double[] _sorted = [.. taken.Order()];

    public override string ToString() =>
        $"{_sorted.Length} times: p50 {At(50):0.0} ms, p95 {At(95):0.0} ms, p99 {At(99):0.0} ms, most "
        + $"{_sorted[^1]:0.0} ms";

    // The nearest rank.
    public double At(int percent) => _sorted[(int)Math.Ceiling(percent / 100.0 * _sorted.Length) - 1];
}
