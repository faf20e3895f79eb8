using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>Strangers at the first address: each way in makes a site of their own and leads on, in few presses; the list of sites; the example, marked.</summary>
public sealed class FirstHour(Browser browser) : IClassFixture<Browser>
{
    private const string Page = """
        <h1>Alderford Hosting</h1>
        <div><h3>Seed</h3><p>£2.99 a month</p><p>36 months, paid up front</p><p>Renews at £7.99 a month</p><ul><li>1 website</li><li>10 GB storage</li></ul></div>
        <div><h3>Oak</h3><p>£5.99 a month</p><p>36 months, paid up front</p><p>Renews at £14.99 a month</p><ul><li>5 websites</li><li>50 GB storage</li></ul></div>
        <p>Prices exclude VAT.</p>
        """;

    private int _presses;

    [Theory]
    [InlineData(1280)]
    [InlineData(390)]
    public void Who_knows_nothing_comes_from_their_needs_to_a_candidate(int width)
    {
        Arrive(width);
        Press("Answer a few questions");
        browser.Reads("plans fit");
        Choose("by telephone");
        Choose("copies of the site");
        browser.Reads("You need help by telephone");
        Press("See what fits for least");
        browser.Reads("We priced");
        browser.Reads("made-up seller of the example");
        Press("Open");
        browser.Reads("over 3 years");
        _presses.ShouldBeLessThanOrEqualTo(12);
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_sellers_page_pasted_at_the_door_is_under_review()
    {
        Arrive();
        browser.Find("textarea");
        browser.Driver.ExecuteScript("const a = document.querySelector('textarea'); const d = new DataTransfer(); d.setData('text/html', arguments[0]); d.setData('text/plain', 'x'); a.dispatchEvent(new ClipboardEvent('paste', { clipboardData: d, bubbles: true }));", Page);
        browser.Reads("The page of Alderford Hosting");
        Press("These are right: put 2 plans");
        browser.Reads("on your shortlist");
        Press("Compare the candidates");
        browser.Reads("Alderford Seed");
        _presses.ShouldBeLessThanOrEqualTo(3);
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_name_in_mind_is_looked_up_at_once_by_keyboard_alone()
    {
        Arrive();
        browser.ByKeyboard("The name", "ostlerwren" + Keys.Enter);
        browser.Reads("Find a name for the site");
        browser.Reads("Available.");
        browser.Field("The name you want").GetAttribute("value").ShouldBe("ostlerwren");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void Sites_are_renamed_deleted_and_brought_back_and_the_last_one_opens_next_time()
    {
        Arrive();
        Press("Look into the offer");
        browser.Reads("The page’s own words");
        browser.Press("Home Start: start page");
        browser.Reads("Your sites");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Rename My site");
        browser.Type("Name of this site", "Hexworth clocks");
        browser.Press("Save");
        browser.Reads("Hexworth clocks");
        browser.Press("Delete Hexworth clocks");
        browser.Reads("“Hexworth clocks” is deleted.");
        browser.Driver.SwitchTo().ActiveElement().Text.ShouldBe("Bring it back");
        browser.Driver.SwitchTo().ActiveElement().SendKeys(Keys.Enter);
        browser.Control("Delete Hexworth clocks");
        browser.Go("/");
        browser.Find("[aria-label='Sheets of this site']");
        browser.Reads("Hexworth clocks");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void The_example_says_so_on_its_pages_and_its_sellers_can_be_left_out()
    {
        browser.StartAfresh();
        browser.Reads("This is the example.");
        browser.Press("Shelf");
        browser.Reads("This is the example.");
        browser.Press("Start my own site");
        browser.Press("Answer a few questions");
        browser.Reads("14 plans fit.");
        browser.Text.ShouldNotContain("This is the example.");
        browser.Press("Shelf");
        browser.Choice("Show the 9 made-up sellers").Click();
        browser.Reads("They are left out of every list and scan.");
        browser.Press("Needs");
        browser.Reads("No plan fits.");
        browser.Complaints().ShouldBeEmpty();
    }

    private void Arrive(int width = 1280)
    {
        browser.StartAfresh(opensExample: false);
        browser.Size(width, 800);
        browser.Reads("What will your website really cost?");
        _presses = 0;
    }

    private void Press(string words)
    {
        _presses++;
        browser.Press(words);
    }

    private void Choose(string label)
    {
        _presses++;
        browser.Choice(label).Click();
    }
}
