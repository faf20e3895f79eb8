using System.Net;
using HomeStart.Data;
using HomeStart.Web.Startup;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Web.Tests;

/// <summary>Who a visitor is, what is theirs, and how long it is kept.</summary>
public class VisitorsTests
{
    [Fact]
    public async Task Each_data_folder_has_a_cookie_of_its_own()
    {
        await using var one = await TestHost.StartAsync();
        await using var other = await TestHost.StartAsync();
        var visitor = one.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(new { kind = "rename-site", name = "First folder" });

        // The same browser at another port: it sends and gets cookies of both.
        await other.Visit(visitor).OpenAsync();
        (await one.Visit(visitor).OpenAsync()).GetProperty("name").GetString().ShouldBe("First folder");
    }

    [Fact]
    public async Task A_cookie_that_cannot_be_read_is_kept_aside_and_the_visitor_is_told_once()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var name = visitor.CookieNames.Single(cookie => cookie.EndsWith("-workspace", StringComparison.Ordinal));
        visitor.SetCookie(name, "nonsense");
        (await visitor.GetAsync("/api/session")).GetProperty("isLost").GetBoolean().ShouldBeTrue();
        visitor.CookieNames.ShouldContain(name + "-unreadable");
        (await visitor.GetAsync("/api/session")).GetProperty("isLost").GetBoolean().ShouldBeFalse();
    }

    [Fact]
    public async Task The_cookie_of_the_first_release_still_opens_its_workspace()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(new { kind = "rename-site", name = "Long ago" });
        var name = visitor.CookieNames.Single(cookie => cookie.EndsWith("-workspace", StringComparison.Ordinal));
        var former = visitor.TakeCookie(name);
        visitor.SetCookie("home-start", former);
        (await visitor.OpenAsync()).GetProperty("name").GetString().ShouldBe("Long ago");
    }

    [Fact]
    public async Task A_token_of_one_visitor_is_of_no_use_to_another()
    {
        await using var host = await TestHost.StartAsync();
        var (owner, stranger) = (host.Visit(), host.Visit());
        await owner.OpenAsync();
        await stranger.OpenAsync();
        foreach (
            var name in stranger.CookieNames.Where(name => name.EndsWith("-antiforgery", StringComparison.Ordinal))
        )
        {
            owner.SetCookie(name, stranger.CookieValue(name));
        }

        owner.UseTokenOf(stranger);
        (await owner.PostAsync("/api/sites", new { name = "Not mine" })).Status.ShouldBe(HttpStatusCode.BadRequest);
    }

    [Theory]
    [InlineData("evil.example", HttpStatusCode.BadRequest)]
    [InlineData("localhost:5080", HttpStatusCode.OK)]
    [InlineData("127.0.0.1", HttpStatusCode.OK)]
    public async Task Only_our_own_names_are_answered(string name, HttpStatusCode status)
    {
        await using var host = await TestHost.StartAsync();
        using var http = host.App();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/books") { Headers = { Host = name } };
        using var answer = await http.SendAsync(request, TestContext.Current.CancellationToken);
        answer.StatusCode.ShouldBe(status);
    }

    [Fact]
    public async Task Behind_https_cookies_are_bound_to_the_host()
    {
        await using var host = await TestHost.StartAsync(options => options with { BehindProxy = true });
        using var http = host.App();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/session");
        request.Headers.Add("X-Forwarded-Proto", "https");
        using var answer = await http.SendAsync(request, TestContext.Current.CancellationToken);
        var cookies = answer.Headers.GetValues("Set-Cookie").ToList();
        cookies.Count.ShouldBe(2);
        cookies.ShouldAllBe(cookie =>
            cookie.StartsWith("__Host-", StringComparison.Ordinal)
            && cookie.Contains("secure", StringComparison.OrdinalIgnoreCase)
            && cookie.Contains("httponly", StringComparison.OrdinalIgnoreCase)
        );
        answer.Headers.Contains("Strict-Transport-Security").ShouldBeTrue();
    }

    [Fact]
    public async Task Only_so_many_sites_are_kept_and_that_is_said()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        for (var site = 1; site < 20; site++)
        {
            (await visitor.PostAsync("/api/sites", new { name = $"Site {site}" })).Status.ShouldBe(HttpStatusCode.OK);
        }

        var (status, body) = await visitor.PostAsync("/api/sites", new { name = "One too many" });
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        body.ToString().ShouldContain("20 sites");
    }

    [Fact]
    public async Task A_site_that_grows_too_large_is_refused_and_stays_as_it_was()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        var page = await visitor.OpenAsync();
        var codes = Enumerable
            .Range(0, 100)
            .Select(number => new string((char)('a' + (number % 26)), 1990) + number)
            .ToList();
        for (var letter = 0; ; letter++)
        {
            var (status, body) = await visitor.PostAsync(
                $"/api/sites/{visitor.SiteId}/commands",
                new
                {
                    revision = page.GetProperty("revision").GetInt32(),
                    command = new
                    {
                        kind = "add-candidate",
                        copyOf = (string?)null,
                        candidate = new
                        {
                            hosting = new
                            {
                                book = "tidemarsh",
                                plan = "slipway",
                                everyMonths = 12,
                                codes,
                            },
                            domains = Array.Empty<object>(),
                        },
                    },
                }
            );
            if (status != HttpStatusCode.OK)
            {
                status.ShouldBe(HttpStatusCode.UnprocessableEntity);
                body.ToString().ShouldContain("are kept");
                break;
            }

            page = body;
            letter.ShouldBeLessThan(3);
        }
    }

    [Fact]
    public async Task What_nobody_can_come_back_to_is_cleared_away_and_nothing_else()
    {
        await using var host = await TestHost.StartAsync();
        var (forgotten, ordered, used) = (host.Visit(), host.Visit(), host.Visit());
        foreach (var visitor in new[] { forgotten, ordered, used })
        {
            await visitor.OpenAsync();
            await visitor.DoAsync(new { kind = "rename-site", name = "Kept?" });
        }

        var order = (await ordered.OrderAsync()).GetProperty("id").GetGuid();
        await ordered.UntilAsync(order, "completed");
        var longAgo = new DateOnly(2025, 1, 1);
        await host.InDatabaseAsync(db =>
            db.Sites.IgnoreQueryFilters()
                .Where(site => site.WorkspaceId != used.Workspace)
                .ExecuteUpdateAsync(set => set.SetProperty(site => site.ChangedOn, longAgo))
        );
        await TidyAsync(host, longAgo.AddDays(401));
        (
            await host.InDatabaseAsync(db => db.Workspaces.IgnoreQueryFilters().Select(row => row.Id).ToListAsync())
        ).ShouldBe([ordered.Workspace, used.Workspace], ignoreOrder: true);
        (await used.SiteAsync()).GetProperty("name").GetString().ShouldBe("Kept?");
    }

    [Fact]
    public async Task A_site_that_rests_keeps_its_newest_documents()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        for (var change = 0; change < 30; change++)
        {
            await visitor.DoAsync(new { kind = "set-horizon", months = 12 + change });
        }

        await TidyAsync(
            host,
            DateOnly.FromDateTime(TimeProvider.System.GetUtcNow().UtcDateTime).AddDays(Housekeeping.HistoryDays + 1)
        );
        (await host.InDatabaseAsync(db => db.Revisions.IgnoreQueryFilters().CountAsync())).ShouldBe(
            Housekeeping.RestingKept
        );
        var revision = (await visitor.SiteAsync()).GetProperty("revision").GetInt32();
        (await visitor.PostAsync($"/api/sites/{visitor.SiteId}/undo", new { revision }))
            .Body.GetProperty("settings")
            .GetProperty("horizonMonths")
            .GetInt32()
            .ShouldBe(40);
    }

    [Fact]
    public async Task Books_that_nobody_has_any_more_go_and_those_of_the_program_and_of_others_stay()
    {
        await using var host = await TestHost.StartAsync();
        var (one, other) = (host.Visit(), host.Visit());
        var book = await File.ReadAllTextAsync(
            Path.Combine(TestHost.Root("docs"), "offer-book.example.json"),
            TestContext.Current.CancellationToken
        );
        await one.OpenAsync();
        await other.OpenAsync();
        await one.PostAsync("/api/shelf", book);
        await other.PostAsync("/api/shelf", book);
        await one.PostAsync("/api/shelf", book.Replace("35.88", "45.88", StringComparison.Ordinal));
        var shipped = host.Services.GetRequiredService<Demo>().Files.Length;
        (await BooksAsync()).ShouldBe(shipped + 2);
        await one.SendAsync(HttpMethod.Delete, "/api/shelf/brightwater", null);
        await TidyAsync(host, DateOnly.FromDateTime(TimeProvider.System.GetUtcNow().UtcDateTime));
        (await BooksAsync()).ShouldBe(shipped + 1);
        (await other.GetAsync("/api/shelf/brightwater/file")).GetProperty("id").GetString().ShouldBe("brightwater");

        Task<int> BooksAsync() => host.InDatabaseAsync(db => db.Books.CountAsync());
    }

    [Fact]
    public async Task A_full_disk_is_not_another_window()
    {
        await using var host = await TestHost.StartAsync(interceptor: new FullDisk());
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var (status, body) = await visitor.PostAsync(
            $"/api/sites/{visitor.SiteId}/commands",
            new { revision = 0, command = new { kind = "set-horizon", months = 12 } }
        );
        status.ShouldBe(HttpStatusCode.InsufficientStorage);
        body.GetProperty("detail").GetString()!.ShouldContain("Nothing was changed");
    }

    [Fact]
    public async Task While_another_program_holds_the_database_changes_are_refused_as_busy_and_nothing_is_changed()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var page = await visitor.DoAsync(new { kind = "rename-site", name = "Before" });
        using (
            var other = new SqliteConnection(
                $"Data Source={Path.Combine(host.DataFolder, "home-start.db")};Pooling=False"
            )
        )
        {
            await other.OpenAsync(TestContext.Current.CancellationToken);
            using var hold = other.CreateCommand();
            hold.CommandText = "BEGIN IMMEDIATE";
            await hold.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
            var (status, body) = await visitor.PostAsync(
                $"/api/sites/{visitor.SiteId}/commands",
                new
                {
                    revision = page.GetProperty("revision").GetInt32(),
                    command = new { kind = "rename-site", name = "After" },
                }
            );
            status.ShouldBe(HttpStatusCode.ServiceUnavailable, body.ToString());
            (await visitor.SiteAsync()).GetProperty("name").GetString().ShouldBe("Before");
        }

        (await visitor.DoAsync(new { kind = "rename-site", name = "After" }))
            .GetProperty("name")
            .GetString()
            .ShouldBe("After");
    }

    [Fact]
    public async Task A_damaged_file_of_the_counterparts_is_unhealthy()
    {
        await using var host = await TestHost.StartAsync();
        using var http = host.App();
        (await http.GetStringAsync("/health", TestContext.Current.CancellationToken)).ShouldBe("Healthy");
        await host.InCounterpartsAsync(db => db.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)"));
        SqliteConnection.ClearAllPools();
        await using (
            var file = new FileStream(
                Path.Combine(host.DataFolder, "counterparts.db"),
                FileMode.Open,
                FileAccess.Write,
                FileShare.ReadWrite
            )
        )
        {
            file.Seek(4096, SeekOrigin.Begin);
            file.Write(Enumerable.Repeat((byte)0xff, (int)file.Length - 4096).ToArray());
        }

        (await http.GetAsync("/health", TestContext.Current.CancellationToken)).StatusCode.ShouldBe(
            HttpStatusCode.ServiceUnavailable
        );
    }

    [Fact]
    public async Task Who_runs_it_can_watch_it_and_nobody_else()
    {
        await using var host = await TestHost.StartAsync();
        using var http = host.App();
        (await http.GetStringAsync("/health", TestContext.Current.CancellationToken)).ShouldBe("Healthy");
        (await http.GetAsync("/metrics", TestContext.Current.CancellationToken)).StatusCode.ShouldBe(
            HttpStatusCode.Unauthorized
        );
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        http.DefaultRequestHeaders.Authorization = new("Bearer", CounterpartsSecret.Read(host.DataFolder));
        var metrics = await http.GetStringAsync("/metrics", TestContext.Current.CancellationToken);
        metrics.ShouldContain("home_start_order_actions_total{");
        metrics.ShouldContain("outcome=\"Done\"");
    }

    [Fact]
    public void What_comes_from_outside_cannot_make_up_a_line_of_the_log() =>
        PlainConsole.Escape("a\nError Forged: b\u001b[2J\u202e").ShouldBe("a\\u000aError Forged: b\\u001b[2J\\u202e");

    [Fact]
    public async Task Files_of_the_data_folder_are_their_owners_alone()
    {
        var folder = Path.Combine(Directory.CreateTempSubdirectory("home-start-folder-").FullName, "data");
        using var held = DataFolder.TryTake(folder).Held;
        held.ShouldNotBeNull();
        _ = CounterpartsSecret.Read(folder);
        File.GetUnixFileMode(folder).ShouldBe(DataFolder.PrivateFolder);
        foreach (
            var file in Directory.GetFiles(folder).Where(file => !file.EndsWith("in-use", StringComparison.Ordinal))
        )
        {
            File.GetUnixFileMode(file).ShouldBe(UnixFileMode.UserRead | UnixFileMode.UserWrite, file);
        }

        DataFolder.TryTake(folder).Fault!.ShouldContain("runs already");
        var blocked = Path.Combine(folder, "home-start.db", "below-a-file");
        DataFolder.TryTake(blocked).Fault!.ShouldContain("cannot write");
        await Task.CompletedTask;
    }

    private static async Task TidyAsync(TestHost host, DateOnly on)
    {
        await using var scope = host.Services.CreateAsyncScope();
        await scope
            .ServiceProvider.GetRequiredService<Housekeeping>()
            .TidyAsync(
                on,
                [.. host.Services.GetRequiredService<Demo>().Files.Select(file => file.Hash)],
                TestContext.Current.CancellationToken
            );
    }

    private sealed class FullDisk : Microsoft.EntityFrameworkCore.Diagnostics.SaveChangesInterceptor
    {
        public override ValueTask<Microsoft.EntityFrameworkCore.Diagnostics.InterceptionResult<int>> SavingChangesAsync(
            Microsoft.EntityFrameworkCore.Diagnostics.DbContextEventData eventData,
            Microsoft.EntityFrameworkCore.Diagnostics.InterceptionResult<int> result,
            CancellationToken cancellationToken = default
        ) =>
            eventData.Context!.ChangeTracker.Entries<SiteRow>().Any()
                ? throw new DbUpdateException(
                    "",
                    new Microsoft.Data.Sqlite.SqliteException("database or disk is full", 13)
                )
                : ValueTask.FromResult(result);
    }
}
