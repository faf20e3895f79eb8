using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// Money that moved on a day as the day book has it: a seller took it, or, below zero, it came back from one.
/// </summary>
/// <param name="Line">Its place among the lines of the day book.</param>
/// <param name="Due">The day it was due first.</param>
/// <param name="Sum">With tax, less what a balance paid.</param>
public sealed record Movement(int Line, string Book, DateOnly On, DateOnly Due, Money Sum)
{
    /// <summary>The charge; null: money came back.</summary>
    public Charged? Charged { get; init; }

    /// <summary>What was seen of it; null: nothing yet.</summary>
    public SeenMovement? Seen { get; init; }

    /// <summary>
    /// How much more was taken than was due, or less came back; below zero: the owner was better off. Null: it was not
    /// seen.
    /// </summary>
    public Money? Over => Seen is { } seen ? seen.Total - Sum : null;

    /// <summary>All of a day book, in its order.</summary>
    public static ImmutableArray<Movement> ListAll(DayBook book) =>
        [
            .. book
                .Lines.Index()
                .Select(line => From(line.Index, line.Item))
                .OfType<Movement>()
                .Select(movement =>
                    movement with
                    {
                        Seen = book.Seen.FirstOrDefault(seen => seen.Line == movement.Line),
                    }
                ),
        ];

    private static Movement? From(int line, Happening happening) =>
        happening switch
        {
            Charged charged when charged.Total > charged.FromBalance => new Movement(
                line,
                charged.Book,
                charged.On,
                charged.Due,
                new Money(charged.Total - charged.FromBalance, charged.Currency)
            )
            {
                Charged = charged,
            },
            Refunded refunded => new Movement(
                line,
                refunded.Book,
                refunded.On,
                refunded.On,
                new Money(-refunded.Total, refunded.Currency)
            ),
            _ => null,
        };
}

/// <summary>What was seen of money that moved.</summary>
/// <param name="Line">The line of the day book that says what was to move.</param>
/// <param name="Total">In the currency of the book; below zero where it came back.</param>
public sealed record SeenMovement(int Line, Money Total)
{
    /// <summary>What a card statement says of it; null: its owner told it.</summary>
    public string? Statement { get; init; }
}
