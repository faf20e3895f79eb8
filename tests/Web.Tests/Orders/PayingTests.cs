using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using HomeStart.Counterparts;
using HomeStart.Web.Startup;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>
/// Every way to pay, each with what may come of it: nothing is delivered unpaid, nothing is taken that was not
/// delivered, and nothing twice.
/// </summary>
public sealed partial class PayingTests : OneOwner
{
    private const string CarefulBank = "9999 5700 0000 0006";

    [Fact]
    public async Task A_bank_that_wants_a_yes_is_asked_on_its_own_page()
    {
        var id = Id(await _visitor.OrderAsync(CarefulBank));
        var waiting = await _visitor.UntilAsync(id, "needs-confirmation");
        (await CountAsync(db => db.Accounts)).ShouldBe(0);
        await _visitor.MailAsync("Your payment waits for your yes");
        await _visitor.AnswerAsync(waiting, "say", "yes");
        await LookedAsync(id, "completed");
        (await HoldsAsync()).ShouldBe([("card", HoldState.Captured, "65.15")]);
    }

    [Theory]
    [InlineData("no", "You did not confirm it at your bank.")]
    [InlineData("poor", "The bank says there is not enough money.")]
    public async Task What_the_bank_refuses_is_paid_another_way(string say, string why)
    {
        var id = Id(await _visitor.OrderAsync(CarefulBank));
        await _visitor.AnswerAsync(await _visitor.UntilAsync(id, "needs-confirmation"), "say", say);
        (await LookedAsync(id, "needs-payment"))
            .GetProperty("problem")
            .GetProperty("message")
            .GetString()
            .ShouldBe(why);
        await _visitor.PostAsync($"/api/orders/{id}/resume", new { way = "wallet" });
        await _visitor.AnswerAsync(await _visitor.UntilAsync(id, "needs-confirmation"), "say", "yes");
        (await LookedAsync(id, "completed")).GetProperty("paidBy").GetString().ShouldBe("by your wallet");
        (await HoldsAsync()).ShouldBe(
            [("card", HoldState.Closed, null), ("wallet", HoldState.Captured, "65.15")],
            ignoreOrder: true
        );
    }

    [Fact]
    public async Task A_wallet_that_was_cancelled_or_never_came_back_charges_nothing()
    {
        var (_, placed) = await PaidByAsync("wallet");
        var id = Id(placed);
        var page = Page(await _visitor.UntilAsync(id, "needs-confirmation"));
        await _visitor.AnswerAsync(page, "say", "no");
        (await LookedAsync(id, "needs-payment"))
            .GetProperty("problem")
            .GetProperty("code")
            .GetString()
            .ShouldBe("wallet-cancelled");
        await _visitor.PostAsync($"/api/orders/{id}/resume", new { way = "wallet" });
        var second = Page(await _visitor.UntilAsync(id, "needs-confirmation"));
        second.ShouldNotBe(page);
        await _visitor.PostAsync($"/api/orders/{id}/cancel", null); // Nobody came back.
        await _visitor.UntilAsync(id, "cancelled");
        (await _visitor.AnswerAsync(second, "say", "yes")).ShouldContain("This is settled");
        (await HoldsAsync()).ShouldAllBe(hold => hold.State == HoldState.Closed);
    }

