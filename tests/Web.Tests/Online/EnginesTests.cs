using System.Net;
using System.Text.Json;

namespace HomeStart.Web.Tests;

/// <summary>A site engine at the host: set up step by step, brought up to date, removed.</summary>
public sealed class EnginesTests() : Delivered(isRecording: true)
{
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
}
