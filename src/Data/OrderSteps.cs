using System.Text.Json.Nodes;

namespace HomeStart.Data;

/// <summary>What changed in the shape of stored orders.</summary>
internal static class OrderSteps
{
    /// <summary>1 to 2: an item was one sentence; now it says kind, name and months, and one that only has its sentence keeps that as its name.</summary>
    public static void ItemsAreWords(JsonObject order)
    {
        foreach (var item in order["things"]!["items"]!.AsArray().Select(item => item!.AsObject()))
        {
            var words = item["what"]?.GetValue<string>() ?? "";
            item.Remove("what");
            item["name"] = words;
        }
    }
}
