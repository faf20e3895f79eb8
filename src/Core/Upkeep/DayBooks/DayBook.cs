using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// What happened day by day once an order was delivered, and what its owner decided. A line stands in it only after the
/// counterparts had their part of it; <see cref="DayKeeper"/> says what is next.
/// </summary>
/// <param name="OrderId">The order whose holdings these are.</param>
/// <param name="ClosedTo">The last day that is over.</param>
/// <param name="Secret">What the idempotency keys are made from.</param>
public sealed record DayBook(Guid OrderId, DateOnly ClosedTo, Guid Secret)
{
    /// <summary>By the day they are made on; those after the first <see cref="Decided"/> are still to come.</summary>
    public ImmutableArray<Decision> Decisions { get; init; } = [];

    /// <summary>How many of the decisions were carried out.</summary>
    public int Decided { get; init; }

    /// <summary>
    /// The journal: what happened and was carried out, in that order. Lines are added and never changed; only where its
    /// owner says that a charge was not taken are those from that day on withdrawn.
    /// </summary>
    public ImmutableArray<Happening> Lines { get; init; } = [];

    /// <summary>The places of those lines that a decision brought, and no day by itself.</summary>
    public ImmutableArray<int> ByDecision { get; init; } = [];

    /// <summary>
    /// How it stands after what was carried out, before what is under way; null: a release that worked it out from the
    /// order each time wrote it, and <see cref="DayKeeper.Restored"/> does so once more.
    /// </summary>
    public UpkeepState? State { get; init; }

    /// <summary>
    /// The day of the first line that an earlier release carried out and the rules would not bring now; null: none.
    /// What happened stays as it was.
    /// </summary>
    public DateOnly? DiffersFrom { get; init; }

    /// <summary>What is being carried out; null: nothing.</summary>
    public MomentUnderWay? UnderWay { get; init; }

    /// <summary>Who did not answer, while that holds up what comes next.</summary>
    public CarryingProblem? Problem { get; init; }

    /// <summary>What later charges are paid by.</summary>
    public PaidBy Payer { get; init; } = new(null, null);

    /// <summary>The last day whose reminders were written.</summary>
    public DateOnly RemindedTo { get; init; }

    /// <summary>
    /// The last day whose happenings are not written about: they were before it was noted down, or were written about
    /// already.
    /// </summary>
    public DateOnly NotifiedThrough { get; init; }

    /// <summary>What was seen of charges and of money that came back, on a card statement, say.</summary>
    public ImmutableArray<SeenMovement> Seen { get; init; } = [];

    /// <summary>What the owner is paying for otherwise than by the card; null: nothing.</summary>
    public PaidOtherwise? Otherwise { get; init; }

    /// <summary>The decisions that were carried out.</summary>
    public ImmutableArray<Decision> Made => Decisions[..Decided];

    /// <summary>Those that are still to come.</summary>
    public ImmutableArray<Decision> Planned => Decisions[Decided..];

    /// <summary>With a decision, after those of its day; the first <see cref="Decided"/> stay the first.</summary>
    public DayBook With(Decision decision)
    {
        var place = Decided;
        while (place < Decisions.Length && Decisions[place].On <= decision.On)
        {
            place++;
        }

        return this with
        {
            Decisions = Decisions.Insert(place, decision),
        };
    }

    /// <summary>
    /// Without a decision that is still to come, by its place among those; the same where there is none.
    /// </summary>
    public DayBook Without(int planned) =>
        planned >= 0 && planned < Planned.Length
            ? this with
            {
                Decisions = Decisions.RemoveAt(Decided + planned),
            }
            : this;
}

/// <param name="CardToken">What the card processor gave for the card; null: there is no card.</param>
/// <param name="CardEnding">Its last four digits.</param>
/// <param name="Wallet">Whether a wallet pays where there is no card.</param>
/// <param name="Expires">The last day the card is good for; null: it is not known.</param>
public sealed record PaidBy(string? CardToken, string? CardEnding, bool Wallet = false, DateOnly? Expires = null)
{
    /// <summary>Whether the sellers take it themselves, from what was given to them at their own pages.</summary>
    public bool AtTheSellers { get; init; }

    /// <summary>Whether anything can be charged without asking the owner.</summary>
    public bool IsKnown => CardToken is not null || Wallet || AtTheSellers;
}

/// <summary>Something missed that is being paid from the balance, or against an invoice.</summary>
/// <param name="Hold">The key its money is held under.</param>
/// <param name="Page">The path of the page where it is paid; null: there is none.</param>
/// <param name="IsDecided">Whether the money is there, and paying stands among the decisions.</param>
public sealed record PaidOtherwise(
    string Holding,
    string Book,
    string Way,
    string Hold,
    Money Amount,
    DateOnly On,
    string? Page,
    DateOnly? Until,
    bool IsDecided = false
);

/// <summary>The part of a day that is being carried out: a decision, or what falls due at its end.</summary>
/// <param name="IsDecision">Whether it is the next of the decisions.</param>
/// <param name="FirstLine">How many lines the day book had when it began.</param>
/// <param name="ActsDone">How many of the acts after the charges were carried out.</param>
/// <param name="IsTried">Whether the next act was recorded and may have been asked for.</param>
/// <param name="Again">How often a charge was refused that has to be tried under another key.</param>
public sealed record MomentUnderWay(
    DateOnly Day,
    bool IsDecision,
    int FirstLine,
    int ActsDone = 0,
    bool IsTried = false,
    int Again = 0
)
{
    /// <summary>
    /// What was worked out when it began, so that it ends as it began; null: an earlier release began it.
    /// </summary>
    public UpkeepStep? Step { get; init; }
}

/// <param name="Who">Who did not answer, as a sentence begins with it.</param>
/// <param name="Message">In their words, or what became of asking.</param>
public sealed record CarryingProblem(string Who, string Message);
