using System.Globalization;
using HomeStart.Formats.Words;
using PdfSharp;
using PdfSharp.Drawing;
using PdfSharp.Drawing.Layout;
using PdfSharp.Fonts;
using PdfSharp.Pdf;
using PdfSharp.UniversalAccessibility;

namespace HomeStart.Formats.Exports;

/// <summary>
/// Writes a report as a PDF, on one A4 page where it fits, upright or lying by how many columns it has. It is tagged
/// (PDF/UA): a reader hears its language, its title, and the table with the heads of its columns and rows.
/// </summary>
public static class PdfReport
{
    private const double Margin = 42;
    private const int MostColumnsUpright = 6;
    private static readonly XColor Ink = XColor.FromArgb(23, 33, 27);
    private static readonly XColor Rule = XColor.FromArgb(194, 207, 189);
    private static readonly XColor Band = XColor.FromArgb(236, 242, 232);

    static PdfReport() => GlobalFontSettings.FontResolver ??= new ShippedFonts();

    /// <param name="made">The business date it says it was made on.</param>
    public static byte[] Write(Report report, DateOnly made)
    {
        using var document = new PdfDocument();
        document.Info.Title = report.Title;
        document.Info.Creator = "Home Start";
        document.ViewerPreferences.DisplayDocTitle = true;
        var access = UAManager.ForDocument(document);
        access.SetDocumentLanguage("en-GB");
        new Sheet(document, access.StructureBuilder, report, made).Draw();
        using var bytes = new MemoryStream();
        document.Save(bytes);
        return bytes.ToArray();
    }

    private sealed class Sheet(PdfDocument document, StructureBuilder tags, Report report, DateOnly made)
    {
        private readonly XFont _title = new(ShippedFonts.Family, 17, XFontStyleEx.Bold);
        private readonly XFont _body = new(ShippedFonts.Family, 9.5);
        private readonly XFont _bold = new(ShippedFonts.Family, 9.5, XFontStyleEx.Bold);
        private readonly XFont _small = new(ShippedFonts.Family, 8);
        private readonly XSolidBrush _ink = new(Ink);
        private XGraphics _on = null!;
        private double _width;
        private double _height;
        private double _y;

        public void Draw()
        {
            NewPage();
            Text(report.Title, _title, 24, PdfBlockLevelElementTag.Heading1);
            foreach (var sentence in report.Lead)
            {
                Text(sentence, _body, 13);
            }

            _y += 8;
            tags.BeginElement(PdfBlockLevelElementTag.Table);
            Row(new ReportRow(report.Head[0], [.. report.Head.Skip(1)]), _small, isHead: true, isBand: false);
            foreach (var (index, row) in report.Rows.Index())
            {
                Row(row, row.IsTotal ? _bold : _body, isHead: false, isBand: index % 2 == 0 && !row.IsTotal);
            }

            tags.End();
            _y += 10;
            foreach (var note in report.Notes)
            {
                Text(note, _small, 11.5);
            }

            _y += 4;
            Text(
                string.Create(CultureInfo.InvariantCulture, $"Made with Home Start on {ReportWords.Day(made)}."),
                _small,
                11.5
            );
        }

        private void NewPage()
        {
            var page = document.AddPage();
            page.Size = PageSize.A4;
            page.Orientation =
                report.Head.Count > MostColumnsUpright ? PageOrientation.Landscape : PageOrientation.Portrait;
            _on?.Dispose();
            _on = XGraphics.FromPdfPage(page);
            (_width, _height, _y) = (page.Width.Point - (2 * Margin), page.Height.Point - Margin, Margin);
        }

        // Text as wide as the page, broken into as many lines as it takes.
        private void Text(
            string text,
            XFont font,
            double lineHeight,
            PdfBlockLevelElementTag tag = PdfBlockLevelElementTag.Paragraph
        )
        {
            var lines = Math.Ceiling(_on.MeasureString(text, font).Width * 1.04 / _width);
            Need(lineHeight * lines);
            tags.BeginElement(tag);
            new XTextFormatter(_on).DrawString(
                text,
                font,
                _ink,
                new XRect(Margin, _y, _width, (lineHeight * lines) + 4)
            );
            tags.End();
            _y += lineHeight * lines;
        }

