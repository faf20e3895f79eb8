using static HomeStart.Core.Pages.SellerWords;

namespace HomeStart.Core.Pages;

/// <summary>Finds who sells on a page.</summary>
internal static class SellerName
{
    private const int LongestSignOff = 30;
    private const int FirstLines = 14;
    private const int LastLines = 40;

    /// <summary>Who sells; null: the page does not say.</summary>
    /// <param name="plans">The names of the page's plans: none of them sells.</param>
    /// <param name="isSure">Whether only a copyright line or a trade's word will do: the plans are not known
    /// yet.</param>
    public static (string? Name, PageSpan At) In(
        PageText page,
        IReadOnlyList<Line> lines,
        IReadOnlySet<string> plans,
        bool isSure = false
    ) =>
        Copyrighted(lines, plans)
        ?? Signed(lines)
        ?? Headed(page, lines, plans, isSure)
        ?? (isSure ? null : Introduced(lines, plans))
        ?? (isSure ? null : AtTheTop(lines, plans))
        ?? (null, default);

    // "© 2026 Otter & Lark Ltd", near the end.
    private static (string? Name, PageSpan At)? Copyrighted(IReadOnlyList<Line> lines, IReadOnlySet<string> plans)
    {
        foreach (var line in lines.Reverse().Take(LastLines))
        {
            if (
                Copyright.Match(line.Words).Groups["name"] is { Success: true } name
                && Tidied(name.Value) is { Length: > 1 } tidied
                && !Patterns.Has(tidied, @"^All rights")
                && !plans.Contains(tidied)
            )
            {
                return (tidied, new PageSpan(line.From + name.Index, line.From + name.Index + name.Length));
            }
        }

        return null;
    }

    // "Kind regards", and right below it who sends a quotation.
    private static (string? Name, PageSpan At)? Signed(IReadOnlyList<Line> lines)
    {
        foreach (var (number, line) in lines.Index().Skip(1))
        {
            if (
                Enumerable
                    .Range(Math.Max(0, number - 3), Math.Min(3, number))
                    .Any(at => lines[at].Words.Length <= LongestSignOff && SignOff.IsMatch(lines[at].Words))
                && Tidied(line.Words) is { Length: > 2 and < 46 } signed
                && Trade.IsMatch(signed)
                && line.Amounts.IsEmpty
            )
            {
                return (signed, line.Seen.At);
            }
        }

        return null;
    }

    // A name at the top that has a trade's word, or comes again further down.
    private static (string? Name, PageSpan At)? Headed(
        PageText page,
        IReadOnlyList<Line> lines,
        IReadOnlySet<string> plans,
        bool isSure
    )
    {
        foreach (var line in lines.Take(FirstLines).Where(line => line.Owner is null or string))
        {
            foreach (
                var piece in Part.Matches(line.Words).Select(match => new Piece(match.Value, line.From + match.Index))
            )
            {
                var lead = Patterns.Swap(piece.Words, @"^(?:From:?|Welcome to)\s+|\.\s+[A-Z]{3}\.?\s*$", "");
                var name = WithoutMenu(Tidied(lead));
                if (!CanBeSeller(name, line, plans))
                {
                    continue;
                }

                var start = piece.From + piece.Words.IndexOf(name, StringComparison.Ordinal);
                var again = page.Text.IndexOf(
                    name,
                    Math.Min(page.Text.Length, start + name.Length),
                    StringComparison.OrdinalIgnoreCase
                );
                if ((again > start + 20 && !isSure) || IsTradeName(name, line, lines))
                {
                    var printed =
                        again >= 0 && name.All(letter => !char.IsLower(letter))
                            ? page.Text.Substring(again, name.Length)
                            : name;
                    return (printed, new PageSpan(start, start + name.Length));
                }
            }
        }

        return null;
    }

    private static bool CanBeSeller(string name, Line line, IReadOnlySet<string> plans) =>
        name.Length is >= 3 and <= 45
        && !name.AsSpan().ContainsAny('?', ':', '(')
        && !IsMenu(name)
        && !plans.Contains(name)
        && !plans.Contains(PlanBlocks.NameOf(name))
        && char.IsLetterOrDigit(name[0])
        && name.Split(' ') is { Length: <= 6 } words
        && !(name.EndsWith('.') && words.Length > 4)
        && PageAmount.In(name, 0).IsEmpty
        && !Terms.IsLabel(name)
        && !CartWords.Times.IsMatch(name + " ")
        && !CartWords.TaxAlone.IsMatch(name)
        && (line.Seen.Cell is null || words.Length > 1)
        && !KindAlone.IsMatch(name)
        && Array.TrueForAll(words, word => !char.IsLower(word[0]) || word is "of" or "and" or "the" or "&");

