using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>
/// Reads a seller's page: its plans, domain prices, extras and codes, as docs say what each value means. Where the page
/// is ambiguous the value is null.
/// </summary>
public static class PageReader
{
    /// <summary>
    /// What a page says. One whose lines hold no plan is read again sentence by sentence: an advertisement is often one
    /// long line.
    /// </summary>
    public static PageReading Read(PageText page)
    {
        var draft = Drafted(page);
        if (!HasPlan(draft) && InSentences(page) is { } sentences && Drafted(sentences) is var again && HasPlan(again))
        {
            draft = again;
        }

        return PageAssembly.Assemble(draft);
    }

    private static bool HasPlan(PageDraft draft) => draft.Plans.Exists(plan => plan.Ways.Count > 0);

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

    private static PageDraft Drafted(PageText page)
    {
        var draft = new PageDraft(page);
        var (extras, scopes) = (new ExtraStep(draft), new PaymentScopes(draft));
        new TableStep(draft).Read();
        new CodeStep(draft).Read();
        extras.ReadSure();
        new InlinePlans(draft).Read();
        new BlockPlans(draft).Read();
        scopes.ReadBetween();
        scopes.ReadByLength();
        new Statements(draft).Read();
        scopes.ReadUnit();
        extras.ReadRest();
        return draft;
    }
}
