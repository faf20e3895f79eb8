using System.Collections.Immutable;
using System.Globalization;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// Says what is to be carried out next so that days pass as <see cref="UpkeepMachine"/> has them, and what an answer
/// makes of the day book. The card processor has the last word on the card: where it refuses what should be paid, or
/// pays what should be refused, that becomes a decision of that day.
/// </summary>
public static class DayKeeper
{
    /// <summary>The day book of an order that was delivered: its first day happened with it.</summary>
    /// <param name="endingAt">The books of those sellers whose things are not to renew: that is decided on the day
    /// after.</param>
    public static DayBook Opened(
        Tenure tenure,
        Guid orderId,
        Guid secret,
        PaidBy payer,
        IReadOnlyCollection<string>? endingAt = null
    )
    {
        var first = tenure.Opening;
        var opened = new DayBook(orderId, tenure.Start, secret)
        {
            State = first.State,
            Lines = first.Happened,
            Payer = payer,
            RemindedTo = tenure.Start,
        };
        return first
            .State.Holdings.Where(held => endingAt?.Contains(held.Book) ?? false)
            .Aggregate(opened, (book, held) =>
                book.With(new SetRenewing(tenure.Start.AddDays(1), held.Holding, Value: false))
            );
    }

    /// <summary>
    /// The day book of what was bought at the sellers' own pages: nothing is asked of anybody for it, and what passed
    /// before it was noted is not written about.
    /// </summary>
    /// <param name="notedOn">The day it was told.</param>
    public static DayBook OpenedThere(Tenure tenure, Guid orderId, Guid secret, DateOnly? cardExpires, DateOnly notedOn)
    {
        var before = notedOn.AddDays(-1) > tenure.Start ? notedOn.AddDays(-1) : tenure.Start;
        var payer = new PaidBy(null, null, Expires: cardExpires) { AtTheSellers = true };
        return Opened(tenure, orderId, secret, payer) with { RemindedTo = before, NotifiedThrough = before };
    }

    /// <summary>
    /// A day book that an earlier release wrote without its state: that is worked out from the order once more, and
    /// from then on gone on from. What happened stays as it was written; where the rules would not bring it now, the
    /// day book says from when on.
    /// </summary>
    public static DayBook Restored(Tenure tenure, DayBook book)
    {
        if (book.State is not null)
        {
            return book;
        }

        var decided = book.Made is [.., var last] ? last.On : DateOnly.MinValue;
        var morning = book.UnderWay?.Day ?? book.ClosedTo.AddDays(1);
        var years = tenure.ToMorning(decided > morning ? decided : morning, book.Made);
        var kept = book.Lines[..(book.UnderWay?.FirstLine ?? book.Lines.Length)];
        var restored = book with
        {
            State = years.State,
            ByDecision =
            [
                .. kept.Index()
                    .Where(line => line.Index < years.AfterDecisions.GetValueOrDefault(line.Item.On))
                    .Select(line => line.Index),
            ],
            DiffersFrom = FirstUnlike(kept, years.Happened),
        };
        return book.UnderWay is null ? restored : WithStep(tenure, restored);
    }

    // A line too many, or too few, differs as another one does.
    private static DateOnly? FirstUnlike(ImmutableArray<Happening> kept, ImmutableArray<Happening> now)
    {
        var alike = kept.Zip(now).TakeWhile(pair => pair.First.IsAs(pair.Second)).Count();
        return alike < kept.Length ? kept[alike].On
            : alike < now.Length ? now[alike].On
            : null;
    }

    /// <summary>
    /// The day book with the next moment marked as started before a day; the same where one is under way, or nothing is
    /// left to happen before that day.
    /// </summary>
    /// <param name="today">Its decisions are carried out, what falls due on it is not.</param>
    public static DayBook MarkStarted(Tenure tenure, DayBook book, DateOnly today)
    {
        if (book.UnderWay is not null)
        {
            return book;
        }

        var decided = book.Planned is [var next, ..] && next.On <= today ? next.On : (DateOnly?)null;
        var fallen = NextFalling(tenure, book, today);
        return decided is { } day && !(fallen < day) ? Started(tenure, book, day, isDecision: true)
            : fallen is { } due ? Started(tenure, book, due, isDecision: false)
            : book;
    }

    private static DayBook Started(Tenure tenure, DayBook book, DateOnly day, bool isDecision) =>
        WithStep(tenure, book with { UnderWay = new MomentUnderWay(day, isDecision, book.Lines.Length) });

