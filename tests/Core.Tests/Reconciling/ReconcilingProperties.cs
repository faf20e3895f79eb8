using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;

namespace HomeStart.Core.Tests;

/// <summary>
/// Whatever explains a sum is checked another way: the change is made in the request's JSON, and the whole is costed
/// from there. And what was changed there is found again.
/// </summary>
public class ReconcilingProperties
{
    private const int Cases = 500;

    private static readonly Gen<(JsonObject Request, int Seed)> Markets = Gen.Select(
        RandomMarket.Request,
        Gen.Int[0, int.MaxValue]
    );

    [Fact]
    public void What_explains_a_sum_gives_it() =>
        Markets.Sample(
            market =>
            {
                if (Asked(market.Request, new Random(market.Seed)) is not { } request)
                {
                    return;
                }

                var answer = ReconcilingExamples.Answer(request);
                foreach (var explanation in answer.GetProperty("explanations").EnumerateArray().Take(5))
                {
                    explanation.Text("total").ShouldBe(answer.Text("seen"));
                    var deviations = explanation.GetProperty("deviations").EnumerateArray().ToList();
                    if (deviations[0].Text("kind") != "not-stated")
                    {
                        Total(request, deviations).ShouldBe(answer.Text("seen"), explanation.ToString());
                    }
                }

                (
                    answer.GetProperty("agrees").GetBoolean() || answer.GetProperty("explanations").GetArrayLength() > 0
                ).ShouldBe(answer.GetProperty("closest").ValueKind == JsonValueKind.Null);
            },
            iter: Cases
        );

    [Fact]
    public void A_single_change_is_found_again_or_the_sum_agrees() =>
        Markets.Sample(
            market =>
            {
                var random = new Random(market.Seed);
                if (Asked(market.Request, random) is not { } request)
                {
                    return;
                }

                // What stands nearest to some other sum is a change that can be made.
                request["seen"]!["total"] = "999999999";
                var closest = ReconcilingExamples.Answer(request).GetProperty("closest");
                if (closest.ValueKind == JsonValueKind.Null || closest.GetProperty("deviations").GetArrayLength() == 0)
                {
                    return;
                }

                var wanted = closest.GetProperty("deviations")[0].ToString();
                Total(request, [closest.GetProperty("deviations")[0]]).ShouldBe(closest.Text("total"));
                request["seen"]!["total"] = closest.Text("total");
                var answer = ReconcilingExamples.Answer(request);
                (
                    answer.GetProperty("agrees").GetBoolean()
                    || answer
                        .GetProperty("explanations")
                        .EnumerateArray()
                        .Any(explanation => explanation.GetProperty("deviations")[0].ToString() == wanted)
                ).ShouldBeTrue(wanted);
            },
            iter: Cases
        );

    // A sum at a book that something is bought from: ours, ours changed in a way or two, or any.
    private static JsonObject? Asked(JsonObject request, Random random)
    {
        var books = Bought(request).ToList();
        if (books.Count == 0)
        {
            return null;
        }

        var book = books[random.Next(books.Count)];
        var start = DateOnly.Parse(request["startDate"]!.GetValue<string>());
        var date =
            random.Next(3) > 0 ? start : start.AddMonths(random.Next(0, request["horizonMonths"]!.GetValue<int>()));
        request["seen"] = new JsonObject
        {
            ["book"] = book,
            ["total"] = "0",
            ["date"] = date.ToString("yyyy-MM-dd"),
        };
        var changed = request.DeepClone().AsObject();
        for (var times = random.Next(0, 3); times > 0; times--)
        {
            Change(changed, random);
        }

        request["seen"]!["total"] = Bill(changed) is { } bill ? bill.Text("total") : "0";
        return request;
    }

