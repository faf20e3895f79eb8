using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>Which other ways to have the domain are offered, and who may sell it.</summary>
public class DomainOptionTests
{
    [Fact]
    public void Other_ways_to_have_the_first_domain_leave_those_beside_it()
    {
        var site = Do(
            Choosing("plainstone", "lintel", 12),
            new AddDomain("A", Name("flatstone") with { Ending = "org" })
        );
        var worked = Worked(site);
        foreach (var way in worked.DomainWays.Where(way => way.Costing is not null))
        {
            var after = Costed(Do(site, new ChooseDomain("A", way.Choice)));
            way.HorizonChange.ShouldBe(after.Totals.Horizon - worked.Costing!.Totals.Horizon);
        }
    }

    [Fact]
    public void A_registered_name_has_every_number_of_years_later_the_included_year_left_lent_and_none()
    {
        var ways = Ways(Choosing("tidemarsh", "slipway", 12));
        var most = Books.Single(book => book.Id == "tidemarsh").Domain("com")!.MaxYears;
        ways.Where(way => way is { Route: DomainRoute.Register, UseIncluded: true })
            .Select(way => way!.Years)
            .ShouldBe(Enumerable.Range(1, most));
        ways.Single(way => way?.Route == DomainRoute.Later)
            .ShouldSatisfyAllConditions(
                way => way!.InMonths.ShouldBe(3),
                way => way!.Years.ShouldBe(1),
                way => way!.Name.ShouldBe("ostlerwren")
            );
        ways.Count(way => way is { UseIncluded: false }).ShouldBe(1);
        ways.Count(way => way?.Route == DomainRoute.Lent).ShouldBe(1);
        ways[^1].ShouldBeNull();
        ways.Count.ShouldBe(most + 4);
    }

    [Fact]
    public void Without_a_plan_nothing_is_lent_and_without_an_included_year_there_is_none_to_leave()
    {
        Ways(Do(Site.Empty("Shop"), new ChooseDomain("A", Name("nameyarrow"))))
            .ShouldAllBe(way => way == null || way.Route != DomainRoute.Lent && way.UseIncluded);
        Ways(Choosing("plainstone", "lintel", 12)).ShouldAllBe(way => way == null || way.UseIncluded);
        Ways(Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", Name("nameyarrow"))))
            .ShouldAllBe(way => way == null || way.UseIncluded);
        Ways(Site.Empty("Shop")).ShouldBeEmpty();
    }

    [Fact]
    public void A_premium_name_cannot_be_put_off_and_a_lent_one_is_not_offered_again()
    {
        var premium = Name("tidemarsh") with
        {
            Premium = new PremiumPrices(ExactDecimal.Whole(890), ExactDecimal.Whole(90)),
        };
        Ways(Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", premium)))
            .ShouldAllBe(way => way == null || way.Route != DomainRoute.Later);
        Ways(Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", new DomainChoice(DomainRoute.Lent))))
            .ShouldBe([null]);
    }

    [Fact]
    public void It_is_sold_by_registrars_and_by_the_host_but_by_no_other_host()
    {
        Sellers(Choosing("tidemarsh", "slipway", 12)).ShouldBe(["flatstone", "nameyarrow", "tidemarsh"]);
        Sellers(Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", Name("flatstone") with { Years = 10 })))
            .ShouldBe(
                Books
                    .Where(book => book.Domain("com")?.MaxYears >= 10 && (book.Plans.IsEmpty || book.Id == "tidemarsh"))
                    .Select(book => book.Id)
            );
        Sellers(Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", new DomainChoice(DomainRoute.Lent))))
            .ShouldBeEmpty();

        static IEnumerable<string> Sellers(Site site) => Worked(site).DomainSellers.Select(seller => seller.Choice.Id);
    }

    [Fact]
    public void Every_ending_says_who_sells_it_the_host_first_and_from_when_a_year_comes_with_the_plan()
    {
        var endings = Worked(Choosing("tidemarsh", "slipway", 12)).Endings;
        var com = endings.Single(offer => offer.Ending == "com");
        com.Sellers.Select(seller => seller.Book.Id).ShouldBe(["tidemarsh", "flatstone", "nameyarrow"]);
        var given = Books.Single(book => book.Id == "tidemarsh").Plan("slipway")!.IncludedDomain!;
        com.Sellers[0].Included.ShouldBe(given);
        com.Sellers.Skip(1).ShouldAllBe(seller => seller.Included == null);
        foreach (var offer in endings)
        {
            offer.Sellers.ShouldNotBeEmpty();
            (offer.Sellers[0].Included is not null).ShouldBe(
                offer.Sellers[0].Book.Id == "tidemarsh" && given.Endings.Contains(offer.Ending)
            );
            offer.Sellers.ShouldAllBe(seller => seller.Price.Ending == offer.Ending);
        }

        endings.Select(offer => offer.Ending).ShouldBeUnique();
        Worked(Site.Empty("Shop"))
            .Endings.SelectMany(offer => offer.Sellers)
            .ShouldAllBe(seller => seller.Book.Plans.IsEmpty);
    }

    private static List<DomainChoice?> Ways(Site site) => [.. Worked(site).DomainWays.Select(way => way.Choice)];
}
