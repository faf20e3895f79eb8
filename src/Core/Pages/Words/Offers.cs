using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads codes, and tells what is no hosting.</summary>
internal static partial class Offers
{
    [GeneratedRegex(
        @"(?:\b[Cc]ode:?|\b[Cc]oupon:?|\b[Vv]oucher:?|\b[Tt]ype|\b[Ee]nter|\b[Uu]se|\b[Ww]ith|\bcode)\s+(?:the "
            + @")?(?:code |coupon |word )?[“""'‘]?(?<code>[A-Z][A-Z0-9-]{3,19})[”""'’]?(?![\p{Ll}])",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex CodeWord { get; }

    [GeneratedRegex(
        @"(?<percent>[0-9]{1,2}(?:[.,][0-9])?) ?% (?:off|discount|less|cheaper)|(?:save|saves|saving|off"
            + @"|discount of|takes?|minus|-|−) ?(?:another )?(?<percent>[0-9]{1,2}) ?%",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex PercentOff { get; }

    [GeneratedRegex(
        @"\b(?:virtual|dedicated|private|cloud|root|managed) servers?\b|\bvps\b|\bsite builder\b|\bby the hour\b"
            + @"|\ban hour\b|\bper hour\b|\bcolocation\b|\bmail only\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Machines { get; }

    [GeneratedRegex(
        @"(?<!\bthan you (?:would |.d )?pay )\belsewhere\b|\bothers? (?:ask|charge)\b|\b(?:my|our|your|the) old "
            + @"host\b|\bagainst my\b|\bI was paying\b|\bused to pay\b|\bcompetitors?\b|\bother (?:hosts|firms"
            + @"|companies)\b|\bbig firm\b|\bwent to\b|\bsurplus\b|\bsaves me\b|\bmade [£$€]",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Others { get; }

    /// <summary>The code that a sentence names with what it takes off.</summary>
    public static (string Code, string? Percent, PageAmount? Amount, PageSpan At)? CodeIn(
        Piece sentence,
        IEnumerable<PageAmount> amounts
    )
    {
        var match = CodeWord.Match(sentence.Words);
        if (!match.Success || sentence.Words.Length > 300)
        {
            return null;
        }

        var percent = PercentOff.Match(sentence.Words);
        var amount = amounts.FirstOrDefault(one => one.At.From >= sentence.From && one.At.To <= sentence.At.To);
        return percent.Success
                ? (match.Groups["code"].Value, percent.Groups["percent"].Value.Replace(',', '.'), null, sentence.At)
            : amount is not null ? (match.Groups["code"].Value, null, amount, sentence.At)
            : null;
    }

    /// <summary>Whether words are about machines, or are sold by the hour.</summary>
    public static bool IsNoHosting(string words) => Machines.IsMatch(words);

    /// <summary>Whether words are about what others charge, or what a customer says.</summary>
    public static bool IsExample(string words) =>
        Others.IsMatch(words) || Patterns.HasExact(words, "^[“\"„»].*[”\"“«]");
}