    private static void Change(JsonObject request, Random random)
    {
        var (hosting, domains) = (request["candidate"]!["hosting"], request["candidate"]!["domains"]!.AsArray());
        switch (random.Next(5))
        {
            case 0 when hosting is not null && hosting["addOns"]!.AsArray().Count > 0:
                hosting["addOns"]!.AsArray().RemoveAt(0);
                break;
            case 1 when domains.Count > 0:
                domains[0]!["years"] = 1 + (domains[0]!["years"]!.GetValue<int>() % 5);
                break;
            case 2:
                request["owner"]!["newCustomer"] = !request["owner"]!["newCustomer"]!.GetValue<bool>();
                break;
            case 3 when hosting is not null:
                (hosting["everyMonths"], hosting["commitMonths"]) = (12, 12);
                break;
            default:
                hosting?["codes"]!.AsArray().Clear();
                break;
        }
    }

    private static IEnumerable<string> Bought(JsonObject request) =>
        request["candidate"]!["domains"]!
            .AsArray()
            .Where(domain => domain!["route"]!.GetValue<string>() is "register" or "later" or "transfer")
            .Select(domain => domain!["book"]!.GetValue<string>())
            .Concat(request["candidate"]!["hosting"] is null ? [] : ["host"])
            .Distinct();

    private static JsonElement? Bill(JsonObject request)
    {
        var (answer, faults) = Wire.Try(request.Deserialize<JsonElement>());
        faults.ShouldBeEmpty();
        var (book, date) = (request["seen"]!["book"]!.GetValue<string>(), request["seen"]!["date"]!.GetValue<string>());
        return answer!
            .Value.GetProperty("bills")
            .EnumerateArray()
            .Where(bill => bill.Text("book") == book && bill.Text("date") == date)
            .Select(bill => (JsonElement?)bill)
            .FirstOrDefault();
    }

    // What the bill comes to with the deviations made in the JSON, read as they say.
    private static string Total(JsonObject sent, IReadOnlyList<JsonElement> deviations)
    {
        var request = sent.DeepClone().AsObject();
        var (book, readings) = (
            request["books"]!
                .AsArray()
                .First(book => book!["id"]!.GetValue<string>() == request["seen"]!["book"]!.GetValue<string>())!,
            new HashSet<string>()
        );
        var places = Enumerable.Range(0, request["candidate"]!["domains"]!.AsArray().Count).ToList();
        foreach (var deviation in deviations)
        {
            Make(request, book, deviation, places, readings);
        }

        var currency = Currency.Get(book["currency"]!.GetValue<string>());
        var bill = Bill(request);
        Minor units = bill is { } there
            ? Amounts
                .Read(there.Text(readings.Contains("without-tax") ? "net" : "total"), currency, "", new FaultList())!
                .Value
            : 0;
        if (readings.Contains("tax-added"))
        {
            ExactDecimal.TryParse(request["owner"]!["taxPercent"]!.GetValue<string>(), out var percent).ShouldBeTrue();
            units += Fraction.OfPercent(percent).Of(units);
        }

        return new Money(
            readings.Contains("a-month")
                ? new Fraction(1, request["candidate"]!["hosting"]!["everyMonths"]!.GetValue<int>()).Of(units)
                : units,
            currency
        ).ToAmount();
    }

