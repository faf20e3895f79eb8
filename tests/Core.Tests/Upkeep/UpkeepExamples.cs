using System.Text.Json;
using HomeStart.Formats.Json;
using HomeStart.Formats.Upkeep;

namespace HomeStart.Core.Tests;

/// <summary>The whole requests of the specification with their answers.</summary>
public class UpkeepExamples
{
    public static TheoryData<string> Files =>
        [.. Directory.GetFiles(Folder, "*.json").Select(file => Path.GetFileNameWithoutExtension(file)!).Order()];

    private static string Folder => Path.Combine(AppContext.BaseDirectory, "fixtures", "upkeep");

    [Theory]
    [MemberData(nameof(Files))]
    public void Gives_the_answer_of_the_specification(string file)
    {
        using var example = JsonDocument.Parse(File.ReadAllText(Path.Combine(Folder, file + ".json")));
        var answer = JsonSerializer.SerializeToElement(
            UpkeepWire.From(Run(example.RootElement.GetProperty("request"))),
            WireJson.Options
        );
        JsonElement.DeepEquals(answer, example.RootElement.GetProperty("response")).ShouldBeTrue(answer.ToString());
    }

    [Fact]
    public void All_examples_are_there() => Files.Count.ShouldBe(6);

    internal static UpkeepYears Run(JsonElement json)
    {
        var faults = new FaultList();
        var request = UpkeepRequestReader.Read(json, [], faults).ShouldNotBeNull();
        var result = Years.Run(
            request.Costing.Candidate,
            request.Costing.Books,
            request.Costing.Settings,
            request.Until,
            request.Decisions,
            faults
        );
        result.Faults.Faults.ShouldBeEmpty();
        return result.Value!;
    }
}
