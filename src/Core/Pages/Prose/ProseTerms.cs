using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>How long an advertised price holds and how it is paid, from the words around it.</summary>
internal static class ProseTerms
{
    private const string Count = $@"(?<count>[0-9]{{1,3}}|{Patterns.NumberWord})";

    private const string Unit = "((?<month>months?|mths?|mos?)|(?<year>years?|yrs?))";

    // "for the first year", "for 36 months", "your first 3 months".
    private static readonly Regex Span = ProseText.Pattern(
        @"\b((for|on|over) (the |your |an? )?(initial |first |whole )?|(the |your )?(first|initial) "
            + $@")({Count}[- ])?{Unit}\b"
    );

    // "36-month plan", "a two-year contract".
    private static readonly Regex Contract = ProseText.Pattern(
        $@"\b{Count}[- ]{Unit} (term|plan|contract|commitment|subscription|deal|package|minimum|billing)"
    );

    // "billed every 2 years", "when you pay for three years".
    private static readonly Regex Billed = ProseText.Pattern(
        @"\b(billed|paid|charged|invoiced|payable|pay|paying|sign up|prepay|prepaid)( [a-z]+)? ?(every|for|once "
            + $@"every|once an?) (an? )?({Count}[- ])?{Unit}\b"
    );

    private static readonly Regex Yearly = ProseText.Pattern(
        @"\b(billed|paid|charged|invoiced|payable|pay|paying|when paid) (in advance |up ?front )?(annually"
            + @"|yearly|once a year|per year|by the year)\b|\b(annual|yearly) (billing|payments?|plans?|contract|term"
            + @"|subscription)\b"
    );

    private static readonly Regex AtOnce = ProseText.Pattern(
        @"\bup-?\s?front\b|\bin advance\b|\b(one|single) payment\b|\ball at once\b|\bprepa(id|y)\b|\bbilled as\b"
            + @"|\bin one go\b"
    );

    private static readonly Regex Monthly = ProseText.Pattern(
        @"\b(billed|paid|charged|invoiced|payable|pay|paying) (in advance )?(monthly|each month|every month|by "
            + @"the month|month by month)\b|\bmonthly (billing|payments?|rolling|instalments?)\b"
            + @"|\bmonth[- ]to[- ]month\b|\brolling\b"
    );

    private static readonly Regex Free = ProseText.Pattern(
        @"\bno (minimum |long |fixed )?(contracts?|commitment|tie-?ins?|term)\b|\b(cancel|leave|stop) (at )?any "
            + @"?time\b|\bmonth[- ]to[- ]month\b|\brolling\b|\bwithout (a )?(contract|commitment)\b"
    );

    private static readonly Regex Bound = ProseText.Pattern(
        $@"\b{Count}[- ]{Unit} (contract|commitment|minimum)\b|\bminimum (term|contract|commitment)\b"
            + @"|\bcommitted for\b|\bannual contract\b"
    );

    private static readonly Regex AboutPaying = ProseText.Pattern(
        @"\b(billed|paid|pay|paying|payable|charged|invoiced|prices?|offer|term|contract|commitment|commit|billing)\b"
    );

    private static readonly Regex AboutElse = ProseText.Pattern(
        @"\b(domains?|save|saving|support|guarantee|warranty|trial|customers|served)\b|%"
    );

    /// <summary>Whether a sentence by itself speaks of how the plan is paid, and of nothing else.</summary>
    public static bool IsAboutPaying(string sentence) => AboutPaying.IsMatch(sentence) && !AboutElse.IsMatch(sentence);

    /// <summary>The months that the words name, each with them; billing yearly is a term of twelve.</summary>
    public static ImmutableArray<(int Months, string Words)> In(string text) =>
        [
            .. new[] { Contract, Billed, Span }
                .SelectMany(pattern => pattern.Matches(text))
                .Select(match => (MonthsOf(match) ?? 0, match.Value.Trim()))
                .Where(found => found.Item1 is > 0 and <= 120),
            .. Yearly.Matches(text).Select(match => (12, match.Value.Trim())),
        ];

    /// <summary>Whether it speaks of paying by the month.</summary>
    public static bool SaysMonthly(string text) => Monthly.IsMatch(text);

    /// <summary>
    /// How it is paid, with the words that say so; null where they do not, or contradict one another.
    /// </summary>
    public static (Paid Paid, string Words)? PaidIn(string text, Per per)
    {
        var atOnce = FirstOf(text, AtOnce, Yearly, Billed);
        var monthly = FirstOf(text, Monthly);
        if (monthly is null && atOnce is not null)
        {
            return (Paid.AtOnce, atOnce);
        }

        if (atOnce is not null || per != Per.Month)
        {
            return null;
        }

        return (FirstOf(text, Free), FirstOf(text, Bound), monthly) switch
        {
            ({ } free, null, _) => (Paid.MonthlyFree, free),
            (null, { } bound, { }) => (Paid.MonthlyBound, bound),
            _ => null,
        };
    }

    private static int? MonthsOf(Match match)
    {
        var count = match.Groups["count"].Success ? Patterns.Number(match.Groups["count"].Value) : 1;
        return match.Groups["year"].Success ? count * 12 : count;
    }

    private static string? FirstOf(string text, params Regex[] patterns) =>
        patterns.Select(pattern => pattern.Match(text)).FirstOrDefault(match => match.Success)?.Value.Trim();
}
