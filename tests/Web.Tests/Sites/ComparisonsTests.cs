namespace HomeStart.Web.Tests;

/// <summary>The shortlist side by side, over the wire.</summary>
public sealed class ComparisonsTests
{
    [Fact]
    public async Task The_figures_are_those_of_the_shortlist_and_the_lines_add_up()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var slips = (await visitor.SiteAsync()).GetProperty("shortlist").EnumerateArray().ToList();
        var comparison = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/comparison?base=B&against=C");
        comparison.GetProperty("base").GetString().ShouldBe("B");
        foreach (var (slip, known) in slips.Zip(comparison.GetProperty("candidates").EnumerateArray()))
        {
            known
                .GetProperty("totals")
                .GetProperty("horizon")
                .GetString()
                .ShouldBe(slip.GetProperty("horizon").GetString());
            known.GetProperty("isLeast").GetBoolean().ShouldBe(slip.GetProperty("isLeast").GetBoolean());
        }

        var change = comparison.GetProperty("candidates")[2].GetProperty("horizonChange").GetString()!;
        comparison
            .GetProperty("differences")
            .EnumerateArray()
            .Sum(line => decimal.Parse(line.GetProperty("total").GetString()!))
            .ShouldBe(decimal.Parse(change));
    }

    [Fact]
    public async Task Stopping_early_is_told_month_by_month()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var stopping = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/candidates/A/stopping");
        stopping.GetProperty("chosen").GetArrayLength().ShouldBe(36);
        stopping.GetProperty("winsFrom").GetInt32().ShouldBe(27);
    }

    [Fact]
    public async Task Every_plan_is_listed_with_each_way_to_pay_and_the_one_chosen_says_what_the_worksheet_says()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var ways = (await visitor.GetAsync($"/api/sites/{visitor.SiteId}/candidates/A/plans"))
            .GetProperty("ways")
            .EnumerateArray()
            .ToList();
        var chosen = ways.Single(way => way.GetProperty("isChosen").GetBoolean());
        var worksheet = (await visitor.SiteAsync("A")).GetProperty("worksheet");
        chosen
            .GetProperty("outcome")
            .GetProperty("horizon")
            .GetString()
            .ShouldBe(worksheet.GetProperty("costing").GetProperty("totals").GetProperty("horizon").GetString());
        (chosen.GetProperty("first").GetString(), chosen.GetProperty("later").GetString()).ShouldBe(("2.99", "8.99"));
        ways.Where(way => way.GetProperty("does").GetBoolean()).ShouldNotBeEmpty();
        ways.Where(way => !way.GetProperty("does").GetBoolean())
            .ShouldAllBe(way =>
                way.GetProperty("fits")
                    .EnumerateArray()
                    .Any(fit =>
                        fit.GetProperty("fit").GetString() == "not-met"
                        || fit.GetProperty("fit").GetString() == "not-stated"
                    )
            );
        var paid = worksheet
            .GetProperty("waysToPay")
            .EnumerateArray()
            .ToDictionary(way => way.GetProperty("everyMonths").GetInt32());
        paid[1].GetProperty("saving").ValueKind.ShouldBe(System.Text.Json.JsonValueKind.Null); // It binds least.
        (
            paid[12].GetProperty("saving").GetProperty("againstEveryMonths").GetInt32(),
            paid[12].GetProperty("saving").GetProperty("change").GetString()
        ).ShouldBe((1, "-130.91"));
        (await visitor.RawAsync($"/api/sites/{visitor.SiteId}/candidates/Z/plans")).StatusCode.ShouldBe(
            System.Net.HttpStatusCode.NotFound
        );
    }

    [Fact]
    public async Task Starting_with_the_shorter_way_says_what_a_change_costs_and_loses()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var changing = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/candidates/A/changing");
        (changing.GetProperty("fromEveryMonths").GetInt32(), changing.GetProperty("toEveryMonths").GetInt32()).ShouldBe(
            (1, 12)
        );
        (
            changing.GetProperty("firstPerMonth").GetString(),
            changing.GetProperty("laterPerMonth").GetString(),
            changing.GetProperty("domainYear").GetString()
        ).ShouldBe(("2.99", "8.99", "11.50"));
        changing
            .GetProperty("changes")
            .EnumerateArray()
            .Select(change => change.GetProperty("on").GetString())
            .ShouldBe(["2027-01-01", "2027-03-01", "2027-06-01", "2027-12-01"]);
    }

    [Fact]
    public async Task A_scan_for_one_seller_lists_no_name_of_another()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var both = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/scan");
        Rows(both).Count(IsSplit).ShouldBeGreaterThan(0);
        var one = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/scan?oneSeller=true");
        Rows(one).ShouldNotBeEmpty();
        Rows(one).Count(IsSplit).ShouldBe(0);
        both.GetProperty("lead").GetProperty("saves").GetString().ShouldNotBeNull();

        static List<System.Text.Json.JsonElement> Rows(System.Text.Json.JsonElement scan) =>
            [.. scan.GetProperty("scan").GetProperty("rows").EnumerateArray()];

        static bool IsSplit(System.Text.Json.JsonElement row) =>
            row.GetProperty("candidate").GetProperty("domains")[0].GetProperty("book").GetString()
            != row.GetProperty("candidate").GetProperty("hosting").GetProperty("book").GetString();
    }

    [Fact]
    public async Task A_shortlist_is_named_moved_and_counted_in_another_currency()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(
            new
            {
                kind = "rename-candidate",
                letter = "C",
                name = "The steady one",
            }
        );
        await visitor.DoAsync(
            new
            {
                kind = "move-candidate",
                letter = "C",
                by = -2,
            }
        );
        var page = await visitor.DoAsync(
            new
            {
                kind = "set-display",
                currency = "EUR",
                rates = new Dictionary<string, string> { ["GBP"] = "1.15", ["USD"] = "0.91" },
            }
        );
        page.GetProperty("shortlist")
            .EnumerateArray()
            .Select(slip => slip.GetProperty("letter").GetString())
            .ShouldBe(["C", "A", "B", "D"]);
        var first = page.GetProperty("shortlist")[0];
        (first.GetProperty("name").GetString(), first.GetProperty("currency").GetString()).ShouldBe(
            ("The steady one", "EUR")
        );
        page.GetProperty("settings").GetProperty("rateDates").GetProperty("GBP").GetString().ShouldBe("2026-12-01");
    }
}
