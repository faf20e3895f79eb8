using System.Net;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>A domain that the owner has, one that is borrowed, and one chosen later.</summary>
public class OwnedTests
{
    // As the simulated world has it: who holds what, and what is locked.
    private const string Unlocked = "clocks.com";
    private const string Locked = "ostler.com";

    [Theory]
    [InlineData(Unlocked, "MOVE-CLOCKS", "ready")]
    [InlineData(Unlocked, "move-clocks", "wrong-code")]
    [InlineData(Locked, "MOVE-OSTLER", "locked")]
    [InlineData("ostlerwren.com", "MOVE-OSTLERWREN", "not-registered")]
    public async Task Code_and_lock_are_checked_at_the_registrar(string domain, string code, string state)
    {
        await using var host = await TestHost.StartAsync();
        var answer = await CheckAsync(await OpenAsync(host), domain, code);
        Text(answer, "state").ShouldBe(state);
        (answer.GetProperty("registration").ValueKind == JsonValueKind.Object).ShouldBe(state != "not-registered");
    }

    [Fact]
    public async Task A_name_that_came_lately_stays_sixty_days_and_one_that_is_here_need_not_be_moved()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = await OpenAsync(host);
        await visitor.TakeNameAsync("wrenclocks.com"); // On 30 November.
        var answer = await CheckAsync(visitor, "wrenclocks.com", "MOVE-WRENCLOCKS");
        (Text(answer, "state"), Text(answer, "until")).ShouldBe(("too-new", "2027-01-29"));
        await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        Text(await CheckAsync(visitor, "ostlerwren.com", "MOVE-OSTLERWREN", "tidemarsh"), "state")
            .ShouldBe("here-already");
    }

    [Theory]
    [InlineData("down")]
    [InlineData("limiting")]
    [InlineData("nonsense")]
    public async Task A_registrar_that_fails_says_nothing_of_the_code(string mode)
    {
        await using var host = await TestHost.StartAsync();
        var visitor = await OpenAsync(host);
        await visitor.TellAsync("registrar", mode);
        var answer = await CheckAsync(visitor, Unlocked, "MOVE-CLOCKS");
        Text(answer, "state").ShouldBe("unchecked");
        Text(answer, "why").ShouldNotBeEmpty();
    }

    [Fact]
    public async Task A_transfer_code_is_passed_on_and_stands_nowhere_after()
    {
        await using var host = await TestHost.StartAsync(isRecording: true);
        var visitor = await OpenAsync(host);
        await CheckAsync(visitor, Unlocked, "SECRETCODE-77");
        host.Log.ShouldNotContain(line => line.Contains("SECRETCODE", StringComparison.Ordinal));
        foreach (var file in Directory.GetFiles(host.DataFolder))
        {
            await using var open = new FileStream(
                file,
                FileMode.Open,
                FileAccess.Read,
                FileShare.ReadWrite | FileShare.Delete
            );
            using var reader = new StreamReader(open);
            (await reader.ReadToEndAsync(TestContext.Current.CancellationToken)).ShouldNotContain("SECRETCODE");
        }
    }

    [Theory]
    [InlineData("clocks", "MOVE-CLOCKS", "nameyarrow", "domain")]
    [InlineData("clocks.com", "x", "nameyarrow", "code")]
    [InlineData("clocks.com", "MOVE-CLOCKS", "nobody", "book")]
    [InlineData("clocks.org", "MOVE-CLOCKS", "fernhollow", "book")]
    [InlineData("../../etc/passwd", "MOVE-CLOCKS", "nameyarrow", "domain")]
    public async Task What_cannot_be_checked_says_where(string domain, string code, string book, string where)
    {
        await using var host = await TestHost.StartAsync();
        var visitor = await OpenAsync(host);
        var (status, problem) = await visitor.PostAsync(
            $"/api/sites/{visitor.SiteId}/transfer-checks",
            new
            {
                domain,
                code,
                book,
            }
        );
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        problem.GetProperty("errors").EnumerateArray().Select(fault => Text(fault, "where")).ShouldBe([where]);
    }

    [Fact]
    public async Task What_to_set_is_told_with_the_mail_that_is_there()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = await OpenAsync(host);
        var with = await PointingAsync("wren.com");
        with.GetProperty("stopsMail").GetBoolean().ShouldBeTrue();
        var mail = with.GetProperty("mailToday").EnumerateArray().Select(record => Text(record, "data")).ToList();
        mail.ShouldNotBeEmpty();
        Mx(with).ShouldBe(mail);
        Mx(await PointingAsync("wren.com&keepMail=false")).ShouldBe(["mail.tidemarsh.example.net."]);
        var without = await PointingAsync("ostlerwren.com");
        (without.GetProperty("stopsMail").GetBoolean(), without.GetProperty("mailToday").GetArrayLength()).ShouldBe(
            (false, 0)
        );
        using var zone = await visitor.RawAsync($"/api/sites/{visitor.SiteId}/pointing.zone?domain=wren.com");
        zone.Content.Headers.ContentType!.MediaType.ShouldBe("text/dns");
        (await zone.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)).ShouldBe(Text(with, "zoneFile"));

        // Nobody could say: mail may be there.
        await visitor.TellAsync("dns", "down");
        var unknown = await PointingAsync("ostlerwren.com");
        (unknown.GetProperty("stopsMail").GetBoolean(), unknown.GetProperty("mailToday").ValueKind).ShouldBe(
            (true, JsonValueKind.Null)
        );
        await visitor.TellAsync("host", "down");
        using var silent = await visitor.RawAsync($"/api/sites/{visitor.SiteId}/pointing?domain=wren.com");
        silent.StatusCode.ShouldBe(HttpStatusCode.ServiceUnavailable);
        using var none = await visitor.RawAsync($"/api/sites/{visitor.SiteId}/pointing?domain=nonsense");
        none.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);

        Task<JsonElement> PointingAsync(string domain) =>
            visitor.GetAsync($"/api/sites/{visitor.SiteId}/pointing?domain={domain}");

        static IEnumerable<string> Mx(JsonElement pointing) =>
            pointing
                .GetProperty("records")
                .EnumerateArray()
                .Where(record => Text(record, "type") == "MX")
                .Select(record => Text(record, "data"));
    }

    [Fact]
    public async Task Staying_and_moving_are_weighed_and_what_is_wrong_is_told_at_its_field()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = await OpenAsync(host);
        var path = $"/api/sites/{visitor.SiteId}/owned-name";
        var (_, weighed) = await visitor.PostAsync(
            path,
            new
            {
                domain = Unlocked,
                expires = "2027-05-03",
                renewal = "14.20",
                book = "tidemarsh",
            }
        );
        Text(weighed, "paidUntil").ShouldBe("2028-05-03");
        Text(weighed, "movingCostsMore").ShouldNotBeEmpty();
        var (status, problem) = await visitor.PostAsync(
            path,
            new
            {
                domain = "x",
                expires = "soon",
                renewal = "much",
            }
        );
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        problem
            .GetProperty("errors")
            .EnumerateArray()
            .Select(fault => Text(fault, "where"))
            .ShouldBe(["domain", "expires", "renewal", "book"], ignoreOrder: true);
        (
            await visitor.PostAsync(
                path,
                new
                {
                    domain = Unlocked,
                    expires = "2020-01-01",
                    renewal = "14.20",
                    book = "tidemarsh",
                }
            )
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task What_is_not_typed_is_taken_from_the_registry_and_from_the_seller_it_could_be_moved_to()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = await OpenAsync(host);
        var path = $"/api/sites/{visitor.SiteId}/owned-name";
        var (_, weighed) = await visitor.PostAsync(path, new { domain = Unlocked, book = "tidemarsh" });
        var kept = weighed.GetProperty("kept");
        (
            Text(kept, "expires"),
            Text(weighed, "expiresFrom"),
            Text(kept, "renewal"),
            Text(kept, "currency"),
            Text(weighed, "renewalFrom")
        ).ShouldBe(("2027-12-20", "registry", "20.28", "GBP", "assumed"));
        (_, weighed) = await visitor.PostAsync(
            path,
            new
            {
                domain = Unlocked,
                book = "tidemarsh",
                expires = "2027-05-03",
                renewal = "15",
                currency = "USD",
            }
        );
        kept = weighed.GetProperty("kept");
        (
            Text(kept, "expires"),
            Text(weighed, "expiresFrom"),
            Text(kept, "renewal"),
            Text(kept, "currency"),
            Text(weighed, "renewalFrom")
        ).ShouldBe(("2027-05-03", "typed", "15", "USD", "typed"));
        await FaultsAsync(new { domain = "ostlerwren.com", book = "tidemarsh" }, "expires"); // Nobody has it.
        // Nor does anybody here sell it.
        await FaultsAsync(new { domain = "ostlerwren.me", book = "tidemarsh" }, "expires", "renewal");
        await FaultsAsync(
            new
            {
                domain = Unlocked,
                book = "tidemarsh",
                renewal = "15",
                currency = "XQQ",
            },
            "currency"
        );

        var record = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/owned-record?domain={Unlocked}");
        (
            Text(record.GetProperty("registration"), "expires"),
            record.GetProperty("nameServers").GetArrayLength(),
            record.GetProperty("had").ValueKind
        ).ShouldBe(("2027-12-20", 2, JsonValueKind.Null));
        using var none = await visitor.RawAsync($"/api/sites/{visitor.SiteId}/owned-record?domain=nonsense");
        none.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);

        async Task FaultsAsync(object body, params string[] where)
        {
            var (status, problem) = await visitor.PostAsync(path, body);
            status.ShouldBe(HttpStatusCode.UnprocessableEntity);
            problem.GetProperty("errors").EnumerateArray().Select(fault => Text(fault, "where")).ShouldBe(where);
        }
    }

    [Fact]
    public async Task A_name_bought_here_is_the_owners_is_not_sold_twice_and_leads_to_other_hosting()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = await OpenAsync(host);
        (await visitor.GetAsync("/api/names-had")).GetArrayLength().ShouldBe(0);
        var first = await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        var had = (await visitor.GetAsync("/api/names-had")).EnumerateArray().Single();
        (Text(had, "domain"), Text(had, "seller"), Text(had, "expires"), Text(had, "renewal")).ShouldBe(
            ("ostlerwren.com", "Tidemarsh Hosting", "2027-12-01", "20.28")
        );
        (await visitor.GetAsync($"/api/sites/{visitor.SiteId}/owned-record?domain=ostlerwren.com"))
            .GetProperty("had")
            .GetProperty("orderId")
            .GetGuid()
            .ShouldBe(first.GetProperty("id").GetGuid());

        // The like is said before anything is filled in, and so is a name that is the owner's already.
        var quoted = await QuotedAsync("A");
        Text(quoted.GetProperty("like"), "reference").ShouldBe(Text(first, "reference"));
        var fault = quoted.GetProperty("differences").EnumerateArray().Single();
        (Text(fault, "code"), Text(fault, "cure")).ShouldBe(("repeated", "choose-domain"));
        (await QuotedAsync("C"))
            .GetProperty("differences")
            .EnumerateArray()
            .Single()
            .GetProperty("code")
            .GetString()
            .ShouldBe("repeated"); // Another seller's would be the same name.

        // Kept where it is, with other hosting: the order points it there.
        await visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "C",
                domain = JsonSerializer.SerializeToNode(had.GetProperty("choice")),
            }
        );
        quoted = await QuotedAsync("C");
        (quoted.GetProperty("like").ValueKind, quoted.GetProperty("differences").GetArrayLength()).ShouldBe(
            (JsonValueKind.Null, 0)
        );
        var (_, placed) = await visitor.TryOrderAsync(letter: "C");
        var second = await visitor.UntilAsync(placed.GetProperty("id").GetGuid(), "completed");
        var join = second.GetProperty("steps").EnumerateArray().Single(step => Text(step, "kind") == "join");
        (Text(join, "domain"), Text(join, "status")).ShouldBe(("ostlerwren.com", "done"));
        var registration = await host.InCounterpartsAsync(db => db.Registrations.SingleAsync());
        registration
            .NameServers.Split(' ')
            .ShouldBe(
                second
                    .GetProperty("keySheet")
                    .GetProperty("nameServers")
                    .EnumerateArray()
                    .Select(server => server.GetString())
            );

        // Two orders have it now, and another is still refused in words.
        fault = (await QuotedAsync("A")).GetProperty("differences").EnumerateArray().Single();
        (Text(fault, "code"), Text(fault, "cure")).ShouldBe(("repeated", "choose-domain"));

        // Somebody else has none of it.
        (await (await OpenAsync(host)).GetAsync("/api/names-had")).GetArrayLength().ShouldBe(0);

        async Task<JsonElement> QuotedAsync(string letter) =>
            (
                await visitor.PostAsync($"/api/sites/{visitor.SiteId}/orders/quotes", new { letter, country = "GB" })
            ).Body;
    }

    [Fact]
    public async Task A_host_lends_an_address_with_its_rules_and_the_plans_year_has_a_reminder()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = await OpenAsync(host);
        var entry = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/host-entry");
        Text(entry, "lent").ShouldBe("ostlerandwren.tidemarsh.example.net");
        entry.GetProperty("lentRules").GetArrayLength().ShouldBe(3);
        using var reminder = await visitor.RawAsync($"/api/sites/{visitor.SiteId}/claim.ics");
        reminder.Content.Headers.ContentType!.MediaType.ShouldBe("text/calendar");
        (await reminder.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)).ShouldContain("20271130");
        using var none = await visitor.RawAsync($"/api/sites/{visitor.SiteId}/claim.ics?view=C");
        none.StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_page_says_what_the_public_record_will_show()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        var record = (await visitor.OpenAsync()).GetProperty("worksheet").GetProperty("publicRecord");
        (
            Text(record, "privacy"),
            record.GetProperty("isPrivate").GetBoolean(),
            record.GetProperty("shown").GetArrayLength(),
            record.GetProperty("shownWithout").GetArrayLength()
        ).ShouldBe(("sold", true, 0, 8));
    }

    private static async Task<Visitor> OpenAsync(TestHost host)
    {
        var visitor = host.Visit();
        await visitor.OpenAsync();
        return visitor;
    }

    private static async Task<JsonElement> CheckAsync(
        Visitor visitor,
        string domain,
        string code,
        string book = "nameyarrow"
    )
    {
        var (status, body) = await visitor.PostAsync(
            $"/api/sites/{visitor.SiteId}/transfer-checks",
            new
            {
                domain,
                code,
                book,
            }
        );
        status.ShouldBe(HttpStatusCode.OK, body.ToString());
        return body;
    }

    private static string Text(JsonElement element, string field) => element.GetProperty(field).GetString()!;
}
