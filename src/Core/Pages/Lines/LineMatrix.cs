using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>
/// Finds tables that were laid out without one: names side by side, then label after label, each with as many values.
/// </summary>
internal static partial class LineMatrix
{
    private const int FewestRows = 3;

    [GeneratedRegex(
        @"^(?:(?:up to |about |around |~ ?)?[0-9][0-9.,'’ ]*(?: ?[GMT]B)?|[Uu]nlimited|[Uu]nmetered|[Yy]es|[Nn]o"
            + @"|[Nn]one|✓|✔|✗|✘|×|[-–—]|[Ii]ncluded|[Ff]ree|[0-9]{1,2}[- ](?:months?|years?)\b.{0,30}|(?:[Pp]aid"
            + @"|[Bb]illed) .{0,30}|[Ll]inux.*|[Ww]indows.*)$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Value { get; }

    [GeneratedRegex(
        @"^\W*(?:most|best|popular|recommended|our pick|top|new)\b.{0,20}$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Badge { get; }

    [GeneratedRegex(
        @"^(?:price|pay|monthly|yearly|renew|set-?\s?up|after|first|term|billed|contract|commitment|payment|cost"
            + @"|fee|then|renewal).{0,30}$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex PriceLabel { get; }

    /// <summary>Gives the lines of such tables their cells.</summary>
    public static void Mark(List<Line> lines)
    {
        var table = LastTable(lines);
        for (var at = 0; at < lines.Count; at++)
        {
            if (
                lines[at].Seen.Cell is null
                && lines[at].NameScore > 0
                && Names(lines, at) is { Count: >= 2 } names
                && Rows(lines, names) is { Count: >= FewestRows } rows
            )
            {
                table++;
                Set(lines, names, rows, table);
                at = rows[^1][^1];
            }
        }
    }

    /// <summary>The number of the last table among the lines; -1: there is none.</summary>
    public static int LastTable(IEnumerable<Line> lines) =>
        lines.Select(line => line.Seen.Cell?.Table ?? -1).DefaultIfEmpty(-1).Max();

    // Names that follow one another, badges between them left out.
    private static List<int> Names(List<Line> lines, int from)
    {
        var names = new List<int>();
        for (var at = from; at < lines.Count && names.Count < 8 && lines[at].Seen.Cell is null; at++)
        {
            if (Badge.IsMatch(lines[at].Words))
            {
                continue;
            }

            if (
                lines[at].NameScore <= 0
                || lines[at].Amounts.Length > 0
                || (names.Count >= 2 && IsLabel(lines[at]) && IsPriced(lines, at))
            )
            {
                break; // "Price per month" could be a name, but for the prices that follow it.
            }

            names.Add(at);
        }

        return names;
    }

    private static bool IsPriced(List<Line> lines, int at) =>
        at + 2 < lines.Count && lines[at + 1].Amounts.Length > 0 && lines[at + 2].Amounts.Length > 0;

    private static List<List<int>>? Rows(List<Line> lines, List<int> names)
    {
        for (var skip = 0; names.Count - skip >= 2; skip++)
        {
            var count = names.Count - skip;
            var (rows, at) = (new List<List<int>>(), names[^1] + 1);
            while (at < lines.Count && Badge.IsMatch(lines[at].Words))
            {
                at++;
            }

            while (
                at + count < lines.Count
                && (IsLabel(lines[at]) || (rows.Count > 0 && IsOtherLabel(lines[at])))
                && (
                    Enumerable.Range(at + 1, count).All(next => IsValue(lines[next]))
                    || (
                        rows.Count > 0
                        && IsLabel(lines[at])
                        && Enumerable.Range(at + 1, count).All(next => IsShort(lines[next]))
                    )
                )
            )
            {
                rows.Add([.. Enumerable.Range(at, count + 1)]);
                at += count + 1;
            }

            if (rows.Count >= FewestRows)
            {
                names.RemoveRange(0, skip);
                return rows;
            }
        }

        return null;
    }

    private static bool IsLabel(Line line) =>
        line.Seen.Cell is null
        && line.Amounts.IsEmpty
        && line.Words.Length <= 60
        && char.IsLetter(line.Words[0])
        && (FeatureWords.KeyOf(line.Words) is not null || Terms.IsLabel(line.Words) || PriceLabel.IsMatch(line.Words));

    // A label that nobody here knows, among labels that are known.
    private static bool IsOtherLabel(Line line) =>
        line.Seen.Cell is null
        && line.Amounts.IsEmpty
        && line.Words.Length <= 40
        && char.IsLetter(line.Words[0])
        && !Value.IsMatch(line.Words)
        && line.Seen.Heading == 0;

    private static bool IsValue(Line line) =>
        line.Seen.Cell is null && line.Words.Length <= 40 && (Value.IsMatch(line.Words) || line.Amounts.Length > 0);

    // What a label that is known may have: "annually", "1st year".
    private static bool IsShort(Line line) =>
        line.Seen.Cell is null
        && line.Words.Length <= 24
        && line.Seen.Heading == 0
        && FeatureWords.KeyOf(line.Words) is null;

    private static void Set(List<Line> lines, List<int> names, List<List<int>> rows, int table)
    {
        foreach (var (number, name) in names.Index())
        {
            Set(lines, name, new PageCell(table, 0, number + 1));
        }

        foreach (var (row, cells) in rows.Index())
        {
            foreach (var (column, at) in cells.Index())
            {
                Set(lines, at, new PageCell(table, row + 1, column));
            }
        }
    }

    /// <summary>Gives a line its place in a table.</summary>
    public static void Set(List<Line> lines, int at, PageCell cell) =>
        lines[at] = new Line(lines[at].Index, lines[at].Seen with { Cell = cell }) { Amounts = lines[at].Amounts };
}
