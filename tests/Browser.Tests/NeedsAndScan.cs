namespace HomeStart.Browser.Tests;

/// <summary>From a few answers to the way to buy that fits for least.</summary>
public sealed class NeedsAndScan(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void Answers_drop_plans_with_their_reasons_and_the_optimum_opens_on_the_worksheet()
    {
        browser.StartAfresh();
        browser.Press("Needs");
        browser.Reads("plans fit");
        browser.Type("Websites", "3");
        browser.Field("Mailboxes").Click(); // Leaving a field saves it.
        browser.Reads("at least 3 websites");
        browser.Reads("3 sites asked, 1 allowed");
        browser.Press("See what fits for least");
        browser.Reads("Ranked by");
        var site = browser.Driver.Url.Split('/')[4];
        var best = browser.Api($"/api/sites/{site}/scan?byPlan=true").GetProperty("scan").GetProperty("rows")[0].GetProperty("totals");
        browser.Press("Open");
        browser.Reads($"Order E for £{best.GetProperty("dueToday").GetString()}");
        browser.Reads($"£{best.GetProperty("horizon").GetString()} over three years");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_skipped_answer_asks_nothing_and_what_is_asked_survives_reload()
    {
        browser.StartAfresh();
        browser.Press("Site: Ostler");
        browser.Type("Start another site", "Hexworth clocks");
        browser.Control("Start").Click();
        browser.Press("Say what the site must do");
        browser.Reads("14 plans fit.");
        browser.Choice("by telephone").Click();
        browser.Reads("help by phone asked");
        browser.Driver.Navigate().Refresh();
        browser.Reads("help by phone asked");
        browser.Choice("by telephone").Selected.ShouldBeTrue();
    }

    [Fact]
    public void The_ranking_can_be_switched_and_stays_in_the_address()
    {
        browser.StartAfresh();
        browser.Press("Scan");
        browser.Reads("Ranked by");
        browser.Select("Ranked by", "what is due today");
        browser.Until(() => browser.Driver.Url.Contains("by=dueToday", StringComparison.Ordinal) ? "" : null, "the address does not say so");
        browser.Select("Rows shown", "every way");
        browser.Until(() => browser.Driver.Url.Contains("all=true", StringComparison.Ordinal) ? "" : null, "the address does not say so");
        browser.Driver.Navigate().Refresh();
        browser.Reads("Ranked by");
        browser.Driver.Url.ShouldContain("all=true");
    }
}
