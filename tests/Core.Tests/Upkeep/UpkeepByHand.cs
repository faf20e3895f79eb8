using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Upkeep;

namespace HomeStart.Core.Tests;

/// <summary>
/// Each rule of upkeep.md, worked out by hand on one small market: a host whose plan costs 120.00 the first year and
/// 240.00 later, a domain at 10.00 and 20.00, no tax but where it is said. The order is of 2027-01-01.
/// </summary>
public class UpkeepByHand
{
    [Fact]
    public void Renewals_come_on_their_days_at_the_later_price() =>
        Told("2029-01-01")
            .ShouldBe(["2027-01-01 charged 130.00", "2028-01-01 charged 260.00", "2029-01-01 charged 260.00"]);

    [Fact]
    public void A_card_that_stays_stopped_is_tried_four_times_and_then_all_is_lost_by_and_by() =>
        Told("2028-04-01", Card("2027-06-01", "stops"))
            .ShouldBe([
                "2027-01-01 charged 130.00",
                "2028-01-01 failed 260.00 1",
                "2028-01-01 domain:0 grace",
                "2028-01-02 failed 260.00 2",
                "2028-01-04 failed 260.00 3",
                "2028-01-08 failed 260.00 4",
                "2028-01-08 hosting suspended",
                "2028-01-22 hosting gone",
                "2028-01-31 domain:0 redemption",
                "2028-03-01 domain:0 pending",
                "2028-03-06 domain:0 gone",
            ]);

    [Fact]
    public void The_first_attempt_that_succeeds_pays_and_later_dates_stay() =>
        Told("2029-01-01", Card("2028-01-01", "stops"), Card("2028-01-03", "works"))
            .ShouldBe([
                "2027-01-01 charged 130.00",
                "2028-01-01 failed 260.00 1",
                "2028-01-01 domain:0 grace",
                "2028-01-02 failed 260.00 2",
                "2028-01-04 charged 260.00",
                "2028-01-04 domain:0 live",
                "2029-01-01 charged 260.00",
            ]);

    [Fact]
    public void Suspended_hosting_is_paid_until_the_day_it_would_be_gone() =>
        Told("2028-02-01", Card("2027-06-01", "stops"), Card("2028-01-22", "works"), Pay("2028-01-22", "hosting"))
            .Skip(7)
            .ShouldBe(["2028-01-22 charged 240.00", "2028-01-22 hosting live", "2028-01-31 domain:0 redemption"]);

    [Fact]
    public void A_day_later_it_is_too_late() =>
        Told("2028-01-23", Card("2027-06-01", "stops"), Card("2028-01-23", "works"), Pay("2028-01-23", "hosting"))
            .TakeLast(2)
            .ShouldBe(["2028-01-22 hosting gone", "2028-01-23 refused pay too-late"]);

    [Fact]
    public void On_the_day_redemption_would_begin_it_is_still_grace_and_a_day_later_costs_the_fee()
    {
        Told("2028-02-10", No("2027-06-01", "domain:0"), Pay("2028-01-31", "domain:0"))
            .ShouldBe([
                "2027-01-01 charged 130.00",
                "2028-01-01 charged 240.00",
                "2028-01-01 domain:0 grace",
                "2028-01-31 charged 20.00",
                "2028-01-31 domain:0 live",
            ]);
        Told("2028-02-10", No("2027-06-01", "domain:0"), Pay("2028-02-01", "domain:0"))
            .TakeLast(3)
            .ShouldBe(["2028-01-31 domain:0 redemption", "2028-02-01 charged 100.00", "2028-02-01 domain:0 live"]);
        Told("2028-03-02", No("2027-06-01", "domain:0"), Pay("2028-03-02", "domain:0"))
            .TakeLast(2)
            .ShouldBe(["2028-03-01 domain:0 pending", "2028-03-02 refused pay too-late"]);
    }

