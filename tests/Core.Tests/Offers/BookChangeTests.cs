using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>In what a newer version of a book differs, and what a book does not state.</summary>
public class BookChangeTests
{
    private static readonly OfferBook Tidemarsh = Books.Single(book => book.Id == "tidemarsh");

    [Fact]
    public void A_book_does_not_differ_from_itself() =>
        Books.ShouldAllBe(book => BookChange.Between(book, book).IsEmpty);

    public static TheoryData<string, OfferBook, string> Newer =>
        new()
        {
            {
                "a first price",
                With(plan =>
                    plan with
                    {
                        Billing = [plan.Billing[0], Priced(plan.Billing[1], 3600, 10788), plan.Billing[2]],
                    }
                ),
                "FirstPrice slipway 12/12 Dearer 35.88 36.00"
            },
            {
                "a later price",
                With(plan =>
                    plan with
                    {
                        Billing = [plan.Billing[0], Priced(plan.Billing[1], 3588, 9000), plan.Billing[2]],
                    }
                ),
                "LaterPrice slipway 12/12 Cheaper 107.88 90.00"
            },
            {
                "a price no longer stated",
                With(plan =>
                    plan with
                    {
                        Billing = [plan.Billing[0], Priced(plan.Billing[1], 3588, null), plan.Billing[2]],
                    }
                ),
                "LaterPrice slipway 12/12 NoLongerStated 107.88 -"
            },
            {
                "a set-up fee",
                With(plan =>
                    plan with
                    {
                        Billing = [plan.Billing[0] with { SetupFee = null }, plan.Billing[1], plan.Billing[2]],
                    }
                ),
                "SetupFee slipway 1/1 Cheaper 18.00 0.00"
            },
            {
                "how long the first price holds",
                With(plan =>
                    plan with
                    {
                        Billing =
                        [
                            plan.Billing[0],
                            plan.Billing[1] with
                            {
                                Prices = new PriceSteps([new PriceStep(2, 3588), new PriceStep(null, 10788)]),
                            },
                            plan.Billing[2],
                        ],
                    }
                ),
                "PriceSteps slipway 12/12 Changed - -"
            },
            {
                "a way to pay gone",
                With(plan => plan with { Billing = [plan.Billing[0], plan.Billing[1]] }),
                "WayToPay slipway 36/36 Gone - -"
            },
            {
                "a way to pay more",
                With(plan =>
                    plan with
                    {
                        Billing = plan.Billing.Add(plan.Billing[0] with { EveryMonths = 3, CommitMonths = 3 }),
                    }
                ),
                "WayToPay slipway 3/3 New - -"
            },
            {
                "what a plan allows",
                With(plan =>
                    plan with
                    {
                        Features = new Features(plan.Features.Values.SetItem("websites", new FeatureValue(2))),
                    }
                ),
                "PlanFeatures slipway Changed - -"
            },
            {
                "the domain-year",
                With(plan => plan with { IncludedDomain = plan.IncludedDomain! with { MinCommitMonths = 24 } }),
                "IncludedDomain slipway Changed - -"
            },
            {
                "no domain-year",
                With(plan => plan with { IncludedDomain = null }),
                "IncludedDomain slipway Changed - -"
            },
            { "a plan gone", Tidemarsh with { Plans = [Tidemarsh.Plans[0]] }, "Plan jetty Gone - -" },
            { "an extra gone", Tidemarsh with { AddOns = Tidemarsh.AddOns.RemoveAt(0) }, "Extra certificate Gone - -" },
            {
                "an ending dearer",
                Tidemarsh with
                {
                    Domains =
                    [
                        .. Tidemarsh.Domains.Select(price =>
                            price.Ending == "com" ? price with { Renew = 1700 } : price
                        ),
                    ],
                },
                "Renewing com Dearer 16.90 17.00"
            },
            {
                "an ending not stated",
                Tidemarsh with
                {
                    Domains =
                    [
                        .. Tidemarsh.Domains.Select(price =>
                            price.Ending == "com" ? price with { Register = null } : price
                        ),
                    ],
                },
                "Registering com NoLongerStated 11.50 -"
            },
            {
                "a code that counts longer",
                Tidemarsh with
                {
                    Promotions = [Tidemarsh.Promotions[0] with { Bills = 7 }, .. Tidemarsh.Promotions.Skip(1)],
                },
                $"Code {Tidemarsh.Promotions[0].Code ?? Tidemarsh.Promotions[0].Id} Changed - -"
            },
            { "tax", Tidemarsh with { Tax = new BookTax(true, true) }, "Tax Changed - -" },
            { "no refund", Tidemarsh with { Refund = null }, "Refund Changed - -" },
            {
                "words alone",
                Tidemarsh with
                {
                    Provider = Tidemarsh.Provider with { Name = "Tidemarsh" },
                    AsOf = Today,
                },
                ""
            },
        };

