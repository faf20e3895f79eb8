using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>
/// The ways an owner may buy: new or coming back, by every way to pay, a domain moved in or claimed afterwards.
/// </summary>
public sealed class OrderWays(Browser browser) : IClassFixture<Browser>
{
    private const string Card = "9999000000000004";
    private const string CarefulBank = "9999570000000006";

    [Fact]
    public void A_new_owner_pays_an_invoice_at_the_bank_short_and_then_the_rest()
    {
        Begin();
        browser.Tick("Bank transfer");
        Walk.Order(browser);
        browser.Reads("waits for your bank transfer");
        browser.Reads("until 15 December 2026");
        browser.Keeps("an order that waits for a bank transfer");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Pay it at the simulated bank");
        browser.Reads("Bank: pay an invoice");
        browser.AxeFindings().ShouldBeEmpty();
        Pay("60");
        browser.Reads("is missing");
        browser.Press("Pay it at the simulated bank");
        browser.Reads("So far 60.00 has arrived");
        browser.Press("Pay by bank transfer");
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Reads("£65.15 was paid by bank transfer");
        browser.Press("Watch it spread");
        browser.Reads("places around this made-up world see it.");
        browser.Reads("on its way");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Reads("1 of 5");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void An_owner_who_comes_back_finds_all_and_pays_from_the_balance()
    {
        Begin();
        browser.Press("I am a customer of Tidemarsh Hosting already");
        browser.Press("Mail me a code");
        browser.Type("The code that Tidemarsh Hosting mailed to you", SellersCode());
        browser.Press("Confirm");
        browser.Reads("from my balance there, £40.00");
        browser.Tick("Pay what I can");
        Walk.GiveCard(browser, Card);
        Walk.Order(browser);
        browser.Reads("was paid from your balance and by the card that ends in 0004");
        var code = browser.Code();
        browser.Press("Account");
        browser.Reads($"You are signed in as {browser.Mail}");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Sign out");
        browser.HeadReads("Sign in");
        browser.Press("Open the example");
        browser.Press("Orders");
        browser.Reads("Nothing is ordered yet");
        browser.Press("Sign in");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Type("Mail address", browser.Mail);
        browser.Press("Mail me a code");
        browser.Type($"The six digits that were mailed to {browser.Mail}", browser.Code(but: code));
        browser.Press("Confirm");
        browser.Reads("Where you are signed in");
        browser.Press("Back to your site");
        browser.Press("Orders");
        browser.Reads("HS-");
        browser.Press("Worksheet");
        browser.Press("Order A");
        browser.Reads("You ordered this on 1 December 2026");
        browser.Keeps("an order placed before");
        browser.Press("Order it a second time");
        browser.Reads("ostlerwren.com is yours already");
        browser.Until(
            () => browser.Field("Town").GetAttribute("value") == "Hexworth" ? "" : null,
            "who ordered before is not filled in"
        );
    }

    [Fact]
    public void A_wallet_is_cancelled_and_a_bank_wants_a_yes()
    {
        Begin();
        browser.Tick("Wallet");
        Walk.Order(browser);
        browser.Press("Go to the wallet");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("No");
        browser.Reads("You cancelled it in your wallet.");
        browser.Keeps("an order cancelled in the wallet");
        browser.AxeFindings().ShouldBeEmpty();
        Walk.GiveCard(browser, CarefulBank);
        browser.Press("Pay with this card");
        browser.Reads("Your bank wants you to say yes");
        browser.Keeps("an order the bank asks about");
        browser.Press("Go to the bank’s page");
        browser.Press("Yes, pay");
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_domain_is_moved_in_and_the_order_waits_for_it_until_it_is_called_off()
    {
        browser.StartAfresh();
        browser.ChangeElsewhere(
            """{ "kind": "choose-domain", "letter": "A", "domain": { "route": "transfer", "book": "tidemarsh", "name": "wren", "ending": "com", "expires": "2027-05-03" } }"""
        );
        browser.Driver.Navigate().Refresh();
        browser.Press("Order A");
        browser.Reads("Moving your domain");
        Walk.FillIn(browser, Card);
        browser.Type("Transfer code of wren.com", "MOVE-OTHER");
        Walk.Order(browser);
        browser.Reads("That is not the transfer code of wren.com");
        browser.Type("Transfer code of wren.com", "MOVE-WREN");
        browser.Press("Order A and pay");
        browser.Reads("wren.com is on its way to Tidemarsh Hosting");
        browser.Reads("6 December 2026");
        browser.Keeps("an order that waits for a move");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Call it off");
        browser.Reads("Nothing was charged");
    }

    [Fact]
    public void A_domain_left_for_later_is_claimed_from_the_key_sheet_by_keyboard_alone()
    {
        browser.StartAfresh();
        browser.ChangeElsewhere(
            """{ "kind": "choose-domain", "letter": "A", "domain": { "route": "later", "book": "tidemarsh", "ending": "com", "inMonths": 2 } }"""
        );
        browser.Driver.Navigate().Refresh();
        browser.Press("Order A");
        browser.Reads("Who you are");
        Walk.FillIn(browser, Card);
        Walk.Order(browser);
        browser.Reads("A domain came with it");
        browser.AxeFindings().ShouldBeEmpty();
        browser.ByKeyboard("The name you want", Keys.Control + "a" + Keys.Null + "clock");
        browser.Reads("Others like it can be claimed:"); // Taken under every ending.
        browser.ByKeyboard("The name you want", Keys.Control + "a" + Keys.Null + "tempo");
        browser.Reads("but a premium name: it costs £");
        browser.ByKeyboard("The name you want", Keys.Control + "a" + Keys.Null + "ostlerwren");
        browser.Reads("Available.");
        browser.ByKeyboard("ostlerwren.com", Keys.Space);
        browser.Reads("Read the name once more");
        browser.Reads("Without the domain-year its first year would cost £13.80");
        browser.Keeps("claiming a name");
        browser.ByKeyboard("I have read the name", Keys.Space);
        browser.ByKeyboard("Claim it, nothing to pay", Keys.Enter);
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Reads("Nothing was to pay.");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_name_that_is_gone_is_replaced_by_a_held_one_and_nothing_is_typed_again()
    {
        browser.StartAfresh();
        browser.ChangeElsewhere(
            """{ "kind": "choose-domain", "letter": "A", "domain": { "route": "register", "book": "tidemarsh", "name": "wrenclocksandmore", "ending": "com" } }"""
        );
        browser.ChangeElsewhere(
            """{ "kind": "hold-names", "names": [{ "name": "ostlerandwren", "ending": "com" }] }"""
        );
        browser.Driver.Navigate().Refresh();
        browser.Press("Order A");
        browser.Reads("Read the name once more");
        Walk.FillIn(browser, Card);
        browser.Take("wrenclocksandmore.com");
        Walk.Order(browser);
        browser.Reads("wrenclocksandmore.com is not free any more");
        browser.Keeps("an order whose name is gone");
        browser.Press("Take ostlerandwren.com instead");
        browser.Until(
            () => browser.Text.Contains("ostlerandwren.com\nregistered for", StringComparison.Ordinal) ? "" : null,
            "the held name did not take its place"
        );
        browser.Field("Card number").GetAttribute("value").ShouldBe(Card);
        browser.Press("Order A and pay");
        browser.Reads("Key sheet for ostlerandwren.com");
    }

    private void Begin()
    {
        browser.StartAfresh();
        browser.Press("Order A");
        browser.Reads("Read the name once more");
        Walk.FillIn(browser, Card);
    }

    private void Pay(string amount)
    {
        var field = browser.Find("input[name=amount]");
        field.Clear();
        field.SendKeys(amount);
        browser.Press("Pay by bank transfer");
    }

    private string SellersCode() =>
        browser.Until(
            () =>
                browser
                    .Api("/api/mail")
                    .GetProperty("arrived")
                    .EnumerateArray()
                    .Select(letter => letter.GetProperty("subject").GetString()!)
                    .FirstOrDefault(subject => subject.StartsWith("Your code for Tidemarsh", StringComparison.Ordinal))
                    ?[^6..],
            "the seller mailed no code"
        );
}
