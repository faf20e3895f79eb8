using System.Net;
using System.Text.Json;
using HomeStart.Data;
using HomeStart.Web.Domains;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>
/// Hundreds of names through the registrars: told as they come, remembered, and never more at once than a registrar
/// takes.
/// </summary>
public class SeekingTests
{
    private static readonly string[] Endings = ["com", "co.uk", "org"];

    [Fact]
    public async Task Every_name_under_every_ending_is_answered_once_and_remembered()
    {
        var traffic = new Traffic();
        await using var host = await TestHost.StartAsync(between: traffic.Handler);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var sought = await SeekAsync(visitor, Names(40));
        (
            sought.GetProperty("names").GetArrayLength(),
            sought.GetProperty("left").GetInt32(),
            sought.GetProperty("answers").GetArrayLength()
        ).ShouldBe((40, 120, 0));
        var lines = await visitor.CheckNamesAsync(new { });
        lines.Select(line => line.GetProperty("answer").GetProperty("domain").GetString()).ShouldBeUnique();
        lines.Count.ShouldBe(120);
        lines.Select(line => line.GetProperty("asked").GetInt32()).ShouldBe(Enumerable.Range(1, 120));
        lines.ShouldAllBe(line => line.GetProperty("of").GetInt32() == 120);
        traffic.Checks.ShouldBe(120);
        traffic.MostAtOnce.ShouldBeInRange(2, RegistrarGate.AtOnce);

        // Again, and after the server was started again: nothing is asked a second time.
        (await visitor.CheckNamesAsync(new { })).Count.ShouldBe(120);
        await host.StartAgainAsync();
        var back = host.Visit(visitor);
        await back.OpenAsync();
        var known = await back.GetAsync($"/api/sites/{back.SiteId}/names");
        (known.GetProperty("left").GetInt32(), known.GetProperty("answers").GetArrayLength()).ShouldBe((0, 120));
        await back.CheckNamesAsync(new { });
        traffic.Checks.ShouldBe(120);
        await back.CheckNamesAsync(
            new
            {
                again = true,
                names = new[] { "wren0x" },
                endings = Endings,
            }
        );
        traffic.Checks.ShouldBe(123);
    }

    [Fact]
    public async Task Who_leaves_in_the_middle_finds_what_came_and_goes_on_with_the_rest()
    {
        var traffic = new Traffic { Delay = TimeSpan.FromMilliseconds(40) };
        await using var host = await TestHost.StartAsync(between: traffic.Handler);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await SeekAsync(visitor, Names(200));
        using (var leave = new CancellationTokenSource())
        {
            var first = await visitor.FirstNamesAsync(new { }, 30, leave.Token);
            first.Count.ShouldBe(30);
            await leave.CancelAsync();
        }

        await host.QuietAsync();
        var asked = traffic.Checks;
        asked.ShouldBeLessThan(600);
        var known = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/names");
        known.GetProperty("answers").GetArrayLength().ShouldBeGreaterThanOrEqualTo(30);
        traffic.Delay = TimeSpan.Zero;
        var rest = await visitor.CheckNamesAsync(new { });
        rest.Count.ShouldBe(600);
        traffic.Checks.ShouldBeLessThanOrEqualTo(asked + 600 - known.GetProperty("answers").GetArrayLength());
    }

    [Fact]
    public async Task A_registrar_that_asks_for_a_pause_gets_it_and_is_asked_again()
    {
        var traffic = new Traffic { LimitedOnce = 3 };
        await using var host = await TestHost.StartAsync(between: traffic.Handler);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var lines = await visitor.CheckNamesAsync(new { names = Names(10).Split('\n'), endings = new[] { "com" } });
        lines
            .Where(line => line.GetProperty("pause").ValueKind == JsonValueKind.Object)
            .Select(line =>
                (
                    line.GetProperty("pause").GetProperty("provider").GetString(),
                    line.GetProperty("pause").GetProperty("seconds").GetInt32()
                )
            )
            .ShouldBe([("Tidemarsh Hosting", 1)]);
        lines.Count(line => line.GetProperty("answer").ValueKind == JsonValueKind.Object).ShouldBe(10);
        lines.ShouldAllBe(line =>
            line.GetProperty("answer").ValueKind != JsonValueKind.Object
            || Text(line.GetProperty("answer"), "state") != "unchecked"
        );
        traffic.AskedDuringPause.ShouldBeFalse();
    }

