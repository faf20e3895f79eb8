using System.Buffers;
using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>A line that is being read, with its amounts.</summary>
internal sealed class Line(int index, PageLine at)
{
    private int? _nameScore;

    public int Index { get; } = index;

    public PageLine Seen { get; } = at;

    public string Words => Seen.Words;

    public int From => Seen.At.From;

    /// <summary>The words before the first of its amounts; all, where it has none.</summary>
    public string BeforeAmounts =>
        Amounts.IsEmpty ? Words : Words[..Math.Clamp(Amounts[0].At.From - From, 0, Words.Length)];

    public ImmutableArray<PageAmount> Amounts { get; set; } = [];

    /// <summary>Who has read it already; null: nobody.</summary>
    public object? Owner { get; set; }

    /// <summary>How much it looks like a plan's name.</summary>
    public int NameScore => _nameScore ??= PlanBlocks.Score(Words);

    /// <summary>The note that its mark leads to, where the note has a price.</summary>
    public Line? Note { get; set; }

    /// <summary>What stands before it in its row, for a cell that its label explains.</summary>
    public string Label { get; set; } = "";
}

/// <summary>A part of a line between two separators.</summary>
internal sealed record Piece(string Words, int From)
{
    public PageSpan At => new(From, From + Words.Length);
}

