using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>Finding a name: whatever is typed is read, and ideas are made where there is none yet.</summary>
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
        browser.Type("The name you want", "Müller");
        browser.Reads("it looks like xn--mller-kva");
        browser.Reads("The registrars here sell names in the letters a to z alone");
        browser.Press("muller");
        browser.Reads("muller.co.uk");
        browser.Type("The name you want", new string('w', 300));
        browser.Reads("This has 300 characters");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void Ideas_are_made_by_keyboard_and_one_of_them_is_looked_up()
    {
        Open();
        browser.Type("It does", "clock and barometer repairs");
        browser.Type("In", "Ludlow");
        browser.ByKeyboard("Give me ideas", Keys.Enter);
        browser.Reads("126 ideas");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Text.ShouldNotContain("letters are many to type");
        browser.Choice("only those with nothing to think twice about").Click();
        browser.Reads("letters are many to type");
        browser.Choice("only those with nothing to think twice about").Click();
        browser.Select("Order of the ideas", "from A to Z");
        browser.ByKeyboard("wrenclocks", Keys.Enter);
        browser.Reads("wrenclocks.co.uk");
        browser.Driver.SwitchTo().ActiveElement().GetAttribute("value").ShouldBe("wrenclocks");
        browser.Type("The business is called", " ");
        browser.Type("It does", " ");
        browser.Press("Give me ideas");
        browser.Reads("is missing");
        browser.Complaints().Where(said => !said.Contains("422", StringComparison.Ordinal)).ShouldBeEmpty();
    }

    private void Open()
    {
        browser.StartAfresh();
        browser.Press("Domain");
        browser.Reads("Find a name for the site");
    }
}
