using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Sites;

namespace HomeStart.Core.Worksheets;

/// <summary>What another version of a book does to a candidate that uses it.</summary>
/// <param name="Before">The costing as it is; null: it cannot be costed.</param>
/// <param name="After">The costing with the other version; null: it cannot be costed any more.</param>
public sealed record BookEffect(string Letter, Costing? Before, Costing? After)
{
    /// <summary>
    /// In minor units of the display currency, above zero is dearer; null where either cannot be costed or is only "at
    /// least".
    /// </summary>
    public Minor? HorizonChange =>
        Before is { Totals.AtLeast.Horizon: false } before
        && After is { Totals.AtLeast.Horizon: false } after
        && before.Currency == after.Currency
            ? after.Totals.Horizon - before.Totals.Horizon
            : null;

    /// <summary>Each candidate of the shortlist that buys at the book, in its order.</summary>
    /// <param name="changed">The book as it would be; null: it would be there no more.</param>
    public static ImmutableArray<BookEffect> ListAll(
        Site site,
        IReadOnlyList<OfferBook> books,
        string bookId,
        OfferBook? changed,
        CountSettings settings
    )
    {
        OfferBook[] others = [.. books.Where(book => book.Id != bookId)];
        OfferBook[] then = changed is null ? others : [.. others, changed];
        return
        [
            .. site
                .Shortlist.Where(listed => Uses(listed.Candidate, bookId))
                .Select(listed => new BookEffect(
                    listed.Letter,
                    Worksheet.CostingOf(listed.Candidate, books, settings),
                    Worksheet.CostingOf(listed.Candidate, then, settings)
                )),
        ];
    }

    private static bool Uses(Candidate candidate, string bookId) =>
        candidate.Hosting?.Book == bookId || candidate.Domains.Any(domain => domain.Book == bookId);
}
