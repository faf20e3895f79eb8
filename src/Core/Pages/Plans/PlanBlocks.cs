using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>A plan's name and the lines that are about it.</summary>
internal sealed record PlanBlock(Line? Name, IReadOnlyList<Line> Lines);

/// <summary>Finds the plans of a page: names that repeat, each with a price and what it has.</summary>
internal sealed partial class PlanBlocks(IReadOnlyList<Line> lines, string? provider = null)
{
    [GeneratedRegex(
        @"^\W*(?:most|best|popular|recommended|our (?:favou?rite|pick)|top|new|bestseller|favou?rite|hot|great "
            + @"value|value pick|save|limited|sale|offer|[+]?\s*[0-9]+ (?:months? free|free months?))\b[^.]{0,24}$|%",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Badge { get; }

    [GeneratedRegex(
        @"^\W*(?:select|choose|order|buy|add|get|take|start(?!\W*$)|sign up|try|see|view|more|learn|continue|go"
            + @"|move in|put it|pick|compare|configure|details|read more|book|join|begin|want|reserve|claim|this one"
            + @"|i.ll|yes|let)\b[^.]{0,30}$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Action { get; }

    [GeneratedRegex(
        @"^\W*(?:(?:frequently asked )?questions\b.*|faqs?|good to know|(?:useful |optional )?(?:extras?"
            + @"|additions|add-?ons?)\b.*|add (?:to|it to) (?:it|your .*)|add to it|also(?: on request)?|goes well "
            + @"with.*|(?:our )?domains?(?: names?)?(?: prices?| price list| registration| names)?(?:,? (?:per|a|one"
            + @"|for a) year)?|(?:what a|our) domains? .*|names|a name|how it (?:works|goes)|how we .*|who (?:we are"
            + @"|looks after it)|what is in it|what.s included|notes?(?: \[edit\])?|what others (?:ask|charge)|what "
            + @"happens next|small print|opening hours|legal|company|products|help|contact|about(?: us)?|from (?:the"
            + @"|our) .{0,24}|not sure\?|need (?:a hand|more).{0,20}|why .{0,20}\?|you may also like|all (?:plans"
            + @"|offers|rooms).{0,20}|more for your .{0,20}|optional.{0,30}|the small print)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Section { get; }

    [GeneratedRegex(
        @"^(?!by )[\p{L}0-9“""'‘][\p{L}0-9 .&’'+/“”""‘()\-*†‡¹²³:]{0,38}$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex NameLike { get; }

    [GeneratedRegex(
        @"[\s,:–—-]*(?:\b(?:hosting|plan|package|account)\b"
            + @"|\(?\b(?:best[- ]?seller|best value|most (?:popular|chosen))\b\)?)?[\s*†‡¹²³:]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Tail { get; }

    [GeneratedRegex(
        @"^(?:configure|your plan|your order|order|choose|selected plan|selected|plan|package|hosting plan"
            + @"|product)\s*[:–—]\s+",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Lead { get; }

    [GeneratedRegex(
        @"\b(?:support|uptime|firewall|caching|staging|access|backups?|included|free|per|month|monthly|yearly"
            + @"|year|from|your|our|you|we|hosting for|welcome|log in|sign in|basket|cart|blog|status|contact|about"
            + @"|help|home|products|careers|press|imprint|terms|cookies|privacy|guides|all rights|customers|price"
            + @"|prices|pricing|billed|billing|cycle|term|duration|total|renews?|vat|tax|currency|servers?|data "
            + @"cent(?:re|er)s?|php|cpu|ftp|http.*|ipv6|cron|ssh|git|dns|faq|questions|skip to|menu|search|partners"
            + @"|forum|webmail|order form|rates|chat|news|compare|features?|plans|add-ons?|extras|domains?|hosting"
            + @"|mail|breadcrumb|reviews?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex NoName { get; }

    [GeneratedRegex(
        @"^(?:our |simple |cheap |fast |green )?(?:shared|managed|web|cloud|reseller|business|linux|windows|all"
            + @"|shop|website|standard web)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Kind { get; }

    /// <summary>How much a line looks like a plan's name: above 0 it may be one.</summary>
    public static int Score(string words)
    {
        var text = words.Trim();
        if (
            text.Length is 0 or > 40
            || !NameLike.IsMatch(text)
            || Badge.IsMatch(text)
            || PageAmount.In(text, 0).Length > 0
            || Terms.IsLabel(text)
            || Patterns.HasExact(text, @"^[0-9][0-9.,+%k]*$")
        )
        {
            return -5;
        }

        var name = NameOf(text);
        if (name.Length == 0)
        {
            return -5;
        }

        if (Action.IsMatch(Lead.Replace(text, "")) && !text.EndsWith("hosting", StringComparison.OrdinalIgnoreCase))
        {
            return -2;
        }

        var parts = name.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var small = parts
            .Skip(1)
            .Count(part =>
                char.IsLower(part[0]) && part is not ("and" or "of" or "the" or "de" or "la" or "to" or "for" or "in")
            );
        var score =
            parts.Length switch
            {
                1 => 3,
                2 => 3,
                3 => 2,
                _ => 0,
            } - (2 * small);
        score -= text[^1] is '.' or ':' or '?' or '!' ? 4 : 0;
        score -= NoName.IsMatch(name) ? 3 : 0;
        score -= Kind.IsMatch(name) && (name.Length < text.Length || name.Length == 3) ? 8 : 0;
        score -= FeatureWords.KeyOf(text) is not null || FeatureWords.In(text, 0).Length > 0 ? 3 : 0;
        score += name.Length < text.TrimEnd('*', '†', ' ').Length ? 2 : 0;
        score -= name.Length > 4 && name.All(letter => !char.IsLower(letter)) && name.Any(char.IsLetter) ? 1 : 0;
        return score;
    }

    /// <summary>A name as it is called: without "plan" behind it, and without footnote marks.</summary>
    public static string NameOf(string words)
    {
        var name = Patterns.Swap(words.Trim(), @"\s+", " ");
        name = Tail.Replace(Lead.Replace(name, ""), "").Trim(' ', '“', '”', '"', '‘');
        return name;
    }

    /// <summary>Whether a line opens another part of the page.</summary>
    public static bool IsSection(Line line) =>
        line.Words.Length <= 60 && line.Amounts.IsEmpty && Section.IsMatch(line.Words);

    /// <summary>The plans that stand in lines; none where nothing looks like one.</summary>
    public List<PlanBlock> Find(bool isMarked)
    {
        var byLook = isMarked ? ByLook() : null;
        return byLook ?? ByOrder();
    }

    // Names that look alike, each followed by a price.
    private List<PlanBlock>? ByLook()
    {
        var groups = new Dictionary<string, List<Line>>(StringComparer.Ordinal);
        foreach (var line in lines.Where(line => line.Words.Length <= 45))
        {
            var looks = line
                .Seen.Looks.Append(line.Seen.Heading > 0 ? $"h{line.Seen.Heading}" : "")
                .Append(string.Join(' ', line.Seen.Looks.Where(look => look[0] != '.')))
                .Distinct();
            foreach (var look in looks.Where(look => look.Length > 0))
            {
                if (!groups.TryGetValue(look, out var known))
                {
                    groups[look] = known = [];
                }

                known.Add(line);
            }
        }

        (List<PlanBlock> Blocks, decimal Score)? best = null;
        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var group in groups.Values)
        {
            if (group.Count is < 2 or > 60 || !seen.Add(string.Join(',', group.Select(line => line.Index))))
            {
                continue;
            }

            foreach (var members in Variants(group))
            {
                if (Judge(members) is { } judged && (best is null || judged.Score > best.Value.Score))
                {
                    best = judged;
                }
            }
        }

        return best is { Score: > 0 } found ? found.Blocks : null;
    }

    // The whole group, and its longest run of lines that may be names.
    private static IEnumerable<List<Line>> Variants(List<Line> group)
    {
        yield return group;
        var named = group.Where(line => line.NameScore > 0).ToList();
        if (named.Count >= 2 && named.Count < group.Count)
        {
            yield return named;
        }
    }

    private (List<PlanBlock> Blocks, decimal Score)? Judge(List<Line> members)
    {
        var distinct = members.Select(line => NameOf(line.Words)).Distinct(StringComparer.OrdinalIgnoreCase).Count();
        if (distinct < members.Count || members.Any(line => line.Amounts.Length > 0))
        {
            return null;
        }

        if (provider is not null && members.Exists(IsProvider))
        {
            return null;
        }

        var blocks = Cut(members);
        var priced = blocks.Where(block => block.Lines.Any(HasPrice)).ToList();
        var good = priced.Where(block => block.Name!.NameScore > 0).ToList();
        if (good.Count < 2)
        {
            return null;
        }

        var withFeatures = good.Count(block => block.Lines.Any(line => line != block.Name && IsFeature(line)));
        var score =
            (good.Count * 10)
            + (withFeatures * 6)
            + (good.Average(block => (decimal)block.Name!.NameScore) * 4)
            - ((blocks.Count - good.Count) * 7)
            + (members[0].Seen.Heading > 0 ? 5 : 0);

        // Names whose blocks have no price and no features are of other things.
        return (good, score - (withFeatures == 0 ? 15 : 0));
    }

    private bool IsProvider(Line line) =>
        provider is not null
        && line.Words.StartsWith(provider, StringComparison.OrdinalIgnoreCase)
        && line.Words.Length <= provider.Length + 12;

    // Sentences in a row are no part of a plan.
    private static bool IsProse(Line line) =>
        (line.Words.Length > 90 && line.Amounts.IsEmpty && PageLines.Sentences(line.Words, 0).Count >= 2)
        || (line.Words.Length > 70 && PageLines.Sentences(line.Words, 0).Count >= 3 && !IsFeature(line));

    private static bool HasPrice(Line line) =>
        line.Note is not null
        || line.Amounts.Any(amount =>
            !amount.IsNegative && amount.Value > 0 && amount.Per is not (Per.Other or Per.Once)
        );

    private static bool IsFeature(Line line) =>
        line.Amounts.IsEmpty
        && line.Words.Length <= 400
        && (
            FeatureWords.KeyOf(line.Words) is not null
            || PageLines.Pieces(line.Words, 0).Any(piece => FeatureWords.In(piece.Words, 0).Length > 0)
        );

    // Each name's lines: its card where each has one, else all to the next.
    private List<PlanBlock> Cut(List<Line> members)
    {
        var shared = members[0].Seen.Boxes.Length;
        foreach (var member in members.Skip(1))
        {
            var at = 0;
            while (at < shared && at < member.Seen.Boxes.Length && member.Seen.Boxes[at] == members[0].Seen.Boxes[at])
            {
                at++;
            }

            shared = at;
        }

        var cards = members
            .Select(member => shared < member.Seen.Boxes.Length ? member.Seen.Boxes[shared] : -1)
            .ToList();
        // A name and a price that stood in one line share an element, and no card.
        var isOneLine =
            members[0].Seen.Looks.Contains("named")
            && lines.Count(line => line.Seen.Boxes.Length > shared && line.Seen.Boxes[shared] == cards[0]) <= 2;
        var hasCards =
            !isOneLine
            && cards.All(card => card >= 0)
            && cards.Distinct().Count() == members.Count
            && members.All(member =>
                lines.Any(line =>
                    line.Seen.Boxes.Length > shared
                    && line.Seen.Boxes[shared] == member.Seen.Boxes[shared]
                    && line.Amounts.Length > 0
                )
            );
        if (hasCards)
        {
            return
            [
                .. members.Select(
                    (member, number) =>
                        new PlanBlock(
                            member,
                            [
                                .. lines.Where(line =>
                                    line.Seen.Boxes.Length > shared && line.Seen.Boxes[shared] == cards[number]
                                ),
                            ]
                        )
                ),
            ];
        }

        var blocks = new List<PlanBlock>();
        for (var number = 0; number < members.Count; number++)
        {
            var first = members[number];
            var end = number + 1 < members.Count ? members[number + 1].Index : lines[^1].Index + 1;
            var body = new List<Line>();
            foreach (var line in lines.SkipWhile(line => line.Index < first.Index).TakeWhile(line => line.Index < end))
            {
                if (
                    line != first
                    && (
                        IsSection(line)
                        || (line.Seen.Heading > 0 && first.Seen.Heading > 0 && line.Seen.Heading <= first.Seen.Heading)
                        || IsOutside(line, first, shared)
                    )
                )
                {
                    break;
                }

                body.Add(line);
            }

            blocks.Add(new PlanBlock(first, body));
        }

        return blocks;
    }

    private static bool IsOutside(Line line, Line first, int shared) =>
        shared > 1 && (line.Seen.Boxes.Length < shared || line.Seen.Boxes[shared - 1] != first.Seen.Boxes[shared - 1]);

    // Without looks: a name is the first of what stands between one plan's lines and the next one's.
    private List<PlanBlock> ByOrder()
    {
        var repeated = lines
            .GroupBy(line => line.Words, StringComparer.OrdinalIgnoreCase)
            .Where(group => group.Count() > 1)
            .Select(group => group.Key)
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        var tailed = lines.Count(line => line.NameScore > 0 && HasTail(line));
        var pieces = new List<(Line Name, List<Line> Body)>();
        var run = new List<Line>();
        var orphans = new List<Line>();
        List<Line>? body = null;
        for (var at = 0; at < lines.Count; at++)
        {
            var line = lines[at];
            var isBody = IsBody(line, at);
            var isUnderPrice = body is not null && HasPrice(lines[at - 1]) && IsFeature(line); // What it buys.
            if (IsSection(line) || (IsProse(line) && !isUnderPrice) || IsProvider(line) || line.Words.EndsWith('?'))
            {
                run.Clear();
                body = null;
                continue;
            }

            if (!isBody)
            {
                run.Add(line);
                continue;
            }

            var name = run.Select(
                    (candidate, number) =>
                        (
                            Line: candidate,
                            Score: repeated.Contains(candidate.Words)
                                ? -5
                                : candidate.NameScore
                                    + (candidate.Seen.Heading > 0 ? 1 : 0)
                                    + (IsNamedAgain(candidate, at) ? 1 : 0)
                                    - (IsHeading(candidate) ? 3 : 0),
                            Number: number
                        )
                )
                .Where(candidate => candidate.Score > 0 && run.Count - candidate.Number <= 4)
                .OrderByDescending(candidate => candidate.Score)
                .ThenByDescending(candidate => candidate.Number)
                .FirstOrDefault()
                .Line;
            if (name is not null)
            {
                // What stands before the name is the end of the plan before it.
                body?.AddRange(run.TakeWhile(candidate => candidate != name));
                body = [name, .. run.SkipWhile(candidate => candidate != name).Skip(1)];
                pieces.Add((name, body));
            }
            else
            {
                body?.AddRange(run);
            }

            run.Clear();
            body?.Add(line);
            if (body is null && pieces.Count == 0 && IsFeature(line))
            {
                orphans.Add(line);
            }
        }

        body?.AddRange(run.Take(3));
        return
            orphans.Count > 1
            && pieces.Count > 1
            && pieces.TrueForAll(piece => piece.Body.Any(HasPrice))
            && !pieces[^1].Body.Skip(1).Any(IsFeature)
            ? FeaturesFirst(pieces, orphans)
            : Merge(pieces);

        // "Shop-ready hosting" above the first of several plans, none of which is called so: what the page is about.
        bool IsHeading(Line candidate) =>
            HasTail(candidate)
            && (
                candidate.Index == 0
                || (
                    tailed == 1
                    && pieces.Count == 0
                    && run.Exists(other =>
                        other.Index > candidate.Index && other.NameScore > 0 && !repeated.Contains(other.Words)
                    )
                )
            );
    }

    // "Beacon hosting".
    private static bool HasTail(Line line) => NameOf(line.Words).Length < line.Words.Length;

    // "Start with Limpet", a few lines below.
    private bool IsNamedAgain(Line candidate, int at) =>
        candidate.NameScore > 0
        && NameOf(candidate.Words) is { Length: > 2 } name
        && lines
            .Skip(at)
            .Take(14)
            .Any(other =>
                other != candidate
                && other.Words.Length is > 3 and <= 60
                && other.Words.Length > name.Length
                && Patterns.Mentions(other.Words, name).Any()
            );

    private bool IsBody(Line line, int at)
    {
        if (line.Amounts.Length > 0 || Terms.IsLabel(line.Words))
        {
            return true;
        }

        if (
            FeatureWords.KeyOf(line.Words) is not null
            && at + 1 < lines.Count
            && Patterns.HasExact(
                lines[at + 1].Words,
                @"^(?:up to |about |~ ?)?[0-9][0-9.,']*(?: ?[GMT]B)?$|^(?:[Uu]nlimited|[Yy]es|[Nn]o|✓|✗|–|—|-"
                    + @"|[Ll]inux.*)$"
            )
        )
        {
            return true;
        }

        if (line.NameScore > 1)
        {
            return false;
        }

        return Patterns.HasExact(
                line.Words,
                @"^(?:up to |about |~ ?)?[0-9][0-9.,']*(?: ?[GMT]B)?$|^(?:[Uu]nlimited|✓|✗|–|—|[Yy]es|[Nn]o"
                    + @"|[Ll]inux.*)$"
            )
            || IsFeature(line)
            || (
                line.Words.Length < 120
                && (
                    Terms.PaidIn(line.Words) is not null
                    || Terms.In(line.Words, 0).Length > 0
                    || Terms.FreeIn(line.Words, 0) is not null
                )
                && line.NameScore <= 0
            );
    }

    // "3 websites", then the plan's name and price: what stands behind a price is of the plan below.
    private static List<PlanBlock> FeaturesFirst(List<(Line Name, List<Line> Body)> pieces, List<Line> above)
    {
        var blocks = new List<PlanBlock>();
        foreach (var (name, body) in pieces)
        {
            var end = body.FindLastIndex(line => line.Amounts.Length > 0) + 1;
            var own = body.Where((line, at) => at < end || !IsFeature(line));
            blocks.Add(new PlanBlock(name, [.. own, .. above]));
            above = [.. body.Skip(end).Where(IsFeature)];
        }

        return blocks;
    }

    // A piece without a price belongs to the plan before it, where prices stand first; else to the one after it.
    private static List<PlanBlock> Merge(List<(Line Name, List<Line> Body)> pieces)
    {
        var priced = pieces.Select(piece => piece.Body.Any(HasPrice)).ToList();
        var first = priced.IndexOf(true);
        if (first < 0)
        {
            return [];
        }

        if (
            first > 0
            && pieces.Skip(first).All(piece => piece.Body.Any(HasPrice))
            && pieces[first - 1].Body.Skip(1).Any(IsFeature)
            && pieces.Count - first >= 2
            && !pieces[^1].Body.Skip(1).Any(IsFeature)
        )
        {
            return FeaturesFirst([.. pieces.Skip(first)], [.. pieces[first - 1].Body.Skip(1).Where(IsFeature)]);
        }

        var pricesLast = first > 0 && pieces.Take(first).Any(piece => piece.Body.Skip(1).Any(IsFeature));
        var blocks = new List<PlanBlock>();
        if (!pricesLast)
        {
            for (var at = first; at < pieces.Count; at++)
            {
                if (priced[at] || blocks.Count == 0)
                {
                    blocks.Add(new PlanBlock(pieces[at].Name, pieces[at].Body));
                }
                else
                {
                    blocks[^1] = blocks[^1] with { Lines = [.. blocks[^1].Lines, .. pieces[at].Body] };
                }
            }

            return blocks;
        }

        List<Line> waiting = [];
        Line? name = null;
        for (var at = Math.Max(0, first - 3); at < pieces.Count; at++)
        {
            if (name is null && !pieces[at].Body.Skip(1).Any(line => IsFeature(line) || HasPrice(line)))
            {
                continue;
            }

            name ??= pieces[at].Name;
            waiting.AddRange(pieces[at].Body);
            if (priced[at])
            {
                blocks.Add(new PlanBlock(name, [.. waiting]));
                (name, waiting) = (null, []);
            }
        }

        return blocks;
    }
}
