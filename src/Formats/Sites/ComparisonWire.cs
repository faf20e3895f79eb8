using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Sites;

/// <summary>The shortlist side by side. Amounts are in <see cref="Currency"/>.</summary>
/// <param name="Base">The letter that every change is against.</param>
/// <param name="Columns">The columns of the ledgers: today, year1, …</param>
public sealed record ComparisonWire(
    string Base,
    string Currency,
    DateOnly Start,
    DateOnly End,
    IReadOnlyList<string> Columns,
    IReadOnlyList<ComparedWire> Candidates,
    IReadOnlyList<LeadWire> Leads,
    IReadOnlyList<ShortlistTurnWire> Turns,
    IReadOnlyList<LineDifferenceWire> Differences
)
{
    public static ComparisonWire From(Comparison comparison, CountSettings settings)
    {
        var currency = settings.DisplayCurrency!;
        return new ComparisonWire(
            comparison.Base,
            currency.Code,
            settings.StartDate,
            settings.End,
            [
                .. Enumerable
                    .Range(0, 1 + ((settings.HorizonMonths + 11) / 12))
                    .Select(column => column == 0 ? "today" : $"year{column}"),
            ],
            [.. comparison.Candidates.Select(ComparedWire.From)],
            [.. comparison.Leads.Select(lead => new LeadWire(lead.From, lead.Letters, Amount(lead.Paid)))],
            [
                .. comparison.Turns.Select(turn => new ShortlistTurnWire(
                    turn.Months,
                    turn.Letter,
                    turn.Least,
                    Amount(turn.Sum),
                    Amount(turn.LeastSum)
                )),
            ],
            [
                .. comparison.Differences.Select(line => new LineDifferenceWire(
                    line.Kind,
                    line.Of,
                    line.One,
                    line.Other,
                    [.. line.Cells.Select(Known)],
                    Known(line.Total)
                )),
            ]
        );

        string Amount(Int128 units) => new Money(units, currency).ToAmount();

        string? Known(Int128? units) => units is { } stated ? Amount(stated) : null;
    }
}

/// <param name="Does">Whether it does what is needed.</param>
/// <param name="Undercuts">Whether it costs less than the least of those that do, and does not itself.</param>
/// <param name="Totals">Null while it cannot be costed; so are the others.</param>
/// <param name="Book">The host's; null without hosting.</param>
/// <param name="Columns">What is paid in each column of the ledger.</param>
public sealed record ComparedWire(
    string Letter,
    string? Book,
    string? Plan,
    bool IsLeast,
    bool Does,
    bool Undercuts,
    TotalsWire? Totals,
    IReadOnlyList<SumWire> Columns,
    PriceStepWire? PriceStep,
    DateOnly? RefundLastDay,
    string? HorizonChange,
    string? TodayChange,
    IReadOnlyList<PaidWire> Paid,
    IReadOnlyList<NeedFitWire> Fits
)
{
    internal static ComparedWire From(Compared compared)
    {
        var costing = compared.Costing;
        return new ComparedWire(
            compared.Letter,
            costing?.Run.Purchase.Hosting?.Book.Id,
            costing?.Run.Purchase.Hosting?.Plan.Id,
            compared.IsLeast,
            compared.Does,
            compared.Undercuts,
            costing is null ? null : CostingWriter.WriteTotals(costing),
            costing is null ? [] : [.. costing.Ledger.Sums.Select(sum => SumWire.From(sum, costing.Currency))],
            costing is null ? null : PriceStepWire.Write(costing.Totals.PriceStep),
            costing?.Totals.Refundable.LastDay,
            Amount(compared.HorizonChange),
            Amount(compared.TodayChange),
            [.. compared.Paid.Select(paid => new PaidWire(paid.Date, SumWire.From(paid.Sum, costing!.Currency)))],
            [.. compared.Fits.Select(NeedFitWire.From)]
        );

        string? Amount(Int128? units) => units is { } known ? new Money(known, costing!.Currency).ToAmount() : null;
    }
}

/// <summary>What is paid in all by a day.</summary>
public sealed record PaidWire(DateOnly Date, SumWire Sum);

/// <summary>Who has paid least so far from a date on.</summary>
public sealed record LeadWire(DateOnly From, IReadOnlyList<string> Letters, string Paid);

/// <summary>Over how many months another candidate would be the least.</summary>
public sealed record ShortlistTurnWire(int Months, string Letter, string Least, string Sum, string LeastSum);

/// <param name="Cells">The other's less the base's, by column; null: a part of either is not stated.</param>
public sealed record LineDifferenceWire(
    RowKind Kind,
    string? Of,
    IReadOnlyList<string> One,
    IReadOnlyList<string> Other,
    IReadOnlyList<string?> Cells,
    string? Total
);

/// <summary>What is sunk if the owner stops after 1, 2, … months, in <see cref="Currency"/>.</summary>
/// <param name="ShortestEveryMonths">The way to pay that binds least, which <see cref="ByShortest"/> is about; null: it
/// is the one chosen.</param>
/// <param name="WinsFrom">From how many months on the chosen way costs less than that.</param>
public sealed record StoppingWire(
    string Currency,
    IReadOnlyList<SumWire> Chosen,
    int? ShortestEveryMonths,
    int? ShortestCommitMonths,
    IReadOnlyList<SumWire> ByShortest,
    int? WinsFrom
)
{
    public static StoppingWire From(Stopping stopping, Currency currency)
    {
        return new StoppingWire(
            currency.Code,
            [.. stopping.Chosen.Select(Wire)],
            stopping.Shortest?.EveryMonths,
            stopping.Shortest?.CommitMonths,
            [.. stopping.ByShortest.Select(Wire)],
            stopping.WinsFrom
        );

        SumWire Wire(Sum sum) => SumWire.From(sum, currency);
    }
}
