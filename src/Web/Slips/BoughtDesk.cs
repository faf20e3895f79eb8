using System.Collections.Immutable;
using HomeStart.Data;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;
using HomeStart.Web.Orders;
using HomeStart.Web.Session;
using HomeStart.Web.Upkeep;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Slips;

/// <summary>
/// What was bought at the sellers' own pages: an order like any other from then on, but that no counterpart knows of
/// it.
/// </summary>
public sealed class BoughtDesk(
    Workspace workspace,
    HomeStartDb db,
    OrderDesk orders,
    DayRunner runner,
    Startup.OpenAddress open,
    TimeProvider time
)
{
    /// <summary>How long ago something may have been bought, in months.</summary>
    public const int Earliest = 60;

    private const int MostOrders = 100;

    /// <summary>
    /// Notes a candidate that was bought; null, with the reasons, where it cannot be. The same id notes once.
    /// </summary>
    public async Task<Order?> NoteAsync(VersionedSite versioned, Node body, FaultList faults, CancellationToken cancel)
    {
        var (id, letter, today) = (
            body["id"].RequiredText("The id"),
            body["letter"].RequiredText("The letter"),
            await workspace.BusinessDateAsync(cancel)
        );
        if (!Guid.TryParse(id, out var noted) || versioned.Site.Listed(letter) is not { } listed)
        {
            faults.Say(FaultCodes.Unknown, "letter", $"There is no candidate {letter} any more.");
            return null;
        }

        if (await orders.FindAsync(noted, cancel) is { } before)
        {
            return Documents.Read<Order>(before.Document);
        }

        var (on, contact) = (
            ReadDay(body["boughtOn"], today),
            new Contact(body["name"].Text()?.Trim() ?? "", body["mail"].Text()?.Trim() ?? "", "", "", "", "", null)
        );
        if (contact.Name.Length is 0 or > Longest)
        {
            body["name"]
                .Fault(
                    contact.Name.Length == 0 ? FaultCodes.Required : FaultCodes.OutOfRange,
                    contact.Name.Length == 0 ? "Your name is missing." : $"Up to {Longest} characters can be kept."
                );
        }

        if (!Contact.LooksLikeMail(contact.Mail))
        {
            body["mail"]
                .Fault(
                    contact.Mail.Length == 0 ? FaultCodes.Required : FaultCodes.BadType,
                    contact.Mail.Length == 0 ? "Your mail address is missing." : "This is no mail address."
                );
        }

        var settings = (await workspace.CountAsync(versioned.Site.Settings, cancel)) with { StartDate = on ?? today };
        if (Worksheet.CostingOf(listed.Candidate, workspace.Books, settings) is not { } costing)
        {
            faults.Say(
                FaultCodes.Required,
                "letter",
                $"Candidate {letter} is not complete: choose what is missing on the worksheet, as you bought it."
            );
            return null;
        }

        var there = BoughtThereReader.Read(
            body,
            [.. costing.Run.Purchase.Books.Where(costing.Run.Purchase.BuysAt)],
            today
        );
        if (
            faults.Any
            || there is null
            || !await orders.CheckConfirmedAsync(contact.Mail, "mail", faults, cancel)
            || await IsFullAsync(faults, cancel)
        )
        {
            return null;
        }

        var things = Placing.There(costing);
        if (
            (await orders.ListAsync(cancel)).FirstOrDefault(order =>
                order.There is not null && order.PlacedOn == on && order.Things.IsLike(things)
            ) is
            { } like
        )
        {
            faults.Say(
                FaultCodes.Repeated,
                "boughtOn",
                $"You noted this already, as {like.Reference}. Change what you told there, or take it away first."
            );
            return null;
        }

        var bought = new Bought(
            listed.Candidate,
            versioned.Site.Settings,
            settings.Customer.Of is { } of ? [.. of] : []
        );
        return await StoredAsync(
            new Order(noted, versioned.Row.Id, letter!, on!.Value, contact, things)
            {
                State = OrderState.Completed,
                Secret = Guid.NewGuid(),
                Bought = bought,
                There = there,
                OpenAt = open.Now,
            },
            faults,
            cancel
        );
    }

    /// <summary>Tells it anew; null, with the reasons, where it cannot be.</summary>
    public async Task<Order?> ChangeAsync(OrderRow row, Node body, FaultList faults, CancellationToken cancel)
    {
        var order = Documents.Read<Order>(row.Document);
        ImmutableArray<string> books = [.. order.There!.Receipts.Select(receipt => receipt.Book)];
        if (
            BoughtThereReader.Read(
                body,
                [.. workspace.PlacedFrom(row).Where(book => books.Contains(book.Id))],
                order.There.NotedOn
            )
            is not { } there
        )
        {
            return null;
        }

        var changed = await orders.DecideAsync(row, now => now with { There = there }, cancel);
        await ToldAsync(changed, cancel);
        return changed;
    }

    /// <summary>Takes away what was noted by mistake, with its day book and what is kept with it.</summary>
    public async Task ForgetAsync(Order order, CancellationToken cancel)
    {
        var (orderId, there) = (order.Id, order.There!);
        var elsewhere = (await orders.ListAsync(cancel))
            .Where(other => other.Id != orderId && other.State == OrderState.Completed)
            .SelectMany(other => other.Things.Payments.Select(payment => payment.Book))
            .ToHashSet();
        List<string> strangers =
        [
            .. there.Receipts.Select(receipt => receipt.Book).Where(book => !elsewhere.Contains(book)),
        ];
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await db.KeptFiles.Where(file => file.OrderId == orderId).ExecuteDeleteAsync(cancel);
        await db.DayBooks.Where(book => book.OrderId == orderId).ExecuteDeleteAsync(cancel);
        await db.Orders.Where(row => row.Id == orderId).ExecuteDeleteAsync(cancel);

        // Who bought nothing there is a new customer again, unless the seller knew them before.
        await db
            .Customers.Where(row => strangers.Contains(row.BookId) && row.Since >= there.NotedOn)
            .ExecuteDeleteAsync(cancel);
        await transaction.CommitAsync(cancel);
    }

    private const int Longest = 120;

    private static DateOnly? ReadDay(Node node, DateOnly today)
    {
        if (node.IsAbsent)
        {
            node.Required("The day");
            return null;
        }

        var day = node.Date();
        if (day is not null && (day > today || day < today.AddMonths(-Earliest)))
        {
            node.Fault(
                FaultCodes.OutOfRange,
                $"Choose the day you bought it: not after {UpkeepWords.Day(today)}, and within the last "
                    + $"{Earliest / 12} years."
            );
        }

        return day;
    }

    private async Task<bool> IsFullAsync(FaultList faults, CancellationToken cancel)
    {
        if (await db.Orders.CountAsync(cancel) < MostOrders)
        {
            return false;
        }

        faults.Say(FaultCodes.OutOfRange, "", $"There are {MostOrders} orders here already, and no more can be noted.");
        return true;
    }

    private async Task<Order?> StoredAsync(Order order, FaultList faults, CancellationToken cancel)
    {
        await workspace.EnsureStoredAsync(cancel);
        var row = db.Orders.Add(
            new OrderRow
            {
                Id = order.Id,
                WorkspaceId = workspace.Id,
                SiteId = order.SiteId,
                PlacedAt = time.GetUtcNow(),
                IsOpen = false,
                Document = Documents.Write(order),
                BookHashes = string.Join(' ', workspace.BookHashes),
            }
        );
        try
        {
            if (!await db.SaveDurablyAsync(async () => !await IsFullAsync(faults, cancel), cancel))
            {
                row.State = EntityState.Detached;
                return null;
            }
        }
        catch (DbUpdateException exception) when (Sqlite.IsDuplicate(exception))
        {
            row.State = EntityState.Detached; // The same came twice at once.
            return Documents.Read<Order>((await orders.FindAsync(order.Id, cancel))!.Document);
        }

        foreach (var seller in order.There!.Receipts)
        {
            await workspace.BeCustomerAsync(seller.Book, cancel);
        }

        await db.SaveChangesAsync(cancel);
        await runner.PlayForAWhileAsync(workspace.Id, ClockEndpoints.Patience, cancel);
        return order;
    }

    // What was paid on the day, and until when the card is good, stands in the day book too, once there is one.
    private async Task ToldAsync(Order order, CancellationToken cancel)
    {
        while (await db.DayBooks.SingleOrDefaultAsync(row => row.OrderId == order.Id, cancel) is { } row)
        {
            var book = Documents.Read<DayBook>(row.Document);
            row.Document = Documents.Write(
                ChargeConfirmations.Paid(
                    book with
                    {
                        Payer = book.Payer with { Expires = order.There!.CardExpires },
                    },
                    order.There.Receipts.Select(receipt => (receipt.Book, receipt.Paid)),
                    order.PlacedOn
                )
            );
            row.Version++;
            try
            {
                await db.SaveDurablyAsync(cancel);
                return;
            }
            catch (DbUpdateConcurrencyException)
            {
                await db.Entry(row).ReloadAsync(cancel);
            }
        }
    }
}
