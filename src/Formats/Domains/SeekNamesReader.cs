using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json;
using CsvHelper;
using CsvHelper.Configuration;
using HomeStart.Formats.Json;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Domains;

/// <summary>
/// Reads what names are looked for: ideas, a pasted list, or a column of a CSV file. Each is read as a name is; what is
/// none is told with its line.
/// </summary>
public static class SeekNamesReader
{
    /// <summary>The longest text that is read, in characters.</summary>
    public const int LongestText = 100_000;

    private static readonly HashSet<string> Headings = new(
        ["domain", "domains", "domain name", "domain names", "name", "names"],
        StringComparer.OrdinalIgnoreCase
    );

    /// <summary>
    /// What is looked for, with the lines that are no names; null with what is wrong in <paramref name="faults"/>.
    /// </summary>
    /// <param name="sold">The endings that are sold here.</param>
    public static (SoughtNames Sought, IReadOnlyList<RefusedLineWire> Refused)? Read(
        JsonElement root,
        IReadOnlyCollection<string> sold,
        FaultList faults
    )
    {
        var node = new Node(root, "", faults);
        if (!node.IsObject())
        {
            node.Required("What is looked for");
            return null;
        }

        // Longer than any other text that is read.
        var text = node["text"].Element is { ValueKind: JsonValueKind.String } element
            ? element.GetString()
            : node["text"].Text();
        if (text?.Length > LongestText)
        {
            node["text"]
                .Fault(FaultCodes.OutOfRange, $"This has {text.Length} characters; at most {LongestText} are read.");
            return null;
        }

        var refused = new List<RefusedLineWire>();
        IEnumerable<(int Line, string Name)> typed = node["ideas"].IsObject()
            ? Ideas(node["ideas"], faults)
            : Lines(text ?? "");
        var found = new List<SoughtName>();
        foreach (var (line, name) in typed.Where(typed => typed.Name.Trim().Length > 0))
        {
            if (WhyNot(name, out var label) is { } why)
            {
                refused.Add(new RefusedLineWire(line, name.Length > 80 ? name[..80] + "…" : name, why));
            }
            else
            {
                found.Add(new SoughtName(label, name));
            }
        }

        var distinct = found.DistinctBy(name => name.Label).ToImmutableArray();
        var endings = Endings(node["endings"], sold);
        CheckAmount(node, distinct.Length, endings.Length);
        return faults.Any ? null : (new SoughtNames(distinct, endings), [.. refused.Take(200)]);
    }

    /// <summary>The labels and endings of a question that need not be on the list; null where none are given.</summary>
    public static SoughtNames? ReadQuestion(JsonElement root, IReadOnlyCollection<string> sold, FaultList faults)
    {
        var node = new Node(root, "", faults);
        node.IsObject();
        if (node["names"].IsAbsent)
        {
            return null;
        }

        var labels = ImmutableArray.CreateBuilder<SoughtName>();
        foreach (var (name, at) in node["names"].Texts().Select((name, at) => (name, at)))
        {
            var (label, fault) = DomainLabel.Parse(name);
            if (fault is not null)
            {
                faults.Add(
                    FaultCodes.BadType,
                    $"names[{at}]",
                    new NotADomain(new DomainFault(DomainPart.Label, fault, 0))
                );
            }
            else
            {
                labels.Add(new SoughtName(label!.Text, label.Text));
            }
        }

        var endings = Endings(node["endings"], sold);
        CheckAmount(node, labels.Count, endings.Length);
        return faults.Any ? null : new SoughtNames([.. labels.Distinct()], endings);
    }

    /// <summary>Whether good answers are asked for again, and whether the public record is looked at too.</summary>
    public static (bool Again, bool WithRecord) ReadManner(JsonElement root, FaultList faults)
    {
        var node = new Node(root, "", faults);
        return node.Element is { ValueKind: JsonValueKind.Object }
            ? (node["again"].Flag() ?? false, node["withRecord"].Flag() ?? false)
            : (false, false);
    }

    /// <summary>
    /// The name and ending whose near names are asked for; null with what is wrong in <paramref name="faults"/>.
    /// </summary>
    public static (string Label, string Ending)? ReadNear(
        JsonElement root,
        IReadOnlyCollection<string> sold,
        FaultList faults
    )
    {
        var node = new Node(root, "", faults);
        node.IsObject();
        var (label, fault) = DomainLabel.Parse(node["name"].Text());
        if (fault is not null)
        {
            faults.Add(FaultCodes.BadType, "name", new NotADomain(new DomainFault(DomainPart.Label, fault, 0)));
        }

        var ending = node["ending"].RequiredText("The ending") ?? "";
        if (!sold.Contains(ending) && !faults.Any)
        {
            node["ending"].Fault(FaultCodes.Unknown, "No offer book here sells this ending.");
        }

        return faults.Any ? null : (label!.Text, ending);
    }

