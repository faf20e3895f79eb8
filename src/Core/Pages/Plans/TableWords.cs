using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>What the rows and columns of tables are called.</summary>
internal static partial class TableWords
{
    [GeneratedRegex(
        @"\b(?:price|cost|fee|rate|per month|a month|monthly|per year|a year|yearly|annual|first term|pay|now)\b"
            + @"|^/?mo|/\s?(?:mo|ye?a?r)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex PriceLabel { get; }

    [GeneratedRegex(
        @"\b(?:renew(?:s|al|als)?|after (?:the |your )?first|afterwards|then|later|following|regular)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex LaterLabel { get; }

    [GeneratedRegex(
        @"\bset-?\s?up\b|\bactivation\b|\binstallation\b|\b(?:initial|joining) (?:fee|cost|charge|payment)s?\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex SetupLabel { get; }

    [GeneratedRegex(
        @"\b(?:billing|billed|payment|paid|term|contract|commitment|offer|how paid)\b|^(?:for|valid for|how long"
            + @"|length|period|duration)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex PayLabel { get; }

    [GeneratedRegex(
        @"\b(?:today|now|total|in all|altogether|due|up-?\s?front|at the checkout|you pay|first bill|sum)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex TotalLabel { get; }

    [GeneratedRegex(@"\b(?:you save|savings?|saved|discount)\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex SavingLabel { get; }

    [GeneratedRegex(
        @"\b(?:list price|(?:normal|usual|regular|standard|full|old) price|normally|usually|regularly|was|before"
            + @"|instead of)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex StruckLabel { get; }

    [GeneratedRegex(
        @"\b(?:a|per|each|every)\s*month\b|\bmonthly\b|/\s?mo|^month\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex MonthWord { get; }

    [GeneratedRegex(
        @"\b(?:a|per|each|every)\s*year\b|\byearly\b|\bannual(?:ly)?\b|/\s?y|^year\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex YearWord { get; }

    [GeneratedRegex(
        @"\b(?:plans?|packages?|offers?|hosting|webspace|accounts?|rooms?|sizes?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex OfPlans { get; }

    [GeneratedRegex(
        @"\b(?:extras?|add-?ons?|options?|items?|services?|additions?|endings?|domains?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex OfExtras { get; }

    [GeneratedRegex(
        $@"(?<!\p{{L}})(?:{CurrencySigns.Sign}|(?:{CurrencySigns.Code})\b)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    public static partial Regex Sign { get; }

    [GeneratedRegex($@"\bfirst {Patterns.Count}[- ](?:months?|(?<year>years?))\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex FirstMonths { get; }

    [GeneratedRegex(
        @"^(?:price )?(?:when |if )?(?:paid|billed|pay|paying|payable|charged) (?:monthly|each month|every month"
            + @"|by the month|month by month)$|^(?:monthly rolling|rolling monthly|month[- ](?:to|by)[- ]month)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex MonthlyLabel { get; }

    [GeneratedRegex(@"\b(?:term|contract|commitment|minimum)\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex TermWord { get; }

    [GeneratedRegex(
        @"^\W*(?:prices?|costs?|fees?|charges?|amounts?|rates?)\b.{0,24}$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex PriceHead { get; }

    [GeneratedRegex(
        @"^(?:plans?|packages?|tariffs?|products?|accounts?|names?|plan name|offers?)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex NameHead { get; }

    // What can be printed beside an extra's price in its cell: "+ £2 a month", not "5, more at £1 a month".
    [GeneratedRegex(@"^\W*(?:add|from|optional|extra|for|only|just)?\W*$", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex OnlyPriced { get; }
}
