using System.Net.Http.Json;
using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>The name servers over HTTP.</summary>
public sealed class HttpNameServers(LookUps lookUps) : INameServers
{
    public async Task<IReadOnlyList<ResourceRecord>?> MailOfAsync(World world, DomainName domain, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/dns/{domain}/mx", cancel);
            return response.IsSuccessStatusCode ? Read(await response.Content.ReadFromJsonAsync<JsonElement>(cancel)) : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    // One record that cannot be read makes the whole answer worthless: mail may go there.
    private static List<ResourceRecord>? Read(JsonElement answer)
    {
        if (Answers.Field(answer, "records") is not { ValueKind: JsonValueKind.Array })
        {
            return null;
        }

        var records = Answers.Items(answer, "records").Select(Record).ToList();
        return records.Contains(null) ? null : [.. records.OfType<ResourceRecord>().OrderBy(record => record.Preference)];
    }

    private static ResourceRecord? Record(JsonElement record) =>
        Answers.Text(record, "exchange") is { } exchange && Answers.IsHostName(exchange) && Answers.Field(record, "preference") is { ValueKind: JsonValueKind.Number } number && number.TryGetUInt16(out var preference)
            ? new ResourceRecord("@", Pointing.TtlSeconds, RecordType.Mx, exchange + ".") { Preference = preference }
            : null;
}
