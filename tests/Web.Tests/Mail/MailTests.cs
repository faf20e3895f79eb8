using System.Net;
using System.Text.Json;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore;
using MimeKit;

namespace HomeStart.Web.Tests;

/// <summary>
/// Mail goes out after what it tells of has happened, arrives once, and none is lost while nobody takes it.
/// </summary>
public class MailTests
{
    [Fact]
    public async Task An_order_is_written_about_when_it_is_placed_and_when_it_is_complete()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.ConfirmAsync();
        var order = await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        var mail = await ArrivedAsync(visitor, 2);
        mail.Select(letter => Text(letter, "subject").Split(" (")[0])
            .ShouldBe(["Your order is complete", "We have your order"]);
        mail.ShouldAllBe(letter =>
            Text(letter, "subject").Contains(Text(order, "reference"), StringComparison.Ordinal)
            && Text(letter, "to").Contains('@')
        );
        var complete = mail.Single(letter =>
            Text(letter, "subject").StartsWith("Your order is complete", StringComparison.Ordinal)
        );
        var words = string.Concat(complete.GetProperty("parts").EnumerateArray().Select(part => Text(part, "text")));
        words.ShouldContain("ostlerwren.com");
        words.ShouldContain("£65.15");
        complete
            .GetProperty("parts")
            .EnumerateArray()
            .Select(part => part.GetProperty("path").GetString())
            .ShouldContain($"/sites/{visitor.SiteId}/orders/{Text(order, "id")}");

