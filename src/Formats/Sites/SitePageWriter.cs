using HomeStart.Formats.Costings;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Sites;

/// <summary>Writes the shortlist of a site.</summary>
public static class SitePageWriter
{
    public static IReadOnlyList<SlipWire> Shortlist(
        Site site,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        Func<OfferBook, bool>? isConnected = null
    )
    {
        var costings = site
            .Shortlist.Select(listed => Core.Worksheets.Worksheet.CostingOf(listed.Candidate, books, settings))
            .ToList();
        var least = Core.Worksheets.Shortlist.Least(costings, site.Needs);
        return
        [
            .. site.Shortlist.Select(
                (listed, index) => Slip(listed, books, costings[index], least.Contains(index), isConnected)
            ),
        ];
    }

    private static SlipWire Slip(
        ListedCandidate listed,
        IReadOnlyList<OfferBook> books,
        Costing? costing,
        bool isLeast,
        Func<OfferBook, bool>? isConnected
    )
    {
        var hosting = listed.Candidate.Hosting;
        var book = books.FirstOrDefault(book => book.Id == hosting?.Book);
        var domain = listed.Candidate.Domains.FirstOrDefault();
        var totals = costing?.Totals;
        return new SlipWire(
            listed.Letter,
            listed.Name,
            book?.Provider.Name,
            book?.Plan(hosting?.Plan)?.Name,
            hosting?.EveryMonths,
            hosting?.CommitMonths ?? hosting?.EveryMonths,
            domain is { Name: not null } ? domain.Ref : null,
            costing?.Currency.Code,
            totals is null ? null : Amount(costing!, totals.Horizon),
            totals is null ? null : Amount(costing!, totals.DueToday),
            totals?.AtLeast.Horizon ?? false,
            totals?.AtLeast.DueToday ?? false,
            isLeast,
            NextWire.From(costing),
            costing is null ? null : WhyNotOrdered(costing, isConnected),
            [
                .. listed
                    .Candidate.Domains.Select(bought => bought.Book)
                    .Prepend(hosting?.Book)
                    .OfType<string>()
                    .Distinct(StringComparer.Ordinal),
            ]
        );
    }

    private static string? WhyNotOrdered(Costing costing, Func<OfferBook, bool>? isConnected) =>
        Placing.Prepare(costing, isConnected).Faults.Faults is [var first, ..] ? FaultWords.Sentence(first) : null;

    private static string Amount(Costing costing, Int128 units) => new Money(units, costing.Currency).ToAmount();
}
