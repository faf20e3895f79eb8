using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>A number as an owner types it, or a cell of a table has it.</summary>
public static partial class TypedNumber
{
    [GeneratedRegex(@"^[0-9]{1,3}([,.'’][0-9]{3})+$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Grouped { get; }

    [GeneratedRegex(
        @"^(?<whole>[0-9]{1,9}|[0-9]{1,3}([,'’][0-9]{3})+|[0-9]{1,3}(\.[0-9]{3})+)([.,](?<cents>[0-9]{1,2}))?$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Plain { get; }

    /// <summary>
    /// "£2.99", "2,99 €" and "1,299" with a point and no sign; anything else as it was typed, which the reader of the
    /// amount then refuses.
    /// </summary>
    public static string Clean(string typed) =>
        ProseAmount.In(typed) is [var amount] ? amount.Number : NumberOf(typed) ?? typed.Trim();

    /// <summary>The codes of the currencies that amounts in a text are written in.</summary>
    public static IEnumerable<string> CurrenciesIn(string text) =>
        ProseAmount.In(text).Select(amount => amount.Currency).OfType<string>();

    /// <summary>
    /// The number that figures say, with a point for decimals; null where they say none, or could say two.
    /// </summary>
    public static string? NumberOf(string figures)
    {
        var trimmed = figures.Trim().TrimEnd('.', ',', '\'', '’');
        if (trimmed.Length > 40 || Plain.Match(trimmed) is not { Success: true } match)
        {
            return null;
        }

        var whole = string.Concat(match.Groups["whole"].Value.Where(char.IsAsciiDigit));
        var cents = match.Groups["cents"].Value;
        return cents.Length > 0 ? $"{whole}.{cents}"
            : IsThousandOrSo(trimmed) ? null
            : whole;
    }

    // "1.299" is a thousand, or one and a bit: only where the groups repeat, or a comma or an apostrophe parts them, is
    // it sure.
    private static bool IsThousandOrSo(string figures) =>
        Grouped.IsMatch(figures)
        && figures.Count(letter => !char.IsAsciiDigit(letter)) == 1
        && figures.Contains('.', StringComparison.Ordinal);
}
