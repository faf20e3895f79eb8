using System.Net;
using System.Text;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Web.Tests;

/// <summary>Files of the site: put up whole, piece by piece, and never half.</summary>
public sealed class FilesTests : Delivered
{
    [Fact]
    public async Task Files_are_put_up_whole_renamed_and_removed()
    {
        await DeliverAsync();
        var last = await UploadAsync(
            new()
            {
                ["index.html"] = "<h1>Front</h1>",
                ["news/index.html"] = "<h1>News</h1>",
                ["404.html"] = "<h1>Gone</h1>",
                ["style.css"] = "h1{}",
            }
        );
        last.GetProperty("version").GetInt32().ShouldBe(1);
        (await VisitAsync("ostlerwren.com")).Body.ShouldBe("<h1>Front</h1>");
        (await VisitAsync("ostlerwren.com", "/news")).Status.ShouldBe(HttpStatusCode.MovedPermanently);
        (await VisitAsync("ostlerwren.com", "/news/")).Body.ShouldBe("<h1>News</h1>");
        var (missing, body, _) = await VisitAsync("ostlerwren.com", "/nothing.html");
        (missing, body).ShouldBe((HttpStatusCode.NotFound, "<h1>Gone</h1>"));
        (
            await PostAsync(
                "files/rename",
                new
                {
                    version = 1,
                    path = "news",
                    to = "stories",
                }
            )
        ).ShouldBeOk();
        (await VisitAsync("ostlerwren.com", "/stories/")).Body.ShouldBe("<h1>News</h1>");
        (
            await PostAsync(
                "files/rename",
                new
                {
                    version = 2,
                    path = "style.css",
                    to = "index.html",
                }
            )
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await PostAsync("files/remove", new { version = 2, path = "stories" }))
            .ShouldBeOk()
            .GetProperty("files")
            .GetArrayLength()
            .ShouldBe(3);
        (await PostAsync("files/remove", new { version = 3, path = "stories" })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
    }

    [Fact]
    public async Task An_upload_that_broke_off_goes_on_where_it_was_also_after_a_restart()
    {
        await DeliverAsync();
        var bytes = Encoding.UTF8.GetBytes("<h1>Long and whole</h1>");
        var id = (
            await PostAsync(
                "uploads",
                new
                {
                    files = new[] { new { path = "index.html", size = bytes.Length } },
                    folder = "",
                    alone = false,
                    unpacks = false,
                }
            )
        ).ShouldBeOk().GetProperty("id").GetGuid();
        await PieceAsync(id, 0, 0, bytes[..7]);
        await _host.StartAgainAsync();
        var again = _host.Visit(_visitor);
        await again.OpenAsync();
        _visitor = again;
        (await _visitor.GetAsync($"{Api}/uploads"))[0]
            .GetProperty("files")[0]
            .GetProperty("has")
            .GetInt64()
            .ShouldBe(7);
        (await PieceAsync(id, 0, 3, bytes[3..])).ShouldBe(HttpStatusCode.Conflict); // It would leave the middle twice.
        (await LinesAsync($"uploads/{id}/put-up")).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await PieceAsync(id, 0, 7, bytes[7..])).ShouldBe(HttpStatusCode.OK);
        (await PieceAsync(id, 0, bytes.Length, [1])).ShouldBe(HttpStatusCode.Conflict); // More than was said.
        (await LinesAsync($"uploads/{id}/put-up")).Lines[^1].GetProperty("version").GetInt32().ShouldBe(1);
        (await VisitAsync("ostlerwren.com")).Body.ShouldBe("<h1>Long and whole</h1>");
        (await _visitor.GetAsync($"{Api}/uploads")).GetArrayLength().ShouldBe(0);
    }

