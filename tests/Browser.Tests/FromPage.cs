using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>
/// From a seller's page to the shelf: an advertisement pasted and typed, a table, and a book changed, undone and gone
/// back on.
/// </summary>
public sealed class FromPage(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void A_pasted_advertisement_waits_for_a_yes_and_becomes_a_candidate()
    {
        Open("Type in an offer");
        browser.Type(
            "The page’s own words",
            "Lantern plan from Brightwater Hosting: £2.99 a month for 36 months, billed upfront. Renews at "
                + "£8.99 a month. Free .com domain. Ex VAT."
        );
        browser.Press("Read them");
        browser.Reads("answers were read. Look at each below");
        browser.Reads("from “for 36 months”");
        browser.Reads("Due today\n£129.17");
        browser.Reads("at least £129.17");
        browser.Keeps("an advertisement read");
        browser.Control("Put it on the shelf").GetAttribute("aria-disabled").ShouldBe("true"); // Nobody has looked yet.
        browser.Press("That is right: The seller");
        browser.Type("The plan’s name", "Lantern"); // Typed over, it waits no more.
        browser.Press("I looked: all of them are right");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Put it on the shelf");
        browser.Reads("Brightwater Hosting, Lantern");
        browser.Driver.Url.ShouldContain("/worksheet?view=E");
        browser.Press("Shelf");
        browser.Reads("Brightwater Hosting\nyour own, on a shortlist");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void An_advertisement_typed_by_keyboard_says_what_is_missing_and_outlives_a_reload()
    {
        Open("Type in an offer");
        browser.Type("The seller", "Willowgate");
        browser.Type("Price", "£6");
        browser.Type("It holds for, in months", "1");
        browser.Select("It is paid", "each month, free to leave");
        browser.Select("After that term", "it stays the same");
        browser.Reads("The first year\n£86.40");
        browser.Until(
            () =>
                ((IJavaScriptExecutor)browser.Driver).ExecuteScript(
                    "return Object.values(sessionStorage).some(kept => kept.includes('Willowgate') && "
                        + "kept.includes('same'))"
                )
                    is true
                    ? "kept"
                    : null,
            "what was typed is not kept"
        );
        browser.Driver.Navigate().Refresh();
        browser.Reads("The first year\n£86.40");
        browser.ByKeyboard("Put it on the shelf and on the shortlist", Keys.Enter);
        browser.Reads("2 answers are missing or cannot be read");
        browser.Keeps("an advertisement half told");
        browser.Type("The plan’s name", "Sallow");
        browser.Select("The prices are", "with tax inside");
        browser.Reads("The first year\n£72.00");
        browser.ByKeyboard("Put it on the shelf and on the shortlist", Keys.Enter);
        browser.Reads("Willowgate, Sallow");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_pasted_table_shows_what_its_columns_were_taken_for()
    {
        Open("Paste a table of plans");
        browser.Type("The table", "Plan;Twelve months;Afterwards;Mailboxes\nPebble;£48;£72;5\nCobble;£84;ask us;20");
        browser.Type("Who sells", "Quarry Web");
        browser.Select("They are", "before tax: it comes on top");
        browser.Select("What the column Twelve months is taken for", "paid for 1 year at once");
        browser.Reads("ask us\nThis is not an amount in GBP");
        browser.Keeps("a table with a mistake");
        browser.Select("What the column Afterwards is taken for", "nothing");
        browser.Select("What the column Afterwards is taken for", "the price after the first bill");
        browser.Type("The table", "Plan;Twelve months;Afterwards;Mailboxes\nPebble;£48;£72;5\nCobble;£84;£120;20");
        browser.Select("What the column Twelve months is taken for", "paid for 1 year at once");
        browser.Reads("a price list you do not have yet, from Quarry Web, with 2 plans");
        browser.Keeps("a table read");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Type("The table", "Plan;Price;Renews at\nPebble;48.00;72.00\nCobble;84.00;120.00");
        browser.Select("The prices are in", "GBP, pounds");
        browser.Reads("Say what each price is for");
        browser.Select("Each price is for", "1 year");
        browser.Press("Put the 2 plans on my shortlist");
        browser.Reads("Candidates E, F are on your shortlist.");
        browser.Press("Open candidate E");
        browser.Reads("Quarry Web, Pebble");
        browser.Reads("£4.00 a month, then £6.00");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_change_of_price_is_undone_kept_and_gone_back_on()
    {
        Open("Plainstone Servers");
        browser.Press("Copy it as a start");
        browser.Type("Whose prices shall it hold?", "Stonecrop");
        browser.Press("Copy and change it");
        browser.Reads("Change the prices of Stonecrop");
        browser.Press("Lintel");
        browser.Type("Name", "Lintel Two");
        browser.ByKeyboard("Ways to pay", Keys.Enter);
        browser.Reads("Undo the last change");
        browser.Press("Undo the last change");
        browser.Reads("Nothing is changed yet.");
        browser.Field("Name").GetAttribute("value").ShouldBe("Lintel");
        browser.Press("Every 12 months");
        browser.Type("Set-up fee", "cheap");
        browser.ClickField("Amount");
        browser.Reads("plans[0].billing[1].setupFee");
        browser.Keeps("prices with a mistake");
        browser.Control("Keep these prices").GetAttribute("aria-disabled").ShouldBe("true");
        browser.Type("Set-up fee", "12");
        browser.ClickField("Amount");
        browser.Reads("the set-up fee of Lintel, yearly: dearer, £0.00 became £12.00");
        browser.Keeps("prices that change");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Keep these prices");
        browser.Reads("Nothing is changed yet.");
        browser.Press("Your price lists");
        browser.Press("Stonecrop");
        browser.Reads("12.00 to set up");
        browser.Press("Go back to it: version 1");
        browser.Reads("Version 3");
        browser.Text.ShouldNotContain("12.00 to set up");
        browser.Keeps("a price list gone back on");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Complaints().ShouldBeEmpty();
    }

    private void Open(string what)
    {
        browser.StartAfresh();
        browser.Press("Shelf");
        browser.Reads("Your price lists");
        browser.Press(what);
    }
}
