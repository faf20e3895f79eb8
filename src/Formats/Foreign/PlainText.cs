using System.Globalization;
using System.Text;

namespace HomeStart.Formats.Foreign;

/// <summary>
/// What a text may hold: everything people write. Not control characters, which no document can hold, nor code points
/// that are no characters. Line breaks and tabs are allowed in fields of several lines. One rule for every field that
/// comes in; what was stored before there was one is written out escaped.
/// </summary>
public static class PlainText
{
    /// <summary>The first character that a text may not hold; null: there is none.</summary>
    public static char? Unwritable(string text)
    {
        foreach (var letter in text)
        {
            if (!MayStand(letter))
            {
                return letter;
            }
        }

        return null;
    }

    /// <summary>The text with whatever no document can hold written as its number: "\u0007".</summary>
    public static string Escaped(string text)
    {
        if (Unwritable(text) is null && !text.Any(char.IsSurrogate))
        {
            return text;
        }

        var plain = new StringBuilder(text.Length);
        for (var at = 0; at < text.Length; at++)
        {
            if (char.IsSurrogatePair(text, at))
            {
                plain.Append(text[at]).Append(text[++at]);
            }
            else if (MayStand(text[at]) && !char.IsSurrogate(text[at]))
            {
                plain.Append(text[at]);
            }
            else
            {
                plain.Append(CultureInfo.InvariantCulture, $"\\u{(int)text[at]:X4}");
            }
        }

        return plain.ToString();
    }

    private static bool MayStand(char letter) =>
        letter is '\t' or '\n' or '\r' || (!char.IsControl(letter) && letter is not ('\uFFFE' or '\uFFFF'));
}
