using System.Net;
using System.Text.Json;
using HomeStart.Counterparts;
using HomeStart.Web.Orders;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>
/// Every route to a domain through an order, and the log-in at the host: secrets are handed on and kept nowhere here.
/// </summary>
public sealed class OrderRoutesTests() : OneOwner(isRecording: true)
{
    private const string Code = "MOVE-WREN";

    [Fact]
    public async Task A_move_takes_five_days_and_is_paid_when_it_has_come()
    {
        await ChooseAsync("transfer", "wren");
        Where(await _visitor.TryOrderAsync()).ShouldBe(["transfers.wren.com"]);
        Where(await MovedAsync("wren.com", "WRONG-CODE")).ShouldBe(["transfers.wren.com"]);
        Where(await MovedAsync("wren.com", "x")).ShouldBe(["transfers.wren.com"]);
        var id = Id(await MovedAsync("wren.com", Code));
        var moving = await _visitor.UntilAsync(id, "needs-time");
        moving
            .GetProperty("steps")
            .EnumerateArray()
            .Single(step => step.GetProperty("kind").GetString() == "transfer")
            .GetProperty("until")
            .GetString()
            .ShouldBe("2026-12-06");
        moving.GetProperty("charged").GetBoolean().ShouldBeFalse();
        await _visitor.MailAsync("Your domain is on its way");
        (
            await _host.InDatabaseAsync(db => db.Orders.IgnoreQueryFilters().Select(row => row.Document).ToListAsync())
        ).ShouldAllBe(document => !document.Contains(Code));
        _host.Log.ShouldAllBe(line => !line.Contains(Code));
        await _host.MoveOnAsync(_visitor, 4);
        await LookAsync(id);
        await _host.IdleAsync();
        (await _visitor.GetAsync($"/api/orders/{id}")).GetProperty("state").GetString().ShouldBe("needs-time");
        await _host.MoveOnAsync(_visitor, 1);
        await LookAsync(id);
        var done = await _visitor.UntilAsync(id, "completed");
        done.GetProperty("keySheet").GetProperty("domain").GetString().ShouldBe("wren.com");
        var moved = await _host.InCounterpartsAsync(db =>
            db.Registrations.SingleAsync(row => row.Domain == "wren.com")
        );
        (moved.Registrar, moved.NameServers.Length > 0).ShouldBe(("tidemarsh", true));
    }

    [Fact]
    public async Task A_move_that_the_present_seller_refuses_charges_nothing_and_leaves_nothing()
    {
        await ChooseAsync("transfer", "shop");
        var id = Id(await MovedAsync("shop.com", "MOVE-SHOP"));
        await _visitor.UntilAsync(id, "needs-time");
        await _host.MoveOnAsync(_visitor, 5);
        await LookAsync(id);
        var cancelled = await _visitor.UntilAsync(id, "cancelled");
        (
            cancelled.GetProperty("problem").GetProperty("code").GetString(),
            cancelled.GetProperty("problem").GetProperty("message").GetString()
        ).ShouldBe(("transfer-refused", "The present seller of shop.com refused to let it go."));
        (await _host.InCounterpartsAsync(db => db.Holds.Select(hold => hold.State).SingleAsync())).ShouldBe(
            HoldState.Released
        );
        (await _host.InCounterpartsAsync(db => db.Registrations.CountAsync())).ShouldBe(0);
        (await _host.InCounterpartsAsync(db => db.Accounts.CountAsync(row => !row.IsRemoved))).ShouldBe(0);
    }

    [Fact]
    public async Task A_move_called_off_in_time_leaves_the_domain_where_it_was()
    {
        await ChooseAsync("transfer", "wren");
        var id = Id(await MovedAsync("wren.com", Code));
        await _visitor.UntilAsync(id, "needs-time");
        await _visitor.PostAsync($"/api/orders/{id}/cancel", null);
        await _visitor.UntilAsync(id, "cancelled");
        (await _host.InCounterpartsAsync(db => db.Registrations.CountAsync())).ShouldBe(0);
        (await _host.InCounterpartsAsync(db => db.Holds.Select(hold => hold.State).SingleAsync())).ShouldBe(
            HoldState.Released
        );
    }

