using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>One thing that happened on a day.</summary>
public abstract record Happening(DateOnly On)
{
    /// <summary>Whether it says the same as another.</summary>
    public bool IsAs(Happening other) =>
        (this, other) is (Charged one, Charged two)
            ? one with { Lines = [] } == two with { Lines = [] } && one.Lines.SequenceEqual(two.Lines)
            : this == other;
}

/// <summary>A bill was paid. Amounts are minor units of the book's currency.</summary>
/// <param name="Due">The day it was due; of a charge made at once, that day.</param>
/// <param name="FromBalance">What the balance with the book paid of the total.</param>
/// <param name="IsAtLeast">Whether a line of it is not stated.</param>
/// <param name="IsAssumed">Of a change: whether the book does not say what a change does.</param>
public sealed record Charged(
    DateOnly On,
    string Book,
    Currency Currency,
    DateOnly Due,
    Minor Total,
    Minor Net,
    Minor Tax,
    Minor FromBalance,
    bool IsAtLeast,
    bool IsAssumed,
    ImmutableArray<ChargedLine> Lines
) : Happening(On);

/// <param name="Amount">After discounts.</param>
public sealed record ChargedLine(UpkeepLineKind Kind, string Ref, string Holding, Minor Amount);

/// <summary>An attempt to pay a bill failed.</summary>
/// <param name="Attempt">1 to 4.</param>
public sealed record Failed(DateOnly On, string Book, Currency Currency, DateOnly Due, Minor Total, int Attempt)
    : Happening(On);

/// <summary>A holding came into a state.</summary>
/// <param name="IsAssumed">Whether the book does not say how long the states of a domain last.</param>
public sealed record StateChanged(DateOnly On, string Holding, HoldingState State, bool IsAssumed) : Happening(On);

/// <summary>Money went back to the card.</summary>
public sealed record Refunded(DateOnly On, string Book, Currency Currency, Minor Total) : Happening(On);

/// <summary>Money went into the balance with a book.</summary>
public sealed record Credited(DateOnly On, string Book, Currency Currency, Minor Total, bool IsAssumed) : Happening(On);

/// <summary>A decision could not be carried out, and changed nothing.</summary>
public sealed record Refused(DateOnly On, string Do, RefusalReason Reason) : Happening(On);

/// <summary>The kinds of lines, in the order of a bill.</summary>
public enum UpkeepLineKind
{
    /// <summary>The plan.</summary>
    Plan,

    /// <summary>A data centre's surcharge.</summary>
    DataCentre,

    /// <summary>Setting the hosting up.</summary>
    Setup,

    /// <summary>A domain.</summary>
    Domain,

    /// <summary>An extra.</summary>
    AddOn,

    /// <summary>The fee to have a domain back.</summary>
    Redemption,

    /// <summary>What was left of something paid.</summary>
    Credit,
}

/// <summary>How something that is had stands.</summary>
public enum HoldingState
{
    /// <summary>It works.</summary>
    Live,

    /// <summary>Hosting whose bill nobody could be paid for.</summary>
    Suspended,

    /// <summary>Hosting that did not renew.</summary>
    Ended,

    /// <summary>A domain that can still be paid at the ordinary price.</summary>
    Grace,

    /// <summary>A domain that costs a fee to have back.</summary>
    Redemption,

    /// <summary>A domain that is about to be let go.</summary>
    Pending,

    /// <summary>Given back.</summary>
    Left,

    /// <summary>Lost.</summary>
    Gone,
}

/// <summary>Why a decision could not be carried out, in the order the reasons are looked at.</summary>
public enum RefusalReason
{
    /// <summary>No such holding, no hosting, or not sold.</summary>
    Unknown,

    /// <summary>The hosting is not live.</summary>
    NotLive,

    /// <summary>It cannot be had back any more.</summary>
    TooLate,

    /// <summary>Nothing was missed.</summary>
    NothingToPay,

    /// <summary>An open bill holds a line of the hosting.</summary>
    OpenBill,

    /// <summary>It is so already.</summary>
    Same,

    /// <summary>It needs the card, which does not work.</summary>
    CardStopped,
}
