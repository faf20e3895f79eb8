using System.Collections.Immutable;

namespace HomeStart.Core.Tests;

/// <summary>
/// Small random markets and needs: few prices, so that ties are common; unstated ones, foreign currencies, tax in and
/// out, stacked codes.
/// </summary>
internal sealed class RandomScan
{
    private static readonly string[] Tags =
    [
        "backup",
        "privacy",
        "installer",
        "ownIp",
        "certificate:own",
        "certificate:wildcard",
    ];
    private static readonly DateOnly Start = new(2026, 12, 1);

    private readonly Random _random;

    private RandomScan(int seed) => _random = new Random(seed);

    public static ScanRequest Make(int seed) => new RandomScan(seed).Request();

    private ScanRequest Request()
    {
        var books = Enumerable
            .Range(0, _random.Next(2, 4))
            .Select(index => Book($"b{index}", index < 2))
            .ToImmutableArray();
        var objective = Pick([Objective.Horizon, Objective.Horizon, Objective.DueToday, Objective.Expected]);
        var settings = new CountSettings(Start, Pick([7, 12, 24]))
        {
            TaxPercent = Exact("20"),
            CountTax = Chance(70),
            Customer = new CustomerStatus(Chance(75), [.. Some("b0", "b2")]),
            DisplayCurrency = Currency.Get("GBP"),
            KeepChancePercent = objective == Objective.Expected ? Exact("70") : null,
            Rates = ImmutableDictionary<string, ExactDecimal>
                .Empty.Add("USD", Exact("0.79"))
                .Add("JPY", Exact("0.0051")),
        };
        return new ScanRequest(books, settings, Needs(), objective, Chance(30), Pick([1, 3, 1000]))
        {
            OneSeller = Chance(20),
        };
    }

    private Needs Needs() =>
        new()
        {
            Numbers = Needs(("websites", [1, 2]), ("mailboxes", [2, 7]), ("storageGB", [5])),
            Certificate = Chance(30)
                ? Pick([CertificateLevel.Shared, CertificateLevel.Own, CertificateLevel.Wildcard])
                : CertificateLevel.None,
            Extras = Some("backup", "privacy"),
            Regions = Chance(25) ? Some("GB", "NL") : [],
            Platform = Chance(15) ? "linux" : null,
            Installer = Chance(20),
            OwnIp = Chance(10),
            Support = Chance(15) ? ["phone"] : [],
            MinRefundDays = Chance(15) ? 14 : 0,
            SamePrice = Chance(25),
            MaxDueToday = Chance(30) ? _random.Next(500, 6000) : null,
            AcceptUnknown = Chance(40),
            Domain = Domain(),
        };

    private static ImmutableDictionary<string, decimal> Numbers(IEnumerable<(string, decimal)> numbers) =>
        numbers.ToImmutableDictionary(pair => pair.Item1, pair => pair.Item2);

    private ImmutableDictionary<string, decimal> Needs(params (string Name, decimal[] Values)[] of) =>
        Numbers(of.Where(_ => Chance(45)).Select(pair => (pair.Name, Pick(pair.Values))));

    private DomainNeed? Domain() =>
        Pick([0, 1, 1, 1, 2, 3, 4, 5]) switch
        {
            0 => null,
            1 => new DomainNeed(
                DomainRoute.Register,
                "wren",
                Some("com", "org") is { IsEmpty: false } endings ? endings : ["com"]
            )
            {
                Years = Pick([1, 1, 3]),
            },
            2 => new DomainNeed(DomainRoute.Later, null, ["com"]) { InMonths = 3 },
            3 => new DomainNeed(DomainRoute.Transfer, "wren", ["com", "org"]) { Expires = Start.AddMonths(5) },
            4 => new DomainNeed(DomainRoute.Keep, "wren", ["com"])
            {
                Expires = Start.AddMonths(2),
                Renewal = ExactDecimal.Whole(12),
                Currency = Currency.Get(Pick(["GBP", "USD"])),
            },
            _ => new DomainNeed(DomainRoute.Lent, null, []),
        };

