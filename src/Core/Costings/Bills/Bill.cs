using System.Runtime.InteropServices;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// What is paid to one book, in one currency, on one date (costing rule 17). <see cref="Book"/> is null for a domain
/// kept elsewhere. Made by <see cref="BillRun"/> and not changed afterwards.
/// </summary>
public sealed class Bill
{
    // Most bills have one line: it stands here by itself, and the list is made with the second.
    private BillLine? _only;
    private BillLine[]? _lines;
    private int _count;

    internal Bill(DateOnly date, OfferBook? book, Currency currency) => (Date, Book, Currency) = (date, book, currency);

    /// <summary>The day it is due.</summary>
    public DateOnly Date { get; }

    /// <summary>Who charges it; null: a registrar outside.</summary>
    public OfferBook? Book { get; }

    /// <summary>The currency of its amounts: the book's, or that of a domain kept elsewhere.</summary>
    public Currency Currency { get; }

    /// <summary>In the order of costing rule 17.</summary>
    public IReadOnlyList<BillLine> Lines =>
        _lines is null
            ? _only is null
                ? []
                : [_only]
            : new ArraySegment<BillLine>(_lines, 0, _count);

    /// <summary>Whether a line of it is not stated, so that its figures are only "at least".</summary>
    public bool IsAtLeast
    {
        get
        {
            foreach (var line in Charged)
            {
                if (line.IsUnstated)
                {
                    return true;
                }
            }

            return false;
        }
    }

    /// <summary>The sum of its lines after discounts, in minor units of its currency.</summary>
    public Minor Sum
    {
        get
        {
            Minor sum = 0;
            foreach (var line in Charged)
            {
                sum += line.AfterDiscounts;
            }

            return sum;
        }
    }

    internal ReadOnlySpan<BillLine> Charged =>
        _lines is null ? MemoryMarshal.CreateReadOnlySpan(ref _only!, _count) : _lines.AsSpan(0, _count);

    internal void Add(BillLine line)
    {
        if (_count == 0)
        {
            (_only, _count) = (line, 1);
            return;
        }

        _lines ??= [_only!, line, null!, null!];
        if (_count == _lines.Length)
        {
            Array.Resize(ref _lines, 2 * _count);
        }

        _lines[_count++] = line;
    }

    internal void Sort(Comparison<BillLine> order)
    {
        if (_count > 1)
        {
            _lines.AsSpan(0, _count).Sort(order);
        }
    }
}

/// <summary>
/// A row of a bill: one charge, and the discounts that lowered it. Amounts are minor units of the bill's currency.
/// </summary>
public sealed class BillLine
{
    private List<Discount>? _discounts;

    internal BillLine(LineKind kind, string reference, int quantity, Price price, Cover? cover)
    {
        (Kind, Ref, Quantity, Amount, IsUnstated, Cover) = (
            kind,
            reference,
            quantity,
            price.Units,
            !price.IsStated,
            cover
        );
        AfterDiscounts = Amount;
        IsUnstatedWhole = IsUnstated;
    }

    /// <summary>What it is for.</summary>
    public LineKind Kind { get; }

    /// <summary>
    /// The plan's id (also of its set-up fee), the data centre's or extra's, or the domain written out.
    /// </summary>
    public string Ref { get; }

    /// <summary>The years of a domain line, the number bought of a hosting extra, else 1.</summary>
    public int Quantity { get; }

    /// <summary>Before discounts, in minor units of the bill's currency; zero where it is not stated.</summary>
    public Minor Amount { get; }

    /// <summary>What is left after all discounts.</summary>
    public Minor AfterDiscounts { get; private set; }

    /// <summary>A part of it is not stated and no allowance waives that part (costing rule 4).</summary>
    public bool IsUnstated { get; private set; }

    /// <summary>
    /// A part of it is not stated, also one that an allowance waives: so it stands where the allowance falls away.
    /// </summary>
    internal bool IsUnstatedWhole { get; }

    /// <summary>Whether an allowance waives a part of it, be that nothing.</summary>
    internal bool IsWaived => Discounts.Any(discount => discount.Promotion is null);

    /// <summary>The days it pays for; null: none.</summary>
    public Cover? Cover { get; }

    /// <summary>The rows under it, in the order they were taken (costing rule 18).</summary>
    public IReadOnlyList<Discount> Discounts => _discounts ?? (IReadOnlyList<Discount>)[];

    /// <summary>Had with the plan or the domain price already, so that it costs nothing (costing rule 15).</summary>
    public bool IsIncluded => Included is not null;

    /// <summary>What an included extra would have cost; null where that is not stated.</summary>
    public Minor? Worth => Included?.Worth;

    /// <summary>The ending of a domain line.</summary>
    public string? Ending => Kind == LineKind.Domain ? DomainOfIt?.Ending : null;

    /// <summary>Whether it is one of the lines that a promotion or a refund names (costing rule 19).</summary>
    public bool Is(LineMatch match) => match.Matches(Kind, Kind == LineKind.Domain ? Ending : Ref);

    /// <summary>Which domain of the candidate a domain line or a domain extra is for.</summary>
    public int? Domain => DomainOfIt?.Index;

    /// <summary>The domain written out that an extra is for.</summary>
    public string? ForDomain => Kind == LineKind.AddOn ? DomainOfIt?.Ref : null;

    /// <summary>
    /// Set on an included extra alone. A run holds hundreds of lines: what few of them have is kept apart.
    /// </summary>
    internal IncludedLine? Included { get; init; }

    /// <summary>Set on the lines of domains alone; the same object on all lines of one domain.</summary>
    internal LineDomain? DomainOfIt { get; init; }

    /// <summary>Where an extra stands in its book; orders the lines of a bill.</summary>
    internal int BookOrder { get; init; }

    /// <summary>What the included domain-year took off it.</summary>
    public Minor Waived
    {
        get
        {
            Minor waived = 0;
            foreach (var discount in Discounts)
            {
                waived += discount.Promotion is null ? discount.Amount : 0;
            }

            return waived;
        }
    }

    internal void Lower(Promotion promotion, Minor cut)
    {
        (_discounts ??= []).Add(new Discount(promotion, cut));
        AfterDiscounts -= cut;
    }

    internal void Waive(Price part, bool restIsStated)
    {
        (_discounts ??= []).Add(new Discount(null, part.Units));
        AfterDiscounts -= part.Units;
        IsUnstated = !restIsStated;
    }
}

/// <param name="Worth">What it would have cost; null where that is not stated.</param>
internal sealed record IncludedLine(Minor? Worth);

/// <param name="Index">Its place in the candidate.</param>
/// <param name="Ref">Written out.</param>
internal sealed record LineDomain(int Index, string? Ending, string Ref);

/// <summary>A row under the line it lowers (costing rule 18).</summary>
/// <param name="Promotion">Null: the included domain.</param>
/// <param name="Amount">What it takes off, above or equal to zero, in minor units of the bill's currency.</param>
public readonly record struct Discount(Promotion? Promotion, Minor Amount)
{
    /// <summary>The source of the included domain-year.</summary>
    public const string IncludedSource = "included";

    /// <summary>
    /// <see cref="IncludedSource"/>, a code as it was entered, or the name of an automatic promotion.
    /// </summary>
    public string Source => Promotion?.Source ?? IncludedSource;
}