    [Fact]
    public async Task A_piece_that_comes_from_two_windows_at_once_is_there_once()
    {
        await DeliverAsync();
        var bytes = new byte[1 << 20];
        var id = (
            await PostAsync(
                "uploads",
                new
                {
                    files = new[] { new { path = "film.mp4", size = bytes.Length } },
                    folder = "",
                    alone = false,
                    unpacks = false,
                }
            )
        ).ShouldBeOk().GetProperty("id").GetGuid();
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => PieceAsync(id, 0, 0, bytes)));
        answers.ShouldAllBe(status => status == HttpStatusCode.OK || status == HttpStatusCode.Conflict);
        answers.ShouldContain(HttpStatusCode.OK);
        (await _visitor.GetAsync($"{Api}/uploads"))[0]
            .GetProperty("files")[0]
            .GetProperty("has")
            .GetInt64()
            .ShouldBe(bytes.Length);
        (
            await PostAsync(
                "uploads",
                new
                {
                    files = Enumerable.Range(0, 5).Select(at => new { path = $"{at}.mp4", size = 1L << 30 }),
                    folder = "",
                    alone = false,
                    unpacks = false,
                }
            )
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task An_upload_that_nobody_finishes_is_cleared_away_after_a_week()
    {
        await DeliverAsync();
        var id = await SendAsync(new() { ["index.html"] = "half" });
        _host.Clock.Ahead = TimeSpan.FromDays(6);
        await TidyAsync();
        Directory.Exists(Path.Combine(_host.DataFolder, "uploads", id.ToString("N"))).ShouldBeTrue();
        _host.Clock.Ahead = TimeSpan.FromDays(8);
        await TidyAsync();
        Directory.Exists(Path.Combine(_host.DataFolder, "uploads", id.ToString("N"))).ShouldBeFalse();
        (await LinesAsync($"uploads/{id}/put-up")).Status.ShouldBe(HttpStatusCode.NotFound);

        async Task TidyAsync()
        {
            await using var scope = _host.Services.CreateAsyncScope();
            await scope
                .ServiceProvider.GetRequiredService<Online.UploadTidying>()
                .TidyAsync(TestContext.Current.CancellationToken);
        }
    }

    [Fact]
    public async Task A_host_that_is_down_or_full_leaves_what_stands_untouched_and_what_was_sent_here()
    {
        await DeliverAsync();
        await UploadAsync(new() { ["index.html"] = "first" });
        foreach (var mode in new[] { "full", "down", "answers-lost" })
        {
            var id = await SendAsync(new() { ["index.html"] = $"second {mode}", ["more.html"] = "more" });
            await _visitor.TellAsync("host", mode);
            (await LinesAsync($"uploads/{id}/put-up"))
                .Lines[^1]
                .GetProperty("problem")
                .GetString()
                .ShouldNotBeNullOrEmpty(mode);
            await _visitor.TellAsync("host", "ok");
            (await VisitAsync("ostlerwren.com")).Body.ShouldBe("first", mode);
            (await LinesAsync($"uploads/{id}/put-up"))
                .Lines[^1]
                .GetProperty("version")
                .GetInt32()
                .ShouldBeGreaterThan(1);
            (await VisitAsync("ostlerwren.com")).Body.ShouldBe($"second {mode}");
            await UploadAsync(new() { ["index.html"] = "first" });
        }
    }

    [Fact]
    public async Task An_archive_is_unpacked_and_one_that_is_made_to_harm_is_refused_with_the_reason()
    {
        await DeliverAsync();
        (
            await ZipAsync(zip =>
            {
                Add(zip, "site/index.html", "<h1>Zipped</h1>");
                Add(zip, "site/pictures/a.svg", "<svg/>");
                Add(zip, "__MACOSX/x", "y");
            })
        ).Lines[^1].GetProperty("version").GetInt32().ShouldBe(1);
        (await VisitAsync("ostlerwren.com")).Body.ShouldBe("<h1>Zipped</h1>");
        var (status, problems) = await ZipAsync(zip =>
        {
            Add(zip, "index.html", "<h1>Harm</h1>");
            Add(zip, "../../outside.html", "x");
            Add(zip, "/etc/page.html", "x");
            Add(zip, ".htaccess", "x");
            Add(zip, "run.php", "x");
            Add(zip, "zeros.txt", new string('0', 8 << 20));
            Add(zip, "link.html", "/etc/passwd").ExternalAttributes = unchecked((int)0xA1FF0000);
        });
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        problems[0]
            .GetProperty("errors")
            .EnumerateArray()
            .Select(fault => fault.GetProperty("where").GetString())
            .ShouldBe(["files[1]", "files[2]", "files[3]", "files[4]", "files[6]", "files[5]"]);
        (await VisitAsync("ostlerwren.com")).Body.ShouldBe("<h1>Zipped</h1>");
        (
            await PostAsync(
                "uploads",
                new
                {
                    files = new[] { new { path = "big.mp4", size = 11L << 30 } },
                    folder = "",
                    alone = false,
                    unpacks = false,
                }
            )
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }
}
