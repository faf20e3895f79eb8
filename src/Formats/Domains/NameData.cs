using System.Text;

namespace HomeStart.Formats.Domains;

/// <summary>
/// The reader of names with the lists that ship with the application: see Data/README.md for where they are from.
/// </summary>
public static class NameData
{
    private static readonly Lazy<NameReader> Loaded = new(() =>
        new NameReader(
            new PublicSuffixes(Lines("public_suffix_list.dat")),
            new Scripts(Lines("scripts.txt")),
            new WordList(Lines("british-english-small.txt"))
        )
    );

    /// <summary>Made when it is first asked for.</summary>
    public static NameReader Reader => Loaded.Value;

    private static IEnumerable<string> Lines(string file)
    {
        using var reader = new StreamReader(typeof(NameData).Assembly.GetManifestResourceStream(file)!, Encoding.UTF8);
        while (reader.ReadLine() is { } line)
        {
            yield return line;
        }
    }
}
