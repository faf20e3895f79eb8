using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;
using HomeStart.Formats.Books;
using HomeStart.Formats.Words;
using Json.Schema;

namespace HomeStart.Core.Tests;

/// <summary>
/// Books broken at random: the schema and the validator are held against each other, and whatever comes in is answered.
/// </summary>
public class BookFuzz
{
    private static readonly JsonSchema Schema = JsonSchema.FromText(
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "offer-book.schema.json"))
    );

    // What only several parts together, a currency or a calendar can tell, is the validator's alone.
    private static readonly string[] BeyondTheSchema =
    [
        FaultCodes.DuplicateId,
        FaultCodes.BadSteps,
        FaultCodes.BadAmount,
        FaultCodes.BadDate,
        FaultCodes.OutOfRange,
        FaultCodes.Required,
        FaultCodes.Unknown,
    ];

    private static readonly string[] Values =
    [
        "null",
        "true",
        "false",
        "0",
        "-1",
        "1",
        "1.5",
        "11",
        "121",
        "1e400",
        "1000000000000000",
        "\"\"",
        "\"x\"",
        "\"all\"",
        "\"7.50\"",
        "\"-7.50\"",
        "\"7,50\"",
        "\"1000000000000000\"",
        "\"2026-02-30\"",
        "\"com\"",
        "\"c_m\"",
        "[]",
        "{}",
        "[null]",
        "[\"plan\"]",
        "[{}]",
        "[[[[]]]]",
        "\"<img src=x onerror=alert(1)>\"",
        "\"=HYPERLINK(1)\"",
        "\"\\u202eevil\"",
        "\"javascript:alert(1)\"",
        "\"days\"",
        "\"once\"",
        "\"cycle\"",
        "\"domain\"",
        "\"GBP\"",
        "\"JPY\"",
    ];

    [Fact]
    public void What_the_validator_takes_fits_the_schema_and_what_the_schema_refuses_it_refuses()
    {
        var (taken, refused, beyond) = (0, 0, 0);
        Mutated.Sample(
            book =>
            {
                var json = book.Deserialize<JsonElement>();
                var faults = new FaultList();
                var read = BookReader.Read(json, faults);
                (read is null).ShouldBe(faults.Any);
                var fits = Schema.Evaluate(json).IsValid;
                if (read is not null)
                {
                    fits.ShouldBeTrue(book.ToJsonString());
                    Interlocked.Increment(ref taken);
                }
                else if (fits)
                {
                    // A shape that the schema takes is refused only for what it cannot know; an ending's text is one of
                    // these.
                    faults.Faults.ShouldAllBe(
                        fault =>
                            BeyondTheSchema.Contains(fault.Code)
                            || fault.Where.EndsWith(".ending", StringComparison.Ordinal),
                        book.ToJsonString()
                    );
                    Interlocked.Increment(ref beyond);
                }
                else
                {
                    Interlocked.Increment(ref refused);
                }
            },
            iter: 3000
        );
        Math.Min(taken, Math.Min(refused, beyond)).ShouldBeGreaterThan(50); // Each of the three was tried.
    }

    [Fact]
    public void A_broken_book_has_faults_at_places_that_are_there_or_missing_there() =>
        Mutated.Sample(
            book =>
            {
                var faults = new FaultList();
                BookReader.Read(book, faults);
                foreach (var fault in faults.Faults)
                {
                    FaultWords.Sentence(fault).ShouldNotBeNullOrWhiteSpace();
                    Holder(book, fault.Where).ShouldBeTrue($"{fault.Where} in {book.ToJsonString()}");
                }
            },
            iter: 500
        );

    private static readonly Gen<JsonObject> Mutated = Gen.Select(
        RandomMarket.Request,
        Gen.Int[0, int.MaxValue],
        (request, seed) =>
        {
            var random = new Random(seed);
            var books = request["books"]!.AsArray();
            var book = books[random.Next(books.Count)]!.DeepClone().AsObject();
            for (var change = random.Next(3); change >= 0; change--)
            {
                Mutate(book, random);
            }

            return book;
        }
    );

    private static void Mutate(JsonObject book, Random random)
    {
        var places = Places(book).ToList();
        var (holder, key) = places[random.Next(places.Count)];
        var value = JsonNode.Parse(Values[random.Next(Values.Length)]);
        switch (holder)
        {
            case JsonObject part when random.Next(4) == 0:
                part.Remove((string)key);
                break;
            case JsonObject part:
                part[(string)key] = value;
                break;
            case JsonArray list when random.Next(4) == 0:
                list.Add(list[(int)key]?.DeepClone());
                break;
            case JsonArray list:
                list[(int)key] = value;
                break;
        }
    }

    private static IEnumerable<(JsonNode Holder, object Key)> Places(JsonNode? node) =>
        node switch
        {
            JsonObject part => part.SelectMany(field => Places(field.Value).Prepend((part, field.Key))),
            JsonArray list => list.Index().SelectMany(pair => Places(pair.Item).Prepend((list, pair.Index))),
            _ => [],
        };

    // Whether what would hold the place is there: a missing field is reported where it would stand.
    private static bool Holder(JsonNode book, string where)
    {
        var parts = where
            .Replace("[", ".", StringComparison.Ordinal)
            .Replace("]", "", StringComparison.Ordinal)
            .Split('.', StringSplitOptions.RemoveEmptyEntries);
        JsonNode? node = book;
        foreach (var (index, part) in parts.Index())
        {
            var isLast = index == parts.Length - 1;
            switch (node)
            {
                case JsonArray list when int.TryParse(part, out var at):
                    if (at >= list.Count)
                    {
                        return false;
                    }

                    node = list[at];
                    break;
                case JsonObject holder:
                    node = holder[part];
                    break;
                default:
                    return isLast || node is null; // A field of what is not there, or is no object.
            }
        }

        return true;
    }
}
