using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>Choosing on the worksheet: painted, saved, undone, and never silently overwritten.</summary>
public sealed class Worksheets(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void A_choice_changes_the_figures_survives_reload_and_can_be_undone()
    {
        browser.StartAfresh();
        browser.Reads("You pay £65.15 today");
        browser.Choice("monthly").Click();
        browser.Reads("You pay £52.73 today");
        browser.Reads("It counts when you pay for 12 months or more at a time.");
        browser.Reads("Not included: the plan gives a domain-year only if you commit to 12 months or more.");
        browser.Driver.Navigate().Refresh();
        browser.Reads("You pay £52.73 today");
        browser.Press("Undo");
        browser.Reads("You pay £65.15 today");
        browser.Find("body").SendKeys(Keys.Control + Keys.Shift + "z");
        browser.Reads("You pay £52.73 today");
    }

    [Fact]
    public void How_it_is_counted_can_be_set()
    {
        browser.StartAfresh();
        browser.Press("Added up over");
        browser.Type("or so many months", "120");
        browser.Press("Count over this");
        browser.Reads("Years 4–10");
        browser.Press("Show each year");
        browser.Reads("Year 10");
        browser.Press("Counted with 20% tax");
        browser.Choice("My business gets this tax back").Click();
        browser.Press("Count like this");
        browser.Reads("You pay £54.29 today");
        browser.Press("Counted from");
        browser.Field("Count from").SendKeys("01012027");
        browser.Press("Count from this day");
        browser.Reads("Price step on 1 Jan 2028");
    }

    [Fact]
    public void A_change_in_another_window_is_said_and_not_overwritten()
    {
        browser.StartAfresh();
        browser.Reads("You pay £65.15 today");
        browser.ChangeElsewhere("""{ "kind": "choose-billing", "letter": "A", "everyMonths": 36, "commitMonths": 36 }""");
        browser.Choice("monthly").Click();
        browser.Reads("This was changed in another window meanwhile. You see the newer state; your last choice was not made.");
        browser.Reads("You pay £167.60 today");
        browser.Choice("monthly").Click();
        browser.Reads("You pay £52.73 today");
    }

    [Fact]
    public void Candidates_are_added_copied_and_removed_and_each_has_its_address()
    {
        browser.StartAfresh();
        browser.Press("Copy A");
        browser.Reads("Order E for £65.15");
        browser.Driver.Url.ShouldEndWith("view=E");
        browser.Choice("every 36 months").Click();
        browser.Reads("Order E for £167.60");
        browser.Driver.Navigate().Back();
        browser.Reads("Order A for £65.15");
        browser.Driver.Navigate().Forward();
        browser.Press("Remove E");
        browser.Reads("Order D for £68.40");
    }

    [Fact]
    public void Hostile_words_are_only_words()
    {
        browser.StartAfresh();
        const string words = "<img src=x onerror=alert(1)>{{7*7}}‮";
        browser.Press("Site: Ostler");
        browser.Type("Name of this site", words);
        browser.Press("Rename");
        browser.Reads("<img src=x onerror=alert(1)>{{7*7}}");
        browser.Type("A code to try", "'; drop table--<b>");
        browser.Press("Try it");
        browser.Reads("does not know this code");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void At_390_pixels_nothing_is_cut_off()
    {
        browser.StartAfresh();
        browser.Size(390, 844);
        browser.Reads("You pay £65.15 today");
        foreach (var tab in new[] { "Domain", "Orders", "Worksheet" })
        {
            browser.Press(tab);
            Thread.Sleep(300);
            ((long)browser.Driver.ExecuteScript("return document.documentElement.scrollWidth - document.documentElement.clientWidth")!).ShouldBe(0, tab);
        }

        browser.Select("Column shown beside the total", "Year 2");
        browser.Row("Tidemarsh Hosting, Slipway").ShouldBe(["107.88", "251.64"]);
    }
}
