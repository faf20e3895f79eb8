using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Tests;

/// <summary>
/// The example pages changed in ways that change no value: what a page has in common with others is read, not how one
/// page calls it.
/// </summary>
public sealed class ChangedPages
{
    private static readonly string Folder = Path.Combine(AppContext.BaseDirectory, "fixtures", "pages");

    private static readonly string[] Names =
    [
        "mini",
        "Web 2.0",
        "Studio Flat",
        "Kx",
        "Business Plus",
        "Sprout",
        "Harbour Light",
        "Oak & Ash",
        "Number Nine",
        "Basis",
        "Mustard Seed",
        "XL",
        "Big Barn",
        "Grow",
        "Seven",
    ];

    private static readonly Dictionary<string, string> Words = new(StringComparer.Ordinal)
    {
        ["Add to your plan"] = "Nice to have",
        ["Useful additions"] = "Little helpers",
        ["Extras"] = "Side dishes",
        ["Frequently asked questions"] = "You ask, we answer",
        ["Good to know"] = "Worth knowing",
        ["FAQ"] = "Help with choosing",
        ["Domains"] = "Web addresses",
        ["What a domain costs"] = "Name prices",
        ["Plans and prices"] = "Choose a size",
        ["Busy days welcome"] = "Made for peak season",
        ["All you need for a brochure"] = "For cafés and salons",
        ["When the shop grows"] = "Ready for more",
        ["For a first site"] = "Dip a toe in",
        ["Room for plenty"] = "Space to stretch",
        ["Select"] = "I want this",
        ["Choose"] = "Go for it",
        ["Order now"] = "Get it",
        ["Add to basket"] = "Put in my bag",
        ["Take this one"] = "That one please",
        ["Get started"] = "Let's go",
    };

    [Theory]
    [InlineData("html", 97.0, 0.5)]
    [InlineData("txt", 96.0, 1.0)]
    public void With_other_names_headings_and_buttons_are_read_alike(string mode, double least, double most)
    {
        var (whole, said) = (new PageScore(), new List<string>());
        foreach (var (number, (stem, example)) in PageExamples.Load(Folder, "page").Index())
        {
            var truth = (mode == "txt" ? example["truthText"] ?? example["truth"] : example["truth"])!.AsObject();
            var names = truth["plans"]!
                .AsArray()
                .Select(plan => plan!["name"]?.GetValue<string>())
                .OfType<string>()
                .Where(name => name.Length > 1)
                .Distinct(StringComparer.Ordinal)
                .ToList();
            var renamed = names
                .Index()
                .ToDictionary(
                    pair => pair.Item,
                    pair => Names[(number + (pair.Index * 4)) % Names.Length],
                    StringComparer.Ordinal
                );
            foreach (
                var plan in truth["plans"]!
                    .AsArray()
                    .Where(plan => plan!["name"] is not null && renamed.ContainsKey(plan["name"]!.GetValue<string>()))
            )
            {
                plan!["name"] = renamed[plan["name"]!.GetValue<string>()];
            }

            var words = Changed(File.ReadAllText(Path.Combine(Folder, $"{stem}.{mode}")), renamed);
            var score = PageScore.Compare("page", truth, PageExamples.Read("page", mode, words));
            said.AddRange(score.Wrong.Select(wrong => $"{stem}: {wrong}"));
            whole.Add(score);
        }

        (100.0 * whole.Right / whole.Facts).ShouldBeGreaterThanOrEqualTo(
            least,
            $"{whole.Missing} missing; {string.Join('\n', said)}"
        );
        (100.0 * whole.Wrong.Count / whole.Facts).ShouldBeLessThanOrEqualTo(most, string.Join('\n', said));
    }

