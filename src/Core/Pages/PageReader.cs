using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads a seller's page: its plans, domain prices, extras and codes, as docs say what each value means. Where the page is ambiguous the value is null.</summary>
public static partial class PageReader
{
    [GeneratedRegex(@"\b(?:all|every|each|both|any|either)\b[^.:]{0,24}\b(?:plans?|packages?|offers?|accounts?|customers?|sites?|of them|hosting|rooms?)\b|\b(?:in|with) (?:both|all of them|each of them|every one)\b|\bevery offer\b|\ball hosting\b|\bcomes? with every\b|\bin all plans\b|\bwhatever you choose\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex ForAll { get; }

    [GeneratedRegex(@"^\W*(?:all (?:our |hosting )?(?:plans?|packages?|offers?|accounts?|of them)(?: come with| include| have)?|every (?:plan|package|offer|account)(?: comes with| includes| has)?|in every (?:plan|package)|always (?:included|with it)|included (?:in|with) (?:all|every)(?: plans?| plan)?|comes with (?:all|every)(?: plans?| plan)?|with every plan)\W*$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex ForAllHeading { get; }

    [GeneratedRegex(@"^(?<mark>[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹]|\([1-9]\))\s*(?<words>\S.*)$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Footnote { get; }

    [GeneratedRegex(@"\b(?:intro(?:ductory)?|promotional|promotion|special offer|new customers|first term)\b[^.]{0,40}\bprices?\b|\bprices?\b[^.]{0,60}\b(?:intro(?:ductory)?|promotional|for the first (?:term|period|year|[0-9]{1,2} (?:months?|years?))|new customers|first term)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex PriceWords { get; }

    /// <summary>What a page says.</summary>
    public static PageReading Read(PageText page)
    {
        var work = new PageWork(page);
        work.Tables();
        work.CodesAndDomains();
        work.Blocks();
        work.Sentences(Footnote, ForAll, ForAllHeading, PriceWords);
        work.Extras();
        return PageAssembly.Of(page, work);
    }
}
