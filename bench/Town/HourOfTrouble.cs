using System.ComponentModel;
using System.Diagnostics;
using System.Globalization;
using HomeStart.Browser.Tests;

namespace HomeStart.Bench;

/// <summary>
/// A town, while a second process attacks, and while the application, the counterparts and the disk's last free
/// megabyte are taken away at random moments. At its end nothing may be lost, charged twice, or delivered unpaid.
/// </summary>
internal static class HourOfTrouble
{
    private const int Owners = 100;

    // A file system of its own: more than the town writes in the time, and small enough to be filled.
    private const int DiskMegabytes = 1_024;

    // Another program may have the machine while it starts; one that hangs is seen all the same.
    private static readonly TimeSpan LongestStart = TimeSpan.FromMinutes(5);

    public static async Task RunAsync(TimeSpan time)
    {
        using var disk = SmallDisk.TryMount(DiskMegabytes);
        Console.WriteLine(disk is null ? "No small disk can be mounted here: it is never filled." : "");
        using var app = new AppProcess(disk?.Folder);
        using var attack = Process.Start(
            new ProcessStartInfo("dotnet", [Environment.GetCommandLineArgs()[0], "attack-on", app.Address.ToString()])
            {
                UseShellExecute = false,
            }
        )!;
        var diary = new Diary { Counts = true };
        using var over = new CancellationTokenSource();
        var owners = Enumerable.Range(0, Owners).Select(number => new TownOwner(number, app, diary)).ToList();
        var living = owners.Select(owner => owner.LiveAsync(over.Token)).ToList();
        var (held, slowest) = await TroubleAsync(app, disk, time);
        await over.CancelAsync();
        await Task.WhenAll(living);
        attack.Kill(entireProcessTree: true);
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"{Owners} owners under attack for {time.TotalMinutes} minutes; megabytes held, before each kill: "
            ) + string.Join(' ', held.Select(megabytes => megabytes?.ToString(CultureInfo.InvariantCulture) ?? "ENDED"))
        );
        Console.WriteLine($"the slowest of {held.Count} starts took {slowest.TotalSeconds:0.0} seconds");
        diary.Print();
        Console.WriteLine($"at the end: {disk?.Taken} MB of the disk taken");
        foreach (var fault in await TownAudit.FindFaultsAsync(app, owners))
        {
            Console.WriteLine($"WRONG: {fault}");
        }

        Console.WriteLine("audited");
    }

    // Every few seconds something fails, and is mended. What the application held before each kill comes back.
    private static async Task<(List<long?> Held, TimeSpan SlowestStart)> TroubleAsync(
        AppProcess app,
        SmallDisk? disk,
        TimeSpan time
    )
    {
        var (random, held) = (new Random(20261201), new List<long?>());
        var (told, slowest) = (TimeSpan.Zero, TimeSpan.Zero);
        for (var watch = Stopwatch.StartNew(); watch.Elapsed < time; )
        {
            await Task.Delay(TimeSpan.FromSeconds(8 + random.Next(12)));
            if (watch.Elapsed - told > TimeSpan.FromMinutes(5))
            {
                told = watch.Elapsed;
                Console.WriteLine($"after {told.TotalMinutes:0} minutes: {disk?.Taken} MB of the disk taken");
            }

            switch (random.Next(disk is null ? 2 : 3))
            {
                case 0:
                    held.Add(app.MegabytesHeld);
                    var killed = Stopwatch.GetTimestamp();
                    await app.KillAndStartAsync(LongestStart);
                    slowest = TimeSpan.FromTicks(Math.Max(slowest.Ticks, Stopwatch.GetElapsedTime(killed).Ticks));
                    break;
                case 1:
                    KillCounterparts(app);
                    break;
                default:
                    await disk!.FillAsync(TimeSpan.FromSeconds(3));
                    break;
            }
        }

        return (held, slowest);
    }

    // They are started again. Where they end by themselves at that moment there is nothing to kill.
    private static void KillCounterparts(AppProcess app)
    {
        try
        {
            foreach (var counterparts in AppProcess.Children(app.Id))
            {
                counterparts.Kill();
            }
        }
        catch (Exception exception)
            when (exception is IOException or ArgumentException or InvalidOperationException or Win32Exception)
        {
            Console.WriteLine($"not killed: {exception.Message}");
        }
    }
}
