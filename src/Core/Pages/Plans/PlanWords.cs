using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>What sellers say about a plan's prices: that they are first ones, stay the same, are paid how.</summary>
internal static partial class PlanWords
{
    [GeneratedRegex(
        @"\b(?:for (?:the |your )?first (?:term|period|year|month|[0-9]+ months?)|in (?:the|your) first (?:year"
            + @"|month|term)|intro(?:ductory)?|new customers?|promotion(?:al)?|promo|welcome (?:price|offer)|launch "
            + @"(?:price|offer)|first[- ](?:year|term) price|special offer|sale price|campaign price)\b(?!,? ever)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex FirstWords { get; }

    [GeneratedRegex(
        @"\bno (?:campaign|introductory|promotional|teaser) prices?\b|\bnot an? (?:introductory|promotional|first)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex NotFirst { get; }

    [GeneratedRegex(
        @"(?:\bsave|\bsaving|-|−|–)\s*[0-9]{1,2} ?%|\b[0-9]{1,2} ?% (?:off|cheaper|less|saving|discount)\b(?! "
            + @"(?:than|on|over|against|compared (?:to|with)|versus|vs\.?) (?:the )?(?:paying |our |billing "
            + @")?(?:monthly|month|by the month|rolling))",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Percent { get; }

    [GeneratedRegex(
        @"\bprices? (?:(?:is|are|stays?) )?held\b"
            + @"|\bno (?:price (?:rises?|increases?|hikes?|jumps?)|increase|rise)\b|\b(?:the )?same (?:price|rate"
            + @"|amount)\b|\bcosts? the same\b|\brenews? at (?:the same|this price)|\bprices? (?:that )?(?:never"
            + @"|do(?:es)? not|don.t|doesn.t|won.t|will not) (?:change|rise|go up|increase)|\bprice (?:lock|for life"
            + @"|guarantee)|\bnever goes up\b|\bstays? the same\b|\bthe same (?:when you renew|again|every year|each "
            + @"year|on renewal)|\bno (?:campaign|introductory) price",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex SameWords { get; }

    [GeneratedRegex(
        @"\b(?:then[- ]current|current|regular|standard|prevailing|usual|normal|list)(?: list| market)? (?:rate"
            + @"|price)s?\b(?! of)(?=[^0-9£€$]*$)|\brenew(?:s|al|ing)?\b[^.;0-9]{0,16}\b(?:twice|doubl(?:e|ed)"
            + @"|(?:two|three|four) times|higher)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Unstated { get; }

    [GeneratedRegex(
        @"\b(?:no|free|without(?: a)?|zero) (?:set-?\s?up|activation|installation|joining)(?: fees?| charges?| "
            + @"costs?)?\b|\b(?:set-?\s?up|activation|installation|setting up)(?: fees?| charges?| costs?)? ?(?:is "
            + @"|are |:)? ?(?:free|waived|included|none)\b|\bnothing to pay for setting up\b|\bthere is no set-?\s?up "
            + @"fee\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex FreeSetupWords { get; }

    [GeneratedRegex(
        @"\b(?:on|with|for|if you pay|when (?:you )?pay(?:ing)?)\s+(?:the )?(?:monthly|by the month|1-month"
            + @"|one-month|1 month)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex OnMonthly { get; }

    [GeneratedRegex(
        @"\b(?:from|starting at|starts at|as low as|from only|from just)\s*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex FromPrice { get; }

    [GeneratedRegex(
        @"^[\s(*†‡–—·|:%\-−]*(?:(?:(?:you |and )?sav(?:es?|ings?|ed)\b[\s:]*(?:up to )?(?:[A-Z]{0,3}\$|£|€|₹"
            + @"|[A-Z]{3} )?\s?[0-9.,' \u00A0]*\s?(?:%|kr|zł|Kč|[A-Z]{3}\b|€)?|[0-9]{1,2} ?%(?: off)?|now|only|just"
            + @"|today|off)[\s)*†‡–—·|:\-−]*)*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex OnlySaving { get; }

    // "£8 a month, or £80 if you pay for a year": the length stands behind the second price.
    [GeneratedRegex(@"\bor\b(?: (?:just|only|pay|simply))*\s*$", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex Alternative { get; }

    [GeneratedRegex(
        @"^\W{0,2}(?:per |an? |each |/ ?)(?:(?<month>month|mo\b)|year|yr\b|annum)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex UnitLead { get; }

    // "Pay a year in advance, or by the month for £6".
    [GeneratedRegex(
        @",? or (?:pay )?(?:(?<month>by the month|month by month|monthly|each month|every month)"
            + @"|(?:a|one) (?:whole )?year(?: in advance)?|by the year|yearly"
            + @"|annually|for a year)\b(?: (?:for|at|costs?|is|it is))*[\s:]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex OrPaidBy { get; }

    // "First month £1, then £6 a month".
    [GeneratedRegex(
        $@"\b(?:first|initial) (?:{Patterns.Count}[- ])?(?:months?|(?<year>years?))[\s:–—-]*(?:(?:is|for|at|only"
            + @"|just|costs?|pay) )*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex FirstLength { get; }

    // "Annual fee: €48.00".
    [GeneratedRegex(
        @"\b(?:(?<month>monthly)|annual|yearly) (?:fee|price|cost|charge|rate|rent)s?\b[\s:]*(?:is |of )?$"
            + @"|\b(?:fee|price|cost|charge|rate)s? (?:per|a|each|by the) (?:(?<month>month)|year)\b[\s:]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex FeeOf { get; }

    [GeneratedRegex(
        @"^\W*(?:\(|=|that.s|that is|i\.?e\.|works out|equals|equivalent|which is|just|only)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex ThatIs { get; }

    // "€75 if you pay a whole year at once".
    [GeneratedRegex(@"^\W*(?:if|when|for those who)(?: you)? (?:pay|paid)\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex IfPaid { get; }

    [GeneratedRegex(
        @"^\W*(?:set-?\s?up|setting up|activation|installation)(?: fees?| charges?| costs?| price)?\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex SetupLabel { get; }

    [GeneratedRegex(@"^\W*(?:free|none|included|waived|nothing|no charge)\W*$", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex FreeWord { get; }

    [GeneratedRegex(
        @"\b(?:regular|normal|usual|standard|list|full)(?: list)? (?:price|rate)s?\b(?! of)(?=[^0-9£€$]*$)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Regular { get; }

    [GeneratedRegex(
        @"\brenew|\bafter|\bthen\b|\bappl(?:y|ies)\b|\bfrom the second\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Renewing { get; }

    // "Try it 14 days for nothing, then £8 a month": what is tried has no first price.
    [GeneratedRegex(
        @"\b(?:days?|weeks?|fortnight|trial)\b[^.;0-9]{0,24}\b(?:free|for nothing|at no cost|without paying)\b[^.;0-9]"
            + @"{0,12}\bthen\b[^.;0-9]{0,12}$|\b(?:free|no-cost) (?:[0-9]+[- ]days? |two-week |week.s )?trial\b"
            + @"[^.;0-9]{0,16}\bthen\b[^.;0-9]{0,12}$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex AfterTrial { get; }

    public static bool SaysSame(string words) => SameWords.IsMatch(words);

    public static bool SaysUnstated(string words) => Unstated.IsMatch(words);

    /// <summary>Whether words say that the regular rate follows.</summary>
    public static bool SaysRegular(string words) => Regular.IsMatch(words) && Renewing.IsMatch(words);

    public static bool SaysFirst(string words) => FirstWords.IsMatch(NotFirst.Replace(words, " "));

    public static Match FreeSetup(string words) => FreeSetupWords.Match(words);

    public static bool SaysFrom(string before) => FromPrice.IsMatch(before);
}
