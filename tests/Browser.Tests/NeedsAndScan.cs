using OpenQA.Selenium;

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
        browser.ClickField("Mailboxes"); // Leaving a field saves it.
        browser.Reads("at least 3 sites");
        browser.Reads("You need 3 sites; this plan allows 1");
        browser.Keeps("needs that bar plans");
        browser.Press("See what fits for least");
        browser.Reads("Ranked by");
        var site = browser.Driver.Url.Split('/')[4];
        var best = browser
            .Api($"/api/sites/{site}/scan?byPlan=true")
            .GetProperty("scan")
            .GetProperty("rows")[0]
            .GetProperty("totals");
        browser.Press("Open");
        browser.Reads($"Order E for £{best.GetProperty("dueToday").GetString()}");
        browser.Reads($"£{best.GetProperty("horizon").GetString()} over 3 years");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_skipped_answer_asks_nothing_and_what_is_asked_survives_reload()
    {
        browser.StartAfresh();
        browser.Press("Ostler & Wren: rename");
        browser.Type("Start another site", "Hexworth clocks");
        browser.Press("Start");
        browser.Press("Say what the site must do");
        browser.Reads("14 plans fit.");
        browser.Tick("by telephone");
        browser.Reads("You need help by telephone");
        browser.Driver.Navigate().Refresh();
        browser.Reads("You need help by telephone");
        browser.Keeps("needs of a new site");
        browser.Choice("by telephone").Selected.ShouldBeTrue();
    }

    [Fact]
    public void The_ranking_can_be_switched_and_stays_in_the_address()
    {
        browser.StartAfresh();
        browser.Press("Scan");
        browser.Reads("Ranked by");
        browser.Select("Ranked by", "what is due today");
        browser.Until(
            () => browser.Driver.Url.Contains("by=dueToday", StringComparison.Ordinal) ? "" : null,
            "the address does not say so"
        );
        browser.Select("Rows shown", "every way");
        browser.Until(
            () => browser.Driver.Url.Contains("all=true", StringComparison.Ordinal) ? "" : null,
            "the address does not say so"
        );
        browser.Driver.Navigate().Refresh();
        browser.Reads("Ranked by");
        browser.Driver.Url.ShouldContain("all=true");
        browser.Keeps("every way to buy");
    }

    [Fact]
    public void An_answer_shows_the_requirement_it_becomes_which_can_be_written_over()
    {
        browser.StartAfresh();
        browser.Press("Needs");
        browser.Select("What the site is for", "a catalogue or shop");
        browser.Reads("at least 10 GB of storage, at least 1 database, an installer");
        browser.Press("at least 10 GB of storage, at least 1 database");
        browser.Type("Storage, in GB, at least", "plenty");
        browser.Reads("Digits only, with a decimal point if needed, such as 5000.");
        browser.Type("Storage, in GB, at least", "25");
        browser.Field("Storage, in GB, at least").SendKeys(Keys.Enter);
        browser.Reads("at least 25 GB of storage");
        browser.Find("body").SendKeys(Keys.Escape);
        browser.Field("What the site is for").GetAttribute("value").ShouldBe("own");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_domain_that_is_owned_already_is_kept_and_counted()
    {
        browser.StartAfresh();
        browser.Press("Needs");
        browser.Select("Domain", "yes: keep it where it is");
        browser.Reads("not asked yet");
        browser.Type("Your domain", "https://ostlerwren.co.uk/");
        browser.Type("It expires on", "1/3/2027");
        browser.Reads("That is 1 March 2027.");
        browser.Type("A renewal costs, with tax, £", "14.40");
        browser.Press("Ask for it");
        browser.Reads("keep ostlerwren.co.uk: £14.40 a year from 1 Mar 2027");
        browser.Keeps("needs with a domain one has");
        browser.Reads("No plan fits."); // Nobody here can hide an address in a record kept elsewhere.
        browser.Tick("your address out of the public record");
        browser.Press("See what fits for least");
        browser.Press("Open");
        browser.Reads("Order E for");
        browser.Row("ostlerwren.co.uk").ShouldContain("14.40");
    }

    [Fact]
    public void What_settles_it_is_said_and_a_way_can_be_kept_without_leaving()
    {
        browser.StartAfresh();
        browser.Press("Needs");
        browser.Tick("help with being found");
        browser.Reads("copies of the site, your address out of the public record, help with being found");
        browser.Press("See what fits for least");
        browser.Reads("The need that costs most is help with being found");
        browser.Keeps("what settles it");
        var site = browser.Driver.Url.Split('/')[4];
        var saves = browser.Api($"/api/sites/{site}/settling").GetProperty("needs")[0].GetProperty("saves").GetString();
        browser.Reads($"and save £{saves}");
        browser.Press("Keep");
        browser.Reads("kept as E");
        browser.Press("Worksheet");
        browser.Reads("Order A for");
        browser.Find("nav[aria-label=Shortlist] a:nth-of-type(5)").Text.ShouldStartWith("E");
    }

    [Fact]
    public void A_long_scan_can_be_stopped_and_begun_again()
    {
        browser.StartAfresh();
        browser.Latency(2500);
        try
        {
            browser.Press("Scan");
            browser.Reads("Costing every way to buy");
            browser.Press("Stop");
            browser.Reads("The scan was stopped.");
            browser.Latency(0);
            browser.Press("Scan again");
            browser.Reads("comes first");

            // Ranked again, the rows of before say that they are old until the new ones are there.
            browser.Latency(2500);
            browser.Tick("one seller for both");
            browser.Reads("The results below are from before.");
            browser.Press("Stop");
            browser.Reads("These are the results from before: the new scan was stopped.");
        }
        finally
        {
            browser.Latency(0);
        }

        browser.Press("Scan again");
        browser.Until(
            () => browser.Text.Contains("two sellers: you connect", StringComparison.Ordinal) ? null : "gone",
            "names of other sellers are still listed"
        );
        browser.Reads("comes first");
    }
}
