using System.Text.Json.Nodes;
using CsCheck;

namespace HomeStart.Core.Tests;

/// <summary>
/// Random requests that can be costed: small books with every rule in them, and candidates bought from them. All of it
/// hangs on one seed.
/// </summary>
internal static class RandomMarket
{
    private static readonly string[] Currencies = ["GBP", "USD", "JPY", "KWD"];
    private static readonly string[] Endings = ["com", "org", "co.uk"];
    private static readonly string[] Starts = ["2026-12-01", "2028-02-29", "2027-01-31", "2026-08-30", "2027-11-15"];

    public static readonly Gen<JsonObject> Request = Gen.Int[0, int.MaxValue].Select(seed => new Maker(seed).Request());

    /// <summary>Draws from one seed, so that a failure is found again by it.</summary>
    private sealed class Maker(int seed)
    {
        private readonly Random _random = new(seed);

        public JsonObject Request()
        {
            var host = Book("host", withPlans: true);
            var other = Book("names", withPlans: Chance(30));
            var start = Pick(Starts);
            var domains = new JsonArray([
                .. Enumerable
                    .Range(0, _random.Next(0, 4))
                    .Select(index => (JsonNode)Domain(index, Chance(60) ? host : other, start)),
            ]);
            var hosted =
                domains.Count == 0
                || domains.Any(domain => domain!["route"]!.GetValue<string>() == "lent")
                || Chance(80);
            return new JsonObject
            {
                ["books"] = Chance(50) ? new JsonArray(host, other) : new JsonArray(other, host),
                ["startDate"] = start,
                ["horizonMonths"] = Chance(50) ? Pick([6, 12, 24, 36]) : _random.Next(1, 121),
                ["owner"] = new JsonObject
                {
                    ["taxPercent"] = Pick(["0", "20", "8.875", "19.6"]),
                    ["countTax"] = Chance(75),
                    ["newCustomer"] = Chance(75),
                    ["keepChancePercent"] = Chance(50) ? null : Pick(["70", "95.5", "0", "100"]),
                    ["customerOf"] = Chance(60) ? null : Some("host", "names", "nobody"),
                },
                ["display"] = new JsonObject
                {
                    ["currency"] = Pick(Currencies),
                    ["rates"] = new JsonObject
                    {
                        ["GBP"] = "1.2745",
                        ["USD"] = "0.93",
                        ["JPY"] = "0.00517",
                        ["KWD"] = "3.2",
                    },
                },
                ["candidate"] = new JsonObject { ["hosting"] = hosted ? Hosting(host) : null, ["domains"] = domains },
            };
        }

        private JsonObject Book(string id, bool withPlans)
        {
            var currency = Pick(Currencies);
            return new JsonObject
            {
                ["format"] = "home-start/offer-book@1",
                ["id"] = id,
                ["provider"] = new JsonObject { ["name"] = id },
                ["asOf"] = "2026-11-01",
                ["currency"] = currency,
                ["tax"] = new JsonObject { ["pricesInclude"] = Chance(40), ["charged"] = Chance(85) },
                ["plans"] = withPlans ? new JsonArray(Plan("p1", currency), Plan("p2", currency)) : null,
                ["dataCentres"] = new JsonArray(
                    new JsonObject { ["id"] = "d1", ["perMonth"] = Chance(70) ? Amount(currency, 300) : null }
                ),
                ["addOns"] = new JsonArray(
                    Extra("x1", "hosting", currency),
                    Extra("x2", "hosting", currency),
                    Extra("y1", "domain", currency),
                    Extra("y2", "domain", currency)
                ),
                ["domains"] = new JsonArray([
                    .. Endings.Select(ending =>
                        (JsonNode)
                            new JsonObject
                            {
                                ["ending"] = ending,
                                ["register"] = Chance(90) ? Amount(currency, 2000) : null,
                                ["renew"] = Chance(90) ? Amount(currency, 3000) : null,
                                ["transfer"] = Chance(90) ? Amount(currency, 2000) : null,
                                ["maxYears"] = 5,
                                ["includes"] = Chance(25) ? new JsonArray("y1") : null,
                            }
                    ),
                ]),
                ["promotions"] = new JsonArray([
                    .. Enumerable.Range(0, 5).Select(index => (JsonNode)Promotion(index, currency)),
                ]),
                ["refund"] = Chance(80)
                    ? new JsonObject
                    {
                        ["days"] = Pick([0, 30]),
                        ["minCommitMonths"] = Pick([0, 0, 12]),
                        ["excludes"] = Some("domain", "setup", "addOn:y1", "domain:org"),
                        ["deductsIncludedDomain"] = Chance(40),
                    }
                    : null,
            };
        }

        private JsonObject Plan(string id, string currency) =>
            new()
            {
                ["id"] = id,
                ["billing"] = new JsonArray(
                    Option(1, 1, currency),
                    Option(1, 12, currency),
                    Option(12, 12, currency),
                    Option(36, 36, currency),
                    Option(7, 14, currency)
                ),
                ["includes"] = Some("x1", "y2"),
                ["includedDomain"] = Chance(75)
                    ? new JsonObject
                    {
                        ["minCommitMonths"] = Pick([0, 12]),
                        ["endings"] = Some("com", "org"),
                        ["transfer"] = Chance(60),
                        ["everyYear"] = Chance(40),
                        ["claimWithinMonths"] = Chance(50) ? Pick([3, 12, 30]) : null,
                    }
                    : null,
            };

        private JsonObject Option(int every, int commit, string currency) =>
            new()
            {
                ["everyMonths"] = every,
                ["commitMonths"] = commit == every && Chance(50) ? null : commit,
                ["setupFee"] = Chance(30) ? Amount(currency, 3000) : null,
                ["freeMonths"] = commit == every && Chance(40) ? _random.Next(0, 8) : null,
                ["prices"] = Steps(currency, 9000),
            };

