using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace HomeStart.Web.Tests;

/// <summary>From a seller's page to the shelf: advertisements and tables; and books changed where they stand.</summary>
public sealed class FromPageTests
{
    private static readonly object Lantern = new
    {
        provider = "Brightwater Hosting",
        plan = "Lantern",
        currency = "GBP",
        price = "2.99",
        pricePer = "month",
        months = "36",
        paid = "at-once",
        later = "stated",
        laterPrice = "8.99",
        laterPer = "month",
        tax = "on-top",
        includesDomain = true,
        endings = "com",
        domainFromMonths = "12",
        ticked = new[]
        {
            new
            {
                name = "Daily backup",
                price = "2",
                every = "month",
            },
        },
    };

    [Fact]
    public async Task An_advertisement_becomes_a_book_and_a_candidate_that_costs_what_was_said_beside_it()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var (status, looked) = await owner.PostAsync($"/api/sites/{owner.SiteId}/advertisement", Lantern);
        status.ShouldBe(HttpStatusCode.OK);
        looked.GetProperty("faults").GetArrayLength().ShouldBe(0);
        var costs = looked.GetProperty("costs");
        (
            Text(costs, "perMonth"),
            Text(costs.GetProperty("dueToday"), "amount"),
            Text(costs.GetProperty("threeYears"), "amount"),
            costs.GetProperty("threeYears").GetProperty("atLeast").GetBoolean(),
            Text(costs, "tickedInAdvance")
        ).ShouldBe(("2.99", "129.17", "129.17", true, "86.40"));
        Text(costs.GetProperty("afterFirstTerm"), "perMonth").ShouldBe("8.99");
        costs
            .GetProperty("notStated")
            .EnumerateArray()
            .Select(gap => Text(gap, "part"))
            .ShouldBe(["renewing", "refund"]);

