using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;

namespace HomeStart.Core.Online;

/// <summary>
/// Makes a first page: one file of valid HTML without a script, its styles in it, described to search engines as a
/// <c>LocalBusiness</c> of schema.org. Whatever the owner typed is text in it and nothing else.
/// </summary>
public static class PageMaker
{
    /// <summary>What a search page shows of a description.</summary>
    private const int LongestSummary = 155;

    private static readonly string[] Days =
    [
        "Monday",
        "Tuesday",
        "Wednesday",
        "Thursday",
        "Friday",
        "Saturday",
        "Sunday",
    ];

    /// <summary>The page, from its first character to its last.</summary>
    /// <param name="picture">Where the picture is found from the page; null: as <see cref="BusinessPage.Picture"/>
    /// says. A preview has it in the address itself.</param>
    public static string Make(BusinessPage page, string? picture = null)
    {
        var (name, source) = (Text(page.Name), (picture ?? page.Picture) is { } path ? Text(path) : null);
        var html = new StringBuilder()
            .Append(
                CultureInfo.InvariantCulture,
                $"<!DOCTYPE html>\n<html lang=\"{Text(page.Language)}\">\n<head>\n<meta "
                    + $"charset=\"utf-8\">\n<meta name=\"viewport\" content=\"width=device-width, initial-scale=1\">\n"
            )
            .Append(
                CultureInfo.InvariantCulture,
                $"<title>{name}</title>\n<meta name=\"description\" "
                    + $"content=\"{Text(Summary(page.About))}\">\n<link rel=\"icon\" "
                    + $"href=\"{Icon(page.Name)}\">\n<style>\n{Styles(page.Layout)}\n</style>\n"
            )
            .Append(
                CultureInfo.InvariantCulture,
                $"<script type=\"application/ld+json\">\n{Described(page)}\n</script>\n</head>\n<body>\n"
            )
            .Append(CultureInfo.InvariantCulture, $"<header>\n<h1>{name}</h1>\n</header>\n<main>\n");
        if (source is not null)
        {
            html.Append(CultureInfo.InvariantCulture, $"<img src=\"{source}\" alt=\"{Text(page.PictureText)}\">\n");
        }

        html.Append("<section class=\"about\">\n");
        foreach (
            var paragraph in page.About.Split(
                "\n\n",
                StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
            )
        )
        {
            html.Append(
                CultureInfo.InvariantCulture,
                $"<p>{Text(paragraph).Replace("\n", "<br>\n", StringComparison.Ordinal)}</p>\n"
            );
        }

        return html.Append("</section>\n")
            .Append(Where(page))
            .Append(When(page))
            .Append("</main>\n</body>\n</html>\n")
            .ToString();
    }

    // The name's first letter or digit on a dark square, in the address itself: no other file is asked for.
    private static string Icon(string name)
    {
        var letter = name.EnumerateRunes()
            .Where(Rune.IsLetterOrDigit)
            .Select(Rune.ToUpperInvariant)
            .FirstOrDefault(new Rune('•'))
            .ToString();
        return "data:image/svg+xml,"
            + Uri.EscapeDataString(
                "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 32 32'><rect width='32' height='32' "
                    + "rx='6' fill='#234'/><text x='16' y='23' font-size='20' font-family='sans-serif' "
                    + $"text-anchor='middle' fill='#fff'>{letter}</text></svg>"
            );
    }

    private static string Where(BusinessPage page)
    {
        string[] lines = [.. new[] { page.Street, page.Town }.Where(line => line.Trim().Length > 0).Select(Text)];
        var call =
            page.Telephone.Trim().Length == 0
                ? ""
                : "<p>Telephone <a href=\"tel:"
                    + $"{new string([.. page.Telephone.Where(letter => char.IsAsciiDigit(letter) || letter == '+')])}"
                    + $"\">{Text(page.Telephone.Trim())}</a></p>\n";
        return lines.Length == 0 && call.Length == 0
            ? ""
            : "<section class=\"where\">\n<h2>Where to find "
                + $"us</h2>\n{(lines.Length > 0 ? $"<address>{string.Join("<br>", lines)}</address>\n" : "")}{call}"
                + "</section>\n";
    }

    private static string When(BusinessPage page)
    {
        if (page.Hours.All(hours => hours is null))
        {
            return "";
        }

        var rows = Days.Zip(page.Hours, (day, hours) =>
            $"<tr><th scope=\"row\">{day}</th><td>"
            + $"{(hours is null ? "closed" : $"{hours.Opens:HH\\:mm}–{hours.Closes:HH\\:mm}")}</td></tr>\n"
        );
        return $"<section class=\"when\">\n<h2>Open</h2>\n<table>\n{string.Concat(rows)}</table>\n</section>\n";
    }

