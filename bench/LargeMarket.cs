using System.Collections.Immutable;

namespace HomeStart.Bench;

/// <summary>
/// A made-up market: hosts with four plans, six ways to pay and three data centres each, and registrars with ten
/// endings. Its sizes are settable, its prices always the same. Where the hosts sell domains too they sell all ten, and
/// give a domain-year from a yearly term on.
/// </summary>
internal static class LargeMarket
{
    private static readonly string[] Endings =
    [
        "com",
        "co.uk",
        "org",
        "net",
        "shop",
        "info",
        "uk",
        "eu",
        "site",
        "studio",
    ];
    private static readonly int[] Cycles = [1, 3, 6, 12, 24, 36];
    private static readonly DateOnly Start = new(2026, 12, 1);

    public static ScanRequest Request(int hosts, int registrars, int endings, bool hostsSell, int horizonMonths = 36) =>
        new(
            [
                .. Enumerable.Range(0, hosts).Select(number => Host(number, hostsSell)),
                .. Enumerable.Range(0, registrars).Select(Registrar),
            ],
            new CountSettings(Start, horizonMonths)
            {
                TaxPercent = ExactDecimal.Whole(20),
                DisplayCurrency = Currency.Get("GBP"),
            },
            new Needs
            {
                Numbers = ImmutableDictionary<string, decimal>.Empty.Add("websites", 1).Add("mailboxes", 3),
                Extras = ["backup", "privacy"],
                Regions = ["GB", "NL", "DE"],
                Domain = new DomainNeed(DomainRoute.Register, "ostlerwren", [.. Endings.Take(endings)]),
            },
            Objective.Horizon,
            ByPlan: false,
            Top: 25
        );

    private static OfferBook Host(int number, bool sells)
    {
        var random = new Random(number);
        return Book($"host-{number:D3}", sells ? random : null) with
        {
            Plans = [.. Enumerable.Range(0, 4).Select(plan => Plan(plan, random))],
            DataCentres =
            [
                new DataCentre("a", "A", "GB", random.Next(0, 200)),
                new DataCentre("b", "B", "NL", random.Next(0, 200)),
                new DataCentre("c", "C", "DE", 0),
            ],
            AddOns =
            [
                Extra("backup", AddOnFor.Hosting, ChargeEvery.Month, random.Next(50, 400), "backup"),
                Extra("mailboxes", AddOnFor.Hosting, ChargeEvery.Month, random.Next(50, 200), null) with
                {
                    Adds = Features(("mailboxes", 1)),
                },
                Extra("privacy", AddOnFor.Domain, ChargeEvery.Year, random.Next(0, 900), "privacy"),
            ],
            Promotions =
            [
                new Promotion("first", $"FIRST{number}")
                {
                    Percent = ExactDecimal.Whole(random.Next(5, 40)),
                    AppliesTo = [new LineMatch(LineKind.Plan, null)],
                    MinEveryMonths = 12,
                },
                new Promotion("extras", $"EXTRA{number}")
                {
                    Percent = ExactDecimal.Whole(random.Next(5, 40)),
                    AppliesTo = [new LineMatch(LineKind.AddOn, "backup")],
                    Combinable = true,
                },
            ],
        };
    }

    private static OfferBook Registrar(int number)
    {
        var random = new Random(10_000 + number);
        return Book($"registrar-{number:D2}", random) with
        {
            AddOns = [Extra("privacy", AddOnFor.Domain, ChargeEvery.Year, random.Next(0, 900), "privacy")],
        };
    }

    private static OfferBook Book(string id, Random? random) =>
        new(id, new Provider(id, ["phone", "chat"]), Start, Currency.Get("GBP"))
        {
            Domains = random is null
                ? []
                :
                [
                    .. Endings.Select(ending => new DomainPrice(
                        ending,
                        random.Next(300, 2000),
                        random.Next(800, 2500),
                        null,
                        10,
                        [],
                        null
                    )),
                ],
        };

    private static Plan Plan(int number, Random random) =>
        new($"plan-{number}", $"Plan {number}")
        {
            Features = new Features(Features(("websites", number + 1), ("mailboxes", random.Next(0, 10)))),
            Billing = [.. Cycles.Select(every => Option(every, random.Next(200, 1200)))],
            Includes = number == 3 ? ["backup"] : [],
            IncludedDomain = new IncludedDomain(12, [.. Endings.Take(4)], false, false, 12),
        };

    private static BillingOption Option(int every, int perMonth) =>
        new(
            every,
            every,
            every == 1 ? 1500 : null,
            new PriceSteps([new PriceStep(1, perMonth * every), new PriceStep(null, perMonth * every * 2)])
        );

    private static AddOn Extra(string id, AddOnFor sort, ChargeEvery every, int price, string? provides) =>
        new(id, id, sort, every, new PriceSteps([new PriceStep(null, price)])) { Provides = provides };

    private static ImmutableSortedDictionary<string, FeatureValue> Features(
        params (string Name, int Number)[] values
    ) =>
        values.ToImmutableSortedDictionary(
            pair => pair.Name,
            pair => new FeatureValue(Number: pair.Number),
            StringComparer.Ordinal
        );
}
