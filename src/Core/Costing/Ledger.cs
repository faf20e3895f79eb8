using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>
/// The worksheet's rows and columns in minor units of the display currency, which add up exactly (costing rule 30). Column 0 is today, column N the year N
/// without the start date's own bills.
/// </summary>
public sealed class Ledger
{
    /// <summary>How many years stand by themselves where a long horizon is folded.</summary>
    public const int YearsUnfolded = 3;

    private Ledger(ImmutableArray<LedgerRow> rows, ImmutableArray<Minor> totals, ImmutableArray<bool> atLeast, int? firstTermEndsAfter) =>
        (Rows, Totals, AtLeast, FirstTermEndsAfter) = (rows, totals, atLeast, firstTermEndsAfter);

    public ImmutableArray<LedgerRow> Rows { get; }

    /// <summary>The sum of each column.</summary>
    public ImmutableArray<Minor> Totals { get; }

    /// <summary>Which columns hold a line that is not stated.</summary>
    public ImmutableArray<bool> AtLeast { get; }

    /// <summary>The last column of the first term; null where the term ends inside a column.</summary>
    public int? FirstTermEndsAfter { get; }

    /// <summary>The sum of the years after <see cref="YearsUnfolded"/>; null where there is at most one of them, which needs no folding.</summary>
    public static Minor? Folded(IReadOnlyList<Minor> cells) =>
        cells.Count > YearsUnfolded + 2 ? cells.Skip(YearsUnfolded + 1).Aggregate((Minor)0, (sum, cell) => sum + cell) : null;

    internal static Ledger Of(Costing costing)
    {
        var columns = 1 + ((costing.Settings.HorizonMonths + 11) / 12);
        var rows = new Dictionary<RowKey, LedgerRow>();
        var atLeast = new bool[columns];
        var order = RowOrder.Of(costing.Run.Purchase);
        foreach (var bill in costing.Counted)
        {
            var column = Column(costing.Settings.StartDate, bill.Date);
            atLeast[column] |= bill.IsAtLeast;
            Enter(costing, bill, column, order, rows, columns);
        }

        var ordered = rows.Values.OrderBy(row => row.Key, order).ToImmutableArray();
        var totals = Enumerable.Range(0, columns).Select(column => ordered.Aggregate((Minor)0, (sum, row) => sum + row.Cells[column]));
        return new Ledger(ordered, [.. totals], [.. atLeast], TermColumn(costing));
    }

    private static int? TermColumn(Costing costing)
    {
        var months = costing.Run.Purchase.CommitMonths;
        var onlyToday = costing.Counted.All(bill => bill.Date == costing.Settings.StartDate || bill.Date >= costing.FirstTermEnd);
        return months % 12 == 0 ? months / 12 : onlyToday ? 0 : null;
    }

    private static int Column(DateOnly start, DateOnly date) => date == start ? 0 : 1 + (Months.WholeBetween(start, date) / 12);

    private static void Enter(Costing costing, Bill bill, int column, RowOrder order, Dictionary<RowKey, LedgerRow> rows, int columns)
    {
        var parts = Parts(costing, bill);
        var keys = parts.Keys.Order(order).ToList();
        var units = keys.ConvertAll(key => parts[key]);
        var value = costing.ValueOf(bill);
        var rate = costing.Counting.Rate(bill.Currency);
        var shares = units.Exists(part => part < 0) || units.Exists(part => part > 0)
            ? units.Aggregate((Minor)0, (sum, part) => sum + part) == 0 ? Sharing.ToNothing(units, rate) : Sharing.InProportion(value, units)
            : new Minor[units.Count];
        foreach (var (index, key) in keys.Index())
        {
            var row = rows.TryGetValue(key, out var known) ? known : rows[key] = new LedgerRow(key, columns);
            row.Add(column, shares[index]);
        }

        foreach (var line in bill.Lines.Where(line => line.IsUnstated))
        {
            rows[RowKey.Of(bill, line)].MarkAtLeast(column);
        }
    }

