using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>
/// Starting with the shorter way to pay and changing later, by hand: 36 months from 1 December 2026, 20% tax on each
/// bill.
/// </summary>
public class ChangingLaterTests
{
    // Lintel, 6.20 a month or 68.00 a year for good, the first price after a change too: 7.44 a month, 81.60 a year.
    // Three months and then three years: 3 × 7.44 more.
    [Fact]
    public void What_the_months_before_the_change_cost_is_what_is_paid_more()
    {
        var changing = Changing(
            Do(Site.Empty("Shop"), new ChoosePlan("A", "plainstone", "lintel"), new ChooseBilling("A", 12, 12))
        );
        (changing.From.EveryMonths, changing.To.EveryMonths).ShouldBe((1, 12));
        changing
            .Changes.Select(change => (change.On, change.DueThen.Amount, change.More))
            .ShouldBe([
                (new DateOnly(2027, 1, 1), 8160, 744),
                (new DateOnly(2027, 3, 1), 8160, 3 * 744),
                (new DateOnly(2027, 6, 1), 8160, 6 * 744),
                // The year that is bought last reaches beyond what is counted.
                (new DateOnly(2027, 12, 1), 8160, 12 * 744 - 8160),
            ]);
        changing.Changes.ShouldAllBe(change => !change.IsAssumed);
        changing.Lost.ShouldBe(new LostByChanging(null, null, null, changing.Lost.Codes, Refund: false));
        changing.Lost.Codes.ShouldBeEmpty();
    }

    // Slipway, 35.88 the first year and 107.88 later, with a .com at 11.50: the first price and the domain-year go to
    // those who choose the year on the first day, and so does NEAPTIDE25.
    [Fact]
    public void The_first_price_the_domain_year_and_a_code_are_lost()
    {
        var changing = Changing(Do(Choosing("tidemarsh", "slipway", 12), new EnterCode("A", "NEAPTIDE25")));
        (
            changing.Lost.FirstPerMonth?.ToAmount(),
            changing.Lost.LaterPerMonth?.ToAmount(),
            changing.Lost.DomainYear?.ToAmount()
        ).ShouldBe(("2.99", "8.99", "11.50"));
        changing.Lost.Codes.ShouldBe(["NEAPTIDE25"]);
        changing.Changes[0].DueThen.Amount.ShouldBe(12946); // 107.88 and its tax, not 35.88.
    }

    [Fact]
    public void Who_chose_the_short_way_is_told_of_the_other_that_costs_least()
    {
        var changing = Changing(
            Do(Site.Empty("Shop"), new ChoosePlan("A", "tidemarsh", "slipway"), new ChooseBilling("A", 1, 1))
        );
        (changing.From.EveryMonths, changing.To.EveryMonths).ShouldBe((1, 36)); // 103.25 against 301.98 by the year.
    }

    [Fact]
    public void What_a_hidden_price_makes_of_it_is_not_known()
    {
        var changing = ChangingLater.WorkOut(
            Do(Site.Empty("Shop"), new ChoosePlan("A", "saltglass", "shard"), new ChooseBilling("A", 1, 12))
                .Listed("A")!
                .Candidate,
            Books,
            Settings
        );
        changing?.Changes.ShouldAllBe(change => change.More == null);
    }

    [Fact]
    public void A_change_comes_within_what_is_counted() =>
        ChangingLater
            .WorkOut(
                Do(Site.Empty("Shop"), new ChoosePlan("A", "plainstone", "lintel"), new ChooseBilling("A", 12, 12))
                    .Listed("A")!
                    .Candidate,
                Books,
                Settings with
                {
                    HorizonMonths = 6,
                }
            )!
            .Changes.Select(change => change.Months)
            .ShouldBe([1, 3]);

    [Fact]
    public void Without_a_plan_there_is_nothing_to_change() =>
        ChangingLater.WorkOut(new Candidate(null, [Name("nameyarrow")]), Books, Settings).ShouldBeNull();

    private static ChangingLater Changing(Site site) =>
        ChangingLater.WorkOut(site.Listed("A")!.Candidate, Books, Settings).ShouldNotBeNull();
}
