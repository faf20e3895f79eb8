using System.Collections.Concurrent;
using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>
/// Domains that meet the same wants and could make good the same ones: to a host they differ in what they cost alone.
/// What they cost is worked out once for each set of wants left to them, whatever host asks.
/// </summary>
internal sealed class DomainGroup(ScanRequest request, ImmutableArray<DomainOffer> offers, CancellationToken cancel)
{
    private readonly ConcurrentDictionary<string, Lazy<DomainMarket>> _markets = [];
    private readonly Accounts _accounts = new(request, cancel);
    private readonly Purchases _purchases = new(request.Settings);

    private readonly RankOrder _order = new(request.Objective);

    /// <summary>The wants that each of them meets, as a bit mask.</summary>
    public int Met { get; } = offers[0].Side.Met;

    /// <summary>The wants that each of them could make good.</summary>
    public int Curable { get; } = offers[0].Side.Curable;

    /// <summary>How many extras of any of them could make a want good, at most.</summary>
    public int MostCures(int want) => offers.Max(offer => offer.Side.Cures(want));

    /// <summary>How many sets of codes there are at most to enter at one of them.</summary>
    public int Codes { get; } = offers.Max(offer => CodeSets.MostAt(offer.Way.Book));

    /// <summary>Whether its domains may go with a book's plans, though another sells them, or nobody.</summary>
    public bool Pairs(OfferBook book) =>
        offers.Any(offer => !ReferenceEquals(offer.Way.Book, book) && request.Pairs(book, offer.Way.Book));

    /// <summary>How many are not sold by a book.</summary>
    public int CountWithout(OfferBook book) =>
        offers.Length - offers.Count(offer => ReferenceEquals(offer.Way.Book, book));

    public IReadOnlySet<Currency> Unconvertible => _accounts.Unconvertible;

    /// <summary>The domains with what making good each of these sets of wants costs.</summary>
    public DomainMarket Making(ImmutableArray<Split> splits) =>
        _markets
            .GetOrAdd(string.Join(' ', splits.Select(split => split.AtDomain)), _ => new Lazy<DomainMarket>(() =>
                Make(splits)
            ))
            .Value;

    // One at a time: the accounts remember currencies.
    private DomainMarket Make(ImmutableArray<Split> splits)
    {
        lock (_accounts)
        {
            return new DomainMarket(
                request.Objective,
                [
                    .. offers.Select(offer => new PricedDomain(
                        offer.Way,
                        [.. splits.Select(split => Parts(offer, split.AtDomain))],
                        _order
                    )),
                ]
            );
        }
    }

    private ImmutableArray<Part> Parts(DomainOffer offer, int wants) =>
        offer.Way.Choice is null or { Route: DomainRoute.Lent }
            ? [Part.Nothing]
            : Part.Kept(
                from extras in offer.Side.SetsFor(wants)
                from codes in CodeSets.At(offer.Way.Book, _purchases.Conditions(offer.Way.Book, null))
                let account = _accounts.WorkOut(
                    _purchases.Make(offer.Way, extras, codes),
                    withVerdicts: codes.Length > 1
                )
                select new Part
                {
                    PartTotals = account.PartTotals,
                    Bought = offer.Side.Bought(extras),
                    HostingExtras = [],
                    DomainExtras = extras,
                    HostingCodes = [],
                    DomainCodes = codes.Length > 1 ? account.Applied : codes,
                }
            );
}
