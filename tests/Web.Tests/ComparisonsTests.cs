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
            known.GetProperty("totals").GetProperty("horizon").GetString().ShouldBe(slip.GetProperty("horizon").GetString());
            known.GetProperty("isLeast").GetBoolean().ShouldBe(slip.GetProperty("isLeast").GetBoolean());
        }

        var change = comparison.GetProperty("candidates")[2].GetProperty("horizonChange").GetString()!;
        comparison.GetProperty("differences").EnumerateArray().Sum(line => decimal.Parse(line.GetProperty("total").GetString()!)).ShouldBe(decimal.Parse(change));
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
    public async Task A_shortlist_is_named_moved_and_counted_in_another_currency()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(new { kind = "rename-candidate", letter = "C", name = "The steady one" });
        await visitor.DoAsync(new { kind = "move-candidate", letter = "C", by = -2 });
        var page = await visitor.DoAsync(new { kind = "set-display", currency = "EUR", rates = new Dictionary<string, string> { ["GBP"] = "1.15", ["USD"] = "0.91" } });
        page.GetProperty("shortlist").EnumerateArray().Select(slip => slip.GetProperty("letter").GetString()).ShouldBe(["C", "A", "B", "D"]);
        var first = page.GetProperty("shortlist")[0];
        (first.GetProperty("name").GetString(), first.GetProperty("currency").GetString()).ShouldBe(("The steady one", "EUR"));
        page.GetProperty("settings").GetProperty("rateDates").GetProperty("GBP").GetString().ShouldBe("2026-12-01");
    }
}
