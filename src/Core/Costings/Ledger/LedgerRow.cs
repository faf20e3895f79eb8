using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>One row of the ledger; cells in the order of its columns.</summary>
public sealed class LedgerRow
{
    private readonly Minor[] _cells;
    private readonly bool[] _atLeast;

    internal LedgerRow(RowKey key, int columns) =>
        (Key, _cells, _atLeast) = (key, new Minor[columns], new bool[columns]);

    /// <summary>What makes lines one row.</summary>
    public RowKey Key { get; }

    /// <summary>What each column holds of it, in minor units of the display currency.</summary>
    public IReadOnlyList<Minor> Cells => _cells;

    /// <summary>Which cells hold a line that is not stated.</summary>
    public IReadOnlyList<bool> AtLeast => _atLeast;

    /// <summary>The sum of its cells.</summary>
    public Minor Total => _cells.Aggregate((Minor)0, (sum, cell) => sum + cell);

    /// <summary>The whole row, with whether it is only "at least".</summary>
    public Sum Sum => new(Total, Array.Exists(_atLeast, mark => mark));

    /// <summary>The later years as one; null where they are not folded (<see cref="Ledger.FoldedSum"/>).</summary>
    public Sum? FoldedSum => Ledger.Folded(_cells, _atLeast);

    internal void Add(int column, Minor amount) => _cells[column] += amount;

    internal void MarkAtLeast(int column) => _atLeast[column] = true;
}

/// <summary>In the order in which rows stand.</summary>
public enum RowKind
{
    /// <summary>The plan's own price.</summary>
    Plan,

    /// <summary>A data centre's surcharge.</summary>
    DataCentre,

    /// <summary>Setting the hosting up.</summary>
    Setup,

    /// <summary>A domain, the included year taken off.</summary>
    Domain,

    /// <summary>An extra.</summary>
    AddOn,

    /// <summary>What a code or an automatic promotion takes off.</summary>
    Code,

    /// <summary>Tax added on top.</summary>
    Tax,
}

/// <summary>What makes two lines one row: kind, book and ref.</summary>
/// <param name="Promotion">What a code's row belongs to; orders it.</param>
public sealed record RowKey(RowKind Kind, OfferBook? Book, string? Ref, Promotion? Promotion)
{
    internal bool Is(RowKind kind, OfferBook? book, string? reference) =>
        Kind == kind && ReferenceEquals(Book, book) && Ref == reference;

    /// <summary>Whether lines of both stand in one row.</summary>
    public bool Equals(RowKey? other) => other is not null && Is(other.Kind, other.Book, other.Ref);

    /// <summary>Of kind, book and ref.</summary>
    public override int GetHashCode() => HashCode.Combine(Kind, Book?.Id, Ref);
}
