using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// A name registered for some years at once, against a candidate without it. Sums are minor units of the display
/// currency.
/// </summary>
/// <param name="Today">What it adds to what is due today.</param>
/// <param name="Horizon">What it adds over the horizon.</param>
/// <param name="Expires">The day it is paid until.</param>
/// <param name="DaysApart">How many days lie between that and the nearest end of a term of the hosting; null: there is
/// none, or it is paid each month.</param>
public sealed record NameYears(int Years, Sum Today, Sum Horizon, DateOnly Expires, int? DaysApart)
{
    /// <summary>
    /// Whether this is the least number of years that brings name and hosting nearest, where one year does not.
    /// </summary>
    public bool IsNearest { get; init; }

    internal static NameYears Compare(int years, Costing with, Costing? without)
    {
        var expires = with.Settings.StartDate.AddMonths(12 * years);
        return new NameYears(
            years,
            new Sum(with.Totals.DueToday - (without?.Totals.DueToday ?? 0), IsUnstated(with, today: true)),
            new Sum(with.Totals.Horizon - (without?.Totals.Horizon ?? 0), IsUnstated(with, today: false)),
            expires,
            Apart(with, expires)
        );
    }

    /// <summary>The same with the nearest marked.</summary>
    internal static ImmutableArray<NameYears> Nearest(ImmutableArray<NameYears> all)
    {
        var least = all.Min(years => years.DaysApart);
        var first = all.FirstOrDefault(years => years.DaysApart == least);
        return least is null || first is null or { Years: 1 }
            ? all
            : all.Replace(first, first with { IsNearest = true });
    }

    private static bool IsUnstated(Costing costing, bool today) =>
        costing
            .Counted.Where(bill => !today || bill.Date == costing.Settings.StartDate)
            .SelectMany(bill => bill.Lines)
            .Any(line => line.Kind == LineKind.Domain && line.IsUnstated);

    // The ends of the hosting's terms: whatever has been paid for then, leaving costs nothing.
    private static int? Apart(Costing costing, DateOnly expires)
    {
        if (costing.Run.Purchase.Hosting?.Option is not { EveryMonths: > 1 } option)
        {
            return null;
        }

        var start = costing.Settings.StartDate;
        var term = Math.Max(option.EveryMonths, option.CommitMonths);
        var before = Months.WholeBetween(start, expires) / term * term;
        return new[] { before, before + term }
            .Where(months => months > 0)
            .Min(months => Math.Abs(expires.DayNumber - start.AddMonths(months).DayNumber));
    }
}
