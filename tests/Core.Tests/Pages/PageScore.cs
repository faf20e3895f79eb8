using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Tests;

/// <summary>
/// Holds a reading against what the page says: every value of the truth is a fact, right, missing (null or absent) or
/// wrong (another value, or one where the truth has none). Plans, extras and lines are paired by name, then by their
/// amounts; ways by months, price and paid; endings and codes by themselves.
/// </summary>
internal sealed class PageScore
{
    private static readonly HashSet<string> Money =
    [
        "price",
        "struck",
        "setupFee",
        "amount",
        "register",
        "renew",
        "transfer",
        "subtotal",
        "tax",
        "total",
        "percent",
    ];

    public int Facts { get; private set; }

    public int Right { get; private set; }

    public int Missing { get; private set; }

    public List<string> Wrong { get; } = [];

    public void Add(PageScore other)
    {
        (Facts, Right, Missing) = (Facts + other.Facts, Right + other.Right, Missing + other.Missing);
        Wrong.AddRange(other.Wrong);
    }

    public static PageScore Compare(string kind, JsonObject truth, JsonObject answer)
    {
        var score = new PageScore();
        if (kind == "page")
        {
            score.Page(truth, answer);
        }
        else
        {
            score.Cart(truth, answer);
        }

        return score;
    }

    /// <summary>The amounts of the page that no source and nothing that was not placed holds.</summary>
    public static List<string> Uncovered(IEnumerable<string> amounts, JsonObject answer)
    {
        var text = answer["text"]!.GetValue<string>();
        var spans = new[] { "sources", "notPlaced" }
            .SelectMany(key => answer[key]!.AsArray())
            .Select(one => (From: one!["from"]!.GetValue<int>(), To: one["to"]!.GetValue<int>()))
            .Where(span => span.To - span.From <= 120)
            .ToList();
        var left = new List<string>();
        var at = 0;
        foreach (var amount in amounts)
        {
            var pieces = Pattern(@"\d+|[^\d\s]").Matches(amount).Select(match => Regex.Escape(match.Value)).ToList();
            var pattern = Pattern(
                (char.IsDigit(amount[0]) ? @"(?<!\d)" : "")
                    + string.Join(@"\s*", pieces)
                    + (char.IsDigit(amount[^1]) ? @"(?!\d)" : "")
            );
            var match = pattern.Match(text, at) is { Success: true } next ? next : pattern.Match(text);
            if (!match.Success)
            {
                left.Add(amount);
                continue;
            }

            at = Math.Max(at, match.Index + match.Length);
            var digits = Enumerable.Range(match.Index, match.Length).Where(index => char.IsDigit(text[index])).ToList();
            if (!spans.Exists(span => span.From <= digits[0] && digits[^1] < span.To))
            {
                left.Add(amount);
            }
        }

        return left;
    }

    private void Page(JsonObject truth, JsonObject answer)
    {
        foreach (var key in new[] { "provider", "currency", "tax", "refundDays" })
        {
            One(key, key == "tax" ? "_" : key, truth[key], answer[key]);
        }

        foreach (
            var (one, other) in Pairs(
                List(truth, "plans"),
                List(answer, "plans"),
                plan => plan["name"] is { } name ? PlainName(Text(name)) : null,
                plan => plan["name"] is null ? "" : null,
                WaysOf
            )
        )
        {
            Plan(one, other);
        }

        Each(truth, answer, "domains", ["ending", "register", "renew", "transfer"], one => Text(one["ending"]));
        Each(
            truth,
            answer,
            "extras",
            ["name", "price", "per", "ticked"],
            one => PlainName(Text(one["name"])),
            one => $"{Number(one["price"])} {one["per"]}"
        );
        Each(truth, answer, "codes", ["code", "percent", "amount"], one => Text(one["code"]));
    }

