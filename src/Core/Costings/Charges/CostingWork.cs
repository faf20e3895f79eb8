using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// How much there is to do for a costing, known before it is begun: lines over the whole run, times the promotions and
/// codes each is held against. What is too much is said with its figure instead of being worked out for minutes.
/// </summary>
internal static class CostingWork
{
    /// <summary>Some hundred times what the largest sensible candidate takes; about a second and 200 MB.</summary>
    public const long Most = 2_000_000;

    // What making a line costs, against holding it to one condition of one promotion.
    private const int PerLine = 10;

    /// <summary>Whether a purchase can be costed; reported where it cannot.</summary>
    public static bool IsBounded(Purchase purchase, FaultList faults)
    {
        var work = Count(purchase);
        if (work > Most)
        {
            faults.Add(FaultCodes.OutOfRange, "candidate", new CostingTooLarge(work, Most));
        }

        return work <= Most;
    }

    /// <summary>Steps: lines over the whole run, each held against every promotion and code.</summary>
    public static long Count(Purchase purchase)
    {
        long codes = (purchase.Hosting?.Codes.Length ?? 0) + purchase.Domains.Sum(domain => domain.Choice.Codes.Length);
        long rules = purchase
            .Books.Where(book => purchase.BuysAt(book))
            .Sum(book => book.Promotions.Sum(promotion => 1L + promotion.AppliesTo.Length));
        return Lines(purchase) * (PerLine + (rules * (1 + codes)));
    }

    private static long Lines(Purchase purchase)
    {
        long years = Months.Run / 12;
        var lines = purchase.Domains.Sum(domain => years * (1 + domain.AddOns.Length));
        if (purchase.Hosting is { } hosting)
        {
            lines += (1 + (Months.Run / hosting.Option.EveryMonths)) * (2L + hosting.AddOns.Length);
            lines += years * hosting.AddOns.Count(bought => bought.AddOn.Every == ChargeEvery.Year);
        }

        return lines;
    }
}
