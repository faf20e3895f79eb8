namespace HomeStart.Core.Tests;

/// <summary>A value, what bars it, or neither.</summary>
public class ResultTests
{
    [Fact]
    public void A_value_may_become_another_and_what_bars_it_stays()
    {
        Result.From("value", new FaultList()).As(value => value + "!").Value.ShouldBe("value!");
        var faults = new FaultList();
        faults.Add(FaultCodes.Unknown, "here", new NoSuchBook("b"));
        var barred = Result.From("value", faults).As(value => value + "!");
        (barred.Value, barred.Faults.Count, barred.Has(out _)).ShouldBe((null, 1, false));
        Result.From<string>(null, new FaultList()).As(value => value + "!").Value.ShouldBeNull();
    }

    [Fact]
    public void What_is_found_elsewhere_is_taken_over_whole()
    {
        var many = new FaultList();
        for (var index = 0; index < FaultList.MostListed + 5; index++)
        {
            many.Add(FaultCodes.Unknown, $"at[{index}]", new NoSuchBook($"{index}"));
        }

        var all = new FaultList();
        all.Add(many);
        (all.Faults.Count, all.More, all.Count).ShouldBe((FaultList.MostListed, 5, FaultList.MostListed + 5));
        all.Faults[3].Reason.ShouldBe(new NoSuchBook("3"));
    }

    [Fact]
    public void A_kept_domain_without_its_price_is_not_chosen_yet()
    {
        var kept = new DomainChoice(DomainRoute.Keep)
        {
            Name = "wren",
            Ending = "com",
            Expires = Shop.Today.AddMonths(3),
            Currency = Currency.Get("GBP"),
        };
        var candidate = Shop.Choosing("tidemarsh", "slipway", 12).Listed("A")!.Candidate;
        var result = Coster.Cost(candidate with { Domains = [kept] }, Shop.Books, Shop.Settings);
        (result.Value, result.Faults.Any).ShouldBe((null, false));
        Coster
            .Cost(
                candidate with
                {
                    Domains = [kept with { Renewal = ExactDecimal.Whole(9) }],
                },
                Shop.Books,
                Shop.Settings
            )
            .Value.ShouldNotBeNull();
        Coster
            .Cost(
                candidate with
                {
                    Domains = [kept with { Renewal = ExactDecimal.Whole(9), Currency = null }],
                },
                Shop.Books,
                Shop.Settings
            )
            .Value.ShouldBeNull();
    }

    [Fact]
    public void What_is_half_chosen_is_no_fault_and_has_no_costing()
    {
        var candidate = Shop.Choosing("tidemarsh", "slipway", 12).Listed("A")!.Candidate;
        var hosting = candidate.Hosting!;
        Candidate[] half =
        [
            candidate with
            {
                Hosting = hosting with { Plan = null },
            },
            candidate with
            {
                Hosting = hosting with { Book = null },
            },
            candidate with
            {
                Hosting = hosting with { EveryMonths = null },
            },
            candidate with
            {
                Domains = [new DomainChoice((DomainRoute?)null)],
            },
            candidate with
            {
                Domains = [new DomainChoice(DomainRoute.Register) { Book = "tidemarsh", Name = "wren" }],
            },
            candidate with
            {
                Domains = [new DomainChoice(DomainRoute.Register) { Name = "wren", Ending = "com" }],
            },
            candidate with
            {
                Domains =
                [
                    new DomainChoice(DomainRoute.Transfer)
                    {
                        Book = "tidemarsh",
                        Name = "wren",
                        Ending = "com",
                    },
                ],
            },
            new Candidate(null, []),
        ];
        foreach (var choice in half)
        {
            var result = Coster.Cost(choice, Shop.Books, Shop.Settings);
            (result.Value, result.Faults.Any).ShouldBe((null, false), choice.ToString());
        }
    }

    [Fact]
    public void Rows_are_one_where_kind_book_and_ref_are()
    {
        var book = Shop.Books[0];
        var key = new RowKey(RowKind.Plan, book, "p", null);
        key.Equals(new RowKey(RowKind.Plan, book, "p", null)).ShouldBeTrue();
        key.Equals(new RowKey(RowKind.Plan, book, "q", null)).ShouldBeFalse();
        key.Equals(new RowKey(RowKind.Setup, book, "p", null)).ShouldBeFalse();
        key.Equals(new RowKey(RowKind.Plan, Shop.Books[1], "p", null)).ShouldBeFalse();
        key.Equals(null).ShouldBeFalse();
    }
}
