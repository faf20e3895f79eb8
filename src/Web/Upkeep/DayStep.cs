using System.Collections.Immutable;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using HomeStart.Data;
using HomeStart.Formats.Letters;
using HomeStart.Web.Mail;
using HomeStart.Web.Orders;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using HomeStart.Web.Work;

namespace HomeStart.Web.Upkeep;

/// <summary>
/// Takes the next step of what is had of an order: up to one act outside, recorded before it is tried and after it was
/// answered.
/// </summary>
public sealed class DayStep(
    TenureDesk desk,
    Workspace workspace,
    HomeStartDb db,
    DayActions actions,
    IPaymentProcessor payments,
    Outbox outbox,
    WorkBell bell,
    OpenAddress open,
    DayPace pace
)
{
    /// <summary>How far ahead reminders look.</summary>
    private const int ReminderMonths = 4;

    /// <summary>Whether there may be more to do at once.</summary>
    public async Task<bool> TakeAsync(Guid orderId, CancellationToken cancel)
    {
        if (await desk.FindAsync(orderId, cancel) is not { } kept)
        {
            return false;
        }

        var (today, before) = (await workspace.BusinessDateAsync(cancel), kept.Book);
        var remindDays = await workspace.RemindDaysAsync(cancel);
        kept = kept with { Book = await WithExpiryAsync(kept, await OtherwiseAsync(kept, today, cancel), cancel) };
        while (true)
        {
            kept = kept with { Book = DayKeeper.MarkStarted(kept.Tenure, kept.Book, today) };
            kept = kept with { Book = Reminded(kept, kept.Book.UnderWay?.Day ?? today, remindDays) };
            if (kept.Book.UnderWay is not { } under)
            {
                await CloseAsync(kept, before, today, remindDays, cancel);
                return false;
            }

            switch (DayKeeper.NextAct(kept.Tenure, kept.Book))
            {
                case null:
                    kept = kept with { Book = DayKeeper.Finished(kept.Book) };
                    break;
                case NoteDown:
                    kept = Told(kept, DayKeeper.Done(kept.Book));
                    break;
                case { } act:
                    return await ActAsync(kept, act, under.Day, cancel);
            }
        }
    }

    private async Task<bool> ActAsync(LoadedTenure kept, Act act, DateOnly day, CancellationToken cancel)
    {
        var asked = kept;
        kept = kept.With(kept.Book with { UnderWay = kept.Book.UnderWay! with { IsTried = true } }, day);
        await db.SaveDurablyAsync(cancel);
        await pace.AtAsync(OrderMoment.Recorded, act, cancel);
        var outcome = await actions.CarryOutAsync(asked, act, day, cancel);
        await pace.AtAsync(OrderMoment.Answered, act, cancel);
        var after = After(kept, act, outcome);
        Told(kept, after).With(after, day);
        await db.SaveDurablyAsync(cancel);
        bell.Ring<MailWork>();
        return outcome.State is OutcomeState.Done or OutcomeState.Refused
            && after.UnderWay?.Again == kept.Book.UnderWay!.Again;
    }

    private static DayBook After(LoadedTenure kept, Act act, Outcome outcome) =>
        (act, outcome.State) switch
        {
            (TryCharge charge, OutcomeState.Done) => charge.Expected.Paid with
            {
                Otherwise = DayActions.PaidOtherwise(kept.Book) is null ? kept.Book.Otherwise : null,
            },
            (TryCharge charge, OutcomeState.Refused) => charge.Expected.Refused,
            // Who does not know what it is told of has nothing to change.
            (_, OutcomeState.Done) or (TellStanding or MoveBalance, OutcomeState.Refused) => DayKeeper.Done(kept.Book),
            _ => kept.Book with
            {
                Problem = new CarryingProblem(DayActions.WhoOf(kept, act), outcome.Message ?? "There was no answer."),
            },
        };

    private async Task CloseAsync(
        LoadedTenure kept,
        DayBook before,
        DateOnly today,
        IReadOnlyCollection<int> remindDays,
        CancellationToken cancel
    )
    {
        var last = today.AddDays(-1) < kept.Tenure.Last ? today.AddDays(-1) : kept.Tenure.Last;
        var book = kept.Book with { ClosedTo = last > kept.Book.ClosedTo ? last : kept.Book.ClosedTo };
        // An invoice may be paid at any time.
        var waitsFor = book.Otherwise is null ? DayKeeper.WaitsFor(kept.Tenure, book, remindDays) : today;
        if (book != before || kept.Row.WaitsFor != (waitsFor?.DayNumber ?? int.MaxValue))
        {
            kept.With(book, waitsFor);
            await db.SaveDurablyAsync(cancel);
            bell.Ring<MailWork>();
        }
    }

    // Writes about the lines that are new.
    private LoadedTenure Told(LoadedTenure kept, DayBook after)
    {
        var now = kept.Tenure.At(after.State!);
        foreach (var (index, line) in after.Lines.Index().Skip(kept.Book.Lines.Length))
        {
            if (
                line.On > after.NotifiedThrough
                && UpkeepLetters.News(
                    line,
                    kept.Tenure,
                    now,
                    kept.Order,
                    IdOf(kept, $"line {index} of {line.On:yyyyMMdd}"),
                    Page(kept)
                )
                    is { } letter
            )
            {
                outbox.Add(kept.Row.WorkspaceId, letter);
            }
        }

        return kept with
        {
            Book = after,
        };
    }

    // Writes the reminders of the days that are new, each as it was to be seen on its day.
    private DayBook Reminded(LoadedTenure kept, DateOnly to, IReadOnlyCollection<int> remindDays)
    {
        foreach (var day in Foreseen.ReminderDays(kept.Tenure, kept.Book, kept.Book.RemindedTo, to, remindDays))
        {
            var outlook = new Outlook(kept.Tenure, kept.Book, day, ReminderMonths);
            var foreseen = Foreseen.ListAll(
                outlook,
                OwnerNotices.ListAll(outlook, kept.Book.Payer.Expires, ImmutableDictionary<string, DateOnly>.Empty)
            );
            foreach (var (one, days) in Foreseen.RemindersOn(outlook, foreseen, remindDays))
            {
                outbox.Add(
                    kept.Row.WorkspaceId,
                    UpkeepLetters.Reminder(
                        outlook,
                        kept.Order,
                        kept.Name,
                        one,
                        days,
                        IdOf(kept, $"reminder {one.Key} {days}"),
                        Page(kept),
                        new Uri($"{Page(kept)}?stay={kept.Order.Id}")
                    )
                );
            }
        }

        return to > kept.Book.RemindedTo ? kept.Book with { RemindedTo = to } : kept.Book;
    }

    // The processor knows until when a card is good; asked once.
    private async Task<DayBook> WithExpiryAsync(LoadedTenure kept, DayBook book, CancellationToken cancel) =>
        book.Payer is { CardToken: { } token, Expires: null }
        && await payments.CardAsync(kept.World, token, cancel) is { Expires: { } expires }
            ? book with
            {
                Payer = book.Payer with { Expires = expires },
            }
            : book;

    // Whether the money of an invoice has come, or what the balance was to pay could be had.
    private async Task<DayBook> OtherwiseAsync(LoadedTenure kept, DateOnly today, CancellationToken cancel)
    {
        var book = kept.Book;
        if (
            book is not { UnderWay: null, Otherwise: { } other }
            || (other.IsDecided && book.Planned.OfType<PayMissed>().Any())
        )
        {
            return book;
        }

        if (other.IsDecided)
        {
            // It could not be used after all: the money goes back.
            var released = await payments.ReleaseAsync(kept.World, other.Hold + "-undo", other.Hold, cancel);
            return released.State == OutcomeState.NoAnswer ? book : book with { Otherwise = null };
        }

        var outcome = await payments.AskAsync(kept.World, other.Hold, voidIfUnsettled: false, today, cancel);
        if (outcome.State == OutcomeState.NeverHappened)
        {
            // A late request can hold nothing any more.
            outcome = await payments.AskAsync(kept.World, other.Hold, voidIfUnsettled: true, today, cancel);
        }

        return outcome.State switch
        {
            OutcomeState.Done => DayKeeper.PaidWithHeld(
                kept.Tenure,
                book,
                today > kept.Tenure.Start ? today : kept.Tenure.Start.AddDays(1)
            ),
            OutcomeState.Refused or OutcomeState.NeverHappened => book with { Otherwise = null },
            OutcomeState.Pending => book with
            {
                Otherwise = other with { Page = outcome.Pending?.Page, Until = outcome.Pending?.Until },
            },
            _ => book,
        };
    }

    private Uri Page(LoadedTenure kept) => new(open.For(kept.Order), $"/sites/{kept.Order.SiteId}/upkeep");

    private static Guid IdOf(LoadedTenure kept, string what) =>
        new(
            SHA256
                .HashData(
                    Encoding.UTF8.GetBytes(
                        string.Create(
                            CultureInfo.InvariantCulture,
                            $"{kept.Row.WorkspaceId:N} {kept.Order.Id:N} upkeep {what}"
                        )
                    )
                )
                .AsSpan(0, 16)
        );
}
