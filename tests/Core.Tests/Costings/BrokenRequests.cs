using System.Text.Json;
using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>What is wrong with a request is said with its code and its place, all of it at once.</summary>
public class BrokenRequests
{
    private const string Register = """{ "route": "register", "book": "tidemarsh", "name": "wren", "ending": "com" }""";

    [Theory]
    [InlineData("startDate", "(absent)", "required")]
    [InlineData("startDate", "\"2026-13-01\"", "bad-date")]
    [InlineData("startDate", "\"1969-12-31\"", "bad-date")]
    [InlineData("startDate", "\"2201-01-01\"", "bad-date")]
    [InlineData("startDate", "20261201", "bad-type")]
    [InlineData("horizonMonths", "(absent)", "required")]
    [InlineData("horizonMonths", "0", "out-of-range")]
    [InlineData("horizonMonths", "121", "out-of-range")]
    [InlineData("horizonMonths", "1e99", "out-of-range")]
    [InlineData("horizonMonths", "36.5", "bad-type")]
    [InlineData("horizonMonths", "\"36\"", "bad-type")]
    [InlineData("owner", "[]", "bad-type")]
    [InlineData("owner.taxPercent", "20", "bad-type")]
    [InlineData("owner.taxPercent", "\"1000.1\"", "out-of-range")]
    [InlineData("owner.taxPercent", "\"-1\"", "out-of-range")]
    [InlineData("owner.countTax", "\"yes\"", "bad-type")]
    [InlineData("owner.keepChancePercent", "\"100.5\"", "out-of-range")]
    [InlineData("display.currency", "\"GBX\"", "unknown")]
    [InlineData("display.rates.GBP", "1.2", "bad-type")]
    [InlineData("display.rates.GBP", "\"1,2\"", "bad-amount")]
    [InlineData("candidate", "(absent)", "required")]
    [InlineData("candidate", "{}", "required")]
    [InlineData("candidate", "3", "bad-type")]
    [InlineData("candidate.hosting.book", "\"nobody\"", "unknown")]
    [InlineData("candidate.hosting.book", "(absent)", "required")]
    [InlineData("candidate.hosting.plan", "\"yacht\"", "unknown")]
    [InlineData("candidate.hosting.plan", "7", "bad-type")]
    [InlineData("candidate.hosting.everyMonths", "(absent)", "required")]
    [InlineData("candidate.hosting.everyMonths", "24", "unknown")]
    [InlineData("candidate.hosting.everyMonths", "0", "out-of-range")]
    [InlineData("candidate.hosting.commitMonths", "121", "out-of-range")]
    [InlineData("candidate.hosting.dataCentre", "\"moon\"", "unknown")]
    [InlineData("candidate.hosting.addOns[0].id", "\"privacy\"", "unknown")]
    [InlineData("candidate.hosting.addOns[0].quantity", "0", "out-of-range")]
    [InlineData("candidate.hosting.addOns[0].quantity", "10001", "out-of-range")]
    [InlineData("candidate.hosting.addOns[1].id", "\"certificate\"", "duplicate-id")]
    [InlineData("candidate.hosting.codes", "\"HARBOUR25\"", "bad-type")]
    [InlineData("candidate.domains[0].route", "(absent)", "required")]
    [InlineData("candidate.domains[0].route", "\"steal\"", "unknown")]
    [InlineData("candidate.domains[0].book", "\"nobody\"", "unknown")]
    [InlineData("candidate.domains[0].ending", "\"zz\"", "unknown")]
    [InlineData("candidate.domains[0].name", "(absent)", "required")]
    [InlineData("candidate.domains[0].years", "0", "out-of-range")]
    [InlineData("candidate.domains[0].years", "11", "out-of-range")]
    [InlineData("candidate.domains[0].addOns[0].id", "\"backup\"", "unknown")]
    [InlineData("candidate.domains[0].premium.register", "8.9", "bad-amount", "candidate.domains[0].premium.register")]
    [InlineData("candidate.domains[1]", Register + "", "duplicate-id", "candidate.domains[1]")]
    [InlineData("books[0].id", "(absent)", "required")]
    [InlineData("books[0].currency", "\"XYZ\"", "unknown")]
    [InlineData("books[0].asOf", "\"yesterday\"", "bad-date")]
    [InlineData("books[0].provider", "(absent)", "required", "books[0].provider.name")]
    [InlineData("books[0].format", "\"home-start/offer-book@9\"", "unknown")]
    [InlineData("books[0].plans", "{}", "bad-type")]
    [InlineData("books[0].plans[0].billing[0].prices", "[]", "bad-steps")]
    [InlineData("books[0].plans[0].billing[0].prices[0].amount", "null", "bad-steps")]
    [InlineData("books[0].plans[0].billing[0].prices[0].amount", "47.4", "bad-amount")]
    [InlineData("books[0].plans[0].billing[0].prices[0].amount", "\"47.401\"", "bad-amount")]
    [InlineData("books[0].plans[0].billing[0].prices[0].amount", "\"-1\"", "bad-amount")]
    [InlineData("books[0].plans[0].billing[0].prices[0].amount", "\"1e3\"", "bad-amount")]
    [InlineData("books[0].plans[0].billing[0].prices[0].amount", "\"10000000000.01\"", "out-of-range")]
    [InlineData("books[0].plans[0].billing[0].prices[0].periods", "1", "bad-steps")]
    [InlineData("books[0].plans[0].billing[1].prices[0].periods", "0", "bad-steps")]
    [InlineData("books[0].plans[0].billing[0].everyMonths", "12", "duplicate-id", "books[0].plans[0].billing[1]")]
    [InlineData("books[0].addOns[0].charge.every", "\"week\"", "unknown")]
    [InlineData("books[0].addOns[2].charge.every", "\"cycle\"", "bad-steps")]
    [InlineData("books[0].addOns[1].id", "\"certificate\"", "duplicate-id")]
    [InlineData("books[0].domains[0].maxYears", "11", "out-of-range")]
    [InlineData("books[0].domains[1].ending", "\"com\"", "duplicate-id")]
    [InlineData("books[0].promotions[0].percent", "\"101\"", "out-of-range")]
    [InlineData("books[0].promotions[0].amount", "\"1.00\"", "required", "books[0].promotions[0]")]
    [InlineData("books[0].promotions[0].automatic", "true", "required", "books[0].promotions[0]")]
    [InlineData("books[0].promotions[0].appliesTo[0]", "\"everything\"", "unknown")]
    [InlineData("books[0].promotions[1].code", "\"harbour25\"", "duplicate-id")]
    public void Is_faulted(string path, string json, string code, string? where = null)
    {
        var request = Request.Worked();
        if (where == "candidate.domains[1]")
        {
            json = json.Replace("wren", "OSTLERWREN", StringComparison.Ordinal);
        }

        var (_, faults) = Wire.Try(request.With(path, json).Deserialize<JsonElement>());
        faults.Select(fault => (fault.Code, fault.Where)).ShouldContain((code, where ?? path));
        faults
            .Select(FaultWords.Sentence)
            .ShouldAllBe(sentence => sentence.Length > 10 && sentence.EndsWith('.') && !sentence.Contains('{'));
    }

