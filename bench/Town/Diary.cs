using System.Collections.Concurrent;

namespace HomeStart.Bench;

/// <summary>What owners of a town waited for, and what they were told instead of an answer.</summary>
internal sealed class Diary
{
    private readonly ConcurrentDictionary<string, ConcurrentQueue<double>> _waited = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<string, int> _told = new(StringComparer.Ordinal);

    /// <summary>Whether what is noted counts: not while a town fills.</summary>
    public bool Counts { get; set; }

    public void Waited(string kind, double milliseconds)
    {
        if (Counts)
        {
            _waited.GetOrAdd(kind, _ => new()).Enqueue(milliseconds);
        }
    }

    /// <summary>Notes what came in place of an answer: "asked to wait (429)", "nobody answered".</summary>
    public void Told(string what) => _told.AddOrUpdate(what, 1, (_, count) => count + 1);

    /// <summary>The 99th percentile of a kind, in milliseconds.</summary>
    public double Worst(string kind) =>
        _waited.TryGetValue(kind, out var times) ? new Percentiles(times).At(99) : double.NaN;

    public void Print()
    {
        foreach (var (kind, times) in _waited.OrderBy(pair => pair.Key, StringComparer.Ordinal))
        {
            Console.WriteLine($"  {kind, -22} {new Percentiles(times)}");
        }

        Console.WriteLine(
            "  in place of an answer: "
                + string.Join(
                    ", ",
                    _told
                        .OrderByDescending(pair => pair.Value)
                        .Select(pair => $"{pair.Key}: {pair.Value}")
                        .DefaultIfEmpty("nothing")
                )
        );
    }
}
