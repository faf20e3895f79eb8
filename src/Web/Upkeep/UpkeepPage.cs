using System.Collections.Immutable;
using HomeStart.Data;
using HomeStart.Formats.Upkeep;
using HomeStart.Web.Session;
using HomeStart.Web.Work;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Upkeep;

/// <summary>Puts together what the page of upkeep shows.</summary>
public sealed class UpkeepPage(
    TenureDesk desk,
    Workspace workspace,
    HomeStartDb db,
    IRegistrar registrar,
    CalendarAddress calendar,
    WorkBell bell
)
{
    /// <summary>So long after it was registered a holder may still be asked to confirm an address.</summary>
    private const int ConfirmingDays = 60;

    public async Task<UpkeepPageWire> OfAsync(Guid siteId, int horizonMonths, CancellationToken cancel)
    {
        var today = await workspace.BusinessDateAsync(cancel);
        // Before what is had: an order that is delivered between the two is followed for a moment longer, and none is
        // missed.
        var placed = (await db.Orders.AsNoTracking().Where(row => row.SiteId == siteId).ToListAsync(cancel)).ConvertAll(
            row => Documents.Read<Order>(row.Document)
        );
        if (await desk.OpenAsync(cancel))
        {
            bell.Ring<DayWork>(new WorkKey(workspace.Id));
        }

        var all = await desk.ListAsync(null, cancel);
        var (tenures, next) = (new List<TenureWire>(), (DateOnly?)null);
        foreach (var kept in all.Where(kept => kept.Order.SiteId == siteId))
        {
            var outlook = await desk.OutlookAsync(kept, horizonMonths, cancel);
            var notices = OwnerNotices.ListAll(
                outlook,
                kept.Book.Payer.Expires,
                await UnconfirmedAsync(kept, today, cancel)
            );
            tenures.Add(
                UpkeepPageWriter.Write(
                    outlook,
                    kept.Order.Reference,
                    kept.Name,
                    kept.Row.Version,
                    IsBehind(kept, today),
                    notices
                )
            );
            next = new[] { next, NextEvent(outlook, notices) }.Min();
        }

        return new UpkeepPageWire(
            today,
            today.AddDays(1),
            workspace.RealDay,
            horizonMonths,
            Furthest(all, today),
            all.Any(kept => IsBehind(kept, today)),
            next,
            tenures,
            Named(placed.Where(order => order.State is not (OrderState.Completed or OrderState.Cancelled))),
            Named(placed.Where(order => order is { State: OrderState.Completed, Bought: null, ClaimOf: null })),
            new RemindersWire([.. await workspace.RemindDaysAsync(cancel)], await calendar.OfAsync(cancel))
        );
    }

    private static List<NamedOrderWire> Named(IEnumerable<Order> orders) =>
        [.. orders.Select(order => new NamedOrderWire(order.Id, order.Reference))];

    /// <summary>Whether what fell due is still being carried out.</summary>
    public static bool IsBehind(LoadedTenure kept, DateOnly today) =>
        kept.Book.UnderWay is not null
        || (
            kept.Row.WaitsFor <= today.DayNumber
            && (kept.Book.Otherwise is null or { IsDecided: true } || kept.Book.ClosedTo < today.AddDays(-1))
        );

    /// <summary>As far as the clock can be moved on: ten years after the order that was placed first.</summary>
    public static DateOnly Furthest(IReadOnlyList<LoadedTenure> all, DateOnly today) =>
        all.Count == 0 ? today.AddMonths(Years.Longest) : all.Min(kept => kept.Tenure.Last);

    // A day on which something falls due passes when the clock goes past it; before that the owner can still decide.
    private static DateOnly? NextEvent(Outlook outlook, ImmutableArray<Notice> notices)
    {
        var days = outlook
            .Coming.Select(happening => happening.On)
            .Concat(notices.Select(notice => notice.On))
            .Where(day => day >= outlook.Today)
            .ToList();
        return days.Count == 0 ? null
            : days.Contains(outlook.Today) ? outlook.Today.AddDays(1)
            : days.Min();
    }

    private async Task<IReadOnlyDictionary<string, DateOnly>> UnconfirmedAsync(
        LoadedTenure kept,
        DateOnly today,
        CancellationToken cancel
    )
    {
        var unconfirmed = new Dictionary<string, DateOnly>(StringComparer.Ordinal);
        if (kept.Order.There is null && today <= kept.Order.PlacedOn.AddDays(ConfirmingDays))
        {
            foreach (
                var domain in kept.Order.Things.Domains.Where(domain =>
                    domain is { Route: DomainRoute.Register, Name: not null }
                )
            )
            {
                if (
                    await registrar.HolderAsync(kept.World, domain.Book, domain.Name!, cancel) is
                    { IsConfirmed: false } check
                )
                {
                    unconfirmed[domain.Name!.Text] = check.Until;
                }
            }
        }

        return unconfirmed;
    }
}
