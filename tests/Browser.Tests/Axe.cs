namespace HomeStart.Browser.Tests;

/// <summary>axe finds nothing, on any main view, in either theme.</summary>
public sealed class Axe(Browser browser) : IClassFixture<Browser>
{
    [Theory]
    [InlineData("light", 1280)]
    [InlineData("dark", 1280)]
    [InlineData("light", 390)]
    public void Finds_nothing(string theme, int width)
    {
        browser.StartAfresh();
        browser.Size(width, 800);
        browser.Theme(theme);
        browser.Reads("You pay £65.15 today");
        browser.Press("As a table");
        Check("worksheet");
        browser.Press("Tidemarsh Hosting, Slipway");
        browser.Reads("How do you want to pay?");
        Check("plans");
        browser.Press("Close");
        browser.Press("251.64");
        browser.Reads("Why 251.64?");
        Check("why");
        browser.Press("Close");
        browser.Press("If you stop early");
        browser.Reads("cheaper, for good");
        Check("stopping early");
        browser.Press("Added up over");
        browser.Field("or so many months");
        Check("settings");
        browser.Find("body").SendKeys(OpenQA.Selenium.Keys.Escape);
        Sheet("Compare");
        browser.Reads("Paid so far");
        browser.Select("Line by line", "B");
        browser.Reads("In total");
        Check("compare");
        Sheet("Needs");
        browser.Reads("plans fit");
        Check("needs");
        browser.Press("See what fits for least");
        browser.Reads("Less today, or less over");
        Check("scan");
        Sheet("Domain");
        browser.Type("The name you want", "hourwork");
        browser.Reads("premium name");
                browser.Press("A domain I have");
        Check("a domain one has");
        Sheet("Worksheet");
        browser.Press("Order A");
        browser.Reads("Read the name once more");
        browser.Press("Order A and pay");
        Check("order");
        Walk.FillIn(browser, "9999510000000002");
        browser.Press("Order A and pay");
        browser.Reads("Is this your mail address?");
        Check("confirm the address");
        browser.Type($"The six digits that were mailed to {browser.Mail}", browser.Code());
        browser.Press("Confirm");
        browser.Reads("Nothing was charged");
        Check("refused");
        Walk.GiveCard(browser, "9999000000000004");
        browser.Press("Pay with this card");
        browser.Reads("Key sheet for");
        Check("key sheet");
        Sheet("Online");
        browser.Reads("places around this made-up world");
        Check("online");
        Sheet("Orders");
        browser.Reads("Orders and key sheets");
        Check("orders");
        browser.Complaints().ShouldBeEmpty();

        void Sheet(string name)
        {
            if (width < 640)
            {
                browser.ToSheet(name);
            }
            else
            {
                browser.Press(name);
            }
        }

        void Check(string view) => browser.AxeFindings().ShouldBeEmpty($"{view}, {theme}, {width}");
    }
}
