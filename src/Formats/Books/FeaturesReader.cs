using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Books;

/// <summary>
/// Reads the features of a plan, and what an extra adds: numbers, true or false, words, or lists of words.
/// </summary>
internal static class FeaturesReader
{
    public static Features Read(Node node)
    {
        if (!node.IsObject())
        {
            return Features.None;
        }

        var values = ImmutableSortedDictionary.CreateBuilder<string, FeatureValue>(StringComparer.Ordinal);
        foreach (
            var property in node.Element!.Value.EnumerateObject()
                .Where(property => property.Value.ValueKind != JsonValueKind.Null)
        )
        {
            if (Value(node[property.Name]) is { } value)
            {
                values[property.Name] = value;
            }
        }

        return new Features(values.ToImmutable());
    }

    private static FeatureValue? Value(Node node)
    {
        var element = node.Element!.Value;
        switch (element.ValueKind)
        {
            case JsonValueKind.Number when element.TryGetDecimal(out var number) && number >= 0:
                return new FeatureValue(Number: number);
            case JsonValueKind.Number:
                node.Fault(FaultCodes.OutOfRange, "This must be zero or more.");
                return null;
            case JsonValueKind.True or JsonValueKind.False:
                return new FeatureValue(Flag: element.GetBoolean());
            case JsonValueKind.String:
                return node.Text() is { } word ? new FeatureValue(Word: word) : null;
            case JsonValueKind.Array:
                return new FeatureValue(Words: node.Texts());
            default:
                node.Fault(
                    FaultCodes.BadType,
                    "A feature is a number, \"unlimited\", true or false, a word or a list of words."
                );
                return null;
        }
    }
}
