using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>The whole way an owner goes, in the real browser.</summary>
public sealed class FromNothingToTheKeys(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void By_mouse_from_an_empty_site_to_the_key_sheet()
    {
        StartEmpty();
        browser.Press("Choose a plan");
        browser.Press("Tidemarsh Hosting, Slipway");
        browser.Reads("You pay");
        browser.Tick("yearly");
        browser.Reads("You pay");
        browser.Press("Choose a domain");
        browser.Type("The name you want", "Ostler & Wren");
        browser.Reads("Read as ostlerandwren: parts run together, “&” written as “and”.");
        browser.Reads("13 letters are many to type");
        browser.Keeps("a name written together");
        browser.Press("ostlerwren");
        browser.Press("Use this name for A: ostlerwren.com from Tidemarsh Hosting");
        browser.Reads("has ostlerwren.com");
        browser.Press("Worksheet");
        browser.Reads("a year is included with the plan");
        browser.Tick("Daily backup");
        browser.Reads("1.99 a month");
        browser.Type("A code to try", "mailday");
        browser.Press("Try it");
        browser.Reads("saves £6.00 in total");
        FiguresAreTheCostings();
        browser.Driver.Navigate().Refresh();
        browser.Reads("saves £6.00 in total");
        browser.Keeps("a code that counts");
        browser.Press("Order A for £65.71");
        Walk.FillIn(browser, "9999000000000004");
        Walk.Order(browser, "Order A and pay £65.71");
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Reads("https://panel.tidemarsh.example.net/");
        browser.Reads("£65.71 was paid by the card that ends in 0004");
        browser.Press("Show it once");
        browser.Reads("Write it down now");
        browser.Focused.ShouldContain("Write it down now"); // It takes the focus.
        browser.Press("I have noted it");
        browser.Reads("Noted.");
        browser.Driver.Navigate().Refresh();
        browser.Press("Show it once");
        browser.Reads("It has been shown already");
        browser.Press("Orders");
        browser.Reads("Slipway, hosting for 1 year");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void Mail_about_an_order_waits_while_nobody_takes_it_arrives_and_leads_back_by_keyboard()
    {
        browser.StartAfresh();
        browser.Press("Mail");
        browser.Reads("No mail yet.");
        browser.Press("Worksheet");
        browser.Press("Order A");
        browser.Reads("Read the name once more");
        Walk.FillIn(browser, "9999000000000004");
        browser.Press("Order A and pay");
        browser.Reads("Is this your mail address?");
        browser.Type($"The six digits that were mailed to {browser.Mail}", browser.Code());
        browser.Tell("mail", "down");
        browser.Press("Confirm");
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Press("Mail");
        browser.Reads("Not taken yet after");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Tell("mail", "ok");
        browser.Reads("Your order is complete");
        browser.Until(
            () => browser.Text.Contains("On the way", StringComparison.Ordinal) ? null : "all",
            "some mail still waits"
        );
        browser.ByKeyboard("We have your order", Keys.Enter);
        browser.Reads("carrying it out");
        browser.Keeps("a letter about an order");
        browser.AxeFindings().ShouldBeEmpty();
        browser.ByKeyboard("Your order is complete", Keys.Enter);
        browser.Reads("Everything you ordered is set up and paid for.");
        browser.ByKeyboard("http://localhost", Keys.Enter);
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_contact_is_filled_in_from_a_card_and_the_country_decides_what_is_asked()
    {
        browser.StartAfresh();
        browser.Press("Order A");
        browser.Reads("What you agree to");
        browser.Reads("ostlerwren.com cannot be given back once it is registered.");
        var card = Path.Combine(browser.App.DataFolder, "ada.vcf");
        File.WriteAllText(
            card,
            "BEGIN:VCARD\nVERSION:4.0\nFN:Ada Wren\nORG:Ostler & Wren\nADR:;;4 Mill Lane;Hexworth;;HX4 "
                + "2AB;GB\nEMAIL:ada@ostlerwren.example\nEND:VCARD\n"
        );
        browser.Find("input[type=file]").SendKeys(card);
        browser.Until(
            () => browser.Field("Town").GetAttribute("value") == "Hexworth" ? "so" : null,
            "the card was not read"
        );
        browser
            .Field("Organisation, if it isn’t for yourself (optional)")
            .GetAttribute("value")
            .ShouldBe("Ostler & Wren");
        browser.Select("Country", "United Arab Emirates");
        browser.Until(
            () => browser.Driver.FindElements(By.XPath("//label[.='Postcode']")).Count > 0 ? null : "gone",
            "the postcode is still asked for"
        );
        browser.Select("Country", "United States");
        browser.Field("State or province");
        browser.Keeps("ordering from another country");
        browser.AxeFindings().ShouldBeEmpty();
        File.WriteAllText(card, "hello");
        browser.Find("input[type=file]").SendKeys(card);
        browser.Reads("This is no contact");
        browser.Keeps("a contact that is none");
        browser.Field("Town").GetAttribute("value").ShouldBe("Hexworth");
    }

    [Fact]
    public void By_keyboard_alone()
    {
        StartEmpty();
        browser.ByKeyboard("Choose a plan", Keys.Enter);
        browser.Reads("A month, then later");
        browser.ByKeyboard("whatever costs least", Keys.ArrowDown); // To the next way: monthly.
        browser.ByKeyboard("Plainstone Servers, Lintel", Keys.Enter);
        browser.Reads("You pay £7.44 today");
        browser.ByKeyboard("Choose a domain", Keys.Enter);
        browser.Reads("Find a name for the site");
        browser.ByKeyboard("The name you want", "ostlerwren");
        browser.Reads("ostlerwren.co.uk");
        browser.ByKeyboard("Use this name for A: ostlerwren.co.uk from Nameyarrow", Keys.Enter);
        browser.Reads("has ostlerwren.co.uk");
        browser.ByKeyboard("Back to the worksheet", Keys.Enter);
        browser.Reads("You pay £12.48 today");
        browser.Keeps("a plan and a name of two sellers");
        browser.ByKeyboard("Order A for £12.48", Keys.Enter);
        browser.Reads("Read the name once more");
        foreach (
            var (label, text) in new[]
            {
                ("Name", "Ada Wren"),
                ("Mail address", browser.Mail),
                ("Street and number", "4 Mill Lane"),
                ("Town", "Hexworth"),
                ("Postcode", "HX4 2AB"),
                ("Card number", "9999000000000004"),
                ("Expires", "09/29"),
                ("Code", "123"),
                ("I have read", " "),
            }
        )
        {
            browser.ByKeyboard(label, text);
        }

        browser.ByKeyboard("Order A and pay £12.48", Keys.Enter);
        browser.Reads("Is this your mail address?");
        browser.ByKeyboard("The six digits", browser.Code() + Keys.Enter);
        browser.Reads("Key sheet for ostlerwren.co.uk");

        // Two sellers, and the first page: no mouse all the way.
        browser.Reads("What comes next");
        browser.Keeps("a key sheet of two sellers");
        browser.ByKeyboard("a first page, your files", Keys.Enter);
        browser.Reads("What to do next");
        browser.ByKeyboard("First page", Keys.Enter);
        browser.Reads("A few sentences. An empty line begins a new paragraph.");
        browser.ByKeyboard("What you do", "We mend clocks.");
        browser.ByKeyboard("Put it up", Keys.Enter);
        browser.Reads("It is up.");
        browser.Complaints().ShouldBeEmpty();
    }

    // The presses are counted: what a stranger can do in so many is not to take more.
    [Fact]
    public void A_name_alone_is_bought_and_later_gets_hosting_paid_monthly()
    {
        StartEmpty();
        var presses = 0;
        Press("Choose a domain");
        browser.Type("The name you want", "ostlerwren");
        Press("Use this name for A: ostlerwren.com from Flatstone");
        browser.Reads("has ostlerwren.com");
        Press("Back to the worksheet");
        Press("Order A for");
        browser.Reads("Does it renew by itself?");
        Walk.FillIn(browser, "9999000000000004");
        Walk.Order(browser);
        browser.Reads("is yours, but there is no hosting for it yet");
        browser.Keeps("a key sheet of a name alone");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Online");
        browser.Reads("is yours, but there is no hosting for it yet");
        browser.Keeps("online with a name alone");
        Press("Choose hosting for it");
        browser.Reads("A month, then later");
        presses++;
        browser.Tick("monthly");
        Press("Plainstone Servers, Lintel");
        browser.Reads("kept where it is");
        browser.Keeps("hosting for a name one has");
        Press("Order A for");
        browser.Reads("Does it renew by itself?");
        Walk.FillIn(browser, "9999000000000004");
        presses++;
        browser.Press("Order A and pay"); // The address is confirmed already.
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Reads("the domain points at the host now");
        browser.Press("Domain");
        browser.Reads("Yours already, at Flatstone Names");
        browser.Keeps("a name that is yours already");
        presses.ShouldBeLessThanOrEqualTo(9);
        browser.Complaints().ShouldBeEmpty();

        void Press(string words)
        {
            presses++;
            browser.Press(words);
        }
    }

    [Fact]
    public void A_domain_kept_elsewhere_joins_the_hosting_and_what_to_set_there_is_said()
    {
        browser.StartAfresh();
        browser.Press("Domain");
        browser.Press("A domain I have");
        browser.Type("Your domain", "wren.com");
        browser.Reads("wren.com in the public record");
        browser.Press("Compare staying and moving");
        browser.Press("Count A with it left where it is");
        browser.Reads("has wren.com, kept where it is");
        browser.Press("Back to the worksheet");
        browser.Press("Order A for");
        browser.Reads("A discount code?");
        browser.Reads("It counts once: renewals cost the full price.");
        browser.Keeps("ordering with a name kept elsewhere");
        browser.Type("A code to try", "NOSUCHCODE");
        browser.Press("Try it");
        browser.Reads("does not count. Tidemarsh Hosting does not know this code.");
        browser.Press("take off the code NOSUCHCODE");
        browser.Until(
            () => browser.Text.Contains("NOSUCHCODE", StringComparison.Ordinal) ? null : "",
            "the code is still there"
        );
        Walk.FillIn(browser, "9999000000000004");
        browser.Tick("yes, at Tidemarsh Hosting"); // No more, that is.
        Walk.Order(browser);
        browser.Reads("log in there and set its name servers to those on this sheet");
        browser.Press("Upkeep");
        browser.Reads("decided, from 2 Dec 2026 on");
        browser.Keeps("upkeep without renewal");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void What_was_typed_wrongly_is_said_at_its_field_and_nothing_is_lost()
    {
        browser.StartAfresh();
        browser.Press("Order A");
        browser.Press("Order A and pay");
        browser.Reads("This is no card number: a digit is wrong or missing.");
        browser.Reads("Type the three or four digits on the back.");
        browser.Reads("Type your name.");
        browser.Reads("Tick this once you have read it.");
        browser.Keeps("an order with all missing");
        browser.Type("Mail address", "nobody");
        Walk.GiveCard(browser, "9999000000000005");
        browser.Tick("I have read what I buy");
        browser.Press("Order A and pay");
        browser.Reads("This is no card number: a digit is wrong or missing.");
        browser.Type("Card number", "9999000000000004");
        browser.Press("Order A and pay");
        browser.Reads("Type a mail address, such as you@example.com");
        browser.Field("Mail address").GetAttribute("value").ShouldBe("nobody");
        browser.Api("/api/orders").GetArrayLength().ShouldBe(0);
    }

    [Fact]
    public void A_refused_card_and_a_host_that_is_down_each_leave_a_way_on()
    {
        browser.StartAfresh();
        browser.Tell("host", "down");
        browser.Press("Order A");
        Walk.FillIn(browser, "9999510000000002");
        Walk.Order(browser);
        browser.Reads("The bank says there is not enough money on the card.");
        browser.Reads("Nothing was charged and nothing was bought.");
        Walk.GiveCard(browser, "9999000000000004");
        browser.Press("Pay with this card");
        browser.Reads("The host is not answering.");
        browser.Reads("is held; nothing has been taken");
        browser.Keeps("an order whose host is down");
        browser.Tell("host", "ok");
        browser.Press("Try again");
        browser.Reads("Key sheet for ostlerwren.com");
    }

    private void StartEmpty()
    {
        browser.StartAfresh();
        browser.Tell("host", "ok");
        browser.Press("Ostler & Wren: rename");
        browser.Type("Start another site", "Hexworth clocks");
        browser.Press("Start");
        browser.Reads("Start anywhere");
    }

    // Every figure of the ledger on the page stands in the costing that the server gives for the same candidate.
    private void FiguresAreTheCostings()
    {
        var site = browser.Driver.Url.Split('/')[4];
        var costing = browser.Api($"/api/sites/{site}").GetProperty("worksheet").GetProperty("costing");
        var ledger = costing.GetProperty("ledger");
        var total = ledger
            .GetProperty("totals")
            .EnumerateArray()
            .Select(cell => cell.GetString()!)
            .Append(costing.GetProperty("totals").GetProperty("horizon").GetString()!);
        browser.Row(costing.GetProperty("totals").GetProperty("perMonth").GetString()!).ShouldBe(total);
        var plan = ledger
            .GetProperty("rows")
            .EnumerateArray()
            .First(row => row.GetProperty("kind").GetString() == "plan");
        browser
            .Row("Tidemarsh Hosting, Slipway")
            .ShouldBe(
                plan.GetProperty("cells")
                    .EnumerateArray()
                    .Append(plan.GetProperty("total"))
                    .Select(cell => cell.GetString()!)
            );
    }
}
