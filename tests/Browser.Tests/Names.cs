using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>Finding a name, one or hundreds, and every other route to a domain.</summary>
public sealed class Names(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void Whatever_is_typed_is_read_as_a_name_or_says_what_bars_it()
    {
        Open();
        browser.Type("The name you want", "https://www.ostlerwren.co.uk/shop");
        browser.Reads("Read as ostlerwren: taken out of the address.");
        browser.Type("The name you want", "co.uk");
        browser.Reads("“.co.uk” is an ending: put the name you want before it.");
        browser.Type("The name you want", "wren.clocks");
        browser.Reads("No registry has the ending “.clocks”");
        browser.Keeps("an ending nobody has");
        browser.Type("The name you want", "Müller");
        browser.Reads("it looks like xn--mller-kva");
        browser.Reads("The registrars here sell names in the letters a to z alone");
        browser.Keeps("a name in other letters");
        browser.Press("muller");
        browser.Reads("muller.co.uk");
        browser.Type("The name you want", new string('w', 300));
        browser.Reads("This has 300 characters");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void Many_names_are_thought_of_and_checked_by_keyboard_and_one_is_held_dropped_and_had_back()
    {
        Open();
        browser.Press("Many names at once");
        browser.Type("It does", "clock and barometer repairs");
        browser.Type("In", "Ludlow");
        browser.ByKeyboard("Think of names and check them", Keys.Enter);
        browser.Reads("126 of 126 names");
        browser.Reads("All asked.");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Text.ShouldNotContain("asked yet");
        browser.Tick("only those with nothing to think twice about");
        browser.Select("Order of the names", "what costs least first");
        browser.Reads("over 3 years");
        browser.Tick("only those that can be had");
        browser.ByKeyboard("Save for later owclocks.co.uk", Keys.Enter);
        browser.Reads("Undo the last change");
        browser.ByKeyboard("Remove owclocks.co.uk", Keys.Enter);
        browser.Reads("None yet. Names you save");
        browser.Press("Undo the last change");
        browser.Press("owclocks.co.uk");
        browser.Reads("Available.");
        browser.Field("The name you want").GetAttribute("value").ShouldBe("owclocks.co.uk");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_list_that_is_pasted_is_asked_through_stopped_reloaded_and_gone_on_with()
    {
        Open();
        browser.Press("Many names at once");
        browser.Tick("I have a list");
        browser.Tell("registrar", "slow");
        Paste(string.Join('\n', Enumerable.Range(0, 60).Select(at => $"wren{at}clocks")) + "\n-wren\nco.uk\n\u202e\n");
        browser.Press("Check them");
        browser.Reads("3 lines are no names");
        browser.Reads("of 240 asked");
        browser.Until(
            () =>
                browser.Text.Contains(" free", StringComparison.Ordinal)
                || browser.Text.Contains("over 3 years", StringComparison.Ordinal)
                    ? "some"
                    : null,
            "no answer came"
        );
        browser.Press("Stop");
        browser.Press("Go on asking");
        browser.Reads("of 240 asked");
        browser.Press("Stop");
        browser.Driver.Navigate().Refresh();
        browser.Tell("registrar", "ok");
        browser.Reads("still to ask");
        browser.Text.ShouldContain("over 3 years");
        browser.Press("Go on asking");
        browser.Reads("All asked.");
        browser.Text.ShouldContain("60 of 60 names");
        browser.Size(390, 844);
        browser.AxeFindings().ShouldBeEmpty();
        ((bool)browser.Driver.ExecuteScript("return document.documentElement.scrollWidth <= 390")!).ShouldBeTrue();
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void What_cannot_be_looked_for_says_why_and_loses_nothing_typed()
    {
        Open();
        browser.Press("Many names at once");
        browser.Type("The business is called", " ");
        browser.Press("Think of names and check them");
        browser.Reads("is missing");
        browser.Keeps("many names from nothing");
        browser.Tick("I have a list");
        var names = string.Join('\n', Enumerable.Range(0, 1000).Select(at => $"wren{at}clocks"));
        Paste(names);
        browser.Press("Check them");
        browser.Reads("These are 1000 names; at most 500 are looked for at once.");
        browser.Field("Names, one a line").GetAttribute("value").ShouldBe(names);
    }

    [Fact]
    public void A_name_shows_its_costs_at_each_seller_its_years_and_what_is_seen_of_its_holder()
    {
        Open();
        browser.Type("The name you want", "clocks.me");
        browser.Reads("Easily written for it, and used by somebody else: clock.com");
        browser.Reads("Nobody here sells “.me”");
        browser.Reads("clocks.com is taken. Others like it");
        browser.Keeps("a name that is taken");
        browser.Press("Use this name: theclocks.com");
        browser.Reads("has theclocks.com");
        browser.Type("The name you want", "wrenclocks");
        browser.Reads("wrenclocks.studio");
        browser.Reads("the least over 3 years: £2.64 less than at the host");
        browser.Reads("your plan includes no .org domain");
        browser.ByKeyboard("1 to 10 years at once: .com at Tidemarsh", Keys.Enter);
        browser.Reads("1 Dec 2036");
        browser.Reads("the same day");
        browser.Keeps("a name for up to ten years");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Keyboard(Keys.Escape);
        browser.Press("what is seen of you: .studio at Flatstone");
        browser.Reads("Organisation");
        browser.Keeps("what is seen of a holder");
        browser.Keyboard(Keys.Escape);
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_second_name_stands_beside_the_first_and_the_plans_year_goes_where_it_saves_most()
    {
        Open();
        browser.Type("The name you want", "ostlerwren");
        browser.Press("Use this name for A: ostlerwren.co.uk from Tidemarsh Hosting");
        browser.Reads("has ostlerwren.co.uk");
        browser.Press("Add it beside: ostlerwren.com from Tidemarsh Hosting");
        browser.Reads("and beside it:");
        browser.Reads(
            "The plan’s domain-year is spent on ostlerwren.com, where it saves most: £6.00 more over 3 years "
                + "than on another."
        );
        browser.Keeps("two names");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Back to the worksheet");
        browser.Row("take off: ostlerwren.com").ShouldBe(["0.00", "0.00", "16.90", "16.90", "33.80"]);
        browser.Press("Domain");
        browser.Press("Take it off: ostlerwren.com");
        browser.Until(
            () => browser.Text.Contains("and beside it:", StringComparison.Ordinal) ? null : "gone",
            "it still stands beside"
        );
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_registry_that_contradicts_and_a_registrar_that_is_down_are_said_at_their_rows()
    {
        Open();
        browser.Tell("registry", "contradicting");
        browser.Type("The name you want", "wrenandostler");
        browser.Until(
            () =>
                browser.Text.Contains("Endings for wrenandostler,", StringComparison.Ordinal)
                && browser.Text.Contains(
                    "The registrar says it is available, the registry says it is taken",
                    StringComparison.Ordinal
                )
                    ? "so"
                    : null,
            "nothing is contradicted"
        );
        browser.Tell("registry", "ok");
        browser.Press("Ask again");
        browser.Until(
            () => browser.Text.Contains("Available.", StringComparison.Ordinal) ? "free" : null,
            "it was not asked again"
        );
        browser.Tell("registrar", "down");
        browser.Type("The name you want", "kettlewrights");
        browser.Reads("It may or may not be available.");
        browser.Keeps("a registrar that is down");
        browser.Tell("registrar", "ok");
    }

    [Fact]
    public void A_domain_one_has_is_weighed_pointed_and_its_code_checked_by_keyboard()
    {
        Open();
        browser.Press("A domain I have");
        browser.Reads("Use a domain you have");
        browser.ByKeyboard("Your domain", "wren.com");
        browser.Reads("wren.com in the public record: at Another registrar");
        browser.ByKeyboard("Compare staying and moving", Keys.Enter);
        browser.Reads(
            "as the registry says. We took £20.28 for a year where it is, which is what Tidemarsh Hosting charges"
        );
        browser.Type("It expires on", "3 May 2027");
        browser.Type("A year costs there, with tax", "14.20");
        browser.ByKeyboard("Compare staying and moving", Keys.Enter);
        browser.Reads("left where it is £419.77");
        browser.Reads("it is then paid until 3 May 2028");
        browser.Reads("Mail for wren.com goes to mx1.post.example.net and mx2.post.example.net today.");
        browser.Reads("Its mail stops the moment you do this");
        browser.Text.ShouldNotContain("v=spf1");
        browser.Tick("mail stays where it goes today");
        browser.Reads("v=spf1 mx -all");
        browser.Keeps("a domain one has, pointed");
        browser.AxeFindings().ShouldBeEmpty();
        browser.ByKeyboard("Its transfer code", "nonsense");
        browser.ByKeyboard("Check code and lock", Keys.Enter);
        browser.Reads("The present seller does not know this code.");
        browser.Type("Its transfer code", "MOVE-WREN");
        browser.Press("Check code and lock");
        browser.Reads("it can be moved to Tidemarsh Hosting");
        browser.Keeps("a transfer code that is right");
        browser.Press("Count A with it left where it is");
        browser.Reads("has wren.com, kept where it is");
        browser.Press("Count A with it moved");
        browser.Reads("has wren.com, moved in");
        browser.Type("Your domain", "wren");
        browser.Press("Compare staying and moving");
        browser.Reads("Write the domain with its ending");
        browser.Complaints().Where(said => !said.Contains("422", StringComparison.Ordinal)).ShouldBeEmpty();
    }

    [Fact]
    public void A_name_is_left_for_later_with_its_last_day_or_an_address_is_borrowed()
    {
        Open();
        browser.Press("Borrowed, or later");
        browser.Reads("Start without a name of your own");
        browser.Reads("must be claimed at Tidemarsh Hosting before 1 December 2027");
        browser.Reads("ostlerandwren.tidemarsh.example.net");
        browser.Keeps("a name borrowed or later");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Count it like this");
        browser.Reads("leaves the name for later (.com)");
        browser.Press("Borrow an address for A");
        browser.Reads("borrows an address of the host’s");
        browser.Driver.Navigate().Back();
        browser.Reads("Find a name for the site");
        browser.Complaints().ShouldBeEmpty();
    }

    private void Paste(string text)
    {
        var field = browser.Field("Names, one a line");
        browser.Driver.ExecuteScript(
            "Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set.call(arguments[0], "
                + "arguments[1]); arguments[0].dispatchEvent(new Event('input', { bubbles: true }));",
            field,
            text
        );
    }

    private void Open()
    {
        browser.Tell("registrar", "ok");
        browser.Tell("registry", "ok");
        browser.StartAfresh();
        browser.Press("Domain");
        browser.Reads("Find a name for the site");
    }
}
