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
internal static class Roles
{
    private static readonly Regex WorthBefore = Patterns.Of(@"\b(?:worth|valued? (?:at|of)|value:?|normally sold (?:at|for))[\s(:]*(?:up to )?$");
    private static readonly Regex WorthBehind = Patterns.Of(@"^\W{0,3}\s*(?:value|worth)\b");
    private static readonly Regex SavingBefore = Patterns.Of(@"\b(?:save|saves|saved|saving|savings?(?: of)?|discount(?: of)?|you keep|keep|reduced by|less)\b[\s(:]*(?:up to |over |about )?$");
    private static readonly Regex SavingBehind = Patterns.Of(@"^\W{0,2}\s*(?:off|saved|saving|savings|discount|cheaper|less than|in your pocket)\b");
    private static readonly Regex StruckBefore = Patterns.Of(@"\b(?:was|were|instead of|regular(?:ly)?(?: price| rate)?|list price|normal(?:ly)?(?: price)?|usual(?:ly)?(?: price)?|rrp|old price|original(?:ly)?(?: price)?|full price|previously|formerly)\b[\s(:]*$");
    private static readonly Regex SetupBefore = Patterns.Of(@"\b(?:set-?\s?up|setting up|activation|installation|joining|connection)(?: fees?| charges?| costs?| price)?(?: of| is| for \w+ \w+)?[\s(:–—-]*$");
    private static readonly Regex SetupBehind = Patterns.Of(@"^\W{0,3}\s*(?:one-?\s?(?:off|time) |once )?(?:for )?(?:the )?(?:set-?\s?up|setting up|activation|installation|joining fee)\b");
    private static readonly Regex LaterBefore = Patterns.Of(
        @"\b(?:renews?(?: again)?|renewing|renewals?|renewed|thereafter|afterwards|after that|following years?|next years?|subsequent(?:ly)?|later|after (?:the |your )?(?:first|initial|introductory|promotional)(?: [a-z0-9-]+){0,2}|from (?:the )?(?:second|third|year (?:2|two)|2nd)(?: (?:year|term|month))?|regular rate|then)\b(?: (?:at|for|price|rate|costs?|only|just|is|of|the|it|per|a|year|month|will|be|by))*[\s(:@=→›»–—-]*$");
    private static readonly Regex LaterBehind = Patterns.Of(
        @"^\W{0,3}\s*(?:when (?:you|it) renews?|(?:on|at|upon|for|every) renewals?\b|after (?:the|your|a|an|[0-9]+|that|one|two|three)\b(?! (?:discount|code|tax))|thereafter|afterwards|from (?:the )?(?:second|third|year (?:2|two)|2nd|then|month)|in (?:the )?(?:second|following)|later\b|renewal\b)");
    private static readonly Regex TotalBefore = Patterns.Of(@"\b(?:total(?: of)?|in all|altogether|billed(?: as| at)?|charged|comes to|sum of|today you pay|you pay(?: today)?|due today|pay today|paid as|that is|that's|i\.?e\.?|makes|equals)[\s(:=]*$|=\s*$");
    private static readonly Regex TotalBehind = Patterns.Of(@"^\W{0,3}\s*(?:today\b|billed\b|in total\b|total\b|due\b|up-?\s?front\b|for the (?:whole |full )?term\b|charged\b|all in\b|altogether\b|paid (?:up-?front|in advance|today|at once)\b|payable (?:today|now|up-?front))");
    private static readonly Regex WithTaxBefore = Patterns.Of(@"\b(?:inc(?:l(?:uding|usive of)?)?\.?|with|plus|after) (?:[0-9.]+ ?% )?(?:vat|gst|tax|sales tax)[\s(:]*$");
    private static readonly Regex WithTaxBehind = Patterns.Of(@"^\W{0,2}\s*(?:inc(?:l(?:uding|usive of)?)?\.?|with) (?:[0-9.]+ ?% )?(?:vat|gst|tax|sales tax)\b");
    private static readonly Regex ExTaxBehind = Patterns.Of(@"^\W{0,2}\s*(?:ex(?:cl(?:uding|usive of)?)?\.?|before|plus|without) (?:[0-9.]+ ?% )?(?:vat|gst|tax|sales tax)\b");
    private static readonly Regex ExampleBefore = Patterns.Of(@"\b(?:elsewhere|others? (?:charge|ask|pay)|other (?:hosts|firms|companies)|you would pay|would cost|for example|e\.g\.|imagine|i was paying|used to pay|saves me|saved me|made)\b[^.]{0,60}$");
    private static readonly Regex AlsoBehind = Patterns.Of(@"^\W*(?:to|–|-|and)\s*$");

    /// <summary>The role of an amount.</summary>
    /// <param name="before">The words since the amount before it.</param>
    /// <param name="behind">The words until the next amount.</param>
    /// <param name="isWithTax">Whether it is the amount before it with the tax.</param>
    public static Role Of(PageAmount amount, string before, string behind, bool isWithTax = false)
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
            return Role.Struck;
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

    /// <summary>Whether the words behind an amount say that it is without tax.</summary>
    public static bool IsWithoutTax(string behind) => ExTaxBehind.IsMatch(behind);

    /// <summary>Whether the words around an amount say that tax is in it.</summary>
    public static bool IsWithTax(string before, string right) => WithTaxBehind.IsMatch(right) || WithTaxBefore.IsMatch(before);

    /// <summary>Whether words only lead to the next amount.</summary>
    public static bool LeadsOn(string words) => AlsoBehind.IsMatch(words);
}
