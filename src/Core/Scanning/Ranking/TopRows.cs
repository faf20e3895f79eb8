namespace HomeStart.Core.Scanning;

/// <summary>The best rows seen so far, or the best of each plan (scan rule 7).</summary>
internal sealed class TopRows(RankOrder order, int top, bool byPlan)
{
    private readonly SortedSet<Found> _best = new(order);
    private readonly Dictionary<(string Book, string Plan), Found> _ofPlans = [];

    public IReadOnlyList<Found> Rows => byPlan ? [.. _ofPlans.Values.Order(order).Take(top)] : [.. _best];

    /// <summary>
    /// Whether a row of this host could come in that ranks no better than this: a cheap look before candidates are
    /// made.
    /// </summary>
    public bool MightTake(HostWay host, Rank atBest) =>
        (
            byPlan ? _ofPlans.GetValueOrDefault((host.Book.Id, host.Plan.Id))
            : _best.Count < top ? null
            : _best.Max
        )
            is not { } bar
        || Rank.Compare(atBest, order.RankOf(bar)) <= 0;

    public void Offer(Found row)
    {
        if (byPlan)
        {
            var key = (row.Host.Book.Id, row.Host.Plan.Id);
            _ofPlans[key] = _ofPlans.TryGetValue(key, out var best) && order.Compare(best, row) <= 0 ? best : row;
            return;
        }

        if (_best.Count < top || order.Compare(row, _best.Max) < 0)
        {
            _best.Add(row);
            if (_best.Count > top)
            {
                _best.Remove(_best.Max!);
            }
        }
    }
}
