using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>The sentence's figures and the bars of the picture, against the ledger they are read from.</summary>
public class SummaryTests
{
    public static TheoryData<string, string, int, int> Candidates =>
        new()
        {
            { "tidemarsh", "slipway", 12, 36 },
            { "tidemarsh", "slipway", 12, 30 },
            { "plainstone", "lintel", 1, 36 },
            { "plainstone", "lintel", 12, 12 },
            { "quillhaven", "inkwell", 24, 60 },
            { "ninebridge", "footbridge", 1, 120 },
        };

    [Theory]
    [MemberData(nameof(Candidates))]
    public void The_sentence_says_what_the_columns_say(string book, string plan, int everyMonths, int horizon)
    {
        var costing = Over(Choosing(book, plan, everyMonths), horizon);
        var summary = Summary.Summarise(costing);
        var columns = costing.Ledger.Sums;
        (summary.Today, summary.RestOfFirstYear, summary.Horizon.Amount).ShouldBe(
            (columns[0], columns[1], costing.Totals.Horizon)
        );
        var later = columns.Skip(2).Distinct().ToList();
        summary.EachLaterYear.ShouldBe(horizon % 12 == 0 && later.Count == 1 ? later[0] : null);
    }

    [Fact]
    public void Years_alike_are_said_once_and_never_over_half_a_year()
    {
        Summary
            .Summarise(Over(Held, 36))
            .EachLaterYear.ShouldNotBeNull()
            .Amount.ShouldBe(Over(Held, 36).Ledger.Totals[2]);
        Summary.Summarise(Over(Held, 30)).EachLaterYear.ShouldBeNull();
        Summary.Summarise(Over(Held, 12)).EachLaterYear.ShouldBeNull();
    }

    [Fact]
    public void How_many_times_dearer_the_plan_gets_is_rounded_to_a_tenth()
    {
        var step = Costed(Choosing("tidemarsh", "slipway", 12)).Totals.PriceStep!;
        var times = decimal.Round(
            (decimal)(long)step.To!.Value.Units / (long)step.From.Units,
            1,
            MidpointRounding.AwayFromZero
        );
        Summary.Summarise(Costed(Choosing("tidemarsh", "slipway", 12))).StepTimes.ShouldBe(times.ToString("0.#"));
        Summary.Summarise(Over(Held, 36)).StepTimes.ShouldBeNull();

        // Saltglass does not state what follows.
        var unstated = Costed(
            Do(Site.Empty("Shop"), new ChoosePlan("A", "saltglass", "shard"), new ChooseBilling("A", 1, 12))
        );
        unstated.Totals.PriceStep.ShouldNotBeNull();
        Summary.Summarise(unstated).StepTimes.ShouldBeNull();
        Summary.Summarise(unstated).Horizon.IsAtLeast.ShouldBeTrue();
        Summary.Summarise(unstated).Today.IsAtLeast.ShouldBeFalse();
    }

    [Theory]
    [MemberData(nameof(Candidates))]
    public void Bars_add_up_to_the_horizon_and_their_parts_to_them(
        string book,
        string plan,
        int everyMonths,
        int horizon
    )
    {
        var costing = Over(
            Do(Choosing(book, plan, everyMonths), new SetExtra("A", "privacy", ForDomain: true, 1)),
            horizon
        );
        var timeline = Timeline.Build(costing);
        var dates = costing.Counted.Select(bill => bill.Date).Distinct().ToList();
        timeline.IsByYear.ShouldBe(dates.Count > 14);
        timeline.Bars.Aggregate((Int128)0, (sum, bar) => sum + bar.Total).ShouldBe(costing.Totals.Horizon);
        foreach (var bar in timeline.Bars.Concat(timeline.Bars.SelectMany(bar => bar.Within)))
        {
            (bar.Parts.Plan + bar.Parts.Domain + bar.Parts.Extras + bar.Parts.Setup + bar.Parts.Tax).ShouldBe(
                bar.Total
            );
            if (!bar.Within.IsEmpty)
            {
                bar.Within.Aggregate((Int128)0, (sum, within) => sum + within.Total).ShouldBe(bar.Total);
                bar.Within.ShouldAllBe(within => within.Date >= bar.Date && within.Date < bar.Date.AddMonths(12));
            }
        }

        (timeline.IsByYear ? timeline.Bars.SelectMany(bar => bar.Within) : timeline.Bars)
            .Select(bar => bar.Date)
            .ShouldBe(dates);
        timeline
            .Bars.Sum(bar => (long)bar.Parts.Extras)
            .ShouldBe(
                (long)
                    costing
                        .Ledger.Rows.Where(row => row.Key.Kind == RowKind.AddOn)
                        .Aggregate((Int128)0, (sum, row) => sum + row.Total)
            );
    }

    [Fact]
    public void Tax_that_is_inside_the_prices_is_no_part_of_its_own()
    {
        Timeline.Build(Costed(Choosing("loomgate", "warp", 12))).Bars.ShouldAllBe(bar => bar.Parts.Tax == 0);
        Timeline.Build(Costed(Choosing("tidemarsh", "slipway", 12))).Bars.ShouldContain(bar => bar.Parts.Tax > 0);
    }

    [Fact]
    public void Fourteen_dates_are_drawn_one_by_one_and_fifteen_as_years()
    {
        Timeline
            .Build(Over(Monthly, 14))
            .ShouldSatisfyAllConditions(
                drawn => drawn.IsByYear.ShouldBeFalse(),
                drawn => drawn.Bars.Length.ShouldBe(14)
            );
        Timeline
            .Build(Over(Monthly, 15))
            .ShouldSatisfyAllConditions(
                drawn => drawn.IsByYear.ShouldBeTrue(),
                drawn => drawn.Bars.Length.ShouldBe(2),
                drawn => drawn.Bars[1].Date.ShouldBe(Today.AddMonths(12))
            );
    }

    private static Site Held =>
        Do(Site.Empty("Shop"), new ChoosePlan("A", "plainstone", "lintel"), new ChooseBilling("A", 12, 12));

    private static Site Monthly =>
        Do(Site.Empty("Shop"), new ChoosePlan("A", "plainstone", "lintel"), new ChooseBilling("A", 1, 1));

    private static Costing Over(Site site, int months) =>
        Worksheet
            .CostingOf(site.Listed("A")!.Candidate, Books, Settings with { HorizonMonths = months })
            .ShouldNotBeNull();
}
