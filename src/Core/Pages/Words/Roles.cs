using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>What an amount is among the words around it.</summary>
internal enum Role
{
    Price,
    Struck,
    Later,
    Total,
    Saving,
    Worth,
    Setup,
    WithTax,
    Example,
    NotHosting,
}

/// <summary>Tells an amount's role from the words back to the one before it and on to the next.</summary>
internal static partial class Roles
{
    [GeneratedRegex(
        @"\b(?:worth|valued? (?:at|of)|value:?|normally sold (?:at|for))[\s(:]*(?:up to )?$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex WorthBefore { get; }

    [GeneratedRegex(@"^\W{0,3}\s*(?:value|worth)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex WorthBehind { get; }

    [GeneratedRegex(
        @"\b(?:save|saves|saved|saving|savings?(?: of)?|discount(?: of)?|you keep|keep|reduced by"
            + @"|less)\b[\s(:]*(?:up to |over |about )?$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SavingBefore { get; }

    [GeneratedRegex(
        @"^\W{0,2}\s*(?:off|saved|saving|savings|discount|cheaper|less than|in your pocket)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SavingBehind { get; }

    [GeneratedRegex(
        @"\b(?:was|were|instead of|regular(?:ly)?(?: price| rate)?|list price|normal(?:ly)?(?: price)?"
            + @"|usual(?:ly)?(?: price)?|rrp|old price|original(?:ly)?(?: price)?|full price|previously"
            + @"|formerly)\b[\s(:]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex StruckBefore { get; }

    [GeneratedRegex(
        @"\b(?:set-?\s?up|setting (?:it |you |all )?up|activation|installation|joining|connection"
            + @"|initial(?= (?:fee|charge|cost)s?\b))(?: fees?| charges?| costs?| "
            + @"price)?(?: of| is| for \w+ \w+)?[\s(:–—-]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SetupBefore { get; }

    [GeneratedRegex(
        @"^\W{0,3}\s*(?:one-?\s?(?:off|time) |once )?(?:for )?(?:the )?(?:set-?\s?up|setting up|activation"
            + @"|installation|joining fee)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SetupBehind { get; }

    [GeneratedRegex(
        @"\b(?:renews?(?: again)?|renewing|renewals?|renewed|thereafter|afterwards|after that|following years?"
            + @"|next (?:years?|terms?|periods?)|subsequent(?:ly)?|later|after (?:the |your |that )?(?:first|initial"
            + @"|contract|minimum|introductory|promotional|intro|promo|offer|launch)(?: [a-z0-9-]+){0,2}"
            + @"|after (?:the )?(?:[0-9]{1,2}"
            + @"|\w+(?:-\w+)?) (?:months?|years?)|(?:once|when) (?:the|your) (?:offer|term|first [a-z]+|promotion"
            + @"|introductory period|discount) (?:ends?|expires?|is over|runs out)|(?:second|third|2nd|3rd) (?:year"
            + @"|term|month) (?:on|onwards?|on ?wards)|(?:from|as of|starting(?: in)?|in) (?:the )?(?:second|third"
            + @"|fourth|year (?:[2-9]|two|three|four)|months? [0-9]{1,2}|(?:1[03]|2[05-7]|3[0-9]|4[09])th month|2nd"
            + @"|3rd|4th)(?: (?:year|term|month))?(?: (?:on|onwards?|on ?wards))?|standard (?:price|rate)|ongoing(?: "
            + @"price| rate)?|regular rate|(?:from|as of|in) the (?:second|third|following) (?:year|term"
            + @"|month)\b[^.;:0-9£€$]{1,40}|then)\b(?: (?:at|for|price|rate|costs?|only|just|is|of|the|it|per|a|year"
            + @"|month|will|be|by|yearly|annually|monthly|automatically|each|every))*[\s(:@=→›»–—.…_-]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex LaterBefore { get; }

    [GeneratedRegex(
        @"^\W{0,3}\s*(?:when (?:you|it) renews?|(?:on|at|upon|for|every) renewals?\b|after (?:the|your|a|an"
            + @"|[0-9]+|that|one|two|three)\b(?! (?:discount|code|tax))|after\W*$|thereafter|afterwards"
            + @"|from (?:the )?(?:second"
            + @"|third|year (?:2|two)|2nd|then|month)|in (?:the )?(?:second|following)|later\b|renewal\b|once (?:the"
            + @"|your) (?:offer|term|first|promotion|discount)|ongoing\b|from (?:year|month) [0-9])",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex LaterBehind { get; }

    [GeneratedRegex(
        @"^\W{0,3}\s*(?:applies|is charged|is due|charged|billed)?\s*(?:(?:on|at|upon|after|from) renewal|when "
            + @"(?:you|it) renews?|afterwards|thereafter|after (?:the|your) (?:first|initial))",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex RenewalBehind { get; }

    [GeneratedRegex(
        @"\b(?:total(?: of| today| due| price| for the (?:whole )?term)?|in all|altogether"
            + @"|(?:billed|charged|paid)(?: (?:annually|yearly|quarterly"
            + @"|half-yearly|up-?\s?front|in full|in advance))?(?: as| at)?|charged|comes to|sum of|today you pay|you "
            + @"pay(?: today)?|due today|pay today|paid as|that is|that's|i\.?e\.?|makes|equals)[\s(:=]*$|=\s*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex TotalBefore { get; }

    [GeneratedRegex(
        @"^\W{0,3}\s*(?:today\b|billed\b(?! (?:monthly|every month|each month))|in total\b|total\b|due\b"
            + @"|up-?\s?front\b|for the (?:whole |full )?term\b|charged\b|all in\b|altogether\b|paid (?:up-?front|in "
            + @"advance|today|at once)\b|payable (?:today|now|up-?front))",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex TotalBehind { get; }

    [GeneratedRegex(
        @"\b(?:inc(?:l(?:uding|usive of)?)?\.?|with|plus|after) (?:[0-9.]+ ?% )?(?:vat|gst|tax|sales tax)[\s(:]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex WithTaxBefore { get; }

    [GeneratedRegex(
        @"^\W{0,2}\s*(?:inc(?:l(?:uding|usive of)?)?\.?|with) (?:[0-9.]+ ?% )?(?:vat|gst|tax|sales tax)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex WithTaxBehind { get; }

    [GeneratedRegex(
        @"^\W{0,2}\s*(?:ex(?:cl(?:uding|usive of)?)?\.?|before|plus|without) (?:[0-9.]+ ?% )?(?:vat|gst|tax"
            + @"|sales tax)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex ExTaxBehind { get; }

    [GeneratedRegex(
        @"\b(?:elsewhere|others? (?:charge|ask|pay)|other (?:hosts|firms|companies)|you would pay|would cost"
            + @"|for example|e\.g\.|imagine|i was paying|used to pay|saves me|saved me|made)\b[^.]{0,60}$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex ExampleBefore { get; }

    /// <summary>The role of an amount.</summary>
    /// <param name="before">The words since the amount before it.</param>
    /// <param name="behind">The words until the next amount.</param>
    /// <param name="isWithTax">Whether it is the amount before it with the tax.</param>
    public static Role Classify(PageAmount amount, string before, string behind, bool isWithTax = false)
    {
        if (ExampleBefore.IsMatch(before))
        {
            return Role.Example;
        }

        if (isWithTax)
        {
            return Role.WithTax;
        }

        if (WorthBefore.IsMatch(before) || WorthBehind.IsMatch(behind))
        {
            return Role.Worth;
        }

        if (SavingBefore.IsMatch(before) || SavingBehind.IsMatch(behind) || amount.IsNegative)
        {
            return Role.Saving;
        }

        if (SetupBefore.IsMatch(before) || SetupBehind.IsMatch(behind))
        {
            return Role.Setup;
        }

        if (StruckBefore.IsMatch(before))
        {
            return RenewalBehind.IsMatch(behind) ? Role.Later : Role.Struck;
        }

        if (LaterBefore.IsMatch(before) || LaterBehind.IsMatch(behind))
        {
            return Role.Later;
        }

        if (TotalBefore.IsMatch(before) || TotalBehind.IsMatch(behind))
        {
            return Role.Total;
        }

        return amount.Per == Per.Other ? Role.NotHosting : Role.Price;
    }

    /// <summary>Whether a line of its own says what the price below it is: "After the first year".</summary>
    public static bool IsLabel(string words) =>
        words.Trim() is var label
        && new[] { LaterBefore, SetupBefore, StruckBefore }.Any(pattern =>
            pattern.Match(label) is { Success: true, Index: < 3 }
        );

    /// <summary>Whether the words behind an amount say that it is without tax.</summary>
    public static bool IsWithoutTax(string behind) => ExTaxBehind.IsMatch(behind);

    /// <summary>Whether the words around an amount say that tax is in it.</summary>
    public static bool IsWithTax(string before, string right) =>
        WithTaxBehind.IsMatch(right) || WithTaxBefore.IsMatch(before);
}
