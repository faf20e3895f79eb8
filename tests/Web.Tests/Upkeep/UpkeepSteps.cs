using System.Globalization;
using System.Net;
using System.Text.Json;
using HomeStart.Data;
using HomeStart.Web.Upkeep;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>What tests of upkeep do and look at.</summary>
internal static class UpkeepSteps
{
    /// <summary>
    /// Orders of candidate A: hosting and domain at one seller, each paid yearly, on 1 December 2026.
    /// </summary>
    public static async Task<(Visitor Visitor, Guid Order)> OrderedAsync(
        TestHost host,
        string card = Visitor.GoodCard,
        string letter = "A"
    )
    {
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var order = (await visitor.OrderAsync(card, letter)).GetProperty("id").GetGuid();
        await visitor.UntilAsync(order, "completed");
        await OpenedAsync(visitor);
        return (visitor, order);
    }

    /// <summary>Hosting ordered without a domain, and its domain-year claimed two months later.</summary>
    public static async Task<(Visitor Visitor, Guid Order, Guid Claim)> ClaimedAsync(TestHost host)
    {
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(
            new
            {
                kind = "drop-domain",
                letter = "A",
                domain = "ostlerwren.com",
            }
        );
        var order = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        await visitor.UntilAsync(order, "completed");
        await OpenedAsync(visitor);
        await MoveToAsync(visitor, "2027-02-01");
        Tenure(await PageAsync(visitor))
            .GetProperty("notices")
            .EnumerateArray()
            .ShouldContain(notice => notice.GetProperty("kind").GetString() == "claim-domain");
        var (status, answer) = await visitor.PostAsync(
            $"/api/orders/{order}/claim",
            new
            {
                id = Guid.NewGuid(),
                name = "ostlerwren",
                ending = "com",
                agreed = true,
            }
        );
        status.ShouldBe(HttpStatusCode.OK, answer.ToString());
        var claim = answer.GetProperty("id").GetGuid();
        await visitor.UntilAsync(claim, "completed");
        return (visitor, order, claim);
    }

    /// <summary>
    /// Waits until what was delivered has its day book, and its first day is over for deciding: a decision before
    /// that is refused, as the owner saw it before it stood.
    /// </summary>
    public static async Task OpenedAsync(Visitor visitor)
    {
        await visitor.WaitForAsync(async () => (await PageAsync(visitor)).GetProperty("tenures").GetArrayLength() == 1);
        await CalmAsync(visitor);
    }

    public sealed class Quick : DayPace
    {
        public override TimeSpan SweepEvery => TimeSpan.FromMilliseconds(100);
    }

    public static async Task DecideAsync(Visitor visitor, Guid order, object decision)
    {
        var version = Tenure(await PageAsync(visitor)).GetProperty("version").GetInt32();
        var (status, body) = await visitor.PostAsync(
            $"/api/orders/{order}/upkeep/decisions",
            new { version, decision }
        );
        status.ShouldBe(HttpStatusCode.NoContent, body.ToString());
        await CalmAsync(visitor);
    }

    // What the counterparts took by card, and keep as balances, is what the calculation says, to the cent.
    public static async Task ShouldAgreeAsync(TestHost host, Visitor visitor)
    {
        await CalmAsync(visitor);
        var (document, books) = await host.InDatabaseAsync(async db =>
            (Documents.Read<DayBook>((await db.DayBooks.IgnoreQueryFilters().SingleAsync()).Document), Demo(host))
        );
        var order = await host.InDatabaseAsync(async db =>
            Documents.Read<Order>((await db.Orders.IgnoreQueryFilters().SingleAsync()).Document)
        );
        var today = DateOnly.Parse(
            (await PageAsync(visitor)).GetProperty("today").GetString()!,
            CultureInfo.InvariantCulture
        );
        var years = Tenure_(order, books).ToMorning(today, document.Made);
        Documents
            .Write(document with { Lines = years.Happened, State = years.State with { Day = document.State!.Day } })
            .ShouldBe(Documents.Write(document), "the day book");
        var charges = await host.InCounterpartsAsync(db => db.Charges.ToListAsync());
        foreach (var paid in years.Paid)
        {
            var atOrder = years
                .Happened.OfType<Charged>()
                .Where(charged => charged.On == order.PlacedOn && charged.Currency == paid.Currency)
                .Sum(charged => (long)charged.Total);
            var taken = charges
                .Where(row => row.Currency == paid.Currency.Code)
                .Sum(row => (long)(decimal.Parse(row.Amount, CultureInfo.InvariantCulture) * 100));
            (atOrder + taken).ShouldBe((long)paid.Units, $"what was taken in {paid.Currency}");
        }
    }

    public static IReadOnlyList<OfferBook> Demo(TestHost host) =>
        HomeStart.Web.Startup.Demo.Load(TestHost.Root("demo")).OfferBooks;

    public static Tenure Tenure_(Order order, IReadOnlyList<OfferBook> books) =>
        HomeStart
            .Core.Upkeep.Tenure.Begin(
                order.Bought!.Candidate,
                books,
                order.Bought.CountedFrom(order.PlacedOn),
                new FaultList()
            )
            .Value!;

    public static async Task MoveToAsync(Visitor visitor, string to)
    {
        var (status, body) = await visitor.PostAsync(
            "/api/clock",
            new { from = (await PageAsync(visitor)).GetProperty("today").GetString(), to }
        );
        status.ShouldBe(HttpStatusCode.NoContent, body.ToString());
        await CalmAsync(visitor);
    }

    public static Task CalmAsync(Visitor visitor) =>
        visitor.WaitForAsync(async () => !(await PageAsync(visitor)).GetProperty("isMoving").GetBoolean());

    public static Task<JsonElement> PageAsync(Visitor visitor) =>
        visitor.GetAsync($"/api/sites/{visitor.SiteId}/upkeep");

    public static JsonElement Tenure(JsonElement page) => page.GetProperty("tenures")[0];

    public static JsonElement Held(JsonElement page, string holding) =>
        Tenure(page)
            .GetProperty("holdings")
            .EnumerateArray()
            .Single(held => held.GetProperty("holding").GetString() == holding);

    public static List<string> Lines(JsonElement page) =>
        [
            .. Tenure(page)
                .GetProperty("dayBook")
                .EnumerateArray()
                .Select(line =>
                    $"{line.GetProperty("on").GetString()} {line.GetProperty("kind").GetString()} "
                    + $"{line.GetProperty("words").GetString()}"
                ),
        ];

    public static async Task<List<(string On, string Amount)>> TakenAsync(TestHost host) =>
        [
            .. (await host.InCounterpartsAsync(db => db.Charges.ToListAsync()))
                .OrderBy(row => row.On)
                .Select(row => ($"{row.On:yyyy-MM-dd}", row.Amount)),
        ];
}
