using System.Text;
using HomeStart.Formats.Words;
using UglyToad.PdfPig;
using UglyToad.PdfPig.Content;
using UglyToad.PdfPig.Exceptions;

namespace HomeStart.Formats.Pages;

/// <summary>
/// Reads the words of a PDF by their places: what stands at one height is a line, and wide gaps part its columns.
/// </summary>
internal static class PdfPage
{
    private const int MostPages = 40;

    public static PageText? Read(byte[] bytes, string where, FaultList faults, CancellationToken cancel)
    {
        try
        {
            using var document = PdfDocument.Open(bytes);
            var text = new StringBuilder();
            foreach (var page in document.GetPages().Take(MostPages))
            {
                cancel.ThrowIfCancellationRequested();
                Lines(page, text);
                if (text.Length > PageBodyReader.LongestText)
                {
                    faults.Say(
                        FaultCodes.TooLarge,
                        where,
                        "This PDF has more words than are read. Open it, copy the part with the plans, and paste that."
                    );
                    return null;
                }
            }

            if (text.ToString().Trim().Length > 0)
            {
                return PlainPage.Read(text.ToString());
            }

            faults.Say(
                FaultCodes.BadType,
                where,
                "This PDF holds pictures and no words. Type what it says, or paste the page that it was made from."
            );
            return null;
        }
        catch (PdfDocumentEncryptedException)
        {
            faults.Say(
                FaultCodes.BadType,
                where,
                "This PDF is locked with a password. Open it, select all of it, copy it and paste it here."
            );
            return null;
        }
        catch (Exception exception) when (exception is not OperationCanceledException)
        {
            // The reader of PDFs throws whatever a broken file makes of it.
            faults.Say(
                FaultCodes.BadType,
                where,
                "This PDF cannot be read. Open it, select all of it, copy it and paste it here."
            );
            return null;
        }
    }

    private static void Lines(Page page, StringBuilder text)
    {
        var words = page.GetWords().OrderByDescending(word => word.BoundingBox.Bottom).ToList();
        while (words.Count > 0)
        {
            var first = words[0].BoundingBox;
            var line = words
                .TakeWhile(word => first.Bottom - word.BoundingBox.Bottom < Math.Max(2, first.Height / 2))
                .ToList();
            words.RemoveRange(0, line.Count);
            Word? before = null;
            foreach (var word in line.OrderBy(word => word.BoundingBox.Left))
            {
                if (before is not null)
                {
                    var gap = word.BoundingBox.Left - before.BoundingBox.Right;
                    text.Append(
                        gap > Math.Max(8, 1.5 * word.BoundingBox.Height) ? "    "
                        : gap > 0.5 ? " "
                        : ""
                    );
                }

                text.Append(word.Text);
                before = word;
            }

            text.Append('\n');
        }

        text.Append('\n');
    }
}
