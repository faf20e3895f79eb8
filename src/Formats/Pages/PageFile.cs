using System.Text;
using HomeStart.Formats.Words;
using MimeKit;

namespace HomeStart.Formats.Pages;

/// <summary>
/// Reads a file as a page: saved HTML, a web archive (MHTML), a PDF or text, told by what is in it and not by its name.
/// Nothing that it links to is fetched.
/// </summary>
public static class PageFile
{
    private const int DeepestParts = 16;
    private const int LongestHeader = 8_192;

    /// <summary>The page; null, with the fault, where it has no words that can be read.</summary>
    /// <param name="where">Where the file stands in the request.</param>
    public static PageText? Read(byte[] bytes, string where, FaultList faults, CancellationToken cancel)
    {
        if (bytes.AsSpan(0, Math.Min(bytes.Length, 1_024)).IndexOf("%PDF-"u8) >= 0)
        {
            return PdfPage.Read(bytes, where, faults, cancel);
        }

        if (IsArchive(bytes))
        {
            if (Archived(bytes, cancel) is not { } archived)
            {
                faults.Say(
                    FaultCodes.BadType,
                    where,
                    "This archive holds no page. Open it, select all of it, copy it and paste it here."
                );
                return null;
            }

            return Words(archived, where, faults, cancel);
        }

        return Words(Decoded(bytes), where, faults, cancel);
    }

    private static PageText? Words(string text, string where, FaultList faults, CancellationToken cancel)
    {
        if (IsHtml(text))
        {
            if (text.Length <= PageBodyReader.LongestHtml)
            {
                return PageBodyReader.Html(text, where, faults, cancel);
            }
        }
        else if (text.Length <= PageBodyReader.LongestText)
        {
            return PlainPage.Read(text);
        }

        faults.Say(
            FaultCodes.TooLarge,
            where,
            $"This has {text.Length} characters, more than are read. Open it, copy the part with the plans, and "
                + "paste that."
        );
        return null;
    }

    private static bool IsHtml(string text) =>
        text.AsSpan(0, Math.Min(text.Length, 4_096)).ContainsAny(HtmlStarts)
        || text.Contains("</", StringComparison.Ordinal);

    private static readonly System.Buffers.SearchValues<string> HtmlStarts = System.Buffers.SearchValues.Create(
        ["<!doctype", "<html", "<body", "<head", "<div", "<table"],
        StringComparison.OrdinalIgnoreCase
    );

    // An archive is written as a mail is: header lines, one of which says that parts belong together.
    private static bool IsArchive(byte[] bytes)
    {
        var start = Encoding.Latin1.GetString(bytes.AsSpan(0, Math.Min(bytes.Length, LongestHeader)));
        var first = start.TrimStart().Split('\n')[0];
        return first.Contains(':', StringComparison.Ordinal)
            && !first.Contains('<', StringComparison.Ordinal)
                | first.StartsWith("From:", StringComparison.OrdinalIgnoreCase)
            && start.Contains("MIME-Version:", StringComparison.OrdinalIgnoreCase)
            && start.Contains("Content-Type:", StringComparison.OrdinalIgnoreCase);
    }

    private static string? Archived(byte[] bytes, CancellationToken cancel)
    {
        try
        {
            using var stream = new MemoryStream(bytes, writable: false);
            var options = new ParserOptions { MaxMimeDepth = DeepestParts };
            using var message = MimeMessage.Load(options, stream, cancel);
            var texts = message.BodyParts.OfType<TextPart>().ToList();
            return (texts.Find(part => part.IsHtml) ?? texts.Find(part => part.IsPlain))?.Text;
        }
        catch (FormatException)
        {
            return null;
        }
    }

    // By the mark at its start, else UTF-8, else the letters of western Europe.
    private static string Decoded(byte[] bytes)
    {
        var (encoding, skip) = bytes switch
        {
            [0xEF, 0xBB, 0xBF, ..] => (Encoding.UTF8, 3),
            [0xFF, 0xFE, ..] => (Encoding.Unicode, 2),
            [0xFE, 0xFF, ..] => (Encoding.BigEndianUnicode, 2),
            [0, not 0, 0, not 0, ..] => (Encoding.BigEndianUnicode, 0),
            [not 0, 0, not 0, 0, ..] => (Encoding.Unicode, 0),
            _ => (null, 0),
        };
        if (encoding is not null)
        {
            return encoding.GetString(bytes, skip, bytes.Length - skip);
        }

        try
        {
            return new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(bytes);
        }
        catch (DecoderFallbackException)
        {
            return CodePagesEncodingProvider.Instance.GetEncoding(1252)!.GetString(bytes);
        }
    }
}
