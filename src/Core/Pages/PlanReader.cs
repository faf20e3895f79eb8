using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads the lines of one plan: its ways to pay, its fee, what it has.</summary>
internal sealed partial class PlanReader(PageText page, PlanDraft plan)
{
    [GeneratedRegex(
        @"\b(?:for (?:the |your )?first (?:term|period|year|month|[0-9]+ months?)|in (?:the|your) first (?:year"
            + @"|month|term)|intro(?:ductory)?|new customers?|promotion(?:al)?|promo|welcome (?:price|offer)|launch "
            + @"(?:price|offer)|first[- ](?:year|term) price|special offer|sale price|campaign price)\b(?!,? ever)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FirstWords { get; }

    [GeneratedRegex(
        @"\bno (?:campaign|introductory|promotional|teaser) prices?\b|\bnot an? (?:introductory|promotional|first)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex NotFirst { get; }

    [GeneratedRegex(
        @"(?:\bsave|\bsaving|-|−|–)\s*[0-9]{1,2} ?%|\b[0-9]{1,2} ?% (?:off|cheaper|less|saving|discount)\b(?! "
            + @"(?:than|on|over|against|compared (?:to|with)|versus|vs\.?) (?:the )?(?:paying |our |billing "
            + @")?(?:monthly|month|by the month|rolling))",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Percent { get; }

    [GeneratedRegex(
        @"\bno (?:price (?:rises?|increases?|hikes?|jumps?)|increase|rise)\b|\b(?:the )?same (?:price|rate"
            + @"|amount)\b|\bcosts? the same\b|\brenews? at (?:the same|this price)|\bprices? (?:that )?(?:never"
            + @"|do(?:es)? not|don.t|doesn.t|won.t|will not) (?:change|rise|go up|increase)|\bprice (?:lock|for life"
            + @"|guarantee)|\bnever goes up\b|\bstays? the same\b|\bthe same (?:when you renew|again|every year|each "
            + @"year|on renewal)|\bno (?:campaign|introductory) price",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SameWords { get; }

    [GeneratedRegex(
        @"\b(?:then[- ]current|current|regular|standard|prevailing|usual|normal|list)(?: list| market)? (?:rate"
            + @"|price)s?\b(?! of)(?=[^0-9£€$]*$)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Unstated { get; }

    [GeneratedRegex(
        @"\b(?:no|free|without(?: a)?|zero) (?:set-?\s?up|activation|installation|joining)(?: fees?| charges?| "
            + @"costs?)?\b|\b(?:set-?\s?up|activation|installation|setting up)(?: fees?| charges?| costs?)? ?(?:is "
            + @"|are |:)? ?(?:free|waived|included|none)\b|\bnothing to pay for setting up\b|\bthere is no set-?\s?up "
            + @"fee\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FreeSetupWords { get; }

    [GeneratedRegex(
        @"\b(?:on|with|for|if you pay|when (?:you )?pay(?:ing)?)\s+(?:the )?(?:monthly|by the month|1-month"
            + @"|one-month|1 month)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OnMonthly { get; }

    [GeneratedRegex(
        @"\b(?:from|starting at|starts at|as low as|from only|from just)\s*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FromPrice { get; }

    [GeneratedRegex(
        @"^[\s(*†‡–—·|:%\-−]*(?:(?:(?:you |and )?sav(?:es?|ings?|ed)\b[\s:]*(?:up to )?(?:[A-Z]{0,3}\$|£|€|₹"
            + @"|[A-Z]{3} )?\s?[0-9.,' \u00A0]*\s?(?:%|kr|zł|Kč|[A-Z]{3}\b|€)?|[0-9]{1,2} ?%(?: off)?|now|only|just"
            + @"|today|off)[\s)*†‡–—·|:\-−]*)*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OnlySaving { get; }

    // "£8 a month, or £80 if you pay for a year": the length stands behind the second price.
    [GeneratedRegex(@"\bor\b(?: (?:just|only|pay|simply))*\s*$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Alternative { get; }

    // "First month £1, then £6 a month".
    [GeneratedRegex(
        $@"\b(?:first|initial) (?:{Patterns.Count}[- ])?(?:months?|(?<year>years?))[\s:–—-]*(?:(?:is|for|at|only"
            + @"|just|costs?|pay) )*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FirstLength { get; }

    // "Annual fee: €48.00".
    [GeneratedRegex(
        @"\b(?:(?<month>monthly)|annual|yearly) (?:fee|price|cost|charge|rate|rent)s?\b[\s:]*(?:is |of )?$"
            + @"|\b(?:fee|price|cost|charge|rate)s? (?:per|a|each|by the) (?:(?<month>month)|year)\b[\s:]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FeeOf { get; }

    [GeneratedRegex(
        @"^\W*(?:\(|=|that.s|that is|i\.?e\.|works out|equals|equivalent|which is|just|only)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex ThatIs { get; }

    // "€75 if you pay a whole year at once".
    [GeneratedRegex(@"^\W*(?:if|when|for those who)(?: you)? (?:pay|paid)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex IfPaid { get; }

    [GeneratedRegex(
        @"^\W*(?:set-?\s?up|setting up|activation|installation)(?: fees?| charges?| costs?| price)?\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SetupLabel { get; }

    [GeneratedRegex(@"^\W*(?:free|none|included|waived|nothing|no charge)\W*$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex FreeWord { get; }

    private readonly List<PageAmount> _pendingStruck = [];
    private WayDraft? _way;
    private Term? _pending;
    private Paid? _pendingPaid;
    private Term? _pendingFree;
    private PageAmount? _lastPlain;
    private bool _labelsFirst;
    private string _above = "";

    /// <summary>Reads the lines into the plan.</summary>
    public void Read(IReadOnlyList<Line> lines)
    {
        plan.Lines.AddRange(lines);
        _labelsFirst = LabelsFirst(lines);
        for (var at = 0; at < lines.Count; at++)
        {
            Way(lines, at);
        }

        // "£2.99 a month", and below it "Was £5.99".
        if (
            plan.Ways is [{ Struck: null } only]
            && _pendingStruck.Find(amount => amount.Value > only.Price.Value) is { } dear
        )
        {
            only.Struck = dear;
        }
    }

    /// <summary>Reads what lines say the plan has.</summary>
    public void Features(IEnumerable<Line> lines)
    {
        var list = lines.ToList();
        for (var at = 0; at < list.Count; at++)
        {
            var line = list[at];
            if (line.Owner is PageTable)
            {
                continue;
            }

            // A label and its value on lines of their own.
            if (
                at + 1 < list.Count
                && line.Words.Length <= 40
                && line.Amounts.IsEmpty
                && !line.Words.Any(char.IsAsciiDigit)
                && Pages.Features.KeyOf(line.Words) is { } key
                && IsValue(list[at + 1].Words)
            )
            {
                if (key == "domain")
                {
                    DomainCell(line.Words, list[at + 1].Words, line.Seen.At);
                }
                else if (
                    Pages.Features.OfCell(
                        line.Words,
                        list[at + 1].Words,
                        new PageSpan(line.From, list[at + 1].Seen.At.To)
                    ) is
                    { } cell
                )
                {
                    plan.Add(cell);
                }

                at++;
                continue;
            }

            FeaturesOf(line.Words, line.From);
        }
    }

    private const string Crosses = "✗✘✕❌×";

    /// <summary>What words say the plan has.</summary>
    public void FeaturesOf(string words, int from)
    {
        foreach (var sentence in PageLines.Sentences(words, from))
        {
            if (
                !Crosses.Contains(sentence.Words[0])
                && DomainOffers.In(Unstruck(sentence), sentence.At) is { } whole
                && !sentence.Words.Contains('·', StringComparison.Ordinal)
                && sentence.Words.Count(letter => letter == ',') <= 3
            )
            {
                Domain(whole);
            }
        }

        foreach (var piece in PageLines.Pieces(words, from))
        {
            if (Crosses.Contains(piece.Words[0]) && DomainOffers.In(piece.Words, piece.At) is not null)
            {
                plan.HasNoDomain = true;
            }
            else if (DomainOffers.In(Unstruck(piece), piece.At) is { } domain)
            {
                Domain(domain);
            }

            foreach (var feature in Pages.Features.In(piece.Words, piece.From))
            {
                plan.Add(feature);
            }
        }
    }

    /// <summary>How long the price is for that comes next.</summary>
    public void Expect(Term term) => (_way, _pending) = (null, term);

    /// <summary>An amount that is struck: of the price above, or of the one that comes.</summary>
    public void Struck(PageAmount amount)
    {
        if (plan.Ways.Count > 0)
        {
            plan.Ways[^1].Struck ??= amount;
        }
        else
        {
            _pendingStruck.Add(amount);
        }
    }

    public void DomainCell(string label, string cell, PageSpan at)
    {
        if (Pages.Features.IsCross(cell) || cell.Trim().Equals("no", StringComparison.OrdinalIgnoreCase))
        {
            plan.HasNoDomain = true;
            return;
        }

        if (
            DomainOffers.In(
                label.Contains("free", StringComparison.OrdinalIgnoreCase)
                || label.Contains("included", StringComparison.OrdinalIgnoreCase)
                    ? label + " " + cell
                    : "free " + label + " " + cell,
                at
            ) is
            { } offer
        )
        {
            Domain(offer);
        }
    }

    private void Domain(DomainOffer offer) =>
        plan.Domain = plan.Domain is { } known ? DomainOffers.With(known, offer) : offer;

    // "Free domain £9.99", the price struck out, is free all the same.
    private string Unstruck(Piece piece)
    {
        if (!IsStruck(page, piece.At))
        {
            return piece.Words;
        }

        var words = piece.Words.ToCharArray();
        for (
            var number = FirstStruck(page, piece.From);
            number < page.Struck.Length && page.Struck[number].From < piece.At.To;
            number++
        )
        {
            var struck = page.Struck[number];
            var (from, to) = (Math.Max(0, struck.From - piece.From), Math.Min(words.Length, struck.To - piece.From));
            Array.Fill(words, ' ', from, to - from);
        }

        return new string(words);
    }

    private static bool IsValue(string words) =>
        Pages.Features.IsTick(words)
        || Pages.Features.IsCross(words)
        || Patterns.HasExact(
            words,
            @"^(?:up to |about |around |~ ?)?[0-9][0-9.,'’ ]*(?: ?[GMTgmt]B)?$|^(?:[Uu]nlimited|[Uu]nmetered"
                + @"|[Nn]one|[Ll]inux.*|[Ww]indows.*)$"
        );

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

        Said(words, line);
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
        var terms = Terms
            .In(sentence.Words, sentence.From)
            .Where(term =>
                !line.Amounts.Any(amount =>
                    (amount.At.From <= term.At.From && term.At.To <= amount.End)
                    || (term.At.From > amount.At.From && term.At.From < amount.At.To)
                )
            )
            .ToList();
        var cuts = Cuts(sentence);
        var isExcluded = false;
        var wasSetup = false;
        if (amounts.Count == 0)
        {
            Apply(terms, sentence.Words, line);
            return;
        }

        for (var number = 0; number < amounts.Count; number++)
        {
            var amount = amounts[number];
            var from = number == 0 ? sentence.From : amounts[number - 1].End;
            var to = number + 1 < amounts.Count ? amounts[number + 1].At.From : sentence.At.To;
            var start = Math.Max(from, cuts.Where(cut => cut <= amount.At.From).DefaultIfEmpty(sentence.From).Max());
            var end = Math.Min(to, cuts.Where(cut => cut >= amount.End).DefaultIfEmpty(sentence.At.To).Min());
            var before = page.Text[Math.Min(start, amount.At.From)..amount.At.From];
            if (number == 0 && before.Trim().Length == 0 && line.Label.Length > 0 && !Terms.IsLabel(line.Label))
            {
                before = line.Label + ": ";
            }

            var behind = page.Text[Math.Min(amount.End, end)..end];
            if (
                amount.Per == Per.None
                && FeeOf.Match(before.Trim().Length == 0 && number == 0 ? _above : before) is { Success: true } fee
            )
            {
                amount = amount with { Per = fee.Groups["month"].Success ? Per.Month : Per.Year };
            }

            var role = IsStruck(amount)
                ? Role.Struck
                : Roles.Classify(
                    amount,
                    before,
                    behind,
                    isExcluded && Roles.IsWithTax(before, page.Text[amount.At.To..Math.Max(amount.At.To, end)])
                );
            if (role == Role.Later && wasSetup)
            {
                role = Role.Price; // "£20 set-up, then £3 a month".
            }

            (isExcluded, wasSetup) = (
                Roles.IsWithoutTax(page.Text[amount.At.To..Math.Min(page.Text.Length, Math.Max(amount.End, to))]),
                role == Role.Setup
            );
            if (
                role == Role.Price
                && (
                    (number > 0 && Alternative.IsMatch(before))
                    || (_way is { Price.Per: Per.Month } && amount.Per == Per.None && IfPaid.IsMatch(behind))
                )
                && terms.Find(term => term.At.From >= amount.At.To && term.At.To <= to) is { } ahead
            )
            {
                terms.Remove(ahead);
                (_way, _pending, _pendingPaid) = (null, ahead, Terms.PaidIn(behind));
                Take(amount, role, before, line);
                continue;
            }

            if (role == Role.Price && FirstLength.Match(before) is { Success: true } opening)
            {
                var count = opening.Groups["count"].Success ? Patterns.Number(opening.Groups["count"].Value) ?? 1 : 1;
                if (count == 1 || amount.Per != Per.None)
                {
                    _pending = new Term(
                        opening.Groups["year"].Success ? count * 12 : count,
                        new PageSpan(amount.At.From - opening.Length, amount.At.From)
                    );
                    Take(amount, role, before, line);
                    _way!.IsFirst = true;
                    continue;
                }
            }

            var between = terms.Where(term => term.At.From >= from && term.At.To <= amount.At.From).ToList();
            terms.RemoveAll(between.Contains);
            if (between.Count > 0 && role is Role.Price or Role.Total or Role.Struck)
            {
                if (_way is not null && _way.Term is null && number > 0 && !_labelsFirst)
                {
                    _way.Term = between[0];
                }
                else
                {
                    _pending = between[^1];
                }
            }

            if (
                between.Count > 0
                && role is not (Role.Price or Role.Total or Role.Struck)
                && _way is { Term: null } waiting
            )
            {
                waiting.Term = between[0];
            }

            Take(amount, role, before, line);
        }

        // "Payment: yearly, in advance · Afterwards: €5": what stands before is of the price above.
        if (
            _way is { Paid: null } open
            && open.Line != line
            && Terms.PaidIn(page.Text[sentence.From..amounts[0].At.From]) is { } said
        )
        {
            (open.Paid, open.PaidAt) = (said, sentence.At);
        }

        Apply(
            [.. terms.Where(term => term.At.From >= amounts[0].At.From)],
            page.Text[amounts[0].At.From..sentence.At.To],
            line
        );
        if (
            terms.FirstOrDefault(term => term.At.To <= amounts[0].At.From) is { } first
            && _way is { Term: null }
            && _way.Line == line
        )
        {
            _way.Term = first;
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

    private void Take(PageAmount amount, Role role, string before, Line line)
    {
        switch (role)
        {
            case Role.Struck:
                _pendingStruck.Add(amount);
                if (_way is { Struck: null } way && way.Line == line && way.Price.At.From < amount.At.From)
                {
                    way.Struck = amount;
                    _pendingStruck.Clear();
                }

                break;
            case Role.Later:
                if (
                    _way is not null
                    && _way.Line != line
                    && plan.Ways.Count > 1
                    && plan.Ways.TrueForAll(other => other.Later is null)
                )
                {
                    // Below several lengths of time: all of them renew at it, save what is paid by the month.
                    foreach (
                        var longer in plan.Ways.Where(other =>
                            other.Term?.Months != 1
                            && (other.Price.Per == amount.Per || amount.Per == Per.None || other == _way)
                        )
                    )
                    {
                        longer.Later = amount;
                    }
                }
                else if (_way is not null)
                {
                    _way.Later ??= amount;
                    if (_way.Later != amount && plan.Later is null)
                    {
                        plan.Later = amount;
                    }
                }
                else
                {
                    plan.Later ??= amount;
                }

                break;
            case Role.Setup:
                if (OnMonthly.IsMatch(line.Words) && _way is not null)
                {
                    _way.Setup = amount;
                }
                else
                {
                    plan.Setup ??= amount;
                }

                break;
            case Role.Total when _way is not null:
                _way.Totals.Add(amount);
                break;
            case Role.Saving:
                _way?.Savings.Add(amount);
                if (_way is null)
                {
                    plan.IsFirst = true;
                }

                break;
            case Role.WithTax when _way is { Price.Per: Per.None } taxed && amount.Per != Per.None:
                taxed.Price = taxed.Price with { Per = amount.Per };
                taxed.Per = amount.Per;
                break;
            case Role.Price or Role.Total:
                Price(amount, before, line);
                break;
        }
    }

    private void Price(PageAmount amount, string before, Line line)
    {
        if (amount.Per == Per.Once && _pending is null)
        {
            return; // Paid once, and for no length of time: no price of a plan.
        }

        if (_way is { } same && IsSameSum(same, amount, line))
        {
            return;
        }

        // The same price again: in the choice of a length, and large below it.
        if (
            _labelsFirst
            && _way is { Term: not null } again
            && _pending is null
            && line.Seen.Cell is null
            && amount.Per is Per.Month or Per.Year
            && (again.Price.Value, again.Price.Per) == (amount.Value, amount.Per)
        )
        {
            again.Totals.Add(amount);
            return;
        }

        if (
            !page.IsMarked
            && _lastPlain is { } last
            && _way is { } open
            && ReferenceEquals(open.Price, last)
            && last.Value > amount.Value
            && last.Per is Per.None
            && open.Struck is null
            && OnlySaving.IsMatch(page.Text[last.End..amount.At.From])
        )
        {
            open.Struck = last;
            open.Price = amount;
            open.Per = amount.Per;
            open.IsFrom |= FromPrice.IsMatch(before);
            _lastPlain = amount;
            return;
        }

        // In the same words, per month and struck of the same kind.
        if (
            !page.IsMarked
            && _lastPlain is { } dear
            && _way is { } before2
            && ReferenceEquals(before2.Price, dear)
            && dear.Value > amount.Value
            && (dear.Per == amount.Per || amount.Per != Per.None)
            && before2.Struck is null
            && OnlySaving.IsMatch(page.Text[dear.End..amount.At.From])
            && before2.Term is null
        )
        {
            before2.Struck = dear;
            before2.Price = amount;
            before2.Per = amount.Per;
            _lastPlain = amount;
            return;
        }

        // In plain text a dearer amount right behind the price may be struck, or may not.
        if (
            !page.IsMarked
            && _lastPlain is { } cheap
            && _way is not null
            && ReferenceEquals(_way.Price, cheap)
            && amount.Per == Per.None
            && cheap.Value < amount.Value
            && page.Text[cheap.End..amount.At.From].Trim(' ').Length == 0
        )
        {
            return;
        }

        if (amount.IsPaidMonthly && _pending is null)
        {
            _pending = new Term(1, new PageSpan(amount.At.From, amount.End));
        }

        // A second price without a term of its own is no other way to pay.
        if (
            _way is { Term: null } first
            && _pending is null
            && (first.Price.Per == amount.Per || amount.Per == Per.None)
        )
        {
            return;
        }

        _way = new WayDraft(amount, line)
        {
            Term = _pending,
            Paid = _pendingPaid,
            Free = _pendingFree,
            IsFirst = amount.IsFirst,
            IsFrom = FromPrice.IsMatch(before),
        };
        if (_pendingStruck.Count > 0)
        {
            _way.Struck = _pendingStruck[^1];
            _pendingStruck.Clear();
        }

        (_pending, _pendingPaid, _pendingFree) = (null, null, null);
        _lastPlain = amount;
        plan.Ways.Add(_way);
    }

    // The same price said for another length: "£35.88 a year (£2.99 a month)".
    private bool IsSameSum(WayDraft way, PageAmount amount, Line line)
    {
        if (way.Line != line && line.Index - way.Line.Index > 4)
        {
            return false;
        }

        if (way.Price.Per == Per.Month && amount.Per is Per.Year or Per.None or Per.Once)
        {
            foreach (var months in new[] { way.Term?.Months ?? 0, 12, 24, 36, 48, 60 })
            {
                if (months > 1 && Math.Abs((way.Price.Value * months) - amount.Value) <= months * 0.01m)
                {
                    way.Totals.Add(amount);
                    if (way.Term is null && (amount.Per == Per.Year || _pending?.Months == months))
                    {
                        way.Term = _pending?.Months == months ? _pending : new Term(12, amount.At);
                    }

                    _pending = null;

                    return true;
                }
            }
        }

        var isBeside = way.Line == line || (line.Index - way.Line.Index <= 2 && ThatIs.IsMatch(line.Words));
        if (amount.Per == Per.Month && way.Price.Per is Per.Year or Per.None && isBeside)
        {
            foreach (
                var months in new[] { way.Price.Per == Per.Year ? 12 : way.Term?.Months ?? 0, way.Term?.Months ?? 0 }
            )
            {
                if (months > 1 && Math.Abs((amount.Value * months) - way.Price.Value) <= months * 0.01m)
                {
                    way.Totals.Add(way.Price);
                    way.Term ??= new Term(months, way.Price.At);
                    way.Price = amount;
                    way.Per = Per.Month;
                    return true;
                }
            }
        }

        return false;
    }

    private void WordsAlone(Line line, IReadOnlyList<Line> lines, int at)
    {
        var words = line.Words;
        if (words.EndsWith('?'))
        {
            return;
        }

        Said(words, line);
        if (SetupLabel.IsMatch(_above) && FreeWord.IsMatch(words))
        {
            plan.FreeSetup ??= line.Seen.At;
        }

        var terms = Terms.In(words, line.From);
        if (Terms.IsLabel(words) && (_labelsFirst || _way is null) && PriceFollows(lines, at))
        {
            (_pending, _pendingPaid, _pendingFree) = (terms[0], Terms.PaidIn(words), Terms.FreeIn(words, line.From));
            _way = null;
            return;
        }

        foreach (var sentence in PageLines.Sentences(words, line.From))
        {
            // "2 mailboxes free for 1 year": a length of what the plan has, not of its price.
            var had = PageLines
                .Pieces(sentence.Words, sentence.From)
                .Where(piece => Pages.Features.In(piece.Words, 0).Length > 0)
                .ToList();
            Apply(
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

    // Lengths and ways to pay that stand behind a price complete it; before any, they wait for it.
    private void Apply(IReadOnlyList<Term> terms, string words, Line line)
    {
        var paid = words.Length <= 300 ? Terms.PaidIn(words) : null;
        var free = Terms.FreeIn(words, line.From);
        if (terms.Count > 0)
        {
            if (_way is { Term: null })
            {
                _way.Term = terms[0];
            }
            else if (_way is null)
            {
                _pending = terms[0];
            }
        }

        if (paid is not null)
        {
            if (_way is { Paid: null })
            {
                (_way.Paid, _way.PaidAt) = (paid, line.Seen.At);
            }
            else if (_way is null)
            {
                _pendingPaid = paid;
            }
        }

        if (free is not null)
        {
            if (_way is not null)
            {
                _way.Free ??= free;
            }
            else
            {
                _pendingFree = free;
            }
        }
    }

    private void Said(string words, Line line)
    {
        if (
            FirstWords.IsMatch(NotFirst.Replace(words, " "))
            && DomainOffers.In(words, line.Seen.At) is null
            && !Patterns.Has(words, @"\bdomain\b")
        )
        {
            plan.IsFirst = true;
        }

        if (Percent.IsMatch(words))
        {
            if (_way is not null && _way.Line.Index >= line.Index - 2)
            {
                _way.HasPercent = true;
            }
            else
            {
                plan.IsFirst |= _way is null && line.Amounts.Length > 0;
            }
        }

        if (SameWords.IsMatch(words))
        {
            if (_way is not null)
            {
                _way.IsSame = true;
            }
            else
            {
                plan.IsSame = true;
            }

            if (line.Amounts.IsEmpty)
            {
                plan.IsSame = true;
            }
        }

        if (Unstated.IsMatch(words))
        {
            plan.IsUnstated = true;
            plan.IsRegular |= SaysRegular(words);
        }

        if (FreeSetupWords.Match(words) is { Success: true } free)
        {
            var at = new PageSpan(line.From + free.Index, line.From + free.Index + free.Length);
            if (OnMonthly.IsMatch(words) && _way is not null)
            {
                _way.FreeSetup = at;
            }
            else
            {
                plan.FreeSetup ??= at;
            }
        }
    }

    private bool IsStruck(PageAmount amount) => IsStruck(page, amount.At);

    /// <summary>Whether a place is struck out.</summary>
    public static bool IsStruck(PageText page, PageSpan at) =>
        FirstStruck(page, at.From) is var first && first < page.Struck.Length && page.Struck[first].From < at.To;

    // The number of the first struck span that ends behind a place; they are in order, and apart.
    private static int FirstStruck(PageText page, int from)
    {
        var (low, high) = (0, page.Struck.Length);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = page.Struck[middle].To <= from ? (middle + 1, high) : (low, middle);
        }

        return low;
    }

    public static bool SaysSame(string words) => SameWords.IsMatch(words);

    public static bool SaysUnstated(string words) => Unstated.IsMatch(words);

    [GeneratedRegex(
        @"\b(?:regular|normal|usual|standard|list|full)(?: list)? (?:price|rate)s?\b(?! of)(?=[^0-9£€$]*$)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Regular { get; }

    [GeneratedRegex(
        @"\brenew|\bafter|\bthen\b|\bappl(?:y|ies)\b|\bfrom the second\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Renewing { get; }

    /// <summary>Whether words say that the regular rate follows.</summary>
    public static bool SaysRegular(string words) => Regular.IsMatch(words) && Renewing.IsMatch(words);

    public static bool SaysFirst(string words) => FirstWords.IsMatch(NotFirst.Replace(words, " "));

    public static Match FreeSetup(string words) => FreeSetupWords.Match(words);

    public static bool SaysFrom(string before) => FromPrice.IsMatch(before);
}
