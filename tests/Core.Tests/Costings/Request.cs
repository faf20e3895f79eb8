using System.Text.Json.Nodes;

namespace HomeStart.Core.Tests;

/// <summary>
/// The worked example of the specification as a request to change: book tidemarsh, plan slip paid every 12 months,
/// ostlerwren.com registered there. Each test says only what is different.
/// </summary>
internal static class Request
{
    public static JsonObject Worked()
    {
        using var file = File.OpenRead(Path.Combine(AppContext.BaseDirectory, "fixtures", "01-yearly.json"));
        var request = JsonNode.Parse(file)!["request"]!.AsObject();
        return request.DeepClone().AsObject();
    }

    public static JsonNode Book(this JsonObject request, int index = 0) => request["books"]![index]!;

    public static JsonNode Hosting(this JsonObject request) => request["candidate"]!["hosting"]!;

    public static JsonNode Domain(this JsonObject request) => request["candidate"]!["domains"]![0]!;

    /// <summary>
    /// Puts a JSON value at a path such as <c>candidate.hosting.plan</c> or <c>books[0].plans[0].id</c>; "(absent)"
    /// takes the field away.
    /// </summary>
    public static JsonObject With(this JsonObject request, string path, string json)
    {
        var steps = path.Replace("[", ".[", StringComparison.Ordinal).Split('.', StringSplitOptions.RemoveEmptyEntries);
        JsonNode at = request;
        foreach (var step in steps[..^1])
        {
            at = step[0] == '[' ? at[int.Parse(step[1..^1])]! : at[step] ??= new JsonObject();
        }

        var (last, value) = (steps[^1], json == "(absent)" ? null : JsonNode.Parse(json));
        if (last[0] == '[')
        {
            var (list, index) = (at.AsArray(), int.Parse(last[1..^1]));
            if (index == list.Count)
            {
                list.Add(value);
            }
            else
            {
                list[index] = value;
            }
        }
        else if (json == "(absent)")
        {
            at.AsObject().Remove(last);
        }
        else
        {
            at[last] = value;
        }

        return request;
    }
}
