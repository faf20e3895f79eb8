using System.Net;
using System.Text.Json;
using HomeStart.Data;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Web.Tests;

/// <summary>What a release wrote is opened for ever: its files stand in fixtures and are never changed.</summary>
public class ReleasesTests
{
    /// <summary>
    /// Made by the first release: a site renamed and counted over two years, an order that was completed and one that
    /// waits for another card.
    /// </summary>
    private static readonly Guid Workspace = Guid.Parse("0b068000-92ea-447e-874f-a5957e6d2a04");

    [Fact]
    public async Task The_first_releases_sites_and_orders_open_and_go_on()
    {
        await using var host = await TestHost.StartOverAsync(
            Path.Combine(AppContext.BaseDirectory, "fixtures", "first-release")
        );
        var owner = host.Visit();
        owner.SetCookie(
            "home-start",
            host.Services.GetRequiredService<IDataProtectionProvider>()
                .CreateProtector("workspace")
                .Protect(Workspace.ToString("N"))
        );
        var page = await owner.OpenAsync();
        page.GetProperty("name").GetString().ShouldBe("Hexworth clocks");
        page.GetProperty("settings").GetProperty("horizonMonths").GetInt32().ShouldBe(24);
        page.GetProperty("canUndo").GetBoolean().ShouldBeTrue();
        var orders = (await owner.GetAsync("/api/orders"))
            .EnumerateArray()
            .ToDictionary(order => order.GetProperty("state").GetString()!);
        var completed = orders["completed"];
        completed
            .GetProperty("items")
            .EnumerateArray()
            .Select(item => item.GetProperty("what").GetString())
            .ShouldBe(["Slipway, hosting for 1 year", "ostlerwren.com for 1 year", "Daily backup", "Contact privacy"]);
        completed.GetProperty("keySheet").GetProperty("iPv4").GetString().ShouldBe("203.0.113.199");
        var waiting = orders["needs-payment"].GetProperty("id").GetGuid();
        var (token, ending) = await owner.CardAsync(Visitor.GoodCard);
        (await owner.PostAsync($"/api/orders/{waiting}/resume", new { card = new { token, ending } })).Status.ShouldBe(
            HttpStatusCode.OK
        );
        await owner.UntilAsync(waiting, "completed");
        (await owner.PostAsync($"/api/orders/{completed.GetProperty("id").GetGuid()}/first-password", null))
            .Body.GetProperty("password")
            .GetString()!
            .Length.ShouldBe(16);
    }

    /// <summary>
    /// Made by the last release that worked out from the order, at each step, what had happened: two renewals, a name
    /// that was not to renew and then was, and a decision for 1 May 2029 not to renew it.
    /// </summary>
    private static readonly Guid WithDayBook = Guid.Parse("4fd5d270-514c-4328-b311-c39d0fcf7573");

    [Fact]
    public async Task A_day_book_without_its_state_opens_and_goes_on()
    {
        await using var host = await WithTheDayBookAsync();
        var owner = await OwnerOfTheDayBookAsync(host);
        var before = await DayBookAsync(owner);
        before.Differs.ShouldBeNull();
        before.Lines.Count(line => line.Contains("was taken by Tidemarsh", StringComparison.Ordinal)).ShouldBe(2);
        await UpkeepSteps.MoveToAsync(owner, "2030-01-05");
        await UpkeepSteps.CalmAsync(owner);
        var after = await DayBookAsync(owner);
        // The card was good until September 2029.
        after.Lines.TakeLast(before.Lines.Count).ShouldBe(before.Lines);
        after.Lines.ShouldContain(line =>
            line.StartsWith("2029-12-01 £158.11 was due to Tidemarsh", StringComparison.Ordinal)
        );
        after.Lines.ShouldContain(line => line.StartsWith("2029-12-01 ostlerwren.com", StringComparison.Ordinal));
        await host.InDatabaseAsync(async db =>
        {
            var row = await db.DayBooks.IgnoreQueryFilters().SingleAsync();
            var book = Documents.Read<DayBook>(row.Document);
            book.State.ShouldNotBeNull().Day.ShouldBeGreaterThan(new DateOnly(2029, 12, 30));
            Documents.Write(book).ShouldBe(row.Document);
            return 0;
        });
    }