    private OfferBook Book(string id, bool withPlans) =>
        new(
            id,
            new Provider(id, Chance(70) ? Some("phone", "chat") : null),
            Start,
            Currency.Get(Pick(["GBP", "GBP", "USD", "JPY"]))
        )
        {
            Tax = new BookTax(Chance(40), Chance(85)),
            Plans = withPlans ? [Plan("p1"), Plan("p2")] : [],
            DataCentres = Chance(60)
                ? [new DataCentre("d1", "d1", "GB", Units(200)), new DataCentre("d2", "d2", Pick(["NL", "GB"]), 0)]
                : [],
            AddOns =
            [
                .. Enumerable.Range(0, 4).Select(index => AddOn($"x{index}", AddOnFor.Hosting)),
                .. Enumerable.Range(0, 2).Select(index => AddOn($"y{index}", AddOnFor.Domain)),
            ],
            Domains =
            [
                .. new[] { "com", "org" }
                    .Where(_ => Chance(75))
                    .Select(ending => new DomainPrice(
                        ending,
                        Maybe(1000),
                        Maybe(1500),
                        Chance(70) ? new TransferPrice(Maybe(1000)) : null,
                        Pick([1, 5]),
                        Chance(30) ? ["y0"] : [],
                        null
                    )),
            ],
            Promotions = [.. Enumerable.Range(0, _random.Next(0, 4)).Select(Promotion)],
            Refund = Chance(60) ? new RefundRule(Pick([7, 30]), 0, [], false) : null,
        };

    private Plan Plan(string id) =>
        new(id, id)
        {
            Features = new Features(
                Values(
                    ("websites", Number(1, 2)),
                    ("mailboxes", Number(0, 5)),
                    ("storageGB", Number(1, 10)),
                    ("certificate", new FeatureValue(Word: Pick(["shared", "own", "none"]))),
                    ("installer", new FeatureValue(Flag: Chance(50))),
                    ("ownIp", new FeatureValue(Flag: Chance(30))),
                    ("platforms", new FeatureValue(Words: Some("linux", "windows")))
                )
            ),
            Billing = [Option(1, 1), Option(12, 12), .. Chance(40) ? new[] { Option(1, 12) } : []],
            Includes = Some("x0", "x1", "y1"),
            IncludedDomain = Chance(60)
                ? new IncludedDomain(Pick([0, 12]), Some("com", "org"), Chance(50), Chance(30), 12)
                : null,
        };

    private static ImmutableSortedDictionary<string, FeatureValue> Sorted(
        IEnumerable<(string Name, FeatureValue Value)> values
    ) => values.ToImmutableSortedDictionary(pair => pair.Name, pair => pair.Value, StringComparer.Ordinal);

    private ImmutableSortedDictionary<string, FeatureValue> Values(params (string Name, FeatureValue Value)[] values) =>
        Sorted(values.Where(_ => Chance(85)));

    private FeatureValue Number(int least, int most) =>
        Chance(10) ? new FeatureValue(Word: "unlimited") : new FeatureValue(Number: _random.Next(least, most + 1));

    private BillingOption Option(int every, int commit) =>
        new(
            every,
            commit,
            Chance(20) ? Units(500) : null,
            new PriceSteps(
                Chance(50)
                    ? [new PriceStep(1, Units(3000)), new PriceStep(null, Maybe(4000))]
                    : [new PriceStep(null, Units(3000))]
            )
        )
        {
            FreeMonths = every == commit && Chance(30) ? 3 : 0,
        };

    private AddOn AddOn(string id, AddOnFor sort) =>
        new(
            id,
            id,
            sort,
            sort == AddOnFor.Domain
                ? Pick([ChargeEvery.Once, ChargeEvery.Year])
                : Pick([ChargeEvery.Month, ChargeEvery.Year, ChargeEvery.Cycle]),
            new PriceSteps([new PriceStep(null, Units(300))])
        )
        {
            Provides = Chance(70) ? Pick(Tags) : null,
            Adds = sort == AddOnFor.Hosting && Chance(40) ? Sorted([("mailboxes", Number(1, 5))]) : Sorted([]),
        };

    private Promotion Promotion(int index) =>
        new($"o{index}", Chance(80) ? $"CODE{index}" : null)
        {
            Percent = index % 2 == 0 ? Exact(Pick(["10", "50"])) : null,
            Amount = index % 2 == 1 ? Units(800) : null,
            AppliesTo =
            [
                .. Some("plan", "domain", "addOn")
                    .Select(word => LineMatch.TryParse(word, out var match) ? match : default),
            ],
            Bills = Pick<int?>([1, 2, null]),
            MinEveryMonths = Chance(25) ? 12 : null,
            NewCustomersOnly = Chance(15),
            Combinable = Chance(65),
        };

    private static ExactDecimal Exact(string text) =>
        ExactDecimal.TryParse(text, out var number) ? number : throw new FormatException(text);

    // Round sums, so that different ways often come to the same.
    private Minor Units(int most) => _random.Next(0, 5) * (most / 4);

    private Minor? Maybe(int most) => Chance(88) ? Units(most) : null;

    private ImmutableArray<string> Some(params string[] of) => [.. of.Where(_ => Chance(50))];

    private bool Chance(int percent) => _random.Next(100) < percent;

    private T Pick<T>(T[] of) => of[_random.Next(of.Length)];
}
