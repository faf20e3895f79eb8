using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>Limits hold however many requests come at once, and what is gone is gone.</summary>
public sealed class LimitsTests : OneOwner
{
    [Fact]
    public async Task Of_sites_started_all_at_once_no_more_than_twenty_are_there()
    {
        await _visitor.DoAsync(new { kind = "rename-site", name = "The first" });
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 30).Select(number => _visitor.PostAsync("/api/sites", new { name = $"Site {number}" }))
        );
        answers.Count(answer => answer.Status == HttpStatusCode.OK).ShouldBe(19);
        (await _visitor.GetAsync("/api/session")).GetProperty("sites").GetArrayLength().ShouldBe(20);
    }

    [Fact]
    public async Task Of_like_orders_placed_all_at_once_one_is_placed()
    {
        await _visitor.ConfirmAsync();
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => _visitor.TryOrderAsync()));
        answers.Count(answer => answer.Status == HttpStatusCode.OK).ShouldBe(1);
        answers
            .Where(answer => answer.Status != HttpStatusCode.OK)
            .ShouldAllBe(answer => answer.Body.GetProperty("errors")[0].GetProperty("code").GetString() == "repeated");
    }

    [Fact]
    public async Task What_is_first_kept_of_a_site_or_an_order_may_come_many_times_at_once()
    {
        var noted = await Task.WhenAll(
            Enumerable.Range(0, 8).Select(_ => _visitor.PostAsync($"/api/sites/{_visitor.SiteId}/bought", new { }))
        );
        noted.ShouldAllBe(answer => answer.Status == HttpStatusCode.UnprocessableEntity);
        var other = _host.Visit();
        await other.OpenAsync();
        var sought = await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(_ =>
                    other.SendAsync(
                        HttpMethod.Put,
                        $"/api/sites/{other.SiteId}/names",
                        new { text = "wren", endings = new[] { "com" } }
                    )
                )
        );
        sought.ShouldAllBe(answer => (int)answer.Status < 300);

        var order = await DeliveredAsync();
        var page = new
        {
            name = "Ostler & Wren",
            about = "We mend clocks.",
            street = "3 Tide Lane",
            town = "Wexmouth",
            telephone = "",
            hours = Array.Empty<object>(),
            layout = "shopfront",
            picture = (string?)null,
            pictureText = "",
        };
        var pages = await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(_ =>
                    _visitor.SendAsync(
                        HttpMethod.Put,
                        $"/api/orders/{order}/first-page",
                        new { page, mayReplace = true }
                    )
                )
        );
        pages.ShouldAllBe(answer => answer.Status == HttpStatusCode.OK || answer.Status == HttpStatusCode.Conflict);
        pages.ShouldContain(answer => answer.Status == HttpStatusCode.OK);
    }

    [Fact]
    public async Task Of_receipts_kept_all_at_once_no_more_than_twenty_are_there()
    {
        var order = await BoughtAsync();
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 26)
                .Select(number =>
                    _visitor.SendBytesAsync(
                        HttpMethod.Post,
                        $"/api/orders/{order}/kept?name=a{number}.pdf",
                        "%PDF-1.7"u8.ToArray(),
                        "application/pdf"
                    )
                )
        );
        answers.Count(answer => answer.Status == HttpStatusCode.OK).ShouldBe(20);
        (await _visitor.GetAsync($"/api/orders/{order}/kept")).GetArrayLength().ShouldBe(20);
    }

    [Fact]
    public async Task Of_uploads_begun_all_at_once_three_are_kept_and_no_bytes_of_others()
    {
        var order = await DeliveredAsync();
        await Task.WhenAll(
            Enumerable.Range(0, 9).Select(_ => _visitor.PostAsync($"/api/orders/{order}/uploads", Upload("index.html")))
        );
        var uploads = (await _visitor.GetAsync($"/api/orders/{order}/uploads"))
            .EnumerateArray()
            .Select(upload => upload.GetProperty("id").GetGuid().ToString("N"))
            .ToList();
        uploads.Count.ShouldBe(3);
        Folders().ShouldBeSubsetOf(uploads);

        // A piece for one that was given up makes nothing anew.
        var gone = await _host.InDatabaseAsync(db =>
            db.Uploads.IgnoreQueryFilters().Select(row => row.Id).FirstAsync()
        );
        (await _visitor.SendAsync(HttpMethod.Delete, $"/api/orders/{order}/uploads/{gone}", null)).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        (
            await _visitor.SendBytesAsync(
                HttpMethod.Put,
                $"/api/orders/{order}/uploads/{gone}/files/0?from=0",
                "hello"u8.ToArray(),
                "application/octet-stream"
            )
        ).Status.ShouldBe(HttpStatusCode.NotFound);
        Folders().ShouldNotContain(gone.ToString("N"));
    }

    [Fact]
    public async Task An_account_that_is_deleted_leaves_no_bytes_of_its_uploads()
    {
        var order = await DeliveredAsync();
        var upload = (await _visitor.PostAsync($"/api/orders/{order}/uploads", Upload("index.html")))
            .Body.GetProperty("id")
            .GetGuid();
        (
            await _visitor.SendBytesAsync(
                HttpMethod.Put,
                $"/api/orders/{order}/uploads/{upload}/files/0?from=0",
                "hello"u8.ToArray(),
                "application/octet-stream"
            )
        ).Status.ShouldBe(HttpStatusCode.OK);
        Folders().ShouldHaveSingleItem();
        (await _visitor.SendAsync(HttpMethod.Delete, "/api/account", new { sure = true })).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        Folders().ShouldBeEmpty();
        await _host.InDatabaseAsync(async db =>
        {
            var left = new List<string>();
            foreach (
                var table in new[]
                {
                    "Workspaces",
                    "Sites",
                    "Revisions",
                    "Orders",
                    "DayBooks",
                    "ClaimedAllowances",
                    "OwnBooks",
                    "Shelf",
                    "Customers",
                    "Answers",
                    "Sought",
                    "FirstPages",
                    "KeptFiles",
                    "Slips",
                    "Uploads",
                    "Outbox",
                    "Sessions",
                    "AspNetUsers",
                    "AspNetUserTokens",
                    "CodeAskers",
                }
            )
            {
                var count = string.Concat("SELECT count(*) AS Value FROM ", table);
                if (await db.Database.SqlQueryRaw<int>(count).SingleAsync() > 0)
                {
                    left.Add(table);
                }
            }

            left.ShouldBeEmpty();
            return true;
        });
    }

    [Fact]
    public async Task More_files_than_a_web_space_holds_are_refused_before_one_is_sent()
    {
        var order = await DeliveredAsync();
        await PutUpAsync(order, 9_000, "a");
        var before = await StoredAsync();
        var lines = await PutUpAsync(order, 2_000, "b");
        lines.ShouldContain("11001 files"); // The placeholder and all.
        (await StoredAsync()).ShouldBe(before);
    }

    [Fact]
    public async Task An_invoice_is_not_opened_for_what_the_card_has_paid_already()
    {
        // It pays now, and is refused when something renews.
        var (order, site) = (await DeliveredAsync("9999 5200 0000 0001"), _visitor.SiteId);
        await MoveToAsync("2027-12-12");
        var page = (await _visitor.GetAsync($"/api/sites/{site}/upkeep")).ToString();
        page.ShouldContain("suspended", Case.Insensitive, page);
        (
            await _visitor.PostAsync(
                $"/api/orders/{order}/upkeep/card",
                new { card = new { token = (await _visitor.CardAsync(Visitor.GoodCard)).Token } }
            )
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        (
            await _visitor.PostAsync($"/api/orders/{order}/upkeep/pay", new { holding = "hosting", way = "card" })
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        await _visitor.WaitForAsync(() => _host.InCounterpartsAsync(db => db.Charges.AnyAsync()));
        var (status, body) = await _visitor.PostAsync(
            $"/api/orders/{order}/upkeep/pay",
            new { holding = "hosting", way = "invoice" }
        );
        status.ShouldBe(HttpStatusCode.UnprocessableEntity, body.ToString());
        (await _host.InCounterpartsAsync(db => db.Holds.CountAsync(hold => hold.Way == "invoice"))).ShouldBe(0);
    }

    [Fact]
    public async Task A_book_from_before_the_rule_for_ids_is_read_archived_under_a_made_name_and_taken_off()
    {
        var (_, file) = await _visitor.SendAsync(HttpMethod.Get, "/api/shelf/plainstone/file", null);
        var odd = JsonNode.Parse(file.ToString())!;
        odd["id"] = "../../x";
        var refused = await _visitor.PostAsync("/api/shelf", odd);
        refused.Body.GetProperty("errors")[0].GetProperty("where").GetString().ShouldBe("id");

        // As a release before wrote it.
        await _visitor.ConfirmAsync();
        var bytes = Encoding.UTF8.GetBytes(odd.ToJsonString());
        await _host.InDatabaseAsync(async db =>
        {
            db.Books.Add(new BookRow { Hash = HomeStart.Web.Books.Shelf.HashOf(bytes), Content = bytes });
            db.OwnBooks.Add(
                new OwnBookRow
                {
                    WorkspaceId = _visitor.Workspace,
                    BookId = "../../x",
                    Version = 1,
                    Hash = HomeStart.Web.Books.Shelf.HashOf(bytes),
                    AddedAt = DateTimeOffset.UnixEpoch,
                }
            );
            return await db.SaveChangesAsync();
        });
        (await _visitor.GetAsync("/api/shelf")).ToString().ShouldContain("../../x");
        using (var answer = await _visitor.RawAsync("/api/account/data.zip"))
        {
            using var zip = new ZipArchive(
                await answer.Content.ReadAsStreamAsync(TestContext.Current.CancellationToken)
            );
            zip.Entries.ShouldAllBe(entry => !entry.FullName.Contains("..", StringComparison.Ordinal));
            zip.Entries.Count(entry => entry.FullName.StartsWith("price-lists/", StringComparison.Ordinal)).ShouldBe(1);
        }

        (
            await _visitor.SendAsync(HttpMethod.Delete, "/api/shelf/%252E%252E%252F%252E%252E%252Fx", null)
        ).Status.ShouldBe(HttpStatusCode.OK);
        (await _visitor.GetAsync("/api/shelf")).ToString().ShouldNotContain("../../x");
    }

    [Fact]
    public async Task Control_characters_are_refused_where_they_come_in_and_do_not_break_what_was_kept()
    {
        var (status, body) = await _visitor.TryOrderAsync(
            contact: new
            {
                name = "Ada\u0007 Wren",
                mail = _visitor.Mail,
                street = "4 Mill Lane",
                town = "Hexworth",
                postcode = "HX4 2AB",
                country = "GB",
            }
        );
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        body.ToString().ShouldContain("U+0007");
        var order = await DeliveredAsync();

        // As an order from before the rule has it.
        await _host.InDatabaseAsync(async db =>
        {
            var row = await db.Orders.IgnoreQueryFilters().SingleAsync(row => row.Id == order);
            row.Document = row.Document.Replace("Ada Wren", "Ada\\u0007 Wren", StringComparison.Ordinal);
            return await db.SaveChangesAsync();
        });
        using var zip = await _visitor.RawAsync("/api/account/data.zip");
        zip.StatusCode.ShouldBe(HttpStatusCode.OK);
        using var ubl = await _visitor.RawAsync($"/api/orders/{order}/receipts/tidemarsh.xml");
        ubl.StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    private static object Upload(string path) =>
        new
        {
            folder = "",
            alone = false,
            unpacks = false,
            files = new[] { new { path, size = 5 } },
        };

    private string[] Folders() =>
        Directory.Exists(Path.Combine(_host.DataFolder, "uploads"))
            ?
            [
                .. Directory
                    .GetDirectories(Path.Combine(_host.DataFolder, "uploads"))
                    .Select(folder => Path.GetFileName(folder)),
            ]
            : [];

    private Task<int> StoredAsync() =>
        Task.FromResult(
            Directory.Exists(Path.Combine(_host.DataFolder, "web-space"))
                ? Directory
                    .GetFiles(Path.Combine(_host.DataFolder, "web-space"), "*", SearchOption.AllDirectories)
                    .Length
                : 0
        );

    // An archive is one upload of many small files, each of its own contents.
    private async Task<string> PutUpAsync(Guid order, int files, string prefix)
    {
        using var bytes = new MemoryStream();
        await using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            for (var number = 0; number < files; number++)
            {
                await using var entry = await zip.CreateEntry($"{prefix}{number}.txt").OpenAsync();
                await entry.WriteAsync(Encoding.ASCII.GetBytes(prefix == "a" ? "the same" : $"{prefix} {number}"));
            }
        }

        var archive = bytes.ToArray();
        var upload = (
            await _visitor.PostAsync(
                $"/api/orders/{order}/uploads",
                new
                {
                    folder = "",
                    alone = false,
                    unpacks = true,
                    files = new[] { new { path = "site.zip", size = archive.Length } },
                }
            )
        ).Body.GetProperty("id").GetGuid();
        (
            await _visitor.SendBytesAsync(
                HttpMethod.Put,
                $"/api/orders/{order}/uploads/{upload}/files/0?from=0",
                archive,
                "application/octet-stream"
            )
        ).Status.ShouldBe(HttpStatusCode.OK);
        var (_, lines) = await _visitor.LinesOrProblemAsync($"/api/orders/{order}/uploads/{upload}/put-up", new { });
        return lines[^1].ToString();
    }

    private async Task<Guid> DeliveredAsync(string card = Visitor.GoodCard)
    {
        var order = (await _visitor.OrderAsync(card)).GetProperty("id").GetGuid();
        await _visitor.UntilAsync(order, "completed");
        return order;
    }

    private async Task<Guid> BoughtAsync()
    {
        await _visitor.ConfirmAsync();
        var id = Guid.NewGuid();
        var (status, body) = await _visitor.PostAsync(
            $"/api/sites/{_visitor.SiteId}/bought",
            new
            {
                id,
                letter = "A",
                boughtOn = "2026-12-01",
                name = "Ada Wren",
                mail = _visitor.Mail,
                receipts = new[] { new { book = "tidemarsh", paid = "65.15" } },
                keys = new { },
            }
        );
        status.ShouldBe(HttpStatusCode.OK, body.ToString());
        return id;
    }

    private async Task MoveToAsync(string day)
    {
        var from = (await _visitor.GetAsync("/api/session")).GetProperty("businessDate").GetString();
        (await _visitor.PostAsync("/api/clock", new { from, to = day })).Status.ShouldBe(HttpStatusCode.NoContent);
        await _visitor.WaitForAsync(async () =>
            !(await _visitor.GetAsync($"/api/sites/{_visitor.SiteId}/upkeep"))
                .ToString()
                .Contains("\"isBehind\":true", StringComparison.Ordinal)
        );
    }
}