    [Fact]
    public async Task What_a_release_carried_out_otherwise_is_kept_and_told()
    {
        await using var host = await WithTheDayBookAsync();
        await host.InDatabaseAsync(async db =>
        {
            var row = await db.DayBooks.IgnoreQueryFilters().SingleAsync();
            var written = row.Document.Replace("\"total\":18907", "\"total\":18807", StringComparison.Ordinal);
            return await db
                .DayBooks.IgnoreQueryFilters()
                .ExecuteUpdateAsync(set => set.SetProperty(book => book.Document, written));
        });
        var owner = await OwnerOfTheDayBookAsync(host);
        await UpkeepSteps.MoveToAsync(owner, "2030-01-05");
        await UpkeepSteps.CalmAsync(owner);
        var (lines, differs) = await DayBookAsync(owner);
        differs.ShouldBe("2027-12-01");
        lines.Count(line => line.Contains("£188.07 was taken", StringComparison.Ordinal)).ShouldBe(2);
        lines.ShouldContain(line =>
            line.StartsWith("2029-12-01 £158.11 was due to Tidemarsh", StringComparison.Ordinal)
        );
    }

    private static Task<TestHost> WithTheDayBookAsync() =>
        TestHost.StartOverAsync(Path.Combine(AppContext.BaseDirectory, "fixtures", "replaying-release"));

    private static async Task<Visitor> OwnerOfTheDayBookAsync(TestHost host)
    {
        var owner = host.Visit();
        owner.SetCookie(
            "home-start",
            host.Services.GetRequiredService<IDataProtectionProvider>()
                .CreateProtector("workspace")
                .Protect(WithDayBook.ToString("N"))
        );
        await owner.OpenAsync();
        return owner;
    }

    private static async Task<(List<string> Lines, string? Differs)> DayBookAsync(Visitor owner)
    {
        var tenure = (await UpkeepSteps.PageAsync(owner)).GetProperty("tenures")[0];
        return (
            [
                .. tenure
                    .GetProperty("dayBook")
                    .EnumerateArray()
                    .Select(line => $"{line.GetProperty("on").GetString()} {line.GetProperty("words").GetString()}"),
            ],
            tenure.GetProperty("differsFrom").GetString()
        );
    }

    [Fact]
    public void A_document_says_its_version_and_a_newer_one_is_refused()
    {
        var written = Documents.Write(Site.Empty("Clocks"));
        JsonDocument.Parse(written).RootElement.GetProperty("version").GetInt32().ShouldBe(1);
        Documents.Read<Site>(written).Name.ShouldBe("Clocks");
        Should
            .Throw<JsonException>(() =>
                Documents.Read<Site>(written.Replace("\"version\":1", "\"version\":99", StringComparison.Ordinal))
            )
            .Message.ShouldContain("newer Home Start");
    }

    [Fact]
    public void An_order_of_the_second_release_keeps_its_amounts_and_names()
    {
        var order = Documents.Read<Order>(Second);
        order.Things.Total.ShouldBe(Sum(152826, "GBP"));
        order.Things.Payments.Select(payment => payment.Amount).ShouldBe([Sum(4306, "GBP"), Sum(188000, "USD")]);
        // It had no currency of its own: that of its seller's payment.
        order.Things.Domains[0].Premium.ShouldBe(Sum(188000, "USD"));
        (order.Things.Domains[0].Name?.Text, order.Things.Hosting!.Address?.Text).ShouldBe(
            ("hourwork.studio", "hourwork.studio")
        );
        order
            .Things.Items.Select(item => (item.Kind, item.Amount))
            .ShouldBe([(LineKind.Plan, Sum(3588, "GBP")), (LineKind.Domain, Sum(188000, "USD"))]);
        (order.State, order.Problem!.Code, order.Steps[1].Status).ShouldBe(
            (OrderState.NeedsPatience, "no-answer", StepStatus.Trying)
        );
        Documents.Read<Order>(Documents.Write(order)).ShouldBeEquivalentTo(order);
    }

    [Fact]
    public void A_text_that_no_registry_would_take_is_no_name_any_more()
    {
        var order = Documents.Read<Order>(Second.Replace("hourwork.studio", "hour work", StringComparison.Ordinal));
        (order.Things.Domains[0].Name, order.Things.Hosting!.Address).ShouldBe((null, null));
    }

    private static string Second =>
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "fixtures", "second-release", "order.json"));

    private static Money Sum(int units, string currency) => new(units, Currency.Get(currency));
}
