using System.Collections.Immutable;
using System.Text.Json.Nodes;

namespace HomeStart.Core.Tests;

/// <summary>
/// What is said in advance, worked out by hand on the small market of <see cref="UpkeepByHand"/>: 120.00 and 240.00 for
/// hosting, 10.00 and 20.00 for the domain, on 2027-01-01.
/// </summary>
public class ForeseeingTests
{
    private static readonly DateOnly Spring = new(2027, 3, 1);

    [Fact]
    public void Each_holding_says_what_was_paid_first_and_what_comes_next()
    {
        var outlook = Look(Spring);
        outlook
            .Holdings.Select(held =>
                $"{held.Held.Holding} {held.Held.PaidUntil:yyyy-MM-dd} {held.First!.Amount} {held.First.Months} "
                + $"→ {held.Next!.On:yyyy-MM-dd} {held.Next.Amount} {held.Next.Months} "
                + $"{held.Next.IsDearerThan(held.First)}"
            )
            .ShouldBe([
                "hosting 2028-01-01 120.00 GBP 12 → 2028-01-01 240.00 GBP 12 True",
                "domain:0 2028-01-01 10.00 GBP 12 → 2028-01-01 20.00 GBP 12 True",
            ]);
        // Three renewals of both, on 1 January 2028, 2029 and 2030; the first of March 2030 is beyond.
        Said(outlook.Staying).ShouldBe("780.00");
        outlook.End.ShouldBe(new DateOnly(2030, 3, 1));
    }

    // What is decided on the day of the order counts from the next day on; it is decided all the same.
    [Fact]
    public void A_renewing_that_is_decided_and_does_not_count_yet_is_said_with_its_day()
    {
        var (start, next) = (new DateOnly(2027, 1, 1), new DateOnly(2027, 1, 2));
        Planned(Look(start)).ShouldBe([null, null]);
        Planned(Look(start, decisions: new SetRenewing(next, "hosting", false)))
            .ShouldBe([new RenewalPlan(false, next), null]);
        Planned(
                Look(
                    start,
                    decisions: [new SetRenewing(next, "hosting", false), new SetRenewing(next, "hosting", true)]
                )
            )
            .ShouldBe([null, null]); // Taken back: as it was.
        var counts = Look(next, decisions: new SetRenewing(next, "hosting", false));
        Planned(counts).ShouldBe([null, null]);
        counts.Holdings[0].Held.Renews.ShouldBeFalse();

        static IEnumerable<RenewalPlan?> Planned(Outlook outlook) =>
            outlook.Holdings.Select(holding => holding.Planned);
    }

    [Fact]
    public void What_is_due_on_the_last_day_of_the_horizon_is_beyond_it()
    {
        Said(Look(new DateOnly(2027, 1, 1)).Staying).ShouldBe("520.00"); // 1 January 2030 is not in it.
        Said(Look(new DateOnly(2027, 1, 2)).Staying).ShouldBe("780.00");
    }

    [Fact]
    public void A_price_is_dearer_by_the_month_and_never_across_currencies()
    {
        var (pounds, euros) = (Currency.Get("GBP"), Currency.Get("EUR"));
        Paying Of(int units, int months, Currency currency) =>
            new(Spring, new Money(units, currency), months, IsAtLeast: false);
        Of(1_300, 1, pounds).IsDearerThan(Of(14_400, 12, pounds)).ShouldBeTrue();
        Of(1_200, 1, pounds).IsDearerThan(Of(14_400, 12, pounds)).ShouldBeFalse();
        Of(1_100, 1, pounds).IsDearerThan(Of(14_400, 12, pounds)).ShouldBeFalse();
        Of(9_900, 1, euros).IsDearerThan(Of(100, 12, pounds)).ShouldBeFalse();
    }

    [Fact]
    public void Notices_come_by_their_day_each_with_what_it_is_worth()
    {
        var outlook = Look(new DateOnly(2027, 1, 10));
        Told(outlook, new DateOnly(2027, 12, 31), new() { ["clocks.com"] = new DateOnly(2027, 1, 16) })
            .ShouldBe([
                "2027-01-16 HolderNotConfirmed domain:0",
                "2027-01-31 GiveBack hosting 120.00",
                "2027-12-31 CardExpires 260.00 2028-01-01",
                "2028-01-01 PriceStep hosting 240.00 after 120.00",
                "2028-01-01 PriceStep domain:0 20.00 after 10.00",
            ]);
        Told(Look(new DateOnly(2027, 2, 1)), new DateOnly(2028, 1, 1))
            .ShouldContain("2028-01-01 CardExpires 260.00 2029-01-01"); // A card is good on its last day.
        Told(Look(new DateOnly(2027, 2, 1)), new DateOnly(2030, 1, 1))
            .ShouldBe([
                "2028-01-01 PriceStep hosting 240.00 after 120.00",
                "2028-01-01 PriceStep domain:0 20.00 after 10.00",
            ]);
        Told(Look(new DateOnly(2027, 2, 1), payer: new PaidBy(null, null)), null)
            .ShouldContain("2028-01-01 NoCard 260.00");
    }

