namespace HomeStart.Core.Scanning;

/// <summary>What has been found so far.</summary>
internal sealed class Findings(ScanRequest request)
{
    public TopRows Rows { get; } = new(new RankOrder(request.Objective), request.Top, request.ByPlan);

    public Front Front { get; } = new(new RankOrder(request.Objective));

    public long Considered { get; set; }

    public long Feasible { get; set; }

    /// <summary>Adds what another worker found; the order in which they are taken makes no difference.</summary>
    public void Take(Findings other)
    {
        Considered += other.Considered;
        Feasible += other.Feasible;
        foreach (var row in other.Rows.Rows)
        {
            Rows.Offer(row);
        }

        foreach (var found in other.Front.Found)
        {
            Front.Offer(found);
        }
    }
}
