using System.Collections.Concurrent;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace HomeStart.Browser.Tests;

/// <summary>
/// An application and a Chromium at it. There are as many as classes that run at a time: one class after another sits
/// down at a desk, since starting both, and compiling what the first pages need, costs more than most classes do.
/// </summary>
internal sealed class Desk : IDisposable
{
    private static readonly ConcurrentBag<Desk> Free = [];

    private Desk()
    {
        // Chromium without a window of its own: the same pages for a fifth less of the processor. Itself, not Debian's
        // script of that name: the driver would end the script and leave Chromium running.
        var options = new ChromeOptions { BinaryLocation = "/usr/lib/chromium/chromium-headless-shell" };
        options.AddArguments(
            "--font-render-hinting=none", // Letters as wide as in a window.
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--force-prefers-reduced-motion"
        );
        options.SetLoggingPreference(LogType.Browser, LogLevel.All);
        var service = ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver");
        service.HostName = "127.0.0.1";
        Driver = new ChromeDriver(service, options, TimeSpan.FromSeconds(60));
    }

    public AppProcess App { get; } = new();

    public ChromeDriver Driver { get; }

    /// <summary>One that nobody sits at.</summary>
    public static Desk Take() => Free.TryTake(out var desk) ? desk : new Desk();

    /// <summary>It is for the next class.</summary>
    public void GiveBack() => Free.Add(this);

    public void Dispose()
    {
        Driver.Quit();
        Driver.Dispose();
        App.Dispose();
    }

    /// <summary>Ends the desks when all tests are done.</summary>
    public sealed class Clearing : IDisposable
    {
        public void Dispose()
        {
            while (Free.TryTake(out var desk))
            {
                desk.Dispose();
            }
        }
    }
}
