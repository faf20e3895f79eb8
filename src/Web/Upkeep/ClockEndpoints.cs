using System.Collections.Immutable;
using System.Text;
using HomeStart.Data;
using HomeStart.Formats.Exports;
using HomeStart.Formats.Json;
using HomeStart.Formats.Upkeep;
using HomeStart.Formats.Words;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using HomeStart.Web.Startup;
using HomeStart.Web.Work;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Upkeep;

/// <summary>The simulated clock, reminders and the calendar.</summary>
internal static class ClockEndpoints
{
    /// <summary>How long the page waits for days to pass; what takes longer goes on by itself.</summary>
    internal static readonly TimeSpan Patience = TimeSpan.FromSeconds(4);

    private const int MostReminders = 6;
    private const int EarliestReminder = 120;

    public static void MapClock(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/clock", MoveAsync).WithName("moveClock");
        app.MapPut("/api/reminders", RemindAsync).WithName("setReminders");
        app.MapPost("/api/calendar", MakeAsync).WithName("makeCalendarAddress");
        app.MapPost("/api/calendar/withdraw", WithdrawAsync).WithName("withdrawCalendarAddress");
        app.MapGet("/api/calendar/{token}.ics", SubscribedAsync)
            .WithName("subscribedCalendar")
            .Produces(StatusCodes.Status200OK)
            .RequireRateLimiting(Domains.DomainsEndpoints.Limit);
        app.MapGet("/api/sites/{siteId:guid}/upkeep.ics", DownloadAsync)
            .WithName("upkeepCalendar")
            .Produces(StatusCodes.Status200OK);
    }

    private static async Task<Results<NoContent, ConflictProblem, UnprocessableProblem>> MoveAsync(
        JsonBody<MoveClockBody> body,
        StartOptions options,
        Workspace workspace,
        TenureDesk desk,
        DayRunner runner,
        HomeStartDb db,
        CancellationToken cancel
    )
    {
        if (!options.HasCounterparts)
        {
            return new ConflictProblem("The clock here is the real one: days pass by themselves.");
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var (from, to, today) = (node["from"].Date(), node["to"].Date(), await workspace.BusinessDateAsync(cancel));
        await workspace.EnsureStoredAsync(cancel);
        await desk.OpenAsync(cancel);
        if (!faults.Any && from != today)
        {
            return MovedMeanwhile();
        }

        var furthest = UpkeepPage.Furthest(await desk.ListAsync(null, cancel), today);
        if (!faults.Any && (to is null || to <= today || to > furthest))
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "to",
                $"Choose a day after {UpkeepWords.Day(today)}, and not after {UpkeepWords.Day(furthest)}: ten "
                    + "years are as far as is looked ahead."
            );
        }

        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        if (!await MovedAsync(db, workspace, today, to!.Value, cancel))
        {
            return MovedMeanwhile();
        }

        await runner.PlayForAWhileAsync(workspace.Id, Patience, cancel);
        return TypedResults.NoContent();
    }

    private static ConflictProblem MovedMeanwhile() =>
        new ConflictProblem("The clock was moved meanwhile, perhaps in another window. Look at the day it shows now.");

    // Only from the day that was seen: of two that move it at once, one does.
    private static async Task<bool> MovedAsync(
        HomeStartDb db,
        Workspace workspace,
        DateOnly from,
        DateOnly to,
        CancellationToken cancel
    )
    {
        var seen = from.DayNumber - workspace.RealDay.DayNumber;
        return await db
                .Workspaces.Where(row => row.DaysAhead == seen)
                .ExecuteUpdateAsync(
                    set => set.SetProperty(row => row.DaysAhead, to.DayNumber - from.DayNumber + seen),
                    cancel
                ) == 1;
    }

    private static async Task<Results<NoContent, UnprocessableProblem>> RemindAsync(
        JsonBody<RemindDaysBody> body,
        Workspace workspace,
        HomeStartDb db,
        WorkBell bell,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        List<int?> days = [.. new Node(body.Root, "", faults)["days"].Items().Select(node => node.Whole())];
        if (!faults.Any && (days.Count > MostReminders || days.Exists(day => day is null or < 1 or > EarliestReminder)))
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "days",
                $"Up to {MostReminders} reminders, each 1 to {EarliestReminder} days before."
            );
        }

        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        await workspace.EnsureStoredAsync(cancel);
        var written = string.Join(' ', days.Distinct().OrderDescending());
        await db.Workspaces.ExecuteUpdateAsync(set => set.SetProperty(row => row.RemindDays, written), cancel);
        // What they wait for is worked out anew.
        await db.DayBooks.ExecuteUpdateAsync(set => set.SetProperty(row => row.WaitsFor, 0), cancel);
        bell.Ring<DayWork>(new WorkKey(workspace.Id));
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> MakeAsync(CalendarAddress calendar, CancellationToken cancel)
    {
        await calendar.MakeAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> WithdrawAsync(CalendarAddress calendar, CancellationToken cancel)
    {
        await calendar.WithdrawAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> SubscribedAsync(
        string token,
        CalendarAddress calendar,
        IServiceProvider services,
        CancellationToken cancel
    ) =>
        await calendar.EnterAsync(token, cancel)
            ? await CalendarAsync(
                null,
                services.GetRequiredService<TenureDesk>(),
                services.GetRequiredService<Workspace>(),
                services.GetRequiredService<SiteDesk>(),
                cancel
            )
            : new NotFoundProblem("There is no such calendar, or its address was withdrawn.");

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> DownloadAsync(
        Guid siteId,
        TenureDesk desk,
        Workspace workspace,
        SiteDesk sites,
        CancellationToken cancel
    ) =>
        await sites.FindAsync(siteId, cancel) is null
            ? SiteDesk.Missing()
            : await CalendarAsync(siteId, desk, workspace, sites, cancel);

    private static async Task<FileContentHttpResult> CalendarAsync(
        Guid? siteId,
        TenureDesk desk,
        Workspace workspace,
        SiteDesk sites,
        CancellationToken cancel
    )
    {
        var days = new List<(Outlook, string, ImmutableArray<Foreseen>)>();
        foreach (var kept in await desk.ListAsync(siteId, cancel))
        {
            var outlook = await desk.OutlookAsync(
                kept,
                await sites.FindAsync(kept.Order.SiteId, cancel) is { Site.Settings.HorizonMonths: var months }
                    ? months
                    : 36,
                cancel
            );
            days.Add(
                (
                    outlook,
                    kept.Name,
                    Foreseen.ListAll(
                        outlook,
                        OwnerNotices.ListAll(
                            outlook,
                            kept.Book.Payer.Expires,
                            ImmutableDictionary<string, DateOnly>.Empty
                        )
                    )
                )
            );
        }

        var text = UpkeepCalendar.Write(
            days,
            [.. await workspace.RemindDaysAsync(cancel)],
            await workspace.BusinessDateAsync(cancel)
        );
        return TypedResults.File(Encoding.UTF8.GetBytes(text), "text/calendar; charset=utf-8", "home-start.ics");
    }
}
