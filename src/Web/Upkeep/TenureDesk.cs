using HomeStart.Data;
using HomeStart.Web.Books;
using HomeStart.Web.Orders;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Upkeep;

/// <summary>What was bought with an order, with its day book.</summary>
/// <param name="Row">Of the day book.</param>
public sealed record LoadedTenure(Order Order, World World, DayBookRow Row, DayBook Book, Tenure Tenure)
{
    /// <summary>What it is for: its domain, else its plan.</summary>
    public string Name =>
        (Order.Things.Domains.FirstOrDefault()?.Name ?? Order.Things.Hosting?.Address)?.Text
        ?? Order.Things.Hosting?.PlanName
        ?? Order.Reference;

    /// <summary>With a newer day book in its row. The caller saves.</summary>
    public LoadedTenure With(DayBook book, DateOnly? waitsFor)
    {
        Row.Document = Documents.Write(book);
        Row.WaitsFor = waitsFor?.DayNumber ?? int.MaxValue;
        Row.Version++;
        return this with { Book = book };
    }
}

/// <summary>Finds what is had of a visitor's orders.</summary>
public sealed class TenureDesk(OrderDesk orders, Workspace workspace, Shelf shelf, HomeStartDb db)
{
    public static NotFoundProblem Missing() =>
        new NotFoundProblem("There is no such order here that is delivered and looked after.");

    /// <summary>What is had of an order; null: nothing was delivered, or what it was made of is not known.</summary>
    public async Task<LoadedTenure?> FindAsync(Guid orderId, CancellationToken cancel) =>
        await db.DayBooks.SingleOrDefaultAsync(row => row.OrderId == orderId, cancel) is { } row
        && await orders.FindAsync(orderId, cancel) is { } order
            ? KeptOf(order, row)
            : null;

    /// <summary>All that is had, the order that was placed first first.</summary>
    public async Task<IReadOnlyList<LoadedTenure>> ListAsync(Guid? siteId, CancellationToken cancel)
    {
        var rows = await db.DayBooks.ToListAsync(cancel);
        var placed = await db.Orders.AsNoTracking().ToListAsync(cancel);
        return
        [
            .. placed
                .Where(order => siteId is null || order.SiteId == siteId)
                .OrderBy(order => order.PlacedAt)
                .Select(order => rows.Find(row => row.OrderId == order.Id) is { } row ? KeptOf(order, row) : null)
                .OfType<LoadedTenure>(),
        ];
    }

    /// <summary>
    /// Opens the day books of what was delivered meanwhile, and notes down what was claimed; whether there was
    /// anything.
    /// </summary>
    public async Task<bool> OpenAsync(CancellationToken cancel)
    {
        var rows = await db.DayBooks.ToListAsync(cancel);
        var placed = (await db.Orders.AsNoTracking().ToListAsync(cancel))
            .Select(row => (Row: row, Order: Documents.Read<Order>(row.Document)))
            .Where(pair => pair.Order.State == OrderState.Completed)
            .ToList();
        foreach (
            var (row, order) in placed.Where(pair =>
                pair.Order.Bought is not null && rows.TrueForAll(known => known.OrderId != pair.Row.Id)
            )
        )
        {
            if (TenureOf(row, order) is { } tenure)
            {
                var book = order.There is { } there
                    ? ChargeConfirmations.Paid(
                        DayKeeper.OpenedThere(tenure, order.Id, Guid.NewGuid(), there.CardExpires, there.NotedOn),
                        there.Receipts.Select(receipt => (receipt.Book, receipt.Paid)),
                        order.PlacedOn
                    )
                    : DayKeeper.Opened(
                        tenure,
                        order.Id,
                        Guid.NewGuid(),
                        new PaidBy(
                            order.CardToken,
                            order.CardEnding,
                            order.Things.Payments.Any(payment => payment.Ways.Contains(PayWay.Wallet))
                        ),
                        order.EndingAt
                    );
                rows.Add(
                    db.DayBooks.Add(
                        new DayBookRow
                        {
                            WorkspaceId = row.WorkspaceId,
                            OrderId = row.Id,
                            Document = Documents.Write(book),
                        }
                    ).Entity
                );
            }
        }

        foreach (var (_, claim) in placed.Where(pair => pair.Order.ClaimOf is not null))
        {
            if (
                rows.Find(row => row.OrderId == claim.ClaimOf) is { } row
                && await orders.FindAsync(row.OrderId, cancel) is { } parent
                && KeptOf(parent, row) is { } kept
            )
            {
                Claimed(kept, claim);
            }
        }

        try
        {
            return await db.SaveChangesAsync(cancel) > 0;
        }
        catch (DbUpdateException exception)
            when (exception is DbUpdateConcurrencyException || Sqlite.IsDuplicate(exception))
        {
            db.ChangeTracker.Clear(); // Whoever looked at the same moment did it.
            return true;
        }
    }

    // What is claimed with an order of its own is a decision of the one it came with.
    private static void Claimed(LoadedTenure kept, Order claim)
    {
        if (
            claim.Things.Domains is not [{ Name: { } name } domain, ..]
            || kept.Book.Decisions.OfType<ClaimDomain>().Any(known => known.Domain.Domain == name)
        )
        {
            return;
        }

        var first = new[] { claim.PlacedOn, kept.Tenure.Start.AddDays(1), kept.Book.ClosedTo.AddDays(1) }.Max();
        var dot = name.Text.IndexOf('.', StringComparison.Ordinal);
        var choice = new DomainChoice(DomainRoute.Register)
        {
            Book = domain.Book,
            Name = name.Text[..dot],
            Ending = name.Text[(dot + 1)..],
            Years = domain.Years,
        };
        kept.With(kept.Book.With(new ClaimDomain(first, choice)), first);
    }

    /// <summary>How it stands on the business date, and what is to come over the horizon of its site.</summary>
    public async Task<Outlook> OutlookAsync(LoadedTenure kept, int horizonMonths, CancellationToken cancel)
    {
        var today = await workspace.BusinessDateAsync(cancel);
        return new Outlook(
            kept.Tenure,
            kept.Book,
            today > kept.Tenure.Start ? today : kept.Tenure.Start,
            horizonMonths
        );
    }

    private LoadedTenure? KeptOf(OrderRow order, DayBookRow row)
    {
        var placed = Documents.Read<Order>(order.Document);
        return TenureOf(order, placed) is { } tenure
            ? new LoadedTenure(
                placed,
                new World(order.WorldId),
                row,
                DayKeeper.Restored(tenure, Documents.Read<DayBook>(row.Document)),
                tenure
            )
            : null;
    }

    private Tenure? TenureOf(OrderRow row, Order order)
    {
        var bought = order.Bought!.Without(order.Missed);
        return Tenure
            .Begin(
                bought.Candidate,
                shelf.PlacedFrom(row.BookHashes),
                bought.CountedFrom(order.PlacedOn),
                new FaultList()
            )
            .Value;
    }
}
