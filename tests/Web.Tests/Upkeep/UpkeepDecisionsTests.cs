using System.Net;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using static HomeStart.Web.Tests.UpkeepSteps;

namespace HomeStart.Web.Tests;

/// <summary>Decisions after the order: seen before they are made, and carried out as they were said.</summary>
public sealed class UpkeepDecisionsTests
{
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
}
