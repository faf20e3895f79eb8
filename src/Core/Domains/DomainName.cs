using System.Globalization;
using System.Text;

namespace HomeStart.Core.Domains;

/// <summary>
/// A domain as a registry knows it: two labels or more, lower case, in ASCII form, at most 253 characters in all (RFC 1035, RFC 5890). Only a text that is one can be
/// ordered, costed or sent to a counterpart.
/// </summary>
public sealed record DomainName
{
    /// <summary>The most characters of a whole domain, its dots counted.</summary>
    public const int Longest = 253;

    private const string EncodedPrefix = "xn--";

    private static readonly IdnMapping Idn = new() { UseStd3AsciiRules = true };

    private DomainName(string text) => Text = text;

    public string Text { get; }

    /// <summary>The domain made of a label and an ending, or what is wrong with which of them.</summary>
    public static (DomainName? Domain, DomainFault? Fault) Parse(string label, string ending)
    {
        if (Encoded(label) is not { } name)
        {
            return (null, new DomainFault(DomainPart.Label, DomainLabel.Parse(label).Fault?.Reason ?? "This is no domain name: use letters, digits and inner hyphens."));
        }

        return ParseEnding(ending) is not { } tail ? (null, new DomainFault(DomainPart.Ending, "This is no ending of a domain, such as com or co.uk."))
            : name.Length + 1 + tail.Length > Longest ? (null, new DomainFault(DomainPart.Label, $"With its ending this has {name.Length + 1 + tail.Length} characters; a domain has at most {Longest}."))
            : (new DomainName($"{name}.{tail}"), null);
    }

    /// <summary>A domain written out; null where the text is none.</summary>
    public static DomainName? Parse(string? text)
    {
        var dot = text?.IndexOf('.', StringComparison.Ordinal) ?? -1;
        return dot < 0 ? null : Parse(text![..dot], text[(dot + 1)..]).Domain;
    }

    /// <summary>An ending without its leading dot, in ASCII form; null where the text is none.</summary>
    public static string? ParseEnding(string ending)
    {
        var labels = ending.Length > Longest ? [] : Array.ConvertAll(ending.Split('.'), Encoded);
        return labels.Length > 0 && Array.TrueForAll(labels, label => label is not null) ? string.Join('.', labels) : null;
    }

    public override string ToString() => Text;

    // One label in ASCII form; null where it is none.
    private static string? Encoded(string label)
    {
        try
        {
            var text = System.Text.Ascii.IsValid(label) ? label.ToLowerInvariant() : label.EnumerateRunes().All(IsWritten) ? Idn.GetAscii(label.ToLowerInvariant()) : "";
            return IsPlain(text) && (text.Length < 4 || text[2] != '-' || text[3] != '-' || IsEncoded(text)) ? text : null;
        }
        catch (ArgumentException)
        {
            return null;
        }
    }

    // Letters, their marks and digits; not what cannot be seen or turns the reading direction.
    private static bool IsWritten(Rune rune) => rune.Value == '-' || Rune.IsLetterOrDigit(rune) || Rune.GetUnicodeCategory(rune) is UnicodeCategory.NonSpacingMark or UnicodeCategory.SpacingCombiningMark;

    private static bool IsPlain(string text) =>
        text.Length is > 0 and <= DomainLabel.Longest && text[0] != '-' && text[^1] != '-' && text.All(letter => char.IsAsciiLetterLower(letter) || char.IsAsciiDigit(letter) || letter == '-');

    // Hyphens in the third and fourth place are kept for names in other scripts, encoded so that they can be read back (RFC 5891, 4.2.3.1).
    private static bool IsEncoded(string text) =>
        text.StartsWith(EncodedPrefix, StringComparison.Ordinal) && Idn.GetUnicode(text) is var decoded && decoded != text && Idn.GetAscii(decoded).Equals(text, StringComparison.OrdinalIgnoreCase);
}

/// <summary>What is wrong with a domain, in which part, as a sentence for a person.</summary>
public sealed record DomainFault(DomainPart Part, string Reason);

public enum DomainPart
{
    Label,
    Ending,
}
