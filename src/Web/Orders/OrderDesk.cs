using System.Collections.Immutable;
using HomeStart.Data;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;
using HomeStart.Web.Accounts;
using HomeStart.Web.Mail;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using HomeStart.Web.Work;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Orders;

/// <summary>A visitor's orders: placing one, finding it, deciding about it.</summary>
public sealed class OrderDesk(
    Workspace workspace,
    HomeStartDb db,
    AgreedOrder agreed,
    HandingIn handing,
    AccountDesk accounts,
    Outbox outbox,
    WorkBell bell,
    OpenAddress open,
    TimeProvider time
)
{
    private static readonly TimeSpan JustPlaced = TimeSpan.FromDays(1);

    public Task<OrderRow?> FindAsync(Guid id, CancellationToken cancel) =>
        db.Orders.SingleOrDefaultAsync(row => row.Id == id, cancel);

    public async Task<IReadOnlyList<Order>> ListAsync(CancellationToken cancel) =>
        [.. (await RowsAsync(cancel)).Select(row => Documents.Read<Order>(row.Document))];

    /// <summary>
    /// Places an order from what the owner saw; null, with the reasons, where that is not so any more or cannot be
    /// ordered. The same id places once, however often and however close together it comes.
    /// </summary>
    public async Task<Order?> PlaceAsync(
        VersionedSite versioned,
        PlaceOrder wanted,
        FaultList faults,
        CancellationToken cancel
    )
    {
        if (await FindAsync(wanted.Id, cancel) is { } before)
        {
            return Documents.Read<Order>(before.Document);
        }

        var today = await workspace.BusinessDateAsync(cancel);
        if (!await CheckConfirmedAsync(wanted.Contact.Mail, "contact.mail", faults, cancel))
        {
            return null;
        }

        var (things, terms, costing) = await agreed.ThingsAsync(versioned, wanted, today, faults, cancel) ?? default;
        var (logIn, card, quotes) = (default(ChosenLogIn), default(KnownCard), ImmutableArray<Quote>.Empty);
        if (
            things is not null
            && !await IsRepeatedAsync(versioned, wanted, things, faults, cancel)
            && await agreed.QuotedAsync(versioned, wanted, things, costing, faults, cancel) is var (quoted, given)
        )
        {
            (things, quotes) = (quoted, given);
            await agreed.CheckNamesAsync(versioned, wanted, things, faults, cancel);
            things = await handing.PaidAsync(things, wanted, faults, cancel);
            things = await handing.WithTransfersAsync(things, wanted, faults, cancel);
            logIn = await handing.LogInAsync(things, wanted, faults, cancel);
            card = wanted.Card is null ? null : await handing.CardAsync(wanted.Card, "card", faults, cancel);
        }

        if (things is null || faults.Any)
        {
            // The same placement may have come through meanwhile: its own order is then what stands in its way.
            return await FindAsync(wanted.Id, cancel) is { } meanwhile
                ? Documents.Read<Order>(meanwhile.Document)
                : null;
        }

        return await StoredAsync(
            OrderFlow.Planned(
                new Order(wanted.Id, versioned.Row.Id, wanted.Letter, today, wanted.Contact, things)
                {
                    Secret = Guid.NewGuid(),
                    CardToken = wanted.Card,
                    CardEnding = card?.Ending,
                    Quotes = [.. quotes.Select(quote => new AgreedQuote(quote.Book, quote.Id, quote.Total))],
                    Terms = [.. terms],
                    LogIn = logIn,
                    Holder = wanted.Holder,
                    EndingAt = [.. wanted.EndingAt],
                    OpenAt = open.Now,
                    Bought = await agreed.BoughtAsync(versioned.Site, wanted, cancel),
                }
            ),
            cancel,
            mayBeStored: async () => !await IsRepeatedAsync(versioned, wanted, things, faults, cancel)
        );
    }

    /// <summary>Reports a mail address that is not the one the visitor confirmed.</summary>
    /// <param name="where">The field it was typed in.</param>
    public async Task<bool> CheckConfirmedAsync(string mail, string where, FaultList faults, CancellationToken cancel)
    {
        var isConfirmed = string.Equals(
            (await accounts.PresentAsync(cancel))?.Email,
            mail,
            StringComparison.OrdinalIgnoreCase
        );
        if (!isConfirmed)
        {
            faults.Say(
                FaultCodes.Unconfirmed,
                where,
                "Confirm this mail address first: a code is mailed to it, and the mails about your order go there."
            );
        }

        return isConfirmed;
    }

    /// <summary>Looks again at what an order waits for outside.</summary>
    public void Look(OrderRow row) => bell.Ring<OrderWork>(new WorkKey(row.WorkspaceId, row.Id));

    /// <summary>Changes an order by the owner's decision, and goes on with it.</summary>
    public async Task<Order> DecideAsync(OrderRow row, Func<Order, Order> decision, CancellationToken cancel)
    {
        while (true)
        {
            var before = Documents.Read<Order>(row.Document);
            var decided = decision(before);
            if (decided == before)
            {
                return decided;
            }

            OutboxRow? letter = null;
            try
            {
                await OrderWork.StoreAsync(db, row, decided, cancel);
                letter = outbox.Tell(row.WorkspaceId, before.State, decided, row.Version);
                await db.SaveDurablyAsync(cancel);
                bell.Ring<OrderWork>(new WorkKey(row.WorkspaceId, row.Id));
                bell.Ring<MailWork>();
                return decided;
            }
            catch (DbUpdateConcurrencyException)
            {
                if (letter is not null)
                {
                    db.Entry(letter).State = EntityState.Detached;
                }

                await db.Entry(row).ReloadAsync(cancel); // It went on meanwhile: the decision is about what it is now.
            }
        }
    }

    /// <summary>
    /// Stores an order and goes on with it; the one that is there already where the same came twice at once; null where
    /// the domain-year it claims was claimed at the same moment.
    /// </summary>
    /// <param name="claimed">The number of the domain-year it takes, in the same step; null: none.</param>
    /// <param name="mayBeStored">What must hold at that moment, with nothing stored in between.</param>
    public async Task<Order?> StoredAsync(
        Order order,
        CancellationToken cancel,
        int? claimed = null,
        Func<Task<bool>>? mayBeStored = null
    )
    {
        await workspace.EnsureStoredAsync(cancel);
        var row = db.Orders.Add(
            new OrderRow
            {
                Id = order.Id,
                WorkspaceId = workspace.Id,
                SiteId = order.SiteId,
                PlacedAt = time.GetUtcNow(),
                IsOpen = true,
                Document = Documents.Write(order),
                BookHashes = string.Join(' ', workspace.BookHashes),
            }
        );
        if (claimed is { } number)
        {
            db.ClaimedAllowances.Add(
                new ClaimedAllowanceRow
                {
                    WorkspaceId = workspace.Id,
                    OrderId = order.ClaimOf!.Value,
                    Number = number,
                    ClaimId = order.Id,
                }
            );
        }

        var letter = outbox.Tell(workspace.Id, null, order, version: 0)!;
        try
        {
            if (!await db.SaveDurablyAsync(async () => mayBeStored is null || await mayBeStored(), cancel))
            {
                db.ChangeTracker.Clear();
                return null;
            }
        }
        catch (DbUpdateException exception) when (Sqlite.IsDuplicate(exception))
        {
            db.Entry(letter).State = EntityState.Detached;
            row.State = EntityState.Detached; // The same placement came twice at once.
            db.ChangeTracker.Entries<ClaimedAllowanceRow>()
                .ToList()
                .ForEach(entry => entry.State = EntityState.Detached);
            return await FindAsync(order.Id, cancel) is { } there ? Documents.Read<Order>(there.Document) : null;
        }

        bell.Ring<OrderWork>(new WorkKey(workspace.Id, order.Id));
        bell.Ring<MailWork>();
        return order;
    }

    // Two like orders in a day are more often an accident than a wish.
    private async Task<bool> IsRepeatedAsync(
        VersionedSite versioned,
        PlaceOrder wanted,
        OrderedThings things,
        FaultList faults,
        CancellationToken cancel
    )
    {
        if (wanted.Again)
        {
            return false;
        }

        if (await LikeAsync(versioned.Row.Id, things, wanted.Id, cancel) is not { } like)
        {
            return false;
        }

        faults.Say(
            FaultCodes.Repeated,
            "again",
            $"You placed an order like this one a short while ago: {like.Reference}. Order it again only if you "
                + "want all of it twice."
        );
        return true;
    }

    /// <summary>An order of a site that was placed a short while ago and buys the same; null: none.</summary>
    /// <param name="but">The id of one that does not count.</param>
    public async Task<Order?> LikeAsync(Guid siteId, OrderedThings things, Guid? but, CancellationToken cancel) =>
        (await RowsAsync(cancel))
            .Where(row => row.SiteId == siteId && row.PlacedAt > time.GetUtcNow() - JustPlaced)
            .Select(row => Documents.Read<Order>(row.Document))
            .FirstOrDefault(order =>
                order.Id != but && order.State != OrderState.Cancelled && order.Things.IsLike(things)
            );

    private async Task<List<OrderRow>> RowsAsync(CancellationToken cancel) =>
        [.. (await db.Orders.AsNoTracking().ToListAsync(cancel)).OrderByDescending(row => row.PlacedAt)];
}
