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

    /// <summary>The codes that a sentence names with what each takes off.</summary>
    public static IEnumerable<(string Code, string? Percent, PageAmount? Amount, PageSpan At)> CodesIn(
        Piece sentence,
        IReadOnlyList<PageAmount> amounts
    )
    {
        if (sentence.Words.Length > 300 || CodeWord.Matches(sentence.Words) is not { Count: > 0 } named)
        {
            return [];
        }

        // "AUTUMN25 for 25% off, or TENOFF for £10 off", "25% off with AUTUMN25, £10 off with TENOFF".
        var isBehind = Code(sentence, named[0], 0, named[0].Index) is null;
        return named
            .Index()
            .Select(one =>
                named.Count == 1 ? Code(sentence, one.Item, 0, sentence.Words.Length)
                : isBehind ? Code(sentence, one.Item, one.Item.Index, Next(one.Index))
                : Code(
                    sentence,
                    one.Item,
                    one.Index == 0 ? 0 : named[one.Index - 1].Index + named[one.Index - 1].Length,
                    one.Item.Index + one.Item.Length
                )
            )
            .OfType<(string, string?, PageAmount?, PageSpan)>();

        int Next(int at) => at + 1 < named.Count ? named[at + 1].Index : sentence.Words.Length;

        (string Code, string? Percent, PageAmount? Amount, PageSpan At)? Code(
            Piece whole,
            Match match,
            int from,
            int to
        ) => CodeIn(whole, match, new Piece(whole.Words[from..to], whole.From + from), amounts);
    }

    private static (string Code, string? Percent, PageAmount? Amount, PageSpan At)? CodeIn(
        Piece sentence,
        Match match,
        Piece about,
        IEnumerable<PageAmount> amounts
    )
    {
        var percent = PercentOff.Match(about.Words);
        var amount = amounts.FirstOrDefault(one => one.At.From >= about.From && one.At.To <= about.At.To);
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
