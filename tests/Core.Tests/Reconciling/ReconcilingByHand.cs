using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Reconciling;

namespace HomeStart.Core.Tests;

/// <summary>
/// Each deviation found by its sum, worked out by hand on one market: a host with tax of 20 percent on top, and a
/// request of 2027-01-01.
/// </summary>
public class ReconcilingByHand
{
    // 120.00 for the plan, 10.00 for the domain, 24.00 for the backup: 154.00, with tax 184.80.
    [Theory]
    [InlineData("184.80", "agrees")]
    [InlineData("154.00", "without-tax")]
    [InlineData("15.40", "a-month")]
    [InlineData("190.80", "extra-added certificate")]
    [InlineData("188.40", "extra-added privacy 0")]
    [InlineData("213.60", "quantity backup 2")]
    [InlineData("156.00", "extra-left-out backup")]
    [InlineData("170.40", "code-added TEN")] // Ten percent of the plan: 12.00, with tax 14.40.
    [InlineData("38.40", "paid-otherwise 1/1")] // 15.00, set-up 5.00, domain 10.00, backup 2.00: 32.00.
    [InlineData("256.80", "other-plan big")]
    [InlineData("208.80", "years 0 2")]
    [InlineData("172.80", "domain-left-out 0")]
    [InlineData("199.20", "data-centre south")]
    [InlineData("328.80", "later-price plan")]
    [InlineData("196.80", "later-price domain:com")]
    public void A_sum_is_explained(string total, string wanted)
    {
        var answer = ReconcilingExamples.Answer(Ask(Market(), total));
        if (wanted == "agrees")
        {
            answer.GetProperty("agrees").GetBoolean().ShouldBeTrue();
            return;
        }

        Told(answer).ShouldContain(wanted);
    }

    [Fact]
    public void Two_reasons_are_found_where_no_single_one_is()
    {
        // Monthly without the set-up fee: 27.00, with tax 32.40.
        Told(ReconcilingExamples.Answer(Ask(Market(), "32.40"))).ShouldBe(["paid-otherwise 1/1 + set-up-left-out"]);
        Told(ReconcilingExamples.Answer(Ask(Market(), "159.00"))).ShouldBe(["without-tax + extra-added certificate"]);
        var nothing = ReconcilingExamples.Answer(Ask(Market(), "184.81"));
        (
            Told(nothing).Count,
            nothing.GetProperty("closest").GetProperty("deviations").GetArrayLength(),
            nothing.GetProperty("closest").Text("total"),
            nothing.GetProperty("closest").Text("remainder")
        ).ShouldBe((0, 0, "184.80", "0.01"));
    }

    [Fact]
    public void A_sum_that_is_only_at_least_explains_whatever_is_not_below_it()
    {
        var market = Market().With("books[0].domains[0].register", "null");
        Told(ReconcilingExamples.Answer(Ask(market, "500.00"))).ShouldBe(["not-stated"]);

        // Below it, what still is not whole is not tried: without the backup the domain's price is as unknown.
        Told(ReconcilingExamples.Answer(Ask(market, "144.00"))).ShouldBeEmpty();
    }

    [Fact]
    public void A_code_that_counts_only_later_is_one_that_can_be_left_out()
    {
        // The code cuts the certificate, and the domain of next year; left out beside a certificate more, that is
        // whole.
        var market = Market()
            .With("books[0].promotions[0].appliesTo", "[\"addOn:certificate\",\"domain\"]")
            .With("candidate.hosting.codes", "[\"ten\"]")
            .With("candidate.domains[0].route", "\"later\"")
            .With("candidate.domains[0].inMonths", "6");
        Told(ReconcilingExamples.Answer(Ask(market, "178.80")))
            .ShouldContain("extra-added certificate + code-left-out TEN"); // 144.00 and 5.00, with tax.
    }

    [Fact]
    public void A_later_bill_is_held_against_its_own_day()
    {
        // 240.00, 20.00 and 24.00 with tax: 340.80.
        ReconcilingExamples
            .Answer(Ask(Market(), "340.80", "2028-01-01"))
            .GetProperty("agrees")
            .GetBoolean()
            .ShouldBeTrue();
        ReconcilingExamples.Answer(Ask(Market(), "0", "2027-05-01")).GetProperty("agrees").GetBoolean().ShouldBeTrue();
    }

