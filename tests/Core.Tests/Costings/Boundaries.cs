using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace HomeStart.Core.Tests;

/// <summary>
/// The last day, the exact fit, the first that is not counted: where "on or before" and "before" part.
/// </summary>
public class Boundaries
{
    [Theory]
    [InlineData(11, "used")]
    [InlineData(12, "used-up")]
    public void An_allowance_is_there_up_to_but_not_on_the_day_it_ends(int inMonths, string result) =>
        Wire.Cost(Later(inMonths)).Text("inclusions", "0", "result").ShouldBe(result);

    [Theory]
    [InlineData("11", "commit-too-short", 11)]
    [InlineData("12", "used", 12)]
    public void A_commitment_of_just_as_many_months_gives_the_domain(string commit, string result, int most)
    {
        var request = Request
            .Worked()
            .With("books[0].plans[0].billing[1].commitMonths", commit)
            .With("candidate.hosting.commitMonths", commit);
        Wire.Cost(request).Text("inclusions", "0", "result").ShouldBe(result);
        Wire.Cost(request.With("books[0].plans[0].includedDomain.minCommitMonths", most.ToString()))
            .Text("inclusions", "0", "result")
            .ShouldBe("used");
    }

    [Theory]
    [InlineData("12", "applied")]
    [InlineData("13", "cycle-too-short")]
    public void A_cycle_of_just_as_many_months_lets_a_code_count(string least, string verdict) =>
        Wire.Cost(Request.Worked().With("books[0].promotions[0].minEveryMonths", least))
            .Text("codes", "0", "verdict")
            .ShouldBe(verdict);

    [Theory]
    [InlineData("2026-12-01", "2026-12-01", "applied")]
    [InlineData("2026-12-02", "2026-12-03", "not-yet")]
    [InlineData("2026-11-01", "2026-11-30", "expired")]
    public void A_promotion_counts_on_its_first_and_its_last_day(string from, string until, string verdict) =>
        Wire.Cost(
                Request
                    .Worked()
                    .With("books[0].promotions[0].from", $"\"{from}\"")
                    .With("books[0].promotions[0].until", $"\"{until}\"")
            )
            .Text("codes", "0", "verdict")
            .ShouldBe(verdict);

    [Theory]
    [InlineData("12", null)]
    [InlineData("13", "commit-too-short")]
    public void A_refund_is_there_from_just_as_long_a_commitment_on(string least, string? reason) =>
        (
            Wire.Cost(Request.Worked().With("books[0].refund.minCommitMonths", least)).Text("refund", "reason")
                is { Length: > 0 } said
                ? said
                : null
        ).ShouldBe(reason);

    [Theory]
    [InlineData(12, "83.20", "2027-12-01")]
    [InlineData(13, "310.16", "2028-12-01")]
    public void A_bill_on_the_day_the_count_ends_is_the_first_that_is_not_counted(
        int months,
        string horizon,
        string next
    )
    {
        var totals = Wire.Cost(Request.Worked().With("horizonMonths", months.ToString())).GetProperty("totals");
        (totals.Text("horizon"), totals.Text("next", "date")).ShouldBe((horizon, next));
        totals.Text("peak", "date").ShouldBe(months == 12 ? "2026-12-01" : "2027-12-01");
    }

    [Fact]
    public void The_earliest_of_equal_peaks_is_the_peak() =>
        // And 226.96 again a year later.
        Wire.Cost(Request.Worked()).Text("totals", "peak", "date").ShouldBe("2027-12-01");

    [Fact]
    public void What_is_paid_up_to_the_very_end_leaves_nothing_unused() =>
        Wire.Cost(Request.Worked()).Text("totals", "unusedAtEnd").ShouldBe("0.00");

    [Fact]
    public void A_first_term_holds_the_bills_before_it_ends_also_beyond_the_count()
    {
        var request = Request
            .Worked()
            .With("books[0].plans[0].billing[0].commitMonths", "12")
            .With("candidate.hosting.everyMonths", "1")
            .With("candidate.hosting.commitMonths", "12")
            .With("horizonMonths", "6");
        request
            .With("candidate.domains", "[]")
            .With("candidate.hosting.addOns", "[]")
            .With("candidate.hosting.codes", "[]")
            .With("books[0].plans[0].billing[0].setupFee", "\"0.00\"");
        var totals = Wire.Cost(request).GetProperty("totals");
        (totals.Text("firstTerm"), totals.Text("horizon"), totals.Text("owedAfterHorizon")).ShouldBe(
            ("172.08", "86.04", "86.04")
        ); // 11.95 and 2.39 tax, twelve and six times.
    }

    [Theory]
    [InlineData("1", 1)]
    [InlineData("2", 2)]
    [InlineData("\"all\"", 3)]
    public void A_discount_ends_with_its_last_bill(string bills, int discounted) =>
        Wire.Cost(Request.Worked().With("books[0].promotions[0].bills", bills))
            .GetProperty("bills")
            .EnumerateArray()
            .Count(bill => bill.GetProperty("lines")[0].GetProperty("discounts").GetArrayLength() > 0)
            .ShouldBe(discounted);

    [Theory]
    [InlineData("47.40", "0.00")]
    [InlineData("47.39", "0.01")]
    [InlineData("47.41", "0.00")]
    public void An_amount_takes_off_what_there_is_and_no_more(string amount, string left)
    {
        var request = Request
            .Worked()
            .With("books[0].promotions[0].percent", "(absent)")
            .With("books[0].promotions[0].amount", $"\"{amount}\"");
        Wire.Cost(request).GetProperty("bills")[0].GetProperty("lines")[0].Text("afterDiscounts").ShouldBe(left);
    }

