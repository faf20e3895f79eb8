using System.Net;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using static HomeStart.Web.Tests.UpkeepSteps;

namespace HomeStart.Web.Tests;

/// <summary>What falls due is taken on its day; what could not be taken is seen and can be paid.</summary>
public sealed class UpkeepChargesTests
{
    [Fact]
    public async Task A_renewal_is_taken_on_its_day_the_registry_hears_of_it_and_the_owner_is_written_to()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await OrderedAsync(host);
        await MoveToAsync(visitor, "2027-12-01");
        (await TakenAsync(host)).ShouldBe([]); // The owner can still decide on the day.
        var due = Tenure(await PageAsync(visitor)).GetProperty("bills")[0];
        (due.GetProperty("on").GetString(), due.GetProperty("seller").GetString()).ShouldBe(
            ("2027-12-01", "Tidemarsh Hosting")
        );

        await MoveToAsync(visitor, "2027-12-02");
        (await TakenAsync(host)).ShouldBe([("2027-12-01", due.GetProperty("amount").GetString()!)]);
        (await host.InCounterpartsAsync(db => db.Registrations.SingleAsync())).Expires.ShouldBe(
            new DateOnly(2028, 12, 1)
        );
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).PaidUntil.ShouldBe(new DateOnly(2028, 12, 1));
        Lines(await PageAsync(visitor))
            .ShouldContain(line => line.StartsWith("2027-12-01 charged £", StringComparison.Ordinal));
        (await visitor.MailAsync("A bill was paid")).ShouldContain("was taken by Tidemarsh Hosting");
        foreach (var start in new[] { "In 60 days: ", "In 30 days: ", "In 7 days: ", "In one day: " })
        {
            await visitor.MailAsync(start + "£189.07 due to Tidemarsh");
        }
    }

    [Fact]
    public async Task What_was_ordered_not_to_renew_ends_with_what_was_paid_and_the_rest_goes_on()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        // The name is from another seller.
        var (_, placed) = await visitor.TryOrderAsync(letter: "C", more: new { endingAt = new[] { "plainstone" } });
        await visitor.UntilAsync(placed.GetProperty("id").GetGuid(), "completed");
        await OpenedAsync(visitor);
        Renewing(await PageAsync(visitor)).ShouldBe([("hosting", false), ("domain:0", true)]);
        await MoveToAsync(visitor, "2027-12-02");
        var had = Tenure(await PageAsync(visitor))
            .GetProperty("holdings")
            .EnumerateArray()
            .Select(holding => (holding.GetProperty("holding").GetString(), holding.GetProperty("state").GetString()));
        had.ShouldBe([("hosting", "ended"), ("domain:0", "live")]);

        static IEnumerable<(string?, bool)> Renewing(JsonElement page) =>
            Tenure(page)
                .GetProperty("holdings")
                .EnumerateArray()
                .Select(holding =>
                    (holding.GetProperty("holding").GetString(), holding.GetProperty("renews").GetBoolean())
                );
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
        (
            await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "domain:0", way = "card" })
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        (await TakenAsync(host)).ShouldBe([]);
        var (token, ending) = await visitor.CardAsync(Visitor.GoodCard);
        (
            await visitor.PostAsync($"/api/orders/{order}/upkeep/card", new { card = new { token, ending } })
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        (
            await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "domain:0", way = "card" })
        ).Status.ShouldBe(HttpStatusCode.NoContent);
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
        // On the day and the day after; three days later the bank pays.
        Lines(await PageAsync(visitor)).Count(line => line.Contains(" failed ", StringComparison.Ordinal)).ShouldBe(2);
        (await TakenAsync(host)).Select(taken => taken.On).ShouldBe(["2027-12-04"]);
        Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("live");
        await ShouldAgreeAsync(host, visitor);
    }

    [Theory]
    [InlineData("balance", false)]
    [InlineData("invoice", false)]
    [InlineData("invoice", true)]
    public async Task What_was_missed_can_be_paid_without_the_card(string way, bool isPageClosed)
    {
        await using var host = await TestHost.StartAsync(
            days: isPageClosed ? new Quick() : null,
            between: isPageClosed ? () => new SlowHolds() : null
        );
        var (visitor, order) = await OrderedAsync(host, "9999520000000001");
        await MoveToAsync(visitor, "2027-12-20");
        if (way == "balance")
        {
            // The waiting balance is too small: said, and nothing is done.
            (
                await visitor.PostAsync("/api/sellers/tidemarsh/customer/code", new { mail = visitor.Mail })
            ).Status.ShouldBe(HttpStatusCode.NoContent);
            var (status, body) = await visitor.PostAsync(
                $"/api/orders/{order}/upkeep/pay",
                new { holding = "hosting", way }
            );
            status.ShouldBe(HttpStatusCode.UnprocessableEntity);
            body.GetProperty("errors")[0].GetProperty("message").GetString()!.ShouldContain("does not cover");
            await host.InCounterpartsAsync(db =>
                db.Customers.ExecuteUpdateAsync(set => set.SetProperty(row => row.Balance, "500.00"))
            );
        }

        (await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "hosting", way })).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        if (way == "invoice")
        {
            var paying = Tenure(await PageAsync(visitor)).GetProperty("paying");
            Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("suspended");
            (
                await visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "hosting", way })
            ).Status.ShouldBe(HttpStatusCode.Conflict); // A second invoice would lose sight of the first.
            await visitor.AnswerAsync(
                paying.GetProperty("page").GetString()!,
                "amount",
                paying.GetProperty("amount").GetString()!
            );
            if (isPageClosed)
            {
                // Nobody asks here: the sweep finds that the money came.
                await visitor.WaitForAsync(async () =>
                    (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).State == "live"
                );
            }
            else
            {
                (await visitor.PostAsync($"/api/orders/{order}/upkeep/again", null)).Status.ShouldBe(
                    HttpStatusCode.NoContent
                );
            }
        }

        await CalmAsync(visitor);
        Held(await PageAsync(visitor), "hosting").GetProperty("state").GetString().ShouldBe("live");
        Tenure(await PageAsync(visitor)).GetProperty("paying").ValueKind.ShouldBe(JsonValueKind.Null);
        (await TakenAsync(host)).ShouldBe([]); // Nothing by card.
        (await host.InCounterpartsAsync(db => db.Accounts.SingleAsync())).State.ShouldBe("live");
    }

    /// <summary>Lets several sweeps pass before the processor hears of a hold for what was missed.</summary>
    private sealed class SlowHolds : DelegatingHandler
    {
        protected override async Task<HttpResponseMessage> SendAsync(
            HttpRequestMessage request,
            CancellationToken cancellationToken
        )
        {
            if (request.RequestUri!.AbsolutePath.EndsWith("/holds", StringComparison.Ordinal))
            {
                await Task.Delay(TimeSpan.FromMilliseconds(600), cancellationToken);
            }

            return await base.SendAsync(request, cancellationToken);
        }
    }
}
