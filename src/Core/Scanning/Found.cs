using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>
/// What hosting, a domain, or both together come to, with the extras and codes it takes: the sums that ranking needs. Bills of different books are separate, so two
/// parts bought apart add up exactly.
/// </summary>
internal sealed class Part
{
    public static readonly Part Nothing = new() { HostingExtras = [], DomainExtras = [], HostingCodes = [], DomainCodes = [] };

    public bool TodayAtLeast { get; init; }

    public bool HorizonAtLeast { get; init; }

    public Minor Today { get; init; }

    public Minor Horizon { get; init; }

    /// <summary>Before rounding; zero unless asked for.</summary>
    public double Expected { get; init; }

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
    public static int CompareLists(ImmutableArray<AddOnChoice> hosting, ImmutableArray<AddOnChoice> domain, Part left, Part right)
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
}

/// <summary>A feasible candidate: a way to buy hosting, a way to have the domain, and what both come to.</summary>
internal sealed record Found(HostWay Host, DomainWay Domain, Part Hosting, Part Names)
{
    public Minor Today => Hosting.Today + Names.Today;

    public Minor Horizon => Hosting.Horizon + Names.Horizon;

    public bool TodayAtLeast => Hosting.TodayAtLeast || Names.TodayAtLeast;

    public bool HorizonAtLeast => Hosting.HorizonAtLeast || Names.HorizonAtLeast;

    public Minor Expected => (Minor)Math.Round(Hosting.Expected + Names.Expected, MidpointRounding.AwayFromZero);

    public Candidate ToCandidate()
    {
        var whole = Merged();
        return new Candidate(
            new HostingChoice(Host.Book.Id, Host.Plan.Id, Host.Option.EveryMonths, Host.Option.CommitMonths)
            {
                DataCentre = Host.DataCentre?.Id,
                AddOns = whole.HostingExtras,
                Codes = whole.HostingCodes,
            },
            Domain.Choice is { } choice ? [choice with { AddOns = whole.DomainExtras, Codes = whole.DomainCodes }] : []);
    }

    /// <summary>Both parts as one; a part bought at one book together holds everything already.</summary>
    public Part Merged() =>
        ReferenceEquals(Names, Part.Nothing)
            ? Hosting
            : new Part
            {
                Today = Today,
                Horizon = Horizon,
                TodayAtLeast = TodayAtLeast,
                HorizonAtLeast = HorizonAtLeast,
                Expected = Hosting.Expected + Names.Expected,
                Bought = Hosting.Bought + Names.Bought,
                HostingExtras = Hosting.HostingExtras,
                DomainExtras = Names.DomainExtras,
                HostingCodes = Hosting.HostingCodes,
                DomainCodes = Names.DomainCodes,
            };
}

/// <summary>A plan, a way to pay and a data centre.</summary>
internal sealed record HostWay(OfferBook Book, Plan Plan, BillingOption Option, DataCentre? DataCentre);

/// <summary>An ending at a book, or the one choice there is without a book.</summary>
/// <param name="Choice">Null: no domain is wanted.</param>
internal sealed record DomainWay(OfferBook? Book, string? Ending, DomainPrice? Price, DomainChoice? Choice);

/// <summary>The order of rows (scan rule 7).</summary>
internal sealed class RankOrder(Objective objective) : IComparer<Found>
{
    public int Compare(Found? left, Found? right)
    {
        var (l, r) = (left!, right!);
        var order = IsAtLeast(l).CompareTo(IsAtLeast(r));
        order = order != 0 ? order : Figure(l).CompareTo(Figure(r));
        order = order != 0 ? order : l.Today.CompareTo(r.Today);
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

    /// <summary>Whether the figure ranked by is only "at least".</summary>
    public bool IsAtLeast(Found found) => objective == Objective.DueToday ? found.TodayAtLeast : found.HorizonAtLeast;

    private Minor Figure(Found found) =>
        objective switch { Objective.DueToday => found.Today, Objective.Expected => found.Expected, _ => found.Horizon };

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