    [Theory]
    [InlineData("seen", "(absent)", "seen", "required")]
    [InlineData("seen", "7", "seen", "bad-type")]
    [InlineData("seen.book", "\"names\"", "seen.book", "unknown")]
    [InlineData("seen.book", "(absent)", "seen.book", "required")]
    [InlineData("seen.total", "(absent)", "seen.total", "required")]
    [InlineData("seen.total", "\"1.234\"", "seen.total", "bad-amount")]
    [InlineData("seen.total", "\"-1\"", "seen.total", "bad-amount")]
    [InlineData("seen.total", "84.59", "seen.total", "bad-amount")]
    [InlineData("seen.date", "\"2026-12-31\"", "seen.date", "out-of-range")]
    [InlineData("seen.date", "\"2030-01-01\"", "seen.date", "out-of-range")]
    [InlineData("seen.date", "\"soon\"", "seen.date", "bad-date")]
    [InlineData("seen.date", "7", "seen.date", "bad-type")]
    public void What_cannot_be_read_is_said_at_its_place(string path, string json, string where, string code)
    {
        var faults = new FaultList();
        ReconciliationReader
            .Read(Ask(Market(), "1.00").With(path, json).Deserialize<JsonElement>(), [], faults)
            .ShouldBeNull();
        faults.Faults.Select(fault => (fault.Where, fault.Code)).ShouldBe([(where, code)]);
    }

    private static JsonObject Market() =>
        JsonNode
            .Parse(
                """
                {
                  "books": [{
                    "format": "home-start/offer-book@1", "id": "host", "provider": { "name": "Host" }, "asOf": "2026-11-01", "currency": "GBP",
                    "plans": [
                      { "id": "small", "name": "Small", "billing": [{ "everyMonths": 1, "setupFee": "5.00", "prices": [{ "amount": "15.00" }] }, { "everyMonths": 12, "prices": [{ "periods": 1, "amount": "120.00" }, { "amount": "240.00" }] }] },
                      { "id": "big", "name": "Big", "billing": [{ "everyMonths": 12, "prices": [{ "amount": "180.00" }] }] }],
                    "dataCentres": [{ "id": "south", "name": "South", "perMonth": "1.00" }],
                    "addOns": [
                      { "id": "backup", "name": "Backup", "for": "hosting", "charge": { "every": "month", "prices": [{ "amount": "2.00" }] } },
                      { "id": "certificate", "name": "Certificate", "for": "hosting", "preselected": true, "charge": { "every": "year", "prices": [{ "amount": "5.00" }] } },
                      { "id": "privacy", "name": "Privacy", "for": "domain", "charge": { "every": "year", "prices": [{ "amount": "3.00" }] } }],
                    "domains": [{ "ending": "com", "register": "10.00", "renew": "20.00", "maxYears": 2 }],
                    "promotions": [{ "id": "ten", "code": "TEN", "percent": "10", "appliesTo": ["plan"] }, { "id": "auto", "automatic": true, "percent": "50", "appliesTo": ["domain"], "newCustomersOnly": true, "from": "2028-01-01" }]
                  }],
                  "startDate": "2027-01-01", "horizonMonths": 36, "owner": { "taxPercent": "20" },
                  "candidate": { "hosting": { "book": "host", "plan": "small", "everyMonths": 12, "addOns": [{ "id": "backup" }] }, "domains": [{ "route": "register", "book": "host", "name": "clocks", "ending": "com" }] }
                }
                """
            )!
            .AsObject();

    private static JsonObject Ask(JsonObject market, string total, string? date = null)
    {
        market["seen"] = new JsonObject
        {
            ["book"] = "host",
            ["total"] = total,
            ["date"] = date,
        };
        return market;
    }

    private static List<string> Told(JsonElement answer) =>
        [
            .. answer
                .GetProperty("explanations")
                .EnumerateArray()
                .Select(explanation =>
                    string.Join(
                        " + ",
                        explanation
                            .GetProperty("deviations")
                            .EnumerateArray()
                            .Select(deviation =>
                                string.Join(
                                    ' ',
                                    new[] { "kind", "ref", "domain", "value" }
                                        .Select(field => deviation.GetProperty(field))
                                        .Where(value => value.ValueKind != JsonValueKind.Null)
                                        .Select(value => value.ToString())
                                )
                            )
                    )
                ),
        ];
}
