using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>A table whose cells say something each; tables that only lay out a page are none.</summary>
internal sealed class PageTable
{
    private readonly Dictionary<(int Row, int Column), List<Line>> _cells = [];

    private PageTable(IEnumerable<Line> lines)
    {
        Lines = [.. lines];
        foreach (var line in Lines)
        {
            var cell = line.Seen.Cell!;
            for (var column = cell.Column; column < cell.Column + cell.Width; column++)
            {
                if (!_cells.TryGetValue((cell.Row, column), out var known))
                {
                    _cells[(cell.Row, column)] = known = [];
                }

                known.Add(line);
            }

            Rows = Math.Max(Rows, cell.Row + 1);
            Columns = Math.Max(Columns, cell.Column + cell.Width);
        }
    }

    public ImmutableArray<Line> Lines { get; }

    public int Rows { get; }

    public int Columns { get; }

    /// <summary>What a cell says; "" where there is none.</summary>
    public string Words(int row, int column) =>
        _cells.TryGetValue((row, column), out var lines) ? string.Join("\n", lines.Select(line => line.Words)) : "";

    public IReadOnlyList<Line> Cell(int row, int column) =>
        _cells.TryGetValue((row, column), out var lines) ? lines : [];

    /// <summary>Whether a cell stands over several columns.</summary>
    public bool IsWide(int row) =>
        _cells.TryGetValue((row, 0), out var lines) && lines[0].Seen.Cell!.Width >= Columns && Columns > 1;

    /// <summary>The tables of a page in their order.</summary>
    public static List<PageTable> In(IReadOnlyList<Line> lines)
    {
        var tables = new List<PageTable>();
        foreach (var group in lines.Where(line => line.Seen.Cell is not null).GroupBy(line => line.Seen.Cell!.Table))
        {
            var table = new PageTable(group);
            if (table.IsData())
            {
                tables.Add(table);
            }
        }

        return tables;
    }

    private bool IsData()
    {
        if (Rows < 2 || Columns < 2 || Columns > 40)
        {
            return false;
        }

        var cells = _cells.Values.Where(lines => lines.Count > 0).ToList();
        var isLong = cells.Count(lines => lines.Count > 4 || lines.Sum(line => line.Words.Length) > 110);
        return isLong * 5 <= cells.Count && cells.Count >= 3;
    }
}
