using System.Globalization;
using System.Net;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;

namespace HomeStart.Web.Tests;

/// <summary>What a browser holds goes whole into the account that it signs in to.</summary>
public sealed class WorkspaceJoinTests
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Each_table_of_a_workspace_goes_with_it()
    {
        await using var host = await TestHost.StartAsync();
        var (from, into) = (Guid.NewGuid(), Guid.NewGuid());
        var left = await host.InDatabaseAsync(async db =>
        {
            await db.Database.OpenConnectionAsync(Cancel);
            await ExecuteAsync(db, "PRAGMA foreign_keys = OFF"); // A row of each table, and nothing beside it.
            var tables = db
                .Model.GetEntityTypes()
                .Where(table => table.ClrType != typeof(Account) && table.FindProperty("WorkspaceId") is not null)
                .ToList();
            tables.Count.ShouldBeGreaterThan(15);
            foreach (var table in tables)
            {
                var columns = table.GetProperties().ToDictionary(column => column.GetColumnName());
                await ExecuteAsync(
                    db,
                    $"INSERT INTO \"{table.GetTableName()}\" ({string.Join(", ", columns.Keys.Select(name => $"\"{name}\""))}) "
                        + $"VALUES ({string.Join(", ", columns.Values.Select(column => Value(column, from)))})"
                );
            }

            await new WorkspaceJoin(db, host.Clock).JoinAsync(from, into, Cancel);
            var counted = new List<(string Table, long Left, long Joined)>();
            foreach (var table in tables)
            {
                counted.Add((table.GetTableName()!, await CountAsync(table, from), await CountAsync(table, into)));
            }

            await ExecuteAsync(db, "PRAGMA foreign_keys = ON");
            return counted;

            Task<long> CountAsync(IEntityType table, Guid workspace) =>
                ExecuteAsync(
                    db,
                    $"SELECT COUNT(*) FROM \"{table.GetTableName()}\" WHERE \"WorkspaceId\" = "
                        + Value(table.FindProperty("WorkspaceId")!, workspace)
                );
        });
        left.Where(table => table is not { Left: 0, Joined: 1 }).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_link_that_was_made_before_signing_in_is_read_noted_and_withdrawn_afterwards()
    {
        await using var host = await TestHost.StartAsync();
        var (account, browser) = await BothAsync(host);
        var made = (
            await browser.PostAsync(
                "/api/shares",
                new
                {
                    what = "worksheet",
                    of = browser.SiteId,
                    letter = "A",
                }
            )
        ).Body;
        var (id, path) = (
            made.GetProperty("id").GetGuid(),
            new Uri(made.GetProperty("address").GetString()!).AbsolutePath
        );
        using var reader = host.App();
        (await NoteAsync(reader, path, "Too dear")).StatusCode.ShouldBe(HttpStatusCode.Redirect);

        await SignInAsync(host, browser, account);
        (await reader.GetStringAsync(path, Cancel)).ShouldContain("Too dear");
        (await NoteAsync(reader, path, "Take it")).StatusCode.ShouldBe(HttpStatusCode.Redirect);
        (await account.GetAsync($"/api/shares?of={browser.SiteId}"))
            .EnumerateArray()
            .ShouldHaveSingleItem()
            .GetProperty("notes")
            .EnumerateArray()
            .ShouldHaveSingleItem()
            .GetProperty("text")
            .GetString()
            .ShouldBe("Take it");
        (await account.SendAsync(HttpMethod.Delete, $"/api/shares/{id}", null)).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        (await reader.GetAsync(path, Cancel)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    /// <summary>The example is not stored before it is changed, and each workspace has one of its own.</summary>
    [Theory]
    [InlineData("quotes")]
    [InlineData("slip")]
    [InlineData("names")]
    public async Task The_example_goes_along_as_it_came_where_something_was_begun_with_it(string begun)
    {
        await using var host = await TestHost.StartAsync();
        var (account, browser) = await BothAsync(host);
        var site = $"/api/sites/{browser.SiteId}";
        var (status, said) = begun switch
        {
            "quotes" => await browser.PostAsync($"{site}/orders/quotes", new { letter = "A", country = "GB" }),
            "slip" => await browser.SendAsync(
                HttpMethod.Put,
                $"{site}/candidates/A/slip",
                new { done = new[] { "first" } }
            ),
            _ => await browser.SendAsync(
                HttpMethod.Put,
                $"{site}/names",
                new { text = "wrenclocks", endings = new[] { "com" } }
            ),
        };
        ((int)status).ShouldBeInRange(200, 299, said.ToString());

        await SignInAsync(host, browser, account);
        (await account.GetAsync(site)).GetProperty("name").GetString().ShouldBe("Ostler & Wren");
        (await account.GetAsync("/api/session")).GetProperty("sites").GetArrayLength().ShouldBe(2);
    }

    [Fact]
    public async Task An_example_that_nothing_was_begun_with_does_not_go_along()
    {
        await using var host = await TestHost.StartAsync();
        var (account, browser) = await BothAsync(host);
        await SignInAsync(host, browser, account);
        (await account.GetAsync("/api/session")).GetProperty("sites").GetArrayLength().ShouldBe(1);
    }

    // An account, and another browser of its owner's that has not signed in.
    private static async Task<(Visitor Account, Visitor Browser)> BothAsync(TestHost host)
    {
        var (account, browser) = (host.Visit(), host.Visit());
        await account.OpenAsync();
        await account.ConfirmAsync();
        await browser.OpenAsync();
        return (account, browser);
    }

    private static async Task SignInAsync(TestHost host, Visitor browser, Visitor account)
    {
        host.Clock.Ahead = TimeSpan.FromMinutes(1); // No second code is mailed within one.
        var codes = (await account.CodesAsync()).Count;
        await browser.PostAsync("/api/account/code", new { mail = account.Mail });
        var (status, said) = await browser.PostAsync(
            "/api/account/confirm",
            new
            {
                mail = account.Mail,
                code = await account.CodeAsync(after: codes),
                join = true,
            }
        );
        status.ShouldBe(HttpStatusCode.OK, said.ToString());
    }

    private static Task<HttpResponseMessage> NoteAsync(HttpClient reader, string path, string text) =>
        reader.PostAsync(
            path,
            new FormUrlEncodedContent(
                new Dictionary<string, string>
                {
                    ["line"] = "Total",
                    ["text"] = text,
                    ["by"] = "Bea",
                }
            ),
            Cancel
        );

    private static string Value(IProperty column, Guid workspace)
    {
        var mapping = column.GetRelationalTypeMapping();
        return column.Name == "WorkspaceId" ? mapping.GenerateSqlLiteral(workspace)
            : column.IsNullable ? "NULL"
            : column.ClrType == typeof(string) ? "'x'"
            : column.ClrType.IsValueType ? mapping.GenerateSqlLiteral(Activator.CreateInstance(column.ClrType))
            : "x''";
    }

    private static async Task<long> ExecuteAsync(HomeStartDb db, string sql)
    {
        await using var command = db.Database.GetDbConnection().CreateCommand();
        command.CommandText = sql;
        return Convert.ToInt64(await command.ExecuteScalarAsync(Cancel), CultureInfo.InvariantCulture);
    }
}
