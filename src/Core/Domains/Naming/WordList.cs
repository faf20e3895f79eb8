using System.Collections.Immutable;

namespace HomeStart.Core.Domains;

/// <summary>The words of a language, for reading a name as others might.</summary>
public sealed class WordList
{
    private const int Shortest = 3;

    private readonly HashSet<string> _words;
    private readonly int _longest;

    /// <summary>Words of three letters and more count. Names, with their capitals, stand in no domain name.</summary>
    public WordList(IEnumerable<string> words)
    {
        _words = [.. words];
        _longest = _words.Count == 0 ? 0 : _words.Max(word => word.Length);
    }

    /// <summary>
    /// The cut of a name into the fewest words that is not the one its owner means; of equals the one whose first words
    /// are longest; null where there is none.
    /// </summary>
    public ImmutableArray<string>? OtherCut(string name, ImmutableArray<string> meant)
    {
        if (!name.All(char.IsAsciiLetterLower))
        {
            return null;
        }

        // The two best cuts of what is left from each place on: one of them is not the one that is meant.
        var best = new List<ImmutableArray<string>>[name.Length + 1];
        best[name.Length] =
        [
            [],
        ];
        for (var from = name.Length - 1; from >= 0; from--)
        {
            best[from] =
            [
                .. WordsAt(name, from)
                    .SelectMany(word => best[from + word.Length].Select(rest => rest.Insert(0, word)))
                    .OrderBy(cut => cut.Length)
                    .ThenByDescending(
                        cut => string.Concat(cut.Select(word => (char)word.Length)),
                        StringComparer.Ordinal
                    )
                    .Take(2),
            ];
        }

        var other = best[0].Find(cut => !cut.SequenceEqual(meant));
        return other.IsDefault ? null : other;
    }

    private IEnumerable<string> WordsAt(string name, int from)
    {
        for (var length = Shortest; length <= Math.Min(_longest, name.Length - from); length++)
        {
            if (_words.Contains(name.Substring(from, length)))
            {
                yield return name.Substring(from, length);
            }
        }
    }
}
