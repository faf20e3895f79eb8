using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;

namespace HomeStart.Core.Sites;

/// <summary>Carries out the commands about how a site is counted.</summary>
internal static class SettingsChange
{
    public static SiteSettings Apply(SiteSettings settings, SiteCommand command, DateOnly today, FaultList faults) =>
        command switch
        {
            SetHorizon horizon => Horizon(settings, horizon.Months, faults),
            SetStart start => Start(settings, start.Date, faults),
            SetTax tax => settings with { TaxPercent = tax.Percent, CountTax = tax.Counted },
            SetDisplay display => Display(settings, display, today, faults),
            SetNewCustomer customer => settings with { NewCustomer = customer.IsNew },
            SetKeepChance chance => settings with { KeepChancePercent = chance.Percent },
            _ => throw new ArgumentOutOfRangeException(nameof(command), command, null),
        };

    private static SiteSettings Horizon(SiteSettings settings, int months, FaultList faults)
    {
        if (months is < 1 or > CountSettings.LongestHorizon)
        {
            faults.Add(FaultCodes.OutOfRange, "months", new HorizonOutOfRange(CountSettings.LongestHorizon, months));
        }

        return settings with
        {
            HorizonMonths = months,
        };
    }

    private static SiteSettings Start(SiteSettings settings, DateOnly? date, FaultList faults)
    {
        if (date is { Year: < 1970 or > 2200 })
        {
            faults.Add(FaultCodes.BadDate, "date", new StartOutOfRange());
        }

        return settings with
        {
            StartDate = date,
        };
    }

    // A rate that stays as it was keeps its date; a new one is the owner's of today.
    private static SiteSettings Display(SiteSettings settings, SetDisplay display, DateOnly today, FaultList faults)
    {
        CheckCurrency(display.Currency, "currency", faults);
        var rates = display.Rates.Remove(display.Currency);
        foreach (var (currency, rate) in rates)
        {
            CheckCurrency(currency, $"rates.{currency}", faults);
            if (rate.IsZero || !rate.IsAtMost(1_000_000_000))
            {
                faults.Add(FaultCodes.OutOfRange, $"rates.{currency}", new RateOutOfRange());
            }
        }

        var same = display.Currency == settings.DisplayCurrency;
        return settings with
        {
            DisplayCurrency = display.Currency,
            Rates = rates,
            RateDates = rates.ToImmutableDictionary(
                rate => rate.Key,
                rate =>
                    same && settings.Rates.TryGetValue(rate.Key, out var before) && before.Equals(rate.Value)
                        ? settings.RateDates.GetValueOrDefault(rate.Key, today)
                        : today
            ),
        };
    }

    private static void CheckCurrency(string code, string where, FaultList faults)
    {
        if (!Currency.TryGet(code, out _))
        {
            faults.Add(FaultCodes.Unknown, where, new NoSuchCurrency(code));
        }
    }
}