        private JsonArray Steps(string currency, int most)
        {
            var steps = new JsonArray();
            for (var count = _random.Next(0, 3); count > 0; count--)
            {
                steps.Add(
                    new JsonObject
                    {
                        ["periods"] = _random.Next(1, 5),
                        ["amount"] = steps.Count == 0 || Chance(85) ? Amount(currency, most) : null,
                    }
                );
            }

            steps.Add(new JsonObject { ["amount"] = steps.Count == 0 || Chance(85) ? Amount(currency, most) : null });
            return steps;
        }

        private JsonObject Extra(string id, string sort, string currency) =>
            new()
            {
                ["id"] = id,
                ["for"] = sort,
                ["charge"] = new JsonObject
                {
                    ["every"] = Pick<string>(
                        sort == "domain" ? ["once", "month", "year"] : ["once", "month", "year", "cycle"]
                    ),
                    ["prices"] = Steps(currency, 700),
                },
            };

        private JsonObject Promotion(int index, string currency)
        {
            var promotion = new JsonObject
            {
                ["id"] = $"o{index}",
                ["appliesTo"] = Some(
                    "plan",
                    "setup",
                    "dataCentre",
                    "domain",
                    "domain:com",
                    "addOn",
                    "addOn:x1",
                    "addOn:y1"
                ),
                ["bills"] = Pick<JsonNode?>([null, 1, 2, 5, "all"]),
                ["minEveryMonths"] = Chance(25) ? 12 : null,
                ["plans"] = Chance(20) ? new JsonArray("p1") : null,
                ["from"] = Chance(10) ? "2027-06-01" : null,
                ["until"] = Chance(10) ? "2027-06-01" : null,
                ["newCustomersOnly"] = Chance(20),
                ["combinable"] = Chance(60),
            };
            (promotion["code"], promotion["automatic"]) = index < 3 ? ($"Code{index}", (JsonNode?)null) : (null, true);
            promotion[Chance(50) ? "percent" : "amount"] = null;
            if (promotion.ContainsKey("percent"))
            {
                promotion["percent"] = Pick(["10", "33.3", "50", "100"]);
                promotion.Remove("amount");
            }
            else
            {
                promotion["amount"] = Amount(currency, 4000);
            }

            return promotion;
        }

        private JsonObject Hosting(JsonObject host)
        {
            var option = Pick(host["plans"]!.AsArray().SelectMany(plan => plan!["billing"]!.AsArray()).ToArray())!;
            return new JsonObject
            {
                ["book"] = "host",
                ["plan"] = option.Parent!.Parent!["id"]!.GetValue<string>(),
                ["everyMonths"] = option["everyMonths"]!.GetValue<int>(),
                ["commitMonths"] = option["commitMonths"]?.GetValue<int>(),
                ["dataCentre"] = Chance(40) ? "d1" : null,
                ["addOns"] = new JsonArray([
                    .. Some("x1", "x2")
                        .Select(id =>
                            (JsonNode)
                                new JsonObject { ["id"] = id!.GetValue<string>(), ["quantity"] = _random.Next(1, 4) }
                        ),
                ]),
                ["codes"] = Codes(),
            };
        }

        private JsonObject Domain(int index, JsonObject book, string start)
        {
            var route = Pick(["register", "register", "later", "transfer", "keep", "lent"]);
            var from = DateOnly.Parse(start);
            var ending = Pick(Endings);
            var offersTransfer = book["domains"]!
                .AsArray()
                .First(price => price!["ending"]!.GetValue<string>() == ending)!
                .AsObject()
                .ContainsKey("transfer");
            var bought = route is not ("keep" or "lent");
            return new JsonObject
            {
                ["route"] = route == "transfer" && !offersTransfer ? "register" : route,
                ["book"] = bought ? book["id"]!.GetValue<string>() : null,
                ["name"] = route == "later" && Chance(40) ? null : $"name{index}",
                ["ending"] = ending,
                ["years"] = _random.Next(1, 6),
                ["useIncluded"] = Chance(80),
                ["premium"] =
                    bought && Chance(10)
                        ? new JsonObject
                        {
                            ["register"] = Amount(book["currency"]!.GetValue<string>(), 90000),
                            ["renew"] = Chance(80) ? Amount(book["currency"]!.GetValue<string>(), 9000) : null,
                        }
                        : null,
                ["addOns"] = bought
                    ? new JsonArray([
                        .. Some("y1", "y2").Select(id => (JsonNode)new JsonObject { ["id"] = id!.GetValue<string>() }),
                    ])
                    : null,
                ["codes"] = Codes(),
                ["inMonths"] = _random.Next(0, 40),
                ["expires"] = route is "transfer" or "keep"
                    ? from.AddDays(_random.Next(0, 900)).ToString("yyyy-MM-dd")
                    : null,
                ["renewal"] = route == "keep" ? "14.2" : null,
                ["currency"] = route == "keep" ? Pick(["GBP", "USD", "KWD"]) : null,
            };
        }

        private JsonArray Codes() => Some("Code0", "code1", "CODE2", "NONE");

        private JsonArray Some(params string[] of) =>
            new([.. of.Where(_ => Chance(45)).Select(word => (JsonNode)word)]);

        private string Amount(string currency, int most)
        {
            var units = Chance(10) ? 0 : _random.Next(1, most);
            return new Money(units, Currency.Get(currency)).ToAmount();
        }

        private bool Chance(int percent) => _random.Next(100) < percent;

        private T Pick<T>(T[] of) => of[_random.Next(of.Length)];
    }
}
