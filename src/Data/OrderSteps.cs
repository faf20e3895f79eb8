using System.Text.Json.Nodes;

namespace HomeStart.Data;

/// <summary>What changed in the shape of stored orders.</summary>
internal static class OrderSteps
{
    /// <summary>
    /// 1 to 2: an item was one sentence; now it says kind, name and months, and one that only has its sentence keeps
    /// that as its name.
    /// </summary>
    public static void ItemsAreWords(JsonObject order)
    {
        foreach (var item in order["things"]!["items"]!.AsArray().Select(item => item!.AsObject()))
        {
            var words = item["what"]?.GetValue<string>() ?? "";
            item.Remove("what");
            item["name"] = words;
        }
    }

    /// <summary>
    /// 2 to 3: amounts and their currencies stood apart, a premium price had none of its own, and a domain could be any
    /// text: one that no registry would take is left out, so that its step is refused as it always was.
    /// </summary>
    public static void AmountsHaveTheirCurrency(JsonObject order)
    {
        var things = order["things"]!.AsObject();
        var payments = things["payments"]!.AsArray();
        if (things["domain"] is JsonObject domain)
        {
            KeepIfDomain(domain, "name");
            if (domain["premium"]?.GetValue<string>() is { } premium)
            {
                domain["premium"] = Money(
                    premium,
                    payments
                        .FirstOrDefault(payment =>
                            payment!["book"]!.GetValue<string>() == domain["book"]!.GetValue<string>()
                        )
                        ?["currency"]
                        ?? things["currency"]
                );
            }
        }

        if (things["hosting"] is JsonObject hosting)
        {
            KeepIfDomain(hosting, "address");
        }

        foreach (var sum in payments.Concat(things["items"]!.AsArray()).Select(node => node!.AsObject()))
        {
            sum["amount"] = Money(sum["amount"]!.GetValue<string>(), sum["currency"]);
            sum.Remove("currency");
        }

        things["total"] = Money(things["total"]!.GetValue<string>(), things["currency"]);
        things.Remove("currency");
    }

    /// <summary>
    /// 3 to 4: there was one domain at most, which its steps did not name, and a card was the one way to pay.
    /// </summary>
    public static void DomainsAreMany(JsonObject order)
    {
        var things = order["things"]!.AsObject();
        var domain = things["domain"]?.DeepClone();
        things.Remove("domain");
        things["domains"] = new JsonArray(domain is null ? [] : [domain]);
        if (order["state"]?.GetValue<string>() == "needsCard")
        {
            order["state"] = "needsPayment";
        }

        foreach (
            var step in order["steps"]
                ?.AsArray()
                .Select(step => step!.AsObject())
                .Where(step => step["kind"]!.GetValue<string>() is "register" or "join")
                ?? []
        )
        {
            step["domain"] = domain?["name"]?.GetValue<string>();
        }
    }

    private static void KeepIfDomain(JsonObject of, string name)
    {
        if (DomainName.Parse(of[name]?.GetValue<string>()) is null)
        {
            of.Remove(name);
        }
    }

    private static JsonObject Money(string amount, JsonNode? currency) =>
        new() { ["amount"] = amount, ["currency"] = currency!.GetValue<string>() };
}
