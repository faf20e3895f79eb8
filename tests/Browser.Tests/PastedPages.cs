using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>
/// From sellers' pages to the shortlist: pasted, looked at value by value, mended, put on the shelf; and their cart
/// held against the candidate.
/// </summary>
public sealed class PastedPages(Browser browser) : IClassFixture<Browser>
{
    private const string Page = """
        <h1>Alderford Hosting</h1>
        <div><h3>Seed</h3><p><s>£6</s> £2.99 a month</p><p>36 months, paid up front</p><p>Renews at £7.99 a month</p><ul><li>1 website</li><li>10 GB storage</li></ul></div>
        <div><h3>Oak</h3><p><s>£12</s> £5.99 a month</p><p>36 months, paid up front</p><p>Renews at £14.99 a month</p><ul><li>5 websites</li><li>50 GB storage</li></ul></div>
        <p>We move your old site for £49. Prices exclude VAT.</p>
        """;

    private int _clicks;

    [Fact]
    public void Three_sellers_pages_are_on_the_shortlist_in_few_clicks()
    {
        browser.StartAfresh();
        browser.Press("Ostler & Wren: rename");
        browser.Type("Start another site", "Hexworth clocks");
        browser.Press("Start");
        browser.Reads("Start anywhere");
        browser.Press("Paste a seller’s page");
        browser.Reads("every plan is read at once");
        Put(Page, "Alderford Hosting");
        Put(
            Page.Replace("Alderford", "Larkmere", StringComparison.Ordinal)
                .Replace("2.99", "3.49", StringComparison.Ordinal),
            "Larkmere Hosting"
        );
        Put(
            "Fen Digital\nReed\n€4 a month\n12 months, paid yearly in advance\n2 websites\n5 GB "
                + "storage\n\nPrices incl. VAT",
            "Fen Digital",
            isLast: true
        );
        browser.Reads("is on your shortlist");

        // Three pastes, three presses to put them there, two for the next page: two minutes are more than enough.
        _clicks.ShouldBeLessThanOrEqualTo(8);
        browser.Press("Compare the candidates");
        browser.Reads("Larkmere Seed, every 3 years");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_value_lights_its_words_and_is_changed_moved_and_placed_by_keyboard()
    {
        Open();
        Paste(Page);
        browser.Reads("2 plans were read");
        browser.Reads("£129.17"); // 36 × 2.99 and the tax.
        browser.AxeFindings().ShouldBeEmpty();
        browser.ByKeyboard("£2.99 a month, price", Keys.Enter);
        browser.Reads("The price was read from");
        browser.Keeps("a value lit in its page");
        Lit().ShouldBe("£2.99 a month");
        browser.Type("It is", "£3.49");
        browser.ByKeyboard("Change it", Keys.Enter);
        browser.Reads("£150.77");

        // From the words to the value, and on to another plan.
        browser.ByKeyboard("£14.99 a month", Keys.Enter);
        browser.Reads("The later price was read from");
        browser.ByKeyboard("It is of Seed", Keys.Enter);
        browser.Reads("what follows is not said");
        browser.Keeps("a page with a value moved");
        browser.Reads("the page does not say the renewal price");
        browser.ByKeyboard("Place it", Keys.Enter);
        browser.Select("It is", "the set-up fee");
        browser.Select("of", "Oak");
        browser.ByKeyboard("Place it there", Keys.Enter);
        browser.Reads("£49.00 to set up");
        browser.Theme("dark");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void What_the_page_does_not_say_is_asked_and_a_second_page_shows_what_it_changes()
    {
        Open();
        Paste(
            "Seed\n$9 a month on a 24-month term\n1 website\n10 GB storage\n\nOak\n$19 a month on a 24-month "
                + "term\n5 websites\n50 GB storage"
        );
        browser.Reads("Who sells?");
        browser.Type("Who sells?", "Quarry Web");
        browser.Type("In which currency are the prices?", "usd");
        browser.Press("Yes, tax is included");
        browser.Reads("questions in red are still open");
        browser.Keeps("a page that leaves questions");
        browser.Press("paid all at once");
        browser.Until(
            () => browser.Driver.FindElements(By.XPath("//span[contains(., 'How is the')]")).Count == 1 ? "one" : null,
            "the first answer does not count"
        );
        browser.Press("paid every month, committed");
        browser.Press("These are right: put 2 plans on my shortlist");
        browser.Reads("are on your shortlist");
        browser.Press("Paste another seller’s page");
        Paste(
            "Quarry Web\nOak\nUS$21 a month on a 24-month term, paid all at once up front\n5 websites\n60 GB "
                + "storage\nPrices include tax"
        );
        browser.Reads("You have a price list of Quarry Web already.");
        browser.Keeps("a page that changes a price list");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void Their_cart_stands_beside_the_slip_line_by_line()
    {
        browser.StartAfresh();
        browser.Press("Buy it yourself");
        browser.Press("Paste their cart");
        Paste("Slipway hosting, 12 months: £30.00\nSearch listing help: £24.00\nTotal £64.80");
        browser.Reads("not as your slip has");
        browser.Reads("Their sum includes Search listing help: untick it.");
        browser.Keeps("a cart beside the slip");
        browser.Press("Keep theirs beside A");
        browser.Reads("Kept as candidate E, beside yours.");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Complaints().ShouldBeEmpty();
    }

    private void Open()
    {
        browser.StartAfresh();
        browser.Press("Shelf");
        browser.Press("Paste a seller’s page");
        browser.Reads("every plan is read at once");
    }

    private void Put(string page, string seller, bool isLast = false)
    {
        Paste(page);
        _clicks++;
        browser.Reads($"The page of {seller}");
        Press(isLast ? "This is right: put it on my shortlist" : "These are right: put 2 plans on my shortlist");
        browser.Reads("on your shortlist");
        if (!isLast)
        {
            Press("Paste another seller’s page");
        }
    }

    private void Press(string words)
    {
        browser.Press(words);
        _clicks++;
    }

    // As a browser hands over what was copied.
    private void Paste(string page)
    {
        var box = browser.Find("textarea");
        ((IJavaScriptExecutor)browser.Driver).ExecuteScript(
            "const d = new DataTransfer(); d.setData(arguments[2] ? 'text/html' : 'text/plain', arguments[1]); "
                + "arguments[0].dispatchEvent(new ClipboardEvent('paste', { clipboardData: d, bubbles: true }));",
            box,
            page,
            page.Contains("</", StringComparison.Ordinal)
        );
    }

    private string Lit() =>
        browser.Until(
            () =>
                string.Concat(
                    browser
                        .Driver.FindElements(By.CssSelector("aside button[aria-pressed=true]"))
                        .Select(mark => mark.GetAttribute("textContent"))
                )
                    is { Length: > 0 } lit
                    ? lit
                    : null,
            "no words are lit"
        );
}
