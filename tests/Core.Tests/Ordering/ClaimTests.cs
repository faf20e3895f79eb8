namespace HomeStart.Core.Tests;

/// <summary>
/// A domain-year that came with hosting is claimed once, in time, under its endings, with nothing due, and only while
/// the hosting runs (costing rule 16, upkeep rule 15).
/// </summary>
public class ClaimTests
{
    private static readonly Candidate Chosen = Shop.Do(
            Shop.Choosing("tidemarsh", "slipway", 12),
            new ChooseDomain(
                "A",
                new DomainChoice(DomainRoute.Later)
                {
                    Book = "tidemarsh",
                    Ending = "com",
                    InMonths = 2,
                }
            )
        )
        .Listed("A")!
        .Candidate;

    private static readonly Order Bought = new(
        Guid.NewGuid(),
        Guid.NewGuid(),
        "A",
        Shop.Today,
        new Contact("Ada Wren", "ada@example.com", "4 Mill Lane", "Hexworth", "HX4 2AB", "GB", null),
        Placing.Prepare(Coster.Cost(Chosen, Shop.Books, Shop.Settings).Value!).Value!
    )
    {
        State = OrderState.Completed,
        Account = new HostAccount("1", "", "", "", "", "", ["ns1.example.net"], "", ""),
    };

    [Fact]
    public void It_is_there_until_its_day_and_no_longer()
    {
        var claim = Found(Bought, Shop.Today).ShouldNotBeNull();
        claim.Before.ShouldBe(Shop.Today.AddMonths(12));
        claim.Endings.ShouldContain("com");
        claim.On.ShouldBe(Shop.Today.AddDays(1)); // A decision comes after the day of the order.
        Found(Bought, claim.Before.AddDays(-1)).ShouldNotBeNull().On.ShouldBe(claim.Before.AddDays(-1));
        Found(Bought, claim.Before).ShouldBeNull();
    }

    [Fact]
    public void Nothing_is_claimed_twice_nor_of_what_gives_nothing()
    {
        Found(Bought, Shop.Today, taken: [0]).ShouldBeNull();
        Found(Bought, Shop.Today, taken: [1]).ShouldNotBeNull();
        var claim = new ClaimDomain(
            Shop.Today.AddDays(1),
            new DomainChoice(DomainRoute.Register)
            {
                Book = "tidemarsh",
                Name = "wrenclocks",
                Ending = "com",
            }
        );
        Found(Bought, Shop.Today.AddDays(9), decisions: [claim]).ShouldBeNull();
        Found(Bought with { State = OrderState.NeedsTime }, Shop.Today).ShouldBeNull();
        Found(Bought with { Account = null }, Shop.Today).ShouldBeNull();
        var monthly = Chosen with { Hosting = Chosen.Hosting! with { EveryMonths = 1, CommitMonths = 1 } };
        Found(Bought, Shop.Today, monthly).ShouldBeNull();
        // The ordered name had it.
        Found(Bought, Shop.Today, Chosen with { Domains = [Shop.Name("tidemarsh")] }).ShouldBeNull();
        Found(Bought, Shop.Today, Chosen with { Domains = [Shop.Name("nameyarrow")] }).ShouldNotBeNull();
    }

    [Fact]
    public void What_was_given_back_suspended_or_ended_gives_no_domain_any_more()
    {
        var day = Shop.Today.AddDays(5);
        Found(Bought, day.AddDays(1), decisions: [new Leave(day)]).ShouldBeNull();
        Found(Bought, day, decisions: [new Leave(day.AddDays(9))]).ShouldNotBeNull(); // Only planned.
        // It runs to the end of its year.
        Found(Bought, day.AddDays(1), decisions: [new SetRenewing(day, "hosting", Value: false)]).ShouldNotBeNull();
    }

    [Fact]
    public void The_order_that_claims_joins_the_hosting_for_a_year_at_nothing()
    {
        var order = Found(Bought, Shop.Today)!
            .Placed(
                Guid.NewGuid(),
                DomainName.Parse("ostlerwren.com")!,
                "quote_1",
                Bought.Contact,
                Guid.NewGuid(),
                Shop.Today.AddMonths(2)
            );
        (
            order.ClaimOf,
            order.Account,
            order.Things.Total.Units,
            order.Things.Payments.Length,
            order.QuoteAt("tidemarsh")
        ).ShouldBe((Bought.Id, Bought.Account, (Minor)0, 0, "quote_1"));
        order.Steps.Select(step => step.Kind).ShouldBe([StepKind.Register, StepKind.Join]);
        var item = order.Things.Items.Single();
        (item.Included, item.Until, item.Months).ShouldBe((true, Shop.Today.AddMonths(14), 12));
        order
            .Things.Domains.Single()
            .ShouldBe(
                new OrderedDomain(
                    "tidemarsh",
                    "Tidemarsh Hosting",
                    DomainName.Parse("ostlerwren.com"),
                    1,
                    Private: false
                )
            );
    }

    private static Claim? Found(
        Order order,
        DateOnly today,
        Candidate? candidate = null,
        int[]? taken = null,
        Decision[]? decisions = null
    )
    {
        var tenure = Tenure.Begin(candidate ?? Chosen, Shop.Books, Shop.Settings, new FaultList()).Value!;
        var book = (decisions ?? []).Aggregate(
            DayKeeper.Opened(tenure, order.Id, Guid.NewGuid(), new PaidBy(null, null)),
            (with, decision) => with.With(decision)
        );
        return Claim.Find(order, new Outlook(tenure, book, today, 12), (taken ?? []).ToHashSet());
    }
}
