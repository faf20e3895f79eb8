using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>What sentences outside the plans say: of one plan by its name, of several, of all, and in notes.</summary>
internal sealed partial class PageWork
{
    /// <summary>What sentences outside the plans say of one of them, of some, or of all.</summary>
    public void Sentences(Regex footnote, Regex forAll, Regex forAllHeading, Regex priceWords)
    {
        Scopes();
        PaidByLength();
        var isList = false;
        foreach (var line in Lines)
        {
            var isIn = line.Owner is PlanDraft;
            if (forAllHeading.IsMatch(line.Words))
            {
                isList = true;
                continue;
            }

            if (isList)
            {
                if (isIn || line.Amounts.Length > 0 || PlanBlocks.IsSection(line) || line.Words.Length > 90)
                {
                    isList = false;
                }
                else
                {
                    Everybody(line.Words, line.From);
                }
            }

            if (IsNote(line) && footnote.Match(line.Words) is { Success: true } note)
            {
                Note(note.Groups["mark"].Value, line, note.Groups["words"].Index);
                continue;
            }

            foreach (var sentence in line.Amounts.Length > MostInLine ? [] : PageLines.Sentences(line.Words, line.From))
            {
                if (
                    priceWords.Match(sentence.Words) is { Success: true } first
                    && !Patterns.Has(sentence.Words, @"\bdomain")
                    && !Patterns.Has(sentence.Words[..(first.Index + first.Length)], @"\b(?:no|not|never|without)\b")
                    && !isIn
                )
                {
                    IsFirstForAll = true;
                }

                if (!isIn)
                {
                    Named(sentence, line);
                    General(sentence, line, forAll);
                }
            }
        }
    }