    [Fact]
    public void A_price_that_has_stepped_up_is_no_news_any_more() =>
        Told(Look(new DateOnly(2028, 3, 1)), null)
            .ShouldNotContain(notice => notice.Contains("PriceStep", StringComparison.Ordinal));

    [Fact]
    public void The_last_day_to_give_it_back_is_said_until_it_is_over()
    {
        Told(Look(new DateOnly(2027, 1, 31)), null).ShouldContain("2027-01-31 GiveBack hosting 120.00");
        Told(Look(new DateOnly(2027, 2, 1)), null)
            .ShouldNotContain(notice => notice.Contains("GiveBack", StringComparison.Ordinal));
        Told(Look(new DateOnly(2027, 1, 1)), null).ShouldContain("2027-01-31 GiveBack hosting 120.00");
    }

    [Fact]
    public void A_bill_that_could_not_be_paid_says_when_it_is_tried_again_and_what_is_lost_by_when()
    {
        var outlook = Look(new DateOnly(2028, 1, 3), decisions: new SetCard(new DateOnly(2027, 6, 1), Works: false));
        Told(outlook, null)
            .ShouldBe([
                "2028-01-04 Unpaid 260.00 2028-01-01",
                "2028-01-08 Losing hosting 240.00 Suspended",
                "2028-01-31 Losing domain:0 20.00 Redemption",
            ]);
        var later = Look(new DateOnly(2028, 2, 1), decisions: new SetCard(new DateOnly(2027, 6, 1), Works: false));
        Told(later, null).ShouldBe(["2028-03-01 Losing domain:0 100.00 Pending"]);
    }

    [Fact]
    public void What_does_not_renew_says_so_and_when_it_ends() =>
        Told(Look(Spring, decisions: new SetRenewing(new DateOnly(2027, 2, 1), "domain:0", Value: false)), null)
            .ShouldContain("2028-01-01 Ends domain:0 Grace");

    [Fact]
    public void A_commitment_says_the_last_day_to_stop_it_and_what_comes_else()
    {
        var market = UpkeepByHand.Market();
        (market["candidate"]!["hosting"]!["everyMonths"], market["candidate"]!["hosting"]!["commitMonths"]) = (1, 3);
        Told(Look(new DateOnly(2027, 1, 20), market), null).ShouldContain("2027-04-01 CommitmentEnds hosting 12.00");
        Told(Look(new DateOnly(2027, 4, 1), market), null)
            .ShouldNotContain(notice => notice.Contains("CommitmentEnds", StringComparison.Ordinal));
    }

    [Fact]
    public void Domain_and_hosting_that_never_fall_due_together_are_told_apart()
    {
        Told(Look(Spring), null).ShouldNotContain(notice => notice.Contains("Apart", StringComparison.Ordinal));
        Told(Look(new DateOnly(2027, 5, 1), decisions: new ChangePlan(new DateOnly(2027, 4, 15), "big", 12, 12)), null)
            .ShouldContain("2028-01-01 Apart domain:0 2028-04-15");
        Told(Look(new DateOnly(2027, 5, 20), decisions: new ChangePlan(new DateOnly(2027, 4, 1), "small", 1, 1)), null)
            // Paid each month on the first, as the domain is.
            .ShouldNotContain(notice => notice.Contains("Apart", StringComparison.Ordinal));
    }

    [Fact]
    public void A_decision_shows_what_is_due_then_each_year_and_all_of_it_against_leaving_things_as_they_are()
    {
        // On 2 July 183 of 365 days are left of the 120.00: a credit of 60.16 against the 360.00 of the larger plan at
        // its later price.
        var effect = Effect.WorkOut(
            Look(new DateOnly(2027, 7, 2)),
            new ChangePlan(new DateOnly(2027, 7, 2), "big", 12, 12)
        );
        effect.Refused.ShouldBeNull();
        Said(effect.DueThen).ShouldBe("299.84");
        effect
            .Years.Select(year => $"{year.From:yyyy-MM-dd} {Said(year.Then)} {Said(year.Staying)}")
            .ShouldBe(["2027-07-02 319.84 260.00", "2028-07-02 380.00 260.00", "2029-07-02 380.00 260.00"]);
        (Said(effect.Horizon), Said(effect.Difference)).ShouldBe(("1079.84", "299.84"));
        effect.IsAssumed.ShouldBeFalse();
    }

