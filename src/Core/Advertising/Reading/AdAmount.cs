using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Advertising;

/// <summary>An amount with its currency that stands in a sentence: "£2.99 a month".</summary>
/// <param name="Number">With a point: "2.99".</param>
/// <param name="Currency">The code; null where the sign stands for several ("$").</param>
/// <param name="Per">What it is for; null where that does not stand behind it.</param>
/// <param name="At">Where it begins in its sentence.</param>
/// <param name="End">Where it ends, with what it is for.</param>
internal sealed record AdAmount(string Number, string? Currency, AdvertisedPer? Per, int At, int End)
{
    private const string Signs = @"US\$|A\$|AU\$|C\$|CA\$|NZ\$|HK\$|S\$|£|€|\$|₹|₩|¥|zł";

    // Only the codes that prices are usually written with: "FOR 36" must not look like one.
    private const string Codes = "GBP|EUR|USD|AUD|CAD|NZD|CHF|SEK|NOK|DKK|PLN|CZK|HUF|INR|JPY|SGD|HKD|ZAR|KRW|CNY|BRL|MXN|RON|ILS|TRY|AED";

    private const string Digits = @"[0-9][0-9.,'’]*";

    private static readonly Regex Money = AdText.ExactPattern($@"(?<sign>{Signs})\s?(?<number>{Digits})|\b(?<sign>{Codes})\s?(?<number>{Digits})|(?<number>{Digits})\s?((?<sign>£|€|\$|₹|zł)|(?<sign>{Codes})\b)|\b(?<pence>[0-9]{{1,2}})p\b");

    private static readonly Regex PerUnit = AdText.Pattern(@"^\s*\*?\s*(\((ex|inc|excl|incl|excluding|including|plus)[^)]{0,12}\)\s*)?((/|per|an?|each|every|p)\s*((?<month>month|mth|mo|m)|(?<year>year|yr|annum|y|a)|(?<other>week|wk|w|day|hour|user|seat|mailbox|site|domain|visit|visitor|gb|sms|click|call))\b|(?<month>monthly|pcm|pm|p/m)\b|(?<year>yearly|annually|pa|p/a)\b|(?<other>pw|weekly|daily)\b)");

    private static readonly Regex Grouped = AdText.ExactPattern(@"^[0-9]{1,3}([,.'’][0-9]{3})+$");

    private static readonly Regex Plain = AdText.ExactPattern(@"^(?<whole>[0-9]{1,9}|[0-9]{1,3}([,'’][0-9]{3})+|[0-9]{1,3}(\.[0-9]{3})+)([.,](?<cents>[0-9]{1,2}))?$");

    /// <summary>Every amount of a sentence that can be read for certain, in order.</summary>
    public static ImmutableArray<AdAmount> In(string sentence) => [.. Money.Matches(sentence).Select(match => Of(match, sentence)).OfType<AdAmount>()];

    /// <summary>The number that a cell or field says, with a point for decimals; null where it is none, or could be two numbers.</summary>
    public static string? NumberOf(string text)
    {
        var trimmed = text.Trim().TrimEnd('.', ',', '\'', '’');
        if (Plain.Match(trimmed) is not { Success: true } match)
        {
            return null;
        }

        var whole = string.Concat(match.Groups["whole"].Value.Where(char.IsAsciiDigit));
        var cents = match.Groups["cents"].Value;
        return (cents.Length, Grouped.IsMatch(trimmed)) switch
        {
            // "1.299" and "1,299" are a thousand or one and a bit: only where the groups repeat, or an apostrophe parts them, is it sure.
            (0, true) when trimmed.Count(letter => !char.IsAsciiDigit(letter)) == 1 && !trimmed.Contains('\'', StringComparison.Ordinal) && !trimmed.Contains('’', StringComparison.Ordinal) && !trimmed.Contains(',', StringComparison.Ordinal) => null,
            (0, _) => whole,
            _ => $"{whole}.{cents}",
        };
    }

    /// <summary>The code that a sign or code stands for; null where it is none, or stands for several.</summary>
    public static string? CurrencyOf(string sign) =>
        sign.ToUpperInvariant() switch
        {
            "£" => "GBP",
            "€" => "EUR",
            "US$" => "USD",
            "A$" or "AU$" => "AUD",
            "C$" or "CA$" => "CAD",
            "NZ$" => "NZD",
            "HK$" => "HKD",
            "S$" => "SGD",
            "₹" => "INR",
            "₩" => "KRW",
            "ZŁ" => "PLN",
            var code => Basics.Currency.TryGet(code, out _) ? code : null,
        };

    private static AdAmount? Of(Match match, string sentence)
    {
        var isPence = match.Groups["pence"].Success;
        var currency = isPence ? "GBP" : CurrencyOf(match.Groups["sign"].Value);
        var number = isPence ? $"0.{match.Groups["pence"].Value.PadLeft(2, '0')}" : NumberOf(match.Groups["number"].Value);

        // A full stop or comma behind the figures is the sentence's.
        var end = match.Index + match.Value.TrimEnd('.', ',').Length;
        var unit = PerUnit.Match(AdText.Behind(sentence, end));
        var isOfAnother = unit.Groups["other"].Success || (!unit.Success && end < sentence.Length && char.IsLetterOrDigit(sentence[end])); // "£5k", "£2 a week".
        AdvertisedPer? per = unit.Groups["month"].Success ? AdvertisedPer.Month : unit.Groups["year"].Success ? AdvertisedPer.Year : null;
        return number is null || isOfAnother ? null : new AdAmount(number, currency, per, match.Index, end + (unit.Success ? unit.Length : 0));
    }
}
