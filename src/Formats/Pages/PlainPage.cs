using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Formats.Pages;

/// <summary>Reads plain text as a page: its lines, and the tables that tabs or columns of spaces make.</summary>
public static class PlainPage
{
    private static readonly Regex Columns = new(
        @"\t| {3,}|(?<=\S) {2}(?=\S)",
        RegexOptions.CultureInvariant,
        TimeSpan.FromSeconds(1)
    );

    /// <summary>The page that a text is.</summary>
    public static PageText Read(string text)
    {
        var clean = Clean(text);
        var lines = Piped(clean.Split('\n'));
        var starts = Starts(lines);
        var builder = ImmutableArray.CreateBuilder<PageLine>();
        for (var (at, table) = (0, 0); at < lines.Length; )
        {
            var tabs = Tabs(lines[at]);
            var cells =
                tabs > 0 ? Tabbed(lines, at)
                : Breaks(lines[at]) is > 0 and var breaks ? Spaced(lines, at, breaks)
                : null;
            if (cells is null)
            {
                Add(lines[at], starts[at], null, builder);
                at++;
                continue;
            }

            foreach (var cell in cells)
            {
                Add(
                    lines[cell.Line].Substring(cell.Start, cell.Length),
                    starts[cell.Line] + cell.Start,
                    new PageCell(table, cell.Row, cell.Column, cell.Width),
                    builder
                );
            }

            (at, table) = (cells[^1].Line + 1, table + 1);
        }

        return new PageText(clean, builder.ToImmutable(), [], [], IsMarked: false);
    }

    // Tables drawn with upright strokes: a stroke is a tab between cells, and nothing at a row's ends.
    private static string[] Piped(string[] lines)
    {
        var counts = lines.Select(Strokes).ToArray();
        for (var at = 0; at < lines.Length; at++)
        {
            if (
                counts[at] is >= 2 and var strokes
                && ((at > 0 && counts[at - 1] == strokes) || (at + 1 < lines.Length && counts[at + 1] == strokes))
            )
            {
                var (first, last) = (lines[at].IndexOf('|', StringComparison.Ordinal), lines[at].LastIndexOf('|'));
                lines[at] = string.Concat(
                    lines[at]
                        .Select(
                            (letter, place) =>
                                letter != '|' ? letter
                                : (place == first && lines[at][..first].Trim().Length == 0)
                                || (place == last && lines[at][(last + 1)..].Trim().Length == 0)
                                    ? ' '
                                : '\t'
                        )
                );
            }
        }

        return lines;
    }

    private static int Strokes(string line) => line.Length > 2_000 ? 0 : line.Count(letter => letter is '|');

    private readonly record struct Cell(int Line, int Start, int Length, int Row, int Column, int Width = 1);

    // What is not seen goes; every kind of line break is one.
    private static string Clean(string text)
    {
        var clean = new System.Text.StringBuilder(text.Length);
        for (var at = 0; at < text.Length; at++)
        {
            var letter = text[at];
            if (letter == '\r')
            {
                clean.Append('\n');
                at += at + 1 < text.Length && text[at + 1] == '\n' ? 1 : 0;
            }
            else if (letter is '\u2028' or '\u2029' or '\u0085' or '\v' or '\f')
            {
                clean.Append('\n');
            }
            else if (
                letter is '\n' or '\t'
                || (
                    !char.IsControl(letter)
                    && letter
                        is not (
                            '\u200B'
                            or '\u200C'
                            or '\u200D'
                            or '\u200E'
                            or '\u200F'
                            or '\u2060'
                            or '\uFEFF'
                            or '\u00AD'
                            or '\uFFFE'
                            or '\uFFFF'
                        )
                    && letter is not (>= '\u202A' and <= '\u202E')
                    && letter is not (>= '\u2066' and <= '\u2069')
                )
            )
            {
                clean.Append(letter == '\u200A' ? ' ' : letter);
            }
        }

        return clean.ToString();
    }

    private static int[] Starts(string[] lines)
    {
        var starts = new int[lines.Length];
        for (var (at, start) = (0, 0); at < lines.Length; at++)
        {
            starts[at] = start;
            start += lines[at].Length + 1;
        }

        return starts;
    }

