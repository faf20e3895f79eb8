using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads what is said of a domain that a plan brings.</summary>
internal static partial class DomainOffers
{
    [GeneratedRegex(
        @"\bdomains?(?: names?)?\b(?![ -](?:privacy|registration|transfer|prices|lock|forwarding|search|checker"
            + @"|management|tools?)\b)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Word { get; }

    [GeneratedRegex(
        @"\bfree\b|\bincluded\b|\bincludes?\b|\bcomes? (?:with|in|on)\b|\bon us\b|\bat no charge\b|\bno extra "
            + @"(?:cost|charge)\b|\bon the house\b|\bpart of the (?:price|fee)\b|\bthrown in\b|\bgratis\b|\bworth\b"
            + @"|\bwithout charge\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Given { get; }

    [GeneratedRegex(
        @"\bnot (?:included|part|free|refunded|returned)\b|\bno (?:free )?domain\b|\bwithout (?:a )?domain\b"
            + @"|\bbring (?:your|my) own\b|\bare not\b|\bpoint it\b|\bcan i bring\b|\bnot included\b|\bdo i get\b"
            + @"|\bunlimited domains\b|\bprivacy for\b|\bcannot be\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Denied { get; }

    [GeneratedRegex(
        @"(?<![\p{L}0-9@.])\.(?<ending>[a-z]{2,24}(?:\.[a-z]{2,3})?)(?![\p{L}0-9@])",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Ending { get; }

    [GeneratedRegex(
        @"\b(?:on|with|from|for|comes (?:on|with))\s+(?:all |any |a |an |our |the )?(?:(?:terms?|plans?"
            + $@"|contracts?) of )?(?:(?<count>[0-9]{{1,3}}|{Patterns.NumberWord})(?:\+ ?|[- ])(?:(?<month>months?)"
            + @"|(?<year>years?))(?:[- ](?:terms?|plans?|contracts?|commitments?))?|(?<yearly>annual|yearly)(?: "
            + @"(?:plans?|terms?|contracts?|billing|prices?|payments?))?)(?:,? (?:and|or) (?:longer|up|more|over"
            + @"|above)|\s+upwards)?(?! only)|\bpay(?:ing)? (?<yearly>yearly|annually|by the year|for a year)\b"
            + @"|\((?<yearly>yearly|annual(?:ly)?)(?: plans?| billing| only)?\)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex From { get; }

    [GeneratedRegex(
        @"\b(?:as long as you (?:stay|are|keep|host)|for life|every year|each year|forever|while you (?:stay|are"
            + @"|host)|you(?:[’']re| are) (?:with us|a customer|our customer)"
            + @"|every renewal|for good|year after year)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Always { get; }

    [GeneratedRegex(
        @"^\W*(?:an? |one |your |get an? |with an? )?free \.[a-z]{2,24}\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FreeEnding { get; }

    // "A .com or .org name is free", "one .uk name free for a year".
    [GeneratedRegex(
        @"(?<=\.[a-z]{2,24} )names? (?:(?:is|are|comes?) )?(?:free|included|on us|thrown in|without charge)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FreeName { get; }

    [GeneratedRegex(@"\b(?:for|in) (?:the |its |your )?first\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex OnlyFirst { get; }

    /// <summary>What words give; null: no domain, or it is denied.</summary>
    public static DomainOffer? In(string words, PageSpan at) =>
        (
            (words.Contains("domain", StringComparison.OrdinalIgnoreCase) && Word.IsMatch(words))
            || FreeEnding.IsMatch(words)
            || FreeName.IsMatch(words)
        )
        && (Given.IsMatch(words) || Always.IsMatch(words))
        && !Denied.IsMatch(words)
        && !(
            words.Contains("privacy", StringComparison.OrdinalIgnoreCase)
            && !words.Contains("free domain ", StringComparison.OrdinalIgnoreCase)
            && !words.Contains(" domain free", StringComparison.OrdinalIgnoreCase)
        )
        && PriceFor(words) is null
            ? new DomainOffer(EndingsIn(words), FromIn(words), Always.IsMatch(words) && !OnlyFirst.IsMatch(words), at)
            : null;

    // "Domains from £4.99", ".com included for £9": a price is no gift; a worth is.
    private static PageAmount? PriceFor(string words) =>
        PageAmount
            .In(words, 0)
            .FirstOrDefault(amount =>
                amount.Value > 0
                && !Patterns.Has(
                    words[..amount.At.From],
                    @"\b(?:worth|value|save|saving|instead of|normally|usually|then|after that|afterwards"
                        + @"|renews?(?: at| for)?|renewal)\b[^£€$0-9]{0,12}$"
                )
                && !Patterns.Has(words[amount.End..], @"^\W{0,3}(?:value|worth)\b")
            );

    /// <summary>The endings that words name, as they name them.</summary>
    public static ImmutableArray<string> EndingsIn(string words) =>
        [
            .. Ending
                .Matches(words)
                .Select(match => match.Groups["ending"].Value.ToLowerInvariant())
                .Where(ending => ending is not ("html" or "htm" or "php" or "net framework"))
                .Distinct(StringComparer.Ordinal),
        ];

    /// <summary>The shortest term that has it; null: it is tied to none.</summary>
    public static int? FromIn(string words)
    {
        foreach (Match match in From.Matches(words))
        {
            if (match.Groups["yearly"].Success)
            {
                return 12;
            }

            var count = Patterns.Number(match.Groups["count"].Value) ?? 0;
            var months = match.Groups["year"].Success ? count * 12 : count;

            // "for 1 year" is how long it is free, unless "and longer" follows.
            var isHowLong =
                match.Value.StartsWith("for", StringComparison.OrdinalIgnoreCase)
                && !match.Value.Contains("longer", StringComparison.OrdinalIgnoreCase)
                && !match.Value.Contains("more", StringComparison.OrdinalIgnoreCase)
                && !match.Value.Contains("up", StringComparison.OrdinalIgnoreCase)
                && !match.Value.Contains("terms", StringComparison.OrdinalIgnoreCase)
                && !match.Value.Contains("plans", StringComparison.OrdinalIgnoreCase);
            if (!isHowLong && months > 0)
            {
                return months;
            }
        }

        return null;
    }

    /// <summary>Both sayings together: what a footnote adds.</summary>
    public static DomainOffer With(DomainOffer first, DomainOffer more) =>
        first with
        {
            Endings = first.Endings.Length > 0 ? first.Endings : more.Endings,
            FromMonths = first.FromMonths ?? more.FromMonths,
            EveryYear = first.EveryYear || more.EveryYear,
        };
}
