using HomeStart.Formats.Exports;
using PdfSharp.Pdf;
using PdfSharp.Pdf.Advanced;
using PdfSharp.Pdf.IO;

namespace HomeStart.Core.Tests;

/// <summary>A report as PDF is heard as it is seen: language, title, headings, and each cell under its heads.</summary>
public sealed class PdfTags
{
    private static readonly Report Report = new(
        "Candidate A",
        ["It costs this."],
        ["Choice", "Today", "3 years"],
        [new("Slipway", ["35.88", "251.64"]), new("In total", ["65.15", "443.29"], IsTotal: true)],
        ["Prices from 1 December 2026."]
    );

    [Fact]
    public void It_says_its_language_its_title_and_that_it_is_tagged()
    {
        using var pdf = Written(Report);
        var catalog = pdf.Internals.Catalog;
        catalog.Elements.GetString("/Lang").ShouldBe("en-GB");
        catalog.Elements.GetDictionary("/MarkInfo")!.Elements.GetBoolean("/Marked").ShouldBeTrue();
        catalog.Elements.GetDictionary("/ViewerPreferences")!.Elements.GetBoolean("/DisplayDocTitle").ShouldBeTrue();
        pdf.Info.Title.ShouldBe("Candidate A");
    }

    [Fact]
    public void The_table_has_heads_of_columns_and_rows()
    {
        using var pdf = Written(Report);
        var tags = Tags(pdf);
        tags.Count(tag => tag == "H1").ShouldBe(1);
        tags.Count(tag => tag == "P").ShouldBe(3); // The sentence above, the note, and when it was made.
        tags.SkipWhile(tag => tag != "Table")
            .Take(13)
            .ShouldBe([
                "Table",
                "TR",
                "TH /Column",
                "TH /Column",
                "TH /Column",
                "TR",
                "TH /Row",
                "TD",
                "TD",
                "TR",
                "TH /Row",
                "TD",
                "TD",
            ]);
    }

    [Fact]
    public void A_table_over_several_pages_is_one()
    {
        using var pdf = Written(Report with { Rows = [.. Enumerable.Repeat(Report.Rows[0], 150)] });
        pdf.PageCount.ShouldBeGreaterThan(2);
        var tags = Tags(pdf);
        tags.Count(tag => tag == "Table").ShouldBe(1);
        tags.Count(tag => tag == "TR").ShouldBe(151);
    }

    private static PdfDocument Written(Report report) =>
        PdfReader.Open(
            new MemoryStream(PdfReport.Write(report, new DateOnly(2026, 12, 1))),
            PdfDocumentOpenMode.Import
        );

    // The kinds of the structure's elements, in the order they are read; of a head, what it is the head of.
    private static List<string> Tags(PdfDocument pdf)
    {
        var found = new List<string>();
        Collect(pdf.Internals.Catalog.Elements.GetDictionary("/StructTreeRoot")!);
        return found;

        void Collect(PdfDictionary element)
        {
            if (element.Elements.GetName("/S") is { Length: > 0 } kind)
            {
                var scope = element.Elements.GetDictionary("/A")?.Elements.GetName("/Scope") ?? "";
                found.Add($"{kind.TrimStart('/')} {scope}".TrimEnd());
            }

            foreach (
                var child in element.Elements.GetValue("/K") is PdfArray array
                    ? array.Elements.ToList()
                    : [element.Elements.GetValue("/K")!]
            )
            {
                if ((child is PdfReference reference ? reference.Value : child) is PdfDictionary below)
                {
                    Collect(below);
                }
            }
        }
    }
}
