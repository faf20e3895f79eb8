using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json;
using HomeStart.Formats.Dns;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Web.Tests;

/// <summary>
/// From key sheet to a first page: records, files, page, mail, names, engine and certificate of a hosting that was
/// delivered, at the host counterpart and back.
/// </summary>
public sealed class OnlineTests() : OneOwner(isRecording: true)
{
    private Guid _order;

    private string Api => $"/api/orders/{_order}";

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

    [Fact]
    public async Task Records_are_changed_explained_and_put_back()
    {
        await DeliverAsync();
        var zone = await _visitor.GetAsync($"{Api}/zone");
        zone.GetProperty("canChange").GetBoolean().ShouldBeTrue();
        Records(zone)
            .Select(record => $"{record.GetProperty("owner").GetString()} {record.GetProperty("type").GetString()}")
            .ShouldBe(["@ A", "@ AAAA", "www CNAME", "@ MX", "@ TXT"]);

        var more = Records(zone)
            .Append(Record("shop", "A", "192.0.2.7"))
            .Append(Record("_sip._tcp", "SRV", "10 5 5060 sip.example.net."))
            .Append(Record("@", "CAA", "0 issue \"ca.example.net\""));
        var changed = (await PutAsync("zone", new { version = 0, records = more })).ShouldBeOk();
        changed.GetProperty("version").GetInt32().ShouldBe(1);
        (await AskAsync("shop.ostlerwren.com")).ShouldBe("192.0.2.7");

        var (status, stale) = await PutAsync("zone", new { version = 0, records = Records(zone) });
        (
            status,
            stale.GetProperty("detail").GetString()!.Contains("another window", StringComparison.Ordinal)
        ).ShouldBe((HttpStatusCode.Conflict, true));
        var wrong = Records(zone)
            .Append(Record("@", "CNAME", "wren.com."))
            .Append(Record("www", "A", "1.2.3"))
            .Append(Record("@", "TXT", "v=spf1 -all"));
        var (refused, faults) = await PutAsync("zone", new { version = 1, records = wrong });
        refused.ShouldBe(HttpStatusCode.UnprocessableEntity);
        faults
            .GetProperty("errors")
            .EnumerateArray()
            .Select(fault => fault.GetProperty("where").GetString())
            .ShouldBe(
                ["records[2].owner", "records[5].owner", "records[6].data", "records[7].data"],
                ignoreOrder: true
            );

        (await PostAsync("zone/back", new { version = 1 })).ShouldBeOk().GetProperty("version").GetInt32().ShouldBe(2);
        (await AskAsync("shop.ostlerwren.com")).ShouldBeNull();
    }

