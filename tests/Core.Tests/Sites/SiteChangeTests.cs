using System.Collections.Immutable;
using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>
/// Moving about loses nothing already chosen, and a command that cannot be carried out changes nothing.
/// </summary>
public class SiteChangeTests
{
    [Fact]
    public void A_candidate_becomes_another_under_its_letter_and_name_where_the_books_sell_it()
    {
        var site = Do(Site.Empty("Shop"), new RenameCandidate("A", "Mine"), new AddCandidate(null));
        var theirs = Choosing("tidemarsh", "slipway", 12).Shortlist[0].Candidate;
        var replaced = Do(site, new ReplaceCandidate("A", theirs));
        (replaced.Listed("A")!.Candidate, replaced.Listed("A")!.Name, replaced.Shortlist.Length).ShouldBe(
            (theirs, "Mine", 2)
        );
        SiteChange
            .Apply(
                site,
                new ReplaceCandidate("A", theirs with { Hosting = theirs.Hosting! with { Plan = "gone" } }),
                Books,
                Today
            )
            .Faults.Any.ShouldBeTrue();
    }

    [Fact]
    public void A_site_begins_with_one_empty_candidate() =>
        Site.Empty("Shop").Shortlist.Select(listed => listed.Letter).ShouldBe(["A"]);

    [Fact]
    public void A_letter_is_never_given_again()
    {
        var site = Do(
            Site.Empty("Shop"),
            new AddCandidate("A"),
            new RemoveCandidate("B"),
            new AddCandidate(null),
            new RemoveCandidate("A"),
            new RemoveCandidate("C")
        );
        site.Shortlist.Select(listed => listed.Letter).ShouldBe(["D"]);
    }

