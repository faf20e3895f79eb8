using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Json;
using HomeStart.Formats.Pages;

namespace HomeStart.Core.Tests;

/// <summary>
/// Pages and carts with their truth: those of the specification, and those changed in ways that change no value.
/// </summary>
public sealed class PageExamples
{
    private static readonly string Folder = Path.Combine(AppContext.BaseDirectory, "fixtures", "pages");

    private static readonly string OwnFolder = Path.Combine(AppContext.BaseDirectory, "fixtures", "own-pages");

    [Theory]
    [InlineData("page", "html", 99.0, 0.1)]
    [InlineData("page", "txt", 99.0, 0.2)]
    [InlineData("cart", "html", 99.0, 0.1)]
    [InlineData("cart", "txt", 99.0, 0.1)]
    public void Are_read_right_and_hardly_ever_wrong(string kind, string mode, double least, double most) =>
        ShouldBeRead(Folder, kind, mode, least, most);

    // Written after the reader could read the examples, to see what it makes of other builds: each has a layout and a
    // wording of its own.
    [Theory]
    [InlineData("page", "html", 97.0, 0.3)]
    [InlineData("page", "txt", 95.0, 0.5)]
    [InlineData("cart", "html", 98.0, 0.3)]
    [InlineData("cart", "txt", 98.0, 0.3)]
    public void Of_other_builds_are_read_too(string kind, string mode, double least, double most) =>
        ShouldBeRead(OwnFolder, kind, mode, least, most);

    internal static void ShouldBeRead(string folder, string kind, string mode, double least, double most)
    {
        var whole = new PageScore();
        var said = new List<string>();
        foreach (var (stem, example) in Load(folder, kind))
        {
            var file = Path.Combine(folder, $"{stem}.{mode}");
            if (!File.Exists(file))
            {
                continue;
            }

            var answer = Read(kind, mode, File.ReadAllText(file));
            var truth = (mode == "txt" ? example["truthText"] ?? example["truth"] : example["truth"])!.AsObject();
            var score = PageScore.Compare(kind, truth, answer);
            var amounts = (mode == "txt" ? example["amountsText"] ?? example["amounts"] : example["amounts"])!
                .AsArray()
                .Select(amount => amount!.GetValue<string>());
            var left = PageScore.Uncovered(amounts, answer);
            said.AddRange(score.Wrong.Select(wrong => $"{stem}: {wrong}"));
            said.AddRange(left.Select(amount => $"{stem}: {amount} is neither a source nor left over"));
            left.ShouldBeEmpty(string.Join('\n', said));
            whole.Add(score);
        }

        whole.Facts.ShouldBeGreaterThan(0);
        (100.0 * whole.Right / whole.Facts).ShouldBeGreaterThanOrEqualTo(
            least,
            $"{whole.Missing} missing; {string.Join('\n', said)}"
        );
        (100.0 * whole.Wrong.Count / whole.Facts).ShouldBeLessThanOrEqualTo(most, string.Join('\n', said));
    }

    internal static IEnumerable<(string Stem, JsonObject Example)> Load(string folder, string kind) =>
        Directory
            .GetFiles(folder, "*.truth.json")
            .Order(StringComparer.Ordinal)
            .Select(file =>
                (Path.GetFileName(file)[..^".truth.json".Length], JsonNode.Parse(File.ReadAllText(file))!.AsObject())
            )
            .Where(example => example.Item2["kind"]!.GetValue<string>() == kind);

    internal static JsonObject Read(string kind, string mode, string words)
    {
        var page = mode == "html" ? HtmlPage.Read(words, CancellationToken.None).Page! : PlainPage.Read(words);
        object wire =
            kind == "page" ? PageWriter.Write(PageReader.Read(page)) : PageWriter.Write(CartReader.Read(page));
        return JsonSerializer.SerializeToNode(wire, WireJson.Options)!.AsObject();
    }
}
