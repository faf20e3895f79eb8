using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>
/// What hosting, a domain, or both together come to, with the extras and codes it takes: the sums that ranking needs.
/// Bills of different books are separate, so two parts bought apart add up exactly.
/// </summary>
internal sealed class Part
{
    public static readonly Part Nothing = new()
    {
        HostingExtras = [],
        DomainExtras = [],
        HostingCodes = [],
        DomainCodes = [],
    };

    public PartTotals PartTotals { get; init; }

    /// <summary>Extras that are not included.</summary>
    public int Bought { get; init; }

    public required ImmutableArray<AddOnChoice> HostingExtras { get; init; }

    public required ImmutableArray<AddOnChoice> DomainExtras { get; init; }

    public required ImmutableArray<string> HostingCodes { get; init; }

    public required ImmutableArray<string> DomainCodes { get; init; }

    public int Codes => HostingCodes.Length + DomainCodes.Length;

    /// <summary>The order of rule 7 behind the figures: what settles a tie.</summary>
    public static int CompareTies(Part left, Part right)
    {
        var order = left.Codes.CompareTo(right.Codes);
        order = order != 0 ? order : left.Bought.CompareTo(right.Bought);
        return order != 0 ? order : CompareLists(left.HostingExtras, left.DomainExtras, left, right);
    }

    /// <summary>The lists alone: ids of extras, codes, quantities.</summary>
    public static int CompareLists(
        ImmutableArray<AddOnChoice> hosting,
        ImmutableArray<AddOnChoice> domain,
        Part left,
        Part right
    )
    {
        var order = Ids(hosting, right.HostingExtras);
        order = order != 0 ? order : Ids(domain, right.DomainExtras);
        order = order != 0 ? order : Texts(left.HostingCodes, right.HostingCodes);
        order = order != 0 ? order : Texts(left.DomainCodes, right.DomainCodes);
        for (var index = 0; order == 0 && index < hosting.Length; index++)
        {
            order = hosting[index].Quantity.CompareTo(right.HostingExtras[index].Quantity);
        }

        return order;
    }

    private static int Ids(ImmutableArray<AddOnChoice> left, ImmutableArray<AddOnChoice> right)
    {
        for (var index = 0; index < left.Length && index < right.Length; index++)
        {
            var order = string.CompareOrdinal(left[index].Id, right[index].Id);
            if (order != 0)
            {
                return order;
            }
        }

        return left.Length.CompareTo(right.Length);
    }

    private static int Texts(ImmutableArray<string> left, ImmutableArray<string> right)
    {
        for (var index = 0; index < left.Length && index < right.Length; index++)
        {
            var order = string.CompareOrdinal(left[index], right[index]);
            if (order != 0)
            {
                return order;
            }
        }

        return left.Length.CompareTo(right.Length);
    }

    /// <summary>
    /// Those worth combining: a part goes where another is no dearer in any figure and comes first in every tie,
    /// because every candidate with it is then beaten by the same candidate with the other.
    /// </summary>
    public static ImmutableArray<Part> Kept(IEnumerable<Part> parts)
    {
        var kept = new List<Part>();
        foreach (var part in parts)
        {
            if (!kept.Exists(other => Beats(other, part)))
            {
                kept.RemoveAll(other => Beats(part, other));
                kept.Add(part);
            }
        }

        return [.. kept];
    }

    private static bool Beats(Part one, Part other) =>
        (!one.PartTotals.TodayAtLeast || other.PartTotals.TodayAtLeast)
        && (!one.PartTotals.HorizonAtLeast || other.PartTotals.HorizonAtLeast)
        && one.PartTotals.Today <= other.PartTotals.Today
        && one.PartTotals.Horizon <= other.PartTotals.Horizon
        && one.PartTotals.Expected <= other.PartTotals.Expected
        && one.Codes <= other.Codes
        && one.Bought <= other.Bought
        && CompareTies(one, other) <= 0;
}
