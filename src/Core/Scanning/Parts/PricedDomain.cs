using System.Collections.Immutable;

namespace HomeStart.Core.Scanning;

/// <summary>A domain with its parts for each split, in the order of the splits.</summary>
internal sealed record PricedDomain(DomainWay Way, ImmutableArray<ImmutableArray<Part>> Parts, RankOrder Order)
{
    /// <summary>No part of it ranks before this.</summary>
    public LeastRanks Least { get; } = LeastRanks.Find(Parts, Order);
}

/// <summary>The least figure of any part, and of the parts that are whole; null: none is.</summary>
internal readonly record struct LeastRanks(Minor Any, Minor? Whole)
{
    public static LeastRanks Find(ImmutableArray<ImmutableArray<Part>> parts, RankOrder order)
    {
        Minor? any = null;
        Minor? whole = null;
        foreach (var part in parts.SelectMany(list => list))
        {
            var rank = order.LeastRankOf(part.PartTotals);
            any = any is { } least && least <= rank.Figure ? least : rank.Figure;
            whole = rank.IsAtLeast || (whole is { } leastWhole && leastWhole <= rank.Figure) ? whole : rank.Figure;
        }

        return new LeastRanks(any!.Value, whole);
    }

    /// <summary>No pair of parts ranks before this.</summary>
    public Rank With(LeastRanks other) =>
        Whole is { } one && other.Whole is { } two ? new Rank(false, one + two) : new Rank(true, Any + other.Any);
}
