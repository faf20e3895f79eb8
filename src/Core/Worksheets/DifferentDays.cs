using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// The first renewals of domain and hosting, where they fall on different days: those are easily forgotten.
/// </summary>
public sealed record DifferentDays(DateOnly Domain, DateOnly Hosting)
{
    /// <summary>
    /// Null: they fall on one day, there is only one of them, or the hosting is paid each month anyway.
    /// </summary>
    public static DifferentDays? Find(Costing costing)
    {
        var hosting = FirstUntil(costing, LineKind.Plan);
        var domain = FirstUntil(costing, LineKind.Domain);
        return
            domain is { } one
            && hosting is { } other
            && one != other
            && costing.Run.Purchase.Hosting!.Option.EveryMonths > 1
            ? new DifferentDays(one, other)
            : null;
    }

    private static DateOnly? FirstUntil(Costing costing, LineKind kind) =>
        costing.Counted.SelectMany(bill => bill.Lines).FirstOrDefault(line => line.Kind == kind)?.Cover?.Until;
}
