using System.Text.RegularExpressions;

namespace HomeStart.Core.Tests;

/// <summary>
/// Lines end at 120 characters: the formatters lay out code and prose, and this holds what they leave alone, which is
/// comments. Text that cannot be broken may be longer: raw strings, tables, and single long words.
/// </summary>
public partial class LineLength
{
    private const int Longest = 120;

    [Fact]
    public void No_comment_and_no_code_without_text_in_it_is_longer_than_a_line() =>
        Sources().SelectMany(TooLong).ShouldBeEmpty();

    [Fact]
    public void A_long_comment_would_be_found()
    {
        var file = Path.GetTempFileName();
        File.WriteAllText(file, $"// {string.Concat(Enumerable.Repeat("word ", 30))}\nvar text = 1;\n");
        TooLong(file).Count().ShouldBe(1);
        File.Delete(file);
    }

    private static IEnumerable<string> Sources() =>
        new[] { "src", "tests", "bench", "client/src", "client/engines" }
            .SelectMany(folder =>
                Directory.EnumerateFiles(Path.Combine(Arrows.Root, folder), "*", SearchOption.AllDirectories)
            )
            .Where(file => Path.GetExtension(file) is ".cs" or ".ts" or ".tsx" or ".mjs" or ".css")
            .Where(file => !Made().IsMatch(file));

    private static IEnumerable<string> TooLong(string file) =>
        File.ReadLines(file)
            .Index()
            .Where(line => line.Item.Length > Longest && !Unbreakable().IsMatch(line.Item))
            .Select(line => $"{Path.GetRelativePath(Arrows.Root, file)}:{line.Index + 1}");

    // What tools make, and what they are made from.
    [GeneratedRegex(@"/(?:bin|obj|Migrations|node_modules)/|schema\.d\.ts$|/fixtures/", RegexOptions.None, 1000)]
    private static partial Regex Made();

    // Code with a text in it, markup within a raw string, or a word as long as that.
    [GeneratedRegex(@"^(?!\s*(?://|/?\*)).*[""'`<{]|^\s*(?://+|\*)\s\S+$", RegexOptions.None, 1000)]
    private static partial Regex Unbreakable();
}
