using System.Collections.Immutable;

namespace HomeStart.Core.Domains;

/// <summary>A name that was thought of.</summary>
/// <param name="Typed">With spaces between its words, as somebody would type it.</param>
public sealed record NameIdea(string Typed, ReadName Name);

/// <summary>
/// Names made of what a business is called, what it does and where: orders, joins, short forms, and trade and town
/// words put together.
/// </summary>
public static class NameIdeas
{
    /// <summary>The most ideas that are given.</summary>
    public const int Most = 300;

    /// <summary>The longest of the three texts, in characters.</summary>
    public const int Longest = 100;

    // More words than these of one text make no name anybody would type.
    private const int MostWords = 4;

    private static readonly HashSet<string> Small = new(StringComparer.Ordinal)
    {
        "and",
        "of",
        "the",
        "a",
        "an",
        "in",
        "at",
        "for",
        "to",
        "by",
        "with",
        "ltd",
        "limited",
        "co",
    };

    /// <summary>
    /// Ideas that nothing bars, those with the least to think twice about first, then the shorter ones.
    /// </summary>
    public static ImmutableArray<NameIdea> Suggest(
        string business,
        string trade,
        string town,
        NameReader reader,
        string? customersIn
    )
    {
        return
        [
            .. Texts(Words(business), Words(trade), string.Concat(Words(town)))
                .Distinct(StringComparer.Ordinal)
                .Take(Most * 2)
                .Select(text => new NameIdea(text, reader.Read(text, null, customersIn)))
                .Where(idea => idea.Name.Problems.IsEmpty && idea.Name.Ascii == idea.Name.Label)
                .DistinctBy(idea => idea.Name.Label)
                .OrderBy(idea => idea.Name.Advice.Length)
                .ThenBy(idea => idea.Name.Label.Length)
                .Take(Most),
        ];
    }

    // With spaces between the words, so that reading knows what they are.
    private static IEnumerable<string> Texts(ImmutableArray<string> business, ImmutableArray<string> trade, string town)
    {
        foreach (var order in Orders(business))
        {
            yield return string.Join(' ', order);
            yield return string.Join('-', order);
            yield return string.Join(" and ", order);
        }

        var work = string.Join(' ', trade);
        ImmutableArray<string> jobs =
        [
            .. trade.SelectMany(Forms),
            .. trade.Length > 1 ? [work] : Array.Empty<string>(),
        ];
        ImmutableArray<string> stems =
        [
            string.Join(' ', business),
            .. business.Where(word => word.Length > 2),
            .. business.Length > 1 ? [string.Concat(business.Select(word => word[0]))] : Array.Empty<string>(),
        ];
        foreach (
            var (stem, tail) in stems
                .SelectMany(stem => jobs.Append(town).Select(tail => (stem, tail)))
                .Where(pair => pair.stem.Length > 0 && pair.tail.Length > 0)
        )
        {
            yield return $"{stem} {tail}";
            yield return $"{tail} {stem}";
        }

        // What it does and where, without its name.
        foreach (var job in jobs)
        {
            yield return $"the {job}";
            if (town.Length > 0)
            {
                yield return $"{town} {job}";
                yield return $"{job} {town}";
                yield return $"{job} in {town}";
            }
        }

        foreach (
            var (one, other) in trade.SelectMany(one =>
                trade.Where(other => other != one).SelectMany(other => Forms(other).Select(form => (one, form)))
            )
        )
        {
            yield return $"{one} {other}";
            yield return $"{one} and {other}";
        }

        if (business.Length > 0)
        {
            yield return $"the {string.Join(' ', business)}";
            yield return $"at {string.Join(' ', business)}";
        }
    }

    // As it is said, and turned round.
    private static IEnumerable<ImmutableArray<string>> Orders(ImmutableArray<string> words)
    {
        if (words.Length == 0)
        {
            yield break;
        }

        yield return words;
        yield return [.. words.Reverse()];
        foreach (var word in words.Where(word => word.Length > 3))
        {
            yield return [word];
        }
    }

    // "clock" and "clocks", "repairs" and "repair".
    private static IEnumerable<string> Forms(string word)
    {
        yield return word;
        yield return word.EndsWith('s') ? word[..^1] : word + "s";
    }

    private static ImmutableArray<string> Words(string text) =>
        [
            .. MendedName
                .Mend((text.Length > Longest ? text[..Longest] : text).ToLowerInvariant())
                .Typed.Where(word => !Small.Contains(word))
                .Take(MostWords),
        ];
}