    [Fact]
    public void A_decision_for_a_later_day_is_shown_as_it_would_be_then()
    {
        var effect = Effect.WorkOut(Look(Spring), new ChangePlan(new DateOnly(2028, 1, 1), "big", 12, 12));
        Said(effect.DueThen).ShouldBe("360.00"); // The renewal of the smaller plan does not come any more.
        effect.On.ShouldBe(new DateOnly(2028, 1, 1));
        Said(effect.Difference).ShouldBe("360.00"); // 120.00 more on each of three days.
    }

    [Fact]
    public void What_cannot_be_done_says_why_and_changes_nothing()
    {
        var effect = Effect.WorkOut(Look(Spring), new PayMissed(Spring, "hosting"));
        effect.Refused.ShouldBe(RefusalReason.NothingToPay);
        effect.Difference.Amounts.Values.ShouldAllBe(money => money.Units == 0);
    }

    [Fact]
    public void Leaving_shows_what_comes_back_and_what_is_saved()
    {
        var effect = Effect.WorkOut(Look(new DateOnly(2027, 1, 20)), new Leave(new DateOnly(2027, 1, 20)));
        Said(effect.DueThen).ShouldBe("-120.00");
        Said(effect.Difference).ShouldBe("-840.00"); // The refund, and three renewals at 240.00.
        effect
            .States.Select(state => $"{state.On:yyyy-MM-dd} {state.Holding} {state.State}")
            .ShouldBe(["2027-01-20 hosting Left"]);
    }

    [Fact]
    public void An_extra_bought_later_can_be_held_against_one_bought_at_once()
    {
        var outlook = Look(new DateOnly(2027, 7, 2));
        // 50.00 on three second of Julys.
        Said(Effect.WorkOut(outlook, new AddExtra(outlook.DecidingOn, "certificate", 1)).Difference)
            .ShouldBe("150.00");
        // 5.00 and then 50.00 on three first of Januarys.
        Said(LateExtra.FromTheStart(outlook, "certificate").ShouldNotBeNull()).ShouldBe("155.00");
        LateExtra.FromTheStart(outlook, "no-such").ShouldBeNull();
    }

    [Fact]
    public void Letting_it_lapse_goes_state_by_state_each_with_what_coming_back_costs()
    {
        var outlook = Look(Spring);
        Steps(outlook, "domain:0")
            .ShouldBe([
                "2028-01-01 Grace 20.00",
                "2028-01-31 Redemption 100.00",
                "2028-03-01 Pending none",
                "2028-03-06 Gone none",
            ]);
        Steps(outlook, "hosting").ShouldBe(["2028-01-01 Ended 240.00", "2028-01-22 Gone none"]);
        outlook.Book.Decisions.ShouldBeEmpty(); // Looking decides nothing.
    }

