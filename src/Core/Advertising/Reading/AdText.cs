using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Advertising;

/// <summary>Patterns over text that a stranger wrote: each runs in time linear to it, whatever it holds.</summary>
internal static class AdText
{
    /// <summary>The longest advertisement that is read.</summary>
    public const int Longest = 20_000;

    /// <summary>A pattern that ignores case.</summary>
    public static Regex Pattern(string pattern) => new(pattern, RegexOptions.NonBacktracking | RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture);

    /// <summary>A pattern in which capitals count.</summary>
    public static Regex ExactPattern(string pattern) => new(pattern, RegexOptions.NonBacktracking | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture);

    private static readonly Regex SentenceEnd = Pattern(@"[!?;\n\r•·|*]+|\.(\s|$)");

    private static readonly Regex Abbreviation = Pattern(@"\b(incl?|excl?|approx|max|min|no)\.\s");

    /// <summary>The sentences, list items and lines of a text.</summary>
    public static ImmutableArray<string> Sentences(string text)
    {
        text = Abbreviation.Replace(text, match => match.Value.Replace('.', ' '));
        var sentences = ImmutableArray.CreateBuilder<string>();
        var begin = 0;
        foreach (var end in SentenceEnd.EnumerateMatches(text))
        {
            Add(text[begin..end.Index]);
            begin = end.Index + end.Length;
        }

        Add(text[begin..]);
        return sentences.ToImmutable();

        void Add(string sentence)
        {
            if (!string.IsNullOrWhiteSpace(sentence))
            {
                sentences.Add(Spaces.Replace(sentence.Trim(), " "));
            }
        }
    }

    private static readonly Regex Spaces = Pattern(@"\s+");

    /// <summary>What stands right behind a place, as much as any pattern there needs.</summary>
    public static string Behind(string text, int at) => text.Substring(at, Math.Min(60, text.Length - at));

    /// <summary>Numbers that are written out.</summary>
    public const string NumberWord = "one|two|three|four|five|six|ten|twelve|eighteen|twenty-four|thirty-six";

    /// <summary>The number that digits or a word say; null: none an advertisement would mean.</summary>
    public static int? Number(string text) =>
        text.ToLowerInvariant() switch
        {
            "one" or "a" or "an" => 1,
            "two" => 2,
            "three" => 3,
            "four" => 4,
            "five" => 5,
            "six" => 6,
            "ten" => 10,
            "twelve" => 12,
            "eighteen" => 18,
            "twenty-four" => 24,
            "thirty-six" => 36,
            var digits => int.TryParse(digits, System.Globalization.NumberStyles.None, System.Globalization.CultureInfo.InvariantCulture, out var number) ? number : null,
        };
}