    private static void CheckAmount(Node node, int labels, int endings)
    {
        if (labels > SoughtNames.MostNames)
        {
            node["names"]
                .Fault(
                    FaultCodes.OutOfRange,
                    $"These are {labels} names; at most {SoughtNames.MostNames} are looked for at once. Leave some out."
                );
        }
        else if (labels * endings > SoughtNames.MostQuestions)
        {
            node["endings"]
                .Fault(
                    FaultCodes.OutOfRange,
                    $"{labels} names under {endings} endings are {labels * endings} questions; at most "
                        + $"{SoughtNames.MostQuestions} are asked at once. Choose fewer endings."
                );
        }
    }

    private static IEnumerable<(int Line, string Name)> Ideas(Node node, FaultList faults) =>
        ReadNameReader.ReadIdeas(node, faults)?.Select((idea, at) => (at + 1, idea.Typed)) ?? [];

    private static ImmutableArray<string> Endings(Node node, IReadOnlyCollection<string> sold)
    {
        var endings = node.Texts().Distinct(StringComparer.Ordinal).ToImmutableArray();
        // What is none is reported already.
        var isList = node.IsAbsent || node.Element is { ValueKind: JsonValueKind.Array };
        if (isList && endings.Length is (0 or > SoughtNames.MostEndings))
        {
            node.Fault(
                endings.Length == 0 ? FaultCodes.Required : FaultCodes.OutOfRange,
                endings.Length == 0
                    ? "Choose at least one ending."
                    : $"These are {endings.Length} endings; at most {SoughtNames.MostEndings} are looked at."
            );
        }

        for (var at = 0; at < endings.Length; at++)
        {
            if (!sold.Contains(endings[at]))
            {
                node.Faults.Say(
                    FaultCodes.Unknown,
                    $"endings[{at}]",
                    "No offer book here sells the ending ."
                        + $"{(endings[at].Length > 60 ? endings[at][..60] + "…" : endings[at])}."
                );
            }
        }

        return endings;
    }

    private static string? WhyNot(string typed, out string label)
    {
        label = "";
        if (typed.Length > NameReader.Longest)
        {
            return $"It has {typed.Length} characters; a name has room for 63.";
        }

        var name = NameData.Reader.Read(typed, null, null);
        label = name.Ascii ?? "";
        return name.Problems is [var problem, ..] ? NameWords.Sentence(problem)
            : name.Ascii != name.Label ? "The registrars here sell names in the letters a to z alone."
            : null;
    }

    // Cells are those of a file whose lines all have as many, or that names its columns; else a line is a name.
    private static IEnumerable<(int Line, string Name)> Lines(string text)
    {
        var lines = text.Split('\n').Select((line, at) => (Line: at + 1, Name: line.Trim('\r', ' '))).ToList();
        var filled = lines.Where(line => line.Name.Length > 0).ToList();
        var mark =
            filled.Count == 0
                ? null
                : new[] { "\t", ";", "," }.FirstOrDefault(mark =>
                    filled[0].Name.Contains(mark, StringComparison.Ordinal)
                );
        if (mark is null)
        {
            return Headings.Contains(filled.FirstOrDefault().Name ?? "")
                ? lines.Where(line => line.Line != filled[0].Line)
                : lines;
        }

        var rows = Rows(text, mark);
        var heading = Array.FindIndex(rows[0].Cells, cell => Headings.Contains(cell.Trim()));
        var isTable =
            heading >= 0 || (rows.Count > 1 && rows.TrueForAll(row => row.Cells.Length == rows[0].Cells.Length));
        return !isTable
            ? lines
            : rows.Skip(heading >= 0 ? 1 : 0)
                .Select(row => (row.Line, row.Cells.ElementAtOrDefault(Math.Max(heading, 0)) ?? ""));
    }

    private static List<(int Line, string[] Cells)> Rows(string text, string mark)
    {
        using var parser = new CsvParser(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = mark,
                BadDataFound = null,
                HasHeaderRecord = false,
                IgnoreBlankLines = true,
                TrimOptions = TrimOptions.Trim,
            }
        );
        var rows = new List<(int, string[])>();
        while (parser.Read())
        {
            rows.Add((parser.RawRow, parser.Record!));
        }

        return rows;
    }
}
