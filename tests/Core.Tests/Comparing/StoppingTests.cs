using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>What is gone if the owner stops early.</summary>
public class StoppingTests
{
    [Fact]
    public void Bills_before_the_day_are_gone_and_the_last_month_holds_the_whole_horizon()
    {
        var site = Choosing("tidemarsh", "slipway", 12);
        var stopping = Stopping.WorkOut(site.Shortlist[0].Candidate, Books, Settings)!;
        var costing = Costed(site);
        stopping.Chosen.Length.ShouldBe(36);
        stopping.Chosen[0].Amount.ShouldBe(costing.Totals.DueToday);
        // The second year's bill is due on the day it would begin.
        stopping.Chosen[11].Amount.ShouldBe(costing.Totals.DueToday);
        stopping
            .Chosen[12]
            .Amount.ShouldBe(costing.Ledger.Totals[0] + costing.Ledger.Totals[1] + costing.Ledger.Totals[2]);
        stopping.Chosen[35].Amount.ShouldBe(costing.Totals.Horizon);
        stopping.ByShortest[35].Amount.ShouldBe(Costed(Choosing("tidemarsh", "slipway", 1)).Totals.Horizon);
    }

    [Fact]
    public void The_longer_term_wins_from_the_month_after_which_it_is_never_the_dearer()
    {
        var site = Do(
            Choosing("tidemarsh", "slipway", 12),
            new SetExtra("A", "backup", ForDomain: false, 1),
            new EnterCode("A", "NEAPTIDE25"),
            new SetExtra("A", "privacy", ForDomain: true, 1)
        );
        var stopping = Stopping.WorkOut(site.Shortlist[0].Candidate, Books, Settings)!;
        var wins = stopping.WinsFrom.ShouldNotBeNull();
        for (var months = wins; months <= 36; months++)
        {
            stopping.Chosen[months - 1].Amount.ShouldBeLessThan(stopping.ByShortest[months - 1].Amount);
        }

        stopping.Chosen[wins - 2].Amount.ShouldBeGreaterThanOrEqualTo(stopping.ByShortest[wins - 2].Amount);
    }

    [Fact]
    public void What_is_owed_of_a_term_paid_by_the_month_is_gone_from_the_first_day()
    {
        // Saltglass commits for a year and is paid by the month.
        var site = Do(Site.Empty("Shop"), new ChoosePlan("A", "saltglass", "shard"), new ChooseBilling("A", 1, 12));
        var stopping = Stopping.WorkOut(site.Shortlist[0].Candidate, Books, Settings)!;
        stopping.Chosen[0].Amount.ShouldBe(Costed(site).Totals.FirstTerm);
        stopping.Chosen[35].IsAtLeast.ShouldBeTrue();
        stopping.WinsFrom.ShouldBeNull();
    }

    [Theory]
    [InlineData(12000, 1000, null)] // Alike after a year, and dearer before: never the cheaper for good.
    [InlineData(11999, 1000, 12)]
    [InlineData(500, 1000, 1)]
    [InlineData(1000, 1000, 2)] // Alike after one month.
    public void Alike_is_not_cheaper(int yearly, int monthly, int? winsFrom)
    {
        var book = new OfferBook("b", new Provider("B", null), Today, Currency.Get("GBP"))
        {
            Tax = new BookTax(true, true),
            Plans = [new Plan("p", "P") { Billing = [Way(12, yearly), Way(1, monthly)] }],
        };
        var stopping = Stopping.WorkOut(
            new Candidate(new HostingChoice("b", "p", 12, 12), []),
            [book],
            Settings with
            {
                HorizonMonths = 12,
            }
        )!;
        stopping.WinsFrom.ShouldBe(winsFrom);
        stopping.Shortest!.EveryMonths.ShouldBe(1);

        static BillingOption Way(int months, int price) =>
            new(months, months, null, new PriceSteps([new PriceStep(null, price)]));
    }

    [Fact]
    public void What_binds_least_is_the_shortest_commitment_and_of_alike_ones_the_shortest_bill()
    {
        var book = new OfferBook("b", new Provider("B", null), Today, Currency.Get("GBP"))
        {
            Plans = [new Plan("p", "P") { Billing = [Way(12, 12), Way(6, 6), Way(1, 6), Way(3, 6)] }],
        };
        var shortest = Stopping
            .WorkOut(new Candidate(new HostingChoice("b", "p", 12, 12), []), [book], Settings)!
            .Shortest!;
        (shortest.EveryMonths, shortest.CommitMonths).ShouldBe((1, 6));
        Stopping
            .WorkOut(new Candidate(new HostingChoice("b", "p", 1, 6), []), [book], Settings)!
            .Shortest.ShouldBeNull();

        static BillingOption Way(int every, int commit) =>
            new(every, commit, null, new PriceSteps([new PriceStep(null, 100)]));
    }

    [Fact]
    public void Without_hosting_there_is_nothing_to_stop() =>
        Stopping
            .WorkOut(
                Do(Site.Empty("Shop"), new ChooseDomain("A", Name("nameyarrow"))).Shortlist[0].Candidate,
                Books,
                Settings
            )
            .ShouldBeNull();
}
