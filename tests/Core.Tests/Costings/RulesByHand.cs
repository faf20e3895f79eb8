using System.Text.Json;
using System.Text.Json.Nodes;

namespace HomeStart.Core.Tests;

/// <summary>
/// Each rule of costing.md on a case small enough to work out by hand. All begin with the worked example: 83.20 today,
/// 537.12 over 36 months.
/// </summary>
public class RulesByHand
{
    [Fact]
    public void Rule_3_dates_are_counted_from_the_start_and_clamp_to_the_months_end() =>
        Dates(
                Request
                    .Worked()
                    .With("startDate", "\"2027-01-31\"")
                    .With("horizonMonths", "4")
                    .With("candidate.hosting.everyMonths", "1")
                    .With("candidate.hosting.commitMonths", "1")
            )
            .ShouldBe(["2027-01-31", "2027-02-28", "2027-03-31", "2027-04-30"]);

    [Fact]
    public void Rule_4_an_unstated_price_counts_as_zero_and_marks_every_total_that_holds_it()
    {
        var answer = Wire.Cost(Request.Worked().With("books[0].plans[0].billing[1].prices[1].amount", "null"));
        answer.Text("totals", "horizon").ShouldBe("221.76"); // 537.12 less two plan bills of 131.40 and their tax.
        answer.Text("totals", "atLeast").ShouldBe("[\"horizon\"]");
        answer.Text("unstated", "0", "date").ShouldBe("2027-12-01");
        answer.Text("priceStep", "to").ShouldBe("");
        answer.Text("totals", "next", "atLeast").ShouldBe("True");
    }

    [Fact]
    public void Rule_6_a_data_centre_is_charged_with_each_plan_bill()
    {
        var request = Request
            .Worked()
            .With("books[0].dataCentres", """[{ "id": "north", "name": "North", "perMonth": "1.00" }]""")
            .With("candidate.hosting.dataCentre", "\"north\"");
        Row(Wire.Cost(request), "dataCentre").ShouldBe(["12.00", "0.00", "12.00", "12.00"]);
    }

    [Fact]
    public void Rule_7_a_set_up_fee_is_charged_once() =>
        Row(Wire.Cost(Monthly(Request.Worked())), "setup").ShouldBe(["25.00", "0.00", "0.00", "0.00"]);

    [Fact]
    public void Rule_8_the_first_line_pays_for_all_years_and_renewals_follow_one_by_one() =>
        Row(
                Wire.Cost(
                    Request
                        .Worked()
                        .With("candidate.domains[0].years", "2")
                        .With("candidate.domains[0].useIncluded", "false")
                ),
                "domain"
            )
            .ShouldBe(["30.90", "0.00", "0.00", "17.95"]);

    [Fact]
    public void Rule_8_a_premium_price_takes_the_place_of_both() =>
        Row(
                Wire.Cost(
                    Request.Worked().With("candidate.domains[0].premium", """{ "register": "890.00", "renew": "90" }""")
                ),
                "domain"
            )
            .ShouldBe(["890.00", "0.00", "90.00", "90.00"]);

    [Fact]
    public void Rule_9_a_domain_chosen_later_begins_later_and_may_have_no_name()
    {
        var answer = Wire.Cost(
            Request
                .Worked()
                .With(
                    "candidate.domains[0]",
                    """{ "route": "later", "book": "tidemarsh", "ending": "com", "inMonths": 14, "years": 1 }"""
                )
        );
        answer.GetProperty("bills").EnumerateArray().Select(bill => bill.Text("date")).ShouldContain("2028-02-01");
        answer
            .GetProperty("ledger")
            .GetProperty("rows")
            .EnumerateArray()
            .Select(row => row.Text("ref"))
            .ShouldContain(".com");
        // The allowance ran out after twelve months.
        Row(answer, "domain").ShouldBe(["0.00", "0.00", "12.95", "17.95"]);
    }

    [Fact]
    public void Rule_13_steps_of_a_monthly_extra_count_months()
    {
        var request = Request
            .Worked()
            .With(
                "books[0].addOns[1].charge.prices",
                """[{ "periods": 14, "amount": "1.00" }, { "amount": "3.00" }]"""
            );
        // 2 × 1 + 10 × 3 in the second year.
        Row(Wire.Cost(request), "addOn", "backup").ShouldBe(["12.00", "0.00", "32.00", "36.00"]);
    }

