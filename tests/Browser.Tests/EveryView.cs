namespace HomeStart.Browser.Tests;

/// <summary>
/// Every main view, dark and as wide as a desk, and light and as narrow as a page at 400%: neither axe nor our own
/// auditor finds anything, and it says and offers what is kept of it (<see cref="KeptViews"/>). Colours do not depend
/// on the width.
/// </summary>
public sealed class EveryView(Browser browser) : IClassFixture<Browser>
{
    [Theory]
    [InlineData("dark", 1280)]
    [InlineData("light", 320)]
    public void Is_sound_and_says_what_is_kept_of_it(string theme, int width)
    {
        var findings = new List<string>();
        browser.StartAfresh();
        browser.Size(width, 800);
        browser.Theme(theme);
        browser.Reads("You pay £65.15 today");
        browser.Press("As a table");
        Check("worksheet");
        browser.Press("Tidemarsh Hosting, Slipway");
        browser.Reads("How do you want to pay?");
        Check("plans");
        browser.Press("Close");
        browser.Press("251.64");
        browser.Reads("Why 251.64?");
        Check("why");
        browser.Press("Close");
        browser.Press("If you stop early");
        browser.Reads("cheaper, for good");
        Check("stopping early");
        browser.Press("3 years: change");
        browser.Field("or so many months");
        Check("settings");
        browser.Find("body").SendKeys(OpenQA.Selenium.Keys.Escape);
        Sheet("Compare");
        browser.Reads("Paid so far");
        browser.Select("Line by line", "B");
        browser.Reads("In total");
        Check("compare");
        browser.Press("A link to show somebody");
        browser.Press("Make a link");
        browser.Reads("can be read until");
        Check("a link to show somebody");
        browser.Press("Close");
        Sheet("Needs");
        browser.Reads("plans fit");
        Check("needs");
        browser.Press("See what fits for least");
        browser.Reads("Less today, or less over");
        Check("scan");
        Sheet("Domain");
        browser.Type("The name you want", "hourwork");
        browser.Reads("premium name");
        browser.Reads("hourwork.studio");
        Check("domain");
        browser.Press("A domain I have");
        Check("a domain one has");
        Sheet("Worksheet");
        browser.Press("Order A");
        browser.Reads("Read the name once more");
        browser.Press("Order A and pay");
        Check("order");
        Walk.FillIn(browser, "9999510000000002");
        browser.Press("Order A and pay");
        browser.Reads("Is this your mail address?");
        Check("confirm the address");
        browser.Type($"The six digits that were mailed to {browser.Mail}", browser.Code());
        browser.Press("Confirm");
        browser.Reads("Nothing was charged");
        Check("refused");
        Walk.GiveCard(browser, "9999000000000004");
        browser.Press("Pay with this card");
        browser.Reads("Key sheet for");
        Check("key sheet");
        Sheet("Online");
        browser.Reads("places around this made-up world");
        Check("online");
        Sheet("Orders");
        browser.Reads("Orders and key sheets");
        Check("orders");
        OtherPages();
        browser.Complaints().ShouldBeEmpty();
        findings.ShouldBeEmpty($"{theme}, {width}");

        void Sheet(string name)
        {
            if (width < 640)
            {
                browser.ToSheet(name);
            }
            else
            {
                browser.Press(name);
            }
        }

        void OtherPages()
        {
            var at = new Uri(browser.Driver.Url).AbsolutePath.Split('/');
            var site = $"/sites/{at[2]}";
            var hosting = $"{site}/online/{browser.Api("/api/orders")[0].GetProperty("id").GetString()}";
            foreach (
                var path in (string[])
                    [
                        "/start",
                        "/account",
                        $"{site}/domain/many",
                        $"{site}/domain/wait",
                        $"{site}/shelf",
                        $"{site}/shelf?book=tidemarsh",
                        $"{site}/shelf/page",
                        $"{site}/shelf/advertisement",
                        $"{site}/shelf/table",
                        $"{site}/shelf/edit/tidemarsh",
                        $"{site}/shelf/format",
                        $"{site}/slip?view=A",
                        $"{site}/bought?view=A",
                        $"{site}/mail",
                        $"{site}/upkeep",
                        $"{hosting}/first-page",
                        $"{hosting}/files",
                        $"{hosting}/engine",
                        $"{hosting}/mailboxes",
                        $"{hosting}/names",
                        $"{hosting}/records",
                    ]
            )
            {
                browser.Go(path);
                browser.Theme(theme);
                browser.Find("h1");
                browser.Settled();
                Check(
                    path.Replace(hosting, "/online", StringComparison.Ordinal)
                        .Replace(site, "", StringComparison.Ordinal)
                );
            }
        }

        void Check(string view)
        {
            findings.AddRange(
                browser
                    .AxeFindings()
                    .Concat(browser.AuditFindings())
                    .Concat(KeptViews.Differences(browser, $"{width}", view))
                    .Select(finding => $"{view}: {finding}")
            );
        }
    }
}
