using System.IO.Compression;
using System.Net;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>
/// An account is a mail address that was confirmed: made by a code, opened by a code on any device, joined with what
/// the browser held, and taken away again whole.
/// </summary>
public sealed class AccountsTests : OneOwner
{
    private string Mail => _visitor.Mail;

    [Fact]
    public async Task A_confirmed_address_makes_the_account_and_keeps_what_the_browser_had()
    {
        await _visitor.DoAsync(new { kind = "rename-site", name = "Hexworth clocks" });
        await _visitor.ConfirmAsync();
        (await _visitor.SiteAsync()).GetProperty("name").GetString().ShouldBe("Hexworth clocks");
        var account = await _visitor.GetAsync("/api/account");
        account.GetProperty("mail").GetString().ShouldBe(Mail);
        account
            .GetProperty("sessions")
            .EnumerateArray()
            .Select(session => session.GetProperty("isThis").GetBoolean())
            .ShouldBe([true]);
        (await _visitor.CodeAsync()).Length.ShouldBe(6);
    }

    [Fact]
    public async Task Nothing_is_ordered_before_the_address_is_confirmed()
    {
        var (token, ending) = await _visitor.CardAsync(Visitor.GoodCard);
        var page = await _visitor.SiteAsync();
        var (status, body) = await _visitor.PostAsync(
            $"/api/sites/{_visitor.SiteId}/orders",
            new
            {
                id = Guid.NewGuid(),
                revision = page.GetProperty("revision").GetInt32(),
                letter = "A",
                today = "65.15",
                agreed = true,
                card = new { token, ending },
                contact = new
                {
                    name = "Ada Wren",
                    mail = Mail,
                    street = "4 Mill Lane",
                    town = "Hexworth",
                    postcode = "HX4 2AB",
                    country = "GB",
                },
            }
        );
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        body.GetProperty("errors")
            .EnumerateArray()
            .Select(fault => (fault.GetProperty("code").GetString(), fault.GetProperty("where").GetString()))
            .ShouldBe([("unconfirmed", "contact.mail")]);
        await _visitor.ConfirmAsync("tom@example.com"); // Another's address does not do.
        var (again, _) = await _visitor.TryOrderAsync();
        again.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_code_counts_once_for_a_quarter_of_an_hour_and_the_newest_alone()
    {
        await AskAsync(_visitor);
        var first = await _visitor.CodeAsync();
        _host.Clock.Ahead = TimeSpan.FromMinutes(1);
        await AskAsync(_visitor);
        await _visitor.WaitForAsync(async () => await _visitor.CodeAsync() != first);
        var second = await _visitor.CodeAsync();
        (await EnterAsync(_visitor, first)).ShouldBe(HttpStatusCode.UnprocessableEntity);
        _host.Clock.Ahead = TimeSpan.FromMinutes(16.1);
        (await EnterAsync(_visitor, second)).ShouldBe(HttpStatusCode.UnprocessableEntity); // Too old.
        await AskAsync(_visitor);
        await _visitor.WaitForAsync(async () => await _visitor.CodeAsync() != second);
        var third = await _visitor.CodeAsync();
        _host.Clock.Ahead += TimeSpan.FromMinutes(14.9);
        (await EnterAsync(_visitor, third)).ShouldBe(HttpStatusCode.OK);
        await _visitor.OpenAsync();
        (await EnterAsync(_visitor, third)).ShouldBe(HttpStatusCode.UnprocessableEntity); // It was used.
    }

    [Fact]
    public async Task Codes_asked_for_in_a_hurry_are_mailed_once()
    {
        await AskAsync(_visitor);
        await AskAsync(_visitor);
        await AskAsync(_visitor);
        await _visitor.CodeAsync();
        (await _host.InDatabaseAsync(db => db.Outbox.IgnoreQueryFilters().CountAsync())).ShouldBe(1);
    }

    [Fact]
    public async Task Five_wrong_codes_are_followed_by_a_pause_whether_the_address_is_known_or_not()
    {
        await _visitor.ConfirmAsync();
        var (known, unknown) = (new List<string>(), new List<string>());
        for (var tries = 0; tries < 6; tries++)
        {
            known.Add(await SaidAsync(Mail));
            unknown.Add(await SaidAsync("nobody@example.com"));
        }

        known.ShouldBe(unknown); // What is answered tells nothing.
        known[4].ShouldNotContain("too often");
        known[5].ShouldContain("too often");
        await AskAsync(_visitor);
        _host.Clock.Ahead = TimeSpan.FromMinutes(1);
        // The right one too.
        (await EnterAsync(_visitor, await _visitor.CodeAsync())).ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task Who_guesses_in_another_browser_locks_nobody_else_out()
    {
        await _visitor.ConfirmAsync();
        var guesser = _host.Visit();
        await guesser.OpenAsync();
        for (var tries = 0; tries < 6; tries++)
        {
            await EnterAsync(guesser, "wrong!");
        }

        _host.Clock.Ahead = TimeSpan.FromMinutes(1);
        var before = await _visitor.CodesAsync();
        await AskAsync(_visitor);
        var code = await _visitor.CodeAsync(after: before.Count);
        // A code is good in the browser that asked for it.
        (await EnterAsync(guesser, code)).ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await EnterAsync(_visitor, code)).ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_code_goes_to_the_accounts_own_address_however_another_one_looks_like_it()
    {
        await _visitor.ConfirmAsync("kit@example.com");
        var other = _host.Visit();
        await other.OpenAsync();
        await other.PostAsync("/api/account/code", new { mail = "\u212ait@example.com" }); // With the Kelvin sign.
        await AskAsync(other, "KIT@Example.com");
        await _visitor.WaitForAsync(async () => (await _visitor.CodesAsync()).Count == 2);
        (await other.CodesAsync()).ShouldBeEmpty();
        var letters = await _host.InDatabaseAsync(db =>
            db.Outbox.IgnoreQueryFilters().Select(row => row.Document).ToListAsync()
        );
        letters.ShouldAllBe(letter =>
            letter.Contains("kit@example.com", StringComparison.Ordinal)
            && !letter.Contains('\u212a', StringComparison.Ordinal)
            && !letter.Contains("\\u212a", StringComparison.OrdinalIgnoreCase)
        );
    }

    [Fact]
    public async Task Many_wrong_codes_at_once_count_as_many_and_many_first_requests_make_one_account()
    {
        await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => AskAsync(_visitor, "tom@example.com")));
        (await _host.InDatabaseAsync(db => db.Users.CountAsync())).ShouldBe(1);
        var code = await _visitor.CodeAsync();
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 20).Select(_ => EnterAsync(_visitor, "wrong!", "tom@example.com"))
        );
        answers.ShouldAllBe(status => status == HttpStatusCode.UnprocessableEntity);
        // Now there is a pause.
        (await EnterAsync(_visitor, code, "tom@example.com")).ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_code_used_in_two_windows_at_once_signs_one_of_them_in()
    {
        await AskAsync(_visitor);
        var code = await _visitor.CodeAsync();
        var both = await Task.WhenAll(EnterAsync(_visitor, code), EnterAsync(_visitor, code));
        var refused = both.Single(status => status != HttpStatusCode.OK);

        // Told that the code is used or, where the other window was signed in before this one was heard, to reload.
        refused.ShouldBeOneOf(HttpStatusCode.UnprocessableEntity, HttpStatusCode.BadRequest);
        (await _visitor.GetAsync("/api/account")).GetProperty("sessions").GetArrayLength().ShouldBe(1);
    }

    [Fact]
    public async Task On_another_device_the_same_code_opens_it_and_joins_both_sides()
    {
        await _visitor.DoAsync(new { kind = "rename-site", name = "From the shop" });
        await _visitor.UntilAsync((await _visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        var home = _host.Visit();
        await home.OpenAsync();
        await home.DoAsync(new { kind = "rename-site", name = "From home" });
        (await home.GetAsync("/api/orders")).GetArrayLength().ShouldBe(0);
        _host.Clock.Ahead = TimeSpan.FromMinutes(1);
        await AskAsync(home);
        // The mail is the account's: it is read where that is read.
        (await home.GetAsync("/api/mail")).GetProperty("arrived").GetArrayLength().ShouldBe(0);
        var before = await _visitor.CodeAsync();
        await _visitor.WaitForAsync(async () =>
            (await _visitor.GetAsync("/api/mail"))
                .GetProperty("arrived")
                .EnumerateArray()
                .Count(letter =>
                    letter.GetProperty("subject").GetString()!.StartsWith("Your code", StringComparison.Ordinal)
                ) == 2
        );
        (await EnterAsync(home, await _visitor.CodeAsync())).ShouldBe(HttpStatusCode.OK);
        var session = await home.GetAsync("/api/session");
        session
            .GetProperty("sites")
            .EnumerateArray()
            .Select(site => site.GetProperty("name").GetString())
            .ShouldBe(["From the shop", "From home"], ignoreOrder: true);
        (await home.GetAsync("/api/orders")).GetArrayLength().ShouldBe(1);
        (await home.GetAsync("/api/account")).GetProperty("sessions").GetArrayLength().ShouldBe(2);
        (await _visitor.GetAsync("/api/session")).GetProperty("sites").GetArrayLength().ShouldBe(2);
        (await _host.InDatabaseAsync(db => db.Workspaces.IgnoreQueryFilters().CountAsync())).ShouldBe(1);
        before.ShouldNotBeEmpty();
    }

    [Fact]
    public async Task Signing_out_leaves_nothing_behind_but_the_mail_and_the_code_lets_one_back_in()
    {
        await _visitor.DoAsync(new { kind = "rename-site", name = "Hexworth clocks" });
        await _visitor.ConfirmAsync();
        var old = _visitor.CookieValue(
            _visitor.CookieNames.Single(name => name.EndsWith("-workspace", StringComparison.Ordinal))
        );
        (await _visitor.PostAsync("/api/account/sign-out", null)).Status.ShouldBe(HttpStatusCode.NoContent);
        (await _visitor.OpenAsync()).GetProperty("name").GetString().ShouldNotBe("Hexworth clocks");
        (await _visitor.GetAsync("/api/account")).GetProperty("mail").ValueKind.ShouldBe(JsonValueKind.Null);
        var thief = _host.Visit();
        await thief.OpenAsync();
        thief.SetCookie(
            _visitor.CookieNames.Single(name => name.EndsWith("-workspace", StringComparison.Ordinal)),
            old
        );
        // The cookie of a session that was ended opens nothing.
        (await thief.OpenAsync()).GetProperty("name").GetString().ShouldNotBe("Hexworth clocks");
        _host.Clock.Ahead = TimeSpan.FromMinutes(1);
        await AskAsync(_visitor);
        var first = await _visitor.CodeAsync();
        await _visitor.WaitForAsync(async () =>
            (await _visitor.GetAsync("/api/mail")).GetProperty("arrived").GetArrayLength() == 2
        );
        (await EnterAsync(_visitor, await _visitor.CodeAsync())).ShouldBe(HttpStatusCode.OK);
        (await _visitor.OpenAsync()).GetProperty("name").GetString().ShouldBe("Hexworth clocks");
        first.ShouldNotBeEmpty();
    }

    [Fact]
    public async Task The_browsers_own_cookie_from_before_opens_the_account_no_more()
    {
        await _visitor.DoAsync(new { kind = "rename-site", name = "Hexworth clocks" });
        var name = _visitor.CookieNames.Single(cookie => cookie.EndsWith("-workspace", StringComparison.Ordinal));
        var before = _visitor.CookieValue(name);
        await _visitor.ConfirmAsync();
        var other = _host.Visit();
        other.SetCookie(name, before);
        (await other.OpenAsync()).GetProperty("name").GetString().ShouldNotBe("Hexworth clocks");
    }

    [Fact]
    public async Task A_session_ended_from_another_browser_reads_nothing_any_more_not_even_the_mail()
    {
        await _visitor.ConfirmAsync();
        var home = _host.Visit();
        await home.OpenAsync();
        _host.Clock.Ahead = TimeSpan.FromMinutes(1);
        await AskAsync(home);
        await _visitor.WaitForAsync(async () =>
            (await _visitor.GetAsync("/api/mail")).GetProperty("arrived").GetArrayLength() == 2
        );
        await EnterAsync(home, await _visitor.CodeAsync());
        await home.OpenAsync();
        var sessions = (await home.GetAsync("/api/account")).GetProperty("sessions");
        var other = sessions
            .EnumerateArray()
            .Single(session => !session.GetProperty("isThis").GetBoolean())
            .GetProperty("id")
            .GetGuid();
        (await home.PostAsync($"/api/account/sessions/{Guid.NewGuid()}/end", null)).Status.ShouldBe(
            HttpStatusCode.NotFound
        );
        (await home.PostAsync($"/api/account/sessions/{other}/end", null)).Status.ShouldBe(HttpStatusCode.NoContent);
        (await _visitor.GetAsync("/api/account")).GetProperty("mail").ValueKind.ShouldBe(JsonValueKind.Null);
        (await _visitor.GetAsync("/api/mail")).GetProperty("arrived").GetArrayLength().ShouldBe(0);
        await home.PostAsync("/api/account/sign-out-everywhere", null);
        (await home.GetAsync("/api/account")).GetProperty("mail").ValueKind.ShouldBe(JsonValueKind.Null);
    }

    [Fact]
    public async Task Two_addresses_in_one_browser_are_two_accounts()
    {
        await _visitor.DoAsync(new { kind = "rename-site", name = "Hexworth clocks" });
        await _visitor.ConfirmAsync();
        await AskAsync(_visitor, "tom@example.com");
        await _visitor.WaitForAsync(async () =>
            (await _visitor.GetAsync("/api/mail")).GetProperty("arrived").GetArrayLength() == 2
        );
        (await EnterAsync(_visitor, await _visitor.CodeAsync(), "tom@example.com")).ShouldBe(HttpStatusCode.OK);
        (await _visitor.OpenAsync()).GetProperty("name").GetString().ShouldNotBe("Hexworth clocks");
        (await _visitor.GetAsync("/api/account")).GetProperty("mail").GetString().ShouldBe("tom@example.com");
    }

    [Fact]
    public async Task All_data_is_taken_away_in_one_archive_and_deleted_whole()
    {
        await _visitor.DoAsync(new { kind = "rename-site", name = "Hexworth clocks" });
        var order = await _visitor.UntilAsync((await _visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        var reference = order.GetProperty("reference").GetString();
        await _visitor.MailAsync("Your order is complete");
        await _visitor.WaitForAsync(async () =>
            (await _visitor.GetAsync($"/api/sites/{_visitor.SiteId}/upkeep")).GetProperty("tenures").GetArrayLength()
            == 1
        );
        using var response = await _visitor.RawAsync("/api/account/data.zip");
        await using var bytes = await response.Content.ReadAsStreamAsync(TestContext.Current.CancellationToken);
        await using var zip = new ZipArchive(bytes);
        var names = zip.Entries.Select(entry => entry.FullName).ToList();
        new[]
        {
            "sites/1.json",
            $"orders/{reference}.json",
            $"orders/{reference}-contact.vcf",
            $"orders/{reference}-key-sheet.pdf",
            $"orders/{reference}-1.pdf",
            $"orders/{reference}-1.xml",
            $"orders/{reference}-day-book.json",
        }.ShouldBeSubsetOf(names);
        // The code, two about the order, one from the registrar.
        names.Count(name => name.EndsWith(".eml", StringComparison.Ordinal)).ShouldBe(4);
        (await _visitor.SendAsync(HttpMethod.Delete, "/api/account", new { sure = true })).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        (
            await _host.InDatabaseAsync(async db =>
                await db.Users.CountAsync()
                + await db.Sessions.CountAsync()
                + await db.Workspaces.IgnoreQueryFilters().CountAsync()
                + await db.Orders.IgnoreQueryFilters().CountAsync()
            )
        ).ShouldBe(0);
        (await _visitor.OpenAsync()).GetProperty("name").GetString().ShouldNotBe("Hexworth clocks");
    }

    [Fact]
    public async Task An_account_with_an_order_under_way_is_not_deleted()
    {
        await _visitor.UntilAsync(
            (await _visitor.OrderAsync(Visitor.PoorCard)).GetProperty("id").GetGuid(),
            "needs-payment"
        );
        (await _visitor.SendAsync(HttpMethod.Delete, "/api/account", new { sure = true })).Status.ShouldBe(
            HttpStatusCode.Conflict
        );
        (await _visitor.GetAsync("/api/orders")).GetArrayLength().ShouldBe(1);
    }

    [Theory]
    [InlineData("ada")]
    [InlineData("")]
    [InlineData("a@b")]
    [InlineData("a b@example.com")]
    public async Task What_is_no_address_is_said_to_be_none(string mail) =>
        (await _visitor.PostAsync("/api/account/code", new { mail })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );

    private async Task AskAsync(Visitor visitor, string? mail = null) =>
        (await visitor.PostAsync("/api/account/code", new { mail = mail ?? Mail })).Status.ShouldBe(
            HttpStatusCode.NoContent
        );

    private async Task<HttpStatusCode> EnterAsync(Visitor visitor, string code, string? mail = null) =>
        (
            await visitor.PostAsync(
                "/api/account/confirm",
                new
                {
                    mail = mail ?? Mail,
                    code,
                    join = true,
                }
            )
        ).Status;

    private async Task<string> SaidAsync(string mail) =>
        (await _visitor.PostAsync("/api/account/confirm", new { mail, code = "wrong!" }))
            .Body.GetProperty("errors")[0]
            .GetProperty("message")
            .GetString()!;
}
