using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// What only the owner can tell of what is paid at the sellers: it counts as taken on its day until they say otherwise.
/// </summary>
public static class ChargeConfirmations
{
    /// <summary>What is to be asked about: what moved after the day of the order, and was not seen.</summary>
    public static IEnumerable<Movement> Open(Tenure tenure, DayBook book) =>
        book.Payer.AtTheSellers
            ? Movement.ListAll(book).Where(movement => movement.Seen is null && movement.On > tenure.Start)
            : [];

    /// <summary>The day book with what was seen of a movement, in place of what was before.</summary>
    public static DayBook Seen(DayBook book, SeenMovement seen) =>
        book with
        {
            Seen = [.. book.Seen.Where(known => known.Line != seen.Line), seen],
        };

    /// <summary>The day book with what each seller took on the day of the order.</summary>
    public static DayBook Paid(DayBook book, IEnumerable<(string Book, Money Paid)> paid, DateOnly start) =>
        paid.Aggregate(book, (with, took) =>
            Movement
                .ListAll(with)
                .FirstOrDefault(movement =>
                    movement.On == start && movement.Book == took.Book && movement.Sum.Currency == took.Paid.Currency
                )
                is { } movement
                ? Seen(with, new SeenMovement(movement.Line, took.Paid))
                : with
        );

    /// <summary>
    /// Whether it can be told that a movement was not: it was a charge that fell due. What the owner decided and did at
    /// a seller was paid with it.
    /// </summary>
    public static bool MayHaveFailed(Tenure tenure, DayBook book, Movement movement) =>
        book.Payer.AtTheSellers
        && movement is { Charged: not null }
        && movement.On > tenure.Start
        && !book.ByDecision.Contains(movement.Line);

    /// <summary>
    /// A charge was not taken on its day: the day book as it stood before that day, with the card stopped on it. What
    /// came after passes anew, without being written about again.
    /// </summary>
    public static DayBook NotTaken(Tenure tenure, DayBook book, Movement charge)
    {
        var day = charge.On;
        ImmutableArray<Decision> before = [.. book.Decisions.TakeWhile(decision => decision.On < day)];
        ImmutableArray<Happening> lines = [.. book.Lines.TakeWhile(line => line.On < day)];
        var place = book.Decisions.TakeWhile(decision => decision.On <= day).Count();
        return book with
        {
            Decisions = book.Decisions.Insert(place, new SetCard(day, Works: false)),
            Decided = before.Length,
            Lines = lines,
            ByDecision = [.. book.ByDecision.Where(line => line < lines.Length)],
            State = tenure.Through(day.AddDays(-1), before).State,
            ClosedTo = day.AddDays(-1),
            UnderWay = null,
            Problem = null,
            NotifiedThrough = book.ClosedTo > book.NotifiedThrough ? book.ClosedTo : book.NotifiedThrough,
            Seen = [.. book.Seen.Where(seen => seen.Line < lines.Length)],
        };
    }
}
