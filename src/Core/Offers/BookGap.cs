using System.Collections.Immutable;

namespace HomeStart.Core.Offers;

/// <summary>Something that a book does not state and an owner would want to know before buying.</summary>
/// <param name="Ref">As of a <see cref="BookChange"/>.</param>
public sealed record BookGap(BookPart Part, string Ref)
{
    /// <summary>Every gap, in the order of the book.</summary>
    public static ImmutableArray<BookGap> Find(OfferBook book)
    {
        var gaps = ImmutableArray.CreateBuilder<BookGap>();
        foreach (var plan in book.Plans)
        {
            gaps.AddRange(
                plan.Billing.Where(option => option.Prices.Steps[^1].Units is null)
                    .Select(option => new BookGap(
                        BookPart.LaterPrice,
                        $"{plan.Id} {option.EveryMonths}/{option.CommitMonths}"
                    ))
            );
        }

        gaps.AddRange(
            book.AddOns.Where(addOn => addOn.Prices.Steps[^1].Units is null)
                .Select(addOn => new BookGap(BookPart.ExtraLater, addOn.Id))
        );
        foreach (var price in book.Domains)
        {
            if (price.Register is null)
            {
                gaps.Add(new BookGap(BookPart.Registering, price.Ending));
            }

            if (price.Renew is null)
            {
                gaps.Add(new BookGap(BookPart.Renewing, price.Ending));
            }
        }

        if (book.Refund is null && !book.Plans.IsEmpty)
        {
            gaps.Add(new BookGap(BookPart.Refund, ""));
        }

        return gaps.ToImmutable();
    }
}
