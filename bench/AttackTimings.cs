using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using HomeStart.Browser.Tests;

namespace HomeStart.Bench;

/// <summary>
/// What an owner waits for while a second process does its worst: bodies of every hostile kind, scans and costings as
/// large as are let in, requests that never end.
/// </summary>
internal static class AttackTimings
{
    private static readonly TimeSpan Long = TimeSpan.FromSeconds(15);

    public static async Task RunAsync()
    {
        using var app = new AppProcess();
        using var owner = new HttpClient { BaseAddress = app.Address };
        await WorkAsync(owner, TimeSpan.FromSeconds(3));
        Console.WriteLine($"a change and its answer, alone: {new Percentiles(await WorkAsync(owner, Long))}");
        using var attack = Process.Start(
            new ProcessStartInfo("dotnet", [Environment.GetCommandLineArgs()[0], "attack-on", app.Address.ToString()])
            {
                UseShellExecute = false,
            }
        )!;
        await Task.Delay(TimeSpan.FromSeconds(2));
        Console.WriteLine($"under attack: {new Percentiles(await WorkAsync(owner, Long))}");
        attack.Kill(entireProcessTree: true);
        await attack.WaitForExitAsync();
        using var process = Process.GetProcessById(app.Id);
        Console.WriteLine($"the application held {process.PeakWorkingSet64 >> 20} MB at most");
        using (var other = new HttpClient { BaseAddress = app.Address })
        {
            await new AttackRoutes(other, await other.GetFromJsonAsync<JsonElement>("/api/session")).RunAsync(
                Long,
                Repository.Folder("client", "src", "api", "openapi.json")
            );
        }

        Console.WriteLine(
            $"a change and its answer, afterwards: {new Percentiles(await WorkAsync(owner, TimeSpan.FromSeconds(5)))}"
        );
    }

    /// <summary>The second process: sixteen callers at once, until it is killed.</summary>
    public static Task FromAsync(Uri address) =>
        Task.WhenAll(
            Enumerable
                .Range(0, 16)
                .Select(async caller =>
                {
                    using var http = new HttpClient { BaseAddress = address };
                    for (var turn = 0; ; turn++)
                    {
                        try
                        {
                            using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(5));
                            using var content = Body((caller + turn) % 6);
                            using var answer = await http.PostAsync(
                                (caller + turn) % 2 == 0 ? "/api/scans" : "/api/costings",
                                content,
                                limit.Token
                            );
                        }
                        catch (Exception exception)
                            when (exception is HttpRequestException or OperationCanceledException or IOException)
                        {
                            // That is the aim of it.
                        }
                    }
                })
        );

    private static async Task<List<double>> WorkAsync(HttpClient owner, TimeSpan time)
    {
        var session = await owner.GetFromJsonAsync<JsonElement>("/api/session");
        var site = session.GetProperty("sites")[0].GetProperty("id").GetGuid();
        var revision = (await owner.GetFromJsonAsync<JsonElement>($"/api/sites/{site}"))
            .GetProperty("revision")
            .GetInt32();
        var taken = new List<double>();
        for (var watch = Stopwatch.StartNew(); watch.Elapsed < time; )
        {
            var start = Stopwatch.GetTimestamp();
            using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/sites/{site}/commands")
            {
                Content = JsonContent.Create(
                    new
                    {
                        revision,
                        command = new
                        {
                            kind = "choose-billing",
                            letter = "A",
                            everyMonths = taken.Count % 2 == 0 ? 1 : 12,
                            commitMonths = taken.Count % 2 == 0 ? 1 : 12,
                        },
                    }
                ),
            };
            request.Headers.Add("X-Home-Start-Token", session.GetProperty("token").GetString());
            using var answer = await owner.SendAsync(request);
            revision = (await answer.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<JsonElement>())
                .GetProperty("revision")
                .GetInt32();
            taken.Add(Stopwatch.GetElapsedTime(start).TotalMilliseconds);
            await Task.Delay(20);
        }

        return taken;
    }

    private static HttpContent Body(int kind) =>
        kind switch
        {
            0 => Text("""{"startDate":"\ud800"}"""),
            1 => Text("{\"books\":[{\"plans\":[" + string.Join(',', Enumerable.Repeat("{}", 900)) + "]}]}"),
            2 => Text(new string('[', 500_000)),
            3 => Text(Scan(plans: 60, commits: 24)),
            4 => Text(Scan(plans: 400, commits: 24)),
            _ => new StreamContent(new Never()) { Headers = { ContentType = new("application/json") } },
        };

    private static StringContent Text(string text) => new(text, Encoding.UTF8, "application/json");

    private static string Scan(int plans, int commits) =>
        "{\"startDate\":\"2026-12-01\",\"horizonMonths\":120,\"needs\":{},\"candidate\":{},\"books\":[{\"format\":\"home-start/offer-book@1\",\"id\":\"b\",\"provider\":{\"name\":\"B\"},\"asOf\":\"2026-11-01\",\"currency\":\"GBP\",\"plans\":["
        + string.Join(
            ',',
            Enumerable
                .Range(0, plans)
                .Select(plan =>
                    $$"""{"id":"p{{plan}}","billing":[{{string.Join(',', Enumerable.Range(1, commits).Select(commit => string.Create(CultureInfo.InvariantCulture, $"{{\"everyMonths\":1,\"commitMonths\":{commit},\"prices\":[{{\"amount\":\"3\"}}]}}")))}}]}"""
                )
        )
        + "]}]}";

    private sealed class Never : MemoryStream
    {
        public override async ValueTask<int> ReadAsync(
            Memory<byte> buffer,
            CancellationToken cancellationToken = default
        )
        {
            await Task.Delay(Timeout.Infinite, cancellationToken);
            return 0;
        }
    }
}
