using static HomeStart.Core.Pages.StatementWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads plans in blocks: a name, and lines below it.</summary>
internal sealed class BlockPlans(PageDraft draft)
{
    /// <summary>Reads them all; a page's one plan also where its name stands elsewhere.</summary>
    public void Read()
    {
        var near = Near();
        var free = draft
            .Lines.Where(line =>
                near[line.Index]
                && line.Owner is null
                && line.Amounts.Length <= PageDraft.MostInLine
                && !Offers.IsNoHosting(line.Words)
                && !IsForAll(line)
                && !draft.IsNote(line)
            )
            .ToList();
        if (free.Count == 0)
        {
            return;
        }

        var known = draft
            .Plans.Where(plan => plan.Name is not null)
            .Select(plan => plan.Name!)
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        if (known.Count > 0 && draft.Plans.Any(plan => plan.Ways.Count > 0))
        {
            return;
        }

        var blocks = new PlanBlocks(
            free,
            SellerName.In(draft.Page, draft.Lines, new HashSet<string>(), isSure: true).Name
        ).Find(draft.Page.IsMarked);
        var called = blocks
            .Where(block => block.Name is not null)
            .Select(block => PlanBlocks.NameOf(block.Name!.Words))
            .Where(name => name.Length > 0)
            .ToList();
        blocks =
        [
            .. blocks.Select(block =>
                block with
                {
                    Lines = [.. block.Lines.Where(line => line == block.Name || !IsAboutOthers(line, called))],
                }
            ),
        ];
        blocks = WithoutTermsOfAll(blocks);
        var withFeatures = blocks.Count(HasFeatures);
        var richest = blocks.Select(FeatureCount).DefaultIfEmpty().Max();
        foreach (var block in blocks.Take(PageDraft.MostPlans))
        {
            if (
                (withFeatures > 0 && !HasFeatures(block))
                || (
                    richest >= 3
                    && FeatureCount(block) <= 1
                    && block.Lines.Any(line => line != block.Name && ExtraWords.IsExtraName(line.Words))
                )
                || block.Lines.All(line => line.Amounts.IsEmpty && line.Note is null)
            )
            {
                continue;
            }

            var name = block.Name is { } line ? PlanBlocks.NameOf(line.Words) : null;
            var plan = draft.Plans.FirstOrDefault(other =>
                name is not null && string.Equals(other.Name, name, StringComparison.OrdinalIgnoreCase)
            );
            if (plan is null)
            {
                plan = new PlanDraft(name, block.Name?.Seen.At);
                draft.Plans.Add(plan);
            }

            plan.Note = block.Name?.Note;
            draft.Fill(plan, block);
        }

        if (draft.Plans.Count == 0)
        {
            new OnlyPlan(draft).Read(free);
        }
        else if (draft.Plans is [{ Name: null, Features.Count: 0 } only])
        {
            Around(only, free);
        }
    }

    // The prices of the page's one plan stand in a table: a heading above names it, and the lines around say what it
    // has.
    private void Around(PlanDraft plan, List<Line> free)
    {
        var seller = SellerName.In(draft.Page, draft.Lines, new HashSet<string>(), isSure: true).Name;
        var name = draft
            .Lines.Take(plan.Lines[0].Index)
            .LastOrDefault(line =>
                line.Amounts.IsEmpty
                && line.Words != seller
                && (line.Seen.Heading > 0 || (!draft.Page.IsMarked && line.Words.Length <= 40))
                && line.NameScore > 1
                && PlanBlocks.NameOf(line.Words).Length < line.Words.Length
            );
        if (name is not null)
        {
            (plan.Name, plan.NameAt) = (PlanBlocks.NameOf(name.Words), name.Seen.At);
        }

        var about = free.Where(line => line != name && PageDraft.IsFeatureLine(line)).ToList();
        new PlanFeatures(draft.Page, plan).Read(about);
        foreach (var line in about)
        {
            line.Owner = plan;
        }
    }

    // "12 month minimum term, paid by monthly direct debit": below the last plan, where no other says so, it is of all.
    private List<PlanBlock> WithoutTermsOfAll(List<PlanBlock> blocks)
    {
        if (draft.Page.IsMarked || blocks.Count < 2 || blocks[..^1].Exists(block => block.Lines.Any(SaysHowItIsPaid)))
        {
            return blocks;
        }

        var own = blocks[^1].Lines.ToList();
        while (own.Count > 1 && SaysHowItIsPaid(own[^1]))
        {
            own.RemoveAt(own.Count - 1);
        }

        return [.. blocks[..^1], blocks[^1] with { Lines = own }];
    }

    private static bool SaysHowItIsPaid(Line line) =>
        line.Amounts.IsEmpty
        && line.Words.Length > 20
        && Terms.PaidIn(line.Words) is not null
        && !PageDraft.IsFeatureLine(line);

    // "Thicket then costs £5.75": a sentence about plans by their names is no part of one.
    private bool IsAboutOthers(Line line, List<string> names) =>
        draft.ListsLaterPrices(line, names.Count)
        || (
            line.Amounts.Length > 0
            && (LaterContext.IsMatch(line.Words) || SetupContext.IsMatch(line.Words))
            && names.Exists(name => Patterns.Mentions(line.Words, name).Any())
        )
        || (
            line.Amounts.IsEmpty
            && Opens.Match(line.Words) is { Success: true } opens
            && !opens.Value.TrimEnd().EndsWith(':')
            && names.Contains(opens.Groups["name"].Value)
        );

    // Lines that stand near an amount; all others are about no plan.
    private bool[] Near()
    {
        const int Far = 70;
        var near = new bool[draft.Lines.Count];
        var last = -Far - 1;
        for (var at = 0; at < draft.Lines.Count; at++)
        {
            last = draft.Lines[at].Amounts.Length > 0 || draft.Lines[at].Note is not null ? at : last;
            near[at] = at - last <= Far;
        }

        var next = draft.Lines.Count + Far + 1;
        for (var at = draft.Lines.Count - 1; at >= 0; at--)
        {
            next = draft.Lines[at].Amounts.Length > 0 || draft.Lines[at].Note is not null ? at : next;
            near[at] |= next - at <= Far;
        }

        return near;
    }

    private static int FeatureCount(PlanBlock block) =>
        block
            .Lines.Where(line => line != block.Name && line.Words.Length <= 600)
            .SelectMany(line => PageLines.Pieces(line.Words, 0))
            .SelectMany(piece => FeatureWords.In(piece.Words, 0))
            .Select(feature => feature.Key)
            .Distinct(StringComparer.Ordinal)
            .Count();

    private static bool HasFeatures(PlanBlock block) =>
        block.Lines.Any(line =>
            line != block.Name
            && line.Words.Length <= 600
            && (
                PageLines.Pieces(line.Words, 0).Any(piece => FeatureWords.In(piece.Words, 0).Length > 0)
                || FeatureWords.KeyOf(line.Words) is not null
            )
        );
}
