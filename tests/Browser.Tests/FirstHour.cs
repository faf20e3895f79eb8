using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>
/// Strangers at the first address: each way in makes a site of their own and leads on, in few presses; the list of
/// sites; the example, marked.
/// </summary>
public sealed class FirstHour(Browser browser) : IClassFixture<Browser>
{
    private const string Page = """
        <h1>Alderford Hosting</h1>
        <div><h3>Seed</h3><p>£2.99 a month</p><p>36 months, paid up front</p><p>Renews at £7.99 a month</p><ul><li>1 website</li><li>10 GB storage</li></ul></div>
        <div><h3>Oak</h3><p>£5.99 a month</p><p>36 months, paid up front</p><p>Renews at £14.99 a month</p><ul><li>5 websites</li><li>50 GB storage</li></ul></div>
        <p>Prices exclude VAT.</p>
        """;

    private int _presses;
    private bool _byKeyboard;

    [Theory]
    [InlineData(1280, false)]
    [InlineData(390, false)]
    [InlineData(1280, true)]
    public void Who_knows_nothing_comes_from_their_needs_to_a_candidate(int width, bool byKeyboard)
    {
        Arrive(width, byKeyboard);
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
        Paste(Page);
        browser.Reads("The page of Alderford Hosting");
        browser.Keeps("a page read at the door");
        Press("These are right: put 2 plans");
        browser.Reads("on your shortlist");
        Press("Compare the candidates");
        browser.Reads("Alderford Seed");
        _presses.ShouldBeLessThanOrEqualTo(3);
        browser.Press("Scan");
        browser.Press("Leave them out");
        browser.Until(
            () => browser.Text.Contains("made-up seller", StringComparison.Ordinal) ? null : "gone",
            "the made-up sellers are still there"
        );
        browser.Reads("Alderford Hosting, Seed");
        browser.Complaints().ShouldBeEmpty();
    }

    // Three sellers' offers, each brought in its own way, to a comparison.
    [Theory]
    [InlineData(1280, false)]
    [InlineData(390, false)]
    [InlineData(1280, true)]
    public void Who_has_three_sellers_offers_comes_to_a_comparison(int width, bool byKeyboard)
    {
        Arrive(width, byKeyboard);
        Paste(Page);
        browser.Reads("The page of Alderford Hosting");
        Press("These are right: put 2 plans");
        browser.Reads("on your shortlist");
        Press("Paste another seller’s page");
        Paste(
            Page.Replace("Alderford Hosting", "Birchmere Web", StringComparison.Ordinal)
                .Replace("2.99", "2.49", StringComparison.Ordinal)
        );
        browser.Reads("The page of Birchmere Web");
        Press("These are right: put 2 plans");
        browser.Reads("on your shortlist");
        Press("Paste another seller’s page");
        Paste(
            Page.Replace("Alderford Hosting", "Coldfell Hosts", StringComparison.Ordinal)
                .Replace("7.99", "3.49", StringComparison.Ordinal)
        );
        browser.Reads("The page of Coldfell Hosts");
        Press("These are right: put 2 plans");
        browser.Reads("on your shortlist");
        Press("Compare the candidates");
        browser.Reads("costs least over 3 years");
        foreach (var seller in new[] { "Alderford Seed", "Birchmere Seed", "Coldfell Seed" })
        {
            browser.Reads(seller);
        }

        _presses.ShouldBeLessThanOrEqualTo(6);
        browser.Complaints().ShouldBeEmpty();
    }

    // A name that turns out taken, to one that is available and joined to a plan.
    [Theory]
    [InlineData(1280, false)]
    [InlineData(390, false)]
    [InlineData(1280, true)]
    public void Who_has_a_name_in_mind_that_is_taken_comes_to_one_joined_to_a_plan(int width, bool byKeyboard)
    {
        Arrive(width, byKeyboard);
        Type("The name", "hourwork");
        Press("Look it up");
        browser.Reads("Taken");
        Type("The name you want", "ostlerwren");
        browser.Reads("Available");
        Press("Use this name for A: ostlerwren.com");
        browser.Reads("has ostlerwren.com");
        Press("Back to the worksheet");
        browser.Reads("ostlerwren.com");
        Press("Choose a plan");
        Press("Plainstone Servers, Lintel");
        browser.Reads("Plainstone Servers, Lintel");
        browser.Reads("You pay");
        _presses.ShouldBeLessThanOrEqualTo(6);
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
        browser.Keeps("a site deleted");
        browser.Focused.ShouldBe("Bring it back");
        browser.Keyboard(Keys.Enter);
        browser.Control("Delete Hexworth clocks");
        browser.Go("/");
        browser.Find("[aria-label='Sheets of this site']");
        browser.HeadReads("Hexworth clocks");
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
        browser.Tick("Show the 9 made-up sellers");
        browser.Reads("They are left out of every list and scan.");
        browser.Keeps("a shelf without the made-up");
        browser.Press("Needs");
        browser.Reads("No plan fits.");
        browser.Complaints().ShouldBeEmpty();
    }

    private void Arrive(int width = 1280, bool byKeyboard = false)
    {
        _byKeyboard = byKeyboard;
        browser.StartAfresh(opensExample: false);
        browser.Size(width, 800);
        browser.Reads("What will your website really cost?");
        _presses = 0;
    }

    private void Paste(string page)
    {
        browser.Find("textarea");
        browser.Driver.ExecuteScript(
            "const a = document.querySelector('textarea'); const d = new DataTransfer(); "
                + "d.setData('text/html', arguments[0]); d.setData('text/plain', 'x'); a.dispatchEvent(new "
                + "ClipboardEvent('paste', { clipboardData: d, bubbles: true }));",
            page
        );
    }

    private void Press(string words)
    {
        _presses++;
        if (_byKeyboard)
        {
            browser.ByKeyboard(words, Keys.Enter);
        }
        else
        {
            browser.Press(words);
        }
    }

    private void Choose(string label)
    {
        _presses++;
        if (_byKeyboard)
        {
            browser.ByKeyboard(label, Keys.Space);
        }
        else
        {
            browser.Tick(label);
        }
    }

    private void Type(string label, string text)
    {
        if (_byKeyboard)
        {
            browser.ByKeyboard(label, Keys.Control + "a" + Keys.Null + text);
        }
        else
        {
            browser.Type(label, text);
        }
    }
}
