using System.Net;

namespace HomeStart.Web.Tests;

/// <summary>
/// The list of an owner's sites: the example among them, sites that need no name, deleted ones that come back.
/// </summary>
public sealed class SiteListTests : OneOwner
{
    [Fact]
    public async Task The_example_is_marked_until_its_owner_renames_it()
    {
        (await ListedAsync()).ShouldBe([("Ostler & Wren", true)]);
        (await _visitor.SiteAsync()).GetProperty("isExample").GetBoolean().ShouldBeTrue();
        (await IsUsedAsync()).ShouldBeFalse();
        await _visitor.DoAsync(new { kind = "set-horizon", months = 24 });
        (await IsUsedAsync()).ShouldBeTrue();
        (await _visitor.SiteAsync()).GetProperty("isExample").GetBoolean().ShouldBeTrue();
        await _visitor.DoAsync(new { kind = "rename-site", name = "Hexworth clocks" });
        (await ListedAsync()).ShouldBe([("Hexworth clocks", false)]);
        (await _visitor.SiteAsync()).GetProperty("isExample").GetBoolean().ShouldBeFalse();
    }

    [Fact]
    public async Task A_site_may_be_started_without_a_name_and_is_no_example()
    {
        await StartAsync(null);
        await StartAsync(null);
        await StartAsync("Ostler & Wren");
        (await ListedAsync()).ShouldBe([
            ("Ostler & Wren", true),
            ("My site", false),
            ("My site 2", false),
            ("Ostler & Wren", false),
        ]);
        (await _visitor.PostAsync("/api/sites", new { name = "  " })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
    }

    [Fact]
    public async Task A_deleted_site_is_gone_everywhere_and_comes_back_as_it_was()
    {
        var id = await StartAsync("Hexworth clocks");
        (await _visitor.SendAsync(HttpMethod.Delete, $"/api/sites/{id}", null)).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        (await ListedAsync()).ShouldBe([("Ostler & Wren", true)]);
        (await _visitor.RawAsync($"/api/sites/{id}")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await _visitor.SendAsync(HttpMethod.Delete, $"/api/sites/{id}", null)).Status.ShouldBe(
            HttpStatusCode.NotFound
        );
        var (status, body) = await _visitor.PostAsync($"/api/sites/{id}/restore", new { });
        status.ShouldBe(HttpStatusCode.OK);
        body.GetProperty("name").GetString().ShouldBe("Hexworth clocks");
        (await ListedAsync()).ShouldBe([("Ostler & Wren", true), ("Hexworth clocks", false)]);
    }

    [Fact]
    public async Task The_example_too_can_be_deleted_and_brought_back()
    {
        (await _visitor.SendAsync(HttpMethod.Delete, $"/api/sites/{_visitor.SiteId}", null)).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        (await ListedAsync()).ShouldBeEmpty();
        (await _visitor.PostAsync($"/api/sites/{_visitor.SiteId}/restore", new { })).Status.ShouldBe(HttpStatusCode.OK);
        (await ListedAsync()).ShouldBe([("Ostler & Wren", true)]);
    }

    [Fact]
    public async Task A_site_with_orders_stays()
    {
        (await IsUsedAsync()).ShouldBeFalse();
        await _visitor.OrderAsync();
        (await IsUsedAsync()).ShouldBeTrue(); // On another device its owner lands where the order is.
        var (status, body) = await _visitor.SendAsync(HttpMethod.Delete, $"/api/sites/{_visitor.SiteId}", null);
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        body.GetProperty("errors")[0].GetProperty("message").GetString()!.ShouldContain("has orders");
        (await ListedAsync()).Count.ShouldBe(1);
    }

    [Fact]
    public async Task Books_say_whose_sellers_are_made_up()
    {
        var books = await _visitor.GetAsync("/api/books");
        books.EnumerateArray().ShouldAllBe(book => book.GetProperty("isExample").GetBoolean());
    }

    private async Task<bool> IsUsedAsync() =>
        (await _visitor.GetAsync("/api/session")).GetProperty("sites")[0].GetProperty("isUsed").GetBoolean();

    private async Task<Guid> StartAsync(string? name)
    {
        var (status, body) = await _visitor.PostAsync("/api/sites", new { name });
        status.ShouldBe(HttpStatusCode.OK);
        return body.GetProperty("id").GetGuid();
    }

    private async Task<List<(string?, bool)>> ListedAsync() =>
        [
            .. (await _visitor.GetAsync("/api/session"))
                .GetProperty("sites")
                .EnumerateArray()
                .Select(site => (site.GetProperty("name").GetString(), site.GetProperty("isExample").GetBoolean())),
        ];
}
