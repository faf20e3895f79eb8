using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>Every option says what it would change: the exact difference of two costings, whatever is chosen.</summary>
public class WorksheetTests
{
    public static TheoryData<string, string, int> Plans =>
        new()
        {
            { "tidemarsh", "slipway", 12 },
            { "ninebridge", "footbridge", 24 },
            { "quillhaven", "inkwell", 12 },
            { "fernhollow", "clearing", 12 },
            { "plainstone", "lintel", 1 },
        };

    [Theory]
    [MemberData(nameof(Plans))]
    public void Every_what_if_is_what_choosing_it_comes_to(string book, string plan, int everyMonths)
    {
        var site = Choosing(book, plan, everyMonths);
        var worksheet = Worked(site);
        foreach (var (command, horizon, today) in Options(worksheet))
        {
            var (before, after) = (Costed(site).Totals, Costed(Do(site, command)).Totals);
            (after.Horizon - before.Horizon, after.DueToday - before.DueToday).ShouldBe(
                (horizon, today),
                command.ToString()
            );
        }
    }

    private static IEnumerable<(SiteCommand Command, Int128 Horizon, Int128 Today)> Options(Worksheet worksheet)
    {
        var options = worksheet
            .Extras.Select(extra =>
                Option(
                    new SetExtra(
                        "A",
                        extra.Choice.AddOn.Id,
                        extra.Choice.AddOn.For == AddOnFor.Domain,
                        extra.Choice.Quantity > 0 ? 0 : 1
                    ),
                    extra
                )
            )
            .Concat(
                worksheet.WaysToPay.Select(way =>
                    Option(new ChooseBilling("A", way.Choice.EveryMonths, way.Choice.CommitMonths), way)
                )
            )
            .Concat(
                worksheet.DataCentres.Select(centre => Option(new ChooseDataCentre("A", centre.Choice?.Id), centre))
            )
            .Concat(worksheet.DomainWays.Select(way => Option(new ChooseDomain("A", way.Choice), way)))
            .ToList();
        options.Count(option => option is not null).ShouldBeGreaterThan(8);
        return options.OfType<(SiteCommand, Int128, Int128)>();

        static (SiteCommand, Int128, Int128)? Option<T>(SiteCommand command, WhatIf<T> whatIf) =>
            whatIf.HorizonChange is { } horizon && whatIf.TodayChange is { } today ? (command, horizon, today) : null;
    }

    [Fact]
    public void Without_a_costing_there_are_no_codes_to_recommend()
    {
        var worksheet = Worked(Site.Empty("Shop"));
        worksheet.Costing.ShouldBeNull();
        worksheet.BestCodes.ShouldBeNull();
    }

    [Fact]
    public void An_extra_says_whether_it_is_asked_for_doubled_or_in_another_plan()
    {
        var extras = Worked(Do(Choosing("tidemarsh", "slipway", 12), new SetExtra("A", "backup", ForDomain: false, 1)))
            .Extras.Select(extra => extra.Choice)
            .ToList();
        extras.Single(extra => extra.AddOn.Id == "backup").IsAsked.ShouldBeTrue();
        extras.Single(extra => extra.AddOn.Id == "listing").IsAsked.ShouldBeFalse();
        extras.Single(extra => extra.AddOn.Id == "mailboxes").IsAsked.ShouldBeTrue(); // 8 asked, 5 with the plan.
        var backup = extras.Single(extra => extra.AddOn.Id == "backup").IncludedBy;
        backup?.Choice.Includes.ShouldContain("backup");
        extras.Single(extra => extra.AddOn.Id == "backup").AddOn.PriceIfBoughtLater.ShouldBe(249);
    }

    [Fact]
    public void A_plan_is_met_by_itself_by_an_extra_or_not_and_not_stated_is_said()
    {
        var tidemarsh = Books.Single(book => book.Id == "tidemarsh");
        var fits = PlanFit
            .Check(tidemarsh, tidemarsh.Plan("slipway")!, null, Asked, 36)
            .ToDictionary(fit => fit.Need + fit.Wants.Word, fit => fit.Fit);
        fits["websites"].ShouldBe(Fit.NotMet);
        fits["mailboxes"].ShouldBe(Fit.WithExtra);
        fits["certificateown"].ShouldBe(Fit.WithExtra);
        fits["extrasbackup"].ShouldBe(Fit.WithExtra);
        var fernhollow = Books.Single(book => book.Id == "fernhollow");
        var visits = Asked with { Numbers = Asked.Numbers.Add("monthlyVisits", 5000) };
        PlanFit
            .Check(fernhollow, fernhollow.Plan("clearing")!, null, visits, 36)
            .Single(fit => fit.Need == "monthlyVisits")
            .Fit.ShouldBe(Fit.NotStated);
    }

    [Fact]
    public void What_is_bought_is_met_by_the_extras_taken_and_a_domain_extra_only_where_the_domain_is_bought()
    {
        var site = Do(
            Choosing("tidemarsh", "slipway", 12),
            new SetExtra("A", "backup", ForDomain: false, 1),
            new SetExtra("A", "mailboxes", ForDomain: false, 1)
        );
        var fits = BoughtFit
            .Check(Costed(site).Run.Purchase, Asked, 36)
            .ToDictionary(fit => fit.Need + fit.Wants.Word, fit => fit);
        fits["extrasbackup"].Fit.ShouldBe(Fit.Met);
        fits["mailboxes"].By!.Id.ShouldBe("mailboxes");
        var away = Do(Choosing("fernhollow", "clearing", 12), new ChooseDomain("A", Name("nameyarrow")));
        BoughtFit
            .Check(Costed(away).Run.Purchase, Asked, 36)
            .Single(fit => fit.Wants.Word == "privacy")
            .Fit.ShouldNotBe(Fit.Met);
        BoughtFit
            .Check(Costed(Choosing("fernhollow", "clearing", 12)).Run.Purchase, Asked, 36)
            .Single(fit => fit.Wants.Word == "privacy")
            .Fit.ShouldBe(Fit.Met);
    }
}