    private static bool IsTradeName(string name, Line line, IReadOnlyList<Line> lines) =>
        line.Index <= 3
        && Trade.IsMatch(name)
        && name.Contains(' ', StringComparison.Ordinal)
        && !name.Any(char.IsAsciiDigit)
        && !(line.Index + 1 < lines.Count && lines[line.Index + 1].Amounts.Length > 0);

    // "We are Gorse & Heather", "Web space from Pilchard Row", "Quayside Works Ltd", "Kestrel Hosting – spring offers".
    private static (string? Name, PageSpan At)? Introduced(IReadOnlyList<Line> lines, IReadOnlySet<string> plans)
    {
        var greeting = lines.Where(line => line.Words.AsSpan().ContainsAny(Greetings));
        var firms = lines.Reverse().Where(line => line.Words.AsSpan().ContainsAny(FirmKinds));
        foreach (
            var (pattern, near) in new[]
            {
                (WeAre, greeting),
                (By, lines.Take(6)),
                (Firm, firms),
                (Opening, lines.Take(4)),
            }
        )
        {
            foreach (var line in near.Where(line => line.Words.Length <= 300))
            {
                var group = pattern.Match(line.Words).Groups["name"];
                var name = group.Success ? Tidied(group.Value.TrimEnd('.', ',', '&', ' ')) : "";
                if (
                    name.Length is < 3 or > 45
                    || plans.Contains(name)
                    || plans.Contains(PlanBlocks.NameOf(name))
                    || (
                        pattern == Opening
                        && plans.Any(plan => plan.StartsWith(name, StringComparison.OrdinalIgnoreCase))
                    )
                    || Everyday.IsMatch(name)
                    || Dated.IsMatch(name)
                    || CartWords.Times.IsMatch(name + " ")
                    || PageAmount.In(name, 0).Length > 0
                    || !name.Any(char.IsLetter)
                )
                {
                    continue;
                }

                if (
                    pattern == Opening
                    && !(
                        (name.Contains(' ', StringComparison.Ordinal) && Trade.IsMatch(name.Split(' ')[^1]))
                        || Sells.IsMatch(line.Words[(group.Index + group.Length)..])
                    )
                )
                {
                    continue;
                }

                if (
                    pattern == By
                    && !name.Contains(' ', StringComparison.Ordinal)
                    && !Trade.IsMatch(name)
                    && !Patterns.Has(
                        line.Words,
                        @"\b(?:hosting|web ?space|plans?|prices?|offers?|domains?|domain names?) (?:by|from|at)\b"
                    )
                )
                {
                    continue;
                }

                return (name, new PageSpan(line.From + group.Index, line.From + group.Index + name.Length));
            }
        }

        return null;
    }

    // A page that says nowhere else who sells often begins with it: one word with a capital, by itself.
    private static (string? Name, PageSpan At)? AtTheTop(IReadOnlyList<Line> lines, IReadOnlySet<string> plans) =>
        lines.Take(3).FirstOrDefault(line => !IsMenu(Tidied(line.Words))) is { } first
        && WithoutMenu(Tidied(first.Words)) is { Length: > 3 and < 25 } name
        && OneName.IsMatch(name)
        && first.Seen.Cell is null // The head of a column.
        && !Everyday.IsMatch(name)
        && !NoName.IsMatch(name)
        && !plans.Contains(name)
            ? (name, new PageSpan(first.From, first.From + name.Length))
            : null;

    private static string WithoutMenu(string name) =>
        Patterns.Swap(name, @"\s+(?:basket|cart|log ?in|sign in|menu|help|contact)\b.*$", "");

    // "Home", and several such words in a row.
    private static bool IsMenu(string words) => Menu.IsMatch(words) || words.Split(' ').All(word => Menu.IsMatch(word));

    private static string Tidied(string name) =>
        Patterns.Swap(
            Patterns.Swap(name, @"\s+", " ").Trim(' ', ',', '·', '|', '-', '–'),
            @"\s+(?:Ltd|Limited|LLC|Inc|GmbH|AB|s\.r\.o|Pvt|AG|BV|B\.V|SA|Oy|ApS|SARL|Srl|SpA|Pty|plc|Corp)\.?$",
            ""
        );
}
