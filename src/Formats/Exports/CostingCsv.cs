namespace HomeStart.Formats.Exports;

/// <summary>A costing as CSV (RFC 4180): its bills line by line, or its ledger.</summary>
public static class CostingCsv
{
    /// <summary>
    /// One row a line, in the currency it is billed in; one for the tax of a bill, where there is any; all before the
    /// end of the horizon.
    /// </summary>
    public static string Bills(Costing costing, CsvStyle style)
    {
        string[] head =
        [
            "Date",
            "Seller",
            "What",
            "Covers from",
            "Covers until",
            "Quantity",
            "Price",
            "Discounts",
            "After discounts",
            "Currency",
            "Stated",
        ];
        return CsvStyle.File([head, .. costing.Counted.SelectMany(bill => LinesOf(costing, bill, style))]);
    }

    /// <summary>The rows and columns of the worksheet, in the display currency, with their totals.</summary>
    public static string Ledger(Costing costing, CsvStyle style)
    {
        var ledger = costing.Ledger;
        var currency = costing.Currency;
        string[] head =
        [
            "Seller",
            "What",
            "Today",
            .. Enumerable
                .Range(1, ledger.Totals.Length - 1)
                .Select(year => year == 1 ? "Rest of year 1" : $"Year {year}"),
            "Total",
            "Currency",
            "Stated",
        ];
        var rows = ledger.Rows.Select(row =>
            Row(
                CsvStyle.Text(row.Key.Book?.Provider.Name),
                CsvStyle.Text(RowLabel.ForRow(row.Key, costing)),
                row.Cells,
                row.Total,
                row.AtLeast.Any(mark => mark)
            )
        );
        return CsvStyle.File([
            head,
            .. rows,
            Row("", "Total", ledger.Totals, costing.Totals.Horizon, costing.Totals.AtLeast.Horizon),
        ]);

        IEnumerable<string> Row(
            string seller,
            string what,
            IReadOnlyList<Int128> cells,
            Int128 total,
            bool isAtLeast
        ) =>
            [
                seller,
                what,
                .. cells.Select(cell => style.Sum(cell, currency)),
                style.Sum(total, currency),
                currency.Code,
                Stated(isAtLeast),
            ];
    }

    private static IEnumerable<IEnumerable<string>> LinesOf(Costing costing, Bill bill, CsvStyle style)
    {
        foreach (var line in bill.Lines)
        {
            var discounts = line.Discounts.Aggregate((Int128)0, (sum, discount) => sum + discount.Amount);
            yield return
            [
                style.Day(bill.Date),
                CsvStyle.Text(bill.Book?.Provider.Name),
                CsvStyle.Text(RowLabel.ForLine(line, bill, costing)),
                style.Day(line.Cover?.From),
                style.Day(line.Cover?.Until),
                $"{line.Quantity}",
                style.Sum(line.Amount, bill.Currency),
                style.Sum(-discounts, bill.Currency),
                style.Sum(line.AfterDiscounts, bill.Currency),
                bill.Currency.Code,
                Stated(line.IsUnstated),
            ];
        }

        if (costing.Counting.AddsTax(bill.Book))
        {
            var tax = style.Sum(costing.Counting.Tax(bill.Book, bill.Sum).Tax, bill.Currency);
            yield return
            [
                style.Day(bill.Date),
                CsvStyle.Text(bill.Book?.Provider.Name),
                "Tax",
                "",
                "",
                "1",
                tax,
                style.Sum(0, bill.Currency),
                tax,
                bill.Currency.Code,
                Stated(false),
            ];
        }
    }

    private static string Stated(bool isAtLeast) => isAtLeast ? "not all of it" : "yes";
}
