using System.Buffers;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>An extra as far as it is read.</summary>
internal sealed record ExtraDraft(string Name, PageSpan NameAt, PageAmount Price, string Per, bool IsTicked);

/// <summary>A page while it is read, room by room: tables, endings, plans, sentences, extras.</summary>
internal sealed partial class PageWork
{
    [GeneratedRegex(
        @"^(?:[*•·‣▪–-]\s+)?(?<name>[\p{L}0-9][\p{L}0-9 .&’'+/-]{0,32}?)\s*(?:\s[–—-]\s|:\s)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex InlineName { get; }

    // "Cottage 1 website, 8 GB, 8 mailboxes £36.00 per year".
    [GeneratedRegex(
        @"^(?<name>\p{L}[\p{L}&’'-]+(?: \p{Lu}[\p{L}&’'-]*)?)\s+(?=[0-9]|[Uu]nlimited\b|[Uu]p to [0-9]|[Oo]ne\b)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex LeadingName { get; }

    [GeneratedRegex(
        @"(?:^|[.!]\s+|\bwith |, )(?:[Oo]ur |[Tt]he |[Ww]ith |[Tt]ake |[Cc]hoose |[Gg]et )?(?<name>(?!(?:It|This"
            + @"|That|They|We|There|You|Here)\b)[\p{Lu}0-9][\p{L}0-9.&’'-]*(?: (?:[\p{Lu}0-9][\p{L}0-9.&’'-]*|and|of"
            + @"|the))*?)(?: (?:plan|account|package|hosting|web hosting))?,? (?:costs?|is|comes at|for|starts at"
            + @"|sells for|you pay|at)\s+(?:only |just |from )?$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Prose { get; }

    [GeneratedRegex(@"^\W*(?:moving|transfer(?:ring|s)?|bring(?:ing)?)\b.{0,40}$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex MovingHeading { get; }

    [GeneratedRegex(
        @"^\W*(?:(?:domain )?transfers?|moving(?: a (?:domain|name))?(?: to us| in)?)\s*:",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex MovingLead { get; }

    [GeneratedRegex(
        @"\b(?:renews?|renewals?|renewing|then costs?|thereafter|afterwards|after the first|following|from the "
            + @"second)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex LaterContext { get; }

    [GeneratedRegex(@"^[\p{L}0-9][\p{L}0-9 .,&’'+/()-]{1,60}$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex ExtraName { get; }

    [GeneratedRegex(@"^(?:add|also|plus|optional:?|extra:)\s+(?=\p{L})", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex ExtraLead { get; }

    [GeneratedRegex(@"\b(?:once|one-?\s?time|one-?\s?off)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Once { get; }

    [GeneratedRegex(
        @"\b(?:from|starts?|starting|hosting|plans?|total|subtotal|sum|save|you|we|our|they|trusted|reviews?|today"
            + @"|price|prices"
            + @"|renews?|first year|after that|vat|tax|discount|code|fee|fees|rent|annual|monthly|yearly)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex NoExtra { get; }

    /// <summary>No page sells more plans; what has more is something else.</summary>
    private const int MostPlans = 60;

    /// <summary>No more sentences are about the plan that the first of them names.</summary>
    private const int MostSentences = 8;

    /// <summary>No line of a plan has more amounts.</summary>
    public const int MostInLine = 12;

    private readonly HashSet<PageAmount> _examples = [];

    public PageWork(PageText page)
    {
        Page = page;
        Lines = PageLines.Split(page);
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

    [GeneratedRegex(
        @"^\W*(?:you (?:get|have)|it (?:has|comes|includes)|includes?|with it|that is|in the price)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex YouGet { get; }

    [GeneratedRegex(
        @"[\p{L}0-9)”]\s?(?<mark>[*†‡]{1,3}|[¹²³⁴⁵⁶⁷⁸⁹])(?=$|[\s,.;)·|/])",
        Patterns.ExactCase,
        Patterns.Patience
    )]
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
            if (
                EndMark.Match(line.Words) is { Success: true } match
                && line.NameScore > 0
                && notes.TryGetValue(match.Groups["mark"].Value, out var note)
            )
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
            var around = string.Join(
                " ",
                Lines
                    .Skip(Math.Max(0, first - 2))
                    .Take(Math.Min(2, first))
                    .Where(line =>
                        line.Seen.Cell is null && line.Words.Length < 120 && line.Words[0] is not ('“' or '"' or '„')
                    )
                    .Select(line => line.Words)
            );
            if (DomainPrices.Read(table) || PlanTables.Read(table, around) || ExtraTable(table, around))
            {
                foreach (var (name, price) in PlanTables.TakeExtras())
                {
                    if (IsExtraName(name.Words) && PerOf(price, name.Words) is { } per)
                    {
                        AddExtra(name.Words, name.Seen.At, price, per);
                    }
                }

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
            var price = Enumerable
                .Range(1, table.Columns - 1)
                .SelectMany(column => table.Cell(row, column))
                .FirstOrDefault(line =>
                    line.Amounts.Length > 0 || PageAmount.OfCell(line.Words, line.From) is not null
                );
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
            if (
                per is not null
                && name.Amounts.IsEmpty
                && !NoExtra.IsMatch(name.Words)
                && !Offers.IsNoHosting(name.Words)
            )
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

            if (line.Owner is null && DomainPrices.Read(line, isMoving || MovingLead.IsMatch(line.Words)))
            {
                line.Owner = DomainPrices;
            }
        }
    }

    /// <summary>Plans in lines: on one line each, or in blocks.</summary>
    public void Blocks()
    {
        EarlyExtras();
        Inline();
        var near = Near();
        var free = Lines
            .Where(line =>
                near[line.Index]
                && line.Owner is null
                && line.Amounts.Length <= MostInLine
                && !Offers.IsNoHosting(line.Words)
                && !IsForAll(line)
                && !IsNote(line)
            )
            .ToList();
        if (free.Count == 0)
        {
            return;
        }

        var known = Plans
            .Where(plan => plan.Name is not null)
            .Select(plan => plan.Name!)
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        if (known.Count > 0 && Plans.Any(plan => plan.Ways.Count > 0))
        {
            return;
        }

        var blocks = new PlanBlocks(
            free,
            PageWide.ProviderOf(Page, Lines, new HashSet<string>(), isSure: true).Name
        ).Find(Page.IsMarked);
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
                    Lines = [.. block.Lines.Where(line => line == block.Name || !IsAboutNamed(line, called))],
                }
            ),
        ];
        var withFeatures = blocks.Count(HasFeatures);
        var richest = blocks.Select(FeatureCount).DefaultIfEmpty().Max();
        foreach (var block in blocks.Take(MostPlans))
        {
            if (
                (withFeatures > 0 && !HasFeatures(block))
                || (
                    richest >= 3
                    && FeatureCount(block) <= 1
                    && block.Lines.Any(line => line != block.Name && IsExtraName(line.Words))
                )
                || block.Lines.All(line => line.Amounts.IsEmpty && line.Note is null)
            )
            {
                continue;
            }

            var name = block.Name is { } line ? PlanBlocks.NameOf(line.Words) : null;
            var plan = Plans.FirstOrDefault(other =>
                name is not null && string.Equals(other.Name, name, StringComparison.OrdinalIgnoreCase)
            );
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
        else if (Plans is [{ Name: null, Features.Count: 0 } only])
        {
            Around(only, free);
        }
    }

    // The prices of the page's one plan stand in a table: a heading above names it, and the lines around say what it
    // has.
    private void Around(PlanDraft plan, List<Line> free)
    {
        var seller = PageWide.ProviderOf(Page, Lines, new HashSet<string>(), isSure: true).Name;
        var name = Lines
            .Take(plan.Lines[0].Index)
            .LastOrDefault(line =>
                line.Amounts.IsEmpty
                && line.Words != seller
                && (line.Seen.Heading > 0 || (!Page.IsMarked && line.Words.Length <= 40))
                && line.NameScore > 1
                && PlanBlocks.NameOf(line.Words).Length < line.Words.Length
            );
        if (name is not null)
        {
            (plan.Name, plan.NameAt) = (PlanBlocks.NameOf(name.Words), name.Seen.At);
        }

        var about = free.Where(line => line != name && IsFeatureLine(line)).ToList();
        new PlanReader(Page, plan).Features(about);
        foreach (var line in about)
        {
            line.Owner = plan;
        }
    }

    // "Thicket then costs £5.75": a sentence about plans by their names is no part of one.
    private static bool IsAboutNamed(Line line, List<string> names) =>
        (
            line.Amounts.Length > 0
            && LaterContext.IsMatch(line.Words)
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

        _marks ??=
        [
            .. Lines.SelectMany(known => Borne.Matches(known.Words)).Select(known => known.Groups["mark"].Value),
        ];
        return _marks.Contains(match.Groups["mark"].Value);
    }

    // What holds for all plans is about none of them.
    private static bool IsForAll(Line line) =>
        line.Words.Length > 20
        && (
            ForAll.IsMatch(line.Words)
            || (
                line.Words.AsSpan().ContainsAny(StatementWords)
                && PageLines.Sentences(line.Words, 0).Exists(sentence => IsStatement.IsMatch(sentence.Words))
            )
        )
        && line.NameScore <= 0
        && !(line.Words.StartsWith("Free domain", StringComparison.OrdinalIgnoreCase) && !ForAll.IsMatch(line.Words));

    [GeneratedRegex(
        @"\b(?:all|every|each|both|any|either)\b[^.:]{0,24}\b(?:plans?|packages?|offers?|accounts?|of them"
            + @"|hosting|rooms?|contracts?)\b|\b(?:in|with) (?:both|all of them|each of them|every one)\b|\bcomes? "
            + @"with every\b|\bin all plans\b|\bwhatever you choose\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex ForAll { get; }

    private static readonly SearchValues<string> StatementWords = SearchValues.Create(
        ["price", "all ", "money", "refund", "checkout", "vat", "gst", "tax", "days"],
        StringComparison.OrdinalIgnoreCase
    );

    [GeneratedRegex(
        @"^(?:all |our )?(?:prices\b|plans are\b)|^all (?:amounts|our)\b|\bmoney[- ]back guarantee\b|^your "
            + @"money back\b|^full refund\b|\bsee checkout\b|\b(?:vat|gst|tax) (?:is |are )?(?:not "
            + @")?included\b[^·,]{0,20}$|^[0-9]+[- ]days?\b.{0,20}\b(?:back|refund)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex IsStatement { get; }

    private static int FeatureCount(PlanBlock block) =>
        block
            .Lines.Where(line => line != block.Name && line.Words.Length <= 600)
            .SelectMany(line => PageLines.Pieces(line.Words, 0))
            .SelectMany(piece => Features.In(piece.Words, 0))
            .Select(feature => feature.Key)
            .Distinct(StringComparer.Ordinal)
            .Count();

    private static bool HasFeatures(PlanBlock block) =>
        block.Lines.Any(line =>
            line != block.Name
            && line.Words.Length <= 600
            && (
                PageLines.Pieces(line.Words, 0).Any(piece => Features.In(piece.Words, 0).Length > 0)
                || Features.KeyOf(line.Words) is not null
            )
        );

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
        foreach (
            var line in Lines.Where(line =>
                line.Owner is null && line.Amounts.Length is > 0 and <= MostInLine && line.Words.Length > 20
            )
        )
        {
            var match = InlineName.Match(line.Words) is { Success: true } parted
                ? parted
                : LeadingName.Match(line.Words);
            if (
                match.Success
                && PlanBlocks.Score(match.Groups["name"].Value) > 0
                && PageLines.Pieces(line.Words, 0).Count(piece => Features.In(piece.Words, 0).Length > 0) >= 2
            )
            {
                found.Add(
                    (
                        line,
                        match.Groups["name"].Value,
                        new PageSpan(
                            line.From + match.Groups["name"].Index,
                            line.From + match.Groups["name"].Index + match.Groups["name"].Length
                        ),
                        match.Index + match.Length
                    )
                );
            }
        }

        // "mini 3 GB, 1 site", "midi 12 GB, 4 sites": small letters are names where all are, each another.
        if (
            !found.TrueForAll(one => char.IsLower(one.Name[0]))
            || found.Select(one => one.Name).Distinct(StringComparer.Ordinal).Count() < found.Count
        )
        {
            found.RemoveAll(one => char.IsLower(one.Name[0]));
        }

        if (found.Count == 1 && !InlineName.IsMatch(found[0].Line.Words))
        {
            found.Clear(); // A word before what a plan has is a name only where several stand so.
        }

        foreach (var (line, name, at, from) in found.Take(MostPlans))
        {
            var plan = new PlanDraft(PlanBlocks.NameOf(name), at);
            var rest = new Line(
                line.Index,
                line.Seen with
                {
                    At = new PageSpan(line.From + from, line.Seen.At.To),
                    Words = line.Words[from..],
                }
            )
            {
                Amounts = line.Amounts,
            };
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

        foreach (
            var line in Lines.Where(line =>
                line.Owner is null && line.Amounts.Length is > 0 and <= MostInLine && Plans.Count < MostPlans
            )
        )
        {
            var before = line.Words[..(line.Amounts[0].At.From - line.From)];
            var match = Prose.Match(before);
            if (
                !match.Success
                || LaterContext.IsMatch(before)
                || line.Amounts[0].Per is not (Per.Month or Per.Year) && Terms.In(line.Words, 0).Length == 0
            )
            {
                continue;
            }

            var name = PlanBlocks.NameOf(match.Groups["name"].Value);
            var next = Lines
                .Skip(line.Index + 1)
                .TakeWhile(other =>
                    other.Owner is null
                    && !PlanBlocks.IsSection(other)
                    && other.Seen.Heading == 0
                    && (
                        GoesOn.IsMatch(other.Words)
                            ? other.Amounts.Length <= 1
                            : other.Amounts.IsEmpty && !IsForAll(other) && IsInParagraph(line, other)
                    )
                )
                .Take(MostSentences)
                .ToList();
            if (
                name.Length == 0
                || PlanBlocks.Score(name) < 0
                || !PageLines
                    .Pieces(string.Join(", ", next.Select(other => other.Words).Prepend(line.Words)), 0)
                    .Any(piece => Features.In(piece.Words, 0).Length > 0)
            )
            {
                continue;
            }

            var plan = new PlanDraft(
                name,
                new PageSpan(
                    line.From + match.Groups["name"].Index,
                    line.From + match.Groups["name"].Index + match.Groups["name"].Length
                )
            );
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

    // A paragraph that names a plan and its price is about that plan to its end.
    private bool IsInParagraph(Line first, Line other) =>
        other.From >= first.Seen.At.To
        && !Page.Text.AsSpan(first.Seen.At.To, other.From - first.Seen.At.To).Contains('\n');

    /// <summary>Whether a sentence names a plan and then its price: "Our Web 5 account costs £48 a year".</summary>
    public static bool NamesAPlan(string sentence) =>
        sentence.Length < 400
        && PageAmount.In(sentence, 0) is [var price, ..]
        && Prose.Match(sentence[..price.At.From]) is { Success: true } match
        && !LaterContext.IsMatch(sentence[..price.At.From])
        && PlanBlocks.Score(match.Groups["name"].Value) >= 0;

    // Sentences about the plan that the sentence before them names.
    [GeneratedRegex(
        @"^(?:You (?:get|can|pay)|It|Its|This plan|Includes|Included|The next|The following|Afterwards|After "
            + @"that|After the|Then|Renew|When you renew|From the second)\b",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex GoesOn { get; }

    [GeneratedRegex(@"^You get:?\s*", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex GetsLead { get; }

    private static string Blanked(string words) => GetsLead.Replace(words, match => new string(' ', match.Length));

    // One price for one thing that is named nowhere.
    private void Nameless(List<Line> free)
    {
        var priced = free.FirstOrDefault(line =>
            line.Amounts.Any(amount => IsPeriodic(amount, line))
            && !Offers.IsNoHosting(line.Words)
            && !Patterns.Has(line.Words, @"\bfrom\b")
            && !IsThing(line.Words[..(line.Amounts[0].At.From - line.From)].Split(". ")[^1])
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
                    free[at].Amounts.Length > 0 && free[at].Amounts.All(amount => PlanReader.IsStruck(Page, amount.At))
                    || free[at].Amounts.Length > 0 && Patterns.Has(free[at].Words, @"\bsave\b")
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
            ? Lines
                .Take(priced.Index)
                .LastOrDefault(line =>
                    (line.Seen.Heading > 0 || (!Page.IsMarked && line.Words.Length <= 60))
                    && line.Amounts.IsEmpty
                    && ProseNames.PlanIn(line.Words) is not null
                )
            : null;
        var above = planHeading ?? Lines.Take(priced.Index).LastOrDefault(line => line.Seen.Heading > 0);
        body.InsertRange(
            0,
            headed.Name is not null || above is null
                ? headed.Lines
                : free.Where(line =>
                    line.Index > above.Index && line.Index < priced.Index && IsFeatureLine(line) && !body.Contains(line)
                )
        );
        var (name, nameAt) =
            headed.Name is { } heading ? (PlanBlocks.NameOf(heading.Words), heading.Seen.At)
            : Called() is { Name: not null } called ? called
            : Leading(priced) is { Name: not null } leading ? leading
            : InSentence(planHeading ?? priced);
        var plan = new PlanDraft(name, nameAt);
        Plans.Add(plan);
        Fill(plan, new PlanBlock(null, body));

        // "A .co.uk domain is free for the first year, then £9.99": an ending's price, and the plan's domain.
        plan.Domain ??= Lines
            .Where(line => line.Owner == DomainPrices)
            .Select(line => DomainOffers.In(line.Words, line.Seen.At))
            .FirstOrDefault(offer => offer is not null);
    }

    // "£3.50 a month, billed annually" is a price all the same.
    private bool IsPeriodic(PageAmount amount, Line line) =>
        amount.Per is Per.Month or Per.Year
        && (
            Roles.Classify(amount, line.Words[..(amount.At.From - line.From)], Page.Text[amount.End..line.Seen.At.To])
                is var role
            && (role == Role.Price || (role == Role.Total && amount.Per == Per.Month))
        );

    [GeneratedRegex(
        @"\b(?:plan|package|offer|account)\b[^.]{0,24}\b(?:(?:is |are )?called |: ?)(?:“"
            + @"|"")?(?<name>\p{Lu}[\p{L}0-9’'-]*(?: \p{Lu}[\p{L}0-9’'-]*)?)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex CalledWords { get; }

    // A heading above with what the plan has between it and the price.
    private (Line? Name, List<Line> Lines) Headed(Line priced, List<Line> free)
    {
        var name = Lines
            .Take(priced.Index)
            .LastOrDefault(line =>
                line.Seen.Heading is > 0 and < 4
                && line.NameScore > 1
                && !line.Words.EndsWith('?')
                && !PlanBlocks.IsSection(line)
                && line.Owner is null
            );
        var between = name is null
            ? []
            : free.Where(line => line.Index > name.Index && line.Index < priced.Index && IsFeatureLine(line)).ToList();
        return between.Count > 0 ? (name, between) : (null, []);
    }

    [GeneratedRegex(
        @"^(?<name>\p{Lu}[\p{L}’'-]+(?: [\p{Lu}0-9][\p{L}0-9’'-]*){0,2}):\s",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex LabelledName { get; }

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
        foreach (var line in Lines)
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
