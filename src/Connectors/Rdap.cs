using System.Globalization;
using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>Reads a domain object of RFC 9083. What is not there, or not as the standard has it, is left out.</summary>
public static class Rdap
{
    public static RegistrationRecord? Read(JsonElement domain) =>
        domain is { ValueKind: JsonValueKind.Object } && Answers.Text(domain, "ldhName") is { } name
            ? new RegistrationRecord(
                name.ToLowerInvariant(),
                Event(domain, "registration"),
                Event(domain, "expiration"),
                Status(domain),
                Registrar(domain)
            )
            {
                NameServers =
                [
                    .. Answers
                        .Items(domain, "nameservers")
                        .Select(server => Answers.Text(server, "ldhName"))
                        .OfType<string>()
                        .Where(Answers.IsHostName),
                ],
            }
            : null;

    private static DateOnly? Event(JsonElement domain, string action)
    {
        var date = Answers
            .Items(domain, "events")
            .Where(item => Answers.Text(item, "eventAction") == action)
            .Select(item => Answers.Text(item, "eventDate"))
            .FirstOrDefault();
        return DateTimeOffset.TryParse(
            date,
            CultureInfo.InvariantCulture,
            DateTimeStyles.AssumeUniversal,
            out var moment
        )
            ? DateOnly.FromDateTime(moment.UtcDateTime)
            : null;
    }

    private static List<string> Status(JsonElement domain) =>
        [.. Answers.Items(domain, "status").Select(item => Answers.Text(item)).OfType<string>()];

    private static string? Registrar(JsonElement domain) =>
        Answers
            .Items(domain, "entities")
            .Where(entity => Answers.Items(entity, "roles").Any(role => Answers.Text(role) == "registrar"))
            .Select(FullName)
            .FirstOrDefault();

    // A jCard (RFC 7095): ["vcard", [["version", …], ["fn", {}, "text", "Name"]]].
    private static string? FullName(JsonElement entity)
    {
        var card = Answers.Items(entity, "vcardArray").Skip(1).FirstOrDefault();
        return card is not { ValueKind: JsonValueKind.Array }
            ? null
            : card.EnumerateArray()
                .Where(property =>
                    property is { ValueKind: JsonValueKind.Array }
                    && property.GetArrayLength() > 3
                    && Answers.Text(property[0]) == "fn"
                )
                .Select(property => Answers.Text(property[3]))
                .FirstOrDefault();
    }
}
