using System.Text.Json;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using CsCheck;
using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>
/// A first page says what was typed and nothing else, is well formed, and tells search engines the same.
/// </summary>
public partial class PageMakerTests
{
    private static readonly OpenHours Day = new(new TimeOnly(9, 0), new TimeOnly(17, 30));

    private static readonly BusinessPage Page = new(
        "Ostler & Wren",
        "We mend clocks.\n\nAnd barometers,\nold and new.",
        "3 Tide Lane",
        "Wexmouth",
        "+44 (0)1584 555-012",
        [Day, null, null, null, null, null, null],
        PageLayout.Column
    );

    [Theory]
    [InlineData(PageLayout.Column)]
    [InlineData(PageLayout.Shopfront)]
    [InlineData(PageLayout.Spine)]
    public void A_page_holds_all_that_was_said(PageLayout layout)
    {
        var page = Parsed(
            PageMaker.Make(Page with { Layout = layout, Picture = "shop.jpg", PictureText = "The shop" })
        );
        page.Attribute("lang")!.Value.ShouldBe("en-GB");
        page.Descendants("title").Single().Value.ShouldBe("Ostler & Wren");
        page.Descendants("h1").Single().Value.ShouldBe("Ostler & Wren");
        XElement
            .Parse(
                Uri.UnescapeDataString(
                    page.Descendants("link").Single().Attribute("href")!.Value["data:image/svg+xml,".Length..]
                )
            )
            .Value.ShouldBe("O"); // Its icon.
        page.Descendants("section")
            .First()
            .Elements("p")
            .Select(paragraph => paragraph.Value)
            .ShouldBe(["We mend clocks.", "And barometers,\nold and new."]);
        page.Descendants("img").Single().Attribute("alt")!.Value.ShouldBe("The shop");
        page.Descendants("a").Single().Attribute("href")!.Value.ShouldBe("tel:+4401584555012");
        page.Descendants("tr").First().Value.ShouldBe("Monday09:00–17:30");
        page.Descendants("td").Count(cell => cell.Value == "closed").ShouldBe(6);
        page.Descendants("script").ShouldAllBe(script => script.Attribute("type")!.Value == "application/ld+json");
    }

    [Fact]
    public void Search_engines_read_the_same()
    {
        var described = Described(Page with { Picture = "shop.jpg", PictureText = "The shop" });
        (
            described.GetProperty("@type").GetString(),
            described.GetProperty("name").GetString(),
            described.GetProperty("telephone").GetString(),
            described.GetProperty("image").GetString()
        ).ShouldBe(("LocalBusiness", "Ostler & Wren", "+44 (0)1584 555-012", "shop.jpg"));
        described.GetProperty("address").GetProperty("addressLocality").GetString().ShouldBe("Wexmouth");
        described.GetProperty("description").GetString().ShouldBe("We mend clocks.  And barometers, old and new.");
        var hours = described.GetProperty("openingHoursSpecification")[0];
        (
            hours.GetProperty("dayOfWeek").GetString(),
            hours.GetProperty("opens").GetString(),
            hours.GetProperty("closes").GetString(),
            described.GetProperty("openingHoursSpecification").GetArrayLength()
        ).ShouldBe(("Monday", "09:00", "17:30", 1));
    }

    [Fact]
    public void What_was_not_said_is_left_out()
    {
        var bare = Page with
        {
            Street = "",
            Town = " ",
            Telephone = "",
            Hours = [null, null, null, null, null, null, null],
        };
        Parsed(PageMaker.Make(bare)).Descendants("section").Count().ShouldBe(1);
        Described(bare)
            .EnumerateObject()
            .Select(field => field.Name)
            .ShouldBe(["@context", "@type", "name", "description"]);
        Parsed(PageMaker.Make(bare with { Street = "3 Tide Lane" }))
            .Descendants("address")
            .Single()
            .Value.ShouldBe("3 Tide Lane");
        Parsed(PageMaker.Make(bare with { Telephone = "1" })).Descendants("address").ShouldBeEmpty();
    }

