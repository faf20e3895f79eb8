using System.Collections.Concurrent;
using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>
/// Patterns over the words of a page, and the numbers that words say. They look at a line of a few hundred characters
/// at most, and give up after a time, so that no page made for it keeps them busy.
/// </summary>
internal static class Patterns
{
    /// <summary>Numbers that are written out.</summary>
    public const string NumberWord =
        "one|two|three|four|five|sixty|sixteen|six|seventeen|seventy|seven|eighteen|eighty|eight|nineteen|ninety|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|twenty-four|twenty-five|twenty|thirty-six|thirty|forty-eight|forty|fifty|a "
        + "dozen|a hundred|hundred";

    /// <summary>A count of months or years.</summary>
    public const string Count = $"(?<count>[0-9]{{1,3}}|{NumberWord})";

    /// <summary>Looks at letters, not at their case.</summary>
    public const RegexOptions AnyCase =
        RegexOptions.CultureInvariant | RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture;

    /// <summary>Tells capitals from small letters.</summary>
    public const RegexOptions ExactCase = RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture;

    /// <summary>After how many milliseconds a pattern gives up.</summary>
    public const int Patience = 5_000;

    private static readonly ConcurrentDictionary<(string Pattern, bool TellsCase), Regex> Known = new();

    private static readonly Dictionary<string, int> Words = new(StringComparer.OrdinalIgnoreCase)
    {
        ["a"] = 1,
        ["an"] = 1,
        ["one"] = 1,
        ["two"] = 2,
        ["three"] = 3,
        ["four"] = 4,
        ["five"] = 5,
        ["six"] = 6,
        ["seven"] = 7,
        ["eight"] = 8,
        ["nine"] = 9,
        ["ten"] = 10,
        ["eleven"] = 11,
        ["twelve"] = 12,
        ["a dozen"] = 12,
        ["thirteen"] = 13,
        ["fourteen"] = 14,
        ["fifteen"] = 15,
        ["sixteen"] = 16,
        ["seventeen"] = 17,
        ["eighteen"] = 18,
        ["nineteen"] = 19,
        ["twenty"] = 20,
        ["twenty-four"] = 24,
        ["twenty-five"] = 25,
        ["thirty"] = 30,
        ["thirty-six"] = 36,
        ["forty"] = 40,
        ["forty-eight"] = 48,
        ["fifty"] = 50,
        ["sixty"] = 60,
        ["seventy"] = 70,
        ["eighty"] = 80,
        ["ninety"] = 90,
        ["hundred"] = 100,
        ["a hundred"] = 100,
    };

    /// <summary>A pattern that looks at letters, not at their case.</summary>
    public static Regex InAnyCase(string pattern) => new(pattern, AnyCase, TimeSpan.FromMilliseconds(Patience));

    /// <summary>A pattern that tells capitals from small letters.</summary>
    public static Regex Exact(string pattern) => new(pattern, ExactCase, TimeSpan.FromMilliseconds(Patience));

    /// <summary>Whether words have a pattern, whatever their case. The pattern is one of the code's own.</summary>
    public static bool Has(string words, string pattern) => Once(pattern, tellsCase: false).IsMatch(words);

    /// <summary>Whether words have a pattern that tells capitals.</summary>
    public static bool HasExact(string words, string pattern) => Once(pattern, tellsCase: true).IsMatch(words);

    /// <summary>Where words have a pattern, whatever their case.</summary>
    public static Match Find(string words, string pattern) => Once(pattern, tellsCase: false).Match(words);

    /// <summary>Words with what a pattern finds put otherwise.</summary>
    public static string Swap(string words, string pattern, string by) =>
        Once(pattern, tellsCase: false).Replace(words, by);

    /// <summary>The number that digits or a word say; null: neither.</summary>
    public static int? Number(string text) =>
        Words.TryGetValue(text, out var word) ? word
        : int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number
        : null;

    /// <summary>Where a name stands in words as a word of its own.</summary>
    public static IEnumerable<int> Mentions(string words, string name)
    {
        for (
            var at = words.IndexOf(name, StringComparison.Ordinal);
            at >= 0;
            at = words.IndexOf(name, at + 1, StringComparison.Ordinal)
        )
        {
            if (
                (at == 0 || !char.IsLetterOrDigit(words[at - 1]))
                && (at + name.Length == words.Length || !char.IsLetterOrDigit(words[at + name.Length]))
            )
            {
                yield return at;
            }
        }
    }

    private static Regex Once(string pattern, bool tellsCase) =>
        Known.GetOrAdd((pattern, tellsCase), static key => key.TellsCase ? Exact(key.Pattern) : InAnyCase(key.Pattern));
}
