namespace HomeStart.Core.Tests;

/// <summary>
/// What an order agrees to is what the costing said, line by line; what cannot be ordered is said with its place.
/// </summary>
public class PlacingTests
{
    [Fact]
    public void Lines_payments_and_the_domain_are_those_of_today()
    {
        var things = Placed(
                Shop.Do(
                    Shop.Choosing("tidemarsh", "slipway", 12),
                    new SetExtra("A", "backup", false, 1),
                    new SetExtra("A", "privacy", true, 1)
                )
            )
            .ShouldNotBeNull();
        things
            .Items.Select(item => (item.Kind, item.Ref, item.Name, item.Months, item.Included))
            .ShouldBe([
                (LineKind.Plan, "slipway", "Slipway", 12, false),
                (LineKind.Domain, "ostlerwren.com", "ostlerwren.com", 12, true),
                (LineKind.AddOn, "backup", "Daily backup", 12, false),
                (LineKind.AddOn, "privacy", "Contact privacy", 12, false),
            ]);
        things
            .Items.Where(item => item.Kind != LineKind.AddOn)
            .ShouldAllBe(item => item.From == Shop.Today && item.Until == Shop.Today.AddMonths(12));
        things.Payments.Select(payment => (payment.Book, payment.Amount)).ShouldBe([("tidemarsh", things.Total)]);
        things.Domains.ShouldBe([
            new OrderedDomain("tidemarsh", "Tidemarsh Hosting", DomainName.Parse("ostlerwren.com"), 1, true),
        ]);
        things.Hosting!.Address.ShouldBe(things.Domains[0].Name);
    }

    [Fact]
    public void Without_contact_privacy_the_record_is_open() =>
        Placed(Shop.Choosing("tidemarsh", "slipway", 12))!.Domains[0].Private.ShouldBeFalse();

    [Fact]
    public void Privacy_that_the_plan_holds_is_had_where_the_domain_is_bought_there_alone()
    {
        Placed(Shop.Choosing("loomgate", "warp", 12))!.Domains[0].Private.ShouldBeTrue();
        Placed(Shop.Do(Shop.Choosing("loomgate", "warp", 12), new ChooseDomain("A", Shop.Name("nameyarrow"))))!
            .Domains[0]
            .Private.ShouldBeFalse();
    }