    [Fact]
    public void A_lent_address_needs_hosting() =>
        Codes(Request.Worked().With("candidate", """{ "domains": [{ "route": "lent" }] }"""))
            .ShouldBe([("required", "candidate.domains[0].route")]);

    [Fact]
    public void A_transfer_must_be_offered() =>
        Codes(
                Request
                    .Worked()
                    .With("books[0].domains[0].transfer", "(absent)")
                    .With("candidate.domains[0].route", "\"transfer\"")
                    .With("candidate.domains[0].expires", "\"2027-01-01\"")
            )
            .ShouldBe([("unavailable", "candidate.domains[0].route")]);

    [Theory]
    [InlineData("2026-11-30", "expired")]
    [InlineData("2036-12-02", "too-many-years")]
    public void A_transfer_needs_a_domain_that_runs_and_not_for_longer_than_ten_years(string expires, string code) =>
        Codes(
                Request
                    .Worked()
                    .With("candidate.domains[0].route", "\"transfer\"")
                    .With("candidate.domains[0].expires", $"\"{expires}\"")
            )
            .ShouldBe([(code, "candidate.domains[0].expires")]);

    [Fact]
    public void A_domain_kept_elsewhere_says_what_its_renewal_costs() =>
        Codes(
                Request
                    .Worked()
                    .With(
                        "candidate.domains[0]",
                        """{ "route": "keep", "name": "wren", "ending": "com", "addOns": [{ "id": "privacy" }] }"""
                    )
            )
            .ShouldBe(
                [
                    ("required", "candidate.domains[0].expires"),
                    ("required", "candidate.domains[0].renewal"),
                    ("required", "candidate.domains[0].currency"),
                    ("unknown", "candidate.domains[0].addOns[0].id"),
                ],
                ignoreOrder: true
            );

    [Fact]
    public void A_foreign_bill_needs_a_rate() =>
        Codes(Request.Worked().With("display.currency", "\"EUR\"")).ShouldBe([("no-rate", "display.rates.USD")]);

    [Fact]
    public void A_rate_that_no_figure_needs_may_be_missing() =>
        Codes(
                Request
                    .Worked()
                    .With("horizonMonths", "1")
                    .With(
                        "candidate.domains[0]",
                        """{ "route": "keep", "name": "wren", "ending": "com", "expires": "2040-01-01", "renewal": "9", "currency": "EUR" }"""
                    )
            )
            .ShouldBeEmpty();

    [Fact]
    public void All_faults_come_at_once_and_those_of_the_books_first()
    {
        var request = Request
            .Worked()
            .With("books[0].currency", "\"XYZ\"")
            .With("books[0].plans[0].billing[0].prices", "[]")
            .With("horizonMonths", "0")
            .With("candidate.hosting.plan", "\"yacht\"");
        Codes(request)
            .ShouldBe([
                ("unknown", "books[0].currency"),
                ("bad-steps", "books[0].plans[0].billing[0].prices"),
                ("out-of-range", "horizonMonths"),
                ("unknown", "candidate.hosting.plan"),
            ]);
    }

    [Fact]
    public void More_than_twenty_domains_are_too_many()
    {
        var request = Request.Worked();
        for (var index = 1; index <= 20; index++)
        {
            request.With(
                $"candidate.domains[{index}]",
                Register.Replace("wren", $"wren{index}", StringComparison.Ordinal)
            );
        }

        Codes(request).ShouldBe([("out-of-range", "candidate.domains")]);
    }

    [Theory]
    [InlineData("[]")]
    [InlineData("null")]
    [InlineData("\"costing\"")]
    [InlineData("{}")]
    [InlineData(
        """{ "books": [null, 3, {}], "candidate": { "hosting": [], "domains": [null, 1, {}] }, "owner": 1, "display": { "rates": [] } }"""
    )]
    public void No_shape_of_body_is_more_than_faulty(string body)
    {
        using var json = JsonDocument.Parse(body);
        Wire.Try(json.RootElement).Faults.ShouldNotBeEmpty();
    }

    private static List<(string Code, string Where)> Codes(System.Text.Json.Nodes.JsonNode request) =>
        [.. Wire.Try(request.Deserialize<JsonElement>()).Faults.Select(fault => (fault.Code, fault.Where))];
}