    [Fact]
    public void A_long_description_is_cut_between_words()
    {
        var summary = Described(Page with { About = string.Join(' ', Enumerable.Repeat("clocks", 60)) })
            .GetProperty("description")
            .GetString()!;
        (summary.Length <= 156, summary.EndsWith("clocks…", StringComparison.Ordinal)).ShouldBe((true, true));
        Described(Page with { About = new string('c', 300) })
            .GetProperty("description")
            .GetString()!
            .Length.ShouldBe(156);
        Described(Page with { About = new string('c', 155) })
            .GetProperty("description")
            .GetString()
            .ShouldBe(new string('c', 155));
    }

    [Fact]
    public void Whatever_is_typed_is_text_and_nothing_else() =>
        Gen.Char["<>&\"'/\\ script{}`\n;=()aé日"]
            .Array[1, 60]
            .Select(letters => new string(letters))
            .Sample(
                text =>
                {
                    var html = PageMaker.Make(
                        Page with
                        {
                            Name = text,
                            About = text + "x",
                            Street = text,
                            Picture = "a.png",
                            PictureText = text,
                        }
                    );
                    var page = Parsed(html);
                    page.Descendants("h1").Single().Value.ShouldBe(text);
                    page.Descendants("img")
                        .Single()
                        .Attribute("alt")!
                        .Value.ReplaceLineEndings(" ")
                        .ShouldBe(text.ReplaceLineEndings(" "));
                    page.Descendants("script").Count().ShouldBe(1);
                    JsonDocument
                        .Parse(page.Descendants("script").Single().Value)
                        .RootElement.GetProperty("name")
                        .GetString()
                        .ShouldBe(text);
                },
                iter: 1000
            );

    [Theory]
    [InlineData("name", "", "x", "", null)]
    [InlineData("about", "x", " ", "", null)]
    [InlineData("telephone", "x", "x", "call", null)]
    [InlineData("pictureText", "x", "x", "", "a.png")]
    public void What_is_missing_or_wrong_is_said_at_its_field(
        string where,
        string name,
        string about,
        string telephone,
        string? picture
    ) => Faults(Page with { Name = name, About = about, Telephone = telephone, Picture = picture }).ShouldBe([where]);

    [Fact]
    public void Limits_are_where_they_are_said_to_be()
    {
        Faults(
                Page with
                {
                    Name = new string('a', 80),
                    About = new string('a', 2000),
                    Street = new string('a', 120),
                    Town = new string('a', 120),
                    Telephone = new string('1', 30),
                    PictureText = new string('a', 200),
                }
            )
            .ShouldBeEmpty();
        Faults(
                Page with
                {
                    Name = new string('a', 81),
                    About = new string('a', 2001),
                    Street = new string('a', 121),
                    Town = new string('a', 121),
                    Telephone = new string('1', 31),
                    PictureText = new string('a', 201),
                }
            )
            .ShouldBe(["name", "about", "street", "town", "telephone", "pictureText"]);
        Faults(Page with { Name = "a\u0001" }).ShouldBe(["name"]);
        Faults(
                Page with
                {
                    Hours =
                    [
                        Day with
                        {
                            Closes = Day.Opens,
                        },
                        Day,
                        null,
                        null,
                        null,
                        null,
                        new OpenHours(new TimeOnly(10, 0), new TimeOnly(9, 0)),
                    ],
                }
            )
            .ShouldBe(["hours[0]", "hours[6]"]);
        foreach (var flaw in Enum.GetValues<PageFlaw>())
        {
            FaultWords.Sentence(new Fault(FaultCodes.Required, "", new PageFlawed(flaw))).ShouldNotBeEmpty();
        }
    }

    private static List<string> Faults(BusinessPage page)
    {
        var faults = new FaultList();
        page.Check(faults);
        return [.. faults.Faults.Select(fault => fault.Where)];
    }

    private static JsonElement Described(BusinessPage page) =>
        JsonDocument.Parse(Parsed(PageMaker.Make(page)).Descendants("script").Single().Value).RootElement;

    // As XML, once what HTML leaves open is closed: so every element that is opened is known to be closed, and every
    // sign to be escaped.
    private static XElement Parsed(string html) =>
        XElement.Parse(
            Void().Replace(html.Replace("<!DOCTYPE html>\n", "", StringComparison.Ordinal), "<${tag}/>"),
            LoadOptions.PreserveWhitespace
        );

    [GeneratedRegex(
        "<(?<tag>(meta|link|img|br)\\b[^>]*)>",
        RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture
    )]
    private static partial Regex Void();
}
