using System.Net;
using System.Text.Json;

namespace HomeStart.Web.Tests;

/// <summary>Mailboxes and forwards at the host.</summary>
public sealed class OnlineMailTests : Delivered
{
    [Fact]
    public async Task Mail_comes_in_once_an_address_is_set_up()
    {
        await DeliverAsync();
        var none = await _visitor.GetAsync($"{Api}/mailboxes");
        (
            none.GetProperty("boxes").GetArrayLength(),
            none.GetProperty("use").GetProperty("allowed").GetInt32(),
            none.GetProperty("mailHere").GetBoolean()
        ).ShouldBe((0, 5, true));
        (await PostAsync("mailboxes/test", new { to = "hello@ostlerwren.com" }))
            .ShouldBeOk()
            .GetProperty("arrivedIn")
            .ValueKind.ShouldBe(JsonValueKind.Null);
        (
            await PutAsync(
                "mailboxes",
                new
                {
                    version = 0,
                    boxes = new[] { "hello@ostlerwren.com" },
                    forwards = new[] { new { from = "shop@ostlerwren.com", to = "hello@ostlerwren.com" } },
                    catchAll = (string?)null,
                }
            )
        ).ShouldBeOk();
        (await PostAsync("mailboxes/test", new { to = "shop@ostlerwren.com" }))
            .ShouldBeOk()
            .GetProperty("arrivedIn")
            .GetString()
            .ShouldBe("hello@ostlerwren.com");
        (await PostAsync("mailboxes/test", new { to = "someone@wren.com" })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        var six = Enumerable.Range(1, 6).Select(number => $"box{number}@ostlerwren.com").ToArray();
        (
            await PutAsync(
                "mailboxes",
                new
                {
                    version = 1,
                    boxes = six,
                    forwards = Array.Empty<object>(),
                    catchAll = (string?)null,
                }
            )
        ).Body.GetProperty("errors")[0].GetProperty("message").GetString().ShouldBe("That would be 6 mailboxes; your plan allows 5.");
    }
}
