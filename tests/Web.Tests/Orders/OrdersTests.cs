using System.Net;
using System.Text;
using System.Text.Json;
using HomeStart.Counterparts;
using HomeStart.Web.Orders;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>From the button to the key sheet, and every way it can go wrong.</summary>
public class OrdersTests
{
    [Fact]
    public async Task A_contact_comes_and_goes_as_a_card_and_the_countries_are_told()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        (await visitor.GetAsync("/api/countries"))
            .EnumerateArray()
            .Select(country => country.GetProperty("code").GetString())
            .ShouldContain("GB");
        var (status, read) = await visitor.PostAsync(
            "/api/contacts/read",
            new { text = "BEGIN:VCARD\nFN:Ada Wren\nTEL:+44 1632 960123\nEND:VCARD" }
        );
        (status, read.GetProperty("name").GetString(), read.GetProperty("telephone").GetString()).ShouldBe(
            (HttpStatusCode.OK, "Ada Wren", "+44 1632 960123")
        );
        foreach (var text in new object?[] { "hello", "", null, 7, new string('x', 600_000) })
        {
            (await visitor.PostAsync("/api/contacts/read", new { text })).Status.ShouldBe(
                HttpStatusCode.UnprocessableEntity
            );
        }

        var (ok, headers) = await visitor.SendBytesAsync(
            HttpMethod.Post,
            "/api/contacts/vcard",
            """{ "name": "Ada" }"""u8.ToArray(),
            "application/json"
        );
        ok.ShouldBe(HttpStatusCode.OK);
        headers.ShouldNotBeNull();
    }

    [Fact]
    public async Task A_telephone_is_kept_in_the_international_form()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var contact = new
        {
            name = "Ada Wren",
            mail = visitor.Mail,
            street = "4 Mill Lane",
            town = "Hexworth",
            postcode = "HX4 2AB",
            country = "GB",
            telephone = "01632 960123",
            organisation = "Ostler & Wren",
        };
        var (status, order) = await visitor.TryOrderAsync(contact: contact);
        status.ShouldBe(HttpStatusCode.OK);
        var document = await host.InDatabaseAsync(async db =>
            (await db.Orders.IgnoreQueryFilters().SingleAsync()).Document
        );
        document.ShouldContain("+441632960123".Replace("+", "\\u002B", StringComparison.Ordinal));
        await visitor.UntilAsync(order.GetProperty("id").GetGuid(), "completed");
    }

    [Fact]
    public async Task A_paid_order_has_receipts_and_a_key_sheet_to_take_away()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var id = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        var order = await visitor.UntilAsync(id, "completed");
        order
            .GetProperty("receipts")
            .EnumerateArray()
            .Select(receipt => receipt.GetProperty("book").GetString())
            .ShouldBe(["tidemarsh"]);
        foreach (
            var (path, type) in new[]
            {
                ("key-sheet.pdf", "application/pdf"),
                ("receipts/tidemarsh.pdf", "application/pdf"),
                ("receipts/tidemarsh.xml", "application/xml"),
            }
        )
        {
            using var file = await visitor.RawAsync($"/api/orders/{id}/{path}");
            file.StatusCode.ShouldBe(HttpStatusCode.OK, path);
            file.Content.Headers.ContentType!.MediaType.ShouldBe(type);
        }

        foreach (var path in new[] { "receipts/nobody.pdf", "receipts/nameyarrow.xml" })
        {
            using var none = await visitor.RawAsync($"/api/orders/{id}/{path}");
            none.StatusCode.ShouldBe(HttpStatusCode.NotFound, path);
        }
    }

    [Fact]
    public async Task What_was_agreed_to_is_kept_with_the_order_and_other_sentences_stop_it()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        var terms = (await visitor.OpenAsync()).GetProperty("worksheet").GetProperty("terms");
        var (status, refused) = await visitor.TryOrderAsync(terms: "0000000000000000");
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        refused
            .GetProperty("errors")
            .EnumerateArray()
            .Select(fault => fault.GetProperty("where").GetString())
            .ShouldBe(["terms"]);
        (await visitor.GetAsync("/api/orders")).GetArrayLength().ShouldBe(0);
        (status, var order) = await visitor.TryOrderAsync(terms: terms.GetProperty("stamp").GetString());
        status.ShouldBe(HttpStatusCode.OK);
        order.GetProperty("terms").GetRawText().ShouldBe(terms.GetProperty("sentences").GetRawText());
        order.GetProperty("terms").GetArrayLength().ShouldBe(5);
    }

    [Fact]
    public async Task An_order_goes_through_and_leaves_a_key_sheet()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var placed = await visitor.OrderAsync();
        var order = await visitor.UntilAsync(placed.GetProperty("id").GetGuid(), "completed");
        var sheet = order.GetProperty("keySheet");
        sheet.GetProperty("domain").GetString().ShouldBe("ostlerwren.com");
        // Where the records of its names lead.
        IPAddress.Parse(sheet.GetProperty("iPv4").GetString()!).ToString().ShouldStartWith("198.51.100.");
        IPAddress.Parse(sheet.GetProperty("iPv6").GetString()!).ToString().ShouldStartWith("2001:db8:");
        order.GetProperty("items")[0].GetProperty("until").GetString().ShouldBe("2027-12-01");
        (await WorldAsync(host, visitor)).ShouldBe(new World(Held: 0, Captured: 1, Registrations: 1, Accounts: 1));
    }

    [Fact]
    public async Task Two_sellers_are_paid_apart()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var order = await visitor.UntilAsync(
            (await visitor.OrderAsync(letter: "C")).GetProperty("id").GetGuid(),
            "completed"
        );
        order
            .GetProperty("steps")
            .EnumerateArray()
            .Where(step => step.GetProperty("kind").GetString() == "capture")
            .Select(step => step.GetProperty("amount").GetString())
            .ShouldBe(["9.36", "81.60"]);
        (await WorldAsync(host, visitor)).Captured.ShouldBe(2);
    }

    [Fact]
    public async Task A_first_password_is_shown_until_it_was_seen_and_a_lost_answer_loses_nothing()
    {
        await using var host = await TestHost.StartAsync(isRecording: true);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var id = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        await visitor.UntilAsync(id, "completed");
        await visitor.TellAsync("host", "down");
        (await visitor.PostAsync($"/api/orders/{id}/first-password", null)).Status.ShouldBe(
            HttpStatusCode.ServiceUnavailable
        );
        await visitor.TellAsync("host", "ok");
        await visitor.TellAsync("host", "answers-lost");
        (await visitor.PostAsync($"/api/orders/{id}/first-password", null)).Status.ShouldBe(
            HttpStatusCode.ServiceUnavailable
        );
        await visitor.TellAsync("host", "ok");
        var password = (await visitor.PostAsync($"/api/orders/{id}/first-password", null))
            .Body.GetProperty("password")
            .GetString();
        password!.Length.ShouldBe(16);
        (await visitor.PostAsync($"/api/orders/{id}/first-password/seen", null)).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        (await visitor.PostAsync($"/api/orders/{id}/first-password", null))
            .Body.GetProperty("password")
            .ValueKind.ShouldBe(JsonValueKind.Null);
        Everything(host).ShouldNotContain(password);
    }

    [Fact]
    public async Task A_refused_card_charges_nothing_and_another_one_goes_on()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var id = (await visitor.OrderAsync(Visitor.PoorCard)).GetProperty("id").GetGuid();
        var refused = await visitor.UntilAsync(id, "needs-payment");
        refused.GetProperty("problem").GetProperty("message").GetString()!.ShouldContain("not enough money");
        (await WorldAsync(host, visitor)).ShouldBe(new World(0, 0, 0, 0));
        var (token, ending) = await visitor.CardAsync(Visitor.GoodCard);
        await visitor.PostAsync($"/api/orders/{id}/resume", new { card = new { token, ending } });
        (await visitor.UntilAsync(id, "completed")).GetProperty("cardEnding").GetString().ShouldBe("0004");
    }

    [Fact]
    public async Task A_name_taken_a_minute_ago_undoes_everything()
    {
        await using var host = await TestHost.StartAsync(new TakeTheName());
        var visitor = host.Visit();
        await visitor.OpenAsync();
        TakeTheName.Taker = () => visitor.TakeNameAsync("ostlerwren.com");
        var order = await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "cancelled");
        order.GetProperty("problem").GetProperty("code").GetString().ShouldBe("name-taken");
        order.GetProperty("charged").GetBoolean().ShouldBeFalse();
        // The one registration is somebody else's.
        (await WorldAsync(host, visitor)).ShouldBe(new World(Held: 0, Captured: 0, Registrations: 1, Accounts: 0));
    }

    [Theory]
    [InlineData("host", "down")]
    [InlineData("host", "answers-lost")]
    [InlineData("card", "down")]
    [InlineData("card", "limiting")]
    [InlineData("card", "answers-lost")]
    [InlineData("registrar", "answers-lost")]
    public async Task A_counterpart_that_does_not_answer_leaves_the_order_to_be_tried_again(string service, string mode)
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.TellAsync(service, mode);
        var id = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        var order = await visitor.UntilAsync(id, "needs-patience", "completed");
        if (order.GetProperty("state").GetString() == "needs-patience")
        {
            order.GetProperty("charged").GetBoolean().ShouldBeFalse();
            await visitor.TellAsync(service, "ok");
            await visitor.PostAsync($"/api/orders/{id}/resume", new { });
        }

        await visitor.UntilAsync(id, "completed");
        (await WorldAsync(host, visitor)).ShouldBe(new World(0, 1, 1, 1));
    }

    [Fact]
    public async Task A_host_that_stays_down_can_be_given_up_and_the_money_is_let_go()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.TellAsync("host", "down");
        var id = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        (await visitor.UntilAsync(id, "needs-patience")).GetProperty("canCancel").GetBoolean().ShouldBeTrue();
        await visitor.PostAsync($"/api/orders/{id}/cancel", null);

        // Whether the hosting was prepared is not known while the host is down: that must be settled before the order
        // is over.
        await visitor.UntilAsync(id, "needs-patience");
        await visitor.TellAsync("host", "ok");
        await visitor.PostAsync($"/api/orders/{id}/cancel", null);
        await visitor.UntilAsync(id, "cancelled");
        (await WorldAsync(host, visitor)).ShouldBe(new World(0, 0, 0, 0));
    }

    public static TheoryData<StepKind, OrderMoment> Stops =>
        new(from step in Enum.GetValues<StepKind>() from moment in Enum.GetValues<OrderMoment>() select (step, moment));

    [Theory]
    [MemberData(nameof(Stops))]
    public async Task A_server_stopped_at_any_step_goes_on_when_started_again_and_does_nothing_twice(
        StepKind step,
        OrderMoment moment
    )
    {
        var stopped = new StopAt(step, moment);
        await using var host = await TestHost.StartAsync(stopped);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        if (step == StepKind.Transfer)
        {
            await visitor.DoAsync(
                new
                {
                    kind = "choose-domain",
                    letter = "A",
                    domain = new
                    {
                        route = "transfer",
                        book = "tidemarsh",
                        name = "wren",
                        ending = "com",
                        expires = "2027-05-01",
                    },
                }
            );
        }

        var (_, order) = await visitor.TryOrderAsync(
            more: new { transfers = new[] { new { domain = "wren.com", code = "MOVE-WREN" } } }
        );
        var id = order.GetProperty("id").GetGuid();
        await stopped.Reached;
        await host.StartAgainAsync();
        visitor = host.Visit(visitor);
        if (step == StepKind.Transfer)
        {
            await visitor.OpenAsync();
            await visitor.UntilAsync(id, "needs-time");
            await host.MoveOnAsync(visitor, 5);
            await visitor.PostAsync($"/api/orders/{id}/look", null);
        }

        await visitor.UntilAsync(id, "completed");
        (await WorldAsync(host, visitor)).ShouldBe(new World(0, 1, 1, 1));
        (await host.InCounterpartsAsync(db => db.Holds.CountAsync())).ShouldBe(1);
    }

    [Theory]
    [InlineData(OrderMoment.Recorded)]
    [InlineData(OrderMoment.Answered)]
    public async Task An_invoice_asked_for_when_the_server_stopped_is_there_once(OrderMoment moment)
    {
        var stopped = new StopAt(StepKind.Hold, moment);
        await using var host = await TestHost.StartAsync(stopped);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var (_, order) = await visitor.TryOrderAsync(
            more: new { card = (object?)null, payments = new[] { new { book = "tidemarsh", way = "invoice" } } }
        );
        var id = order.GetProperty("id").GetGuid();
        await stopped.Reached;
        await host.StartAgainAsync();
        visitor = host.Visit(visitor);
        await visitor.OpenAsync();
        await visitor.AnswerAsync(await visitor.UntilAsync(id, "needs-transfer"), "amount", "65.15");
        await visitor.PostAsync($"/api/orders/{id}/look", null);
        await visitor.UntilAsync(id, "completed");
        (await WorldAsync(host, visitor)).ShouldBe(new World(0, 1, 1, 1));
        (await host.InCounterpartsAsync(db => db.Holds.CountAsync())).ShouldBe(1);
    }

    [Fact]
    public async Task What_was_read_before_midnight_is_read_again_before_it_is_ordered()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.ConfirmAsync();
        var terms = (await visitor.SiteAsync("A"))
            .GetProperty("worksheet")
            .GetProperty("terms")
            .GetProperty("stamp")
            .GetString();
        await host.MoveOnAsync(visitor, 1);
        Where((await visitor.TryOrderAsync(terms: terms)).Body).ShouldBe(["terms"]);
        (await visitor.GetAsync("/api/orders")).GetArrayLength().ShouldBe(0);
    }

    [Fact]
    public async Task Pressing_twice_orders_once()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var id = Guid.NewGuid();
        (await visitor.TryOrderAsync(id: id)).Status.ShouldBe(HttpStatusCode.OK);
        (await visitor.TryOrderAsync(id: id)).Status.ShouldBe(HttpStatusCode.OK);
        await visitor.UntilAsync(id, "completed");
        (await visitor.GetAsync("/api/orders")).GetArrayLength().ShouldBe(1);
        (await WorldAsync(host, visitor)).ShouldBe(new World(0, 1, 1, 1));
    }

    [Fact]
    public async Task What_the_owner_did_not_see_is_not_ordered()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        Where((await visitor.TryOrderAsync(today: "1.00")).Body).ShouldBe(["today"]);
        Where((await visitor.TryOrderAsync(contact: new { name = "", mail = "x" })).Body).ShouldContain("contact.name");
        await visitor.DoAsync(new { kind = "set-start", date = "2027-01-01" });
        Where((await visitor.TryOrderAsync()).Body).ShouldBe(["startDate"]);
        await visitor.DoAsync(new { kind = "set-start", date = (string?)null });
        await visitor.TakeNameAsync("ostlerwren.com");
        Where((await visitor.TryOrderAsync()).Body).ShouldBe(["domain"]);
        await visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new
                {
                    route = "transfer",
                    book = "tidemarsh",
                    name = "ostlerwren",
                    ending = "com",
                    expires = "2027-05-01",
                },
            }
        );
        Where((await visitor.TryOrderAsync()).Body).ShouldBe(["transfers.ostlerwren.com"]);
        (await visitor.GetAsync("/api/orders")).GetArrayLength().ShouldBe(0);
    }

    [Fact]
    public async Task No_card_number_is_in_any_log_or_database()
    {
        await using var host = await TestHost.StartAsync(isRecording: true);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        host.Log.ShouldNotBeEmpty();
        var everything = Everything(host);
        everything.ShouldContain("ostlerwren.com"); // The search would find it.
        everything.ShouldNotContain(Visitor.GoodCard);
        everything.ShouldNotContain(Visitor.GoodCard.Replace(" ", "", StringComparison.Ordinal));
    }

    private static string Everything(TestHost host)
    {
        var files = Directory
            .GetFiles(host.DataFolder, "*", SearchOption.AllDirectories)
            .Select(file =>
            {
                using var stream = new FileStream(
                    file,
                    FileMode.Open,
                    FileAccess.Read,
                    FileShare.ReadWrite | FileShare.Delete
                );
                using var reader = new StreamReader(stream, Encoding.Latin1);
                return reader.ReadToEnd();
            });
        return string.Join('\n', files.Concat(host.Log));
    }

    private static List<string?> Where(JsonElement problem) =>
        [.. problem.GetProperty("errors").EnumerateArray().Select(fault => fault.GetProperty("where").GetString())];

    private static Task<World> WorldAsync(TestHost host, Visitor visitor)
    {
        var world = visitor.Workspace.ToString("N");
        return host.InCounterpartsAsync(async db => new World(
            await db.Holds.CountAsync(hold => hold.World == world && hold.State == HoldState.Held),
            await db.Holds.CountAsync(hold => hold.World == world && hold.State == HoldState.Captured),
            await db.Registrations.CountAsync(row => row.World == world),
            await db.Accounts.CountAsync(account => account.World == world && !account.IsRemoved)
        ));
    }

    private sealed record World(int Held, int Captured, int Registrations, int Accounts);

    private sealed class TakeTheName : OrderPace
    {
        public static Func<Task>? Taker { get; set; }

        public override Task WaitAsync(int unanswered, CancellationToken cancel) => Task.CompletedTask;

        public override Task AtAsync(OrderMoment moment, OrderAction action, CancellationToken cancel) =>
            action.Step.Kind == StepKind.Register && moment == OrderMoment.Recorded && action.Kind == ActionKind.Do
                ? Taker!()
                : Task.CompletedTask;
    }

    /// <summary>Stops the order's work for good at a moment, as a server that dies there would.</summary>
    private sealed class StopAt(StepKind step, OrderMoment when) : OrderPace
    {
        private readonly TaskCompletionSource _reached = new(TaskCreationOptions.RunContinuationsAsynchronously);

        public Task Reached => _reached.Task.WaitAsync(TimeSpan.FromSeconds(20));

        public override Task WaitAsync(int unanswered, CancellationToken cancel) => Task.CompletedTask;

        public override Task AtAsync(OrderMoment moment, OrderAction action, CancellationToken cancel)
        {
            if (moment != when || action.Step.Kind != step)
            {
                return Task.CompletedTask;
            }

            _reached.TrySetResult();
            return Task.FromException(new OperationCanceledException("The server stops here."));
        }
    }
}
