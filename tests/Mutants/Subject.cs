namespace HomeStart.Mutants;

/// <summary>A project that is changed, and the tests that are to notice.</summary>
/// <param name="Name">Core, Formats, Web …: its folder below <c>src</c>.</param>
/// <param name="Tests">The project of its tests.</param>
internal sealed record Subject(string Root, string Name, string Tests)
{
    public string Folder => Path.Combine(Root, "src", Name);

    public string Assembly => $"HomeStart.{Name}";

    /// <summary>Where its tests were built.</summary>
    public string Built => Path.Combine(Root, "tests", $"{Tests}.Tests", "bin", "Debug", "net10.0");

    /// <summary>Core and what stands on it alone are tested together; all else with the host.</summary>
    public static Subject Of(string root, string folder)
    {
        var name = Path.GetRelativePath(Path.Combine(root, "src"), folder).Split('/')[0];
        return new Subject(root, name, name is "Core" or "Formats" ? "Core" : "Web");
    }

    /// <summary>
    /// The tests of the room that is changed: those in the folder of the same name. None where no folder has it.
    /// </summary>
    public IReadOnlyList<string> RoomTests(Mutation mutation)
    {
        var room = Path.GetRelativePath(Folder, mutation.Tree.FilePath).Split('/')[0];
        var tests = Path.Combine(Root, "tests", $"{Tests}.Tests", room);
        return Directory.Exists(tests)
            ?
            [
                .. Directory
                    .GetFiles(tests, "*.cs")
                    .Where(HoldsTests)
                    .SelectMany(file => new[] { "--filter-class", $"*.{Path.GetFileNameWithoutExtension(file)}" }),
            ]
            : [];
    }

    private static bool HoldsTests(string file) =>
        File.ReadAllText(file) is var text
        && (text.Contains("[Fact", StringComparison.Ordinal) || text.Contains("[Theory", StringComparison.Ordinal));
}
