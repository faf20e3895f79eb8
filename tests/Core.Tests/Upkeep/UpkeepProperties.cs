using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;
using HomeStart.Formats.Json;
using HomeStart.Formats.Upkeep;

namespace HomeStart.Core.Tests;

/// <summary>What holds of every run through the years, over random markets and random decisions.</summary>
public class UpkeepProperties
{
    private const int Cases = 600;

    /// <summary>Requests with decisions of every kind.</summary>
    internal static readonly Gen<JsonObject> Years = Gen.Select(RandomMarket.Request, Gen.Int[0, int.MaxValue])
        .Select((request, seed) => Decided(request, new Random(seed)));

    [Fact]
    public void Without_a_decision_the_charges_are_the_costings_bills() =>
        RandomMarket.Request.Sample(
            request =>
            {
                var candidate = request["candidate"]!.AsObject();
                candidate["domains"] = new JsonArray([
                    .. candidate["domains"]!
                        .AsArray()
                        .Where(domain => domain!["route"]!.GetValue<string>() is "register" or "transfer")
                        .Select(domain => domain!.DeepClone()),
                ]);
                if (candidate["hosting"] is null && candidate["domains"]!.AsArray().Count == 0)
                {
                    return;
                }

                request["horizonMonths"] = 60;
                var start = DateOnly.Parse(request["startDate"]!.GetValue<string>());
                var bills = Wire.Cost(request)
                    .GetProperty("bills")
                    .EnumerateArray()
                    .Where(bill =>
                        bill.Text("total") is var total
                        && (total.Any(digit => digit is >= '1' and <= '9') || bill.GetProperty("atLeast").GetBoolean())
                    );
                request["until"] = start.AddMonths(60).AddDays(-1).ToString("yyyy-MM-dd");
                var charged = Run(request).Happened.ShouldAllBeOf<Charged>();
                charged
                    .Select(charge =>
                        $"{charge.On:yyyy-MM-dd} {charge.Book} {Amount(charge.Total, charge)} "
                        + $"{Amount(charge.Net, charge)} {Amount(charge.Tax, charge)} {charge.Lines.Length}"
                    )
                    .ShouldBe(
                        bills.Select(bill =>
                            $"{bill.Text("date")} {bill.Text("book")} {bill.Text("total")} {bill.Text("net")} "
                            + $"{bill.Text("tax")} {bill.GetProperty("lines").GetArrayLength()}"
                        )
                    );
            },
            iter: Cases
        );

    [Fact]
    public void The_years_are_those_of_the_reference() =>
        Years.Sample(
            request =>
            {
                Said(Run(request)).ShouldBe(UpkeepReference.Answer(request));
            },
            iter: Cases
        );

    internal static List<string> Said(UpkeepYears years) =>
        [
            .. years.Happened.Select(happening =>
                happening switch
                {
                    Charged charged => $"{charged.On:yyyy-MM-dd} charged {charged.Book} {charged.Due:yyyy-MM-dd} "
                        + $"{charged.Total} {charged.Net} {charged.Tax} "
                        + $"{charged.FromBalance}{(charged.IsAtLeast ? " at least" : "")}"
                        + $"{(charged.IsAssumed ? " assumed" : "")}: "
                        + $"{string.Join(", ", charged.Lines.Select(line => $"{JsonNamingPolicy.CamelCase.ConvertName(line.Kind.ToString())} {line.Ref} {line.Holding} {line.Amount}"))}",
                    Failed failed =>
                        $"{failed.On:yyyy-MM-dd} failed {failed.Book} {failed.Due:yyyy-MM-dd} {failed.Total} "
                            + $"{failed.Attempt}",
                    StateChanged state => $"{state.On:yyyy-MM-dd} state {state.Holding} "
                        + $"{state.State.ToString().ToLowerInvariant()}{(state.IsAssumed ? " assumed" : "")}",
                    Refunded refunded => $"{refunded.On:yyyy-MM-dd} refunded {refunded.Book} {refunded.Total}",
                    Credited credited => $"{credited.On:yyyy-MM-dd} credited {credited.Book} "
                        + $"{credited.Total}{(credited.IsAssumed ? " assumed" : "")}",
                    Refused refused => $"{refused.On:yyyy-MM-dd} refused {refused.Do} "
                        + $"{JsonNamingPolicy.KebabCaseLower.ConvertName(refused.Reason.ToString())}",
                    _ => "?",
                }
            ),
            .. years.Holdings.Select(held =>
                $"{held.Holding} {held.Ref} {held.State.ToString().ToLowerInvariant()} {held.Renews} "
                + $"{held.PaidUntil:yyyy-MM-dd}"
            ),
            .. years.Balances.Select(balance => $"balance {balance.Key} {balance.Value.Units}"),
            .. years.Paid.Select(paid => $"paid {paid.Currency.Code} {paid.Units}").Order(StringComparer.Ordinal),
        ];