    [Fact]
    public async Task Two_names_are_both_had_and_one_that_is_snatched_is_not_paid()
    {
        await _visitor.DoAsync(
            new
            {
                kind = "add-domain",
                letter = "A",
                domain = new
                {
                    route = "register",
                    book = "tidemarsh",
                    name = "ostlerandwren",
                    ending = "com",
                },
            }
        );
        var snatch = new Snatch("ostlerandwren.com");
        await using var host = await TestHost.StartAsync(snatch);
        var other = host.Visit();
        await other.OpenAsync();
        await other.DoAsync(
            new
            {
                kind = "add-domain",
                letter = "A",
                domain = new
                {
                    route = "register",
                    book = "tidemarsh",
                    name = "ostlerandwren",
                    ending = "com",
                },
            }
        );
        snatch.Taker = () => other.TakeNameAsync("ostlerandwren.com");
        var both = await _visitor.UntilAsync(Id(await _visitor.TryOrderAsync()), "completed");
        both.GetProperty("keySheet")
            .GetProperty("furtherDomains")[0]
            .GetString()
            .ShouldBe("ostlerandwren.com, through Tidemarsh Hosting");
        var one = await other.UntilAsync(Id(await other.TryOrderAsync()), "completed");
        one.GetProperty("missed")[0].GetProperty("domain").GetString().ShouldBe("ostlerandwren.com");
        // As if it had never been on it.
        (await host.InCounterpartsAsync(db => db.Holds.Select(hold => hold.Captured).SingleAsync())).ShouldBe("65.15");
        (await other.MailAsync("Your order is complete")).ShouldContain("ostlerandwren.com could not be had");
    }

