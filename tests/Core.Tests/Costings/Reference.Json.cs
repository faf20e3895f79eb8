using System.Globalization;
using System.Text.Json;

namespace HomeStart.Core.Tests;

/// <summary>The request, read as it stands.</summary>
internal sealed partial class Reference
{
    private JsonElement Book(string id) => _books.First(book => Text(book, "id") == id);

    internal static JsonElement? Get(JsonElement? element, string field) =>
        element is { ValueKind: JsonValueKind.Object } present
        && present.TryGetProperty(field, out var value)
        && value.ValueKind != JsonValueKind.Null
            ? value
            : null;

    internal static string? Text(JsonElement? element, string field) => Get(element, field)?.GetString();

    internal static int? Int(JsonElement element, string field) => Get(element, field)?.GetInt32();

    internal static bool? Flag(JsonElement? element, string field) => Get(element, field)?.GetBoolean();

    internal static IEnumerable<JsonElement> Items(JsonElement element, string field) =>
        Get(element, field)?.EnumerateArray() ?? Enumerable.Empty<JsonElement>();

    internal static List<string> Words(JsonElement element, string field) =>
        [.. Items(element, field).Select(item => item.GetString()!)];

    internal static DateOnly Day(JsonElement element) =>
        DateOnly.ParseExact(element.GetString()!, "yyyy-MM-dd", CultureInfo.InvariantCulture);

    internal static string Write(DateOnly date) => date.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}
