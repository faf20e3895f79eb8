using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// A domain that the owner has already: left where it is, against moved to a seller here. Sums are minor units of the
/// display currency, over the horizon.
/// </summary>
/// <param name="Staying">With it kept; null where that cannot be costed.</param>
/// <param name="Moving">With it moved; null where that cannot be costed.</param>
public sealed record OwnedName(Costing? Staying, Costing? Moving)
{
    /// <summary>What moving takes more than staying; below zero it saves. Null where either is not known.</summary>
    public Minor? MovingCostsMore =>
        Staying is { } stay && Moving is { } move && stay.Currency == move.Currency
            ? move.Totals.Horizon - stay.Totals.Horizon
            : null;

    /// <summary>Until when it is paid once it is moved: a transfer adds a year.</summary>
    public DateOnly? PaidUntil { get; init; }

    /// <summary>
    /// What a seller takes for a year of an ending, tax and all: what another is taken to charge where nobody said.
    /// Null: it does not sell it, or does not say.
    /// </summary>
    public static Money? UsualRenewal(OfferBook? seller, string ending, CountSettings settings) =>
        seller?.Domain(ending)?.Renew is { } renew
            ? new Money(new Counting(settings, seller.Currency).Tax(seller, renew).Total, seller.Currency)
            : null;

    /// <summary>Works both out.</summary>
    /// <param name="keep">The domain by route keep.</param>
    /// <param name="book">Where it could be moved to.</param>
    public static OwnedName WorkOut(
        Candidate candidate,
        DomainChoice keep,
        string book,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        FaultList faults
    )
    {
        var move = new DomainChoice(DomainRoute.Transfer)
        {
            Book = book,
            Name = keep.Name,
            Ending = keep.Ending,
            Expires = keep.Expires,
        };
        return new OwnedName(Cost(keep), Cost(move)) { PaidUntil = keep.Expires?.AddMonths(12) };

        Costing? Cost(DomainChoice domain) =>
            Coster
                .Cost(
                    candidate.Hosting?.Plan is null
                        ? new Candidate(null, [domain])
                        : candidate with
                        {
                            Domains = [domain],
                        },
                    books,
                    settings,
                    faults
                )
                .Value;
    }
}
