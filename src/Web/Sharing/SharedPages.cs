using System.Globalization;
using HomeStart.Formats.Exports;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Sharing;

/// <summary>
/// What a link opens, for somebody nobody here knows: one page without scripts or cookies, and a note for each line of
/// it. Nothing else can be reached from it.
/// </summary>
internal static class SharedPages
{
    private const int LargestForm = 16 * 1024;

    public static void MapSharedPages(this IEndpointRouteBuilder app)
    {
        app.MapGet("/shared/{secret}", ReadAsync).WithMetadata(new OpenByAddress()).ExcludeFromDescription();
        app.MapPost("/shared/{secret}", NoteAsync).WithMetadata(new OpenByAddress()).ExcludeFromDescription();
    }

    private static async Task<IResult> ReadAsync(
        string secret,
        HttpContext http,
        ShareDesk desk,
        CancellationToken cancel
    ) =>
        await desk.OpenAsync(secret, cancel) is var (link, report)
            ? Page(http, report, link.Until, await desk.NotesAsync(link, cancel))
            : Nothing(http);

    private static async Task<IResult> NoteAsync(
        string secret,
        HttpContext http,
        ShareDesk desk,
        CancellationToken cancel
    )
    {
        if (await desk.OpenAsync(secret, cancel) is not var (link, report))
        {
            return Nothing(http);
        }

        if (await FormAsync(http.Request, cancel) is not { } form)
        {
            return TypedResults.Problem(
                "A note is sent as the form on this page sends it.",
                statusCode: StatusCodes.Status415UnsupportedMediaType
            );
        }

        var line = form["line"].ToString();
        var note = new LineNote(form["by"].ToString().Trim(), form["text"].ToString().Trim());
        if (!ReportPage.Lines(report).Contains(line, StringComparer.Ordinal))
        {
            return TypedResults.Problem(
                "This line is not on the page any more: go back and reload it.",
                statusCode: StatusCodes.Status422UnprocessableEntity
            );
        }

        if (Fault(note) is { } fault)
        {
            var notes = await desk.NotesAsync(link, cancel);
            notes[line] = note with { Fault = fault };
            return Page(http, report, link.Until, notes, StatusCodes.Status422UnprocessableEntity);
        }

        await desk.NoteAsync(link, line, note, cancel);
        return TypedResults.LocalRedirect($"/shared/{secret}"); // A reload does not send it again.
    }

    // Null: it is no form, or not one of this page's size.
    private static async Task<IFormCollection?> FormAsync(HttpRequest request, CancellationToken cancel)
    {
        if (
            request.ContentType?.StartsWith("application/x-www-form-urlencoded", StringComparison.OrdinalIgnoreCase)
                != true
            || request.ContentLength is null or > LargestForm
        )
        {
            return null;
        }

        try
        {
            return await request.ReadFormAsync(cancel);
        }
        catch (InvalidDataException)
        {
            return null; // More fields than any form of ours has.
        }
    }

    private static string? Fault(LineNote note) =>
        note.Text.Length == 0 ? "Type the note."
        : note.Text.Any(letter => char.IsControl(letter) && letter is not ('\n' or '\r' or '\t'))
            ? "The note holds a character that cannot be seen: type it again without."
        : note.Text.Length > ShareDesk.LongestNote
            ? $"A note has at most {ShareDesk.LongestNote} characters; this has {note.Text.Length}."
        : note.By.Length > ShareDesk.LongestName
            ? $"A name has at most {ShareDesk.LongestName} characters; this has {note.By.Length}."
        : note.By.Any(char.IsControl) ? "A name is one line, without tabs."
        : null;

    private static IResult Page(
        HttpContext http,
        Report report,
        long until,
        IReadOnlyDictionary<string, LineNote> notes,
        int status = StatusCodes.Status200OK
    ) =>
        Html(
            http,
            nonce =>
                ReportPage.Write(
                    report,
                    DateTimeOffset
                        .FromUnixTimeSeconds(until)
                        .ToString("d MMMM yyyy, HH:mm 'UTC'", CultureInfo.InvariantCulture),
                    nonce,
                    notes
                ),
            status
        );

    private static IResult Nothing(HttpContext http) => Html(http, ReportPage.Nothing, StatusCodes.Status404NotFound);

    private static IResult Html(HttpContext http, Func<string, string> write, int status)
    {
        var nonce = (string)http.Items[SecurityHeaders.NonceItem]!;
        http.Items[SecurityHeaders.PolicyItem] =
            $"default-src 'none'; style-src 'nonce-{nonce}'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
        http.Response.Headers["X-Robots-Tag"] = "noindex, nofollow";
        return TypedResults.Content(write(nonce), "text/html; charset=utf-8", statusCode: status);
    }
}
