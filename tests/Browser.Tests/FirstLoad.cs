namespace HomeStart.Browser.Tests;

/// <summary>What the first page weighs does not vary: it is held here, and not measured.</summary>
public sealed class FirstLoad(Browser browser) : IClassFixture<Browser>
{
    private const int MostFiles = 8;
    private const int MostBytes = 140_000;

    [Fact]
    public void The_first_page_needs_few_programs_and_names_them_at_once()
    {
        browser.StartAfresh();
        browser.Reads("You pay £65.15 today");
        browser.Driver.Navigate().Refresh();
        browser.Reads("You pay £65.15 today");
        var weights =
            (IReadOnlyCollection<object>)
                browser.Driver.ExecuteScript(
                    """
                    return performance.getEntriesByType('resource')
                      .filter(({ name }) => /\.(js|css)$/.test(name))
                      .map(({ encodedBodySize }) => encodedBodySize);
                    """
                )!;
        weights.Count.ShouldBeInRange(4, MostFiles);
        weights.Sum(Convert.ToInt32).ShouldBeInRange(100_000, MostBytes);
        var page = (string)
            browser.Driver.ExecuteAsyncScript("fetch(location.href).then((page) => page.text()).then(arguments[0])")!;
        page.ShouldContain("/assets/WorksheetPage-");
        page.ShouldContain("/assets/SiteLayout-");
        page.ShouldNotContain("/assets/UpkeepPage-");

        // What the page names is what the client then takes: nothing is asked for twice.
        var asked =
            (IReadOnlyCollection<object>)
                browser.Driver.ExecuteScript(
                    """
                    return performance.getEntriesByType('resource')
                      .map(({ name }) => new URL(name).pathname)
                      .filter((path) => path === '/api/session' || /^\/api\/sites\/[^/]+$/.test(path))
                      .map((path) => path.split('/')[2]);
                    """
                )!;
        asked.ShouldBe(["session", "sites"], ignoreOrder: true);
    }
}
