using static HomeStart.Core.Pages.ExtraWords;
using static HomeStart.Core.Pages.StatementWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads things with a price that are sold beside plans.</summary>
internal sealed class ExtraStep(PageDraft draft)
{
    private Dictionary<string, int>? _counts;

    /// <summary>
    /// What is called by a thing rather than a name, with a price right behind it, is an extra wherever it stands.
    /// </summary>
    public void ReadSure()
    {
        foreach (var line in draft.Lines)
        {
            if (
                line.Owner is null
                && line.Amounts.Length is > 1 and <= PageDraft.MostInLine
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
            if (Roles.Classify(amount, before, draft.Page.Between(amount.End, line.Seen.At.To)) != Role.Price)
            {
                continue;
            }

            if (before.Trim().Length > 1)
            {
                var hasBox =
                    TickGlyph.IsMatch(before)
                    || draft.Page.Ticks.Any(tick => tick.At <= line.From && line.From - tick.At <= 3);
                if (
                    ExtraIn(before, line.From, allowsAll: true) is { } name
                    && (IsExtraName(name.Words) || (hasBox && !NoExtra.IsMatch(name.Words)))
                )
                {
                    draft.AddExtra(name.Words, name.At, amount, per);
                    line.Owner = this;
                }
            }
            else if (
                line.Index > 0
                && draft.Lines[line.Index - 1] is { Owner: null } above
                && above.Amounts.IsEmpty
                && IsExtraName(above.Words)
                && StandsInList(line, above)
            )
            {
                draft.AddExtra(above.Words, above.Seen.At, amount, per);
                line.Owner = this;
                above.Owner = this;
            }
        }
    }

    // After a heading, a price or a box, or with more of its kind below: not the last of a plan's features.
    private bool StandsInList(Line line, Line above)
    {
        var before = draft.LineAt(above.Index - 1);
        before = before is { Amounts.IsEmpty: true } && IsButton(before) ? draft.LineAt(above.Index - 2) : before;
        var below = draft.LineAt(line.Index + 1);
        var from = below is not null && IsButton(below) ? line.Index + 2 : line.Index + 1;
        return before is null
            || before.Amounts.Length > 0
            || before.Seen.Heading > 0
            || PlanBlocks.IsSection(before)
            || draft.Page.Ticks.Any(tick => tick.At <= above.From && above.From - tick.At <= 3)
            || (
                !PageDraft.IsFeatureLine(before)
                && draft.LineAt(from) is { Amounts.IsEmpty: true } next
                && IsExtraName(next.Words)
                && draft.LineAt(from + 1) is { Amounts.Length: 1 }
            )
            || (!PageDraft.IsFeatureLine(before) && draft.LineAt(before.Index - 1) is { Amounts.Length: > 0 });
    }

    private bool IsButton(Line line)
    {
        _counts ??= draft
            .Lines.Where(other => other.Words.Length <= 14)
            .GroupBy(other => other.Words, StringComparer.Ordinal)
            .ToDictionary(group => group.Key, group => group.Count(), StringComparer.Ordinal);
        return line.Words.Length <= 14
            && line.Amounts.IsEmpty
            && (line.Words is "Add" or "Add +" or "+" || _counts[line.Words] > 1);
    }

    /// <summary>Things with a price beside the plans.</summary>
    public void ReadRest()
    {
        foreach (var line in draft.Lines)
        {
            if (
                line.Owner is not null
                || line.Amounts.IsEmpty
                || line.Amounts.Length > PageDraft.MostInLine
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
                || Roles.Classify(amount, before, draft.Page.Between(amount.End, line.Seen.At.To)) != Role.Price
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
                    draft.AddExtra(name.Words, name.At, amount, per);
                    line.Owner = this;
                }
            }
            else if (
                line.Index > 0
                && draft.Lines[line.Index - 1] is { Owner: null } above
                && above.Amounts.IsEmpty
                && ExtraName.IsMatch(above.Words)
                && above.Words.Split(' ').Length <= 7
                && !NoExtra.IsMatch(above.Words)
                && !IsPlan(above.Words)
            )
            {
                draft.AddExtra(above.Words, above.Seen.At, amount, per);
                line.Owner = this;
                above.Owner = this;
            }
        }
    }

    private bool IsPlan(string name) => draft.Plans.Exists(plan => plan.Name == name);

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
            draft.AddExtra(name.Words, name.At, price, per);
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
        name = Patterns.Swap(
            ExtraLead.Replace(name, ""),
            @"\s+(?:can|may) be added\b.*$|,?\s+(?:only|just|for|at|costs?|is)$",
            ""
        );
        return
            ExtraName.IsMatch(name)
            && name.Split(' ').Length <= 7
            && (allowsAll || !NoExtra.IsMatch(name))
            && char.IsLetter(name[0])
            ? new Piece(name, from + before.IndexOf(name, StringComparison.Ordinal))
            : null;
    }
}
