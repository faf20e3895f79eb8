using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Json;

namespace HomeStart.Core.Tests;

/// <summary>Requests and answers as the wire has them, without a host.</summary>
internal static class Wire
{
    public static (JsonElement? Answer, IReadOnlyList<Fault> Faults) Try(JsonElement request)
    {
        var faults = new FaultList();
        var read = CostingRequestReader.Read(request, [], faults);
        var costing = read is null ? null : Coster.Cost(read.Candidate, read.Books, read.Settings, faults).Value;
        return (
            costing is null ? null : JsonSerializer.SerializeToElement(CostingWriter.Write(costing), WireJson.Options),
            faults.Faults
        );
    }

    public static JsonElement Cost(JsonElement request)
    {
        var (answer, faults) = Try(request);
        faults.ShouldBeEmpty();
        return answer.ShouldNotBeNull();
    }

    public static JsonElement Cost(JsonNode request) => Cost(request.Deserialize<JsonElement>());

    public static string Text(this JsonElement element, params string[] path) =>
        path.Aggregate(element, (at, step) => int.TryParse(step, out var index) ? at[index] : at.GetProperty(step))
            .ToString();

    /// <summary>
    /// Everything in <paramref name="expected"/> stands in <paramref name="actual"/>, lists in full length; the actual
    /// objects may hold more.
    /// </summary>
    public static void ShouldHold(JsonElement actual, JsonElement expected, string where)
    {
        actual.ValueKind.ShouldBe(expected.ValueKind, where);
        switch (expected.ValueKind)
        {
            case JsonValueKind.Object:
                foreach (var property in expected.EnumerateObject())
                {
                    actual
                        .TryGetProperty(property.Name, out var value)
                        .ShouldBeTrue($"{where}.{property.Name} is missing");
                    ShouldHold(value, property.Value, $"{where}.{property.Name}");
                }

                break;
            case JsonValueKind.Array:
                actual.GetArrayLength().ShouldBe(expected.GetArrayLength(), where);
                foreach (var (index, item) in expected.EnumerateArray().Index())
                {
                    ShouldHold(actual[index], item, $"{where}[{index}]");
                }

                break;
            default:
                actual.GetRawText().ShouldBe(expected.GetRawText(), where);
                break;
        }
    }
}
