using System.Collections.Immutable;
using System.Globalization;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// Says what is to be carried out next so that the days of a holding pass as <see cref="Years"/> has them, and what an answer makes of the day book. The card processor has the last word on the card:
/// where it refuses what should be paid, or pays what should be refused, that becomes a decision of that day.
/// </summary>
public static class DayKeeper
{
    /// <summary>The day book of an order that was delivered: its first day happened with it.</summary>
    /// <param name="endingAt">The books of those sellers whose things are not to renew: that is decided on the day after.</param>
    public static DayBook Opened(Tenure tenure, Guid orderId, Guid secret, PaidBy payer, IReadOnlyCollection<string>? endingAt = null)
    {
        var first = tenure.Through(tenure.Start, []);
        var opened = new DayBook(orderId, tenure.Start, secret) { Lines = first.Happened, Payer = payer, RemindedTo = tenure.Start };
        return first.Holdings.Where(held => endingAt?.Contains(first.Books[held.Holding]) ?? false)
            .Aggregate(opened, (book, held) => book.With(new SetRenewing(tenure.Start.AddDays(1), held.Holding, Value: false)));
    }

    /// <summary>The day book of what was bought at the sellers' own pages: nothing is asked of anybody for it, and what passed before it was noted is not written about.</summary>
    /// <param name="notedOn">The day it was told.</param>
    public static DayBook OpenedThere(Tenure tenure, Guid orderId, Guid secret, DateOnly? cardExpires, DateOnly notedOn)
    {
        var before = notedOn.AddDays(-1) > tenure.Start ? notedOn.AddDays(-1) : tenure.Start;
        return Opened(tenure, orderId, secret, new PaidBy(null, null, Expires: cardExpires) { AtTheSellers = true }) with { RemindedTo = before, ToldTo = before };
    }

    /// <summary>The day book with the next moment begun before a day; the same where one is under way, or nothing is left to happen before that day.</summary>
    /// <param name="today">Its decisions are carried out, what falls due on it is not.</param>
    public static DayBook Begun(Tenure tenure, DayBook book, DateOnly today)
    {
        if (book.UnderWay is not null)
        {
            return book;
        }

        var decided = book.Planned is [var next, ..] && next.On <= today ? next.On : (DateOnly?)null;
        var fallen = NextFalling(tenure, book, today);
        return decided is { } day && !(fallen < day) ? book with { UnderWay = new MomentUnderWay(day, IsDecision: true, book.Lines.Length) }
            : fallen is { } due ? book with { UnderWay = new MomentUnderWay(due, IsDecision: false, book.Lines.Length) }
            : book;
    }

    /// <summary>The next day before another on which something falls due; null: none.</summary>
    public static DateOnly? NextFalling(Tenure tenure, DayBook book, DateOnly before)
    {
        var last = before.AddDays(-1) < tenure.Last ? before.AddDays(-1) : tenure.Last;
        if (last <= book.ClosedTo)
        {
            return null;
        }

        var until = book.Planned is [var planned, ..] && planned.On <= last ? planned.On.AddDays(-1) : last;
        return until <= book.ClosedTo ? null : First(tenure.Through(until, book.Made), book);
    }

    private static DateOnly? First(UpkeepYears years, DayBook book)
    {
        var (happens, quiet) = (years.Happened.Skip(book.Lines.Length).FirstOrDefault()?.On, years.QuietDays.FirstOrDefault(day => day > book.ClosedTo));
        return quiet != default && !(happens < quiet) ? quiet : happens;
    }

    /// <summary>The first business date on which something is to be carried out, or written about; null: never again.</summary>
    public static DateOnly? WaitsFor(Tenure tenure, DayBook book, IReadOnlyCollection<int> remindDays)
    {
        if (book.UnderWay is not null)
        {
            return book.ClosedTo;
        }

        var falls = NextFalling(tenure, book, tenure.Last)?.AddDays(1);
        var decided = book.Planned is [var next, ..] ? next.On : (DateOnly?)null;
        var reminds = Foreseen.ReminderDays(tenure, book, book.RemindedTo, (falls ?? tenure.Last) < tenure.Last ? falls ?? tenure.Last : tenure.Last, remindDays).Cast<DateOnly?>().FirstOrDefault();
        return new[] { falls, decided, reminds }.Min();
    }

    /// <summary>Paying something missed with money that is held for it: the card is taken to work for that one decision.</summary>
    public static DayBook PaidWithHeld(Tenure tenure, DayBook book, DateOnly today)
    {
        var works = tenure.ToMorning(today, [.. book.Decisions.Where(decision => decision.On <= today)]).CardWorks;
        ImmutableArray<Decision> pays = works ? [new PayMissed(today, book.Otherwise!.Holding)] : [new SetCard(today, Works: true), new PayMissed(today, book.Otherwise!.Holding), new SetCard(today, Works: false)];
        return pays.Aggregate(book with { Otherwise = book.Otherwise! with { IsDecided = true } }, (with, decision) => with.With(decision));
    }

    /// <summary>The next act of the moment under way; null: all of them are carried out.</summary>
    public static Act? NextAct(Tenure tenure, DayBook book)
    {
        var under = book.UnderWay!;
        var (before, after) = (Before(tenure, book), After(tenure, book));
        if (book.Lines.Length < after.Happened.Length)
        {
            return Of(tenure, book, after.Happened[book.Lines.Length]);
        }

        return Rest(book, before, after).Skip(under.Told).FirstOrDefault();
    }

    /// <summary>The day book after an act that was carried out; not for charges, which say themselves what they lead to.</summary>
    public static DayBook Done(Tenure tenure, DayBook book)
    {
        var (under, after) = (book.UnderWay!, After(tenure, book));
        return book.Lines.Length < after.Happened.Length
            ? Noted(book, after.Happened[book.Lines.Length])
            : book with { UnderWay = under with { Told = under.Told + 1, IsTried = false, Unanswered = 0 }, Problem = null };
    }

