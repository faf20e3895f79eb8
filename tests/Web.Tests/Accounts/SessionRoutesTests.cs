using System.Net;
using System.Net.Http.Json;
using HomeStart.Web.Session;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.AspNetCore.Routing.Patterns;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Web.Tests;

/// <summary>
/// Every route there is, however its path is written, opens a workspace only to who may see it: not to an ended
/// session, a cookie from before the account, somebody else's cookie, or none.
/// </summary>
public sealed class SessionRoutesTests : OneOwner
{
    private const string Secret = "Hexworth clocks and barometers";

    /// <summary>Routes that are the same for everybody: nothing of a visitor's is read there.</summary>
    private static readonly string[] Public =
    [
        "/api/notices/payments",
        "/health",
        "/metrics",
        "/api/{**rest}",
        "{*path:nonfile}",
    ];

    [Fact]
    public void Only_these_routes_are_open_to_everybody() =>
        Routes()
            .Where(route => route.Metadata.GetMetadata<ForEverybody>() is not null)
            .Select(route => route.RoutePattern.RawText!)
            .Order(StringComparer.Ordinal)
            .ShouldBe(Public.Order(StringComparer.Ordinal));

    [Fact]
    public void Only_these_routes_are_opened_by_their_address() =>
        Routes()
            .Where(route => route.Metadata.GetMetadata<OpenByAddress>() is not null)
            .Select(route => route.RoutePattern.RawText!)
            .ShouldBe(["/shared/{secret}", "/shared/{secret}"]);

