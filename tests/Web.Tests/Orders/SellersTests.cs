using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Counterparts;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>
/// What a seller is paid is what the seller names, whatever the owner's files, settings and requests say; and what was
/// told to each counterpart is what was agreed to.
/// </summary>
public sealed class SellersTests : OneOwner
{
    [Fact]
    public async Task What_is_held_and_taken_is_the_quote_and_every_counterpart_is_told_it()
    {
        var order = await DeliveredAsync();
        var quotes = Documents.Read<Order>(await DocumentAsync(order)).Quotes.ShouldHaveSingleItem();
        var quote = await _host.InCounterpartsAsync(db => db.Quotes.SingleAsync(row => row.Id == quotes.Id));
        (quote.Amount, quote.Currency, quote.Kind, quote.Book).ShouldBe(("65.15", "GBP", QuoteKind.Order, "tidemarsh"));
        var hold = await _host.InCounterpartsAsync(db => db.Holds.SingleAsync());
        (hold.Quote, hold.Amount, hold.Captured, hold.Book, hold.State).ShouldBe(
            (quote.Id, "65.15", "65.15", "tidemarsh", HoldState.Captured)
        );
        var name = await _host.InCounterpartsAsync(db => db.Registrations.SingleAsync());
        (name.Domain, name.Registrar, name.Holder, name.Registered, name.Expires, name.HolderMail).ShouldBe(
            ("ostlerwren.com", "tidemarsh", "Kept private", TestHost.Today, TestHost.Today.AddYears(1), _visitor.Mail)
        );
        var account = await _host.InCounterpartsAsync(db => db.Accounts.SingleAsync());
        (account.Book, account.Plan, account.Domain).ShouldBe(("tidemarsh", "slipway", "ostlerwren.com"));
    }

    [Fact]
    public async Task The_cards_last_digits_are_the_processors_word_and_not_the_callers()
    {
        var card = await _visitor.CardAsync(Visitor.GoodCard);
        var (status, body) = await _visitor.TryOrderAsync(
            more: new { card = new { token = card.Token, ending = "9876" } }
        );
        status.ShouldBe(HttpStatusCode.OK);
        body.GetProperty("cardEnding").GetString().ShouldBe("0004");
        // They are a customer from then on, and are quoted as one.
        await _visitor.UntilAsync(body.GetProperty("id").GetGuid(), "completed");
        var unknown = await _visitor.TryOrderAsync(
            more: new { again = true, card = new { token = "card_" + new string('0', 32) } }
        );
        Wheres(unknown.Body).ShouldContain("card"); // The name is not free any more, which is said too.
    }