    private void Cart(JsonObject truth, JsonObject answer)
    {
        foreach (var key in new[] { "provider", "currency", "subtotal", "tax", "total", "addsUp" })
        {
            One(key, key, truth[key], answer[key]);
        }

        foreach (
            var (one, other) in Pairs(
                List(truth, "lines"),
                List(answer, "lines"),
                line => Text(line["kind"]) == "domain" ? Text(line["domain"]) : null,
                line => PlainName(Text(line["name"])),
                line => Number(line["amount"])?.ToString(CultureInfo.InvariantCulture)
            )
        )
        {
            foreach (var key in new[] { "name", "kind", "domain", "months", "quantity", "amount", "struck" })
            {
                var isNamed =
                    key == "name"
                    && Text(one["kind"]) == "domain"
                    && Text(other["name"]).Contains(Text(one["domain"]), StringComparison.OrdinalIgnoreCase);
                One($"lines.{key}", key, one[key], isNamed ? one[key] : other[key]);
            }
        }

        Each(
            truth,
            answer,
            "discounts",
            ["name", "amount"],
            one => Text(one["name"]),
            one => Number(one["amount"])?.ToString(CultureInfo.InvariantCulture)
        );
    }

    private void Plan(JsonObject truth, JsonObject answer)
    {
        One("plans.name", "name", truth["name"], answer["name"]);
        One("plans.setupFee", "setupFee", truth["setupFee"], answer["setupFee"]);
        var (has, says) = (Inner(truth, "features"), Inner(answer, "features"));
        foreach (var key in has.Select(one => one.Key).Union(says.Select(one => one.Key)))
        {
            One($"plans.features.{key}", key, has[key], says[key]);
        }

        foreach (var key in new[] { "endings", "fromMonths", "everyYear" })
        {
            One($"plans.domain.{key}", key, Inner(truth, "domain")[key], Inner(answer, "domain")[key]);
        }

        var (comes, read) = (Words(truth["includes"]), Words(answer["includes"]));
        foreach (var kind in comes.Union(read))
        {
            One("plans.includes", "_", comes.Contains(kind) ? kind : null, read.Contains(kind) ? kind : null);
        }

        foreach (var (one, other) in Ways(List(truth, "ways"), List(answer, "ways")))
        {
            foreach (var key in new[] { "months", "price", "per", "paid", "freeMonths", "struck", "setupFee" })
            {
                One($"plans.ways.{key}", key, one[key], other[key]);
            }

            One("plans.ways.later", "_", Later(one), Later(other));
        }
    }

    private void Each(
        JsonObject truth,
        JsonObject answer,
        string list,
        string[] keys,
        params Func<JsonObject, string?>[] by
    )
    {
        foreach (var (one, other) in Pairs(List(truth, list), List(answer, list), by))
        {
            foreach (var key in keys)
            {
                One($"{list}.{key}", key, one[key], other[key]);
            }
        }
    }

    private void One(string what, string key, JsonNode? truth, JsonNode? answer)
    {
        if (truth is null && answer is null)
        {
            return;
        }

        Facts += truth is null ? 0 : 1;
        if (truth is not null && answer is null)
        {
            Missing++;
        }
        else if (truth is not null && Same(key, truth, answer!))
        {
            Right++;
        }
        else
        {
            Wrong.Add($"{what}: {truth?.ToJsonString() ?? "null"}, read {answer!.ToJsonString()}");
        }
    }

    private static bool Same(string key, JsonNode truth, JsonNode answer) =>
        key is "endings" or "platforms"
            ? Words(truth).ToHashSet(StringComparer.OrdinalIgnoreCase).SetEquals(Words(answer))
        : key is "name" or "provider" ? PlainName(Text(truth)) == PlainName(Text(answer))
        : Money.Contains(key) ? Number(truth) is { } number && number == Number(answer)
        : Number(truth) is { } figure
        && truth is JsonValue
        && truth.GetValueKind() == System.Text.Json.JsonValueKind.Number
            ? figure == Number(answer)
        : string.Equals(Text(truth), Text(answer), StringComparison.OrdinalIgnoreCase);

    private static string Later(JsonObject way) =>
        way["later"] switch
        {
            null => null!,
            JsonObject later
                when Number(later["price"]) == Number(way["price"]) && Text(later["per"]) == Text(way["per"]) => "same",
            JsonObject later => $"{Number(later["price"])} a {Text(later["per"])}",
            var word => Text(word),
        };

