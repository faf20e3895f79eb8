namespace HomeStart.Browser.Tests;

/// <summary>What several tests do on the way.</summary>
internal static class Walk
{
    public static void FillIn(Browser browser, string card)
    {
        browser.Type("Name", "Ada Wren");
        browser.Type("Mail address", "ada@ostlerwren.example");
        browser.Type("Street and number", "4 Mill Lane");
        browser.Type("Town", "Hexworth");
        browser.Type("Postcode", "HX4 2AB");
        GiveCard(browser, card);
        browser.Choice("I have read what I buy").Click();
    }

    public static void GiveCard(Browser browser, string number)
    {
        browser.Type("Card number", number);
        browser.Type("Expires", "09/29");
        browser.Type("Code", "123");
    }
}