    // Lines between plans that say how long or how they are paid hold for the plans below, until others do.
    private void Scopes()
    {
        var plans = Plans
            .Where(plan => plan.Lines.Count > 0)
            .OrderBy(plan => plan.Lines.Min(line => line.Index))
            .ToList();
        (Term? Term, Paid? Paid, bool IsFirst)? scope = null;
        List<(Term? Term, Paid? Paid)> after = [];
        var starts = plans.ToDictionary(plan => plan.Lines.Min(line => line.Index));
        foreach (var line in Lines)
        {
            if (starts.TryGetValue(line.Index, out var plan) && scope is { } holds)
            {
                (plan.Term, plan.Paid) = (holds.Term, holds.Paid);
            }

            if (
                line.Owner is not null
                || line.Words.Length > 260
                || IsChoice(line)
                || Offers.IsExample(line.Words)
                || line.Words.EndsWith('?')
                || Patterns.HasExact(line.Words, "^[“\"„]")
            )
            {
                continue;
            }

            foreach (var sentence in PageLines.Sentences(line.Words, line.From))
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

    // "Pay yearly", "Pay monthly" side by side: which of them holds is not seen.
    private bool IsChoice(Line line) =>
        Terms.IsLabel(line.Words)
        && new[] { At(line.Index - 1), At(line.Index + 1) }.Any(other =>
            other is not null
            && Terms.IsLabel(other.Words)
            && Terms.In(other.Words, 0)[0].Months != Terms.In(line.Words, 0)[0].Months
        );

    [GeneratedRegex(
        @"\b[0-9]{1,2}\s*(?:,|and|or|&|/)\s*(?=[0-9]{1,2}[- ](?:months?|years?))",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SeveralLengths { get; }

    [GeneratedRegex(
        @"\b(?<months>[0-9]{1,2})(?=(?:(?:\s*,\s*|\s*/\s*|,? (?:and|or|&) )[0-9]{1,2})*[- ]months?\b)"
            + @"|\b(?<years>[0-9]{1,2}|one|two|three|four|five)(?=(?:(?:\s*,\s*|\s*/\s*|,? (?:and|or|&) )(?:[0-9]{1,2}"
            + @"|one|two|three|four|five))*[- ]years?\b)|\b(?<annual>annual|yearly)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Lengths { get; }

    [GeneratedRegex(
        @"\b(?:longer|all other|other|multi-?\s?year) (?:terms?|cycles?|plans?|periods?|commitments?|contracts?"
            + @"|lengths?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Longer { get; }

    // "12 and 36 months are paid in one sum", "longer terms are paid up front": of the ways of those lengths.
    private void PaidByLength()
    {
        foreach (
            var sentence in Lines
                .Where(line => line.Owner is null && line.Amounts.IsEmpty && line.Words.Length <= 300)
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
                var way in Plans
                    .SelectMany(plan => plan.Ways)
                    .Where(way =>
                        way is { Paid: null, Term.Months: > 1 } && (isLonger || months.Contains(way.Term.Months))
                    )
            )
            {
                (way.Paid, way.PaidAt) = (paid, sentence.At);
            }
        }
    }

    private void Everybody(string words, int from)
    {
        foreach (var plan in Plans)
        {
            new PlanReader(Page, plan).FeaturesOf(words, from);
        }
    }

    [GeneratedRegex(
        @"^(?<name>[\p{L}0-9][\p{L}0-9 .&’'+-]{0,32}?)(?:\s*[:–—]\s+|\s+(?:has|have|comes with|includes|gives "
            + @"you|offers)\s+)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Opens { get; }

    // "Thicket then costs £5.75 a month and Coppice £9.25": each amount belongs to the name before it.
    private void Named(Piece sentence, Line line)
    {
        var amounts = line
            .Amounts.Where(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To)
            .ToList();
        if (amounts.Count == 0 && line.Owner is null && Described(sentence))
        {
            return;
        }

        if (amounts.Count == 0 || line.Owner is not (null or PageAmount))
        {
            return;
        }

        var mentions = new List<(PlanDraft Plan, int At)>();
        foreach (var plan in Plans.Where(plan => plan.Name is { Length: > 0 }))
        {
            mentions.AddRange(Patterns.Mentions(sentence.Words, plan.Name!).Select(at => (plan, sentence.From + at)));
        }

        if (mentions.Count == 0)
        {
            return;
        }

        var isLater = LaterContext.IsMatch(sentence.Words);
        foreach (var amount in amounts)
        {
            var mention = mentions
                .Where(one => one.At < amount.At.From)
                .OrderByDescending(one => Plans.IndexOf(one.Plan) >= 0 ? one.At + (one.Plan.Name!.Length / 100m) : 0)
                .FirstOrDefault();
            if (mention.Plan is null)
            {
                continue;
            }

            if (isLater)
            {
                mention.Plan.Later ??= amount;
                line.Owner ??= mention.Plan.Later;
            }
        }
    }

    // "Parkland has 10 GB and 3 sites; Downland has 60 GB": each part is of the plan that it opens with.
    private bool Described(Piece sentence)
    {
        var (start, isDescribed) = (0, false);
        foreach (var part in sentence.Words.Split("; "))
        {
            if (
                Opens.Match(part) is { Success: true } opens
                && Plans.Find(plan => plan.Name == opens.Groups["name"].Value) is { } described
            )
            {
                new PlanReader(Page, described).FeaturesOf(part[opens.Length..], sentence.From + start + opens.Length);
                isDescribed = true;
            }

            start += part.Length + 2;
        }

        return isDescribed;
    }

    // What a sentence says of all plans.
    private void General(Piece sentence, Line line, Regex forAll)
    {
        var words = sentence.Words;
        var amounts = line
            .Amounts.Where(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To)
            .ToList();
        if (line.Owner is not null || words.Length > 400 || words.EndsWith('?'))
        {
            return;
        }

        if (PlanReader.FreeSetup(words) is { Success: true } free && amounts.Count == 0)
        {
            FreeSetupForAll ??= new PageSpan(sentence.From + free.Index, sentence.From + free.Index + free.Length);
        }

        foreach (var amount in amounts)
        {
            if (
                Roles.Classify(amount, Page.Text[sentence.From..amount.At.From], Page.Text[amount.End..sentence.At.To])
                == Role.Setup
            )
            {
                line.Owner = this;
                if (Meant(words) is not { Count: > 0 } charged)
                {
                    SetupForAll ??= amount;
                    continue;
                }

                // "£10 for W1 and nothing for the others".
                foreach (var plan in Plans)
                {
                    if (charged.Contains(plan))
                    {
                        plan.Setup ??= amount;
                    }
                    else if (FreeForOthers.IsMatch(words))
                    {
                        plan.FreeSetup ??= sentence.At;
                    }
                }
            }
        }

        var isPrices = !Patterns.Has(words, @"\bdomain\b|\bnames?\b");
        if (PlanReader.SaysSame(words) && amounts.Count == 0 && isPrices)
        {
            IsSameForAll = true;
        }

        IsRegularForAll |= amounts.Count == 0 && isPrices && PlanReader.SaysRegular(words);
        if (PlanReader.SaysUnstated(words) && amounts.Count == 0 && Patterns.Has(words, @"\brenew"))
        {
            IsUnstatedForAll = true;
        }

        if (
            amounts.Count > 0
            && Plans.Count > 0
            && LaterContext.IsMatch(words)
            && (forAll.IsMatch(words) || Plans.Count == 1)
            && isPrices
        )
        {
            foreach (var plan in Plans)
            {
                plan.Later ??= amounts[0];
            }

            line.Owner ??= amounts[0];
        }

        if (DomainOffers.In(words, sentence.At) is { } offer)
        {
            var named = Patterns.HasExact(words, "^(?:It|This plan) ")
                ? Plans.FindLast(plan => plan.NameAt is { } name && name.From < sentence.From)
                : null;
            var meant = named is not null ? [named] : Meant(words);
            foreach (var plan in meant.Count > 0 ? meant : Plans.Where(plan => !plan.HasNoDomain))
            {
                plan.Domain = plan.Domain is { } known ? DomainOffers.With(known, offer) : offer;
            }
        }
        else if (amounts.Count == 0 && BothWord.IsMatch(words) && Plans.Count > 2)
        {
            var below = Plans
                .Where(plan => plan.NameAt is { } name && name.From > sentence.From)
                .OrderBy(plan => plan.NameAt!.Value.From)
                .Take(2)
                .ToList();
            foreach (var plan in below.Count == 2 ? below : Plans.TakeLast(2))
            {
                new PlanReader(Page, plan).FeaturesOf(
                    BothWord.Replace(words, match => new string(' ', match.Length)),
                    sentence.From
                );
            }
        }
        else if (
            amounts.Count == 0
            && words.Length < 200
            && !forAll.IsMatch(words)
            && !Patterns.Has(words, @"\b(?:no|not|without|except|unlike|unless|only|never)\b|n[’']t\b")
            && Meant(words) is { Count: > 0 } some
        )
        {
            foreach (var plan in some)
            {
                new PlanReader(Page, plan).FeaturesOf(words, sentence.From);
            }
        }
        else if (
            amounts.Count == 0
            && (forAll.IsMatch(words) || (Plans.Count == 1 && YouGet.IsMatch(words)))
            && words.Length < 200
            && Plans.Count > 0
            && !Offers.IsExample(words)
            && !words.Contains('©', StringComparison.Ordinal)
        )
        {
            Everybody(forAll.Replace(words, match => new string(' ', match.Length)), sentence.From);
        }
        else if (
            amounts.Count == 0
            && Patterns.Has(
                words,
                @"^(?:all |our )?(?:hosting|plans|sites|servers?)[^.]{0,20} (?:runs?|run) on (?:linux|windows)"
            )
        )
        {
            Everybody("Platform: " + Patterns.Find(words, "linux|windows").Value, sentence.From);
        }
    }

    [GeneratedRegex(
        @"\b(?:nothing|free|none|no (?:charge|fee)|not charged)\b[^.]{0,16}\b(?:others?|rest)\b"
            + @"|\b(?:others?|rest)\b[^.]{0,20}\b(?:nothing|free|none|no (?:charge|fee)|not charged)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FreeForOthers { get; }

    // "One domain is free with Stack", "Stack and Cliff include a domain": some of the plans, by their names.
    private List<PlanDraft> Meant(string words)
    {
        var meant = Plans.FindAll(plan =>
            plan.Name is { Length: > 0 } name
            && Patterns
                .Mentions(words, name)
                .Any(at => at == 0 || Patterns.Has(words[..at], @"(?:\b(?:with|on|in|for|to|of|and|or|the)\s+|,\s*)$"))
        );
        return meant.Count < Plans.Count ? meant : [];
    }

    // A note belongs to whatever bears its mark: a name, a price, a domain.
    private void Note(string mark, Line line, int from)
    {
        var words = line.Words[from..];
        var at = new PageSpan(line.From + from, line.Seen.At.To);
        var rest = new Line(line.Index, line.Seen with { At = at, Words = words })
        {
            Amounts = [.. line.Amounts.Where(amount => amount.At.From >= at.From)],
        };
        line.Owner ??= "note";
        var bearers = Plans
            .Where(plan =>
                plan.Domain is { At: var has }
                && (
                    Page.Text[has.From..has.To].Contains(mark, StringComparison.Ordinal)
                    || Bears(Page.Text, has.To, mark)
                )
            )
            .ToList();
        if ((bearers.Count > 0 || Patterns.Has(words, @"\bdomain\b")) && rest.Amounts.IsEmpty)
        {
            foreach (var plan in bearers.Count > 0 ? bearers : Plans.Where(plan => plan.Domain is not null))
            {
                plan.Domain = DomainOffers.With(
                    plan.Domain!,
                    new DomainOffer(
                        DomainOffers.EndingsIn(words),
                        DomainOffers.FromIn(words),
                        Patterns.Has(words, "as long as|every year"),
                        at
                    )
                );
            }

            return;
        }

        foreach (var plan in Plans)
        {
            var nameMark = plan.Note == line;
            if (nameMark && rest.Amounts.Length > 0)
            {
                new PlanReader(Page, plan).Read([rest]);
                continue;
            }

            foreach (
                var sentence in PageLines
                    .Sentences(words, at.From)
                    .Where(sentence =>
                        !rest.Amounts.Any(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To)
                    )
            )
            {
                var length = Terms.In(sentence.Words, sentence.From).FirstOrDefault();
                foreach (
                    var way in plan.Ways.Where(way =>
                        Bears(Page.Text, way.Price.At.To, mark)
                        || Bears(Page.Text, way.Price.End, mark)
                        || Page.Text[way.Price.At.To..Math.Min(Page.Text.Length, way.Price.End + 1)]
                            .Contains(mark, StringComparison.Ordinal)
                    )
                )
                {
                    way.IsFirst |= PlanReader.SaysFirst(sentence.Words);
                    way.IsSame |= PlanReader.SaysSame(sentence.Words);
                    way.IsRegular |= PlanReader.SaysRegular(sentence.Words);
                    way.IsUnstated |= PlanReader.SaysUnstated(sentence.Words) && rest.Amounts.IsEmpty;
                    way.Term ??= length;
                    way.Paid ??= Terms.PaidIn(sentence.Words);
                }
            }
        }

        foreach (var sentence in PageLines.Sentences(words, at.From))
        {
            var holder = line.Owner;
            line.Owner = null;
            Named(sentence, line);
            line.Owner ??= holder;
            if (PlanReader.SaysFirst(sentence.Words))
            {
                foreach (
                    var way in Plans
                        .SelectMany(plan => plan.Ways)
                        .Where(way =>
                            Page.Text[way.Price.At.To..Math.Min(Page.Text.Length, way.Price.End + 2)]
                                .Contains(mark, StringComparison.Ordinal)
                        )
                )
                {
                    way.IsFirst = true;
                }
            }

            var amounts = rest
                .Amounts.Where(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To)
                .ToList();
            if (
                amounts.Find(amount =>
                    Roles.Classify(
                        amount,
                        Page.Text[sentence.From..amount.At.From],
                        Page.Text[amount.End..sentence.At.To]
                    ) == Role.Setup
                ) is
                { } fee
            )
            {
                SetupForAll ??= fee;
            }

            if (
                amounts.Count == 1
                && Roles.Classify(
                    amounts[0],
                    Page.Text[sentence.From..amounts[0].At.From],
                    Page.Text[amounts[0].End..sentence.At.To]
                ) == Role.Later
                && !Plans.Any(plan => ReferenceEquals(plan.Later, amounts[0]))
            )
            {
                foreach (
                    var way in Plans
                        .SelectMany(plan => plan.Ways)
                        .Where(way =>
                            Page.Text[way.Price.At.To..Math.Min(Page.Text.Length, way.Price.End + 2)]
                                .Contains(mark, StringComparison.Ordinal)
                        )
                )
                {
                    way.Later ??= amounts[0];
                }
            }
        }
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