    [Fact]
    public void Rule_13_a_yearly_extra_is_charged_each_year_also_inside_a_longer_cycle()
    {
        var request = Request
            .Worked()
            .With(
                "books[0].addOns[1].charge",
                """{ "every": "year", "prices": [{ "periods": 1, "amount": "5.00" }, { "amount": "9.00" }] }"""
            );
        request
            .With("candidate.hosting.everyMonths", "36")
            .With("candidate.hosting.commitMonths", "36")
            .With("candidate.hosting.addOns[1].quantity", "2");
        Row(Wire.Cost(request), "addOn", "backup").ShouldBe(["10.00", "0.00", "18.00", "18.00"]);
    }

    [Fact]
    public void Rule_14_a_domain_extra_is_charged_with_the_domain_for_its_years() =>
        Row(Wire.Cost(Request.Worked().With("candidate.domains[0].years", "2")), "addOn", "privacy")
            .ShouldBe(["13.80", "0.00", "0.00", "9.90"]); // 3.90 + 9.90 at once.

    [Fact]
    public void Rule_15_an_included_extra_says_what_it_would_have_cost()
    {
        var line = Lines(Wire.Cost(Request.Worked())).First(line => line.Text("ref") == "certificate");
        (line.Text("amount"), line.Text("worth"), line.Text("included")).ShouldBe(("0.00", "49.00", "True"));
        Lines(Wire.Cost(Request.Worked()))
            .First(line => line.Text("ref") == "backup")
            .TryGetProperty("worth", out _)
            .ShouldBeFalse();
    }

    [Fact]
    public void Rule_15_an_included_extra_is_had_once_and_more_of_it_is_bought()
    {
        var request = Request
            .Worked()
            .With("books[0].plans[0].includes", """["backup"]""")
            .With("candidate.hosting.addOns[1].quantity", "3");
        var backup = Lines(Wire.Cost(request)).Where(line => line.Text("ref") == "backup").ToList();
        backup
            .ConvertAll(line => (line.Text("quantity"), line.Text("amount")))
            .ShouldBe([("1", "0.00"), ("2", "59.76")]); // 2 × 12 × 2.49.
        backup[0].Text("worth").ShouldBe("29.88");
        Row(Wire.Cost(request), "addOn", "backup").ShouldBe(["59.76", "0.00", "59.76", "59.76"]);
    }

    [Fact]
    public void Rule_15_the_worth_of_an_included_extra_may_not_be_stated()
    {
        var request = Request
            .Worked()
            .With("books[0].plans[0].includes", """["backup"]""")
            .With("books[0].addOns[1].charge.prices", """[{ "periods": 3, "amount": "1" }, { "amount": null }]""");
        var line = Lines(Wire.Cost(request)).First(line => line.Text("ref") == "backup");
        line.GetProperty("worth").ValueKind.ShouldBe(JsonValueKind.Null);
    }

    [Theory]
    [InlineData("candidate.domains[0].useIncluded", "false", "turned-off")]
    [InlineData("books[0].plans[0].includedDomain.minCommitMonths", "13", "commit-too-short")]
    [InlineData("books[0].plans[0].includedDomain.endings", "[\"net\"]", "other-ending")]
    [InlineData("books[0].plans[0].includedDomain.endings", "(absent)", "other-ending")]
    [InlineData("candidate.domains[0].premium", "{ \"register\": \"12.95\", \"renew\": \"17.95\" }", "premium")]
    [InlineData("books[0].plans[0].includedDomain", "null", "none-given")]
    public void Rule_16_what_keeps_the_included_domain_from_applying_is_said(string path, string json, string result)
    {
        var answer = Wire.Cost(Request.Worked().With(path, json));
        answer.Text("inclusions", "0", "result").ShouldBe(result);
        answer.Text("totals", "dueToday").ShouldBe("98.74"); // 83.20 and 12.95 with its tax of 2.59.
    }

