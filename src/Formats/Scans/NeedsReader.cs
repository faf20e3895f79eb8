using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Scans;

/// <summary>Reads needs as scan.md has them. A need of 0, "none", false, [] or null asks for nothing.</summary>
public static class NeedsReader
{
    private const int MostWants = 24;

    private static readonly (string, CertificateLevel)[] Levels =
    [
        ("none", CertificateLevel.None),
        ("shared", CertificateLevel.Shared),
        ("own", CertificateLevel.Own),
        ("wildcard", CertificateLevel.Wildcard),
    ];

    private static readonly (string, DomainRoute)[] Routes =
    [
        ("register", DomainRoute.Register),
        ("later", DomainRoute.Later),
        ("transfer", DomainRoute.Transfer),
        ("keep", DomainRoute.Keep),
        ("lent", DomainRoute.Lent),
    ];

    /// <param name="display">The currency of <c>maxDueToday</c>; null where it is not known, which has been
    /// reported.</param>
    public static Needs Read(Node node, CountSettings settings, Currency? display)
    {
        node.IsObject();
        var needs = new Needs
        {
            Numbers = Numbers(node),
            Certificate = node["certificate"].Word(Levels) ?? CertificateLevel.None,
            Extras = [.. node["extras"].Texts(MostWants).Distinct()],
            Regions = node["regions"].Texts(),
            Platform = node["platform"].Text() is { Length: > 0 } platform ? platform : null,
            Installer = node["installer"].Flag() ?? false,
            OwnIp = node["ownIp"].Flag() ?? false,
            Support = node["support"].Texts(),
            MinRefundDays = Range(node["minRefundDays"], 0, 3650, "days") ?? 0,
            SamePrice = node["samePrice"].Flag() ?? false,
            MaxDueToday = node["maxDueToday"].Amount(display),
            AcceptUnknown = node["acceptUnknown"].Flag() ?? false,
            Domain = node["domain"].IsObject() ? Domain(node["domain"], settings) : null,
        };
        if (Want.ListAll(needs).Length > MostWants)
        {
            node.Fault(FaultCodes.OutOfRange, $"At most {MostWants} needs can be looked for at once.");
        }

        return needs;
    }

    private static ImmutableDictionary<string, decimal> Numbers(Node node)
    {
        var numbers = ImmutableDictionary.CreateBuilder<string, decimal>();
        foreach (var name in Needs.NumberNames)
        {
            if (Number(node[name]) is > 0 and var number)
            {
                numbers[name] = number;
            }
        }

        return numbers.ToImmutable();
    }

    private static decimal? Number(Node node)
    {
        if (node.IsAbsent)
        {
            return null;
        }

        if (node.Element is { ValueKind: JsonValueKind.Number } element)
        {
            if (element.TryGetDecimal(out var number) && number is >= 0 and <= 1_000_000_000_000)
            {
                return number;
            }

            node.Fault(FaultCodes.OutOfRange, "This must be a number from 0 to 1000000000000.");
            return null;
        }

        node.Fault(FaultCodes.BadType, "This must be a number.");
        return null;
    }

    private static DomainNeed? Domain(Node node, CountSettings settings)
    {
        if (node["route"].RequiredText("The route") is null || node["route"].Word(Routes) is not { } route)
        {
            return null;
        }

        var bought = route is DomainRoute.Register or DomainRoute.Later or DomainRoute.Transfer;
        var currency = route == DomainRoute.Keep ? node["currency"].RequiredCurrency() : null;
        return new DomainNeed(
            route,
            Name(node["name"], route),
            bought ? Endings(node["endings"]) : Ending(node["ending"], route)
        )
        {
            Years = route is DomainRoute.Register or DomainRoute.Later ? Range(node["years"], 1, 10, "years") ?? 1 : 1,
            InMonths = route == DomainRoute.Later ? InMonths(node["inMonths"], settings) : 0,
            Expires = route is DomainRoute.Transfer or DomainRoute.Keep
                ? Expires(node["expires"], route, settings)
                : null,
            Renewal = route == DomainRoute.Keep ? Renewal(node["renewal"], currency) : null,
            Currency = currency,
        };
    }

    private static string? Name(Node node, DomainRoute route)
    {
        var name = route is DomainRoute.Register or DomainRoute.Transfer or DomainRoute.Keep
            ? node.RequiredText("The domain's name")
            : node.Text();
        if (name is not null && route != DomainRoute.Lent && DomainName.Parse(name, "com").Fault is { } fault)
        {
            node.Faults.Add(FaultCodes.BadType, node.Where, new NotADomain(fault));
        }

        return name;
    }

    private static ImmutableArray<string> Endings(Node node)
    {
        var endings = node.Texts();
        if (node.IsAbsent || (node.Element is { ValueKind: JsonValueKind.Array } list && list.GetArrayLength() == 0))
        {
            node.Required("At least one ending");
        }

        return endings;
    }

    private static ImmutableArray<string> Ending(Node node, DomainRoute route)
    {
        var ending = route == DomainRoute.Keep ? node.RequiredText("The ending") : node.Text();
        return ending is null ? [] : [ending];
    }

    private static int InMonths(Node node, CountSettings settings)
    {
        var months = node.Whole() ?? 0;
        if (months < 0 || months >= settings.HorizonMonths)
        {
            node.Fault(
                FaultCodes.OutOfRange,
                $"A domain chosen later must be chosen before the {settings.HorizonMonths} months counted are "
                    + $"over; this says {months}."
            );
        }

        return months;
    }

    private static DateOnly? Expires(Node node, DomainRoute route, CountSettings settings)
    {
        if (node.IsAbsent)
        {
            node.Required("The date the domain runs out");
        }

        var date = node.Date();
        if (date < settings.StartDate)
        {
            node.Fault(FaultCodes.Expired, "The domain has run out before the start date.");
        }
        else if (route == DomainRoute.Transfer && date > settings.StartDate.AddMonths(120))
        {
            node.Fault(
                FaultCodes.TooManyYears,
                "The domain is paid for more than ten years ahead, which no registry allows: check the date."
            );
        }

        return date;
    }

    private static ExactDecimal? Renewal(Node amount, Currency? currency)
    {
        var price = CandidateReader.KeptPrice(amount);
        if (price is { } stated && currency is not null)
        {
            Amounts.Read(stated, currency, amount.Where, amount.Faults);
        }

        return price;
    }

    private static int? Range(Node node, int least, int most, string what)
    {
        var number = node.Whole();
        if (number < least || number > most)
        {
            node.Fault(FaultCodes.OutOfRange, $"This must be {least} to {most} {what}; it says {number}.");
            return null;
        }

        return number;
    }
}