    [Theory]
    [MemberData(nameof(Newer), DisableDiscoveryEnumeration = true)]
    public void What_differs_is_said_and_nothing_else(string what, OfferBook newer, string said) =>
        string.Join("; ", BookChange.Between(Tidemarsh, newer).Select(Show)).ShouldBe(said, what);

    [Theory]
    [MemberData(nameof(Newer), DisableDiscoveryEnumeration = true)]
    public void The_other_way_round_it_is_the_opposite(string what, OfferBook newer, string said)
    {
        said.ShouldNotBeNull(what);
        var there = BookChange.Between(Tidemarsh, newer);
        BookChange
            .Between(newer, Tidemarsh)
            .ShouldBe(
                there.Select(change =>
                    change with
                    {
                        Kind = Opposite(change.Kind),
                        From = change.To,
                        To = change.From,
                    }
                ),
                ignoreOrder: true
            );
    }

    [Fact]
    public void In_another_currency_no_price_is_dearer_or_cheaper()
    {
        var changes = BookChange.Between(Tidemarsh, Tidemarsh with { Currency = Currency.Get("EUR") });
        changes[0].ShouldBe(new BookChange(BookPart.Currency, "", ChangeKind.Changed));
        changes.ShouldAllBe(change => change.Kind == ChangeKind.Changed);
        changes.ShouldContain(change =>
            change.Part == BookPart.FirstPrice
            && change.From!.Value.Currency.Code == "GBP"
            && change.To!.Value.Currency.Code == "EUR"
        );
    }

    [Fact]
    public void What_a_book_does_not_state_is_listed()
    {
        BookGap
            .Find(Books.Single(book => book.Id == "saltglass"))
            .ShouldContain(gap => gap.Part == BookPart.LaterPrice);
        BookGap
            .Find(
                With(plan => plan with { Billing = [Priced(plan.Billing[1], 3588, null)] }) with
                {
                    Refund = null,
                    Domains = [new DomainPrice("com", null, null, null, 10, [], null)],
                }
            )
            .Select(gap => (gap.Part, gap.Ref))
            .ShouldBe([
                (BookPart.LaterPrice, "slipway 12/12"),
                (BookPart.Registering, "com"),
                (BookPart.Renewing, "com"),
                (BookPart.Refund, ""),
            ]);
        BookGap.Find(Books.Single(book => book.Id == "flatstone")).ShouldBeEmpty(); // It sells no hosting to give back.
    }

    [Fact]
    public void Another_version_costs_what_it_costs_and_only_those_who_buy_there_are_told()
    {
        var site = Do(
            Choosing("tidemarsh", "slipway", 12),
            new AddCandidate(null),
            new ChoosePlan("B", "plainstone", "lintel"),
            new ChooseBilling("B", 12, 12),
            new AddCandidate(null),
            new ChooseDomain("C", Name("tidemarsh"))
        );
        var dearer = With(plan =>
            plan with
            {
                Billing = [plan.Billing[0], Priced(plan.Billing[1], 3588, 13188), plan.Billing[2]],
            }
        );
        var effects = BookEffect.ListAll(site, Books, "tidemarsh", dearer, Settings);
        // Two later years of 24.00, with 20% tax.
        effects.Select(effect => (effect.Letter, effect.HorizonChange)).ShouldBe([("A", (Int128)5760), ("C", 0)]);
        var gone = BookEffect.ListAll(site, Books, "tidemarsh", null, Settings);
        gone.ShouldAllBe(effect => effect.After == null && effect.HorizonChange == null && effect.Before != null);
        var unstated = BookEffect.ListAll(
            site,
            Books,
            "tidemarsh",
            With(plan =>
                plan with
                {
                    Billing = [plan.Billing[0], Priced(plan.Billing[1], 3588, null), plan.Billing[2]],
                }
            ),
            Settings
        );
        (unstated[0].After is not null, unstated[0].HorizonChange).ShouldBe((true, null));
    }

    private static OfferBook With(Func<Plan, Plan> change) =>
        Tidemarsh with
        {
            Plans = [change(Tidemarsh.Plans[0]), .. Tidemarsh.Plans.Skip(1)],
        };

    private static BillingOption Priced(BillingOption option, int first, int? later) =>
        option with
        {
            Prices = new PriceSteps([new PriceStep(1, first), new PriceStep(null, later)]),
        };

    private static string Show(BookChange change) =>
        $"{change.Part} {(change.Ref.Length > 0 ? change.Ref + " " : "")}{change.Kind} "
        + $"{change.From?.ToAmount() ?? "-"} {change.To?.ToAmount() ?? "-"}";

    private static ChangeKind Opposite(ChangeKind kind) =>
        kind switch
        {
            ChangeKind.Dearer => ChangeKind.Cheaper,
            ChangeKind.Cheaper => ChangeKind.Dearer,
            ChangeKind.New => ChangeKind.Gone,
            ChangeKind.Gone => ChangeKind.New,
            ChangeKind.NowStated => ChangeKind.NoLongerStated,
            ChangeKind.NoLongerStated => ChangeKind.NowStated,
            _ => kind,
        };
}
