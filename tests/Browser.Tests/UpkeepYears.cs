using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>After the order: years pass on the page of upkeep, with what an owner decides on the way.</summary>
public sealed class UpkeepYears(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void Through_the_price_step_a_refused_card_to_redemption_and_back()
    {
        Deliver("A", "9999520000000001");
        browser.Reads("costs £129.46 each year from 1 December 2027; £32.29 was paid before");
        browser.Press("Show the steps");
        browser.Reads("Order at the new seller");
        browser.Keeps("upkeep leaving a seller");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("If it lapses");
        browser.Reads("Not renewing it saves £316.22");
        browser.Reads("Having it back costs");
        browser.Keeps("upkeep if a name lapses");
        browser.Press("Close");
        browser.MoveClock("2027-12-01");
        browser.Reads("In this simulated world it is 1 December 2027; really it is 1 December 2026.");
        browser.Press("Next day");
        browser.Reads("could not be taken. It is tried again on");
        browser.Reads("is suspended on 8 December 2027");
        browser.Keeps("upkeep with a refused card");
        browser.MoveClock("2028-01-04");
        browser.Reads("in redemption: it does not work, and getting it back costs a fee");
        browser.Keeps("upkeep in redemption");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Theme("dark");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Theme("light");
        browser.Press("Give another card");
        Walk.GiveCard(browser, "9999000000000004");
        browser.Press("Charge later bills to this card");
        browser.Reads("the card that ends in 0004");
        browser.Press("Pay £146.16");
        browser.Reads("How you pay");
        browser.Find("[role=dialog] button.bg-blue").Click();
        browser.Reads(
            "£146.16 was taken by Tidemarsh Hosting for ostlerwren.com, Contact privacy and having ostlerwren.com back"
        );
        browser.Press("Mail");
        browser.Reads("A bill was paid");
        browser.Driver.Navigate().Back();
        browser.Driver.Navigate().Refresh();
        browser.Reads("£146.16 was taken");
        browser.Keeps("upkeep with a name had back");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_change_with_credit_is_looked_at_made_planned_for_later_and_taken_back()
    {
        Deliver("C");
        browser.MoveClock("2027-03-15");
        browser.Press("Look: Change to Courtyard, paid each year");
        browser.Reads("Nothing is decided by looking at this.");
        browser.Reads("as it is");
        browser.Keeps("upkeep looking at a change");
        browser.Select("From", "1 December 2027, when the next bill is due");
        browser.Press("Do this on 1 Dec 2027");
        browser.Reads("Decided for 1 December 2027: Change to Courtyard");
        browser.Keeps("upkeep with a decision for later");
        browser.Press("Take it back");
        browser.Until(
            () => browser.Text.Contains("Decided for", StringComparison.Ordinal) ? null : "",
            "it was not taken back"
        );
        browser.Press("Look: Change to Courtyard, paid each year");
        browser.Press("Do this");
        browser.Reads("what was left of Lintel");
        browser.ClickField("Courtyard renews by itself");
        browser.Reads("The hosting Courtyard does not renew: it ends on");
        browser.Keeps("upkeep of a plan that ends");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void What_came_is_given_back_on_the_last_day_by_keyboard_alone()
    {
        Deliver("A");
        browser.MoveClock("2026-12-31");
        browser.Press("Upkeep"); // The one press of the mouse before.
        browser.ByKeyboard("Look: Give the hosting back", Keys.Enter);
        browser.Reads("£60.95 came back from Tidemarsh Hosting");
        browser.Keeps("upkeep giving hosting back");
        browser.ByKeyboard("Do this", Keys.Enter);
        browser.Reads("given back");
        browser.Reads("The hosting Slipway was given back");
        browser.Keeps("upkeep of what was given back");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_day_late_it_only_stops_and_a_free_allowance_is_spent_in_time()
    {
        browser.StartAfresh();
        browser.ChangeElsewhere("{\"kind\":\"drop-domain\",\"letter\":\"A\",\"domain\":\"ostlerwren.com\"}");
        browser.Driver.Navigate().Refresh();
        Order("A");
        browser.MoveClock("2027-01-01");
        browser.Reads("The domain that comes with your plan is not claimed.");
        browser.Keeps("upkeep with a name unclaimed");
        browser.Press("Look: Give the hosting back");
        browser.Reads("It cannot be given back any more: it only stops renewing.");
        browser.Keeps("upkeep too late to give back");
        browser.Press("Leave it as it is");
        browser.Press("Claim a name");
        TypeClaim();
        var before = browser.Driver.Url;
        browser.Press("Claim it, nothing to pay");
        browser.Until(() => browser.Driver.Url == before ? null : "", "the order of the claim does not open");
        browser.Press("Upkeep"); // Before it is delivered: the page follows it.
        browser.Reads("it pays for ostlerwren.com");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void The_renewal_of_a_claimed_name_is_paid_by_the_domain_year_of_that_year()
    {
        browser.StartAfresh();
        browser.ChangeElsewhere("""{ "kind": "choose-domain", "letter": "A", "domain": null }""");
        browser.Driver.Navigate().Refresh();
        browser.Reads("Choose a domain");
        browser.ChangeElsewhere(
            """{ "kind": "choose-plan", "letter": "A", "book": "fernhollow", "plan": "clearing" }"""
        );
        browser.Driver.Navigate().Refresh();
        browser.Reads("A free domain-year comes with this plan");
        Order("A");
        var withoutName = Tenure().GetProperty("bills")[0].GetProperty("amount").GetString()!;
        browser.Press("Claim a name");
        TypeClaim();
        browser.Press("Claim it, nothing to pay");
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Press("Upkeep");
        browser.Reads("it pays for ostlerwren.com");
        browser.Keeps("upkeep of a claimed name");
        browser.MoveClock("2027-12-03");
        var taken = Taken();
        taken.ShouldBe([withoutName]);
        browser.Complaints().ShouldBeEmpty();

        List<string> Taken() =>
            [
                .. Tenure()
                    .GetProperty("paid")
                    .EnumerateArray()
                    .Where(bill => string.CompareOrdinal(bill.GetProperty("on").GetString(), "2027") > 0)
                    .Select(bill => bill.GetProperty("amount").GetString()!),
            ];

        System.Text.Json.JsonElement Tenure() =>
            browser.Api($"/api/sites/{browser.Driver.Url.Split('/')[4]}/upkeep").GetProperty("tenures")[0];
    }

    private void TypeClaim()
    {
        browser.Reads("A domain came with it");
        browser.Type("The name you want", "ostlerwren");
        browser.Reads("Available.");
        browser.Tick("ostlerwren.com");
        browser.Tick("I have read the name");
    }

    private void Deliver(string letter, string card = "9999000000000004")
    {
        browser.StartAfresh();
        Order(letter, card);
    }

    private void Order(string letter, string card = "9999000000000004")
    {
        browser.Go(
            browser
                .Driver.Url[browser.Address.ToString().Length..]
                .Split('?')[0]
                .Replace("worksheet", "order", StringComparison.Ordinal) + $"?view={letter}"
        );
        Walk.FillIn(browser, card);
        Walk.Order(browser, $"Order {letter} and pay");
        browser.Reads("Key sheet");
        browser.Press("Upkeep");
        browser.Reads("Renews by itself");
    }
}