    [Fact]
    public async Task A_name_left_for_later_is_claimed_from_the_key_sheet_with_nothing_due()
    {
        await _visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new
                {
                    route = "later",
                    book = "tidemarsh",
                    ending = "com",
                    inMonths = 2,
                },
            }
        );
        var id = Id(await _visitor.TryOrderAsync());
        await _visitor.UntilAsync(id, "completed");
        var claim = await _visitor.GetAsync($"/api/orders/{id}/claim");
        claim.GetProperty("provider").GetString().ShouldBe("Tidemarsh Hosting");
        var com = claim
            .GetProperty("endings")
            .EnumerateArray()
            .Single(ending => ending.GetProperty("ending").GetString() == "com");
        (
            com.GetProperty("otherwise").GetString(),
            com.GetProperty("renewal").GetString(),
            com.GetProperty("isPrivate").GetBoolean()
        ).ShouldBe(("13.80", "20.28", false)); // With tax.
        Where(await ClaimAsync(id, "clock", "com")).ShouldBe(["domain"]); // Taken.
        Where(await ClaimAsync(id, "tempo", "com")).ShouldBe(["domain"]); // Premium: never included.
        Where(await ClaimAsync(id, "ostlerwren", "museum")).ShouldBe(["ending"]);
        Where(await ClaimAsync(id, "ostler wren", "com")).ShouldBe(["name"]);
        Where(await ClaimAsync(id, "a.b", "com")).ShouldBe(["name"]);
        Where(
                await _visitor.PostAsync(
                    $"/api/orders/{id}/claim",
                    new
                    {
                        id = "x",
                        name = "",
                        ending = "com",
                        agreed = false,
                    }
                )
            )
            .ShouldBe(["agreed", "id"], ignoreOrder: true);
        var claimed = await _visitor.UntilAsync(Id(await ClaimAsync(id, "ostlerwren", "com")), "completed");
        (
            claimed.GetProperty("isClaim").GetBoolean(),
            claimed.GetProperty("total").GetString(),
            claimed.GetProperty("charged").GetBoolean(),
            claimed.GetProperty("cardEnding").ValueKind
        ).ShouldBe((true, "0.00", false, JsonValueKind.Null));
        claimed
            .GetProperty("steps")
            .EnumerateArray()
            .Select(step => step.GetProperty("kind").GetString())
            .ShouldBe(["register", "join"]);
        (await _host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).NameServers.ShouldNotBeEmpty();
        (await _visitor.RawAsync($"/api/orders/{id}/claim")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        Where(await ClaimAsync(id, "ostlerandwren", "com")).ShouldBe([""]);
    }

    [Fact]
    public async Task A_claim_is_over_on_its_day()
    {
        await _visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new
                {
                    route = "later",
                    book = "tidemarsh",
                    ending = "com",
                    inMonths = 2,
                },
            }
        );
        var id = Id(await _visitor.TryOrderAsync());
        await _visitor.UntilAsync(id, "completed");
        var before = (await _visitor.GetAsync($"/api/orders/{id}/claim")).GetProperty("before").GetDateTime();
        await _host.MoveOnAsync(_visitor, DateOnly.FromDateTime(before).DayNumber - TestHost.Today.DayNumber - 1);
        (await _visitor.RawAsync($"/api/orders/{id}/claim")).StatusCode.ShouldBe(HttpStatusCode.OK);
        await _host.MoveOnAsync(_visitor, 1);
        (await _visitor.RawAsync($"/api/orders/{id}/claim")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
    }

    [Fact]
    public async Task A_log_in_is_as_the_host_wants_it_and_its_passcode_is_kept_nowhere_here()
    {
        var rules = (
            await _visitor.PostAsync("/api/sellers/tidemarsh/log-in-check", new { user = "", passcode = "" })
        ).Body.GetProperty("rules");
        rules.EnumerateArray().ShouldAllBe(rule => rule.GetProperty("isMet").ValueKind == JsonValueKind.Null);
        var check = (
            await _visitor.PostAsync(
                "/api/sellers/tidemarsh/log-in-check",
                new { user = "clockshop", passcode = "1234" }
            )
        ).Body;
        check.GetProperty("isTaken").GetBoolean().ShouldBeTrue();
        check
            .GetProperty("rules")
            .EnumerateArray()
            .Where(rule => rule.GetProperty("isMet").ValueKind == JsonValueKind.False)
            .Select(rule => rule.GetProperty("rule").GetString())
            .ShouldBe(["passcode-no-run"]);
        Where(await LoggedAsync("admin", "1111")).ShouldBe(["logIn.user", "logIn.passcode"]);
        Where(await LoggedAsync("ostlershop", "")).ShouldBe(["logIn.passcode"]);
        Where(await LoggedAsync("clockshop", "905167")).ShouldBe(["logIn.user"]);
        var id = Id(await LoggedAsync("ostlershop", "905167"));
        (await _visitor.UntilAsync(id, "completed"))
            .GetProperty("keySheet")
            .GetProperty("user")
            .GetString()
            .ShouldBe("ostlershop");
        (
            await _host.InDatabaseAsync(db => db.Orders.IgnoreQueryFilters().Select(row => row.Document).ToListAsync())
        ).ShouldAllBe(document => !document.Contains("905167"));
        (
            await _host.InCounterpartsAsync(db => db.Accounts.Select(row => row.PasscodeHash).SingleAsync())
        )!.Length.ShouldBe(64);
        _host.Log.ShouldAllBe(line => !line.Contains("905167"));
    }

    [Fact]
    public async Task The_holder_may_be_another_than_who_pays()
    {
        var holder = new
        {
            name = "Tom Ostler",
            mail = "tom@example.com",
            street = "9 Quay",
            town = "Hexworth",
            postcode = "HX1 1AA",
            country = "GB",
        };
        Where(
                await _visitor.TryOrderAsync(
                    more: new
                    {
                        holder = new
                        {
                            name = "",
                            mail = "x",
                            country = "GB",
                        },
                    }
                )
            )
            .ShouldContain("holder.name");
        await _visitor.DoAsync(
            new
            {
                kind = "set-extra",
                letter = "A",
                extra = "privacy",
                forDomain = true,
                quantity = 0,
            }
        );
        var done = await _visitor.UntilAsync(Id(await _visitor.TryOrderAsync(more: new { holder })), "completed");
        done.GetProperty("keySheet").GetProperty("holder").GetString().ShouldBe("Tom Ostler");
        (await _host.InCounterpartsAsync(db => db.Registrations.Select(row => row.Holder).SingleAsync())).ShouldBe(
            "Tom Ostler"
        );
    }

    [Fact]
    public async Task The_holder_confirms_the_address_within_fifteen_days_or_the_name_is_stopped()
    {
        var id = Id(await _visitor.TryOrderAsync());
        await _visitor.UntilAsync(id, "completed");
        (await HolderAsync(id)).ShouldBe((false, "2026-12-16", 15, false));
        await _host.MoveOnAsync(_visitor, 15);
        (await HolderAsync(id)).ShouldBe((false, "2026-12-16", 0, false));
        await _host.MoveOnAsync(_visitor, 1);
        (await HolderAsync(id)).ShouldBe((false, "2026-12-16", null, true));
        (await _visitor.PostAsync($"/api/orders/{id}/holders/ostlerwren.com/write", null)).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        var letters = (await _visitor.GetAsync("/api/mail"))
            .GetProperty("arrived")
            .EnumerateArray()
            .Where(letter => letter.GetProperty("subject").GetString() == "Confirm that you hold ostlerwren.com")
            .ToList();
        letters.Count.ShouldBe(2);
        var text = string.Concat(
            letters[0].GetProperty("parts").EnumerateArray().Select(part => part.GetProperty("text").GetString())
        );
        var page = new Uri(
            text[text.IndexOf("http", StringComparison.Ordinal)..].Trim().ReplaceLineEndings("")
        ).AbsolutePath;
        (await _visitor.AnswerAsync(page, "say", "yes")).ShouldContain("is confirmed");
        (await HolderAsync(id)).ShouldBe((true, "2026-12-16", null, false));
        (await _visitor.PostAsync($"/api/orders/{id}/holders/ostlerwren.com/write", null)).Status.ShouldBe(
            HttpStatusCode.ServiceUnavailable
        );
        (await _visitor.AnswerAsync("/pages/holders/nobody", "say", "yes")).ShouldBeEmpty();
        await _visitor.TellAsync("registrar", "down");
        (await _visitor.GetAsync($"/api/orders/{id}/holders")).GetArrayLength().ShouldBe(0);
    }

    private async Task<(bool, string?, int?, bool)> HolderAsync(Guid id)
    {
        var check = (await _visitor.GetAsync($"/api/orders/{id}/holders"))[0];
        var left = check.GetProperty("daysLeft");
        return (
            check.GetProperty("isConfirmed").GetBoolean(),
            check.GetProperty("until").GetString(),
            left.ValueKind == JsonValueKind.Null ? null : left.GetInt32(),
            check.GetProperty("isStopped").GetBoolean()
        );
    }

    private Task<JsonElement> ChooseAsync(string route, string name) =>
        _visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new
                {
                    route,
                    book = "tidemarsh",
                    name,
                    ending = "com",
                    expires = "2027-05-01",
                },
            }
        );

    private Task<(HttpStatusCode Status, JsonElement Body)> MovedAsync(string domain, string code) =>
        _visitor.TryOrderAsync(more: new { transfers = new[] { new { domain, code } } });

    private Task<(HttpStatusCode Status, JsonElement Body)> LoggedAsync(string user, string passcode) =>
        _visitor.TryOrderAsync(more: new { logIn = new { user, passcode } });

    private Task<(HttpStatusCode Status, JsonElement Body)> ClaimAsync(Guid order, string name, string ending) =>
        _visitor.PostAsync(
            $"/api/orders/{order}/claim",
            new
            {
                id = Guid.NewGuid(),
                name,
                ending,
                agreed = true,
            }
        );

    private Task<(HttpStatusCode Status, JsonElement Body)> LookAsync(Guid id) =>
        _visitor.PostAsync($"/api/orders/{id}/look", null);

    private static Guid Id((HttpStatusCode Status, JsonElement Body) answer)
    {
        answer.Status.ShouldBe(HttpStatusCode.OK, answer.Body.ToString());
        return answer.Body.GetProperty("id").GetGuid();
    }

    private static List<string?> Where((HttpStatusCode Status, JsonElement Body) answer) =>
        [.. answer.Body.GetProperty("errors").EnumerateArray().Select(fault => fault.GetProperty("where").GetString())];

    /// <summary>Somebody else takes a name just before it would be registered.</summary>
    private sealed class Snatch(string domain) : OrderPace
    {
        public Func<Task>? Taker { get; set; }

        public override Task WaitAsync(int unanswered, CancellationToken cancel) => Task.CompletedTask;

        public override Task AtAsync(OrderMoment moment, OrderAction action, CancellationToken cancel) =>
            action.Step.Domain == domain && action.Step.Kind == StepKind.Register && moment == OrderMoment.Recorded
                ? Taker!()
                : Task.CompletedTask;
    }
}
