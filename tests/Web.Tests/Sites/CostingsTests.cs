using System.Net;

namespace HomeStart.Web.Tests;

public class CostingsTests
{
    [Fact]
    public async Task Anybody_may_cost_a_candidate_from_the_books_that_are_there()
    {
        await using var host = await TestHost.StartAsync();
        var (status, body) = await host.Visit()
            .SendAsync(
                HttpMethod.Post,
                "/api/costings",
                new
                {
                    startDate = "2026-12-01",
                    horizonMonths = 36,
                    owner = new { taxPercent = "20" },
                    candidate = new
                    {
                        hosting = new
                        {
                            book = "plainstone",
                            plan = "lintel",
                            everyMonths = 12,
                        },
                    },
                },
                withToken: false
            );
        status.ShouldBe(HttpStatusCode.OK);
        body.GetProperty("totals").GetProperty("horizon").GetString().ShouldBe("244.80"); // 3 × 68.00 and 20%.
    }

    [Theory]
    [InlineData("{", HttpStatusCode.BadRequest)]
    [InlineData("", HttpStatusCode.BadRequest)]
    [InlineData("{}", HttpStatusCode.UnprocessableEntity)]
    [InlineData("[1]", HttpStatusCode.UnprocessableEntity)]
    [InlineData("null", HttpStatusCode.UnprocessableEntity)]
    public async Task A_body_that_cannot_be_costed_says_why(string body, HttpStatusCode expected)
    {
        await using var host = await TestHost.StartAsync();
        var (status, problem) = await host.Visit().SendAsync(HttpMethod.Post, "/api/costings", body, withToken: false);
        status.ShouldBe(expected);
        problem.GetProperty("status").GetInt32().ShouldBe((int)expected);
        (problem.TryGetProperty("errors", out var errors) && errors.GetArrayLength() > 0).ShouldBe(
            expected == HttpStatusCode.UnprocessableEntity
        );
    }

    [Fact]
    public async Task A_body_nested_too_deep_is_refused()
    {
        await using var host = await TestHost.StartAsync();
        var deep = new string('[', 60) + new string(']', 60);
        (await host.Visit().SendAsync(HttpMethod.Post, "/api/costings", deep, withToken: false)).Status.ShouldBe(
            HttpStatusCode.BadRequest
        );
    }

    [Fact]
    public async Task Every_answer_says_what_a_browser_may_do_with_it()
    {
        await using var host = await TestHost.StartAsync();
        using var response = await host.Visit().RawAsync("/api/session");
        var policy = response.Headers.GetValues("Content-Security-Policy").Single();
        policy.ShouldContain("default-src 'none'");
        policy.ShouldContain("connect-src 'self' http://localhost:5081");
        policy.ShouldNotContain("unsafe");
        response.Headers.CacheControl!.NoStore.ShouldBeTrue();
        response.Headers.GetValues("Cross-Origin-Opener-Policy").Single().ShouldBe("same-origin");
        response.Headers.Contains("Permissions-Policy").ShouldBeTrue();
        var cookie = response
            .Headers.GetValues("Set-Cookie")
            .Single(set => set.Contains("-workspace=", StringComparison.Ordinal));
        cookie.ShouldContain("httponly", Case.Insensitive);
        cookie.ShouldContain("samesite=lax", Case.Insensitive);
    }

    [Fact]
    public async Task An_address_that_is_not_there_is_404_as_a_problem()
    {
        await using var host = await TestHost.StartAsync();
        (await host.Visit().SendAsync(HttpMethod.Get, "/api/nothing", null)).Status.ShouldBe(HttpStatusCode.NotFound);
    }
}
