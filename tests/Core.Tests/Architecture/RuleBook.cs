using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Tests;

/// <summary>
/// The rules that the code follows are in docs/rules: each that is cited, each link of the documents, and the very
/// examples that are tested.
/// </summary>
public sealed partial class RuleBook
{
    private static readonly string Root = Found(new DirectoryInfo(AppContext.BaseDirectory));

    /// <summary>The page that a citation without one means, by the room it is in.</summary>
    private static readonly (string Room, string Page)[] Rooms =
    [
        ("/Costings/", "costing"),
        ("/Costing/", "costing"),
        ("/Offers/", "costing"),
        ("/Scanning/", "scan"),
        ("/Naming/", "names"),
        ("/Upkeep/", "upkeep"),
        ("/Reconciling/", "reconciling"),
        ("/Pages/", "pages"),
    ];

    [Fact]
    public void Every_rule_that_a_comment_cites_is_there()
    {
        var rules = Directory
            .GetFiles(Path.Combine(Root, "docs", "rules"), "*.md")
            .ToDictionary(file => Path.GetFileNameWithoutExtension(file), NumbersIn);
        var cited = 0;
        var missing = new List<string>();
        foreach (var file in Sources())
        {
            var at = Path.GetRelativePath(Root, file).Replace('\\', '/');
            foreach (Match citation in Citation().Matches(File.ReadAllText(file)))
            {
                var page = citation.Groups["page"].Value.ToLowerInvariant() is { Length: > 0 } said
                    ? (said is "naming" ? "names" : said)
                    : Rooms.FirstOrDefault(room => at.Contains(room.Room, StringComparison.Ordinal)).Page;
                var numbers = Number()
                    .Matches(citation.Groups["numbers"].Value)
                    .Select(number => int.Parse(number.Value, CultureInfo.InvariantCulture))
                    .ToList();
                cited += numbers.Count;
                missing.AddRange(
                    numbers
                        .Where(number => page is null || !rules[page].Contains(number))
                        .Select(number => $"{at}: {citation.Value} ({page ?? "of which page?"} {number})")
                );
            }
        }

        missing.ShouldBeEmpty();
        cited.ShouldBeGreaterThan(100);
    }

    [Fact]
    public void Every_link_of_the_documents_leads_somewhere()
    {
        var documents = Directory
            .GetFiles(Path.Combine(Root, "docs"), "*.md", SearchOption.AllDirectories)
            .Append(Path.Combine(Root, "README.md"))
            .ToList();
        documents.Count.ShouldBeGreaterThan(10);
        documents
            .SelectMany(file =>
                Link()
                    .Matches(File.ReadAllText(file))
                    .Select(link =>
                        (
                            File: Path.GetRelativePath(Root, file),
                            To: link.Groups["to"].Value,
                            Full: Path.GetFullPath(Path.Combine(Path.GetDirectoryName(file)!, link.Groups["to"].Value))
                        )
                    )
            )
            .Where(link => !File.Exists(link.Full) && !Directory.Exists(link.Full))
            .Select(link => $"{link.File}: {link.To}")
            .ShouldBeEmpty();
    }

    [Fact]
    public void The_examples_beside_the_rules_are_those_that_are_tested()
    {
        var folder = Path.Combine(Root, "docs", "rules", "examples");
        var examples = Directory.GetFiles(folder, "*", SearchOption.AllDirectories);
        examples.Length.ShouldBeGreaterThan(200);
        foreach (var example in examples)
        {
            var tested = Path.Combine(AppContext.BaseDirectory, "fixtures", Path.GetRelativePath(folder, example));
            File.ReadAllBytes(tested).ShouldBe(File.ReadAllBytes(example), example);
        }
    }

    private static IEnumerable<string> Sources() =>
        new[] { "src", "tests" }
            .SelectMany(folder =>
                Directory.EnumerateFiles(Path.Combine(Root, folder), "*.cs", SearchOption.AllDirectories)
            )
            .Where(file =>
                !file.Contains("/obj/", StringComparison.Ordinal) && !file.Contains("/bin/", StringComparison.Ordinal)
            );

    private static HashSet<int> NumbersIn(string file) =>
        [
            .. File.ReadLines(file)
                .Select(line => Rule().Match(line))
                .Where(rule => rule.Success)
                .Select(rule => int.Parse(rule.Groups["number"].Value, CultureInfo.InvariantCulture)),
        ];

    private static string Found(DirectoryInfo folder) =>
        File.Exists(Path.Combine(folder.FullName, "HomeStart.slnx")) ? folder.FullName : Found(folder.Parent!);

    [GeneratedRegex(
        @"(?:(?<page>costing|scan|names|naming|upkeep|reconciling|pages)(?:['’]s|\.md,)? )?\brules? "
            + @"(?<numbers>\d+(?:(?:, | and | to )\d+)*)",
        RegexOptions.ExplicitCapture | RegexOptions.IgnoreCase,
        matchTimeoutMilliseconds: 5000
    )]
    private static partial Regex Citation();

    [GeneratedRegex(@"\d+", RegexOptions.None, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Number();

    [GeneratedRegex(@"^(?<number>\d+)\. ", RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Rule();

    [GeneratedRegex(
        @"\]\((?<to>(?!https?:|#|mailto:)[^)#\s]+)",
        RegexOptions.ExplicitCapture,
        matchTimeoutMilliseconds: 1000
    )]
    private static partial Regex Link();
}