    [Fact]
    public void What_is_not_renewed_ends_on_its_day_and_can_be_paid_after_all() =>
        Told("2029-01-02", No("2027-06-01", "hosting"), Pay("2028-01-10", "hosting"))
            .ShouldBe([
                "2027-01-01 charged 130.00",
                "2028-01-01 charged 20.00",
                "2028-01-01 hosting ended",
                "2028-01-10 charged 240.00",
                "2028-01-10 hosting live",
                "2029-01-01 charged 20.00",
                "2029-01-01 hosting ended",
            ]);

    [Fact]
    public void Saying_no_while_a_bill_is_open_is_as_though_one_had_said_so_before()
    {
        Told("2028-01-05", Card("2027-06-01", "stops"), No("2028-01-02", "hosting"), Card("2028-01-03", "works"))
            .TakeLast(4)
            .ShouldBe([
                "2028-01-02 hosting ended",
                "2028-01-02 failed 20.00 2",
                "2028-01-04 charged 20.00",
                "2028-01-04 domain:0 live",
            ]);
        Told("2028-01-05", Card("2027-06-01", "stops"), No("2028-01-02", "domain:0"), Card("2028-01-03", "works"))
            .TakeLast(2)
            .ShouldBe(["2028-01-02 failed 240.00 2", "2028-01-04 charged 240.00"]);
        Told(
            "2028-01-05",
            Card("2027-06-01", "stops"),
            new { on = "2028-01-02", @do = "leave" },
            Card("2028-01-03", "works")
        )[^3]
            .ShouldBe("2028-01-02 failed 20.00 2");
    }

    [Fact]
    public void Hosting_that_is_committed_to_renews_whatever_the_owner_says()
    {
        // Paid monthly, committed to for three months: two more bills come, and on the fourth day it ends.
        var monthly = Market()
            .With("candidate.hosting.everyMonths", "1")
            .With("candidate.hosting.commitMonths", "3")
            .With("candidate.domains", "[]");
        Told(monthly, "2027-05-01", No("2027-01-02", "hosting"))
            .ShouldBe([
                "2027-01-01 charged 12.00",
                "2027-02-01 charged 12.00",
                "2027-03-01 charged 12.00",
                "2027-04-01 hosting ended",
                "2027-04-22 hosting gone",
            ]);
        Told(monthly, "2027-02-03", Card("2027-01-02", "stops"), No("2027-02-02", "hosting"))
            .ShouldBe(["2027-01-01 charged 12.00", "2027-02-01 failed 12.00 1", "2027-02-02 failed 12.00 2"]);
    }

    [Fact]
    public void Giving_back_on_the_last_day_returns_the_hosting_and_a_day_later_only_stops_it()
    {
        Told("2027-02-01", Leave("2027-01-31"))
            .ShouldBe(["2027-01-01 charged 130.00", "2027-01-31 refunded 120.00", "2027-01-31 hosting left"]);
        Told("2027-02-02", Leave("2027-02-01"), Leave("2027-02-02"))
            .ShouldBe(["2027-01-01 charged 130.00", "2027-02-02 refused leave same"]);
        Told(Market().With("books[0].refund.excludes", "[]"), "2027-02-01", Leave("2027-01-31"))
            .ShouldBe([
                "2027-01-01 charged 130.00",
                "2027-01-31 refunded 130.00",
                "2027-01-31 hosting left",
                "2027-01-31 domain:0 left",
            ]);
        Told(Market().With("books[0].refund.minCommitMonths", "13"), "2027-02-01", Leave("2027-01-31"))
            .ShouldBe(["2027-01-01 charged 130.00"]);
        Told(Market().With("books[0].refund.days", "0"), "2027-02-01", Leave("2027-01-02"))
            .ShouldBe(["2027-01-01 charged 130.00"]);
        Told("2027-02-03", Leave("2027-01-05"), Leave("2027-01-06"), Change("2027-01-07", "big", 12))
            .TakeLast(2)
            .ShouldBe(["2027-01-06 refused leave not-live", "2027-01-07 refused change not-live"]);
    }

