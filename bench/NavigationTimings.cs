using Chromium = HomeStart.Browser.Tests.Browser;

namespace HomeStart.Bench;

/// <summary>
/// What an owner waits for on going to another page that they have seen before: from the press to the first frame with
/// the figures of that page.
/// </summary>
internal static class NavigationTimings
{
    private const int Rounds = 30;
    private const int WarmUp = 3;

    // From a press to the first frame after what is waited for is in the page.
    private const string PressAndWait = """
        const [target, path, css, done] = arguments;
        const start = performance.now();
        const isThere = () => location.pathname.endsWith(path) && document.querySelector(css);
        const look = () => {
          if (isThere()) {
            watch.disconnect();
            requestAnimationFrame(() => setTimeout(() => done(performance.now() - start)));
          }
        };
        const watch = new MutationObserver(look);
        watch.observe(document, { childList: true, subtree: true, characterData: true });
        target.click();
        look();
        """;

    // What each page is for.
    private static readonly (string Sheet, string Path, string Figures)[] Pages =
    [
        ("Compare", "/compare", "main table tbody td"),
        ("Scan", "/scan", "main tbody th[scope=row]"),
        ("Needs", "/needs", "main fieldset, main form, main h1"),
        ("Domain", "/domain", "main table tbody td, main h1"),
        ("Shelf", "/shelf", "main table tbody th[scope=row]"),
        ("Worksheet", "/worksheet", "main table tbody:last-of-type td.double-rule"),
    ];

    public static void Run()
    {
        using var browser = new Chromium();
        browser.StartAfresh();
        browser.Reads("over 3 years");
        var taken = Pages.ToDictionary(page => page.Sheet, _ => new List<double>());
        for (var round = 0; round < WarmUp + Rounds; round++)
        {
            foreach (var (sheet, path, figures) in Pages)
            {
                var time = Convert.ToDouble(
                    browser.Driver.ExecuteAsyncScript(PressAndWait, browser.Control(sheet), path, figures),
                    System.Globalization.CultureInfo.InvariantCulture
                );
                if (round >= WarmUp)
                {
                    taken[sheet].Add(time);
                }
            }
        }

        foreach (var (sheet, times) in taken)
        {
            Console.WriteLine($"going to {sheet}, {new Percentiles(times)}");
        }

        Console.WriteLine($"going to another page, {new Percentiles(taken.Values.SelectMany(times => times))}");
    }
}
