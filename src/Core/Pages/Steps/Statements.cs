using System.Text.RegularExpressions;
using static HomeStart.Core.Pages.StatementWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads what sentences outside the plans say: of one by its name, of several, of all.</summary>
internal sealed class Statements(PageDraft draft)
{
    /// <summary>What sentences outside the plans say of one of them, of some, or of all.</summary>
    public void Read()
    {
        var isList = false;
        foreach (var line in draft.Lines)
        {
            var isIn = line.Owner is PlanDraft;
            if (ForAllHeading.IsMatch(line.Words))
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
                    Say(draft.Plans, line.Words, line.From);
                }
            }

            if (draft.IsNote(line) && Footnote.IsMatch(line.Words))
            {
                // "* for new customers. ** for two years": a note ends where the next begins.
                var notes = NoteStart.Matches(line.Words);
                foreach (var (at, note) in notes.Index())
                {
                    new Footnotes(draft, this).Read(
                        note.Groups["mark"].Value,
                        line,
                        note.Index + note.Length,
                        at + 1 < notes.Count ? notes[at + 1].Index : line.Words.Length
                    );
                }

                continue;
            }

            foreach (
                var sentence in line.Amounts.Length > PageDraft.MostInLine
                    ? []
                    : PageLines.Sentences(line.Words, line.From)
            )
            {
                if (
                    PriceWords.Match(sentence.Words) is { Success: true } first
                    && !Patterns.Has(sentence.Words, @"\bdomain")
                    && !Patterns.Has(sentence.Words[..(first.Index + first.Length)], @"\b(?:no|not|never|without)\b")
                    && !isIn
                )
                {
                    draft.IsFirstForAll = true;
                }

                if (!isIn)
                {
                    ReadNamed(sentence, line);
                    General(sentence, line);
                }
            }
        }
    }

    /// <summary>
    /// "Thicket then costs £5.75 a month and Coppice £9.25": each amount belongs to the name before it.
    /// </summary>
    public void ReadNamed(Piece sentence, Line line)
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
        foreach (var plan in draft.Plans.Where(plan => plan.Name is { Length: > 0 }))
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
                .OrderByDescending(one =>
                    draft.Plans.IndexOf(one.Plan) >= 0 ? one.At + (one.Plan.Name!.Length / 100m) : 0
                )
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
                && draft.Plans.Find(plan => plan.Name == opens.Groups["name"].Value) is { } described
            )
            {
                new PlanFeatures(draft.Page, described).ReadWords(
                    part[opens.Length..],
                    sentence.From + start + opens.Length
                );
                isDescribed = true;
            }

            start += part.Length + 2;
        }

        return isDescribed;
    }

    // What a sentence says of all plans, or of some by their names.
    private void General(Piece sentence, Line line)
    {
        var words = sentence.Words;
        if (line.Owner is not null || words.Length > 400 || words.EndsWith('?'))
        {
            return;
        }

        var amounts = line
            .Amounts.Where(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To)
            .ToList();
        SetupIn(sentence, line, amounts);
        if (!Patterns.Has(words, @"\bdomain\b|\bnames?\b"))
        {
            LaterIn(words, line, amounts);
        }

        draft.IsUnstatedForAll |=
            amounts.Count == 0 && PlanWords.SaysUnstated(words) && Patterns.Has(words, @"\brenew");
        if (DomainOffers.In(words, sentence.At) is { } offer)
        {
            DomainIn(sentence, offer);
        }
        else if (amounts.Count == 0)
        {
            FeaturesIn(sentence);
        }
    }

    private void SetupIn(Piece sentence, Line line, List<PageAmount> amounts)
    {
        if (amounts.Count == 0 && PlanWords.FreeSetup(sentence.Words) is { Success: true } said)
        {
            draft.FreeSetupForAll ??= new PageSpan(
                sentence.From + said.Index,
                sentence.From + said.Index + said.Length
            );
        }

        foreach (var amount in amounts.Where(amount => draft.RoleIn(sentence, amount) == Role.Setup))
        {
            line.Owner = this;
            if (PlanWords.OnMonthly.IsMatch(sentence.Words) && MonthlyWays() is { Count: > 0 } monthly)
            {
                monthly.ForEach(way => way.Setup ??= amount);
                continue;
            }

            var free = FreeFor.Match(sentence.Words) is { Success: true } lead
                ? Meant(sentence.Words[lead.Index..])
                : [];
            var charged = free.Count > 0 ? draft.Plans.Except(free).ToList() : Meant(sentence.Words);
            if (charged.Count == 0)
            {
                draft.SetupForAll ??= amount;
                continue;
            }

            // "£10 for W1 and nothing for the others", "£10, waived for W2".
            charged.ForEach(plan => plan.Setup ??= amount);
            if (free.Count == 0 && FreeForOthers.IsMatch(sentence.Words))
            {
                free = [.. draft.Plans.Except(charged)];
            }

            free.ForEach(plan => plan.FreeSetup ??= sentence.At);
        }
    }

    // "A set-up fee of £15 on the monthly option", where plans can be paid otherwise too.
    private List<WayDraft> MonthlyWays() =>
        [
            .. draft
                .Plans.Where(plan => plan.Ways.Count > 1)
                .SelectMany(plan => plan.Ways)
                .Where(way => way.IsByTheMonth),
        ];

    private void LaterIn(string words, Line line, List<PageAmount> amounts)
    {
        draft.IsSameForAll |= amounts.Count == 0 && PlanWords.SaysSame(words);
        draft.IsRegularForAll |= amounts.Count == 0 && PlanWords.SaysRegular(words);
        if (ReadInOrder(line, amounts))
        {
            line.Owner ??= amounts[0];
        }
        else if (
            amounts.Count > 0
            && draft.Plans.Count > 0
            && LaterContext.IsMatch(words)
            && (OfAll.IsMatch(words) || draft.Plans.Count == 1)
        )
        {
            foreach (var plan in draft.Plans)
            {
                plan.Later ??= amounts[0];
            }

            line.Owner ??= amounts[0];
        }
    }

    /// <summary>
    /// "After the first year 4.99 / 7.99 / 12.99 a month": as many later prices as there are plans, in their order.
    /// </summary>
    public bool ReadInOrder(Line line, IReadOnlyList<PageAmount> amounts)
    {
        if (amounts.Count != draft.Plans.Count || !draft.ListsLaterPrices(line, draft.Plans.Count))
        {
            return false;
        }

        foreach (var (plan, amount) in draft.Plans.Zip(amounts))
        {
            plan.Later ??= amount.Per == Per.None ? amount with { Per = amounts[^1].Per } : amount;
        }

        return true;
    }

    private void DomainIn(Piece sentence, DomainOffer offer)
    {
        var named = Patterns.HasExact(sentence.Words, "^(?:It|This plan) ")
            ? draft.Plans.FindLast(plan => plan.NameAt is { } name && name.From < sentence.From)
            : null;
        var meant = named is not null ? [named] : Meant(sentence.Words);
        foreach (var plan in meant.Count > 0 ? meant : draft.Plans.Where(plan => !plan.HasNoDomain))
        {
            plan.Domain = plan.Domain is { } known ? DomainOffers.With(known, offer) : offer;
        }
    }

    private void FeaturesIn(Piece sentence)
    {
        var words = sentence.Words;
        if (BothWord.IsMatch(words) && draft.Plans.Count > 2)
        {
            Say(TwoBelow(sentence.From), Blanked(BothWord, words), sentence.From);
        }
        else if (
            words.Length < 200
            && !OfAll.IsMatch(words)
            && !Patterns.Has(words, @"\b(?:no|not|without|except|unlike|unless|only|never)\b|n[’']t\b")
            && Meant(words) is { Count: > 0 } some
        )
        {
            Say(some, words, sentence.From);
        }
        else if (
            (OfAll.IsMatch(words) || (draft.Plans.Count == 1 && YouGet.IsMatch(words)))
            && words.Length < 200
            && !Offers.IsExample(words)
            && !words.Contains('©', StringComparison.Ordinal)
        )
        {
            Say(draft.Plans, Blanked(OfAll, words), sentence.From);
        }
        else if (
            Patterns.Has(
                words,
                @"^(?:all |our )?(?:hosting|plans|sites|servers?)[^.]{0,20} (?:runs?|run) on (?:linux|windows)"
            )
        )
        {
            Say(draft.Plans, "Platform: " + Patterns.Find(words, "linux|windows").Value, sentence.From);
        }
    }

    // "In both": the next two plans; where there are none below, the last two.
    private IEnumerable<PlanDraft> TwoBelow(int from)
    {
        var below = draft
            .Plans.Where(plan => plan.NameAt is { } name && name.From > from)
            .OrderBy(plan => plan.NameAt!.Value.From)
            .Take(2)
            .ToList();
        return below.Count == 2 ? below : draft.Plans.TakeLast(2);
    }

    private static string Blanked(Regex lead, string words) =>
        lead.Replace(words, match => new string(' ', match.Length));

    // "One domain is free with Stack", "Stack and Cliff include a domain": some of the plans, by their names.
    private List<PlanDraft> Meant(string words)
    {
        var meant = draft.Plans.FindAll(plan =>
            plan.Name is { Length: > 0 } name
            && Patterns
                .Mentions(words, name)
                .Any(at => at == 0 || Patterns.Has(words[..at], @"(?:\b(?:with|on|in|for|to|of|and|or|the)\s+|,\s*)$"))
        );
        return meant.Count < draft.Plans.Count ? meant : [];
    }

    private void Say(IEnumerable<PlanDraft> plans, string words, int from)
    {
        foreach (var plan in plans)
        {
            new PlanFeatures(draft.Page, plan).ReadWords(words, from);
        }
    }
}