    [Fact]
    public void Two_sellers_are_two_payments()
    {
        var things = Placed(
                Shop.Do(Shop.Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", Shop.Name("nameyarrow")))
            )
            .ShouldNotBeNull();
        things.Payments.Select(payment => payment.Book).Order().ShouldBe(["nameyarrow", "tidemarsh"]);
        things
            .Payments.Aggregate(Money.Zero(things.Total.Currency), (sum, payment) => sum + payment.Amount)
            .ShouldBe(things.Total);
    }

    [Theory]
    [InlineData(DomainRoute.Keep, "ostlerwren.com")]
    [InlineData(DomainRoute.Later, null)]
    [InlineData(DomainRoute.Lent, null)]
    public void A_domain_that_is_not_registered_today_is_not_ordered_and_only_a_kept_one_is_an_address(
        DomainRoute route,
        string? address
    )
    {
        var choice = route switch
        {
            DomainRoute.Keep => new DomainChoice(route)
            {
                Name = "ostlerwren",
                Ending = "com",
                Expires = Shop.Today.AddMonths(5),
                Renewal = Number("9.00"),
                Currency = Currency.Get("GBP"),
            },
            DomainRoute.Later => Shop.Name("tidemarsh") with { Route = route, InMonths = 2 },
            _ => new DomainChoice(route),
        };
        var things = Placed(Shop.Do(Shop.Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", choice)))
            .ShouldNotBeNull();
        things.Domains.ShouldBeEmpty();
        things.Hosting!.Address?.Text.ShouldBe(address);
        (things.Hosting.Address is null).ShouldBe(address is null);
    }

    [Fact]
    public void A_premium_name_is_agreed_to_at_its_price() =>
        Placed(
            Shop.Do(
                Shop.Choosing("tidemarsh", "slipway", 12),
                new ChooseDomain(
                    "A",
                    Shop.Name("tidemarsh") with
                    {
                        Premium = new PremiumPrices(Number("890.00"), Number("90.00")),
                    }
                )
            )
        )!
            .Domains[0]
            .Premium.ShouldBe(new Money(89000, Currency.Get("GBP")));

    [Fact]
    public void A_transfer_is_ordered_and_the_site_answers_to_it()
    {
        var things = Placed(
                Shop.Do(
                    Shop.Choosing("tidemarsh", "slipway", 12),
                    new ChooseDomain(
                        "A",
                        Shop.Name("tidemarsh") with
                        {
                            Route = DomainRoute.Transfer,
                            Expires = Shop.Today.AddMonths(3),
                        }
                    )
                )
            )
            .ShouldNotBeNull();
        things
            .Domains.Select(domain => (domain.Route, domain.Name?.Text))
            .ShouldBe([(DomainRoute.Transfer, "ostlerwren.com")]);
        things.Hosting!.Address!.Text.ShouldBe("ostlerwren.com");
        things.Hosting.CommitMonths.ShouldBe(12);
    }

    [Fact]
    public void Two_domains_are_both_ordered_each_with_its_own_extras()
    {
        var candidate = Shop.Do(Shop.Choosing("tidemarsh", "slipway", 12), new SetExtra("A", "privacy", true, 1))
            .Listed("A")!
            .Candidate;
        var two = candidate with
        {
            Domains = [.. candidate.Domains, Shop.Name("tidemarsh") with { Name = "ostlerandwren" }],
        };
        var things = Placing.Prepare(Worksheet.CostingOf(two, Shop.Books, Shop.Settings)!).Value.ShouldNotBeNull();
        things
            .Domains.Select(domain => (domain.Name!.Text, domain.Private))
            .ShouldBe([("ostlerwren.com", true), ("ostlerandwren.com", false)]);
        things.Items.Single(item => item.Ref == "privacy").ForDomain.ShouldBe("ostlerwren.com");
    }

    [Fact]
    public void Without_a_domain_that_was_missed_just_its_lines_are_not_paid()
    {
        var candidate = Shop.Do(Shop.Choosing("tidemarsh", "slipway", 12), new SetExtra("A", "privacy", true, 1))
            .Listed("A")!
            .Candidate;
        var one = Placing.Prepare(Worksheet.CostingOf(candidate, Shop.Books, Shop.Settings)!).Value!;
        var two = Placing
            .Prepare(
                Worksheet.CostingOf(
                    candidate with
                    {
                        Domains = [.. candidate.Domains, Shop.Name("tidemarsh") with { Name = "ostlerandwren" }],
                    },
                    Shop.Books,
                    Shop.Settings
                )!
            )
            .Value!;
        var left = two.Without(two.Domains[1]);
        left.Items.ShouldBe(one.Items);
        left.Domains.ShouldBe(one.Domains);
        (left.Payments[0].Amount, left.Total, left.Payments[0].Tax).ShouldBe(
            (one.Payments[0].Amount, one.Total, one.Payments[0].Tax)
        );
        left.Payments[0].Amount.Units.ShouldBeLessThan(two.Payments[0].Amount.Units);
        two.Without(two.Domains[0]).Items.ShouldNotContain(item => item.Ref == "privacy"); // It was for that domain.
        var some = two with { Payments = [two.Payments[0] with { FromBalance = two.Payments[0].Amount }] };
        some.Without(some.Domains[1]).Payments[0].FromBalance.ShouldBe(one.Payments[0].Amount);
    }

    [Fact]
    public void A_seller_that_nobody_here_reaches_is_refused()
    {
        var candidate = Shop.Do(Shop.Choosing("tidemarsh", "slipway", 12)).Listed("A")!.Candidate;
        var costing = Worksheet.CostingOf(candidate, Shop.Books, Shop.Settings)!;
        Placing
            .Prepare(costing, book => book.Id != "tidemarsh")
            .Faults.Faults.Select(fault => fault.Reason)
            .ShouldBe([new NotConnected("Tidemarsh Hosting")]);
        Placing.Prepare(costing, book => book.Id != "plainstone").Faults.Any.ShouldBeFalse(); // Nothing is bought there.
    }

    [Fact]
    public void Like_orders_are_those_of_one_domain_or_without_one_of_one_hosting()
    {
        var (one, again) = (
            Placed(Shop.Choosing("tidemarsh", "slipway", 12))!,
            Placed(Shop.Choosing("tidemarsh", "slipway", 1))!
        );
        one.IsLike(again).ShouldBeTrue();
        var bare = Placed(Shop.Do(Shop.Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", null)))!;
        one.IsLike(bare).ShouldBeFalse();
        bare.IsLike(Placed(Shop.Do(Shop.Choosing("tidemarsh", "slipway", 36), new ChooseDomain("A", null)))!)
            .ShouldBeTrue();
        bare.IsLike(Placed(Shop.Do(Shop.Choosing("plainstone", "lintel", 12), new ChooseDomain("A", null)))!)
            .ShouldBeFalse();
    }

    private static ExactDecimal Number(string text) =>
        ExactDecimal.TryParse(text, out var number) ? number : throw new FormatException(text);

    private static OrderedThings? Placed(Site site) => Placing.Prepare(Shop.Costed(site)).Value;
}
