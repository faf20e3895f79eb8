namespace HomeStart.Core;

/// <summary>
/// What is paid to one book, in one currency, on one date (costing rule 17). <see cref="Book"/> is null for a domain kept elsewhere.
/// Made by <see cref="BillRun"/> and not changed afterwards.
/// </summary>
public sealed class Bill
{
    internal Bill(DateOnly date, OfferBook? book, Currency currency) => (Date, Book, Currency) = (date, book, currency);

    public DateOnly Date { get; }

    public OfferBook? Book { get; }

    public Currency Currency { get; }

    public IReadOnlyList<BillLine> Lines => Charged;

    /// <summary>Whether a line of it is not stated, so that its figures are only "at least".</summary>
    public bool IsAtLeast => Charged.Exists(line => line.IsUnstated);

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

    internal List<BillLine> Charged { get; } = [];
}

/// <summary>A row of a bill: one charge, and the discounts that lowered it. Amounts are minor units of the bill's currency.</summary>
public sealed class BillLine
{
    private List<Discount>? _discounts;

    internal BillLine(LineKind kind, string reference, int quantity, Price price, Cover? cover)
    {
        (Kind, Ref, Quantity, Amount, IsUnstated, Cover) = (kind, reference, quantity, price.Units, !price.IsStated, cover);
        AfterDiscounts = Amount;
    }

    public LineKind Kind { get; }

    /// <summary>The plan's id (also of its set-up fee), the data centre's or extra's, or the domain written out.</summary>
    public string Ref { get; }

    /// <summary>The years of a domain line, the number bought of a hosting extra, else 1.</summary>
    public int Quantity { get; }

    public Minor Amount { get; }

    /// <summary>What is left after all discounts.</summary>
    public Minor AfterDiscounts { get; private set; }

    /// <summary>A part of it is not stated and no allowance waives that part (costing rule 4).</summary>
    public bool IsUnstated { get; private set; }

    /// <summary>The days it pays for; null: none.</summary>
    public Cover? Cover { get; }

    public IReadOnlyList<Discount> Discounts => _discounts ?? (IReadOnlyList<Discount>)[];

    /// <summary>Had with the plan or the domain price already, so that it costs nothing (costing rule 15).</summary>
    public bool IsIncluded { get; internal init; }

    /// <summary>What an included extra would have cost; null where that is not stated.</summary>
    public Minor? Worth { get; internal init; }

    /// <summary>The ending of a domain line.</summary>
    public string? Ending { get; internal init; }

    /// <summary>Which domain of the candidate a domain line or a domain extra is for.</summary>
    public int? Domain { get; internal init; }

    /// <summary>The domain written out that an extra is for.</summary>
    public string? ForDomain { get; internal init; }

    /// <summary>Where an extra stands in its book; orders the lines of a bill.</summary>
    internal int BookOrder { get; init; }

    internal Minor Waived
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

/// <summary>A row under the line it lowers (costing rule 18).</summary>
/// <param name="Promotion">Null: the included domain.</param>
/// <param name="Amount">What it takes off, above or equal to zero, in minor units of the bill's currency.</param>
public readonly record struct Discount(Promotion? Promotion, Minor Amount)
{
    public const string IncludedSource = "included";

    public string Source => Promotion?.Source ?? IncludedSource;
}
