using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>
/// Reads a seller's page: its plans, domain prices, extras and codes, as docs say what each value means. Where the page
/// is ambiguous the value is null.
/// </summary>
public static partial class PageReader
{
    [GeneratedRegex(
        @"\b(?:all|every|each|both|any|either)\b[^.:]{0,24}\b(?:plans?|packages?|offers?|accounts?|customers?"
            + @"|sites?|of them|hosting|rooms?)\b|\b(?:in|with) (?:both|all of them|each of them|every one)\b|\bevery "
            + @"offer\b|\ball hosting\b|\bcomes? with every\b|\bin all plans\b|\bwhatever you choose\b|^\W*all (?:of "
            + @"them )?(?:include|come with|have)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex ForAll { get; }

    [GeneratedRegex(
        @"^\W*(?:all (?:our |hosting )?(?:plans?|packages?|offers?|accounts?|of them)(?: come with| include| "
            + @"have)?|every (?:plan|package|offer|account)(?: comes with| includes| has)?|in every (?:plan|package)"
            + @"|always (?:included|with it)|included (?:in|with) (?:all|every)(?: plans?| plan)?|comes with (?:all"
            + @"|every)(?: plans?| plan)?|with every plan)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex ForAllHeading { get; }

    [GeneratedRegex(
        @"^(?<mark>[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹]|\([1-9]\))\s*(?<words>\S.*)$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Footnote { get; }

    [GeneratedRegex(
        @"\b(?:intro(?:ductory)?|promotional|promotion|special offer|new customers|first "
            + @"term)\b[^.]{0,40}\bprices?\b|\bprices?\b[^.]{0,60}\b(?:intro(?:ductory)?|promotional|for the first "
            + @"(?:term|period|year|[0-9]{1,2} (?:months?|years?))|new customers|first term)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex PriceWords { get; }

    /// <summary>
    /// What a page says. One whose lines hold no plan is read again sentence by sentence: an advertisement is often one
    /// long line.
    /// </summary>
    public static PageReading Read(PageText page)
    {
        var work = Worked(page);
        if (!HasPlan(work) && InSentences(page) is { } sentences && Worked(sentences) is var again && HasPlan(again))
        {
            (page, work) = (sentences, again);
        }

        return PageAssembly.Assemble(page, work);
    }

    private static bool HasPlan(PageWork work) => work.Plans.Exists(plan => plan.Ways.Count > 0);

    // The same page with a line for every sentence; null where that is no other one, or longer than any advertisement.
    private static PageText? InSentences(PageText page)
    {
        if (page.Text.Length > ProseReader.Longest)
        {
            return null;
        }

        var lines = page
            .Lines.SelectMany(line =>
                line.Cell is null
                    ? PageLines
                        .Sentences(line.Words, line.At.From)
                        .Select(sentence => line with { At = sentence.At, Words = sentence.Words })
                    : [line]
            )
            .ToImmutableArray();
        return lines.Length > page.Lines.Length ? page with { Lines = lines } : null;
    }

    private static PageWork Worked(PageText page)
    {
        var work = new PageWork(page);
        work.Tables();
        work.CodesAndDomains();
        work.Blocks();
        work.Sentences(Footnote, ForAll, ForAllHeading, PriceWords);
        work.Extras();
        return work;
    }
}
