using System.Net;
using Microsoft.EntityFrameworkCore;
using static HomeStart.Web.Tests.UpkeepSteps;

namespace HomeStart.Web.Tests;

/// <summary>The calendar and the reminders of what falls due.</summary>
public sealed class UpkeepCalendarTests
{
    [Fact]
    public async Task The_calendar_is_read_by_another_program_says_the_sums_and_can_be_withdrawn()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host);
        (await visitor.PostAsync("/api/calendar", null)).Status.ShouldBe(HttpStatusCode.NoContent);
        var address = new Uri(
            (await PageAsync(visitor)).GetProperty("reminders").GetProperty("calendarAddress").GetString()!
        );
        using var anybody = host.App();
        var calendar = Ical.Net.Calendar.Load(
            await anybody.GetStringAsync(address.PathAndQuery, TestContext.Current.CancellationToken)
        )!;
        var renewal = calendar.Events.Single(day => day.Start!.Value == new DateTime(2027, 12, 1));
        renewal.Summary.ShouldBe("£189.07 due to Tidemarsh Hosting (ostlerwren.com)");
        renewal.Description!.ShouldContain("If you do nothing it is taken and renews.");
        renewal.Alarms.Select(alarm => alarm.Trigger!.Duration!.Value.Days).ShouldBe([-60, -30, -7, -1]);
        calendar.Events.ShouldContain(day =>
            day.Summary!.StartsWith("Last day to give the hosting back", StringComparison.Ordinal)
            && day.Start!.Value == new DateTime(2026, 12, 31)
        );
        calendar.Events.Select(day => day.Uid).Distinct().Count().ShouldBe(calendar.Events.Count);

        // Another takes its place.
        (await visitor.PostAsync("/api/calendar", null)).Status.ShouldBe(HttpStatusCode.NoContent);
        (await anybody.GetAsync(address.PathAndQuery, TestContext.Current.CancellationToken)).StatusCode.ShouldBe(
            HttpStatusCode.NotFound
        );
        var second = new Uri(
            (await PageAsync(visitor)).GetProperty("reminders").GetProperty("calendarAddress").GetString()!
        );
        (await visitor.PostAsync("/api/calendar/withdraw", null)).Status.ShouldBe(HttpStatusCode.NoContent);
        (await anybody.GetAsync(second.PathAndQuery, TestContext.Current.CancellationToken)).StatusCode.ShouldBe(
            HttpStatusCode.NotFound
        );
        (
            await anybody.GetAsync("/api/calendar/nonsense.ics", TestContext.Current.CancellationToken)
        ).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        // Asking for a calendar makes nobody a visitor.
        (await host.InDatabaseAsync(db => db.Workspaces.IgnoreQueryFilters().CountAsync())).ShouldBe(1);
    }

    [Fact]
    public async Task Reminders_come_as_they_are_asked_for()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host);
        (await visitor.SendAsync(HttpMethod.Put, "/api/reminders", new { days = new[] { 0 } })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        (await visitor.SendAsync(HttpMethod.Put, "/api/reminders", new { days = new[] { 14 } })).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        await MoveToAsync(visitor, "2027-12-01");
        (await visitor.MailAsync("In 14 days: £189.07 due to Tidemarsh Hosting")).ShouldContain(
            "Tidemarsh Hosting takes £189.07"
        );
        await visitor.MailAsync("In 14 days: Last day to give the hosting back");
        var subjects = (await visitor.GetAsync("/api/mail"))
            .GetProperty("arrived")
            .EnumerateArray()
            .Select(letter => letter.GetProperty("subject").GetString()!)
            .ToList();
        (await visitor.MailAsync("In 14 days: £189.07"))
            .ReplaceLineEndings(" ")
            .ShouldContain("see what staying costs");
        (await visitor.MailAsync("In 14 days: £189.07")).ShouldContain("?stay=");
        // The last day to give it back, and the renewal.
        subjects.Count(subject => subject.StartsWith("In 14 days", StringComparison.Ordinal)).ShouldBe(2);
        subjects.ShouldNotContain(subject => subject.StartsWith("In 60 days", StringComparison.Ordinal));
    }
}
