using HomeStart.Core;
using HomeStart.Data;
using HomeStart.Formats;
using HomeStart.Web.Hosting;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Orders;

/// <summary>A visitor's orders: placing one, finding it, deciding about it.</summary>
public sealed class OrderDesk(Workspace workspace, HomeStartDb db, IRegistrar registrar, Demo demo, OrderQueue queue, TimeProvider time)
{
    public Task<OrderRow?> FindAsync(Guid id, CancellationToken cancel) => db.Orders.SingleOrDefaultAsync(row => row.Id == id, cancel);

    public async Task<IReadOnlyList<Order>> ListAsync(CancellationToken cancel)
    {
        var rows = await db.Orders.AsNoTracking().ToListAsync(cancel);
        return [.. rows.OrderByDescending(row => row.PlacedAt).Select(row => Documents.Read<Order>(row.Document))];
    }

    /// <summary>Places an order from what the owner saw; null, with the reasons, where that is not so any more or cannot be ordered.</summary>
    public async Task<Order?> PlaceAsync(VersionedSite versioned, PlaceOrder wanted, FaultList faults, CancellationToken cancel)
    {
        if (await FindAsync(wanted.Id, cancel) is { } before)
        {
            return Documents.Read<Order>(before.Document);
        }

        var today = await workspace.BusinessDateAsync(cancel);
        if (await AgreedThingsAsync(versioned, wanted, today, faults, cancel) is not { } things)
        {
            return null;
        }

        var order = OrderFlow.Planned(new Order(wanted.Id, versioned.Row.Id, wanted.Letter, today, wanted.Contact, things) { CardToken = wanted.CardToken, CardEnding = wanted.CardEnding });
        await workspace.EnsureStoredAsync(cancel);
        db.Orders.Add(new OrderRow
        {
            Id = order.Id, WorkspaceId = workspace.Id, SiteId = order.SiteId, PlacedAt = time.GetUtcNow(), IsOpen = true, Document = Documents.Write(order),
            BookHashes = string.Join(' ', demo.Files.Select(file => file.Hash)),
        });
        await db.SaveChangesAsync(cancel);
        queue.Add(order.Id);
        return order;
    }

    /// <summary>Changes an order by the owner's decision, and goes on with it.</summary>
    public async Task<Order> DecideAsync(OrderRow row, Func<Order, Order> decision, CancellationToken cancel)
    {
        var before = Documents.Read<Order>(row.Document);
        var decided = decision(before);
        if (decided != before)
        {
            OrderRunner.Store(row, decided);
            await db.SaveChangesAsync(cancel);
            queue.Add(row.Id);
        }

        return decided;
    }

    private async Task<OrderedThings?> AgreedThingsAsync(VersionedSite versioned, PlaceOrder wanted, DateOnly today, FaultList faults, CancellationToken cancel)
    {
        if (versioned.Site.Listed(wanted.Letter) is not { } listed)
        {
            faults.Add(FaultCodes.Unknown, "letter", $"There is no candidate {wanted.Letter} any more.");
            return null;
        }

        var settings = versioned.Site.Settings.On(today);
        if (Worksheet.CostingOf(listed.Candidate, workspace.Books, settings) is not { } costing)
        {
            faults.Add(FaultCodes.Required, "letter", $"Candidate {wanted.Letter} is not complete: choose what is missing on the worksheet.");
            return null;
        }

        if (settings.StartDate != today)
        {
            faults.Add(FaultCodes.BadDate, "startDate", $"This is counted from {settings.StartDate:yyyy-MM-dd}. An order starts on the day it is placed: set the start to today on the worksheet.");
        }

        if (new Money(costing.Totals.DueToday, costing.Currency).ToAmount() != wanted.Today)
        {
            faults.Add(FaultCodes.OutOfRange, "today", "What is due today has changed since you saw it. Look at the new sum before you order.");
        }

        var things = Placing.Of(costing, faults);
        await CheckNameAsync(things?.Domain, listed.Candidate.Domains.FirstOrDefault()?.Premium, faults, cancel);
        return faults.Any ? null : things;
    }

    // Asked once more before any money is held; the registrar has the last word when it registers.
    private async Task CheckNameAsync(OrderedDomain? domain, PremiumPrices? premium, FaultList faults, CancellationToken cancel)
    {
        if (domain is null)
        {
            return;
        }

        var answer = await registrar.CheckAsync(workspace.World, domain.Book, domain.Name, cancel);
        var agreed = premium is null ? answer.State is AvailabilityState.Free or AvailabilityState.Unchecked : answer.State == AvailabilityState.Premium && answer.Register == premium.Register && answer.Renew == premium.Renew;
        if (!agreed)
        {
            faults.Add(FaultCodes.Unavailable, "domain", answer.State switch
            {
                AvailabilityState.Premium => $"{domain.Name} is a premium name and costs more than you saw. Check it again on the domain page.",
                AvailabilityState.Free => $"{domain.Name} is not a premium name any more. Check it again on the domain page.",
                AvailabilityState.Unchecked => $"{domain.Name} could not be checked just now, and a premium name cannot be ordered without. Try again in a while.",
                _ => $"{domain.Name} is not free any more. Nothing was charged; choose another name on the domain page.",
            });
        }
    }
}
