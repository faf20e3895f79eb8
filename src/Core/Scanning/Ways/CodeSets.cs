using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>
/// The codes worth entering at one book: none, each alone, all that combine together (scan rule 4). A code barred by
/// its conditions is left out, as it changes no figure and fewer codes come first.
/// </summary>
internal static class CodeSets
{
    private static readonly ImmutableArray<ImmutableArray<string>> None =
    [
        [],
    ];

    public static ImmutableArray<ImmutableArray<string>> At(OfferBook? book, PromotionConditions conditions)
    {
        if (book is null || book.Promotions.IsEmpty)
        {
            return None;
        }

        var counting = InForce(book, conditions).Where(promotion => !promotion.IsAutomatic).ToList();
        var together = counting
            .Where(promotion => promotion.Combinable)
            .Select(promotion => promotion.Code!)
            .ToImmutableArray();
        return
        [
            [],
            .. counting.Select(promotion => ImmutableArray.Create(promotion.Code!)),
            .. together.Length > 1 ? [together] : None[1..],
        ];
    }

    /// <summary>How many sets there are at most at a book, whatever the conditions.</summary>
    public static int MostAt(OfferBook? book)
    {
        var codes = book?.Promotions.Where(promotion => !promotion.IsAutomatic).ToList() ?? [];
        return 1 + codes.Count + (codes.Count(promotion => promotion.Combinable) > 1 ? 1 : 0);
    }

    /// <summary>
    /// Whether the bills of hosting and domain at one book can be discounted apart: each discount in force is for lines
    /// of one of them only, or a percentage of every line it matches. An amount is shared over lines of both, and a
    /// number of bills is counted over both.
    /// </summary>
    public static bool AreApart(OfferBook book, PromotionConditions conditions) =>
        InForce(book, conditions)
            .All(promotion =>
                promotion is { Percent: not null, Bills: null }
                || promotion.AppliesTo.All(match => SideOf(book, match) == AddOnFor.Hosting)
                || promotion.AppliesTo.All(match => SideOf(book, match) == AddOnFor.Domain)
            );

    private static IEnumerable<Promotion> InForce(OfferBook book, PromotionConditions conditions) =>
        book.Promotions.Where(promotion => conditions.Bar(promotion) is null);

    // Null: lines of both.
    private static AddOnFor? SideOf(OfferBook book, LineMatch match) =>
        match switch
        {
            { Kind: LineKind.Domain } => AddOnFor.Domain,
            { Kind: LineKind.AddOn, Of: null } => null,
            { Kind: LineKind.AddOn } => book.AddOns.FirstOrDefault(addOn => addOn.Id == match.Of)?.For
                ?? AddOnFor.Hosting,
            _ => AddOnFor.Hosting,
        };
}