    [Fact]
    public async Task No_way_of_writing_a_path_lets_in_who_may_not_see_it()
    {
        var cookie = _visitor.CookieNames.Single(name => name.EndsWith("-workspace", StringComparison.Ordinal));
        await _visitor.DoAsync(new { kind = "rename-site", name = Secret });
        var before = _visitor.CookieValue(cookie);
        await _visitor.ConfirmAsync();
        var ended = _visitor.CookieValue(cookie);
        var order = await _visitor.UntilAsync((await _visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        var id = order.GetProperty("id").GetGuid();
        await _visitor.GetAsync("/api/session");
        (await _visitor.PostAsync("/api/account/sign-out-everywhere", null)).Status.ShouldBe(HttpStatusCode.NoContent);
        await _visitor.OpenAsync();
        // Signed in once more: there is something to be seen, and this session may see it.
        await _visitor.ConfirmAsync();
        await _visitor.WaitForAsync(() =>
            _host.InDatabaseAsync(db =>
                db.DayBooks.IgnoreQueryFilters().AnyAsync(row => row.Document.Contains("expires"))
            )
        ); // Opened by itself, a moment after the order; then the card's last day is asked for.
        var kept = await SnapshotAsync();
        (await _visitor.GetAsync($"/api/orders/{id}"))
            .GetProperty("keySheet")
            .ToString()
            .ShouldContain("ostlerwren.com");

        var stranger = _host.Visit();
        await stranger.OpenAsync();
        var secrets = new[] { Secret, _visitor.Mail, order.GetProperty("reference").GetString()! };
        var asked = 0;
        foreach (var route in Routes().Where(route => route.Metadata.GetMetadata<ForEverybody>() is null))
        {
            foreach (var method in route.Metadata.GetMetadata<IHttpMethodMetadata>()?.HttpMethods ?? ["GET"])
            {
                foreach (var path in Written(PathOf(route.RoutePattern, id)))
                {
                    foreach (var given in new[] { before, ended, stranger.CookieValue(cookie), null })
                    {
                        asked++;
                        await RefusedAsync(method, path, given is null ? null : $"{cookie}={given}", secrets);
                    }
                }
            }
        }

        asked.ShouldBeGreaterThan(1500);
        (await SnapshotAsync()).ShouldBe(kept); // Nothing of the owner's was changed, and nothing went.
    }

    [Fact]
    public async Task A_deleted_account_s_workspace_opens_to_no_older_cookie_and_neither_does_its_mail()
    {
        var cookie = _visitor.CookieNames.Single(name => name.EndsWith("-workspace", StringComparison.Ordinal));
        var before = _visitor.CookieValue(cookie);
        await _visitor.ConfirmAsync();
        await _visitor.CodeAsync();
        (await _visitor.SendAsync(HttpMethod.Delete, "/api/account", new { sure = true })).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        (await MailsAsync(before, cookie)).ShouldBe(0);
        (await _host.InDatabaseAsync(db => db.Workspaces.IgnoreQueryFilters().CountAsync())).ShouldBe(0);
    }

    [Fact]
    public async Task A_browser_s_own_workspace_that_was_joined_to_an_account_opens_to_its_old_cookie_no_more()
    {
        await _visitor.ConfirmAsync();
        var other = _host.Visit();
        await other.OpenAsync();
        await other.DoAsync(new { kind = "rename-site", name = Secret });
        var cookie = other.CookieNames.Single(name => name.EndsWith("-workspace", StringComparison.Ordinal));
        var before = other.CookieValue(cookie);
        _host.Clock.Ahead += TimeSpan.FromMinutes(1);
        var codes = await _visitor.CodesAsync();
        await other.PostAsync("/api/account/code", new { mail = _visitor.Mail });
        (
            await other.PostAsync(
                "/api/account/confirm",
                new
                {
                    mail = _visitor.Mail,
                    code = await _visitor.CodeAsync(after: codes.Count),
                    join = true,
                }
            )
        ).Status.ShouldBe(HttpStatusCode.OK);
        (await MailsAsync(before, cookie)).ShouldBe(0);
        using var app = _host.App();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/session");
        request.Headers.Add("Cookie", $"{cookie}={before}");
        using var response = await app.SendAsync(request, TestContext.Current.CancellationToken);
        (await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)).ShouldNotContain(Secret);
    }

    [Fact]
    public async Task Nothing_is_joined_with_an_account_unless_it_is_said()
    {
        await _visitor.ConfirmAsync();
        var other = _host.Visit();
        await other.OpenAsync();
        await other.DoAsync(new { kind = "rename-site", name = Secret });
        _host.Clock.Ahead += TimeSpan.FromMinutes(1);
        var codes = await _visitor.CodesAsync();
        await other.PostAsync("/api/account/code", new { mail = _visitor.Mail });
        (
            await other.PostAsync(
                "/api/account/confirm",
                new { mail = _visitor.Mail, code = await _visitor.CodeAsync(after: codes.Count) }
            )
        ).Status.ShouldBe(HttpStatusCode.OK);
        (await _visitor.GetAsync("/api/session")).ToString().ShouldNotContain(Secret);
    }

    private async Task<int> MailsAsync(string given, string cookie)
    {
        using var app = _host.App();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/API/mail");
        request.Headers.Add("Cookie", $"{cookie}={given}");
        using var response = await app.SendAsync(request);
        return (await response.Content.ReadFromJsonAsync<System.Text.Json.JsonElement>())
            .GetProperty("arrived")
            .GetArrayLength();
    }

    private async Task RefusedAsync(string method, string path, string? cookies, string[] secrets)
    {
        using var app = _host.App();
        using var request = new HttpRequestMessage(new HttpMethod(method), new Uri("http://localhost" + path));
        if (cookies is not null)
        {
            request.Headers.Add("Cookie", cookies);
        }

        if (method is not ("GET" or "HEAD"))
        {
            request.Content = JsonContent.Create(new { sure = true, mail = "tom@example.com" });
        }

        using var response = await app.SendAsync(request);
        var said = await response.Content.ReadAsStringAsync();
        var how = $"{method} {path} with {cookies}: {response.StatusCode}";
        response.StatusCode.ShouldNotBe(HttpStatusCode.InternalServerError, how);
        foreach (var secret in secrets)
        {
            said.ShouldNotContain(secret, Case.Insensitive, how);
        }
    }

    // All that is the owner's, as it stands in the database.
    private Task<string> SnapshotAsync() =>
        _host.InDatabaseAsync(async db =>
            string.Join(
                '\n',
                [
                    .. (
                        await db
                            .Orders.IgnoreQueryFilters()
                            .Where(row => row.WorkspaceId == _visitor.Workspace)
                            .OrderBy(row => row.Id)
                            .ToListAsync()
                    ).Select(row => $"{row.WorkspaceId} {row.Document}"),
                    .. (
                        await db
                            .Sites.IgnoreQueryFilters()
                            .Where(row => row.WorkspaceId == _visitor.Workspace)
                            .OrderBy(row => row.Id)
                            .ToListAsync()
                    ).Select(row => $"{row.WorkspaceId} {row.Revision}"),
                    .. (await db.Sessions.OrderBy(row => row.Id).ToListAsync()).Select(row =>
                        $"{row.AccountId} {row.EndedAt}"
                    ),
                    .. (
                        await db
                            .DayBooks.IgnoreQueryFilters()
                            .Where(row => row.WorkspaceId == _visitor.Workspace)
                            .OrderBy(row => row.OrderId)
                            .ToListAsync()
                    ).Select(row => row.Document),
                ]
            )
        );

    private IEnumerable<RouteEndpoint> Routes() =>
        _host
            .Services.GetServices<EndpointDataSource>()
            .SelectMany(source => source.Endpoints)
            .OfType<RouteEndpoint>()
            .DistinctBy(route => (route.RoutePattern.RawText, route.DisplayName));

    private string PathOf(RoutePattern pattern, Guid order) =>
        "/"
        + string.Join(
            '/',
            pattern.PathSegments.Select(segment =>
                string.Concat(
                    segment.Parts.Select(part =>
                        part switch
                        {
                            RoutePatternLiteralPart literal => literal.Content,
                            RoutePatternParameterPart { Name: "siteId" } => _visitor.SiteId.ToString(),
                            RoutePatternParameterPart { Name: "orderId" } => order.ToString(),
                            RoutePatternParameterPart { Name: "book" } => "tidemarsh",
                            RoutePatternParameterPart { Name: "letter" } => "A",
                            RoutePatternParameterPart { Name: "index" or "line" or "version" } => "0",
                            RoutePatternParameterPart { Name: "domain" } => "ostlerwren.com",
                            RoutePatternParameterPart parameter
                                when parameter.ParameterPolicies.Any(policy => policy.Content == "guid") =>
                                order.ToString(),
                            _ => "x",
                        }
                    )
                )
            )
        );

    // As it is, in capitals, with slashes doubled, with letters encoded, with a slash behind it.
    private static IEnumerable<string> Written(string path) =>
        [
            path,
            path.Replace("/api/", "/API/", StringComparison.Ordinal),
            "/" + path,
            path.Replace("/api/", "/api//", StringComparison.Ordinal),
            path.Replace("/api/", "/%61pi/", StringComparison.Ordinal),
            path.Replace("/api/", "/%41%50%49/", StringComparison.Ordinal),
            path + "/",
        ];
}
