using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Json;
using HomeStart.Formats.Reconciling;

namespace HomeStart.Core.Tests;

/// <summary>The whole requests of the specification with their answers.</summary>
public class ReconcilingExamples
{
    public static TheoryData<string> Files =>
        [.. Directory.GetFiles(Folder, "*.json").Select(file => Path.GetFileNameWithoutExtension(file)!).Order()];

    private static string Folder => Path.Combine(AppContext.BaseDirectory, "fixtures", "reconciling");

    [Theory]
    [MemberData(nameof(Files))]
    public void Gives_the_answer_of_the_specification(string file)
    {
        using var example = JsonDocument.Parse(File.ReadAllText(Path.Combine(Folder, file + ".json")));
        var answer = Answer(example.RootElement.GetProperty("request"));
        JsonElement.DeepEquals(answer, example.RootElement.GetProperty("response")).ShouldBeTrue(answer.ToString());
    }

    [Fact]
    public void All_examples_are_there() => Files.Count.ShouldBe(7);

    internal static JsonElement Answer(JsonNode request) => Answer(request.Deserialize<JsonElement>());

    internal static JsonElement Answer(JsonElement json)
    {
        var faults = new FaultList();
        var request = ReconciliationReader.Read(json, [], faults).ShouldNotBeNull();
        var result = Reconciler.Run(
            request.Costing.Candidate,
            request.Costing.Books,
            request.Costing.Settings,
            request.Seen,
            faults,
            CancellationToken.None
        );
        result.Faults.Faults.ShouldBeEmpty();
        return JsonSerializer.SerializeToElement(ReconciliationWire.From(result.Value!), WireJson.Options);
    }
}
