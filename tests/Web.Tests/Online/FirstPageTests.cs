using System.Net;

namespace HomeStart.Web.Tests;

/// <summary>A first page for the site: seen before it is put up, and then by everybody.</summary>
public sealed class FirstPageTests : Delivered
{
    [Fact]
    public async Task A_first_page_is_seen_before_it_is_put_up_and_then_by_everybody()
    {
        await DeliverAsync();
        (await VisitAsync("ostlerwren.com")).Body.ShouldContain("Nothing here yet");
        var page = Page("Ostler & Wren <clocks>");
        var (html, policy) = await PreviewAsync(page);
        html.ShouldContain("Ostler &amp; Wren &lt;clocks&gt;");
        policy.ShouldContain("default-src 'none'");
        policy.ShouldContain("img-src data: http://ostlerwren.com."); // Its icon, and the pictures put up there.
        policy.ShouldContain("sandbox; frame-ancestors 'self'");
        (await PreviewAsync("nonsense")).Html.ShouldContain("Fill in the form");
        (await PutAsync("first-page", new { page, mayReplace = false }))
            .ShouldBeOk()
            .GetProperty("isOccupied")
            .GetBoolean()
            .ShouldBeFalse();
        foreach (var name in new[] { "ostlerwren.com", "www.ostlerwren.com" })
        {
            var (status, body, headers) = await VisitAsync(name);
            (status, body.Contains("Ostler &amp; Wren", StringComparison.Ordinal)).ShouldBe((HttpStatusCode.OK, true));
            headers.GetValues("X-Content-Type-Options").ShouldBe(["nosniff"]);
        }

        (await VisitAsync("ostlerwren.com", "/nowhere")).Status.ShouldBe(HttpStatusCode.NotFound);
        // It is the owner's own page.
        (await PutAsync("first-page", new { page = Page("Another"), mayReplace = false })).ShouldBeOk();
        (await PutAsync("first-page", new { page = Page(""), mayReplace = false })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        (await _visitor.GetAsync($"{Api}/first-page"))
            .GetProperty("page")
            .GetProperty("name")
            .GetString()
            .ShouldBe("Another");
    }

    [Fact]
    public async Task What_somebody_else_put_at_the_front_is_not_replaced_unasked()
    {
        await DeliverAsync();
        await UploadAsync(new() { ["index.html"] = "<h1>Mine</h1>" });
        (await PutAsync("first-page", new { page = Page("Ostler"), mayReplace = false })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        (await PutAsync("first-page", new { page = Page("Ostler"), mayReplace = true })).ShouldBeOk();
        (
            await PostAsync(
                "files/back",
                new { version = (await _visitor.GetAsync($"{Api}/files")).GetProperty("version").GetInt32() }
            )
        ).ShouldBeOk();
        (await VisitAsync("ostlerwren.com")).Body.ShouldBe("<h1>Mine</h1>");
    }
}
