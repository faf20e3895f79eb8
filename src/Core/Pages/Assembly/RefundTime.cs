using System.Buffers;
using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads how long a page gives one's money back.</summary>
internal static partial class RefundTime
{
    [GeneratedRegex(
        @"\b(?<days>[0-9]{1,3})[- ]days?(?:'s?)? (?:no[- ][\p{L}-]+ )?(?:full |free |unconditional "
            + @")?(?:money[- ]?back|refunds?|full refund|satisfaction|return|right to cancel|back guarantee|trial "
            + @"with refund)\b|\b(?:money[- ]back|(?:full )?refund(?:ed|s|able)?|your money back|money back|get "
            + @"(?:all of it|your money|it) back|all of it back|change your mind|cancel for a refund|get all of "
            + @"it)\b[^.;]{0,40}?\b(?<days>[0-9]{1,3}) days|\b(?:within|in) (?:the )?(?:first )?(?<days>[0-9]{1,3}) "
            + @"days\b[^.;]{0,60}\b(?:back|refund(?:ed)?)\b|\b(?<days>[0-9]{1,3}) days (?:to (?:change your mind|get "
            + @"your money back)|full refund|money back|refund)\b|\b(?<days>[0-9]{1,3}) days[^.;]{0,20}\bmoney back\b"
            + @"|\byes, all of it within (?<days>[0-9]{1,3}) days|\brefund within (?<days>[0-9]{1,3}) days"
            + @"|\b(?:within|in) (?:a|(?<weeks>one|two|three|four|six)) (?<week>weeks?|fortnight)\b[^.;]{0,60}\b(?:back"
            + @"|refund(?:ed)?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex MoneyBack { get; }

    [GeneratedRegex(
        @"(?<!\bare )\bno refunds?\b|\bnon-refundable\b|\bno money back\b|\bwe do not refund\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex NoRefund { get; }

    [GeneratedRegex(
        @"\b(?:domain|name)s? (?:names? )?(?:are|is|once|cannot)[^.]*(?:refunded|returned)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Names { get; }

    private static readonly SearchValues<string> BackWords = SearchValues.Create(
        ["back", "refund", "change your mind", "days", "satisfaction", "return"],
        StringComparison.OrdinalIgnoreCase
    );

    /// <summary>The days to have one's money back; 0: none.</summary>
    public static (int? Days, PageSpan At) In(IEnumerable<Line> lines)
    {
        var found = new List<(int Days, PageSpan At)>();
        Line? before = null;
        foreach (var line in lines)
        {
            foreach (var sentence in PageLines.Sentences(line.Words, line.From))
            {
                if (!sentence.Words.AsSpan().ContainsAny(BackWords))
                {
                    continue;
                }

                if (MoneyBack.Matches(sentence.Words) is { Count: > 0 } matches)
                {
                    found.AddRange(matches.Select(match => (DaysOf(match), sentence.At)));
                }
                else if (NoRefund.IsMatch(sentence.Words) && !Names.IsMatch(sentence.Words))
                {
                    found.Add((0, sentence.At));
                }
                else if (
                    before is not null
                    && Patterns.Has(before.Words, @"\b(?:money back|refund|change my mind)\b.*\?")
                    && Patterns.Find(sentence.Words, @"\b(?<days>[0-9]{1,3}) days\b") is { Success: true } days
                )
                {
                    found.Add((int.Parse(days.Groups["days"].Value, CultureInfo.InvariantCulture), sentence.At));
                }
            }

            before = line;
        }

        return found.Count > 0 && found.Select(one => one.Days).Distinct().Count() == 1 ? found[0] : (null, default);
    }

    // "Within 30 days", "within a fortnight".
    private static int DaysOf(Match match) =>
        match.Groups["days"].Success ? int.Parse(match.Groups["days"].Value, CultureInfo.InvariantCulture)
        : match.Groups["week"].Value.StartsWith("fortnight", StringComparison.OrdinalIgnoreCase) ? 14
        : 7 * (match.Groups["weeks"].Success ? Patterns.Number(match.Groups["weeks"].Value) ?? 1 : 1);
}
