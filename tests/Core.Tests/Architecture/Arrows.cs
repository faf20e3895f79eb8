using System.Reflection.Metadata;
using System.Reflection.PortableExecutable;
using System.Xml.Linq;
using HomeStart.Formats.Books;

namespace HomeStart.Core.Tests;

/// <summary>The arrows of docs/architecture.md: who may know whom.</summary>
public class Arrows
{
    private static readonly Dictionary<string, string[]> Allowed = new()
    {
        ["Core"] = [],
        ["Formats"] = ["Core"],
        ["Data"] = ["Core"],
        ["Connectors"] = ["Core", "Formats"],
        ["Counterparts"] = ["Core", "Formats"],
        ["Web"] = ["Core", "Formats", "Data", "Connectors", "Counterparts"],
    };

    [Fact]
    public void Projects_know_only_whom_they_may()
    {
        foreach (var (project, allowed) in Allowed)
        {
            References(project, "ProjectReference")
                .Select(reference => Path.GetFileNameWithoutExtension(reference)["HomeStart.".Length..])
                .ShouldBeSubsetOf(allowed, project);
        }
    }

    [Fact]
    public void Core_stands_on_nothing_but_the_runtime()
    {
        References("Core", "PackageReference").ShouldBeEmpty();
        string[] foreign = ["System.IO", "System.Net", "System.Text.Json", "System.Data", "Microsoft"];
        TypesUsedBy(typeof(Money).Assembly.Location)
            .Where(type => foreign.Any(name => type == name || type.StartsWith(name + ".", StringComparison.Ordinal)))
            .ShouldBeEmpty();
    }

    [Fact]
    public void What_uses_files_is_seen_to() =>
        // Else the test above could not fail.
        TypesUsedBy(typeof(Arrows).Assembly.Location).ShouldContain("System.IO.File");

    /// <summary>The rooms of Core in their order: each uses only those before it.</summary>
    private static readonly string[] Rooms =
    [
        "Basics",
        "Domains",
        "Offers",
        "Wants",
        "Costings",
        "Pages",
        "Advertising",
        "Scanning",
        "Sites",
        "Worksheets",
        "Comparing",
        "Outside",
        "Ordering",
        "Online",
        "Upkeep",
        "Reconciling",
        "Slips",
    ];

    [Fact]
    public void The_rooms_of_Core_are_those_of_this_order() =>
        Directory
            .GetDirectories(Path.Combine(Root, "src", "Core"))
            .Select(Path.GetFileName)
            .Except(["bin", "obj"])
            .ShouldBe(Rooms, ignoreOrder: true);

    [Fact]
    public void A_file_of_Core_stands_in_the_namespace_of_its_room_and_uses_only_rooms_before_it()
    {
        foreach (var room in Rooms)
        {
            foreach (
                var file in Directory.GetFiles(
                    Path.Combine(Root, "src", "Core", room),
                    "*.cs",
                    SearchOption.AllDirectories
                )
            )
            {
                var text = File.ReadAllText(file);
                text.ShouldContain($"namespace HomeStart.Core.{room};", Case.Sensitive, file);
                foreach (var later in Rooms.SkipWhile(known => known != room).Skip(1))
                {
                    text.ShouldNotContain(
                        $"HomeStart.Core.{later}",
                        Case.Sensitive,
                        $"{file}: {room} comes before {later}"
                    );
                }
            }
        }
    }

    private static List<string> TypesUsedBy(string assembly)
    {
        using var stream = File.OpenRead(assembly);
        using var image = new PEReader(stream);
        var metadata = image.GetMetadataReader();
        return
        [
            .. metadata
                .TypeReferences.Select(metadata.GetTypeReference)
                .Select(type => $"{metadata.GetString(type.Namespace)}.{metadata.GetString(type.Name)}"),
        ];
    }

    [Fact]
    public void Formats_stands_on_Core_alone() =>
        typeof(BookReader)
            .Assembly.GetReferencedAssemblies()
            .Where(known => known.Name!.StartsWith("HomeStart", StringComparison.Ordinal))
            .Select(known => known.Name)
            .ShouldBe(["HomeStart.Core"]);

    [Fact]
    public void Web_starts_the_counterparts_and_knows_nothing_of_them()
    {
        var web = Path.Combine(Root, "src", "Web");
        Directory
            .GetFiles(web, "*.cs", SearchOption.AllDirectories)
            .Where(file =>
                !file.Contains("/obj/", StringComparison.Ordinal)
                && File.ReadAllText(file).Contains("using HomeStart.Counterparts", StringComparison.Ordinal)
            )
            .Select(file => Path.GetRelativePath(web, file))
            .ShouldBeEmpty();
    }

    [Fact]
    public void Core_holds_no_floating_point_but_for_the_expected_cost()
    {
        var core = Path.Combine(Root, "src", "Core");
        Directory
            .GetFiles(core, "*.cs", SearchOption.AllDirectories)
            .Where(file => !file.Contains("/obj/", StringComparison.Ordinal))
            .Where(file =>
                File.ReadLines(file)
                    .Any(line =>
                        !line.TrimStart().StartsWith("//", StringComparison.Ordinal)
                        && System.Text.RegularExpressions.Regex.IsMatch(
                            line,
                            @"\b(double|float)\b",
                            System.Text.RegularExpressions.RegexOptions.ExplicitCapture,
                            TimeSpan.FromSeconds(1)
                        )
                    )
            )
            .Select(file => Path.GetFileName(file))
            .Order()
            .ShouldBe(["Account.cs", "ExpectedCost.cs"]);
    }

    internal static string Root
    {
        get
        {
            var folder = new DirectoryInfo(AppContext.BaseDirectory);
            while (!File.Exists(Path.Combine(folder.FullName, "HomeStart.slnx")))
            {
                folder = folder.Parent!;
            }

            return folder.FullName;
        }
    }

    private static List<string> References(string project, string kind) =>
        [
            .. XDocument
                .Load(Path.Combine(Root, "src", project, $"HomeStart.{project}.csproj"))
                .Descendants(kind)
                .Select(reference => reference.Attribute("Include")!.Value),
        ];
}