    [Theory]
    [InlineData("down", "not working")]
    [InlineData("nonsense", "did not answer")]
    public async Task One_registrar_that_fails_holds_up_nobody_else(string mode, string why)
    {
        var traffic = new Traffic { Failing = ("/tidemarsh/", mode) };
        await using var host = await TestHost.StartAsync(between: traffic.Handler);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var lines = await visitor.CheckNamesAsync(
            new { names = Names(60).Split('\n'), endings = new[] { "com", "net" } }
        );
        var answers = lines.Select(line => line.GetProperty("answer")).ToList();
        answers
            .Where(answer => Text(answer, "ending") == "net")
            .ShouldAllBe(answer => Text(answer, "state") != "unchecked");
        var failed = answers.Where(answer => Text(answer, "ending") == "com").ToList();
        failed.ShouldAllBe(answer => Text(answer, "state") == "unchecked" && Text(answer, "buyable") == "nowhere");
        failed.ShouldContain(answer => Text(answer, "why").Contains(why, StringComparison.Ordinal));
        failed.ShouldContain(answer => Text(answer, "why").Contains("20 questions in a row", StringComparison.Ordinal));
        traffic.Checks.ShouldBeLessThan(60 + 60 + 45); // Each is tried twice at most, and most of them not at all.

        // What could not be checked is asked again without being told to.
        traffic.Failing = null;
        (await visitor.CheckNamesAsync(new { names = Names(60).Split('\n'), endings = new[] { "com" } })).ShouldAllBe(
            line => Text(line.GetProperty("answer"), "state") != "unchecked"
        );
    }

    [Fact]
    public async Task A_registry_that_contradicts_the_registrar_is_said_and_the_name_cannot_be_taken()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.TellAsync("registry", "contradicting");
        var (free, taken) = (await OneAsync("ostlerwren"), await OneAsync("clocks"));
        (Text(free, "state"), free.GetProperty("isContradicted").GetBoolean(), Text(free, "buyable")).ShouldBe(
            ("free", true, "nowhere")
        );
        (
            Text(taken, "state"),
            taken.GetProperty("isContradicted").GetBoolean(),
            taken.GetProperty("registration").ValueKind
        ).ShouldBe(("taken", false, JsonValueKind.Null));
        await visitor.TellAsync("registry", "ok");
        (Text(await OneAsync("ostlerwren"), "buyable"), Text(await OneAsync("clocks"), "buyable")).ShouldBe(
            ("anywhere", "nowhere")
        );

