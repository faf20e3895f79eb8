using System.Text.Json.Nodes;

namespace HomeStart.Core.Tests;

/// <summary>Readings of words by hand, and what they say in short.</summary>
internal static class Readings
{
    public static JsonObject Read(string text) => PageExamples.Read("page", "txt", text);

    public static JsonObject ReadCart(string text) => PageExamples.Read("cart", "txt", text);

    /// <summary>"4.00/month 12 at-once", for each way of the first plan.</summary>
    public static string Ways(JsonObject page) =>
        string.Join(
            ", ",
            page["plans"]![0]!["ways"]!
                .AsArray()
                .Select(way => $"{way!["price"]}/{way["per"]} {way["months"]} {way["paid"] ?? "?"}")
        );

    public static string Way(JsonNode way) =>
        $"{way["price"]} {way["per"]} {way["months"]} {way["paid"]} "
        + $"{(way["later"] is JsonObject later ? $"{later["price"]}/{later["per"]}" : way["later"])}";

    public static string? Said(JsonNode? node) => node?.GetValue<string>();
}
