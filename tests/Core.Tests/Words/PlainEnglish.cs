using System.Text.RegularExpressions;

namespace HomeStart.Core.Tests;

/// <summary>
/// How easily screens read: no sentence of the client or of Formats is as long as a paragraph, and none uses words that
/// owners did not understand. What is looked at are the texts between tags and quotes; comments and names are not.
/// </summary>
public class PlainEnglish
{
    private const int MostWords = 40;

    private static readonly string[] Strange =
    [
        @"asks nothing",
        @"\b[Ww]hoever\b",
        @"\bfalls? due\b",
        @"\bin all\b(?! )",
        @"\b(?:is|are) had\b",
        @"write that over",
        @"\bstands? there\b",
        @"\bas it is\.",
        @"take the tick off",
        @"\bput(?:s)? away\b",
        @"\bgets? dearer\b",
        @"\bcannot be done as\b",
        @"assume it is met",
        @"looks cheap:",
        @"so it is\b",
        @"only needs waiting",
    ];

    private static readonly Regex Comments = Pattern(
        @"/\*.*?\*/|^\s*//.*?$|(?<=\s)//[^\n]*",
        RegexOptions.Singleline | RegexOptions.Multiline
    );
    private static readonly Regex Quoted = Pattern("""'((?:[^'\\\n]|\\.)*)'|"((?:[^"\\\n]|\\.)*)"|`([^`]*)`""");
    private static readonly Regex Between = Pattern(@"[>}]([^<>{}=;()]*\p{L}{2}[^<>{}=;()]*)[<{]");
    private static readonly Regex Spaces = Pattern(@"\s+");
    private static readonly Regex Ends = Pattern(@"(?<=[.!?])\s");
    private static readonly Regex Code = Pattern(
        @"(?:^| )(?:flex|grid|text-|border|gap-|p[xytbl]?-|m[xytbl]?-|min-|max-|w-|sr-only|block|hidden|items-"
            + @"|const |return |import )"
    );
    private static readonly Regex Hole = Pattern(@"\$?\{[^{}]*\}");

    private static Regex Pattern(string pattern, RegexOptions options = RegexOptions.None) =>
        new(pattern, options, TimeSpan.FromSeconds(5));

    [Fact]
    public void No_sentence_on_screen_is_a_paragraph_or_strange()
    {
        var worst = Sentences()
            .Select(one => (one.File, one.Sentence, Why: Why(one.Sentence)))
            .Where(one => one.Why is not null)
            .Select(one => $"{one.File}: {one.Why}: {one.Sentence}")
            .Distinct()
            .ToList();
        worst.ShouldBeEmpty();
    }

    [Fact]
    public void Sentences_are_found_and_strange_ones_told()
    {
        Sentences().Count().ShouldBeGreaterThan(2_000);
        Sentences().Select(one => one.Sentence).ShouldContain("Skip anything you don’t know yet.");
        Why("Whoever is in charge knows the name.").ShouldNotBeNull();
        Why(string.Join(' ', Enumerable.Repeat("word", MostWords + 1))).ShouldNotBeNull();
        Why("The next bill is £505.30 on 1 Dec 2029.").ShouldBeNull();
    }

    private static string? Why(string sentence) =>
        sentence.Split(' ').Length > MostWords ? $"over {MostWords} words"
        : Strange.FirstOrDefault(words => Pattern(words).IsMatch(sentence)) is { } strange ? $"“{strange}”"
        : null;

    private static IEnumerable<(string File, string Sentence)> Sentences()
    {
        foreach (var file in Files())
        {
            var text = Comments.Replace(File.ReadAllText(file), "");
            var found = Quoted
                .Matches(text)
                .Select(match => match.Groups.Values.Skip(1).First(group => group.Success).Value);
            found = file.EndsWith(".tsx", StringComparison.Ordinal)
                ? found.Concat(Between.Matches(text).Select(match => match.Groups[1].Value))
                : found;
            foreach (
                var words in found
                    .Select(one => Spaces.Replace(Hole.Replace(one, "X"), " ").Trim())
                    .Where(one => one.Split(' ').Length >= 3 && !IsCode(one))
            )
            {
                foreach (var sentence in Ends.Split(words))
                {
                    yield return (Path.GetFileName(file), sentence);
                }
            }
        }
    }

    // The names of styles are words too.
    private static bool IsCode(string words) => Code.IsMatch(words);

    private static IEnumerable<string> Files() =>
        [
            .. Directory
                .GetFiles(Path.Combine(Arrows.Root, "client", "src"), "*.ts*", SearchOption.AllDirectories)
                .Where(file =>
                    !file.Contains(".test.", StringComparison.Ordinal)
                    && !file.EndsWith("schema.d.ts", StringComparison.Ordinal)
                ),
            .. Directory.GetFiles(Path.Combine(Arrows.Root, "src", "Formats", "Words"), "*.cs"),
            .. Directory.GetFiles(Path.Combine(Arrows.Root, "src", "Formats", "Letters"), "*.cs"),
        ];
}
