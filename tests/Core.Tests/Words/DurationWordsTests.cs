using System.Text.Json;
using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>
/// Lengths of time are worded alike on the server and in the client, which is held to the same table.
/// </summary>
public class DurationWordsTests
{
    [Fact]
    public void Server_and_client_word_lengths_of_time_alike()
    {
        using var table = JsonDocument.Parse(
            File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "fixtures", "words", "durations.json"))
        );
        foreach (var row in table.RootElement.EnumerateArray())
        {
            var months = row.GetProperty("months").GetInt32();
            DurationWords.Span(months).ShouldBe(row.GetProperty("span").GetString());
            DurationWords.Every(months).ShouldBe(row.GetProperty("every").GetString());
            DurationWords.These(months).ShouldBe(row.GetProperty("these").GetString());
        }
    }
}
