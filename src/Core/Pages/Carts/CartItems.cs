using System.Globalization;
using System.Text.RegularExpressions;
using static HomeStart.Core.Pages.CartWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads what is bought: lines tell of an item until an amount ends it.</summary>
internal sealed class CartItems(PageText page, CartDraft cart)
{
    private PageAmount? _struck;
    private PageAmount? _cheaper;

    /// <summary>How many pieces the next item is of; null: not said.</summary>
    public int? Quantity { get; set; }

    /// <summary>
    /// Reads a line with an amount, or with a word for none. An item ends at its amount: struck, unit and later prices
    /// on the way are none.
    /// </summary>
    /// <param name="head">What its column is called; empty: it has none.</param>
    /// <param name="zero">A word for nothing to pay.</param>
    public void Take(Line line, string head, Match zero)
    {
        var (plain, struck) = Sorted(line, head);
        if (!page.IsMarked && plain is [var dear, var cheap] && dear.Value > cheap.Value && AreSideBySide(dear, cheap))
        {
            struck ??= dear;
            plain.RemoveAt(0);
        }

        if (zero.Success && plain.Count > 0 && !page.IsMarked)
        {
            struck ??= plain[0];
            plain.Clear();
        }

        if (plain.Count == 0 && !zero.Success)
        {
            TellOf(line, struck);
            return;
        }

        var own = line.Amounts.IsEmpty ? line.Words[..zero.Index] : line.BeforeAmounts;
        if (own.Trim().Length > 2)
        {
            cart.Pending.Add(line);
        }

        var chosen = plain.LastOrDefault();
        foreach (var other in plain.Where(other => other != chosen))
        {
            cart.Why[other] = "unit";
        }

        _cheaper =
            !page.IsMarked
            && plain is [.., var first, var second]
            && first.Value < second.Value
            && AreSideBySide(first, second)
                ? first
                : null;
        if (chosen is { IsNegative: true })
        {
            cart.TakeOff(own.Trim().Length > 2 ? line : cart.Pending.LastOrDefault() ?? line, chosen);
            cart.Pending.Clear();
            return;
        }

        if (Title() is { } title)
        {
            Close(title, line, chosen, struck ?? _struck, zero);
        }
        else
        {
            Complete(line, chosen, struck ?? _struck, zero);
        }

        (Quantity, _struck) = (null, null);
    }

    // The amounts of a line that may be what is paid, and the first that is struck out.
    private (List<PageAmount> Plain, PageAmount? Struck) Sorted(Line line, string head)
    {
        var plain = new List<PageAmount>();
        PageAmount? struck = null;
        foreach (var (number, amount) in line.Amounts.Index())
        {
            var from = number == 0 ? line.From : line.Amounts[number - 1].End;
            var to = number + 1 < line.Amounts.Length ? line.Amounts[number + 1].At.From : line.Seen.At.To;
            var (before, behind) = (page.Between(from, amount.At.From), page.Between(amount.End, to));
            var role =
                page.IsStruck(amount.At) || StruckHead.IsMatch(head)
                    ? Role.Struck
                    : Roles.Classify(amount, before, behind);
            if (role == Role.Struck)
            {
                struck ??= amount;
            }
            else if (role == Role.Later || Renewal.IsMatch(before))
            {
                cart.Why[amount] = "later";
            }
            else if (
                amount.Per is Per.Month or Per.Year
                || UnitHead.IsMatch(head)
                || UnitBefore.IsMatch(before)
                || UnitBehind.IsMatch(behind)
            )
            {
                cart.Why[amount] = "unit";
            }
            else if (role == Role.Saving && !amount.IsNegative)
            {
                cart.Why[amount] = "saving";
            }
            else
            {
                plain.Add(amount);
            }
        }

        // "£2.99/mo, was £9.99/mo": what a month was is not what the whole was.
        if (struck is { Per: Per.Month } && plain.Count == 0 && line.Amounts.Any(IsMonthly))
        {
            cart.Why[struck] = "unit";
            struck = null;
        }

        return (plain, struck);

        bool IsMonthly(PageAmount amount) => amount != struck && amount.Per == Per.Month;
    }

    private bool AreSideBySide(PageAmount first, PageAmount second) =>
        page.Between(first.End, second.At.From).Trim().Length == 0;

    // A month's price, the renewal, what it was: part of what is said of the item.
    private void TellOf(Line line, PageAmount? struck)
    {
        if (
            line.Words.Length <= 160 && cart.Pending.Count > 0
            || Months.IsMatch(line.Words)
            || Kind(line.Words, null) is not null
        )
        {
            cart.Pending.Add(line);
        }

        if (struck is null)
        {
            return;
        }

        if (cart.Pending.Count > 0)
        {
            _struck = struck;
        }
        else if (
            cart.Items is [.., { Struck: null, Amount: { } paid } above]
            && line.Index == above.Line.Index + 1
            && struck.Value > paid.Value
        )
        {
            above.Struck = struck; // What it was stands below what it is.
        }
    }

    // An amount without words of its own is of the item above.
    private void Complete(Line line, PageAmount? amount, PageAmount? struck, Match zero)
    {
        // A second amount in the same row is the sum for all pieces; the one before was for one.
        if (
            line.Seen.Cell is { } cell
            && cart.Items is [.., { Line.Seen.Cell: { } last } item]
            && (last.Table, last.Row) == (cell.Table, cell.Row)
            && (amount is not null || zero.Success)
        )
        {
            if (item.Amount is { } unit)
            {
                cart.Why[unit] = "unit";
                item.Earlier.Add(unit);
            }

            item.Amount = amount;
            item.Struck = struck ?? item.Struck;
            item.ZeroAt = amount is null ? line.Seen.At : null;
            item.Quantity = Quantity ?? item.Quantity;
        }
        else if (
            amount is not null
            && !page.IsMarked
            && cart.Items is [.., { Struck: null, Amount: { } dear } above]
            && above.Line.Index == line.Index - 1
            && dear.Value > amount.Value
        )
        {
            // Of two, one below the other, the larger is what it was.
            (above.Struck, above.Amount) = (dear, amount);
        }
        else if (amount is not null)
        {
            cart.Why.TryAdd(amount, "unknown");
        }
    }

