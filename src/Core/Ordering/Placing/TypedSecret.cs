using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Ordering;

/// <summary>
/// Finds what must not be kept in what an owner types freely: the number of a card, or a secret that is named as one.
/// </summary>
public static class TypedSecret
{
    private const int ShortestCard = 13;
    private const int LongestCard = 19;

    // Neither goes back over what it has read: the texts are anybody's, and a mail may be long.
    private static readonly Regex Digits = new(
        @"\d(?:[ -]?\d)+",
        RegexOptions.CultureInvariant | RegexOptions.NonBacktracking
    );

    private static readonly Regex Named = new(
        @"\b(?:pass(?:word|code|phrase)?|pin|secret|(?:transfer|auth(?:orisation)?|security)[ -]?code|cvv"
            + @"|cvc)\b\s*(?:is\b|[:=])\s*\S",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.NonBacktracking
    );

    /// <summary>What stands in a text that is secret; null: nothing that can be told by looking.</summary>
    public static SecretKind? In(string typed)
    {
        var text = Plain(typed);
        return Digits.Matches(text).Any(run => IsCard(run.Value)) ? SecretKind.CardNumber
            : Named.IsMatch(text) ? SecretKind.Passcode
            : null;
    }

    // Digits of any width and script are digits, dashes of any length are hyphens, and what cannot be seen is not
    // there.
    private static string Plain(string typed)
    {
        var plain = new StringBuilder(typed.Length);
        foreach (var letter in typed.EnumerateRunes())
        {
            var category = Rune.GetUnicodeCategory(letter);
            if (category == UnicodeCategory.DecimalDigitNumber)
            {
                plain.Append((char)('0' + (int)Rune.GetNumericValue(letter)));
            }
            else if (category == UnicodeCategory.SpaceSeparator)
            {
                plain.Append(' ');
            }
            else if (category == UnicodeCategory.DashPunctuation)
            {
                plain.Append('-');
            }
            else if (category != UnicodeCategory.Format)
            {
                plain.Append(letter.ToString());
            }
        }

        return plain.ToString();
    }

    // The sum of digits that every number of a card keeps to, so that most other long numbers are told apart.
    private static bool IsCard(string run)
    {
        var digits = run.Where(char.IsAsciiDigit).Select(digit => digit - '0').Reverse().ToList();
        return digits.Count is >= ShortestCard and <= LongestCard
            && digits.Select((digit, place) => place % 2 == 0 ? digit : (digit * 2 / 10) + (digit * 2 % 10)).Sum() % 10
                == 0;
    }
}

/// <summary>What is secret.</summary>
public enum SecretKind
{
    /// <summary>The number of a card.</summary>
    CardNumber,

    /// <summary>Something that lets whoever reads it in.</summary>
    Passcode,
}