    // Columns of spaces: lines with as many columns each; rules between them are no rows.
    private static List<Cell> Spaced(string[] lines, int at, int breaks)
    {
        var cells = new List<Cell>();
        var row = 0;
        for (var next = at; next < lines.Length && (IsRule(lines[next]) || Breaks(lines[next]) == breaks); next++)
        {
            if (!IsRule(lines[next]))
            {
                cells.AddRange(
                    Pieces(lines[next])
                        .Select((piece, column) => new Cell(next, piece.Start, piece.Length, row, column))
                );
                row++;
            }
        }

        return cells;
    }

    // Cells behind tabs: a row may go over several lines, until it has as many cells as the widest.
    private static List<Cell> Tabbed(string[] lines, int at)
    {
        var cells = TwoHeads(lines, at);
        var width = cells.Count > 0 ? Tabs(lines[at + 2]) : Width(lines, at);
        var (row, column, isOpen) = (cells.Count > 0 ? 2 : 0, 0, false);
        var tabsAbove = 0;
        for (var next = cells.Count > 0 ? at + 2 : at; next < lines.Length; next++)
        {
            if (IsRule(lines[next]) && tabsAbove > 0)
            {
                continue;
            }

            var tabs = Tabs(lines[next]);
            if (tabs > width || (row > 1 && column == 0 && tabs == width && IsHeadAgain(lines, at, next)))
            {
                break;
            }

            tabsAbove = tabs;

            if (tabs == 0 && column == 0 && !GoesOn(lines, next, width))
            {
                if (cells.Count == 0 || !IsWithin(lines, next, width))
                {
                    break;
                }

                // The rest of a last cell of several lines, or a row that is one cell.
                var isRest =
                    row > 0
                    && cells[^1].Row == row - 1
                    && cells[^1].Line == next - 1
                    && cells.Exists(cell => cell.Row == row - 1 && cell.Line < next - 1);
                cells.Add(new Cell(next, 0, lines[next].Length, isRest ? row - 1 : row, isRest ? width : 0));
                row += isRest ? 0 : 1;
                continue;
            }

            // The last cell of a row stays open for lines of its own, until the next row begins.
            var begins =
                column > 0
                && (
                    tabs == width
                    || column + tabs > width
                    || (isOpen && tabs > 0)
                    || (isOpen && GoesOn(lines, next, width))
                );
            if (
                isOpen
                && !begins
                && tabs == 0
                && (
                    lines[next].Trim().Length == 0
                    || !Enumerable.Range(next, Math.Min(6, lines.Length - next)).Any(line => Tabs(lines[line]) > 0)
                )
            )
            {
                break;
            }

            if (begins)
            {
                (row, column) = (row + 1, 0);
            }

            foreach (var (number, (start, length)) in Pieces(lines[next]).Index())
            {
                column += number > 0 ? 1 : 0;
                cells.Add(new Cell(next, start, length, row, column));
            }

            isOpen = column >= width && lines[next].EndsWith('\t') || (isOpen && tabs == 0);
            if (column >= width && !isOpen)
            {
                (row, column) = (row + 1, 0);
            }
            else if (
                !isOpen
                && column > 0
                && tabs > 0
                && !lines[next].EndsWith('\t')
                && (next + 1 >= lines.Length || Tabs(lines[next + 1]) + column > width)
            )
            {
                (row, column) = (row + 1, 0);
            }
        }

        return cells;
    }

    private static readonly Regex PriceHead = new(
        @"^\W*(?:prices?|costs?|fees?|rates?)\b",
        RegexOptions.CultureInvariant | RegexOptions.IgnoreCase,
        TimeSpan.FromSeconds(1)
    );

    // A heading of two rows: below "Price" stand "per month" and "per year", and the rows have a cell more for it. Else
    // none.
    private static List<Cell> TwoHeads(string[] lines, int at)
    {
        if (
            at + 3 >= lines.Length
            || Tabs(lines[at]) == 0
            || Tabs(lines[at + 1]) == 0
            || lines[at].Any(char.IsAsciiDigit)
            || Figures.IsMatch(lines[at + 1])
        )
        {
            return [];
        }

        var heads = Pieces(lines[at]);
        var parts = Pieces(lines[at + 1])
            .FindAll(part => lines[at + 1].AsSpan(part.Start, part.Length).Trim().Length > 0);
        var wide = heads.FindIndex(head => PriceHead.IsMatch(lines[at].AsSpan(head.Start, head.Length)));
        var columns = heads.Count + parts.Count - 1;
        return wide < 1 || parts.Count < 2 || Tabs(lines[at + 2]) + 1 != columns || Tabs(lines[at + 3]) + 1 != columns
            ? []
            :
            [
                .. heads.Select(
                    (head, number) =>
                        new Cell(
                            at,
                            head.Start,
                            head.Length,
                            0,
                            number > wide ? number + parts.Count - 1 : number,
                            number == wide ? parts.Count : 1
                        )
                ),
                .. parts.Select((part, number) => new Cell(at + 1, part.Start, part.Length, 1, wide + number)),
            ];
    }

