using System.Collections.Immutable;
using static HomeStart.Core.Pages.PlanWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads the lines of one plan: its ways to pay, its fee, what it has.</summary>
internal sealed class PlanReader(PageText page, PlanDraft plan)
{
    private readonly PlanWays _ways = new(page, plan);
    private string _above = "";

    /// <summary>Reads what the plan has.</summary>
    public PlanFeatures Features { get; } = new(page, plan);

    /// <summary>How long the price is for that comes next.</summary>
    public void Expect(Term term) => _ways.Expect(term);

    /// <summary>An amount that is struck: of the price above, or of the one that comes.</summary>
    public void Struck(PageAmount amount) => _ways.Struck(amount);

    /// <summary>Reads the lines into the plan.</summary>
    public void Read(IReadOnlyList<Line> lines)
    {
        plan.Lines.AddRange(lines);
        _ways.LabelsFirst = LabelsFirst(lines);
        for (var at = 0; at < lines.Count; at++)
        {
            Way(lines, at);
        }

        _ways.Finish();
    }

    private void Way(IReadOnlyList<Line> lines, int at)
    {
        var line = lines[at];
        var words = line.Words;
        _above = at > 0 && lines[at - 1] is { Amounts.IsEmpty: true, Words.Length: <= 48 } label ? label.Words : "";
        if (line.Amounts.IsEmpty)
        {
            WordsAlone(line, lines, at);
            return;
        }

        _ways.Hear(words, line);
        if (
            line.Label.Length == 0
            && at > 0
            && lines[at - 1] is { Amounts.IsEmpty: true, Words.Length: <= 48 } above
            && Roles.IsLabel(above.Words)
        )
        {
            line.Label = above.Words.TrimEnd(':', ' ');
        }

        var sentences = PageLines.Sentences(words, line.From);
        foreach (var sentence in sentences)
        {
            Sentence(sentence, line);
        }
    }

    private void Sentence(Piece sentence, Line line)
    {
        var amounts = line
            .Amounts.Where(amount => amount.At.From >= sentence.From && amount.At.From < sentence.At.To)
            .ToList();
        var terms = TermsBeside(line.Amounts, sentence);
        if (amounts.Count == 0)
        {
            _ways.Apply(terms, sentence.Words, line);
            return;
        }

        var cuts = Cuts(sentence);
        var (isExcluded, wasSetup) = (false, false);
        foreach (var (number, printed) in amounts.Index())
        {
            var between = new PageSpan(
                number == 0 ? sentence.From : amounts[number - 1].End,
                number + 1 < amounts.Count ? amounts[number + 1].At.From : sentence.At.To
            );
            var reach = Reach(printed, between, sentence, cuts);
            var before = page.Between(reach.From, printed.At.From);
            if (number == 0 && before.Trim().Length == 0 && line.Label.Length > 0 && !Terms.IsLabel(line.Label))
            {
                before = line.Label + ": ";
            }

            var behind = page.Between(printed.End, reach.To);
            var amount = OfFee(printed, before.Trim().Length == 0 && number == 0 ? _above : before);
            var role = RoleOf(amount, before, behind, reach, isExcluded);
            if (role == Role.Later && (wasSetup || AfterTrial.IsMatch(page.Between(sentence.From, printed.At.From))))
            {
                role = Role.Price; // "£20 set-up, then £3 a month".
            }

            (isExcluded, wasSetup) = (
                Roles.IsWithoutTax(page.Between(amount.At.To, Math.Max(amount.End, between.To))),
                role == Role.Setup
            );
            var isAlternative =
                (number > 0 && Alternative.IsMatch(before))
                || (_ways.Current is { Price.Per: Per.Month } && amount.Per == Per.None && IfPaid.IsMatch(behind));
            if (
                role == Role.Price
                && isAlternative
                && terms.Find(term => term.At.From >= amount.At.To && term.At.To <= between.To) is { } ahead
            )
            {
                terms.Remove(ahead);
                (_ways.Current, _ways.NextTerm, _ways.NextPaid) = (null, ahead, Terms.PaidIn(behind));
                _ways.Take(amount, role, before, line);
            }
            else if (role == Role.Price && number == 0 && PaidOtherwise(sentence, amount, terms, line) is { } other)
            {
                (_ways.Current, _ways.NextTerm, _ways.NextPaid) = (null, other, null);
                _ways.Take(amount, role, before, line);
            }
            else if (role == Role.Price && OpeningTerm(amount, before) is { } opening)
            {
                _ways.NextTerm = opening;
                _ways.Take(amount, role, before, line);
                _ways.Current!.IsFirst = true;
                _ways.Replace(_ways.Current);
            }
            else
            {
                TakeTerms(terms, between.From, amount, role, isLater: number > 0);
                _ways.Take(amount, role, before, line);
            }
        }

        Behind(terms, amounts[0], sentence, line);
    }