    [Fact]
    public async Task A_zone_file_goes_out_and_comes_in_with_what_differs_said_first()
    {
        await DeliverAsync();
        var file = await (await _visitor.RawAsync($"{Api}/zone/file")).Content.ReadAsStringAsync(
            TestContext.Current.CancellationToken
        );
        (await PostAsync("zone/try", new { zoneFile = file }))
            .ShouldBeOk()
            .GetProperty("in")
            .GetArrayLength()
            .ShouldBe(0);
        var change = (
            await PostAsync("zone/try", new { zoneFile = file + "blog\t600\tIN\tA\t192.0.2.9\n" })
        ).ShouldBeOk();
        (
            change.GetProperty("in").GetArrayLength(),
            change.GetProperty("out").GetArrayLength(),
            change.GetProperty("records").GetArrayLength()
        ).ShouldBe((1, 0, 6));
        (await AskAsync("blog.ostlerwren.com")).ShouldBeNull(); // It was only tried.
        (await PostAsync("zone/try", new { zoneFile = "what is this\n" })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        var elsewhere = (
            await PostAsync("zone/try", new { set = "mail-elsewhere", argument = "mx1.post.example.net" })
        ).ShouldBeOk();
        elsewhere
            .GetProperty("records")
            .EnumerateArray()
            .Count(record => record.GetProperty("type").GetString() == "MX")
            .ShouldBe(1);
        (await PostAsync("zone/try", new { set = "prove-by-text" })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
    }

    [Fact]
    public async Task A_first_page_is_seen_before_it_is_put_up_and_then_by_everybody()
    {
        await DeliverAsync();
        (await VisitAsync("ostlerwren.com")).Body.ShouldContain("Nothing here yet");
        var page = Page("Ostler & Wren <clocks>");
        var (html, policy) = await PreviewAsync(page);
        html.ShouldContain("Ostler &amp; Wren &lt;clocks&gt;");
        policy.ShouldContain("default-src 'none'");
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

    [Fact]
    public async Task Further_names_show_rest_forward_and_count_against_the_plan()
    {
        await DeliverAsync();
        await UploadAsync(new() { ["index.html"] = "front", ["workshop/index.html"] = "workshop" });
        object main = new
        {
            name = "ostlerwren.com",
            use = "own-site",
            folder = "",
            keepsPath = false,
        };
        var names = (
            await PutAsync(
                "names",
                new
                {
                    version = 0,
                    names = new[]
                    {
                        main,
                        new
                        {
                            name = "workshop.ostlerwren.com",
                            use = "own-site",
                            folder = "workshop",
                        },
                        new
                        {
                            name = "old.ostlerwren.com",
                            use = "forwarded",
                            forwardTo = "https://wren.com/clocks",
                            keepsPath = true,
                        },
                        new { name = "soon.ostlerwren.com", use = "resting" },
                    },
                }
            )
        ).ShouldBeOk();
        (
            names.GetProperty("websites").GetProperty("used").GetInt32(),
            names.GetProperty("subdomains").GetProperty("used").GetInt32()
        ).ShouldBe((1, 3));
        names.GetProperty("websites").GetProperty("more").GetProperty("name").GetString().ShouldBe("Jetty");
        names.GetProperty("sites").EnumerateArray().ShouldAllBe(site => site.GetProperty("leadsHere").GetBoolean());
        (await VisitAsync("workshop.ostlerwren.com")).Body.ShouldBe("workshop");
        (await VisitAsync("soon.ostlerwren.com")).Body.ShouldContain("to come");
        var (status, _, headers) = await VisitAsync("old.ostlerwren.com", "/repairs?a=1");
        (status, headers.GetValues("Location").Single()).ShouldBe(
            (HttpStatusCode.Redirect, "https://wren.com/clocks/repairs?a=1")
        );
        var (refused, faults) = await PutAsync(
            "names",
            new
            {
                version = 1,
                names = new[]
                {
                    main,
                    new { name = "wren.com", use = "resting" },
                    new
                    {
                        name = "loop.ostlerwren.com",
                        use = "forwarded",
                        forwardTo = "http://loop.ostlerwren.com/",
                    },
                },
            }
        );
        (refused, faults.GetProperty("errors").GetArrayLength()).ShouldBe((HttpStatusCode.UnprocessableEntity, 2));
    }

    [Fact]
    public async Task An_engine_is_set_up_step_by_step_and_its_administrator_gets_in()
    {
        await DeliverAsync();
        (await LinesAsync("engines", Engine("thistledown", user: "admin"))).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        (await LinesAsync("engines", Engine("thistledown", password: "clocks123"))).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        var lines = (await LinesAsync("engines", Engine("thistledown", folder: "journal"))).Lines;
        lines
            .Select(line => line.GetProperty("step").GetString())
            .ShouldBe(["files", "database", "administrator", "check"]);
        var password = lines[^1].GetProperty("password").GetString()!;
        (await VisitAsync("ostlerwren.com", "/journal/")).Body.ShouldContain("The clock journal");
        (await LogInAsync("/journal/log-in/", "minutehand", password)).ShouldContain("You are in");
        (await LogInAsync("/journal/log-in/", "minutehand", "wrong")).ShouldContain("not right");
        _host.Log.ShouldAllBe(line => !line.Contains(password, StringComparison.Ordinal));
        (await LinesAsync("engines", Engine("hedgerow", folder: "journal"))).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        ); // Something stands there.
        (await _visitor.GetAsync($"{Api}/engines"))
            .GetProperty("offers")[0]
            .GetProperty("lacks")
            .GetString()!
            .ShouldContain("database");
        await _host.MoveOnAsync(_visitor, 70);
        (await _visitor.GetAsync($"{Api}/engines"))
            .GetProperty("installed")[0]
            .GetProperty("newVersion")
            .GetString()
            .ShouldNotBeNull();
        (await LinesAsync("engines/update", new { folder = "journal" }))
            .Lines[^1]
            .GetProperty("problem")
            .ValueKind.ShouldBe(JsonValueKind.Null);
        (await _visitor.GetAsync($"{Api}/engines"))
            .GetProperty("installed")[0]
            .GetProperty("newVersion")
            .ValueKind.ShouldBe(JsonValueKind.Null);
        (await LogInAsync("/journal/log-in/", "minutehand", password)).ShouldContain("You are in");
        (await LinesAsync("engines", Engine("larderbook", folder: "shop")))
            .Lines[0]
            .GetProperty("errors")[0]
            .GetProperty("where")
            .GetString()
            .ShouldBe("engine"); // The one database is taken.
        await UploadAsync(new() { ["journal/notes.html"] = "of my own", ["index.html"] = "front" });
        (await PostAsync("engines/remove", new { folder = "journal" }))
            .ShouldBeOk()
            .GetProperty("installed")
            .GetArrayLength()
            .ShouldBe(0);
        (await VisitAsync("ostlerwren.com", "/journal/notes.html")).Body.ShouldBe("of my own");
        (await VisitAsync("ostlerwren.com")).Body.ShouldBe("front");
        (await VisitAsync("ostlerwren.com", "/journal/")).Status.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task An_engine_at_the_front_goes_alone()
    {
        await DeliverAsync();
        await UploadAsync(new() { ["about.html"] = "about", ["index.html"] = "mine" });
        (
            await LinesAsync(
                "engines",
                new
                {
                    engine = "hedgerow",
                    folder = "",
                    title = "The clock journal",
                    user = "minutehand",
                    password = (string?)null,
                    mayReplace = false,
                }
            )
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        await _visitor.TellAsync("host", "answers-lost");
        (await LinesAsync("engines", Engine("hedgerow")))
            .Lines[^1]
            .GetProperty("problem")
            .GetString()!
            .ShouldContain("does not answer at “files”");
        await _visitor.TellAsync("host", "ok");
        var password = (await LinesAsync("engines", Engine("hedgerow"))).Lines[^1].GetProperty("password").GetString()!;
        (await LogInAsync("/log-in/", "minutehand", password)).ShouldContain("You are in");
        (await PostAsync("engines/remove", new { folder = "" })).ShouldBeOk();
        (await VisitAsync("ostlerwren.com", "/about.html")).Body.ShouldBe("about");
        (await VisitAsync("ostlerwren.com")).Status.ShouldBe(HttpStatusCode.NotFound);
        (await PostAsync("engines/remove", new { folder = "" })).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_password_that_was_made_is_shown_though_the_last_answer_was_lost()
    {
        await using var host = await TestHost.StartAsync(between: () => new LosesLastStep());
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var order = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        await visitor.UntilAsync(order, "completed");
        var (_, lines) = await visitor.LinesOrProblemAsync(
            $"/api/orders/{order}/engines",
            Engine("thistledown", folder: "journal")
        );
        (lines[^1].GetProperty("done").GetInt32(), lines[^1].GetProperty("password").GetString()!.Length).ShouldBe(
            (4, 18)
        );
    }

    // Carries the last step of an engine out, and loses what was said to it.
    private sealed class LosesLastStep : DelegatingHandler
    {
        protected override async Task<HttpResponseMessage> SendAsync(
            HttpRequestMessage request,
            CancellationToken cancellationToken
        )
        {
            var isLast =
                request.Method == HttpMethod.Put
                && request.RequestUri!.AbsolutePath.EndsWith("/engines", StringComparison.Ordinal)
                && (await request.Content!.ReadAsStringAsync(cancellationToken)).Contains(
                    "\"step\":4",
                    StringComparison.Ordinal
                );
            var answer = await base.SendAsync(request, cancellationToken);
            return isLast ? new HttpResponseMessage(HttpStatusCode.BadGateway) : answer;
        }
    }

    [Fact]
    public async Task A_certificate_comes_when_everybody_sees_the_name_and_not_while_a_record_forbids_it()
    {
        await DeliverAsync();
        var zone = await _visitor.GetAsync($"{Api}/zone");
        (
            await PutAsync(
                "zone",
                new { version = 0, records = Records(zone).Append(Record("@", "CAA", "0 issue \"ca.other.example\"")) }
            )
        ).ShouldBeOk();
        var refused = (await PostAsync("certificate", new { })).ShouldBeOk();
        refused.GetProperty("certificate").GetProperty("refusal").GetString()!.ShouldContain("CAA");
        (await PostAsync("zone/back", new { version = 1 })).ShouldBeOk();
        (await PostAsync("certificate", new { }))
            .ShouldBeOk()
            .GetProperty("certificate")
            .GetProperty("state")
            .GetString()
            .ShouldBe("waiting");
        await _visitor.WaitForAsync(async () =>
        {
            // Who asks more often than twelve times a second is told to wait.
            await Task.Delay(500, TestContext.Current.CancellationToken);
            return (await _visitor.GetAsync($"{Api}/online"))
                    .GetProperty("certificate")
                    .GetProperty("state")
                    .GetString() == "there";
        });
        var chain = await _visitor.GetAsync($"{Api}/online");
        (
            chain.GetProperty("certificate").GetProperty("until").GetString(),
            chain.GetProperty("isJoined").GetBoolean()
        ).ShouldBe(("2027-03-01", true));
    }

    [Fact]
    public async Task Where_nothing_leads_nothing_is_found()
    {
        await DeliverAsync();
        var zone = await _visitor.GetAsync($"{Api}/zone");
        (
            await PutAsync(
                "zone",
                new
                {
                    version = 0,
                    records = Records(zone).Where(record => record.GetProperty("type").GetString() is "MX" or "TXT"),
                }
            )
        ).ShouldBeOk();
        (await VisitAsync("ostlerwren.com")).Body.ShouldContain("Server not found");
        (await _visitor.GetAsync($"{Api}/online"))
            .GetProperty("links")
            .EnumerateArray()
            .Single(link => link.GetProperty("kind").GetString() == "address")
            .GetProperty("state")
            .GetString()
            .ShouldBe("waiting");
        (await VisitAsync("nobody.example")).Body.ShouldContain("Server not found");
    }

    [Fact]
    public async Task A_borrowed_address_is_seen_at_once_and_stays_when_a_domain_of_ones_own_comes()
    {
        await _visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new { route = "lent", book = "tidemarsh" },
            }
        );
        await DeliverAsync();
        var chain = await _visitor.GetAsync($"{Api}/online");
        var lent = chain.GetProperty("domain").GetString()!;
        lent.ShouldEndWith(".tidemarsh.example.net");
        chain
            .GetProperty("links")
            .EnumerateArray()
            .Take(4)
            .ShouldAllBe(link => link.GetProperty("state").GetString() == "right");
        await UploadAsync(new() { ["index.html"] = "lent" });
        (await VisitAsync(lent)).Body.ShouldBe("lent");
        // The host keeps it.
        (await _visitor.GetAsync($"{Api}/zone")).GetProperty("canChange").GetBoolean().ShouldBeFalse();
        (
            await PutAsync(
                "names",
                new
                {
                    version = 0,
                    names = new[]
                    {
                        new { name = lent, use = "own-site" },
                        new { name = $"more.{lent}", use = "same-site" },
                    },
                }
            )
        ).ShouldBeOk();
    }

    private static object Page(string name) =>
        new
        {
            name,
            about = "We mend clocks.",
            street = "3 Tide Lane",
            town = "Wexmouth",
            telephone = "01234 567890",
            hours = new[]
            {
                new
                {
                    isOpen = true,
                    opens = "09:00",
                    closes = "17:30",
                },
            },
            layout = "shopfront",
            picture = (string?)null,
            pictureText = "",
        };

    private static object Engine(
        string engine,
        string folder = "",
        string user = "minutehand",
        string? password = null
    ) =>
        new
        {
            engine,
            folder,
            title = "The clock journal",
            user,
            mail = "ada@example.com",
            password,
            mayReplace = folder.Length == 0,
        };

    private static JsonElement Record(string owner, string type, string data) =>
        JsonSerializer.SerializeToElement(
            new
            {
                owner,
                ttlSeconds = 3600,
                type,
                data,
                preference = (int?)null,
            }
        );

    private static IEnumerable<JsonElement> Records(JsonElement zone) => zone.GetProperty("records").EnumerateArray();

    private async Task DeliverAsync()
    {
        _order = (await _visitor.OrderAsync()).GetProperty("id").GetGuid();
        await _visitor.UntilAsync(_order, "completed");
    }

    private Task<(HttpStatusCode Status, JsonElement Body)> PutAsync(string path, object body) =>
        _visitor.SendAsync(HttpMethod.Put, $"{Api}/{path}", body);

    private Task<(HttpStatusCode Status, JsonElement Body)> PostAsync(string path, object body) =>
        _visitor.PostAsync($"{Api}/{path}", body);

    private async Task<string?> AskAsync(string name)
    {
        using var outside = _host.Outside();
        using var content = new ByteArrayContent(
            Formats.Dns.DnsWriter.Write(Formats.Dns.DnsMessage.Ask(name, Formats.Dns.DnsType.A))
        )
        {
            Headers = { ContentType = new("application/dns-message") },
        };
        var answer = await outside.PostAsync(
            new Uri($"/worlds/{_visitor.Workspace:N}/dns", UriKind.Relative),
            content,
            TestContext.Current.CancellationToken
        );
        return Formats
            .Dns.DnsReader.Read(await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken))!
            .Answers.LastOrDefault()
            ?.Data;
    }

    private async Task<(
        HttpStatusCode Status,
        string Body,
        System.Net.Http.Headers.HttpResponseHeaders Headers
    )> VisitAsync(string name, string path = "/")
    {
        using var outside = _host.Outside();
        using var request = new HttpRequestMessage(HttpMethod.Get, path)
        {
            Headers = { Host = $"{name}.{_visitor.Workspace:N}.localhost:5081" },
        };
        var response = await outside.SendAsync(request, TestContext.Current.CancellationToken);
        return (
            response.StatusCode,
            await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            response.Headers
        );
    }

    private async Task<(string Html, string Policy)> PreviewAsync(object page)
    {
        using var form = new FormUrlEncodedContent([new("page", page as string ?? JsonSerializer.Serialize(page))]);
        var answer = await _visitor.PostFormAsync($"{Api}/first-page/preview.html", form);
        return (
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            answer.Headers.GetValues("Content-Security-Policy").Single()
        );
    }

    private async Task<string> LogInAsync(string path, string user, string password)
    {
        using var outside = _host.Outside();
        using var request = new HttpRequestMessage(HttpMethod.Post, path)
        {
            Headers = { Host = $"ostlerwren.com.{_visitor.Workspace:N}.localhost:5081" },
            Content = new FormUrlEncodedContent([new("user", user), new("password", password)]),
        };
        return await (
            await outside.SendAsync(request, TestContext.Current.CancellationToken)
        ).Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
    }

    private async Task<HttpStatusCode> PieceAsync(Guid upload, int index, long from, byte[] bytes) =>
        (
            await _visitor.SendBytesAsync(
                HttpMethod.Put,
                $"{Api}/uploads/{upload}/files/{index}?from={from}",
                bytes,
                "application/octet-stream"
            )
        ).Status;

    private async Task<Guid> SendAsync(Dictionary<string, string> files)
    {
        var id = (
            await PostAsync(
                "uploads",
                new
                {
                    files = files.Select(file => new
                    {
                        path = file.Key,
                        size = Encoding.UTF8.GetByteCount(file.Value),
                    }),
                    folder = "",
                    alone = false,
                    unpacks = false,
                }
            )
        ).ShouldBeOk().GetProperty("id").GetGuid();
        foreach (var (index, file) in files.Index())
        {
            (await PieceAsync(id, index, 0, Encoding.UTF8.GetBytes(file.Value))).ShouldBe(HttpStatusCode.OK);
        }

        return id;
    }

    private async Task<JsonElement> UploadAsync(Dictionary<string, string> files) =>
        (await LinesAsync($"uploads/{await SendAsync(files)}/put-up")).Lines[^1];

    private async Task<(HttpStatusCode Status, IReadOnlyList<JsonElement> Lines)> ZipAsync(Action<ZipArchive> fill)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            fill(zip);
        }

        var id = (
            await PostAsync(
                "uploads",
                new
                {
                    files = new[] { new { path = "site.zip", size = bytes.Length } },
                    folder = "",
                    alone = false,
                    unpacks = true,
                }
            )
        ).ShouldBeOk().GetProperty("id").GetGuid();
        await PieceAsync(id, 0, 0, bytes.ToArray());
        return await LinesAsync($"uploads/{id}/put-up");
    }

    private static ZipArchiveEntry Add(ZipArchive zip, string path, string text)
    {
        var entry = zip.CreateEntry(path);
        using var writer = new StreamWriter(entry.Open());
        writer.Write(text);
        return entry;
    }

    private Task<(HttpStatusCode Status, IReadOnlyList<JsonElement> Lines)> LinesAsync(
        string path,
        object? body = null
    ) => _visitor.LinesOrProblemAsync($"{Api}/{path}", body ?? new { });
}
