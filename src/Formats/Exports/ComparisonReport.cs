using HomeStart.Formats.Words;

namespace HomeStart.Formats.Exports;

/// <summary>
/// The shortlist side by side, for a partner or accountant; what cannot be costed yet is left out, and said.
/// </summary>
public static class ComparisonReport
{
    public static Report Make(string site, Comparison comparison, CountSettings settings)
    {
        var currency = settings.DisplayCurrency!;
        var costed = comparison.Candidates.Where(known => known.Costing is not null).ToList();
        var columns = 1 + ((settings.HorizonMonths + 11) / 12);
        return new Report(
            $"{site}: candidates compared",
            [ReportWords.Counted(settings), $"Differences are against {comparison.Base}."],
            ["", .. costed.Select(known => known.Letter + (known.IsLeast ? ", least" : ""))],
            [
                .. Enumerable
                    .Range(0, columns)
                    .Select(column =>
                        Row(ReportWords.Column(column), (costing, _) =>
                            ReportWords.Figure(costing.Ledger.Totals[column], currency, costing.Ledger.AtLeast[column])
                        )
                    ),
                Row(DurationWords.Span(settings.HorizonMonths), (costing, _) =>
                    ReportWords.Figure(costing.Totals.Horizon, currency, costing.Totals.AtLeast.Horizon)
                ) with
                {
                    IsTotal = true,
                },
                Row($"Against {comparison.Base}", (_, known) => known.HorizonChange is { } change
                        ? (change > 0 ? "+" : "") + ReportWords.Figure(change, currency)
                    : known.Letter == comparison.Base ? ""
                    : "not known"),
                Row("First term", (costing, _) =>
                    ReportWords.Figure(costing.Totals.FirstTerm, currency, costing.Totals.AtLeast.FirstTerm)
                ),
                Row("A month", (costing, _) =>
                    ReportWords.Figure(costing.Totals.PerMonth, currency, costing.Totals.AtLeast.Horizon)
                ),
                Row($"Next bill after {DurationWords.These(settings.HorizonMonths)}", (costing, _) =>
                    costing.Totals.Next is { } next
                        ? $"{ReportWords.Figure(next.Total, currency, next.AtLeast)} on {ReportWords.Day(next.Date)}"
                        : "nothing"
                ),
                Row("Comes back if left early", (costing, _) =>
                    costing.Totals.Refundable is { LastDay: { } last, Amount: var back }
                        ? $"{ReportWords.Figure(back, currency)} by {ReportWords.Day(last)}"
                        : "nothing"
                ),
                Row("Unused at the end", (costing, _) => ReportWords.Figure(costing.Totals.UnusedAtEnd, currency)),
            ],
            [
                .. costed.Select(known => $"{known.Letter}: {ReportWords.Way(known.Costing!)}."),
                .. comparison
                    .Candidates.Where(known => known.Costing is null)
                    .Select(known => $"{known.Letter} is not complete, so it is left out."),
                .. costed
                    .Where(known => known.Costing!.Totals.AtLeast.Horizon)
                    .Select(known => $"{known.Letter}: a price is not stated, so that its total is only “at least”."),
                .. ReportWords.Sources(costed.Select(known => known.Costing!)),
            ]
        );

        ReportRow Row(string label, Func<Costing, Compared, string> cell) =>
            new(label, [.. costed.Select(known => cell(known.Costing!, known))]);
    }
}
