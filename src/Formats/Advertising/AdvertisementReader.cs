using System.Collections.Immutable;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Advertising;

/// <summary>
/// Reads an advertisement as an owner typed it: all values are text, so that nothing typed is lost, and every fault
/// names its field.
/// </summary>
public static class AdvertisementReader
{
    private const int LongestName = 120;

    // What the figures are worked out from; whatever else is missing or wrong does not hold them up.
    private static readonly ImmutableArray<string> Figured =
    [
        "price",
        "pricePer",
        "months",
        "paid",
        "laterPrice",
        "laterPer",
        "setupFee",
        "currency",
    ];

    /// <summary>
    /// The advertisement, with faults for what is missing or wrong. Not null once its figures can be worked out: until
    /// the rest is given it is missing all the same.
    /// </summary>
    public static Advertisement? Read(Node node)
    {
        if (!node.IsObject())
        {
            node.Required("The advertisement");
            return null;
        }

        var (provider, plan) = (Name(node["provider"], "Who sells"), Name(node["plan"], "The plan’s name"));
        var currency = Said(node["currency"]) is null
            ? Missing<Currency>(node["currency"], "Choose the currency.")
            : node["currency"].CurrencyCode();
        var tax = Choice(node["tax"], "Say whether the prices include tax.", ("inside", true), ("on-top", false));
        var headline = Way(node, currency);
        var others = node["otherWays"].Items(20).Select(way => Way(way, currency)).ToList();
        ReportTwice(node, headline, others);
        var setup = Amount(node["setupFee"], currency);
        var domain = Domain(node);
        var days = Whole(node["refundDays"], 0, 3650, "days");
        var ticked = node["ticked"].Items(20).Select(extra => Extra(extra, currency)).ToList();
        if (currency is null || headline is null || node.Faults.Faults.Any(fault => Figured.Contains(fault.Where)))
        {
            return null;
        }

        return new Advertisement(provider, plan, currency, headline)
        {
            OtherWays = [.. others.OfType<AdvertisedWay>()],
            SetupFee = setup,
            Domain = domain,
            TaxInside = tax ?? false,
            RefundDays = days,
            Ticked = [.. ticked.OfType<AdvertisedExtra>()],
        };
    }

    private static AdvertisedWay? Way(Node node, Currency? currency)
    {
        var price = Price(node, "price", "pricePer", currency);
        if (Said(node["price"]) is null)
        {
            node["price"].Required("The price");
        }

        var months = Whole(node["months"], 1, CountSettings.LongestHorizon, "months");
        if (Said(node["months"]) is null)
        {
            node["months"].Required("For how many months the price holds");
        }

        var paid = Choice(
            node["paid"],
            "Say how it is paid.",
            ("at-once", HowPaid.AtOnce),
            ("monthly-bound", HowPaid.MonthlyBound),
            ("monthly-free", HowPaid.MonthlyFree)
        );
        var later = Choice(
            node["later"],
            "Say what it costs afterwards, or that the page does not say.",
            ("not-stated", 0),
            ("same", 1),
            ("stated", 2)
        );
        var after = later == 2 ? Price(node, "laterPrice", "laterPer", currency) : null;
        if (later == 2 && Said(node["laterPrice"]) is null)
        {
            node["laterPrice"].Required("The later price");
        }

        return price is null || months is null || paid is null
            ? null
            : new AdvertisedWay(
                price,
                months.Value,
                paid.Value,
                later == 1 ? LaterPrice.Same
                    : after is null ? LaterPrice.NotStated
                    : new LaterPrice(false, after)
            );
    }

    private static AdvertisedPrice? Price(Node node, string amount, string per, Currency? currency)
    {
        var unit = Said(node[per]) is null
            ? Said(node[amount]) is null
                ? null
                : Missing<AdvertisedPer>(node[per], "Say what the price is for.", AdvertisedPer.Month)
            : node[per]
                .Word(("month", AdvertisedPer.Month), ("year", AdvertisedPer.Year), ("term", AdvertisedPer.Term));
        return Amount(node[amount], currency) is { } units && unit is { } said
            ? new AdvertisedPrice(units, said)
            : null;
    }

