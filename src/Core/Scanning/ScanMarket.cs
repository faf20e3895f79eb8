using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Scanning;

/// <summary>
/// What every plan of a scan is held against: the wants, and the domains, those that meet and could make good the same
/// ones together. Shared by the workers.
/// </summary>
internal sealed class ScanMarket
{
    public ScanMarket(ScanRequest request, FaultList faults, CancellationToken cancel)
    {
        Request = request;
        Wants = Want.ListAll(request.Needs);
        Domains =
        [
            .. DomainWays
                .ListAll(request, faults)
                .Select(way => new DomainOffer(
                    way,
                    way.Book is null ? Side.OfNothing(Wants) : Side.OfDomain(way.Book, way.Price!, null, Wants)
                )),
        ];
        Groups =
        [
            .. Domains
                .GroupBy(domain => (domain.Side.Met, domain.Side.Curable))
                .Select(group => new DomainGroup(request, [.. group], cancel)),
        ];
    }

    public ScanRequest Request { get; }

    public ImmutableArray<Want> Wants { get; }

    /// <summary>All wants as a bit mask.</summary>
    public int AllWants => (1 << Wants.Length) - 1;

    public ImmutableArray<DomainOffer> Domains { get; }

    public ImmutableArray<DomainGroup> Groups { get; }

    /// <summary>Reports the currencies that domains, or the workers of the hosting, found without a rate.</summary>
    public void ReportMissingRates(IEnumerable<Currency> unconvertible, FaultList faults) =>
        new Counting(Request.Settings, Request.Settings.DisplayCurrency!).ReportMissing(
            Groups.SelectMany(group => group.Unconvertible).Concat(unconvertible),
            faults
        );
}
