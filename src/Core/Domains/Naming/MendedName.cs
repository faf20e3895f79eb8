using System.Collections.Immutable;
using System.Globalization;
using System.Text;

namespace HomeStart.Core.Domains;

/// <summary>A name after mending (naming rule 2).</summary>
/// <param name="Text">The parts run together.</param>
/// <param name="Parts">What stood between spaces, dashes and the like, an "and" that was made of a sign among
/// them.</param>
/// <param name="Typed">So without that "and".</param>
/// <param name="Mends">What was done, in the order it was met with.</param>
internal sealed record MendedName(
    string Text,
    ImmutableArray<string> Parts,
    ImmutableArray<string> Typed,
    ImmutableArray<NameMend> Mends
)
{
    private static readonly System.Buffers.SearchValues<char> Quotes = System.Buffers.SearchValues.Create(
        "'\"`´‘’‚‛“”„‟‹›«»′″ʼ＇＂"
    );

    /// <summary>Whether several parts were run together.</summary>
    public bool IsJoined => Mends.Contains(NameMend.Joined) && Typed.Length > 1;

    /// <summary>Mends what was taken out of the text.</summary>
    public static MendedName Mend(string name)
    {
        var mends = new List<NameMend>();
        var parts = new List<(StringBuilder Text, bool IsSign)>();
        var isOpen = false;
        foreach (var rune in name.Normalize(NormalizationForm.FormC).EnumerateRunes())
        {
            switch (KindOf(rune))
            {
                case Kind.Kept when isOpen:
                    parts[^1].Text.Append(rune);
                    break;
                case Kind.Kept:
                    parts.Add((new StringBuilder(rune.ToString()), false));
                    isOpen = true;
                    break;
                case Kind.Sign:
                    parts.Add((new StringBuilder("and"), true));
                    isOpen = false;
                    Note(NameMend.And);
                    break;
                case Kind.Join:
                    isOpen = false;
                    Note(NameMend.Joined);
                    break;
                default:
                    Note(NameMend.Mark);
                    break;
            }
        }

        ImmutableArray<string> all = [.. parts.Select(part => part.Text.ToString())];
        return new MendedName(
            string.Concat(all),
            all,
            [.. parts.Where(part => !part.IsSign).Select(part => part.Text.ToString())],
            [.. mends]
        );

        void Note(NameMend mend)
        {
            if (!mends.Contains(mend))
            {
                mends.Add(mend);
            }
        }
    }

    private enum Kind
    {
        Kept,
        Sign,
        Join,
        Gone,
    }

    private static Kind KindOf(Rune rune) =>
        rune.Value switch
        {
            '&' or '+' => Kind.Sign,
            '-' => Kind.Kept,
            '_' or '/' or '\\' or '.' or 0x2044 or 0x2215 or 0xff0f => Kind.Join,
            _ when rune.IsBmp && Quotes.Contains((char)rune.Value) => Kind.Gone,
            _ when Rune.IsWhiteSpace(rune) => Kind.Join,
            _ => Rune.GetUnicodeCategory(rune) switch
            {
                UnicodeCategory.DashPunctuation => Kind.Join,
                UnicodeCategory.NonSpacingMark
                or UnicodeCategory.SpacingCombiningMark
                or UnicodeCategory.EnclosingMark
                or UnicodeCategory.DecimalDigitNumber => Kind.Kept,
                _ => Rune.IsLetter(rune) ? Kind.Kept : Kind.Gone,
            },
        };
}
