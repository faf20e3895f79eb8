using System.Net;

namespace HomeStart.Web.Tests;

public class ScansTests
{
    private static readonly Dictionary<string, string> Rates = new() { ["USD"] = "0.79" };

    private static readonly object Body = new
    {
        startDate = "2026-12-01",
        horizonMonths = 36,
        owner = new { taxPercent = "20" },
        display = new { currency = "GBP", rates = Rates },
        needs = new
        {
            websites = 1,
            mailboxes = 2,
            certificate = "own",
            extras = new[] { "backup" },
            domain = new
            {
                route = "register",
                name = "ostlerwren",
                endings = new[] { "com", "co.uk" },
                years = 1,
            },
        },
        top = 5,
    };

    [Fact]
    public async Task The_demo_is_scanned_and_each_row_is_what_costing_it_alone_says()
    {
        await using var host = await TestHost.StartAsync();
        var (status, result) = await host.Visit().SendAsync(HttpMethod.Post, "/api/scans", Body, withToken: false);
        status.ShouldBe(HttpStatusCode.OK, result.ToString());
        result.GetProperty("rows").GetArrayLength().ShouldBe(5);
        var row = result.GetProperty("rows")[0];
        var (_, costing) = await host.Visit()
            .SendAsync(
                HttpMethod.Post,
                "/api/costings",
                new
                {
                    startDate = "2026-12-01",
                    horizonMonths = 36,
                    owner = new { taxPercent = "20" },
                    display = new { currency = "GBP", rates = Rates },
                    candidate = row.GetProperty("candidate"),
                },
                withToken: false
            );
        costing.GetProperty("totals").ToString().ShouldBe(row.GetProperty("totals").ToString());
        result
            .GetProperty("feasible")
            .GetInt64()
            .ShouldBeLessThanOrEqualTo(result.GetProperty("considered").GetInt64());
    }

    [Fact]
    public async Task Progress_comes_line_by_line_before_the_result()
    {
        await using var host = await TestHost.StartAsync();
        var lines = await host.Visit().LinesAsync("/api/scans", Body);
        lines.Count.ShouldBe(14 + 1); // The demo has fourteen plans.
        lines[0].GetProperty("progress").GetProperty("of").GetInt32().ShouldBe(14);
        lines[^1].GetProperty("result").GetProperty("rows").GetArrayLength().ShouldBe(5);
    }

    [Theory]
    [InlineData("""{ "startDate": "2026-12-01", "horizonMonths": 36 }""", "required", "display.currency")]
    [InlineData(
        """{ "startDate": "2026-12-01", "horizonMonths": 36, "display": { "currency": "GBP" } }""",
        "no-rate",
        "display.rates.USD"
    )]
    [InlineData(
        """{ "books": [], "startDate": "2026-12-01", "horizonMonths": 36, "objective": "expected" }""",
        "required",
        "owner.keepChancePercent"
    )]
    [InlineData(
        """{ "books": [], "startDate": "2026-12-01", "horizonMonths": 36, "objective": "cheap" }""",
        "unknown",
        "objective"
    )]
    [InlineData(
        """{ "books": [], "startDate": "2026-12-01", "horizonMonths": 36, "top": 1001 }""",
        "out-of-range",
        "top"
    )]
    [InlineData(
        """{ "books": [], "startDate": "2026-12-01", "horizonMonths": 36, "needs": { "mailboxes": "two" } }""",
        "bad-type",
        "needs.mailboxes"
    )]
    [InlineData(
        """{ "books": [], "startDate": "2026-12-01", "horizonMonths": 36, "needs": { "domain": { "route": "register" } } }""",
        "required",
        "needs.domain.endings"
    )]
    [InlineData(
        """{ "books": [], "startDate": "2026-12-01", "horizonMonths": 6, "needs": { "domain": { "route": "later", "endings": ["com"], "inMonths": 6 } } }""",
        "out-of-range",
        "needs.domain.inMonths"
    )]
    public async Task What_cannot_be_scanned_says_why(string body, string code, string where)
    {
        await using var host = await TestHost.StartAsync();
        var (status, problem) = await host.Visit().SendAsync(HttpMethod.Post, "/api/scans", body, withToken: false);
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        problem
            .GetProperty("errors")
            .EnumerateArray()
            .Select(fault => (fault.GetProperty("code").GetString(), fault.GetProperty("where").GetString()))
            .ShouldContain((code, where));
    }

    [Fact]
    public async Task A_site_is_scanned_for_its_own_needs_and_what_is_found_joins_the_shortlist()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(new { kind = "set-needs", needs = new { websites = 3 } });
        var answer = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/scan?objective=dueToday&byPlan=true");
        var result = answer.GetProperty("scan");
        answer.GetProperty("points").GetArrayLength().ShouldBeGreaterThan(result.GetProperty("rows").GetArrayLength());
        result
            .GetProperty("rejected")
            .EnumerateArray()
            .Select(plan => plan.GetProperty("plan").GetString())
            .ShouldContain("slipway");
        var page = await visitor.DoAsync(
            new { kind = "add-candidate", candidate = result.GetProperty("rows")[0].GetProperty("candidate") }
        );
        page.GetProperty("shortlist")
            .EnumerateArray()
            .Last()
            .GetProperty("horizon")
            .GetString()
            .ShouldBe(result.GetProperty("rows")[0].GetProperty("totals").GetProperty("horizon").GetString());
    }

    [Fact]
    public async Task What_settles_it_is_told_of_a_site()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(new { kind = "set-needs", needs = new { websites = 1, extras = new[] { "backup" } } });
        var settling = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/settling");
        var least = (await visitor.GetAsync($"/api/sites/{visitor.SiteId}/scan"))
            .GetProperty("scan")
            .GetProperty("rows")[0];
        settling
            .GetProperty("least")
            .GetProperty("totals")
            .GetProperty("horizon")
            .GetString()
            .ShouldBe(least.GetProperty("totals").GetProperty("horizon").GetString());
        var dearest = settling.GetProperty("needs")[0];
        (dearest.GetProperty("need").GetString(), dearest.GetProperty("wants").GetString()).ShouldBe(
            ("extras", "backup")
        );
        await visitor.DoAsync(new { kind = "set-needs", needs = new { websites = 1 } });
        var without = (await visitor.GetAsync($"/api/sites/{visitor.SiteId}/scan"))
            .GetProperty("scan")
            .GetProperty("rows")[0];
        Pence(dearest.GetProperty("saves"))
            .ShouldBe(
                Pence(least.GetProperty("totals").GetProperty("horizon"))
                    - Pence(without.GetProperty("totals").GetProperty("horizon"))
            );
    }

    private static decimal Pence(System.Text.Json.JsonElement amount) => decimal.Parse(amount.GetString()!);
}
