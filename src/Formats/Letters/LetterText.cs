using System.Text;
using System.Text.Encodings.Web;

namespace HomeStart.Formats.Letters;

/// <summary>
/// The contents of a mail, put together once and written twice: as plain text and as plain HTML that say the same,
/// without pictures, scripts or anything to fetch.
/// </summary>
internal sealed class LetterText
{
    private const int LineLength = 74;

    private readonly StringBuilder _text = new();
    private readonly StringBuilder _html = new();

    public string Text => _text.ToString().TrimEnd() + "\n";

    public string Html =>
        "<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>Home "
        + $"Start</title></head>\n<body style=\"font-family:sans-serif;line-height:1.5;max-width:40em\">\n{_html}"
        + "</body></html>\n";

    public LetterText Paragraph(string words)
    {
        _text.Append(Wrapped(words)).Append("\n\n");
        _html.Append($"<p>{Escaped(words)}</p>\n");
        return this;
    }

    /// <summary>Names with their values, a row each.</summary>
    public LetterText Facts(params IReadOnlyList<(string Name, string Value)> facts)
    {
        foreach (var (name, value) in facts)
        {
            _text.Append(name).Append(": ").Append(value).Append('\n');
        }

        _text.Append('\n');
        _html
            .Append("<table>\n")
            .AppendJoin(
                "",
                facts.Select(fact =>
                    $"<tr><th scope=\"row\" style=\"text-align:left;padding-right:1em\">{Escaped(fact.Name)}"
                    + $"</th><td>{Escaped(fact.Value)}</td></tr>\n"
                )
            )
            .Append("</table>\n");
        return this;
    }

    public LetterText Link(string words, Uri address)
    {
        _text.Append(words).Append(":\n").Append(address).Append("\n\n");
        _html.Append($"<p><a href=\"{Escaped(address.ToString())}\">{Escaped(words)}</a></p>\n");
        return this;
    }

    private static string Escaped(string words) => HtmlEncoder.Default.Encode(words);

    private static string Wrapped(string words)
    {
        var text = new StringBuilder();
        var length = 0;
        foreach (var word in words.Split(' '))
        {
            if (length > 0 && length + word.Length >= LineLength)
            {
                text.Append('\n');
                length = 0;
            }
            else if (length > 0)
            {
                text.Append(' ');
                length++;
            }

            text.Append(word);
            length += word.Length;
        }

        return text.ToString();
    }
}
