using HomeStart.Formats.Words;

namespace HomeStart.Formats.Exports;

/// <summary>One candidate for a partner or accountant.</summary>
public static class WorksheetReport
{
    public static Report Make(string site, string letter, Costing costing)
    {
        var currency = costing.Currency;
        var totals = costing.Totals;
        var ledger = costing.Ledger;
        return new Report(
            $"{site}: candidate {letter}",
            [
                ReportWords.Way(costing) + ".",
                $"{ReportWords.Sum(totals.DueToday, currency, totals.AtLeast.DueToday)} today, "
                    + $"{ReportWords.Sum(totals.Horizon, currency, totals.AtLeast.Horizon)} over "
                    + $"{DurationWords.Span(costing.Settings.HorizonMonths)}.",
                ReportWords.Counted(costing.Settings),
            ],
            [
                "",
                .. Enumerable.Range(0, ledger.Totals.Length).Select(ReportWords.Column),
                DurationWords.Span(costing.Settings.HorizonMonths),
            ],
            [
                .. ledger.Rows.Select(row => new ReportRow(
                    RowLabel.ForRow(row.Key, costing),
                    [
                        .. row.Cells.Select((cell, column) => Cell(cell, row.AtLeast[column])),
                        Cell(row.Total, row.AtLeast.Any(mark => mark)),
                    ]
                )),
                new ReportRow(
                    "Total",
                    [
                        .. ledger.Totals.Select((cell, column) => Cell(cell, ledger.AtLeast[column])),
                        Cell(totals.Horizon, totals.AtLeast.Horizon),
                    ],
                    IsTotal: true
                ),
            ],
            [.. Notes(costing), .. ReportWords.Sources([costing])]
        );

        string Cell(Int128 amount, bool isAtLeast) =>
            isAtLeast && amount == 0 ? "not stated" : ReportWords.Figure(amount, currency, isAtLeast);
    }

    private static IEnumerable<string> Notes(Costing costing)
    {
        var (totals, currency) = (costing.Totals, costing.Currency);
        if (totals.PriceStep is { } step)
        {
            yield return $"Price step on {ReportWords.Day(step.Date)}: the plan goes from {step.From.ToAmount()} to "
                + $"{step.To?.ToAmount() ?? "a price that is not stated"} a month, in {step.From.Currency.Code}.";
        }

        if (totals.Next is { } next)
        {
            yield return $"After that, {ReportWords.Sum(next.Total, currency, next.AtLeast)} is due on "
                + $"{ReportWords.Day(next.Date)}.";
        }

        if (totals.Refundable is { Amount: var back, LastDay: { } last } && back != 0)
        {
            yield return $"Leaving by {ReportWords.Day(last)} gives back {ReportWords.Sum(back, currency)}.";
        }

        if (totals.UnusedAtEnd != 0)
        {
            yield return $"{ReportWords.Sum(totals.UnusedAtEnd, currency)} of it is paid for days after "
                + $"{ReportWords.Day(costing.End)}.";
        }

        foreach (var (bill, line) in totals.Unstated)
        {
            yield return $"Not stated: {RowLabel.ForLine(line, bill, costing)}, due on {ReportWords.Day(bill.Date)}.";
        }
    }
}
