using HomeStart.Formats.Exports;
using PdfSharp.Pdf.IO;
using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>What is handed to a partner or accountant.</summary>
public class ReportTests
{
    [Theory]
    [InlineData("=1+1", "'=1+1")]
    [InlineData("+44 20", "'+44 20")]
    [InlineData("-x", "'-x")]
    [InlineData("@here", "'@here")]
    [InlineData("\tx", "'\tx")]
    [InlineData("Slipway", "Slipway")]
    [InlineData(null, "")]
    public void A_text_that_begins_like_a_formula_is_quoted(string? text, string cell) =>
        CsvStyle.Text(text).ShouldBe(cell);

    [Fact]
    public void A_worksheet_says_what_is_not_stated_and_where_each_price_is_from()
    {
        var site = Do(
            Site.Empty("Shop"),
            new ChoosePlan("A", "saltglass", "shard"),
            new ChooseBilling("A", 1, 12),
            new ChooseDomain("A", Name("nameyarrow"))
        );
        var report = WorksheetReport.Make("Shop", "A", Costed(site));
        report.Rows[^1].Cells[^1].ShouldStartWith("at least ");
        report.Notes.ShouldContain(note =>
            note.StartsWith("Not stated: Plan Shard, due on 1 Dec 2027", StringComparison.Ordinal)
        );
        report.Notes.ShouldContain(
            "Prices of Saltglass Cloud: its price list as read on 14 Sep 2026, before tax, in USD."
        );
        report.Notes.ShouldContain("Prices of Nameyarrow: its price list as read on 20 Nov 2026, before tax, in GBP.");
    }

    [Fact]
    public void A_comparison_leaves_out_what_is_not_complete_and_says_so()
    {
        var site = Do(
            Choosing("tidemarsh", "slipway", 12),
            new AddCandidate("A"),
            new ChooseBilling("B", 36, 36),
            new AddCandidate(null)
        );
        var report = ComparisonReport.Make("Shop", Comparison.Compare(site, Books, Settings, "A", null), Settings);
        report.Head.ShouldBe(["", "A", "B, least"]);
        report.Notes.ShouldContain("C is not complete, so it is left out.");
        report.Rows.Single(row => row.Label == "Against A").Cells[0].ShouldBeEmpty();
    }

    [Fact]
    public void Ten_years_by_the_month_fit_on_a_page_and_a_very_long_report_takes_several()
    {
        var costing = Worksheet.CostingOf(
            Choosing("tidemarsh", "slipway", 1).Shortlist[0].Candidate,
            Books,
            Settings with
            {
                HorizonMonths = 120,
            }
        )!;
        Pages(WorksheetReport.Make("Shop", "A", costing)).ShouldBe(1);
        var row = new ReportRow(new string('W', 200), ["1,000,000,000,000.00", "0.00"]);
        Pages(
                new Report(
                    "Long",
                    [string.Join(' ', Enumerable.Repeat("words", 200))],
                    ["", "A", "B"],
                    [.. Enumerable.Repeat(row, 120)],
                    []
                )
            )
            .ShouldBe(3);
    }

    private static int Pages(Report report)
    {
        using var pdf = PdfReader.Open(new MemoryStream(PdfReport.Write(report, Today)), PdfDocumentOpenMode.Import);
        return pdf.PageCount;
    }
}
