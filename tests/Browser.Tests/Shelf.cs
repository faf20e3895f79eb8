namespace HomeStart.Browser.Tests;

/// <summary>
/// The shelf: a price list read in, refused where it is broken, looked at where it is newer, read, and put away.
/// </summary>
public sealed class Shelf(Browser browser) : IClassFixture<Browser>, IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("home-start-shelf-").FullName;

    [Fact]
    public void A_broken_book_says_what_is_wrong_and_where_and_a_whole_one_goes_on_the_shelf()
    {
        browser.StartAfresh();
        browser.Press("Shelf");
        browser.Reads("Your price lists");
        Hand("broken.json", Heron.Replace("\"36.00\"", "\"cheap\"", StringComparison.Ordinal));
        browser.Reads("broken.json was not taken: one thing is wrong in it.");
        browser.Reads("plans[0].billing[0].prices[0].amount");
        browser.Keeps("a price list that is broken");
        Hand("half.json", Heron[..40]);
        browser.Reads("This is not JSON");
        Hand("heron.json", Heron);
        browser.Reads("a price list you do not have yet, from Heron Hosts");
        browser.Press("Put it on the shelf");
        browser.Reads("Heron Hosts\nyour own");
        browser.ByKeyboard("Heron Hosts", OpenQA.Selenium.Keys.Enter);
        browser.Reads("What it does not state");
        browser.Reads("what leaving early gives back");
        browser.Keeps("a price list of one’s own");
        browser.Press("Close");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Worksheet");
        browser.Press("Tidemarsh Hosting, Slipway");
        browser.Reads("Mooring");
        browser.Press("Close");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public void A_newer_version_shows_what_changed_and_what_it_does_before_it_is_taken()
    {
        browser.StartAfresh();
        browser.Press("Shelf");
        Hand(
            "tidemarsh.json",
            File.ReadAllText(Path.Combine(Repository.Folder("demo"), "books", "tidemarsh.json"))
                .Replace("\"107.88\"", "\"131.88\"", StringComparison.Ordinal)
        );
        browser.Reads("the later price of Slipway, yearly: dearer, £107.88 became £131.88");
        browser.Row("A of Ostler").ShouldContain("adds £57.60");
        browser.Keeps("newer prices of a seller");
        browser.Press("Take the newer prices");
        browser.Reads("your own");
        browser.Press("Worksheet");
        browser.Reads("£500.89 over 3 years");
        browser.Press("Shelf");
        browser.Press("Hide: Saltglass");
        browser.Reads("hidden");
        browser.Press("Worksheet");
        browser.Press("Tidemarsh Hosting, Slipway");
        browser.Reads("Courtyard");
        browser.Text.ShouldNotContain("Saltglass");
        browser.Press("Close");
        browser.Complaints().ShouldBeEmpty();
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private void Hand(string name, string text)
    {
        var file = Path.Combine(_folder, name);
        File.WriteAllText(file, text);
        browser.Find("input[type=file]").SendKeys(file);
    }

    private const string Heron = """
        { "format": "home-start/offer-book@1", "id": "heron", "asOf": "2026-11-20", "currency": "GBP", "provider": { "name": "Heron Hosts" }, "tax": { "pricesInclude": true },
          "plans": [ { "id": "mooring", "name": "Mooring", "billing": [ { "everyMonths": 12, "prices": [ { "amount": "36.00" } ] } ] } ] }
        """;
}