    // As many tabs as the widest row has, as far as the narrower lines above it add up to rows.
    private static int Width(string[] lines, int at)
    {
        var (width, sum, alike) = (0, 0, 0);
        for (var (next, gap) = (at, 0); next < lines.Length && gap <= 4; next++)
        {
            var tabs = Tabs(lines[next]);
            if (alike >= 3 && lines[next].Trim().Length == 0)
            {
                break; // Rows that are whole as they are: what comes below the empty line is another table.
            }

            alike = tabs > 0 && (width == 0 || (tabs == width && alike > 0)) ? alike + 1 : 0;
            gap = tabs == 0 ? gap + 1 : 0;
            // One row may have a cell over several columns, with a tab less for each.
            if (tabs > width && width > 0 && sum % tabs != 0 && !(sum > 1 && (sum - 1) % tabs == 0))
            {
                break;
            }

            (width, sum) = (Math.Max(width, tabs), sum + tabs);
        }

        return width;
    }

    // The first cell of the row below begins here.
    private static bool GoesOn(string[] lines, int at, int width) =>
        at + 1 < lines.Length
        && lines[at].Trim().Length > 0
        && Tabs(lines[at]) == 0
        && Tabs(lines[at + 1]) == width
        && !lines[at + 1].StartsWith('\t')
        && Figures.IsMatch(lines[at + 1]);

    // The heading of another table below this one: it begins with the same word, and has no figures.
    private static bool IsHeadAgain(string[] lines, int first, int at) =>
        lines[at].Split('\t')[0].Trim() is { Length: > 0 } word
        && word.Equals(lines[first].Split('\t')[0].Trim(), StringComparison.OrdinalIgnoreCase)
        && !lines[at].Any(char.IsAsciiDigit);

    // A line without tabs between the rows of one table: no empty line parts them.
    private static bool IsWithin(string[] lines, int at, int width)
    {
        var next = at + 1;
        while (next < lines.Length && next < at + 3 && lines[next].Trim().Length > 0 && Tabs(lines[next]) == 0)
        {
            next++;
        }

        return lines[at].Trim().Length > 0
            && lines[at - 1].Trim().Length > 0
            && next < lines.Length
            && (
                Tabs(lines[next]) == width
                || (Tabs(lines[next]) > 0 && next + 1 < lines.Length && Tabs(lines[next + 1]) == width)
            );
    }

    private static readonly Regex Figures = new(
        @"[0-9][.,][0-9]{2}\b|[£€$]\s?[0-9]",
        RegexOptions.CultureInvariant,
        TimeSpan.FromSeconds(1)
    );

    private static bool IsRule(string line) =>
        line.Length > 2
        && line.All(letter => letter is '-' or '=' or '+' or '|' or ':' or '\t' or '_' or ' ' or '–' or '—' or '*');

    private static int Tabs(string line) => line.Length > 2_000 ? 0 : line.Count(letter => letter == '\t');

    private static int Breaks(string line) => Pieces(line).Count - 1;

    private static List<(int Start, int Length)> Pieces(string line)
    {
        var pieces = new List<(int, int)>();
        var start = 0;
        if (line.Length <= 2_000)
        {
            foreach (Match match in Columns.Matches(line))
            {
                if (match.Value[0] == ' ' && string.IsNullOrWhiteSpace(line[..match.Index]))
                {
                    continue;
                }

                pieces.Add((start, match.Index - start));
                start = match.Index + match.Length;
            }
        }

        if (start < line.Length || line.EndsWith('\t') || pieces.Count == 0)
        {
            pieces.Add((start, line.Length - start));
        }

        return pieces;
    }

    private static void Add(string text, int start, PageCell? cell, ImmutableArray<PageLine>.Builder builder)
    {
        var words = text.Trim();
        if (words.Length > 0)
        {
            var from = start + text.IndexOf(words, StringComparison.Ordinal);
            builder.Add(new PageLine(new PageSpan(from, from + words.Length)) { Words = words, Cell = cell });
        }
    }
}