    // Two ways that are paid alike are one way with two prices.
    private static void ReportTwice(Node node, AdvertisedWay? headline, List<AdvertisedWay?> others)
    {
        var seen = new HashSet<(int, int)>();
        foreach (var (index, way) in others.Prepend(headline).Index().Where(pair => pair.Item is not null))
        {
            var option = way!.ToOption(null);
            if (!seen.Add((option.EveryMonths, option.CommitMonths)))
            {
                node["otherWays"]
                    .Items(20)[index - 1]["months"]
                    .Fault(
                        FaultCodes.DuplicateId,
                        "This way to pay is there already: change its months or how it is paid."
                    );
            }
        }
    }

    private static AdvertisedDomain? Domain(Node node)
    {
        if (node["includesDomain"].Flag() is not true)
        {
            return null;
        }

        var text = Said(node["endings"]);
        if (text is null)
        {
            node["endings"].Required("For which endings, such as com, co.uk,");
        }

        ImmutableArray<string> endings =
        [
            .. (text ?? "")
                .Split([',', ' ', ';'], StringSplitOptions.RemoveEmptyEntries)
                .Select(word => word.TrimStart('.').ToLowerInvariant())
                .Distinct(StringComparer.Ordinal),
        ];
        foreach (var ending in endings.Where(ending => DomainName.ParseEnding(ending) is null).Take(1))
        {
            node["endings"]
                .Fault(FaultCodes.BadType, $"“{ending}” is no ending: write them with commas, such as com, co.uk.");
        }

        var from = Whole(node["domainFromMonths"], 0, CountSettings.LongestHorizon, "months") ?? 0;
        return endings.IsEmpty || node.Faults.Faults.Any(fault => fault.Where == node["endings"].Where)
            ? null
            : new AdvertisedDomain(endings, from);
    }

    private static AdvertisedExtra? Extra(Node node, Currency? currency)
    {
        var name = Name(node["name"], "What is ticked");
        if (Said(node["price"]) is null)
        {
            node["price"].Required("Its price");
        }

        var every = Said(node["every"]) is null
            ? ChargeEvery.Month
            : node["every"].Word(("once", ChargeEvery.Once), ("month", ChargeEvery.Month), ("year", ChargeEvery.Year));
        return Amount(node["price"], currency) is { } units && every is { } said
            ? new AdvertisedExtra(name, units, said)
            : null;
    }

    private static string Name(Node node, string what)
    {
        var name = Said(node) ?? "";
        if (name.Length == 0)
        {
            node.Required(what);
        }
        else if (name.Length > LongestName)
        {
            node.Fault(FaultCodes.OutOfRange, $"This has {name.Length} characters; at most {LongestName} are kept.");
        }

        return name;
    }

    private static Int128? Amount(Node node, Currency? currency)
    {
        if (Said(node) is not { } typed)
        {
            return null;
        }

        return currency is null ? null : Amounts.Read(TypedNumber.Clean(typed), currency, node.Where, node.Faults);
    }

    private static int? Whole(Node node, int least, int most, string what)
    {
        if (Said(node) is not { } typed)
        {
            return null;
        }

        if (
            int.TryParse(
                typed,
                System.Globalization.NumberStyles.None,
                System.Globalization.CultureInfo.InvariantCulture,
                out var number
            )
            && number >= least
            && number <= most
        )
        {
            return number;
        }

        node.Fault(FaultCodes.OutOfRange, $"This must be {least} to {most} {what}, in digits.");
        return null;
    }

    private static T? Choice<T>(Node node, string ask, params (string Word, T Value)[] words)
        where T : struct => Said(node) is null ? Missing<T>(node, ask) : node.Word(words);

    private static T? Missing<T>(Node node, string ask, T? instead = default)
    {
        node.Fault(FaultCodes.Required, ask);
        return instead;
    }

    // What was typed, without the space around it; nothing where that is nothing.
    private static string? Said(Node node) => node.Text()?.Trim() is { Length: > 0 } text ? text : null;
}