    [Fact]
    public void An_allowance_says_who_takes_it_and_where_it_saves_most()
    {
        var market = UpkeepByHand.Given().With("books[0].plans[0].includedDomain.everyYear", "true");
        var taken = Allowance.ListAll(Look(Spring, market));
        taken
            .Select(allowance =>
                $"{allowance.From:yyyy-MM-dd} {allowance.LastDay:yyyy-MM-dd} {allowance.TakenBy} "
                + $"{allowance.SavesThere?.ToAmount()}"
            )
            .ShouldBe([
                "2027-01-01 2027-12-31 clocks.com 10.00",
                "2028-01-01 2028-12-31 clocks.com 20.00",
                "2029-01-01 2029-12-31 clocks.com 20.00",
                "2030-01-01 2030-12-31 clocks.com 20.00",
            ]);

        // Where the domain is had elsewhere, the years are there for new names.
        var elsewhere = DayKeeperTests
            .TwoSellers()
            .With(
                "books[0].plans[0].includedDomain",
                "{\"minCommitMonths\":12,\"endings\":[\"com\"],\"everyYear\":true}"
            );
        var free = Allowance.ListAll(Look(Spring, elsewhere));
        free[0].TakenBy.ShouldBeNull();
        free[0].Best.ShouldNotBeNull().Saves!.Value.ToAmount().ShouldBe("10.00");
        // Each later year gives a domain-year of its own, which pays that renewal (rule 15).
        Said(free[0].Best!.Costs).ShouldBe("0.00");
        free[1].Uses.ShouldBeEmpty(); // It is not there yet.
        Told(Look(Spring, elsewhere), null).ShouldContain("2027-12-31 Allowance 10.00");
        var claimed = Look(
            new DateOnly(2027, 4, 1),
            elsewhere,
            decisions: new ClaimDomain(
                Spring,
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "host",
                    Name = "barometers",
                    Ending = "com",
                }
            )
        );
        Allowance.ListAll(claimed)[0].TakenBy.ShouldBe("barometers.com");
        Told(claimed, null).ShouldNotContain(notice => notice.Contains("Allowance", StringComparison.Ordinal));
    }

    [Fact]
    public void Reminders_come_so_many_days_before_and_not_for_bills_that_come_more_often()
    {
        var (tenure, _, book) = DayKeeperTests.Opened(UpkeepByHand.Ask(UpkeepByHand.Market(), "2030-01-01"))!.Value;
        Foreseen
            .ReminderDays(tenure, book, new DateOnly(2027, 2, 1), new DateOnly(2028, 1, 1), [60, 7])
            .ShouldBe([new DateOnly(2027, 11, 2), new DateOnly(2027, 12, 25)]);
        Foreseen.ReminderDays(tenure, book, new DateOnly(2027, 2, 1), new DateOnly(2028, 1, 1), []).ShouldBeEmpty();
        Reminded(new DateOnly(2027, 12, 25)).ShouldBe(["7 20280101-charge-host"]);
        Reminded(new DateOnly(2027, 12, 24)).ShouldBeEmpty();
        Reminded(new DateOnly(2027, 1, 24)).ShouldBe(["7 20270131-GiveBack-hosting"]);

        var monthly = UpkeepByHand.Market();
        monthly["candidate"]!["hosting"]!["everyMonths"] = 1;
        var charges = Foreseen.ListAll(Look(Spring, monthly), []).Where(one => one.Charge is not null).ToList();
        charges[0].Remembers(7, 1).ShouldBeTrue();
        charges[0].Remembers(60, 1).ShouldBeFalse();

        List<string> Reminded(DateOnly day)
        {
            var outlook = Look(day);
            return
            [
                .. Foreseen
                    .RemindersOn(
                        outlook,
                        Foreseen.ListAll(
                            outlook,
                            OwnerNotices.ListAll(outlook, null, ImmutableDictionary<string, DateOnly>.Empty)
                        ),
                        [60, 7]
                    )
                    .Select(one => $"{one.Days} {one.Foreseen.Key}"),
            ];
        }
    }

    [Fact]
    public void No_two_days_to_remember_have_one_key()
    {
        // A bill of the first and one of the third are tried again on the fourth, both at one seller.
        var outlook = Look(new DateOnly(2028, 1, 1));
        Notice Open(int due) =>
            new(NoticeKind.Unpaid, new DateOnly(2028, 1, 4), null, null)
            {
                Book = "host",
                Other = new DateOnly(2028, 1, due),
            };
        var foreseen = Foreseen
            .ListAll(outlook, [Open(1), Open(3), Open(3)])
            .Where(one => one.Notice is not null)
            .Select(one => one.Key);
        foreseen.ShouldBe(["20280104-Unpaid-host-20280101", "20280104-Unpaid-host-20280103"]);
    }

    [Fact]
    public void Staying_and_moving_are_counted_over_the_same_months_near_the_end_of_ten_years()
    {
        var site = Shop.Choosing("tidemarsh", "slipway", 12);
        var tenure = Tenure.Begin(site.Listed("A")!.Candidate, Shop.Books, Shop.Settings, new FaultList()).Value!;
        var outlook = new Outlook(
            tenure,
            DayKeeper.Opened(tenure, Guid.Empty, Guid.Empty, new PaidBy("card", "0004")),
            new DateOnly(2035, 10, 1),
            36
        );
        var answer = StayOrMove
            .Compare(outlook, new Needs(), Shop.Settings, [.. Shop.Books], CancellationToken.None)
            .Value.ShouldNotBeNull();
        (answer.On, answer.Months).ShouldBe((new DateOnly(2035, 12, 1), 12));
        answer.Staying.Units.ShouldBe(outlook.Coming.OfType<Charged>().First().Total);
    }

    [Fact]
    public void Staying_is_held_against_the_best_of_everything_else_from_the_day_it_renews()
    {
        var site = Shop.Choosing("tidemarsh", "slipway", 12);
        var tenure = Tenure.Begin(site.Listed("A")!.Candidate, Shop.Books, Shop.Settings, new FaultList()).Value!;
        var outlook = new Outlook(
            tenure,
            DayKeeper.Opened(tenure, Guid.Empty, Guid.Empty, new PaidBy("card", "0004")),
            new DateOnly(2027, 10, 1),
            36
        );
        var answer = StayOrMove
            .Compare(outlook, new Needs(), Shop.Settings, [.. Shop.Books], CancellationToken.None)
            .Value.ShouldNotBeNull();
        answer.On.ShouldBe(new DateOnly(2027, 12, 1));
        answer.LastDay.ShouldBe(new DateOnly(2027, 11, 24));
        var renewal = outlook.Coming.OfType<Charged>().First();
        answer.Staying.Units.ShouldBe(renewal.Total * 3);

        // The same found by costing every way by hand: moved, or kept where it is.
        var ways = new[] { DomainRoute.Transfer, DomainRoute.Keep }.SelectMany(route =>
            Scan.Run(
                new ScanRequest(
                    [.. Shop.Books],
                    Shop.Settings with
                    {
                        StartDate = answer.On,
                    },
                    new Needs { Domain = Had(route) },
                    Objective.Horizon,
                    ByPlan: false,
                    Top: 1
                ),
                null,
                CancellationToken.None
            ).Value!.Rows
        );
        var best = answer.Best.ShouldNotBeNull();
        best.Costs.Units.ShouldBe(ways.Min(row => row.Totals.Horizon));
        answer.Saving!.Value.ShouldBe(answer.Staying - best.Costs);
        StayOrMove
            .Renewal(
                new Outlook(
                    tenure,
                    outlook.Book.With(new SetRenewing(new DateOnly(2027, 1, 1), "hosting", Value: false)),
                    new DateOnly(2027, 10, 1),
                    36
                )
            )
            .ShouldBeNull();

        DomainNeed Had(DomainRoute route) =>
            new(route, "ostlerwren", ["com"])
            {
                Expires = answer.On,
                Renewal =
                    route == DomainRoute.Keep
                        ? ExactDecimal.TryParse("20.28", out var price)
                            ? price
                            : default
                        : null,
                Currency = route == DomainRoute.Keep ? Currency.Get("GBP") : null,
            };
    }

    private static Outlook Look(
        DateOnly today,
        JsonObject? market = null,
        PaidBy? payer = null,
        params Decision[] decisions
    )
    {
        var (tenure, _, book) = DayKeeperTests
            .Opened(UpkeepByHand.Ask(market ?? UpkeepByHand.Market(), "2030-01-01"))!
            .Value;
        return new Outlook(
            tenure,
            decisions.Aggregate(payer is null ? book : book with { Payer = payer }, (with, decision) =>
                with.With(decision)
            ),
            today,
            36
        );
    }

    private static List<string> Told(
        Outlook outlook,
        DateOnly? cardExpires,
        Dictionary<string, DateOnly>? unconfirmed = null
    ) =>
        [
            .. OwnerNotices
                .ListAll(outlook, cardExpires, unconfirmed ?? [])
                .Select(notice =>
                    string.Join(
                        ' ',
                        new[]
                        {
                            $"{notice.On:yyyy-MM-dd}",
                            $"{notice.Kind}",
                            notice.Holding,
                            notice.Worth?.ToAmount(),
                            notice.Against is { } before ? $"after {before.ToAmount()}" : null,
                            notice.Kind == NoticeKind.Ends || notice.Kind == NoticeKind.Losing
                                ? notice.State.ToString()
                                : null,
                            notice.Other is { } other ? $"{other:yyyy-MM-dd}" : null,
                        }.OfType<string>()
                    )
                ),
        ];

    private static List<string> Steps(Outlook outlook, string holding) =>
        [
            .. LapseStep
                .ListAll(outlook, outlook.Now.Holding(holding)!)
                .Select(step => $"{step.On:yyyy-MM-dd} {step.State} {step.Return?.Cost.ToAmount() ?? "none"}"),
        ];

    private static string Said(AmountsPaid sums) =>
        sums.Amounts.Count == 0 ? "0.00" : sums.Amounts.Values.ShouldHaveSingleItem().ToAmount();
}
