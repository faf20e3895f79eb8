using System.Collections.Immutable;
using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>A scan that would take too long says so with its figure, counted by hand here, before it begins.</summary>
public class ScanWorkTests
{
    private static readonly DateOnly Start = new(2026, 12, 1);

    [Theory]
    [InlineData(50, 80, null)]
    [InlineData(50, 81, "4050 ways; at most 4000")]
    public void So_many_ways_to_make_good_what_a_plan_lacks_are_tried(int backups, int watches, string? tooMuch) =>
        Faults(
                [Book("host", [.. Extras("backup", backups), .. Extras("watch", watches)])],
                new Needs { Extras = ["backup", "watch"] }
            )
            .ShouldBe(tooMuch);

    [Fact]
    public void What_the_plan_has_already_multiplies_nothing() =>
        Faults(
                [Book("host", [.. Extras("backup", 100), .. Extras("watch", 100)], includes: ["watch0"])],
                new Needs { Extras = ["backup", "watch"] }
            )
            .ShouldBeNull();

    [Fact]
    public void The_steps_are_ways_by_data_centres_by_rules_by_bills()
    {
        // Each plan: 4,000 ways to make good what is lacking and one without any, in 60 data centres, by 4 rules, over
        // the bills of the run and 15 more.
        const long each = 4001L * 60 * 4 * (Months.Run + 15);
        Steps(12, centres: 60).ShouldBe(12 * each);
        Steps(24, centres: 60).ShouldBe(24 * each);
        Steps(12, centres: 120).ShouldBe(24 * each);

        long Steps(int books, int centres) =>
            Figure(
                Faults(
                    [
                        .. Enumerable
                            .Range(0, books)
                            .Select(index =>
                                Book(
                                    $"host{index}",
                                    [.. Extras("backup", 50), .. Extras("watch", 80)],
                                    every: 1,
                                    centres: centres
                                )
                            ),
                    ],
                    new Needs { Extras = ["backup", "watch"] }
                )
            );
    }

    [Fact]
    public void What_a_domain_could_make_good_too_is_left_to_it_once_more()
    {
        // 63 extras of the host provide it and one of the domain's: 64 ways with the host's own domain, and 64 sets at
        // the host beside a domain from elsewhere.
        var host = Book("host", [.. Extras("privacy", 63), Privacy], every: 1, centres: 500);
        host = host with { Domains = [new DomainPrice("com", 900, 900, null, 10, [], null)] };
        var elsewhere = Seller("names", ["com"]) with { AddOns = [Privacy] };
        var needs = new Needs { Extras = ["privacy"], Domain = new DomainNeed(DomainRoute.Register, "wren", ["com"]) };
        var steps = Figure(
            Faults([.. Enumerable.Range(0, 60).Select(index => host with { Id = $"host{index}" }), elsewhere], needs)
        );

        // 1 without any; 64 and 64 with its own domain; and 64 for the one group that all domains are.
        steps.ShouldBe(60 * (1L + 64 + 64 + 64) * 500 * 4 * (Months.Run + 15));
    }

    private static AddOn Privacy =>
        new("private", "Privacy", AddOnFor.Domain, ChargeEvery.Year, new PriceSteps([new PriceStep(null, 100)]))
        {
            Provides = "privacy",
        };

    [Fact]
    public void Promotions_and_what_they_match_are_rules_to_hold_a_bill_against()
    {
        ImmutableArray<LineMatch> two = [new LineMatch(LineKind.Plan, null), new LineMatch(LineKind.Setup, null)];
        var host = Book("host", [.. Extras("backup", 50), .. Extras("watch", 80)], every: 1, centres: 60) with
        {
            Promotions = [new Promotion("one", null) { Percent = ExactDecimal.Whole(1), AppliesTo = two }],
        };
        var steps = Figure(
            Faults(
                [.. Enumerable.Range(0, 12).Select(index => host with { Id = $"host{index}" })],
                new Needs { Extras = ["backup", "watch"] }
            )
        );
        steps.ShouldBe(12 * (4001L * 60 * (4 + 3) * (Months.Run + 15)));
    }

    [Fact]
    public void So_many_places_of_a_domain_are_looked_at()
    {
        ImmutableArray<string> endings = [.. Enumerable.Range(0, 101).Select(index => $"e{index}")];
        var sellers = Enumerable
            .Range(0, 200)
            .Select(index => Seller($"names{index}", endings[..100]))
            .ToImmutableArray();
        var need = new Needs { Domain = new DomainNeed(DomainRoute.Register, "wren", endings) };
        Faults([Book("host", []), .. sellers], need).ShouldBeNull();
        Faults([Book("host", []), .. sellers, Seller("last", endings[100..])], need)
            .ShouldBe("sold in 20001 places; at most 20000");
    }

    private static long Figure(string? fault) => long.Parse(fault.ShouldNotBeNull().Split(' ')[0]);

    // The part of the only fault that holds the figures.
    private static string? Faults(ImmutableArray<OfferBook> books, Needs needs)
    {
        var faults = Scan.Run(
            new ScanRequest(
                books,
                new CountSettings(Start, 12) { DisplayCurrency = Currency.Get("GBP") },
                needs,
                Objective.Horizon,
                ByPlan: true,
                Top: 1
            ),
            null,
            CancellationToken.None
        ).Faults.Faults;
        if (faults.Count == 0)
        {
            return null;
        }

        var message = FaultWords.Sentence(faults.ShouldHaveSingleItem());
        var match = System.Text.RegularExpressions.Regex.Match(
            message,
            @"(\d+ ways; at most \d+|\d+ steps|sold in \d+ places; at most \d+)",
            System.Text.RegularExpressions.RegexOptions.ExplicitCapture,
            TimeSpan.FromSeconds(1)
        );
        return match.Success ? match.Value : message;
    }

    private static OfferBook Book(
        string id,
        ImmutableArray<AddOn> extras,
        ImmutableArray<string>? includes = null,
        int every = 12,
        int centres = 0
    ) =>
        new(id, new Provider(id, null), Start, Currency.Get("GBP"))
        {
            AddOns = extras,
            DataCentres =
            [
                .. Enumerable.Range(0, centres).Select(index => new DataCentre($"c{index}", $"C{index}", null, null)),
            ],
            Plans =
            [
                new Plan("plan", "Plan")
                {
                    Includes = includes ?? [],
                    Billing = [new BillingOption(every, every, null, new PriceSteps([new PriceStep(null, 1000)]))],
                },
            ],
        };

    private static OfferBook Seller(string id, ImmutableArray<string> endings) =>
        new(id, new Provider(id, null), Start, Currency.Get("GBP"))
        {
            Domains = [.. endings.Select(ending => new DomainPrice(ending, 900, 900, null, 10, [], null))],
        };

    private static IEnumerable<AddOn> Extras(string tag, int count) =>
        Enumerable
            .Range(0, count)
            .Select(index => new AddOn(
                $"{tag}{index}",
                tag,
                AddOnFor.Hosting,
                ChargeEvery.Year,
                new PriceSteps([new PriceStep(null, 100 + index)])
            )
            {
                Provides = tag,
            });
}
