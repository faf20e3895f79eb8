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
        new ChooseDomain("C", Name("nameyarrow"))
    );

    [Fact]
    public void Changes_are_against_one_base_and_the_last_sum_paid_is_the_horizon()
    {
        var comparison = Comparison.Compare(Three, Books, Settings, "C", null);
        comparison.Base.ShouldBe("C");
        foreach (var known in comparison.Candidates)
        {
            known.Paid[^1].Sum.Amount.ShouldBe(known.Costing!.Totals.Horizon);
            known.HorizonChange.ShouldBe(
                known.Letter == "C" ? null : known.Costing.Totals.Horizon - Costed(Three, "C").Totals.Horizon
            );
        }
    }

    [Fact]
    public void What_fails_the_needs_is_never_the_least_however_little_it_costs()
    {
        var needing = Three with
        {
            Needs = new Needs { Numbers = ImmutableDictionary<string, decimal>.Empty.Add("websites", 2) },
        }; // Slipway allows one.
        var compared = Comparison.Compare(needing, Books, Settings, null, null).Candidates;
        compared
            .Select(known => (known.Letter, known.Does, known.IsLeast))
            .ShouldBe([("A", false, false), ("B", false, false), ("C", true, true)]);
        compared
            .Where(known => known.Undercuts)
            .Select(known => known.Letter)
            .ShouldBe(
                compared
                    .Where(known => known.Costing!.Totals.Horizon < compared[2].Costing!.Totals.Horizon)
                    .Select(known => known.Letter)
            );
        compared.ShouldContain(known => known.Undercuts);
        Comparison
            .Compare(Three, Books, Settings, null, null)
            .Candidates.ShouldAllBe(known => known.Does && !known.Undercuts);
    }

    // C's price never changes and B's not within the three years; after them B costs far more. That B steps up then
    // does not take it out of the comparison.
    [Fact]
    public void A_need_for_one_price_is_held_over_what_is_counted_whatever_other_lengths_are_tried()
    {
        var needing = Three with { Needs = new Needs { SamePrice = true } };
        var comparison = Comparison.Compare(needing, Books, Settings, null, null);
        comparison
            .Candidates.Select(known => (known.Letter, known.Does))
            .ShouldBe([("A", false), ("B", true), ("C", true)]); // A goes from 35.88 to 107.88.
        comparison.Candidates.Single(known => known.IsLeast).Letter.ShouldBe("B");
        comparison.Turns.ShouldContain(turn => turn.Letter == "C" && turn.Months == 37);
        var held = Comparison.Compare(needing, Books, Settings with { HorizonMonths = 37 }, null, null);
        held.Candidates.Where(known => known.Does).Select(known => known.Letter).ShouldBe(["C"]);
        held.Turns.ShouldBeEmpty(); // A and B change their prices within what is counted now.
    }

    [Fact]
    public void Where_none_does_what_is_needed_none_is_the_least()
    {
        var compared = Comparison.Compare(
            Three with
            {
                Needs = new Needs { OwnIp = true },
            },
            Books,
            Settings,
            null,
            null
        );
        compared.Candidates.ShouldAllBe(known => !known.IsLeast && !known.Undercuts && !known.Does);
        compared.Turns.ShouldBeEmpty();
    }

    [Fact]
    public void What_is_not_stated_is_met_only_where_the_owner_accepts_that()
    {
        var visits = new Needs { Numbers = ImmutableDictionary<string, decimal>.Empty.Add("monthlyVisits", 100) };
        var fernhollow = Costed(Choosing("fernhollow", "clearing", 12));
        Shortlist.Does(fernhollow, visits).ShouldBeFalse();
        Shortlist.Does(fernhollow, visits with { AcceptUnknown = true }).ShouldBeTrue();
        var name = Worksheet.CostingOf(new Candidate(null, [Name("nameyarrow")]), Books, Settings)!;
        (
            Shortlist.Does(name, new Needs()),
            Shortlist.Does(name, visits),
            Shortlist.Does(name, new Needs { SamePrice = true }),
            Shortlist.Does(name, new Needs { MinRefundDays = 1 })
        ).ShouldBe((true, false, false, false));
    }

    [Fact]
    public void The_lines_add_up_to_the_difference_of_every_column()
    {
        var lines = Comparison.Compare(Three, Books, Settings, "A", "C").Differences;
        var (one, other) = (Costed(Three, "A").Ledger.Totals, Costed(Three, "C").Ledger.Totals);
        for (var column = 0; column < one.Length; column++)
        {
            lines
                .Aggregate((Int128)0, (sum, line) => sum + line.Cells[column]!.Value)
                .ShouldBe(other[column] - one[column]);
        }

        var plan = lines.Single(line => line.Kind == RowKind.Plan);
        (plan.One.Single(), plan.Other.Single()).ShouldBe(("Slipway", "Lintel"));
    }

    [Fact]
    public void Who_has_paid_least_is_named_from_date_to_date()
    {
        var leads = Comparison.Compare(Three, Books, Settings, null, null).Leads;
        leads[0].From.ShouldBe(Today);
        foreach (var lead in leads)
        {
            var paid = Three
                .Shortlist.Select(listed =>
                    (
                        listed.Letter,
                        Sum: Costed(Three, listed.Letter)
                            .Run.Bills.Where(bill => bill.Date <= lead.From)
                            .Aggregate((Int128)0, (sum, bill) => sum + Costed(Three, listed.Letter).ValueOf(bill))
                    )
                )
                .ToList();
            lead.Paid.ShouldBe(paid.Min(known => known.Sum));
            lead.Letters.ShouldBe(paid.Where(known => known.Sum == lead.Paid).Select(known => known.Letter));
        }
    }

    [Fact]
    public void What_would_make_another_the_least_is_the_nearest_number_of_months()
    {
        var least = Three.Shortlist.MinBy(listed => Costed(Three, listed.Letter).Totals.Horizon)!.Letter;
        var turns = Comparison.Compare(Three, Books, Settings, null, null).Turns;
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

        static Int128 Totals(int months, string letter) =>
            Worksheet
                .CostingOf(Three.Listed(letter)!.Candidate, Books, Settings with { HorizonMonths = months })!
                .Totals.Horizon;
    }

    [Fact]
    public void Turns_are_the_nearest_on_either_side_whatever_is_counted()
    {
        foreach (var horizon in (int[])[6, 11, 12, 13, 24, 36, 37, 60])
        {
            var settings = Settings with { HorizonMonths = horizon };
            var sums = Enumerable
                .Range(1, 120)
                .ToDictionary(
                    months => months,
                    months =>
                        Three.Shortlist.ToDictionary(
                            listed => listed.Letter,
                            listed =>
                                Worksheet
                                    .CostingOf(listed.Candidate, Books, settings with { HorizonMonths = months })!
                                    .Totals.Horizon
                        )
                );
            var least = sums[horizon].Where(pair => pair.Value == sums[horizon].Values.Min()).ToList();
            if (least.Count > 1)
            {
                continue;
            }

            int?[] nearest =
            [
                Enumerable.Range(1, horizon - 1).Reverse().Cast<int?>().FirstOrDefault(IsBeaten),
                Enumerable.Range(horizon + 1, 120 - horizon).Cast<int?>().FirstOrDefault(IsBeaten),
            ];
            Comparison
                .Compare(Three, Books, settings, null, null)
                .Turns.Select(turn => (int?)turn.Months)
                .ShouldBe(nearest.Where(months => months is not null));

            bool IsBeaten(int? months) => sums[months!.Value].Values.Min() < sums[months.Value][least[0].Key];
        }
    }

    [Fact]
    public void The_least_is_said_of_whole_totals_in_one_currency_alone()
    {
        Costing yearly = Costed(Three, "A"),
            threeYears = Costed(Three, "B");
        var euros = Worksheet.CostingOf(
            Three.Listed("C")!.Candidate,
            Books,
            Settings with
            {
                DisplayCurrency = Currency.Get("EUR"),
                Rates = Settings.Rates.Add("GBP", ExactDecimal.Whole(1)),
            }
        );
        var hidden = Worksheet.CostingOf(
            Do(Site.Empty("Shop"), new ChoosePlan("A", "saltglass", "shard"), new ChooseBilling("A", 1, 12))
                .Listed("A")!
                .Candidate,
            Books,
            Settings
        );
        Shortlist
            .Least([yearly, threeYears], new Needs())
            .ShouldBe([yearly.Totals.Horizon < threeYears.Totals.Horizon ? 0 : 1]);
        Shortlist.Least([yearly, null, yearly], new Needs()).ShouldBe([0, 2], ignoreOrder: true);
        Shortlist.Least([yearly], new Needs()).ShouldBeEmpty();
        Shortlist.Least([yearly, hidden], new Needs()).ShouldBeEmpty();
        Shortlist.Least([yearly, euros], new Needs()).ShouldBeEmpty();
    }

    [Fact]
    public void What_is_not_stated_makes_a_difference_unknown()
    {
        var site = Do(
            Three,
            new AddCandidate(null),
            new ChoosePlan("D", "saltglass", "shard"),
            new ChooseBilling("D", 1, 12)
        );
        var comparison = Comparison.Compare(site, Books, Settings, "A", "D");
        var hidden = comparison.Candidates[3];
        (hidden.HorizonChange, hidden.IsLeast).ShouldBe((null, false));
        hidden.TodayChange.ShouldNotBeNull();
        hidden.Paid[^1].Sum.IsAtLeast.ShouldBeTrue();
        hidden.Paid[0].Sum.IsAtLeast.ShouldBeFalse();
        var plan = comparison.Differences.Single(line => line.Kind == RowKind.Plan);
        plan.Cells[0].ShouldNotBeNull();
        plan.Cells[^1].ShouldBeNull();
        plan.Total.ShouldBeNull();
        comparison.Leads.SelectMany(lead => lead.Letters).ShouldNotContain("D");
    }

    [Fact]
    public void One_that_is_not_complete_is_there_without_figures()
    {
        var comparison = Comparison.Compare(Do(Three, new AddCandidate(null)), Books, Settings, "A", "D");
        comparison.Candidates[3].Costing.ShouldBeNull();
        comparison.Differences.ShouldBeEmpty();
        Comparison.Compare(Site.Empty("Shop"), Books, Settings, "Z", "Y").Leads.ShouldBe(ImmutableArray<Lead>.Empty);
    }
}
