using System.Text.Json;
using System.Text.Json.Serialization;

namespace HomeStart.Data;

/// <summary>How the documents of sites and orders are kept: as JSON of Core's own records.</summary>
public static class Documents
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase), new ExactDecimalConverter() },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    public static string Write<T>(T document) => JsonSerializer.Serialize(document, Options);

    /// <exception cref="JsonException">The text is no such document.</exception>
    public static T Read<T>(string document) => JsonSerializer.Deserialize<T>(document, Options) ?? throw new JsonException("The document is empty.");

    private sealed class ExactDecimalConverter : JsonConverter<ExactDecimal>
    {
        public override ExactDecimal Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            ExactDecimal.TryParse(reader.GetString(), out var number) ? number : throw new JsonException("This is not a decimal number.");

        public override void Write(Utf8JsonWriter writer, ExactDecimal value, JsonSerializerOptions options) => writer.WriteStringValue(value.ToString());
    }
}
