using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStart.Formats.Pages;

/// <summary>
/// What style rules and attributes say of a look: whether it is seen, struck, a line of its own, how large and heavy.
/// </summary>
internal sealed partial class StyleRules
{
    private static readonly HashSet<string> Known = new(StringComparer.OrdinalIgnoreCase)
    {
        "display",
        "visibility",
        "text-decoration",
        "text-decoration-line",
        "font-size",
        "font-weight",
        "clip",
        "clip-path",
        "position",
        "left",
        "top",
        "width",
        "height",
        "text-indent",
        "white-space",
        "overflow",
        "opacity",
    };

    private readonly Dictionary<string, Dictionary<string, string>> _rules = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>Takes in the rules of a style sheet whose selector is a tag, a class or an id.</summary>
    public void Add(string sheet)
    {
        var text = Comments().Replace(sheet, " ");
        var at = 0;
        while (at < text.Length && text.IndexOf('{', at) is var open and >= 0)
        {
            var head = text[at..open];
            head = head[(head.LastIndexOf(';') + 1)..].Trim();
            if (head.StartsWith('@'))
            {
                if (
                    head.StartsWith("@media", StringComparison.OrdinalIgnoreCase)
                        ? Applies(head)
                        : head.StartsWith("@supports", StringComparison.OrdinalIgnoreCase)
                            || head.StartsWith("@layer", StringComparison.OrdinalIgnoreCase)
                )
                {
                    // Its rules stand as if it were not there; the closing bracket is skipped with the next head.
                    at = open + 1;
                    continue;
                }

                at = Close(text, open) + 1;
                continue;
            }

            var end = text.IndexOf('}', open);
            end = end < 0 ? text.Length : end;
            var declarations = Declarations(text[(open + 1)..end]);
            if (declarations.Count > 0)
            {
                foreach (
                    var selector in head.TrimStart('}', ' ', '\n', '\r', '\t')
                        .Split(',')
                        .Select(one => one.Trim())
                        .Where(one => Simple().IsMatch(one))
                )
                {
                    if (!_rules.TryGetValue(selector, out var known))
                    {
                        _rules[selector] = known = new(StringComparer.OrdinalIgnoreCase);
                    }

                    foreach (var (name, value) in declarations)
                    {
                        known[name] = value;
                    }
                }
            }

            at = end + 1;
        }
    }

    /// <summary>
    /// What holds for an element: of its tag, its classes, its id, and itself, the later over the earlier.
    /// </summary>
    public Dictionary<string, string>? Resolve(string tag, IEnumerable<string> classes, string? id, string? style)
    {
        Dictionary<string, string>? holds = null;
        foreach (var selector in classes.Select(one => "." + one).Prepend(tag).Append("#" + id))
        {
            if (_rules.TryGetValue(selector, out var known))
            {
                holds ??= new(StringComparer.OrdinalIgnoreCase);
                foreach (var (name, value) in known)
                {
                    holds[name] = value;
                }
            }
        }

        if (!string.IsNullOrEmpty(style) && style.Length < 10_000)
        {
            foreach (var (name, value) in Declarations(style))
            {
                holds ??= new(StringComparer.OrdinalIgnoreCase);
                holds[name] = value;
            }
        }

        return holds;
    }

    private static List<(string Name, string Value)> Declarations(string text)
    {
        var found = new List<(string, string)>();
        foreach (var one in text.Split(';'))
        {
            var colon = one.IndexOf(':', StringComparison.Ordinal);
            if (colon > 0 && one[..colon].Trim() is var name && Known.Contains(name))
            {
                found.Add(
                    (
                        name,
                        one[(colon + 1)..]
                            .Replace("!important", "", StringComparison.OrdinalIgnoreCase)
                            .Trim()
                            .ToLowerInvariant()
                    )
                );
            }
        }

        return found;
    }

    // Not what is printed or spoken, nor what is for a narrow screen.
    private static bool Applies(string head)
    {
        var says = head.ToLowerInvariant();
        if (
            (says.Contains("print", StringComparison.Ordinal) || says.Contains("speech", StringComparison.Ordinal))
            && !says.Contains("screen", StringComparison.Ordinal)
            && !says.Contains("not print", StringComparison.Ordinal)
        )
        {
            return false;
        }

        foreach (Match match in Width().Matches(says))
        {
            var width =
                double.Parse(match.Groups["number"].Value, CultureInfo.InvariantCulture)
                * (match.Groups["unit"].Value is "em" or "rem" ? 16 : 1);
            if (match.Groups["which"].Value == "max" ? width < 1280 : width > 1280)
            {
                return false;
            }
        }

        return !says.Contains("prefers-", StringComparison.Ordinal);
    }

    private static int Close(string text, int open)
    {
        var depth = 0;
        for (var at = open; at < text.Length; at++)
        {
            depth +=
                text[at] == '{' ? 1
                : text[at] == '}' ? -1
                : 0;
            if (depth == 0)
            {
                return at;
            }
        }

        return text.Length;
    }

    [GeneratedRegex(@"/\*[^*]*\*+(?:[^/*][^*]*\*+)*/|<!--|-->", RegexOptions.None, 1_000)]
    private static partial Regex Comments();

    [GeneratedRegex(@"^[.#]?[A-Za-z][A-Za-z0-9_-]*$|^[.#][A-Za-z0-9_-]+$", RegexOptions.None, 1_000)]
    private static partial Regex Simple();

    [GeneratedRegex(
        @"(?<which>max|min)-(device-)?width\s*:\s*(?<number>[0-9]{1,6}(\.[0-9]{1,3})?)\s*(?<unit>px|em|rem)",
        RegexOptions.ExplicitCapture,
        1_000
    )]
    private static partial Regex Width();
}
