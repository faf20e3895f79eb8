using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>What a new name costs where: against costings worked out one by one.</summary>
public class NameCostTests
{
    [Theory]
    [InlineData("tidemarsh", "slipway", 12)]
    [InlineData("plainstone", "lintel", 1)]
    [InlineData("fernhollow", "clearing", 12)]
    [InlineData("saltglass", "shard", 12)]
    public void It_is_the_candidate_with_the_name_less_the_candidate_without(string book, string plan, int everyMonths)
    {
        var candidate = (
            book == "saltglass"
                ? Do(Site.Empty("Shop"), new ChoosePlan("A", book, plan))
                : Choosing(book, plan, everyMonths)
        )
            .Listed("A")!
            .Candidate;
        var without = Worksheet.CostingOf(candidate with { Domains = [] }, Books, Settings)!;
        var costs = NameCost.ListAll(candidate, Books, Settings);
        costs
            .Select(cost => (cost.Ending, cost.Seller.Book.Id))
            .ShouldBe(
                EndingOffer
                    .ListAll(candidate, Books)
                    .SelectMany(offer => offer.Sellers.Select(seller => (offer.Ending, seller.Book.Id)))
            );
        foreach (var cost in costs)
        {
            cost.Years.Select(years => years.Years).ShouldBe(Enumerable.Range(1, cost.Seller.Price.MaxYears));
            foreach (var years in cost.Years)
            {
                var with = Worksheet.CostingOf(
                    candidate with
                    {
                        Domains = [Name(cost.Seller.Book.Id) with { Ending = cost.Ending, Years = years.Years }],
                    },
                    Books,
                    Settings
                )!;
                years.Horizon.Amount.ShouldBe(with.Totals.Horizon - without.Totals.Horizon);
                years.Today.Amount.ShouldBe(with.Totals.DueToday - without.Totals.DueToday);
                years.Expires.ShouldBe(Today.AddYears(years.Years));
            }

            cost.Horizon.ShouldBe(cost.Years[0].Horizon);
        }
    }

    [Fact]
    public void The_cheapest_is_said_beside_the_simplest_with_the_difference()
    {
        var costs = NameCost
            .ListAll(Choosing("tidemarsh", "slipway", 12).Listed("A")!.Candidate, Books, Settings)
            .Where(cost => cost.Ending == "co.uk")
            .ToList();
        var host = costs.Single(cost => cost.IsSimplest);
        host.Seller.Book.Id.ShouldBe("tidemarsh");
        var least = costs.Single(cost => cost.IsCheapest);
        // 3 × 7.20 with tax, against 2 × 11.90.
        (least.Seller.Book.Id, least.Horizon!.Value.Amount, least.SimplestCostsMore).ShouldBe(("flatstone", 2592, 264));
        host.Horizon!.Value.Amount.ShouldBe(2856);
        costs.ShouldAllBe(cost =>
            cost.Horizon!.Value.Amount >= 2592 && cost.IsCheapest == (cost.Horizon.Value.Amount == 2592)
        );
        host.SimplestCostsMore.ShouldBeNull();
    }

    [Fact]
    public void Ranks_go_by_what_is_taken_over_the_horizon()
    {
        var costs = NameCost
            .ListAll(Choosing("tidemarsh", "slipway", 12).Listed("A")!.Candidate, Books, Settings)
            .Where(cost => cost.Rank is not null)
            .OrderBy(cost => cost.Rank)
            .ToList();
        costs.Select(cost => cost.Horizon!.Value.Amount).ShouldBeInOrder();
        costs[0].Rank.ShouldBe(1);
        costs.ShouldAllBe(cost =>
            cost.Rank == 1 + costs.Count(other => other.Horizon!.Value.Amount < cost.Horizon!.Value.Amount)
        );
    }

