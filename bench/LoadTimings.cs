using System.Collections.Concurrent;
using System.Diagnostics;
using System.Text;
using System.Text.Json;
using HomeStart.Browser.Tests;

namespace HomeStart.Bench;

/// <summary>
/// <c>POST /api/costings</c> from several callers at once, on the same machine: what each waits for its answer.
/// </summary>
internal static class LoadTimings
{
    private static readonly TimeSpan Long = TimeSpan.FromSeconds(10);

    public static async Task RunAsync(int callers)
    {
        using var app = new AppProcess();
        using var http = new HttpClient { BaseAddress = app.Address };
        foreach (var fixture in new[] { "01-yearly", "02-monthly" })
        {
            var body = JsonDocument
                .Parse(await File.ReadAllTextAsync(Repository.Folder("docs", "rules", "examples", fixture + ".json")))
                .RootElement.GetProperty("request")
                .GetRawText();
            await ForAsync(TimeSpan.FromSeconds(3), callers, () => CostAsync(http, body));
            var taken = await ForAsync(Long, callers, () => CostAsync(http, body));
            Console.WriteLine(
                $"{fixture}, {callers} callers, {taken.Count / Long.TotalSeconds:N0} a second, {new Percentiles(taken)}"
            );
        }
    }

    private static async Task<IReadOnlyCollection<double>> ForAsync(TimeSpan time, int callers, Func<Task> call)
    {
        var taken = new ConcurrentBag<double>();
        var watch = Stopwatch.StartNew();
        await Task.WhenAll(
            Enumerable
                .Range(0, callers)
                .Select(async _ =>
                {
                    while (watch.Elapsed < time)
                    {
                        var start = Stopwatch.GetTimestamp();
                        await call();
                        taken.Add(Stopwatch.GetElapsedTime(start).TotalMilliseconds);
                    }
                })
        );
        return taken;
    }

    private static async Task CostAsync(HttpClient http, string body)
    {
        using var content = new StringContent(body, Encoding.UTF8, "application/json");
        using var answer = await http.PostAsync(new Uri("/api/costings", UriKind.Relative), content);
        answer.EnsureSuccessStatusCode();
        await answer.Content.ReadAsByteArrayAsync();
    }
}
