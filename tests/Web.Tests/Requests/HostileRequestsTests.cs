using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Web.Tests;

/// <summary>Whatever is sent, the answer is a clear one, soon, with every header, and never 500.</summary>
public class HostileRequestsTests
{
    private static readonly string[] Bodies =
    [
        "",
        "{",
        "null",
        "[]",
        "7",
        "\"text\"",
        "{}",
        """{"\ud800":1}""",
        """{"startDate":"\ud800"}""",
        """{"name":"\udc00x","revision":0}""",
        """{"revision":0,"command":{"kind":"rename-site","name":"\ud83d"}}""",
        """{"revision":0,"command":{"kind":"rename-site","name":"a\u202eb"}}""",
        """{"revision":0,"command":{"kind":"rename-site","name":"a\u0000b"}}""",
        """{"revision":1e400}""",
        """{"revision":0,"command":{"kind":"set-display","currency":"\ud800","rates":{"\ud800":"1"}}}""",
        """{"revision":0,"command":{"kind":"choose-domain","letter":"A","domain":{"route":"register","book":"\ud800","name":"\ud800","ending":"com"}}}""",
        """{"books":[{"plans":[{"\udbff":{}}]}]}""",
        """{"candidate":{"domains":[{"addOns":[{"id":"\ud800"}]}]}}""",
        """{"contact":{"name":"\ud800"},"card":{"token":"\ud800"}}""",
        """{"needs":{"extras":["\ud800"],"domain":{"route":"\ud800"}}}""",
        new string('[', 40) + new string(']', 40),
    ];

    [Fact]
    public async Task No_route_answers_500_whatever_the_body()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(new { kind = "rename-site", name = "Kept" });
        byte[][] bodies =
        [
            .. Bodies.Select(Encoding.UTF8.GetBytes),
            [0xff, 0xfe, 0x00],
            [.. "{\"name\":\""u8, 0xc3, 0x28, .. "\"}"u8],
        ];
        string?[] types =
        [
            "application/json",
            "application/json; charset=bogus",
            "application/json; charset=utf-16",
            "text/plain",
            "multipart/form-data; boundary=x",
            null,
        ];
        var asked = 0;
        foreach (var (method, path) in Routes(host, visitor.SiteId))
        {
            // What is only looked at reads no body: one is enough to see that it stays so.
            foreach (var (index, body) in bodies.Index().Take(method == "GET" ? 1 : bodies.Length))
            {
                // Each body as JSON, the first as every type, and each third as another one.
                foreach (
                    var type in index == 0 ? types
                    : index % 3 == 0 ? [types[0], types[1 + (index / 3 % (types.Length - 1))]]
                    : [types[0]]
                )
                {
                    asked++;
                    var (status, headers) = await visitor.SendBytesAsync(new HttpMethod(method), path, body, type);
                    ((int)status).ShouldBeLessThan(500, $"{method} {path} {type} {Encoding.Latin1.GetString(body)}");
                    headers.TryGetValues("Content-Security-Policy", out _).ShouldBeTrue($"{method} {path}: {status}");
                    headers.CacheControl.ShouldNotBeNull(path);
                }
            }
        }

