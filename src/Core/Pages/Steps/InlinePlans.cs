using System.Text.RegularExpressions;
using static HomeStart.Core.Pages.StatementWords;

namespace HomeStart.Core.Pages;

/// <summary>
/// Reads plans on a line of their own: "Teasel – 10 GB, 2 mailboxes – £9 a month", "Our Web 5 account costs £48 a year
/// and gives you …".
/// </summary>
internal sealed partial class InlinePlans(PageDraft draft)
{
    /// <summary>No more sentences are about the plan that the first of them names.</summary>
    private const int MostSentences = 8;

    [GeneratedRegex(
        @"^(?:[*•·‣▪–-]\s+)?(?<name>[\p{L}0-9][\p{L}0-9 .&’'+/-]{0,32}?)\s*(?:\s[–—-]\s|:\s)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex InlineName { get; }

    // "Cottage 1 website, 8 GB, 8 mailboxes £36.00 per year".
    [GeneratedRegex(
        @"^(?<name>\p{L}[\p{L}&’'-]+(?: \p{Lu}[\p{L}&’'-]*)?)\s+(?=[0-9]|[Uu]nlimited\b|[Uu]p to [0-9]|[Oo]ne\b)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex LeadingName { get; }

    [GeneratedRegex(
        @"(?:^|[.!]\s+|\bwith |, )(?:[Oo]ur |[Tt]he |[Ww]ith |[Tt]ake |[Cc]hoose |[Gg]et )?(?<name>(?!(?:It|This"
            + @"|That|They|We|There|You|Here)\b)[\p{Lu}0-9][\p{L}0-9.&’'-]*(?: (?:[\p{Lu}0-9][\p{L}0-9.&’'-]*|and|of"
            + @"|the))*?)(?: (?:plan|account|package|hosting|web hosting))?,? (?:costs?|is|comes at|for|starts at"
            + @"|sells for|you pay|at)\s+(?:only |just |from )?$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Prose { get; }

    // "Our Village package would suit you: it has one website with 20 GB of space, and costs £72 a year".
    [GeneratedRegex(
        @"\b(?:[Oo]ur|[Tt]he) (?<name>\p{Lu}[\p{L}0-9&’'-]*(?: [\p{Lu}0-9][\p{L}0-9&’'-]*){0,2})"
            + @" (?:plan|account|package)\b"
            + @"[^£€$₹]{10,240}\b(?:costs?|for|at|is)\s+(?:only |just )?$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex LongProse { get; }

    // Sentences about the plan that the sentence before them names.
    [GeneratedRegex(
        @"^(?:You (?:get|can|pay)|It|Its|This plan|Includes|Included|The next|The following|Afterwards|After "
            + @"that|After the|Setting it up|Then|Renew|When you renew|From the second)\b",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex GoesOn { get; }

    [GeneratedRegex(@"^You get:?\s*", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex GetsLead { get; }

    /// <summary>Reads them all.</summary>
    public void Read()
    {
        var found = new List<(Line Line, string Name, PageSpan NameAt, int From)>();
        foreach (
            var line in draft.Lines.Where(line =>
                line.Owner is null && line.Amounts.Length is > 0 and <= PageDraft.MostInLine && line.Words.Length > 20
            )
        )
        {
            var match = InlineName.Match(line.Words) is { Success: true } parted
                ? parted
                : LeadingName.Match(line.Words);
            if (
                match.Success
                && PlanBlocks.Score(match.Groups["name"].Value) > 0
                && PageLines.Pieces(line.Words, 0).Count(piece => FeatureWords.In(piece.Words, 0).Length > 0) >= 2
            )
            {
                found.Add(
                    (
                        line,
                        match.Groups["name"].Value,
                        new PageSpan(
                            line.From + match.Groups["name"].Index,
                            line.From + match.Groups["name"].Index + match.Groups["name"].Length
                        ),
                        match.Index + match.Length
                    )
                );
            }
        }

        // "mini 3 GB, 1 site", "midi 12 GB, 4 sites": small letters are names where all are, each another.
        if (
            !found.TrueForAll(one => char.IsLower(one.Name[0]))
            || found.Select(one => one.Name).Distinct(StringComparer.Ordinal).Count() < found.Count
        )
        {
            found.RemoveAll(one => char.IsLower(one.Name[0]));
        }

        if (found.Count == 1 && !InlineName.IsMatch(found[0].Line.Words))
        {
            found.Clear(); // A word before what a plan has is a name only where several stand so.
        }

        foreach (var (line, name, at, from) in found.Take(PageDraft.MostPlans))
        {
            var plan = new PlanDraft(PlanBlocks.NameOf(name), at);
            var rest = new Line(
                line.Index,
                line.Seen with
                {
                    At = new PageSpan(line.From + from, line.Seen.At.To),
                    Words = line.Words[from..],
                }
            )
            {
                Amounts = line.Amounts,
            };
            var reader = new PlanReader(draft.Page, plan);
            reader.Read([rest]);
            reader.Features.ReadWords(rest.Words, rest.From);
            plan.Lines.Add(line);
            line.Owner = plan;
            draft.Plans.Add(plan);
        }

        if (found.Count > 0)
        {
            return;
        }

        foreach (
            var line in draft.Lines.Where(line =>
                line.Owner is null
                && line.Amounts.Length is > 0 and <= PageDraft.MostInLine
                && draft.Plans.Count < PageDraft.MostPlans
            )
        )
        {
            var before = line.Words[..(line.Amounts[0].At.From - line.From)];
            var match = Named(before);
            if (
                !match.Success
                || LaterContext.IsMatch(before)
                || line.Amounts[0].Per is not (Per.Month or Per.Year) && Terms.In(line.Words, 0).Length == 0
            )
            {
                continue;
            }

            var name = PlanBlocks.NameOf(match.Groups["name"].Value);
            var next = draft
                .Lines.Skip(line.Index + 1)
                .TakeWhile(other =>
                    other.Owner is null
                    && !PlanBlocks.IsSection(other)
                    && other.Seen.Heading == 0
                    && (
                        GoesOn.IsMatch(other.Words)
                            ? other.Amounts.Length <= 1
                            : other.Amounts.IsEmpty && !IsForAll(other) && IsInParagraph(line, other)
                    )
                )
                .Take(MostSentences)
                .ToList();
            if (
                name.Length == 0
                || PlanBlocks.Score(name) < 0
                || !PageLines
                    .Pieces(string.Join(", ", next.Select(other => other.Words).Prepend(line.Words)), 0)
                    .Any(piece => FeatureWords.In(piece.Words, 0).Length > 0)
            )
            {
                continue;
            }

            var plan = new PlanDraft(
                name,
                new PageSpan(
                    line.From + match.Groups["name"].Index,
                    line.From + match.Groups["name"].Index + match.Groups["name"].Length
                )
            );
            var reader = new PlanReader(draft.Page, plan);
            reader.Read([line, .. next]);
            foreach (var one in next.Prepend(line))
            {
                reader.Features.ReadWords(Blanked(one.Words), one.From);
                one.Owner = plan;
            }

            draft.Plans.Add(plan);
        }
    }

    // A paragraph that names a plan and its price is about that plan to its end.
    private bool IsInParagraph(Line first, Line other) =>
        other.From >= first.Seen.At.To
        && !draft.Page.Text.AsSpan(first.Seen.At.To, other.From - first.Seen.At.To).Contains('\n');

    /// <summary>Whether a sentence names a plan and then its price: "Our Web 5 account costs £48 a year".</summary>
    public static bool NamesAPlan(string sentence) =>
        sentence.Length < 400
        && PageAmount.In(sentence, 0) is [var price, ..]
        && Named(sentence[..price.At.From]) is { Success: true } match
        && !LaterContext.IsMatch(sentence[..price.At.From])
        && PlanBlocks.Score(match.Groups["name"].Value) >= 0;

    private static Match Named(string before) =>
        Prose.Match(before) is { Success: true } near ? near : LongProse.Match(before);

    private static string Blanked(string words) => GetsLead.Replace(words, match => new string(' ', match.Length));
}
