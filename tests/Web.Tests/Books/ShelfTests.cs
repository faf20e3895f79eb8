using System.Net;
using System.Text;
using System.Text.Json;

namespace HomeStart.Web.Tests;

/// <summary>
/// The shelf: books of one's own beside the demo's, newer versions, what they do to candidates, and what comes out
/// again.
/// </summary>
public sealed class ShelfTests
{
    private static readonly string Tidemarsh = File.ReadAllText(
        Path.Combine(TestHost.Root("demo"), "books", "tidemarsh.json")
    );

    [Fact]
    public async Task A_book_is_looked_at_before_it_is_taken_and_comes_out_as_the_bytes_that_came_in()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var text = $"  {Own("heron")}\n"; // Its own spaces and unknown fields are kept.
        var look = await owner.PostAsync("/api/shelf/look", text);
        look.Status.ShouldBe(HttpStatusCode.OK);
        look.Body.GetProperty("standing").GetString().ShouldBe("new");
        (await owner.GetAsync("/api/shelf"))
            .EnumerateArray()
            .ShouldAllBe(book => !book.GetProperty("isOwn").GetBoolean());
        (await owner.PostAsync("/api/shelf", text)).Status.ShouldBe(HttpStatusCode.OK);
        var shelved = Book(await owner.GetAsync("/api/shelf"), "heron");
        (shelved.GetProperty("isOwn").GetBoolean(), shelved.GetProperty("versions").GetArrayLength()).ShouldBe(
            (true, 1)
        );
        (
            await (await owner.RawAsync("/api/shelf/heron/file")).Content.ReadAsByteArrayAsync(
                TestContext.Current.CancellationToken
            )
        ).ShouldBe(Encoding.UTF8.GetBytes(text));
        (await owner.PostAsync("/api/shelf/look", text)).Body.GetProperty("standing").GetString().ShouldBe("same");
        (await owner.PostAsync("/api/shelf", text)).Status.ShouldBe(HttpStatusCode.OK);
        // Nothing new came.
        Book(await owner.GetAsync("/api/shelf"), "heron").GetProperty("versions").GetArrayLength().ShouldBe(1);
        (await PlansAsync(owner)).ShouldContain(plan => plan.GetProperty("book").GetString() == "heron");

