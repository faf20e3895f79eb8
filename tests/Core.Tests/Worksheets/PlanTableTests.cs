using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>
/// Every plan with every way to pay: what it comes to is what choosing it comes to, and the least stands first.
/// </summary>
public class PlanTableTests
{
    [Fact]
    public void Every_way_is_what_choosing_it_comes_to()
    {
        var site = Choosing("tidemarsh", "slipway", 12);
        var table = Table(site);
        table.Ways.Length.ShouldBe(Books.Sum(book => book.Plans.Sum(plan => plan.Billing.Length)));
        foreach (var way in table.Ways)
        {
            var (book, plan, option, _, _) = way.Choice;
            var after = Do(
                site,
                new ChoosePlan("A", book.Id, plan.Id)
                {
                    EveryMonths = option.EveryMonths,
                    CommitMonths = option.CommitMonths,
                }
            );
            (
                after.Listed("A")!.Candidate.Hosting!.EveryMonths,
                after.Listed("A")!.Candidate.Hosting!.CommitMonths
            ).ShouldBe((option.EveryMonths, option.CommitMonths));
            var costing = Worksheet.CostingOf(after.Listed("A")!.Candidate, Books, Settings);
            (way.Costing?.Totals.Horizon, way.Costing?.Totals.DueToday).ShouldBe(
                (costing?.Totals.Horizon, costing?.Totals.DueToday)
            );
        }

        table.Ways.Single(way => way.IsChosen).Choice.Option.EveryMonths.ShouldBe(12);
    }

    [Fact]
    public void The_least_stands_first_and_whole_totals_before_those_that_hide_a_price()
    {
        var ways = Table(Site.Empty("Shop")).Ways;
        var keys = ways.Select(way => (Rank(way), way.Costing?.Totals.Horizon, way.Costing?.Totals.DueToday)).ToList();
        keys.ShouldBe(keys.Order());
        ways.Select(Rank).Distinct().ShouldBe([0, 1]); // Saltglass hides what it costs later.
        ways.ShouldAllBe(way => way.HorizonChange == null); // Nothing is chosen that it could be held against.
    }

    [Fact]
    public void One_way_of_each_plan_is_its_least()
    {
        foreach (var plan in Table(Choosing("tidemarsh", "jetty", 12)).Ways.GroupBy(way => way.Choice.Plan))
        {
            plan.Where(way => way.Choice.IsLeast)
                .ShouldHaveSingleItem()
                .ShouldBe(plan.MinBy(way => (Rank(way), way.Costing?.Totals.Horizon)));
        }
    }

    [Fact]
    public void A_way_that_the_plan_is_not_sold_in_is_refused_with_its_name()
    {
        var refused = SiteChange
            .Apply(Site.Empty("Shop"), new ChoosePlan("A", "plainstone", "lintel") { EveryMonths = 36 }, Books, Today)
            .Faults.Faults.ShouldHaveSingleItem();
        (refused.Code, refused.Where, refused.Reason).ShouldBe(
            (FaultCodes.Unknown, "everyMonths", new NotPaidLikeThis("Lintel", 36, 36))
        );
    }

    [Fact]
    public void A_price_that_must_stay_the_same_is_held_against_each_way_to_pay()
    {
        var ways = PlanTable
            .Build(Site.Empty("Shop").Listed("A")!.Candidate, Books, Settings, new Needs { SamePrice = true })
            .Ways;
        Fit At(string plan, int every, int commit) =>
            ways.Single(way =>
                    way.Choice.Plan.Id == plan
                    && (way.Choice.Option.EveryMonths, way.Choice.Option.CommitMonths) == (every, commit)
                )
                .Choice.Fits.Single(fit => fit.Need == "samePrice")
                .Fit;
        At("slipway", 12, 12).ShouldBe(Fit.NotMet); // 35.88, then 107.88.
        At("slipway", 36, 36).ShouldBe(Fit.Met); // The dearer price comes the day after the three years.
        At("slipway", 1, 1).ShouldBe(Fit.Met);
        At("shard", 1, 12).ShouldBe(Fit.NotStated);
    }

    // Without hosting or domain, by hand, with 20% tax on each bill: 32.34 + 35 × 10.74 = 408.24 monthly, 43.06 + 2 ×
    // 129.46 = 301.98 yearly, 103.25 for three years.
    [Fact]
    public void A_saving_is_against_the_way_that_binds_least()
    {
        var ways = Worked(
            Do(Site.Empty("Shop"), new ChoosePlan("A", "tidemarsh", "slipway"), new ChooseBilling("A", 12, 12))
        ).WaysToPay;
        ways.Select(way => Saving.Find(way, ways))
            .Select(saving => (saving?.Against.EveryMonths, saving?.Change))
            .ShouldBe([(null, null), (1, -10626), (1, -30499)]);
    }

    [Fact]
    public void Where_a_price_is_hidden_nothing_is_said_to_be_saved()
    {
        var ways = Worked(Do(Site.Empty("Shop"), new ChoosePlan("A", "saltglass", "shard"))).WaysToPay;
        ways.Select(way => Saving.Find(way, ways)).ShouldAllBe(saving => saving == null);
    }

    private static int Rank(WhatIf<PlanWay> way) =>
        way.Costing is null ? 2
        : way.Costing.Totals.AtLeast.Horizon ? 1
        : 0;

    private static PlanTable Table(Site site) => PlanTable.Build(site.Listed("A")!.Candidate, Books, Settings, Asked);
}
