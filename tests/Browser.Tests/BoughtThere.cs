using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>
/// Bought at the seller's own page: noted, taken through its first renewal, and held against a card statement.
/// </summary>
public sealed class BoughtThere(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void What_was_bought_there_goes_through_its_first_renewal_and_a_statement_says_what_was_taken()
    {
        Note();
        browser.Reads("Bought at the sellers’ own pages on 1 December 2026");
        browser.Reads("Their receipts, kept here");
        browser.Keeps("noted as bought there");
        browser.AxeFindings().ShouldBeEmpty();
        Keep("invoice.pdf", "%PDF-1.7 made up");
        browser.Reads("since 1 December 2026");
        Keep("notes.txt", "nothing to keep");
        browser.Reads("this is none of them");

        browser.Press("Upkeep");
        browser.Reads("The sellers take them, from what you gave them.");
        MoveTo("2027-12-02");
        browser.Reads("£189.07 was due to Tidemarsh Hosting on 1 December 2027");
        browser.Keeps("a charge to say yes or no to");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Yes, £189.07");
        browser.Reads("that is what was taken");

        MoveTo("2028-12-02");
        browser.Press("Read in a statement");
        browser.Type(
            "Or paste it",
            "Date,Description,Amount\n02/12/2028,TIDEMARSH HOSTING,259.87\n03/12/2028,GROCER,4.20"
        );
        browser.Press("Hold it against what was due");
        browser.Reads("another sum, and why: £189.07 was due on 1 December 2028: this is £70.80 more.");
        browser.Reads("Their sum includes Search listing help");
        browser.Reads("One row is of others.");
        browser.Keeps("a statement held against what was due");
        browser.Press("Keep what was found");
        browser.Reads("Kept: you see it beside what was due.");
        browser.Reads("took £70.80 beyond what was due.");
        browser.Press("Why?");
        browser.Press("A letter to Tidemarsh Hosting");
        browser.Reads("Please pay back £70.80, or tell me what it was for.");
        browser.Keeps("a letter about a sum");
        browser.Complaints().ShouldAllBe(complaint => complaint.Contains("422", StringComparison.Ordinal));
    }

    [Fact]
    public void A_charge_that_was_not_taken_is_mended_by_keyboard_alone_and_what_was_noted_is_taken_away()
    {
        Note();
        browser.Reads("Paid at the sellers");
        browser.Press("Upkeep");
        MoveTo("2027-12-02");
        browser.Reads("Was it taken?");
        browser.Control("No"); // It is there; from here on nothing touches the mouse.
        browser.ByKeyboard("No", Keys.Enter);
        browser.Reads("You said that the last one was not taken.");
        browser.Keeps("a charge that was not taken");
        browser.ByKeyboard("I paid £", Keys.Enter);
        browser.Reads("The sellers take them");
        browser.Until(
            () =>
                browser.Text.Contains("You said that the last one was not taken.", StringComparison.Ordinal)
                    ? null
                    : "",
            "it is still missed"
        );
        browser.Press("Orders");
        browser.Press("HS-");
        browser.Press("Take this away again");
        browser.Press("Take it away");
        browser.Reads("Nothing is ordered yet.");
        browser.Complaints().ShouldBeEmpty();
    }

    private void Note()
    {
        browser.StartAfresh();
        browser.Press("Buy it yourself");
        browser.Press("Note what you bought there");
        browser.Reads("Note what you bought there: A");
        browser.Reads("£65.15 was worked out for today.");
        browser.Press("Note that I bought this");
        browser.Reads("What Tidemarsh Hosting was paid is missing.");
        browser.Reads("Your name is missing.");
        browser.Keeps("noting with much missing");
        browser.Type("What you paid there, £", "65.15");
        browser.Type("Their number for it", "TM-2026-118");
        browser.Type("Your name", "Ada Wren");
        browser.Type("Your mail address", browser.Mail);
        browser.Type("User name", "ostler");
        browser.Type("Notes", "password: tick-tock");
        browser.Press("Note that I bought this");
        browser.Reads("This looks like a password or code.");
        browser.Type("Notes", "Ask for Hal.");
        browser.Press("Note that I bought this");
        browser.Reads("Is this your mail address?");
        browser.Type($"The six digits that were mailed to {browser.Mail}", browser.Code());
        browser.Press("Confirm");
        browser.Reads("Paid at the sellers");
        browser.Complaints().ShouldAllBe(complaint => complaint.Contains("422", StringComparison.Ordinal));
    }

    private void Keep(string name, string content)
    {
        var file = Path.Combine(Path.GetTempPath(), name);
        File.WriteAllText(file, content);
        browser.Field("Keep a receipt").SendKeys(file);
    }

    private void MoveTo(string day)
    {
        browser.MoveClock(day);
        browser.Reads("What was charged");
    }
}
