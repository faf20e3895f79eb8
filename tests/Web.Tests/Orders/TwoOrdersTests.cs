using System.Net;
using System.Text.Json;
using HomeStart.Counterparts;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>
/// One owner with two orders, of two sellers in two currencies: nothing of one is reached through the other, however
/// real its ids are.
/// </summary>
public sealed class TwoOrdersTests : OneOwner
{
    private static readonly object Files = new
    {
        folder = "",
        alone = false,
        unpacks = false,
        files = new[] { new { path = "index.html", size = 5 } },
    };

    [Fact]
    public async Task Nothing_of_one_order_is_reached_through_the_other()
    {
        var (first, second) = await BothAsync();
        var upload = (await _visitor.PostAsync($"/api/orders/{first}/uploads", Files)).Body.GetProperty("id").GetGuid();
        var bought = await BoughtAsync();
        (
            await _visitor.SendBytesAsync(
                HttpMethod.Post,
                $"/api/orders/{bought}/kept?name=bill.pdf",
                "%PDF-1.4 a bill"u8.ToArray(),
                "application/octet-stream"
            )
        ).Status.ShouldBe(HttpStatusCode.OK);
        var kept = (await _visitor.GetAsync($"/api/orders/{bought}/kept"))[0].GetProperty("id").GetGuid();
        var hello = "hello"u8.ToArray();

        (HttpMethod Method, string Own, string Other, object? Body)[] routes =
        [
            (HttpMethod.Get, $"/api/orders/{bought}/kept/{kept}", $"/api/orders/{second}/kept/{kept}", null),
            (
                HttpMethod.Get,
                $"/api/orders/{first}/receipts/tidemarsh.pdf",
                $"/api/orders/{second}/receipts/tidemarsh.pdf",
                null
            ),
            (
                HttpMethod.Get,
                $"/api/orders/{second}/receipts/saltglass.xml",
                $"/api/orders/{first}/receipts/saltglass.xml",
                null
            ),
            (
                HttpMethod.Post,
                $"/api/orders/{first}/holders/ostlerwren.com/write",
                $"/api/orders/{second}/holders/ostlerwren.com/write",
                null
            ),
            (
                HttpMethod.Put,
                $"/api/orders/{first}/uploads/{upload}/files/0?from=0",
                $"/api/orders/{second}/uploads/{upload}/files/0?from=0",
                hello
            ),
            (
                HttpMethod.Post,
                $"/api/orders/{first}/uploads/{upload}/put-up",
                $"/api/orders/{second}/uploads/{upload}/put-up",
                null
            ),
            (HttpMethod.Delete, $"/api/orders/{bought}/kept/{kept}", $"/api/orders/{second}/kept/{kept}", null),
        ];
        foreach (var (method, own, other, body) in routes)
        {
            (await AskAsync(method, other, body)).ShouldBeOneOf(
                [HttpStatusCode.NotFound, HttpStatusCode.UnprocessableEntity, HttpStatusCode.Conflict],
                $"{method} {other}"
            );
            ((int)await AskAsync(method, own, body)).ShouldBeInRange(200, 299, $"{method} {own}");
        }
    }

    [Fact]
    public async Task What_is_decided_about_one_changes_the_other_in_nothing()
    {
        var (first, second) = await BothAsync();
        var before = await TenuresAsync();
        var other = before[second].ToString();
        var decided = new
        {
            version = before[first].GetProperty("version").GetInt32(),
            decision = new
            {
                on = "2026-12-02",
                @do = "renewing",
                holding = "hosting",
                value = false,
            },
        };
        var (status, body) = await _visitor.PostAsync($"/api/orders/{first}/upkeep/decisions", decided);
        status.ShouldBe(HttpStatusCode.NoContent, body.ToString());
        var after = await TenuresAsync();
        after[first].ToString().ShouldNotBe(before[first].ToString());
        after[second].ToString().ShouldBe(other);
    }

    [Fact]
    public async Task Each_is_paid_in_its_own_currency_against_its_own_sellers_sum()
    {
        var (first, second) = await BothAsync();
        var quotes = await _host.InCounterpartsAsync(db =>
            db.Quotes.Where(row => row.Kind == QuoteKind.Order)
                .Select(row => new { row.Book, row.Currency })
                .Distinct()
                .ToListAsync()
        );
        quotes
            .Select(quote => $"{quote.Book} {quote.Currency}")
            .ShouldBe(["saltglass USD", "tidemarsh GBP"], ignoreOrder: true);
        (await _visitor.GetAsync($"/api/orders/{first}")).ToString().ShouldNotContain("Saltglass");
        (await _visitor.GetAsync($"/api/orders/{second}")).ToString().ShouldNotContain("Tidemarsh");
    }

    private async Task<HttpStatusCode> AskAsync(HttpMethod method, string path, object? body) =>
        body is byte[] bytes ? (await _visitor.SendBytesAsync(method, path, bytes, "application/octet-stream")).Status
        : method == HttpMethod.Get ? await StatusAsync(path)
        : (await _visitor.SendBytesAsync(method, path, [], null)).Status;

    private async Task<HttpStatusCode> StatusAsync(string path)
    {
        using var answer = await _visitor.RawAsync(path);
        return answer.StatusCode;
    }

    // Tidemarsh in pounds, then Saltglass in dollars.
    private async Task<(Guid First, Guid Second)> BothAsync()
    {
        var first = (await _visitor.OrderAsync()).GetProperty("id").GetGuid();
        await _visitor.UntilAsync(first, "completed");
        await _visitor.DoAsync(
            new
            {
                kind = "choose-plan",
                letter = "A",
                book = "saltglass",
                plan = "shard",
            }
        );
        await _visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new
                {
                    route = "register",
                    book = "saltglass",
                    name = "ostlerbarometer",
                    ending = "com",
                    years = 1,
                },
            }
        );
        var second = (await _visitor.OrderAsync()).GetProperty("id").GetGuid();
        await _visitor.UntilAsync(second, "completed");
        return (first, second);
    }

    private async Task<Guid> BoughtAsync()
    {
        var id = Guid.NewGuid();
        await _visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new
                {
                    route = "register",
                    book = "saltglass",
                    name = "ostlerclocks",
                    ending = "com",
                    years = 1,
                },
            }
        );
        var (status, body) = await _visitor.PostAsync(
            $"/api/sites/{_visitor.SiteId}/bought",
            new
            {
                id,
                letter = "A",
                boughtOn = "2026-12-01",
                name = "Ada Wren",
                mail = _visitor.Mail,
                receipts = new[] { new { book = "saltglass", paid = "6.90" } },
                keys = new { },
            }
        );
        status.ShouldBe(HttpStatusCode.OK, body.ToString());
        return id;
    }

    private async Task<Dictionary<Guid, JsonElement>> TenuresAsync()
    {
        var tenures = new Dictionary<Guid, JsonElement>();
        await _visitor.WaitForAsync(async () =>
        {
            var page = await _visitor.GetAsync($"/api/sites/{_visitor.SiteId}/upkeep");
            tenures = page.GetProperty("tenures")
                .EnumerateArray()
                .ToDictionary(tenure => tenure.GetProperty("orderId").GetGuid());
            return tenures.Count == 2 && !page.GetProperty("isMoving").GetBoolean();
        });
        return tenures;
    }
}
