using System.Buffers;
using System.Text.Json;
using System.Text.Unicode;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Json;

/// <summary>
/// Whether bytes are JSON whose texts are all text: what JSON allows to be written but no program can hold is found
/// before anything is read.
/// </summary>
public static class JsonText
{
    /// <summary>The document, or why the bytes are none.</summary>
    public static (JsonDocument? Document, JsonFlaw? Flaw) Parse(ReadOnlyMemory<byte> bytes)
    {
        if (!Utf8.IsValid(bytes.Span))
        {
            return (null, new JsonFlaw(null, "This is not UTF-8."));
        }

        try
        {
            var document = JsonDocument.Parse(bytes, new JsonDocumentOptions { MaxDepth = WireJson.Depth });
            return BrokenAt(bytes.Span) is { } where
                ? (
                    null,
                    new JsonFlaw(
                        where,
                        "This text holds half of a character: a surrogate without its other half. Type it again."
                    )
                )
                : (document, null);
        }
        catch (JsonException exception)
        {
            var place = exception.LineNumber is { } line
                ? $" Line {line + 1}, byte {exception.BytePositionInLine + 1}."
                : "";
            return (
                null,
                new JsonFlaw(null, $"This is not JSON, or it nests deeper than {WireJson.Depth} levels.{place}")
            );
        }
    }

    /// <summary>
    /// Reports every name that stands twice in an object: readers would differ on which of the two counts.
    /// </summary>
    public static void ReportTwice(JsonElement element, string where, FaultList faults)
    {
        switch (element.ValueKind)
        {
            case JsonValueKind.Object:
                var seen = new HashSet<string>(StringComparer.Ordinal);
                foreach (var property in element.EnumerateObject())
                {
                    var path = where.Length == 0 ? property.Name : $"{where}.{property.Name}";
                    if (!seen.Add(property.Name))
                    {
                        faults.Say(FaultCodes.DuplicateId, path, "This field stands here twice: keep one of them.");
                    }

                    ReportTwice(property.Value, path, faults);
                }

                break;
            case JsonValueKind.Array:
                foreach (var (index, item) in element.EnumerateArray().Index())
                {
                    ReportTwice(item, $"{where}[{index}]", faults);
                }

                break;
        }
    }

    // The place of the first text that is no text. Only escapes can make one, so that a text without is passed over.
    private static string? BrokenAt(ReadOnlySpan<byte> bytes)
    {
        var reader = new Utf8JsonReader(bytes, new JsonReaderOptions { MaxDepth = WireJson.Depth });
        var places = new Stack<Place>();
        while (reader.Read())
        {
            var isText = reader.TokenType is JsonTokenType.String or JsonTokenType.PropertyName;
            if (isText && reader.ValueIsEscaped && !IsText(ref reader))
            {
                return Path(places, reader.TokenType == JsonTokenType.String);
            }

            switch (reader.TokenType)
            {
                case JsonTokenType.StartObject or JsonTokenType.StartArray:
                    places.Push(new Place(reader.TokenType == JsonTokenType.StartArray));
                    break;
                case JsonTokenType.EndObject or JsonTokenType.EndArray:
                    places.Pop();
                    Passed(places);
                    break;
                case JsonTokenType.PropertyName:
                    places.Peek().Name = reader.GetString()!;
                    break;
                default:
                    Passed(places);
                    break;
            }
        }

        return null;
    }

    private static bool IsText(ref Utf8JsonReader reader)
    {
        var buffer = ArrayPool<char>.Shared.Rent(reader.ValueSpan.Length);
        try
        {
            _ = reader.CopyString(buffer);
            return true;
        }
        catch (InvalidOperationException)
        {
            return false;
        }
        finally
        {
            ArrayPool<char>.Shared.Return(buffer);
        }
    }

    private static void Passed(Stack<Place> places)
    {
        if (places.TryPeek(out var place))
        {
            place.Index++;
        }
    }

    // A broken name has no place of its own: it stands in what holds it.
    private static string Path(Stack<Place> places, bool isValue)
    {
        var path = "";
        foreach (var (depth, place) in places.Reverse().Index())
        {
            var isLast = depth == places.Count - 1;
            path +=
                isLast && !isValue ? ""
                : place.IsList ? $"[{place.Index}]"
                : path.Length == 0 ? place.Name
                : $".{place.Name}";
        }

        return path;
    }

    private sealed class Place(bool isList)
    {
        public bool IsList => isList;

        public int Index { get; set; }

        public string Name { get; set; } = "";
    }
}

/// <summary>Why bytes cannot be read as JSON.</summary>
/// <param name="Where">The place of a text that is none; null: it is no JSON at all.</param>
public sealed record JsonFlaw(string? Where, string Message);
