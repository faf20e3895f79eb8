using System.Net;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

public class SitesTests
{
    private static readonly object Monthly = new
    {
        kind = "choose-billing",
        letter = "A",
        everyMonths = 1,
        commitMonths = 1,
    };

    [Fact]
    public async Task Looking_stores_nothing_and_the_first_change_does()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        var page = await visitor.OpenAsync();
        page.GetProperty("name").GetString().ShouldBe("Ostler & Wren");
        (await RowsAsync(host)).ShouldBe((0, 0));
        var after = await visitor.DoAsync(Monthly);
        after.GetProperty("revision").GetInt32().ShouldBe(1);
        (await RowsAsync(host)).ShouldBe((1, 1));
        (await visitor.SiteAsync())
            .GetProperty("worksheet")
            .GetProperty("candidate")
            .GetProperty("hosting")
            .GetProperty("everyMonths")
            .GetInt32()
            .ShouldBe(1);
    }

    [Fact]
    public async Task A_command_that_saw_an_older_revision_gets_the_newer_document()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(Monthly);
        var (status, newer) = await visitor.PostAsync(
            $"/api/sites/{visitor.SiteId}/commands",
            new { revision = 0, command = new { kind = "set-horizon", months = 12 } }
        );
        status.ShouldBe(HttpStatusCode.Conflict);
        newer.GetProperty("revision").GetInt32().ShouldBe(1);
        newer.GetProperty("settings").GetProperty("horizonMonths").GetInt32().ShouldBe(36);
    }

    [Fact]
    public async Task Of_two_commands_that_arrive_together_one_is_told_so()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(Monthly);
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 6)
                .Select(index =>
                    visitor.PostAsync(
                        $"/api/sites/{visitor.SiteId}/commands",
                        new { revision = 1, command = new { kind = "set-horizon", months = 12 + index } }
                    )
                )
        );
        answers.Count(answer => answer.Status == HttpStatusCode.OK).ShouldBe(1);
        answers.Count(answer => answer.Status == HttpStatusCode.Conflict).ShouldBe(5);
    }

    [Fact]
    public async Task Undo_and_redo_move_over_a_restart_and_a_new_change_drops_what_redo_could_reach()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(Months(12));
        await visitor.DoAsync(Months(24));
        await host.StartAgainAsync();
        visitor = host.Visit(visitor);
        await visitor.OpenAsync();
        Horizon(await MoveAsync(visitor, "undo")).ShouldBe(12);
        Horizon(await MoveAsync(visitor, "undo")).ShouldBe(36);
        (await visitor.SiteAsync()).GetProperty("canUndo").GetBoolean().ShouldBeFalse();
        Horizon(await MoveAsync(visitor, "redo")).ShouldBe(12);
        var changed = await visitor.DoAsync(Months(60));
        changed.GetProperty("canRedo").GetBoolean().ShouldBeFalse();
        Horizon(await MoveAsync(visitor, "redo")).ShouldBe(60);
        Horizon(await MoveAsync(visitor, "undo")).ShouldBe(12);
    }

    [Fact]
    public async Task The_last_two_hundred_documents_are_kept()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        for (var change = 0; change < 205; change++)
        {
            await visitor.DoAsync(Months(1 + (change % 100)));
        }

        (await host.InDatabaseAsync(db => db.Revisions.IgnoreQueryFilters().CountAsync())).ShouldBe(200);
        (await visitor.SiteAsync()).GetProperty("canUndo").GetBoolean().ShouldBeTrue();
    }

    [Fact]
    public async Task A_change_without_the_pages_token_changes_nothing()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var (status, _) = await visitor.SendAsync(
            HttpMethod.Post,
            $"/api/sites/{visitor.SiteId}/commands",
            new { revision = 0, command = Monthly },
            withToken: false
        );
        status.ShouldBe(HttpStatusCode.BadRequest);
        (await RowsAsync(host)).ShouldBe((0, 0));
    }

    private static async Task<Guid> ShareOfAsync(Visitor owner) =>
        (await owner.PostAsync("/api/shares", new { what = "comparison", of = owner.SiteId }))
            .Body.GetProperty("id")
            .GetGuid();

    [Fact]
    public async Task Every_route_answers_404_to_another_workspaces_ids()
    {
        await using var host = await TestHost.StartAsync();
        var owner = host.Visit();
        await owner.OpenAsync();
        await owner.DoAsync(Monthly);
        var order = (await owner.OrderAsync()).GetProperty("id").GetGuid();
        await owner.UntilAsync(order, "completed");
        var stranger = host.Visit();
        await stranger.OpenAsync();
        (HttpMethod Method, string Path, object? Body)[] routes =
        [
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}", null),
            (HttpMethod.Delete, $"/api/sites/{owner.SiteId}", null),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/restore", new { }),
            (HttpMethod.Delete, $"/api/shares/{await ShareOfAsync(owner)}", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/scan", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/settling", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/comparison", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/comparison.pdf", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/candidates/A/stopping", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/candidates/A/plans", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/candidates/A/changing", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/candidates/A/worksheet.pdf", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/candidates/A/bills.csv", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/candidates/A/slip", null),
            (HttpMethod.Put, $"/api/sites/{owner.SiteId}/candidates/A/slip", new { done = Array.Empty<string>() }),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/candidates/A/slip.pdf", null),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/bought", new { }),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/upkeep/statement", new { text = "date,description,amount" }),
            (HttpMethod.Put, $"/api/orders/{order}/bought", new { }),
            (HttpMethod.Delete, $"/api/orders/{order}/bought", null),
            (HttpMethod.Get, $"/api/orders/{order}/kept", null),
            (HttpMethod.Post, $"/api/orders/{order}/kept", null),
            (HttpMethod.Get, $"/api/orders/{order}/kept/{order}", null),
            (HttpMethod.Delete, $"/api/orders/{order}/kept/{order}", null),
            (HttpMethod.Post, $"/api/orders/{order}/upkeep/charges/0", new { taken = true }),
            (HttpMethod.Get, $"/api/orders/{order}/upkeep/charges/0/why", null),
            (HttpMethod.Get, $"/api/orders/{order}/upkeep/letter/tidemarsh", null),
            (
                HttpMethod.Post,
                $"/api/sites/{owner.SiteId}/candidates/A/slip/answers",
                new { book = "tidemarsh", question = "Why?" }
            ),
            (
                HttpMethod.Post,
                $"/api/sites/{owner.SiteId}/candidates/A/cart",
                new { book = "tidemarsh", text = "Slipway hosting £3" }
            ),
            (
                HttpMethod.Post,
                $"/api/sites/{owner.SiteId}/candidates/A/their-sum",
                new { book = "tidemarsh", total = "84.59" }
            ),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/candidates/A/ledger.csv", null),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/commands", new { revision = 1, command = Monthly }),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/undo", new { revision = 1 }),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/redo", new { revision = 1 }),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/orders", new { }),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/orders/quotes", new { letter = "A", country = "GB" }),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/advertisement", new { }),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/price-table", new { text = "Plan,Yearly\nOak,£3" }),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/page", new { text = "Oak £3 a month" }),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/names", null),
            (HttpMethod.Put, $"/api/sites/{owner.SiteId}/names", new { text = "wren", endings = new[] { "com" } }),
            (
                HttpMethod.Post,
                $"/api/sites/{owner.SiteId}/names/check",
                new { names = new[] { "wren" }, endings = new[] { "com" } }
            ),
            (HttpMethod.Post, $"/api/sites/{owner.SiteId}/names/near", new { name = "wren", ending = "com" }),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/names/costs", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/owned-record?domain=wren.com", null),
            (
                HttpMethod.Post,
                $"/api/sites/{owner.SiteId}/transfer-checks",
                new
                {
                    domain = "wren.com",
                    code = "MOVE-WREN",
                    book = "nameyarrow",
                }
            ),
            (
                HttpMethod.Post,
                $"/api/sites/{owner.SiteId}/owned-name",
                new
                {
                    domain = "wren.com",
                    expires = "2027-05-03",
                    renewal = "14.20",
                    book = "nameyarrow",
                }
            ),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/pointing?domain=wren.com", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/pointing.zone?domain=wren.com", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/host-entry", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/claim.ics", null),
            (HttpMethod.Get, $"/api/orders/{order}", null),
            (HttpMethod.Get, $"/api/orders/{order}/key-sheet.pdf", null),
            (HttpMethod.Get, $"/api/orders/{order}/receipts/tidemarsh.pdf", null),
            (HttpMethod.Get, $"/api/orders/{order}/receipts/tidemarsh.xml", null),
            (HttpMethod.Post, $"/api/orders/{order}/resume", new { }),
            (HttpMethod.Post, $"/api/orders/{order}/cancel", null),
            (HttpMethod.Post, $"/api/orders/{order}/look", null),
            (HttpMethod.Get, $"/api/orders/{order}/holders", null),
            (HttpMethod.Get, $"/api/orders/{order}/online", null),
            (HttpMethod.Post, $"/api/orders/{order}/certificate", null),
            (HttpMethod.Get, $"/api/orders/{order}/zone", null),
            (HttpMethod.Get, $"/api/orders/{order}/zone/file", null),
            (HttpMethod.Put, $"/api/orders/{order}/zone", new { version = 0, records = Array.Empty<object>() }),
            (HttpMethod.Post, $"/api/orders/{order}/zone/try", new { set = "site-here" }),
            (HttpMethod.Post, $"/api/orders/{order}/zone/back", new { version = 1 }),
            (HttpMethod.Get, $"/api/orders/{order}/files", null),
            (
                HttpMethod.Post,
                $"/api/orders/{order}/files/rename",
                new
                {
                    version = 1,
                    path = "a.html",
                    to = "b.html",
                }
            ),
            (HttpMethod.Post, $"/api/orders/{order}/files/remove", new { version = 1, path = "a.html" }),
            (HttpMethod.Post, $"/api/orders/{order}/files/back", new { version = 1 }),
            (HttpMethod.Get, $"/api/orders/{order}/uploads", null),
            (
                HttpMethod.Post,
                $"/api/orders/{order}/uploads",
                new { files = new[] { new { path = "a.html", size = 1 } } }
            ),
            (HttpMethod.Put, $"/api/orders/{order}/uploads/{order}/files/0?from=0", null),
            (HttpMethod.Post, $"/api/orders/{order}/uploads/{order}/put-up", null),
            (HttpMethod.Delete, $"/api/orders/{order}/uploads/{order}", null),
            (HttpMethod.Get, $"/api/orders/{order}/first-page", null),
            (HttpMethod.Post, $"/api/orders/{order}/first-page/preview.html", null),
            (HttpMethod.Put, $"/api/orders/{order}/first-page", new { }),
            (HttpMethod.Put, $"/api/orders/{order}/first-page/picture", null),
            (HttpMethod.Get, $"/api/orders/{order}/names", null),
            (HttpMethod.Put, $"/api/orders/{order}/names", new { version = 0, names = Array.Empty<object>() }),
            (HttpMethod.Get, $"/api/orders/{order}/mailboxes", null),
            (HttpMethod.Put, $"/api/orders/{order}/mailboxes", new { version = 0 }),
            (HttpMethod.Post, $"/api/orders/{order}/mailboxes/test", new { to = "a@ostlerwren.com" }),
            (HttpMethod.Get, $"/api/orders/{order}/engines", null),
            (HttpMethod.Post, $"/api/orders/{order}/engines", new { engine = "thistledown" }),
            (HttpMethod.Post, $"/api/orders/{order}/engines/update", new { folder = "" }),
            (HttpMethod.Post, $"/api/orders/{order}/engines/remove", new { folder = "" }),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/upkeep", null),
            (HttpMethod.Get, $"/api/sites/{owner.SiteId}/upkeep.ics", null),
            (
                HttpMethod.Post,
                $"/api/orders/{order}/upkeep/what-if",
                new { decision = new { on = "2027-01-01", @do = "leave" } }
            ),
            (
                HttpMethod.Post,
                $"/api/orders/{order}/upkeep/decisions",
                new { version = 1, decision = new { on = "2027-01-01", @do = "leave" } }
            ),
            (HttpMethod.Post, $"/api/orders/{order}/upkeep/withdraw", new { version = 1, index = 0 }),
            (
                HttpMethod.Post,
                $"/api/orders/{order}/upkeep/card",
                new { card = new { token = "card_0", ending = "0004" } }
            ),
            (HttpMethod.Post, $"/api/orders/{order}/upkeep/pay", new { holding = "hosting", way = "card" }),
            (HttpMethod.Post, $"/api/orders/{order}/upkeep/again", null),
            (HttpMethod.Get, $"/api/orders/{order}/upkeep/lapse/hosting", null),
            (HttpMethod.Get, $"/api/orders/{order}/upkeep/stay-or-move", null),
            (HttpMethod.Post, $"/api/orders/{order}/upkeep/release", new { holding = "domain:0" }),
            (HttpMethod.Post, $"/api/account/sessions/{order}/end", null),
            (HttpMethod.Post, $"/api/orders/{order}/holders/ostlerwren.com/write", null),
            (HttpMethod.Get, $"/api/orders/{order}/claim", null),
            (
                HttpMethod.Post,
                $"/api/orders/{order}/claim",
                new
                {
                    id = Guid.NewGuid(),
                    name = "ostlerwren",
                    ending = "com",
                    agreed = true,
                }
            ),
            (HttpMethod.Post, $"/api/orders/{order}/first-password", null),
            (HttpMethod.Post, $"/api/orders/{order}/first-password/seen", null),
        ];
        foreach (var (method, path, body) in routes)
        {
            (await stranger.SendAsync(method, path, body)).Status.ShouldBe(HttpStatusCode.NotFound, path);
        }

        (await stranger.GetAsync("/api/orders")).GetArrayLength().ShouldBe(0);
        routes.Length.ShouldBe(RoutesWithIds(host), "a route with an id is not in this list");
    }

    [Fact]
    public async Task Another_site_begins_empty_beside_the_first()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var (status, page) = await visitor.PostAsync("/api/sites", new { name = "Second shop" });
        status.ShouldBe(HttpStatusCode.OK);
        page.GetProperty("worksheet").GetProperty("costing").ValueKind.ShouldBe(JsonValueKind.Null);
        (await visitor.GetAsync("/api/session"))
            .GetProperty("sites")
            .EnumerateArray()
            .Select(site => site.GetProperty("name").GetString())
            .ShouldBe(["Ostler & Wren", "Second shop"]);
        (await visitor.PostAsync("/api/sites", new { name = " " })).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    private static object Months(int months) => new { kind = "set-horizon", months };

    private static int Horizon(JsonElement page) =>
        page.GetProperty("settings").GetProperty("horizonMonths").GetInt32();

    private static async Task<JsonElement> MoveAsync(Visitor visitor, string move)
    {
        var revision = (await visitor.SiteAsync()).GetProperty("revision").GetInt32();
        var (status, body) = await visitor.PostAsync($"/api/sites/{visitor.SiteId}/{move}", new { revision });
        status.ShouldBe(HttpStatusCode.OK);
        return body;
    }

    private static Task<(int Workspaces, int Sites)> RowsAsync(TestHost host) =>
        host.InDatabaseAsync(async db =>
            (await db.Workspaces.IgnoreQueryFilters().CountAsync(), await db.Sites.IgnoreQueryFilters().CountAsync())
        );

    private static int RoutesWithIds(TestHost host) =>
        Microsoft
            .Extensions.DependencyInjection.ServiceProviderServiceExtensions.GetServices<Microsoft.AspNetCore.Routing.EndpointDataSource>(
                host.Services
            )
            .SelectMany(source => source.Endpoints)
            .OfType<Microsoft.AspNetCore.Routing.RouteEndpoint>()
            .Select(endpoint =>
                (
                    Route: endpoint.RoutePattern.RawText,
                    Methods: string.Join(
                        ' ',
                        endpoint
                            .Metadata.OfType<Microsoft.AspNetCore.Routing.HttpMethodMetadata>()
                            .SelectMany(method => method.HttpMethods)
                    )
                )
            )
            .Distinct()
            .Count(endpoint => endpoint.Route!.Contains("d:guid", StringComparison.Ordinal));
}
