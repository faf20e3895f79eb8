namespace HomeStart.Browser.Tests;

/// <summary>At the seller's own page: the slip beside it, and why its sum is another.</summary>
public sealed class BuyingThere(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void A_sum_that_differs_by_a_ticked_extra_by_tax_by_two_reasons_and_by_none_known()
    {
        browser.StartAfresh();
        browser.Press("Buy it yourself");
        browser.Reads("Untick Search listing help. It is pre-selected and you don't need it.");
        browser.Reads("What their page should show today");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("I got an answer");
        browser.Press("Put it into the price list");
        browser.Reads("What they said is missing.");
        browser.Type("What they said", "Thirty days before.");
        browser.Press("Put it into the price list");
        browser.Reads("“Thirty days before.”");
        browser.Tick("Choose the plan Slipway.");
        Compare("65.15");
        browser.Reads("It agrees, to the penny.");
        browser.Keeps("a sum that agrees");
        Compare("much");
        browser.Reads("amount"); // What an amount looks like.
        Compare("£93.95");
        browser.Reads("Theirs is £28.80 more than £65.15.");
        browser.Reads("Their sum includes Search listing help: untick it.");
        browser.Keeps("a sum with one reason");
        browser.Press("Keep theirs beside A");
        browser.Reads("Kept as candidate E, beside yours.");
        Compare("54.29");
        browser.Reads("They show it without tax");
        Compare("78.29");
        browser.Reads("And: Their sum includes Search listing help");
        browser.Keeps("a sum with two reasons");
        Compare("65.17");
        browser.Reads("Nothing that we know of gives exactly that sum.");
        browser.Keeps("a sum with no known reason");
        Compare("93.95");
        browser.Press("Make A what they sell me");
        browser.Reads("Take Search listing help.");
        browser.Theme("dark");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Driver.Navigate().Refresh();
        browser.Reads("What their page should show today");
        browser.Choice("Choose the plan Slipway.").Selected.ShouldBeTrue(); // What was ticked off stays so.
        browser.Complaints().ShouldAllBe(complaint => complaint.Contains("422", StringComparison.Ordinal));
    }

    private void Compare(string total)
    {
        browser.Type("What does their page ask for? £", total);
        browser.Press("Compare the sums");
    }
}
