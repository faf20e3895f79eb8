using System.Collections.Immutable;
using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>The shortlist side by side.</summary>
public class ComparisonTests
{
    private static readonly Site Three = Do(
        Choosing("tidemarsh", "slipway", 12),
        new AddCandidate("A"),
        new ChooseBilling("B", 36, 36),
        new AddCandidate(null),
        new ChoosePlan("C", "plainstone", "lintel"),
        new ChooseBilling("C", 12, 12),
        new SetExtra("C", "copies", ForDomain: false, 0),
        new ChooseDomain("C", Name("nameyarrow")));

    [Fact]
    public void Changes_are_against_one_base_and_the_last_sum_paid_is_the_horizon()
    {
        var comparison = Comparison.Of(Three, Books, Settings, "C", null);
        comparison.Base.ShouldBe("C");
        foreach (var known in comparison.Candidates)
        {
            known.Paid[^1].Sum.Amount.ShouldBe(known.Costing!.Totals.Horizon);
            known.HorizonChange.ShouldBe(known.Letter == "C" ? null : known.Costing.Totals.Horizon - Costed(Three, "C").Totals.Horizon);
        }
    }

    [Fact]
    public void The_lines_add_up_to_the_difference_of_every_column()
    {
        var lines = Comparison.Of(Three, Books, Settings, "A", "C").Differences;
        var (one, other) = (Costed(Three, "A").Ledger.Totals, Costed(Three, "C").Ledger.Totals);
        for (var column = 0; column < one.Length; column++)
        {
            lines.Aggregate((Int128)0, (sum, line) => sum + line.Cells[column]!.Value).ShouldBe(other[column] - one[column]);
        }

        var plan = lines.Single(line => line.Kind == RowKind.Plan);
        (plan.One.Single(), plan.Other.Single()).ShouldBe(("Slipway", "Lintel"));
    }

    [Fact]
    public void Who_has_paid_least_is_named_from_date_to_date()
    {
        var leads = Comparison.Of(Three, Books, Settings, null, null).Leads;
        leads[0].From.ShouldBe(Today);
        foreach (var lead in leads)
        {
            var paid = Three.Shortlist.Select(listed => (listed.Letter, Sum: Costed(Three, listed.Letter).Run.Bills.Where(bill => bill.Date <= lead.From).Aggregate((Int128)0, (sum, bill) => sum + Costed(Three, listed.Letter).ValueOf(bill)))).ToList();
            lead.Paid.ShouldBe(paid.Min(known => known.Sum));
            lead.Letters.ShouldBe(paid.Where(known => known.Sum == lead.Paid).Select(known => known.Letter));
        }
    }

    [Fact]
    public void What_would_make_another_the_least_is_the_nearest_number_of_months()
    {
        var least = Three.Shortlist.MinBy(listed => Costed(Three, listed.Letter).Totals.Horizon)!.Letter;
        var turns = Comparison.Of(Three, Books, Settings, null, null).Turns;
        turns.ShouldNotBeEmpty();
        foreach (var turn in turns)
        {
            Totals(turn.Months, turn.Letter).ShouldBe(turn.Sum);
            Totals(turn.Months, least).ShouldBe(turn.LeastSum);
            turn.Sum.ShouldBeLessThan(turn.LeastSum);
            var step = turn.Months > Settings.HorizonMonths ? -1 : 1;
            for (var between = turn.Months + step; between != Settings.HorizonMonths; between += step)
            {
                Three.Shortlist.All(listed => Totals(between, listed.Letter) >= Totals(between, least)).ShouldBeTrue();
            }
        }

        static Int128 Totals(int months, string letter) => Worksheet.CostingOf(Three.Listed(letter)!.Candidate, Books, Settings with { HorizonMonths = months })!.Totals.Horizon;
    }

    [Fact]
    public void One_that_is_not_complete_is_there_without_figures()
    {
        var comparison = Comparison.Of(Do(Three, new AddCandidate(null)), Books, Settings, "A", "D");
        comparison.Candidates[3].Costing.ShouldBeNull();
        comparison.Differences.ShouldBeEmpty();
        Comparison.Of(Site.Empty("Shop"), Books, Settings, "Z", "Y").Leads.ShouldBe(ImmutableArray<Lead>.Empty);
    }
}
