using System.Text;
using HomeStart.Formats.Exports;
using HomeStart.Formats.Pages;
using HomeStart.Formats.Sites;
using PdfSharp.Pdf;

namespace HomeStart.Core.Tests;

/// <summary>
/// Files of pages, told by what is in them: HTML in any encoding, web archives, PDFs, text; and those made to do harm.
/// </summary>
public sealed class PageFiles
{
    private const string Html =
        "<html><body><h2>Señor Böll</h2><div><h3>Oak</h3><p>£4 a month</p><ul><li>3 websites</li><li>10 GB "
        + "storage</li></ul></div></body></html>";

    public static TheoryData<string> Encodings => ["utf-8", "utf-8-bom", "utf-16", "utf-16-bare", "utf-16BE", "latin1"];

    [Theory]
    [MemberData(nameof(Encodings))]
    public void A_saved_page_is_read_in_its_encoding(string name)
    {
        var bytes = name switch
        {
            "utf-8-bom" => [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(Html)],
            "utf-16" => [.. Encoding.Unicode.Preamble, .. Encoding.Unicode.GetBytes(Html)],
            "utf-16-bare" => Encoding.Unicode.GetBytes(Html),
            "utf-16BE" => [.. Encoding.BigEndianUnicode.Preamble, .. Encoding.BigEndianUnicode.GetBytes(Html)],
            "latin1" => Encoding.Latin1.GetBytes(Html),
            _ => Encoding.UTF8.GetBytes(Html),
        };
        var page = Read(bytes).ShouldNotBeNull();
        page.Text.ShouldContain("Señor Böll");
        PageReader.Read(page).Plans.ShouldHaveSingleItem().Ways[0].Price.ShouldBe("4.00");
    }

    [Fact]
    public void A_web_archive_gives_its_page_and_not_its_pictures()
    {
        var archive =
            "From: <Saved>\r\nSubject: Plans\r\nMIME-Version: 1.0\r\nContent-Type: multipart/related; "
            + "boundary=\"b1\"; type=\"text/html\"\r\n\r\n--b1\r\nContent-Type: "
            + "image/png\r\nContent-Transfer-Encoding: base64\r\n\r\nAAAA\r\n--b1\r\nContent-Type: text/html; "
            + "charset=utf-8\r\nContent-Transfer-Encoding: "
            + $"base64\r\n\r\n{Convert.ToBase64String(Encoding.UTF8.GetBytes(Html))}\r\n--b1--\r\n";
        PageReader
            .Read(Read(Encoding.UTF8.GetBytes(archive)).ShouldNotBeNull())
            .Plans[0]
            .Ways[0]
            .Price.ShouldBe("4.00");
    }

    [Fact]
    public void An_archive_that_nests_itself_without_end_is_a_plain_answer()
    {
        var nested = new StringBuilder("MIME-Version: 1.0\r\n");
        for (var depth = 0; depth < 2_000; depth++)
        {
            nested.Append(
                System.Globalization.CultureInfo.InvariantCulture,
                $"Content-Type: multipart/related; boundary=\"b{depth}\"\r\n\r\n--b{depth}\r\n"
            );
        }

        var (page, fault) = ReadOrFault(Encoding.ASCII.GetBytes(nested.ToString()));
        (page is not null || fault is not null).ShouldBeTrue();
    }

    [Fact]
    public void Plain_text_stays_text()
    {
        var page = Read(Encoding.UTF8.GetBytes("Oak\n£4 a month\n3 websites\n10 GB storage")).ShouldNotBeNull();
        page.IsMarked.ShouldBeFalse();
        PageReader.Read(page).Plans[0].Name.ShouldBe("Oak");
    }

    [Fact]
    public void A_PDF_without_words_and_one_that_is_broken_say_what_to_do()
    {
        using var document = new PdfDocument();
        document.AddPage();
        using var stream = new MemoryStream();
        document.Save(stream);
        Fault(stream.ToArray()).ShouldStartWith("This PDF holds pictures and no words.");
        Fault(Encoding.ASCII.GetBytes("%PDF-1.7\nnothing of the kind")).ShouldStartWith("This PDF");
    }

    [Fact]
    public void A_PDF_of_ours_is_read_with_its_columns()
    {
        var report = new Report(
            "Prices",
            [],
            ["Plan", "Price", "Storage"],
            [new ReportRow("Oak", ["£4 a month", "10 GB"]), new ReportRow("Elm", ["£8 a month", "40 GB"])],
            []
        );
        var page = Read(PdfReport.Write(report, new DateOnly(2026, 12, 1))).ShouldNotBeNull();
        PageReader
            .Read(page)
            .Plans.Select(plan => $"{plan.Name} {plan.Ways[0].Price}")
            .ShouldBe(["Oak 4.00", "Elm 8.00"]);
    }

    private static PageText? Read(byte[] bytes) => ReadOrFault(bytes).Page;

    private static string Fault(byte[] bytes) => ReadOrFault(bytes).Fault.ShouldNotBeNull();

    private static (PageText? Page, string? Fault) ReadOrFault(byte[] bytes)
    {
        var faults = new FaultList();
        var page = PageFile.Read(bytes, "file", faults, CancellationToken.None);
        return (page, faults.Any ? FaultWire.From(faults.Faults[0]).Message : null);
    }
}
