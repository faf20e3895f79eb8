using System.Text;

namespace HomeStart.Formats.Pages;

/// <summary>
/// Makes HTML fit for a parser that follows the standard: there each start tag looks at all that are open, and each
/// attribute at all before it. Browsers too stop nesting after some hundred levels. What lies deeper stays, only its
/// tags go; words are never lost.
/// </summary>
internal static class HtmlLimits
{
    private const int Deepest = 400;
    private const int LongestTag = 16_000;

    // Tags whose end may be left out close one another; others nothing stands in.
    private static readonly HashSet<string> Shallow = new(StringComparer.OrdinalIgnoreCase)
    {
        "p",
        "li",
        "td",
        "th",
        "tr",
        "dt",
        "dd",
        "option",
        "optgroup",
        "tbody",
        "thead",
        "tfoot",
        "colgroup",
        "rp",
        "rt",
        "body",
        "html",
        "head",
        "br",
        "hr",
        "img",
        "input",
        "meta",
        "link",
        "area",
        "base",
        "col",
        "embed",
        "param",
        "source",
        "track",
        "wbr",
        "select",
        "a",
        "button",
    };

    private static readonly HashSet<string> Raw = new(StringComparer.OrdinalIgnoreCase)
    {
        "script",
        "style",
        "textarea",
        "title",
        "xmp",
        "noscript",
        "iframe",
    };

    /// <summary>The same HTML, with no tag deeper or longer than is read.</summary>
    public static string Within(string html)
    {
        StringBuilder? kept = null;
        var (copied, depth, dropped) = (0, 0, 0);
        for (
            var at = html.IndexOf('<', StringComparison.Ordinal);
            at >= 0 && at + 1 < html.Length;
            at = html.IndexOf('<', at)
        )
        {
            if (html.AsSpan(at).StartsWith("<!--", StringComparison.Ordinal))
            {
                var close = html.IndexOf("-->", at + 4, StringComparison.Ordinal);
                at = close < 0 ? html.Length : close + 3;
            }
            else if (NameAt(html, at) is not { Length: > 0 } name)
            {
                at++;
            }
            else
            {
                var (isEnd, end) = (html[at + 1] == '/', EndOf(html, at));
                var isVoid = end - at > 2 && html[end - 2] == '/';
                var drops = false;
                if (!Shallow.Contains(name) && !isVoid)
                {
                    (depth, dropped, drops) =
                        isEnd ? (dropped > 0 ? (depth, dropped - 1, true) : (Math.Max(0, depth - 1), 0, false))
                        : depth >= Deepest ? (depth, dropped + 1, true)
                        : (depth + 1, dropped, false);
                }

                if (drops || end - at > LongestTag)
                {
                    kept ??= new StringBuilder(html.Length);
                    kept.Append(html, copied, at - copied)
                        .Append(
                            drops ? " "
                            : isEnd ? $"</{name}>"
                            : $"<{name}>"
                        );
                    copied = end;
                }

                at = end;
                if (!isEnd && !isVoid && Raw.Contains(name))
                {
                    var close = html.IndexOf("</" + name, end, StringComparison.OrdinalIgnoreCase);
                    at = close < 0 ? html.Length : close;
                }
            }

            if (at >= html.Length)
            {
                break;
            }
        }

        return kept is null ? html : kept.Append(html, copied, html.Length - copied).ToString();
    }

    private static string? NameAt(string html, int at)
    {
        var from = at + (html[at + 1] == '/' ? 2 : 1);
        if (from >= html.Length || !char.IsAsciiLetter(html[from]))
        {
            return null;
        }

        var to = from;
        while (to < html.Length && to - from < 40 && (char.IsAsciiLetterOrDigit(html[to]) || html[to] == '-'))
        {
            to++;
        }

        return html[from..to];
    }

    // Behind the tag; quotes hold brackets.
    private static int EndOf(string html, int at)
    {
        var quote = '\0';
        for (at += 2; at < html.Length; at++)
        {
            var letter = html[at];
            if (quote != '\0')
            {
                quote = letter == quote ? '\0' : quote;
            }
            else if (letter == '>')
            {
                return at + 1;
            }
            else if (letter is '"' or '\'' && html[at - 1] is '=' or ' ')
            {
                quote = letter;
            }
        }

        return html.Length;
    }
}
