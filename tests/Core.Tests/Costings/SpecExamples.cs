using System.Text.Json;

namespace HomeStart.Core.Tests;

/// <summary>
/// The whole requests of the specification with their answers: what the specification gives must come back; more may.
/// </summary>
public class SpecExamples
{
    public static TheoryData<string> Files =>
        [.. Directory.GetFiles(Folder, "*.json").Select(file => Path.GetFileNameWithoutExtension(file)!).Order()];

    private static string Folder => Path.Combine(AppContext.BaseDirectory, "fixtures");

    [Theory]
    [MemberData(nameof(Files))]
    public void Gives_the_answer_of_the_specification(string file)
    {
        using var example = JsonDocument.Parse(File.ReadAllText(Path.Combine(Folder, file + ".json")));
        var answer = Wire.Cost(example.RootElement.GetProperty("request"));
        Wire.ShouldHold(answer, example.RootElement.GetProperty("response"), "response");
    }

    [Fact]
    public void All_examples_are_there() => Files.Count.ShouldBe(23);
}