    private void Close(Line title, Line line, PageAmount? amount, PageAmount? struck, Match zero)
    {
        var all = string.Join(
            "\n",
            cart.Pending.SkipWhile(other => other != title).Select(other => other.Words).Append(Behind(line))
        );
        var domain = new[] { title.Words, all }
            .Select(words => Domain.Match(words).Groups["domain"])
            .FirstOrDefault(group => group.Success)
            ?.Value;
        var name = NameOf(
            title.Words,
            title == line && zero.Success ? zero.Index
                : title.Amounts.Length > 0 ? title.Amounts[0].At.From - title.From
                : -1
        );
        var kind = Kind(title.Words, all) ?? "addOn";
        var months = MonthsIn(all);
        var times = TimesIn(all);
        cart.Items.Add(
            new CartItemDraft(line, name.Length > 0 ? name : domain ?? title.Words, title.Seen.At)
            {
                Kind = kind,
                Domain = kind == "plan" ? null : domain?.ToLowerInvariant(),
                Months = months,
                // "£1.99 × 36": months, not pieces.
                Quantity = Quantity ?? (times == months ? null : times) ?? 1,
                Amount = amount,
                Struck = struck,
                Cheaper = _cheaper,
                ZeroAt = amount is null ? new PageSpan(line.From + Math.Max(0, zero.Index), line.Seen.At.To) : null,
            }
        );
        cart.Pending.Clear();
    }

    private static int? TimesIn(string words) =>
        Times.Match(words) is { Success: true } times
            ? int.Parse(times.Groups["n"].Value, CultureInfo.InvariantCulture)
            : null;

    // "£65.00 for 12 months": what stands behind the last amount of a line that is no title.
    private string Behind(Line line) =>
        !cart.Pending.Contains(line)
        && line.Amounts.Length > 0
        && page.Between(line.Amounts[^1].At.To, line.Seen.At.To) is var behind
        && !Renewal.IsMatch(behind)
            ? behind
            : "";

    // The last line that names a kind; what follows it tells of it.
    private Line? Title()
    {
        var named = cart
            .Pending.Where(line =>
                !Detail.IsMatch(line.Words)
                && !Patterns.Has(line.Words, @"^\W*(?:free|included?|comes?) (?:with|in)\b")
                && Kind(line.BeforeAmounts, null) is not null
            )
            .ToList();
        // "Domain privacy", and below it whose: the thing is what is bought.
        return named is [.., var thing, var whose]
            && whose.Index - thing.Index <= 3
            && Kind(whose.BeforeAmounts, null) == "domain"
            && (
                Kind(thing.BeforeAmounts, null) == "addOn"
                || (Kind(thing.BeforeAmounts, null) == "plan" && Domain.Match(whose.Words).Length == whose.Words.Length)
                || (Domain.IsMatch(thing.Words) && !Domain.IsMatch(whose.Words))
            )
                ? thing
            : named.Count > 0 ? named[^1]
            : cart.Pending.LastOrDefault(line => !Detail.IsMatch(line.Words) && line.BeforeAmounts.Trim().Length > 1);
    }

    private static string? Kind(string words, string? all)
    {
        var domain = Domain.IsMatch(words);
        return CentreWord.IsMatch(words) ? "dataCentre"
            : MoveWord.IsMatch(words) ? "other"
            : SetupWord.IsMatch(words) && !PlanWord.IsMatch(words) ? "setup"
            : ThingWord.IsMatch(words) && !Patterns.Has(words, @"\bhosting\b") ? "addOn"
            : PlanWord.IsMatch(words) ? "plan"
            : domain || DomainWord.IsMatch(words) ? "domain"
            : all is not null && Patterns.Has(all, @"^domain (?:registration|transfer)") ? "domain"
            : null;
    }

    private static string NameOf(string words, int cut)
    {
        var name = cut >= 0 ? words[..Math.Min(cut, words.Length)] : words;
        name = Patterns
            .Swap(CartPeriod.WithoutPeriod(name), @"^\W*(?:[0-9]{1,3}[.)]\s+|[0-9]{1,3}\s?[×x]\s+|[•·-]\s+)", "")
            .Trim();
        for (var before = ""; before != name; )
        {
            before = name;
            name = Tail.Replace(name, "").Trim().TrimEnd(',', ':', ';', '–', '—', '-', '·', '|', '•').Trim();
        }

        return Patterns.Swap(name, @"\s+", " ");
    }

    private static int? MonthsIn(string words)
    {
        foreach (var line in words.Split('\n'))
        {
            if (CartPeriod.MonthsIn(line) is { } period)
            {
                return period;
            }

            var rest = FreeMonths.Replace(LaterPart.Replace(line, ""), "");
            if (
                Months.Match(rest) is { Success: true } match
                && Patterns.Number(match.Groups["count"].Value) is { } count
            )
            {
                return match.Groups["year"].Success ? count * 12 : count;
            }

            if (Patterns.Has(rest, @"\b(?:yearly|annual(?:ly)?|per year|a year|first year)\b"))
            {
                return 12;
            }

            if (Patterns.Has(rest, @"\bmonthly\b"))
            {
                return 1;
            }
        }

        return null;
    }
}
