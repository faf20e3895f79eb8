using System.Diagnostics;
using System.Text.Json;
using HomeStart.Data;
using HomeStart.Formats.Books;
using HomeStart.Formats.Json;
using HomeStart.Formats.Sites;

namespace HomeStart.Bench;

/// <summary>
/// What the answer to a command is made of, with the demo's books and shortlist: each part over and over, in one
/// process.
/// </summary>
internal static class PageTimings
{
    public static void Run()
    {
        var demo = Browser.Tests.Repository.Folder("demo");
        List<OfferBook> books =
        [
            .. Directory
                .GetFiles(Path.Combine(demo, "books"))
                .Order(StringComparer.Ordinal)
                .Select(file =>
                    BookReader.Read(JsonDocument.Parse(File.ReadAllBytes(file)).RootElement, new FaultList())!
                ),
        ];
        var site = Documents.Read<Site>(File.ReadAllText(Path.Combine(demo, "site.json")));
        var settings = site.Settings.On(new DateOnly(2026, 12, 1));
        var worksheet = Worksheet.Fill(site.Shortlist[0], books, settings, site.Needs);
        var wire = WorksheetWriter.Write(worksheet);
        Time("worksheet and its what-ifs", () => Worksheet.Fill(site.Shortlist[0], books, settings, site.Needs));
        Time("shortlist", () => SitePageWriter.Shortlist(site, books, settings));
        Time("as the wire has it", () => WorksheetWriter.Write(worksheet));
        Time("as JSON", () => JsonSerializer.SerializeToUtf8Bytes(wire, WireJson.Options));
    }

    private static void Time(string what, Func<object> work)
    {
        var taken = new List<double>();
        for (var time = 0; time < 2000; time++)
        {
            var start = Stopwatch.GetTimestamp();
            work();
            taken.Add(Stopwatch.GetElapsedTime(start).TotalMilliseconds);
        }

        Console.WriteLine($"{what}, {new Percentiles(taken.Skip(1000))}");
    }
}
