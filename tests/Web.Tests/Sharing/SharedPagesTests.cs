using System.Net;
using System.Text.Json;
using System.Text.RegularExpressions;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>A link opens one page to anyone who has it, for a week, and nothing else.</summary>
public sealed partial class SharedPagesTests : IAsyncLifetime
{
    private TestHost _host = null!;
    private Visitor _owner = null!;
    private HttpClient _reader = null!;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        _host = await TestHost.StartAsync();
        _owner = _host.Visit();
        await _owner.OpenAsync();
        _reader = _host.App();
    }

    public async ValueTask DisposeAsync()
    {
        _reader.Dispose();
        await _host.DisposeAsync();
    }

    [Fact]
    public async Task A_worksheet_is_read_by_somebody_without_a_cookie_as_it_is_now()
    {
        var link = await ShareAsync("worksheet", _owner.SiteId, "A");
        var answer = await _reader.GetAsync(link.Path, Cancel);
        answer.StatusCode.ShouldBe(HttpStatusCode.OK);
        answer.Headers.Contains("Set-Cookie").ShouldBeFalse();
        answer.Headers.CacheControl!.NoStore.ShouldBeTrue();
        answer.Headers.GetValues("X-Robots-Tag").ShouldBe(["noindex, nofollow"]);
        answer
            .Headers.GetValues("Content-Security-Policy")
            .ShouldHaveSingleItem()
            .ShouldStartWith("default-src 'none'; style-src 'nonce-");
        var page = await answer.Content.ReadAsStringAsync(Cancel);
        page.ShouldContain("<h1>Ostler &amp; Wren: candidate A</h1>");
        page.ShouldContain("£443.29 over 3 years");
        page.ShouldNotContain("<script");
        page.ShouldNotContain("href=");

        await _owner.DoAsync(new { kind = "rename-site", name = "<script>alert(1)</script>" });
        (await _reader.GetStringAsync(link.Path, Cancel)).ShouldContain(
            "&lt;script&gt;alert(1)&lt;/script&gt;: candidate A"
        );
    }

    [Fact]
    public async Task A_comparison_and_a_key_sheet_are_shown_without_any_secret()
    {
        var compared = await ShareAsync("comparison", _owner.SiteId);
        (await _reader.GetStringAsync(compared.Path, Cancel)).ShouldContain(": candidates compared</h1>");
        var order = (await _owner.OrderAsync()).GetProperty("id").GetGuid();
        await _owner.UntilAsync(order, "completed");
        var password = (await _owner.PostAsync($"/api/orders/{order}/first-password", new { }))
            .Body.GetProperty("password")
            .GetString()!;
        var keys = await ShareAsync("key-sheet", order);
        var page = await _reader.GetStringAsync(keys.Path, Cancel);
        page.ShouldContain("<h1>Key sheet for ostlerwren.com</h1>");
        page.ShouldNotContain(WebUtility.HtmlEncode(password));
        page.ShouldNotContain("<td class=\"amount\"", customMessage: "addresses and dates are no amounts");
    }

    [Theory]
    [InlineData("worksheet", "Z", false)]
    [InlineData("worksheet", null, false)]
    [InlineData("everything", null, false)]
    [InlineData("key-sheet", null, false)]
    [InlineData("worksheet", "A", true)]
    [InlineData("comparison", null, true)]
    public async Task What_is_not_there_or_is_another_owners_cannot_be_shared(
        string what,
        string? letter,
        bool byStranger
    )
    {
        var visitor = _owner;
        if (byStranger)
        {
            visitor = _host.Visit();
            await visitor.OpenAsync();
        }

        var (status, _) = await visitor.PostAsync(
            "/api/shares",
            new
            {
                what,
                of = _owner.SiteId,
                letter,
            }
        );
        status.ShouldBe(HttpStatusCode.NotFound);
        (await _owner.GetAsync($"/api/shares?of={_owner.SiteId}")).GetArrayLength().ShouldBe(0);
    }

    [Theory]
    [InlineData("[]", HttpStatusCode.UnprocessableEntity)]
    [InlineData("7", HttpStatusCode.UnprocessableEntity)]
    [InlineData("""{"what":"worksheet"}""", HttpStatusCode.UnprocessableEntity)]
    [InlineData("""{"what":7,"of":{},"letter":[]}""", HttpStatusCode.UnprocessableEntity)]
    [InlineData("""{"what":"worksheet","of":"A"}""", HttpStatusCode.NotFound)]
    public async Task What_is_no_question_is_refused(string body, HttpStatusCode status)
    {
        using var question = JsonDocument.Parse(body);
        (await _owner.PostAsync("/api/shares", question.RootElement)).Status.ShouldBe(status);
    }

    [Fact]
    public async Task It_ends_after_a_week_or_when_it_is_withdrawn_and_says_nothing_then()
    {
        var (id, path) = await ShareAsync("worksheet", _owner.SiteId, "A");
        var other = await ShareAsync("worksheet", _owner.SiteId, "A");
        path.ShouldNotBe(other.Path);
        var stranger = _host.Visit();
        await stranger.OpenAsync();
        (await stranger.SendAsync(HttpMethod.Delete, $"/api/shares/{id}", null)).Status.ShouldBe(
            HttpStatusCode.NotFound
        );
        (await _owner.SendAsync(HttpMethod.Delete, $"/api/shares/{id}", null)).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        await ShouldOpenNothingAsync(path);
        (await _reader.GetAsync(other.Path, Cancel)).StatusCode.ShouldBe(HttpStatusCode.OK);
        _host.Clock.Ahead = TimeSpan.FromDays(7) - TimeSpan.FromMinutes(5);
        (await _reader.GetAsync(other.Path, Cancel)).StatusCode.ShouldBe(HttpStatusCode.OK);
        _host.Clock.Ahead = TimeSpan.FromDays(7) + TimeSpan.FromSeconds(1);
        await ShouldOpenNothingAsync(other.Path);
        (await _owner.GetAsync($"/api/shares?of={_owner.SiteId}"))
            .EnumerateArray()
            .ShouldAllBe(link => link.GetProperty("address").ValueKind == JsonValueKind.Null);
    }

    [Fact]
    public async Task What_is_deleted_is_shown_no_more()
    {
        var link = await ShareAsync("worksheet", _owner.SiteId, "D");
        await _owner.DoAsync(new { kind = "remove-candidate", letter = "D" });
        await ShouldOpenNothingAsync(link.Path);
    }

    [Theory]
    [InlineData("")]
    [InlineData("x")]
    [InlineData("%27%20OR%201=1")]
    [InlineData("..%2f..%2fapi%2fsession")]
    public async Task A_guessed_link_opens_nothing(string secret)
    {
        await ShareAsync("worksheet", _owner.SiteId, "A");
        var answer = await _reader.GetAsync($"/shared/{secret}", Cancel);
        (await answer.Content.ReadAsStringAsync(Cancel)).ShouldNotContain("Ostler");
    }

    [Fact]
    public async Task Nothing_else_can_be_reached_with_it()
    {
        var link = await ShareAsync("worksheet", _owner.SiteId, "A");
        foreach (var more in new[] { "/", "/notes", "/../..", "/candidates/B" })
        {
            (
                await (await _reader.GetAsync(link.Path + more, Cancel)).Content.ReadAsStringAsync(Cancel)
            ).ShouldNotContain("candidate B");
        }

        var question = new HttpRequestMessage(HttpMethod.Get, $"/api/sites/{_owner.SiteId}");
        question.Headers.Add("Referer", $"http://localhost{link.Path}");
        (await _reader.SendAsync(question, Cancel)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        foreach (var method in new[] { HttpMethod.Put, HttpMethod.Delete, HttpMethod.Patch })
        {
            (
                await _reader.SendAsync(new HttpRequestMessage(method, link.Path), Cancel)
            ).IsSuccessStatusCode.ShouldBeFalse();
        }
    }

    [Fact]
    public async Task A_reader_leaves_one_note_for_each_line_and_the_owner_sees_it()
    {
        var (id, path) = await ShareAsync("worksheet", _owner.SiteId, "A");
        var line = await FirstLineAsync(path);
        (await NoteAsync(path, line, "Do we need this?", "Ann")).StatusCode.ShouldBe(HttpStatusCode.Redirect);
        (await NoteAsync(path, line, "Yes: <b>keep</b> it", "Ann")).StatusCode.ShouldBe(HttpStatusCode.Redirect);
        (await NoteAsync(path, "Total", "Fine", "")).StatusCode.ShouldBe(HttpStatusCode.Redirect);
        var page = await _reader.GetStringAsync(path, Cancel);
        page.ShouldContain("Ann: Yes: &lt;b&gt;keep&lt;/b&gt; it");
        page.ShouldNotContain("Do we need this?");
        var links = await _owner.GetAsync($"/api/shares?of={_owner.SiteId}");
        links
            .EnumerateArray()
            .Single(link => link.GetProperty("id").GetGuid() == id)
            .GetProperty("notes")
            .EnumerateArray()
            .Select(note =>
                (
                    note.GetProperty("line").GetString(),
                    note.GetProperty("by").GetString(),
                    note.GetProperty("text").GetString()
                )
            )
            .ShouldBe([(line, "Ann", "Yes: <b>keep</b> it"), ("Total", "", "Fine")]);
    }

    [Fact]
    public async Task A_note_that_cannot_be_kept_comes_back_as_it_was_typed()
    {
        var (_, path) = await ShareAsync("worksheet", _owner.SiteId, "A");
        var tooLong = new string('x', 501);
        var answer = await NoteAsync(path, "Total", tooLong, "Ann");
        answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        var page = await answer.Content.ReadAsStringAsync(Cancel);
        page.ShouldContain("A note has at most 500 characters; this has 501.");
        page.ShouldContain(tooLong);
        page.ShouldContain("value=\"Ann\"");
        (await NoteAsync(path, "Total", " ", "")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await NoteAsync(path, "Total", "Fine", new string('n', 81))).StatusCode.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        (await NoteAsync(path, "No line of this page", "Fine", "")).StatusCode.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        (await NoteAsync(path, "Total", new string('x', 20_000), "")).StatusCode.ShouldBe(
            HttpStatusCode.UnsupportedMediaType
        );
        (await _reader.PostAsync(path, new StringContent("{}"), Cancel)).StatusCode.ShouldBe(
            HttpStatusCode.UnsupportedMediaType
        );
        (await NoteAsync(path, "Total", "a\u0007b", "")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        foreach (
            var (type, sent) in new[]
            {
                ("multipart/form-data", "line=Total&text=Fine"),
                ("application/x-www-form-urlencoded", string.Concat(Enumerable.Repeat("a&", 3_000))),
                ("application/x-www-form-urlencoded", "%zz=%\u00e9&&=&line"),
            }
        )
        {
            using var content = new StringContent(sent);
            content.Headers.ContentType = new(type);
            ((int)(await _reader.PostAsync(path, content, Cancel)).StatusCode).ShouldBeInRange(415, 422, sent[..9]);
        }

        (await NoteAsync("/shared/nothing", "Total", "Fine", "")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await _host.InDatabaseAsync(db => db.SharedNotes.IgnoreQueryFilters().CountAsync())).ShouldBe(0);
    }

    [Fact]
    public async Task There_are_at_most_twenty_open_links()
    {
        for (var made = 0; made < 20; made++)
        {
            await ShareAsync("comparison", _owner.SiteId);
        }

        var (status, body) = await _owner.PostAsync("/api/shares", new { what = "comparison", of = _owner.SiteId });
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        body.ToString().ShouldContain("20 links can be read already");
        _host.Clock.Ahead = TimeSpan.FromDays(8);
        await ShareAsync("comparison", _owner.SiteId);
    }

    [Fact]
    public async Task What_ended_a_month_ago_is_cleared_away_with_its_notes()
    {
        var (_, path) = await ShareAsync("worksheet", _owner.SiteId, "A");
        await NoteAsync(path, "Total", "Fine", "");
        await TidyAsync(days: 7 + Housekeeping.SharedDays - 1);
        (await _host.InDatabaseAsync(db => db.SharedNotes.IgnoreQueryFilters().CountAsync())).ShouldBe(1);
        await TidyAsync(days: 7 + Housekeeping.SharedDays + 2);
        (await _host.InDatabaseAsync(db => db.SharedNotes.IgnoreQueryFilters().CountAsync())).ShouldBe(0);
        (await _host.InDatabaseAsync(db => db.Shared.IgnoreQueryFilters().CountAsync())).ShouldBe(0);
    }

    private Task<bool> TidyAsync(int days) =>
        _host.InDatabaseAsync(async db =>
        {
            var now = DateOnly.FromDateTime(_host.Clock.GetUtcNow().UtcDateTime);
            await new Housekeeping(db, _host.Clock).TidyAsync(now.AddDays(days), [], Cancel);
            return true;
        });

    private async Task ShouldOpenNothingAsync(string path)
    {
        var answer = await _reader.GetAsync(path, Cancel);
        answer.StatusCode.ShouldBe(HttpStatusCode.NotFound);
        var page = await answer.Content.ReadAsStringAsync(Cancel);
        page.ShouldContain("Nothing to read here");
        page.ShouldNotContain("Ostler");
    }

    private async Task<(Guid Id, string Path)> ShareAsync(string what, Guid of, string? letter = null)
    {
        var (status, made) = await _owner.PostAsync(
            "/api/shares",
            new
            {
                what,
                of,
                letter,
            }
        );
        status.ShouldBe(HttpStatusCode.OK, made.ToString());
        return (made.GetProperty("id").GetGuid(), new Uri(made.GetProperty("address").GetString()!).AbsolutePath);
    }

    private async Task<string> FirstLineAsync(string path) =>
        WebUtility.HtmlDecode(Line().Match(await _reader.GetStringAsync(path, Cancel)).Groups["line"].Value);

    private Task<HttpResponseMessage> NoteAsync(string path, string line, string text, string by) =>
        _reader.PostAsync(
            path,
            new FormUrlEncodedContent(
                new Dictionary<string, string>
                {
                    ["line"] = line,
                    ["text"] = text,
                    ["by"] = by,
                }
            ),
            Cancel
        );

    [GeneratedRegex("name=\"line\" value=\"(?<line>[^\"]+)\"", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex Line();
}
