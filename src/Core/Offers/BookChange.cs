using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Offers;

/// <summary>One thing in which a newer version of a book differs from an older one.</summary>
/// <param name="Part">What sort of thing.</param>
/// <param name="Ref">Its id, ending or way to pay ("12/12": months of a bill, months committed), behind the id of its
/// plan where it has one: "slipway 12/12". Empty for the book itself.</param>
/// <param name="From">The older price; null where there was none, or it was not stated.</param>
/// <param name="To">The newer price; null where there is none, or it is not stated.</param>
public sealed record BookChange(BookPart Part, string Ref, ChangeKind Kind, Money? From = null, Money? To = null)
{
    /// <summary>
    /// Every difference, in the order of the newer book's parts, what is gone of a part behind what is there. Nothing
    /// where only words differ.
    /// </summary>
    public static ImmutableArray<BookChange> Between(OfferBook older, OfferBook newer)
    {
        var changes = new Changes(older.Currency, newer.Currency);
        changes.Whole(older, newer);
        changes.Each(
            BookPart.Plan,
            "",
            older.Plans,
            newer.Plans,
            plan => plan.Id,
            (one, other) =>
            {
                changes.Each(
                    BookPart.WayToPay,
                    other.Id + " ",
                    one.Billing,
                    other.Billing,
                    option => $"{option.EveryMonths}/{option.CommitMonths}",
                    (was, now) =>
                    {
                        var way = $"{other.Id} {now.EveryMonths}/{now.CommitMonths}";
                        changes.Price(BookPart.FirstPrice, way, was.Prices.Steps[0].Units, now.Prices.Steps[0].Units);
                        changes.Price(BookPart.LaterPrice, way, was.Prices.Steps[^1].Units, now.Prices.Steps[^1].Units);
                        changes.Price(BookPart.SetupFee, way, was.SetupFee ?? 0, now.SetupFee ?? 0);
                        changes.Other(
                            BookPart.PriceSteps,
                            way,
                            was.FreeMonths == now.FreeMonths && Steps(was.Prices).SequenceEqual(Steps(now.Prices))
                        );
                    }
                );
                changes.Other(
                    BookPart.PlanFeatures,
                    other.Id,
                    one.Features.Values.OrderBy(pair => pair.Key, StringComparer.Ordinal)
                        .Select(Text)
                        .SequenceEqual(
                            other.Features.Values.OrderBy(pair => pair.Key, StringComparer.Ordinal).Select(Text)
                        )
                        && one.Includes.Order(StringComparer.Ordinal)
                            .SequenceEqual(other.Includes.Order(StringComparer.Ordinal))
                );
                changes.Other(BookPart.IncludedDomain, other.Id, IsSame(one.IncludedDomain, other.IncludedDomain));
            }
        );
        changes.Each(
            BookPart.DataCentre,
            "",
            older.DataCentres,
            newer.DataCentres,
            centre => centre.Id,
            (one, other) => changes.Price(BookPart.DataCentre, other.Id, one.PerMonth ?? 0, other.PerMonth ?? 0)
        );
        changes.Each(
            BookPart.Extra,
            "",
            older.AddOns,
            newer.AddOns,
            addOn => addOn.Id,
            (one, other) =>
            {
                changes.Price(BookPart.Extra, other.Id, one.Prices.Steps[0].Units, other.Prices.Steps[0].Units);
                changes.Price(BookPart.ExtraLater, other.Id, one.Prices.Steps[^1].Units, other.Prices.Steps[^1].Units);
            }
        );
        changes.Each(
            BookPart.Ending,
            "",
            older.Domains,
            newer.Domains,
            price => price.Ending,
            (one, other) =>
            {
                changes.Price(BookPart.Registering, other.Ending, one.Register, other.Register);
                changes.Price(BookPart.Renewing, other.Ending, one.Renew, other.Renew);
            }
        );
        changes.Each(
            BookPart.Code,
            "",
            older.Promotions,
            newer.Promotions,
            promotion => promotion.Code ?? promotion.Id,
            (one, other) =>
                changes.Other(
                    BookPart.Code,
                    other.Code ?? other.Id,
                    (one with { AppliesTo = [], Plans = [] }) == (other with { AppliesTo = [], Plans = [] })
                        && one.AppliesTo.SequenceEqual(other.AppliesTo)
                        && one.Plans.SequenceEqual(other.Plans)
                )
        );
        return changes.Found;
    }

    // The first and last price have changes of their own: what is left is how long each holds, and those between.
    private static IEnumerable<(int? Periods, Minor? Units)> Steps(PriceSteps prices) =>
        prices.Steps.Select(
            (step, at) => (step.Periods, at == 0 || at == prices.Steps.Length - 1 ? (Minor?)0 : step.Units)
        );