    [Fact]
    public void Rule_16_an_allowance_every_year_goes_to_the_earliest_line_of_each_year()
    {
        var request = Request.Worked().With("books[0].plans[0].includedDomain.everyYear", "true");
        Row(Wire.Cost(request), "domain").ShouldBe(["0.00", "0.00", "0.00", "0.00"]);
    }

    [Fact]
    public void Rule_16_its_row_stands_under_a_line_whose_price_is_not_stated()
    {
        var request = Request.Worked().With("books[0].domains[0].register", "null");
        var line = Lines(Wire.Cost(request)).First(line => line.Text("kind") == "domain");
        line.Text("discounts", "0", "source").ShouldBe("included");
        line.Text("discounts", "0", "amount").ShouldBe("0.00");
        line.Text("atLeast").ShouldBe("False");
    }

    [Fact]
    public void Rule_18_each_discount_works_on_what_the_ones_before_left()
    {
        var request = Request
            .Worked()
            .With(
                "books[0].promotions[2]",
                """{ "id": "auto", "automatic": true, "percent": "50", "appliesTo": ["plan"] }"""
            );
        var plan = Lines(Wire.Cost(request))[0];
        plan.GetProperty("discounts")
            .EnumerateArray()
            .Select(row => (row.Text("source"), row.Text("amount")))
            .ShouldBe([("auto", "23.70"), ("HARBOUR25", "5.93")]); // 25% of 23.70 is 5.925.
    }

    [Fact]
    public void Rule_18_the_same_code_twice_counts_once_as_first_typed() =>
        Wire.Cost(Request.Worked().With("candidate.hosting.codes", """["harbour25", "HARBOUR25"]"""))
            .GetProperty("codes")
            .EnumerateArray()
            .Select(code => code.Text("code"))
            .ShouldBe(["harbour25"]);

    [Fact]
    public void Rule_20_left_over_units_go_to_the_largest_remainders_and_ties_to_the_earlier()
    {
        Sharing.InProportion(500, [3555, 2988]).ShouldBe([272, 228]); // 271.66 and 228.34.
        Sharing.InProportion(100, [1, 1, 1]).ShouldBe([34, 33, 33]);
        Sharing.InProportion(10, [20, -10]).ShouldBe([20, -10]);
        // −2.5 and 7.5 are rounded down to −3 and 7; the unit left over goes to the earlier.
        Sharing.InProportion(5, [-1, 3]).ShouldBe([-2, 7]);
    }

    [Theory]
    [InlineData("from", "\"2026-12-02\"", "not-yet")]
    [InlineData("until", "\"2026-11-30\"", "expired")]
    [InlineData("until", "\"2026-12-01\"", "applied")]
    [InlineData("newCustomersOnly", "true", "new-customers-only")]
    [InlineData("plans", "[\"yacht\"]", "other-plans-only")]
    [InlineData("plans", "[]", "applied")]
    [InlineData("minEveryMonths", "13", "cycle-too-short")]
    [InlineData("appliesTo", "[\"domain:shop\"]", "nothing-to-discount")]
    public void Rule_21_a_code_has_one_verdict(string field, string json, string verdict)
    {
        var request = Request.Worked().With($"books[0].promotions[0].{field}", json).With("owner.newCustomer", "false");
        Wire.Cost(request).Text("codes", "0", "verdict").ShouldBe(verdict);
    }

    [Theory]
    [InlineData("[]", "applied")]
    [InlineData("[\"nameyarrow\", \"Tidemarsh\"]", "applied")]
    [InlineData("[\"nameyarrow\", \"tidemarsh\"]", "new-customers-only")]
    public void Rule_21_a_customer_of_this_seller_is_no_new_customer_of_it(string customerOf, string verdict)
    {
        var request = Request
            .Worked()
            .With("books[0].promotions[0].newCustomersOnly", "true")
            .With("owner.customerOf", customerOf);
        Wire.Cost(request).Text("codes", "0", "verdict").ShouldBe(verdict);
    }

    [Fact]
    public void Rule_21_a_code_that_cannot_combine_says_with_which()
    {
        var code = Wire.Cost(Request.Worked().With("candidate.hosting.codes", """["HARBOUR25", "FIVEOFF"]"""))
            .GetProperty("codes")[1];
        (code.Text("verdict"), code.Text("makesItCount", "without")).ShouldBe(("cannot-combine", "HARBOUR25"));
    }

