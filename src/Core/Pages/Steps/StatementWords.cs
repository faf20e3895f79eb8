using System.Buffers;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>How a page speaks of all its plans, of some, of what comes later, and of its notes.</summary>
internal static partial class StatementWords
{
    [GeneratedRegex(
        @"\b(?:renews?|renewals?|renewing|then costs?|thereafter|afterwards|after the first|following|from the "
            + @"second)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex LaterContext { get; }

    [GeneratedRegex(
        @"\b(?:all|every|each|both|any|either)\b[^.:]{0,24}\b(?:plans?|packages?|offers?|accounts?|of them"
            + @"|hosting|rooms?|contracts?)\b|\b(?:in|with) (?:both|all of them|each of them|every one)\b|\bcomes? "
            + @"with every\b|\bin all plans\b|\bwhatever you choose\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex AllPlans { get; }

    public static readonly SearchValues<string> AnyStatement = SearchValues.Create(
        ["price", "all ", "money", "refund", "checkout", "vat", "gst", "tax", "days", "set-up", "setup", "set up"],
        StringComparison.OrdinalIgnoreCase
    );

    [GeneratedRegex(
        @"^there is an? (?:one-?\s?(?:off|time) )?(?:set-?\s?up|activation) (?:fee|charge)\b"
            + @"|^(?:all |our )?(?:prices\b|plans are\b)|^all (?:amounts|our)\b|\bmoney[- ]back guarantee\b|^your "
            + @"money back\b|^full refund\b|\bsee checkout\b|\b(?:vat|gst|tax) (?:(?:of|at) [0-9.,]+ ?% )?(?:is |are )?"
            + @"(?:not )?included\b[^·,]{0,20}$|^[0-9]+[- ]days?\b.{0,20}\b(?:back|refund)"
            + @"|^(?:sales |local )?(?:vat|gst|tax(?:es)?)\b[^.]{0,24}\b(?:added|extra|on top|appl(?:y|ies)|charged)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex IsStatement { get; }

    [GeneratedRegex(
        @"^\W*(?:you (?:get|have)|it (?:has|comes|includes)|includes?|with it|that is|in the price)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex YouGet { get; }

    [GeneratedRegex(@"\b(?:in|with|on) both\b|\bboth (?:plans|of them)?\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex BothWord { get; }

    [GeneratedRegex(
        @"[\p{L}0-9)”]\s?(?<mark>[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹])(?=$|[\s,.;)·|/])",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    public static partial Regex Borne { get; }

    [GeneratedRegex(@"^(?<mark>[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹])\s*\S", Patterns.ExactCase, Patterns.Patience)]
    public static partial Regex NoteMark { get; }

    [GeneratedRegex(@"(?<=[\p{L}0-9)”""]\s?)(?<mark>[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹])$", Patterns.ExactCase, Patterns.Patience)]
    public static partial Regex EndMark { get; }

    [GeneratedRegex(
        @"^(?<name>[\p{L}0-9][\p{L}0-9 .&’'+-]{0,32}?)(?:\s*[:–—]\s+|\s+(?:has|have|comes with|includes|gives "
            + @"you|offers)\s+)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    public static partial Regex Opens { get; }

    [GeneratedRegex(
        @"\b[0-9]{1,2}\s*(?:,|and|or|&|/)\s*(?=[0-9]{1,2}[- ](?:months?|years?))",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex SeveralLengths { get; }

    [GeneratedRegex(
        @"\b(?<months>[0-9]{1,2})(?=(?:(?:\s*,\s*|\s*/\s*|,? (?:and|or|&) )[0-9]{1,2})*[- ]months?\b)"
            + @"|\b(?<years>[0-9]{1,2}|one|two|three|four|five)(?=(?:(?:\s*,\s*|\s*/\s*|,? (?:and|or|&) )(?:[0-9]{1,2}"
            + @"|one|two|three|four|five))*[- ]years?\b)|\b(?<annual>annual|yearly)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Lengths { get; }

    [GeneratedRegex(
        @"\b(?:longer|all other|other|multi-?\s?year) (?:terms?|cycles?|plans?|periods?|commitments?|contracts?"
            + @"|lengths?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Longer { get; }

    // "All prices are monthly prices when you pay up front", "Figures are per month".
    [GeneratedRegex(
        @"^\W*(?:(?:all|the|our|these|hosting|plan|listed|shown|list) )*(?:prices?|figures|amounts|rates) (?:(?:are|is"
            + @"|shown|given|listed|quoted|stated|here|above|below|in|as|the|for) )*(?:(?:per|a|each|by the) "
            + @"(?:calendar )?month|monthly)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex PricesAMonth { get; }

    [GeneratedRegex(
        @"\bset-?\s?up\b|\bsetting (?:it |you |all )?up\b|\bactivation\b|\binstallation\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex SetupContext { get; }

    // "Set-up £10, waived for Stack".
    [GeneratedRegex(
        @"\b(?:waived|nothing|free|none|no (?:charge|fee)|not charged)\b[^.]{0,10}\b(?:for|on|with|in)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex FreeFor { get; }

    [GeneratedRegex(
        @"\b(?:nothing|free|none|no (?:charge|fee)|not charged)\b[^.]{0,16}\b(?:others?|rest)\b"
            + @"|\b(?:others?|rest)\b[^.]{0,20}\b(?:nothing|free|none|no (?:charge|fee)|not charged)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex FreeForOthers { get; }

    [GeneratedRegex(
        @"\b(?:all|every|each|both|any|either)\b[^.:]{0,24}\b(?:plans?|packages?|offers?|accounts?|customers?"
            + @"|sites?|of them|hosting|rooms?)\b|\b(?:in|with) (?:both|all of them|each of them|every one)\b|\bevery "
            + @"offer\b|\ball hosting\b|\bcomes? with every\b|\bin all plans\b|\bwhatever you choose\b|^\W*all (?:of "
            + @"them )?(?:include|come with|have)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex OfAll { get; }

    [GeneratedRegex(
        @"^\W*(?:all (?:our |hosting )?(?:plans?|packages?|offers?|accounts?|of them)(?: come with| include| "
            + @"have)?|every (?:plan|package|offer|account)(?: comes with| includes| has)?|in every (?:plan|package)"
            + @"|always (?:included|with it)|included (?:in|with) (?:all|every)(?: plans?| plan)?|comes with (?:all"
            + @"|every)(?: plans?| plan)?|with every plan)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex ForAllHeading { get; }

    [GeneratedRegex(@"^(?:[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹]|\([1-9]\))\s*\S.*$", Patterns.ExactCase, Patterns.Patience)]
    public static partial Regex Footnote { get; }

    [GeneratedRegex(
        @"(?:^|(?<=[.;!?]\s))(?<mark>[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹]|\([1-9]\))\s*(?=\S)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    public static partial Regex NoteStart { get; }

    [GeneratedRegex(
        @"\b(?:intro(?:ductory)?|promotional|promotion|special offer|new customers|first "
            + @"term)\b[^.]{0,40}\bprices?\b|\bprices?\b[^.]{0,60}\b(?:intro(?:ductory)?|promotional|for the first "
            + @"(?:term|period|year|[0-9]{1,2} (?:months?|years?))|new customers|first term)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex PriceWords { get; }

    /// <summary>Whether a line holds for all plans, and is about none of them.</summary>
    public static bool IsForAll(Line line) =>
        line.Words.Length > 20
        && (
            AllPlans.IsMatch(line.Words)
            || (
                line.Words.AsSpan().ContainsAny(AnyStatement)
                && PageLines.Sentences(line.Words, 0).Exists(sentence => IsStatement.IsMatch(sentence.Words))
            )
        )
        && line.NameScore <= 0
        && !(line.Words.StartsWith("Free domain", StringComparison.OrdinalIgnoreCase) && !AllPlans.IsMatch(line.Words));
}
