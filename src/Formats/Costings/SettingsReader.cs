using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Costings;

/// <summary>Reads how the owner counts: start date, horizon, owner, display.</summary>
public static class SettingsReader
{
    private static readonly DateOnly Earliest = new(1970, 1, 1);
    private static readonly DateOnly Latest = new(2200, 12, 31);

    /// <summary>The settings; what could not be read is reported and replaced by a harmless value.</summary>
    public static CountSettings Read(Node request)
    {
        var (owner, display) = (request["owner"], request["display"]);
        owner.IsObject();
        display.IsObject();
        return new CountSettings(StartDate(request["startDate"]), Horizon(request["horizonMonths"]))
        {
            TaxPercent = owner["taxPercent"].Percent(1000) ?? ExactDecimal.Whole(0),
            CountTax = owner["countTax"].Flag() ?? true,
            Customer = new CustomerStatus(owner["newCustomer"].Flag() ?? true, [.. owner["customerOf"].Texts()]),
            KeepChancePercent = owner["keepChancePercent"].Percent(100),
            DisplayCurrency = display["currency"].CurrencyCode(),
            Rates = Rates(display["rates"]),
        };
    }

    private static DateOnly StartDate(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The start date");
        }

        var date = node.Date();
        if (date < Earliest || date > Latest)
        {
            node.Fault(FaultCodes.BadDate, "The start date must lie in the years 1970 to 2200.");
            return Earliest;
        }

        return date ?? Earliest;
    }

    private static int Horizon(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The number of months to count");
        }

        var months = node.Whole();
        if (months is < 1 or > CountSettings.LongestHorizon)
        {
            node.Fault(
                FaultCodes.OutOfRange,
                $"The horizon must be 1 to {CountSettings.LongestHorizon} months; it says {months}."
            );
            return 1;
        }

        return months ?? 1;
    }

    private static ImmutableDictionary<string, ExactDecimal> Rates(Node node)
    {
        if (!node.IsObject())
        {
            return ImmutableDictionary<string, ExactDecimal>.Empty;
        }

        var rates = ImmutableDictionary.CreateBuilder<string, ExactDecimal>();
        foreach (
            var property in node.Element!.Value.EnumerateObject()
                .Where(property => property.Value.ValueKind != JsonValueKind.Null)
        )
        {
            if (Rate(node[property.Name], property.Name) is { } rate)
            {
                rates[property.Name] = rate;
            }
        }

        return rates.ToImmutable();
    }

    private static ExactDecimal? Rate(Node node, string code)
    {
        if (!Currency.TryGet(code, out _))
        {
            node.Fault(FaultCodes.Unknown, $"“{code}” is not the code of a currency, such as GBP.");
        }

        if (node.Text() is not { } text)
        {
            return null;
        }

        if (!ExactDecimal.TryParse(text, out var rate))
        {
            node.Fault(
                FaultCodes.BadAmount,
                "This is not a rate: write what one unit is worth as text, such as \"0.92\"."
            );
            return null;
        }

        if (rate.IsZero || !rate.IsAtMost(1_000_000_000))
        {
            node.Fault(FaultCodes.OutOfRange, "A rate must be above zero and at most 1000000000.");
            return null;
        }

        return rate;
    }
}