    [Fact]
    public void A_year_of_the_domain_that_was_given_is_taken_off_and_then_the_domain_stays()
    {
        var given = Given()
            .With("books[0].refund.deductsIncludedDomain", "true")
            .With("books[0].refund.excludes", "[]");
        Told(given, "2027-01-10", Leave("2027-01-10"))
            .ShouldBe(["2027-01-01 charged 120.00", "2027-01-10 refunded 110.00", "2027-01-10 hosting left"]);
        Told(given.With("books[0].refund.deductsIncludedDomain", "false"), "2027-01-10", Leave("2027-01-10"))
            .ShouldBe([
                "2027-01-01 charged 120.00",
                "2027-01-10 refunded 120.00",
                "2027-01-10 hosting left",
                "2027-01-10 domain:0 left",
            ]);
    }

    [Fact]
    public void A_change_credits_the_days_that_are_left_and_takes_the_last_price()
    {
        // 184 of 365 days of 120.00 are left on 1 July: 60.49. The big plan costs 360.00 at its later price.
        Told("2028-07-01", Change("2027-07-01", "big", 12))
            .ShouldBe([
                "2027-01-01 charged 130.00",
                "2027-07-01 charged 299.51",
                "2028-01-01 charged 20.00",
                "2028-07-01 charged 360.00",
            ]);
        Told(Market().With("books[0].change.firstPrice", "true"), "2028-07-01", Change("2027-07-01", "big", 12))[1]
            .ShouldBe("2027-07-01 charged 119.51");
        Told(
            Market().With("books[0].change.firstPrice", "true"),
            "2027-07-02",
            Change("2027-07-01", "big", 12),
            Change("2027-07-02", "small", 12)
        )[2]
            .ShouldBe("2027-07-02 charged 60.49"); // 240.00, less 364 of 365 days of 180.00.
        Told(Market().With("books[0].change", "null"), "2027-07-01", Change("2027-07-01", "big", 12))[1]
            .ShouldBe("2027-07-01 charged 360.00 assumed");
        Told("2027-07-01", Change("2027-07-01", "small", 12))[1].ShouldBe("2027-07-01 refused change same");
        Told("2027-07-01", Change("2027-07-01", "none", 12))[1].ShouldBe("2027-07-01 refused change unknown");
        Told("2027-07-01", Card("2027-06-01", "stops"), Change("2027-07-01", "big", 12))[1]
            .ShouldBe("2027-07-01 refused change card-stopped");
        Told("2028-01-02", Card("2027-06-01", "stops"), Change("2028-01-02", "big", 12))[3]
            .ShouldBe("2028-01-02 refused change open-bill");
    }

    [Fact]
    public void What_is_left_over_goes_into_the_balance_and_pays_first()
    {
        // From the big plan at 180.00 to a month of the small one on 1 July: 90.74 are credited, 25.00 charged.
        var big = Market().With("candidate.hosting.plan", "\"big\"");
        Told(big, "2027-10-01", Change("2027-07-01", "small", 1))
            .ShouldBe([
                "2027-01-01 charged 190.00",
                "2027-07-01 credited 65.74",
                "2027-08-01 charged 25.00 (25.00)",
                "2027-09-01 charged 25.00 (25.00)",
                "2027-10-01 charged 25.00 (15.74)",
            ]);
        Told(big, "2027-09-01", Change("2027-07-01", "small", 1), Card("2027-07-02", "stops"))
            .TakeLast(2)
            .ShouldBe(["2027-08-01 charged 25.00 (25.00)", "2027-09-01 charged 25.00 (25.00)"]);
        var years = Run(big, "2027-08-01", Change("2027-07-01", "small", 1));
        (years.Balances["host"].ToString(), years.Paid.Single().ToString(), years.Holdings[0].PaidUntil).ShouldBe(
            ("40.74 GBP", "190.00 GBP", new DateOnly(2027, 9, 1))
        );
    }

