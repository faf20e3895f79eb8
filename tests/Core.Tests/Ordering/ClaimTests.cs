namespace HomeStart.Core.Tests;

/// <summary>A domain-year that came with hosting is claimed once, in time, under its endings, with nothing due (costing rule 16).</summary>
public class ClaimTests
{
    private static readonly OrderedThings Things =
        Placing.Of(Shop.Costed(Shop.Do(Shop.Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", new DomainChoice(DomainRoute.Later) { Book = "tidemarsh", Ending = "com", InMonths = 2 })))).Value!;

    private static readonly Order Bought =
        new(Guid.NewGuid(), Guid.NewGuid(), "A", Shop.Today, new Contact("Ada Wren", "ada@example.com", "4 Mill Lane", "Hexworth", "HX4 2AB", "GB", null), Things)
        {
            State = OrderState.Completed, Account = new HostAccount("1", "", "", "", "", "", ["ns1.example.net"], "", ""),
        };

    [Fact]
    public void It_is_there_until_its_day_and_no_longer()
    {
        var claim = Of(Bought, Shop.Today).ShouldNotBeNull();
        claim.Before.ShouldBe(Shop.Today.AddMonths(12));
        claim.Endings.ShouldContain("com");
        Of(Bought, claim.Before.AddDays(-1)).ShouldNotBeNull();
        Of(Bought, claim.Before).ShouldBeNull();
    }

    [Fact]
    public void Nothing_is_claimed_twice_nor_of_what_gives_nothing()
    {
        var claimed = Bought with { Id = Guid.NewGuid(), ClaimOf = Bought.Id };
        Of(Bought, Shop.Today, claimed).ShouldBeNull();
        Of(Bought, Shop.Today, claimed with { State = OrderState.Cancelled }).ShouldNotBeNull();
        Of(Bought, Shop.Today, claimed with { ClaimOf = Guid.NewGuid() }).ShouldNotBeNull();
        Of(Bought with { State = OrderState.NeedsTime }, Shop.Today).ShouldBeNull();
        Of(Bought with { Account = null }, Shop.Today).ShouldBeNull();
        Of(Bought with { Things = Things with { Hosting = Things.Hosting! with { CommitMonths = 1 } } }, Shop.Today).ShouldBeNull();
        Of(Bought with { Things = Things with { Hosting = null } }, Shop.Today).ShouldBeNull();
        var included = new OrderedItem(LineKind.Domain, "a.com", "a.com", "tidemarsh", "Tidemarsh", 1, 12, Money.Zero(Currency.Get("GBP")), null, null, Included: true);
        Of(Bought with { Things = Things with { Items = [included] } }, Shop.Today).ShouldBeNull();
        Of(Bought with { Things = Things with { Items = [included with { Book = "nameyarrow" }] } }, Shop.Today).ShouldNotBeNull();
        Claim.Of(Bought, [], [], Shop.Today).ShouldBeNull(); // Its book is not on the shelf any more.
    }

    [Fact]
    public void The_order_that_claims_joins_the_hosting_for_a_year_at_nothing()
    {
        var order = Of(Bought, Shop.Today)!.Placed(Guid.NewGuid(), DomainName.Parse("ostlerwren.com")!, Bought.Contact, Guid.NewGuid(), Shop.Today.AddMonths(2));
        (order.ClaimOf, order.Account, order.Things.Total.Units, order.Things.Payments.Length).ShouldBe((Bought.Id, Bought.Account, (Minor)0, 0));
        order.Steps.Select(step => step.Kind).ShouldBe([StepKind.Register, StepKind.Join]);
        var item = order.Things.Items.Single();
        (item.Included, item.Until, item.Months).ShouldBe((true, Shop.Today.AddMonths(14), 12));
        order.Things.Domains.Single().ShouldBe(new OrderedDomain("tidemarsh", "Tidemarsh Hosting", DomainName.Parse("ostlerwren.com"), 1, Private: false));
    }

    private static Claim? Of(Order order, DateOnly today, params Order[] others) => Claim.Of(order, Shop.Books, others, today);
}