    [Fact]
    public void Another_plan_keeps_the_way_to_pay_the_extras_the_codes_and_the_domain()
    {
        var site = Do(
            Site.Empty("Shop"),
            new EnterCode("A", "neaptide25"),
            new ChooseDomain(
                "A",
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "tidemarsh",
                    Name = "ostlerwren",
                    Ending = "com",
                    AddOns = [new AddOnChoice("privacy")],
                }
            ),
            new ChoosePlan("A", "tidemarsh", "slipway"),
            new ChooseBilling("A", 12, 12),
            new SetExtra("A", "backup", ForDomain: false, 1),
            new SetExtra("A", "listing", ForDomain: false, 1),
            new ChoosePlan("A", "plainstone", "lintel")
        );
        var candidate = site.Shortlist[0].Candidate;
        candidate.Hosting!.EveryMonths.ShouldBe(12);
        // Nobody else sells help with search engines.
        candidate.Hosting.AddOns.Select(choice => choice.Id).ShouldBe(["backup"]);
        candidate.Hosting.Codes.ShouldBe(["neaptide25"]);
        candidate.Domains[0].Book.ShouldBe("plainstone");
        candidate.Domains[0].AddOns.Select(choice => choice.Id).ShouldBe(["privacy"]);
    }

    [Fact]
    public void A_domain_bought_elsewhere_stays_where_it_is_bought()
    {
        var site = Do(
            Site.Empty("Shop"),
            new ChoosePlan("A", "tidemarsh", "slipway"),
            new ChooseDomain(
                "A",
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "nameyarrow",
                    Name = "ostlerwren",
                    Ending = "net",
                }
            ),
            new ChoosePlan("A", "fernhollow", "clearing")
        );
        site.Shortlist[0].Candidate.Domains[0].Book.ShouldBe("nameyarrow");
    }

    [Fact]
    public void A_code_goes_to_the_book_that_knows_it_else_to_the_host()
    {
        var chosen = Do(
            Site.Empty("Shop"),
            new ChoosePlan("A", "plainstone", "lintel"),
            new ChooseDomain(
                "A",
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "tidemarsh",
                    Name = "ostlerwren",
                    Ending = "com",
                }
            )
        );
        Do(chosen, new EnterCode("A", "mailday")).Shortlist[0].Candidate.Domains[0].Codes.ShouldBe(["mailday"]);
        Do(chosen, new EnterCode("A", "nonsense")).Shortlist[0].Candidate.Hosting!.Codes.ShouldBe(["nonsense"]);
        Do(chosen, new EnterCode("A", "mailday"), new DropCode("A", "MAILDAY"))
            .Shortlist[0]
            .Candidate.Domains[0]
            .Codes.ShouldBeEmpty();
    }

    [Fact]
    public void A_sites_name_must_be_there_and_a_candidates_need_not()
    {
        Refusal(new RenameSite(new string('x', 81))).ShouldBe(new NameLength(Named.Site, 1, 80, 81));
        Refusal(new RenameCandidate("A", new string('x', 41))).ShouldBe(new NameLength(Named.Candidate, 0, 40, 41));

        static FaultReason Refusal(SiteCommand command) =>
            SiteChange.Apply(Site.Empty("Shop"), command, Books, Today).Faults.Faults.ShouldHaveSingleItem().Reason;
    }

    public static TheoryData<SiteCommand, string, string> Refused =>
        new()
        {
            { new RenameSite("  "), "required", "name" },
            { new RenameSite(new string('x', 81)), "out-of-range", "name" },
            { new SetHorizon(0), "out-of-range", "months" },
            { new SetHorizon(121), "out-of-range", "months" },
            { new SetStart(new DateOnly(1900, 1, 1)), "bad-date", "date" },
            { new AddCandidate("Z"), "unknown", "copyOf" },
            { new ReplaceCandidate("Z", new Candidate(null, [])), "unknown", "letter" },
            { new RemoveCandidate("Z"), "unknown", "letter" },
            { new RenameCandidate("A", new string('x', 41)), "out-of-range", "name" },
            { new MoveCandidate("Z", 1), "unknown", "letter" },
            { new SetDisplay("XXZ", ImmutableDictionary<string, ExactDecimal>.Empty), "unknown", "currency" },
            { new SetDisplay("GBP", Rates("USD", 0)), "out-of-range", "rates.USD" },
            { new UseCodes("A", ["MAILDAY", " "]), "required", "code" },
            { new ChoosePlan("A", "tidemarsh", "yacht"), "unknown", "plan" },
            { new ChooseBilling("A", 12, 12), "required", "letter" },
            { new SetExtra("A", "backup", false, 1), "required", "extra" },
            { new EnterCode("A", " "), "required", "code" },
            {
                new ChooseDomain(
                    "A",
                    new DomainChoice(DomainRoute.Register)
                    {
                        Book = "tidemarsh",
                        Name = "x",
                        Ending = "zz",
                    }
                ),
                "unknown",
                "candidate.domains[0].ending"
            },
            {
                new ChooseDomain(
                    "A",
                    new DomainChoice(DomainRoute.Register)
                    {
                        Book = "tidemarsh",
                        Name = "a b",
                        Ending = "com",
                    }
                ),
                "bad-type",
                "candidate.domains[0].name"
            },
            {
                new ChooseDomain(
                    "A",
                    new DomainChoice(DomainRoute.Keep)
                    {
                        Name = "x",
                        Ending = "c_m",
                        Expires = new DateOnly(2027, 1, 1),
                        Renewal = ExactDecimal.Whole(9),
                        Currency = Currency.Get("GBP"),
                    }
                ),
                "bad-type",
                "candidate.domains[0].ending"
            },
            {
                new ChooseDomain(
                    "A",
                    new DomainChoice(DomainRoute.Register)
                    {
                        Book = "tidemarsh",
                        Name = "x",
                        Ending = "com",
                        Years = 11,
                    }
                ),
                "out-of-range",
                "candidate.domains[0].years"
            },
            {
                new ChooseDomain(
                    "A",
                    new DomainChoice(DomainRoute.Transfer)
                    {
                        Book = "tidemarsh",
                        Name = "x",
                        Ending = "com",
                        Expires = new DateOnly(2026, 11, 30),
                    }
                ),
                "expired",
                "candidate.domains[0].expires"
            },
        };

    [Theory]
    [MemberData(nameof(Refused), DisableDiscoveryEnumeration = true)]
    public void What_cannot_be_done_is_said_and_changes_nothing(SiteCommand command, string code, string where)
    {
        var refused = SiteChange.Apply(Site.Empty("Shop"), command, Books, Today);
        refused.Value.ShouldBeNull();
        refused.Faults.Faults.Select(fault => (fault.Code, fault.Where)).ShouldBe([(code, where)]);
    }

    [Fact]
    public void Candidates_keep_their_letters_when_they_are_named_and_moved()
    {
        var site = Do(
            Site.Empty("Shop"),
            new AddCandidate(null),
            new AddCandidate(null),
            new RenameCandidate("C", " The steady one "),
            new MoveCandidate("C", -5),
            new MoveCandidate("A", int.MaxValue)
        );
        site.Shortlist.Select(listed => listed.Letter).ShouldBe(["C", "B", "A"]);
        site.Shortlist[0].Name.ShouldBe("The steady one");
        Do(site, new RenameCandidate("C", " ")).Shortlist[0].Name.ShouldBeNull();
    }

    [Theory]
    [InlineData(1, true)]
    [InlineData(120, true)]
    [InlineData(0, false)]
    [InlineData(121, false)]
    public void The_horizon_is_a_month_to_ten_years(int months, bool holds) =>
        Takes(new SetHorizon(months)).ShouldBe(holds);

    [Theory]
    [InlineData("1970-01-01", true)]
    [InlineData("2200-12-31", true)]
    [InlineData("1969-12-31", false)]
    [InlineData("2201-01-01", false)]
    public void The_start_lies_in_known_years(string day, bool holds) =>
        Takes(new SetStart(DateOnly.Parse(day))).ShouldBe(holds);

    [Theory]
    [InlineData("1000000000", true)]
    [InlineData("1000000001", false)]
    [InlineData("0.00001", true)]
    [InlineData("0", false)]
    public void A_rate_is_above_zero_and_at_most_a_thousand_million(string rate, bool holds) =>
        Takes(
                new SetDisplay(
                    "GBP",
                    ImmutableDictionary<string, ExactDecimal>.Empty.Add(
                        "USD",
                        ExactDecimal.TryParse(rate, out var number) ? number : default
                    )
                )
            )
            .ShouldBe(holds);

    [Theory]
    [InlineData(1, true)]
    [InlineData(60, true)]
    [InlineData(61, false)]
    [InlineData(0, false)]
    public void A_code_has_one_to_sixty_characters(int length, bool holds) =>
        Takes(new EnterCode("A", new string('x', length))).ShouldBe(holds);

    [Theory]
    [InlineData(Site.LongestName, true)]
    [InlineData(Site.LongestName + 1, false)]
    [InlineData(0, false)]
    public void A_sites_name_has_a_length(int length, bool holds) =>
        Takes(new RenameSite(new string('n', length))).ShouldBe(holds);

    [Theory]
    [InlineData("Clocks\u202e", false)]
    [InlineData("Clocks\u0007", false)]
    [InlineData("Clo\u2028cks", false)]
    [InlineData("Clocks \u200d\u200c é 時計", true)]
    public void A_name_holds_only_what_can_be_seen(string name, bool holds) =>
        Takes(new RenameSite(name)).ShouldBe(holds);

    [Fact]
    public void Twenty_codes_are_tried_and_no_more()
    {
        var site = Do(
            Site.Empty("Shop"),
            [.. Enumerable.Range(0, CodeChange.Most).Select(index => new EnterCode("A", $"CODE{index}"))]
        );
        SiteChange
            .Apply(site, new EnterCode("A", "ANOTHER"), Books, Today)
            .Faults.Faults.Select(fault => fault.Where)
            .ShouldBe(["code"]);
        CodeChange
            .Entered(Do(site, new DropCode("A", "code3")).Listed("A")!.Candidate)
            .Length.ShouldBe(CodeChange.Most - 1);
    }

    [Fact]
    public void A_code_goes_to_the_book_that_knows_it_and_to_the_host_where_both_do()
    {
        var host = Books.Single(book => book.Id == "tidemarsh");
        var seller = Books.Single(book => book.Id == "nameyarrow");
        var known = seller with { Promotions = [host.PromotionOf("NEAPTIDE25")! with { Code = "NAMES", Plans = [] }] };
        ImmutableArray<OfferBook> books = [.. Books.Select(book => book == seller ? known : book)];
        var site = Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", Name(seller.Id)));
        Entered("NAMES").ShouldBe((0, 1));
        Entered("neaptide25").ShouldBe((1, 0));
        Entered("NOBODY").ShouldBe((1, 0));

        (int Host, int Seller) Entered(string code)
        {
            var candidate = SiteChange
                .Apply(site, new EnterCode("A", code), books, Today)
                .Value!.Listed("A")!
                .Candidate;
            return (candidate.Hosting!.Codes.Length, candidate.Domains[0].Codes.Length);
        }
    }

    [Fact]
    public void Another_plan_keeps_the_way_to_pay_the_codes_and_the_extras_of_like_kind()
    {
        var site = Do(
            Choosing("tidemarsh", "slipway", 12),
            new SetExtra("A", "backup", ForDomain: false, 1),
            new SetExtra("A", "listing", ForDomain: false, 1),
            new SetExtra("A", "privacy", ForDomain: true, 1),
            new EnterCode("A", "SOME")
        );
        var same = Do(site, new ChoosePlan("A", "tidemarsh", "jetty")).Listed("A")!.Candidate;
        (same.Hosting!.EveryMonths, same.Hosting.Codes.Single()).ShouldBe((12, "SOME"));
        same.Hosting.AddOns.Select(extra => extra.Id).ShouldBe(["backup", "listing"]);
        same.Domains[0].AddOns.Select(extra => extra.Id).ShouldBe(["privacy"]);
        var other = Do(site, new ChoosePlan("A", "quillhaven", "inkwell")).Listed("A")!.Candidate;
        (other.Hosting!.EveryMonths, other.Hosting.Codes.Single(), other.Domains[0].Book).ShouldBe(
            (12, "SOME", "quillhaven")
        );
        // It copies too; nobody there helps with being found.
        other.Hosting.AddOns.Select(extra => extra.Id).ShouldBe(["press"]);
        other.Domains[0].AddOns.Select(extra => extra.Id).ShouldBe(["privacy"]);
        var away = Do(site, new ChooseDomain("A", Name("nameyarrow")), new ChoosePlan("A", "quillhaven", "inkwell"))
            .Listed("A")!
            .Candidate;
        away.Domains[0].Book.ShouldBe("nameyarrow");
        var yearly = Do(Choosing("plainstone", "lintel", 1), new ChoosePlan("A", "loomgate", "warp"))
            .Listed("A")!
            .Candidate;
        yearly.Hosting!.EveryMonths.ShouldBe(12); // The only way to pay there.
        var monthly = Do(
                Site.Empty("Shop"),
                new ChoosePlan("A", "saltglass", "shard"),
                new ChooseBilling("A", 1, 12),
                new ChoosePlan("A", "tidemarsh", "slipway")
            )
            .Listed("A")!
            .Candidate;
        // Paid as often, though it binds for less.
        (monthly.Hosting!.EveryMonths, monthly.Hosting.CommitMonths).ShouldBe((1, 1));
    }

    [Fact]
    public void Another_name_keeps_the_extras_and_codes_of_the_one_before_unless_it_brings_its_own()
    {
        var site = Do(Choosing("tidemarsh", "slipway", 12), new SetExtra("A", "privacy", ForDomain: true, 1));
        site = site.With(
            site.Listed("A")! with
            {
                Candidate = site.Listed("A")!.Candidate with
                {
                    Domains = [site.Listed("A")!.Candidate.Domains[0] with { Codes = ["NAMES"] }],
                },
            }
        );
        var other = After(Name("tidemarsh") with { Name = "ostlerandwren" });
        (other.AddOns.Single().Id, other.Codes.Single(), other.Name).ShouldBe(("privacy", "NAMES", "ostlerandwren"));
        After(Name("nameyarrow")).AddOns.Single().Id.ShouldBe("privacy"); // It does the same there.
        After(Name("tidemarsh") with { AddOns = [new AddOnChoice("privacy", 2)] }).AddOns.Single().Quantity.ShouldBe(2);
        After(new DomainChoice(DomainRoute.Lent)).AddOns.ShouldBeEmpty();

        DomainChoice After(DomainChoice wanted) =>
            Do(site, new ChooseDomain("A", wanted)).Listed("A")!.Candidate.Domains.Single();
    }

    private static bool Takes(SiteCommand command) =>
        SiteChange.Apply(Site.Empty("Shop"), command, Books, Today).Value is not null;

    [Fact]
    public void A_rate_keeps_the_day_it_was_typed_until_it_changes()
    {
        var site = Do(Site.Empty("Shop"), new SetDisplay("GBP", Rates("USD", 2)));
        site.Settings.RateDates["USD"].ShouldBe(Today);
        var later = SiteChange.Apply(site, new SetDisplay("GBP", Rates("USD", 2)), Books, Today.AddDays(9)).Value!;
        later.Settings.RateDates["USD"].ShouldBe(Today);
        SiteChange
            .Apply(later, new SetDisplay("GBP", Rates("USD", 3)), Books, Today.AddDays(9))
            .Value!.Settings.RateDates["USD"]
            .ShouldBe(Today.AddDays(9));
        SiteChange
            .Apply(later, new SetDisplay("EUR", Rates("USD", 2)), Books, Today.AddDays(9))
            .Value!.Settings.RateDates["USD"]
            .ShouldBe(Today.AddDays(9));
    }

    private static ImmutableDictionary<string, ExactDecimal> Rates(string currency, int rate) =>
        ImmutableDictionary<string, ExactDecimal>.Empty.Add(currency, ExactDecimal.Whole(rate));

    [Fact]
    public void Letters_go_on_behind_Z_and_none_is_given_twice()
    {
        var site = Site.Empty("Shop");
        var letters = new List<string> { "A" };
        while (letters.Count < 55)
        {
            site = Do(site, new AddCandidate(null));
            letters.Add(site.Shortlist[^1].Letter);
            site = Do(site, new RemoveCandidate(letters[^1]));
        }

        letters.ShouldBeUnique();
        letters.Skip(24).Take(4).ShouldBe(["Y", "Z", "AA", "AB"]);
        letters.Skip(50).Take(4).ShouldBe(["AY", "AZ", "BA", "BB"]);
    }

    [Fact]
    public void A_shortlist_holds_eight()
    {
        var site = Do(Site.Empty("Shop"), [.. Enumerable.Repeat(new AddCandidate(null), 7)]);
        site.Shortlist.Length.ShouldBe(8);
        SiteChange.Apply(site, new AddCandidate(null), Books, Today).Faults.Any.ShouldBeTrue();
    }

    [Fact]
    public void A_code_entered_first_waits_and_does_not_bar_a_domain_from_being_costed()
    {
        var site = Do(
            Site.Empty("Shop"),
            new EnterCode("A", "NEAPTIDE25"),
            new ChooseDomain(
                "A",
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "nameyarrow",
                    Name = "ostlerwren",
                    Ending = "com",
                }
            )
        );
        // 7.80 and 20% tax.
        Worksheet.CostingOf(site.Shortlist[0].Candidate, Books, Settings)!.Totals.DueToday.ShouldBe(936);
    }

    [Fact]
    public void The_least_is_said_of_whole_totals_only_and_of_equal_ones_alike()
    {
        var site = Do(
            Site.Empty("Shop"),
            new ChoosePlan("A", "plainstone", "lintel"),
            new ChooseBilling("A", 12, 12),
            new AddCandidate("A"),
            new AddCandidate("A"),
            new ChooseBilling("C", 1, 1)
        );
        var costings = site.Shortlist.Select(listed => Worksheet.CostingOf(listed.Candidate, Books, Settings)).ToList();
        Shortlist.Least(costings, new Needs()).Order().ShouldBe([0, 1]);
        Shortlist.Least([costings[0], null], new Needs()).ShouldBeEmpty();
    }

    [Fact]
    public void The_bars_of_the_timeline_add_up_also_where_months_are_drawn_as_years()
    {
        var site = Do(Site.Empty("Shop"), new ChoosePlan("A", "tidemarsh", "slipway"), new ChooseBilling("A", 1, 1));
        var costing = Worksheet.CostingOf(site.Shortlist[0].Candidate, Books, Settings)!;
        var timeline = Timeline.Build(costing);
        timeline.IsByYear.ShouldBeTrue();
        timeline.Bars.Length.ShouldBe(3);
        timeline.Bars.Aggregate((Minor)0, (sum, bar) => sum + bar.Total).ShouldBe(costing.Totals.Horizon);
        timeline.Bars.ShouldAllBe(bar =>
            bar.Parts.Plan + bar.Parts.Domain + bar.Parts.Extras + bar.Parts.Setup + bar.Parts.Tax == bar.Total
        );
    }
}
