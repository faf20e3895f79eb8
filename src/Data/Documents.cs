using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace HomeStart.Data;

/// <summary>
/// How the documents of sites and orders are kept: as JSON of Core's own records, with the version of their shape.
/// Older ones are brought up to date as they are read, step by step, and are read for ever:
/// <c>tests/Web.Tests/fixtures</c> holds what each release wrote.
/// </summary>
public static class Documents
{
    private const string Version = "version";

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters =
        {
            new JsonStringEnumConverter(JsonNamingPolicy.CamelCase),
            new ExactDecimalConverter(),
            new CurrencyConverter(),
            new DomainNameConverter(),
            new MoneyConverter(),
        },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { KindsOfDayBook, LinesOfState } },
    };

    // What turns a document of version 1, 2, … into one of the next. The first release wrote no version: 1.
    private static readonly Dictionary<Type, Action<JsonObject>[]> Steps = new()
    {
        [typeof(Site)] = [],
        [typeof(NameAnswer)] = [],
        [typeof(SoughtNames)] = [],
        [typeof(Letter)] = [],
        [typeof(BusinessPage)] = [],
        [typeof(UploadPlan)] = [],
        [typeof(DayBook)] = [DayBookSteps.NamesSayWhatTheyHold],
        [typeof(SlipTicks)] = [],
        [typeof(Order)] = [OrderSteps.ItemsAreWords, OrderSteps.AmountsHaveTheirCurrency, OrderSteps.DomainsAreMany],
    };

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
            throw new JsonException(
                $"This was written by a newer Home Start: version {version} of {typeof(T).Name}, and "
                    + $"{Current<T>()} is the newest known here."
            );
        }

        foreach (var step in Steps[typeof(T)].Skip(version - 1))
        {
            step(node);
        }

        node.Remove(Version);
        return node.Deserialize<T>(Options) ?? throw new JsonException("The document is empty.");
    }

    // What was decided and what happened is of several kinds: each is written with its word.
    private static void KindsOfDayBook(JsonTypeInfo info)
    {
        Type[] kinds =
            info.Type == typeof(Decision)
                ?
                [
                    typeof(SetRenewing),
                    typeof(SetCard),
                    typeof(PayMissed),
                    typeof(Leave),
                    typeof(ChangePlan),
                    typeof(AddExtra),
                    typeof(DropExtra),
                    typeof(ClaimDomain),
                ]
            : info.Type == typeof(Happening)
                ?
                [
                    typeof(Charged),
                    typeof(Failed),
                    typeof(StateChanged),
                    typeof(Refunded),
                    typeof(Credited),
                    typeof(Refused),
                ]
            : [];
        if (kinds.Length > 0)
        {
            info.PolymorphismOptions = new JsonPolymorphismOptions { TypeDiscriminatorPropertyName = "kind" };
            foreach (var kind in kinds)
            {
                info.PolymorphismOptions.DerivedTypes.Add(
                    new JsonDerivedType(kind, JsonNamingPolicy.CamelCase.ConvertName(kind.Name))
                );
            }
        }
    }

    // A state has many lines, most of whose members say nothing: those, and what is worked out from others, are not
    // written.
    private static void LinesOfState(JsonTypeInfo info)
    {
        if (info.Type != typeof(UpkeepState) && info.Type != typeof(LineThen) && info.Type != typeof(Cover))
        {
            return;
        }

        foreach (var property in info.Properties)
        {
            var nothing = property.PropertyType.IsValueType ? Activator.CreateInstance(property.PropertyType) : null;
            property.ShouldSerialize =
                property.Set is null ? (_, _) => false
                : info.Type == typeof(LineThen) ? (_, value) => !Equals(value, nothing)
                : (_, _) => true;
        }
    }

    private static int Current<T>() => 1 + Steps[typeof(T)].Length;
}