    [Fact]
    public void An_extra_bought_later_is_paid_by_days_and_then_with_the_plan()
    {
        // 184 of 365 days of 12 × 2.00, twice: 24.20; a year's certificate from the day on; a once-only set-up.
        Told(
                "2028-07-01",
                Add("2027-07-01", "backup", 2),
                Add("2027-07-01", "certificate", 1),
                Add("2027-07-01", "tour", 1)
            )
            .ShouldBe([
                "2027-01-01 charged 130.00",
                "2027-07-01 charged 24.20",
                "2027-07-01 charged 50.00",
                "2027-07-01 charged 9.00",
                "2028-01-01 charged 308.00",
                "2028-07-01 charged 50.00",
            ]);
        Told("2028-01-01", Add("2027-07-01", "backup", 1), Drop("2027-08-01", "backup"))
            .ShouldBe(["2027-01-01 charged 130.00", "2027-07-01 charged 12.10", "2028-01-01 charged 260.00"]);
        Told("2028-01-01", Add("2028-01-01", "backup", 1))
            // A decision comes before the renewal of its day.
            .ShouldBe(["2027-01-01 charged 130.00", "2028-01-01 charged 24.00", "2028-01-01 charged 260.00"]);
        Told(
            Market().With("books[0].addOns[0].priceIfBoughtLater", "\"3.00\""),
            "2027-07-01",
            Add("2027-07-01", "backup", 1)
        )[1]
            .ShouldBe("2027-07-01 charged 18.15");
        Told("2027-07-01", Add("2027-07-01", "nothing", 1), Drop("2027-07-01", "backup"))
            .TakeLast(2)
            .ShouldBe(["2027-07-01 refused add unknown", "2027-07-01 refused drop unknown"]);
    }

    [Fact]
    public void An_extra_goes_with_a_change_in_all_its_units_and_is_credited_only_while_it_is_had()
    {
        // 184 days of 120.00 (60.49) and of 2 × 24.00 (24.20) come back; 360.00 and 2 × 24.00 are due.
        var twice = Market().With("candidate.hosting.addOns", "[{\"id\":\"backup\",\"quantity\":2}]");
        Told(twice, "2027-07-01", Change("2027-07-01", "big", 12))[1].ShouldBe("2027-07-01 charged 323.31");
        Told(twice, "2027-07-01", Drop("2027-06-30", "backup"), Change("2027-07-01", "big", 12))[1]
            .ShouldBe("2027-07-01 charged 299.51");
        Told(twice.With("books[0].plans[1].includes", "[\"backup\"]"), "2027-07-01", Change("2027-07-01", "big", 12))[1]
            .ShouldBe("2027-07-01 charged 299.31"); // One of the two is held by the big plan.
        Run(twice, "2027-07-01", Change("2027-07-01", "big", 12))
            .Happened[^1]
            .ShouldBeOfType<Charged>()
            .Lines.Select(line => $"{line.Kind} {line.Ref} {Amount(line.Amount)}")
            .ShouldBe([
                "Plan big 360.00",
                "AddOn backup 0.00",
                "AddOn backup 24.00",
                "Credit small -60.49",
                "Credit backup -24.20",
            ]);
    }

    [Fact]
    public void The_domain_year_that_is_given_stands_only_while_hosting_lasts()
    {
        var yearly = Given().With("books[0].plans[0].includedDomain.everyYear", "true");
        Told(yearly, "2028-01-01")[1].ShouldBe("2028-01-01 charged 240.00"); // In the same bill as the hosting.
        Told(yearly, "2028-01-01", No("2027-06-01", "hosting"))[1].ShouldBe("2028-01-01 charged 20.00");
        Told(yearly, "2028-01-03", Card("2027-06-01", "stops"), No("2028-01-02", "hosting"))[^1]
            .ShouldBe("2028-01-02 failed 20.00 2"); // Judged anew at each attempt.
        // The big plan gives none.
        Told(yearly, "2028-01-01", Change("2027-07-01", "big", 12))[2].ShouldBe("2028-01-01 charged 20.00");
    }

