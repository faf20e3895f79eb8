using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Books;

/// <summary>
/// What an owner tells of a seller while comparing: a code that its price list does not know yet, or a limit that the
/// seller's page did not say.
/// </summary>
public static class BookTold
{
    private const int LongestCode = 60;

    /// <summary>
    /// The price list with a code that takes something off the plan; null with what is missing. It has to be read again
    /// before it is kept.
    /// </summary>
    public static JsonNode? WithCode(JsonNode book, Node told, Currency currency)
    {
        var code = told["code"].RequiredText("The code")?.Trim();
        var (percent, amount) = (told["percent"], told["amount"]);
        if (percent.IsAbsent == amount.IsAbsent)
        {
            percent.Fault(FaultCodes.Required, "Say what the code takes off: so many percent, or a sum.");
        }

        percent.Percent(100);
        amount.Amount(currency);
        if (code is { Length: 0 or > LongestCode })
        {
            told["code"]
                .Fault(FaultCodes.OutOfRange, $"A code has 1 to {LongestCode} characters; this has {code.Length}.");
        }

        var with = book.DeepClone().AsObject();
        var promotions = with["promotions"] as JsonArray ?? [];
        if (
            code is not null
            && promotions
                .OfType<JsonObject>()
                .Any(known => string.Equals(Word(known["code"]), code, StringComparison.OrdinalIgnoreCase))
        )
        {
            told["code"].Fault(FaultCodes.Repeated, "This seller's price list has the code already.");
        }

        if (told.Faults.Any)
        {
            return null;
        }

        with["promotions"] = promotions; // Where there were none.
        promotions.Add(
            new JsonObject
            {
                ["id"] = Slug.Free(Slug.Make(code!, "code"), id =>
                    promotions.OfType<JsonObject>().Any(known => Word(known["id"]) == id)
                ),
                ["code"] = code,
                [percent.IsAbsent ? "amount" : "percent"] = (percent.IsAbsent ? amount : percent).Text(),
                ["appliesTo"] = new JsonArray("plan"),
                ["bills"] = told["everyBill"].Flag() == true ? "all" : 1,
            }
        );
        return with;
    }

    /// <summary>The price list with what a plan allows of one thing; null with what is wrong.</summary>
    public static JsonNode? WithLimit(JsonNode book, string planId, Node told)
    {
        var name = told["limit"].RequiredText("What it is a limit of");
        var value = told["value"];
        if (name is not null && !Fits(name, value))
        {
            (
                name is "certificate" or "installer" or "ownIp" || Needs.NumberNames.Contains(name)
                    ? value
                    : told["limit"]
            ).Fault(
                FaultCodes.BadType,
                "This must be a number, “unlimited”, yes or no, or the kind of certificate, as the limit has it."
            );
        }

        var with = book.DeepClone().AsObject();
        var plan = (with["plans"] as JsonArray)
            ?.OfType<JsonObject>()
            .FirstOrDefault(known => Word(known["id"]) == planId);
        if (plan is null)
        {
            told["limit"].Fault(FaultCodes.Unknown, "There is no such plan in this price list any more.");
        }

        if (told.Faults.Any)
        {
            return null;
        }

        var features = plan!["features"] as JsonObject ?? [];
        plan["features"] = features; // Where there were none.
        features[name!] = JsonNode.Parse(value.Element!.Value.GetRawText());
        return with;
    }

    private static bool Fits(string name, Node value) =>
        name switch
        {
            "certificate" => value.Text() is { } word && Want.LevelOf(word) is not null,
            "installer" or "ownIp" => value.Element is { ValueKind: JsonValueKind.True or JsonValueKind.False },
            _ when Needs.NumberNames.Contains(name) => value.Element is { ValueKind: JsonValueKind.Number } number
                ? number.TryGetDecimal(out var amount) && amount is >= 0 and <= 1_000_000_000_000
                : value.Element is { ValueKind: JsonValueKind.String } word
                    && word.GetString() == FeatureValue.Unlimited,
            _ => false,
        };

    private static string? Word(JsonNode? node) =>
        node?.GetValueKind() == JsonValueKind.String ? node.GetValue<string>() : null;
}

/// <summary>A code that a seller gave, and what it takes off the plan.</summary>
/// <param name="Percent">Or <paramref name="Amount"/>, in the price list's currency.</param>
/// <param name="EveryBill">Whether it counts on every bill; false: on the first.</param>
public sealed record ToldCodeBody(string Code, string? Percent = null, string? Amount = null, bool EveryBill = false);

/// <summary>What a plan allows of one thing.</summary>
/// <param name="Limit">The name of the need: storageGB, certificate, ownIp …</param>
/// <param name="Value">A number, "unlimited", true or false, or the kind of certificate.</param>
public sealed record ToldLimitBody(string Limit, JsonElement Value);
