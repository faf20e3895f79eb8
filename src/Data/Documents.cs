using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;

namespace HomeStart.Data;

/// <summary>
/// How the documents of sites and orders are kept: as JSON of Core's own records, with the version of their shape. Older ones are brought up to date as they are read, step by
/// step, and are read for ever: <c>tests/Web.Tests/fixtures</c> holds what each release wrote.
/// </summary>
public static class Documents
{
    private const string Version = "version";

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase), new ExactDecimalConverter(), new CurrencyConverter(), new DomainNameConverter(), new MoneyConverter() },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    // What turns a document of version 1, 2, … into one of the next. The first release wrote no version: 1.
    private static readonly Dictionary<Type, Action<JsonObject>[]> Steps = new() { [typeof(Site)] = [], [typeof(NameAnswer)] = [], [typeof(SoughtNames)] = [], [typeof(Letter)] = [], [typeof(BusinessPage)] = [], [typeof(UploadPlan)] = [], [typeof(Order)] = [OrderSteps.ItemsAreWords, OrderSteps.AmountsHaveTheirCurrency, OrderSteps.DomainsAreMany] };

    public static string Write<T>(T document)
    {
        var written = JsonSerializer.SerializeToNode(document, Options)!.AsObject();
        written.Insert(0, Version, Current<T>());
        return written.ToJsonString(Options);
    }

    /// <exception cref="JsonException">The text is no such document, or one that a newer Home Start wrote.</exception>
    public static T Read<T>(string document)
    {
        var node = JsonNode.Parse(document) as JsonObject ?? throw new JsonException("This is no document.");
        var version = node[Version]?.GetValue<int>() ?? 1;
        if (version > Current<T>())
        {
            throw new JsonException($"This was written by a newer Home Start: version {version} of {typeof(T).Name}, and {Current<T>()} is the newest known here.");
        }

        foreach (var step in Steps[typeof(T)].Skip(version - 1))
        {
            step(node);
        }

        node.Remove(Version);
        return node.Deserialize<T>(Options) ?? throw new JsonException("The document is empty.");
    }

    private static int Current<T>() => 1 + Steps[typeof(T)].Length;
}
