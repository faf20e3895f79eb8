using System.Globalization;
using System.Text;

namespace HomeStart.Core.Domains;

/// <summary>Which script each letter belongs to, and which scripts are written together.</summary>
public sealed class Scripts
{
    private static readonly string[][] Together =
    [
        ["Latin", "Han", "Hiragana", "Katakana"],
        ["Latin", "Han", "Hangul"],
        ["Latin", "Han", "Bopomofo"],
    ];

    private readonly (int From, int Until, string Script)[] _ranges;

    /// <summary>Reads Unicode's own list: <c>0041..005A ; Latin # …</c> a line.</summary>
    public Scripts(IEnumerable<string> lines) =>
        _ranges = [
            .. lines
                .Select(line => line.Split('#')[0].Split(';'))
                .Where(parts => parts.Length == 2)
                .Select(Range)
                .OrderBy(range => range.From),
        ];

    /// <summary>
    /// Whether the letters of a text are of scripts that are not written together. Letters that belong to all scripts
    /// count for none.
    /// </summary>
    public bool AreMixed(string text)
    {
        var scripts = text.EnumerateRunes()
            .Where(Rune.IsLetter)
            .Select(ScriptOf)
            .Where(script => script is not ("Common" or "Inherited"))
            .Distinct(StringComparer.Ordinal)
            .ToList();
        return scripts.Count > 1
            && !Array.Exists(Together, known =>
                scripts.TrueForAll(script => known.Contains(script, StringComparer.Ordinal))
            );
    }

    private string ScriptOf(Rune rune)
    {
        var (low, high) = (0, _ranges.Length - 1);
        while (low <= high)
        {
            var middle = (low + high) / 2;
            var (from, until, script) = _ranges[middle];
            if (rune.Value >= from && rune.Value <= until)
            {
                return script;
            }

            (low, high) = rune.Value < from ? (low, middle - 1) : (middle + 1, high);
        }

        return "Unknown";
    }

    private static (int From, int Until, string Script) Range(string[] parts)
    {
        var ends = parts[0].Trim().Split("..");
        return (Code(ends[0]), Code(ends[^1]), parts[1].Trim());

        static int Code(string text) => int.Parse(text, NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture);
    }
}