        (await owner.PostAsync("/api/shelf", Text(looked, "book"))).Status.ShouldBe(HttpStatusCode.OK);
        var after = await owner.DoAsync(new { kind = "add-candidate", candidate = looked.GetProperty("candidate") });
        var slip = after.GetProperty("shortlist").EnumerateArray().Last();
        (
            Text(slip, "plan"),
            Text(slip, "horizon"),
            slip.GetProperty("atLeast").GetBoolean(),
            Text(slip, "dueToday")
        ).ShouldBe(("Lantern", "129.17", true, "129.17"));
        slip.GetProperty("books").EnumerateArray().Select(book => book.GetString()).ShouldBe(["brightwater-hosting"]);
    }

    [Fact]
    public async Task A_second_plan_of_a_seller_joins_the_book_and_other_sums_of_money_make_another()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        await TakeAsync(owner, Lantern);
        var second = JsonSerializer.SerializeToNode(Lantern)!.AsObject();
        second["plan"] = "Harbour";
        var looked = (await owner.PostAsync($"/api/sites/{owner.SiteId}/advertisement", second)).Body;
        Text(looked, "addsTo").ShouldBe("Brightwater Hosting");
        await owner.PostAsync("/api/shelf", Text(looked, "book"));
        Book(await owner.GetAsync("/api/shelf"), "brightwater-hosting")
            .GetProperty("book")
            .GetProperty("plans")
            .EnumerateArray()
            .Select(plan => Text(plan, "name"))
            .ShouldBe(["Lantern", "Harbour"]);

        second["currency"] = "EUR";
        var other = (await owner.PostAsync($"/api/sites/{owner.SiteId}/advertisement", second)).Body;
        other.GetProperty("addsTo").ValueKind.ShouldBe(JsonValueKind.Null);
        Text(JsonDocument.Parse(Text(other, "book")).RootElement, "id").ShouldBe("brightwater-hosting-2");
    }

    [Fact]
    public async Task What_an_advertisement_lacks_is_told_by_field_and_its_figures_come_as_soon_as_they_can()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var looked = (
            await owner.PostAsync(
                $"/api/sites/{owner.SiteId}/advertisement",
                new
                {
                    currency = "GBP",
                    price = "5",
                    pricePer = "month",
                    months = "1",
                    paid = "monthly-free",
                    later = "same",
                }
            )
        ).Body;
        looked
            .GetProperty("faults")
            .EnumerateArray()
            .Select(fault => Text(fault, "where"))
            .ShouldBe(["provider", "plan", "tax"]);
        Text(looked.GetProperty("costs").GetProperty("firstYear"), "amount").ShouldBe("72.00");
        looked.GetProperty("book").ValueKind.ShouldBe(JsonValueKind.Null);
        (await owner.PostAsync($"/api/sites/{Guid.NewGuid()}/advertisement", Lantern)).Status.ShouldBe(
            HttpStatusCode.NotFound
        );
    }

    [Fact]
    public async Task The_words_of_a_page_are_read_up_to_a_length()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var (_, found) = await owner.PostAsync(
            "/api/advertisements/read",
            new { text = "Lantern plan, £2.99 a month. <script>alert(1)</script>" }
        );
        found
            .EnumerateArray()
            .Select(finding => $"{Text(finding, "field")} {Text(finding, "value")}")
            .ShouldBe(["plan Lantern", "currency GBP", "price 2.99", "price-per month"]);
        (await owner.PostAsync("/api/advertisements/read", new { })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        (await owner.PostAsync("/api/advertisements/read", new { text = new string('x', 20_001) })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
    }

    [Fact]
    public async Task A_table_becomes_a_book_and_plans_go_out_and_come_back_as_a_spreadsheet_has_them()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var (_, table) = await owner.PostAsync(
            $"/api/sites/{owner.SiteId}/price-table",
            new
            {
                text = "Plan,Yearly,Renewal\nPebble,£48,£72\nCobble,£84,£120",
                provider = "Quarry Web",
                tax = "on-top",
            }
        );
        table.GetProperty("faults").GetArrayLength().ShouldBe(0);
        table
            .GetProperty("roles")
            .EnumerateArray()
            .Select(role => role.GetString())
            .ShouldBe(["plan", "way-12", "later"]);
        (await owner.PostAsync("/api/shelf", Text(table, "book"))).Status.ShouldBe(HttpStatusCode.OK);
        var csv = await (await owner.RawAsync("/api/shelf/quarry-web/plans.csv")).Content.ReadAsStringAsync(
            TestContext.Current.CancellationToken
        );
        csv.ShouldContain("Quarry Web,GBP,on-top,Pebble,12,12,,48.00,1,72.00,");
        var (_, again) = await owner.PostAsync($"/api/sites/{owner.SiteId}/price-table", new { text = csv });
        again.GetProperty("faults").GetArrayLength().ShouldBe(0);
        var look = (await owner.PostAsync("/api/shelf/look", Text(again, "book"))).Body;
        look.GetProperty("changes").GetArrayLength().ShouldBe(0);
        (await owner.RawAsync("/api/shelf/nobody/plans.csv")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_table_of_prices_asks_what_they_are_for_and_its_plans_come_with_what_buys_them()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var table = new
        {
            text = "Plan\tPrice\tRenews at\nTwig\t2.99\t6.99\nBough\t4.99\t9.99",
            provider = "Quarry Web",
            currency = "GBP",
            tax = "on-top",
        };
        var (_, asked) = await owner.PostAsync($"/api/sites/{owner.SiteId}/price-table", table);
        var fault = asked.GetProperty("faults").EnumerateArray().ShouldHaveSingleItem();
        (Text(fault, "where"), Text(fault, "message")).ShouldBe(
            ("months", "Say what each price is for: a month, a year or longer.")
        );
        var (_, read) = await owner.PostAsync(
            $"/api/sites/{owner.SiteId}/price-table",
            new
            {
                table.text,
                table.provider,
                table.currency,
                table.tax,
                months = 1,
            }
        );
        read.GetProperty("faults").GetArrayLength().ShouldBe(0);
        read.GetProperty("candidates")
            .EnumerateArray()
            .Select(candidate => Text(candidate.GetProperty("hosting"), "plan"))
            .ShouldBe(["twig", "bough"]);
        (await owner.PostAsync("/api/shelf", Text(read, "book"))).Status.ShouldBe(HttpStatusCode.OK);
        var slip = (await owner.DoAsync(new { kind = "add-candidate", candidate = read.GetProperty("candidates")[0] }))
            .GetProperty("shortlist")
            .EnumerateArray()
            .Last();
        Text(slip, "plan").ShouldBe("Twig");

        // What the price itself says needs no asking; what cannot be is refused at its place.
        var (_, yearly) = await owner.PostAsync(
            $"/api/sites/{owner.SiteId}/price-table",
            new
            {
                text = "Plan\tPrice\nTwig\t£48.00 a year",
                table.provider,
                table.currency,
                table.tax,
            }
        );
        yearly.GetProperty("candidates")[0].GetProperty("hosting").GetProperty("everyMonths").GetInt32().ShouldBe(12);
        var (_, wrong) = await owner.PostAsync(
            $"/api/sites/{owner.SiteId}/price-table",
            new
            {
                table.text,
                table.provider,
                table.currency,
                table.tax,
                months = 121,
            }
        );
        wrong.GetProperty("faults").EnumerateArray().Select(known => Text(known, "where")).ShouldContain("months");
    }

    [Fact]
    public async Task Figures_wait_for_the_price_alone()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var (_, looked) = await owner.PostAsync(
            $"/api/sites/{owner.SiteId}/advertisement",
            new
            {
                currency = "GBP",
                price = "2.99",
                pricePer = "month",
                months = "36",
                paid = "at-once",
                includesDomain = true,
                refundDays = "soon",
            }
        );
        // 36 × 2.99 and 20% tax, which comes on top until it is said to be inside.
        Text(looked.GetProperty("costs").GetProperty("dueToday"), "amount").ShouldBe("129.17");
        looked.GetProperty("faults").EnumerateArray().Select(fault => Text(fault, "where")).ShouldContain("endings");
        looked.GetProperty("book").ValueKind.ShouldBe(JsonValueKind.Null);
        (
            await owner.PostAsync(
                $"/api/sites/{owner.SiteId}/advertisement",
                new
                {
                    currency = "GBP",
                    price = "2.9x",
                    pricePer = "month",
                    months = "36",
                    paid = "at-once",
                }
            )
        ).Body.GetProperty("costs").ValueKind.ShouldBe(JsonValueKind.Null);
    }

    [Fact]
    public async Task An_edited_book_keeps_what_is_not_edited_and_says_what_it_does_before_it_is_kept()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var tidemarsh = (await owner.GetAsync("/api/shelf/tidemarsh/file")).GetRawText();
        object[] dearer =
        [
            new
            {
                op = "replace",
                path = "/plans/0/billing/1/prices/1/amount",
                value = "131.88",
            },
            new
            {
                op = "add",
                path = "/note",
                value = "mine",
            },
        ];
        var (status, edited) = await owner.PostAsync(
            "/api/shelf/tidemarsh/edit",
            new { version = 0, operations = dearer }
        );
        status.ShouldBe(HttpStatusCode.OK);
        var change = edited.GetProperty("look").GetProperty("changes").EnumerateArray().ShouldHaveSingleItem();
        (Text(change, "part"), Text(change, "name"), Text(change, "from"), Text(change, "to")).ShouldBe(
            ("later-price", "Slipway", "107.88", "131.88")
        );
        edited
            .GetProperty("look")
            .GetProperty("effects")
            .EnumerateArray()
            .ShouldContain(effect => Text(effect, "letter") == "A" && Text(effect, "change") == "57.60");
        JsonNode
            .Parse(Text(edited, "text"))!
            .AsObject()
            .Select(field => field.Key)
            .ShouldBe([.. JsonNode.Parse(tidemarsh)!.AsObject().Select(field => field.Key), "note"]);
        // Nothing is kept yet.
        Book(await owner.GetAsync("/api/shelf"), "tidemarsh").GetProperty("isOwn").GetBoolean().ShouldBeFalse();

        (await owner.PostAsync("/api/shelf", Text(edited, "text"))).Status.ShouldBe(HttpStatusCode.OK);
        var stale = await owner.PostAsync("/api/shelf/tidemarsh/edit", new { version = 0, operations = dearer });
        stale.Status.ShouldBe(HttpStatusCode.UnprocessableEntity); // Another window has kept something meanwhile.
        var history = await owner.GetAsync("/api/shelf/tidemarsh/history");
        history[0]
            .GetProperty("prices")
            .EnumerateArray()
            .Select(price => Text(price, "later"))
            .ShouldBe(["8.99", "8.99"]); // The lowest first price is that of three years.

        // The version before, taken again, is the newest.
        await owner.PostAsync("/api/shelf", tidemarsh);
        (await owner.PostAsync("/api/shelf/look", tidemarsh)).Body.GetProperty("standing").GetString().ShouldBe("same");
        Book(await owner.GetAsync("/api/shelf"), "tidemarsh").GetProperty("versions").GetArrayLength().ShouldBe(2);
    }

    [Fact]
    public async Task A_copy_is_a_book_of_its_own()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var (_, copy) = await owner.PostAsync(
            "/api/shelf/tidemarsh/edit",
            new
            {
                version = 0,
                operations = Array.Empty<object>(),
                asNew = " Tidemarsh ",
            }
        );
        await owner.PostAsync("/api/shelf", Text(copy, "text"));
        var shelf = await owner.GetAsync("/api/shelf");
        shelf.GetArrayLength().ShouldBe(10);
        Text(Book(shelf, "tidemarsh-2").GetProperty("book"), "provider").ShouldBe("Tidemarsh");
    }

    [Fact]
    public async Task Changes_that_break_a_book_are_told_with_their_places_and_those_that_do_not_fit_are_refused()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var (status, edited) = await owner.PostAsync(
            "/api/shelf/tidemarsh/edit",
            new
            {
                version = 0,
                operations = new[]
                {
                    new
                    {
                        op = "replace",
                        path = "/currency",
                        value = "POUNDS",
                    },
                },
            }
        );
        status.ShouldBe(HttpStatusCode.OK);
        edited
            .GetProperty("look")
            .GetProperty("faults")
            .EnumerateArray()
            .Select(fault => Text(fault, "where"))
            .ShouldBe(["currency"]);
        (
            await owner.PostAsync(
                "/api/shelf/tidemarsh/edit",
                new { version = 0, operations = new[] { new { op = "remove", path = "/plans/99" } } }
            )
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (
            await owner.PostAsync("/api/shelf/nobody/edit", new { version = 0, operations = Array.Empty<object>() })
        ).Status.ShouldBe(HttpStatusCode.NotFound);
    }

    // A file is kept as it is written: which of two fields counts, readers would not agree on.
    [Theory]
    [InlineData("""{"id":"x","id":"y"}""", "id")]
    [InlineData("""{"plans":[{"name":"a","name":"b"}]}""", "plans[0].name")]
    public async Task A_field_that_stands_twice_is_told(string book, string where)
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var (status, answer) = await owner.PostAsync("/api/shelf", book);
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        answer
            .GetProperty("errors")
            .EnumerateArray()
            .ShouldContain(fault => Text(fault, "code") == "duplicate-id" && Text(fault, "where") == where);
    }

    [Fact]
    public async Task The_example_that_teaches_the_format_is_taken_as_it_is()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var example = await (await owner.RawAsync("/api/offer-book.example.json")).Content.ReadAsStringAsync(
            TestContext.Current.CancellationToken
        );
        (await owner.PostAsync("/api/shelf", example)).Status.ShouldBe(HttpStatusCode.OK);
        var list = await owner.GetAsync("/api/shelf/brightwater");
        (
            list.GetProperty("change").GetProperty("creditsDays").GetBoolean(),
            Text(list.GetProperty("endings")[0].GetProperty("lapse"), "redemptionFee")
        ).ShouldBe((true, "90.00"));
    }

    private static async Task TakeAsync(Visitor owner, object advertisement) =>
        (
            await owner.PostAsync(
                "/api/shelf",
                Text((await owner.PostAsync($"/api/sites/{owner.SiteId}/advertisement", advertisement)).Body, "book")
            )
        ).Status.ShouldBe(HttpStatusCode.OK);

    private static string Text(JsonElement element, string field) => element.GetProperty(field).GetString()!;

    private static JsonElement Book(JsonElement shelf, string id) =>
        shelf.EnumerateArray().Single(book => Text(book.GetProperty("book"), "id") == id);

    private static async Task<Visitor> VisitAsync(TestHost host)
    {
        var owner = host.Visit();
        await owner.OpenAsync();
        return owner;
    }
}