    [Fact]
    public void A_price_that_is_not_stated_ranks_nowhere_and_is_not_the_cheapest()
    {
        var book = Books.Single(known => known.Id == "nameyarrow");
        var unstated = book with { Domains = [.. book.Domains.Select(price => price with { Renew = null })] };
        var costs = NameCost.ListAll(
            new Candidate(null, []),
            [unstated, Books.Single(known => known.Id == "flatstone")],
            Settings
        );
        costs
            .Where(cost => cost.Seller.Book == unstated)
            .ShouldAllBe(cost => cost.Rank == null && !cost.IsCheapest && cost.Horizon!.Value.IsAtLeast);
        costs
            .Where(cost => cost.Seller.Book != unstated)
            .ShouldAllBe(cost => cost.Rank != null && !cost.Horizon!.Value.IsAtLeast);
        costs[0].Years[0].Today.IsAtLeast.ShouldBeFalse();
    }

    [Theory]
    [InlineData("tidemarsh", "com", 12, IncludedWhy.Spent)]
    [InlineData("tidemarsh", "org", 12, IncludedWhy.Ending)]
    [InlineData("tidemarsh", "com", 1, IncludedWhy.Term)]
    [InlineData("nameyarrow", "com", 12, IncludedWhy.Elsewhere)]
    public void Whether_the_plans_year_is_spent_is_said_and_agrees_with_the_bill(
        string seller,
        string ending,
        int everyMonths,
        IncludedWhy why
    )
    {
        var candidate = Choosing("tidemarsh", "slipway", everyMonths).Listed("A")!.Candidate;
        var cost = NameCost
            .ListAll(candidate, Books, Settings)
            .Single(cost => cost.Ending == ending && cost.Seller.Book.Id == seller);
        cost.Included.Why.ShouldBe(why);
        cost.Included.FromMonths.ShouldBe(12);
        var with = Coster
            .Cost(candidate with { Domains = [Name(seller) with { Ending = ending }] }, Books, Settings)
            .Value!;
        with.Run.Bills[0]
            .Lines.Concat(with.Run.Bills.Skip(1).Take(1).SelectMany(bill => bill.Lines))
            .Any(line => line.Waived > 0)
            .ShouldBe(why == IncludedWhy.Spent);
    }

    [Fact]
    public void An_allowance_turned_off_a_premium_name_and_a_plan_that_gives_none_are_said()
    {
        var candidate = Choosing("tidemarsh", "slipway", 12).Listed("A")!.Candidate;
        var off = candidate with { Domains = [Name("tidemarsh") with { UseIncluded = false }] };
        NameCost.ListAll(off, Books, Settings)[0].Included.Why.ShouldBe(IncludedWhy.Off);
        var premium = NameCost.OfPremium(
            "com",
            "tidemarsh",
            new PremiumPrices(ExactDecimal.Whole(500), ExactDecimal.Whole(50)),
            candidate,
            Books,
            Settings
        )!;
        // (500 + 50 + 50) with tax.
        (premium.Included.Why, premium.Horizon!.Value.Amount).ShouldBe((IncludedWhy.Premium, 72_000));
        NameCost.OfPremium("com", "loomgate", new PremiumPrices(null, null), candidate, Books, Settings).ShouldBeNull();
        NameCost
            .ListAll(Choosing("plainstone", "lintel", 12).Listed("A")!.Candidate, Books, Settings)
            .ShouldAllBe(cost => cost.Included.Why == IncludedWhy.NoneGiven);
    }

