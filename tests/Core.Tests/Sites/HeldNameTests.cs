using System.Collections.Immutable;
using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>Names kept in mind, and more than one domain on a candidate.</summary>
public class HeldNameTests
{
    private static readonly HeldName One = new("wrenclocks", "com");
    private static readonly HeldName Other = new("wrenclocks", "co.uk");

    [Fact]
    public void Names_are_held_once_in_the_order_they_came_and_dropped()
    {
        var site = Do(Site.Empty("Shop"), new HoldNames([One]), new HoldNames([Other, One, Other]));
        site.Held.ShouldBe([One, Other]);
        Do(site, new DropNames([One, new HeldName("never", "org")])).Held.ShouldBe([Other]);
    }

    [Fact]
    public void What_is_no_domain_and_what_is_too_much_is_not_held()
    {
        Faults(new HoldNames([One, new HeldName("wren clocks", "com")])).ShouldBe([("bad-type", "names[1]")]);
        Faults(new HoldNames([new HeldName("wren", "c o")])).ShouldBe([("bad-type", "names[0]")]);
        var full = Do(
            Site.Empty("Shop"),
            new HoldNames([.. Enumerable.Range(0, Site.MostHeld).Select(at => new HeldName($"wren{at}", "com"))])
        );
        SiteChange
            .Apply(full, new HoldNames([One]), Books, Today)
            .Faults.Faults.Select(fault => (fault.Code, fault.Where))
            .ShouldBe([("out-of-range", "names")]);
        Do(full, new HoldNames([full.Held[0]])).Held.Length.ShouldBe(Site.MostHeld);
    }

    [Fact]
    public void Another_domain_stands_beside_the_first_and_is_costed()
    {
        var site = Do(
            Choosing("plainstone", "lintel", 12),
            new ChooseDomain("A", Name("nameyarrow")),
            new AddDomain("A", Name("flatstone") with { Ending = "co.uk" })
        );
        var domains = site.Listed("A")!.Candidate.Domains;
        domains.Select(domain => domain.Ref).ShouldBe(["ostlerwren.com", "ostlerwren.co.uk"]);
        Costed(site).Ledger.Rows.Count(row => row.Key.Kind == RowKind.Domain).ShouldBe(2);
        Do(site, new ChooseDomain("A", Name("flatstone")))
            .Listed("A")!
            .Candidate.Domains.Select(domain => (domain.Ref, domain.Book))
            .ShouldBe([("ostlerwren.com", "flatstone"), ("ostlerwren.co.uk", "flatstone")]);
        Do(site, new ChooseDomain("A", null)).Listed("A")!.Candidate.Domains.Single().Ref.ShouldBe("ostlerwren.co.uk");
        Do(site, new DropDomain("A", "ostlerwren.com"))
            .Listed("A")!
            .Candidate.Domains.Single()
            .Ref.ShouldBe("ostlerwren.co.uk");
    }

    [Fact]
    public void The_same_domain_twice_one_too_many_and_one_that_is_not_there_are_refused()
    {
        var site = Choosing("tidemarsh", "slipway", 12);
        FaultsOf(site, new AddDomain("A", Name("nameyarrow"))).ShouldBe([("repeated", "domain")]);
        FaultsOf(site, new DropDomain("A", "other.com")).ShouldBe([("unknown", "domain")]);
        var full = Do(
            site,
            [
                .. Enumerable
                    .Range(1, Site.MostDomains - 1)
                    .Select(at => new AddDomain("A", Name("nameyarrow") with { Name = $"wren{at}" })),
            ]
        );
        FaultsOf(full, new AddDomain("A", Name("nameyarrow") with { Name = "wren9" }))
            .ShouldBe([("out-of-range", "domain")]);
        FaultsOf(site, new AddDomain("A", Name("nobody") with { Name = "wren" })).ShouldNotBeEmpty();
    }

    /// <summary>A dear name listed after a cheap one would lose the plan's year to it.</summary>
    [Fact]
    public void The_plans_year_goes_where_it_saves_most_and_the_page_says_how_much()
    {
        var site = Do(
            Choosing("tidemarsh", "slipway", 12),
            new ChooseDomain("A", Name("tidemarsh") with { Ending = "co.uk" }),
            new AddDomain("A", Name("tidemarsh"))
        );
        var domains = site.Listed("A")!.Candidate.Domains;
        domains
            .Select(domain => (domain.Ref, domain.UseIncluded))
            .ShouldBe([("ostlerwren.co.uk", false), ("ostlerwren.com", true)]);
        var year = IncludedYear.Find(site.Listed("A")!.Candidate, Books, Settings).ShouldNotBeNull();
        year.ShouldBe(new IncludedYear("ostlerwren.com", 600)); // 11.50 against 6.50, with tax.
        var back = Do(site, new DropDomain("A", "ostlerwren.com")).Listed("A")!.Candidate.Domains.Single();
        (back.Ref, back.UseIncluded).ShouldBe(("ostlerwren.co.uk", true));
    }

    [Theory]
    [InlineData("tidemarsh", "slipway")]
    [InlineData("quillhaven", "inkwell")]
    [InlineData("ninebridge", "viaduct")]
    [InlineData("fernhollow", "clearing")]
    [InlineData("plainstone", "lintel")]
    public void No_other_choice_of_the_domain_to_spend_it_on_costs_less(string book, string plan)
    {
        var endings = Books.Single(known => known.Id == book).Domains.Select(price => price.Ending).Take(3).ToList();
        var site = Do(
            Choosing(book, plan, 12),
            [
                new ChooseDomain("A", Name(book) with { Ending = endings[^1] }),
                .. endings.SkipLast(1).Select(ending => new AddDomain("A", Name(book) with { Ending = ending })),
            ]
        );
        var (candidate, least) = (site.Listed("A")!.Candidate, Costed(site).Totals.Horizon);
        for (var set = 0; set < 1 << candidate.Domains.Length; set++)
        {
            ImmutableArray<DomainChoice> other =
            [
                .. candidate.Domains.Select((domain, at) => domain with { UseIncluded = (set & (1 << at)) != 0 }),
            ];
            Coster
                .Cost(candidate with { Domains = other }, Books, Settings)
                .Value!.Totals.Horizon.ShouldBeGreaterThanOrEqualTo(least);
        }
    }

    [Fact]
    public void One_domain_or_none_that_it_is_spent_on_leaves_nothing_to_say()
    {
        IncludedYear.Find(Choosing("tidemarsh", "slipway", 12).Listed("A")!.Candidate, Books, Settings).ShouldBeNull();
        IncludedYear
            .Find(
                Do(Choosing("plainstone", "lintel", 12), new AddDomain("A", Name("flatstone") with { Ending = "org" }))
                    .Listed("A")!
                    .Candidate,
                Books,
                Settings
            )
            .ShouldBeNull();
    }

    private static List<(string, string)> Faults(SiteCommand command) => FaultsOf(Site.Empty("Shop"), command);

    private static List<(string, string)> FaultsOf(Site site, SiteCommand command) =>
        [.. SiteChange.Apply(site, command, Books, Today).Faults.Faults.Select(fault => (fault.Code, fault.Where))];
}
