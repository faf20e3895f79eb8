using System.Text.Json;
using HomeStart.Formats.Domains;
using HomeStart.Formats.Exports;
using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>Lists of names as owners have them, and the reminder that goes into a calendar.</summary>
public class SeekNamesTests
{
    private static readonly string[] Sold = ["com", "co.uk", "org", .. Enumerable.Range(0, 12).Select(at => $"e{at}")];

    [Theory]
    [InlineData(
        "Ostler & Wren\nwrenclocks.co.uk\r\n\n  the barometer shop ",
        "ostlerandwren wrenclocks thebarometershop",
        ""
    )]
    [InlineData("name,price\nwren,3\nostler,4", "wren ostler", "")]
    [InlineData("price;Domain names\n3;wren.com\n4;ostler.com", "wren ostler", "")]
    [InlineData("wren\t3\nostler\t4", "wren ostler", "")]
    [InlineData("domain\nwren\nostler", "wren ostler", "")]
    [InlineData("Wren, Ostler and Sons\nclocks", "wrenostlerandsons clocks", "")]
    [InlineData("wren\nWREN\nwren.com", "wren", "")]
    [InlineData("-wren\nco.uk\nmüller\nwren.nowhere\n!!\nwren", "wren", "1 2 3 4 5")]
    public void Lines_and_columns_are_read_and_what_is_no_name_is_told_with_its_line(
        string text,
        string labels,
        string refused
    )
    {
        var read = Read(new { text, endings = new[] { "com" } }).ShouldNotBeNull();
        string.Join(' ', read.Sought.Names.Select(name => name.Label)).ShouldBe(labels);
        string.Join(' ', read.Refused.Select(line => line.Line)).ShouldBe(refused);
        read.Refused.ShouldAllBe(line => line.Why.Length > 10);
    }

    [Fact]
    public void A_line_too_long_to_read_is_told_shortened()
    {
        var refused = Read(new { text = new string('w', 5000), endings = new[] { "com" } })!.Value.Refused.Single();
        refused.Text.Length.ShouldBe(81);
        refused.Why.ShouldContain("5000 characters");
    }

    [Fact]
    public void Ideas_keep_their_words_apart_so_that_they_are_judged_by_them()
    {
        var read = Read(
            new
            {
                ideas = new
                {
                    business = "Ostler & Wren",
                    trade = "clock repairs",
                    town = "",
                },
                endings = new[] { "com" },
            }
        )!.Value;
        read.Sought.Names.ShouldContain(new SoughtName("wrenclock", "wren clock"));
        Faults(
                new
                {
                    ideas = new
                    {
                        business = "",
                        trade = "",
                        town = "",
                    },
                    endings = new[] { "com" },
                }
            )
            .ShouldBe(["ideas.business"]);
    }

    [Fact]
    public void Too_much_is_refused_and_says_how_much_is_not()
    {
        string Names(int count) => string.Join('\n', Enumerable.Range(0, count).Select(at => $"wren{at}x"));
        Read(new { text = Names(500), endings = new[] { "com", "org" } }).ShouldNotBeNull();
        Faults(new { text = Names(501), endings = new[] { "com" } }).ShouldBe(["names"]);
        Faults(new { text = Names(500), endings = Sold.Take(7) }).ShouldBe(["endings"]);
        Faults(new { text = "wren", endings = Sold.Take(13) }).ShouldContain("endings");
        Faults(new { text = "wren", endings = Array.Empty<string>() }).ShouldBe(["endings"]);
        Faults(new { text = "wren", endings = new[] { "com", "zz" } }).ShouldBe(["endings[1]"]);
        Faults(new { text = new string('\n', 100_001), endings = new[] { "com" } }).ShouldBe(["text"]);
        Faults(new { text = 7, endings = "com" }).ShouldBe(["text", "endings"]);
        Faults(new[] { 1 }).ShouldNotBeEmpty();
    }

    [Fact]
    public void A_question_of_its_own_names_labels_and_endings()
    {
        var faults = new FaultList();
        SeekNamesReader
            .ReadQuestion(Json(new { names = new[] { "wren", "wren" }, endings = new[] { "com" } }), Sold, faults)!
            .Names.Single()
            .Label.ShouldBe("wren");
        SeekNamesReader.ReadQuestion(Json(new { }), Sold, faults).ShouldBeNull();
        faults.Any.ShouldBeFalse();
        SeekNamesReader
            .ReadQuestion(Json(new { names = new[] { "ok", "not ok" }, endings = new[] { "com" } }), Sold, faults)
            .ShouldBeNull();
        faults.Faults.Single().Where.ShouldBe("names[1]");
    }

    [Fact]
    public void The_last_day_to_claim_goes_into_a_calendar_with_its_price_and_alarms()
    {
        var claim = LaterClaim.Find(
            Shop.Choosing("tidemarsh", "slipway", 12).Listed("A")!.Candidate,
            Shop.Books,
            Shop.Settings
        )!;
        var lines = Reminder
            .Write(claim, "Ostler; Wren, clocks", "one@home-start", Shop.Today)
            .ReplaceLineEndings("\n")
            .Replace("\n ", "", StringComparison.Ordinal)
            .Split('\n');
        lines[0].ShouldBe("BEGIN:VCALENDAR");
        lines.ShouldContain("DTSTART;VALUE=DATE:20271130");
        lines.ShouldContain("DTEND;VALUE=DATE:20271201");
        lines.ShouldContain("UID:one@home-start");
        lines.ShouldContain("DTSTAMP:20261201T000000Z");
        lines
            .Where(line => line.StartsWith("TRIGGER", StringComparison.Ordinal))
            .ShouldBe(["TRIGGER:-P30D", "TRIGGER:-P7D", "TRIGGER:-P1D"], ignoreOrder: true);
        lines
            .Single(line => line.StartsWith("DESCRIPTION:For", StringComparison.Ordinal))
            .ShouldContain("Ostler\\; Wren\\, clocks");
        lines.Single(line => line.StartsWith("DESCRIPTION:For", StringComparison.Ordinal)).ShouldContain("£11.50");
    }

    private static (SoughtNames Sought, IReadOnlyList<RefusedLineWire> Refused)? Read(object body)
    {
        var faults = new FaultList();
        var read = SeekNamesReader.Read(Json(body), Sold, faults);
        faults.Faults.Select(FaultWords.Sentence).ShouldBeEmpty();
        return read;
    }

    private static List<string> Faults(object body)
    {
        var faults = new FaultList();
        SeekNamesReader.Read(Json(body), Sold, faults).ShouldBeNull();
        return [.. faults.Faults.Select(fault => fault.Where)];
    }

    private static JsonElement Json(object body) => JsonSerializer.SerializeToElement(body);
}
