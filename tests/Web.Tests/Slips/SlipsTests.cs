using System.Net;
using System.Text.Json;

namespace HomeStart.Web.Tests;

/// <summary>Buying at the seller's own page: the slip, and why its sum is another.</summary>
public class SlipsTests
{
    [Fact]
    public async Task Their_sum_is_explained_and_bad_ones_say_where()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var slip = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/candidates/A/slip");
        var seller = slip.GetProperty("sellers")[0];
        var ours = seller.GetProperty("today").GetProperty("total").GetString()!;
        ours.ShouldBe("65.15");
        (await AskAsync(ours)).GetProperty("agrees").GetBoolean().ShouldBeTrue();
        var ticked = await AskAsync("93.95"); // With Search listing help, 24.00 and tax.
        ticked
            .GetProperty("explanations")[0]
            .GetProperty("words")[0]
            .GetString()!
            .ShouldStartWith("Their sum includes Search listing help");
        ticked
            .GetProperty("explanations")[0]
            .GetProperty("asTheySell")
            .GetProperty("hosting")
            .GetProperty("addOns")
            .GetArrayLength()
            .ShouldBe(2);
        (await AskAsync("54.29"))
            .GetProperty("explanations")[0]
            .GetProperty("words")[0]
            .GetString()!
            .ShouldStartWith("They show it without tax");
        var unknown = await AskAsync("65.16");
        (
            unknown.GetProperty("explanations").GetArrayLength(),
            unknown.GetProperty("closest").GetProperty("remainder").GetString()
        ).ShouldBe((0, "0.01"));
        foreach (
            var (body, where) in new (object, string)[]
            {
                (new { book = "tidemarsh" }, "total"),
                (new { book = "tidemarsh", total = "-1" }, "total"),
                (new { book = "tidemarsh", total = "much" }, "total"),
                (new { book = "plainstone", total = "1.00" }, "book"),
                (new { total = "1.00" }, "book"),
            }
        )
        {
            var (status, answer) = await visitor.PostAsync($"/api/sites/{visitor.SiteId}/candidates/A/their-sum", body);
            status.ShouldBe(HttpStatusCode.UnprocessableEntity, answer.ToString());
            answer.GetProperty("errors")[0].GetProperty("where").GetString().ShouldBe(where);
        }

        using var pdf = await visitor.RawAsync($"/api/sites/{visitor.SiteId}/candidates/A/slip.pdf");
        pdf.Content.Headers.ContentType!.MediaType.ShouldBe("application/pdf");
        (await visitor.RawAsync($"/api/sites/{visitor.SiteId}/candidates/Z/slip")).StatusCode.ShouldBe(
            HttpStatusCode.NotFound
        );

