using System.Collections.Immutable;
using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using HomeStart.Formats.Foreign;

namespace HomeStart.Formats.Advertising;

/// <summary>Parts a table that was pasted, or a CSV file, into its cells, whatever parts them.</summary>
internal static class TableCells
{
    /// <summary>The rows of a text with their cells; without the lines that only part others.</summary>
    /// <param name="most">How many rows are read, and one more: then there are too many.</param>
    public static ImmutableArray<ImmutableArray<string>> Split(
        string text,
        int most,
        CancellationToken cancel = default
    )
    {
        var guard = new Guard(GuardLimits.Table with { Parts = Math.Max(most + 1, GuardLimits.Table.Parts) }, cancel);
        var mark = Mark(text);
        if (mark is null)
        {
            return
            [
                .. text.Split('\n')
                    .Select(line =>
                        System
                            .Text.RegularExpressions.Regex.Split(
                                line.Trim(),
                                @"\s{2,}",
                                System.Text.RegularExpressions.RegexOptions.NonBacktracking
                            )
                            .ToImmutableArray()
                    ),
            ];
        }

        using var parser = new CsvParser(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = mark,
                BadDataFound = null,
                HasHeaderRecord = false,
                IgnoreBlankLines = true,
                TrimOptions = TrimOptions.Trim,
            }
        );
        var rows = ImmutableArray.CreateBuilder<ImmutableArray<string>>();
        while (rows.Count <= most && parser.Read())
        {
            guard.Part();
            rows.Add(mark == "|" ? Unframed(parser.Record!) : [.. parser.Record!.Select(Unquoted)]);
        }

        return [.. rows.Where(row => !row.All(cell => cell.All(letter => letter is '-' or ':' or ' ')))];
    }

    // What parts the cells, surest first; null: runs of spaces.
    private static string? Mark(string text) =>
        text.Contains('\t') ? "\t"
        : text.Contains('|') ? "|"
        : text.Contains(';') ? ";"
        : text.Contains(',') ? ","
        : null;

    // "| a | b |" has nothing outside its bars.
    private static ImmutableArray<string> Unframed(string[] cells) =>
        [
            .. cells
                .SkipWhile((cell, index) => index == 0 && cell.Trim().Length == 0)
                .Reverse()
                .SkipWhile((cell, index) => index == 0 && cell.Trim().Length == 0)
                .Reverse()
                .Select(cell => cell.Trim()),
        ];

    // As our own files guard a text that looks like a formula.
    private static string Unquoted(string cell) => cell is ['\'', '=' or '+' or '-' or '@', ..] ? cell[1..] : cell;
}
