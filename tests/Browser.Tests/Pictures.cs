namespace HomeStart.Browser.Tests;

/// <summary>
/// Makes the pictures in docs/screenshots from the demo; run by docs/pictures, not by the test suite.
/// </summary>
public sealed class Pictures(Browser browser) : IClassFixture<Browser>
{
    private static string Folder =>
        Environment.GetEnvironmentVariable("HOME_START_PICTURES") ?? Repository.Folder("docs", "screenshots");

    [Fact(Explicit = true)]
    public void Of_every_main_view()
    {
        Directory.CreateDirectory(Folder);
        browser.StartAfresh(opensExample: false);
        browser.Reads("What will your website really cost?");
        Take("start");
        browser.StartAfresh();
        browser.Reads("over 3 years");
        Take("worksheet");
        browser.Press("Tidemarsh Hosting, Slipway");
        browser.Reads("How do you want to pay?");
        browser.Reads("Plainstone Servers, Lintel");
        Take("plans");
        browser.Press("Close");
        browser.Press("Buy it yourself");
        browser.Reads("What their page should show today");
        browser.Type("What does their page ask for? £", "93.95");
        browser.Press("Compare the sums");
        browser.Reads("Untick");
        browser.Driver.ExecuteScript("document.activeElement.blur()");
        Take("slip");
        browser.Press("Compare");
        browser.Reads("Least paid so far");
        Take("compare");
        browser.Press("Needs");
        browser.Reads("plans fit");
        Take("needs");
        browser.Press("See what fits for least");
        browser.Reads("Ranked by");
        Take("scan");
        browser.Press("Domain");
        browser.Type("The name you want", "hourwork");
        browser.Reads("hourwork.studio");
        Settle();
        Take("domain");
        browser.Press("Many names at once");
        browser.Type("It does", "clock and barometer repairs");
        browser.Type("In", "Ludlow");
        browser.Press("Think of names and check them");
        browser.Reads("All asked.");
        OwnDomain();
        browser.Press("Shelf");
        browser.Reads("Your price lists");
        Take("shelf");
        SellersPage();
        Edit();
        browser.Press("Worksheet");
        browser.Press("Order A");
        browser.Reads("Read the name once more");
        Walk.FillIn(browser, "9999000000000004");
        browser.Type("User name (optional)", "ostlerwren");
        browser.Type("Passcode for the telephone (optional)", "407182");
        browser.Tick("Bank transfer");
        browser.Driver.ExecuteScript("document.activeElement.blur(); scrollTo(0, 990)");
        Settle();
        Take("order");
        Walk.Order(browser);
        browser.Reads("waits for your bank transfer");
        browser.Press("Pay it at the simulated bank");
        browser.Press("Pay by bank transfer");
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Reads("15 days left");
        Take("key-sheet");
        browser.Press("Watch it spread");
        browser.Reads("2 of 5");
        Take("online");
        Site();
        browser.Press("Mail");
        browser.Reads("Everything you ordered is set up");
        Take("mail");
        Upkeep();
        Bought();
    }

    private void Bought()
    {
        browser.StartAfresh();
        browser.Press("Buy it yourself");
        browser.Press("Note what you bought there");
        browser.Reads("£65.15 was worked out for today.");
        browser.Type("What you paid there, £", "65.15");
        browser.Type("Their number for it", "TM-2026-118");
        browser.Type("Log in at", "https://panel.tidemarsh.example.net");
        browser.Type("User name", "ostlerwren");
        browser.Type("IPv4 address", "192.0.2.10");
        browser.Type("Name servers", "ns1.tidemarsh.example.net, ns2.tidemarsh.example.net");
        browser.Type("Notes", "Hal, by chat: thirty days’ notice before it renews.");
        browser.Type("Your name", "Ada Wren");
        browser.Type("Your mail address", browser.Mail);
        browser.Driver.ExecuteScript("document.activeElement.blur(); scrollTo(0, 0)");
        Take("bought");
    }

    private void Upkeep()
    {
        browser.Press("Upkeep");
        browser.Reads("Renews by itself");
        browser.Press("Give a card");
        Walk.GiveCard(browser, "9999000000000004");
        browser.Press("Charge later bills to this card");
        browser.Reads("the card that ends in 0004");
        browser.MoveClock("2028-09-20");
        browser.Driver.ExecuteScript("document.activeElement.blur(); scrollTo(0, 0)");
        Take("upkeep");
    }

    private void Site()
    {
        browser.Press("First page");
        browser.Type(
            "What you do",
            "We mend clocks and barometers, old and new.\n\nBring yours in, or call and we come to you."
        );
        browser.Type("Street", "3 Tide Lane");
        browser.Type("Town", "Ludlow");
        browser.Type("Telephone", "01584 555 012");
        browser.Select("Layout", "Spine: the name at the side");
        Thread.Sleep(1500); // The frame that shows the page is another document.
        Take("first-page");
        browser.Press("Put it up");
        browser.Reads("It is up.");
    }

    private void OwnDomain()
    {
        browser.Press("A domain I have");
        browser.Reads("Use a domain you have");
        browser.Type("Your domain", "wren.com");
        browser.Type("It expires on", "3 May 2027");
        browser.Type("A year costs there, with tax", "14.20");
        browser.Press("Compare staying and moving");
        browser.Reads("Mail for wren.com goes to");
        browser.Type("Its transfer code", "MOVE-WREN");
        browser.Press("Check code and lock");
        browser.Reads("it can be moved to");
        Take("domain-own");
    }

    private void SellersPage()
    {
        browser.Press("Paste a seller’s page");
        browser.Type(
            "Their page",
            "Brightwater Hosting\n\nLantern\n£2.99 a month\n36 months, paid up front\nRenews at £8.99 a "
                + "month\n1 website\n10 GB storage\n5 mailboxes\n\nBeacon\n£5.49 a month\n36 months, paid up "
                + "front\nRenews at £13.99 a month\n10 websites\n60 GB storage\nUnlimited mailboxes\nFree .com "
                + "domain for the first year\n\nPrices exclude VAT. 30-day money-back guarantee. We move your old "
                + "site for £49."
        );
        browser.Press("Read it");
        browser.Reads("2 plans were read");
        browser.Press("afterwards £8.99 a month");
        browser.Reads("The later price was read from");
        browser.Driver.ExecuteScript("scrollTo(0, 0); document.activeElement.blur()");
        Take("page");
        browser.Press("Your price lists");
    }

    private void Edit()
    {
        browser.Press("Plainstone Servers");
        browser.Press("Copy it as a start");
        browser.Type("Whose prices shall it hold?", "Stonecrop");
        browser.Press("Copy and change it");
        browser.Press("Lintel");
        browser.Press("Ways to pay");
        browser.Press("Every 12 months");
        browser.Type("Amount", "63.00");
        browser.ClickField("Set-up fee");
        browser.Reads("Undo the last change");
        browser.Reads("became £63.00");
        Take("book-edit");
        browser.Press("Your price lists");
    }

    private void Settle() =>
        browser.Until(
            () => browser.Text.Contains("asking", StringComparison.Ordinal) ? null : "",
            "the registrars are still being asked"
        );

    private void Take(string name)
    {
        Thread.Sleep(250); // Fonts and the picture of the bills.
        browser.Picture(Path.Combine(Folder, name + ".png"));
    }
}
