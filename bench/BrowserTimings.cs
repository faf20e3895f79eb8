using Chromium = HomeStart.Browser.Tests.Browser;

namespace HomeStart.Bench;

/// <summary>What an owner waits for, in the real browser against the real application with the demo's books.</summary>
internal static class BrowserTimings
{
    // From a click to the first frame after what is waited for is in the page.
    private const string ClickAndWait = """
        const [target, css, before, done] = arguments;
        const shown = () => document.querySelector(css)?.textContent ?? '';
        const start = performance.now();
        const watch = new MutationObserver(() => {
          if (shown() !== before && shown() !== '') {
            watch.disconnect();
            const changed = performance.now();
            requestAnimationFrame(() => setTimeout(() => {
              const sent = performance.getEntriesByType('resource')
                .findLast((entry) => entry.startTime >= start && entry.name.includes('/api/'));
              const end = performance.now();
              done(sent
                ? [
                    end - start,
                    sent.startTime - start,
                    sent.responseEnd - sent.startTime,
                    changed - sent.responseEnd,
                    end - changed,
                  ]
                : [end - start, 0, 0, 0, 0]);
            }));
          }
        });
        watch.observe(document.body, { childList: true, subtree: true, characterData: true });
        target.click();
        """;

    private const string Total = "main table tbody:last-of-type td.double-rule:nth-last-of-type(2)";

    public static void Run()
    {
        using var browser = new Chromium();
        browser.StartAfresh();
        browser.Reads("over 3 years");
        Console.WriteLine($"script sent for the first page: {ScriptSent(browser):N0} bytes, compressed");
        var choices = Choices(browser, warmUp: 20, times: 200).ToList();
        foreach (
            var (part, name) in new[]
            {
                "from a choice to repainted figures",
                "  of which until it is sent",
                "  until its answer is there",
                "  until the page is changed",
                "  until it is painted",
            }
                .Index()
                .Select(pair => (pair.Index, pair.Item))
        )
        {
            Console.WriteLine($"{name}, {new Percentiles(choices.Select(parts => parts[part]))}");
        }

        Console.WriteLine(
            "from opening the scan to its first rows, "
                + new Percentiles(Scans(browser, warmUp: 3, times: 30).Select(parts => parts[0]))
        );
    }

    private static object ScriptSent(Chromium browser) =>
        browser.Driver.ExecuteScript(
            "return performance.getEntriesByType('resource').filter(entry => "
                + "entry.name.endsWith('.js')).reduce((sum, entry) => sum + entry.encodedBodySize, 0)"
        )!;

    private static IEnumerable<double[]> Choices(Chromium browser, int warmUp, int times)
    {
        for (var time = 0; time < warmUp + times; time++)
        {
            var choice = browser.Choice(time % 2 == 0 ? "monthly" : "every 12 months");
            var taken = Timed(browser, choice, Total);
            if (time >= warmUp)
            {
                yield return taken;
            }
        }
    }

    private static IEnumerable<double[]> Scans(Chromium browser, int warmUp, int times)
    {
        for (var time = 0; time < warmUp + times; time++)
        {
            browser.Press("Worksheet");
            browser.Reads("over 3 years");
            browser.Driver.Navigate().Refresh(); // What was scanned before is forgotten.
            browser.Reads("over 3 years");
            var taken = Timed(browser, browser.Control("Scan"), "main tbody th[scope=row]");
            if (time >= warmUp)
            {
                yield return taken;
            }
        }
    }

    // The whole, then its parts.
    private static double[] Timed(Chromium browser, OpenQA.Selenium.IWebElement target, string css) =>
        [
            .. (
                (IEnumerable<object>)
                    browser.Driver.ExecuteAsyncScript(
                        ClickAndWait,
                        target,
                        css,
                        browser
                            .Driver.FindElements(OpenQA.Selenium.By.CssSelector(css))
                            .FirstOrDefault()
                            ?.GetAttribute("textContent")
                            ?? ""
                    )!
            ).Select(Convert.ToDouble),
        ];
}