        asked.ShouldBeGreaterThan(500);
        (await visitor.SiteAsync()).GetProperty("name").GetString().ShouldBe("Kept");
    }

    [Fact]
    public async Task Every_route_that_takes_JSON_says_so_to_whoever_sends_something_else()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var json = Endpoints(host)
            .Where(route => route.Metadata.GetMetadata<IAcceptsMetadata>()?.ContentTypes.Contains("*/*") == true)
            .SelectMany(route => Asked(route, visitor.SiteId))
            .ToList();
        json.Count.ShouldBeGreaterThan(50);
        var others = new List<string>();
        foreach (var (method, path) in json)
        {
            foreach (var type in new[] { "text/plain", "application/x-www-form-urlencoded", "application/jsonp" })
            {
                var (status, _) = await visitor.SendBytesAsync(new HttpMethod(method), path, "{}"u8.ToArray(), type);
                if (status != HttpStatusCode.UnsupportedMediaType)
                {
                    others.Add($"{method} {path} {type}: {status}");
                }
            }
        }

        others.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("""{"startDate":"\ud800","horizonMonths":1}""", "startDate")]
    [InlineData("""{"candidate":{"domains":[{},{"codes":["a","\udc00"]}]}}""", "candidate.domains[1].codes[1]")]
    [InlineData("""{"owner":{"\ud800":1}}""", "owner")]
    public async Task Half_a_character_is_said_with_its_place(string body, string where)
    {
        await using var host = await TestHost.StartAsync();
        var (status, answer) = await host.Visit().PostAsync("/api/costings", body);
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        answer.GetProperty("errors")[0].GetProperty("where").GetString().ShouldBe(where);
    }

    [Fact]
    public async Task Faults_beyond_two_hundred_are_counted()
    {
        await using var host = await TestHost.StartAsync();
        var plans = new JsonArray([.. Enumerable.Range(0, 1000).Select(_ => (JsonNode)new JsonObject())]);
        var (status, answer) = await host.Visit()
            .PostAsync(
                "/api/costings",
                new JsonObject
                {
                    ["books"] = new JsonArray(new JsonObject { ["plans"] = plans }),
                    ["startDate"] = "2026-12-01",
                }
            );
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        answer.GetProperty("errors").GetArrayLength().ShouldBe(200);
        answer.GetProperty("more").GetInt32().ShouldBeGreaterThan(700);
        answer.ToString().Length.ShouldBeLessThan(60_000);
    }

    [Fact]
    public async Task What_would_take_minutes_is_refused_with_its_figure_before_it_is_begun()
    {
        await using var host = await TestHost.StartAsync();
        var (status, answer) = await host.Visit().PostAsync("/api/scans", ManyWays());
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        answer.GetProperty("errors")[0].GetProperty("message").GetString()!.ShouldContain("2176782336"); // 6^12.
        (status, answer) = await host.Visit().PostAsync("/api/costings", ManyLines());
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        answer.GetProperty("errors")[0].GetProperty("where").GetString().ShouldBe("candidate");
    }

    [Fact]
    public async Task A_scan_ends_when_its_caller_leaves()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        using var leave = new CancellationTokenSource(TimeSpan.FromMilliseconds(30));
        await Should.ThrowAsync<OperationCanceledException>(() =>
            visitor.PostUntilAsync("/api/scans", ManyPlans(), leave.Token)
        );

        // The workspace's one turn is free again.
        (await visitor.PostAsync("/api/scans", ManyPlans(plans: 2))).Status.ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Who_sends_slowly_holds_nobodys_turn()
    {
        await using var host = await TestHost.StartAsync();
        using var never = new CancellationTokenSource();
        var slow = Enumerable
            .Range(0, 40)
            .Select(_ => host.Visit().PostSlowlyAsync("/api/scans", never.Token))
            .ToList();
        (await host.Visit().PostAsync("/api/scans", ManyPlans(plans: 2))).Status.ShouldBe(HttpStatusCode.OK);
        await never.CancelAsync();
        await Task.WhenAny(Task.WhenAll(slow));
    }

    private static IEnumerable<(string Method, string Path)> Routes(TestHost host, Guid site) =>
        Endpoints(host).SelectMany(route => Asked(route, site));

    private static IEnumerable<RouteEndpoint> Endpoints(TestHost host) =>
        host
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .Where(route => route.RoutePattern.RawText!.StartsWith("/api", StringComparison.Ordinal));

    private static IEnumerable<(string Method, string Path)> Asked(RouteEndpoint route, Guid site) =>
        (route.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? ["GET"]).Select(method =>
            (method, Path(route.RoutePattern.RawText!, site))
        );

    private static string Path(string pattern, Guid site) =>
        Regex.Replace(
            pattern.Replace("{siteId:guid}", site.ToString(), StringComparison.Ordinal),
            @"\{[^}]+\}",
            part =>
                part.Value switch
                {
                    "{letter}" => "A",
                    "{**rest}" => "nothing",
                    _ when part.Value.EndsWith(":guid}", StringComparison.Ordinal) => Guid.NewGuid().ToString(),
                    _ when part.Value.EndsWith(":int}", StringComparison.Ordinal) => "0",
                    _ => "tidemarsh",
                },
            RegexOptions.NonBacktracking
        );

    private static JsonObject ManyWays()
    {
        string[] tags = [.. Enumerable.Range(0, 12).Select(tag => $"t{tag}")];
        var extras = new JsonArray([
            .. from tag in tags from extra in Enumerable.Range(0, 6) select (JsonNode)Extra($"{tag}x{extra}", tag),
        ]);
        return new JsonObject
        {
            ["books"] = new JsonArray(Book(extras, [])),
            ["startDate"] = "2026-12-01",
            ["horizonMonths"] = 36,
            ["needs"] = new JsonObject { ["extras"] = new JsonArray([.. tags.Select(tag => (JsonNode)tag)]) },
        };
    }

    private static JsonObject ManyLines()
    {
        var extras = new JsonArray([.. Enumerable.Range(0, 300).Select(extra => (JsonNode)Extra($"x{extra}", null))]);
        var promotions = new JsonArray([
            .. Enumerable
                .Range(0, 300)
                .Select(number =>
                    (JsonNode)
                        new JsonObject
                        {
                            ["id"] = $"o{number}",
                            ["automatic"] = true,
                            ["percent"] = "1",
                            ["appliesTo"] = new JsonArray("addOn"),
                            ["bills"] = "all",
                        }
                ),
        ]);
        var taken = new JsonArray([
            .. Enumerable.Range(0, 300).Select(extra => (JsonNode)new JsonObject { ["id"] = $"x{extra}" }),
        ]);
        return new JsonObject
        {
            ["books"] = new JsonArray(Book(extras, promotions)),
            ["startDate"] = "2026-12-01",
            ["horizonMonths"] = 120,
            ["candidate"] = new JsonObject
            {
                ["hosting"] = new JsonObject
                {
                    ["book"] = "b",
                    ["plan"] = "p0",
                    ["everyMonths"] = 1,
                    ["addOns"] = taken,
                },
            },
        };
    }

    private static JsonObject ManyPlans(int plans = 400) =>
        new()
        {
            ["books"] = new JsonArray(Book([], [], plans)),
            ["startDate"] = "2026-12-01",
            ["horizonMonths"] = 120,
            ["needs"] = new JsonObject(),
        };

    private static JsonObject Book(JsonArray extras, JsonArray promotions, int plans = 1) =>
        new()
        {
            ["format"] = "home-start/offer-book@1",
            ["id"] = "b",
            ["provider"] = new JsonObject { ["name"] = "B" },
            ["asOf"] = "2026-11-01",
            ["currency"] = "GBP",
            ["addOns"] = extras,
            ["promotions"] = promotions,
            ["plans"] = new JsonArray([
                .. Enumerable
                    .Range(0, plans)
                    .Select(plan =>
                        (JsonNode)
                            new JsonObject
                            {
                                ["id"] = $"p{plan}",
                                ["billing"] = new JsonArray([
                                    .. Enumerable
                                        .Range(1, plans > 1 ? 24 : 1)
                                        .Select(commit =>
                                            (JsonNode)
                                                new JsonObject
                                                {
                                                    ["everyMonths"] = 1,
                                                    ["commitMonths"] = commit,
                                                    ["prices"] = new JsonArray(new JsonObject { ["amount"] = "3" }),
                                                }
                                        ),
                                ]),
                            }
                    ),
            ]),
        };

    private static JsonObject Extra(string id, string? provides) =>
        new()
        {
            ["id"] = id,
            ["for"] = "hosting",
            ["provides"] = provides,
            ["charge"] = new JsonObject
            {
                ["every"] = "month",
                ["prices"] = new JsonArray(new JsonObject { ["amount"] = "1" }),
            },
        };
}