    [Fact]
    public async Task An_invoice_is_paid_before_anything_is_prepared_short_and_then_the_rest()
    {
        var (_, placed) = await PaidByAsync("invoice");
        var id = Id(placed);
        var waiting = await _visitor.UntilAsync(id, "needs-transfer");
        var step = waiting.GetProperty("steps")[0];
        (step.GetProperty("until").GetString(), waiting.GetProperty("charged").GetBoolean()).ShouldBe(
            ("2026-12-15", false)
        );
        var invoice = waiting.GetProperty("receipts")[0];
        (invoice.GetProperty("dueOn").GetString(), invoice.GetProperty("number").GetString()).ShouldBe(
            ("2026-12-15", waiting.GetProperty("reference").GetString() + "-1")
        );
        var ubl = await (await _visitor.RawAsync($"/api/orders/{id}/receipts/tidemarsh.xml")).Content.ReadAsStringAsync(
            TestContext.Current.CancellationToken
        );
        ubl.ShouldContain("<cbc:DueDate>2026-12-15</cbc:DueDate>");
        ubl.ShouldContain("<cbc:PayableAmount currencyID=\"GBP\">65.15</cbc:PayableAmount>");
        (await _visitor.RawAsync($"/api/orders/{id}/receipts/tidemarsh.pdf")).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await _visitor.MailAsync("Your invoice")).ShouldContain("To pay: £65.15");
        (await _visitor.AnswerAsync(Page(waiting), "amount", "lots")).ShouldContain("role=\"alert\"");
        await _visitor.AnswerAsync(Page(waiting), "amount", "65.00");
        await _visitor.PostAsync($"/api/orders/{id}/look", null);
        await _visitor.WaitForAsync(async () =>
            (await _visitor.GetAsync($"/api/orders/{id}")).GetProperty("steps")[0].GetProperty("said").GetString()
            == "65.00 GBP of 65.15 GBP has arrived: 0.15 GBP is missing."
        );
        (await CountAsync(db => db.Accounts)).ShouldBe(0);
        await _visitor.AnswerAsync(Page(waiting), "amount", "0.15");
        var done = await LookedAsync(id, "completed");
        done.GetProperty("receipts")[0].GetProperty("dueOn").ValueKind.ShouldBe(JsonValueKind.Null);
        (
            await (await _visitor.RawAsync($"/api/orders/{id}/receipts/tidemarsh.xml")).Content.ReadAsStringAsync(
                TestContext.Current.CancellationToken
            )
        ).ShouldNotContain("DueDate");
    }

    [Fact]
    public async Task An_invoice_that_is_never_paid_is_closed_and_late_money_is_sent_back()
    {
        var (_, placed) = await PaidByAsync("invoice");
        var id = Id(placed);
        var page = Page(await _visitor.UntilAsync(id, "needs-transfer"));
        await _host.MoveOnAsync(_visitor, 14);
        await _visitor.PostAsync($"/api/orders/{id}/look", null); // The last day.
        await _host.IdleAsync();
        (await _visitor.GetAsync($"/api/orders/{id}")).GetProperty("state").GetString().ShouldBe("needs-transfer");
        await _host.MoveOnAsync(_visitor, 1);
        (await LookedAsync(id, "needs-payment"))
            .GetProperty("problem")
            .GetProperty("code")
            .GetString()
            .ShouldBe("invoice-not-paid");
        (await _visitor.AnswerAsync(page, "amount", "65.15")).ShouldContain("sent back");
        (await CountAsync(db => db.Accounts)).ShouldBe(0);
        var (token, ending) = await _visitor.CardAsync(Visitor.GoodCard);
        await _visitor.PostAsync($"/api/orders/{id}/resume", new { card = new { token, ending } });
        await _visitor.UntilAsync(id, "completed");
    }

    [Fact]
    public async Task A_returning_customer_pays_from_the_balance_with_the_rest_by_card()
    {
        (
            await _visitor.PostAsync("/api/sellers/tidemarsh/customer/code", new { mail = "ada@example.com" })
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        var code = Code().Match(await _visitor.MailAsync("Your code for Tidemarsh Hosting")).Value;
        var (status, wrong) = await _visitor.PostAsync(
            "/api/sellers/tidemarsh/customer/confirm",
            new { code = code == "000000" ? "111111" : "000000" }
        );
        (status, wrong.GetProperty("errors")[0].GetProperty("where").GetString()).ShouldBe(
            (HttpStatusCode.UnprocessableEntity, "code")
        );
        (await _visitor.GetAsync("/api/sellers/tidemarsh/customer"))
            .GetProperty("balance")
            .ValueKind.ShouldBe(JsonValueKind.Null);
        (await _visitor.PostAsync("/api/sellers/tidemarsh/customer/confirm", new { code }))
            .Body.GetProperty("balance")
            .GetString()
            .ShouldBe("40.00");
        (await _visitor.PostAsync("/api/sellers/tidemarsh/customer/confirm", new { code })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        ); // Once.
        (await _visitor.GetAsync("/api/sellers/tidemarsh/customer"))
            .GetProperty("balance")
            .GetString()
            .ShouldBe("40.00");
        var id = Id(
            (
                await _visitor.TryOrderAsync(
                    more: new
                    {
                        payments = new[]
                        {
                            new
                            {
                                book = "tidemarsh",
                                way = "card",
                                balance = true,
                            },
                        },
                    }
                )
            ).Body
        );
        (await _visitor.UntilAsync(id, "completed"))
            .GetProperty("paidBy")
            .GetString()
            .ShouldBe("from your balance and by the card that ends in 0004");
        (await HoldsAsync()).ShouldBe(
            [("balance", HoldState.Captured, "40.00"), ("card", HoldState.Captured, (await DueAsync(id)))],
            ignoreOrder: true
        );
        (await _visitor.GetAsync("/api/sellers/tidemarsh/customer"))
            .GetProperty("balance")
            .GetString()
            .ShouldBe("0.00");
    }

    [Fact]
    public async Task After_an_order_codes_for_new_customers_stop_counting_at_that_seller()
    {
        await _visitor.DoAsync(
            new
            {
                kind = "choose-plan",
                letter = "A",
                book = "quillhaven",
                plan = "inkwell",
            }
        );
        await _visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = (object?)null,
            }
        );
        await _visitor.DoAsync(
            new
            {
                kind = "enter-code",
                letter = "A",
                code = "PLUME30",
            }
        );
        Verdict(await _visitor.SiteAsync("A")).ShouldBe("applied");
        await _visitor.UntilAsync(Id(await _visitor.OrderAsync()), "completed");
        Verdict(await _visitor.SiteAsync("A")).ShouldNotBe("applied");
        (
            await _host.InDatabaseAsync(db =>
                db.Customers.IgnoreQueryFilters()
                    .Where(row => row.WorkspaceId == _visitor.Workspace)
                    .Select(row => row.BookId)
                    .ToListAsync()
            )
        ).ShouldBe(["quillhaven"]);
    }

    private static string Verdict(JsonElement page) =>
        page.GetProperty("worksheet")
            .GetProperty("costing")
            .GetProperty("codes")
            .EnumerateArray()
            .Single(code => code.GetProperty("code").GetString() == "PLUME30")
            .GetProperty("verdict")
            .GetString()!;

    [Fact]
    public async Task Notices_are_believed_only_when_signed_and_then_no_more_than_to_look()
    {
        var id = Id(await _visitor.OrderAsync(CarefulBank));
        var waiting = await _visitor.UntilAsync(id, "needs-confirmation");
        var notice = JsonSerializer.Serialize(
            new
            {
                id = Guid.NewGuid(),
                world = _visitor.Workspace.ToString("N"),
                key = "any",
                state = "paid",
            }
        );
        var secret = CounterpartsSecret.Read(_host.DataFolder);
        (await NoticeAsync(notice, "00")).ShouldBe(HttpStatusCode.Unauthorized);
        (await NoticeAsync(notice, Notices.Sign("another", notice))).ShouldBe(HttpStatusCode.Unauthorized);
        // Before a byte of it is read.
        (await NoticeAsync(notice, Notices.Sign(secret, notice), knows: false)).ShouldBe(HttpStatusCode.Unauthorized);
        (await NoticeAsync("[]", Notices.Sign(secret, "[]"))).ShouldBe(HttpStatusCode.BadRequest);
        (await NoticeAsync("{", Notices.Sign(secret, "{"))).ShouldBe(HttpStatusCode.BadRequest);
        var early = Notices.Sign(secret, notice);
        // It says that it is paid: that is asked for, and is not so.
        (await NoticeAsync(notice, early)).ShouldBe(HttpStatusCode.NoContent);
        await _host.IdleAsync();
        (await _visitor.GetAsync($"/api/orders/{id}")).GetProperty("state").GetString().ShouldBe("needs-confirmation");
        await _visitor.AnswerAsync(waiting, "say", "yes");
        for (var times = 0; times < 3; times++)
        {
            (await NoticeAsync(notice, early)).ShouldBe(HttpStatusCode.NoContent);
        }

        await _visitor.UntilAsync(id, "completed");
        (await HoldsAsync()).ShouldBe([("card", HoldState.Captured, "65.15")]);
        (await NoticeAsync(notice, early)).ShouldBe(HttpStatusCode.NoContent); // Late.
    }

    [Fact]
    public async Task A_balance_that_is_not_there_or_a_way_nobody_knows_is_said_with_its_place()
    {
        Where(await PaidByAsync("beads")).ShouldBe(["payments[0].way"]);
        Where(
                await _visitor.TryOrderAsync(
                    more: new
                    {
                        payments = new[]
                        {
                            new
                            {
                                book = "tidemarsh",
                                way = "card",
                                balance = true,
                            },
                        },
                    }
                )
            )
            .ShouldBe(["payments.tidemarsh"]);
        Where(await _visitor.TryOrderAsync(more: new { card = (object?)null })).ShouldBe(["card"]);
        Where(
                await _visitor.TryOrderAsync(
                    more: new
                    {
                        payments = new[]
                        {
                            new { book = "tidemarsh", way = "card" },
                            new { book = "tidemarsh", way = "wallet" },
                        },
                    }
                )
            )
            .ShouldBe(["payments[1]"]);
        (
            await _visitor.PostAsync("/api/sellers/nobody/customer/code", new { mail = "ada@example.com" })
        ).Status.ShouldBe(HttpStatusCode.NotFound);
        Where(await _visitor.PostAsync("/api/sellers/tidemarsh/customer/code", new { mail = "ada" }))
            .ShouldBe(["mail"]);
        await _visitor.TellAsync("customers", "down");
        (
            await _visitor.PostAsync("/api/sellers/tidemarsh/customer/code", new { mail = "ada@example.com" })
        ).Status.ShouldBe(HttpStatusCode.ServiceUnavailable);
        (await _visitor.PostAsync("/api/sellers/tidemarsh/customer/confirm", new { code = "123456" })).Status.ShouldBe(
            HttpStatusCode.ServiceUnavailable
        );
        (await _visitor.GetAsync("/api/orders")).GetArrayLength().ShouldBe(0);
    }

    private Task<(HttpStatusCode Status, JsonElement Body)> PaidByAsync(string way) =>
        _visitor.TryOrderAsync(
            more: new { card = (object?)null, payments = new[] { new { book = "tidemarsh", way } } }
        );

    private async Task<JsonElement> LookedAsync(Guid id, string state)
    {
        await _visitor.PostAsync($"/api/orders/{id}/look", null);
        return await _visitor.UntilAsync(id, state);
    }

    private async Task<HttpStatusCode> NoticeAsync(string body, string signature, bool knows = true)
    {
        using var app = _host.App();
        app.DefaultRequestHeaders.Authorization = knows
            ? new("Bearer", HomeStart.Web.Startup.CounterpartsSecret.Read(_host.DataFolder))
            : null;
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/notices/payments")
        {
            Content = new StringContent(body, Encoding.UTF8, "application/json"),
        };
        request.Headers.Add(Notices.SignatureHeader, signature);
        using var response = await app.SendAsync(request);
        return response.StatusCode;
    }

    private async Task<string> DueAsync(Guid id)
    {
        var payment = (await _visitor.GetAsync($"/api/orders/{id}")).GetProperty("payments")[0];
        return (
            decimal.Parse(payment.GetProperty("amount").GetString()!, System.Globalization.CultureInfo.InvariantCulture)
            - 40m
        ).ToString(System.Globalization.CultureInfo.InvariantCulture);
    }

    private Task<int> CountAsync<T>(Func<CounterpartsDb, DbSet<T>> rows)
        where T : class => _host.InCounterpartsAsync(db => rows(db).CountAsync());

    private async Task<List<(string Way, HoldState State, string? Captured)>> HoldsAsync() =>
        [
            .. (await _host.InCounterpartsAsync(db => db.Holds.ToListAsync())).Select(hold =>
                (hold.Way, hold.State, hold.Captured)
            ),
        ];

    private static Guid Id(JsonElement order) => order.GetProperty("id").GetGuid();

    private static string Page(JsonElement order) =>
        order
            .GetProperty("steps")
            .EnumerateArray()
            .Select(step => step.GetProperty("page").GetString())
            .First(page => page is not null)!;

    private static List<string?> Where((HttpStatusCode Status, JsonElement Body) answer) =>
        [.. answer.Body.GetProperty("errors").EnumerateArray().Select(fault => fault.GetProperty("where").GetString())];

    [GeneratedRegex("[0-9]{6}", RegexOptions.None, 1000)]
    private static partial Regex Code();
}
