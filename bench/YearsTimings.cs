using System.Collections.Immutable;
using System.Diagnostics;
using HomeStart.Formats.Upkeep;

namespace HomeStart.Bench;

/// <summary>Ten years of upkeep with twenty decisions, and all pairs of deviations of a large book.</summary>
internal static class YearsTimings
{
    private static readonly DateOnly Start = new(2027, 1, 1);

    public static void Run()
    {
        var (book, settings) = (Book(), new CountSettings(Start, 36) { TaxPercent = ExactDecimal.Whole(20) });
        var candidate = new Candidate(
            new HostingChoice("host", "p0", 1, 1)
            {
                AddOns = [new AddOnChoice("x0") { Quantity = 2 }, new AddOnChoice("x1") { Quantity = 1 }],
                Codes = ["code0", "code1"],
            },
            [
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "host",
                    Name = "clocks",
                    Ending = "com",
                    AddOns = [new AddOnChoice("y0") { Quantity = 1 }],
                },
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "host",
                    Name = "barometers",
                    Ending = "com",
                },
            ]
        );
        ImmutableArray<OfferBook> books = [book];
        Decision[] decisions =
        [
            .. Enumerable.Range(0, 20).Select(at => Decided(Start.AddMonths(5 * (at + 1)).AddDays(3), at)),
        ];
        Median(
            "ten years with twenty decisions",
            () =>
                Years
                    .Run(candidate, books, settings, Start.AddMonths(120), decisions, new FaultList())
                    .Value!.Happened.Length,
            "happenings"
        );
        Median("the page of upkeep with all what-ifs", () => Page(candidate, books, settings), "what-ifs");
        Median(
            "no sum explained, all pairs tried, today",
            () => Pairs(candidate, books, settings, Start),
            "explanations"
        );
        Median(
            "the same, on a bill of the second year",
            () => Pairs(candidate, books, settings, Start.AddMonths(13)),
            "explanations"
        );
    }

    private static int Page(Candidate candidate, ImmutableArray<OfferBook> books, CountSettings settings)
    {
        var tenure = Tenure.Begin(candidate, books, settings, new FaultList()).Value!;
        var outlook = new Outlook(
            tenure,
            DayKeeper.Opened(tenure, Guid.Empty, Guid.Empty, new PaidBy(null, null)),
            Start.AddMonths(5),
            36
        );
        return UpkeepPageWriter
            .Write(
                outlook,
                "",
                "",
                1,
                isBehind: false,
                OwnerNotices.ListAll(outlook, null, ImmutableDictionary<string, DateOnly>.Empty)
            )
            .Effects.Count;
    }

    private static int Pairs(
        Candidate candidate,
        ImmutableArray<OfferBook> books,
        CountSettings settings,
        DateOnly date
    ) =>
        Reconciler
            .Run(
                candidate,
                books,
                settings,
                new SeenSum("host", 123_456_789, date),
                new FaultList(),
                CancellationToken.None
            )
            .Value!.Explanations.Length;

    private static Decision Decided(DateOnly on, int at) =>
        (at % 5) switch
        {
            0 => new AddExtra(on, $"x{2 + (at / 5)}", 1),
            1 => new ChangePlan(on, $"p{1 + (at / 5)}", 12, 12),
            2 => new SetCard(on, Works: at % 2 == 1),
            3 => new SetCard(on, Works: at % 2 == 0),
            _ => new ClaimDomain(
                on,
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "host",
                    Name = $"later{at}",
                    Ending = "com",
                }
            ),
        };

    private static OfferBook Book() =>
        new("host", new Provider("Host", null), Start, Currency.Get("GBP"))
        {
            Plans =
            [
                .. Enumerable
                    .Range(0, 5)
                    .Select(plan => new Plan($"p{plan}", $"P{plan}")
                    {
                        Billing =
                        [
                            .. new[] { 1, 3, 6, 12, 24, 36 }.Select(every => new BillingOption(
                                every,
                                every,
                                500 + plan,
                                Prices(900 * every)
                            )),
                        ],
                    }),
            ],
            AddOns =
            [
                .. Enumerable
                    .Range(0, 8)
                    .Select(extra => new AddOn(
                        $"x{extra}",
                        $"X{extra}",
                        AddOnFor.Hosting,
                        ChargeEvery.Month,
                        Prices(200 + extra)
                    )),
                .. Enumerable
                    .Range(0, 4)
                    .Select(extra => new AddOn(
                        $"y{extra}",
                        $"Y{extra}",
                        AddOnFor.Domain,
                        ChargeEvery.Year,
                        Prices(300 + extra)
                    )),
            ],
            Domains = [new DomainPrice("com", 1_000, 1_500, null, 10, [], null)],
            Promotions =
            [
                .. Enumerable
                    .Range(0, 8)
                    .Select(code => new Promotion($"c{code}", $"code{code}")
                    {
                        Percent = ExactDecimal.Whole(5 + code),
                        AppliesTo = [new LineMatch(LineKind.Plan, null)],
                        Combinable = true,
                    }),
            ],
            Change = new ChangeRule(true, false),
        };

    private static PriceSteps Prices(int first) => new([new PriceStep(1, first), new PriceStep(null, first * 2)]);

    private static void Median(string what, Func<int> run, string of)
    {
        for (var warm = 0; warm < 5; warm++)
        {
            run();
        }

        var (count, taken) = (0, new List<double>());
        for (var times = 0; times < 21; times++)
        {
            var begun = Stopwatch.GetTimestamp();
            count = run();
            taken.Add(Stopwatch.GetElapsedTime(begun).TotalMilliseconds);
        }

        Console.WriteLine($"{what}: {taken.Order().ElementAt(10):0.0} ms ({count} {of})");
    }
}
