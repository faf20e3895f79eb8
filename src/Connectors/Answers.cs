using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>
/// Reads what a counterpart says. It is as hostile as what a visitor says: a value of another type, too long, or not text at all counts as not said.
/// </summary>
internal static class Answers
{
    private const int LongestText = 300;
    private const int MostItems = 16;

    public static JsonElement? Field(JsonElement element, string field) =>
        element.ValueKind == JsonValueKind.Object && element.TryGetProperty(field, out var value) ? value : null;

    /// <summary>A field's text; null where it is none.</summary>
    public static string? Text(JsonElement element, string field) => Text(Field(element, field));

    public static string? Text(JsonElement? element)
    {
        try
        {
            return element is { ValueKind: JsonValueKind.String } text && text.GetString() is { Length: <= LongestText } said && !said.Any(char.IsControl) ? said : null;
        }
        catch (InvalidOperationException)
        {
            return null; // Half of a surrogate pair, or bytes that are no UTF-8.
        }
    }

    public static IEnumerable<JsonElement> Items(JsonElement element, string field) =>
        Field(element, field) is { ValueKind: JsonValueKind.Array } list ? list.EnumerateArray().Take(MostItems) : [];

    /// <summary>A hosting account; null where anything of it is missing.</summary>
    public static HostAccount? Account(JsonElement answer)
    {
        string?[] texts = [.. new[] { "id", "logIn", "user", "server", "iPv4", "iPv6", "fileServer", "mailServer" }.Select(field => Text(answer, field))];
        var servers = Items(answer, "nameServers").Select(server => Text(server)).ToList();
        return texts.Contains(null) || servers.Count == 0 || servers.Contains(null) || !texts[1]!.StartsWith("https://", StringComparison.Ordinal)
            ? null
            : new HostAccount(texts[0]!, texts[1]!, texts[2]!, texts[3]!, texts[4]!, texts[5]!, servers!, texts[6]!, texts[7]!);
    }
}
