using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Patterns over text that a stranger wrote: each runs in time linear to it, whatever it holds.</summary>
internal static class ProseText
{
    /// <summary>The longest advertisement that is read.</summary>
    public const int Longest = 20_000;

    /// <summary>A pattern that ignores case.</summary>
    public static Regex Pattern(string pattern) =>
        new(
            pattern,
            RegexOptions.NonBacktracking
                | RegexOptions.IgnoreCase
                | RegexOptions.CultureInvariant
                | RegexOptions.ExplicitCapture
        );

    /// <summary>A pattern in which capitals count.</summary>
    public static Regex ExactPattern(string pattern) =>
        new(pattern, RegexOptions.NonBacktracking | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture);

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
}
