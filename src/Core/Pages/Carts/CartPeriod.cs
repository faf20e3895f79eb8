using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads how long an item is for where only its dates are printed: "01/12/2026 – 30/11/2027".</summary>
internal static partial class CartPeriod
{
    private const string Date =
        @"(?:[0-9]{4}-[0-9]{1,2}-[0-9]{1,2}|[0-9]{1,2}[./][0-9]{1,2}[./][0-9]{4}|[0-9]{1,2}\.? \p{L}{3,9}\.?,? [0-9]{4}"
        + @"|\p{L}{3,9} [0-9]{1,2},? [0-9]{4})";

    [GeneratedRegex(
        $@"(?<![\p{{L}}0-9])(?<from>{Date})\s*(?:-|–|—|to|until|through)\s*(?<to>{Date})(?![\p{{L}}0-9])",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Period { get; }

    // The day first, as most of the world writes it, and the month first.
    private static readonly string[][] Orders =
    [
        ["yyyy-M-d", "d/M/yyyy", "d.M.yyyy", "d MMM yyyy", "d MMMM yyyy"],
        ["M/d/yyyy", "MMM d yyyy", "MMMM d yyyy"],
    ];

    /// <summary>
    /// The whole months of a period; null: there is none, or its days make up no whole months. Of two ways to read its
    /// dates it is the one that does.
    /// </summary>
    public static int? MonthsIn(string words)
    {
        if (Period.Match(words) is not { Success: true } period)
        {
            return null;
        }

        foreach (var order in Orders)
        {
            if (
                DateIn(period.Groups["from"].Value, order) is { } from
                && DateIn(period.Groups["to"].Value, order) is { } to
                && (Between(from, to) ?? Between(from, to < DateOnly.MaxValue ? to.AddDays(1) : to)) is { } months
            )
            {
                return months;
            }
        }

        return null;
    }

    /// <summary>Words before the period that they name: "Stack hosting, 1 Dec 2026 to 30 Nov 2027".</summary>
    public static string WithoutPeriod(string words) =>
        Period.Match(words) is { Success: true } period ? words[..period.Index] : words;

    private static DateOnly? DateIn(string words, string[] order) =>
        DateOnly.TryParseExact(
            words.Replace(",", "", StringComparison.Ordinal).Replace(". ", " ", StringComparison.Ordinal),
            order,
            CultureInfo.InvariantCulture,
            DateTimeStyles.None,
            out var date
        )
            ? date
            : null;

    private static int? Between(DateOnly from, DateOnly to)
    {
        var months = (12 * (to.Year - from.Year)) + to.Month - from.Month;
        return months is > 0 and <= 120 && from.AddMonths(months) == to ? months : null;
    }
}
