using System.Globalization;
using System.Text;

namespace HomeStart.Core.Domains;

/// <summary>
/// A domain as a registry knows it: two labels or more, lower case, in ASCII form, at most 253 characters in all (RFC
/// 1035, RFC 5890). Only a text that is one can be ordered, costed or sent to a counterpart.
/// </summary>
public sealed record DomainName
{
    /// <summary>The most characters of a whole domain, its dots counted.</summary>
    public const int Longest = 253;

    private const string EncodedPrefix = "xn--";

    private static readonly IdnMapping Idn = new() { UseStd3AsciiRules = true };

    private DomainName(string text) => Text = text;

    /// <summary>Lower case, in ASCII form, its parts joined by dots.</summary>
    public string Text { get; }

    /// <summary>The domain made of a label and an ending, or what is wrong with which of them.</summary>
    public static (DomainName? Domain, DomainFault? Fault) Parse(string label, string ending)
    {
        if (Encoded(label) is not { } name)
        {
            return (null, new DomainFault(DomainPart.Label, DomainLabel.Parse(label).Fault, 0));
        }

        return ParseEnding(ending) is not { } tail ? (null, new DomainFault(DomainPart.Ending, null, 0))
            : name.Length + 1 + tail.Length > Longest
                ? (null, new DomainFault(DomainPart.Label, null, name.Length + 1 + tail.Length))
            : (new DomainName($"{name}.{tail}"), null);
    }

    /// <summary>A domain written out; null where the text is none.</summary>
    public static DomainName? Parse(string? text)
    {
        var dot = text?.IndexOf('.', StringComparison.Ordinal) ?? -1;
        return dot < 0 ? null : Parse(text![..dot], text[(dot + 1)..]).Domain;
    }

    /// <summary>
    /// An ending without its leading dot, in ASCII form; null where the text is none. None is of digits alone: what
    /// ends so is an IP address.
    /// </summary>
    public static string? ParseEnding(string ending)
    {
        var labels = ending.Length > Longest ? [] : Array.ConvertAll(ending.Split('.'), Encoded);
        return
            labels.Length > 0
            && Array.TrueForAll(labels, label => label is not null)
            && !labels[^1]!.All(char.IsAsciiDigit)
            ? string.Join('.', labels)
            : null;
    }

    /// <summary>The text.</summary>
    public override string ToString() => Text;

    // One label in ASCII form; null where it is none.
    private static string? Encoded(string label)
    {
        try
        {
            var text =
                System.Text.Ascii.IsValid(label) ? label.ToLowerInvariant()
                : label.EnumerateRunes().All(IsWritten) ? Idn.GetAscii(label.ToLowerInvariant())
                : "";
            return IsPlain(text) && (text.Length < 4 || text[2] != '-' || text[3] != '-' || IsEncoded(text))
                ? text
                : null;
        }
        catch (ArgumentException)
        {
            return null;
        }
    }

    // Letters, their marks and digits; not what cannot be seen or turns the reading direction.
    private static bool IsWritten(Rune rune) =>
        rune.Value == '-'
        || Rune.IsLetterOrDigit(rune)
        || Rune.GetUnicodeCategory(rune) is UnicodeCategory.NonSpacingMark or UnicodeCategory.SpacingCombiningMark;

    private static bool IsPlain(string text) =>
        text.Length is > 0 and <= DomainLabel.Longest
        && text[0] != '-'
        && text[^1] != '-'
        && text.All(letter => char.IsAsciiLetterLower(letter) || char.IsAsciiDigit(letter) || letter == '-');

    // Hyphens in the third and fourth place are kept for names in other scripts, encoded so that they can be read back
    // (RFC 5891, 4.2.3.1).
    private static bool IsEncoded(string text) =>
        text.StartsWith(EncodedPrefix, StringComparison.Ordinal)
        && Idn.GetUnicode(text) is var decoded
        && decoded != text
        && Idn.GetAscii(decoded).Equals(text, StringComparison.OrdinalIgnoreCase);
}

/// <summary>What is wrong with a domain, and in which part.</summary>
/// <param name="Label">What is wrong with the label by itself; null where it is not that, or nothing more can be
/// said.</param>
/// <param name="TooLong">How many characters it has with its ending, where that is too many; else 0.</param>
public sealed record DomainFault(DomainPart Part, LabelFault? Label, int TooLong);

/// <summary>Which part of a domain is wrong.</summary>
public enum DomainPart
{
    /// <summary>What the owner makes up.</summary>
    Label,

    /// <summary>What a registry runs.</summary>
    Ending,
}
