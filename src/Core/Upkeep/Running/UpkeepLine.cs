using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>A line that falls due, and what became of it.</summary>
internal sealed class UpkeepLine(
    UpkeepLineKind kind,
    string reference,
    Held holding,
    DateOnly date,
    Price price,
    Cover? cover
)
{
    public UpkeepLineKind Kind => kind;

    public string Ref => reference;

    public Held Holding => holding;

    public DateOnly Date => date;

    public Cover? Cover => cover;

    /// <summary>Of an extra: where it stands in its book. Of a domain: its place.</summary>
    public int BookOrder { get; init; }

    /// <summary>What is had of an extra comes before what is bought of it.</summary>
    public bool IsIncluded { get; init; }

    /// <summary>The ending of a domain, for refunds.</summary>
    public string? Ending { get; init; }

    /// <summary>Whether it is the plan's, or the domain's.</summary>
    public bool IsOwn => kind is UpkeepLineKind.Plan or UpkeepLineKind.Domain;

    /// <summary>Charged with each bill of the plan, so that a change of plan ends it.</summary>
    public bool IsByCycle { get; init; }

    /// <summary>What the included domain-year waives; null: it has no such row (rule 4).</summary>
    public Waiver? Waiver { get; private set; }

    /// <summary>Of a credit: the kind of the line it credits.</summary>
    public UpkeepLineKind? Credits { get; init; }

    public LineFate Fate { get; set; }

    /// <summary>What was paid, once it is.</summary>
    public Minor PaidAmount { get; private set; }

    /// <summary>Whether a change of plan ended its cover (rule 14).</summary>
    public bool IsCut { get; set; }

    /// <summary>What it comes to, with or without the waiver.</summary>
    public Price Amount(bool isWaived) =>
        Waiver is { } waiver && isWaived ? new Price(price.Units - waiver.Units, waiver.RestIsStated) : price;

    /// <summary>A domain-year of the plan pays all of it: it is one year of a domain (rule 15).</summary>
    public void WaiveYear() => Waiver = new Waiver(price.Units, RestIsStated: true);

    public void Pay(Minor amount) => (Fate, PaidAmount) = (LineFate.Paid, amount);

    /// <summary>Whether it is one of those that a refund excludes; a credit is as the line it credits.</summary>
    public bool Is(LineMatch match) =>
        (Credits ?? kind) is var of
        && of <= UpkeepLineKind.AddOn
        && match.Matches((LineKind)of, of == UpkeepLineKind.Domain ? Ending : reference);

    /// <summary>As it is kept.</summary>
    public LineThen Kept() =>
        new(kind, reference, holding.Key, date, price.Units, !price.IsStated, cover, Fate)
        {
            BookOrder = BookOrder,
            IsIncluded = IsIncluded,
            Ending = Ending,
            IsByCycle = IsByCycle,
            Waiver = Waiver,
            Credits = Credits,
            Paid = PaidAmount,
            IsCut = IsCut,
        };

    /// <summary>As it was kept.</summary>
    public static UpkeepLine Restore(LineThen kept, Held holding) =>
        new(kept.Kind, kept.Ref, holding, kept.On, new Price(kept.Units, !kept.IsUnstated), kept.Cover)
        {
            BookOrder = kept.BookOrder,
            IsIncluded = kept.IsIncluded,
            Ending = kept.Ending,
            IsByCycle = kept.IsByCycle,
            Waiver = kept.Waiver,
            Credits = kept.Credits,
            Fate = kept.Fate,
            PaidAmount = kept.Paid,
            IsCut = kept.IsCut,
        };

    /// <summary>A line of a costing.</summary>
    /// <param name="waiver">What an allowance waives of it, where the costing took none.</param>
    public static UpkeepLine From(BillLine line, DateOnly date, Held holding, bool isByCycle, Waiver? waiver = null) =>
        new(
            (UpkeepLineKind)line.Kind,
            line.Ref,
            holding,
            date,
            new Price(line.AfterDiscounts + line.Waived, !line.IsUnstatedWhole),
            line.Cover
        )
        {
            BookOrder = line.BookOrder,
            IsIncluded = line.IsIncluded,
            Ending = line.Ending,
            IsByCycle = isByCycle,
            Waiver = line.IsWaived ? new Waiver(line.Waived, !line.IsUnstated) : waiver,
        };

    /// <summary>Costing rule 17, then redemption and credits; those alike stay in the order they were bought.</summary>
    public static IEnumerable<UpkeepLine> InOrder(IEnumerable<UpkeepLine> lines) =>
        lines
            .OrderBy(line => line.Kind)
            .ThenBy(line => line.Kind == UpkeepLineKind.Credit ? 0 : line.BookOrder)
            .ThenBy(line => line.Holding.Index)
            .ThenByDescending(line => line.IsIncluded);
}
