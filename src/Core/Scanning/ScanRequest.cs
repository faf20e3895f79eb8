using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Scanning;

/// <summary>What to scan for (scan.md).</summary>
/// <param name="Settings">With a display currency wherever the books' currencies differ.</param>
/// <param name="ByPlan">Only the best row of each plan.</param>
/// <param name="Top">How many rows, 1 to 1000.</param>
public sealed record ScanRequest(
    ImmutableArray<OfferBook> Books,
    CountSettings Settings,
    Needs Needs,
    Objective Objective,
    bool ByPlan,
    int Top
)
{
    /// <summary>The most rows that can be asked for.</summary>
    public const int MostRows = 1000;

    /// <summary>
    /// The months in which a price that must stay the same may not change; null: those that are counted. So a need
    /// stays what it is while other horizons are tried.
    /// </summary>
    public int? SamePriceMonths { get; init; }

    /// <summary>
    /// Only ways to buy whose domain is bought where the plan is; a domain that is not bought here goes with any plan.
    /// </summary>
    public bool OneSeller { get; init; }

    /// <summary>
    /// Whether a plan is to be paired with domains of other sellers: a domain without a seller is nobody's.
    /// </summary>
    internal bool Pairs(OfferBook book, OfferBook? seller) =>
        !OneSeller || seller is null || ReferenceEquals(book, seller);
}

/// <summary>What a scan ranks by.</summary>
public enum Objective
{
    /// <summary>What is paid over the horizon.</summary>
    Horizon,

    /// <summary>What is due today.</summary>
    DueToday,

    /// <summary>What is expected to be paid, as the owner may stop.</summary>
    Expected,
}

/// <summary>What a scan found.</summary>
/// <param name="Considered">How many (plan, billing option, data centre, ending, domain book) there are.</param>
/// <param name="Feasible">How many of them have a feasible candidate.</param>
public sealed record ScanResult(
    ImmutableArray<ScanRow> Rows,
    ImmutableArray<ScanRow> Front,
    ImmutableArray<RejectedPlan> Rejected,
    long Considered,
    long Feasible
);

/// <summary>
/// A way to buy, with its sums. The bills behind them are worked out when they are asked for: a thousand rows would
/// hold too many.
/// </summary>
public sealed record ScanRow(Candidate Candidate, ScanRequest Scanned, Totals Totals)
{
    /// <summary>The whole costing, made anew each time.</summary>
    public Costing Work() => Coster.Cost(Candidate, Scanned.Books, Scanned.Settings).Value!;
}

/// <summary>A plan that no way to buy makes fit, and why.</summary>
public sealed record RejectedPlan(OfferBook Book, Plan Plan, ImmutableArray<Reason> Reasons);
