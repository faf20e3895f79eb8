using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>An owner makes a link; a stranger reads one page by it, leaves a note, and the owner sees it.</summary>
public sealed class ShowingSomebody(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void A_link_is_made_read_answered_and_withdrawn()
    {
        browser.StartAfresh();
        browser.Press("Take away");
        browser.Press("A link to show somebody");
        browser.Reads("Anyone with the link can read this candidate’s costs");
        browser.Press("Make a link");
        browser.Reads("can be read until");
        var link = browser.Find("[role=dialog] a[href*='/shared/']").GetAttribute("href")!;
        var here = browser.Driver.Url;

        browser.Driver.Navigate().GoToUrl(link);
        browser.Reads("Ostler & Wren: candidate A");
        browser.Reads("£443.29 over 3 years");
        browser.Keeps("a page shown to somebody");
        browser.Driver.ExecuteScript("return document.querySelectorAll('script, a[href], link').length").ShouldBe(0L);
        browser.AxeFindings().ShouldBeEmpty();
        browser.Find("summary").Click();
        browser.Find("textarea").SendKeys("Is one site enough?");
        browser.Find("input[name=by]").SendKeys("Ann" + Keys.Enter);
        browser.Reads("Ann: Is one site enough?");

        browser.Driver.Navigate().GoToUrl(here);
        browser.Press("Take away");
        browser.Press("A link to show somebody");
        browser.Reads("Plan Slipway: Is one site enough? Ann, just now");
        browser.Keeps("a link with a note");
        browser.Press("Withdraw it");
        browser.Reads("It opens nothing now.");
        browser.Driver.Navigate().GoToUrl(link);
        browser.Reads("Nothing to read here");
        browser.Driver.Navigate().GoToUrl(here);
        browser.Reads("You pay £65.15 today");
    }
}
