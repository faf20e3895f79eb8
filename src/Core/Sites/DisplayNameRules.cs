using System.Globalization;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Sites;

/// <summary>What owners may call their things.</summary>
internal static class DisplayNameRules
{
    /// <summary>
    /// A name without the white space around it; reported where it is too long, or holds characters that are not seen
    /// or turn the reading direction.
    /// </summary>
    public static string Read(string typed, int longest, Named what, bool required, FaultList faults)
    {
        var name = typed.Trim();
        if (name.Length > longest || (required && name.Length == 0))
        {
            faults.Add(
                name.Length == 0 ? FaultCodes.Required : FaultCodes.OutOfRange,
                "name",
                new NameLength(what, required ? 1 : 0, longest, name.Length)
            );
        }
        else if (name.Any(IsUnseen))
        {
            faults.Add(FaultCodes.BadType, "name", new NameUnseen(what));
        }

        return name;
    }

    // Marks that join letters (U+200C, U+200D) belong to some scripts and to pictures: they are left.
    private static bool IsUnseen(char letter) =>
        char.GetUnicodeCategory(letter) switch
        {
            UnicodeCategory.Control or UnicodeCategory.LineSeparator or UnicodeCategory.ParagraphSeparator => true,
            UnicodeCategory.Format => letter is not ('\u200c' or '\u200d'),
            _ => false,
        };
}
