using System.Globalization;
using System.Net;
using System.Text.Json;
using HomeStart.Counterparts;
using HomeStart.Data;
using HomeStart.Web.Orders;
using HomeStart.Web.Upkeep;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>What happens after the order: the clock is moved on, and counterparts, day book and page follow.</summary>
public class UpkeepTests
{
    /// <summary>
    /// Orders of candidate A: hosting and domain at one seller, each paid yearly, on 1 December 2026.
    /// </summary>
    private static async Task<(Visitor Visitor, Guid Order)> OrderedAsync(
        TestHost host,
        string card = Visitor.GoodCard,
        string letter = "A"
    )
    {
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var order = (await visitor.OrderAsync(card, letter)).GetProperty("id").GetGuid();
        await visitor.UntilAsync(order, "completed");
        await visitor.WaitForAsync(async () => (await PageAsync(visitor)).GetProperty("tenures").GetArrayLength() == 1);
        return (visitor, order);
    }

    [Fact]
    public async Task A_renewal_is_taken_on_its_day_the_registry_hears_of_it_and_the_owner_is_written_to()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host);
        await MoveToAsync(visitor, "2027-12-01");
        (await TakenAsync(host)).ShouldBe([]); // The owner can still decide on the day.
        var due = Tenure(await PageAsync(visitor)).GetProperty("bills")[0];
        (due.GetProperty("on").GetString(), due.GetProperty("seller").GetString()).ShouldBe(
            ("2027-12-01", "Tidemarsh Hosting")
        );

        await MoveToAsync(visitor, "2027-12-02");
        (await TakenAsync(host)).ShouldBe([("2027-12-01", due.GetProperty("amount").GetString()!)]);
        (await host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).Expires.ShouldBe(
            new DateOnly(2028, 12, 1)
        );
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).PaidUntil.ShouldBe(new DateOnly(2028, 12, 1));
        Lines(await PageAsync(visitor))
            .ShouldContain(line => line.StartsWith("2027-12-01 charged £", StringComparison.Ordinal));
        (await visitor.MailAsync("A bill was paid")).ShouldContain("was taken by Tidemarsh Hosting");
        foreach (var start in new[] { "In 60 days: ", "In 30 days: ", "In 7 days: ", "In one day: " })
        {
            await visitor.MailAsync(start + "£189.07 due to Tidemarsh");
        }
    }

    [Fact]
    public async Task What_was_ordered_not_to_renew_ends_with_what_was_paid_and_the_rest_goes_on()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        // The name is from another seller.
        var (_, placed) = await visitor.TryOrderAsync(letter: "C", more: new { endingAt = new[] { "plainstone" } });
        await visitor.UntilAsync(placed.GetProperty("id").GetGuid(), "completed");
        await visitor.WaitForAsync(async () => (await PageAsync(visitor)).GetProperty("tenures").GetArrayLength() == 1);
        Renewing(await PageAsync(visitor)).ShouldBe([("hosting", false), ("domain:0", true)]);
        await MoveToAsync(visitor, "2027-12-02");
        var had = Tenure(await PageAsync(visitor))
            .GetProperty("holdings")
            .EnumerateArray()
            .Select(holding => (holding.GetProperty("holding").GetString(), holding.GetProperty("state").GetString()));
        had.ShouldBe([("hosting", "ended"), ("domain:0", "live")]);

        static IEnumerable<(string?, bool)> Renewing(JsonElement page) =>
            Tenure(page)
                .GetProperty("holdings")
                .EnumerateArray()
                .Select(holding =>
                    (holding.GetProperty("holding").GetString(), holding.GetProperty("renews").GetBoolean())
                );
    }

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

    [Fact]
    public async Task A_card_refused_on_renewal_leads_to_redemption_and_another_card_leads_back()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host, "9999520000000001");
        await MoveToAsync(visitor, "2027-12-10");
        Lines(await PageAsync(visitor)).Count(line => line.Contains(" failed ", StringComparison.Ordinal)).ShouldBe(4);
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).State.ShouldBe("suspended");
        (await host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).State.ShouldBe("grace");

        await MoveToAsync(visitor, "2028-01-05");
        (await host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).State.ShouldBe("redemption");
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).IsRemoved.ShouldBeTrue();
        var domain = Held(await PageAsync(visitor), "domain:0");
        domain.GetProperty("state").GetString().ShouldBe("redemption");
        var owed = domain.GetProperty("owed").GetProperty("amount").GetString()!;

        // The same card is refused again, and nothing changes.
        (
            await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "domain:0", way = "card" })
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        (await TakenAsync(host)).ShouldBe([]);
        var (token, ending) = await visitor.CardAsync(Visitor.GoodCard);
        (
            await visitor.PostAsync($"/api/orders/{order}/upkeep/card", new { card = new { token, ending } })
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        (
            await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "domain:0", way = "card" })
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        (await TakenAsync(host)).ShouldBe([("2028-01-05", owed)]);
        (await host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).State.ShouldBe("live");
        await ShouldAgreeAsync(host, visitor);
    }

    [Fact]
    public async Task A_card_that_works_again_pays_at_a_later_attempt()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host, "9999530000000000");
        await MoveToAsync(visitor, "2027-12-20");
        // On the day and the day after; three days later the bank pays.
        Lines(await PageAsync(visitor)).Count(line => line.Contains(" failed ", StringComparison.Ordinal)).ShouldBe(2);
        (await TakenAsync(host)).Select(taken => taken.On).ShouldBe(["2027-12-04"]);
        Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("live");
        await ShouldAgreeAsync(host, visitor);
    }

    [Theory]
    [InlineData("balance", false)]
    [InlineData("invoice", false)]
    [InlineData("invoice", true)]
    public async Task What_was_missed_can_be_paid_without_the_card(string way, bool isPageClosed)
    {
        await using var host = await TestHost.StartAsync(
            days: isPageClosed ? new Quick() : null,
            between: isPageClosed ? () => new SlowHolds() : null
        );
        var (visitor, order) = await OrderedAsync(host, "9999520000000001");
        await MoveToAsync(visitor, "2027-12-20");
        if (way == "balance")
        {
            // The waiting balance is too small: said, and nothing is done.
            (
                await visitor.PostAsync("/api/sellers/tidemarsh/customer/code", new { mail = visitor.Mail })
            ).Status.ShouldBe(HttpStatusCode.NoContent);
            var (status, body) = await visitor.PostAsync(
                $"/api/orders/{order}/upkeep/pay",
                new { holding = "hosting", way }
            );
            status.ShouldBe(HttpStatusCode.UnprocessableEntity);
            body.GetProperty("errors")[0].GetProperty("message").GetString()!.ShouldContain("does not cover");
            await host.InCounterpartsAsync(db =>
                db.Customers.ExecuteUpdateAsync(set => set.SetProperty(row => row.Balance, "500.00"))
            );
        }

        (await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "hosting", way })).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        if (way == "invoice")
        {
            var paying = Tenure(await PageAsync(visitor)).GetProperty("paying");
            Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("suspended");
            (
                await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "hosting", way })
            ).Status.ShouldBe(HttpStatusCode.Conflict); // A second invoice would lose sight of the first.
            await visitor.AnswerAsync(
                paying.GetProperty("page").GetString()!,
                "amount",
                paying.GetProperty("amount").GetString()!
            );
            if (isPageClosed)
            {
                // Nobody asks here: the sweep finds that the money came.
                await visitor.WaitForAsync(async () =>
                    (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).State == "live"
                );
            }
            else
            {
                (await visitor.PostAsync($"/api/orders/{order}/upkeep/again", null)).Status.ShouldBe(
                    HttpStatusCode.NoContent
                );
            }
        }

        await CalmAsync(visitor);
        Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("live");
        Tenure(await PageAsync(visitor)).GetProperty("paying").ValueKind.ShouldBe(JsonValueKind.Null);
        (await TakenAsync(host)).ShouldBe([]); // Nothing by card.
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).State.ShouldBe("live");
    }

    [Fact]
    public async Task A_change_with_credit_is_seen_before_and_carried_out_as_it_was_said()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host, letter: "C");
        await MoveToAsync(visitor, "2027-03-15");
        var tenure = Tenure(await PageAsync(visitor));
        var effect = tenure
            .GetProperty("effects")
            .EnumerateArray()
            .First(effect =>
                effect.GetProperty("group").GetString() == "plan"
                && effect.GetProperty("decision").GetProperty("plan").GetString() == "courtyard"
                && effect.GetProperty("decision").GetProperty("everyMonths").GetInt32() == 12
            );
        var due = effect.GetProperty("dueThen").GetProperty("amounts")[0].GetProperty("amount").GetString()!;
        (
            await visitor.PostAsync(
                $"/api/orders/{order}/upkeep/decisions",
                new { version = tenure.GetProperty("version").GetInt32(), decision = effect.GetProperty("decision") }
            )
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        (await TakenAsync(host)).ShouldBe([("2027-03-15", due)]);
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).Plan.ShouldBe("courtyard");
        (
            await visitor.PostAsync(
                $"/api/orders/{order}/upkeep/decisions",
                new { version = tenure.GetProperty("version").GetInt32(), decision = effect.GetProperty("decision") }
            )
        ).Status.ShouldBe(HttpStatusCode.Conflict);
        await ShouldAgreeAsync(host, visitor);
    }

    [Theory]
    [InlineData("2026-12-31", true)]
    [InlineData("2027-01-01", false)]
    public async Task What_is_given_back_on_the_last_day_is_paid_back_and_a_day_late_it_only_stops(
        string day,
        bool comesBack
    )
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host);
        await MoveToAsync(visitor, day);
        await DecideAsync(visitor, order, new { on = day, @do = "leave" });
        var back = await host.InCounterpartsAsync(db => db.Charges.Select(row => row.Amount).ToListAsync());
        back.Count.ShouldBe(comesBack ? 1 : 0);
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).IsRemoved.ShouldBe(comesBack);
        Held(await PageAsync(visitor), "hosting")
            .GetProperty("state")
            .GetString()
            .ShouldBe(comesBack ? "left" : "live");
        Held(await PageAsync(visitor), "hosting").GetProperty("renews").GetBoolean().ShouldBe(comesBack);
        Held(await PageAsync(visitor), "domain:0").GetProperty("state").GetString().ShouldBe("live"); // A domain stays.
        await ShouldAgreeAsync(host, visitor);
    }

    [Fact]
    public async Task A_decision_for_a_later_day_waits_and_can_be_withdrawn()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host);
        await DecideAsync(
            visitor,
            order,
            new
            {
                on = "2026-12-02",
                @do = "renewing",
                holding = "hosting",
                value = false,
            }
        ); // The day of the order is over for deciding.
        await DecideAsync(
            visitor,
            order,
            new
            {
                on = "2027-06-01",
                @do = "drop",
                extra = "backup",
            }
        );
        var tenure = Tenure(await PageAsync(visitor));
        tenure
            .GetProperty("planned")
            .EnumerateArray()
            .Select(planned => planned.GetProperty("on").GetString())
            .ShouldBe(["2026-12-02", "2027-06-01"]);
        (
            await visitor.PostAsync(
                $"/api/orders/{order}/upkeep/withdraw",
                new { version = tenure.GetProperty("version").GetInt32(), index = 1 }
            )
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        await MoveToAsync(visitor, "2028-02-01");
        Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("gone");
        Lines(await PageAsync(visitor)).ShouldNotContain(line => line.Contains("Do without", StringComparison.Ordinal));
        await ShouldAgreeAsync(host, visitor);
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
        await visitor.WaitForAsync(async () => (await PageAsync(visitor)).GetProperty("tenures").GetArrayLength() == 1);
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

    /// <summary>Hosting ordered without a domain, and its domain-year claimed two months later.</summary>
    internal static async Task<(Visitor Visitor, Guid Order, Guid Claim)> ClaimedAsync(TestHost host)
    {
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(
            new
            {
                kind = "drop-domain",
                letter = "A",
                domain = "ostlerwren.com",
            }
        );
        var order = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        await visitor.UntilAsync(order, "completed");
        await visitor.WaitForAsync(async () => (await PageAsync(visitor)).GetProperty("tenures").GetArrayLength() == 1);
        await MoveToAsync(visitor, "2027-02-01");
        Tenure(await PageAsync(visitor))
            .GetProperty("notices")
            .EnumerateArray()
            .ShouldContain(notice => notice.GetProperty("kind").GetString() == "claim-domain");
        var (status, answer) = await visitor.PostAsync(
            $"/api/orders/{order}/claim",
            new
            {
                id = Guid.NewGuid(),
                name = "ostlerwren",
                ending = "com",
                agreed = true,
            }
        );
        status.ShouldBe(HttpStatusCode.OK, answer.ToString());
        var claim = answer.GetProperty("id").GetGuid();
        await visitor.UntilAsync(claim, "completed");
        return (visitor, order, claim);
    }

    [Fact]
    public async Task A_claimed_name_is_had_with_the_hosting_it_came_with_and_renews()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _, _) = await ClaimedAsync(host);
        await visitor.WaitForAsync(async () =>
            Tenure(await PageAsync(visitor)).GetProperty("holdings").GetArrayLength() == 2
        );
        await MoveToAsync(visitor, "2028-03-01");
        (await host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).Expires.ShouldBe(
            new DateOnly(2029, 2, 1)
        );
        (await TakenAsync(host)).Select(taken => taken.On).ShouldBe(["2027-12-01", "2028-02-01"]);
    }

    [Fact]
    public async Task A_domain_that_is_to_leave_is_unlocked_with_its_code_once_it_may_move()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host);
        var (_, early) = await visitor.PostAsync($"/api/orders/{order}/upkeep/release", new { holding = "domain:0" });
        (early.GetProperty("code").ValueKind, early.GetProperty("until").GetString()).ShouldBe(
            (JsonValueKind.Null, "2027-01-30")
        );
        await MoveToAsync(visitor, "2027-01-30");
        var (_, release) = await visitor.PostAsync($"/api/orders/{order}/upkeep/release", new { holding = "domain:0" });
        release.GetProperty("code").GetString().ShouldBe("MOVE-OSTLERWREN");
        (await visitor.PostAsync($"/api/orders/{order}/upkeep/release", new { holding = "hosting" })).Status.ShouldBe(
            HttpStatusCode.NotFound
        );
        await visitor.TellAsync("registrar", "down");
        (await visitor.PostAsync($"/api/orders/{order}/upkeep/release", new { holding = "domain:0" })).Status.ShouldBe(
            HttpStatusCode.ServiceUnavailable
        );
    }

    [Fact]
    public async Task What_would_be_is_asked_for_any_day_and_bad_questions_say_where()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host);
        var (status, effect) = await visitor.PostAsync(
            $"/api/orders/{order}/upkeep/what-if",
            new
            {
                decision = new
                {
                    on = "2027-12-01",
                    @do = "change",
                    plan = "jetty",
                    everyMonths = 12,
                },
            }
        );
        status.ShouldBe(HttpStatusCode.OK);
        effect.GetProperty("on").GetString().ShouldBe("2027-12-01");
        foreach (
            var (decision, where) in new (object, string)[]
            {
                (new { on = "2026-12-01", @do = "leave" }, "decision.on"),
                (new { on = "2040-12-01", @do = "leave" }, "decision.on"),
                (new { on = "2027-12-01", @do = "jump" }, "decision.do"),
                (
                    new
                    {
                        on = "2027-12-01",
                        @do = "card",
                        value = "works",
                    },
                    "decision.do"
                ),
                (
                    new
                    {
                        on = "2027-12-01",
                        @do = "add",
                        extra = "backup",
                        quantity = 0,
                    },
                    "decision.quantity"
                ),
            }
        )
        {
            var (bad, body) = await visitor.PostAsync($"/api/orders/{order}/upkeep/what-if", new { decision });
            bad.ShouldBe(HttpStatusCode.UnprocessableEntity, body.ToString());
            body.GetProperty("errors")
                .EnumerateArray()
                .Select(error => error.GetProperty("where").GetString())
                .ShouldContain(where);
        }

        (await visitor.GetAsync($"/api/orders/{order}/upkeep/lapse/domain:0"))
            .EnumerateArray()
            .Select(step => step.GetProperty("state").GetString())
            .ShouldBe(["grace", "redemption", "pending", "gone"]);
        (await visitor.GetAsync($"/api/orders/{order}/upkeep/stay-or-move"))
            .GetProperty("on")
            .GetString()
            .ShouldBe("2027-12-01");
    }

    private sealed class Quick : DayPace
    {
        public override TimeSpan SweepEvery => TimeSpan.FromMilliseconds(100);
    }

    /// <summary>Lets several sweeps pass before the processor hears of a hold for what was missed.</summary>
    private sealed class SlowHolds : DelegatingHandler
    {
        protected override async Task<HttpResponseMessage> SendAsync(
            HttpRequestMessage request,
            CancellationToken cancellationToken
        )
        {
            if (request.RequestUri!.AbsolutePath.EndsWith("/holds", StringComparison.Ordinal))
            {
                await Task.Delay(TimeSpan.FromMilliseconds(600), cancellationToken);
            }

            return await base.SendAsync(request, cancellationToken);
        }
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

    private static async Task DecideAsync(Visitor visitor, Guid order, object decision)
    {
        var version = Tenure(await PageAsync(visitor)).GetProperty("version").GetInt32();
        var (status, body) = await visitor.PostAsync(
            $"/api/orders/{order}/upkeep/decisions",
            new { version, decision }
        );
        status.ShouldBe(HttpStatusCode.NoContent, body.ToString());
        await CalmAsync(visitor);
    }

    // What the counterparts took by card, and keep as balances, is what the calculation says, to the cent.
    private static async Task ShouldAgreeAsync(TestHost host, Visitor visitor)
    {
        await CalmAsync(visitor);
        var (document, books) = await host.InDatabaseAsync(async db =>
            (Documents.Read<DayBook>((await db.DayBooks.IgnoreQueryFilters().SingleAsync()).Document), Demo(host))
        );
        var order = await host.InDatabaseAsync(async db =>
            Documents.Read<Order>((await db.Orders.IgnoreQueryFilters().SingleAsync()).Document)
        );
        var today = DateOnly.Parse(
            (await PageAsync(visitor)).GetProperty("today").GetString()!,
            CultureInfo.InvariantCulture
        );
        var years = Tenure_(order, books).ToMorning(today, document.Made);
        Documents
            .Write(document with { Lines = years.Happened, State = years.State with { Day = document.State!.Day } })
            .ShouldBe(Documents.Write(document), "the day book");
        var charges = await host.InCounterpartsAsync(db => db.Charges.ToListAsync());
        foreach (var paid in years.Paid)
        {
            var atOrder = years
                .Happened.OfType<Charged>()
                .Where(charged => charged.On == order.PlacedOn && charged.Currency == paid.Currency)
                .Sum(charged => (long)charged.Total);
            var taken = charges
                .Where(row => row.Currency == paid.Currency.Code)
                .Sum(row => (long)(decimal.Parse(row.Amount, CultureInfo.InvariantCulture) * 100));
            (atOrder + taken).ShouldBe((long)paid.Units, $"what was taken in {paid.Currency}");
        }
    }

    private static IReadOnlyList<OfferBook> Demo(TestHost host) =>
        HomeStart.Web.Startup.Demo.Load(TestHost.Root("demo")).OfferBooks;

    private static Tenure Tenure_(Order order, IReadOnlyList<OfferBook> books) =>
        HomeStart
            .Core.Upkeep.Tenure.Begin(
                order.Bought!.Candidate,
                books,
                order.Bought.CountedFrom(order.PlacedOn),
                new FaultList()
            )
            .Value!;

    internal static async Task MoveToAsync(Visitor visitor, string to)
    {
        var (status, body) = await visitor.PostAsync(
            "/api/clock",
            new { from = (await PageAsync(visitor)).GetProperty("today").GetString(), to }
        );
        status.ShouldBe(HttpStatusCode.NoContent, body.ToString());
        await CalmAsync(visitor);
    }

    internal static Task CalmAsync(Visitor visitor) =>
        visitor.WaitForAsync(async () => !(await PageAsync(visitor)).GetProperty("isMoving").GetBoolean());

    internal static Task<JsonElement> PageAsync(Visitor visitor) =>
        visitor.GetAsync($"/api/sites/{visitor.SiteId}/upkeep");

    internal static JsonElement Tenure(JsonElement page) => page.GetProperty("tenures")[0];

    private static JsonElement Held(JsonElement page, string holding) =>
        Tenure(page)
            .GetProperty("holdings")
            .EnumerateArray()
            .Single(held => held.GetProperty("holding").GetString() == holding);

    private static List<string> Lines(JsonElement page) =>
        [
            .. Tenure(page)
                .GetProperty("dayBook")
                .EnumerateArray()
                .Select(line =>
                    $"{line.GetProperty("on").GetString()} {line.GetProperty("kind").GetString()} "
                    + $"{line.GetProperty("words").GetString()}"
                ),
        ];

    private static async Task<List<(string On, string Amount)>> TakenAsync(TestHost host) =>
        [
            .. (await host.InCounterpartsAsync(db => db.Charges.ToListAsync()))
                .OrderBy(row => row.On)
                .Select(row => ($"{row.On:yyyy-MM-dd}", row.Amount)),
        ];
}