    [Fact]
    public void An_allowance_that_nobody_took_is_claimed_once_and_in_time()
    {
        var open = Given().With("candidate.domains", "[]");
        Told(open, "2028-03-01", Claim("2027-03-01", "later"))
            .ShouldBe([
                "2027-01-01 charged 120.00",
                "2027-03-01 domain:0 live",
                "2028-01-01 charged 240.00",
                "2028-03-01 charged 20.00",
            ]);
        Told(open, "2027-03-02", Claim("2027-03-01", "later"), Claim("2027-03-02", "more"))
            .TakeLast(2)
            .ShouldBe(["2027-03-02 charged 10.00", "2027-03-02 domain:1 live"]);
        Told(open, "2028-01-01", Claim("2028-01-01", "later"))[1].ShouldBe("2028-01-01 charged 10.00");
        Told(open, "2027-12-31", Claim("2027-12-31", "later"))[1].ShouldBe("2027-12-31 domain:0 live");
        Told(open, "2027-03-02", Claim("2027-03-01", "later"), Claim("2027-03-02", "LATER"))[^1]
            .ShouldBe("2027-03-02 refused claim same");
        Told(open, "2027-03-01", Claim("2027-03-01", "later", "nowhere"))[^1]
            .ShouldBe("2027-03-01 refused claim unknown");
        // The order's own domain took it.
        Told(Given(), "2027-03-01", Claim("2027-03-01", "later"))[1].ShouldBe("2027-03-01 charged 10.00");
        Told(Market(), "2027-03-02", Card("2027-03-01", "stops"), Claim("2027-03-02", "later"))[^1]
            .ShouldBe("2027-03-02 refused claim card-stopped");
    }

    [Fact]
    public void Each_renewal_of_a_claimed_name_takes_the_domain_year_that_is_free_on_its_day()
    {
        // A domain-year every year from 1 January: claimed on 1 March, its renewals take those of 2028 and 2029, so
        // that only the hosting is paid.
        var yearly = Given().With("candidate.domains", "[]").With("books[0].plans[0].includedDomain.everyYear", "true");
        Told(yearly, "2029-03-01", Claim("2027-03-01", "later"))
            .ShouldBe([
                "2027-01-01 charged 120.00",
                "2027-03-01 domain:0 live",
                "2028-01-01 charged 240.00",
                "2029-01-01 charged 240.00",
            ]);

        // Two names, one domain-year: the one claimed first has it at its renewal; the other is paid whole.
        Told(yearly, "2028-03-02", Claim("2027-03-01", "later"), Claim("2027-03-01", "more"))
            .ShouldBe([
                "2027-01-01 charged 120.00",
                "2027-03-01 domain:0 live",
                "2027-03-01 charged 10.00",
                "2027-03-01 domain:1 live",
                "2028-01-01 charged 240.00",
                "2028-03-01 charged 20.00",
            ]);

        // A new name claimed earlier in the year takes it before the renewal does.
        Told(yearly, "2028-03-01", Claim("2027-03-01", "later"), Claim("2028-02-01", "more"))
            .TakeLast(2)
            .ShouldBe(["2028-02-01 domain:1 live", "2028-03-01 charged 20.00"]);

        // Not of hosting that ended, nor of a plan that gives none, nor at another seller.
        Told(yearly, "2028-03-01", Claim("2027-03-01", "later"), No("2027-06-01", "hosting"))[^1]
            .ShouldBe("2028-03-01 charged 20.00");
        Told(yearly, "2028-03-01", Claim("2027-03-01", "later"), Change("2027-07-01", "big", 12))[^1]
            .ShouldBe("2028-03-01 charged 20.00");
        Told(Given().With("candidate.domains", "[]"), "2028-03-01", Claim("2027-03-01", "later"))[^1]
            .ShouldBe("2028-03-01 charged 20.00"); // One domain-year alone, and it is used.

        // While the hosting's own bill is open it is not paid beyond the day: the renewal is charged whole. In one bill
        // with the hosting it is not.
        Told(yearly, "2028-01-02", Claim("2027-01-02", "later"), Card("2028-01-01", "stops"))[2..]
            .ShouldBe([
                "2028-01-01 failed 240.00 1",
                "2028-01-02 failed 240.00 2",
                "2028-01-02 failed 20.00 1",
                "2028-01-02 domain:0 grace",
            ]);
        // Nothing is asked of the card for it.
        Told(yearly, "2028-03-01", Claim("2027-03-01", "later"), Card("2028-02-01", "stops")).Count.ShouldBe(3);
    }