    [Fact]
    public void Rule_22_tax_inside_a_price_is_taken_out_of_the_bill_as_a_whole()
    {
        var bill = Wire.Cost(Request.Worked().With("books[0].tax", """{ "pricesInclude": true }"""))
            .GetProperty("bills")[0];
        (bill.Text("net"), bill.Text("tax"), bill.Text("total")).ShouldBe(("57.78", "11.55", "69.33"));
    }

    [Fact]
    public void Rule_25_the_first_date_from_the_end_on_stands_beside_the_total()
    {
        var answer = Wire.Cost(Request.Worked());
        answer.Text("totals", "next", "date").ShouldBe("2029-12-01");
        answer.Text("nextBills", "0", "total").ShouldBe("226.96");
    }

    [Fact]
    public void Rule_27_what_a_bill_pays_for_beyond_the_end_is_counted_by_days_and_taxed_alone()
    {
        // Over 30 months the bill of 2028-12-01 reaches 183 of its 365 days too far: (131.40 + 17.95 + 29.88 + 9.90)
        // each × 183/365, rounded, taxed, rounded.
        Wire.Cost(Request.Worked().With("horizonMonths", "30")).Text("totals", "unusedAtEnd").ShouldBe("113.79");
    }

    [Fact]
    public void Rule_29_why_nothing_comes_back_is_said()
    {
        Wire.Cost(Request.Worked().With("books[0].refund", "null")).Text("refund", "reason").ShouldBe("not-offered");
        Wire.Cost(Request.Worked().With("books[0].refund.minCommitMonths", "24"))
            .Text("refund", "reason")
            .ShouldBe("commit-too-short");
        Wire.Cost(Request.Worked()).Text("refund", "lastDay").ShouldBe("2026-12-31");
    }

    [Fact]
    public void Rule_30_parts_that_add_up_to_nothing_are_shared_so_that_they_do()
    {
        var request = Request
            .Worked()
            .With("books[0].promotions[0].percent", "\"100\"")
            .With("candidate.domains", "[]")
            .With("candidate.hosting.addOns", "[]")
            .With("display", """{ "currency": "EUR", "rates": { "USD": "0.923" } }""");
        var answer = Wire.Cost(request);
        (Row(answer, "plan")[0], Row(answer, "code")[0]).ShouldBe(("43.75", "-43.75")); // 47.40 × 0.923 = 43.7502.
    }

    [Fact]
    public void Amounts_too_large_for_a_machine_word_are_still_exact()
    {
        var request = Request
            .Worked()
            .With("books[0].plans[0].billing[0].prices[0].amount", "\"10000000000\"")
            .With("books[0].addOns[1].charge.prices[0].amount", "\"10000000000\"");
        request
            .With("candidate.hosting.addOns[1].quantity", "10000")
            .With("candidate.hosting.codes", "[]")
            .With("owner.taxPercent", "\"1000\"")
            .With("display", """{ "currency": "JPY", "rates": { "USD": "999999999.999999999999999999" } }""");
        Wire.Cost(Monthly(request)).Text("totals", "horizon").Length.ShouldBe(26);
    }

    private static JsonObject Monthly(JsonObject request) =>
        request.With("candidate.hosting.everyMonths", "1").With("candidate.hosting.commitMonths", "1");

    private static List<string> Dates(JsonObject request) =>
        [.. Wire.Cost(request).GetProperty("bills").EnumerateArray().Select(bill => bill.Text("date"))];

    private static List<JsonElement> Lines(JsonElement answer) =>
        [.. answer.GetProperty("bills")[0].GetProperty("lines").EnumerateArray()];

    private static List<string> Row(JsonElement answer, string kind, string? name = null) =>
        [
            .. answer
                .GetProperty("ledger")
                .GetProperty("rows")
                .EnumerateArray()
                .First(row => row.Text("kind") == kind && (name is null || row.Text("ref") == name))
                .GetProperty("cells")
                .EnumerateArray()
                .Select(cell => cell.GetString()!),
        ];
}
