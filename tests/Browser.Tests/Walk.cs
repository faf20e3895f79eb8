namespace HomeStart.Browser.Tests;

/// <summary>What several tests do on the way.</summary>
internal static class Walk
{
    public static void FillIn(Browser browser, string card)
    {
        browser.Type("Name", "Ada Wren");
        browser.Type("Mail address", browser.Mail);
        browser.Type("Street and number", "4 Mill Lane");
        browser.Type("Town", "Hexworth");
        browser.Type("Postcode", "HX4 2AB");
        GiveCard(browser, card);
        browser.Tick("I have read what I buy");
    }

    /// <summary>Presses the button that orders; then confirms the mail address by the code that comes.</summary>
    public static void Order(Browser browser, string button = "Order A and pay")
    {
        browser.Press(button);
        browser.Reads("Is this your mail address?");
        browser.Type($"The six digits that were mailed to {browser.Mail}", browser.Code());
        browser.Press("Confirm");
    }

    public static void GiveCard(Browser browser, string number)
    {
        browser.Type("Card number", number);
        browser.Type("Expires", "09/29");
        browser.Type("Code", "123");
    }
}
