namespace HomeStart.Core.Scanning;

/// <summary>
/// The candidates that no other beats on both what is due today and over the horizon (scan rule 8), by what is due
/// today.
/// </summary>
internal sealed class Front(IComparer<Found> ties)
{
    private readonly List<Found> _found = [];

    public IReadOnlyList<Found> Found => _found;

    /// <summary>Whether a pair of sums could stand on the front: a cheap look before a candidate is made.</summary>
    public bool Admits(Minor today, Minor horizon)
    {
        var at = FirstFrom(today);
        return (at == 0 || _found[at - 1].PartTotals.Horizon > horizon)
            && (at == _found.Count || _found[at].PartTotals.Today > today || _found[at].PartTotals.Horizon >= horizon);
    }

    public void Offer(Found found)
    {
        if (!Admits(found.PartTotals.Today, found.PartTotals.Horizon))
        {
            return;
        }

        var at = FirstFrom(found.PartTotals.Today);
        if (
            at < _found.Count
            && _found[at].PartTotals.Today == found.PartTotals.Today
            && _found[at].PartTotals.Horizon == found.PartTotals.Horizon
        )
        {
            _found[at] = ties.Compare(found, _found[at]) < 0 ? found : _found[at];
            return;
        }

        var beaten = at;
        while (beaten < _found.Count && _found[beaten].PartTotals.Horizon >= found.PartTotals.Horizon)
        {
            beaten++;
        }

        _found.RemoveRange(at, beaten - at);
        _found.Insert(at, found);
    }

    private int FirstFrom(Minor today)
    {
        var (low, high) = (0, _found.Count);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = _found[middle].PartTotals.Today < today ? (middle + 1, high) : (low, middle);
        }

        return low;
    }
}
