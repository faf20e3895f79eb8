using System.Collections.Immutable;
using System.Globalization;
using System.Text;

namespace HomeStart.Core.Domains;

/// <summary>A name as it was read: taken out of what was typed, mended, judged.</summary>
/// <param name="Label">The name in its Unicode form, without ending.</param>
/// <param name="Ascii">As registries know it; null where that form cannot be made.</param>
/// <param name="Ending">Typed or given, in ASCII form; null: neither.</param>
/// <param name="Mended">What was done to it, in the order it was met with.</param>
/// <param name="Problems">Each bars the name.</param>
/// <param name="Advice">Bars nothing.</param>
/// <param name="Others">Other spellings that would do.</param>
public sealed record ReadName(
    string Label,
    string? Ascii,
    string? Ending,
    ImmutableArray<NameMend> Mended,
    ImmutableArray<NameProblem> Problems,
    ImmutableArray<NameAdvice> Advice,
    ImmutableArray<string> Others
);

/// <summary>What was mended.</summary>
public enum NameMend
{
    /// <summary>The parts of an address around the name went.</summary>
    Address,

    /// <summary>Labels before the name went.</summary>
    Subdomain,

    /// <summary>A sign became "and".</summary>
    And,

    /// <summary>A character that cannot stand in a name went.</summary>
    Mark,

    /// <summary>Parts were run together.</summary>
    Joined,
}

/// <summary>What bars a name.</summary>
public enum NameProblem
{
    /// <summary>Nothing is left.</summary>
    Empty,

    /// <summary>Nothing stands before the ending.</summary>
    IsAnEnding,

    /// <summary>No registry has the ending.</summary>
    EndingUnknown,

    /// <summary>A hyphen first or last.</summary>
    HyphenEdge,

    /// <summary>Hyphens in places 3 and 4, which are kept for encoded names.</summary>
    Hyphen34,

    /// <summary>UTS 46 refuses it.</summary>
    NotAllowed,

    /// <summary>Over 63 characters in ASCII form, or over 253 with the ending.</summary>
    TooLong,

    /// <summary>Letters of scripts that are not written together.</summary>
    MixedScripts,
}

/// <summary>Something worth a second thought, with its measure.</summary>
/// <param name="Detail">How many, which digits, which letters and place, the other cut, the ASCII form or the
/// ending.</param>
public sealed record NameAdvice(NameAdviceCode Code, string Detail);

/// <summary>What is worth a second thought; in the order it is said.</summary>
public enum NameAdviceCode
{
    /// <summary>Over 12 characters.</summary>
    TooManyCharacters,

    /// <summary>Hyphens have to be said.</summary>
    Hyphen,

    /// <summary>Digits may be written as words.</summary>
    Digit,

    /// <summary>A part ends with the letter with which the next begins.</summary>
    Doubled,

    /// <summary>It can be cut into other words.</summary>
    ReadsOtherwise,

    /// <summary>It has letters beyond a to z.</summary>
    Idn,

    /// <summary>Another country's ending.</summary>
    EndingAbroad,

    /// <summary>Neither .com nor the customers' country's.</summary>
    NotComNorHome,
}

/// <summary>
/// Reads a name out of whatever an owner types: pure, without looking anything up. The rules are those of names.
/// </summary>
public sealed class NameReader(PublicSuffixes suffixes, Scripts scripts, WordList words)
{
    /// <summary>The longest text that is read, in characters.</summary>
    public const int Longest = 300;

    private const int EasyLength = 12;

    private static readonly (string Letter, string Plain)[] Letters =
    [
        ("ß", "ss"),
        ("æ", "ae"),
        ("ø", "o"),
        ("å", "a"),
        ("ł", "l"),
        ("đ", "d"),
        ("þ", "th"),
        ("œ", "oe"),
    ];

    /// <summary>Reads a text of at most <see cref="Longest"/> characters.</summary>
    /// <param name="ending">The one that stands beside the field, in ASCII form; null: none.</param>
    /// <param name="customersIn">The ISO 3166 code of the customers' country; null: not said, and no ending is
    /// abroad.</param>
    public ReadName Read(string text, string? ending, string? customersIn)
    {
        var taken = TakenOut.Find(text, ending, suffixes);
        var mended = MendedName.Mend(taken.Name);
        var form = NameForm.Read(mended.Text, taken.Ending, scripts);
        ImmutableArray<NameProblem> problems = taken.Problem switch
        {
            NameProblem.IsAnEnding => [NameProblem.IsAnEnding],
            { } problem => [.. form.Problems.Add(problem).Order()],
            null => form.Problems,
        };
        return new ReadName(
            form.Label,
            form.Ascii,
            taken.Ending,
            [.. taken.Mends, .. mended.Mends],
            problems,
            [.. AdviceOn(form, mended, taken.Ending, customersIn)],
            Others(form, mended, taken.Ending)
        );
    }

