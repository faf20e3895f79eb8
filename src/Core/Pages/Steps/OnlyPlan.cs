using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads the one plan of a page that has one price, and its name apart from it.</summary>
internal sealed partial class OnlyPlan(PageDraft draft)
{
    [GeneratedRegex(
        @"\b(?:plan|package|offer|account)\b[^.]{0,24}\b(?:(?:is |are )?called |: ?)(?:“"
            + @"|"")?(?<name>\p{Lu}[\p{L}0-9’'-]*(?: \p{Lu}[\p{L}0-9’'-]*)?)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex CalledWords { get; }

    [GeneratedRegex(
        @"^(?<name>\p{Lu}[\p{L}’'-]+(?: [\p{Lu}0-9][\p{L}0-9’'-]*){0,2}):\s",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex LabelledName { get; }

    /// <summary>One price for one thing that is named nowhere near it.</summary>
    public void Read(List<Line> free)
    {
        var priced = free.FirstOrDefault(line =>
            line.Amounts.Any(amount => IsPeriodic(amount, line))
            && !Offers.IsNoHosting(line.Words)
            && !Patterns.Has(line.Words, @"\bfrom\b")
            && !ExtraWords.IsThing(line.Words[..(line.Amounts[0].At.From - line.From)].Split(". ")[^1])
        );
        if (priced is null || (priced.Amounts.Length > 1 && PageLines.Sentences(priced.Words, 0).Count > 1))
        {
            return; // Several prices in several sentences: the page is read sentence by sentence (PageReader).
        }

        var body = new List<Line>();
        for (
            var at = free.IndexOf(priced) - 1;
            at >= 0
                && free.IndexOf(priced) - at <= 4
                && (
                    free[at].Amounts.Length > 0 && free[at].Amounts.All(amount => draft.Page.IsStruck(amount.At))
                    || free[at].Amounts.Length > 0 && Patterns.Has(free[at].Words, @"\bsave\b")
                    || free[at].Amounts.Length > 0 && Terms.IsLabel(free[at].BeforeAmounts)
                );
            at--
        )
        {
            body.Insert(0, free[at]);
        }

        foreach (var line in free.SkipWhile(line => line != priced))
        {
            if (line != priced && (PlanBlocks.IsSection(line) || (line.Seen.Heading is > 0 and < 4 && body.Count > 3)))
            {
                break;
            }

            body.Add(line);
        }

        var headed = Headed(priced, free);
        var planHeading = headed.Name is null
            ? draft
                .Lines.Take(priced.Index)
                .LastOrDefault(line =>
                    (line.Seen.Heading > 0 || (!draft.Page.IsMarked && line.Words.Length <= 60))
                    && line.Amounts.IsEmpty
                    && ProseNames.PlanIn(line.Words) is not null
                )
            : null;
        var above = planHeading ?? draft.Lines.Take(priced.Index).LastOrDefault(line => line.Seen.Heading > 0);
        body.InsertRange(
            0,
            headed.Name is not null || above is null
                ? headed.Lines
                : free.Where(line =>
                    line.Index > above.Index
                    && line.Index < priced.Index
                    && PageDraft.IsFeatureLine(line)
                    && !body.Contains(line)
                )
        );
        var (name, nameAt) =
            headed.Name is { } heading ? (PlanBlocks.NameOf(heading.Words), heading.Seen.At)
            : Called() is { Name: not null } called ? called
            : Leading(priced) is { Name: not null } leading ? leading
            : InSentence(planHeading ?? priced);
        var plan = new PlanDraft(name, nameAt);
        draft.Plans.Add(plan);
        draft.Fill(plan, new PlanBlock(null, body));

        // "A .co.uk domain is free for the first year, then £9.99": an ending's price, and the plan's domain.
        plan.Domain ??= draft
            .Lines.Where(line => line.Owner == draft.DomainPrices)
            .Select(line =>
                DomainOffers.In(line.Words, line.Seen.At)
                ?? (
                    draft.LineAt(line.Index - 1) is { } above && FeatureWords.KeyOf(above.Words) == "domain"
                        ? DomainOffers.In($"{above.Words} {line.Words}", line.Seen.At)
                        : null
                )
            )
            .FirstOrDefault(offer => offer is not null);
    }

    // "£3.50 a month, billed annually" is a price all the same.
    private bool IsPeriodic(PageAmount amount, Line line) =>
        amount.Per is Per.Month or Per.Year
        && (
            Roles.Classify(
                amount,
                line.Words[..(amount.At.From - line.From)],
                draft.Page.Between(amount.End, line.Seen.At.To)
            )
                is var role
            && (role == Role.Price || (role == Role.Total && amount.Per == Per.Month))
        );

    // A heading above with what the plan has between it and the price.
    private (Line? Name, List<Line> Lines) Headed(Line priced, List<Line> free)
    {
        var name = draft
            .Lines.Take(priced.Index)
            .LastOrDefault(line =>
                line.Seen.Heading is > 0 and < 4
                && line.NameScore > 1
                && !line.Words.EndsWith('?')
                && !PlanBlocks.IsSection(line)
                && line.Owner is null
            );
        var between = name is null
            ? []
            : free.Where(line => line.Index > name.Index && line.Index < priced.Index && PageDraft.IsFeatureLine(line))
                .ToList();
        return between.Count > 0 ? (name, between) : (null, []);
    }

    // "Finch: £2.49 a month", "Business 25: a year's contract at £2.49 a month".
    private static (string? Name, PageSpan? At) Leading(Line line)
    {
        var before = line.Words[..(line.Amounts[0].At.From - line.From)];
        var name = Patterns.Find(before, @"^(?<name>[^:–—]{2,36}?)\s*(?::|\s[–—-])\s*(?:from |only |just )?$").Groups[
            "name"
        ];
        name = name.Success ? name : LabelledName.Match(before).Groups["name"];
        return name.Success && PlanBlocks.Score(name.Value) > 0
            ? (
                PlanBlocks.NameOf(name.Value),
                new PageSpan(line.From + name.Index, line.From + name.Index + name.Length)
            )
            : (null, null);
    }

    // "The Harbour plan is $4.50 a month".
    private static (string? Name, PageSpan? At) InSentence(Line line) =>
        ProseNames.PlanIn(line.Words) is { } plan
            ? (plan.Name, new PageSpan(line.From + plan.At, line.From + plan.End))
            : (null, null);

    // "There is one plan and it is called Nest".
    private (string? Name, PageSpan? At) Called()
    {
        foreach (var line in draft.Lines)
        {
            if (CalledWords.Match(line.Words).Groups["name"] is { Success: true } name)
            {
                return (
                    PlanBlocks.NameOf(name.Value),
                    new PageSpan(line.From + name.Index, line.From + name.Index + name.Length)
                );
            }
        }

        return (null, null);
    }
}
