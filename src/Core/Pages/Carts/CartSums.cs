using static HomeStart.Core.Pages.CartWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads subtotal, tax, total and what is taken off; a label alone takes the next amount.</summary>
internal sealed class CartSums(PageText page, IReadOnlyList<Line> lines, CartDraft cart)
{
    private string _label = "";
    private Line? _labelLine;
    private bool _isChanged;

    /// <summary>Reads a line where it is a sum, or the label of one; false: it is none.</summary>
    public bool TryTake(Line line)
    {
        var words = line.Words;
        var label =
            words.Length > 120 ? ""
            : AllItems.IsMatch(words) && line.Index + 1 < lines.Count && StandsAlone(lines[line.Index + 1]) ? "subtotal"
            : LabelOf(words);
        if (label.Length == 0 && _label.Length > 0)
        {
            if (StandsAlone(line))
            {
                if (IsSummedUpLater(line))
                {
                    cart.Why.TryAdd(line.Amounts[^1], "total"); // Net and tax of a row whose last column is the sum.
                    return true;
                }

                Set(_label, _labelLine!, line.Amounts[^1]);
                _label = "";
                return true;
            }

            if (Patterns.Has(words, @"\b(?:calculated|next step|later|to follow|at checkout|tbd)\b"))
            {
                _label = "";
                return true;
            }

            _label = "";
        }

        if (label.Length == 0)
        {
            return false;
        }

        if (line.Amounts.IsEmpty)
        {
            if (words.Length <= 40)
            {
                (_label, _labelLine) = (label, line);
            }

            return words.Length <= 40;
        }

        if (label == "total" && line.Amounts.Length == 1 && TaxInBrackets.IsMatch(line.BeforeAmounts))
        {
            (cart.Tax, cart.TaxWords) = (cart.Tax ?? line.Amounts[0], line.Words);
            (_label, _labelLine) = (label, line);
            return true;
        }

        // "Total today (incl. 21% VAT of €5.03): €29.00".
        if (label == "total" && line.Amounts is [var tax, var whole] && TaxInBrackets.IsMatch(line.BeforeAmounts))
        {
            (cart.Tax, cart.TaxWords) = (cart.Tax ?? tax, line.BeforeAmounts);
            Set(label, line, whole);
            return true;
        }

        // "Paid: £54.84 (incl. VAT £9.14)": the tax within a total stands behind it.
        var within =
            label == "total"
            && line.Amounts.Length == 2
            && TaxWithin.IsMatch(
                page.Between(line.Amounts[0].End, line.Amounts[1].At.From)
                    + page.Between(line.Amounts[1].End, line.Seen.At.To)
            )
                ? line.Amounts[1]
                : null;
        var own = within is null ? line.Amounts[^1] : line.Amounts[0];
        Set(label, line, own);
        if (within is not null && cart.Tax is null)
        {
            (cart.Tax, cart.TaxWords) = (within, page.Between(line.Amounts[0].End, line.Seen.At.To));
        }

        foreach (var other in line.Amounts.Where(amount => amount != own && amount != cart.Tax))
        {
            cart.Why.TryAdd(other, "total");
        }

        return true;
    }

    // An amount with nothing before it.
    private static bool StandsAlone(Line line) =>
        line.Amounts.Length > 0 && line.BeforeAmounts.Trim(' ', ':', '-', '−', '–', '(').Length == 0;

    /// <summary>Whether a later column of the line's row holds an amount.</summary>
    public static bool HasAmountBehind(IReadOnlyList<Line> lines, Line line) =>
        line.Seen.Cell is { } cell
        && lines
            .Skip(line.Index + 1)
            .TakeWhile(next => next.Seen.Cell is { } its && (its.Table, its.Row) == (cell.Table, cell.Row))
            .Any(next => next.Amounts.Length > 0);

    private bool IsSummedUpLater(Line line) => _label == "total" && HasAmountBehind(lines, line);

    private string LabelOf(string words)
    {
        if (Saving.IsMatch(words) && !Discount.IsMatch(words))
        {
            return "";
        }

        return Subtotal.IsMatch(words) || NetWithSum.IsMatch(words) ? "subtotal"
            : Tax.IsMatch(words) && !Patterns.Has(words, @"\b(?:privacy|hosting|reg\. no|no\.)\b") ? "tax"
            : Total.IsMatch(words)
            && !Patterns.Has(words, @"^\W*(?:paid|charged) (?:each|every|monthly|yearly)|^\W*to pay (?:by|with)")
            && !(PaidBy.IsMatch(words) && (cart.Total is not null || cart.Subtotal is null))
                ? "total"
            : Discount.IsMatch(words)
            && (PageAmount.In(words, 0).Any(amount => amount.IsNegative) || cart.Items.Count > 0)
            && !Patterns.Has(words, @"^\W*(?:have a|enter|use|type|your) |\?$")
            && PageAmount.In(words, 0).Length <= 1
            && words.Length < 70
                ? "discount"
            : "";
    }

    private void Set(string label, Line line, PageAmount amount)
    {
        cart.Pending.Clear();
        cart.IsOffered = false;
        switch (label)
        {
            case "subtotal" when cart.Subtotal is null:
                cart.Subtotal = amount;
                break;
            case "tax" when cart.Tax is null:
                (cart.Tax, cart.TaxWords) = (amount, line.Words);
                _isChanged = cart.Total is not null;
                break;
            case "total" when cart.Total is null:
                cart.Total = amount;
                break;
            case "total" when cart.Subtotal is null && _isChanged && amount.Value != cart.Total.Value:
                (cart.Subtotal, cart.Total) = (cart.Total, amount); // "Sum", what is taken off or added, and then what is paid.
                break;
            case "discount":
                cart.TakeOff(line, amount);
                _isChanged = cart.Total is not null;
                break;
            default:
                cart.Why.TryAdd(amount, "total");
                break;
        }
    }
}