    /// <summary>The day book with the moment under way finished.</summary>
    public static DayBook Finished(DayBook book)
    {
        var under = book.UnderWay!;
        return under.IsDecision ? book with { UnderWay = null, Decided = book.Decided + 1 } : book with { UnderWay = null, ClosedTo = under.Day };
    }

    private static DayBook Noted(DayBook book, Happening happening) =>
        book with { Lines = book.Lines.Add(happening), UnderWay = book.UnderWay! with { IsTried = false, Unanswered = 0 }, Problem = null };

    private static UpkeepYears Before(Tenure tenure, DayBook book) => tenure.ToMorning(book.UnderWay!.Day, book.Made);

    private static UpkeepYears After(Tenure tenure, DayBook book) =>
        book.UnderWay!.IsDecision ? tenure.ToMorning(book.UnderWay.Day, book.Decisions[..(book.Decided + 1)]) : tenure.Through(book.UnderWay.Day, book.Made);

    private static Act Of(Tenure tenure, DayBook book, Happening happening) =>
        happening switch
        {
            _ when book.Payer.AtTheSellers => new NoteDown(),
            Charged charged when charged.Total > charged.FromBalance => Try(tenure, book, charged, paid: charged, otherwise: null),
            Failed when Asked(book).Any(line => line is Failed) => new NoteDown(), // The card was refused today already.
            Failed failed => IfItWorked(tenure, book) is Charged would ? Try(tenure, book, would, paid: null, otherwise: failed) : new NoteDown(),
            Refused { Reason: RefusalReason.CardStopped } refused => IfItWorked(tenure, book) is Charged would ? Try(tenure, book, would, paid: null, otherwise: refused) : new NoteDown(),
            Refunded refunded => new GiveMoneyBack(Key(book), refunded.Book, new Money(refunded.Total, refunded.Currency)),
            _ => new NoteDown(),
        };

    // What would happen in the place of a refusal if the card worked after all.
    private static Happening? IfItWorked(Tenure tenure, DayBook book) => NextLine(tenure, WithCard(book, works: true));

    private static Happening? NextLine(Tenure tenure, DayBook book) => After(tenure, book).Happened.ElementAtOrDefault(book.Lines.Length);

    private static TryCharge Try(Tenure tenure, DayBook book, Charged would, Charged? paid, Happening? otherwise)
    {
        var byCard = new Money(would.Total - would.FromBalance, would.Currency);
        var isPaid = paid is not null ? Noted(book, paid) : Noted(WithCard(book, works: true), would);
        var isRefused = otherwise is not null ? Noted(book, otherwise) : Asked(book).Any(line => line is Charged paidBefore && paidBefore.Total > paidBefore.FromBalance) ? Contradicted(book) : Refusing(tenure, WithCard(book, works: false));
        return new TryCharge(Key(book), would.Book, byCard, would.Due, new Attempted(isPaid, isRefused));
    }

    private static IEnumerable<Happening> Asked(DayBook book) => book.Lines.Skip(book.UnderWay!.FirstLine);

    // A card that paid one bill of a day and not the next: what was paid cannot be made undone, so the day waits for another card, or for this one.
    private static DayBook Contradicted(DayBook book) =>
        book with { UnderWay = book.UnderWay! with { IsTried = false, Again = book.UnderWay.Again + 1, Unanswered = book.UnderWay.Unanswered + 1 }, Problem = new CarryingProblem("The payment processor", "The card paid one bill of this day and was refused for the next. Give another card, or try again.") };

    private static DayBook Refusing(Tenure tenure, DayBook stopped) => NextLine(tenure, stopped) is { } line ? Noted(stopped, line) : stopped with { UnderWay = stopped.UnderWay! with { IsTried = false } };

    // What the processor said of the card is there before the decision under way, and before what falls due.
    private static DayBook WithCard(DayBook book, bool works) =>
        book with { Decisions = book.Decisions.Insert(book.Decided, new SetCard(book.UnderWay!.Day, works)), Decided = book.Decided + 1 };

    // After the charges: what balances changed by, and how holdings stand that stand otherwise than before.
    private static IEnumerable<Act> Rest(DayBook book, UpkeepYears before, UpkeepYears after)
    {
        if (book.Payer.AtTheSellers)
        {
            yield break; // The sellers know it, and nobody else has to.
        }

        var number = 0;
        foreach (var (id, balance) in after.Balances)
        {
            var had = before.Balances.GetValueOrDefault(id, Money.Zero(balance.Currency));
            if (balance != had)
            {
                yield return new MoveBalance(Key(book, number++), id, balance - had);
            }
        }

        foreach (var held in after.Holdings)
        {
            var stood = before.Holding(held.Holding);
            if (stood is null || (stood.State, stood.PaidUntil, stood.Ref) != (held.State, held.PaidUntil, held.Ref))
            {
                yield return new TellStanding(Key(book, number++), BookOf(before, after, held), held);
            }
        }
    }

    private static string BookOf(UpkeepYears before, UpkeepYears after, HoldingAtEnd held) => (after.Books.GetValueOrDefault(held.Holding) ?? before.Books.GetValueOrDefault(held.Holding))!;

    private static string Key(DayBook book, int? told = null) =>
        string.Create(CultureInfo.InvariantCulture, $"{book.Secret:N}-{book.UnderWay!.Day:yyyyMMdd}{(book.UnderWay.IsDecision ? "d" : "e")}{book.Decided}-{book.Lines.Length}{(told is { } number ? $"-{number}" : "")}{(book.UnderWay.Again > 0 ? $"r{book.UnderWay.Again}" : "")}");
}