    private static void Make(
        JsonObject request,
        JsonNode book,
        JsonElement deviation,
        List<int> places,
        HashSet<string> readings
    )
    {
        var (kind, reference) = (deviation.Text("kind"), deviation.GetProperty("ref").GetString());
        var hosting = request["candidate"]!["hosting"];
        var domains = request["candidate"]!["domains"]!.AsArray();
        var domain =
            deviation.GetProperty("domain").ValueKind == JsonValueKind.Number
                ? domains[places.IndexOf(deviation.GetProperty("domain").GetInt32())]!
                : null;
        var extras = (domain ?? hosting)?["addOns"]?.AsArray();
        switch (kind)
        {
            case "without-tax" or "tax-added" or "a-month":
                readings.Add(kind);
                break;
            case "extra-added":
                extras!.Add(new JsonObject { ["id"] = reference, ["quantity"] = 1 });
                break;
            case "quantity":
                extras!.First(extra => extra!["id"]!.GetValue<string>() == reference)!["quantity"] = deviation
                    .GetProperty("value")
                    .GetInt32();
                break;
            case "extra-left-out":
                extras!.Remove(extras.First(extra => extra!["id"]!.GetValue<string>() == reference));
                break;
            case "code-left-out" or "code-added" or "code-instead":
                Codes(request, book, domains, hosting, kind, reference!);
                break;
            case "promotion-left-out":
                Remove(book["promotions"]!.AsArray(), promotion => promotion!["id"]!.GetValue<string>() == reference);
                break;
            case "paid-otherwise":
                var way = deviation.GetProperty("value").GetString()!.Split('/');
                (hosting!["everyMonths"], hosting["commitMonths"]) = (int.Parse(way[0]), int.Parse(way[1]));
                break;
            case "other-plan":
                hosting!["plan"] = reference;
                break;
            case "years":
                domain!["years"] = deviation.GetProperty("value").GetInt32();
                break;
            case "domain-left-out":
                var codes = domain!["codes"]!.AsArray().Select(code => code!.GetValue<string>()).ToList();
                places.RemoveAt(domains.IndexOf(domain));
                domains.Remove(domain);
                codes.ForEach(code =>
                    (IsThere(hosting, book) ? hosting : domains.FirstOrDefault(other => IsThere(other, book)))
                        ?["codes"]!.AsArray()
                        .Add(code)
                );
                break;
            case "included-not-given":
                domain!["useIncluded"] = false;
                break;
            case "data-centre":
                hosting!["dataCentre"] = reference;
                break;
            case "set-up-left-out":
                foreach (
                    var option in book["plans"]!
                        .AsArray()
                        .First(plan => plan!["id"]!.GetValue<string>() == hosting!["plan"]!.GetValue<string>())![
                        "billing"
                    ]!.AsArray()
                )
                {
                    option!["setupFee"] = null;
                }

                break;
            case "later-price":
                Later(book, reference);
                break;
            case "other-customer":
                request["owner"]!["newCustomer"] = !request["owner"]!["newCustomer"]!.GetValue<bool>();
                break;
            default:
                throw new InvalidOperationException(kind);
        }
    }

    private static void Codes(
        JsonObject request,
        JsonNode book,
        JsonArray domains,
        JsonNode? hosting,
        string kind,
        string reference
    )
    {
        List<JsonNode> there =
        [
            .. new[] { hosting }.Concat(domains).Where(part => IsThere(part, book)).OfType<JsonNode>(),
        ];
        foreach (var part in there.Where(_ => kind != "code-added"))
        {
            Remove(part["codes"]!.AsArray(), code =>
                kind == "code-instead"
                || string.Equals(code!.GetValue<string>(), reference, StringComparison.OrdinalIgnoreCase)
            );
        }

        if (kind != "code-left-out")
        {
            there[0]["codes"]!.AsArray().Add(reference);
        }
    }

    private static void Later(JsonNode book, string? reference)
    {
        foreach (
            var option in (book["plans"]?.AsArray() ?? [])
                .SelectMany(plan => plan!["billing"]!.AsArray())
                .Where(_ => reference is null or "plan")
        )
        {
            LastAlone(option!);
        }

        foreach (
            var extra in book["addOns"]!
                .AsArray()
                .Where(extra => reference is null || reference == $"addOn:{extra!["id"]!.GetValue<string>()}")
        )
        {
            LastAlone(extra!["charge"]!);
        }

        foreach (
            var ending in book["domains"]!
                .AsArray()
                .Where(ending => reference is null || reference == $"domain:{ending!["ending"]!.GetValue<string>()}")
        )
        {
            ending!["register"] = ending["renew"]?.DeepClone();
        }
    }

    // A first price that is not stated would be refused in a book: there it stands for a bill that is not whole, which
    // explains nothing.
    private static void LastAlone(JsonNode priced)
    {
        var last = priced["prices"]!.AsArray()[^1]!.DeepClone();
        last["amount"] ??= "0";
        priced["prices"] = new JsonArray(last);
    }

    private static bool IsThere(JsonNode? part, JsonNode book) =>
        part?["book"]?.GetValue<string>() == book["id"]!.GetValue<string>()
        && part["route"]?.GetValue<string>() is null or "register" or "later" or "transfer";

    private static void Remove(JsonArray list, Func<JsonNode?, bool> goes)
    {
        foreach (var item in list.Where(goes).ToList())
        {
            list.Remove(item);
        }
    }
}
