using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Scanning;

/// <summary>A plan, a way to pay and a data centre.</summary>
internal sealed record HostWay(OfferBook Book, Plan Plan, BillingOption Option, DataCentre? DataCentre);

/// <summary>An ending at a book, or the one choice there is without a book.</summary>
/// <param name="Choice">Null: no domain is wanted.</param>
/// <param name="Bought">As the bills are made from it, without extras.</param>
internal sealed record DomainWay(
    OfferBook? Book,
    string? Ending,
    DomainPrice? Price,
    DomainChoice? Choice,
    BoughtDomain? Bought
);

/// <summary>A domain with how far it meets the wants: one and the same object wherever it is asked for again.</summary>
internal sealed class DomainOffer(DomainWay way, Side side)
{
    public DomainWay Way { get; } = way;

    public Side Side { get; } = side;
}
