using System.Globalization;
using System.Text.RegularExpressions;
using static HomeStart.Core.Pages.CartWords;

namespace HomeStart.Core.Pages;

/// <summary>
/// Reads a cart, a quote or a receipt: what is bought line by line, what is taken off, and the sums. An item ends at
/// its amount.
/// </summary>
public sealed class CartReader
{
    private readonly PageText _page;
    private readonly List<Line> _lines;
    private readonly CartDraft _cart = new();
    private readonly CartItems _items;
    private readonly CartSums _sums;
    private bool _isQuantity;

    private CartReader(PageText page)
    {
        (_page, _lines) = (page, PageLines.Split(page));
        UnsignedSums.Read(_lines);
        (_items, _sums) = (new CartItems(page, _cart), new CartSums(page, _lines, _cart));
    }

    /// <summary>What a cart says.</summary>
    public static CartReading Read(PageText page) => new CartReader(page).Whole();

    private CartReading Whole()
    {
        var heads = Heads();
        foreach (var line in _lines)
        {
            Take(line, heads);
        }

        return new CartAssembly(_page, _lines, _cart).Assemble();
    }

    // What the columns of a table are called.
    private Dictionary<(int Table, int Column), string> Heads()
    {
        var heads = new Dictionary<(int, int), string>();
        foreach (var table in _lines.Where(line => line.Seen.Cell is not null).GroupBy(line => line.Seen.Cell!.Table))
        {
            var first = table.Min(line => line.Seen.Cell!.Row);
            var row = table.Where(line => line.Seen.Cell!.Row == first).ToList();
            if (row.TrueForAll(line => line.Amounts.IsEmpty))
            {
                foreach (var line in row)
                {
                    heads[(table.Key, line.Seen.Cell!.Column)] = line.Words;
                }
            }
        }

        return heads;
    }

    private void Take(Line line, Dictionary<(int Table, int Column), string> heads)
    {
        var words = line.Words;
        var head =
            line.Seen.Cell is { } cell && heads.TryGetValue((cell.Table, cell.Column), out var known) ? known : "";
        if (OfferHeading.IsMatch(words))
        {
            _cart.IsOffered = true;
            Why(line, "offered");
            return;
        }

        if (_sums.TryTake(line))
        {
            return;
        }

        if (_isQuantity || (head.Length > 0 && QuantityLabel.IsMatch(head)))
        {
            _isQuantity = false;
            if (
                int.TryParse(words.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var count)
                && count is > 0 and < 1000
            )
            {
                _items.Quantity = count;
                return;
            }
        }

        if (QuantityLabel.IsMatch(words) && head != words)
        {
            _isQuantity = true;
            return;
        }

        if (head.Length > 0 && PercentAlone.IsMatch(words))
        {
            return; // The rate of a tax, or of what is taken off.
        }

        if (head.Length > 0 && Discount.IsMatch(head) && CartSums.HasAmountBehind(_lines, line))
        {
            Why(line, "saving"); // It is off the row's sum already.
            return;
        }

        if (_cart.Total is not null && _cart.Items.Count > 0)
        {
            Rest(line);
            return;
        }

        var zero = FreeMonths.IsMatch(words) ? Match.Empty : Zero.Match(Unstruck(line));
        if (line.Amounts.IsEmpty && !zero.Success)
        {
            if (
                !Noise.IsMatch(words) && words.Length <= 160 && !FreeMonths.IsMatch(words)
                || _cart.Pending.Count > 0 && Months.IsMatch(words)
            )
            {
                _cart.Pending.Add(line);
            }

            return;
        }

        if (_cart.IsOffered || Offered.IsMatch(words))
        {
            Why(line, "offered");
            if (Offered.IsMatch(words))
            {
                _cart.Pending.Clear();
            }

            return;
        }

        if (Saving.IsMatch(words) && !Discount.IsMatch(words))
        {
            Why(line, "saving");
            return;
        }

        _items.Take(line, head, zero);
    }

    // "FREE $17.99": what it was, struck out or last of a line in plain text, stands behind what it is.
    private string Unstruck(Line line) =>
        line.Amounts is [{ Per: Per.None } was]
        && line.Words[(was.End - line.From)..].Trim().Length == 0
        && (_page.IsStruck(was.At) || !_page.IsMarked)
            ? line.BeforeAmounts
            : line.Words;

    private void Rest(Line line)
    {
        foreach (var amount in line.Amounts)
        {
            _cart.Why.TryAdd(
                amount,
                _cart.IsOffered || Offered.IsMatch(line.Words) ? "offered"
                    : Renewal.IsMatch(line.Words) ? "later"
                    : Saving.IsMatch(line.Words) ? "saving"
                    : Patterns.Has(line.Words, @"\b(?:added|add)\b") ? "offered"
                    : "total"
            );
        }
    }

    private void Why(Line line, string why)
    {
        foreach (var amount in line.Amounts)
        {
            _cart.Why.TryAdd(amount, why);
        }
    }
}
