using System.Net;

namespace HomeStart.Web.Tests;

/// <summary>Before anything is delivered there is nothing to look after.</summary>
public sealed class OnlineTests : Delivered
{
    [Fact]
    public async Task Nothing_is_there_before_something_is_delivered()
    {
        foreach (var path in new[] { "zone", "files", "uploads", "first-page", "names", "mailboxes", "engines" })
        {
            (await _visitor.RawAsync($"/api/orders/{Guid.NewGuid()}/{path}")).StatusCode.ShouldBe(
                HttpStatusCode.NotFound,
                path
            );
        }
    }
}