        private void Row(ReportRow row, XFont font, bool isHead, bool isBand)
        {
            const double height = 16;
            Need(height);
            var columns = report.Head.Count - 1;
            var first = Math.Max(110, _width - (columns * 92));
            var each = (_width - first) / Math.Max(1, columns);
            if (isBand)
            {
                Decorate(() => _on.DrawRectangle(new XSolidBrush(Band), Margin, _y, _width, height));
            }

            tags.BeginElement(PdfBlockLevelElementTag.TableRow);
            Cell(PdfBlockLevelElementTag.TableHeaderCell, isHead ? "/Column" : "/Row", () =>
                _on.DrawString(
                    Fitted(row.Label, font, first - 8),
                    font,
                    _ink,
                    new XRect(Margin + 3, _y, first - 6, height),
                    XStringFormats.CenterLeft
                )
            );
            foreach (var (index, cell) in row.Cells.Index())
            {
                var space = new XRect(Margin + first + (index * each), _y, each - 3, height);
                Cell(
                    isHead ? PdfBlockLevelElementTag.TableHeaderCell : PdfBlockLevelElementTag.TableDataCell,
                    isHead ? "/Column" : null,
                    () => _on.DrawString(cell, Narrow(cell, font, each - 6), _ink, space, XStringFormats.CenterRight)
                );
            }

            tags.End();

            if (isHead || row.IsTotal)
            {
                var line = isHead ? _y + height : _y;
                Decorate(() => _on.DrawLine(new XPen(Ink, 0.8), Margin, line, Margin + _width, line));
            }

            _y += height;
            if (row.IsTotal)
            {
                Decorate(() =>
                {
                    _on.DrawLine(new XPen(Ink, 0.8), Margin, _y, Margin + _width, _y);
                    _on.DrawLine(new XPen(Rule, 0.8), Margin, _y + 2.5, Margin + _width, _y + 2.5);
                });
            }
        }

        /// <param name="scope">What a head is the head of: /Column or /Row; null: it is none.</param>
        private void Cell(PdfBlockLevelElementTag tag, string? scope, Action draw)
        {
            tags.BeginElement(tag);
            if (scope is not null)
            {
                tags.CurrentStructureElement.TableAttributes.Elements.SetName("/Scope", scope);
            }

            draw();
            tags.End();
        }

        // Bands and rules say nothing: a reader passes them over.
        private void Decorate(Action draw)
        {
            tags.BeginArtifact();
            draw();
            tags.End();
        }

        private void Need(double height)
        {
            if (_y + height > _height)
            {
                NewPage();
            }
        }

        private string Fitted(string text, XFont font, double width)
        {
            while (text.Length > 4 && _on.MeasureString(text, font).Width > width)
            {
                text = text[..^2].TrimEnd('…') + "…";
            }

            return text;
        }

        private XFont Narrow(string text, XFont font, double width) =>
            _on.MeasureString(text, font).Width <= width
                ? font
                : new XFont(
                    ShippedFonts.Family,
                    Math.Max(5.5, font.Size * width / _on.MeasureString(text, font).Width),
                    font.Bold ? XFontStyleEx.Bold : XFontStyleEx.Regular
                );
    }

    /// <summary>The fonts that ship with the application, whatever is installed.</summary>
    private sealed class ShippedFonts : IFontResolver
    {
        public const string Family = "Hanken Grotesk";

        public byte[] GetFont(string faceName)
        {
            using var stream = typeof(ShippedFonts).Assembly.GetManifestResourceStream(faceName)!;
            using var bytes = new MemoryStream();
            stream.CopyTo(bytes);
            return bytes.ToArray();
        }

        public FontResolverInfo? ResolveTypeface(string familyName, bool isBold, bool isItalic) =>
            new(isBold ? "HankenGrotesk-Bold" : "HankenGrotesk-Regular");
    }
}