    [Fact]
    public void Noise_around_a_page_changes_no_value()
    {
        const string Before = "<nav><a>Shop window</a> <a>Where we are</a></nav><p>Ring 01632 960 555, 8 to 18.</p>";
        const string After =
            "<p>“They mended it in 12 minutes, for £0.” – Ada, florist</p><p>Trusted by 4,000 "
            + "clubs</p><footer><a>Imprint</a> <a>Jobs</a></footer>";
        foreach (var (stem, _) in PageExamples.Load(Folder, "page"))
        {
            var html = File.ReadAllText(Path.Combine(Folder, stem + ".html"));
            var body = html.IndexOf("<body", StringComparison.OrdinalIgnoreCase) is var open and >= 0
                ? html.IndexOf('>', open) + 1
                : 0;
            var end = html.LastIndexOf("</body", StringComparison.OrdinalIgnoreCase) is var close and >= 0
                ? close
                : html.Length;
            Plans(html[..body] + Before + html[body..end] + After + html[end..]).ShouldBe(Plans(html), stem);
        }
    }

    [Fact]
    public void The_order_of_two_cards_changes_no_value()
    {
        static string Card(string name, string price, int sites) =>
            $"<div><h3>{name}</h3><p>For busy people</p><p>{price} a month, billed yearly</p><ul><li>{sites} "
            + $"websites</li><li>{sites * 10} GB storage</li></ul></div>";
        var (one, other) = (Card("Alder", "£3.49", 2), Card("Birch", "£7.25", 5));
        var (first, second) = (Read($"<main>{one}{other}</main>"), Read($"<main>{other}{one}</main>"));
        first.Select(plan => plan["name"]!.GetValue<string>()).ShouldBe(["Alder", "Birch"]);
        Enumerable
            .Reverse(second)
            .Select(plan => plan.ToJsonString())
            .ShouldBe(first.Select(plan => plan.ToJsonString()));
    }

    [Fact]
    public void Html_and_its_own_text_never_give_two_values()
    {
        foreach (var (stem, _) in PageExamples.Load(Folder, "page").Where(pair => pair.Example["truthText"] is null))
        {
            var html = Read(File.ReadAllText(Path.Combine(Folder, stem + ".html")));
            var text = PageExamples.Read("page", "txt", File.ReadAllText(Path.Combine(Folder, stem + ".txt")))["plans"]!
                .AsArray()
                .Select(plan => plan!.AsObject())
                .ToList();
            foreach (var plan in html)
            {
                if (text.Find(other => other["name"]?.ToJsonString() == plan["name"]?.ToJsonString()) is not { } same)
                {
                    continue;
                }

                foreach (var (key, value) in plan["features"]!.AsObject())
                {
                    if (same["features"]![key] is { } other)
                    {
                        other.ToJsonString().ShouldBe(value!.ToJsonString(), $"{stem} {plan["name"]} {key}");
                    }
                }
            }
        }
    }

    private static List<JsonObject> Read(string html) =>
        [.. PageExamples.Read("page", "html", html)["plans"]!.AsArray().Select(plan => plan!.AsObject())];

    private static string Plans(string html) => string.Join('\n', Read(html).Select(plan => plan.ToJsonString()));

    private static string Changed(string words, Dictionary<string, string> names)
    {
        foreach (var (index, name) in names.Keys.OrderByDescending(name => name.Length).Index())
        {
            words = Pattern($@"(?<![\w.]){Regex.Escape(name)}(?!\w)").Replace(words, $"@@{index}@@");
        }

        foreach (var (index, name) in names.Keys.OrderByDescending(name => name.Length).Index())
        {
            words = words.Replace($"@@{index}@@", names[name], StringComparison.Ordinal);
        }

        foreach (var (word, other) in Words)
        {
            words = new Regex(
                $@"(?<before>^|>|\t){Regex.Escape(word)}(?=\s*(<|$|\t))",
                RegexOptions.Multiline | RegexOptions.ExplicitCapture,
                TimeSpan.FromSeconds(5)
            ).Replace(words, match => match.Groups["before"].Value + other);
        }

        return words;
    }

    private static Regex Pattern(string pattern) => new(pattern, RegexOptions.ExplicitCapture, TimeSpan.FromSeconds(5));
}
