using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>What an ending costs, as far as it is read.</summary>
internal sealed class DomainDraft(string ending, PageSpan at)
{
    public string Ending { get; } = ending;

    public PageSpan At { get; } = at;

    public PageAmount? Register { get; set; }

    public PageAmount? Renew { get; set; }

    public PageAmount? Transfer { get; set; }

    /// <summary>Whether nothing makes the first price a first one.</summary>
    public bool IsPlain { get; set; }
}

/// <summary>Reads the prices of domain endings, from tables and from lines.</summary>
internal sealed partial class DomainLists(PageText page)
{
    [GeneratedRegex(@"[.!?]\s+(?=\p{Lu})", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex NextSentence { get; }

    [GeneratedRegex(
        @"^\s*\.?(?<ending>\.[a-z]{2,24}(?:\.[a-z]{2,3})?)(?:\s*[,/]\s*\.[a-z.]{2,24})*\W*$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex EndingCell { get; }

    [GeneratedRegex(
        @"(?<![\p{L}0-9@.])\.(?<ending>[a-z]{2,24}(?:\.[a-z]{2,3})?)(?![\p{L}0-9@])",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex EndingWord { get; }

    [GeneratedRegex(
        @"\brenew(?:al|als|s|ing)?\b|\bthen\b|\bafter(?:wards)?\b|\bfollowing\b|\bfurther years?\b|\blater\b"
            + @"|\bnext years?\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex RenewWord { get; }

    [GeneratedRegex(@"\btransfers?\b|\bmov(?:e|ing)\b|\bbring\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex TransferWord { get; }

    [GeneratedRegex(
        @"\bregist(?:er|ration)\b|\bnew\b|\bfirst year\b|\bprice\b|\b1 year\b|\bfee\b|\bone year\b|\bcosts?\b"
            + @"|\byear\b|\bannual\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex RegisterWord { get; }

    [GeneratedRegex(@"\b(?:[2-9]|10|two|three|five|ten) years?\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Years { get; }

    [GeneratedRegex(
        @"\b(?:in|for) (?:the |its )?first year\b|\bfirst year\b|\bnow\b|\bintro",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OnlyFirst { get; }

    [GeneratedRegex(
        @"\b(?:the )?same (?:when|on|at|price|every|each)\b|\brenews? at the same\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SameRenewal { get; }

    [GeneratedRegex(
        @"\b(?:was|were|instead of|regular(?:ly)?|normally|usually|list price)\b[\s(:]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex StruckBefore { get; }

    /// <summary>Whether a heading says that prices are for two years or more: "Domains (two years)".</summary>
    public static bool IsForYears(string heading) =>
        Years.IsMatch(heading) && Patterns.Has(heading, @"\b(?:domains?|names?|endings?)\b");

    /// <summary>Whether words name an ending.</summary>
    public static bool Endings(string words) => EndingWord.IsMatch(words);

    private readonly Dictionary<string, DomainDraft> _found = new(StringComparer.Ordinal);

    /// <summary>The endings in their order on the page.</summary>
    public IEnumerable<DomainDraft> Found =>
        _found
            .Values.Where(one => one.Register is not null || one.Renew is not null || one.Transfer is not null)
            .OrderBy(one => one.At.From);

    /// <summary>Amounts for two years and more.</summary>
    public List<PageAmount> OtherTerms { get; } = [];

    /// <summary>Reads a table whose rows are endings; false: it is none.</summary>
    public bool Read(PageTable table)
    {
        var rows = Enumerable.Range(0, table.Rows).Where(row => EndingCell.IsMatch(table.Words(row, 0))).ToList();
        if (rows.Count == 0 || rows.Count * 2 < table.Rows - 1)
        {
            return false;
        }

        var head = rows[0] > 0 ? rows[0] - 1 : -1;
        var kinds = new string[table.Columns];
        for (var column = 1; column < table.Columns; column++)
        {
            var words = head >= 0 ? table.Words(head, column) : "";
            kinds[column] =
                Years.IsMatch(words) ? "years"
                : TransferWord.IsMatch(words) ? "transfer"
                : RenewWord.IsMatch(words) ? "renew"
                : RegisterWord.IsMatch(words) ? "register"
                : words.Length == 0 ? ""
                : "other";
        }

        var isNamed = kinds.Any(kind => kind is "register" or "renew");
        foreach (var row in rows)
        {
            foreach (Match match in EndingWord.Matches(table.Words(row, 0)))
            {
                var first = table.Cell(row, 0)[0];
                var draft = Draft(match.Groups["ending"].Value, first.Seen.At);
                for (var column = 1; column < table.Columns; column++)
                {
                    Cell(draft, kinds[column], isNamed, table.Cell(row, column), column);
                }

                draft.IsPlain =
                    !isNamed
                    || (
                        !kinds.Contains("renew")
                        && !OnlyFirst.IsMatch(
                            head >= 0
                                ? string.Join(
                                    ' ',
                                    Enumerable.Range(1, table.Columns - 1).Select(column => table.Words(head, column))
                                )
                                : ""
                        )
                    );
            }
        }

        foreach (var line in table.Lines)
        {
            line.Owner ??= this;
        }

        return true;
    }

    private void Cell(DomainDraft draft, string kind, bool isNamed, IReadOnlyList<Line> lines, int column)
    {
        var words = string.Join("\n", lines.Select(line => line.Words));
        var amounts = lines
            .SelectMany(line =>
                line.Amounts.IsEmpty && PageAmount.OfCell(line.Words, line.From) is { } bare ? [bare] : line.Amounts
            )
            .Where(amount => !page.IsStruck(amount.At))
            .ToList();
        if (amounts.Count == 0 && Patterns.Has(words, @"^\W*(?:free|gratis)\W*$") && lines.Count > 0)
        {
            amounts = [new PageAmount(lines[0].Seen.At, "0", null, Per.None, lines[0].Seen.At.To)];
        }

        if (amounts.Count == 0)
        {
            return;
        }

        // Of two in a cell the first is what it was, in plain text without headings or within the cell.
        var amount =
            amounts.Count > 1 && !page.IsMarked && amounts[0].Value > amounts[^1].Value
                ? amounts[^1]
                : amounts.FirstOrDefault(one => !StruckBefore.IsMatch(page.Between(one.At.From - 24, one.At.From)))
                    ?? amounts[0];
        switch (kind)
        {
            case "years":
                OtherTerms.AddRange(amounts);
                break;
            case "transfer":
                draft.Transfer ??= amount;
                break;
            case "renew":
                draft.Renew ??= amount;
                break;
            case "register":
                draft.Register ??= amount;
                break;
            case "" when !isNamed && column == 1:
                draft.Register ??= amount;
                break;
            case "" when !isNamed && column == 2:
                draft.Renew ??= amount;
                break;
        }
    }

    [GeneratedRegex(
        @"^\W*(?:domain )?transfers?(?: in| to us| of names| of domains)? (?:is|are|costs?) (?<free>free|nothing)\b"
            + @"|^\W*(?<free>free) (?:domain )?transfers?(?: in| to us)?\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FreeTransfers { get; }

    // ".net and .org: £13.50 a year; transfers free": beside a price that is none of a transfer.
    [GeneratedRegex(
        @"[;,(·|]\s*(?:and |with )?(?:(?<free>free) transfers?|transfers?(?: in)? (?:(?:is|are) )?(?<free>free))\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FreeTransferBeside { get; }

    /// <summary>"Transfers in are free": of every ending whose transfer has no price of its own.</summary>
    public void ReadFreeTransfers(Piece sentence)
    {
        if (FreeTransfers.Match(sentence.Words).Groups["free"] is not { Success: true } free)
        {
            return;
        }

        var at = new PageSpan(sentence.From + free.Index, sentence.From + free.Index + free.Length);
        foreach (var draft in _found.Values)
        {
            draft.Transfer ??= new PageAmount(at, "0", null, Per.None, at.To);
        }
    }

    [GeneratedRegex(@"\s[·•|]\s", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Parted { get; }

    [GeneratedRegex(
        @"^\s*(?:a year|per year|each year|/ ?ye?a?r|yearly)?\s*(?:for|buys|gets you)\s+(?:an? |every )?$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex PriceFirst { get; }

    /// <summary>Reads a line that prices endings: ".com, .net and .org: £9 a year"; false: it does not.</summary>
    /// <param name="isTransfer">Whether it stands under a heading about moving names.</param>
    public bool Read(Line line, bool isTransfer)
    {
        if (line.Owner is not null)
        {
            return false;
        }

        var endings = EndingWord.Matches(line.Words).ToList();
        if (
            endings.Count == 0
            || (
                line.Amounts.IsEmpty && !(isTransfer && line.Words.Contains("free", StringComparison.OrdinalIgnoreCase))
            )
        )
        {
            return false;
        }

        // Free with the plan, and nothing said of what the ending costs later.
        if (
            DomainOffers.In(line.Words, line.Seen.At) is not null
            && !isTransfer
            && !Patterns.Has(line.Words, @"\b(?:then|after that|afterwards|renews?|renewal)\b[^.]{0,24}[0-9]")
        )
        {
            return false;
        }

        // "£11 a year for .co.uk and £15 for .com": prices stand before their endings.
        var opening = line.Amounts.LastOrDefault(amount => amount.At.To <= line.From + endings[0].Index);
        var isPriceFirst =
            opening is not null && PriceFirst.IsMatch(line.Words[(opening.At.To - line.From)..endings[0].Index]);

        // Groups of endings, each with the amounts until the next group.
        var groups = new List<(List<Match> Endings, int From, int To)>();
        foreach (var (number, ending) in endings.Index())
        {
            var between =
                number == 0 ? "" : line.Words[(endings[number - 1].Index + endings[number - 1].Length)..ending.Index];
            if (
                number > 0
                && between.Length <= 12
                && !between.Any(char.IsAsciiDigit)
                && Patterns.Has(between, @"^(?:\s*[,/&+]\s*|\s+(?:and|or)\s+|\s*,\s*(?:and|or)\s+)$|^\s+$")
            )
            {
                groups[^1].Endings.Add(ending);
                groups[^1] = groups[^1] with { From = ending.Index + ending.Length };
            }
            else
            {
                groups.Add(([ending], ending.Index + ending.Length, 0));
            }
        }

        var isRead = false;
        for (var number = 0; number < groups.Count; number++)
        {
            var (group, from, _) = groups[number];
            var to = number + 1 < groups.Count ? groups[number + 1].Endings[0].Index : line.Words.Length;
            if (isPriceFirst)
            {
                (from, to) = (number == 0 ? 0 : groups[number - 1].From, group[0].Index);
            }

            var words = line.Words[from..to];
            var amounts = line
                .Amounts.Where(amount => amount.At.From >= line.From + from && amount.At.From < line.From + to)
                .ToList();
            // A name is registered for years: a monthly price is not its price.
            isRead |=
                amounts.Exists(amount => amount.Per == Per.Month)
                || Group(group, words, line.From + from, amounts, line, isTransfer);
        }

        return isRead;
    }

    private bool Group(
        List<Match> endings,
        string words,
        int from,
        List<PageAmount> amounts,
        Line line,
        bool isTransfer
    )
    {
        if (isTransfer)
        {
            var price = amounts.FirstOrDefault()
                ?? (
                    Patterns.Find(words, @"\bfree\b") is { Success: true } free
                        ? new PageAmount(
                            new PageSpan(from + free.Index, from + free.Index + free.Length),
                            "0",
                            null,
                            Per.None,
                            from + free.Index + free.Length
                        )
                        : null
                );
            foreach (var ending in endings)
            {
                var draft = Draft(
                    ending.Groups["ending"].Value,
                    new PageSpan(line.From + ending.Index, line.From + ending.Index + ending.Length)
                );
                draft.Transfer ??= price;
            }

            return price is not null;
        }

        var plain = new List<PageAmount>();
        PageAmount? renew = null;
        PageAmount? transfer = null;
        var beside = FreeTransferBeside.Match(words).Groups["free"];
        var isFirst = false;
        foreach (var (number, amount) in amounts.Index())
        {
            var start = number == 0 ? from : amounts[number - 1].End;
            var end = number + 1 < amounts.Count ? amounts[number + 1].At.From : from + words.Length;
            var (before, behind) = (page.Between(start, amount.At.From), page.Between(amount.At.To, end));
            if (number > 0 && Parted.IsMatch(before))
            {
                break; // ".org £12 · transfers £11 each": of another thing.
            }

            behind = Parted.Match(behind) is { Success: true } stop ? behind[..stop.Index] : behind;
            behind = FreeTransferBeside.Match(behind) is { Success: true } free ? behind[..free.Index] : behind;
            behind = NextSentence.Match(behind) is { Success: true } next ? behind[..next.Index] : behind;
            if (
                page.IsStruck(amount.At)
                || StruckBefore.IsMatch(before)
                || (number > 0 && Patterns.Has(before, @"\binc[\s(]*$|^\s*\(?$") && Patterns.Has(behind, @"^\s*inc"))
            )
            {
                isFirst |= page.IsStruck(amount.At) || StruckBefore.IsMatch(before);
                continue;
            }

            if (Years.IsMatch(behind) || Years.IsMatch(before))
            {
                OtherTerms.Add(amount);
            }
            else if (TransferWord.IsMatch(before) || TransferWord.IsMatch(Own(behind, number, amounts.Count)))
            {
                transfer ??= amount;
            }
            else if (
                RenewWord.IsMatch(before)
                || Patterns.Has(
                    behind,
                    @"^\s*(?:on|at|when).{0,12}renew|^[^,;]{0,14}\b(?:renewal|after that|thereafter|afterwards)\b"
                )
            )
            {
                renew ??= amount;
            }
            else
            {
                isFirst |= amount.IsFirst || OnlyFirst.IsMatch(behind) || Patterns.Has(before, @"\bnow\b");
                plain.Add(amount);
            }
        }

        if (
            !page.IsMarked
            && plain.Count == 2
            && plain[0].Value > plain[1].Value
            && page.Between(plain[0].End, plain[1].At.From).Trim().Length == 0
        )
        {
            plain.RemoveAt(0);
            isFirst = true;
        }

        if (plain.Count == 0 && renew is null && transfer is null)
        {
            return OtherTerms.Count > 0 && amounts.Count > 0;
        }

        if (beside.Success)
        {
            var at = new PageSpan(from + beside.Index, from + beside.Index + beside.Length);
            transfer ??= new PageAmount(at, "0", null, Per.None, at.To);
        }

        var says = SameRenewal.IsMatch(words);
        foreach (var ending in endings)
        {
            var draft = Draft(
                ending.Groups["ending"].Value,
                new PageSpan(line.From + ending.Index, line.From + ending.Index + ending.Length)
            );
            draft.Register ??= plain.FirstOrDefault();
            draft.Renew ??= renew ?? (says ? plain.FirstOrDefault() : null);
            draft.Transfer ??= transfer;
            draft.IsPlain = !isFirst && renew is null;
        }

        return true;
    }

    // "£13.50 a year; transfers £9": what stands behind the last mark is of the next amount.
    private static string Own(string behind, int number, int count) =>
        number + 1 < count && behind.LastIndexOfAny([';', ',']) is >= 0 and var mark ? behind[..mark] : behind;

    private DomainDraft Draft(string ending, PageSpan at)
    {
        var key = ending.ToLowerInvariant();
        if (!_found.TryGetValue(key, out var draft))
        {
            _found[key] = draft = new DomainDraft(key, at);
        }

        return draft;
    }
}