    [Fact]
    public void Stopping_on_the_way_and_going_on_is_the_same_as_one_go() =>
        Gen.Select(Years, Gen.Int[0, 100])
            .Sample(
                (request, share) =>
                {
                    var whole = Run(request);
                    var (start, until) = (Date(request["startDate"]), Date(request["until"]));
                    var middle = start.AddDays((until.DayNumber - start.DayNumber) * share / 100);
                    request["until"] = middle.ToString("yyyy-MM-dd");
                    request["decisions"] = new JsonArray([
                        .. request["decisions"]!
                            .AsArray()
                            .Where(decision => Date(decision!["on"]) <= middle)
                            .Select(decision => decision!.DeepClone()),
                    ]);
                    var part = Run(request).Happened;
                    Told(part).ShouldBe(Told(whole.Happened.Where(happening => happening.On <= middle)));
                },
                iter: Cases
            );

    [Fact]
    public void What_is_paid_is_what_was_charged_less_what_came_back_and_a_card_that_is_stopped_pays_nothing() =>
        Years.Sample(
            request =>
            {
                var years = Run(request);
                var (byCard, balances, works) = (
                    new Dictionary<string, Minor>(),
                    new Dictionary<string, Minor>(),
                    true
                );
                var decisions = request["decisions"]!
                    .AsArray()
                    .Where(decision => decision!["do"]!.GetValue<string>() == "card")
                    .ToList();
                foreach (var happening in years.Happened)
                {
                    works =
                        decisions
                            .LastOrDefault(decision => Date(decision!["on"]) <= happening.On)
                            ?["value"]!.GetValue<string>() != "stops";
                    switch (happening)
                    {
                        case Charged charged:
                            (charged.Net + charged.Tax).ShouldBe(charged.Total);
                            charged.FromBalance.ShouldBeInRange(0, charged.Total);
                            if (decisions.All(decision => Date(decision!["on"]) != happening.On) && !works)
                            {
                                charged.FromBalance.ShouldBe(charged.Total);
                            }

                            byCard[charged.Currency.Code] =
                                byCard.GetValueOrDefault(charged.Currency.Code) + charged.Total - charged.FromBalance;
                            balances[charged.Book] = balances.GetValueOrDefault(charged.Book) - charged.FromBalance;
                            break;
                        case Refunded refunded:
                            refunded.Total.ShouldBeGreaterThan(0);
                            byCard[refunded.Currency.Code] -= refunded.Total;
                            break;
                        case Credited credited:
                            credited.Total.ShouldBeGreaterThan(0);
                            balances[credited.Book] = balances.GetValueOrDefault(credited.Book) + credited.Total;
                            break;
                    }
                }

                years
                    .Paid.ToDictionary(paid => paid.Currency.Code, paid => paid.Units)
                    .ShouldBe(byCard, ignoreOrder: true);
                foreach (var (book, money) in years.Balances)
                {
                    // Nothing, once the hosting there was given back.
                    money.Units.ShouldBeOneOf(0, balances.GetValueOrDefault(book));
                }
            },
            iter: Cases
        );

    [Fact]
    public void States_follow_one_another_as_they_may() =>
        Years.Sample(
            request =>
            {
                var states = new Dictionary<string, HoldingState>();
                foreach (var change in Run(request).Happened.OfType<StateChanged>())
                {
                    var before = states.TryGetValue(change.Holding, out var known) ? known : (HoldingState?)null;
                    May(before, change).ShouldBeTrue($"{change.Holding}: {before} → {change.State} on {change.On}");
                    states[change.Holding] = change.State;
                }
            },
            iter: Cases
        );

    private static bool May(HoldingState? before, StateChanged change) =>
        (before ?? HoldingState.Live, change.State) switch
        {
            (HoldingState.Gone or HoldingState.Left, _) => false,
            (_, HoldingState.Left) => true,
            (HoldingState.Live, HoldingState.Live) => before is null, // Only a claimed domain says so.
            (HoldingState.Live, HoldingState.Suspended or HoldingState.Ended) => change.Holding == "hosting",
            (HoldingState.Suspended or HoldingState.Ended, HoldingState.Live or HoldingState.Gone) => true,
            (
                HoldingState.Live,
                HoldingState.Grace
                    or HoldingState.Redemption
                    or HoldingState.Pending
                    or HoldingState.Gone
            ) => change.Holding != "hosting",
            (
                HoldingState.Grace,
                HoldingState.Live
                    or HoldingState.Redemption
                    or HoldingState.Pending
                    or HoldingState.Gone
            ) => true,
            (HoldingState.Redemption, HoldingState.Live or HoldingState.Pending or HoldingState.Gone) => true,
            (HoldingState.Pending, HoldingState.Gone) => true,
            _ => false,
        };

