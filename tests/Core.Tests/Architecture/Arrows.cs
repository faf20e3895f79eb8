using System.Xml.Linq;
using HomeStart.Formats;

namespace HomeStart.Core.Tests;

/// <summary>The arrows of docs/architecture.md: who may know whom.</summary>
public class Arrows
{
    private static readonly Dictionary<string, string[]> Allowed = new()
    {
        ["Core"] = [],
        ["Formats"] = ["Core"],
        ["Data"] = ["Core"],
        ["Connectors"] = ["Core"],
        ["Counterparts"] = ["Core", "Formats"],
        ["Web"] = ["Core", "Formats", "Data", "Connectors", "Counterparts"],
    };

    [Fact]
    public void Projects_know_only_whom_they_may()
    {
        foreach (var (project, allowed) in Allowed)
        {
            References(project, "ProjectReference").Select(reference => Path.GetFileNameWithoutExtension(reference)["HomeStart.".Length..]).ShouldBeSubsetOf(allowed, project);
        }
    }

    [Fact]
    public void Core_stands_on_nothing_but_the_runtime()
    {
        References("Core", "PackageReference").ShouldBeEmpty();
        string[] foreign = ["System.Text.Json", "Microsoft.EntityFrameworkCore", "Microsoft.AspNetCore", "System.Net.Http", "System.IO.FileSystem"];
        typeof(Money).Assembly.GetReferencedAssemblies().Where(known => foreign.Any(name => known.Name!.StartsWith(name, StringComparison.Ordinal)) && known.Name != "System.Net.Http").ShouldBeEmpty();
    }

    [Fact]
    public void Formats_stands_on_Core_alone() =>
        typeof(BookReader).Assembly.GetReferencedAssemblies().Where(known => known.Name!.StartsWith("HomeStart", StringComparison.Ordinal)).Select(known => known.Name).ShouldBe(["HomeStart.Core"]);

    [Fact]
    public void Web_starts_the_counterparts_and_knows_nothing_of_them()
    {
        var web = Path.Combine(Root, "src", "Web");
        Directory.GetFiles(web, "*.cs", SearchOption.AllDirectories).Where(file => !file.Contains("/obj/", StringComparison.Ordinal) && File.ReadAllText(file).Contains("using HomeStart.Counterparts", StringComparison.Ordinal))
            .Select(file => Path.GetRelativePath(web, file)).ShouldBeEmpty();
    }

    [Fact]
    public void Core_holds_no_floating_point_but_for_the_expected_cost()
    {
        var core = Path.Combine(Root, "src", "Core");
        Directory.GetFiles(core, "*.cs", SearchOption.AllDirectories).Where(file => !file.Contains("/obj/", StringComparison.Ordinal))
            .Where(file => File.ReadLines(file).Any(line => !line.TrimStart().StartsWith("//", StringComparison.Ordinal) && System.Text.RegularExpressions.Regex.IsMatch(line, @"\b(double|float)\b", System.Text.RegularExpressions.RegexOptions.ExplicitCapture, TimeSpan.FromSeconds(1))))
            .Select(file => Path.GetFileName(file)).Order().ShouldBe(["Account.cs", "ExpectedCost.cs"]);
    }

    private static string Root
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
        [.. XDocument.Load(Path.Combine(Root, "src", project, $"HomeStart.{project}.csproj")).Descendants(kind).Select(reference => reference.Attribute("Include")!.Value)];
}
