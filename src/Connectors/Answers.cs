using System.Net;
using System.Net.Sockets;
using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>
/// Reads what a counterpart says. It is as hostile as what a visitor says: a value of another type, too long, or not
/// text at all counts as not said.
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
            return
                element is { ValueKind: JsonValueKind.String } text
                && text.GetString() is { Length: <= LongestText } said
                && !said.Any(char.IsControl)
                ? said
                : null;
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
        string?[] texts =
        [
            .. new[] { "id", "logIn", "user", "server", "iPv4", "iPv6", "fileServer", "mailServer" }.Select(field =>
                Text(answer, field)
            ),
        ];
        var servers = Items(answer, "nameServers").Select(server => Text(server)).ToList();
        return
            texts.Contains(null)
            || servers.Count == 0
            || servers.Contains(null)
            || !texts[1]!.StartsWith("https://", StringComparison.Ordinal)
            ? null
            : new HostAccount(
                texts[0]!,
                texts[1]!,
                texts[2]!,
                texts[3]!,
                texts[4]!,
                texts[5]!,
                servers!,
                texts[6]!,
                texts[7]!
            );
    }

    /// <summary>
    /// Where a host takes names in; null where anything that must be set is missing, or is not what it should be.
    /// </summary>
    public static HostEntry? Entry(JsonElement answer)
    {
        var servers = Items(answer, "nameServers").Select(server => Text(server)).ToList();
        return
            servers.Count > 0
            && servers.TrueForAll(IsHostName)
            && Text(answer, "mailServer") is { } mail
            && IsHostName(mail)
            && Text(answer, "iPv4") is { } v4
            && IsAddress(v4, AddressFamily.InterNetwork)
            && Text(answer, "iPv6") is { } v6
            && IsAddress(v6, AddressFamily.InterNetworkV6)
            ? new HostEntry(
                [.. servers.OfType<string>()],
                v4,
                v6,
                mail,
                Text(answer, "lentUnder") is { } lent && IsHostName(lent) ? lent : null,
                [.. Items(answer, "lentRules").Select(rule => Text(rule)).OfType<string>()]
            )
            : null;
    }

    /// <summary>What a host asks of a log-in; null where it makes no sense.</summary>
    public static LogInRules? LogInRules(JsonElement answer)
    {
        int?[] numbers =
        [
            .. new[] { "shortestUser", "longestUser", "shortestPasscode", "longestPasscode" }.Select(field =>
                Field(answer, field) is { ValueKind: JsonValueKind.Number } number && number.TryGetInt32(out var value)
                    ? (int?)value
                    : null
            ),
        ];
        return
            numbers is [> 0 and { } shortest, < 100 and { } longest, > 0 and { } fewest, < 100 and { } most]
            && shortest <= longest
            && fewest <= most
            ? new LogInRules(
                shortest,
                longest,
                Field(answer, "digitsInUser") is { ValueKind: JsonValueKind.True },
                fewest,
                most
            )
            : null;
    }

    /// <summary>Whether a text is a name that a record can lead to: it will be copied into a zone.</summary>
    public static bool IsHostName(string? text) => DomainName.Parse(text) is { } name && name.Text == text;

    private static bool IsAddress(string text, AddressFamily family) =>
        IPAddress.TryParse(text, out var address) && address.AddressFamily == family;
}
