using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Offers;

/// <summary>
/// What a plan cost in each version of its book: its lowest first price a month, and what that way to pay costs later.
/// </summary>
/// <param name="Prices">The oldest first; versions in which it was not sold, or was priced in another currency, are
/// left out.</param>
public sealed record PriceHistory(string Plan, string Name, ImmutableArray<DatedPrice> Prices)
{
    /// <summary>The history of every plan of the newest version, in its order.</summary>
    /// <param name="versions">The oldest first; at least one.</param>
    public static ImmutableArray<PriceHistory> ListAll(IReadOnlyList<OfferBook> versions)
    {
        var newest = versions[^1];
        return
        [
            .. newest
                .Plans.Where(plan => !plan.Billing.IsEmpty)
                .Select(plan => new PriceHistory(
                    plan.Id,
                    plan.Name,
                    [
                        .. versions
                            .Index()
                            .Where(pair => pair.Item.Currency == newest.Currency)
                            .Select(pair => PriceIn(pair.Item, plan.Id, pair.Index))
                            .OfType<DatedPrice>(),
                    ]
                )),
        ];
    }

    private static DatedPrice? PriceIn(OfferBook book, string planId, int version) =>
        book.Plan(planId) is { Billing.IsEmpty: false } plan
        && plan.Billing.MinBy(option => option.FirstPerMonth) is { } way
            ? new DatedPrice(
                version + 1,
                book.AsOf,
                new Money(way.FirstPerMonth, book.Currency),
                way.LaterPerMonth is { } later ? new Money(later, book.Currency) : null
            )
            : null;
}

/// <summary>A plan's price a month on the day a version was read.</summary>
/// <param name="Version">Counted from 1.</param>
/// <param name="Later">Null: not stated.</param>
public sealed record DatedPrice(int Version, DateOnly On, Money First, Money? Later);
