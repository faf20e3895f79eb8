using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>What a slip says to do at the sellers' own pages, of candidates in the demo's books.</summary>
public class SlipTests
{
    [Fact]
    public void It_goes_in_the_order_their_pages_ask_and_says_what_to_take_the_tick_off()
    {
        var (slip, _) = Written(Shop.Do(Shop.Choosing("tidemarsh", "slipway", 12), new EnterCode("A", "NEAPTIDE25")));
        var seller = slip.Sellers.ShouldHaveSingleItem();
        seller
            .Steps.Select(step => step.Kind)
            .ShouldBe([
                SlipStepKind.Plan,
                SlipStepKind.WayToPay,
                SlipStepKind.Domain,
                .. seller.Book.AddOns.Where(extra => extra.Preselected).Select(_ => SlipStepKind.UntickExtra),
                SlipStepKind.Code,
                SlipStepKind.Renewing,
            ]);
        seller.Book.AddOns.ShouldContain(extra => extra.Preselected); // Else the line above could not fail.
        seller.Steps.Single(step => step.Kind == SlipStepKind.Domain).IsIncluded.ShouldBeTrue();
        seller
            .Steps.Select(step => SlipWords.Step(step, seller.Book))
            .ShouldAllBe(words => words.EndsWith('.') && !words.Contains("  ", StringComparison.Ordinal));
    }

    [Fact]
    public void An_extra_that_is_wanted_is_taken_and_one_that_comes_with_it_costs_nothing()
    {
        var book = Shop.Books.First(book => book.Id == "tidemarsh");
        var ticked = book.AddOns.First(extra => extra.Preselected && extra.For == AddOnFor.Hosting);
        var (slip, _) = Written(
            Shop.Do(Shop.Choosing("tidemarsh", "slipway", 12), new SetExtra("A", ticked.Id, ForDomain: false, 1))
        );
        slip.Sellers[0]
            .Steps.ShouldContain(step =>
                step.Kind == SlipStepKind.TakeExtra && step.Ref == ticked.Id && !step.IsIncluded
            );
        slip.Sellers[0].Steps.ShouldNotContain(step => step.Kind == SlipStepKind.UntickExtra && step.Ref == ticked.Id);
    }

    [Fact]
    public void The_sum_that_must_stand_there_is_the_bill_of_the_costing_and_the_next_is_the_next()
    {
        var (slip, costing) = Written(Shop.Choosing("tidemarsh", "slipway", 12));
        var (today, next) = (slip.Sellers[0].Today.ShouldNotBeNull(), slip.Sellers[0].Next.ShouldNotBeNull());
        today.Total.ShouldBe(costing.Totals.DueToday);
        today.Lines.Aggregate((Minor)0, (sum, line) => sum + line.Amount).ShouldBe(today.Net);
        next.Date.ShouldBe(new DateOnly(2027, 12, 1));
        // Two renewals within three years.
        next.Total.ShouldBe(costing.Totals.Horizon - costing.Totals.DueToday - next.Total);
    }

    [Fact]
    public void A_domain_bought_elsewhere_has_a_part_of_its_own_and_at_the_host_one_has_a_domain_already()
    {
        var (slip, _) = Written(
            Shop.Do(Shop.Choosing("plainstone", "lintel", 12), new ChooseDomain("A", Shop.Name("nameyarrow")))
        );
        slip.Sellers.Select(seller => seller.Book.Id).ShouldBe(["plainstone", "nameyarrow"]);
        slip.Sellers[0]
            .Steps.ShouldContain(step => step.Kind == SlipStepKind.DomainElsewhere && step.Ref == "ostlerwren.com");
        slip.Sellers[1].Steps.ShouldContain(step => step.Kind == SlipStepKind.Domain && step.Ref == "ostlerwren.com");
        slip.Sellers[1]
            .Steps.ShouldNotContain(step =>
                step.Kind == SlipStepKind.Plan || step.Kind == SlipStepKind.DomainElsewhere
            );
    }

    [Fact]
    public void What_the_price_list_does_not_state_is_to_be_asked()
    {
        var (slip, _) = Written(
            Shop.Do(
                Site.Empty("Shop"),
                new ChoosePlan("A", "saltglass", "shard"),
                new ChooseBilling("A", 1, 12),
                new ChooseDomain("A", Shop.Name("saltglass"))
            )
        );
        var asked = slip.Sellers[0].Questions.Select(question => question.Kind).ToList();
        asked.ShouldContain(SlipQuestionKind.LaterPrice);
        asked.ShouldContain(SlipQuestionKind.Change);
        asked.ShouldContain(SlipQuestionKind.Notice);
        asked.ShouldNotContain(SlipQuestionKind.Refund); // It says seven days.
        slip.Sellers[0]
            .Questions.Select(question => SlipWords.Question(question, slip.Sellers[0].Book))
            .ShouldAllBe(words => words.EndsWith('?'));
        Written(Shop.Choosing("tidemarsh", "slipway", 12))
            .Slip.Sellers[0]
            .Questions.Select(question => question.Kind)
            .ShouldBe([SlipQuestionKind.Notice]);
    }

    [Fact]
    public void A_candidate_is_made_as_they_sell_it_where_what_differs_is_a_choice()
    {
        var site = Shop.Choosing("tidemarsh", "slipway", 12);
        var candidate = site.Listed("A")!.Candidate;
        var seen = new SeenSum("tidemarsh", 1, Shop.Today);
        Theirs(new Deviation(DeviationKind.ExtraAdded, "backup"))!
            .Hosting!.AddOns.Select(extra => extra.Id)
            .ShouldBe(["backup"]);
        Theirs(new Deviation(DeviationKind.PaidOtherwise, Way: (36, 36)))!.Hosting!.EveryMonths.ShouldBe(36);
        Theirs(new Deviation(DeviationKind.ExtraAdded, "backup"), new Deviation(DeviationKind.OtherPlan, "jetty"))!
            .Hosting!.Plan.ShouldBe("jetty");
        Theirs(new Deviation(DeviationKind.WithoutTax)).ShouldBeNull();
        Theirs(new Deviation(DeviationKind.ExtraAdded, "backup"), new Deviation(DeviationKind.LaterPrice))
            .ShouldBeNull();
        Theirs(new Deviation(DeviationKind.ExtraLeftOut, "backup")).ShouldBeNull(); // It is not there.

        Candidate? Theirs(params Deviation[] deviations) =>
            AsTheySellIt.Translate(candidate, [.. Shop.Books], Shop.Settings, seen, deviations);
    }

    private static (Slip Slip, Costing Costing) Written(Site site)
    {
        var costing = Shop.Costed(site);
        return (Slip.Write(costing), costing);
    }
}