/// <summary>Gets a page's lines ready: amounts that were printed in pieces are joined.</summary>
internal static partial class PageLines
{
    [GeneratedRegex($@"^(?:{CurrencySigns.Sign}|R|RM|Rp|{CurrencySigns.Code})$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex OnlySign { get; }

    [GeneratedRegex(
        $@"^(?:€|zł|Kč|kr\.?|Ft|lei|лв\.?|₫|{CurrencySigns.Code})(?:\s*(?:/|per |a ).{{1,12}})?$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex OnlyTrailing { get; }

    [GeneratedRegex(@"^[0-9][0-9.,'’  ]*$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex OnlyFigures { get; }

    [GeneratedRegex(@"^[.,][0-9]{2}$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex OnlyCents { get; }

    [GeneratedRegex(@"(?:^|[^0-9.,])[0-9]{1,3}$|^[0-9 ]+$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex EndsInFigures { get; }

    [GeneratedRegex(
        @"^(?:/|per\b|a\b|an\b|each\b)\s*(?:month|mo\.?|mth|year|yr|annum)\.?[*†‡]*(?:[\s,].*)?$|^(?:monthly"
            + @"|yearly|annually)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OnlyPer { get; }

    [GeneratedRegex(@"[0-9](?:\s?(?:€|zł|Kč|kr\.?|CHF|[A-Z]{3}))?[*†]*$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex EndsInAmount { get; }

    [GeneratedRegex(
        @"\s*[·•|;]\s*|\s+[–—]\s+|\s+-\s+|,\s+(?!\.[a-z]{2})(?=\D|[0-9]+[ -]\p{L}|[0-9][0-9.,]*\s?[GMT]B"
            + @"|[0-9.,]+ )|(?<!\b(?:[Ii]ncl|[Ee]xcl|[Ii]nc|[Ee]x|mo|mth|approx|no|No|yr|St|Dr|vs|Fr"
            + @"|kr))[.!?](?:\s+)(?=[\p{Lu}0-9“""'£€$₹~*†])|\n",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Separator { get; }

    /// <summary>The lines of a page, with their amounts.</summary>
    public static List<Line> Split(PageText page)
    {
        var joined = new List<PageLine>();
        foreach (var line in page.Lines)
        {
            var isNextLabel =
                joined.Count > 1
                && char.IsLetter(line.Words[0])
                && Terms.IsLabel(joined[^2].Words)
                && Terms.IsLabel(line.Words);
            if (
                joined.Count > 0
                && !isNextLabel
                && joined[^1] is var last
                && last.Cell == line.Cell
                && (last.Cell is not null || line.At.From - last.At.To <= 3)
                && Joins(last.Words, line.Words)
            )
            {
                var at = new PageSpan(last.At.From, line.At.To);
                joined[^1] = last with { At = at, Words = page.TextAt(at) };
                continue;
            }

            joined.Add(line);
        }

        var parts = Named(joined.SelectMany(Parts).ToList(), page);
        return
        [
            .. parts.Select(
                (part, number) => new Line(number, part) { Amounts = PageAmount.In(part.Words, part.At.From) }
            ),
        ];
    }

    [GeneratedRegex(
        @"^\W*(?:now|only|just|from|was|were|price|prices|total|save|saving|pay|today|then|after|renews?|renewal"
            + @"|regular|first|for|per|at|and|or|plus|add|set-?\s?up|monthly|yearly|annual|annually|fee|cost|costs"
            + @"|term|billed|worth|value|off|subtotal|vat|tax|domain|transfer|registration|new|you|it)\b|\b(?:from"
            + @"|only|just|for|at|is|costs?|price|now|renews?|fee|of|was|save|worth|to|by|than|with|a|the|year|month"
            + @"|years|months|per|than|then|total|set-?up|vat|tax|today|pay|off|and|or|value)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex NotNamed { get; }

    private static readonly SearchValues<string> Periods = SearchValues.Create(
        ["mo", "mth", "year", "yr", "annum", "annual", "pm", "pcm", "p/m", "pa", "p/a", "/y", "/m", "/ y", "/ m"],
        StringComparison.OrdinalIgnoreCase
    );

    // "Small €3 / month", "Medium €6 / month": a name and its price on one line are two lines where several plans stand
    // so.
    private static List<PageLine> Named(List<PageLine> lines, PageText page)
    {
        var found = new Dictionary<int, int>();
        for (var at = 0; at < lines.Count; at++)
        {
            var line = lines[at];
            if (
                line.Cell is null
                && line.Words.Length <= 90
                && line.Words.AsSpan().ContainsAny(Periods)
                && PageAmount.In(line.Words, 0) is [{ Per: Per.Month or Per.Year } price, ..]
                && price.At.From > 2
            )
            {
                // Dots may lead from the name to its price.
                var before = line.Words[..price.At.From].TrimEnd(' ', '–', '—', '-', ':', '.', '…', '_');
                if (
                    before.Length is > 1 and <= 30
                    && char.IsLetterOrDigit(before[^1])
                    && PlanBlocks.Score(before) > 0
                    && !NotNamed.IsMatch(before)
                    && FeatureWords.KeyOf(before) is null
                    && !ExtraWords.IsThing(before)
                    && (
                        line.Heading > 0
                        || lines
                            .Skip(at + 1)
                            .Take(4)
                            .Any(next =>
                                PageAmount.In(next.Words, 0).IsEmpty
                                && Pieces(next.Words, 0).Exists(piece => FeatureWords.In(piece.Words, 0).Length > 0)
                            )
                    )
                )
                {
                    found[at] = before.Length;
                }
            }
        }

        if (
            found.Count < 2
            || found.Select(one => lines[one.Key].Words[..one.Value]).Distinct(StringComparer.OrdinalIgnoreCase).Count()
                < found.Count
        )
        {
            return lines;
        }

        var parted = new List<PageLine>(lines.Count + found.Count);
        foreach (var (at, line) in lines.Index())
        {
            if (!found.TryGetValue(at, out var length))
            {
                parted.Add(line);
                continue;
            }

            var rest = line.At.From + length;
            while (rest < line.At.To && char.IsWhiteSpace(page.Text[rest]))
            {
                rest++;
            }

            var (name, price) = (new PageSpan(line.At.From, line.At.From + length), new PageSpan(rest, line.At.To));
            parted.Add(line with { At = name, Words = page.TextAt(name), Looks = line.Looks.Add("named") });
            parted.Add(line with { At = price, Words = page.TextAt(price), Heading = 0 });
        }

        return parted;
    }

    /// <summary>The pieces of words: separators, commas and ends of sentences part them.</summary>
    public static List<Piece> Pieces(string words, int from)
    {
        var pieces = new List<Piece>();
        var start = 0;
        foreach (Match match in Separator.Matches(words))
        {
            Add(start, match.Index);
            start = match.Index + match.Length;
        }

        Add(start, words.Length);
        return pieces;

        void Add(int begin, int end)
        {
            while (begin < end && char.IsWhiteSpace(words[begin]))
            {
                begin++;
            }

            while (end > begin && char.IsWhiteSpace(words[end - 1]))
            {
                end--;
            }

            if (end > begin)
            {
                pieces.Add(new Piece(words[begin..end], from + begin));
            }
        }
    }

    [GeneratedRegex(
        @"(?<!\b(?:[Ii]ncl|[Ee]xcl|[Ii]nc|[Ee]x|mo|mth|approx|no|No|yr|St|Dr|vs|Fr|kr|B|Ltd"
            + @"|Co))[.!?][”""’)]?(?:\s+)(?=[\p{Lu}0-9“""'£€$₹*†©])"
            + @"|(?<=/(?:mo|yr))\.\s+(?=\p{Lu}[\p{Ll}]*\s)|\n",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Sentence { get; }

    private static readonly SearchValues<char> Ends = SearchValues.Create(".!?\n");

    /// <summary>The sentences of words.</summary>
    public static List<Piece> Sentences(string words, int from)
    {
        if (words.AsSpan(0, Math.Max(0, words.Length - 1)).IndexOfAny(Ends) < 0)
        {
            return [new Piece(words, from)];
        }

        var pieces = new List<Piece>();
        var start = 0;
        foreach (Match match in Sentence.Matches(words))
        {
            pieces.Add(new Piece(words[start..(match.Index + 1)], from + start));
            start = match.Index + match.Length;
        }

        if (start < words.Length)
        {
            pieces.Add(new Piece(words[start..], from + start));
        }

        return pieces;
    }

    /// <summary>What stands between dots and bars: "30 days · Paid once for the whole term".</summary>
    public static IEnumerable<Piece> Parted(Piece words)
    {
        var start = 0;
        while (words.Words.AsSpan(start).IndexOfAny('·', '|', '•') is >= 0 and var length)
        {
            yield return new Piece(words.Words[start..(start + length)], words.From + start);
            start += length + 1;
        }

        yield return new Piece(words.Words[start..], words.From + start);
    }

    private static bool Joins(string last, string next) =>
        last.Length <= 60
        && next.Length <= 60
        && (
            (OnlySign.IsMatch(last) && OnlyFigures.IsMatch(next))
            || (OnlyFigures.IsMatch(last) && OnlyTrailing.IsMatch(next))
            || (OnlyCents.IsMatch(next) && EndsInFigures.IsMatch(last))
            || (OnlyPer.IsMatch(next) && EndsInAmount.IsMatch(last) && PageAmount.In(last, 0).Length > 0)
        );

    [GeneratedRegex(@"(?<![\p{L}0-9@.])\.[a-z]{2,24}\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Ending { get; }

    [GeneratedRegex(
        @"^(?<name>\p{L}[^(–—:·,]{1,30}?)\s*(?:\((?<more>[^()]{8,120})\)|(?:\s[–—-]\s|:\s)(?<more>.{8,120}))$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex NameAndMore { get; }

    [GeneratedRegex(
        @"^(?:[*•·‣▪–-]\s+)?\p{Lu}[^–—:.]{1,32}(?:\s[–—-]\s|:\s).{0,40}(?:[£€$₹]\s?[0-9]|[0-9]\s?(?:€|kr|zł"
            + @"|[A-Z]{3}\b))",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex NameAndPrice { get; }

    private static bool IsNameAndPrice(Piece piece) =>
        PageAmount.In(piece.Words, 0) is [{ Per: Per.Month or Per.Year } price]
        && price.At.From > 2
        && piece.Words[..price.At.From].TrimEnd() is var name
        && PlanBlocks.Score(name) > 0
        && !NotNamed.IsMatch(name)
        && FeatureWords.KeyOf(name) is null
        && !ExtraWords.IsThing(name);

    [GeneratedRegex(
        @"(?:^[^:]{2,40}:\s+|,\s+(?:and\s+)?|\s+and\s+|;\s+)(?=\p{Lu}[\p{L}0-9]*(?: "
            + @"\p{Lu}?[\p{L}0-9]+)?\s+(?:for |at |is |costs )?[^\p{L}\s]{0,4}(?:[£€$₹]|[A-Z]{3})?\s?[0-9])|[.]$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex BetweenNames { get; }

    // Empty unless every part is a name with its price.
    private static List<Piece> NamesAndPrices(PageLine line)
    {
        var parts = new List<Piece>();
        var start = 0;
        foreach (Match match in BetweenNames.Matches(line.Words))
        {
            if (match.Index > start)
            {
                parts.Add(new Piece(line.Words[start..match.Index], line.At.From + start));
            }

            start = match.Index + match.Length;
        }

        if (start < line.Words.Length)
        {
            parts.Add(new Piece(line.Words[start..], line.At.From + start));
        }

        return parts.TrueForAll(IsNameAndPrice) ? parts : [];
    }

    // Lines as long as pages would make every pattern slow: they are read sentence by sentence.
    private static IEnumerable<PageLine> Parts(PageLine line)
    {
        const int Longest = 600;
        if (
            line.Words.Length > 60
            && line.Words.AsSpan().ContainsAnyInRange('0', '9')
            && Sentences(line.Words, line.At.From) is { Count: > 1 } named
            && named.Count(sentence => NameAndPrice.IsMatch(sentence.Words) || InlinePlans.NamesAPlan(sentence.Words))
                > 1
        )
        {
            foreach (var sentence in named)
            {
                yield return line with
                {
                    At = sentence.At,
                    Words = sentence.Words,
                };
            }

            yield break;
        }

        if (
            line.Words.Length > 90
            && line.Cell is null
            && Ending.IsMatch(line.Words)
            && !NameAndPrice.IsMatch(line.Words)
            && Sentences(line.Words, line.At.From) is { Count: > 1 } sentences
            && (char.IsLetter(line.Words[0]) || line.Words[0] == '.')
        )
        {
            foreach (var sentence in sentences)
            {
                yield return line with
                {
                    At = sentence.At,
                    Words = sentence.Words,
                };
            }

            yield break;
        }

        // "Plans for every pocket: Pebble £2 a month, Cobble £4 a month and Flagstone £9 a month".
        if (
            line.Words.Length <= 240
            && line.Cell is null
            && line.Words.AsSpan().ContainsAny(Periods)
            && NamesAndPrices(line) is { Count: > 1 } several
        )
        {
            foreach (var piece in several)
            {
                var price = PageAmount.In(piece.Words, 0)[0].At.From;
                var name = piece.Words[..price].TrimEnd();
                yield return line with
                {
                    At = new PageSpan(piece.From, piece.From + name.Length),
                    Words = name,
                    Looks = line.Looks.Add("named"),
                };
                yield return line with
                {
                    At = new PageSpan(piece.From + price, piece.At.To),
                    Words = piece.Words[price..],
                };
            }

            yield break;
        }

        // "Parkland $4/mo · Downland $9/mo": several names with their prices.
        if (
            line.Words.Length <= 160
            && line.Words.AsSpan().ContainsAny('·', '|', '•')
            && Pieces(line.Words, line.At.From) is { Count: > 1 } pieces
            && pieces.TrueForAll(IsNameAndPrice)
        )
        {
            foreach (var piece in pieces)
            {
                yield return line with
                {
                    At = piece.At,
                    Words = piece.Words,
                };
            }

            yield break;
        }

        // "Jetty (5 GB, 2 sites, 10 mailboxes)": a name, and what it has.
        if (
            line.Words.Length <= 160
            && line.Cell is null
            && NameAndMore.Match(line.Words) is { Success: true } match
            && PlanBlocks.Score(match.Groups["name"].Value) > 0
            && FeatureWords.KeyOf(match.Groups["name"].Value) is null
            && Pieces(match.Groups["more"].Value, 0).Count(piece => FeatureWords.In(piece.Words, 0).Length > 0) >= 2
            && PageAmount.In(line.Words, 0).IsEmpty
        )
        {
            foreach (var group in new[] { match.Groups["name"], match.Groups["more"] })
            {
                yield return line with
                {
                    At = new PageSpan(line.At.From + group.Index, line.At.From + group.Index + group.Length),
                    Words = group.Value,
                };
            }

            yield break;
        }

        if (line.Words.Length <= Longest)
        {
            yield return line;
            yield break;
        }

        var start = 0;
        while (start < line.Words.Length)
        {
            var end = Math.Min(line.Words.Length, start + Longest);
            if (end < line.Words.Length)
            {
                var stop = line.Words.LastIndexOf(". ", end - 1, end - start, StringComparison.Ordinal);
                stop = stop > start ? stop + 1 : line.Words.LastIndexOf(' ', end - 1, end - start);
                end = stop > start ? stop : end;
            }

            var words = line.Words[start..end];
            yield return line with
            {
                At = new PageSpan(line.At.From + start, line.At.From + end),
                Words = words,
            };
            start = end;
        }
    }
}
