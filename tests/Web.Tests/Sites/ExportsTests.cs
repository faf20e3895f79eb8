using System.Globalization;
using System.Net;
using System.Text;
using CsvHelper;

namespace HomeStart.Web.Tests;

/// <summary>What is taken away says what the page says.</summary>
public sealed class ExportsTests
{
    [Fact]
    public async Task The_ledger_as_CSV_adds_up_to_the_totals_of_the_page()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var costing = (await visitor.SiteAsync()).GetProperty("worksheet").GetProperty("costing");
        var rows = Read(await visitor.RawAsync($"/api/sites/{visitor.SiteId}/candidates/A/ledger.csv"));
        rows[0][..3].ShouldBe(["Seller", "What", "Today"]);
        rows[^1][2].ShouldBe(costing.GetProperty("totals").GetProperty("dueToday").GetString());
        var (body, total) = (rows[1..^1], rows[^1]);
        for (var column = 2; column < 7; column++)
        {
            body.Sum(row => decimal.Parse(row[column], CultureInfo.InvariantCulture))
                .ShouldBe(decimal.Parse(total[column], CultureInfo.InvariantCulture));
        }
    }

    [Fact]
    public async Task Bills_as_CSV_are_RFC_4180_in_both_styles()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new
                {
                    route = "keep",
                    name = "elsewhere",
                    ending = "com",
                    expires = "2027-03-01",
                    renewal = "1200.5",
                    currency = "GBP",
                },
            }
        );
        var text = await (
            await visitor.RawAsync($"/api/sites/{visitor.SiteId}/candidates/A/bills.csv?style=en-GB")
        ).Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        text.ShouldContain("01/03/2027,,Domain elsewhere.com");
        text.ShouldContain("\"1,200.50\"");
        text.Split("\r\n")[^1].ShouldBeEmpty();
        Read(await visitor.RawAsync($"/api/sites/{visitor.SiteId}/candidates/A/bills.csv"))
            .ShouldAllBe(row => row.Length == 11);
        (await visitor.RawAsync($"/api/sites/{visitor.SiteId}/candidates/A/bills.csv?style=roman")).StatusCode.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
    }

    [Fact]
    public async Task Worksheet_and_comparison_come_as_one_page_of_PDF()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        foreach (var path in new[] { "candidates/A/worksheet.pdf", "comparison.pdf?base=C" })
        {
            using var answer = await visitor.RawAsync($"/api/sites/{visitor.SiteId}/{path}");
            answer.Content.Headers.ContentType!.MediaType.ShouldBe("application/pdf");
            using var pdf = PdfSharp.Pdf.IO.PdfReader.Open(
                new MemoryStream(await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken)),
                PdfSharp.Pdf.IO.PdfDocumentOpenMode.Import
            );
            pdf.PageCount.ShouldBe(1);
        }
    }

    [Fact]
    public async Task What_is_not_complete_cannot_be_taken_away()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(new { kind = "add-candidate" });
        foreach (
            var path in new[]
            {
                "candidates/E/worksheet.pdf",
                "candidates/E/bills.csv",
                "candidates/E/stopping",
                "candidates/Z/ledger.csv",
            }
        )
        {
            (await visitor.RawAsync($"/api/sites/{visitor.SiteId}/{path}")).StatusCode.ShouldBe(
                HttpStatusCode.NotFound,
                path
            );
        }

        (await visitor.RawAsync($"/api/sites/{visitor.SiteId}/comparison.pdf")).StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    private static List<string[]> Read(HttpResponseMessage answer)
    {
        answer.StatusCode.ShouldBe(HttpStatusCode.OK);
        using var reader = new StreamReader(answer.Content.ReadAsStream(), Encoding.UTF8);
        using var csv = new CsvParser(reader, CultureInfo.InvariantCulture);
        var rows = new List<string[]>();
        while (csv.Read())
        {
            rows.Add(csv.Record!);
        }

        return rows;
    }
}