    // What each row holds of one bill, in the bill's own currency.
    private static Dictionary<RowKey, Minor> Parts(Costing costing, Bill bill)
    {
        var parts = new Dictionary<RowKey, Minor>();
        foreach (var line in bill.Lines)
        {
            Add(RowKey.Of(bill, line), line.Amount - line.Waived);
            foreach (var discount in line.Discounts.Where(discount => discount.Promotion is not null))
            {
                Add(new RowKey(RowKind.Code, bill.Book, discount.Source, discount.Promotion), -discount.Amount);
            }
        }

        if (costing.Counting.AddsTax(bill.Book) && costing.Counting.Tax(bill.Book, bill.Sum).Tax is var tax && tax != 0)
        {
            Add(new RowKey(RowKind.Tax, null, null, null), tax);
        }

        return parts;

        void Add(RowKey key, Minor amount) => parts[key] = parts.GetValueOrDefault(key) + amount;
    }
}

/// <summary>One row of the ledger; cells in the order of its columns.</summary>
public sealed class LedgerRow
{
    private readonly Minor[] _cells;
    private readonly bool[] _atLeast;

    internal LedgerRow(RowKey key, int columns) => (Key, _cells, _atLeast) = (key, new Minor[columns], new bool[columns]);

    public RowKey Key { get; }

    public IReadOnlyList<Minor> Cells => _cells;

    /// <summary>Which cells hold a line that is not stated.</summary>
    public IReadOnlyList<bool> AtLeast => _atLeast;

    public Minor Total => _cells.Aggregate((Minor)0, (sum, cell) => sum + cell);

    internal void Add(int column, Minor amount) => _cells[column] += amount;

    internal void MarkAtLeast(int column) => _atLeast[column] = true;
}

/// <summary>In the order in which rows stand.</summary>
public enum RowKind
{
    Plan,
    DataCentre,
    Setup,
    Domain,
    AddOn,
    Code,
    Tax,
}

/// <summary>What makes two lines one row: kind, book and ref.</summary>
/// <param name="Promotion">What a code's row belongs to; orders it.</param>
public sealed record RowKey(RowKind Kind, OfferBook? Book, string? Ref, Promotion? Promotion)
{
    internal static RowKey Of(Bill bill, BillLine line) => new((RowKind)line.Kind, bill.Book, line.Ref, null);

    public bool Equals(RowKey? other) => other is not null && Kind == other.Kind && ReferenceEquals(Book, other.Book) && Ref == other.Ref;

    public override int GetHashCode() => HashCode.Combine(Kind, Book?.Id, Ref);
}

/// <summary>
/// The order of rule 30: by kind; domains as the candidate lists them; in other kinds the host's book first, then by book id; extras and promotions in book
/// order, automatic ones first.
/// </summary>
internal sealed class RowOrder : IComparer<RowKey>
{
    private readonly OfferBook? _host;
    private readonly Dictionary<(OfferBook? Book, string Ref), int> _domains;

    private RowOrder(Purchase purchase)
    {
        _host = purchase.Hosting?.Book;
        _domains = purchase.Domains.GroupBy(domain => (domain.Book, domain.Choice.Ref)).ToDictionary(group => group.Key, group => group.First().Index);
    }

    public static RowOrder Of(Purchase purchase) => new(purchase);

    public int Compare(RowKey? left, RowKey? right)
    {
        if (left!.Kind != right!.Kind)
        {
            return left.Kind.CompareTo(right.Kind);
        }

        if (left.Kind == RowKind.Domain)
        {
            return _domains[(left.Book, left.Ref!)].CompareTo(_domains[(right.Book, right.Ref!)]);
        }

        var hosts = (left.Book != _host).CompareTo(right.Book != _host);
        var books = hosts != 0 ? hosts : string.CompareOrdinal(left.Book?.Id, right.Book?.Id);
        return books != 0 ? books : PlaceInBook(left).CompareTo(PlaceInBook(right));
    }

    private static int PlaceInBook(RowKey key)
    {
        if (key.Kind == RowKind.Code)
        {
            var place = key.Book!.Promotions.IndexOf(key.Promotion!);
            return key.Promotion!.IsAutomatic ? place - key.Book.Promotions.Length : place;
        }

        for (var place = 0; key.Kind == RowKind.AddOn && place < key.Book!.AddOns.Length; place++)
        {
            if (key.Book.AddOns[place].Id == key.Ref)
            {
                return place;
            }
        }

        return 0;
    }
}