        async Task<JsonElement> OneAsync(string name) => (
                await visitor.CheckNamesAsync(
                    new
                    {
                        names = new[] { name },
                        endings = new[] { "com" },
                        again = true,
                        withRecord = true,
                    }
                )
            ).Single().GetProperty("answer");
    }

    [Fact]
    public async Task An_answer_an_hour_old_is_grey_and_asked_again()
    {
        var traffic = new Traffic();
        await using var host = await TestHost.StartAsync(between: traffic.Handler);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await SeekAsync(visitor, "wren clocks");
        await visitor.CheckNamesAsync(new { });
        await host.InDatabaseAsync(async db =>
        {
            foreach (var row in await db.Answers.IgnoreQueryFilters().ToListAsync())
            {
                var answer = Documents.Read<NameAnswer>(row.Document);
                row.Document = Documents.Write(answer with { AskedAt = answer.AskedAt.AddHours(-1) });
                row.AskedAt -= 3600;
            }

            return await db.SaveChangesAsync();
        });
        var old = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/names");
        old.GetProperty("left").GetInt32().ShouldBe(3);
        old.GetProperty("answers").EnumerateArray().ShouldAllBe(answer => answer.GetProperty("isOld").GetBoolean());
        await visitor.CheckNamesAsync(new { });
        traffic.Checks.ShouldBe(6);
        (await visitor.GetAsync($"/api/sites/{visitor.SiteId}/names")).GetProperty("left").GetInt32().ShouldBe(0);
    }

    [Fact]
    public async Task Near_names_that_somebody_has_are_advice()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var (status, near) = await visitor.PostAsync(
            $"/api/sites/{visitor.SiteId}/names/near",
            new { name = "clockz", ending = "com" }
        );
        status.ShouldBe(HttpStatusCode.OK);
        near.GetProperty("advice")
            .EnumerateArray()
            .Select(advice => (Text(advice, "code"), Text(advice, "detail")))
            .ShouldContain(("near-taken", "clock.com"));

        // One that only differs by a letter is not asked for, but is told once it is known.
        near.GetProperty("advice").EnumerateArray().ShouldNotContain(advice => Text(advice, "detail") == "clocks.com");
        await visitor.CheckNamesAsync(new { names = new[] { "clocks" }, endings = new[] { "com" } });
        (_, near) = await visitor.PostAsync(
            $"/api/sites/{visitor.SiteId}/names/near",
            new { name = "clockz", ending = "com" }
        );
        near.GetProperty("advice").EnumerateArray().ShouldContain(advice => Text(advice, "detail") == "clocks.com");

        // The plural is easily written for it, another letter seldom.
        near.GetProperty("matters").EnumerateArray().ShouldBeEmpty();
        (_, near) = await visitor.PostAsync(
            $"/api/sites/{visitor.SiteId}/names/near",
            new { name = "clocks", ending = "com" }
        );
        near.GetProperty("matters").EnumerateArray().Select(domain => domain.GetString()).ShouldBe(["clock.com"]);
        (
            await visitor.PostAsync(
                $"/api/sites/{visitor.SiteId}/names/near",
                new { name = "not a name", ending = "com" }
            )
        ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_premium_name_comes_with_what_it_costs_as_a_part_of_the_candidate()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var answer = (await visitor.CheckNamesAsync(new { names = new[] { "antique" }, endings = new[] { "com" } }))
            .Single()
            .GetProperty("answer");
        var cost = answer.GetProperty("premiumCost");
        (Text(cost, "register"), Text(cost, "included"), Text(cost, "book")).ShouldBe(
            (Text(answer.GetProperty("premium"), "register"), "premium", Text(answer, "book"))
        );
        var costs = await visitor.GetAsync($"/api/sites/{visitor.SiteId}/names/costs");
        costs.EnumerateArray().Count(known => known.GetProperty("isCheapest").GetBoolean()).ShouldBeGreaterThan(1);
    }

    [Theory]
    [InlineData("""{ "text": "wren", "endings": [] }""")]
    [InlineData("""{ "text": "wren", "endings": ["zz"] }""")]
    [InlineData("""{ "text": "wren" }""")]
    [InlineData("""[]""")]
    [InlineData("""{ "text": { "a": 1 }, "endings": [1, null, {}] }""")]
    public async Task What_cannot_be_looked_for_is_refused_and_changes_nothing(string body)
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        (await visitor.SendAsync(HttpMethod.Put, $"/api/sites/{visitor.SiteId}/names", body)).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        (await visitor.GetAsync($"/api/sites/{visitor.SiteId}/names"))
            .GetProperty("names")
            .GetArrayLength()
            .ShouldBe(0);
    }

    [Fact]
    public async Task Thousands_of_lines_and_marks_that_turn_the_reading_round_do_no_harm()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var lines = Enumerable
            .Range(0, 2400)
            .Select(at =>
                at % 3 == 0 ? $"wren{at % 900}x"
                : at % 3 == 1 ? $"\u202e{new string('x', 70)}"
                : "=1+1.<script>"
            );
        var sought = await SeekAsync(visitor, string.Join('\n', lines));
        sought.GetProperty("names").GetArrayLength().ShouldBeInRange(300, 302);
        sought.GetProperty("refused").GetArrayLength().ShouldBe(200);
    }

    private static string Names(int count) => string.Join('\n', Enumerable.Range(0, count).Select(at => $"wren{at}x"));

    private static async Task<JsonElement> SeekAsync(Visitor visitor, string text)
    {
        var (status, body) = await visitor.SendAsync(
            HttpMethod.Put,
            $"/api/sites/{visitor.SiteId}/names",
            new { text, endings = Endings }
        );
        status.ShouldBe(HttpStatusCode.OK, body.ToString());
        return body;
    }

    private static string Text(JsonElement element, string field) => element.GetProperty(field).GetString()!;

    /// <summary>
    /// Stands before the registrars and counts what they are asked; may be slow, limit or fail for them.
    /// </summary>
    private sealed class Traffic
    {
        private int _checks;
        private int _underWay;
        private int _mostAtOnce;
        private long _pauseEnds;

        public int Checks => Volatile.Read(ref _checks);

        public int MostAtOnce => Volatile.Read(ref _mostAtOnce);

        public TimeSpan Delay { get; set; } = TimeSpan.FromMilliseconds(3);

        /// <summary>How many of the first questions are answered with the wish to be left alone.</summary>
        public int LimitedOnce { get; set; }

        public bool AskedDuringPause { get; private set; }

        public (string Path, string Mode)? Failing { get; set; }

        public DelegatingHandler Handler() => new Between(this);

        private sealed class Between(Traffic traffic) : DelegatingHandler
        {
            protected override async Task<HttpResponseMessage> SendAsync(
                HttpRequestMessage request,
                CancellationToken cancellationToken
            )
            {
                if (!request.RequestUri!.AbsolutePath.EndsWith("/check", StringComparison.Ordinal))
                {
                    return await base.SendAsync(request, cancellationToken);
                }

                var number = Interlocked.Increment(ref traffic._checks);
                var now = Interlocked.Increment(ref traffic._underWay);
                try
                {
                    if (TimeProvider.System.GetTimestamp() < Volatile.Read(ref traffic._pauseEnds))
                    {
                        traffic.AskedDuringPause = true;
                    }

                    while (Volatile.Read(ref traffic._mostAtOnce) is var most && now > most)
                    {
                        Interlocked.CompareExchange(ref traffic._mostAtOnce, now, most);
                    }

                    await Task.Delay(traffic.Delay, cancellationToken);
                    return number <= traffic.LimitedOnce ? Limited() : await AnswerAsync(request, cancellationToken);
                }
                finally
                {
                    Interlocked.Decrement(ref traffic._underWay);
                }
            }

            private async Task<HttpResponseMessage> AnswerAsync(HttpRequestMessage request, CancellationToken cancel) =>
                traffic.Failing is { } failing
                && request.RequestUri!.AbsolutePath.Contains(failing.Path, StringComparison.Ordinal)
                    ? failing.Mode == "down"
                        ? new HttpResponseMessage(HttpStatusCode.ServiceUnavailable)
                        : new HttpResponseMessage(HttpStatusCode.OK) { Content = new StringContent("{ \"state\": [") }
                    : await base.SendAsync(request, cancel);

            private HttpResponseMessage Limited()
            {
                // All ten are under way when the first is limited: only what comes well after counts.
                Volatile.Write(ref traffic._pauseEnds, 0);
                _ = Task.Delay(100)
                    .ContinueWith(
                        _ =>
                            Volatile.Write(
                                ref traffic._pauseEnds,
                                TimeProvider.System.GetTimestamp() + (TimeProvider.System.TimestampFrequency * 7 / 10)
                            ),
                        TaskScheduler.Default
                    );
                var response = new HttpResponseMessage(HttpStatusCode.TooManyRequests);
                response.Headers.RetryAfter = new(TimeSpan.FromSeconds(1));
                return response;
            }
        }
    }
}
