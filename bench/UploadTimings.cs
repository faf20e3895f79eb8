using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Text.Json;
using HomeStart.Browser.Tests;
using Chromium = HomeStart.Browser.Tests.Browser;

namespace HomeStart.Bench;

/// <summary>
/// A site through the upload, in pieces as the page sends them: 2,000 small files, and 200 MB in four; how long it
/// takes, and what the application held at most.
/// </summary>
internal static class UploadTimings
{
    private const int Piece = 4 << 20;

    public static async Task RunAsync()
    {
        using var browser = new Chromium();
        browser.StartAfresh();
        browser.Press("Order A");
        Walk.FillIn(browser, "9999000000000004");
        Walk.Order(browser);
        browser.Reads("Key sheet for ostlerwren.com");
        var order = browser.Api("/api/orders")[0].GetProperty("id").GetString()!;
        var token = browser.Api("/api/session").GetProperty("token").GetString()!;
        using var handler = new HttpClientHandler { CookieContainer = new CookieContainer() };
        foreach (var cookie in browser.Driver.Manage().Cookies.AllCookies)
        {
            handler.CookieContainer.Add(browser.Address, new Cookie(cookie.Name, cookie.Value, "/"));
        }

        using var http = new HttpClient(handler)
        {
            BaseAddress = browser.Address,
            DefaultRequestHeaders = { { "X-Home-Start-Token", token } },
            Timeout = TimeSpan.FromMinutes(10),
        };
        Console.WriteLine($"before: {Held(browser.App.Id)} MB held at most");
        await SendAsync(http, order, [.. Enumerable.Range(0, 2000).Select(at => ($"news/page-{at}.html", 8 << 10))]);
        Console.WriteLine($"2,000 files of 8 kB: {Held(browser.App.Id)} MB held at most");
        await SendAsync(http, order, [.. Enumerable.Range(0, 4).Select(at => ($"film-{at}.mp4", 50 << 20))]);
        Console.WriteLine($"200 MB in four files: {Held(browser.App.Id)} MB held at most");
    }

    private static async Task SendAsync(HttpClient http, string order, (string Path, int Size)[] files)
    {
        var watch = Stopwatch.StartNew();
        using var begun = await http.PostAsync(
            new Uri($"/api/orders/{order}/uploads", UriKind.Relative),
            Json(
                new
                {
                    files = files.Select(file => new { path = file.Path, size = file.Size }),
                    folder = "",
                    alone = false,
                    unpacks = false,
                }
            )
        );
        var id = JsonDocument
            .Parse(await begun.EnsureSuccessStatusCode().Content.ReadAsStringAsync())
            .RootElement.GetProperty("id")
            .GetString();
        await Parallel.ForEachAsync(
            files.Index(),
            new ParallelOptions { MaxDegreeOfParallelism = 4 },
            async (file, cancel) =>
            {
                for (var from = 0; from < file.Item.Size; from += Piece)
                {
                    var bytes = new byte[Math.Min(Piece, file.Item.Size - from)];
                    new Random(file.Index + from).NextBytes(bytes);
                    using var piece = new ByteArrayContent(bytes);
                    using var answer = await http.PutAsync(
                        new Uri($"/api/orders/{order}/uploads/{id}/files/{file.Index}?from={from}", UriKind.Relative),
                        piece,
                        cancel
                    );
                    answer.EnsureSuccessStatusCode();
                }
            }
        );
        var sent = watch.Elapsed;
        using var up = await http.PostAsync(
            new Uri($"/api/orders/{order}/uploads/{id}/put-up", UriKind.Relative),
            null
        );
        var last = (await up.EnsureSuccessStatusCode().Content.ReadAsStringAsync()).TrimEnd().Split('\n')[^1];
        Console.WriteLine(
            $"{files.Length} files: sent in {sent.TotalSeconds:0.0} s, put up in "
                + $"{(watch.Elapsed - sent).TotalSeconds:0.0} s; {last}"
        );
    }

    private static StringContent Json(object body) => new(JsonSerializer.Serialize(body), null, "application/json");

    // The most a process held since it began, as Linux counts it.
    private static int Held(int process) =>
        int.Parse(
            File.ReadLines($"/proc/{process}/status")
                .Single(line => line.StartsWith("VmHWM", StringComparison.Ordinal))
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)[^2],
            CultureInfo.InvariantCulture
        ) >> 10;
}
