using HomeStart.Data;
using HomeStart.Formats.Json;
using HomeStart.Formats.Upkeep;
using HomeStart.Formats.Words;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using HomeStart.Web.Startup;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Upkeep;

/// <summary>Makes decisions about what is had, and has them carried out.</summary>
public sealed class DecisionDesk(
    TenureDesk desk,
    SiteDesk sites,
    Workspace workspace,
    HomeStartDb db,
    DayRunner runner,
    IPaymentProcessor payments,
    LaterQuotes quotes,
    OpenAddress open
)
{
    /// <summary>How many decisions can be made about one order.</summary>
    private const int MostDecisions = 500;

    /// <summary>What is had of an order, and how it stands; null: there is no such order.</summary>
    public async Task<(LoadedTenure Kept, Outlook Outlook)?> OutlookAsync(Guid orderId, CancellationToken cancel)
    {
        if (await desk.FindAsync(orderId, cancel) is not { } kept)
        {
            return null;
        }

        var months = await sites.FindAsync(kept.Order.SiteId, cancel) is { Site.Settings.HorizonMonths: var horizon }
            ? horizon
            : 36;
        return (kept, await desk.OutlookAsync(kept, months, cancel));
    }

    /// <summary>
    /// Reads a decision of the owner's; null with the faults. The card and names to claim have ways of their own.
    /// </summary>
    public static Decision? Read(Node node, Outlook outlook)
    {
        var decision = UpkeepRequestReader.Decision(
            node,
            outlook.DecidingOn.AddDays(-1),
            outlook.Tenure.Last,
            [.. outlook.Tenure.Books]
        );
        if (decision is SetCard or ClaimDomain && !outlook.Book.Payer.AtTheSellers)
        {
            node["do"].Fault(FaultCodes.Unknown, "Give another card, or claim a name, by their own ways.");
            return null;
        }

        return decision;
    }

    /// <summary>With another card; where the one before did not work, this one is taken to.</summary>
    public static DayBook WithCard(DayBook book, Outlook outlook, PaidBy payer)
    {
        var with = book with { Payer = payer };
        return outlook.Now.CardWorks ? with : with.With(new SetCard(outlook.DecidingOn, Works: true));
    }

    /// <summary>What to say where the owner saw something else than there is now; null: they saw it.</summary>
    public async Task<ConflictProblem?> StaleAsync(
        LoadedTenure kept,
        int seen,
        CancellationToken cancel,
        bool whileBehind = false
    ) =>
        seen != kept.Row.Version
        || (!whileBehind && UpkeepPage.IsBehind(kept, await workspace.BusinessDateAsync(cancel)))
            ? WentOn()
            : null;

    private static ConflictProblem WentOn() =>
        new ConflictProblem("This went on meanwhile: look at how it stands now, and decide again.");

    /// <summary>
    /// Changes a day book by the owner's decision, and has what is to happen at once carried out; what to say where it
    /// could not be changed, else null.
    /// </summary>
    /// <param name="seen">The version the owner saw.</param>
    /// <param name="on">The day it is to be carried out on; null: nothing is.</param>
    /// <param name="whileBehind">Whether it can be made while earlier days are still being carried out.</param>
    public async Task<ConflictProblem?> ChangeAsync(
        LoadedTenure kept,
        int seen,
        Func<DayBook, DayBook> change,
        DateOnly? on,
        CancellationToken cancel,
        bool whileBehind = false
    )
    {
        if (await StaleAsync(kept, seen, cancel, whileBehind) is { } stale)
        {
            return stale;
        }

        var book = change(kept.Book);
        if (book.Decisions.Length > MostDecisions)
        {
            return new ConflictProblem(
                $"{MostDecisions} decisions were made about this order, and no more can be kept."
            );
        }

        if (await SaveAsync(kept, book, cancel, on ?? await workspace.BusinessDateAsync(cancel)) is { } meanwhile)
        {
            return meanwhile;
        }

        await runner.PlayForAWhileAsync(workspace.Id, ClockEndpoints.Patience, cancel);
        return null;
    }

    /// <summary>
    /// Stores a day book in place of the one that was seen; what to say where it went on meanwhile, else null.
    /// </summary>
    /// <param name="waitsFor">Null: what it waits for is as before.</param>
    public async Task<ConflictProblem?> SaveAsync(
        LoadedTenure kept,
        DayBook book,
        CancellationToken cancel,
        DateOnly? waitsFor = null
    )
    {
        kept.With(
            book,
            waitsFor ?? (kept.Row.WaitsFor == int.MaxValue ? null : DateOnly.FromDayNumber(kept.Row.WaitsFor))
        );
        try
        {
            await db.SaveDurablyAsync(cancel);
            return null;
        }
        catch (DbUpdateConcurrencyException)
        {
            return WentOn();
        }
    }

    /// <summary>
    /// Pays what is missing for something: by the card, from the balance with its seller, or against an invoice. What
    /// to say where it went on meanwhile, else null: it is paid, or the faults say why not.
    /// </summary>
    public async Task<ConflictProblem?> PayAsync(
        LoadedTenure kept,
        Outlook outlook,
        string holding,
        PayWay way,
        FaultList faults,
        CancellationToken cancel
    )
    {
        if (
            outlook.Now.Holding(holding) is not { } held
            || Return.Paying(outlook, held, outlook.DecidingOn) is not { } back
        )
        {
            faults.Say(FaultCodes.Unavailable, "holding", "There is nothing to pay for it, or it is too late.");
            return null;
        }

        if (way == PayWay.Card || kept.Book.Payer.AtTheSellers)
        {
            return await ChangeAsync(
                kept,
                kept.Row.Version,
                book =>
                    (outlook.Now.CardWorks ? book : book.With(new SetCard(outlook.DecidingOn, Works: true))).With(
                        new PayMissed(outlook.DecidingOn, holding)
                    ),
                outlook.DecidingOn,
                cancel
            );
        }

        // One thing at a time is paid otherwise: the money of an invoice that is under way must not be lost sight of.
        if (kept.Book.Otherwise is not null || await StaleAsync(kept, kept.Row.Version, cancel) is not null)
        {
            return WentOn();
        }

        var (bookId, word) = (outlook.Now.Books[holding], way.ToString().ToLowerInvariant());
        var (quote, refusal) = await quotes.ForMissedAsync(
            kept,
            bookId,
            outlook.DecidingOn,
            new PayMissed(outlook.DecidingOn, holding),
            outlook.Now.CardWorks,
            cancel
        );
        if (quote?.Amount != back.Cost)
        {
            faults.Say(
                FaultCodes.Unavailable,
                "way",
                quote is not null
                    ? $"The seller asks for {quote.Amount}, where {back.Cost} is due by what was agreed. Nothing "
                        + "was charged."
                    : refusal ?? "The seller did not answer. Nothing was charged; try again in a while."
            );
            return null;
        }

        var paying = new PaidOtherwise(
            holding,
            bookId,
            word,
            $"{kept.Book.Secret:N}-pay-{Guid.NewGuid():N}",
            back.Cost,
            outlook.DecidingOn,
            null,
            null
        );
        var request = new PaymentRequest(
            quote.Id,
            word,
            null,
            back.Cost,
            bookId,
            kept.Tenure.Book(bookId).Provider.Name,
            $"{kept.Order.Reference}-U{kept.Book.Lines.Length}",
            new Uri(open.Now, $"/sites/{kept.Order.SiteId}/upkeep"),
            outlook.Today
        );

        // In one turn: a day that passed between the two would find a hold that nobody has asked for, and void it.
        var (meanwhile, outcome) = await runner.AloneAsync(
            workspace.Id,
            async () =>
                await SaveAsync(kept, kept.Book with { Otherwise = paying }, cancel, outlook.Today) is { } overtaken
                    ? (overtaken, null)
                    : ((ConflictProblem?)null, await payments.HoldAsync(kept.World, paying.Hold, request, cancel)),
            cancel
        );
        if (meanwhile is not null)
        {
            return meanwhile;
        }

        // What came of it is asked for by its key, also after a lost answer.
        await runner.PlayForAWhileAsync(workspace.Id, ClockEndpoints.Patience, cancel);
        if (outcome is { State: OutcomeState.Refused })
        {
            faults.Say(FaultCodes.Unavailable, "way", outcome.Message ?? "It was refused, without a reason.");
        }

        return null;
    }
}