    [Theory]
    [InlineData("tidemarsh", "slipway", 36, 3)]
    [InlineData("quillhaven", "inkwell", 24, 2)]
    [InlineData("tidemarsh", "slipway", 12, null)]
    [InlineData("plainstone", "lintel", 1, null)]
    public void The_years_that_bring_name_and_hosting_nearest_are_marked(
        string book,
        string plan,
        int everyMonths,
        int? years
    )
    {
        var cost = NameCost
            .ListAll(Choosing(book, plan, everyMonths).Listed("A")!.Candidate, Books, Settings)
            .First(cost => cost.IsSimplest);
        cost.Years.Where(known => known.IsNearest)
            .Select(known => known.Years)
            .ShouldBe(years is { } nearest ? [nearest] : Array.Empty<int>());
        cost.Years.Count(known => known.IsNearest).ShouldBe(years is null ? 0 : 1);
        cost.Years.ShouldAllBe(known => (known.DaysApart == null) == (everyMonths == 1));
        if (years is not null)
        {
            cost.Years[0].DaysApart.ShouldBe(Today.AddMonths(everyMonths).DayNumber - Today.AddYears(1).DayNumber);
            cost.Years[years.Value - 1].DaysApart.ShouldBe(0);
        }
    }

    [Theory]
    [InlineData("flatstone", "com", PrivacyWay.Included)]
    [InlineData("flatstone", "studio", PrivacyWay.Forbidden)]
    [InlineData("nameyarrow", "co.uk", PrivacyWay.ByDefault)]
    [InlineData("nameyarrow", "com", PrivacyWay.Sold)]
    [InlineData("tidemarsh", "com", PrivacyWay.Sold)]
    public void Privacy_is_included_sold_by_the_registry_or_forbidden(string seller, string ending, PrivacyWay way)
    {
        var there = NameCost
            .ListAll(Choosing("tidemarsh", "slipway", 12).Listed("A")!.Candidate, Books, Settings)
            .Single(cost => cost.Ending == ending && cost.Seller.Book.Id == seller)
            .Privacy;
        there.Way.ShouldBe(way);
        if (seller == "tidemarsh")
        {
            (there.FirstYear, there.LaterYear, there.Extra).ShouldBe((350, 890, "privacy"));
        }
    }

    [Fact]
    public void A_plan_that_holds_privacy_has_it_and_a_seller_without_it_sells_none()
    {
        NameCost
            .ListAll(Choosing("loomgate", "warp", 12).Listed("A")!.Candidate, Books, Settings)
            .First(cost => cost.IsSimplest)
            .Privacy.Way.ShouldBe(PrivacyWay.Included);
        NameCost
            .ListAll(
                Do(Site.Empty("Shop"), new ChoosePlan("A", "saltglass", "shard")).Listed("A")!.Candidate,
                Books,
                Settings
            )
            .First(cost => cost.IsSimplest)
            .Privacy.Way.ShouldBe(PrivacyWay.NotSold);
    }

    [Fact]
    public void A_privacy_price_by_the_month_or_once_is_told_by_the_year()
    {
        static PrivacyThere There(ChargeEvery every)
        {
            var book = Books.Single(known => known.Id == "nameyarrow");
            var extra = book.AddOns.Single(addOn => addOn.Id == "privacy") with
            {
                Every = every,
                Prices = new PriceSteps([new PriceStep(14, 100), new PriceStep(null, 300)]),
            };
            return NameCost
                .ListAll(new Candidate(null, []), [book with { AddOns = [extra] }], Settings)
                .First(cost => cost.Ending == "com")
                .Privacy;
        }

        var (month, year, once) = (There(ChargeEvery.Month), There(ChargeEvery.Year), There(ChargeEvery.Once));
        (month.FirstYear, month.LaterYear).ShouldBe((1200, 3600));
        (year.FirstYear, year.LaterYear).ShouldBe((100, 300));
        (once.FirstYear, once.LaterYear).ShouldBe((100, 0));
    }

