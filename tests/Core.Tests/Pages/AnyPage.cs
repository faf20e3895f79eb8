using HomeStart.Formats.Pages;

namespace HomeStart.Core.Tests;

/// <summary>
/// Pages and carts that nobody would write: those we have, shaken. Each is read without a fault, and whatever the
/// reading points at is in its text.
/// </summary>
public sealed class AnyPage
{
    private static readonly (string Name, Func<string[], Random, string> Shake)[] Shakes =
    [
        ("lines in another order", (lines, random) => string.Join('\n', Shuffled(lines, random))),
        ("every other line gone", (lines, random) => string.Join('\n', lines.Where(_ => random.Next(2) == 0))),
        ("all in one line", (lines, _) => string.Join(' ', lines)),
        ("a word a line", (lines, _) => string.Join('\n', lines.SelectMany(line => line.Split(' ', '\t')))),
        ("lines cut anywhere", (lines, random) => string.Concat(lines.Select(line => Cut(line, random)))),
        ("cells one below the other", (lines, _) => string.Join('\n', lines).Replace('\t', '\n')),
        ("two lines side by side", (lines, _) =>
            string.Join('\n', lines.Chunk(2).Select(two => string.Join('\t', two)))
        ),
        ("every line twice", (lines, _) => string.Join('\n', lines.SelectMany(line => new[] { line, line }))),
    ];

    [Theory]
    [InlineData("pages")]
    [InlineData("own-pages")]
    public void Of_plain_text_is_read_without_a_fault(string folder)
    {
        foreach (var (number, file) in Files(folder, "*.txt").Index())
        {
            var lines = File.ReadAllLines(file);
            foreach (var (name, shake) in Shakes.Where((_, at) => (at + number) % 3 == 0))
            {
                var words = shake(lines, new Random(number));
                ShouldBeSound(PlainPage.Read(words), $"{Path.GetFileName(file)}, {name}");
            }
        }
    }

    [Theory]
    [InlineData("pages")]
    [InlineData("own-pages")]
    public void With_pieces_missing_from_its_html_is_read_without_a_fault(string folder)
    {
        foreach (var (number, file) in Files(folder, "*.html").Index())
        {
            var (html, random) = (File.ReadAllText(file), new Random(number));
            for (var piece = 0; piece < 6; piece++)
            {
                var from = random.Next(html.Length);
                html = html.Remove(from, Math.Min(html.Length - from, random.Next(60)));
            }

            ShouldBeSound(HtmlPage.Read(html, CancellationToken.None).Page!, Path.GetFileName(file));
        }
    }

    private static void ShouldBeSound(PageText page, string which)
    {
        try
        {
            var (read, cart) = (PageReader.Read(page), CartReader.Read(page));
            ProseReader.Read(page.Text).ShouldAllBe(finding => finding.Words.Length > 0, which);
            read.Sources.Concat(cart.Sources)
                .Select(source => source.Words)
                .Concat(read.NotPlaced.Concat(cart.NotPlaced).Select(left => left.Words))
                .ShouldAllBe(words => 0 <= words.From && words.From < words.To && words.To <= page.Text.Length, which);
        }
        catch (Exception exception)
            when (exception is ArgumentException or InvalidOperationException or IndexOutOfRangeException)
        {
            throw new ShouldAssertException($"{which}: {exception.Message} {exception.StackTrace}", exception);
        }
    }

    private static IEnumerable<string> Files(string folder, string pattern) =>
        Directory
            .GetFiles(Path.Combine(AppContext.BaseDirectory, "fixtures", folder), pattern)
            .Order(StringComparer.Ordinal);

    private static string[] Shuffled(string[] lines, Random random)
    {
        random.Shuffle(lines = [.. lines]);
        return lines;
    }

    private static string Cut(string line, Random random) => line.Insert(random.Next(line.Length + 1), "\n");
}