    // What search engines read. Every value is escaped so that it ends neither its string nor the script element it
    // stands in.
    private static string Described(BusinessPage page)
    {
        var fields = new List<string>
        {
            "\"@context\": \"https://schema.org\"",
            "\"@type\": \"LocalBusiness\"",
            $"\"name\": {Quoted(page.Name)}",
            $"\"description\": {Quoted(Summary(page.About))}",
        };
        if (page.Telephone.Trim().Length > 0)
        {
            fields.Add($"\"telephone\": {Quoted(page.Telephone.Trim())}");
        }

        if (page.Street.Trim().Length + page.Town.Trim().Length > 0)
        {
            fields.Add(
                "\"address\": { \"@type\": \"PostalAddress\", \"streetAddress\": "
                    + $"{Quoted(page.Street.Trim())}, \"addressLocality\": {Quoted(page.Town.Trim())} }}"
            );
        }

        if (page.Picture is { } picture)
        {
            fields.Add($"\"image\": {Quoted(picture)}");
        }

        var open = Days.Zip(page.Hours)
            .Where(day => day.Second is not null)
            .Select(day =>
                $"{{ \"@type\": \"OpeningHoursSpecification\", \"dayOfWeek\": \"{day.First}\", \"opens\": "
                + $"\"{day.Second!.Opens:HH\\:mm}\", \"closes\": \"{day.Second.Closes:HH\\:mm}\" }}"
            )
            .ToList();
        if (open.Count > 0)
        {
            fields.Add($"\"openingHoursSpecification\": [{string.Join(", ", open)}]");
        }

        return $"{{ {string.Join(", ", fields)} }}";
    }

    private static string Quoted(string text) => $"\"{JavaScriptEncoder.Default.Encode(text)}\"";

    private static string Text(string text) =>
        HtmlEncoder
            .Create(System.Text.Unicode.UnicodeRanges.All)
            .Encode(text)
            .Replace("&#xA;", "\n", StringComparison.Ordinal);

    private static string Summary(string about)
    {
        var line = about.ReplaceLineEndings(" ").Trim();
        if (line.Length <= LongestSummary)
        {
            return line;
        }

        var cut = line.LastIndexOf(' ', LongestSummary);
        return line[..(cut > 0 ? cut : LongestSummary)] + "…";
    }

    private static string Styles(PageLayout layout) =>
        """
            :root { --ink: #22302c; --paper: #fbfaf6; --line: #c9cdbf; --accent: #7a3b1d; }
            @media (prefers-color-scheme: dark) { :root { --ink: #e9e6dc; --paper: #1d2422; --line: #46524d; --accent: #eab08f; } }
            * { box-sizing: border-box; }
            body { margin: 0; background: var(--paper); color: var(--ink); font: 1.0625rem/1.6 Georgia, "Times New Roman", serif; }
            h1 { margin: 0; font-size: clamp(1.9rem, 6vw, 3.2rem); line-height: 1.1; overflow-wrap: anywhere; }
            h2 { margin: 0 0 .4rem; font-size: 1.1rem; color: var(--accent); }
            p { margin: 0 0 1rem; overflow-wrap: anywhere; }
            a { color: var(--accent); }
            address { font-style: normal; margin-bottom: .6rem; }
            table { border-collapse: collapse; }
            th { text-align: left; font-weight: normal; padding: .1rem 1.5rem .1rem 0; }
            td { font-variant-numeric: tabular-nums; }
            img { display: block; max-width: 100%; height: auto; }

            """
        + layout switch
        {
            PageLayout.Column => """
                header, main { max-width: 38rem; margin: 0 auto; padding: 0 1.25rem; }
                header { padding-top: 3.5rem; padding-bottom: 1.5rem; }
                section, img { border-top: 1px solid var(--line); padding: 1.25rem 0; }
                """,
            PageLayout.Shopfront => """
                body { display: flow-root; }
                header { max-width: 62rem; margin: 0 auto; padding: 2rem 1.25rem 1.25rem; }
                main { max-width: 62rem; margin: 0 auto; padding: 0 1.25rem 3rem; display: grid; gap: 1.5rem 3rem; }
                img { width: 100%; max-height: 24rem; object-fit: cover; }
                @media (min-width: 45rem) { main { grid-template-columns: 3fr 2fr; } img { grid-column: 1 / -1; } .about { grid-row: span 2; } }
                """,
            PageLayout.Spine => """
                header { padding: 2rem 1.5rem; background: var(--accent); color: var(--paper); }
                main { padding: 1.5rem; max-width: 46rem; }
                section, img { margin-bottom: 1.75rem; }
                @media (min-width: 45rem) { body { display: grid; grid-template-columns: 17rem 1fr; min-height: 100vh; } header { padding-top: 4rem; } h1 { font-size: 2.1rem; } main { padding: 4rem 3rem; } }
                """,
            _ => throw new InvalidOperationException($"There is no layout {layout}."),
        };
}