    [Theory]
    [InlineData("50", 24, "196.68")] // 83.20 + 226.96 × 0.5.
    [InlineData("100", 24, "310.16")]
    [InlineData("0", 24, "83.20")]
    [InlineData("50", 36, "253.42")] // + 226.96 × 0.25.
    public void What_is_expected_weighs_each_bill_with_the_chance_of_still_being_there(
        string chance,
        int months,
        string expected
    ) =>
        Wire.Cost(
                Request
                    .Worked()
                    .With("owner.keepChancePercent", $"\"{chance}\"")
                    .With("horizonMonths", months.ToString())
            )
            .Text("totals", "expected")
            .ShouldBe(expected);

    [Fact]
    public void The_work_of_a_costing_is_lines_by_rules_and_codes_and_too_much_is_told_with_its_figure()
    {
        ImmutableArray<LineMatch> matches = [.. Enumerable.Repeat(new LineMatch(LineKind.Plan, null), 9)];
        var book = new OfferBook("b", new Provider("B", null), new DateOnly(2026, 12, 1), Currency.Get("GBP"))
        {
            AddOns = [Extra("yearly", ChargeEvery.Year), Extra("once", ChargeEvery.Once)],
            Domains = [new DomainPrice("com", 900, 900, null, 10, [], null)],
            Plans =
            [
                new Plan("p", "P")
                {
                    Billing = [new BillingOption(1, 1, null, new PriceSteps([new PriceStep(null, 1000)]))],
                },
            ],
            Promotions =
            [
                .. Enumerable
                    .Range(0, 100)
                    .Select(index => new Promotion($"p{index}", $"C{index}")
                    {
                        Percent = ExactDecimal.Whole(1),
                        AppliesTo = matches,
                    }),
            ],
        };
        var codes = Enumerable.Range(0, 20).Select(index => $"C{index}").ToImmutableArray();
        var candidate = new Candidate(
            new HostingChoice("b", "p", 1, 1)
            {
                AddOns = [new AddOnChoice("yearly"), new AddOnChoice("once")],
                Codes = codes,
            },
            [
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "b",
                    Name = "wren",
                    Ending = "com",
                },
            ]
        );
        var fault = Coster
            .Cost(candidate, [book], new CountSettings(new DateOnly(2026, 12, 1), 36))
            .Faults.Faults.ShouldHaveSingleItem();

        // 15 lines of the domain, 181 bills with a plan's line, its set-up's and two extras', 15 more of the yearly
        // one; 100 promotions with nine matches each, against 20 codes and none.
        fault.Reason.ShouldBe(new CostingTooLarge((15 + (181 * 4) + 15) * (10 + (100 * 10 * 21L)), 2_000_000));

        static AddOn Extra(string id, ChargeEvery every) =>
            new(id, id, AddOnFor.Hosting, every, new PriceSteps([new PriceStep(null, 10)]));
    }

    [Theory]
    [InlineData(12, 12, 1)]
    [InlineData(24, 24, 2)]
    [InlineData(6, 6, 0)] // Paid once, and nothing more before it ends.
    [InlineData(1, 6, null)] // Paid each month: it ends inside the first year.
    public void The_first_term_ends_after_a_column_or_inside_one(int every, int commit, int? column)
    {
        var book = new OfferBook("b", new Provider("B", null), new DateOnly(2026, 12, 1), Currency.Get("GBP"))
        {
            Plans =
            [
                new Plan("p", "P")
                {
                    Billing = [new BillingOption(every, commit, null, new PriceSteps([new PriceStep(null, 1000)]))],
                },
            ],
        };
        Coster
            .Cost(
                new Candidate(new HostingChoice("b", "p", every, commit), []),
                [book],
                new CountSettings(new DateOnly(2026, 12, 1), 36)
            )
            .Value!.Ledger.FirstTermEndsAfter.ShouldBe(column);
    }

    [Theory]
    [InlineData(48, false)]
    [InlineData(49, true)]
    [InlineData(60, true)]
    public void Later_years_are_folded_where_there_are_two_of_them_or_more(int months, bool folded)
    {
        var ledger = Wire.Cost(Request.Worked().With("horizonMonths", months.ToString())).GetProperty("ledger");
        (ledger.GetProperty("folded").ValueKind == System.Text.Json.JsonValueKind.Object).ShouldBe(folded);
        if (folded)
        {
            var cells = ledger
                .GetProperty("totals")
                .EnumerateArray()
                .Select(cell => decimal.Parse(cell.GetString()!))
                .ToList();
            decimal.Parse(ledger.GetProperty("folded").Text("amount")).ShouldBe(cells.Skip(4).Sum());
        }
    }

    [Theory]
    [InlineData("10000", true)]
    [InlineData("10001", false)]
    public void So_many_of_an_extra_and_no_more(string quantity, bool accepted)
    {
        var faults = Wire.Try(
            Request.Worked().With("candidate.hosting.addOns[1].quantity", quantity).Deserialize<JsonElement>()
        ).Faults;
        faults
            .Select(fault => (fault.Code, fault.Where))
            .ShouldBe(accepted ? [] : [("out-of-range", "candidate.hosting.addOns[1].quantity")]);
    }

    private static JsonObject Later(int inMonths) =>
        Request
            .Worked()
            .With(
                "candidate.domains[0]",
                $$"""{ "route": "later", "book": "tidemarsh", "ending": "com", "inMonths": {{inMonths}}, "years": 1 }"""
            );
}
