using System.Text.Json.Nodes;

namespace HomeStart.Formats.Books;

/// <summary>
/// Adds what was typed in of a seller to the book one has of them: its own fields, their order, and what is unknown
/// here stay as they are.
/// </summary>
public static class BookJoin
{
    /// <summary>
    /// The book with the plans and extras of the other, those of its ids replaced; endings and refund only where it had
    /// none.
    /// </summary>
    public static JsonObject With(JsonObject book, JsonObject added)
    {
        var joined = book.DeepClone().AsObject();
        joined["asOf"] = added["asOf"]?.DeepClone();
        Join(joined, added, "plans", item => (string?)item["id"], replaces: true);
        Join(joined, added, "addOns", item => $"{item["for"]} {item["id"]}", replaces: true);
        Join(joined, added, "domains", item => (string?)item["ending"], replaces: false);
        if (joined["refund"] is null && added["refund"] is { } refund)
        {
            joined["refund"] = refund.DeepClone();
        }

        return joined;
    }

    private static void Join(JsonObject book, JsonObject added, string list, Func<JsonNode, string?> key, bool replaces)
    {
        if (added[list] is not JsonArray more)
        {
            return;
        }

        var items = book[list] as JsonArray ?? [];
        foreach (var item in more.OfType<JsonNode>())
        {
            var known = items
                .Index()
                .Where(pair => pair.Item is not null && key(pair.Item) == key(item))
                .Select(pair => (int?)pair.Index)
                .FirstOrDefault();
            if (known is { } index && replaces)
            {
                items[index] = item.DeepClone();
            }
            else if (known is null)
            {
                items.Add(item.DeepClone());
            }
        }

        if (items.Parent is null)
        {
            book[list] = items;
        }
    }
}
