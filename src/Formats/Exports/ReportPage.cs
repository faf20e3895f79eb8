using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Unicode;

namespace HomeStart.Formats.Exports;

/// <summary>
/// What a reader wrote to a line, or is writing, where <see cref="Fault"/> says what is wrong with it.
/// </summary>
public sealed record LineNote(string By, string Text, string? Fault = null);

/// <summary>
/// A report as a page by itself, for anyone who was given its link: no scripts, nothing to follow, and one note to be
/// left for each line.
/// </summary>
public static class ReportPage
{
    private static readonly HtmlEncoder Encoder = HtmlEncoder.Create(UnicodeRanges.All);

    private const string Style = """
        :root { color-scheme: light dark; --ink: #17211b; --soft: #4d5a50; --sheet: #fbfcf8; --band: #ecf2e8;
          --rule: #c2cfbd; --blue: #1f3fa8; --red: #a51d16; }
        @media (prefers-color-scheme: dark) { :root { --ink: #e6efe4; --soft: #a9baab; --sheet: #132118;
          --band: #1a2c20; --rule: #375041; --blue: #9db6ff; --red: #ff9d90; } }
        body { margin: 0 auto; max-width: 62rem; padding: 1.5rem 1rem 4rem; background: var(--sheet);
          color: var(--ink); font: 15px/1.4 system-ui, sans-serif; }
        h1 { font-size: 1.5rem; margin: 0 0 .5rem; }
        p { margin: .3rem 0; max-width: 46rem; }
        .soft { color: var(--soft); }
        .fault { color: var(--red); }
        .wide { overflow-x: auto; margin: 1.2rem 0; }
        table { border-collapse: collapse; min-width: 100%; }
        caption { text-align: left; color: var(--soft); padding-bottom: .4rem; }
        th, td { text-align: left; vertical-align: top; padding: .35rem .6rem; font-weight: 400; }
        th[scope=row] { min-width: 8rem; overflow-wrap: anywhere; }
        thead th { border-bottom: 1px solid var(--ink); font-weight: 600; }
        tbody tr:nth-child(odd) { background: var(--band); }
        tr.total :is(th, td) { border-top: 1px solid var(--ink); font-weight: 700; }
        .amount { text-align: right; font-variant-numeric: tabular-nums; }
        .note { min-width: 13rem; }
        .note p { white-space: pre-line; }
        summary { color: var(--blue); cursor: pointer; min-height: 1.6rem; }
        label { display: block; margin-top: .4rem; }
        input, textarea { display: block; box-sizing: border-box; width: 100%; font: inherit; color: inherit;
          background: var(--sheet); border: 1px solid var(--soft); border-radius: 3px; padding: .3rem; }
        button { margin-top: .5rem; font: inherit; color: var(--sheet); background: var(--blue); border: 0;
          border-radius: 3px; padding: .4rem .9rem; min-height: 1.9rem; }
        @media (max-width: 40rem) {
          caption { display: block; }
          table, tbody, tr, th[scope=row], td { display: block; }
          thead { position: absolute; clip-path: inset(50%); }
          tbody tr { padding: .4rem 0; }
          th[scope=row] { font-weight: 600; padding-bottom: 0; }
          td[data-head] { display: flex; justify-content: space-between; gap: 1rem; padding-block: .1rem; }
          td[data-head]::before { content: attr(data-head); color: var(--soft); font-weight: 400; }
          td:empty { display: none; }
        }
        :focus-visible { outline: 2px solid var(--blue); outline-offset: 2px; }
        """;

    /// <summary>
    /// What each line is called where notes are kept: its label, and a number where several have one label.
    /// </summary>
    public static IReadOnlyList<string> Lines(Report report) =>
        [
            .. report
                .Rows.Index()
                .Select(pair =>
                {
                    var earlier = report.Rows.Take(pair.Index).Count(row => row.Label == pair.Item.Label);
                    return earlier == 0 ? pair.Item.Label : $"{pair.Item.Label} ({earlier + 1})";
                }),
        ];

