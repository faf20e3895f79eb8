using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>
/// Finds lists of endings that were laid out side by side without a table: an ending, then as many prices below it as
/// below every other.
/// </summary>
internal static partial class EndingMatrix
{
    private const int MostPrices = 4;

    [GeneratedRegex(@"^\.[a-z]{2,24}(?:\.[a-z]{2,3})?$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Ending { get; }

    [GeneratedRegex(@"^\W*(?:free|gratis|included|nothing|–|—|-|✗|n/a)\W*$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex NoPrice { get; }

    [GeneratedRegex(
        @"\b(?:regist|new\b|first|years?\b|annual|price|cost|fee|renew|after|later|transfer|mov(?:e|ing)|bring)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Head { get; }

    /// <summary>Gives the lines of such lists their cells.</summary>
    public static void Mark(List<Line> lines)
    {
        var table = LineMatrix.LastTable(lines);
        for (var at = 0; at < lines.Count; at++)
        {
            var prices = PricesBelow(lines, at);
            var rows = 0;
            while (prices > 0 && PricesBelow(lines, at + (rows * (prices + 1))) == prices)
            {
                rows++;
            }

            if (rows > 1)
            {
                SetCells(lines, at, rows, prices, ++table);
                at += (rows * (prices + 1)) - 1;
            }
        }
    }

    // How many prices stand right below an ending; 0: it is none.
    private static int PricesBelow(List<Line> lines, int at) =>
        at < lines.Count && lines[at].Seen.Cell is null && Ending.IsMatch(lines[at].Words)
            ? lines.Skip(at + 1).Take(MostPrices).TakeWhile(IsPrice).Count()
            : 0;

    private static bool IsPrice(Line line) =>
        line.Seen.Cell is null && line.Words.Length <= 24 && (line.Amounts.Length == 1 || NoPrice.IsMatch(line.Words));

    private static void SetCells(List<Line> lines, int from, int rows, int prices, int table)
    {
        var head = from - prices;
        if (head >= 0 && Enumerable.Range(head, prices).All(at => IsHead(lines[at])))
        {
            foreach (var column in Enumerable.Range(0, prices))
            {
                LineMatrix.Set(lines, head + column, new PageCell(table, 0, column + 1));
            }
        }

        foreach (var number in Enumerable.Range(0, rows * (prices + 1)))
        {
            LineMatrix.Set(
                lines,
                from + number,
                new PageCell(table, (number / (prices + 1)) + 1, number % (prices + 1))
            );
        }
    }

    private static bool IsHead(Line line) =>
        line.Seen.Cell is null && line.Amounts.IsEmpty && line.Words.Length <= 40 && Head.IsMatch(line.Words);
}