    [Fact]
    public void Decisions_that_say_what_is_so_already_or_name_what_is_not_there_are_refused() =>
        Told(
                "2027-03-01",
                Card("2027-02-01", "works"),
                new
                {
                    on = "2027-02-01",
                    @do = "renewing",
                    holding = "hosting",
                    value = true,
                },
                No("2027-02-01", "domain:7"),
                Pay("2027-02-01", "hosting"),
                Pay("2027-02-01", "domain:7")
            )
            .Skip(1)
            .ShouldBe([
                "2027-02-01 refused card same",
                "2027-02-01 refused renewing same",
                "2027-02-01 refused renewing unknown",
                "2027-02-01 refused pay nothing-to-pay",
                "2027-02-01 refused pay unknown",
            ]);

    [Fact]
    public void Without_hosting_what_is_about_hosting_is_unknown() =>
        Told(
                Market().With("candidate.hosting", "null"),
                "2027-03-01",
                Leave("2027-02-01"),
                Change("2027-02-01", "big", 12),
                Add("2027-02-01", "backup", 1),
                Drop("2027-02-01", "backup")
            )
            .ShouldBe([
                "2027-01-01 charged 10.00",
                "2027-02-01 refused leave unknown",
                "2027-02-01 refused change unknown",
                "2027-02-01 refused add unknown",
                "2027-02-01 refused drop unknown",
            ]);

    [Fact]
    public void States_of_no_days_are_passed_over_and_what_the_book_does_not_say_is_said_to_be_assumed()
    {
        Told(Market().With("books[0].domains[0].lapse.graceDays", "0"), "2028-01-31", No("2027-06-01", "domain:0"))
            .TakeLast(2)
            .ShouldBe(["2028-01-01 domain:0 redemption", "2028-01-31 domain:0 pending"]);
        Told(
            Market()
                .With(
                    "books[0].domains[0].lapse",
                    "{\"graceDays\":0,\"redemptionDays\":0,\"pendingDays\":0,\"redemptionFee\":\"1\"}"
                ),
            "2028-01-31",
            No("2027-06-01", "domain:0")
        )[^1]
            .ShouldBe("2028-01-01 domain:0 gone");
        Told(
            Market().With("books[0].domains[0].lapse.redemptionFee", "null"),
            "2028-01-01",
            No("2027-06-01", "domain:0")
        )[^1]
            .ShouldBe("2028-01-01 domain:0 grace assumed");
        Told(Market().With("books[0].domains[0].lapse.graceDays", "3"), "2028-01-08", Card("2027-06-01", "stops"))
            .TakeLast(4)
            .ShouldBe([
                "2028-01-04 failed 260.00 3",
                "2028-01-04 domain:0 redemption",
                "2028-01-08 failed 240.00 4",
                "2028-01-08 hosting suspended",
            ]);
    }