    [Fact]
    public async Task A_price_list_of_ones_own_is_never_ordered_from_whoevers_id_it_bears()
    {
        var (_, file) = await _visitor.SendAsync(HttpMethod.Get, "/api/shelf/tidemarsh/file", null);
        var cheap = JsonNode.Parse(file.ToString())!;
        foreach (var amount in Amounts(cheap).ToList())
        {
            amount["amount"] = "0.01";
        }

        (await _visitor.PostAsync("/api/shelf", cheap)).Status.ShouldBe(HttpStatusCode.OK);
        var (status, body) = await _visitor.TryOrderAsync();
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        body.ToString().ShouldContain("ordered from here");
        (await _host.InCounterpartsAsync(db => db.Holds.CountAsync())).ShouldBe(0);
        var asked = await _visitor.PostAsync(
            $"/api/sites/{_visitor.SiteId}/orders/quotes",
            new { letter = "A", country = "GB" }
        );
        asked.Body.GetProperty("quotes").GetArrayLength().ShouldBe(0);
        asked.Body.GetProperty("differences")[0].GetProperty("message").GetString()!.ShouldContain("ordered from here");

        // The very bytes of the seller's own list, put on the shelf, are the visitor's all the same.
        (await _visitor.SendAsync(HttpMethod.Delete, "/api/shelf/tidemarsh", null)).Status.ShouldBe(HttpStatusCode.OK);
        await _visitor.UntilAsync((await _visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
    }

    [Theory]
    [InlineData("set-tax", "0", "tax")]
    [InlineData("set-tax", "19", "tax")]
    public async Task Another_tax_than_the_sellers_stops_the_order_and_says_so(string kind, string percent, string said)
    {
        await _visitor.DoAsync(
            new
            {
                kind,
                percent,
                count = true,
            }
        );
        var (status, body) = await _visitor.TryOrderAsync();
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        Wheres(body).ShouldBe(["quotes.tidemarsh"]);
        body.ToString().ShouldContain(said);
        (await _host.InCounterpartsAsync(db => db.Holds.CountAsync())).ShouldBe(0);
    }

    [Fact]
    public async Task The_tax_is_that_of_the_holders_country()
    {
        var asked = await _visitor.PostAsync(
            $"/api/sites/{_visitor.SiteId}/orders/quotes",
            new { letter = "A", country = "IE" }
        );
        asked.Body.GetProperty("differences")[0].GetProperty("message").GetString()!.ShouldContain("23%");
        await _visitor.DoAsync(
            new
            {
                kind = "set-tax",
                percent = "23",
                count = true,
            }
        );
        var (status, _) = await _visitor.TryOrderAsync(
            contact: new
            {
                name = "Ada Wren",
                mail = _visitor.Mail,
                street = "4 Mill Lane",
                town = "Cork",
                postcode = "T12",
                country = "IE",
            }
        );
        status.ShouldBe(HttpStatusCode.OK);
        (
            await _host.InCounterpartsAsync(db =>
                db.Quotes.Where(row => row.Kind == QuoteKind.Order && row.Amount == "66.78").CountAsync()
            )
        ).ShouldBeGreaterThan(0); // 54.29 and 12.49.
    }

    [Fact]
    public async Task A_rate_that_makes_sums_look_small_makes_nothing_cheaper()
    {
        await _visitor.DoAsync(
            new
            {
                kind = "set-display",
                currency = "EUR",
                rates = new Dictionary<string, string> { ["GBP"] = "0.00000001", ["USD"] = "0.00000001" },
            }
        );
        await _visitor.UntilAsync((await _visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        (await _host.InCounterpartsAsync(db => db.Holds.SingleAsync())).Captured.ShouldBe("65.15");
    }

    [Fact]
    public async Task A_quote_is_for_one_purchase_for_half_an_hour_and_of_ones_own_world()
    {
        var quotes = await _visitor.QuotesAsync();
        var other = _host.Visit();
        await other.OpenAsync();
        Wheres((await other.TryOrderAsync(more: new { quotes })).Body).ShouldBe(["quotes.tidemarsh"]);
        Wheres((await _visitor.TryOrderAsync(more: new { quotes = Array.Empty<object>() })).Body)
            .ShouldBe(["quotes.tidemarsh"]);
        await _visitor.DoAsync(
            new
            {
                kind = "choose-billing",
                letter = "A",
                everyMonths = 36,
                commitMonths = 36,
            }
        );
        Wheres((await _visitor.TryOrderAsync(more: new { quotes })).Body).ShouldBe(["quotes.tidemarsh"]);
        var fresh = await _visitor.QuotesAsync();
        await AgeAsync(TimeSpan.FromMinutes(31));
        Wheres((await _visitor.TryOrderAsync(more: new { quotes = fresh })).Body).ShouldBe(["quotes.tidemarsh"]);
        (await _host.InCounterpartsAsync(db => db.Holds.CountAsync())).ShouldBe(0);

        // Where the sum that was seen is said, the seller is asked anew; it must be the same.
        Wheres(
                (
                    await _visitor.TryOrderAsync(
                        more: new
                        {
                            quotes = new[]
                            {
                                new
                                {
                                    book = "tidemarsh",
                                    id = fresh[0]!["id"]!.GetValue<string>(),
                                    total = "65.15",
                                },
                            },
                        }
                    )
                ).Body
            )
            .ShouldBe(["quotes.tidemarsh"]);
        var due = (
            await _visitor.PostAsync(
                $"/api/sites/{_visitor.SiteId}/orders/quotes",
                new { letter = "A", country = "GB" }
            )
        )
            .Body.GetProperty("quotes")[0]
            .GetProperty("total")
            .GetString();
        (
            await _visitor.TryOrderAsync(
                more: new
                {
                    quotes = new[]
                    {
                        new
                        {
                            book = "tidemarsh",
                            id = fresh[0]!["id"]!.GetValue<string>(),
                            total = due,
                        },
                    },
                }
            )
        ).Status.ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_refused_card_is_followed_by_another_also_after_the_quote_has_run_out()
    {
        var order = (await _visitor.OrderAsync(Visitor.PoorCard)).GetProperty("id").GetGuid();
        await _visitor.UntilAsync(order, "needs-payment");
        await AgeAsync(TimeSpan.FromHours(2));
        var card = await _visitor.CardAsync(Visitor.GoodCard);
        (
            await _visitor.PostAsync(
                $"/api/orders/{order}/resume",
                new { card = new { token = card.Token, ending = "1111" } }
            )
        ).Status.ShouldBe(HttpStatusCode.OK);
        (await _visitor.UntilAsync(order, "completed")).GetProperty("cardEnding").GetString().ShouldBe("0004");
    }

    [Fact]
    public async Task Where_the_sellers_prices_changed_the_order_says_what_differs_and_asks_nothing_of_the_card()
    {
        await using var host = await TestHost.StartAsync(sellers: books =>
            [
                .. books.Select(book =>
                    book.Id != "tidemarsh"
                        ? book
                        : book with
                        {
                            Plans = [.. book.Plans.Select(Dearer)],
                            Promotions = [],
                        }
                ),
            ]
        );
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var (status, body) = await visitor.TryOrderAsync();
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        var said = body.GetProperty("errors")
            .EnumerateArray()
            .Select(fault => fault.GetProperty("message").GetString()!)
            .ToList();
        said.ShouldContain(sentence => sentence.Contains("does not know the code", StringComparison.Ordinal));
        said.ShouldContain(sentence =>
            sentence.Contains("Slipway", StringComparison.Ordinal)
            && sentence.Contains("price list is old", StringComparison.Ordinal)
        );
        (await host.InCounterpartsAsync(db => db.Holds.CountAsync())).ShouldBe(0);

        static Plan Dearer(Plan plan) =>
            plan with
            {
                Billing =
                [
                    .. plan.Billing.Select(option =>
                        option with
                        {
                            Prices = new PriceSteps([
                                .. option.Prices.Steps.Select(step => step with { Units = step.Units + 100 }),
                            ]),
                        }
                    ),
                ],
            };
    }

    [Fact]
    public async Task Money_moves_only_against_a_sum_of_that_kind_seller_and_amount_and_once()
    {
        await DeliveredAsync();
        using var outside = _host.Counterparts();
        outside.DefaultRequestHeaders.Add("X-World", $"{_visitor.Workspace:N}");
        var order = await _host.InCounterpartsAsync(db =>
            db.Quotes.SingleAsync(row => row.Kind == QuoteKind.Order && db.Holds.Any(hold => hold.Quote == row.Id))
        );
        var card = (await _visitor.CardAsync(Visitor.GoodCard)).Token;
        (
            await PostAsync(
                "/charges",
                "a",
                new
                {
                    quote = (string?)null,
                    token = card,
                    wallet = false,
                    amount = "1.00",
                    currency = "GBP",
                    book = "tidemarsh",
                    seller = "T",
                    date = "2027-01-01",
                }
            )
        ).ShouldBe(HttpStatusCode.Conflict);
        (
            await PostAsync(
                "/charges",
                "b",
                new
                {
                    quote = order.Id,
                    token = card,
                    wallet = false,
                    amount = "65.15",
                    currency = "GBP",
                    book = "tidemarsh",
                    seller = "T",
                    date = "2027-01-01",
                }
            )
        ).ShouldBe(HttpStatusCode.Conflict);
        (
            await PostAsync(
                "/refunds",
                "c",
                new
                {
                    quote = order.Id,
                    token = card,
                    wallet = false,
                    amount = "65.15",
                    currency = "GBP",
                    book = "tidemarsh",
                    seller = "T",
                    date = "2027-01-01",
                }
            )
        ).ShouldBe(HttpStatusCode.Conflict);
        (
            await PostAsync("/sellers/tidemarsh/customers/me/balance", "d", new { quote = order.Id, by = "65.15" })
        ).ShouldBe(HttpStatusCode.Conflict);
        (
            await PostAsync(
                "/holds",
                "e",
                new
                {
                    quote = order.Id,
                    way = "card",
                    token = card,
                    amount = "0.01",
                    currency = "GBP",
                    book = "tidemarsh",
                    seller = "T",
                    date = "2026-12-01",
                }
            )
        ).ShouldBe(HttpStatusCode.Conflict); // All of it is held already.
        (
            await PostAsync(
                "/registrars/tidemarsh/registrations",
                "f",
                new
                {
                    domain = "another.com",
                    quote = order.Id,
                    years = 1,
                    holder = "A",
                    mail = "a@example.com",
                    country = "GB",
                    @private = false,
                    date = "2026-12-01",
                }
            )
        ).ShouldBe(HttpStatusCode.Conflict);
        (
            await PostAsync(
                "/registrars/nameyarrow/registrations",
                "g",
                new
                {
                    domain = "another.com",
                    quote = (string?)null,
                    years = 1,
                    holder = "A",
                    mail = "a@example.com",
                    country = "GB",
                    @private = false,
                    date = "2026-12-01",
                }
            )
        ).ShouldBe(HttpStatusCode.Conflict);
        (
            await PostAsync(
                "/hosts/tidemarsh/accounts",
                "h",
                new
                {
                    plan = "harbour",
                    quote = order.Id,
                    mail = "a@example.com",
                }
            )
        ).ShouldBe(HttpStatusCode.Conflict);
        (await _host.InCounterpartsAsync(db => db.Charges.CountAsync())).ShouldBe(0);

        // The renewal's own sum moves once, under one key.
        await _host.MoveOnAsync(_visitor, 366);
        await _visitor.PostAsync("/api/clock", new { from = "2027-12-02", to = "2027-12-03" });
        await _visitor.WaitForAsync(() => _host.InCounterpartsAsync(db => db.Charges.AnyAsync()));
        var used = await _host.InCounterpartsAsync(db =>
            db.Quotes.FirstAsync(row => row.Kind == QuoteKind.Charge && row.UsedBy != null)
        );
        (
            await PostAsync(
                "/charges",
                "i",
                new
                {
                    quote = used.Id,
                    token = card,
                    wallet = false,
                    amount = used.Amount,
                    currency = "GBP",
                    book = "tidemarsh",
                    seller = "T",
                    date = "2027-12-01",
                }
            )
        ).ShouldBe(HttpStatusCode.Conflict);

        async Task<HttpStatusCode> PostAsync(string path, string key, object body)
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, path)
            {
                Content = System.Net.Http.Json.JsonContent.Create(body),
            };
            request.Headers.Add("Idempotency-Key", key);
            using var response = await outside.SendAsync(request);
            return response.StatusCode;
        }
    }

    [Fact]
    public async Task Of_five_claims_at_once_one_gets_the_domain_year()
    {
        var order = await WithoutDomainAsync();
        var claims = await Task.WhenAll(
            Enumerable
                .Range(0, 5)
                .Select(number =>
                    _visitor.PostAsync(
                        $"/api/orders/{order}/claim",
                        new
                        {
                            id = Guid.NewGuid(),
                            name = $"wrenclocks{number}",
                            ending = "com",
                            agreed = true,
                        }
                    )
                )
        );
        claims.Count(claim => claim.Status == HttpStatusCode.OK).ShouldBe(1);
        var placed = claims.Single(claim => claim.Status == HttpStatusCode.OK).Body.GetProperty("id").GetGuid();
        await _visitor.UntilAsync(placed, "completed");
        (await _host.InCounterpartsAsync(db => db.Registrations.CountAsync())).ShouldBe(1);
        (await _host.InCounterpartsAsync(db => db.Allowances.CountAsync())).ShouldBe(1);
        (
            await _visitor.PostAsync(
                $"/api/orders/{order}/claim",
                new
                {
                    id = Guid.NewGuid(),
                    name = "wrenagain",
                    ending = "com",
                    agreed = true,
                }
            )
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_claim_that_comes_to_nothing_gives_the_domain_year_back()
    {
        var order = await WithoutDomainAsync();
        await _visitor.TellAsync("registrar", "ok");
        await _visitor.TakeNameAsync("wrenclocks.com");
        var (status, _) = await _visitor.PostAsync(
            $"/api/orders/{order}/claim",
            new
            {
                id = Guid.NewGuid(),
                name = "wrenclocks",
                ending = "com",
                agreed = true,
            }
        );
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await _host.InDatabaseAsync(db => db.ClaimedAllowances.IgnoreQueryFilters().CountAsync())).ShouldBe(0);
        var claimed = await _visitor.PostAsync(
            $"/api/orders/{order}/claim",
            new
            {
                id = Guid.NewGuid(),
                name = "wrenhouse",
                ending = "com",
                agreed = true,
            }
        );
        await _visitor.UntilAsync(claimed.Body.GetProperty("id").GetGuid(), "completed");
    }

    [Fact]
    public async Task Nothing_can_be_claimed_of_hosting_that_was_given_back()
    {
        var order = await WithoutDomainAsync();
        await _host.MoveOnAsync(_visitor, 2);
        await _visitor.WaitForAsync(async () =>
            (await _visitor.GetAsync($"/api/sites/{_visitor.SiteId}/upkeep"))
                .ToString()
                .Contains("\"expires\":\"2029", StringComparison.Ordinal)
        ); // Opened by itself; then the card's last day is asked for.
        var version = (await _visitor.GetAsync($"/api/sites/{_visitor.SiteId}/upkeep"))
            .GetProperty("tenures")
            .EnumerateArray()
            .Single(tenure => tenure.GetProperty("orderId").GetGuid() == order)
            .GetProperty("version")
            .GetInt32();
        (
            await _visitor.PostAsync(
                $"/api/orders/{order}/upkeep/decisions",
                new { version, decision = new { on = "2026-12-03", @do = "leave" } }
            )
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        (await _visitor.RawAsync($"/api/orders/{order}/claim")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (
            await _visitor.PostAsync(
                $"/api/orders/{order}/claim",
                new
                {
                    id = Guid.NewGuid(),
                    name = "wrenclocks",
                    ending = "com",
                    agreed = true,
                }
            )
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await _host.InCounterpartsAsync(db => db.Registrations.CountAsync())).ShouldBe(0);
    }

    [Fact]
    public async Task A_balance_is_spent_once_however_many_ask_at_once()
    {
        // Forty are waiting. Two sellers' worth of holds ask for all of it at the same moment.
        await _visitor.ConfirmAsync();
        using var outside = _host.Counterparts();
        outside.DefaultRequestHeaders.Add("X-World", $"{_visitor.Workspace:N}");
        await _host.InCounterpartsAsync(async db =>
        {
            db.Customers.Add(
                new Counterparts.CustomerRow
                {
                    World = $"{_visitor.Workspace:N}",
                    Book = "tidemarsh",
                    Balance = "40.00",
                    Currency = "GBP",
                    IsConfirmed = true,
                }
            );
            return await db.SaveChangesAsync();
        });
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 12)
                .Select(async number =>
                {
                    using var request = new HttpRequestMessage(HttpMethod.Post, "/holds")
                    {
                        Content = System.Net.Http.Json.JsonContent.Create(
                            new
                            {
                                quote = (string?)null,
                                way = "balance",
                                amount = "40.00",
                                currency = "GBP",
                                book = "tidemarsh",
                                seller = "Tidemarsh",
                                date = "2026-12-01",
                            }
                        ),
                    };
                    request.Headers.Add("Idempotency-Key", $"key{number}");
                    using var response = await outside.SendAsync(request);
                    return response.StatusCode;
                })
        );
        answers.Count(status => status == HttpStatusCode.OK).ShouldBe(1);
        (await _host.InCounterpartsAsync(db => db.Customers.SingleAsync())).Balance.ShouldBe("0.00");
    }

    private async Task<Guid> DeliveredAsync()
    {
        var order = (await _visitor.OrderAsync()).GetProperty("id").GetGuid();
        await _visitor.UntilAsync(order, "completed");
        return order;
    }

    private async Task<Guid> WithoutDomainAsync()
    {
        await _visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = (object?)null,
            }
        );
        return await DeliveredAsync();
    }

    private Task<string> DocumentAsync(Guid order) =>
        _host.InDatabaseAsync(db =>
            db.Orders.IgnoreQueryFilters().Where(row => row.Id == order).Select(row => row.Document).SingleAsync()
        );

    // Half an hour is real time, which only the seller's own clock tells.
    private Task<int> AgeAsync(TimeSpan by) =>
        _host.InCounterpartsAsync(db =>
            db.Quotes.ExecuteUpdateAsync(set =>
                set.SetProperty(row => row.ValidUntil, row => row.ValidUntil - (long)by.TotalSeconds)
            )
        );

    private static List<string> Wheres(JsonElement body) =>
        [.. body.GetProperty("errors").EnumerateArray().Select(fault => fault.GetProperty("where").GetString()!)];

    private static IEnumerable<JsonObject> Amounts(JsonNode node) =>
        node switch
        {
            JsonObject fields => (fields["amount"] is JsonValue ? [fields] : Enumerable.Empty<JsonObject>()).Concat(
                fields.Select(field => field.Value).OfType<JsonNode>().SelectMany(Amounts)
            ),
            JsonArray items => items.OfType<JsonNode>().SelectMany(Amounts),
            _ => [],
        };
}
