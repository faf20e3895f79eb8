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
        browser.Tick("monthly");
        browser.Reads("You pay £52.73 today");
        browser.Reads("It counts when you pay for 12 months or more at a time.");
        browser.Reads("Not included: the plan gives a domain-year only if you commit to 1 year or more.");
        browser.Keeps("a plan paid monthly");
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
        browser.Press("3 years: change");
        browser.Type("or so many months", "120");
        browser.Press("Count over this");
        browser.Reads("Years 4–10");
        browser.Press("Show each year");
        browser.Reads("Year 10");
        browser.Keeps("ten years year by year");
        browser.Press("with 20% tax");
        browser.Tick("My business reclaims this tax");
        browser.Press("Count like this");
        browser.Reads("You pay £54.29 today");
        browser.Press("1 Dec 2026: change");
        browser.Type("Count from", "1 Jan 2027");
        browser.Reads("That is 1 January 2027.");
        browser.Press("Count from this day");
        browser.Reads("Price step on 1 Jan 2028");
        browser.Keeps("counted from another day");
    }

    [Fact]
    public void A_change_in_another_window_is_said_and_not_overwritten()
    {
        browser.StartAfresh();
        browser.Reads("You pay £65.15 today");
        browser.ChangeElsewhere(
            """{ "kind": "choose-billing", "letter": "A", "everyMonths": 36, "commitMonths": 36 }"""
        );
        browser.Tick("monthly");
        browser.Reads(
            "This was changed in another window meanwhile. You see the newer state; your last choice was not made."
        );
        browser.Reads("You pay £167.60 today");
        browser.Press("Leave it as it is there");
        browser.Tick("monthly");
        browser.Reads("You pay £52.73 today");
    }

    [Fact]
    public void Of_two_versions_the_owner_chooses()
    {
        browser.StartAfresh();
        browser.Reads("You pay £65.15 today");
        browser.ChangeElsewhere(
            """{ "kind": "choose-billing", "letter": "A", "everyMonths": 36, "commitMonths": 36 }"""
        );
        browser.Tick("monthly");
        browser.Reads(
            "Here it was A at £65.15 today and £443.29 over 3 years; the other window made it A at £167.60 today"
        );
        browser.Reads("You wanted: A: monthly.");
        browser.Keeps("two versions of a choice");
        browser.Press("Make my choice all the same");
        browser.Reads("You pay £52.73 today");
        browser.Press("Undo");
        browser.Reads("You pay £167.60 today");
    }

    [Fact]
    public void A_figure_opens_its_origin()
    {
        browser.StartAfresh();
        browser.Press("251.64");
        browser.Reads("Why 251.64?");
        browser.Reads("From the price list of Tidemarsh Hosting, read on 16 Nov 2026.");
        browser.Find("[role=dialog] tbody").FindElements(By.TagName("tr")).Count.ShouldBe(3);
    }

    [Fact]
    public void A_refused_code_says_what_would_make_it_count_and_does_it()
    {
        browser.StartAfresh();
        browser.Tick("monthly");
        browser.Reads("It counts when you pay for 12 months or more at a time.");
        browser.Reads("It counts paid yearly: saves £10.76.");
        browser.Keeps("a code that is refused");
        browser.Press("Do that");
        browser.Reads("saves £10.76 in total");
        browser.Type("A code to try", "MAILDAY");
        browser.Press("Try it");
        browser.Reads("MAILDAY");
    }

    [Fact]
    public void A_code_can_be_the_first_thing_and_the_best_codes_are_offered()
    {
        browser.StartAfresh();
        browser.Press("Add one");
        browser.Reads("Start anywhere");
        browser.Type("A code to try", "plume30");
        browser.Press("Try it");
        browser.Reads(
            "Quillhaven: 30% off the plan, on the first bill, if you pay for 1 year or more at a time, for new "
                + "customers, not beside another code."
        );
        browser.Keeps("a code before all else");
        browser.Press("Choose a plan");
        browser.Press("Quillhaven, Inkwell");
        browser.Reads("You pay");
        browser.Tick("yearly");
        browser.Reads("saves £");
        browser.Press("take off the code plume30");
        browser.Reads("would save £");
        browser.Press("Use ");
        browser.Reads("saves £");
    }

    [Fact]
    public void Plans_say_what_they_would_change_and_how_they_meet_the_needs()
    {
        browser.StartAfresh();
        browser.Press("Tidemarsh Hosting, Slipway");
        browser.Reads("you need 5,000");
        browser.Reads("as an extra: Own certificate");
        browser.Reads("Slipway £2.99 a month, then £8.99");
        browser.Reads("then 97.20 on 1 Dec 2029");
        browser.Tick("every 3 years");
        browser.Reads("more plans are not sold every 3 years.");
        browser.Keeps("plans sold for another time");
        browser.Tick("only plans that do what I need");
        browser.Until(
            () => browser.Text.Contains("Saltglass Cloud, Shard", StringComparison.Ordinal) ? null : "gone",
            "a plan that does not do what is needed is still listed"
        );
        browser.Tick("yearly");
        browser.Select("Sorted by", "what is due today");
        browser.Select("Plans of", "Ninebridge Hosting");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Ninebridge Hosting, Viaduct");
        browser.Reads("Ninebridge Hosting, Viaduct");
        browser.Select("Data centre", browser.Field("Data centre").FindElements(By.TagName("option")).Last().Text);
        browser.Reads("You pay");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void Single_keys_lead_about_once_they_are_switched_on()
    {
        browser.StartAfresh();
        browser.Reads("You pay £65.15 today");
        browser.Find("body").SendKeys("2");
        browser.Settled();
        browser.Text.ShouldContain("You pay £65.15 today"); // Off until somebody wants them.
        browser.Press("Help");
        browser.Tick("Use single keys as shortcuts");
        browser.Find("body").SendKeys(Keys.Escape);
        browser.Until(
            () => browser.Focused == "Help" ? "there" : null,
            "the focus did not come back to what opened the sheet"
        );
        browser.Keyboard("2");
        browser.Settled();
        browser.Text.ShouldContain("You pay £65.15 today"); // Not while a control has the focus.
        browser.Driver.ExecuteScript("document.activeElement.blur()");
        browser.Find("body").SendKeys("2");
        browser.Reads("You pay £229.52 today");
        browser.Find("body").SendKeys("c");
        browser.Reads("Side by side");
    }

    [Fact]
    public void The_shortlist_is_named_and_arranged_by_keyboard()
    {
        browser.StartAfresh();
        browser.Reads("You pay £65.15 today");
        browser.ByKeyboard("Edit A", Keys.Enter);
        browser.Reads("One place later"); // The sheet comes when it is first asked for.
        browser.ByKeyboard("One place later", Keys.Enter);
        browser.Until(
            () =>
                browser.Driver.FindElements(By.CssSelector("nav[aria-label=Shortlist] a"))[0].Text.StartsWith('B')
                    ? ""
                    : null,
            "B does not stand first"
        );
        browser.Type("Your name for A", "Cheap start");
        browser.Press("Name it");
        browser.Reads("Cheap start");
    }

    [Fact]
    public void Stopping_early_says_what_is_gone_and_when_the_longer_term_wins()
    {
        browser.StartAfresh();
        browser.Press("If you stop early");
        browser.Reads("if you run the site 27 months or longer");
        browser.Find("input[type=range]").SendKeys(Keys.Home);
        browser.Reads("£65.15 is gone, paid yearly; £52.73 paid monthly");
        browser.Keeps("stopping at once");
    }

    [Fact]
    public void Sums_are_shown_in_another_currency_at_the_owners_rate()
    {
        browser.StartAfresh();
        browser.Press("pounds: change");
        browser.Select("Show sums in", "EUR, euros");
        browser.Type("One GBP is worth, in EUR", "1.15");
        browser.Press("Count like this");
        browser.Reads("You pay €74.92 today");
        browser.Press("euros: change");
        browser.Reads("As you typed it on 1 Dec 2026.");
        browser.Keeps("sums in euros");
    }

    [Fact]
    public void Candidates_are_added_copied_and_removed_and_each_has_its_address()
    {
        browser.StartAfresh();
        browser.Press("Copy A");
        browser.Reads("Order E for £65.15");
        browser.Driver.Url.ShouldEndWith("view=E");
        browser.Tick("every 3 years");
        browser.Reads("Order E for £167.60");
        browser.Driver.Navigate().Back();
        browser.Reads("Order A for £65.15");
        browser.Driver.Navigate().Forward();
        browser.Press("Edit E");
        browser.Press("Remove E");
        browser.Reads("Order D for £68.40");
    }

    [Fact]
    public void Hostile_words_are_only_words()
    {
        browser.StartAfresh();
        const string words = "<img src=x onerror=alert(1)>{{7*7}}";
        browser.Press("Ostler & Wren: rename");
        browser.Type("Name of this site", words);
        browser.Press("Rename");
        browser.HeadReads("<img src=x onerror=alert(1)>{{7*7}}");
        browser.Type("A code to try", "'; drop table--<b>");
        browser.Press("Try it");
        browser.Reads("does not know this code");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_sheet_over_the_worksheet_has_an_address_of_its_own()
    {
        browser.StartAfresh();
        browser.Press("251.64");
        browser.Reads("Why 251.64?");
        var address = browser.Driver.Url;
        browser.Driver.Navigate().Back();
        browser.Until(
            () => browser.Text.Contains("Why 251.64?", StringComparison.Ordinal) ? null : "",
            "going back does not close it"
        );
        browser.Driver.Navigate().GoToUrl(address);
        browser.Reads("Why 251.64?");
        browser.Press("Close");
        browser.Press("Tidemarsh Hosting, Slipway");
        browser.Reads("Courtyard");
        browser.Driver.Navigate().Refresh();
        browser.Reads("Courtyard");
    }

    [Fact]
    public void At_390_pixels_nothing_is_cut_off()
    {
        browser.StartAfresh();
        browser.Size(390, 844);
        browser.Reads("You pay £65.15 today");
        foreach (var sheet in new[] { "Needs", "Scan", "Compare", "Domain", "Orders", "Worksheet" })
        {
            browser.ToSheet(sheet);
            browser.Settled();
            (
                (long)
                    browser.Driver.ExecuteScript(
                        "return document.documentElement.scrollWidth - document.documentElement.clientWidth"
                    )!
            ).ShouldBe(0, sheet);
        }

        browser.Select("Column shown beside the total", "Year 2");
        browser.Row("Tidemarsh Hosting, Slipway").ShouldBe(["107.88", "251.64"]);
    }
}
