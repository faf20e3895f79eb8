using System.Globalization;
using System.Text;

namespace HomeStart.Core.Advertising;

/// <summary>Ids made of names: "Brightwater Hosting" is brightwater-hosting.</summary>
public static class Slug
{
    private const int Longest = 40;

    /// <summary>ASCII letters, digits and hyphens; <paramref name="otherwise"/> where a name has none.</summary>
    public static string Make(string name, string otherwise)
    {
        var slug = new StringBuilder();
        foreach (var rune in name.EnumerateRunes())
        {
            if (rune.IsAscii && Rune.IsLetterOrDigit(rune))
            {
                slug.Append(Rune.ToLower(rune, CultureInfo.InvariantCulture));
            }
            else if (slug.Length > 0 && slug[^1] != '-')
            {
                slug.Append('-');
            }
        }

        var text = slug.ToString(0, Math.Min(slug.Length, Longest)).Trim('-');
        return text.Length == 0 ? otherwise : text;
    }

    /// <summary>One id a name, no two alike: the second "backup" is backup-2.</summary>
    public static IEnumerable<string> Each(IEnumerable<string> names, string otherwise)
    {
        var taken = new HashSet<string>(StringComparer.Ordinal);
        foreach (var name in names)
        {
            yield return Free(Make(name, otherwise), id => !taken.Add(id));
        }
    }

    /// <summary>The id, or the first of id-2, id-3 … that is not taken.</summary>
    public static string Free(string id, Func<string, bool> isTaken)
    {
        var free = id;
        for (var number = 2; isTaken(free); number++)
        {
            free = string.Create(CultureInfo.InvariantCulture, $"{id}-{number}");
        }

        return free;
    }
}
