using System.Collections.Concurrent;
using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>Domains with what they cost, put in the orders in which a scan can stop early.</summary>
internal sealed class DomainMarket
{
    private readonly Objective _objective;
    private readonly ImmutableArray<PricedDomain> _wholeFirst;
    private readonly ImmutableArray<PricedDomain> _leastFirst;
    private readonly ImmutableArray<ImmutableArray<FrontPart>> _front;
    private readonly ConcurrentDictionary<OfferBook, ImmutableArray<ImmutableArray<FrontPart>>> _frontWithout = new(
        ReferenceEqualityComparer.Instance
    );

    public DomainMarket(Objective objective, ImmutableArray<PricedDomain> domains)
    {
        (_objective, Domains) = (objective, domains);
        _leastFirst = [.. domains.OrderBy(domain => domain.Least.Any)];
        _wholeFirst =
        [
            .. _leastFirst.OrderBy(domain => domain.Least.Whole is null).ThenBy(domain => domain.Least.Whole),
        ];
        _front = FrontOf(domains);
    }

    public ImmutableArray<PricedDomain> Domains { get; }

    /// <summary>The domains in ascending order of the best they can rank with a host.</summary>
    public ImmutableArray<PricedDomain> BestFirstFor(LeastRanks host) => host.Whole is null ? _leastFirst : _wholeFirst;

    /// <summary>
    /// For each split the parts that can stand on the front with some host: no other is as good on both sums. Domains
    /// of one book can be left out, as its own hosting buys them together with it.
    /// </summary>
    public ImmutableArray<ImmutableArray<FrontPart>> FrontWithout(OfferBook book) =>
        _front.Any(parts => parts.Any(part => ReferenceEquals(part.Way.Book, book)))
            ? _frontWithout.GetOrAdd(book, _ =>
                FrontOf([.. Domains.Where(domain => !ReferenceEquals(domain.Way.Book, book))])
            )
            : _front;

    private ImmutableArray<ImmutableArray<FrontPart>> FrontOf(ImmutableArray<PricedDomain> domains) =>
        domains.IsEmpty
            ? []
            : [.. Enumerable.Range(0, domains[0].Parts.Length).Select(split => FrontOf(domains, split))];

    private ImmutableArray<FrontPart> FrontOf(ImmutableArray<PricedDomain> domains, int split)
    {
        var whole = domains
            .SelectMany(domain => domain.Parts[split].Select(part => new FrontPart(domain.Way, part)))
            .Where(part => part.Part.PartTotals is { TodayAtLeast: false, HorizonAtLeast: false })
            .OrderBy(part => part.Part.PartTotals.Today)
            .ThenBy(part => part.Part.PartTotals.Horizon)
            .ThenBy(part => part, Comparer<FrontPart>.Create(CompareTies));
        var front = ImmutableArray.CreateBuilder<FrontPart>();
        foreach (var part in whole)
        {
            // What equals the last one on both comes after it in every tie, unless a chance still tells them apart.
            var isEqual =
                front.Count > 0
                && front[^1].Part.PartTotals.Today == part.Part.PartTotals.Today
                && front[^1].Part.PartTotals.Horizon == part.Part.PartTotals.Horizon;
            if (
                front.Count == 0
                || front[^1].Part.PartTotals.Horizon > part.Part.PartTotals.Horizon
                || (isEqual && _objective == Objective.Expected)
            )
            {
                front.Add(part);
            }
        }

        return front.ToImmutable();
    }

    // Rule 7 between two domains with one and the same hosting.
    private static int CompareTies(FrontPart left, FrontPart right)
    {
        var order = left.Part.Codes.CompareTo(right.Part.Codes);
        order = order != 0 ? order : left.Part.Bought.CompareTo(right.Part.Bought);
        order = order != 0 ? order : string.CompareOrdinal(left.Way.Book?.Id, right.Way.Book?.Id);
        order = order != 0 ? order : string.CompareOrdinal(left.Way.Ending, right.Way.Ending);
        return order != 0 ? order : Part.CompareTies(left.Part, right.Part);
    }
}

internal sealed record FrontPart(DomainWay Way, Part Part);