    // With what the moment under way comes to, from the state before it.
    private static DayBook WithStep(Tenure tenure, DayBook book)
    {
        var under = book.UnderWay!;
        UpkeepEvent happens = under.IsDecision ? new Decided(book.Planned[0]) : new DayEnded(under.Day);
        return book with { UnderWay = under with { Step = UpkeepMachine.Apply(tenure, book.State!, happens) } };
    }

    /// <summary>The next day before another on which something falls due; null: none.</summary>
    public static DateOnly? NextFalling(Tenure tenure, DayBook book, DateOnly before)
    {
        var last = before.AddDays(-1) < tenure.Last ? before.AddDays(-1) : tenure.Last;
        var until = book.Planned is [var planned, ..] && planned.On <= last ? planned.On.AddDays(-1) : last;
        return until <= book.ClosedTo ? null : UpkeepMachine.NextDay(tenure, book.State!, until);
    }

    /// <summary>
    /// The first business date on which something is to be carried out, or written about; null: never again.
    /// </summary>
    public static DateOnly? WaitsFor(Tenure tenure, DayBook book, IReadOnlyCollection<int> remindDays)
    {
        if (book.UnderWay is not null)
        {
            return book.ClosedTo;
        }

        var falls = NextFalling(tenure, book, tenure.Last)?.AddDays(1);
        var decided = book.Planned is [var next, ..] ? next.On : (DateOnly?)null;
        var reminds = Foreseen
            .ReminderDays(
                tenure,
                book,
                book.RemindedTo,
                (falls ?? tenure.Last) < tenure.Last ? falls ?? tenure.Last : tenure.Last,
                remindDays
            )
            .Cast<DateOnly?>()
            .FirstOrDefault();
        return new[] { falls, decided, reminds }.Min();
    }

    /// <summary>
    /// Paying something missed with money that is held for it: the card is taken to work for that one decision.
    /// </summary>
    public static DayBook PaidWithHeld(Tenure tenure, DayBook book, DateOnly today)
    {
        var works = tenure.ToMorning(book.State!, today, book.Planned).CardWorks;
        var pays = new PayMissed(today, book.Otherwise!.Holding);
        ImmutableArray<Decision> decisions = works
            ? [pays]
            : [new SetCard(today, Works: true), pays, new SetCard(today, Works: false)];
        return decisions.Aggregate(
            book with
            {
                Otherwise = book.Otherwise with { IsDecided = true },
            },
            (with, decision) => with.With(decision)
        );
    }

    /// <summary>The next act of the moment under way; null: all of them are carried out.</summary>
    public static Act? NextAct(Tenure tenure, DayBook book) =>
        NextLine(book) is { } line
            ? ActFor(tenure, book, line)
            : Rest(tenure, book).Skip(book.UnderWay!.ActsDone).FirstOrDefault();

    /// <summary>
    /// The day book after an act that was carried out; not for charges, which say themselves what they lead to.
    /// </summary>
    public static DayBook Done(DayBook book)
    {
        var under = book.UnderWay!;
        return NextLine(book) is { } line
            ? Noted(book, line)
            : book with
            {
                UnderWay = under with { ActsDone = under.ActsDone + 1, IsTried = false },
                Problem = null,
            };
    }

    /// <summary>The day book with the moment under way finished: the state after it is the one gone on from.</summary>
    public static DayBook Finished(DayBook book)
    {
        var under = book.UnderWay!;
        var after = book with { UnderWay = null, State = under.Step!.State };
        return under.IsDecision
            ? after with
            {
                Decided = book.Decided + 1,
                ByDecision =
                [
                    .. book.ByDecision,
                    .. Enumerable.Range(under.FirstLine, book.Lines.Length - under.FirstLine),
                ],
            }
            : after with
            {
                ClosedTo = under.Day,
            };
    }

    // The next line of the moment under way that is not carried out yet; null: all are.
    private static Happening? NextLine(DayBook book) =>
        book.UnderWay!.Step!.Happened.ElementAtOrDefault(book.Lines.Length - book.UnderWay.FirstLine);

    private static DayBook Noted(DayBook book, Happening happening) =>
        book with
        {
            Lines = book.Lines.Add(happening),
            UnderWay = book.UnderWay! with { IsTried = false },
            Problem = null,
        };