        // Nobody else sees it.
        var other = await VisitAsync(host);
        (await other.GetAsync("/api/shelf"))
            .EnumerateArray()
            .ShouldAllBe(book => book.GetProperty("book").GetProperty("id").GetString() != "heron");
        (await other.RawAsync("/api/shelf/heron/file")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await other.SendAsync(HttpMethod.Delete, "/api/shelf/heron", null)).Status.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_made_up_sellers_are_left_out_in_one_step_and_come_back_in_one()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        await owner.PostAsync("/api/shelf", Own("heron"));
        (await owner.PostAsync("/api/examples/put-away", new { })).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        var (_, hidden) = await owner.PostAsync("/api/examples/put-away", new { isPutAway = true });
        hidden
            .EnumerateArray()
            .ShouldAllBe(book => book.GetProperty("isPutAway").GetBoolean() == !book.GetProperty("isOwn").GetBoolean());
        (await PlansAsync(owner))
            .Select(plan => plan.GetProperty("book").GetString())
            .Distinct()
            .ShouldBe(["heron", "tidemarsh"], ignoreOrder: true); // A buys at Tidemarsh.
        var (_, shown) = await owner.PostAsync("/api/examples/put-away", new { isPutAway = false });
        shown.EnumerateArray().ShouldAllBe(book => !book.GetProperty("isPutAway").GetBoolean());
        (await (await VisitAsync(host)).GetAsync("/api/shelf"))
            .EnumerateArray()
            .ShouldAllBe(book => !book.GetProperty("isPutAway").GetBoolean()); // Nobody else's shelf changed.
    }

    [Fact]
    public async Task A_code_that_a_price_list_of_ones_own_does_not_know_says_what_it_takes_off()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        await owner.PostAsync("/api/shelf", Own("heron"));
        await owner.DoAsync(
            new
            {
                kind = "choose-plan",
                letter = "A",
                book = "heron",
                plan = "mooring",
                everyMonths = 12,
                commitMonths = 12,
            }
        );
        var before = await HorizonAsync(owner);
        await owner.DoAsync(
            new
            {
                kind = "enter-code",
                letter = "A",
                code = "HALF",
            }
        );
        (await HorizonAsync(owner)).ShouldBe(before); // Nobody knows it yet.
        (await owner.PostAsync("/api/shelf/heron/codes", new { code = "HALF", percent = "50" })).Status.ShouldBe(
            HttpStatusCode.OK
        );
        (before - await HorizonAsync(owner)).ShouldBe(18.00m); // Half of the first bill of 36.00, tax inside.
        foreach (
            var (body, where) in new (object, string)[]
            {
                (new { code = "HALF", percent = "50" }, "code"),
                (new { code = "half", amount = "5" }, "code"),
                (new { code = "TWO" }, "percent"),
                (
                    new
                    {
                        code = "TWO",
                        percent = "50",
                        amount = "5",
                    },
                    "percent"
                ),
                (new { code = "TWO", percent = "101" }, "percent"),
                (new { code = "TWO", amount = "5.001" }, "amount"),
                (new { percent = "5" }, "code"),
            }
        )
        {
            var (status, refused) = await owner.PostAsync("/api/shelf/heron/codes", body);
            status.ShouldBe(HttpStatusCode.UnprocessableEntity, body.ToString());
            refused
                .GetProperty("errors")
                .EnumerateArray()
                .Select(fault => fault.GetProperty("where").GetString())
                .ShouldContain(where, body.ToString());
        }

        (
            await owner.PostAsync(
                "/api/shelf/heron/codes",
                new
                {
                    code = "ALWAYS",
                    amount = "1.00",
                    everyBill = true,
                }
            )
        ).Status.ShouldBe(HttpStatusCode.OK);
        using var file = JsonDocument.Parse(
            await (await owner.RawAsync("/api/shelf/heron/file")).Content.ReadAsStringAsync(
                TestContext.Current.CancellationToken
            )
        );
        file.RootElement.GetProperty("promotions")
            .EnumerateArray()
            .Last()
            .GetProperty("bills")
            .GetString()
            .ShouldBe("all");

        // The made-up sellers keep to what they say.
        (await owner.PostAsync("/api/shelf/tidemarsh/codes", new { code = "HALF", percent = "50" })).Status.ShouldBe(
            HttpStatusCode.NotFound
        );
        (
            await (await VisitAsync(host)).PostAsync("/api/shelf/heron/codes", new { code = "MINE", percent = "50" })
        ).Status.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_a_page_did_not_say_of_a_plan_is_told_and_the_needs_are_held_against_it()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        await owner.PostAsync("/api/shelf", Own("heron"));
        await owner.DoAsync(new { kind = "set-needs", needs = new { storageGB = 5 } });
        (await FitAsync()).ShouldBe("not-stated");
        (
            await owner.PostAsync("/api/shelf/heron/plans/mooring/limits", new { limit = "storageGB", value = 4 })
        ).Status.ShouldBe(HttpStatusCode.OK);
        (await FitAsync()).ShouldBe("not-met");
        (
            await owner.PostAsync(
                "/api/shelf/heron/plans/mooring/limits",
                new { limit = "storageGB", value = "unlimited" }
            )
        ).Status.ShouldBe(HttpStatusCode.OK);
        (await FitAsync()).ShouldBe("met");
        foreach (
            var body in new object[]
            {
                new { limit = "storageGB", value = "plenty" },
                new { limit = "storageGB", value = -1 },
                new { limit = "storageGB", value = true },
                new { limit = "colour", value = 1 },
                new { limit = "certificate", value = "gold" },
                new { limit = "ownIp", value = "yes" },
                new { value = 1 },
                new { limit = "storageGB" },
            }
        )
        {
            (await owner.PostAsync("/api/shelf/heron/plans/mooring/limits", body)).Status.ShouldBe(
                HttpStatusCode.UnprocessableEntity,
                body.ToString()
            );
        }

        (
            await owner.PostAsync("/api/shelf/heron/plans/yacht/limits", new { limit = "storageGB", value = 4 })
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (
            await owner.PostAsync("/api/shelf/tidemarsh/plans/slipway/limits", new { limit = "storageGB", value = 4 })
        ).Status.ShouldBe(HttpStatusCode.NotFound);

        async Task<string?> FitAsync() =>
            (await PlansAsync(owner))
                .First(plan => plan.GetProperty("book").GetString() == "heron")
                .GetProperty("fits")[0]
                .GetProperty("fit")
                .GetString();
    }

    [Fact]
    public async Task A_newer_version_says_what_changed_and_what_that_does_to_each_candidate()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var newer = Tidemarsh.Replace("\"amount\": \"107.88\"", "\"amount\": \"131.88\"", StringComparison.Ordinal);
        newer.ShouldNotBe(Tidemarsh);
        var look = (await owner.PostAsync("/api/shelf/look", newer)).Body;
        look.GetProperty("standing").GetString().ShouldBe("newer");
        var change = look.GetProperty("changes").EnumerateArray().ShouldHaveSingleItem();
        (
            change.GetProperty("part").GetString(),
            change.GetProperty("ref").GetString(),
            change.GetProperty("kind").GetString(),
            change.GetProperty("from").GetString(),
            change.GetProperty("to").GetString()
        ).ShouldBe(("later-price", "slipway 12/12", "dearer", "107.88", "131.88"));
        var effects = look.GetProperty("effects")
            .EnumerateArray()
            .ToDictionary(effect => effect.GetProperty("letter").GetString()!);
        effects.Keys.ShouldBe(["A", "B"], ignoreOrder: true); // Both buy at Tidemarsh.
        effects["A"].GetProperty("change").GetString().ShouldBe("57.60"); // Two later years of 24.00 with 20% tax.
        effects["B"].GetProperty("change").GetString().ShouldBe("0.00");
        (await owner.PostAsync("/api/shelf", newer)).Status.ShouldBe(HttpStatusCode.OK);
        (await owner.SiteAsync("A"))
            .GetProperty("worksheet")
            .GetProperty("costing")
            .GetProperty("totals")
            .GetProperty("horizon")
            .GetString()
            .ShouldBe(effects["A"].GetProperty("after").GetProperty("amount").GetString());

        // Taken off again, the demo's comes back.
        (await owner.SendAsync(HttpMethod.Delete, "/api/shelf/tidemarsh", null)).Status.ShouldBe(HttpStatusCode.OK);
        (await owner.SiteAsync("A"))
            .GetProperty("worksheet")
            .GetProperty("costing")
            .GetProperty("totals")
            .GetProperty("horizon")
            .GetString()
            .ShouldBe(effects["A"].GetProperty("before").GetProperty("amount").GetString());
        (await owner.SendAsync(HttpMethod.Delete, "/api/shelf/tidemarsh", null)).Status.ShouldBe(
            HttpStatusCode.NotFound
        ); // The demo's own cannot be.
    }

    [Fact]
    public async Task A_book_put_away_offers_nothing_more_and_what_was_chosen_from_it_keeps_its_price()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var before = (await owner.SiteAsync("A"))
            .GetProperty("worksheet")
            .GetProperty("costing")
            .GetProperty("totals")
            .GetProperty("horizon")
            .GetString();
        (await owner.PostAsync("/api/shelf/tidemarsh/put-away", new { isPutAway = true })).Status.ShouldBe(
            HttpStatusCode.OK
        );
        (await PlansAsync(owner, "C")).ShouldAllBe(plan => plan.GetProperty("book").GetString() != "tidemarsh");
        (await owner.SiteAsync("A"))
            .GetProperty("worksheet")
            .GetProperty("costing")
            .GetProperty("totals")
            .GetProperty("horizon")
            .GetString()
            .ShouldBe(before);
        var scan = await owner.GetAsync($"/api/sites/{owner.SiteId}/scan");
        scan.GetProperty("scan")
            .GetProperty("rows")
            .EnumerateArray()
            .ShouldAllBe(row =>
                row.GetProperty("candidate").GetProperty("hosting").GetProperty("book").GetString() != "tidemarsh"
            );
        (await owner.PostAsync("/api/shelf/tidemarsh/put-away", new { isPutAway = false })).Status.ShouldBe(
            HttpStatusCode.OK
        );
        (await PlansAsync(owner, "C")).ShouldContain(plan => plan.GetProperty("book").GetString() == "tidemarsh");
        (await owner.PostAsync("/api/shelf/tidemarsh/put-away", new { })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        (await owner.PostAsync("/api/shelf/nobody/put-away", new { isPutAway = true })).Status.ShouldBe(
            HttpStatusCode.NotFound
        );
    }

    [Fact]
    public async Task Looking_again_makes_an_old_book_young()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        (await owner.PostAsync("/api/shelf", Own("heron", asOf: "2026-01-01"))).Status.ShouldBe(HttpStatusCode.OK);
        Book(await owner.GetAsync("/api/shelf"), "heron")
            .GetProperty("book")
            .GetProperty("isOld")
            .GetBoolean()
            .ShouldBeTrue();
        var shelf = (await owner.PostAsync("/api/shelf/heron/looked", null)).Body;
        Book(shelf, "heron").GetProperty("book").GetProperty("isOld").GetBoolean().ShouldBeFalse();
    }

    [Fact]
    public async Task What_is_wrong_with_a_book_is_said_at_once_with_its_places_and_nothing_is_kept()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var broken = Own("heron")
            .Replace("\"GBP\"", "\"POUNDS\"", StringComparison.Ordinal)
            .Replace("\"everyMonths\": 12", "\"everyMonths\": 0", StringComparison.Ordinal);
        var (taken, refusal) = await owner.PostAsync("/api/shelf", broken);
        taken.ShouldBe(HttpStatusCode.UnprocessableEntity);
        var (looked, look) = await owner.PostAsync("/api/shelf/look", broken);
        looked.ShouldBe(HttpStatusCode.OK); // Looking is no failure.
        look.GetProperty("book").ValueKind.ShouldBe(JsonValueKind.Null);
        foreach (var faults in (JsonElement[])[refusal.GetProperty("errors"), look.GetProperty("faults")])
        {
            faults
                .EnumerateArray()
                .Select(fault => fault.GetProperty("where").GetString())
                .ShouldBe(["currency", "plans[0].billing[0].everyMonths"], ignoreOrder: true);
        }

        (await owner.GetAsync("/api/shelf")).GetArrayLength().ShouldBe(9);
    }

    [Fact]
    public async Task A_book_of_ones_own_is_compared_and_not_ordered_here()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        await owner.PostAsync("/api/shelf", Own("heron"));
        await owner.DoAsync(
            new
            {
                kind = "choose-plan",
                letter = "C",
                book = "heron",
                plan = "mooring",
            }
        );
        await owner.DoAsync(
            new
            {
                kind = "choose-billing",
                letter = "C",
                everyMonths = 12,
                commitMonths = 12,
            }
        );
        await owner.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "C",
                domain = (object?)null,
            }
        );
        var slip = (await owner.SiteAsync("C"))
            .GetProperty("shortlist")
            .EnumerateArray()
            .Single(known => known.GetProperty("letter").GetString() == "C");
        slip.GetProperty("horizon").GetString().ShouldBe("108.00");
        slip.GetProperty("cannotOrder").GetString()!.ShouldContain("Heron Hosts can’t be ordered from here");
    }

    [Fact]
    public async Task Many_windows_at_once_leave_one_shelf_and_no_answer_is_a_failure_of_ours()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var takes = await Task.WhenAll(
            Enumerable
                .Range(0, 6)
                .Select(index => owner.PostAsync("/api/shelf", Own("heron", asOf: $"2026-11-1{index}")))
        );
        takes.ShouldAllBe(answer =>
            answer.Status == HttpStatusCode.OK || answer.Status == HttpStatusCode.UnprocessableEntity
        );
        takes.ShouldContain(answer => answer.Status == HttpStatusCode.OK);
        var says = await Task.WhenAll(
            Enumerable
                .Range(0, 6)
                .Select(_ => owner.PostAsync("/api/shelf/fernhollow/put-away", new { isPutAway = true }))
        );
        says.ShouldAllBe(answer => answer.Status == HttpStatusCode.OK);
        var shelf = await owner.GetAsync("/api/shelf");
        Book(shelf, "heron")
            .GetProperty("versions")
            .GetArrayLength()
            .ShouldBe(takes.Count(answer => answer.Status == HttpStatusCode.OK));
        Book(shelf, "fernhollow").GetProperty("isPutAway").GetBoolean().ShouldBeTrue();
    }

    [Fact]
    public async Task So_many_bytes_of_books_are_kept_and_no_more()
    {
        await using var host = await TestHost.StartAsync();
        var owner = await VisitAsync(host);
        var padding = new string('x', 1_000_000);
        var answers = new List<HttpStatusCode>();
        for (var index = 0; index < 18; index++)
        {
            answers.Add(
                (
                    await owner.PostAsync(
                        "/api/shelf",
                        Own($"heron{index}").Replace("kept as it is", padding, StringComparison.Ordinal)
                    )
                ).Status
            );
        }

        answers.Take(16).ShouldAllBe(status => status == HttpStatusCode.OK);
        answers[17].ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task The_schema_has_an_address_of_its_own()
    {
        await using var host = await TestHost.StartAsync();
        var schema = await (await VisitAsync(host)).GetAsync("/api/offer-book.schema.json");
        schema.GetProperty("title").GetString().ShouldBe("Offer book");
    }

    private static async Task<Visitor> VisitAsync(TestHost host)
    {
        var owner = host.Visit();
        await owner.OpenAsync();
        return owner;
    }

    private static JsonElement Book(JsonElement shelf, string id) =>
        shelf.EnumerateArray().Single(book => book.GetProperty("book").GetProperty("id").GetString() == id);

    private static string Own(string id, string asOf = "2026-11-20") =>
        $$"""
            { "format": "home-start/offer-book@1", "id": "{{id}}", "asOf": "{{asOf}}", "currency": "GBP", "note": "kept as it is",
              "provider": { "name": "Heron Hosts" },
              "tax": { "pricesInclude": true },
              "plans": [ { "id": "mooring", "name": "Mooring", "billing": [ { "everyMonths": 12, "prices": [ { "amount": "36.00" } ] } ] } ] }
            """;

    private static async Task<List<JsonElement>> PlansAsync(Visitor owner, string letter = "A") =>
        [
            .. (await owner.GetAsync($"/api/sites/{owner.SiteId}/candidates/{letter}/plans"))
                .GetProperty("ways")
                .EnumerateArray(),
        ];

    private static async Task<decimal> HorizonAsync(Visitor owner) =>
        decimal.Parse(
            (await owner.SiteAsync("A"))
                .GetProperty("worksheet")
                .GetProperty("costing")
                .GetProperty("totals")
                .GetProperty("horizon")
                .GetString()!,
            System.Globalization.CultureInfo.InvariantCulture
        );
}
