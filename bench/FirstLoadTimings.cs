using OpenQA.Selenium.Chromium;
using Chromium = HomeStart.Browser.Tests.Browser;

namespace HomeStart.Bench;

/// <summary>
/// How long it takes until the figures of the first page are there, from a cold cache: over a slow link (1.6 Mbit/s,
/// 150 ms), and over none.
/// </summary>
internal static class FirstLoadTimings
{
    private const int Times = 15;

    // Notes, from the beginning of each page on, when the total is first in it.
    private const string NoteFigures = """
        new MutationObserver((_, watch) => {
          if (document.querySelector('main table tbody:last-of-type td.double-rule')) {
            window.figuresAt = performance.now();
            watch.disconnect();
          }
        }).observe(document, { childList: true, subtree: true });
        """;

    private const string Weighed = """
        const entries = performance.getEntriesByType('resource').concat(performance.getEntriesByType('navigation'));
        return [entries.length, entries.reduce((sum, entry) => sum + entry.transferSize, 0)];
        """;

    public static void Run()
    {
        using var browser = new Chromium();
        browser.StartAfresh();
        browser.Reads("over 3 years");
        var driver = (ChromiumDriver)browser.Driver;
        driver.ExecuteCdpCommand(
            "Page.addScriptToEvaluateOnNewDocument",
            new Dictionary<string, object?> { ["source"] = NoteFigures }
        );
        Measure("no link between", driver);
        driver.NetworkConditions = new ChromiumNetworkConditions
        {
            Latency = TimeSpan.FromMilliseconds(150),
            DownloadThroughput = 1_600_000 / 8,
            UploadThroughput = 1_600_000 / 8,
        };
        Measure("1.6 Mbit/s and 150 ms", driver);
    }

    private static void Measure(string link, ChromiumDriver driver)
    {
        var taken = new List<double>();
        for (var time = 0; time < Times; time++)
        {
            driver.ExecuteCdpCommand("Network.clearBrowserCache", []);
            driver.Navigate().Refresh();
            object? at;
            while ((at = driver.ExecuteScript("return window.figuresAt")) is null)
            {
                Thread.Sleep(20);
            }

            taken.Add(Convert.ToDouble(at, System.Globalization.CultureInfo.InvariantCulture));
        }

        Thread.Sleep(2_000); // What comes after the figures is weighed too.
        var weighed = (IReadOnlyList<object>)driver.ExecuteScript(Weighed)!;
        Console.WriteLine(
            $"first page’s figures from a cold cache, {link}, {new Percentiles(taken)}; "
                + $"{weighed[0]} requests, {weighed[1]:N0} bytes"
        );
    }
}
