using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>
/// A table of plans and prices, one row a plan (or a plan and way to pay), with what each column is taken for.
/// </summary>
/// <param name="WasTurned">The plans stood across: rows and columns were exchanged.</param>
public sealed record PriceTable(
    ImmutableArray<string> Headings,
    ImmutableArray<ImmutableArray<string>> Rows,
    ImmutableArray<ColumnRole> Roles,
    bool WasTurned
)
{
    /// <summary>The most rows or columns that are read.</summary>
    public const int Most = 200;

    /// <summary>
    /// The table in a grid of cells, headings first, turned so that plans go down; null where there is no heading and
    /// row.
    /// </summary>
    /// <param name="roles">What the columns are to be taken for, after turning; null: as their headings say.</param>
    public static PriceTable? Read(
        ImmutableArray<ImmutableArray<string>> cells,
        ImmutableArray<ColumnRole>? roles = null
    )
    {
        ImmutableArray<ImmutableArray<string>> grid =
        [
            .. cells.Where(row => row.Any(cell => cell.Trim().Length > 0)).Take(Most),
        ];
        var width = grid.IsEmpty ? 0 : Math.Min(Most, grid.Max(row => row.Length));
        if (grid.Length < 2 || width < 2)
        {
            return null;
        }

        ImmutableArray<string> across = [.. Enumerable.Range(0, width).Select(column => Cell(0, column))];
        ImmutableArray<string> down = [.. Enumerable.Range(0, grid.Length).Select(row => Cell(row, 0))];
        var turned = Known(down) > Known(across);
        var (headings, rows) = turned
            ? (
                down,
                Enumerable
                    .Range(1, width - 1)
                    .Select(column =>
                        Enumerable.Range(0, grid.Length).Select(row => Cell(row, column)).ToImmutableArray()
                    )
            )
            : (
                across,
                Enumerable
                    .Range(1, grid.Length - 1)
                    .Select(row => Enumerable.Range(0, width).Select(column => Cell(row, column)).ToImmutableArray())
            );
        return new PriceTable(
            headings,
            [.. rows],
            roles is { } given && given.Length == headings.Length ? given : Guessed(headings),
            turned
        );

        string Cell(int row, int column) => column < grid[row].Length ? grid[row][column].Trim() : "";
    }

    private static int Known(ImmutableArray<string> headings) =>
        headings.Count(heading => ColumnRole.OfHeading(heading) != ColumnRole.Ignored);

    // A first column that no heading names holds the plans; a role that stands twice is taken once.
    private static ImmutableArray<ColumnRole> Guessed(ImmutableArray<string> headings)
    {
        var roles = headings.Select(ColumnRole.OfHeading).ToArray();
        if (!roles.Contains(new ColumnRole(ColumnKind.Plan)) && roles[0] == ColumnRole.Ignored)
        {
            roles[0] = new ColumnRole(ColumnKind.Plan);
        }

        // With a column that says how often is paid, "monthly price" is the price by the month.
        if (
            roles.Any(role => role.Kind == ColumnKind.EveryMonths)
            && !roles.Any(role => role.Kind is ColumnKind.Price or ColumnKind.PricePerMonth)
        )
        {
            roles =
            [
                .. roles.Select(role =>
                    role is { Kind: ColumnKind.Way, Number: 1 } ? new ColumnRole(ColumnKind.PricePerMonth, 1) : role
                ),
            ];
        }

        var taken = new HashSet<ColumnRole>();
        return [.. roles.Select(role => role == ColumnRole.Ignored || taken.Add(role) ? role : ColumnRole.Ignored)];
    }
}
