using System.Globalization;
using System.Text.Json;
using HomeStart.Core;

namespace HomeStart.Connectors;

/// <summary>Reads a domain object of RFC 9083. What is not there, or not as the standard has it, is left out.</summary>
public static class Rdap
{
    public static RegistrationRecord? Read(JsonElement domain) =>
        domain is { ValueKind: JsonValueKind.Object } && Text(domain, "ldhName") is { } name
            ? new RegistrationRecord(name.ToLowerInvariant(), Event(domain, "registration"), Event(domain, "expiration"), Status(domain), Registrar(domain))
            : null;

    private static DateOnly? Event(JsonElement domain, string action)
    {
        var date = Items(domain, "events").Where(item => Text(item, "eventAction") == action).Select(item => Text(item, "eventDate")).FirstOrDefault();
        return DateTimeOffset.TryParse(date, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var moment) ? DateOnly.FromDateTime(moment.UtcDateTime) : null;
    }

    private static List<string> Status(JsonElement domain) => [.. Items(domain, "status").Where(item => item.ValueKind == JsonValueKind.String).Select(item => item.GetString()!)];

    private static string? Registrar(JsonElement domain) =>
        Items(domain, "entities").Where(entity => Items(entity, "roles").Any(role => role.ValueKind == JsonValueKind.String && role.GetString() == "registrar")).Select(FullName).FirstOrDefault();

    // A jCard (RFC 7095): ["vcard", [["version", …], ["fn", {}, "text", "Name"]]].
    private static string? FullName(JsonElement entity)
    {
        var card = Items(entity, "vcardArray").Skip(1).FirstOrDefault();
        return card is not { ValueKind: JsonValueKind.Array } ? null : card.EnumerateArray()
            .Where(property => property is { ValueKind: JsonValueKind.Array } && property.GetArrayLength() > 3 && property[0].ValueEquals("fn"))
            .Select(property => property[3].GetString())
            .FirstOrDefault();
    }

    private static IEnumerable<JsonElement> Items(JsonElement element, string field) =>
        element.ValueKind == JsonValueKind.Object && element.TryGetProperty(field, out var list) && list.ValueKind == JsonValueKind.Array ? list.EnumerateArray() : [];

    private static string? Text(JsonElement element, string field) =>
        element.ValueKind == JsonValueKind.Object && element.TryGetProperty(field, out var text) && text.ValueKind == JsonValueKind.String ? text.GetString() : null;
}
