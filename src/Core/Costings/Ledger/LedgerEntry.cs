using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// Enters bills into the ledger's rows (costing rule 30): each line less its domain-year, each other discount, the tax
/// on top; shared so that they add up.
/// </summary>
internal sealed class LedgerEntry(Costing costing, int columns)
{
    private readonly RowOrder _order = RowOrder.For(costing.Run.Purchase);
    private readonly List<LedgerRow> _rows = [];

    // What each row holds of the bill at hand, in the bill's own currency.
    private readonly List<(LedgerRow Row, Minor Units)> _parts = [];

    public ImmutableArray<LedgerRow> RowsInOrder()
    {
        _rows.Sort((left, right) => _order.Compare(left.Key, right.Key));
        return [.. _rows];
    }

    /// <param name="value">What the bill counts, in the display currency.</param>
    public void Enter(Bill bill, Minor value, int column)
    {
        _parts.Clear();
        foreach (var line in bill.Charged)
        {
            EnterLine(bill, line, column);
        }

        if (costing.Counting.AddsTax(bill.Book) && costing.Counting.Tax(bill.Book, bill.Sum).Tax is var tax && tax != 0)
        {
            Add(RowKind.Tax, null, null, null, tax);
        }

        InOrder();
        var shares = Shares(bill, value);
        for (var index = 0; index < _parts.Count; index++)
        {
            _parts[index].Row.Add(column, shares[index]);
        }
    }

    private void EnterLine(Bill bill, BillLine line, int column)
    {
        var row = Add((RowKind)line.Kind, bill.Book, line.Ref, null, line.Amount - line.Waived);
        if (line.IsUnstated)
        {
            row.MarkAtLeast(column);
        }

        foreach (var discount in line.Discounts)
        {
            if (discount.Promotion is { } promotion)
            {
                Add(RowKind.Code, bill.Book, discount.Source, promotion, -discount.Amount);
            }
        }
    }

    private Minor[] Shares(Bill bill, Minor value)
    {
        var units = new Minor[_parts.Count];
        Minor sum = 0;
        var isNothing = true;
        for (var index = 0; index < units.Length; index++)
        {
            units[index] = _parts[index].Units;
            sum += units[index];
            isNothing &= units[index] == 0;
        }

        return isNothing ? units
            : sum == 0 ? Sharing.ToNothing(units, costing.Counting.Rate(bill.Currency))
            : Sharing.InProportion(value, units);
    }

    private LedgerRow Add(RowKind kind, OfferBook? book, string? reference, Promotion? promotion, Minor amount)
    {
        for (var index = 0; index < _parts.Count; index++)
        {
            if (_parts[index].Row.Key.Is(kind, book, reference))
            {
                _parts[index] = _parts[index] with { Units = _parts[index].Units + amount };
                return _parts[index].Row;
            }
        }

        var row = _rows.Find(known => known.Key.Is(kind, book, reference));
        if (row is null)
        {
            row = new LedgerRow(new RowKey(kind, book, reference, promotion), columns);
            _rows.Add(row);
        }

        _parts.Add((row, amount));
        return row;
    }

    // The lines of a bill stand in the order of the rows already; the discounts between them do not.
    private void InOrder()
    {
        for (var index = 1; index < _parts.Count; index++)
        {
            for (var at = index; at > 0 && _order.Compare(_parts[at - 1].Row.Key, _parts[at].Row.Key) > 0; at--)
            {
                (_parts[at - 1], _parts[at]) = (_parts[at], _parts[at - 1]);
            }
        }
    }
}
