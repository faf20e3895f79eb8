using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Json;

/// <summary>How wire records become JSON.</summary>
public static class WireJson
{
    public static readonly JsonSerializerOptions Options = Configure(
        new JsonSerializerOptions(JsonSerializerDefaults.Web)
    );

    /// <summary>How deep a document may nest.</summary>
    public const int Depth = 32;

    public static JsonSerializerOptions Configure(JsonSerializerOptions options)
    {
        options.MaxDepth = Depth;
        options.NumberHandling = JsonNumberHandling.Strict;
        // Kinds of line are written in camel case, all other words with hyphens; a number is no word.
        options.Converters.Add(
            new JsonStringEnumConverter<LineKind>(JsonNamingPolicy.CamelCase, allowIntegerValues: false)
        );
        options.Converters.Add(
            new JsonStringEnumConverter<RowKind>(JsonNamingPolicy.CamelCase, allowIntegerValues: false)
        );
        options.Converters.Add(
            new JsonStringEnumConverter<UpkeepLineKind>(JsonNamingPolicy.CamelCase, allowIntegerValues: false)
        );
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower, allowIntegerValues: false));
        options.TypeInfoResolver = new DefaultJsonTypeInfoResolver().WithAddedModifier(OnlyIncludedLinesSaySo);
        return options;
    }

    // Costing rule 15: lines that are not included have neither key, while an included one may have a worth of null.
    private static void OnlyIncludedLinesSaySo(JsonTypeInfo type)
    {
        if (type.Type != typeof(LineWire))
        {
            return;
        }

        foreach (var property in type.Properties.Where(property => property.Name is "included" or "worth"))
        {
            property.ShouldSerialize = (line, _) => ((LineWire)line).Included is not null;
        }
    }
}