    private IEnumerable<NameAdvice> AdviceOn(NameForm form, MendedName mended, string? ending, string? customersIn)
    {
        var label = form.Label;
        var length = label.EnumerateRunes().Count();
        var hyphens = label.Count(letter => letter == '-');
        var digits = string.Concat(label.EnumerateRunes().Where(Rune.IsDigit));
        if (length > EasyLength)
        {
            yield return new NameAdvice(NameAdviceCode.TooManyCharacters, Count(length));
        }

        if (hyphens > 0)
        {
            yield return new NameAdvice(NameAdviceCode.Hyphen, Count(hyphens));
        }

        if (digits.Length > 0)
        {
            yield return new NameAdvice(NameAdviceCode.Digit, digits);
        }

        if (Doubled(mended.Parts) is { } doubled)
        {
            yield return new NameAdvice(NameAdviceCode.Doubled, doubled);
        }

        if (words.OtherCut(label, mended.Parts) is { } cut)
        {
            yield return new NameAdvice(NameAdviceCode.ReadsOtherwise, string.Join(' ', cut));
        }

        if (!System.Text.Ascii.IsValid(label) && form.Ascii is { } ascii)
        {
            yield return new NameAdvice(NameAdviceCode.Idn, ascii);
        }

        if (ending is null || customersIn is null)
        {
            yield break;
        }

        var last = ending[(ending.LastIndexOf('.') + 1)..];
        var home = string.Equals(customersIn, "GB", StringComparison.OrdinalIgnoreCase)
            ? "uk"
            : customersIn.ToLowerInvariant();
        if (last.Length == 2 && last != home)
        {
            yield return new NameAdvice(NameAdviceCode.EndingAbroad, ending);
        }

        if (ending != "com" && last != home)
        {
            yield return new NameAdvice(NameAdviceCode.NotComNorHome, ending);
        }
    }

    // Both letters and the place of the first of them, counted from 1: "ss 5" of pressstart.
    private static string? Doubled(ImmutableArray<string> parts)
    {
        var place = 0;
        foreach (var (part, next) in parts.Zip(parts.Skip(1)))
        {
            place += part.EnumerateRunes().Count();
            var (last, first) = (part.EnumerateRunes().Last(), next.EnumerateRunes().First());
            if (last == first && Rune.IsLetter(last))
            {
                return $"{last}{first} {Count(place)}";
            }
        }

        return null;
    }

    private ImmutableArray<string> Others(NameForm form, MendedName mended, string? ending)
    {
        string?[] wanted =
        [
            mended.IsJoined ? string.Join('-', mended.Typed) : null,
            mended.Mends.Contains(NameMend.And) ? string.Concat(mended.Typed) : null,
            System.Text.Ascii.IsValid(form.Label) ? null : Plain(form.Label),
        ];
        return
        [
            .. wanted
                .OfType<string>()
                .Where(other => other != form.Label && NameForm.Read(other, ending, scripts).Problems.IsEmpty)
                .Distinct(StringComparer.Ordinal),
        ];
    }

    // In letters a to z; null where some have no such writing.
    private static string? Plain(string label)
    {
        foreach (var (letter, written) in Letters)
        {
            label = label.Replace(letter, written, StringComparison.Ordinal);
        }

        var plain = string.Concat(
            label
                .Normalize(NormalizationForm.FormD)
                .EnumerateRunes()
                .Where(rune =>
                    Rune.GetUnicodeCategory(rune)
                        is not (
                            UnicodeCategory.NonSpacingMark
                            or UnicodeCategory.SpacingCombiningMark
                            or UnicodeCategory.EnclosingMark
                        )
                )
        );
        return System.Text.Ascii.IsValid(plain) ? plain : null;
    }

    private static string Count(int number) => number.ToString(CultureInfo.InvariantCulture);
}
