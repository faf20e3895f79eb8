using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>
/// Amounts without a sign: "72.00" at the end of a line, where the cart says its currency in words, once for all.
/// </summary>
internal static partial class UnsignedSums
{
    [GeneratedRegex(
        @"(?:^|\s)(?<minus>[-−–]\s?)?(?<number>[0-9]{1,3}(?:[,.'’]?[0-9]{3})*[.,][0-9]{2})\s*$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Sum { get; }

    /// <summary>Gives the lines of a cart their amounts, where none of all has a sign.</summary>
    public static void Read(IReadOnlyList<Line> lines)
    {
        if (lines.Any(line => !line.Amounts.IsEmpty) || PageCurrency.Of(lines, [], []).Currency is null)
        {
            return;
        }

        foreach (var line in lines.Where(line => line.Words.Length <= 200))
        {
            if (
                Sum.Match(line.Words) is { Success: true } match
                && match.Groups["number"] is var figures
                && PageAmount.NumberOf(figures.Value) is { } number
            )
            {
                var at = new PageSpan(line.From + figures.Index, line.From + figures.Index + figures.Length);
                line.Amounts =
                [
                    new PageAmount(at, number, null, Per.None, at.To) { IsNegative = match.Groups["minus"].Success },
                ];
            }
        }
    }
}
