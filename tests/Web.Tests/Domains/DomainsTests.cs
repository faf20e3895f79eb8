using System.Net;
using System.Text.Json;
using HomeStart.Connectors;

namespace HomeStart.Web.Tests;

public class DomainsTests
{
    [Theory]
    [InlineData("ostlerwren", "com", "free")]
    [InlineData("clocks", "com", "taken")]
    [InlineData("antique", "com", "premium")]
    [InlineData("royal", "com", "reserved")]
    public async Task A_registrar_gives_one_of_its_answers(string label, string ending, string state)
    {
        await using var host = await TestHost.StartAsync();
        var answer = await CheckAsync(host.Visit(), label, ending);
        answer.GetProperty("state").GetString().ShouldBe(state);
        (answer.GetProperty("premium").ValueKind == JsonValueKind.Object).ShouldBe(state == "premium");
        (answer.GetProperty("registration").ValueKind == JsonValueKind.Object).ShouldBe(state == "taken");
    }

    [Theory]
    [InlineData("down")]
    [InlineData("limiting")]
    public async Task A_registrar_that_fails_is_not_taken_for_a_free_name(string mode)
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.TellAsync("registrar", mode);
        var answer = await CheckAsync(visitor, "ostlerwren", "com");
        answer.GetProperty("state").GetString().ShouldBe("unchecked");
        answer.GetProperty("why").GetString().ShouldNotBeNullOrEmpty();
        await visitor.TellAsync("registrar", "ok");
        (await CheckAsync(visitor, "ostlerwren", "com")).GetProperty("state").GetString().ShouldBe("free");
    }

    [Fact]
    public async Task A_registry_that_is_down_leaves_the_answer_without_its_record()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.TellAsync("registry", "down");
        var answer = await CheckAsync(visitor, "clocks", "com");
        answer.GetProperty("state").GetString().ShouldBe("taken");
        answer.GetProperty("registration").ValueKind.ShouldBe(JsonValueKind.Null);
    }

    [Theory]
    [InlineData("/api/domains/check?label=ostler%20wren&ending=com", "label")]
    [InlineData("/api/domains/check?label=ostlerwren&ending=zz", "ending")]
    [InlineData("/api/domains/check?label=ostlerwren&ending=net&book=tidemarsh", "ending")]
    public async Task What_cannot_be_checked_is_faulted(string path, string where)
    {
        await using var host = await TestHost.StartAsync();
        var (status, problem) = await host.Visit().SendAsync(HttpMethod.Get, path, null);
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        problem.GetProperty("errors")[0].GetProperty("where").GetString().ShouldBe(where);
    }

    [Fact]
    public async Task One_visitors_registrations_take_no_name_from_another()
    {
        await using var host = await TestHost.StartAsync();
        var (one, other) = (host.Visit(), host.Visit());
        await one.OpenAsync();
        await other.OpenAsync();
        await one.UntilAsync((await one.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        (await CheckAsync(one, "ostlerwren", "com")).GetProperty("state").GetString().ShouldBe("taken");
        (await CheckAsync(other, "ostlerwren", "com")).GetProperty("state").GetString().ShouldBe("free");
    }

    [Fact]
    public void A_record_is_read_as_far_as_it_keeps_to_the_standard()
    {
        const string record = """
            { "objectClassName": "domain", "ldhName": "Example.COM", "status": ["active", 7],
              "events": [{ "eventAction": "registration", "eventDate": "2001-02-03T23:30:00-02:00" }, { "eventAction": "expiration", "eventDate": "soon" }, 4],
              "entities": [{ "roles": ["registrar"], "vcardArray": ["vcard", [["version", {}, "text", "4.0"], ["fn", {}, "text", "Flat Names"]]] }] }
            """;
        var read = Rdap.Read(JsonSerializer.Deserialize<JsonElement>(record)).ShouldNotBeNull();
        (read.Domain, read.Registered, read.Expires, read.Registrar).ShouldBe(
            ("example.com", new DateOnly(2001, 2, 4), null, "Flat Names")
        );
        read.Status.ShouldBe(["active"]);
        foreach (
            var other in new[]
            {
                "{}",
                "[]",
                "3",
                """{ "ldhName": 4 }""",
                """{ "ldhName": "x.com", "events": {}, "entities": [{ "roles": "registrar" }] }""",
            }
        )
        {
            Should.NotThrow(() => Rdap.Read(JsonSerializer.Deserialize<JsonElement>(other)));
        }
    }

    private static Task<JsonElement> CheckAsync(Visitor visitor, string label, string ending) =>
        visitor.GetAsync($"/api/domains/check?label={label}&ending={ending}");
}
