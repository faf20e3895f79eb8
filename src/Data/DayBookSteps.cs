using System.Text.Json.Nodes;

namespace HomeStart.Data;

/// <summary>What changed in the shape of stored day books.</summary>
internal static class DayBookSteps
{
    /// <summary>
    /// 1 to 2: two names say what they hold. The state, which came at the same time, is worked out where the order is
    /// known (<see cref="DayKeeper.Restored"/>).
    /// </summary>
    public static void NamesSayWhatTheyHold(JsonObject book)
    {
        Rename(book, "toldTo", "notifiedThrough");
        if (book["underWay"] is JsonObject underWay)
        {
            Rename(underWay, "told", "actsDone");
        }
    }

    private static void Rename(JsonObject document, string from, string to)
    {
        if (document.Remove(from, out var value))
        {
            document[to] = value;
        }
    }
}
