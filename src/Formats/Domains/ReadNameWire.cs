using System.Text.Json;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Domains;

/// <summary>What is sent to have a name read.</summary>
/// <param name="Ending">The one that stands beside the field.</param>
/// <param name="CustomersIn">An ISO 3166 country: GB.</param>
public sealed record ReadNameBody(string Text, string? Ending = null, string? CustomersIn = null);

/// <summary>A name as it was read, in the words of the naming rules.</summary>
public sealed record ReadNameWire(
    string Label,
    string? Ascii,
    string? Ending,
    IReadOnlyList<string> Mended,
    IReadOnlyList<string> Problems,
    IReadOnlyList<NameAdviceWire> Advice,
    IReadOnlyList<string> Others
)
{
    public static ReadNameWire From(ReadName name) =>
        new(
            name.Label,
            name.Ascii,
            name.Ending,
            [.. name.Mended.Select(mend => Word(mend))],
            [.. name.Problems.Select(Word)],
            [.. name.Advice.Select(advice => new NameAdviceWire(Word(advice.Code), advice.Detail))],
            name.Others
        );

    private static string Word(NameProblem problem) =>
        problem == NameProblem.Hyphen34 ? "hyphen-34" : Word<NameProblem>(problem);

    private static string Word(NameAdviceCode code) =>
        code == NameAdviceCode.TooManyCharacters ? "long" : Word<NameAdviceCode>(code);

    private static string Word<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.KebabCaseLower.ConvertName(value.ToString());
}

/// <param name="Code">long, hyphen, digit, doubled, reads-otherwise, idn, ending-abroad or not-com-nor-home.</param>
/// <param name="Detail">Its measure.</param>
public sealed record NameAdviceWire(string Code, string Detail);

/// <summary>Reads what is sent to have a name read.</summary>
public static class ReadNameReader
{
    /// <summary>The name; null with what is wrong in <paramref name="faults"/>.</summary>
    public static ReadName? Read(JsonElement root, FaultList faults)
    {
        var node = new Node(root, "", faults);
        if (!node.IsObject())
        {
            node.Required("The name");
            return null;
        }

        var text = node["text"].RequiredText("What was typed");
        if (text?.Length > NameReader.Longest)
        {
            node["text"]
                .Fault(
                    FaultCodes.OutOfRange,
                    $"This has {text.Length} characters; at most {NameReader.Longest} are read."
                );
        }

        var ending = node["ending"].Text()?.Trim().TrimStart('.').ToLowerInvariant();
        var ascii = ending is null or "" ? null : DomainName.ParseEnding(ending);
        if (ascii is null && ending is not (null or ""))
        {
            node["ending"].Fault(FaultCodes.BadType, "This is no ending of a domain, such as com or co.uk.");
        }

        var country = Country(node["customersIn"]);
        return faults.Any || text is null ? null : NameData.Reader.Read(text, ascii, country);
    }

    /// <summary>
    /// Ideas of a business, its trade and its town; null with what is wrong in <paramref name="faults"/>.
    /// </summary>
    public static IReadOnlyList<NameIdea>? ReadIdeas(JsonElement root, FaultList faults) =>
        ReadIdeas(new Node(root, "", faults), faults);

    internal static IReadOnlyList<NameIdea>? ReadIdeas(Node node, FaultList faults)
    {
        if (!node.IsObject())
        {
            node.Required("What ideas are to be made of");
            return null;
        }

        var (business, trade, town) = (Said(node["business"]), Said(node["trade"]), Said(node["town"]));
        if (!faults.Any && business.Length + trade.Length == 0)
        {
            node["business"].Required("What the business is called, or what it does,");
        }

        var country = Country(node["customersIn"]);
        return faults.Any ? null : NameIdeas.Suggest(business, trade, town, NameData.Reader, country);
    }

    private static string Said(Node node)
    {
        var text = node.Text()?.Trim() ?? "";
        if (text.Length > NameIdeas.Longest)
        {
            node.Fault(
                FaultCodes.OutOfRange,
                $"This has {text.Length} characters; at most {NameIdeas.Longest} are read."
            );
        }

        return text;
    }

    private static string? Country(Node node)
    {
        var country = node.Text();
        if (country is not null && !(country.Length == 2 && country.All(char.IsAsciiLetter)))
        {
            node.Fault(FaultCodes.Unknown, $"“{country}” is not the code of a country, such as GB.");
        }

        return country;
    }
}

/// <summary>What ideas are made of; an empty text is left out.</summary>
/// <param name="Business">What it is called.</param>
/// <param name="Trade">What it does, in a few words.</param>
/// <param name="Town">Where.</param>
public sealed record NameIdeasBody(string? Business, string? Trade, string? Town, string? CustomersIn = null);