        async Task<JsonElement> AskAsync(string total)
        {
            var (status, answer) = await visitor.PostAsync(
                $"/api/sites/{visitor.SiteId}/candidates/A/their-sum",
                new { book = "tidemarsh", total }
            );
            status.ShouldBe(HttpStatusCode.OK, answer.ToString());
            return answer;
        }
    }

    [Fact]
    public async Task Their_cart_stands_beside_the_candidate_and_what_is_no_cart_says_so()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var route = $"/api/sites/{visitor.SiteId}/candidates/A/cart";
        var slip = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/candidates/A/slip");
        var lines = slip.GetProperty("sellers")[0]
            .GetProperty("today")
            .GetProperty("lines")
            .EnumerateArray()
            .Select(line => $"{line.GetProperty("what").GetString()}: £{line.GetProperty("amount").GetString()}")
            .ToList();

        // Their cart has the extra that they tick in advance: 24.00, and 28.80 with the tax.
        var (status, check) = await visitor.PostAsync(
            route,
            new { book = "tidemarsh", text = $"{string.Join('\n', lines)}\nSearch listing help: £24.00\nTotal £93.95" }
        );
        status.ShouldBe(HttpStatusCode.OK, check.ToString());
        var unasked = check
            .GetProperty("lines")
            .EnumerateArray()
            .Single(line => line.GetProperty("fit").GetString() == "not-asked-for");
        unasked.GetProperty("why").GetString()!.ShouldStartWith("Their sum includes Search listing help");
        check.GetProperty("sum").GetProperty("difference").GetString().ShouldBe("28.80");
        check.GetProperty("asTheySell").GetProperty("hosting").GetProperty("addOns").GetArrayLength().ShouldBe(2);

        foreach (
            var (body, where) in new (object, string)[]
            {
                (new { book = "plainstone", text = "Oak hosting £3.00" }, "book"),
                (new { text = "Oak hosting £3.00" }, "book"),
                (new { book = "tidemarsh" }, "html"),
                (new { book = "tidemarsh", text = "Good morning" }, "html"),
                (new { book = "tidemarsh", text = "Oak hosting, 12 months: 30.00 EUR\nTotal 30.00 EUR" }, "html"),
                (new { book = "tidemarsh", file = "no Base64!" }, "file"),
            }
        )
        {
            var (refused, answer) = await visitor.PostAsync(route, body);
            refused.ShouldBe(HttpStatusCode.UnprocessableEntity, answer.ToString());
            answer.GetProperty("errors")[0].GetProperty("where").GetString().ShouldBe(where, answer.ToString());
        }
    }

    [Fact]
    public async Task What_is_ticked_off_is_kept_with_the_site_and_each_candidate_has_its_own()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await TickAsync("A", "tidemarsh: Choose the plan Slipway.", "tidemarsh: Type the code.");
        await TickAsync("A", "tidemarsh: Choose the plan Slipway.");
        (await DoneAsync("A")).ShouldBe(["tidemarsh: Choose the plan Slipway."]);
        (await DoneAsync("B")).ShouldBeEmpty();
        await visitor.DoAsync(new { kind = "rename-site", name = "Another name" });
        (await DoneAsync("A")).Count.ShouldBe(1);
        (
            await visitor.SendAsync(
                HttpMethod.Put,
                $"/api/sites/{visitor.SiteId}/candidates/Z/slip",
                new { done = Array.Empty<string>() }
            )
        ).Status.ShouldBe(HttpStatusCode.NotFound);
        (
            await visitor.SendAsync(
                HttpMethod.Put,
                $"/api/sites/{visitor.SiteId}/candidates/A/slip",
                new { done = Enumerable.Repeat("x", 201) }
            )
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);

        async Task TickAsync(string letter, params string[] done) =>
            (
                await visitor.SendAsync(
                    HttpMethod.Put,
                    $"/api/sites/{visitor.SiteId}/candidates/{letter}/slip",
                    new { done }
                )
            ).Status.ShouldBe(HttpStatusCode.NoContent);
        async Task<List<string?>> DoneAsync(string letter) =>
            [
                .. (await visitor.GetAsync($"/api/sites/{visitor.SiteId}/candidates/{letter}/slip"))
                    .GetProperty("done")
                    .EnumerateArray()
                    .Select(step => step.GetString()),
            ];
    }

    [Fact]
    public async Task What_they_answer_goes_into_a_copy_of_the_price_list_and_every_sum_is_made_from_it()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(
            new
            {
                kind = "choose-plan",
                letter = "A",
                book = "saltglass",
                plan = "shard",
            }
        );
        await visitor.DoAsync(
            new
            {
                kind = "choose-billing",
                letter = "A",
                everyMonths = 1,
                commitMonths = 12,
            }
        );
        var question = (await QuestionsAsync()).First(asked => asked.GetProperty("asks").GetString() == "amount");
        var words = question.GetProperty("words").GetString();
        (
            await AnswerAsync(
                new
                {
                    book = "saltglass",
                    question = words,
                    amount = "lots",
                }
            )
        ).ShouldBe(HttpStatusCode.UnprocessableEntity);
        (
            await AnswerAsync(
                new
                {
                    book = "saltglass",
                    question = "And what else?",
                    amount = "9.00",
                }
            )
        ).ShouldBe(HttpStatusCode.UnprocessableEntity);
        (
            await AnswerAsync(
                new
                {
                    book = "saltglass",
                    question = words,
                    amount = "$9.00",
                    said = "By chat, from Kit.",
                }
            )
        ).ShouldBe(HttpStatusCode.NoContent);
        (await QuestionsAsync()).ShouldNotContain(asked => asked.GetProperty("words").GetString() == words);
        (
            await AnswerAsync(
                new
                {
                    book = "saltglass",
                    question = words,
                    amount = "9.00",
                }
            )
        ).ShouldBe(HttpStatusCode.UnprocessableEntity); // It stands there now.
        var notice = (await QuestionsAsync())[^1].GetProperty("words").GetString();
        (
            await AnswerAsync(
                new
                {
                    book = "saltglass",
                    question = notice,
                    said = "Thirty days.",
                }
            )
        ).ShouldBe(HttpStatusCode.NoContent);
        (await QuestionsAsync())[^1]
            .GetProperty("answered")
            .GetString()
            .ShouldBe($"Asked on 1 December 2026: {notice} “Thirty days.”");
        (await visitor.GetAsync("/api/shelf/saltglass/file"))
            .GetProperty("provider")
            .GetProperty("facts")
            .ToString()
            .ShouldContain("By chat, from Kit.");

        async Task<HttpStatusCode> AnswerAsync(object body) =>
            (await visitor.PostAsync($"/api/sites/{visitor.SiteId}/candidates/A/slip/answers", body)).Status;
        async Task<List<JsonElement>> QuestionsAsync() =>
            [
                .. (await visitor.GetAsync($"/api/sites/{visitor.SiteId}/candidates/A/slip"))
                    .GetProperty("sellers")
                    .EnumerateArray()
                    .First(seller => seller.GetProperty("book").GetString() == "saltglass")
                    .GetProperty("questions")
                    .EnumerateArray(),
            ];
    }
}
