using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace HomeStart.Browser.Tests;

/// <summary>The application behind the proxy that <c>docs/running.md</c> puts before it, over https.</summary>
public sealed class BehindProxy(Nginx nginx) : IClassFixture<Nginx>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task What_is_asked_for_openly_is_sent_on_to_the_same_address_over_https()
    {
        using var visitor = nginx.Visit();
        var answer = await visitor.GetAsync($"http://{Nginx.Name}:{nginx.OpenPort}/start?view=B", Cancel);
        answer.StatusCode.ShouldBe(HttpStatusCode.MovedPermanently);
        answer.Headers.Location.ShouldBe(new Uri($"https://{Nginx.Name}/start?view=B"));
    }

    [Fact]
    public async Task The_page_comes_over_https_alone_with_cookies_that_go_nowhere_else()
    {
        using var visitor = nginx.Visit();
        var page = await visitor.GetAsync("/start", Cancel);
        page.StatusCode.ShouldBe(HttpStatusCode.OK);
        page.Headers.GetValues("Strict-Transport-Security").ShouldBe(["max-age=31536000"]);
        page.Headers.GetValues("Content-Security-Policy")
            .ShouldHaveSingleItem()
            .ShouldContain($"connect-src 'self' https://{Nginx.Name};");
        page.Headers.GetValues("Set-Cookie").ShouldAllBe(cookie => cookie.Contains("; secure; samesite="));
    }

    [Fact]
    public async Task An_owner_changes_a_site_and_is_told_of_a_scan_line_by_line()
    {
        using var visitor = nginx.Visit();
        await visitor.GetAsync("/start", Cancel);
        var session = await visitor.GetFromJsonAsync<JsonElement>("/api/session", Cancel);
        session.GetProperty("cardProcessor").GetString().ShouldBe($"https://{Nginx.Name}");
        visitor.DefaultRequestHeaders.Add("X-Home-Start-Token", session.GetProperty("token").GetString());
        var started = await visitor.PostAsJsonAsync("/api/sites", new { name = "Clocks" }, Cancel);
        started.StatusCode.ShouldBe(HttpStatusCode.OK, await started.Content.ReadAsStringAsync(Cancel));
        var site = (await started.Content.ReadFromJsonAsync<JsonElement>(Cancel)).GetProperty("id").GetGuid();
        using var question = new HttpRequestMessage(HttpMethod.Get, $"/api/sites/{site}/scan?objective=horizon");
        question.Headers.Accept.ParseAdd("application/x-ndjson");
        using var scan = await visitor.SendAsync(question, HttpCompletionOption.ResponseHeadersRead, Cancel);
        scan.Content.Headers.ContentType!.MediaType.ShouldBe("application/x-ndjson");
        (await scan.Content.ReadAsStringAsync(Cancel)).TrimEnd().Split('\n')[^1].ShouldContain("\"result\":");
    }

    [Fact]
    public async Task A_card_goes_to_the_card_processor_and_a_whole_piece_of_a_file_to_us()
    {
        using var visitor = nginx.Visit();
        var card = new
        {
            number = "4242 4242 4242 4242",
            expires = "04/29",
            code = "123",
        };
        var answer = await visitor.PostAsJsonAsync("/cards", card, Cancel);
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync(Cancel));
        (await answer.Content.ReadFromJsonAsync<JsonElement>(Cancel))
            .GetProperty("token")
            .GetString()
            .ShouldNotBeEmpty();
        var piece = await visitor.PutAsync(
            $"/api/orders/{Guid.NewGuid()}/uploads/{Guid.NewGuid()}/files/0?from=0",
            new ByteArrayContent(new byte[4 << 20]),
            Cancel
        );
        piece.StatusCode.ShouldBe(HttpStatusCode.BadRequest, await piece.Content.ReadAsStringAsync(Cancel));
        piece.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json");
        (await visitor.PutAsync("/api/session", new ByteArrayContent(new byte[6 << 20]), Cancel)).StatusCode.ShouldBe(
            HttpStatusCode.RequestEntityTooLarge
        );
        (await visitor.GetAsync("/metrics", Cancel)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }
}
