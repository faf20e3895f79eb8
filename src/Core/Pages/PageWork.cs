using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>An extra as far as it is read.</summary>
internal sealed record ExtraDraft(string Name, PageSpan NameAt, PageAmount Price, string Per, bool IsTicked);

/// <summary>A page while it is read, room by room: tables, endings, plans, sentences, extras.</summary>
internal sealed partial class PageWork
{
    [GeneratedRegex(@"^(?:[*•·‣▪–-]\s+)?(?<name>[\p{L}0-9][\p{L}0-9 .&’'+/-]{0,32}?)\s*(?:\s[–—-]\s|:\s)", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex InlineName { get; }
    [GeneratedRegex(@"(?:^|[.!]\s+|\bwith |, )(?:[Oo]ur |[Tt]he |[Ww]ith |[Tt]ake |[Cc]hoose |[Gg]et )?(?<name>(?!(?:It|This|That|They|We|There|You|Here)\b)[\p{Lu}0-9][\p{L}0-9.&’'-]*(?: (?:[\p{Lu}0-9][\p{L}0-9.&’'-]*|and|of|the))*?)(?: (?:plan|account|package|hosting|web hosting))?,? (?:costs?|is|comes at|for|starts at|sells for|you pay|at)\s+(?:only |just |from )?$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Prose { get; }
    [GeneratedRegex(@"^\W*(?:moving|transfer(?:ring|s)?|bring(?:ing)?)\b.{0,40}$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex MovingHeading { get; }
    [GeneratedRegex(@"\b(?:renews?|renewals?|renewing|then costs?|thereafter|afterwards|after the first|following|from the second)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex LaterContext { get; }
    [GeneratedRegex(@"^[\p{L}0-9][\p{L}0-9 .,&’'+/()-]{1,60}$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex ExtraName { get; }
    [GeneratedRegex(@"^(?:add|also|plus|optional:?|extra:)\s+(?=\p{L})", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex ExtraLead { get; }
    [GeneratedRegex(@"\b(?:once|one-?\s?time|one-?\s?off)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Once { get; }
    [GeneratedRegex(@"\b(?:from|hosting|plans?|total|subtotal|sum|save|you|we|our|they|trusted|reviews?|today|price|prices|renews?|first year|after that|vat|tax|discount|code|fee|fees|rent|annual|monthly|yearly)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex NoExtra { get; }

    /// <summary>No page sells more plans; what has more is something else.</summary>
    private const int MostPlans = 60;

    /// <summary>No line of a plan has more amounts.</summary>
    public const int MostInLine = 12;

    private readonly HashSet<PageAmount> _examples = [];

    public PageWork(PageText page)
    {
        Page = page;
        Lines = PageLines.Of(page);
        LineMatrix.Mark(Lines);
        Notes();
        DomainPrices = new DomainLists(page);
        PlanTables = new PlanTables(page);
        foreach (var line in Lines.Where(line => line.Amounts.Length > 0 && Offers.IsExample(line.Words)))
        {
            _examples.UnionWith(line.Amounts);
            line.Owner = "example";
        }
    }

    [GeneratedRegex(@"^\W*(?:you (?:get|have)|it (?:has|comes|includes)|includes?|with it|that is|in the price)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex YouGet { get; }
    [GeneratedRegex(@"[\p{L}0-9)”]\s?(?<mark>[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹])(?=$|[\s,.;)·|/])", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Borne { get; }
    [GeneratedRegex(@"\b(?:in|with|on) both\b|\bboth (?:plans|of them)?\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex BothWord { get; }
    [GeneratedRegex(@"^(?<mark>[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹])\s*\S", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex NoteMark { get; }
    [GeneratedRegex(@"(?<=[\p{L}0-9)”""]\s?)(?<mark>[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹])$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex EndMark { get; }

    // A name's mark leads to the note that has its price.
    private void Notes()
    {
        var notes = new Dictionary<string, Line>(StringComparer.Ordinal);
        foreach (var line in Lines.Where(line => line.Amounts.Length > 0))
        {
            if (NoteMark.Match(line.Words) is { Success: true } match)
            {
                notes.TryAdd(match.Groups["mark"].Value, line);
            }
        }

        foreach (var line in Lines.Where(line => notes.Count > 0 && line.Amounts.IsEmpty && line.Words.Length <= 45))
        {
            if (EndMark.Match(line.Words) is { Success: true } match && line.NameScore > 0 && notes.TryGetValue(match.Groups["mark"].Value, out var note))
            {
                line.Note = note;
            }
        }
    }

    public PageText Page { get; }

    public List<Line> Lines { get; }

    public DomainLists DomainPrices { get; }

    public PlanTables PlanTables { get; }

    public List<PlanDraft> Plans { get; } = [];

    public List<ExtraDraft> ExtraDrafts { get; } = [];

    public List<(string Code, string? Percent, PageAmount? Amount, PageSpan At)> Codes { get; } = [];

    public PageAmount? SetupForAll { get; private set; }

    public PageSpan? FreeSetupForAll { get; private set; }

    public bool IsFirstForAll { get; private set; }

    public bool IsSameForAll { get; private set; }

    public bool IsUnstatedForAll { get; private set; }

    public bool IsRegularForAll { get; private set; }

    public Dictionary<PageAmount, string> Why { get; } = [];

    public bool IsExample(PageAmount amount) => _examples.Contains(amount);

    /// <summary>Tables of endings, of plans, of extras.</summary>
    public void Tables()
    {
        foreach (var table in PageTable.In(Lines))
        {
            var first = table.Lines[0].Index;
            var around = string.Join(" ", Lines.Skip(Math.Max(0, first - 2)).Take(Math.Min(2, first)).Where(line => line.Seen.Cell is null && line.Words.Length < 120 && line.Words[0] is not ('“' or '"' or '„')).Select(line => line.Words));
            if (DomainPrices.Read(table) || PlanTables.Read(table, around) || ExtraTable(table, around))
            {
                continue;
            }

            if (Offers.IsExample(around) || Patterns.Has(around, @"\bothers\b"))
            {
                foreach (var line in table.Lines)
                {
                    line.Owner = table;
                    foreach (var amount in line.Amounts)
                    {
                        Why[amount] = "not-hosting";
                    }
                }
            }
        }

        Plans.AddRange(PlanTables.Plans.Where(plan => plan.Ways.Count > 0 || plan.Features.Count > 0));
    }

    private bool ExtraTable(PageTable table, string around)
    {
        if (Offers.IsExample(around) || table.Columns > 3)
        {
            return false;
        }

        var rows = new List<(Line Name, PageAmount Price, string Per, Line At)>();
        for (var row = 0; row < table.Rows; row++)
        {
            var price = Enumerable.Range(1, table.Columns - 1).SelectMany(column => table.Cell(row, column)).FirstOrDefault(line => line.Amounts.Length > 0 || PageAmount.OfCell(line.Words, line.From) is not null);
            if (price is null || table.Cell(row, 0) is not [var name, ..])
            {
                continue;
            }

            if (Terms.IsLabel(name.Words))
            {
                return false; // One thing for several lengths of time.
            }

            var amount = price.Amounts.Length > 0 ? price.Amounts[0] : PageAmount.OfCell(price.Words, price.From)!;
            var per = PerOf(amount, price.Words + " " + name.Words);
            if (per is not null && name.Amounts.IsEmpty && !NoExtra.IsMatch(name.Words) && !Offers.IsNoHosting(name.Words))
            {
                rows.Add((name, amount, per, price));
            }
        }

        if (rows.Count == 0 || rows.Count * 2 < table.Rows - 1)
        {
            return false;
        }

        foreach (var (name, price, per, at) in rows)
        {
            AddExtra(name.Words, name.Seen.At, price, per);
            name.Owner = this;
            at.Owner = this;
        }

        return true;
    }

    /// <summary>Codes to type, and prices of endings outside tables.</summary>
    public void CodesAndDomains()
    {
        var isMoving = false;
        foreach (var line in Lines)
        {
            if (MovingHeading.IsMatch(line.Words) && line.Amounts.IsEmpty)
            {
                isMoving = true;
            }
            else if (line.Seen.Heading > 0 || PlanBlocks.IsSection(line))
            {
                isMoving = false;
            }

            if (line.Owner is not null)
            {
                continue;
            }

            foreach (var sentence in PageLines.Sentences(line.Words, line.From))
            {
                if (Offers.CodeIn(sentence, line.Amounts) is { } code && !Codes.Any(known => known.Code == code.Code))
                {
                    Codes.Add(code);
                    line.Owner = line.Amounts.Length > 0 && code.Amount is not null ? Codes : line.Owner;
                }
            }

            if (line.Owner is null && DomainPrices.Read(line, isMoving))
            {
                line.Owner = DomainPrices;
            }
        }
    }

    [GeneratedRegex(@"\b(?:support|archive|snapshots?|site mov(?:e|ing|er)|mov(?:e|ing) (?:your|the|a)|migrations?|design|logo|themes?|templates?|newsletter|scans?|watch|monitoring|statistics|licen[cs]e|own ip|mailbox|backups?|privacy|certificate|ip address|storage|security|firewall|builder)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex ExtraThing { get; }
    [GeneratedRegex(@"\b(?:included|free|unlimited|unmetered|at no charge)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Promised { get; }

    /// <summary>Whether words name a thing that is sold beside plans.</summary>
    public static bool IsThing(string words) => ExtraThing.IsMatch(words);

    // What is called by a thing rather than a name, with a price right behind it, is an extra wherever it stands.
    private void EarlyExtras()
    {
        foreach (var line in Lines)
        {
            if (line.Owner is null && line.Amounts.Length is > 1 and <= MostInLine && (ExtraHeading.IsMatch(line.Words) || PageLines.Pieces(line.Words, 0).TrueForAll(piece => ExtraThing.IsMatch(piece.Words))) && SeveralExtras(line))
            {
                line.Owner = this;
                continue;
            }

            if (line.Owner is not null || line.Amounts.Length != 1 || Offers.IsNoHosting(line.Words) || line.Words.Length > 90 || PerOf(line.Amounts[0], line.Words) is not { } per)
            {
                continue;
            }

            var amount = line.Amounts[0];
            var before = line.Words[..(amount.At.From - line.From)];
            if (Roles.Of(amount, before, Page.Text[amount.End..line.Seen.At.To]) != Role.Price)
            {
                continue;
            }

            if (before.Trim().Length > 1)
            {
                var hasBox = TickGlyph.IsMatch(before) || Page.Ticks.Any(tick => tick.At <= line.From && line.From - tick.At <= 3);
                if (ExtraIn(before, line.From, allowsAll: true) is { } name && (IsExtraName(name.Words) || (hasBox && !NoExtra.IsMatch(name.Words))))
                {
                    AddExtra(name.Words, name.At, amount, per);
                    line.Owner = this;
                }
            }
            else if (line.Index > 0 && Lines[line.Index - 1] is { Owner: null } above && above.Amounts.IsEmpty && IsExtraName(above.Words) && StandsInList(line, above))
            {
                AddExtra(above.Words, above.Seen.At, amount, per);
                line.Owner = this;
                above.Owner = this;
            }
        }
    }

    // After a heading, a price or a box, or with more of its kind below: not the last of a plan's features.
    private bool StandsInList(Line line, Line above)
    {
        var before = At(above.Index - 1);
        before = before is { Amounts.IsEmpty: true } && IsButton(before) ? At(above.Index - 2) : before;
        var below = At(line.Index + 1);
        var from = below is not null && IsButton(below) ? line.Index + 2 : line.Index + 1;
        return before is null || before.Amounts.Length > 0 || before.Seen.Heading > 0 || PlanBlocks.IsSection(before)
            || Page.Ticks.Any(tick => tick.At <= above.From && above.From - tick.At <= 3)
            || (!IsFeatureLine(before) && At(from) is { Amounts.IsEmpty: true } next && IsExtraName(next.Words) && At(from + 1) is { Amounts.Length: 1 })
            || (!IsFeatureLine(before) && At(before.Index - 1) is { Amounts.Length: > 0 });
    }

    private Line? At(int index) => index >= 0 && index < Lines.Count ? Lines[index] : null;

    private bool IsButton(Line line)
    {
        _counts ??= Lines.Where(other => other.Words.Length <= 14).GroupBy(other => other.Words, StringComparer.Ordinal).ToDictionary(group => group.Key, group => group.Count(), StringComparer.Ordinal);
        return line.Words.Length <= 14 && line.Amounts.IsEmpty && (line.Words is "Add" or "Add +" or "+" || _counts[line.Words] > 1);
    }

    private Dictionary<string, int>? _counts;

    private static bool IsExtraName(string words) =>
        words.Length is > 2 and <= 48 && words.Split(' ').Length <= 7 && ExtraName.IsMatch(words) && !Promised.IsMatch(words) && !words.Contains(',', StringComparison.Ordinal) && (ExtraThing.IsMatch(words) || Features.KeyOf(words) is not null and not ("domain" or "websites" or "monthlyVisits" or "platforms")) && !Patterns.Has(words, @"^[0-9]|\b(?:hosting|plans?|renews?|total|price|month|year|your website|set-?up)\b");

    private static bool IsFeatureLine(Line line) =>
        line.Owner is null && line.Amounts.IsEmpty && line.Words.Length <= 200 && PageLines.Pieces(line.Words, 0).Exists(piece => Features.In(piece.Words, 0).Length > 0);

    /// <summary>Plans in lines: on one line each, or in blocks.</summary>
    public void Blocks()
    {
        EarlyExtras();
        Inline();
        var near = Near();
        var free = Lines.Where(line => near[line.Index] && line.Owner is null && line.Amounts.Length <= MostInLine && !Offers.IsNoHosting(line.Words) && !IsForAll(line) && !IsNote(line)).ToList();
        if (free.Count == 0)
        {
            return;
        }

        var known = Plans.Where(plan => plan.Name is not null).Select(plan => plan.Name!).ToHashSet(StringComparer.OrdinalIgnoreCase);
        if (known.Count > 0 && Plans.Any(plan => plan.Ways.Count > 0))
        {
            return;
        }

        var blocks = new PlanBlocks(free, PageWide.ProviderOf(Page, Lines, new HashSet<string>(), isSure: true).Name).Find(Page.IsMarked);
        var called = blocks.Where(block => block.Name is not null).Select(block => PlanBlocks.NameOf(block.Name!.Words)).Where(name => name.Length > 0).ToList();
        blocks = [.. blocks.Select(block => block with { Lines = [.. block.Lines.Where(line => line == block.Name || !IsAboutNamed(line, called))] })];
        var withFeatures = blocks.Count(HasFeatures);
        var richest = blocks.Select(FeatureCount).DefaultIfEmpty().Max();
        foreach (var block in blocks.Take(MostPlans))
        {
            if ((withFeatures > 0 && !HasFeatures(block)) || (richest >= 3 && FeatureCount(block) <= 1 && block.Lines.Any(line => line != block.Name && IsExtraName(line.Words))) || block.Lines.All(line => line.Amounts.IsEmpty && line.Note is null))
            {
                continue;
            }

            var name = block.Name is { } line ? PlanBlocks.NameOf(line.Words) : null;
            var plan = Plans.FirstOrDefault(other => name is not null && string.Equals(other.Name, name, StringComparison.OrdinalIgnoreCase));
            if (plan is null)
            {
                plan = new PlanDraft(name, block.Name?.Seen.At);
                Plans.Add(plan);
            }

            plan.Note = block.Name?.Note;
            Fill(plan, block);
        }

        if (Plans.Count == 0)
        {
            Nameless(free);
        }
    }

    // "Thicket then costs £5.75": a sentence about plans by their names is no part of one.
    private static bool IsAboutNamed(Line line, List<string> names) =>
        (line.Amounts.Length > 0 && LaterContext.IsMatch(line.Words) && names.Exists(name => Patterns.Mentions(line.Words, name).Any()))
            || (line.Amounts.IsEmpty && Opens.Match(line.Words) is { Success: true } opens && !opens.Value.TrimEnd().EndsWith(':') && names.Contains(opens.Groups["name"].Value));

    // Lines that stand near an amount; all others are about no plan.
    private bool[] Near()
    {
        const int Far = 70;
        var near = new bool[Lines.Count];
        var last = -Far - 1;
        for (var at = 0; at < Lines.Count; at++)
        {
            last = Lines[at].Amounts.Length > 0 || Lines[at].Note is not null ? at : last;
            near[at] = at - last <= Far;
        }

        var next = Lines.Count + Far + 1;
        for (var at = Lines.Count - 1; at >= 0; at--)
        {
            next = Lines[at].Amounts.Length > 0 || Lines[at].Note is not null ? at : next;
            near[at] |= next - at <= Far;
        }

        return near;
    }

    private HashSet<string>? _marks;

    // A line that a mark elsewhere leads to; a star before a list's entry leads nowhere.
    private bool IsNote(Line line)
    {
        if (NoteMark.Match(line.Words) is not { Success: true } match)
        {
            return false;
        }

        _marks ??= [.. Lines.SelectMany(known => Borne.Matches(known.Words)).Select(known => known.Groups["mark"].Value)];
        return _marks.Contains(match.Groups["mark"].Value);
    }

    // What holds for all plans is about none of them.
    private static bool IsForAll(Line line) =>
        line.Words.Length > 20 && (ForAll.IsMatch(line.Words) || PageLines.Sentences(line.Words, 0).Exists(sentence => IsStatement.IsMatch(sentence.Words))) && line.NameScore <= 0 && !(line.Words.StartsWith("Free domain", StringComparison.OrdinalIgnoreCase) && !ForAll.IsMatch(line.Words));

    [GeneratedRegex(@"\b(?:all|every|each|both|any|either)\b[^.:]{0,24}\b(?:plans?|packages?|offers?|accounts?|of them|hosting|rooms?|contracts?)\b|\b(?:in|with) (?:both|all of them|each of them|every one)\b|\bcomes? with every\b|\bin all plans\b|\bwhatever you choose\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex ForAll { get; }

    [GeneratedRegex(@"^(?:all |our )?prices\b|^all (?:amounts|our)\b|\bmoney[- ]back guarantee\b|^your money back\b|^full refund\b|\bsee checkout\b|\b(?:vat|gst|tax) (?:is |are )?(?:not )?included\b[^·,]{0,20}$|^[0-9]+[- ]days?\b.{0,20}\b(?:back|refund)", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex IsStatement { get; }

    private static int FeatureCount(PlanBlock block) =>
        block.Lines.Where(line => line != block.Name && line.Words.Length <= 600).SelectMany(line => PageLines.Pieces(line.Words, 0)).SelectMany(piece => Features.In(piece.Words, 0)).Select(feature => feature.Key).Distinct(StringComparer.Ordinal).Count();

    private static bool HasFeatures(PlanBlock block) =>
        block.Lines.Any(line => line != block.Name && line.Words.Length <= 600 && (PageLines.Pieces(line.Words, 0).Any(piece => Features.In(piece.Words, 0).Length > 0) || Features.KeyOf(line.Words) is not null));

    private void Fill(PlanDraft plan, PlanBlock block)
    {
        var reader = new PlanReader(Page, plan);
        var body = block.Lines.Where(line => line != block.Name).ToList();
        reader.Read(body);
        reader.Features(body);
        foreach (var line in block.Lines)
        {
            line.Owner = plan;
        }
    }

    // "Teasel – 10 GB, 2 mailboxes – £9 a month", and "Our Web 5 account costs £48 a year and gives you …".
    private void Inline()
    {
        var found = new List<(Line Line, string Name, PageSpan NameAt, int From)>();
        foreach (var line in Lines.Where(line => line.Owner is null && line.Amounts.Length is > 0 and <= MostInLine && line.Words.Length > 20))
        {
            var match = InlineName.Match(line.Words);
            if (match.Success && PlanBlocks.Score(match.Groups["name"].Value) > 0 && PageLines.Pieces(line.Words, 0).Count(piece => Features.In(piece.Words, 0).Length > 0) >= 2)
            {
                found.Add((line, match.Groups["name"].Value, new PageSpan(line.From + match.Groups["name"].Index, line.From + match.Groups["name"].Index + match.Groups["name"].Length), match.Index + match.Length));
            }
        }

        foreach (var (line, name, at, from) in found.Take(MostPlans))
        {
            var plan = new PlanDraft(PlanBlocks.NameOf(name), at);
            var rest = new Line(line.Index, line.Seen with { At = new PageSpan(line.From + from, line.Seen.At.To), Words = line.Words[from..] }) { Amounts = line.Amounts };
            var reader = new PlanReader(Page, plan);
            reader.Read([rest]);
            reader.FeaturesOf(rest.Words, rest.From);
            plan.Lines.Add(line);
            line.Owner = plan;
            Plans.Add(plan);
        }

        if (found.Count > 0)
        {
            return;
        }

        foreach (var line in Lines.Where(line => line.Owner is null && line.Amounts.Length is > 0 and <= MostInLine && Plans.Count < MostPlans))
        {
            var before = line.Words[..(line.Amounts[0].At.From - line.From)];
            var match = Prose.Match(before);
            if (!match.Success || LaterContext.IsMatch(before) || line.Amounts[0].Per is not (Per.Month or Per.Year) && Terms.In(line.Words, 0).Length == 0)
            {
                continue;
            }

            var name = PlanBlocks.NameOf(match.Groups["name"].Value);
            var next = Lines.Skip(line.Index + 1).TakeWhile(other => other.Owner is null && !PlanBlocks.IsSection(other) && other.Seen.Heading == 0 && GoesOn.IsMatch(other.Words) && other.Amounts.Length <= 1).Take(4).ToList();
            if (name.Length == 0 || PlanBlocks.Score(name) < 0 || !PageLines.Pieces(string.Join(", ", next.Select(other => other.Words).Prepend(line.Words)), 0).Any(piece => Features.In(piece.Words, 0).Length > 0))
            {
                continue;
            }

            var plan = new PlanDraft(name, new PageSpan(line.From + match.Groups["name"].Index, line.From + match.Groups["name"].Index + match.Groups["name"].Length));
            var reader = new PlanReader(Page, plan);
            reader.Read([line, .. next]);
            foreach (var one in next.Prepend(line))
            {
                reader.FeaturesOf(Blanked(one.Words), one.From);
                one.Owner = plan;
            }

            Plans.Add(plan);
        }
    }

    // Sentences about the plan that the sentence before them names.
    [GeneratedRegex(@"^(?:You (?:get|can|pay)|It|Its|This plan|Includes|Included|The next|The following|Afterwards|After that|After the|Then|Renew|When you renew|From the second)\b", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex GoesOn { get; }

    [GeneratedRegex(@"^You get:?\s*", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex GetsLead { get; }

    private static string Blanked(string words) => GetsLead.Replace(words, match => new string(' ', match.Length));

    // One price for one thing that is named nowhere.
    private void Nameless(List<Line> free)
    {
        var priced = free.FirstOrDefault(line => line.Amounts.Any(amount => amount.Per is Per.Month or Per.Year && Roles.Of(amount, line.Words[..(amount.At.From - line.From)], Page.Text[amount.End..line.Seen.At.To]) == Role.Price) && !Offers.IsNoHosting(line.Words) && !Patterns.Has(line.Words, @"\bfrom\b"));
        if (priced is null)
        {
            return;
        }

        var body = new List<Line>();
        for (var at = free.IndexOf(priced) - 1; at >= 0 && free.IndexOf(priced) - at <= 4 && (free[at].Amounts.Length > 0 && free[at].Amounts.All(amount => PlanReader.IsStruck(Page, amount.At)) || free[at].Amounts.Length > 0 && Patterns.Has(free[at].Words, @"\bsave\b")); at--)
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
        body.InsertRange(0, headed.Lines);
        var (name, nameAt) = headed.Name is { } over ? (PlanBlocks.NameOf(over.Words), over.Seen.At) : Called() is { Name: not null } called ? called : Leading(priced);
        var plan = new PlanDraft(name, nameAt);
        Plans.Add(plan);
        Fill(plan, new PlanBlock(null, body));
    }

    [GeneratedRegex(@"\b(?:plan|package|offer|account)\b[^.]{0,24}\b(?:is |are )?called (?:“|"")?(?<name>\p{Lu}[\p{L}0-9’'-]*(?: \p{Lu}[\p{L}0-9’'-]*)?)", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex CalledWords { get; }

    // A heading above with what the plan has between it and the price.
    private (Line? Name, List<Line> Lines) Headed(Line priced, List<Line> free)
    {
        var name = Lines.Take(priced.Index).LastOrDefault(line => line.Seen.Heading is > 0 and < 4 && line.NameScore > 1 && !line.Words.EndsWith('?') && !PlanBlocks.IsSection(line) && line.Owner is null);
        var between = name is null ? [] : free.Where(line => line.Index > name.Index && line.Index < priced.Index && IsFeatureLine(line)).ToList();
        return between.Count > 0 ? (name, between) : (null, []);
    }

    // "Finch: £2.49 a month".
    private static (string? Name, PageSpan? At) Leading(Line line)
    {
        var before = line.Words[..(line.Amounts[0].At.From - line.From)];
        var name = Patterns.Find(before, @"^(?<name>[^:–—]{2,36}?)\s*(?::|\s[–—-])\s*(?:from |only |just )?$").Groups["name"];
        return name.Success && PlanBlocks.Score(name.Value) > 0 ? (PlanBlocks.NameOf(name.Value), new PageSpan(line.From + name.Index, line.From + name.Index + name.Length)) : (null, null);
    }

    // "There is one plan and it is called Nest".
    private (string? Name, PageSpan? At) Called()
    {
        foreach (var line in Lines)
        {
            if (CalledWords.Match(line.Words).Groups["name"] is { Success: true } name)
            {
                return (PlanBlocks.NameOf(name.Value), new PageSpan(line.From + name.Index, line.From + name.Index + name.Length));
            }
        }

        return (null, null);
    }

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
                if (priceWords.IsMatch(sentence.Words) && !Patterns.Has(sentence.Words, @"\bdomain") && !isIn)
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
        var plans = Plans.Where(plan => plan.Lines.Count > 0).OrderBy(plan => plan.Lines.Min(line => line.Index)).ToList();
        (Term? Term, Paid? Paid, bool IsFirst)? scope = null;
        List<(Term? Term, Paid? Paid)> after = [];
        var starts = plans.ToDictionary(plan => plan.Lines.Min(line => line.Index));
        foreach (var line in Lines)
        {
            if (starts.TryGetValue(line.Index, out var plan) && scope is { } holds)
            {
                (plan.Term, plan.Paid) = (holds.Term, holds.Paid);
            }

            if (line.Owner is not null || line.Words.Length > 260 || IsChoice(line) || Offers.IsExample(line.Words) || line.Words.EndsWith('?') || Patterns.HasExact(line.Words, "^[“\"„]"))
            {
                continue;
            }

            foreach (var sentence in PageLines.Sentences(line.Words, line.From))
            {
                if (line.Amounts.Any(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To) || DomainOffers.In(sentence.Words, sentence.At) is not null || Patterns.Has(sentence.Words, @"\bdomain|\bday\b|\bwe (?:write|drive)|\btwice\b|\bcookie|\binvoice with|\bname\b"))
                {
                    continue;
                }

                var paid = Terms.PaidIn(sentence.Words);
                var terms = Terms.In(sentence.Words, sentence.From);
                var isChoice = terms.Select(term => term.Months).Distinct().Count() > 1 || SeveralLengths.IsMatch(sentence.Words) || Patterns.Has(sentence.Words, @"\bor\b");
                var term = isChoice ? null : terms.FirstOrDefault();
                var speaks = paid is not null || (term is not null && Patterns.Has(sentence.Words, @"\bterm|\bbilled|\bcontract|\bprices?\b|\bhosting\b|\bplans?\b|\boffer|\bfor (?:one|[0-9]+) years?\b|\bcommitment|^\W*(?:monthly|yearly|annual)") && sentence.Words.Length < 90);
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
        Terms.IsLabel(line.Words) && new[] { At(line.Index - 1), At(line.Index + 1) }.Any(other => other is not null && Terms.IsLabel(other.Words) && Terms.In(other.Words, 0)[0].Months != Terms.In(line.Words, 0)[0].Months);

    [GeneratedRegex(@"\b[0-9]{1,2}\s*(?:,|and|or|&|/)\s*(?=[0-9]{1,2}[- ](?:months?|years?))", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex SeveralLengths { get; }
    [GeneratedRegex(@"\b(?<months>[0-9]{1,2})(?=(?:(?:\s*,\s*|\s*/\s*|,? (?:and|or|&) )[0-9]{1,2})*[- ]months?\b)|\b(?<years>[0-9]{1,2}|one|two|three|four|five)(?=(?:(?:\s*,\s*|\s*/\s*|,? (?:and|or|&) )(?:[0-9]{1,2}|one|two|three|four|five))*[- ]years?\b)|\b(?<annual>annual|yearly)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Lengths { get; }
    [GeneratedRegex(@"\b(?:longer|all other|other|multi-?\s?year) (?:terms?|cycles?|plans?|periods?|commitments?|contracts?|lengths?)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Longer { get; }

    // "12 and 36 months are paid in one sum", "longer terms are paid up front": of the ways of those lengths.
    private void PaidByLength()
    {
        foreach (var sentence in Lines.Where(line => line.Owner is null && line.Amounts.IsEmpty && line.Words.Length <= 300).SelectMany(line => PageLines.Sentences(line.Words, line.From)))
        {
            if (sentence.Words.EndsWith('?') || Terms.PaidIn(Lengths.Replace(sentence.Words, match => new string(' ', match.Length))) is not { } paid || paid == Paid.MonthlyFree)
            {
                continue;
            }

            var months = Lengths.Matches(sentence.Words).Select(match =>
                match.Groups["annual"].Success ? 12 : match.Groups["months"].Success ? Patterns.Number(match.Groups["months"].Value) : Patterns.Number(match.Groups["years"].Value) * 12).ToHashSet();
            var isLonger = Longer.IsMatch(sentence.Words);
            foreach (var way in Plans.SelectMany(plan => plan.Ways).Where(way => way is { Paid: null, Term.Months: > 1 } && (isLonger || months.Contains(way.Term.Months))))
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

    [GeneratedRegex(@"^(?<name>[\p{L}0-9][\p{L}0-9 .&’'+-]{0,32}?)(?:\s*[:–—]\s+|\s+(?:has|have|comes with|includes|gives you|offers)\s+)", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Opens { get; }

    // "Thicket then costs £5.75 a month and Coppice £9.25": each amount belongs to the name before it.
    private void Named(Piece sentence, Line line)
    {
        var amounts = line.Amounts.Where(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To).ToList();
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
            var mention = mentions.Where(one => one.At < amount.At.From).OrderByDescending(one => Plans.IndexOf(one.Plan) >= 0 ? one.At + (one.Plan.Name!.Length / 100m) : 0).FirstOrDefault();
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
            if (Opens.Match(part) is { Success: true } opens && Plans.Find(plan => plan.Name == opens.Groups["name"].Value) is { } described)
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
        var amounts = line.Amounts.Where(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To).ToList();
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
            if (Roles.Of(amount, Page.Text[sentence.From..amount.At.From], Page.Text[amount.End..sentence.At.To]) == Role.Setup)
            {
                SetupForAll ??= amount;
                line.Owner = this;
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

        if (amounts.Count > 0 && Plans.Count > 0 && LaterContext.IsMatch(words) && (forAll.IsMatch(words) || Plans.Count == 1) && isPrices)
        {
            foreach (var plan in Plans)
            {
                plan.Later ??= amounts[0];
            }

            line.Owner ??= amounts[0];
        }

        if (DomainOffers.In(words, sentence.At) is { } offer)
        {
            var named = Patterns.HasExact(words, "^(?:It|This plan) ") ? Plans.FindLast(plan => plan.NameAt is { } name && name.From < sentence.From) : null;
            foreach (var plan in Plans.Where(plan => named is null ? !plan.HasNoDomain : plan == named))
            {
                plan.Domain = plan.Domain is { } known ? DomainOffers.With(known, offer) : offer;
            }
        }
        else if (amounts.Count == 0 && BothWord.IsMatch(words) && Plans.Count > 2)
        {
            var below = Plans.Where(plan => plan.NameAt is { } name && name.From > sentence.From).OrderBy(plan => plan.NameAt!.Value.From).Take(2).ToList();
            foreach (var plan in below.Count == 2 ? below : Plans.TakeLast(2))
            {
                new PlanReader(Page, plan).FeaturesOf(BothWord.Replace(words, match => new string(' ', match.Length)), sentence.From);
            }
        }
        else if (amounts.Count == 0 && (forAll.IsMatch(words) || (Plans.Count == 1 && YouGet.IsMatch(words))) && words.Length < 200 && Plans.Count > 0 && !Offers.IsExample(words) && !words.Contains('©', StringComparison.Ordinal))
        {
            Everybody(forAll.Replace(words, match => new string(' ', match.Length)), sentence.From);
        }
        else if (amounts.Count == 0 && Patterns.Has(words, @"^(?:all |our )?(?:hosting|plans|sites|servers?)[^.]{0,20} (?:runs?|run) on (?:linux|windows)"))
        {
            Everybody("Platform: " + Patterns.Find(words, "linux|windows").Value, sentence.From);
        }
    }

    // A note belongs to whatever bears its mark: a name, a price, a domain.
    private void Note(string mark, Line line, int from)
    {
        var words = line.Words[from..];
        var at = new PageSpan(line.From + from, line.Seen.At.To);
        var rest = new Line(line.Index, line.Seen with { At = at, Words = words }) { Amounts = [.. line.Amounts.Where(amount => amount.At.From >= at.From)] };
        line.Owner ??= "note";
        var bearers = Plans.Where(plan => plan.Domain is { At: var has } && Page.Text[has.From..Math.Min(Page.Text.Length, has.To + 2)].Contains(mark, StringComparison.Ordinal)).ToList();
        if ((bearers.Count > 0 || Patterns.Has(words, @"\bdomain\b")) && rest.Amounts.IsEmpty)
        {
            foreach (var plan in bearers.Count > 0 ? bearers : Plans.Where(plan => plan.Domain is not null))
            {
                plan.Domain = DomainOffers.With(plan.Domain!, new DomainOffer(DomainOffers.EndingsIn(words), DomainOffers.FromIn(words), Patterns.Has(words, "as long as|every year"), at));
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

            foreach (var sentence in PageLines.Sentences(words, at.From).Where(sentence => !rest.Amounts.Any(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To)))
            {
                var length = Terms.In(sentence.Words, sentence.From).FirstOrDefault();
                foreach (var way in plan.Ways.Where(way => Bears(Page.Text, way.Price.At.To, mark) || Bears(Page.Text, way.Price.End, mark) || Page.Text[way.Price.At.To..Math.Min(Page.Text.Length, way.Price.End + 1)].Contains(mark, StringComparison.Ordinal)))
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
                foreach (var way in Plans.SelectMany(plan => plan.Ways).Where(way => Page.Text[way.Price.At.To..Math.Min(Page.Text.Length, way.Price.End + 2)].Contains(mark, StringComparison.Ordinal)))
                {
                    way.IsFirst = true;
                }
            }

            var amounts = rest.Amounts.Where(amount => amount.At.From >= sentence.From && amount.At.To <= sentence.At.To).ToList();
            if (amounts.Find(amount => Roles.Of(amount, Page.Text[sentence.From..amount.At.From], Page.Text[amount.End..sentence.At.To]) == Role.Setup) is { } fee)
            {
                SetupForAll ??= fee;
            }

            if (amounts.Count == 1 && Roles.Of(amounts[0], Page.Text[sentence.From..amounts[0].At.From], Page.Text[amounts[0].End..sentence.At.To]) == Role.Later && !Plans.Any(plan => ReferenceEquals(plan.Later, amounts[0])))
            {
                foreach (var way in Plans.SelectMany(plan => plan.Ways).Where(way => Page.Text[way.Price.At.To..Math.Min(Page.Text.Length, way.Price.End + 2)].Contains(mark, StringComparison.Ordinal)))
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

        return at + mark.Length <= text.Length && text.AsSpan(at, mark.Length).SequenceEqual(mark) && (at + mark.Length == text.Length || text[at + mark.Length] != mark[^1]);
    }

    /// <summary>Things with a price beside the plans.</summary>
    public void Extras()
    {
        foreach (var line in Lines)
        {
            if (line.Owner is not null || line.Amounts.IsEmpty || line.Amounts.Length > MostInLine || Offers.IsNoHosting(line.Words) || Offers.IsExample(line.Words))
            {
                continue;
            }

            if (line.Amounts.Length > 1 && SeveralExtras(line))
            {
                line.Owner = this;
                continue;
            }

            var amount = line.Amounts[0];
            var before = line.Words[..(amount.At.From - line.From)];
            if (PerOf(amount, line.Words) is not { } per || Roles.Of(amount, before, Page.Text[amount.End..line.Seen.At.To]) != Role.Price || line.Amounts.Length > 3)
            {
                continue;
            }

            if (before.Trim().Length > 1)
            {
                if (ExtraIn(before, line.From) is { } name)
                {
                    AddExtra(name.Words, name.At, amount, per);
                    line.Owner = this;
                }
            }
            else if (line.Index > 0 && Lines[line.Index - 1] is { Owner: null } above && above.Amounts.IsEmpty && ExtraName.IsMatch(above.Words) && above.Words.Split(' ').Length <= 7 && !NoExtra.IsMatch(above.Words))
            {
                AddExtra(above.Words, above.Seen.At, amount, per);
                line.Owner = this;
                above.Owner = this;
            }
        }
    }

    // "Add-ons: Nightly backup £2/mo · Malware watch £3/mo": every piece is a thing and its price.
    private bool SeveralExtras(Line line)
    {
        var found = new List<(Piece Name, PageAmount Price, string Per)>();
        foreach (var piece in PageLines.Pieces(line.Words, line.From))
        {
            var amounts = line.Amounts.Where(amount => amount.At.From >= piece.From && amount.At.To <= piece.At.To).ToList();
            if (amounts.Count != 1 || PerOf(amounts[0], piece.Words) is not { } per || ExtraIn(piece.Words[..(amounts[0].At.From - piece.From)], piece.From) is not { } name || (found.Count == 0 && !IsExtraName(name.Words)))
            {
                return false;
            }

            found.Add((name, amounts[0], per));
        }

        foreach (var (name, price, per) in found)
        {
            AddExtra(name.Words, name.At, price, per);
        }

        return found.Count > 1;
    }

    // What stands before a price, as the name of a thing; null: it is none.
    private static Piece? ExtraIn(string before, int from, bool allowsAll = false)
    {
        before = Bullet.Replace(TickGlyph.Replace(before, match => new string(' ', match.Length)), match => new string(' ', match.Length));
        var name = ExtraHeading.Replace(before.Trim().TrimEnd(':', '–', '—', '-', ',', '(', ' ', '·', '|'), "");
        name = Patterns.Swap(ExtraLead.Replace(name, ""), @",?\s+(?:only|just|for|at|costs?|is)$", "");
        return ExtraName.IsMatch(name) && name.Split(' ').Length <= 7 && (allowsAll || !NoExtra.IsMatch(name)) && char.IsLetter(name[0])
            ? new Piece(name, from + before.IndexOf(name, StringComparison.Ordinal))
            : null;
    }

    [GeneratedRegex(@"^(?:add-?\s?ons?|extras?|optional(?: extras)?|options?|also available|on request)\s*[:–—]\s*", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex ExtraHeading { get; }

    // Boxes to tick as plain text shows them.
    [GeneratedRegex(@"^\s*(?:[☐☑☒✓✔✅□■]|\[[ xX✓]?\])\s*", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex TickGlyph { get; }
    [GeneratedRegex(@"^\s*(?:[•·‣▪*]|[–-](?=\s))\s*", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Bullet { get; }
    [GeneratedRegex(@"(?:[☑☒]|\[[xX✓]\])\s*$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Ticked { get; }

    private void AddExtra(string name, PageSpan at, PageAmount price, string per)
    {
        name = Suffix.Replace(Patterns.Swap(name.Trim().TrimEnd(':', ','), @"\s+", " "), "");
        var tick = Page.Ticks.LastOrDefault(tick => tick.At <= at.From + 1);
        var isTicked = (Page.Ticks.Length > 0 && tick.IsTicked && at.From - tick.At <= 3) || Ticked.IsMatch(Page.Text[Math.Max(0, at.From - 4)..at.From]);
        if (ExtraDrafts.Count >= 200)
        {
            return;
        }

        if (!ExtraDrafts.Any(known => string.Equals(known.Name, name, StringComparison.OrdinalIgnoreCase)))
        {
            ExtraDrafts.Add(new ExtraDraft(name, at, price, per, isTicked));
        }
        else
        {
            Why[price] = "unit";
        }
    }

    private static string? PerOf(PageAmount amount, string words) =>
        amount.Per switch
        {
            Per.Month => "month",
            Per.Year => "year",
            Per.Once => "once",
            Per.Other => null,
            _ => Once.IsMatch(words) ? "once" : AMonth.IsMatch(words) ? "month" : AYear.IsMatch(words) ? "year" : null,
        };

    [GeneratedRegex(@"\b(?:per|a|each) month\b|\bmonthly\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex AMonth { get; }
    [GeneratedRegex(@"\b(?:per|a|each) year\b|\byearly\b|\bannual(?:ly)?\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex AYear { get; }
    [GeneratedRegex(@",\s*(?:once|one-?\s?time|one-?\s?off|(?:per|a|each) (?:month|year)|monthly|yearly|annually)\W*$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Suffix { get; }
}
