using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// Bills through time: one bar a date, or one a year where dates are many. Minor units of the display currency; parts
/// add up to the bar.
/// </summary>
public sealed record Timeline(ImmutableArray<Bar> Bars, bool IsByYear)
{
    /// <summary>More dates than this are drawn as years.</summary>
    public const int MostDates = 14;

    /// <summary>The bars of a costing.</summary>
    public static Timeline Build(Costing costing)
    {
        var dates = costing
            .Counted.GroupBy(bill => bill.Date)
            .Select(group => Bar.Build(costing, group.Key, [.. group]))
            .ToImmutableArray();
        if (dates.Length <= MostDates)
        {
            return new Timeline(dates, IsByYear: false);
        }

        var start = costing.Settings.StartDate;
        return new Timeline(
            [
                .. dates
                    .GroupBy(bar => Months.WholeBetween(start, bar.Date) / 12)
                    .Select(year => Bar.Sum(start.AddMonths(12 * year.Key), [.. year])),
            ],
            IsByYear: true
        );
    }
}

/// <summary>What is due on a date, or from it on for a year, by what it is for.</summary>
/// <param name="Within">The dates of a year; none for a date.</param>
public sealed record Bar(DateOnly Date, Minor Total, bool AtLeast, BarParts Parts, ImmutableArray<Bar> Within)
{
    internal static Bar Build(Costing costing, DateOnly date, IReadOnlyList<Bill> bills) =>
        new(
            date,
            bills.Aggregate((Minor)0, (sum, bill) => sum + costing.ValueOf(bill)),
            bills.Any(bill => bill.IsAtLeast),
            bills.Aggregate(BarParts.None, (sum, bill) => sum + BarParts.Split(costing, bill)),
            []
        );

    internal static Bar Sum(DateOnly date, ImmutableArray<Bar> bars) =>
        new(
            date,
            bars.Aggregate((Minor)0, (sum, bar) => sum + bar.Total),
            bars.Any(bar => bar.AtLeast),
            bars.Aggregate(BarParts.None, (sum, bar) => sum + bar.Parts),
            bars
        );
}

/// <summary>The five kinds of money of every chart, discounts taken.</summary>
public sealed record BarParts(Minor Plan, Minor Domain, Minor Extras, Minor Setup, Minor Tax)
{
    /// <summary>Nothing.</summary>
    public static readonly BarParts None = new(0, 0, 0, 0, 0);

    /// <summary>Part by part.</summary>
    public static BarParts operator +(BarParts left, BarParts right) =>
        new(
            left.Plan + right.Plan,
            left.Domain + right.Domain,
            left.Extras + right.Extras,
            left.Setup + right.Setup,
            left.Tax + right.Tax
        );

    internal static BarParts Split(Costing costing, Bill bill)
    {
        var tax = costing.Counting.AddsTax(bill.Book) ? costing.Counting.Tax(bill.Book, bill.Sum).Tax : 0;
        Minor[] parts =
        [
            Held(LineKind.Plan),
            Held(LineKind.Domain),
            Held(LineKind.AddOn),
            Held(LineKind.Setup) + Held(LineKind.DataCentre),
            tax,
        ];
        if (parts.All(part => part == 0))
        {
            return None;
        }

        var shares = Sharing.InProportion(costing.ValueOf(bill), parts);
        return new BarParts(shares[0], shares[1], shares[2], shares[3], shares[4]);

        Minor Held(LineKind kind) =>
            bill.Lines.Where(line => line.Kind == kind).Aggregate((Minor)0, (sum, line) => sum + line.AfterDiscounts);
    }
}
