namespace HomeStart.Browser.Tests;

/// <summary>The shortlist side by side: which is the least, and what would make it not so.</summary>
public sealed class Comparing(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void The_least_is_named_with_what_would_make_it_not_so()
    {
        browser.StartAfresh();
        browser.Press("Compare");
        browser.Reads("C costs least over 3 years of those that do what you need: £289.20");
        browser.Reads("After that £99.12 is due on 1 December 2029.");
        browser.Reads("Over any other number of months up to ten years it stays the least of these.");
        browser.Reads("B is cheaper, at £229.52, but it lacks a certificate of its own.");
        browser.Press("Needs");
        browser.Select("Selling", "no preference");
        browser.Until(
            () => browser.Text.Contains("certificate: own", StringComparison.Ordinal) ? null : "gone",
            "the certificate is still asked for"
        );
        browser.Reads("plans fit");
        browser.Press("Compare");
        browser.Reads("B costs least over 3 years of those that do what you need: £229.52");
        browser.Reads("Counted over 37 months C would cost less than B: £388.32 against £734.82.");
        browser.Reads(
            "Least paid so far: A from 1 Dec 2026 (£65.15); D from 1 Dec 2027 (£174.60); B from 1 Dec 2028 (£229.52)."
        );
        browser.Keeps("a comparison whose least changes");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void Differences_have_one_base_and_two_are_compared_line_by_line_at_an_address_that_holds()
    {
        browser.StartAfresh();
        browser.Press("Compare");
        browser.Select("Differences against", "B");
        browser.Row("Against B").ShouldContain("+213.77");
        browser.Select("Line by line", "C");
        browser.Reads("In total");
        browser.Row("In total").ShouldContain("+59.68");
        browser.Driver.Navigate().Refresh();
        browser.Row("In total").ShouldContain("+59.68");
        browser.Tick("also rows that do not differ");
        browser.Until(
            () => browser.Driver.Url.Contains("all=true", StringComparison.Ordinal) ? "" : null,
            "the address does not say so"
        );
        browser.Keeps("line by line with all rows");
    }
}
