namespace HomeStart.Core.Scanning;

/// <summary>What rows are ranked by before anything settles a tie: whole figures first, then the figure.</summary>
internal readonly record struct Rank(bool IsAtLeast, Minor Figure)
{
    public static int Compare(Rank left, Rank right) =>
        left.IsAtLeast != right.IsAtLeast
            ? left.IsAtLeast.CompareTo(right.IsAtLeast)
            : left.Figure.CompareTo(right.Figure);
}

/// <summary>The order of rows (scan rule 7).</summary>
internal sealed class RankOrder(Objective objective) : IComparer<Found>
{
    public int Compare(Found? left, Found? right)
    {
        var (l, r) = (left!, right!);
        var order = Rank.Compare(RankOf(l), RankOf(r));
        order = order != 0 ? order : l.PartTotals.Today.CompareTo(r.PartTotals.Today);
        order = order != 0 ? order : (l.Hosting.Codes + l.Names.Codes).CompareTo(r.Hosting.Codes + r.Names.Codes);
        order = order != 0 ? order : (l.Hosting.Bought + l.Names.Bought).CompareTo(r.Hosting.Bought + r.Names.Bought);
        order = order != 0 ? order : CompareWays(l, r);
        if (order != 0)
        {
            return order;
        }

        var (leftPart, rightPart) = (l.Merged(), r.Merged());
        return Part.CompareLists(leftPart.HostingExtras, leftPart.DomainExtras, leftPart, rightPart);
    }

    public Rank RankOf(Found found) => RankOf(found.PartTotals);

    public Rank RankOf(PartTotals sums) =>
        objective switch
        {
            Objective.DueToday => new Rank(sums.TodayAtLeast, sums.Today),
            Objective.Expected => new Rank(
                sums.HorizonAtLeast,
                (Minor)Math.Round(sums.Expected, MidpointRounding.AwayFromZero)
            ),
            _ => new Rank(sums.HorizonAtLeast, sums.Horizon),
        };

    /// <summary>
    /// The rank of a part, so that the ranks of two parts add up to no more than the rank of both: a chance leaves
    /// fractions, which are dropped.
    /// </summary>
    public Rank LeastRankOf(PartTotals sums) =>
        objective == Objective.Expected
            ? new Rank(sums.HorizonAtLeast, (Minor)Math.Floor(sums.Expected))
            : RankOf(sums);

    private static int CompareWays(Found l, Found r)
    {
        var order = string.CompareOrdinal(l.Host.Book.Id, r.Host.Book.Id);
        order = order != 0 ? order : string.CompareOrdinal(l.Host.Plan.Id, r.Host.Plan.Id);
        order = order != 0 ? order : l.Host.Option.EveryMonths.CompareTo(r.Host.Option.EveryMonths);
        order = order != 0 ? order : l.Host.Option.CommitMonths.CompareTo(r.Host.Option.CommitMonths);
        order = order != 0 ? order : string.CompareOrdinal(l.Host.DataCentre?.Id, r.Host.DataCentre?.Id);
        order = order != 0 ? order : string.CompareOrdinal(l.Domain.Book?.Id, r.Domain.Book?.Id);
        return order != 0 ? order : string.CompareOrdinal(l.Domain.Ending, r.Domain.Ending);
    }
}