    [Fact]
    public void A_domain_that_one_has_is_weighed_by_two_costings()
    {
        var candidate = Choosing("tidemarsh", "slipway", 12).Listed("A")!.Candidate;
        var keep = new DomainChoice(DomainRoute.Keep)
        {
            Name = "ostler",
            Ending = "com",
            Expires = new DateOnly(2027, 5, 3),
            Renewal = ExactDecimal.TryParse("14.20", out var renewal) ? renewal : default,
            Currency = Currency.Get("GBP"),
        };
        var owned = OwnedName.WorkOut(candidate, keep, "nameyarrow", Books, Settings, new FaultList());
        var moved = new DomainChoice(DomainRoute.Transfer)
        {
            Book = "nameyarrow",
            Name = "ostler",
            Ending = "com",
            Expires = keep.Expires,
        };
        owned.MovingCostsMore.ShouldBe(
            Coster.Cost(candidate with { Domains = [moved] }, Books, Settings).Value!.Totals.Horizon
                - Coster.Cost(candidate with { Domains = [keep] }, Books, Settings).Value!.Totals.Horizon
        );
        owned.PaidUntil.ShouldBe(new DateOnly(2028, 5, 3));
        var faults = new FaultList();
        var nowhere = OwnedName.WorkOut(candidate, keep with { Ending = "org" }, "fernhollow", Books, Settings, faults);
        nowhere.Moving.ShouldBeNull();
        nowhere.Staying.ShouldNotBeNull();
        nowhere.MovingCostsMore.ShouldBeNull();
        OwnedName
            .WorkOut(new Candidate(null, []), keep, "nameyarrow", Books, Settings, new FaultList())
            .Staying!.Totals.Horizon.ShouldBe(3 * 1420);
    }

    [Theory]
    [InlineData("tidemarsh", "slipway", 12, "2027-12-01", false, "com", 1150)]
    [InlineData("ninebridge", "viaduct", 12, "2027-06-01", false, "com", 1080)]
    [InlineData("fernhollow", "clearing", 12, "2027-12-01", true, "com", 1200)]
    public void The_plans_year_must_be_claimed_in_time(
        string book,
        string plan,
        int everyMonths,
        string before,
        bool everyYear,
        string ending,
        int missed
    )
    {
        var claim = LaterClaim
            .Find(Choosing(book, plan, everyMonths).Listed("A")!.Candidate, Books, Settings)
            .ShouldNotBeNull();
        (claim.Before.ToString("yyyy-MM-dd"), claim.EveryYear, claim.Ending, claim.Missed).ShouldBe(
            (before, everyYear, ending, (Int128?)missed)
        );

        // On the day before it is waived, on that day it is not.
        var later = Name(book) with
        {
            Route = DomainRoute.Later,
            Name = null,
            InMonths = Core.Basics.Months.WholeBetween(Today, claim.Before) - 1,
        };
        Waived(later).ShouldBeTrue();
        Waived(later with { InMonths = later.InMonths + 1 }).ShouldBe(everyYear); // A new one each year.

        bool Waived(DomainChoice choice) =>
            Coster
                .Cost(
                    Choosing(book, plan, everyMonths).Listed("A")!.Candidate with
                    {
                        Domains = [choice],
                    },
                    Books,
                    Settings
                )
                .Value!.Run.Bills.SelectMany(bill => bill.Lines)
                .First(line => line.Kind == LineKind.Domain)
                .Waived > 0;
    }

    [Fact]
    public void Where_nothing_is_given_or_the_term_is_too_short_there_is_nothing_to_claim()
    {
        LaterClaim.Find(Choosing("plainstone", "lintel", 12).Listed("A")!.Candidate, Books, Settings).ShouldBeNull();
        LaterClaim.Find(Choosing("tidemarsh", "slipway", 1).Listed("A")!.Candidate, Books, Settings).ShouldBeNull();
        LaterClaim.Find(new Candidate(null, []), Books, Settings).ShouldBeNull();
        var org = Do(
                Choosing("tidemarsh", "slipway", 12),
                new ChooseDomain("A", Name("tidemarsh") with { Ending = "org" })
            )
            .Listed("A")!
            .Candidate;
        LaterClaim.Find(org, Books, Settings)!.Ending.ShouldBe("com");
    }
}