    // A request with what upkeep needs beside a costing: rules for lapsing and changing, prices if bought later, and
    // decisions of every kind.
    private static JsonObject Decided(JsonObject request, Random random)
    {
        foreach (var book in request["books"]!.AsArray())
        {
            book!["change"] =
                random.Next(4) == 0
                    ? null
                    : new JsonObject
                    {
                        ["credit"] = random.Next(3) == 0 ? "none" : "days",
                        ["firstPrice"] = random.Next(2) == 0,
                    };
            foreach (var ending in book["domains"]!.AsArray().Where(_ => random.Next(3) > 0))
            {
                ending!["lapse"] = new JsonObject
                {
                    ["graceDays"] = Some(random, 0, 5, 30),
                    ["redemptionDays"] = Some(random, 0, 10, 30),
                    ["redemptionFee"] = random.Next(4) == 0 ? null : "80",
                    ["pendingDays"] = Some(random, 0, 5, 5),
                };
            }

            foreach (var extra in book["addOns"]!.AsArray().Where(_ => random.Next(3) == 0))
            {
                extra!["priceIfBoughtLater"] = "9";
            }
        }

        var start = Date(request["startDate"]);
        var until = start.AddMonths(random.Next(1, 61)).AddDays(random.Next(0, 30));
        var plans = request["books"]!.AsArray().First(book => book!["id"]!.GetValue<string>() == "host")![
            "plans"
        ]!.AsArray();
        request["until"] = until.ToString("yyyy-MM-dd");
        request["decisions"] = new JsonArray([
            .. Enumerable
                .Range(0, random.Next(0, 12))
                .Select(index => Decision(random, start, until, plans, index))
                .OrderBy(decision => decision!["on"]!.GetValue<string>(), StringComparer.Ordinal),
        ]);
        return request;
    }

    private static JsonNode? Some(Random random, params int[] of) =>
        random.Next(6) == 0 ? null : of[random.Next(of.Length)];

    private static JsonNode? Decision(Random random, DateOnly start, DateOnly until, JsonArray plans, int index)
    {
        // Often about a year after the order, when most falls due.
        var near = start.AddMonths(12 * random.Next(1, 4)).AddDays(random.Next(-3, 45));
        var on =
            random.Next(2) == 0 && near > start && near <= until
                ? near
                : start.AddDays(random.Next(1, Math.Max(2, until.DayNumber - start.DayNumber + 1)));
        var holding = random.Next(2) == 0 ? "hosting" : $"domain:{random.Next(0, 4)}";
        var option = plans[random.Next(plans.Count)]!["billing"]!.AsArray()[random.Next(5)]!;
        JsonObject decision = random.Next(9) switch
        {
            0 => new()
            {
                ["do"] = "renewing",
                ["holding"] = holding,
                ["value"] = random.Next(3) == 0,
            },
            1 or 2 => new() { ["do"] = "card", ["value"] = random.Next(2) == 0 ? "stops" : "works" },
            3 => new() { ["do"] = "pay", ["holding"] = holding },
            4 => new() { ["do"] = "leave" },
            5 => new()
            {
                ["do"] = "change",
                ["plan"] = option.Parent!.Parent!["id"]!.GetValue<string>(),
                ["everyMonths"] = option["everyMonths"]!.GetValue<int>(),
                ["commitMonths"] = option["commitMonths"]?.GetValue<int>(),
            },
            6 => new()
            {
                ["do"] = "add",
                ["extra"] = random.Next(2) == 0 ? "x1" : "x2",
                ["quantity"] = random.Next(1, 4),
            },
            7 => new() { ["do"] = "drop", ["extra"] = random.Next(2) == 0 ? "x1" : "x2" },
            _ => new()
            {
                ["do"] = "claim",
                ["domain"] = new JsonObject
                {
                    ["book"] = random.Next(2) == 0 ? "host" : "names",
                    ["name"] = $"later{index % 3}",
                    ["ending"] = "com",
                    ["years"] = random.Next(1, 3),
                    ["addOns"] = random.Next(2) == 0 ? new JsonArray(new JsonObject { ["id"] = "y1" }) : null,
                },
            },
        };
        decision["on"] = (on > until ? until : on).ToString("yyyy-MM-dd");
        return decision;
    }

    private static UpkeepYears Run(JsonObject request)
    {
        // On a day with nothing in between there is no decision.
        if (Date(request["until"]) <= Date(request["startDate"]))
        {
            request["decisions"] = new JsonArray();
        }

        return UpkeepExamples.Run(request.Deserialize<JsonElement>());
    }

    internal static List<string> Told(IEnumerable<Happening> happened) =>
        [.. happened.Select(happening => JsonSerializer.Serialize(HappeningWire.From(happening), WireJson.Options))];

    private static DateOnly Date(JsonNode? node) => DateOnly.Parse(node!.GetValue<string>());

    private static string Amount(Minor units, Charged charge) => new Money(units, charge.Currency).ToAmount();
}

/// <summary>What is expected of lists.</summary>
internal static class ListAssertions
{
    /// <summary>All items, each of which must be of a type.</summary>
    public static List<T> ShouldAllBeOf<T>(this IEnumerable<Happening> items)
        where T : Happening
    {
        items.ShouldAllBe(item => item is T);
        return [.. items.Cast<T>()];
    }
}
