using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Things with a price that are sold beside plans.</summary>
internal sealed partial class PageWork
{
    [GeneratedRegex(
        @"\b(?:support|archive|snapshots?|site mov(?:e|ing|er)|mov(?:e|ing) (?:your|the|a)|migrations?|design"
            + @"|logo|themes?|templates?|newsletter|scans?|watch|monitoring|statistics|licen[cs]e|own ip|mailbox"
            + @"|backups?|privacy|certificate|ip address|storage|security|firewall|builder)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
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
            if (
                line.Owner is null
                && line.Amounts.Length is > 1 and <= MostInLine
                && (
                    ExtraHeading.IsMatch(line.Words)
                    || PageLines.Pieces(line.Words, 0).TrueForAll(piece => ExtraThing.IsMatch(piece.Words))
                )
                && SeveralExtras(line)
            )
            {
                line.Owner = this;
                continue;
            }

            if (
                line.Owner is not null
                || line.Amounts.Length != 1
                || Offers.IsNoHosting(line.Words)
                || line.Words.Length > 90
                || PerOf(line.Amounts[0], line.Words) is not { } per
            )
            {
                continue;
            }

            var amount = line.Amounts[0];
            var before = line.Words[..(amount.At.From - line.From)];
            if (Roles.Classify(amount, before, Page.Text[amount.End..line.Seen.At.To]) != Role.Price)
            {
                continue;
            }

            if (before.Trim().Length > 1)
            {
                var hasBox =
                    TickGlyph.IsMatch(before)
                    || Page.Ticks.Any(tick => tick.At <= line.From && line.From - tick.At <= 3);
                if (
                    ExtraIn(before, line.From, allowsAll: true) is { } name
                    && (IsExtraName(name.Words) || (hasBox && !NoExtra.IsMatch(name.Words)))
                )
                {
                    AddExtra(name.Words, name.At, amount, per);
                    line.Owner = this;
                }
            }
            else if (
                line.Index > 0
                && Lines[line.Index - 1] is { Owner: null } above
                && above.Amounts.IsEmpty
                && IsExtraName(above.Words)
                && StandsInList(line, above)
            )
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
        return before is null
            || before.Amounts.Length > 0
            || before.Seen.Heading > 0
            || PlanBlocks.IsSection(before)
            || Page.Ticks.Any(tick => tick.At <= above.From && above.From - tick.At <= 3)
            || (
                !IsFeatureLine(before)
                && At(from) is { Amounts.IsEmpty: true } next
                && IsExtraName(next.Words)
                && At(from + 1) is { Amounts.Length: 1 }
            )
            || (!IsFeatureLine(before) && At(before.Index - 1) is { Amounts.Length: > 0 });
    }

    private Line? At(int index) => index >= 0 && index < Lines.Count ? Lines[index] : null;

    private bool IsButton(Line line)
    {
        _counts ??= Lines
            .Where(other => other.Words.Length <= 14)
            .GroupBy(other => other.Words, StringComparer.Ordinal)
            .ToDictionary(group => group.Key, group => group.Count(), StringComparer.Ordinal);
        return line.Words.Length <= 14
            && line.Amounts.IsEmpty
            && (line.Words is "Add" or "Add +" or "+" || _counts[line.Words] > 1);
    }

    private Dictionary<string, int>? _counts;

    private static bool IsExtraName(string words) =>
        words.Length is > 2 and <= 48
        && words.Split(' ').Length <= 7
        && ExtraName.IsMatch(words)
        && !Promised.IsMatch(words)
        && !words.Contains(',', StringComparison.Ordinal)
        && (
            ExtraThing.IsMatch(words)
            || Features.KeyOf(words) is not null and not ("domain" or "websites" or "monthlyVisits" or "platforms")
        )
        && !Patterns.Has(words, @"^[0-9]|\b(?:hosting|plans?|renews?|total|price|month|year|your website|set-?up)\b");

    private static bool IsFeatureLine(Line line) =>
        line.Owner is null
        && line.Amounts.IsEmpty
        && line.Words.Length <= 200
        && PageLines.Pieces(line.Words, 0).Exists(piece => Features.In(piece.Words, 0).Length > 0);

    /// <summary>Things with a price beside the plans.</summary>
    public void Extras()
    {
        foreach (var line in Lines)
        {
            if (
                line.Owner is not null
                || line.Amounts.IsEmpty
                || line.Amounts.Length > MostInLine
                || Offers.IsNoHosting(line.Words)
                || Offers.IsExample(line.Words)
            )
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
            if (
                PerOf(amount, line.Words) is not { } per
                || Roles.Classify(amount, before, Page.Text[amount.End..line.Seen.At.To]) != Role.Price
                || line.Amounts.Length > 3
            )
            {
                continue;
            }

            if (before.Trim().Length > 1)
            {
                // "All amounts in USD. Extra mailbox $1 a month": what the last sentence names.
                var from = before.LastIndexOf(". ", StringComparison.Ordinal) is var stop and >= 0 ? stop + 2 : 0;
                if (ExtraIn(before[from..], line.From + from) is { } name && !IsPlan(name.Words))
                {
                    AddExtra(name.Words, name.At, amount, per);
                    line.Owner = this;
                }
            }
            else if (
                line.Index > 0
                && Lines[line.Index - 1] is { Owner: null } above
                && above.Amounts.IsEmpty
                && ExtraName.IsMatch(above.Words)
                && above.Words.Split(' ').Length <= 7
                && !NoExtra.IsMatch(above.Words)
                && !IsPlan(above.Words)
            )
            {
                AddExtra(above.Words, above.Seen.At, amount, per);
                line.Owner = this;
                above.Owner = this;
            }
        }
    }

    private bool IsPlan(string name) => Plans.Exists(plan => plan.Name == name);

    // "Add-ons: Nightly backup £2/mo · Malware watch £3/mo": every piece is a thing and its price.
    private bool SeveralExtras(Line line)
    {
        if (LaterContext.IsMatch(line.Words) && !ExtraHeading.IsMatch(line.Words))
        {
            return false; // "Renewal: Nest £8 a month, Ledge £13 a month".
        }

        var found = new List<(Piece Name, PageAmount Price, string Per)>();
        // Behind a heading, what the next sentences say is no part of the list.
        var pieces = ExtraHeading.IsMatch(line.Words)
            ? PageLines
                .Sentences(line.Words, line.From)
                .Where(sentence =>
                    line.Amounts.Any(amount => sentence.From <= amount.At.From && amount.At.To <= sentence.At.To)
                )
                .SelectMany(sentence => PageLines.Pieces(sentence.Words, sentence.From))
            : PageLines.Pieces(line.Words, line.From);
        foreach (var piece in pieces)
        {
            var amounts = line
                .Amounts.Where(amount => amount.At.From >= piece.From && amount.At.To <= piece.At.To)
                .ToList();
            if (
                amounts.Count != 1
                || PerOf(amounts[0], piece.Words) is not { } per
                || ExtraIn(piece.Words[..(amounts[0].At.From - piece.From)], piece.From) is not { } name
                || (found.Count == 0 && !IsExtraName(name.Words))
            )
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
        before = Bullet.Replace(TickGlyph.Replace(before, match => new string(' ', match.Length)), match => new string(
            ' ',
            match.Length
        ));
        var name = ExtraHeading.Replace(
            before.Trim().TrimEnd(':', '–', '—', '-', ',', '(', ' ', '·', '|', '.', '…', '_'),
            ""
        );
        name = Patterns.Swap(ExtraLead.Replace(name, ""), @",?\s+(?:only|just|for|at|costs?|is)$", "");
        return
            ExtraName.IsMatch(name)
            && name.Split(' ').Length <= 7
            && (allowsAll || !NoExtra.IsMatch(name))
            && char.IsLetter(name[0])
            ? new Piece(name, from + before.IndexOf(name, StringComparison.Ordinal))
            : null;
    }

    [GeneratedRegex(
        @"^(?:add-?\s?ons?|extras?|optional(?: extras)?|options?|also available|on request)\s*[:–—]\s*",
        Patterns.AnyCase,
        Patterns.Patience
    )]
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
        var isTicked =
            (Page.Ticks.Length > 0 && tick.IsTicked && at.From - tick.At <= 3)
            || Ticked.IsMatch(Page.Text[Math.Max(0, at.From - 4)..at.From]);
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
            _ => Once.IsMatch(words) ? "once"
            : AMonth.IsMatch(words) ? "month"
            : AYear.IsMatch(words) ? "year"
            : null,
        };

    [GeneratedRegex(@"\b(?:per|a|each) month\b|\bmonthly\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex AMonth { get; }

    [GeneratedRegex(@"\b(?:per|a|each) year\b|\byearly\b|\bannual(?:ly)?\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex AYear { get; }

    [GeneratedRegex(
        @",\s*(?:once|one-?\s?time|one-?\s?off|(?:per|a|each) (?:month|year)|monthly|yearly|annually)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Suffix { get; }
}
