using System.Diagnostics;
using HomeStart.Browser.Tests;

namespace HomeStart.Bench;

/// <summary>
/// A town of owners at once, each living a scripted life with thinking between: what they wait for, what the
/// application holds, and what an owner takes on the disk. Everything, the owners too, is on this machine.
/// </summary>
internal static class TownTimings
{
    /// <summary>What an owner may wait for a change, at the 99th percentile.</summary>
    private const double Aim = 250;

    private static readonly TimeSpan Filling = TimeSpan.FromSeconds(25);
    private static readonly TimeSpan Measured = TimeSpan.FromSeconds(60);

    /// <summary>One town.</summary>
    public static async Task<double> RunAsync(int owners)
    {
        using var app = new AppProcess();
        var before = Size(app.DataFolder);
        var diary = new Diary();
        using var over = new CancellationTokenSource();
        var living = Enumerable
            .Range(0, owners)
            .Select(number => new TownOwner(number, app, diary).LiveAsync(over.Token))
            .ToList();
        await Task.Delay(Filling);
        diary.Counts = true;
        var (busy, started) = (Busy(app.Id), Stopwatch.GetTimestamp());
        await Task.Delay(Measured);
        var share = (Busy(app.Id) - busy) / Stopwatch.GetElapsedTime(started);
        await over.CancelAsync();
        await Task.WhenAll(living);
        using var process = Process.GetProcessById(app.Id);
        Console.WriteLine(
            $"{owners} owners: {process.PeakWorkingSet64 >> 20} MB held at most, {share:0.00} processors busy, "
                + $"{(Size(app.DataFolder) - before) / owners / 1024} kB on the disk for each owner"
        );
        diary.Print();
        return diary.Worst("change");
    }

    /// <summary>Ever larger towns, until a change takes too long.</summary>
    public static async Task GrowAsync()
    {
        var largest = 0;
        for (var owners = 100; await RunAsync(owners) < Aim; owners += owners < 400 ? 100 : 200)
        {
            largest = owners;
        }

        Console.WriteLine($"the largest town in which 99 of 100 changes take less than {Aim} ms: {largest} owners");
    }

    private static TimeSpan Busy(int id)
    {
        using var process = Process.GetProcessById(id);
        return process.TotalProcessorTime;
    }

    private static long Size(string folder) =>
        new DirectoryInfo(folder).EnumerateFiles("*", SearchOption.AllDirectories).Sum(file => file.Length);
}
