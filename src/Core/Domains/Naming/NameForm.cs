using System.Collections.Immutable;
using System.Globalization;
using System.Text;

namespace HomeStart.Core.Domains;

/// <summary>
/// A mended name as it is shown and as registries know it (UTS 46, non-transitional, STD3 rules), with what bars it
/// (naming rules 3 and 4).
/// </summary>
/// <param name="Label">The Unicode form; as it was mended where it has none.</param>
/// <param name="Ascii">The ASCII form; null where it cannot be made.</param>
internal sealed record NameForm(string Label, string? Ascii, ImmutableArray<NameProblem> Problems)
{
    private const string EncodedPrefix = "xn--";

    // Long names are looked at in pieces: the runtime encodes no more than a label has room for.
    private const int Piece = 12;

    private static readonly IdnMapping Idn = new() { UseStd3AsciiRules = true };

    /// <summary>The form of a mended name that stands before an ending.</summary>
    public static NameForm Read(string name, string? ending, Scripts scripts)
    {
        if (name.Length == 0)
        {
            return new NameForm("", null, [NameProblem.Empty]);
        }

        var (label, ascii) = Made(name);
        var problems = ImmutableArray.CreateBuilder<NameProblem>();
        Report(NameProblem.HyphenEdge, label[0] == '-' || label[^1] == '-');
        Report(NameProblem.Hyphen34, label.Length >= 4 && label[2] == '-' && label[3] == '-');
        Report(NameProblem.NotAllowed, ascii is null);
        Report(
            NameProblem.TooLong,
            ascii is not null
                && (
                    ascii.Length > DomainLabel.Longest
                    || (ending is not null && ascii.Length + 1 + ending.Length > DomainName.Longest)
                )
        );
        Report(NameProblem.MixedScripts, scripts.AreMixed(label));
        return new NameForm(label, ascii, problems.ToImmutable());

        void Report(NameProblem problem, bool isSo)
        {
            if (isSo)
            {
                problems.Add(problem);
            }
        }
    }

    private static (string Label, string? Ascii) Made(string name)
    {
        if (System.Text.Ascii.IsValid(name))
        {
            return name.StartsWith(EncodedPrefix, StringComparison.Ordinal) ? Decoded(name) : (name, name);
        }

        // Hyphens alone are no reason for the name itself to be refused.
        var bare = name.Trim('-');
        if (Encoded(bare) is { } encoded)
        {
            var label = name.Replace(bare, encoded.Label, StringComparison.Ordinal);
            return (
                label,
                label == encoded.Label ? encoded.Ascii
                : System.Text.Ascii.IsValid(label) ? label
                : Punycode.Encode(label)
            );
        }

        return (name, null);
    }

    private static (string Label, string? Ascii) Decoded(string name)
    {
        try
        {
            var label = Idn.GetUnicode(name);
            return label != name && Idn.GetAscii(label) == name ? (label, name) : (name, null);
        }
        catch (ArgumentException)
        {
            return (name, null);
        }
    }

    // Without hyphens at its edges; null where UTS 46 refuses it.
    private static (string Label, string Ascii)? Encoded(string bare)
    {
        try
        {
            var ascii = Idn.GetAscii(bare);
            var label =
                !ascii.StartsWith(EncodedPrefix, StringComparison.Ordinal) ? ascii
                : bare.Contains("--", StringComparison.Ordinal) ? Mapped(bare)
                : Idn.GetUnicode(ascii);
            return (label, ascii);
        }
        catch (ArgumentException)
        {
            var mapped = Mapped(bare);
            return mapped.Length > Piece && Pieces(bare).All(IsAllowed)
                ? (mapped, System.Text.Ascii.IsValid(mapped) ? mapped : Punycode.Encode(mapped))
                : null;
        }
    }

    private static bool IsAllowed(string piece)
    {
        try
        {
            return Idn.GetAscii(piece).Length > 0;
        }
        catch (ArgumentException)
        {
            return false;
        }
    }

    private static string Mapped(string text) =>
        text.Normalize(NormalizationForm.FormKC).ToLowerInvariant().Normalize(NormalizationForm.FormC);

    // No piece begins with a mark, nor begins or ends with a hyphen.
    private static IEnumerable<string> Pieces(string text)
    {
        var piece = new StringBuilder();
        foreach (var rune in text.EnumerateRunes().Where(rune => rune.Value != '-'))
        {
            if (piece.Length >= Piece && Rune.IsLetterOrDigit(rune))
            {
                yield return piece.ToString();
                piece.Clear();
            }

            piece.Append(rune);
        }

        yield return piece.ToString();
    }
}
