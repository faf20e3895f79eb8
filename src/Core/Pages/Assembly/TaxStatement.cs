using System.Buffers;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads whether a page's prices have tax inside, or get it on top.</summary>
internal static partial class TaxStatement
{
    private const string TaxName = @"(?:vat|gst|hst|iva|tva|mwst|moms|(?:sales |local )?tax(?:es)?)";

    [GeneratedRegex(
        @"(?:\b(?:ex|excl|excludes?|excluding|exclusive of|plus|before|without|net of)\.?|^\W*add|\+)\s*(?:of )?(?:any "
            + $@"|the |all )?(?:applicable |local )?(?:[0-9.,]+ ?% ?)?{TaxName}\b|\b{TaxName}\s*(?:\([^)]*\) |(?:at"
            + @"|of) [0-9.,]+ ?% )?(?:is |are |will be |gets? |comes? |is then )?(?:extra|on top|added|excluded"
            + $@"|excl)\b|\bdo(?:es)? not include (?:[0-9.,]+ ?% ?)?{TaxName}\b|\b{TaxName} (?:is |are )?not (?:yet "
            + $@")?included\b|\bnot includ(?:ing|ed) {TaxName}\b|\bnet prices\b|\bexclude "
            + $@"[\p{{L}} ]{{0,20}}\(?[^)]{{0,12}}{TaxName}|\bquoted before tax\b|\b{TaxName}\b[^.;]{{0,40}}\b(?:and"
            + @"|but) (?:is |are )?not included\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OnTop { get; }

    [GeneratedRegex(
        $@"\b(?:inc|incl|includes?|including|inclusive of|included?)\.?\s*(?:of )?(?:[0-9.,]+ ?% ?)?{TaxName}\b"
            + $@"|\b{TaxName}\s*(?:\([^)]*\) |(?:at|of) [0-9.,]+ ?% )?(?:is |are )?(?:already |always )?(?:included"
            + $@"|incl|inside|in (?:the|our|all) prices?)\b|\bgross prices\b|\bwith {TaxName} included\b"
            + $@"|\b{TaxName}[- ]inclusive\b|\bprices? (?:(?:are|is|shown|given|quoted) )*with {TaxName}\b"
            + $@"|\ball taxes included\b|\binclude [\p{{L}} ]{{0,12}}{TaxName}",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Inside { get; }

    [GeneratedRegex(@"\b(?:not|isn.t|aren.t|doesn.t|don.t|never|no longer)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Not { get; }

    [GeneratedRegex(
        $@"\bnot registered for {TaxName}\b|\b{TaxName} may (?:apply|be added)\b|\bmay be (?:added|charged)\b"
            + @"|\bsee checkout\b|\bat checkout\b|\bnext step\b|\bdepends?\b|\bwhere (?:it )?appli(?:es|cable)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Open { get; }

    [GeneratedRegex($@"\bno {TaxName}\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex NoTax { get; }

    [GeneratedRegex(
        $@"\b{TaxName}\s*(?:\([^)]*\) |(?:at|of) [0-9.,]+ ?% )?(?:is|are|will be) (?:added|charged extra|extra"
            + $@"|on top)\b(?![^.;]{{0,30}}\b(?:where|if|when)\b)|\b{TaxName}\b[^.;]{{0,40}}\b(?:and|but) (?:is |are )?not included\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SureTop { get; }

    [GeneratedRegex(
        $@"^\W*(?:is|are|do|does|what about|and|how about) (?:the )?(?:prices? )?{TaxName}[^?]*\?\W*$"
            + @"|^\W*(?:what about|and) tax\?",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Question { get; }

    private static readonly SearchValues<string> TaxWords = SearchValues.Create(
        ["vat", "gst", "hst", "iva", "tva", "mwst", "moms", "tax", "net prices", "gross prices"],
        StringComparison.OrdinalIgnoreCase
    );

    /// <summary>Whether tax is inside the prices or on top; null: not said, or said both ways.</summary>
    public static (string? Tax, PageSpan At, bool IsTwice) In(IEnumerable<Line> lines)
    {
        var found = new List<(string Tax, PageSpan At)>();
        Line? before = null;
        foreach (var line in lines)
        {
            foreach (var sentence in PageLines.Sentences(line.Words, line.From))
            {
                if (TaxIn(sentence.Words) is { } tax)
                {
                    found.Add((tax, sentence.At));
                }
                else if (
                    before is not null
                    && Question.IsMatch(before.Words)
                    && Patterns.Find(sentence.Words, @"^\W*(?<said>yes|no)\b") is { Success: true } said
                    && TaxIn(sentence.Words) is null
                )
                {
                    var isOnTop = Patterns.Has(before.Words, @"\bon top|extra|added");
                    var isYes = said.Groups["said"].Value.Equals("yes", StringComparison.OrdinalIgnoreCase);
                    found.Add((isYes == isOnTop ? "on-top" : "inside", sentence.At));
                }
            }

            before = line;
        }

        return found.Count == 0 ? (null, default, false)
            : found.Select(one => one.Tax).Distinct(StringComparer.Ordinal).Count() == 1
                ? (found[0].Tax, found[0].At, false)
            : (null, default, true);
    }

    /// <summary>What one sentence says of tax; a "not" turns it round.</summary>
    private static string? TaxIn(string sentence)
    {
        if (
            sentence.Length > 400
            || !sentence.AsSpan().ContainsAny(TaxWords)
            || (Open.IsMatch(sentence) && !SureTop.IsMatch(sentence))
            || sentence.TrimEnd().EndsWith('?')
        )
        {
            return null;
        }

        if (NoTax.IsMatch(sentence))
        {
            return null;
        }

        var top = OnTop.Match(sentence);
        if (top.Success)
        {
            // "not exclusive of VAT" is inside; "does not include VAT" holds its "not" itself.
            var isTurned = Not.IsMatch(sentence[..top.Index]) && !Not.IsMatch(top.Value);
            return isTurned ? "inside" : "on-top";
        }

        var inside = Inside.Match(sentence);
        if (!inside.Success)
        {
            return null;
        }

        var around = sentence[..inside.Index];
        return Not.IsMatch(around[Math.Max(0, around.Length - 60)..]) ? "on-top" : "inside";
    }
}
