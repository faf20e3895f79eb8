using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>What extras are called, and what their prices are for.</summary>
internal static partial class ExtraWords
{
    [GeneratedRegex(
        @"\b(?:support|archive|snapshots?|site mov(?:e|ing|er)|mov(?:e|ing) (?:your|the|a)|migrations?|design"
            + @"|logo|themes?|templates?|newsletter|scans?|watch|monitoring|statistics|licen[cs]e|own ip|mailbox"
            + @"|backups?|privacy|certificate|ip address|storage|security|firewall|builder)\b"
            + @"|^(?:additional|another|extra [0-9])",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex ExtraThing { get; }

    [GeneratedRegex(@"\b(?:included|free|unlimited|unmetered|at no charge)\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex Promised { get; }

    [GeneratedRegex(
        @"^(?:add-?\s?ons?|extras?|optional(?: extras)?|options?|also available|on request)\s*[:–—]\s*",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex ExtraHeading { get; }

    // Boxes to tick as plain text shows them.
    [GeneratedRegex(@"^\s*(?:[☐☑☒✓✔✅□■]|\[[ xX✓]?\])\s*", Patterns.ExactCase, Patterns.Patience)]
    public static partial Regex TickGlyph { get; }

    [GeneratedRegex(@"^\s*(?:[•·‣▪*]|[–-](?=\s))\s*", Patterns.ExactCase, Patterns.Patience)]
    public static partial Regex Bullet { get; }

    [GeneratedRegex(@"(?:[☑☒]|\[[xX✓]\])\s*$", Patterns.ExactCase, Patterns.Patience)]
    public static partial Regex Ticked { get; }

    [GeneratedRegex(@"\b(?:per|a|each) month\b|\bmonthly\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex AMonth { get; }

    [GeneratedRegex(@"\b(?:per|a|each) year\b|\byearly\b|\bannual(?:ly)?\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex AYear { get; }

    [GeneratedRegex(
        @",\s*(?:once|one-?\s?time|one-?\s?off|(?:per|a|each) (?:month|year)|monthly|yearly|annually)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Suffix { get; }

    [GeneratedRegex(@"^[\p{L}0-9][\p{L}0-9 .,&’'+/()-]{1,60}$", Patterns.ExactCase, Patterns.Patience)]
    public static partial Regex ExtraName { get; }

    [GeneratedRegex(
        @"^(?:(?:add|also|plus|optional:?|extra:)\s+)?(?-i:an?\s+|the\s+)?(?=\p{L})",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex ExtraLead { get; }

    [GeneratedRegex(@"\b(?:once|one-?\s?time|one-?\s?off)\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex Once { get; }

    [GeneratedRegex(
        @"\b(?:from|starts?|starting|hosting|plans?|total|subtotal|sum|save|you|we|our|they|trusted|reviews?|today"
            + @"|price|prices"
            + @"|renews?|first year|after that|vat|tax|discount|code|fee|fees|rent|annual|monthly|yearly)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex NoExtra { get; }

    /// <summary>Whether words name a thing that is sold beside plans.</summary>
    public static bool IsThing(string words) => ExtraThing.IsMatch(words);

    /// <summary>Whether words name a thing that is sold beside plans, by itself and for a price.</summary>
    public static bool IsExtraName(string words) =>
        words.Length is > 2 and <= 48
        && words.Split(' ').Length <= 7
        && ExtraName.IsMatch(words)
        && !Promised.IsMatch(words)
        && !words.Contains(',', StringComparison.Ordinal)
        && (
            ExtraThing.IsMatch(words)
            || FeatureWords.KeyOf(words) is not null and not ("domain" or "websites" or "monthlyVisits" or "platforms")
        )
        && !Patterns.Has(words, @"^[0-9]|\b(?:hosting|plans?|renews?|total|price|month|year|your website|set-?up)\b");

    /// <summary>What a price of an extra is for: "month", "year" or "once"; null: not said.</summary>
    public static string? PerOf(PageAmount amount, string words) =>
        amount.Per switch
        {
            Per.Month => "month",
            Per.Year => "year",
            Per.Once => "once",
            Per.Other => null,
            _ => Once.IsMatch(words) ? "once"
            : AMonth.IsMatch(words) ? "month"
            : AYear.IsMatch(words) ? "year"
            : null,
        };
}
