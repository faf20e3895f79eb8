using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>What an amount is for.</summary>
internal enum Per
{
    None,
    Month,
    Year,
    Once,
    Other,
}

/// <summary>An amount of money as it is printed.</summary>
/// <param name="At">Its digits and sign.</param>
/// <param name="Number">With a point: "1234.56".</param>
/// <param name="Currency">Its code; null where its sign stands for several, or where it has none.</param>
/// <param name="Per">What stands behind it: "a month".</param>
/// <param name="End">Where its words end, what it is for among them.</param>
internal sealed partial record PageAmount(PageSpan At, string Number, string? Currency, Per Per, int End)
{
    private const string Digits =
        @"(?:[0-9]{1,6}\u200A[0-9]{2}(?![0-9])"
        + @"|[0-9]{1,3}(?:[ \u00A0\u202F\u2009][0-9]{3})+(?![0-9])(?:[.,][0-9]{1,2}(?![0-9]))?"
        + @"|[0-9][0-9.,'’]{0,38}[0-9]|[0-9])(?:(?:[.,:]|/(?=[-–—]))[-–—]{1,2}(?![0-9]))?|\.[0-9]{2}";

    [GeneratedRegex(
        $@"(?<![\p{{L}}0-9])(?<minus>[-−–]\s?)?(?:(?<sign>{CurrencySigns.Sign})\s{{0,2}}(?<number>{Digits}"
            + $@")(?:\s*\n\s*(?<cents>[.,][0-9]{{2}})(?![0-9]))?(?:\s?(?<own>{CurrencySigns.Code})\b)?"
            + $@"|\b(?<sign>{CurrencySigns.Code})\s{{0,2}}(?<number>{Digits})"
            + $@"|(?<number>{Digits})\s{{0,2}}(?:(?<sign>{CurrencySigns.Sign})(?![0-9])|(?<sign>{CurrencySigns.Name})"
            + $@"|(?<sign>{CurrencySigns.Code})\b)|(?<pence>[0-9]{{1,2}})p\b"
            + @"|(?<number>[0-9]{1,4}[.,][0-9]{2})(?=\s?(?:/|(?:per|an?) )\s?(?:mo|ye?a?r)))",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Money { get; }

    [GeneratedRegex($@"^\s*(?<number>{Digits})\s*[*†‡]*\s*$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Bare { get; }

    [GeneratedRegex(
        @"^\s*[*†‡¹²³]*\s*(\((ex|inc|excl|incl|excluding|including|plus|\+)\.?[^)]{0,24}\)\s*|(((ex|inc|excl"
            + @"|incl)\.?|plus|excluding|including) |\+\s?)(vat|gst|tax)\)?\s*)?[*†‡]*\s*,?\s*((/|per|an?|each|every|p"
            + @"|in the|for the|the)\s*(?<first>first|1st)?\s*((?<month>months?|mths?|mo|m)|(?<year>years?|yr|annum|y"
            + @"|a)|(?<other>hours?|weeks?|wk|w|days?|user|seat|site|visit|visitor|gb|sms|click|call))(?![\p{L}])"
            + @"|(?<month>monthly|pcm|pm|p/m)\b|(?<own>(?<month>month[- ](?:by|to)[- ]month))\b|(?<own>(?:billed|paid"
            + @"|charged) (?<month>monthly))\b|(?<year>yearly|annually|pa|p/a)\b|(?<first>first) (?<year>year)\b"
            + @"|(?<other>pw|weekly|daily|hourly|an hour)\b|(?<once>(one[- ]?time|one[- ]?off|once))\b)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex PerUnit { get; }

    /// <summary>Whether a period stands behind it that names its first time only: "the first year".</summary>
    public bool IsFirst { get; init; }

    /// <summary>Whether it is paid by the month, said with itself: "$12 billed monthly".</summary>
    public bool IsPaidMonthly { get; init; }

    /// <summary>Whether it is taken off: "−£5".</summary>
    public bool IsNegative { get; init; }

    /// <summary>Its sign or code, as printed.</summary>
    public string Sign { get; init; } = "";

    /// <summary>Its value.</summary>
    public decimal Value => decimal.Parse(Number, CultureInfo.InvariantCulture);

    /// <summary>Every amount of a text, in its order.</summary>
    /// <param name="from">Where the text begins in the page.</param>
    public static ImmutableArray<PageAmount> In(string text, int from)
    {
        if (text.AsSpan().IndexOfAnyInRange('0', '9') < 0)
        {
            return [];
        }

        var found = ImmutableArray.CreateBuilder<PageAmount>();
        foreach (Match match in Money.Matches(text))
        {
            if (Read(match, text, from) is { } amount)
            {
                found.Add(amount);
            }
        }

        return found.ToImmutable();
    }

    /// <summary>The amount that a cell without a sign says; null where it says none.</summary>
    public static PageAmount? OfCell(string text, int from)
    {
        var match = Bare.Match(text);
        return match.Success && NumberOf(match.Groups["number"].Value) is { } number
            ? new PageAmount(
                new PageSpan(
                    from + match.Groups["number"].Index,
                    from + match.Groups["number"].Index + match.Groups["number"].Length
                ),
                number,
                null,
                Per.None,
                from + text.TrimEnd().Length
            )
            : null;
    }

    /// <summary>The number that figures say, with a point for decimals; null where they could say two.</summary>
    public static string? NumberOf(string figures)
    {
        var text = figures.Trim().TrimEnd('.', ',', '\'', '’');
        text = Patterns.Swap(text, "[.,:/][-–—]{1,2}$", "");
        text = Patterns.Swap(text.Replace('\u200A', '.'), @"\s", "");
        if (text.Length is 0 or > 40)
        {
            return null;
        }

        if (text[0] == '.')
        {
            return "0" + text;
        }

        var last = text.LastIndexOfAny(['.', ',']);
        var behind = last < 0 ? 0 : text.Length - last - 1;
        var isDecimal =
            last > 0 && (behind is 1 or 2 || (behind != 3 && !text[..last].Any(letter => letter is '.' or ',')));
        if (
            last > 0
            && behind == 3
            && text[..last].Any(letter => letter is '.' or ',')
            && text[..last].LastIndexOfAny(['.', ',']) is var other
            && text[other] != text[last]
            && text[..other].IndexOfAny(['.', ',']) < 0
        )
        {
            isDecimal = false;
        }

        var whole = string.Concat((isDecimal ? text[..last] : text).Where(char.IsAsciiDigit)).TrimStart('0');
        whole = whole.Length == 0 ? "0" : whole;
        return whole.Length > 12 ? null
            : isDecimal ? $"{whole}.{text[(last + 1)..]}"
            : whole;
    }

    private static PageAmount? Read(Match match, string text, int from)
    {
        var isPence = match.Groups["pence"].Success;
        var figures = match.Groups["number"].Value;
        if (match.Groups["cents"].Success && figures.All(char.IsAsciiDigit))
        {
            figures += match.Groups["cents"].Value;
        }

        var number = isPence ? $"0.{match.Groups["pence"].Value.PadLeft(2, '0')}" : NumberOf(figures);
        if (number is null)
        {
            return null;
        }

        var minus = match.Groups["minus"];
        var start = minus.Success ? match.Index + minus.Length : match.Index;
        var end = match.Index + match.Length;
        while (end > start && text[end - 1] is ',' or '.' && !match.Groups["sign"].Value.EndsWith('.'))
        {
            end--;
        }

        // A dash with space before it parts words; right before the sign it takes off.
        var isNegative =
            minus.Success
            && (match.Index == 0 || char.IsWhiteSpace(text[match.Index - 1]) || text[match.Index - 1] == ':')
            && (minus.Length == 1 || minus.Value[0] == '−');
        var behind = text.AsSpan(end, Math.Min(70, text.Length - end)).ToString();
        var unit = PerUnit.Match(behind);
        var per =
            !unit.Success ? Per.None
            : unit.Groups["month"].Success ? Per.Month
            : unit.Groups["year"].Success ? Per.Year
            : unit.Groups["once"].Success ? Per.Once
            : Per.Other;
        return new PageAmount(
            new PageSpan(from + start, from + end),
            number,
            isPence ? "GBP"
                : match.Groups["own"].Success ? match.Groups["own"].Value
                : CurrencySigns.CodeOf(match.Groups["sign"].Value),
            per,
            from + end + (unit.Success ? unit.Length : 0)
        )
        {
            IsFirst = unit.Groups["first"].Success,
            IsPaidMonthly = unit.Groups["own"].Success,
            IsNegative = isNegative,
            Sign = match.Groups["sign"].Value,
        };
    }
}