    [Theory]
    [InlineData("until", "\"2026-12-31\"", "until", "out-of-range")]
    [InlineData("until", "\"2037-01-02\"", "until", "out-of-range")]
    [InlineData("until", "(absent)", "until", "required")]
    [InlineData("until", "\"soon\"", "until", "bad-date")]
    [InlineData("decisions[0].on", "\"2027-01-01\"", "decisions[0].on", "out-of-range")]
    [InlineData("decisions[0].on", "\"2028-01-02\"", "decisions[0].on", "out-of-range")]
    [InlineData("decisions[0].on", "(absent)", "decisions[0].on", "required")]
    [InlineData("decisions[0].do", "\"dance\"", "decisions[0].do", "unknown")]
    [InlineData("decisions[0].do", "(absent)", "decisions[0].do", "required")]
    [InlineData("decisions[0]", "7", "decisions[0]", "bad-type")]
    [InlineData(
        "decisions[0]",
        "{\"on\":\"2027-02-01\",\"do\":\"card\",\"value\":\"sings\"}",
        "decisions[0].value",
        "unknown"
    )]
    [InlineData(
        "decisions[0]",
        "{\"on\":\"2027-02-01\",\"do\":\"renewing\",\"holding\":\"hosting\",\"value\":\"yes\"}",
        "decisions[0].value",
        "bad-type"
    )]
    [InlineData(
        "decisions[0]",
        "{\"on\":\"2027-02-01\",\"do\":\"add\",\"extra\":\"backup\",\"quantity\":0}",
        "decisions[0].quantity",
        "out-of-range"
    )]
    [InlineData(
        "decisions[0]",
        "{\"on\":\"2027-02-01\",\"do\":\"add\",\"extra\":\"backup\",\"quantity\":10001}",
        "decisions[0].quantity",
        "out-of-range"
    )]
    [InlineData(
        "decisions[0]",
        "{\"on\":\"2027-02-01\",\"do\":\"claim\",\"domain\":{\"book\":\"host\",\"name\":\"a\",\"ending\":\"com\",\"years\":11}}",
        "decisions[0].domain.years",
        "out-of-range"
    )]
    [InlineData("decisions[0]", "{\"on\":\"2027-02-01\",\"do\":\"claim\"}", "decisions[0].domain", "required")]
    [InlineData(
        "decisions[0]",
        "{\"on\":\"2027-02-01\",\"do\":\"change\",\"plan\":\"big\"}",
        "decisions[0].everyMonths",
        "required"
    )]
    public void What_cannot_be_read_is_said_at_its_place(string path, string json, string where, string code)
    {
        var request = Ask(Market(), "2028-01-01", Leave("2027-02-01")).With(path, json);
        var faults = new FaultList();
        var read = UpkeepRequestReader.Read(request.Deserialize<JsonElement>(), [], faults);
        (read is null || faults.Any).ShouldBeTrue();
        (faults.Faults[0].Where, faults.Faults[0].Code).ShouldBe((where, code));
        Years
            .Run(read!.Costing.Candidate, read.Costing.Books, read.Costing.Settings, read.Until, read.Decisions, faults)
            .Value.ShouldBeNull();
    }

    internal static JsonObject Market() =>
        JsonNode
            .Parse(
                """
                {
                  "books": [{
                    "format": "home-start/offer-book@1", "id": "host", "provider": { "name": "Host" }, "asOf": "2026-11-01", "currency": "GBP",
                    "plans": [
                      { "id": "small", "name": "Small", "billing": [{ "everyMonths": 1, "prices": [{ "periods": 1, "amount": "15.00" }, { "amount": "25.00" }] }, { "everyMonths": 1, "commitMonths": 3, "prices": [{ "amount": "12.00" }] }, { "everyMonths": 12, "prices": [{ "periods": 1, "amount": "120.00" }, { "amount": "240.00" }] }] },
                      { "id": "big", "name": "Big", "billing": [{ "everyMonths": 12, "prices": [{ "periods": 1, "amount": "180.00" }, { "amount": "360.00" }] }] }],
                    "addOns": [
                      { "id": "backup", "name": "Backup", "for": "hosting", "charge": { "every": "month", "prices": [{ "amount": "2.00" }] } },
                      { "id": "certificate", "name": "Certificate", "for": "hosting", "charge": { "every": "year", "prices": [{ "periods": 1, "amount": "5.00" }, { "amount": "50.00" }] } },
                      { "id": "tour", "name": "Tour", "for": "hosting", "charge": { "every": "once", "prices": [{ "amount": "9.00" }] } }],
                    "domains": [{ "ending": "com", "register": "10.00", "renew": "20.00", "maxYears": 10, "lapse": { "graceDays": 30, "redemptionDays": 30, "redemptionFee": "80.00", "pendingDays": 5 } }],
                    "refund": { "days": 30, "excludes": ["domain"] },
                    "change": { "credit": "days", "firstPrice": false }
                  }],
                  "startDate": "2027-01-01", "horizonMonths": 36,
                  "candidate": { "hosting": { "book": "host", "plan": "small", "everyMonths": 12 }, "domains": [{ "route": "register", "book": "host", "name": "clocks", "ending": "com" }] }
                }
                """
            )!
            .AsObject();

