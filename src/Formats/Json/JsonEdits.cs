using System.Globalization;
using System.Text.Json.Nodes;

namespace HomeStart.Formats.Json;

/// <summary>
/// Applies changes in the form of JSON Patch (RFC 6902: add, remove, replace, copy, move) to a document. Fields that
/// are not touched keep their order and their writing.
/// </summary>
public static class JsonEdits
{
    /// <summary>The most changes at once.</summary>
    public const int Most = 500;

    // A book copied into itself again and again would grow without end.
    private const int MostValues = 100_000;

    /// <summary>
    /// The document after the changes; a change that does not fit it is a fault at its place in the list, and the rest
    /// is not tried.
    /// </summary>
    public static JsonNode? Apply(JsonNode document, Node operations)
    {
        var edited = document.DeepClone();
        var values = SizeOf(edited).Values;
        foreach (var operation in operations.Items(Most))
        {
            if (Problem(edited, operation, ref values) is { } problem)
            {
                operation.Fault(FaultCodes.Unknown, problem);
                return null;
            }
        }

        return edited;
    }

    private static string? Problem(JsonNode document, Node operation, ref int values)
    {
        var path = Pointer(operation["path"].Text());
        if (path is not { Length: > 0 } || path[0] is "format")
        {
            return "A change names the place it changes, such as /plans/0/name.";
        }

        var value = operation["value"].Element is { } element ? JsonNode.Parse(element.GetRawText()) : null;
        switch (operation["op"].Text())
        {
            case "add":
                return TooMuch(path, value, ref values) ?? Put(document, path, value, inserts: true);
            case "replace":
                return !IsThere(document, path)
                    ? Missing(path)
                    : TooMuch(path, value, ref values) ?? Put(document, path, value, inserts: false);
            case "remove":
                return Remove(document, path, out _);
            case "copy" when Pointer(operation["from"].Text()) is { } from:
                return !IsThere(document, from) ? Missing(from)
                    : Find(document, from) is var found && TooMuch(path, found, ref values) is { } much ? much
                    : Put(document, path, found?.DeepClone(), inserts: true);
            case "move" when Pointer(operation["from"].Text()) is { } from:
                return Remove(document, from, out var moved)
                    ?? TooMuch(path, moved, ref values)
                    ?? Put(document, path, moved, inserts: true);
            default:
                return "A change is add, remove, replace, copy or move.";
        }
    }

    private static string? Put(JsonNode document, string[] path, JsonNode? value, bool inserts)
    {
        switch (Holder(document, path))
        {
            case JsonObject holder:
                holder[path[^1]] = value;
                return null;
            case JsonArray list when Index(path[^1], list.Count, ofEnd: inserts) is { } index:
                if (inserts)
                {
                    list.Insert(index, value);
                }
                else
                {
                    list[index] = value;
                }

                return null;
            default:
                return Missing(path);
        }
    }

    private static string? Remove(JsonNode document, string[] path, out JsonNode? removed)
    {
        removed = null;
        switch (path.Length == 0 ? null : Holder(document, path))
        {
            case JsonObject holder when holder.TryGetPropertyValue(path[^1], out removed):
                holder.Remove(path[^1]);
                return null;
            case JsonArray list when Index(path[^1], list.Count, ofEnd: false) is { } index:
                removed = list[index];
                list.RemoveAt(index);
                return null;
            default:
                return Missing(path);
        }
    }

    private static string? TooMuch(string[] path, JsonNode? value, ref int values)
    {
        var (count, depth) = SizeOf(value);
        values += count;
        return values > MostValues ? "With this change the book would hold more than is read here."
            : path.Length + depth > WireJson.Depth
                ? $"With this change the book would nest deeper than {WireJson.Depth} levels."
            : null;
    }

    private static (int Values, int Depth) SizeOf(JsonNode? node)
    {
        var inner = node switch
        {
            JsonObject holder => holder.Select(field => field.Value),
            JsonArray list => list,
            _ => [],
        };
        return inner
            .Select(SizeOf)
            .Aggregate((Values: 1, Depth: 1), (sum, size) =>
                (sum.Values + size.Values, Math.Max(sum.Depth, size.Depth + 1))
            );
    }

    private static JsonNode? Holder(JsonNode document, string[] path) => Find(document, path[..^1]);

    // A member that is there may well be null.
    private static bool IsThere(JsonNode document, string[] path) =>
        path.Length == 0
        || Holder(document, path) switch
        {
            JsonObject holder => holder.ContainsKey(path[^1]),
            JsonArray list => Index(path[^1], list.Count, ofEnd: false) is not null,
            _ => false,
        };

    private static JsonNode? Find(JsonNode? node, string[] path)
    {
        foreach (var part in path)
        {
            node = node switch
            {
                JsonObject holder => holder[part],
                JsonArray list when Index(part, list.Count, ofEnd: false) is { } index => list[index],
                _ => null,
            };
        }

        return node;
    }

    private static int? Index(string part, int count, bool ofEnd) =>
        ofEnd && part == "-" ? count
        : int.TryParse(part, NumberStyles.None, CultureInfo.InvariantCulture, out var index)
        && index < count + (ofEnd ? 1 : 0)
            ? index
        : null;

    // RFC 6901: "/plans/0/name"; ~1 stands for a slash and ~0 for a tilde.
    private static string[]? Pointer(string? text) =>
        text is null || (text.Length > 0 && text[0] != '/') ? null
        : text.Length == 0 ? []
        :
        [
            .. text[1..]
                .Split('/')
                .Select(part =>
                    part.Replace("~1", "/", StringComparison.Ordinal).Replace("~0", "~", StringComparison.Ordinal)
                ),
        ];

    private static string Missing(string[] path) => $"There is no /{string.Join('/', path)} in this book.";
}