    private static string Text(KeyValuePair<string, FeatureValue> feature) =>
        $"{feature.Key}={feature.Value.Number}{feature.Value.Flag}{feature.Value.Word}"
        + $"{string.Join(',', feature.Value.Words ?? [])}";

    private static bool IsSame(IncludedDomain? one, IncludedDomain? other) =>
        one is null || other is null
            ? one is null && other is null
            : (one with { Endings = [] }) == (other with { Endings = [] })
                && one.Endings.Order(StringComparer.Ordinal).SequenceEqual(other.Endings.Order(StringComparer.Ordinal));

    private sealed class Changes(Currency before, Currency after)
    {
        private readonly ImmutableArray<BookChange>.Builder _found = ImmutableArray.CreateBuilder<BookChange>();

        public ImmutableArray<BookChange> Found => _found.ToImmutable();

        public void Whole(OfferBook older, OfferBook newer)
        {
            Other(BookPart.Currency, "", older.Currency == newer.Currency);
            Other(BookPart.Tax, "", older.Tax == newer.Tax);
            Other(
                BookPart.Refund,
                "",
                older.Refund is null || newer.Refund is null
                    ? older.Refund is null && newer.Refund is null
                    : (older.Refund with { Excludes = [] }) == (newer.Refund with { Excludes = [] })
                        && older.Refund.Excludes.SequenceEqual(newer.Refund.Excludes)
            );
        }

        public void Each<T>(
            BookPart part,
            string of,
            ImmutableArray<T> older,
            ImmutableArray<T> newer,
            Func<T, string> id,
            Action<T, T> both
        )
            where T : class
        {
            foreach (var now in newer)
            {
                if (older.FirstOrDefault(known => id(known) == id(now)) is { } was)
                {
                    both(was, now);
                }
                else
                {
                    _found.Add(new BookChange(part, of + id(now), ChangeKind.New));
                }
            }

            foreach (var gone in older.Where(known => newer.All(now => id(now) != id(known))))
            {
                _found.Add(new BookChange(part, of + id(gone), ChangeKind.Gone));
            }
        }

        public void Price(BookPart part, string reference, Minor? was, Minor? now)
        {
            if (was == now && (was is null || before == after))
            {
                return;
            }

            var kind =
                was is null ? ChangeKind.NowStated
                : now is null ? ChangeKind.NoLongerStated
                : before != after ? ChangeKind.Changed
                : now > was ? ChangeKind.Dearer
                : ChangeKind.Cheaper;
            _found.Add(
                new BookChange(
                    part,
                    reference,
                    kind,
                    was is { } from ? new Money(from, before) : null,
                    now is { } to ? new Money(to, after) : null
                )
            );
        }

        public void Other(BookPart part, string reference, bool isSame)
        {
            if (!isSame)
            {
                _found.Add(new BookChange(part, reference, ChangeKind.Changed));
            }
        }
    }
}

/// <summary>What part of a book a change is about.</summary>
public enum BookPart
{
    /// <summary>The currency of all prices.</summary>
    Currency,

    /// <summary>Whether tax is charged, inside or on top.</summary>
    Tax,

    /// <summary>What leaving early gives back.</summary>
    Refund,

    /// <summary>A plan.</summary>
    Plan,

    /// <summary>A way to pay for a plan.</summary>
    WayToPay,

    /// <summary>The first price of a way to pay.</summary>
    FirstPrice,

    /// <summary>The price after the last step.</summary>
    LaterPrice,

    /// <summary>What setting it up costs.</summary>
    SetupFee,

    /// <summary>How long the steps hold, and the prices between first and last.</summary>
    PriceSteps,

    /// <summary>What a plan allows and holds.</summary>
    PlanFeatures,

    /// <summary>The domain-year a plan gives.</summary>
    IncludedDomain,

    /// <summary>A data centre and its surcharge.</summary>
    DataCentre,

    /// <summary>An extra and its first price.</summary>
    Extra,

    /// <summary>An extra's price after the last step.</summary>
    ExtraLater,

    /// <summary>An ending.</summary>
    Ending,

    /// <summary>The first year of an ending.</summary>
    Registering,

    /// <summary>Each later year of an ending.</summary>
    Renewing,

    /// <summary>A code or automatic promotion.</summary>
    Code,
}

/// <summary>In what way something differs.</summary>
public enum ChangeKind
{
    /// <summary>It costs more.</summary>
    Dearer,

    /// <summary>It costs less.</summary>
    Cheaper,

    /// <summary>It was not there.</summary>
    New,

    /// <summary>It is not there any more.</summary>
    Gone,

    /// <summary>Its price was not stated, and is.</summary>
    NowStated,

    /// <summary>Its price was stated, and is not any more.</summary>
    NoLongerStated,

    /// <summary>It differs in another way.</summary>
    Changed,
}