        // As a file: both forms say the same, and nothing is fetched from anywhere.
        using var file = await visitor.RawAsync($"/api/mail/{Text(complete, "id")}.eml");
        file.Content.Headers.ContentType!.MediaType.ShouldBe("message/rfc822");
        using var message = await MimeMessage.LoadAsync(
            await file.Content.ReadAsStreamAsync(TestContext.Current.CancellationToken),
            TestContext.Current.CancellationToken
        );
        message.HtmlBody!.ShouldContain("ostlerwren.com");
        message.HtmlBody!.ShouldNotContain("<img");
        message.HtmlBody!.ShouldNotContain("<script");
        message.HtmlBody!.ShouldContain($"/orders/{Text(order, "id")}");
        message.TextBody!.ReplaceLineEndings("\n").Split('\n').ShouldAllBe(line => line.Length <= 200);
        message.TextBody!.ShouldNotContain("9999");
    }

    [Fact]
    public async Task A_refused_card_and_an_order_called_off_are_written_about()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.ConfirmAsync();
        var id = (await visitor.OrderAsync(Visitor.PoorCard)).GetProperty("id").GetGuid();
        await visitor.UntilAsync(id, "needs-payment");
        await visitor.PostAsync($"/api/orders/{id}/cancel", null);
        await visitor.UntilAsync(id, "cancelled");
        (await ArrivedAsync(visitor, 3))
            .Select(letter => Text(letter, "subject").Split(" (")[0])
            .ShouldBe(["Your order was called off", "Your payment did not go through", "We have your order"]);
    }

    [Theory]
    [InlineData("down")]
    [InlineData("limiting")]
    [InlineData("answers-lost")]
    public async Task What_nobody_takes_waits_is_shown_and_arrives_once(string mode)
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.ConfirmAsync();
        await visitor.TellAsync("mail", mode);
        await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        await visitor.WaitForAsync(async () =>
            (await visitor.GetAsync("/api/mail"))
                .GetProperty("unsent")
                .EnumerateArray()
                .Select(letter => letter.GetProperty("tries").GetInt32() > 0)
                .SequenceEqual([true, false])
        );
        await visitor.TellAsync("mail", "ok");
        (await ArrivedAsync(visitor, 2))
            .Select(letter => Text(letter, "subject").Split(" (")[0])
            .ShouldBe(["Your order is complete", "We have your order"]);
        await visitor.WaitForAsync(async () =>
            (await visitor.GetAsync("/api/mail")).GetProperty("unsent").GetArrayLength() == 0
        );
        (await ArrivedAsync(visitor, 2)).Count.ShouldBe(2);
    }

    [Fact]
    public async Task Mail_to_one_address_goes_in_the_order_it_was_written_whichever_is_due_first()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.ConfirmAsync();
        await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        await ArrivedAsync(visitor, 2);
        var now = host.Clock.GetUtcNow();
        await host.InDatabaseAsync(async db =>
        {
            var sent = await db.Outbox.IgnoreQueryFilters().FirstAsync(TestContext.Current.CancellationToken);
            var letter = Documents.Read<Letter>(sent.Document);
            Put(letter with { Subject = "Elsewhere" }, written: -3, due: 3600, to: "somebody@else.example");
            Put(letter with { Subject = "Newer" }, written: -1, due: -1, letter.To);
            Put(letter with { Subject = "Older" }, written: -2, due: 3600, letter.To);
            return await db.SaveChangesAsync(TestContext.Current.CancellationToken);

            void Put(Letter one, int written, int due, string to) =>
                db.Outbox.Add(
                    new OutboxRow
                    {
                        WorkspaceId = sent.WorkspaceId,
                        Id = Guid.NewGuid(),
                        WrittenAt = now.AddSeconds(written),
                        NextAt = now.AddSeconds(due).ToUnixTimeSeconds(),
                        Document = Documents.Write(one with { Id = Guid.NewGuid(), To = to }),
                    }
                );
        });
        (await ArrivedAsync(visitor, 4))
            .Select(one => Text(one, "subject").Split(" (")[0])
            .ShouldBe(["Newer", "Older", "Your order is complete", "We have your order"]);
        (await visitor.GetAsync("/api/mail"))
            .GetProperty("unsent")
            .EnumerateArray()
            .Select(one => Text(one, "subject"))
            .ShouldBe(["Elsewhere"]);
    }

    [Fact]
    public async Task Mail_that_was_waiting_when_the_server_stopped_is_sent_by_the_next()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.ConfirmAsync();
        await visitor.TellAsync("mail", "down");
        await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        await host.StartAgainAsync();
        var back = host.Visit(visitor);
        await back.OpenAsync();
        await back.TellAsync("mail", "ok");
        (await ArrivedAsync(back, 2)).Count.ShouldBe(2);
    }

    [Fact]
    public async Task A_mail_sent_again_after_a_stop_is_filed_once()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.ConfirmAsync();
        await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        await ArrivedAsync(visitor, 2);
        await host.InDatabaseAsync(db =>
            db.Outbox.IgnoreQueryFilters()
                .ExecuteUpdateAsync(set => set.SetProperty(row => row.State, OutboxState.Waiting))
        );
        await host.StartAgainAsync();
        var back = host.Visit(visitor);
        await back.OpenAsync();
        await back.WaitForAsync(async () =>
            await host.InDatabaseAsync(db =>
                db.Outbox.IgnoreQueryFilters().AllAsync(row => row.State == OutboxState.Sent)
            )
        );
        (await ArrivedAsync(back, 2)).Count.ShouldBe(2);
    }

    [Fact]
    public async Task An_order_that_was_not_placed_is_not_written_about_and_one_that_is_placed_twice_once()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.ConfirmAsync();
        (await visitor.TryOrderAsync(today: "1.00")).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        var id = Guid.NewGuid();
        await Task.WhenAll(visitor.TryOrderAsync(id: id), visitor.TryOrderAsync(id: id));
        await visitor.UntilAsync(id, "completed");
        (await ArrivedAsync(visitor, 2)).Count.ShouldBe(2);
        // The code, the order placed, the order complete.
        (await host.InDatabaseAsync(db => db.Outbox.IgnoreQueryFilters().CountAsync())).ShouldBe(3);
    }

    [Fact]
    public async Task One_visitors_mail_is_nobody_elses()
    {
        await using var host = await TestHost.StartAsync();
        var (owner, stranger) = (host.Visit(), host.Visit());
        await owner.OpenAsync();
        await stranger.OpenAsync();
        await owner.UntilAsync((await owner.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        var letter = (await ArrivedAsync(owner, 2))[0];
        (await stranger.GetAsync("/api/mail")).GetProperty("arrived").GetArrayLength().ShouldBe(0);
        using var file = await stranger.RawAsync($"/api/mail/{Text(letter, "id")}.eml");
        file.StatusCode.ShouldBe(HttpStatusCode.NotFound);
        using var odd = await stranger.RawAsync("/api/mail/x.eml");
        odd.StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    // Ours about the order: without the code that confirmed the address, and the registrar's to the holder.
    private static async Task<IReadOnlyList<JsonElement>> ArrivedAsync(Visitor visitor, int count)
    {
        await visitor.WaitForAsync(async () => (await LettersAsync(visitor)).Count >= count);
        return await LettersAsync(visitor);
    }

    private static async Task<IReadOnlyList<JsonElement>> LettersAsync(Visitor visitor) =>
        [
            .. (await visitor.GetAsync("/api/mail"))
                .GetProperty("arrived")
                .EnumerateArray()
                .Where(letter =>
                    Text(letter, "from").StartsWith("\"Home Start\"", StringComparison.Ordinal)
                    && !Text(letter, "subject").StartsWith("Your code", StringComparison.Ordinal)
                ),
        ];

    private static string Text(JsonElement element, string field) => element.GetProperty(field).GetString()!;
}