    // The small plan gives a year of a domain.
    internal static JsonObject Given() =>
        Market().With("books[0].plans[0].includedDomain", "{\"minCommitMonths\":12,\"endings\":[\"com\"]}");

    private static object Card(string on, string value) =>
        new
        {
            on,
            @do = "card",
            value,
        };

    private static object No(string on, string holding) =>
        new
        {
            on,
            @do = "renewing",
            holding,
            value = false,
        };

    private static object Pay(string on, string holding) =>
        new
        {
            on,
            @do = "pay",
            holding,
        };

    private static object Leave(string on) => new { on, @do = "leave" };

    private static object Change(string on, string plan, int everyMonths) =>
        new
        {
            on,
            @do = "change",
            plan,
            everyMonths,
        };

    private static object Add(string on, string extra, int quantity) =>
        new
        {
            on,
            @do = "add",
            extra,
            quantity,
        };

    private static object Drop(string on, string extra) =>
        new
        {
            on,
            @do = "drop",
            extra,
        };

    private static object Claim(string on, string name, string ending = "com") =>
        new
        {
            on,
            @do = "claim",
            domain = new
            {
                book = "host",
                name,
                ending,
            },
        };

    internal static JsonObject Ask(JsonObject market, string until, params object[] decisions)
    {
        var request = market.DeepClone().AsObject();
        request["until"] = until;
        request["decisions"] = JsonSerializer.SerializeToNode(decisions);
        return request;
    }

    private static UpkeepYears Run(JsonObject market, string until, params object[] decisions) =>
        UpkeepExamples.Run(Ask(market, until, decisions).Deserialize<JsonElement>());

    private static List<string> Told(string until, params object[] decisions) => Told(Market(), until, decisions);

    private static List<string> Told(JsonObject market, string until, params object[] decisions) =>
        [
            .. Run(market, until, decisions)
                .Happened.Select(happening =>
                    $"{happening.On:yyyy-MM-dd} "
                    + happening switch
                    {
                        Charged charged => $"charged {Amount(charged.Total)}"
                            + $"{(charged.FromBalance > 0 ? $" ({Amount(charged.FromBalance)})" : "")}"
                            + $"{(charged.IsAssumed ? " assumed" : "")}",
                        Failed failed => $"failed {Amount(failed.Total)} {failed.Attempt}",
                        StateChanged state => $"{state.Holding} {state.State.ToString().ToLowerInvariant()}"
                            + $"{(state.IsAssumed ? " assumed" : "")}",
                        Refunded refunded => $"refunded {Amount(refunded.Total)}",
                        Credited credited => $"credited {Amount(credited.Total)}",
                        Refused refused => $"refused {refused.Do} "
                            + $"{JsonNamingPolicy.KebabCaseLower.ConvertName(refused.Reason.ToString())}",
                        _ => "?",
                    }
                ),
        ];

    private static string Amount(Minor units) => new Money(units, Currency.Get("GBP")).ToAmount();
}