    private static Act ActFor(Tenure tenure, DayBook book, Happening happening) =>
        happening switch
        {
            _ when book.Payer.AtTheSellers => new NoteDown(),
            Charged charged when charged.Total > charged.FromBalance => Try(
                tenure,
                book,
                charged,
                paid: charged,
                otherwise: null
            ),
            // The card was refused today already.
            Failed when Asked(book).Any(line => line is Failed) => new NoteDown(),
            Failed failed => IfItWorked(tenure, book) is Charged would
                ? Try(tenure, book, would, paid: null, otherwise: failed)
                : new NoteDown(),
            Refused { Reason: RefusalReason.CardStopped } refused => IfItWorked(tenure, book) is Charged would
                ? Try(tenure, book, would, paid: null, otherwise: refused)
                : new NoteDown(),
            Refunded refunded => new GiveMoneyBack(
                Key(book),
                refunded.Book,
                new Money(refunded.Total, refunded.Currency)
            ),
            _ => new NoteDown(),
        };

    // What would happen in the place of a refusal if the card worked after all.
    private static Happening? IfItWorked(Tenure tenure, DayBook book) => NextLine(WithCard(tenure, book, works: true));

    private static TryCharge Try(Tenure tenure, DayBook book, Charged would, Charged? paid, Happening? otherwise)
    {
        var byCard = new Money(would.Total - would.FromBalance, would.Currency);
        var isPaid = paid is not null ? Noted(book, paid) : Noted(WithCard(tenure, book, works: true), would);
        var isRefused =
            otherwise is not null ? Noted(book, otherwise)
            : Asked(book).Any(line => line is Charged paidBefore && paidBefore.Total > paidBefore.FromBalance)
                ? Contradicted(book)
            : Refusing(WithCard(tenure, book, works: false));
        return new TryCharge(Key(book), would.Book, byCard, would.Due, new Attempted(isPaid, isRefused));
    }

    private static IEnumerable<Happening> Asked(DayBook book) => book.Lines.Skip(book.UnderWay!.FirstLine);

    // A card that paid one bill of a day and not the next: what was paid cannot be made undone, so the day waits for
    // another card, or for this one.
    private static DayBook Contradicted(DayBook book) =>
        book with
        {
            UnderWay = book.UnderWay! with { IsTried = false, Again = book.UnderWay.Again + 1 },
            Problem = new CarryingProblem(
                "The payment processor",
                "The card paid one bill of this day and was refused for the next. Give another card, or try again."
            ),
        };

    private static DayBook Refusing(DayBook stopped) =>
        NextLine(stopped) is { } line
            ? Noted(stopped, line)
            : stopped with
            {
                UnderWay = stopped.UnderWay! with { IsTried = false },
            };

    // What the processor said of the card is there before the decision under way, and before what falls due.
    private static DayBook WithCard(Tenure tenure, DayBook book, bool works)
    {
        var card = new SetCard(book.UnderWay!.Day, works);
        return WithStep(
            tenure,
            book with
            {
                Decisions = book.Decisions.Insert(book.Decided, card),
                Decided = book.Decided + 1,
                State = UpkeepMachine.Apply(tenure, book.State!, new Decided(card)).State,
            }
        );
    }

    // After the charges: what balances changed by, and how holdings stand that stand otherwise than before.
    private static IEnumerable<Act> Rest(Tenure tenure, DayBook book)
    {
        if (book.Payer.AtTheSellers)
        {
            yield break; // The sellers know it, and nobody else has to.
        }

        var (before, after, number) = (book.State!, book.UnderWay!.Step!.State, 0);
        foreach (var account in after.Accounts)
        {
            var by = account.Balance - before.Balance(account.Book);
            if (by != 0)
            {
                var moved = new Money(by, tenure.Book(account.Book).Currency);
                yield return new MoveBalance(Key(book, number++), account.Book, moved);
            }
        }

        var stood = before.Standing.ToDictionary(held => held.Holding, StringComparer.Ordinal);
        foreach (var (holding, held) in after.Holdings.Zip(after.Standing))
        {
            var was = stood.GetValueOrDefault(held.Holding);
            if (was is null || (was.State, was.PaidUntil, was.Ref) != (held.State, held.PaidUntil, held.Ref))
            {
                yield return new TellStanding(Key(book, number++), holding.Book, held);
            }
        }
    }

    private static string Key(DayBook book, int? act = null) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{book.Secret:N}-{book.UnderWay!.Day:yyyyMMdd}{(book.UnderWay.IsDecision ? "d" : "e")}"
                + $"{book.Decided}-{book.Lines.Length}{(act is { } number ? $"-{number}" : "")}"
                + $"{(book.UnderWay.Again > 0 ? $"r{book.UnderWay.Again}" : "")}"
        );
}
