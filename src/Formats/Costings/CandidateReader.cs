using System.Collections.Immutable;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Costings;

/// <summary>
/// Reads a candidate: what is missing or of another type; whether it fits the books is <see cref="Resolver"/>'s to say.
/// </summary>
public static class CandidateReader
{
    private static readonly (string, DomainRoute)[] Routes =
    [
        ("register", DomainRoute.Register),
        ("later", DomainRoute.Later),
        ("transfer", DomainRoute.Transfer),
        ("keep", DomainRoute.Keep),
        ("lent", DomainRoute.Lent),
    ];

    public static Candidate Read(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The candidate");
        }

        var readable = node.IsObject();
        var hosting = node["hosting"].IsObject() ? Hosting(node["hosting"]) : null;
        var domains = node["domains"].Items().Select(Domain).ToImmutableArray();
        if (
            readable
            && node["hosting"].IsAbsent
            && (
                node["domains"].IsAbsent
                || (node["domains"].Element!.Value.ValueKind == System.Text.Json.JsonValueKind.Array && domains.IsEmpty)
            )
        )
        {
            node.Required("What is bought, hosting or a domain,");
        }

        return new Candidate(hosting, domains);
    }

    private static HostingChoice Hosting(Node node)
    {
        if (node["everyMonths"].IsAbsent)
        {
            node["everyMonths"].Required("How often the plan is paid");
        }

        return new HostingChoice(
            node["book"].RequiredText("The offer book"),
            node["plan"].RequiredText("The plan"),
            node["everyMonths"].Whole(),
            node["commitMonths"].Whole()
        )
        {
            DataCentre = node["dataCentre"].Text(),
            AddOns = AddOns(node["addOns"]),
            Codes = node["codes"].Texts(100),
        };
    }

    internal static DomainChoice Domain(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The domain");
            return new DomainChoice((DomainRoute?)null);
        }

        if (!node.IsObject())
        {
            return new DomainChoice((DomainRoute?)null);
        }

        node["route"].RequiredText("The route");
        var route = node["route"] is { Element.ValueKind: System.Text.Json.JsonValueKind.String } word
            ? word.Word(Routes)
            : null;
        var bought = route is DomainRoute.Register or DomainRoute.Later or DomainRoute.Transfer;
        return new DomainChoice(route)
        {
            Book = bought ? node["book"].RequiredText("The offer book") : node["book"].Text(),
            Name = route is DomainRoute.Register or DomainRoute.Transfer or DomainRoute.Keep
                ? node["name"].RequiredText("The domain's name")
                : node["name"].Text(),
            Ending =
                bought || route == DomainRoute.Keep ? node["ending"].RequiredText("The ending") : node["ending"].Text(),
            Years = node["years"].Whole() ?? 1,
            UseIncluded = node["useIncluded"].Flag() ?? true,
            Premium = node["premium"].IsObject()
                ? new PremiumPrices(node["premium"]["register"].AmountNumber(), node["premium"]["renew"].AmountNumber())
                : null,
            AddOns = AddOns(node["addOns"]),
            Codes = node["codes"].Texts(100),
            InMonths = node["inMonths"].Whole() ?? 0,
            Expires = DateOn(node["expires"], route is DomainRoute.Transfer or DomainRoute.Keep),
            Renewal = route == DomainRoute.Keep ? KeptPrice(node["renewal"]) : null,
            Currency = route == DomainRoute.Keep ? node["currency"].RequiredCurrency() : null,
        };
    }

    private static DateOnly? DateOn(Node node, bool required)
    {
        if (required && node.IsAbsent)
        {
            node.Required("The date the domain runs out");
        }

        return node.Date();
    }

    /// <summary>
    /// What a registrar outside takes for a year; that it fits the currency is checked where that is known.
    /// </summary>
    internal static ExactDecimal? KeptPrice(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("What the outside registrar takes for a year");
        }

        return node.AmountNumber();
    }

    internal static ImmutableArray<AddOnChoice> AddOns(Node node) =>
        [
            .. node.Items()
                .Select(item =>
                {
                    if (item.IsAbsent)
                    {
                        item.Required("The extra");
                        return new AddOnChoice(null);
                    }

                    return item.IsObject()
                        ? new AddOnChoice(item["id"].RequiredText("The extra's id"), item["quantity"].Whole() ?? 1)
                        : new AddOnChoice(null);
                }),
        ];
}
