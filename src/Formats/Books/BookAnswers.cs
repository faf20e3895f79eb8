using System.Text.Json.Nodes;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Books;

/// <summary>What a seller answered to a question of the slip.</summary>
/// <param name="Amount">As its price list counts it, for questions of price.</param>
/// <param name="Days">For the question of giving back.</param>
/// <param name="Credit">For the question of changing: whether unused days are credited; <paramref name="FirstPrice"/>:
/// whether the new plan starts at its first price.</param>
/// <param name="Said">Its own words; null: none.</param>
public sealed record SlipAnswer(Money? Amount, int? Days, bool? Credit, bool? FirstPrice, string? Said);

/// <summary>
/// Writes what a seller answered into its price list: where the list has a place for it, and as a dated fact, so that
/// it stands there who said what when.
/// </summary>
public static class BookAnswers
{
    /// <summary>Reads an answer; a fault where what the question asks for is missing.</summary>
    public static SlipAnswer? Read(Node node, SlipQuestion question, OfferBook book)
    {
        var said = node["said"].Text()?.Trim() is { Length: > 0 } text ? text : null;
        var asks = Asks(question.Kind);
        var amount = asks == "amount" ? BoughtThereReader.Amount(node["amount"], book.Currency, "What it costs") : null;
        var days = asks == "days" ? node["days"].Whole() : null;
        var (credit, first) = asks == "change" ? (node["credit"].Flag(), node["firstPrice"].Flag()) : (null, null);
        if (asks == "days" && days is not (>= 0 and <= 3650))
        {
            node["days"]
                .Fault(FaultCodes.OutOfRange, "Type a number of days, 0 to 3650. 0 means that nothing comes back.");
        }
        else if (asks == "change" && (credit is null || first is null))
        {
            node[credit is null ? "credit" : "firstPrice"].Required("One of the two answers");
        }
        else if (asks == "words" && said is null)
        {
            node["said"].Required("What they said");
        }

        if (said is not null && (said.Length > Longest || TypedSecret.In(said) is not null))
        {
            node["said"]
                .Fault(
                    said.Length > Longest ? FaultCodes.OutOfRange : FaultCodes.Unavailable,
                    said.Length > Longest
                        ? $"This has {said.Length} characters; {Longest} can be kept."
                        : "This looks like a card’s number or a password. None is kept here: leave it out."
                );
        }

        return node.Faults.Any ? null : new SlipAnswer(amount, days, credit, first, said);
    }

    /// <summary>What a question asks for: amount, days, change or words.</summary>
    public static string Asks(SlipQuestionKind kind) =>
        kind switch
        {
            SlipQuestionKind.LaterPrice
            or SlipQuestionKind.ExtraLater
            or SlipQuestionKind.Renewal
            or SlipQuestionKind.Redemption => "amount",
            SlipQuestionKind.Refund => "days",
            SlipQuestionKind.Change => "change",
            _ => "words",
        };

    /// <summary>The price list with an answer; it has to be read again before it is kept.</summary>
    /// <param name="option">How the plan is paid that the question is about; null: it is about no plan.</param>
    /// <param name="words">The question.</param>
    public static JsonNode Into(
        JsonNode book,
        SlipQuestion question,
        SlipAnswer answer,
        BillingOption? option,
        string words,
        DateOnly on
    )
    {
        var with = book.DeepClone().AsObject();
        switch (question.Kind)
        {
            case SlipQuestionKind.LaterPrice
                when option is not null && Named(with, "plans", "id", question.Ref) is { } plan:
                LastStep(
                    (plan["billing"] as JsonArray)
                        ?.OfType<JsonObject>()
                        .FirstOrDefault(known =>
                            Whole(known["everyMonths"]) == option.EveryMonths
                            && (Whole(known["commitMonths"]) ?? Whole(known["everyMonths"])) == option.CommitMonths
                        ),
                    answer
                );
                break;
            case SlipQuestionKind.ExtraLater:
                LastStep(Named(with, "addOns", "id", question.Ref)?["charge"] as JsonObject, answer);
                break;
            case SlipQuestionKind.Renewal when Ending(with, question.Ref) is { } price:
                price["renew"] = answer.Amount!.Value.ToAmount();
                break;
            case SlipQuestionKind.Redemption when Ending(with, question.Ref) is { } price:
                (price["lapse"] as JsonObject ?? Put(price, "lapse"))["redemptionFee"] =
                    answer.Amount!.Value.ToAmount();
                break;
            case SlipQuestionKind.Refund:
                (with["refund"] as JsonObject ?? Put(with, "refund"))["days"] = answer.Days;
                break;
            case SlipQuestionKind.Change:
                var change = with["change"] as JsonObject ?? Put(with, "change");
                (change["credit"], change["firstPrice"]) = (answer.Credit == true ? "days" : "none", answer.FirstPrice);
                break;
            default:
                break;
        }

        var provider = with["provider"]!.AsObject();
        (provider["facts"] as JsonArray ?? PutList(provider, "facts")).Add(
            $"Asked on {UpkeepWords.Day(on)}: {words} {Told(question.Kind, answer)}"
        );
        return with;
    }

    private const int Longest = 300;

    // The end of what was asked, as a sentence.
    private static string Told(SlipQuestionKind kind, SlipAnswer answer)
    {
        var plain = kind switch
        {
            SlipQuestionKind.Refund => answer.Days == 0 ? "Nothing comes back." : $"Within {answer.Days} days.",
            SlipQuestionKind.Change =>
                $"{(answer.Credit == true ? "Unused days are credited" : "There is no credit")}, and it starts "
                    + $"at the {(answer.FirstPrice == true ? "first" : "later")} price.",
            _ => answer.Amount is { } amount ? $"{MoneyWords.Format(amount)}." : "",
        };
        return string.Join(
            ' ',
            new[] { plain, answer.Said is { } said ? $"“{said}”" : "" }.Where(part => part.Length > 0)
        );
    }

    private static void LastStep(JsonObject? holder, SlipAnswer answer)
    {
        if (holder is null)
        {
            return;
        }

        var steps = holder["prices"] as JsonArray ?? PutList(holder, "prices");
        if (steps.LastOrDefault() is JsonObject last && last["amount"] is null)
        {
            last["amount"] = answer.Amount!.Value.ToAmount();
        }
        else
        {
            steps.Add(new JsonObject { ["amount"] = answer.Amount!.Value.ToAmount() });
        }
    }

    private static JsonObject? Ending(JsonObject book, string domain) =>
        (book["domains"] as JsonArray)
            ?.OfType<JsonObject>()
            .Where(price =>
                price["ending"]?.GetValue<string>() is { } ending
                && domain.EndsWith("." + ending, StringComparison.Ordinal)
            )
            .MaxBy(price => price["ending"]!.GetValue<string>().Length);

    private static JsonObject? Named(JsonObject book, string list, string key, string value) =>
        (book[list] as JsonArray)?.OfType<JsonObject>().FirstOrDefault(item => item[key]?.GetValue<string>() == value);

    private static int? Whole(JsonNode? node) =>
        node?.GetValueKind() == System.Text.Json.JsonValueKind.Number ? node.GetValue<int>() : null;

    private static JsonObject Put(JsonObject holder, string field)
    {
        var made = new JsonObject();
        holder[field] = made;
        return made;
    }

    private static JsonArray PutList(JsonObject holder, string field)
    {
        var made = new JsonArray();
        holder[field] = made;
        return made;
    }
}
