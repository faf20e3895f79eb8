using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Costings;

/// <summary>
/// The sums of a costing, in minor units of its display currency unless said otherwise (costing rules 25 to 29).
/// </summary>
public sealed record Totals
{
    /// <summary>What the start date's bills come to.</summary>
    public required Minor DueToday { get; init; }

    /// <summary>What the bills before the end of the first commitment come to.</summary>
    public required Minor FirstTerm { get; init; }

    /// <summary>What the counted bills come to.</summary>
    public required Minor Horizon { get; init; }

    /// <summary>The horizon over its months, rounded.</summary>
    public required Minor PerMonth { get; init; }

    /// <summary>Null where no bill is counted.</summary>
    public required DueOn? Peak { get; init; }

    /// <summary>What falls due first from the end of the horizon on.</summary>
    public required NextDue? Next { get; init; }

    /// <summary>What is still owed of the first term after the horizon.</summary>
    public required Minor OwedAfterHorizon { get; init; }

    /// <summary>The part of counted bills that covers days after the horizon.</summary>
    public required Minor UnusedAtEnd { get; init; }

    /// <summary>What comes back to an owner who leaves within the refund days.</summary>
    public required Refundable Refundable { get; init; }

    /// <summary>The first plan price a month, in the book's currency; null without hosting.</summary>
    public required Money? AdvertisedPerMonth { get; init; }

    /// <summary>Null unless the owner gave the chance of going on.</summary>
    public required Minor? Expected { get; init; }

    /// <summary>The plan's first change of price; null: it never changes.</summary>
    public required PriceStepUp? PriceStep { get; init; }

    /// <summary>Which of today, first term and horizon hold a line that is not stated.</summary>
    public required AtLeast AtLeast { get; init; }

    /// <summary>The lines not stated on counted bills.</summary>
    public required ImmutableArray<(Bill Bill, BillLine Line)> Unstated { get; init; }
}

/// <summary>What is due on one date, in minor units of the display currency.</summary>
public readonly record struct DueOn(DateOnly Date, Minor Total);

/// <summary>Which of three sums hold a part that is not stated.</summary>
public readonly record struct AtLeast(bool DueToday, bool FirstTerm, bool Horizon);

/// <summary>Works the totals out.</summary>
internal static class TotalsOf
{
    public static Totals Costing(Costing costing)
    {
        var hosting = costing.Run.Purchase.Hosting;
        var counted = CountedSums.Count(costing);
        var beyond = BillSpan.Measure(costing, costing.Counted.Length, costing.FirstTermEnd);
        var owed = BillSpan.Measure(costing, costing.Counted.Length, costing.FirstTermEnd, hosting?.Book);
        return new Totals
        {
            DueToday = counted.Today,
            FirstTerm = counted.FirstTerm + beyond.Total,
            Horizon = counted.Horizon,
            PerMonth = new Fraction(1, costing.Settings.HorizonMonths).Of(counted.Horizon),
            Peak = counted.Peak,
            Next = NextDue.Find(costing),
            OwedAfterHorizon = hosting is null ? 0 : owed.Total,
            UnusedAtEnd = Unused.Count(costing),
            Refundable = Refundable.WorkOut(costing),
            AdvertisedPerMonth = hosting is null
                ? null
                : PriceStepUp.PerMonth(hosting, hosting.Option.Prices.At(0).Units),
            Expected = costing.Settings.KeepChancePercent is null
                ? null
                : (Minor)Math.Round(ExpectedCost.WorkOut(costing), MidpointRounding.AwayFromZero),
            PriceStep = PriceStepUp.Find(costing),
            AtLeast = counted.AtLeast with { FirstTerm = counted.AtLeast.FirstTerm || beyond.IsAtLeast },
            Unstated = counted.AtLeast.Horizon
                ?
                [
                    .. costing.Counted.SelectMany(bill =>
                        bill.Lines.Where(line => line.IsUnstated).Select(line => (bill, line))
                    ),
                ]
                : [],
        };
    }
}
