using System.Globalization;
using System.Net;
using System.Text.Json;
using HomeStart.Web.Orders;
using HomeStart.Web.Upkeep;
using Microsoft.EntityFrameworkCore;
using static HomeStart.Web.Tests.UpkeepSteps;

namespace HomeStart.Web.Tests;

/// <summary>The clock is moved on: every day once, whatever stops in between, and never back.</summary>
public sealed class UpkeepClockTests
{
    [Fact]
    public async Task Moving_on_twice_at_once_moves_once()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host);
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 6)
                .Select(_ => visitor.PostAsync("/api/clock", new { from = "2026-12-01", to = "2028-01-01" }))
        );
        answers.Count(answer => answer.Status == HttpStatusCode.NoContent).ShouldBe(1);
        answers
            .Where(answer => answer.Status != HttpStatusCode.NoContent)
            .ShouldAllBe(answer => answer.Status == HttpStatusCode.Conflict);
        await CalmAsync(visitor);
        (await PageAsync(visitor)).GetProperty("today").GetString().ShouldBe("2028-01-01");
        (await TakenAsync(host)).Count.ShouldBe(1);
    }

    [Theory]
    [InlineData("2026-12-01", "2026-12-01")]
    [InlineData("2026-12-01", "2026-11-30")]
    [InlineData("2026-12-01", "2036-12-02")]
    [InlineData("2026-12-01", "soon")]
    [InlineData("2026-12-01", null)]
    public async Task The_clock_goes_neither_back_nor_beyond_ten_years(string from, string? to)
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host);
        (await visitor.PostAsync("/api/clock", new { from, to })).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await PageAsync(visitor)).GetProperty("today").GetString().ShouldBe("2026-12-01");
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public async Task Years_of_decisions_and_faults_take_to_the_cent_what_the_calculation_says(int seed)
    {
        var random = new Random(seed);
        await using var host = await TestHost.StartAsync(days: new Quick());
        var (visitor, order) = await OrderedAsync(
            host,
            random.Next(2) == 0 ? "9999530000000000" : Visitor.GoodCard,
            random.Next(2) == 0 ? "A" : "C"
        );
        for (var turn = 0; turn < 14; turn++)
        {
            var (service, mode) = (
                new[] { "card", "host", "registrar", "customers" }[random.Next(4)],
                new[] { "ok", "down", "answers-lost", "nonsense" }[random.Next(4)]
            );
            await visitor.TellAsync(service, mode);
            var page = await PageAsync(visitor);
            var today = DateOnly.Parse(page.GetProperty("today").GetString()!, CultureInfo.InvariantCulture);
            if (random.Next(3) > 0)
            {
                (
                    await visitor.PostAsync("/api/clock", new { from = today, to = today.AddDays(random.Next(1, 160)) })
                ).Status.ShouldBe(HttpStatusCode.NoContent);
            }
            else if (
                Tenure(page)
                    .GetProperty("effects")
                    .EnumerateArray()
                    .Where(effect =>
                        effect.GetProperty("refused").ValueKind == JsonValueKind.Null
                        && effect.GetProperty("group").GetString() != "leave"
                    )
                    .ToList() is
                { Count: > 0 } effects
            )
            {
                var decision = effects[random.Next(effects.Count)].GetProperty("decision");
                (
                    await visitor.PostAsync(
                        $"/api/orders/{order}/upkeep/decisions",
                        new { version = Tenure(page).GetProperty("version").GetInt32(), decision }
                    )
                ).Status.ShouldBeOneOf(HttpStatusCode.NoContent, HttpStatusCode.Conflict);
            }

            await visitor.TellAsync(service, "ok");
            await CalmAsync(visitor);
        }

        await ShouldAgreeAsync(host, visitor);
    }

    [Fact]
    public async Task A_server_stopped_at_any_moment_of_a_day_goes_on_and_nothing_happens_twice()
    {
        var stops = new Stopping();
        await using var host = await TestHost.StartAsync(days: stops);
        // Hosting and domain at two sellers: two charges and two standings on one day.
        var (visitor, order) = await OrderedAsync(host, letter: "C");
        await MoveToAsync(visitor, "2027-12-01");
        await DecideAsync(
            visitor,
            order,
            new
            {
                on = "2027-12-01",
                @do = "change",
                plan = "courtyard",
                everyMonths = 12,
            }
        );
        stops.In = 1;
        (await visitor.PostAsync("/api/clock", new { from = "2027-12-01", to = "2027-12-02" })).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        for (var tries = 0; (await PageAsync(visitor)).GetProperty("isMoving").GetBoolean(); tries++)
        {
            tries.ShouldBeLessThan(60);
            stops.In = 1 + (tries % 4); // Before an answer, after it, and some moments on.
            await visitor.PostAsync($"/api/orders/{order}/upkeep/again", null);
        }

        stops.In = 0;
        stops.Stopped.ShouldBeGreaterThan(3);
        await host.StartAgainAsync();
        visitor = host.Visit(visitor);
        await visitor.OpenAsync();
        await ShouldAgreeAsync(host, visitor);
    }

    [Fact]
    public async Task A_day_book_that_was_not_opened_before_a_server_stopped_is_opened_when_it_starts()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host);
        await CalmAsync(visitor);
        (await host.InDatabaseAsync(db => db.DayBooks.IgnoreQueryFilters().ExecuteDeleteAsync())).ShouldBe(1);
        await host.StartAgainAsync();
        visitor = host.Visit(visitor);
        await visitor.OpenAsync();
        await OpenedAsync(visitor);
        await ShouldAgreeAsync(host, visitor);
    }

    [Fact]
    public async Task A_counterpart_that_is_down_holds_the_day_up_and_says_so_until_it_answers()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host);
        await visitor.TellAsync("registrar", "down");
        (await visitor.PostAsync("/api/clock", new { from = "2026-12-01", to = "2028-03-01" })).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        await visitor.WaitForAsync(async () =>
            Tenure(await PageAsync(visitor)).GetProperty("problem").ValueKind == JsonValueKind.String
        );
        var page = await PageAsync(visitor);
        Tenure(page).GetProperty("problem").GetString()!.ShouldStartWith("Tidemarsh Hosting did not carry on");
        page.GetProperty("isMoving").GetBoolean().ShouldBeTrue();
        (
            await visitor.PostAsync(
                $"/api/orders/{order}/upkeep/decisions",
                new
                {
                    version = Tenure(page).GetProperty("version").GetInt32(),
                    decision = new
                    {
                        on = "2028-03-01",
                        @do = "drop",
                        extra = "backup",
                    },
                }
            )
        ).Status.ShouldBe(HttpStatusCode.Conflict);
        await visitor.TellAsync("registrar", "ok");
        await visitor.PostAsync($"/api/orders/{order}/upkeep/again", null);
        await ShouldAgreeAsync(host, visitor);
    }

    /// <summary>Breaks off at the next moment, as a server that is killed does.</summary>
    private sealed class Stopping : DayPace
    {
        public override TimeSpan SweepEvery => TimeSpan.FromMinutes(10);

        /// <summary>At which moment from now; 0: not at all.</summary>
        public int In { get; set; }

        public int Stopped { get; private set; }

        public override Task AtAsync(OrderMoment moment, Act act, CancellationToken cancel)
        {
            if (In == 0 || --In > 0)
            {
                return Task.CompletedTask;
            }

            Stopped++;
            throw new InvalidOperationException("The server was stopped here.");
        }
    }
}