    // Lengths of time that are no part of an amount.
    private static List<Term> TermsBeside(ImmutableArray<PageAmount> amounts, Piece sentence) =>
        [
            .. Terms
                .In(sentence.Words, sentence.From)
                .Where(term =>
                    !amounts.Any(amount =>
                        (amount.At.From <= term.At.From && term.At.To <= amount.End)
                        || (term.At.From > amount.At.From && term.At.From < amount.At.To)
                    )
                ),
        ];

    // How far the words around an amount are about it: to its neighbours, or to the next separator.
    private static PageSpan Reach(PageAmount amount, PageSpan between, Piece sentence, List<int> cuts) =>
        new(
            Math.Max(between.From, cuts.Where(cut => cut <= amount.At.From).DefaultIfEmpty(sentence.From).Max()),
            Math.Min(between.To, cuts.Where(cut => cut >= amount.End).DefaultIfEmpty(sentence.At.To).Min())
        );

    // "Annual fee: €48.00".
    private static PageAmount OfFee(PageAmount amount, string before) =>
        amount.Per == Per.None && FeeOf.Match(before) is { Success: true } fee
            ? amount with
            {
                Per = fee.Groups["month"].Success ? Per.Month : Per.Year,
            }
            : amount;

    private Role RoleOf(PageAmount amount, string before, string behind, PageSpan reach, bool isExcluded) =>
        page.IsStruck(amount.At)
            ? Role.Struck
            : Roles.Classify(
                amount,
                before,
                behind,
                isExcluded && Roles.IsWithTax(before, page.Between(amount.At.To, reach.To))
            );

    // "First month £1, then £6 a month".
    private static Term? OpeningTerm(PageAmount amount, string before)
    {
        if (FirstLength.Match(before) is not { Success: true } opening)
        {
            return null;
        }

        var count = opening.Groups["count"].Success ? Patterns.Number(opening.Groups["count"].Value) ?? 1 : 1;
        return count == 1 || amount.Per != Per.None
            ? new Term(
                opening.Groups["year"].Success ? count * 12 : count,
                new PageSpan(amount.At.From - opening.Length, amount.At.From)
            )
            : null;
    }

    // "Pay a year in advance, or by the month for £6": the first is of the price above, the second of this one.
    private Term? PaidOtherwise(Piece sentence, PageAmount amount, List<Term> terms, Line line)
    {
        var before = page.Between(sentence.From, amount.At.From);
        if (_ways.Current is null || OrPaidBy.Match(before) is not { Success: true } otherwise)
        {
            return null;
        }

        var own = terms.FindAll(term => term.At.To <= amount.At.From);
        terms.RemoveAll(own.Contains);
        var cut = sentence.From + otherwise.Index;
        _ways.Apply([.. own.Where(term => term.At.To <= cut)], before[..otherwise.Index], line);
        return new Term(otherwise.Groups["month"].Success ? 1 : 12, new PageSpan(cut, amount.At.From));
    }

