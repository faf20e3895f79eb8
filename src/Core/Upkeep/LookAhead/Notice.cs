using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>Something an owner should know before its day.</summary>
/// <param name="On">The last day on which it can be acted upon, or the day it happens.</param>
/// <param name="Worth">What it is about in money: what comes back, what is charged, what an allowance saves; null: not
/// in money, or not stated.</param>
public sealed record Notice(NoticeKind Kind, DateOnly On, string? Holding, Money? Worth)
{
    /// <summary>What it is compared with: the price before a price step.</summary>
    public Money? Against { get; init; }

    /// <summary>
    /// Another day that belongs to it: when the other of two expires, when the next attempt is, when a commitment ends.
    /// </summary>
    public DateOnly? Other { get; init; }

    /// <summary>For a price step: how many months the price is for.</summary>
    public int Months { get; init; }

    /// <summary>The book it is about.</summary>
    public string? Book { get; init; }

    /// <summary>The endings an allowance can be spent on.</summary>
    public ImmutableArray<string> Endings { get; init; } = [];

    /// <summary>For what is lost by and by: the state it comes to on <see cref="On"/>.</summary>
    public HoldingState? State { get; init; }
}

/// <summary>What a notice is about, the most pressing first.</summary>
public enum NoticeKind
{
    /// <summary>A bill could not be paid and is tried again on its day.</summary>
    Unpaid,

    /// <summary>Something comes one state nearer to being lost.</summary>
    Losing,

    /// <summary>The holder's address is not confirmed at the registry.</summary>
    HolderNotConfirmed,

    /// <summary>The last day to give it back.</summary>
    GiveBack,

    /// <summary>The included domain has to be claimed.</summary>
    ClaimDomain,

    /// <summary>An allowance is there to be spent, and lost after its day.</summary>
    Allowance,

    /// <summary>The card expires before a bill.</summary>
    CardExpires,

    /// <summary>There is nothing that later bills could be charged to.</summary>
    NoCard,

    /// <summary>The last day to say that a commitment is not gone on with.</summary>
    CommitmentEnds,

    /// <summary>What is charged next costs more a month than what was paid before.</summary>
    PriceStep,

    /// <summary>What is charged next is not stated.</summary>
    NotStated,

    /// <summary>Something does not renew and ends.</summary>
    Ends,

    /// <summary>Domain and hosting expire on different days.</summary>
    Apart,
}
