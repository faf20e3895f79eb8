using System.Collections.Immutable;
using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>What is said beside each extra: taken, had, asked for, there twice, or in another plan for less.</summary>
public class ExtraOfferTests
{
    [Fact]
    public void The_extras_are_those_of_the_hosts_plan_and_of_the_domains_seller()
    {
        var away = Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", Name("nameyarrow")));
        Extras(away)
            .Select(extra => (extra.Book.Id, extra.AddOn.Id))
            .ShouldBe([
                ("tidemarsh", "certificate"),
                ("tidemarsh", "backup"),
                ("tidemarsh", "mailboxes"),
                ("tidemarsh", "listing"),
                ("nameyarrow", "privacy"),
            ]);
        Extras(Do(Site.Empty("Shop"), new ChooseDomain("A", Name("nameyarrow"))))
            .Select(extra => extra.AddOn.Id)
            .ShouldBe(["privacy"]);
        Extras(Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", new DomainChoice(DomainRoute.Lent))))
            .ShouldAllBe(extra => extra.AddOn.For == AddOnFor.Hosting);
        Extras(Site.Empty("Shop")).ShouldBeEmpty();
    }

    [Fact]
    public void One_that_is_taken_says_how_often_and_the_others_nothing()
    {
        var extras = Worked(
            Do(Choosing("tidemarsh", "slipway", 12), new SetExtra("A", "mailboxes", ForDomain: false, 2))
        ).Extras;
        extras
            .Select(extra => (extra.Choice.AddOn.Id, extra.Choice.Quantity, extra.IsChosen))
            .ShouldBe([
                ("certificate", 0, false),
                ("backup", 0, false),
                ("mailboxes", 2, true),
                ("listing", 0, false),
                ("privacy", 0, false),
            ]);
    }

    [Fact]
    public void One_that_the_plan_or_the_ending_holds_is_had()
    {
        Extras(Choosing("tidemarsh", "jetty", 12))
            .Where(extra => extra.IsHad)
            .Select(extra => extra.AddOn.Id)
            .ShouldBe(["certificate", "backup"]);
        Extras(Choosing("fernhollow", "clearing", 12))
            .Where(extra => extra.IsHad)
            .Select(extra => extra.AddOn.Id)
            .ShouldBe(["privacy"]);

        // The plan holds privacy for domains of its own book alone.
        Extras(Do(Choosing("fernhollow", "clearing", 12), new ChooseDomain("A", Name("nameyarrow"))))
            .Single(extra => extra.AddOn.Id == "privacy")
            .IsHad.ShouldBeFalse();

        // At Flatstone every ending holds it.
        Extras(Do(Site.Empty("Shop"), new ChooseDomain("A", Name("flatstone")))).ShouldAllBe(extra => extra.IsHad);
    }

    [Fact]
    public void One_is_asked_for_by_its_tag_or_by_a_number_that_the_plan_does_not_reach()
    {
        var some = new Needs
        {
            Numbers = ImmutableDictionary<string, decimal>.Empty.Add("mailboxes", 5),
            Extras = ["search-help"],
        };
        Asked(some).ShouldBe(["listing"]); // Five mailboxes come with the plan.
        Asked(
                some with
                {
                    Numbers = some.Numbers.SetItem("mailboxes", 6),
                    Extras = [],
                    Certificate = CertificateLevel.Own,
                }
            )
            .ShouldBe(["certificate", "mailboxes"]);
        Asked(new Needs()).ShouldBeEmpty();

        static IEnumerable<string> Asked(Needs needs) =>
            Worksheet
                .Fill(Choosing("tidemarsh", "slipway", 12).Listed("A")!, Books, Settings, needs)
                .Extras.Where(extra => extra.Choice.IsAsked)
                .Select(extra => extra.Choice.AddOn.Id);
    }

    [Fact]
    public void Two_that_do_the_same_name_each_other_and_nobody_names_itself()
    {
        var twice = Books.Single(book => book.Id == "tidemarsh");
        twice = twice with
        {
            AddOns = twice.AddOns.Add(
                twice.AddOn("backup", AddOnFor.Hosting)! with
                {
                    Id = "second",
                    Name = "Second copies",
                }
            ),
        };
        ImmutableArray<OfferBook> books = [twice, .. Books.Where(book => book.Id != "tidemarsh")];
        var candidate = Do(Choosing("tidemarsh", "slipway", 12), new SetExtra("A", "backup", ForDomain: false, 1))
            .Listed("A")!;
        var offers = Worksheet
            .Fill(candidate, books, Settings, new Needs())
            .Extras.Select(extra => extra.Choice)
            .ToList();
        offers.Single(offer => offer.AddOn.Id == "second").SameAs.Select(other => other.Id).ShouldBe(["backup"]);
        offers.Where(offer => offer.AddOn.Id != "second").ShouldAllBe(offer => offer.SameAs.IsEmpty);
    }

    [Theory]
    [InlineData("tidemarsh", "slipway", 12)]
    [InlineData("ninebridge", "footbridge", 12)]
    [InlineData("quillhaven", "inkwell", 12)]
    public void The_plan_that_includes_it_is_the_one_of_the_same_book_that_costs_least(
        string book,
        string plan,
        int everyMonths
    )
    {
        var site = Choosing(book, plan, everyMonths);
        var worksheet = Worked(site);
        var siblings = Books
            .Single(known => known.Id == book)
            .Plans.Where(known => known.Id != plan)
            .Select(known =>
                (
                    Plan: known,
                    Costing: Worksheet.CostingOf(
                        Do(site, new ChoosePlan("A", book, known.Id)).Listed("A")!.Candidate,
                        Books,
                        Settings
                    )
                )
            )
            .ToList();
        foreach (var offer in worksheet.Extras.Select(extra => extra.Choice))
        {
            var holders = siblings
                .Where(known =>
                    offer.Book.Id == book && known.Costing is not null && known.Plan.Includes.Contains(offer.AddOn.Id)
                )
                .ToList();
            (offer.IncludedBy?.Choice.Id).ShouldBe(
                offer.IsHad || holders.Count == 0 ? null : holders.MinBy(known => known.Costing!.Totals.Horizon).Plan.Id
            );
        }

        worksheet.Extras.ShouldContain(extra => extra.Choice.IncludedBy != null);
    }

    [Fact]
    public void Taking_one_bought_more_than_once_off_takes_all_of_it_off()
    {
        var site = Do(Choosing("tidemarsh", "slipway", 12), new SetExtra("A", "mailboxes", ForDomain: false, 3));
        Worked(site)
            .Extras.Single(extra => extra.IsChosen)
            .HorizonChange.ShouldBe(
                Costed(Choosing("tidemarsh", "slipway", 12)).Totals.Horizon - Costed(site).Totals.Horizon
            );
    }

    private static List<ExtraOffer> Extras(Site site) => [.. Worked(site).Extras.Select(extra => extra.Choice)];
}
