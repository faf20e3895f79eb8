using static HomeStart.Core.Pages.StatementWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads how long and how prices are paid, where that is said for several plans at once.</summary>
internal sealed class PaymentScopes(PageDraft draft)
{
    /// <summary>
    /// Lines between plans that say how long or how they are paid hold for the plans below, until others do.
    /// </summary>
    public void ReadBetween()
    {
        var plans = draft
            .Plans.Where(plan => plan.Lines.Count > 0)
            .OrderBy(plan => plan.Lines.Min(line => line.Index))
            .ToList();
        (Term? Term, Paid? Paid, bool IsFirst)? scope = null;
        List<(Term? Term, Paid? Paid)> after = [];
        var starts = plans.ToDictionary(plan => plan.Lines.Min(line => line.Index));
        foreach (var line in draft.Lines)
        {
            if (starts.TryGetValue(line.Index, out var plan) && scope is { } holds)
            {
                (plan.Term, plan.Paid) = (holds.Term, holds.Paid);
            }

            if (
                line.Owner is not null
                || line.Words.Length > 260
                || IsChoice(line)
                || draft.IsNote(line) // Of what bears its mark.
                || Offers.IsExample(line.Words)
                || line.Words.EndsWith('?')
                || Patterns.HasExact(line.Words, "^[“\"„]")
            )
            {
                continue;
            }

            foreach (
                var sentence in PageLines
                    .Sentences(line.Words, line.From)
                    .SelectMany(sentence => PageLines.Parted(sentence))
            )
            {
                if (
                    line.Amounts.Any(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To)
                    || DomainOffers.In(sentence.Words, sentence.At) is not null
                    || Patterns.Has(
                        sentence.Words,
                        @"\bdomain|\bday\b|\bwe (?:write|drive)|\btwice\b|\bcookie|\binvoice with|\bname\b"
                    )
                )
                {
                    continue;
                }

                var paid = Terms.PaidIn(sentence.Words);
                var terms = Terms.In(sentence.Words, sentence.From);
                var isChoice =
                    terms.Select(term => term.Months).Distinct().Count() > 1
                    || SeveralLengths.IsMatch(sentence.Words)
                    || Patterns.Has(sentence.Words, @"\bor\b");
                var term = isChoice ? null : terms.FirstOrDefault();
                var speaks =
                    paid is not null
                    || (
                        term is not null
                        && Patterns.Has(
                            sentence.Words,
                            @"\bterm|\bbilled|\bcontract|\bprices?\b|\bhosting\b|\bplans?\b|\boffer|\bfor (?:one"
                                + @"|[0-9]+) years?\b|\bcommitment|^\W*(?:monthly|yearly|annual)"
                        )
                        && sentence.Words.Length < 90
                    );
                if (!speaks || isChoice)
                {
                    continue;
                }

                if (paid == Paid.MonthlyFree && term is null)
                {
                    term = new Term(1, sentence.At);
                }

                if (plans.Any(other => other.Lines.Min(one => one.Index) > line.Index))
                {
                    scope = (term, paid, false);
                }
                else
                {
                    after.Add((term, paid));
                }
            }
        }

        if (scope is null && after.Count > 0 && after.Select(one => one.Term?.Months).Distinct().Count() == 1)
        {
            foreach (var plan in plans)
            {
                (plan.Term, plan.Paid) = after[0];
            }
        }
    }

    /// <summary>
    /// "Prices are per month": of the amounts whose own words do not say what they are for, only their length of time.
    /// </summary>
    public void ReadUnit()
    {
        var saysAMonth = draft
            .Lines.Where(line => line.Owner is null && line.Amounts.IsEmpty && line.Words.Length <= 300)
            .SelectMany(line => PageLines.Sentences(line.Words, line.From))
            .Any(sentence => PricesAMonth.IsMatch(sentence.Words) && !sentence.Words.EndsWith('?'));
        if (!saysAMonth)
        {
            return;
        }

        foreach (var plan in draft.Plans)
        {
            var month = plan.Ways.Find(way => way.IsByTheMonth)?.Price.Value;
            foreach (
                var way in plan.Ways.Where(way =>
                    way is { Term.Months: > 1, Price.Per: not Per.Month }
                    && way.Price.End == way.Price.At.To
                    && !(way.Price.Value > month) // More than a month costs: a sum, whatever is said.
                )
            )
            {
                (way.Per, way.Price) = (Per.Month, way.Price with { Per = Per.Month });
            }
        }
    }

    // "Pay yearly", "Pay monthly" side by side: which of them holds is not seen.
    private bool IsChoice(Line line) =>
        Terms.IsLabel(line.Words)
        && new[] { draft.LineAt(line.Index - 1), draft.LineAt(line.Index + 1) }.Any(other =>
            other is not null
            && Terms.IsLabel(other.Words)
            && Terms.In(other.Words, 0)[0].Months != Terms.In(line.Words, 0)[0].Months
        );

    /// <summary>
    /// "12 and 36 months are paid in one sum", "longer terms are paid up front": of the ways of those lengths.
    /// </summary>
    public void ReadByLength()
    {
        foreach (
            var sentence in draft
                .Lines.Where(line => line.Owner is null && line.Amounts.IsEmpty && line.Words.Length <= 300)
                .SelectMany(line => PageLines.Sentences(line.Words, line.From))
        )
        {
            if (
                sentence.Words.EndsWith('?')
                || Terms.PaidIn(Lengths.Replace(sentence.Words, match => new string(' ', match.Length))) is not { } paid
                || paid == Paid.MonthlyFree
            )
            {
                continue;
            }

            var months = Lengths
                .Matches(sentence.Words)
                .Select(match =>
                    match.Groups["annual"].Success ? 12
                    : match.Groups["months"].Success ? Patterns.Number(match.Groups["months"].Value)
                    : Patterns.Number(match.Groups["years"].Value) * 12
                )
                .ToHashSet();
            var isLonger = Longer.IsMatch(sentence.Words);
            foreach (
                var way in draft
                    .Plans.SelectMany(plan => plan.Ways)
                    .Where(way =>
                        way is { Paid: null, Term.Months: > 1 } && (isLonger || months.Contains(way.Term.Months))
                    )
            )
            {
                (way.Paid, way.PaidAt) = (paid, sentence.At);
            }
        }
    }
}