    // Lengths between an amount and the one before are of the price before, or of the one that comes.
    private void TakeTerms(List<Term> terms, int from, PageAmount amount, Role role, bool isLater)
    {
        var between = terms.FindAll(term => term.At.From >= from && term.At.To <= amount.At.From);
        terms.RemoveAll(between.Contains);
        if (between.Count == 0)
        {
            return;
        }

        var isOfPrice = role is Role.Price or Role.Total or Role.Struck;
        if (_ways.Current is { Term: null } waiting && (!isOfPrice || (isLater && !_ways.LabelsFirst)))
        {
            waiting.Term = between[0];
        }
        else if (isOfPrice)
        {
            _ways.NextTerm = between[^1];
        }
    }

    // What a sentence says behind its first amount completes its prices.
    private void Behind(List<Term> terms, PageAmount first, Piece sentence, Line line)
    {
        // "Payment: yearly, in advance · Afterwards: €5": what stands before is of the price above.
        if (
            _ways.Current is { Paid: null } above
            && above.Line != line
            && Terms.PaidIn(page.Between(sentence.From, first.At.From)) is { } said
        )
        {
            (above.Paid, above.PaidAt) = (said, sentence.At);
        }

        _ways.Apply(
            [.. terms.Where(term => term.At.From >= first.At.From)],
            page.Between(first.At.From, sentence.At.To),
            line
        );
        if (
            terms.Find(term => term.At.To <= first.At.From) is { } before
            && _ways.Current is { Term: null } open
            && open.Line == line
        )
        {
            open.Term = before;
        }
    }

    // Where a separator parts the words of one amount from another's.
    private static List<int> Cuts(Piece sentence)
    {
        var cuts = new List<int>();
        foreach (var piece in PageLines.Pieces(sentence.Words, sentence.From))
        {
            cuts.Add(piece.From);
            cuts.Add(piece.At.To);
        }

        return cuts;
    }

    private void WordsAlone(Line line, IReadOnlyList<Line> lines, int at)
    {
        var words = line.Words;
        if (words.EndsWith('?'))
        {
            return;
        }

        _ways.Hear(words, line);
        _ways.Complete(words, line);
        if (SetupLabel.IsMatch(_above) && FreeWord.IsMatch(words))
        {
            plan.FreeSetup ??= line.Seen.At;
        }

        var terms = Terms.In(words, line.From);
        if (Terms.IsLabel(words) && (_ways.LabelsFirst || _ways.Current is null) && PriceFollows(lines, at))
        {
            (_ways.NextTerm, _ways.NextPaid, _ways.NextFree) = (
                terms[0],
                Terms.PaidIn(words),
                Terms.FreeIn(words, line.From)
            );
            _ways.Current = null;
            return;
        }

        foreach (var sentence in PageLines.Sentences(words, line.From))
        {
            // "2 mailboxes free for 1 year": a length of what the plan has, not of its price.
            var had = PageLines
                .Pieces(sentence.Words, sentence.From)
                .Where(piece => FeatureWords.In(piece.Words, 0).Length > 0)
                .ToList();
            _ways.Apply(
                [
                    .. Terms
                        .In(sentence.Words, sentence.From)
                        .Where(term => !had.Exists(piece => piece.From <= term.At.From && term.At.To <= piece.At.To)),
                ],
                sentence.Words,
                line
            );
        }
    }

    private static bool PriceFollows(IReadOnlyList<Line> lines, int at)
    {
        for (var next = at + 1; next < lines.Count && next <= at + 4; next++)
        {
            if (lines[next].Amounts.Length > 0)
            {
                return true;
            }

            if (Terms.IsLabel(lines[next].Words))
            {
                return false;
            }
        }

        return false;
    }

    // Whether lengths of time stand before the prices they are for.
    private static bool LabelsFirst(IReadOnlyList<Line> lines)
    {
        foreach (var line in lines)
        {
            if (Terms.IsLabel(line.Words) && line.Amounts.IsEmpty)
            {
                return true;
            }

            if (line.Amounts.Length > 0)
            {
                var before = line.Words[..(line.Amounts[0].At.From - line.From)];
                return Terms.In(before, 0).Length > 0;
            }
        }

        return false;
    }
}
