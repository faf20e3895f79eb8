using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>Scans one plan after another; several work side by side, each with its own findings.</summary>
internal sealed class ScanWorker(ScanMarket market, CancellationToken cancel)
{
    private readonly Accounts _accounts = new(market.Request, cancel);
    private readonly Purchases _purchases = new(market.Request.Settings);

    public Findings Findings { get; } = new(market.Request);

    public IReadOnlySet<Currency> Unconvertible => _accounts.Unconvertible;

    /// <summary>Adds what is found for a plan; why it is rejected where nothing of it is feasible.</summary>
    public RejectedPlan? Scan(OfferBook book, Plan plan)
    {
        var before = Findings.Feasible;
        var scan = new PlanScan(market, Findings, book, plan, _accounts, _purchases, cancel);
        scan.Run();
        return Findings.Feasible == before ? new RejectedPlan(book, plan, scan.Reasons()) : null;
    }
}
