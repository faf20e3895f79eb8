using System.Diagnostics;
using System.Net;
using System.Net.Http.Headers;
using HomeStart.Counterparts;
using HomeStart.Formats.Dns;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Server.Kestrel.Core;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Web.Tests;

/// <summary>
/// The name servers of a world answer real messages over HTTP; a client that nobody here wrote reads them; resolvers
/// believe what they heard until its time runs out.
/// </summary>
public sealed class NameServersTests : OneOwner
{
    [Fact]
    public async Task A_name_is_nowhere_until_it_is_had_and_then_leads_to_the_host()
    {
        (await AskAsync("ostlerwren.com", DnsType.A)).Code.ShouldBe(DnsCode.NoSuchName);
        await BuyAsync();
        var answer = await AskAsync("OstlerWren.com", DnsType.A);
        (
            answer.Code,
            answer.IsAuthoritative,
            answer.Answers.Single().Data.StartsWith("198.51.100.", StringComparison.Ordinal)
        ).ShouldBe((DnsCode.Answered, true, true));
        (await AskAsync("ostlerwren.com", DnsType.Ns))
            .Answers.Select(record => record.Data)
            .ShouldBe(["ns1.tidemarsh.example.net", "ns2.tidemarsh.example.net"]);
        (await AskAsync("www.ostlerwren.com", DnsType.A))
            .Answers.Select(record => record.Type)
            .ShouldBe([DnsType.Cname, DnsType.A]);
        (await AskAsync("ostlerwren.com", DnsType.Mx)).Answers.Single().Data.ShouldBe("mail.tidemarsh.example.net");
        var absent = await AskAsync("shop.ostlerwren.com", DnsType.A);
        (absent.Code, absent.Authority.Single().Type).ShouldBe((DnsCode.NoSuchName, DnsType.Soa));
        // The name is there; no record of that type is.
        (await AskAsync("ostlerwren.com", DnsType.Cname)).Code.ShouldBe(DnsCode.Answered);
    }

    [Fact]
    public async Task What_the_rest_of_the_world_holds_is_answered_for()
    {
        (await AskAsync("wren.com", DnsType.Mx))
            .Answers.Select(record => record.Data)
            .ShouldBe(["mx1.post.example.net", "mx2.post.example.net"]);
        (await AskAsync("www.wren.com", DnsType.A)).Answers.Length.ShouldBe(2);
        (await AskAsync("wren.museum", DnsType.A)).Code.ShouldBe(DnsCode.NoSuchName);
        (await AskAsync("", DnsType.Ns)).Code.ShouldBe(DnsCode.NoSuchName);
    }

    [Fact]
    public async Task The_news_spreads_place_by_place_as_what_was_heard_runs_out()
    {
        await BuyAsync();
        (await SeenAsync()).ShouldBe(0); // Each heard a moment before that it leads nowhere.
        await _visitor.WaitForAsync(async () => await SeenAsync() is > 0 and < 5);
        // Whoever is in charge says so all along.
        (await AskAsync("ostlerwren.com", DnsType.A)).Answers.Length.ShouldBe(1);
    }

    [Fact]
    public async Task An_order_is_followed_until_everybody_sees_it()
    {
        var id = (await _visitor.OrderAsync()).GetProperty("id").GetGuid();
        await _visitor.UntilAsync(id, "completed");
        var chain = await _visitor.GetAsync($"/api/orders/{id}/online");
        (
            chain.GetProperty("domain").GetString(),
            chain.GetProperty("isJoined").GetBoolean(),
            chain.GetProperty("places").GetArrayLength()
        ).ShouldBe(("ostlerwren.com", false, 5));
        chain
            .GetProperty("links")
            .EnumerateArray()
            .Select(link => link.GetProperty("state").GetString())
            .ShouldBe(["right", "right", "right", "right", "waiting", "right", "wrong"]);
        await _visitor.TellAsync("dns", "down");
        var silent = await _visitor.GetAsync($"/api/orders/{id}/online");
        silent
            .GetProperty("links")
            .EnumerateArray()
            .Select(link => link.GetProperty("state").GetString())
            .ShouldBe(["right", "unknown", "unknown", "unknown", "unknown", "right", "waiting"]);
        silent.GetProperty("mailServers").ValueKind.ShouldBe(System.Text.Json.JsonValueKind.Null);
        await _visitor.TellAsync("dns", "nonsense");
        (await _visitor.GetAsync($"/api/orders/{id}/online")).GetProperty("seen").GetInt32().ShouldBe(0);
        await _visitor.TellAsync("host", "down");
        (await _visitor.RawAsync($"/api/orders/{id}/online")).StatusCode.ShouldBe(HttpStatusCode.ServiceUnavailable);
    }