    /// <param name="until">How long it can be read, in words.</param>
    /// <param name="nonce">What the answer lets styles in by.</param>
    /// <param name="notes">By line; one with a fault is shown to be mended.</param>
    public static string Write(Report report, string until, string nonce, IReadOnlyDictionary<string, LineNote> notes)
    {
        var html = new StringBuilder();
        Begin(html, report.Title, nonce);
        html.Append(CultureInfo.InvariantCulture, $"<h1>{Text(report.Title)}</h1>");
        foreach (var sentence in report.Lead)
        {
            html.Append(CultureInfo.InvariantCulture, $"<p>{Text(sentence)}</p>");
        }

        html.Append(
                CultureInfo.InvariantCulture,
                $"<p class=\"soft\">You were given the link to this page by its owner. It can be read until {Text(until)}, "
            )
            .Append("unless it is withdrawn before. You can leave one note for each line; the owner sees it.</p>")
            .Append("<div class=\"wide\" role=\"region\" aria-label=\"The table\" tabindex=\"0\"><table><caption>")
            .Append("Line by line</caption><thead><tr>");
        foreach (var (column, head) in report.Head.Index())
        {
            // On paper a head may be empty; to somebody who hears the page it must say something.
            var said =
                head.Length > 0 ? head
                : column == 0 ? "Line"
                : "What it says";
            html.Append(column == 0 || head.Length == 0 ? "<th scope=\"col\">" : "<th scope=\"col\" class=\"amount\">")
                .Append(Text(said))
                .Append("</th>");
        }

        html.Append("<th scope=\"col\">Your note</th></tr></thead><tbody>");
        foreach (var (row, line) in report.Rows.Zip(Lines(report)))
        {
            Row(html, report.Head, row, line, notes.GetValueOrDefault(line));
        }

        html.Append("</tbody></table></div>");
        foreach (var note in report.Notes)
        {
            html.Append(CultureInfo.InvariantCulture, $"<p class=\"soft\">{Text(note)}</p>");
        }

        return html.Append("</main></body></html>").ToString();
    }

    /// <summary>A page for a link that opens nothing.</summary>
    public static string Nothing(string nonce)
    {
        var html = new StringBuilder();
        Begin(html, "Nothing to read here", nonce);
        return html.Append("<h1>Nothing to read here</h1><p>This link was withdrawn, its time is over, or it is not ")
            .Append("complete. Ask the person who gave it to you for a new one.</p></main></body></html>")
            .ToString();
    }

    private static void Begin(StringBuilder html, string title, string nonce) =>
        html.Append("<!doctype html><html lang=\"en-GB\"><head><meta charset=\"utf-8\">")
            .Append("<meta name=\"viewport\" content=\"width=device-width, initial-scale=1\">")
            .Append("<meta name=\"robots\" content=\"noindex, nofollow\"><title>")
            .Append(Text(title))
            .Append(CultureInfo.InvariantCulture, $"</title><style nonce=\"{Text(nonce)}\">")
            .Append(Style)
            .Append("</style></head><body><main>");

    private static void Row(StringBuilder html, IReadOnlyList<string> head, ReportRow row, string line, LineNote? note)
    {
        html.Append(row.IsTotal ? "<tr class=\"total\">" : "<tr>");
        html.Append(CultureInfo.InvariantCulture, $"<th scope=\"row\">{Text(row.Label)}</th>");
        foreach (var (column, cell) in row.Cells.Index())
        {
            html.Append(
                CultureInfo.InvariantCulture,
                $"<td{(head[column + 1].Length > 0 ? " class=\"amount\"" : "")} data-head=\"{Text(head[column + 1])}\">{Text(cell)}</td>"
            );
        }

        html.Append("<td class=\"note\">");
        if (note is { Fault: null })
        {
            var by = note.By.Length == 0 ? "" : $"{Text(note.By)}: ";
            html.Append(CultureInfo.InvariantCulture, $"<p>{by}{Text(note.Text)}</p>");
        }

        html.Append(note is { Fault: not null } ? "<details open>" : "<details>")
            .Append(
                CultureInfo.InvariantCulture,
                $"<summary>{(note is null ? "Leave a note" : "Change the note")}</summary>"
            )
            .Append("<form method=\"post\">");
        if (note?.Fault is { } fault)
        {
            html.Append(CultureInfo.InvariantCulture, $"<p class=\"fault\" role=\"alert\">{Text(fault)}</p>");
        }

        html.Append(CultureInfo.InvariantCulture, $"<input type=\"hidden\" name=\"line\" value=\"{Text(line)}\">")
            .Append(
                CultureInfo.InvariantCulture,
                $"<label>Note for {Text(line)}<textarea name=\"text\" rows=\"3\" required>"
                    + $"{Text(note?.Text ?? "")}</textarea></label>"
            )
            .Append(
                CultureInfo.InvariantCulture,
                $"<label>Your name (optional)<input name=\"by\" autocomplete=\"name\" "
                    + $"value=\"{Text(note?.By ?? "")}\"></label>"
            )
            .Append("<button>Leave this note</button></form></details></td></tr>");
    }

    private static string Text(string text) => Encoder.Encode(text);
}
