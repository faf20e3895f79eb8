using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Costings;

/// <summary>
/// The worksheet's rows and columns in minor units of the display currency, which add up exactly (costing rule 30).
/// Column 0 is today, column N the year N without the start date's own bills.
/// </summary>
public sealed class Ledger
{
    /// <summary>How many years stand by themselves where a long horizon is folded.</summary>
    public const int YearsUnfolded = 3;

    private Ledger(
        ImmutableArray<LedgerRow> rows,
        ImmutableArray<Minor> totals,
        ImmutableArray<bool> atLeast,
        int? firstTermEndsAfter
    ) => (Rows, Totals, AtLeast, FirstTermEndsAfter) = (rows, totals, atLeast, firstTermEndsAfter);

    /// <summary>In the order of costing rule 30.</summary>
    public ImmutableArray<LedgerRow> Rows { get; }

    /// <summary>The sum of each column.</summary>
    public ImmutableArray<Minor> Totals { get; }

    /// <summary>Which columns hold a line that is not stated.</summary>
    public ImmutableArray<bool> AtLeast { get; }

    /// <summary>Each column's total with whether it is only "at least".</summary>
    public ImmutableArray<Sum> Sums => [.. Totals.Select((total, column) => new Sum(total, AtLeast[column]))];

    /// <summary>
    /// The years after <see cref="YearsUnfolded"/> as one; null where there is at most one of them, which needs no
    /// folding.
    /// </summary>
    public Sum? FoldedSum => Folded(Totals, AtLeast);

    /// <summary>The last column of the first term; null where the term ends inside a column.</summary>
    public int? FirstTermEndsAfter { get; }

    internal static Sum? Folded(IReadOnlyList<Minor> cells, IReadOnlyList<bool> atLeast) =>
        cells.Count > YearsUnfolded + 2
            ? cells
                .Zip(atLeast, (cell, mark) => new Sum(cell, mark))
                .Skip(YearsUnfolded + 1)
                .Aggregate((sum, cell) => sum + cell)
            : null;

    internal static Ledger Build(Costing costing)
    {
        var columns = 1 + ((costing.Settings.HorizonMonths + 11) / 12);
        var entry = new LedgerEntry(costing, columns);
        var atLeast = new bool[columns];
        for (var index = 0; index < costing.Counted.Length; index++)
        {
            var bill = costing.Counted[index];
            var column = Column(costing.Settings.StartDate, bill.Date);
            atLeast[column] |= bill.IsAtLeast;
            entry.Enter(bill, costing.Values[index], column);
        }

        var rows = entry.RowsInOrder();
        var totals = new Minor[columns];
        foreach (var row in rows)
        {
            for (var column = 0; column < columns; column++)
            {
                totals[column] += row.Cells[column];
            }
        }

        return new Ledger(rows, [.. totals], [.. atLeast], TermColumn(costing));
    }

    private static int? TermColumn(Costing costing)
    {
        var months = costing.Run.Purchase.CommitMonths;
        var onlyToday = costing.Counted.All(bill =>
            bill.Date == costing.Settings.StartDate || bill.Date >= costing.FirstTermEnd
        );
        return months % 12 == 0 ? months / 12
            : onlyToday ? 0
            : null;
    }

    /// <summary>The column of a date, also beyond the horizon.</summary>
    public static int Column(DateOnly start, DateOnly date) =>
        date == start ? 0 : 1 + (Months.WholeBetween(start, date) / 12);
}
