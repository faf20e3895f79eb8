using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// What is had of an order at a moment: all that the next days depend on, so that nothing before has to be run again.
/// It is stored with the day book and gone on from, by this release and by later ones.
/// </summary>
/// <param name="Day">The last day that is over. What was decided on the day after may be in it already.</param>
/// <param name="Holdings">Hosting first, then domains by their place.</param>
/// <param name="Lines">
/// What falls due up to the last day that is run to, and of the past what still counts: what is not paid, what the last
/// payment covers, and, while the hosting can be given back, all that was paid.
/// </param>
public sealed record UpkeepState(
    DateOnly Day,
    ImmutableArray<HoldingThen> Holdings,
    ImmutableArray<SellerAccount> Accounts,
    ImmutableArray<LineThen> Lines
)
{
    /// <summary>Whether the card works.</summary>
    public bool CardWorks { get; init; } = true;

    /// <summary>The hosting; null: none was bought.</summary>
    public HostingThen? Hosting { get; init; }

    /// <summary>
    /// By their number: the domain-years of the order that are taken, each with the domain it pays for.
    /// </summary>
    public ImmutableSortedDictionary<int, string> AllowancesTaken { get; init; } =
        ImmutableSortedDictionary<int, string>.Empty;

    /// <summary>The place of the next domain that is claimed.</summary>
    public int NextDomain { get; init; }

    /// <summary>What the seller of a book owes the owner, in minor units of the book's currency.</summary>
    public Minor Balance(string book) => Accounts.FirstOrDefault(account => account.Book == book)?.Balance ?? 0;

    /// <summary>How each holding stands.</summary>
    public ImmutableArray<HoldingAtEnd> Standing =>
        [
            .. Holdings.Select(held => new HoldingAtEnd(
                held.Holding,
                held.Ref,
                held.State,
                held.Renews,
                PaidUntil(held)
            )),
        ];

    private DateOnly? PaidUntil(HoldingThen held) =>
        Lines
            .Where(line => line.Holding == held.Holding && line is { IsOwn: true, Fate: LineFate.Paid, IsCut: false })
            .Max(line => line.Cover?.Until);
}

/// <summary>Something that is had, at a moment.</summary>
/// <param name="Place">The domain's place in the candidate; -1: hosting.</param>
/// <param name="Ref">The plan's id, or the domain written out.</param>
public sealed record HoldingThen(string Holding, int Place, string Ref, string Book, HoldingState State, bool Renews)
{
    /// <summary>The day of its own line that is not paid; null: all is.</summary>
    public DateOnly? MissedOn { get; init; }

    /// <summary>Whether it was claimed after the order.</summary>
    public bool IsClaimed { get; init; }

    /// <summary>How long the states of a domain last, as its price list said when it was had.</summary>
    public LapseRule? Lapse { get; init; }
}

/// <summary>The hosting at a moment.</summary>
/// <param name="CommittedEnd">Until then it renews whatever the owner says; null: it is not committed to.</param>
/// <param name="PlansHad">None of them is new again.</param>
/// <param name="Extras">Those that are had, in the order they were bought.</param>
public sealed record HostingThen(
    string Plan,
    int EveryMonths,
    int CommitMonths,
    DateOnly? CommittedEnd,
    ImmutableArray<string> PlansHad,
    ImmutableArray<AddOnChoice> Extras
);

/// <summary>What stands between the owner and one seller. Amounts are minor units of the book's currency.</summary>
/// <param name="ByCard">What the card paid, less what came back.</param>
/// <param name="HasCharge">Whether anything was charged there.</param>
public sealed record SellerAccount(
    string Book,
    Minor Balance,
    Minor ByCard,
    bool HasCharge,
    ImmutableArray<OpenBillThen> Open
);

/// <summary>A bill that is tried again.</summary>
/// <param name="Lines">Their places among the lines of the state.</param>
public sealed record OpenBillThen(DateOnly Due, int Attempts, ImmutableArray<int> Lines);

/// <summary>A line, and what became of it so far.</summary>
/// <param name="Units">Its price in minor units of the book's currency, before any waiver.</param>
/// <param name="IsUnstated">Whether a part of the price is not stated.</param>
/// <param name="Cover">The days it pays for; null: none.</param>
public sealed record LineThen(
    UpkeepLineKind Kind,
    string Ref,
    string Holding,
    DateOnly On,
    Minor Units,
    bool IsUnstated,
    Cover? Cover,
    LineFate Fate
)
{
    /// <summary>Of an extra: where it stands in its book. Of a domain: its place.</summary>
    public int BookOrder { get; init; }

    /// <summary>What is had of an extra comes before what is bought of it.</summary>
    public bool IsIncluded { get; init; }

    /// <summary>The ending of a domain, for refunds.</summary>
    public string? Ending { get; init; }

    /// <summary>Charged with each bill of the plan, so that a change of plan ends it.</summary>
    public bool IsByCycle { get; init; }

    /// <summary>What the included domain-year waives; null: it has no such row (upkeep rule 4).</summary>
    public Waiver? Waiver { get; init; }

    /// <summary>Of a credit: the kind of the line it credits.</summary>
    public UpkeepLineKind? Credits { get; init; }

    /// <summary>What was paid, once it is.</summary>
    public Minor Paid { get; init; }

    /// <summary>Whether a change of plan ended its cover (upkeep rule 14).</summary>
    public bool IsCut { get; init; }

    /// <summary>Whether it is the plan's, or the domain's.</summary>
    public bool IsOwn => Kind is UpkeepLineKind.Plan or UpkeepLineKind.Domain;
}

/// <param name="Units">What is waived.</param>
/// <param name="RestIsStated">Whether all that is not waived is stated.</param>
public readonly record struct Waiver(Minor Units, bool RestIsStated);

/// <summary>What became of a line.</summary>
public enum LineFate
{
    /// <summary>It is still to come.</summary>
    Coming,

    /// <summary>It stands on an open bill.</summary>
    Open,

    /// <summary>It was skipped, taken out of a bill, or not renewed: paying the holding later pays it.</summary>
    Missed,

    /// <summary>Its bill was given up.</summary>
    GivenUp,

    /// <summary>It is paid.</summary>
    Paid,

    /// <summary>It will never be charged.</summary>
    Stopped,
}
