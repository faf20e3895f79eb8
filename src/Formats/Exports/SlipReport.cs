using HomeStart.Formats.Words;

namespace HomeStart.Formats.Exports;

/// <summary>The slip on paper: what to do at each seller, to tick off, and the sum that must stand there.</summary>
public static class SlipReport
{
    public static Report Make(string site, string letter, Slip slip, Costing costing) =>
        new(
            $"{site}: buy {letter} yourself",
            [
                $"At the sellers’ own pages, on {ReportWords.Day(costing.Settings.StartDate)}. Nothing else may "
                    + "be ticked there.",
            ],
            ["", "Amount"],
            [.. slip.Sellers.SelectMany(Rows)],
            [
                .. slip.Sellers.SelectMany(seller =>
                    seller.Questions.Select(question =>
                        $"Ask {seller.Book.Provider.Name}: {SlipWords.Question(question, seller.Book)}"
                    )
                ),
                .. ReportWords.Sources([costing]),
            ]
        );

    private static IEnumerable<ReportRow> Rows(SellerSlip seller)
    {
        yield return new ReportRow(seller.Book.Provider.Name, [""], IsTotal: true);
        foreach (var step in seller.Steps)
        {
            yield return new ReportRow($"□  {SlipWords.Step(step, seller.Book)}", [""]);
        }

        foreach (var row in Bill(seller.Today, seller.Book, "Today"))
        {
            yield return row;
        }

        if (seller.Next is { } next)
        {
            yield return new ReportRow(
                $"Next, on {ReportWords.Day(next.Date)}",
                [ReportWords.Sum(next.Total, next.Currency, next.IsAtLeast)]
            );
        }
    }

    private static IEnumerable<ReportRow> Bill(SlipBill? bill, OfferBook book, string name)
    {
        foreach (var line in bill?.Lines ?? [])
        {
            yield return new ReportRow(
                SlipWords.Line(line, book),
                [line.IsUnstated ? "not stated" : ReportWords.Figure(line.Amount, bill!.Currency)]
            );
        }

        if (bill is not null && book.Tax is { Charged: true, PricesInclude: false })
        {
            yield return new ReportRow("Tax", [ReportWords.Figure(bill.Tax, bill.Currency)]);
        }

        yield return new ReportRow(
            name,
            [bill is null ? "nothing" : ReportWords.Sum(bill.Total, bill.Currency, bill.IsAtLeast)],
            IsTotal: true
        );
    }
}