    [Fact]
    public async Task A_domain_kept_elsewhere_says_what_is_to_be_set_there()
    {
        await _visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new
                {
                    route = "keep",
                    name = "wren",
                    ending = "com",
                    expires = "2027-05-01",
                    renewal = "14.20",
                    currency = "GBP",
                },
            }
        );
        var id = (await _visitor.OrderAsync()).GetProperty("id").GetGuid();
        await _visitor.UntilAsync(id, "completed");
        var links = (await _visitor.GetAsync($"/api/orders/{id}/online")).GetProperty("links");
        (links[0].GetProperty("state").GetString(), links[0].GetProperty("wanted")[0].GetString()).ShouldBe(
            ("wrong", "ns1.tidemarsh.example.net")
        );
        links[0].GetProperty("found").GetArrayLength().ShouldBe(2);

        // Its records are not here: the page is told so, and neither a file of them nor a trial is answered.
        (await _visitor.GetAsync($"/api/orders/{id}/zone")).GetProperty("version").GetInt32().ShouldBe(0);
        (await _visitor.RawAsync($"/api/orders/{id}/zone/file")).StatusCode.ShouldBe(HttpStatusCode.Conflict);
        var (status, problem) = await _visitor.PostAsync($"/api/orders/{id}/zone/try", new { set = "mail-elsewhere" });
        status.ShouldBe(HttpStatusCode.Conflict);
        problem.GetProperty("detail").GetString()!.ShouldContain("wren.com are kept elsewhere");
    }

    [Fact]
    public async Task A_resolver_counts_down_what_it_heard_and_is_not_in_charge()
    {
        var first = await AskAsync("wren.com", DnsType.A, "sunbay");
        first.IsAuthoritative.ShouldBeFalse();
        _host.ClockOutside.Ahead += TimeSpan.FromSeconds(2);
        (await AskAsync("wren.com", DnsType.A, "sunbay"))
            .Answers.Single()
            .TtlSeconds.ShouldBeLessThan(first.Answers.Single().TtlSeconds);
        (
            await PostAsync(
                $"/worlds/{_visitor.Workspace:N}/dns/nowhere",
                DnsWriter.Write(DnsMessage.Ask("wren.com", DnsType.A))
            )
        ).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Theory]
    [InlineData("")]
    [InlineData("00")]
    [InlineData("000001000001000000000000C00C00010001")]
    public async Task What_is_no_question_is_refused(string bytes) =>
        (await PostAsync($"/worlds/{_visitor.Workspace:N}/dns", Convert.FromHexString(bytes))).StatusCode.ShouldBe(
            HttpStatusCode.BadRequest
        );

    [Fact]
    public async Task Too_long_a_question_is_refused_and_another_path_of_a_world_stays_shut()
    {
        (await PostAsync($"/worlds/{_visitor.Workspace:N}/dns", new byte[100_000])).StatusCode.ShouldBe(
            HttpStatusCode.BadRequest
        );
        using var outside = _host.Outside();
        (
            await outside.PutAsync(
                new Uri($"/worlds/{_visitor.Workspace:N}/behaviours/dns/down", UriKind.Relative),
                null,
                TestContext.Current.CancellationToken
            )
        ).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        (
            await outside.GetAsync(
                new Uri($"/worlds/{_visitor.Workspace:N}/dns?dns=%%%", UriKind.Relative),
                TestContext.Current.CancellationToken
            )
        ).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task Dig_reads_it()
    {
        // dig wants a port, and speaks HTTP/2 without asking first.
        var folder = Directory.CreateTempSubdirectory("home-start-dns-");
        await using var app = CounterpartsApp.Build(
            Path.Combine(folder.FullName, "counterparts.db"),
            HomeStart.Web.Startup.Demo.Load(TestHost.Root("demo")).OfferBooks,
            "secret",
            TestHost.FreePort(),
            builder =>
                builder
                    .WebHost.UseKestrelCore()
                    .ConfigureKestrel(kestrel =>
                        kestrel.Listen(IPAddress.Loopback, 0, listen => listen.Protocols = HttpProtocols.Http2)
                    )
        );
        await app.StartAsync(TestContext.Current.CancellationToken);
        var port = new Uri(
            app.Services.GetRequiredService<IServer>().Features.Get<IServerAddressesFeature>()!.Addresses.First()
        ).Port;
        var path = $"/worlds/{Guid.NewGuid():N}/dns";
        (await DigAsync(port, $"+http-plain={path}", "wren.com", "MX")).ShouldBe(
            "10 mx1.post.example.net.\n20 mx2.post.example.net.\n"
        );
        (await DigAsync(port, $"+http-plain-get={path}/farcape", "www.wren.com", "A")).ShouldStartWith(
            "wren.com.\n192.0.2."
        );
        (await DigAsync(port, $"+http-plain={path}", "nobodyhasthisone.com", "A")).ShouldBeEmpty();
        await app.StopAsync(TestContext.Current.CancellationToken);
        folder.Delete(recursive: true);
    }

    private static async Task<string> DigAsync(int port, string way, string name, string type)
    {
        using var dig = Process.Start(
            new ProcessStartInfo(
                "dig",
                ["@127.0.0.1", "-p", $"{port}", way, "+short", "+tries=1", "+noedns", name, type]
            )
            {
                UseShellExecute = false,
                RedirectStandardOutput = true,
            }
        )!;
        var said = await dig.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken);
        await dig.WaitForExitAsync(TestContext.Current.CancellationToken);
        return said;
    }

    private async Task BuyAsync() =>
        await _visitor.UntilAsync((await _visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");

    private async Task<int> SeenAsync()
    {
        var seen = 0;
        foreach (var place in new[] { "northport", "westmere", "sunbay", "eastgate", "farcape" })
        {
            seen += (await AskAsync("ostlerwren.com", DnsType.A, place)).Answers.Length;
        }

        return seen;
    }

    private async Task<DnsMessage> AskAsync(string name, DnsType type, string? place = null)
    {
        using var response = await PostAsync(
            $"/worlds/{_visitor.Workspace:N}/dns{(place is null ? "" : "/" + place)}",
            DnsWriter.Write(DnsMessage.Ask(name, type))
        );
        response.StatusCode.ShouldBe(HttpStatusCode.OK);
        return DnsReader.Read(await response.Content.ReadAsByteArrayAsync()).ShouldNotBeNull();
    }

    private async Task<HttpResponseMessage> PostAsync(string path, byte[] question)
    {
        using var outside = _host.Outside();
        using var content = new ByteArrayContent(question);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/dns-message");
        return await outside.PostAsync(new Uri(path, UriKind.Relative), content);
    }
}
