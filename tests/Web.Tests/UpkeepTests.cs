using System.Globalization;
using System.Net;
using System.Text.Json;
using HomeStart.Counterparts;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>What happens after the order: the clock is moved on, and counterparts, day book and page follow.</summary>
public class UpkeepTests
{
    /// <summary>Orders of candidate A: hosting and domain at one seller, each paid yearly, on 1 December 2026.</summary>
    private static async Task<(Visitor Visitor, Guid Order)> OrderedAsync(TestHost host, string card = Visitor.GoodCard, string letter = "A")
    {
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var order = (await visitor.OrderAsync(card, letter)).GetProperty("id").GetGuid();
        await visitor.UntilAsync(order, "completed");
        await visitor.WaitForAsync(async () => (await PageAsync(visitor)).GetProperty("tenures").GetArrayLength() == 1);
        return (visitor, order);
    }

    [Fact]
    public async Task A_renewal_is_taken_on_its_day_the_registry_hears_of_it_and_the_owner_is_written_to()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host);
        await MoveToAsync(visitor, "2027-12-01");
        (await TakenAsync(host)).ShouldBe([]); // The owner can still decide on the day.
        var due = Tenure(await PageAsync(visitor)).GetProperty("bills")[0];
        (due.GetProperty("on").GetString(), due.GetProperty("seller").GetString()).ShouldBe(("2027-12-01", "Tidemarsh Hosting"));

        await MoveToAsync(visitor, "2027-12-02");
        (await TakenAsync(host)).ShouldBe([("2027-12-01", due.GetProperty("amount").GetString()!)]);
        (await host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).Expires.ShouldBe(new DateOnly(2028, 12, 1));
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).PaidUntil.ShouldBe(new DateOnly(2028, 12, 1));
        Lines(await PageAsync(visitor)).ShouldContain(line => line.StartsWith("2027-12-01 charged £", StringComparison.Ordinal));
        (await visitor.MailAsync("A bill was paid")).ShouldContain("was taken by Tidemarsh Hosting");
        var letters = (await visitor.GetAsync("/api/mail")).GetProperty("arrived").EnumerateArray().Select(letter => letter.GetProperty("subject").GetString()!).ToList();
        new[] { "In 60 days: ", "In 30 days: ", "In 7 days: ", "In one day: " }.ShouldAllBe(start => letters.Exists(subject => subject.StartsWith(start, StringComparison.Ordinal) && subject.Contains("due to Tidemarsh", StringComparison.Ordinal)));
    }

    [Fact]
    public async Task Moving_on_twice_at_once_moves_once()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host);
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => visitor.PostAsync("/api/clock", new { from = "2026-12-01", to = "2028-01-01" })));
        answers.Count(answer => answer.Status == HttpStatusCode.NoContent).ShouldBe(1);
        answers.Where(answer => answer.Status != HttpStatusCode.NoContent).ShouldAllBe(answer => answer.Status == HttpStatusCode.Conflict);
        await CalmAsync(visitor);
        (await PageAsync(visitor)).GetProperty("today").GetString().ShouldBe("2028-01-01");
        (await TakenAsync(host)).Count.ShouldBe(1);
    }

    [Theory]
    [InlineData("2026-12-01", "2026-12-01")]
    [InlineData("2026-12-01", "2026-11-30")]
    [InlineData("2026-12-01", "2036-12-02")]
    [InlineData("2026-12-01", "soon")]
    [InlineData("2026-12-01", null)]
    public async Task The_clock_goes_neither_back_nor_beyond_ten_years(string from, string? to)
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host);
        (await visitor.PostAsync("/api/clock", new { from, to })).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await PageAsync(visitor)).GetProperty("today").GetString().ShouldBe("2026-12-01");
    }

    [Fact]
    public async Task A_card_refused_on_renewal_leads_to_redemption_and_another_card_leads_back()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host, "9999520000000001");
        await MoveToAsync(visitor, "2027-12-10");
        Lines(await PageAsync(visitor)).Count(line => line.Contains(" failed ", StringComparison.Ordinal)).ShouldBe(4);
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).State.ShouldBe("suspended");
        (await host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).State.ShouldBe("grace");

        await MoveToAsync(visitor, "2028-01-05");
        (await host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).State.ShouldBe("redemption");
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).IsRemoved.ShouldBeTrue();
        var domain = Held(await PageAsync(visitor), "domain:0");
        domain.GetProperty("state").GetString().ShouldBe("redemption");
        var owed = domain.GetProperty("owed").GetProperty("amount").GetString()!;

        // The same card is refused again, and nothing changes.
        (await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "domain:0", way = "card" })).Status.ShouldBe(HttpStatusCode.NoContent);
        (await TakenAsync(host)).ShouldBe([]);
        var (token, ending) = await visitor.CardAsync(Visitor.GoodCard);
        (await visitor.PostAsync($"/api/orders/{order}/upkeep/card", new { card = new { token, ending } })).Status.ShouldBe(HttpStatusCode.NoContent);
        (await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "domain:0", way = "card" })).Status.ShouldBe(HttpStatusCode.NoContent);
        (await TakenAsync(host)).ShouldBe([("2028-01-05", owed)]);
        (await host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).State.ShouldBe("live");
        await ShouldAgreeAsync(host, visitor);
    }

    [Fact]
    public async Task A_card_that_works_again_pays_at_a_later_attempt()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host, "9999530000000000");
        await MoveToAsync(visitor, "2027-12-20");
        Lines(await PageAsync(visitor)).Count(line => line.Contains(" failed ", StringComparison.Ordinal)).ShouldBe(2); // On the day and the day after; three days later the bank pays.
        (await TakenAsync(host)).Select(taken => taken.On).ShouldBe(["2027-12-04"]);
        Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("live");
        await ShouldAgreeAsync(host, visitor);
    }

    [Theory]
    [InlineData("balance")]
    [InlineData("invoice")]
    public async Task What_was_missed_can_be_paid_without_the_card(string way)
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host, "9999520000000001");
        await MoveToAsync(visitor, "2027-12-20");
        if (way == "balance")
        {
            // The waiting balance is too small: said, and nothing is done.
            (await visitor.PostAsync("/api/sellers/tidemarsh/customer/code", new { mail = visitor.Mail })).Status.ShouldBe(HttpStatusCode.NoContent);
            var (status, body) = await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "hosting", way });
            status.ShouldBe(HttpStatusCode.UnprocessableEntity);
            body.GetProperty("errors")[0].GetProperty("message").GetString()!.ShouldContain("does not cover");
            await host.InCounterpartsAsync(db => db.Customers.ExecuteUpdateAsync(set => set.SetProperty(row => row.Balance, "500.00")));
        }

        (await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "hosting", way })).Status.ShouldBe(HttpStatusCode.NoContent);
        if (way == "invoice")
        {
            var paying = Tenure(await PageAsync(visitor)).GetProperty("paying");
            Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("suspended");
            await visitor.AnswerAsync(paying.GetProperty("page").GetString()!, "amount", paying.GetProperty("amount").GetString()!);
            (await visitor.PostAsync($"/api/orders/{order}/upkeep/again", null)).Status.ShouldBe(HttpStatusCode.NoContent);
        }

        Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("live");
        Tenure(await PageAsync(visitor)).GetProperty("paying").ValueKind.ShouldBe(JsonValueKind.Null);
        (await TakenAsync(host)).ShouldBe([]); // Nothing by card.
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).State.ShouldBe("live");
    }

    [Fact]
    public async Task A_change_with_credit_is_seen_before_and_carried_out_as_it_was_said()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host, letter: "C");
        await MoveToAsync(visitor, "2027-03-15");
        var tenure = Tenure(await PageAsync(visitor));
        var effect = tenure.GetProperty("effects").EnumerateArray().First(effect => effect.GetProperty("group").GetString() == "plan" && effect.GetProperty("decision").GetProperty("plan").GetString() == "courtyard" && effect.GetProperty("decision").GetProperty("everyMonths").GetInt32() == 12);
        var due = effect.GetProperty("dueThen").GetProperty("amounts")[0].GetProperty("amount").GetString()!;
        (await visitor.PostAsync($"/api/orders/{order}/upkeep/decisions", new { version = tenure.GetProperty("version").GetInt32(), decision = effect.GetProperty("decision") })).Status.ShouldBe(HttpStatusCode.NoContent);
        (await TakenAsync(host)).ShouldBe([("2027-03-15", due)]);
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).Plan.ShouldBe("courtyard");
        (await visitor.PostAsync($"/api/orders/{order}/upkeep/decisions", new { version = tenure.GetProperty("version").GetInt32(), decision = effect.GetProperty("decision") })).Status.ShouldBe(HttpStatusCode.Conflict);
        await ShouldAgreeAsync(host, visitor);
    }

    [Theory]
    [InlineData("2026-12-31", true)]
    [InlineData("2027-01-01", false)]
    public async Task What_is_given_back_on_the_last_day_is_paid_back_and_a_day_late_it_only_stops(string day, bool comesBack)
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host);
        await MoveToAsync(visitor, day);
        await DecideAsync(visitor, order, new { on = day, @do = "leave" });
        var back = await host.InCounterpartsAsync(db => db.Charges.Select(row => row.Amount).ToListAsync());
        back.Count.ShouldBe(comesBack ? 1 : 0);
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).IsRemoved.ShouldBe(comesBack);
        Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe(comesBack ? "left" : "live");
        Held(await PageAsync(visitor), "hosting").GetProperty("renews").GetBoolean().ShouldBe(comesBack);
        Held(await PageAsync(visitor), "domain:0").GetProperty("state").GetString().ShouldBe("live"); // A domain stays.
        await ShouldAgreeAsync(host, visitor);
    }

    [Fact]
    public async Task A_decision_for_a_later_day_waits_and_can_be_withdrawn()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await OrderedAsync(host);
        await DecideAsync(visitor, order, new { on = "2026-12-02", @do = "renewing", holding = "hosting", value = false }); // The day of the order is over for deciding.
        await DecideAsync(visitor, order, new { on = "2027-06-01", @do = "drop", extra = "backup" });
        var tenure = Tenure(await PageAsync(visitor));
        tenure.GetProperty("planned").EnumerateArray().Select(planned => planned.GetProperty("on").GetString()).ShouldBe(["2026-12-02", "2027-06-01"]);
        (await visitor.PostAsync($"/api/orders/{order}/upkeep/withdraw", new { version = tenure.GetProperty("version").GetInt32(), index = 1 })).Status.ShouldBe(HttpStatusCode.NoContent);
        await MoveToAsync(visitor, "2028-02-01");
        Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("gone");
        Lines(await PageAsync(visitor)).ShouldNotContain(line => line.Contains("Do without", StringComparison.Ordinal));
        await ShouldAgreeAsync(host, visitor);
    }

    private static async Task DecideAsync(Visitor visitor, Guid order, object decision)
    {
        var version = Tenure(await PageAsync(visitor)).GetProperty("version").GetInt32();
        var (status, body) = await visitor.PostAsync($"/api/orders/{order}/upkeep/decisions", new { version, decision });
        status.ShouldBe(HttpStatusCode.NoContent, body.ToString());
        await CalmAsync(visitor);
    }

    // What the counterparts took by card, and keep as balances, is what the calculation says, to the cent.
    private static async Task ShouldAgreeAsync(TestHost host, Visitor visitor)
    {
        await CalmAsync(visitor);
        var (document, books) = await host.InDatabaseAsync(async db => (Documents.Read<DayBook>((await db.DayBooks.IgnoreQueryFilters().SingleAsync()).Document), Demo(host)));
        var order = await host.InDatabaseAsync(async db => Documents.Read<Order>((await db.Orders.IgnoreQueryFilters().SingleAsync()).Document));
        var today = DateOnly.Parse((await PageAsync(visitor)).GetProperty("today").GetString()!, CultureInfo.InvariantCulture);
        var years = Tenure_(order, books).ToMorning(today, document.Made);
        Documents.Write(document with { Lines = years.Happened }).ShouldBe(Documents.Write(document), "the day book");
        var charges = await host.InCounterpartsAsync(db => db.Charges.ToListAsync());
        foreach (var paid in years.Paid)
        {
            var atOrder = years.Happened.OfType<Charged>().Where(charged => charged.On == order.PlacedOn && charged.Currency == paid.Currency).Sum(charged => (long)charged.Total);
            var taken = charges.Where(row => row.Currency == paid.Currency.Code).Sum(row => (long)(decimal.Parse(row.Amount, CultureInfo.InvariantCulture) * 100));
            (atOrder + taken).ShouldBe((long)paid.Units, $"what was taken in {paid.Currency}");
        }
    }

    private static IReadOnlyList<OfferBook> Demo(TestHost host) => HomeStart.Web.Hosting.Demo.Load(TestHost.Root("demo")).OfferBooks;

    private static Tenure Tenure_(Order order, IReadOnlyList<OfferBook> books) => HomeStart.Core.Upkeep.Tenure.Of(order.Bought!.Candidate, books, order.Bought.CountedFrom(order.PlacedOn), new FaultList()).Value!;

    private static async Task MoveToAsync(Visitor visitor, string to)
    {
        var (status, body) = await visitor.PostAsync("/api/clock", new { from = (await PageAsync(visitor)).GetProperty("today").GetString(), to });
        status.ShouldBe(HttpStatusCode.NoContent, body.ToString());
        await CalmAsync(visitor);
    }

    private static Task CalmAsync(Visitor visitor) => visitor.WaitForAsync(async () => !(await PageAsync(visitor)).GetProperty("isMoving").GetBoolean());

    private static Task<JsonElement> PageAsync(Visitor visitor) => visitor.GetAsync($"/api/sites/{visitor.SiteId}/upkeep");

    private static JsonElement Tenure(JsonElement page) => page.GetProperty("tenures")[0];

    private static JsonElement Held(JsonElement page, string holding) => Tenure(page).GetProperty("holdings").EnumerateArray().Single(held => held.GetProperty("holding").GetString() == holding);

    private static List<string> Lines(JsonElement page) => [.. Tenure(page).GetProperty("dayBook").EnumerateArray().Select(line => $"{line.GetProperty("on").GetString()} {line.GetProperty("kind").GetString()} {line.GetProperty("words").GetString()}")];

    private static async Task<List<(string On, string Amount)>> TakenAsync(TestHost host) =>
        [.. (await host.InCounterpartsAsync(db => db.Charges.ToListAsync())).OrderBy(row => row.On).Select(row => ($"{row.On:yyyy-MM-dd}", row.Amount))];
}