    private static List<(JsonObject Truth, JsonObject Answer)> Ways(List<JsonObject> truths, List<JsonObject> answers)
    {
        var pairs = new List<(JsonObject, JsonObject)>();
        var fits = truths
            .SelectMany(one => answers.Select(other => (One: one, Other: other, Fit: Fit(one, other))))
            .Where(pair => pair.Fit > 0)
            .OrderByDescending(pair => pair.Fit)
            .ToList();
        foreach (var (one, other, _) in fits)
        {
            if (!pairs.Exists(pair => pair.Item1 == one || pair.Item2 == other))
            {
                pairs.Add((one, other));
            }
        }

        return
        [
            .. pairs,
            .. truths.Where(one => !pairs.Exists(pair => pair.Item1 == one)).Select(one => (one, new JsonObject())),
            .. answers
                .Where(other => !pairs.Exists(pair => pair.Item2 == other))
                .Select(other => (new JsonObject(), other)),
        ];
    }

    private static int Fit(JsonObject one, JsonObject other)
    {
        var (months, price) = (
            Text(one["months"]) == Text(other["months"]),
            Number(one["price"]) == Number(other["price"])
        );
        return months || price
            ? (months ? 4 : 0) + (price ? 3 : 0) + (Text(one["paid"]) == Text(other["paid"]) ? 2 : 0)
            : 0;
    }

    private static List<(JsonObject Truth, JsonObject Answer)> Pairs(
        List<JsonObject> truths,
        List<JsonObject> answers,
        params Func<JsonObject, string?>[] by
    )
    {
        var pairs = new List<(JsonObject, JsonObject)>();
        foreach (var key in by)
        {
            foreach (var one in truths.ToList())
            {
                if (
                    key(one) is { } value
                    && answers.Find(other => string.Equals(key(other), value, StringComparison.OrdinalIgnoreCase))
                        is { } hit
                )
                {
                    pairs.Add((one, hit));
                    truths.Remove(one);
                    answers.Remove(hit);
                }
            }
        }

        return
        [
            .. pairs,
            .. truths.Select(one => (one, new JsonObject())),
            .. answers.Select(other => (new JsonObject(), other)),
        ];
    }

    private static string? WaysOf(JsonObject plan) =>
        List(plan, "ways") is { Count: > 0 } ways
            ? string.Join(' ', ways.Select(way => $"{Text(way["months"])}:{Number(way["price"])}"))
            : null;

    private static string PlainName(string name)
    {
        var text = Pattern(@"\b(ltd|limited|inc)\.?$")
            .Replace(Pattern(@"\s+").Replace(name, " ").Trim().ToLowerInvariant(), "");
        for (var before = ""; before != text && text.Length > 0; )
        {
            before = text;
            text = Pattern(@"\s*\([^()]*\)$").Replace(text, "");
            text = Pattern(@"[\s,;:–—-]+(for )?\d+[ -](months?|years?)( term)?$").Replace(text, "");
            text = Pattern(@"\s+(plan|hosting|package)$").Replace(text, "").Trim(' ', ',', ';', ':', '–', '—', '-');
        }

        return text;
    }

    private static Regex Pattern(string pattern) => new(pattern, RegexOptions.ExplicitCapture, TimeSpan.FromSeconds(5));

    private static List<JsonObject> List(JsonObject of, string key) =>
        of[key] is JsonArray list ? [.. list.Select(one => one!.AsObject())] : [];

    private static JsonObject Inner(JsonObject of, string key) => of[key] as JsonObject ?? [];

    private static List<string> Words(JsonNode? list) =>
        list is JsonArray words ? [.. words.Select(word => word!.GetValue<string>())] : [];

    private static string Text(JsonNode? node) =>
        node is null ? ""
        : node.GetValueKind() == System.Text.Json.JsonValueKind.String ? node.GetValue<string>()
        : node.ToJsonString();

    private static decimal? Number(JsonNode? node) =>
        decimal.TryParse(Text(node), NumberStyles.Number, CultureInfo.InvariantCulture, out var number) ? number : null;
}
