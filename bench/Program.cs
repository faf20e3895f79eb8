using System.Diagnostics;
using BenchmarkDotNet.Running;
using HomeStart.Bench;

// dotnet run -c Release --project bench                   every benchmark
// dotnet run -c Release --project bench -- --filter '*Scan*'
// dotnet run -c Release --project bench -- peak 200 60 10 apart    scans in a fresh process, the first one cold: times,
// and what they held in memory at most
// dotnet run -c Release --project bench -- browser        in the real browser: script sent, from choice to figures,
// from opening the scan to rows
// dotnet run -c Release --project bench -- first-load     from a cold cache to the figures of the first page
// dotnet run -c Release --project bench -- navigation     from a press to the figures of another page, seen before
// dotnet run -c Release --project bench -- look-ups       300 names at a registrar that takes 50 ms each and 20 at
// once; first answer in the browser
// dotnet run -c Release --project bench -- town 200       as many owners at once, each with a life; without a number:
// ever more, until a change takes too long
// dotnet run -c Release --project bench -- hour           a town under attack whose application, counterparts and disk
// fail at random; with a number: so many minutes of it
// dotnet run -c Release --project bench -- page           the parts of the answer to a command
// dotnet run -c Release --project bench -- attack         a change and its answer, alone and while a second process
// attacks
// dotnet run -c Release --project bench -- years          ten years with twenty decisions; all pairs of deviations of a
// large book
// dotnet run -c Release --project bench -- clock          a hundred workspaces moved on a year at once
// dotnet run -c Release --project bench -- upload         2,000 files, and 200 MB, through the upload: times, and what
// the application held at most
// dotnet run -c Release --project bench -- load 8         POST /api/costings from 8 callers at once
if (args is ["years"])
{
    YearsTimings.Run();
    return;
}

if (args is ["town"])
{
    await TownTimings.GrowAsync();
    return;
}

if (args is ["town", var owners])
{
    await TownTimings.RunAsync(int.Parse(owners));
    return;
}

if (args is ["hour", .. var minutes])
{
    await HourOfTrouble.RunAsync(TimeSpan.FromMinutes(minutes is [var few] ? int.Parse(few) : 60));
    return;
}

if (args is ["navigation"])
{
    NavigationTimings.Run();
    return;
}

if (args is ["first-load"])
{
    FirstLoadTimings.Run();
    return;
}

if (args is ["clock"])
{
    await ClockTimings.RunAsync();
    return;
}

if (args is ["upload"])
{
    await UploadTimings.RunAsync();
    return;
}

if (args is ["page"])
{
    PageTimings.Run();
    return;
}

if (args is ["look-ups"])
{
    await LookUpTimings.RunAsync();
    return;
}

if (args is ["attack"])
{
    await AttackTimings.RunAsync();
    return;
}

if (args is ["attack-on", var address])
{
    await AttackTimings.FromAsync(new Uri(address));
    return;
}

if (args is ["browser"])
{
    BrowserTimings.Run();
    return;
}

if (args is ["load", var callers])
{
    await LoadTimings.RunAsync(int.Parse(callers));
    return;
}

if (args is ["peak", var hosts, var registrars, var endings, var kind])
{
    var request = LargeMarket.Request(
        int.Parse(hosts),
        int.Parse(registrars),
        int.Parse(endings),
        hostsSell: kind == "together"
    );
    for (var run = 0; run < 5; run++)
    {
        var watch = Stopwatch.StartNew();
        var result = Scan.Run(request, null, CancellationToken.None).Value!;
        Console.WriteLine(
            $"{result.Considered:N0} considered, {result.Feasible:N0} feasible, front of {result.Front.Length}, "
                + $"{watch.ElapsedMilliseconds} ms, peak {Process.GetCurrentProcess().PeakWorkingSet64 >> 20} MB"
        );
    }

    return;
}

BenchmarkSwitcher.FromAssembly(typeof(LargeMarket).Assembly).Run(args);
