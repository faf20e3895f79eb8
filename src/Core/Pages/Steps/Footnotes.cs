namespace HomeStart.Core.Pages;

/// <summary>Reads notes for those that bear their marks.</summary>
internal sealed class Footnotes(PageDraft draft, Statements statements)
{
    /// <summary>A note belongs to whatever bears its mark: a name, a price, a domain.</summary>
    /// <param name="from">Where in the line its words begin, behind its own mark.</param>
    /// <param name="to">Where they end.</param>
    public void Read(string mark, Line line, int from, int to)
    {
        var at = new PageSpan(line.From + from, to == line.Words.Length ? line.Seen.At.To : line.From + to);
        var rest = new Line(line.Index, line.Seen with { At = at, Words = line.Words[from..to] })
        {
            Amounts = [.. line.Amounts.Where(amount => amount.At.From >= at.From && amount.At.To <= at.To)],
        };
        line.Owner ??= "note";
        if (OfDomains(mark, rest))
        {
            return;
        }

        var sentences = PageLines.Sentences(rest.Words, rest.From);
        foreach (var plan in draft.Plans)
        {
            if (plan.Note == line && rest.Amounts.Length > 0)
            {
                new PlanReader(draft.Page, plan).Read([rest]);
            }
            else
            {
                OfWays(plan, mark, rest, sentences);
            }
        }

        foreach (var sentence in sentences)
        {
            var holder = line.Owner;
            line.Owner = null;
            statements.ReadNamed(sentence, line);
            line.Owner ??= holder;
            if (!statements.ReadInOrder(rest, rest.Amounts))
            {
                OfMarkedPrices(mark, sentence, [.. AmountsIn(sentence, rest)]);
            }
        }
    }

    // Endings, and from when: of the domains that bear the mark, else of all.
    private bool OfDomains(string mark, Line note)
    {
        var bearers = draft.Plans.FindAll(plan =>
            plan.Domain is { At: var has }
            && (draft.Page.TextAt(has).Contains(mark, StringComparison.Ordinal) || Bears(draft.Page.Text, has.To, mark))
        );
        if (note.Amounts.Length > 0 || (bearers.Count == 0 && !Patterns.Has(note.Words, @"\bdomain\b")))
        {
            return false;
        }

        var said = new DomainOffer(
            DomainOffers.EndingsIn(note.Words),
            DomainOffers.FromIn(note.Words),
            Patterns.Has(note.Words, "as long as|every year"),
            note.Seen.At
        );
        foreach (var plan in bearers.Count > 0 ? bearers : draft.Plans.FindAll(plan => plan.Domain is not null))
        {
            plan.Domain = DomainOffers.With(plan.Domain!, said);
        }

        return true;
    }

    // What sentences without an amount say of a plan's prices that bear the mark.
    private void OfWays(PlanDraft plan, string mark, Line note, IReadOnlyList<Piece> sentences)
    {
        foreach (var sentence in sentences.Where(sentence => !AmountsIn(sentence, note).Any()))
        {
            var length = Terms.In(sentence.Words, sentence.From).FirstOrDefault();
            foreach (
                var way in plan.Ways.Where(way =>
                    Bears(draft.Page.Text, way.Price.At.To, mark)
                    || Bears(draft.Page.Text, way.Price.End, mark)
                    || Holds(way, mark, behind: 1)
                )
            )
            {
                way.IsFirst |= PlanWords.SaysFirst(sentence.Words);
                way.IsSame |= PlanWords.SaysSame(sentence.Words);
                way.IsRegular |= PlanWords.SaysRegular(sentence.Words);
                way.IsUnstated |= PlanWords.SaysUnstated(sentence.Words) && note.Amounts.IsEmpty;
                way.Term ??= length;
                way.Paid ??= Terms.PaidIn(sentence.Words);
            }
        }
    }

    private void OfMarkedPrices(string mark, Piece sentence, IReadOnlyList<PageAmount> amounts)
    {
        var marked = draft.Plans.SelectMany(plan => plan.Ways).Where(way => Holds(way, mark, behind: 2)).ToList();
        if (PlanWords.SaysFirst(sentence.Words))
        {
            marked.ForEach(way => way.IsFirst = true);
        }

        draft.SetupForAll ??= amounts.FirstOrDefault(amount => draft.RoleIn(sentence, amount) == Role.Setup);
        if (
            amounts is [var later]
            && draft.RoleIn(sentence, later) == Role.Later
            && !draft.Plans.Exists(plan => ReferenceEquals(plan.Later, later))
        )
        {
            marked.ForEach(way => way.Later ??= later);
        }
    }

    private static IEnumerable<PageAmount> AmountsIn(Piece sentence, Line note) =>
        note.Amounts.Where(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To);

    // Whether the mark stands within a price's words, or so many characters behind; "**" is no "*".
    private bool Holds(WayDraft way, string mark, int behind)
    {
        var from = way.Price.At.To;
        var at = draft.Page.Between(from, way.Price.End + behind).IndexOf(mark, StringComparison.Ordinal);
        return at >= 0 && Bears(draft.Page.Text, from + at, mark);
    }

    private static bool Bears(string text, int at, string mark)
    {
        while (at < text.Length && text[at] == ' ')
        {
            at++;
        }

        return at + mark.Length <= text.Length
            && text.AsSpan(at, mark.Length).SequenceEqual(mark)
            && (at + mark.Length == text.Length || text[at + mark.Length] != mark[^1]);
    }
}
