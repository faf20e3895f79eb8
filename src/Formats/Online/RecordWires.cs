using System.Collections.Immutable;
using HomeStart.Formats.Domains;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Online;

/// <summary>One record of a zone.</summary>
/// <param name="Data">As a zone file has it, but a text without its quotation marks; names end with a dot.</param>
/// <param name="Preference">Of MX alone.</param>
public sealed record RecordWire(string Owner, int TtlSeconds, string Type, string Data, int? Preference)
{
    public static RecordWire From(ResourceRecord record) =>
        new(record.Owner, record.TtlSeconds, ZoneFile.Word(record.Type), record.Data, record.Preference);
}

/// <summary>A zone, and which versions of it can be put back.</summary>
/// <param name="Version">Of what stands; a change says which one it saw. 0: nobody changed it yet.</param>
/// <param name="ServedBy">Who is in charge, in words.</param>
/// <param name="Domains">Every domain of this owner, whose records can be looked at here.</param>
/// <param name="CanChange">Whether it can be changed from here; false: somebody else keeps it.</param>
public sealed record ZoneWire(
    string Domain,
    int Version,
    string ServedBy,
    bool CanChange,
    IReadOnlyList<RecordWire> Records,
    IReadOnlyList<string> Domains
)
{
    public static ZoneWire From(
        DomainName domain,
        int version,
        string servedBy,
        IEnumerable<ResourceRecord> records,
        IReadOnlyList<string> domains
    ) => new(domain.Text, version, servedBy, true, [.. records.Select(RecordWire.From)], domains);
}

/// <summary>What taking records in would do.</summary>
public sealed record ZoneChangeWire(
    IReadOnlyList<RecordWire> Out,
    IReadOnlyList<RecordWire> In,
    IReadOnlyList<RecordWire> Records
)
{
    public static ZoneChangeWire From(ZoneChange change, IEnumerable<ResourceRecord> records) =>
        new(
            [.. change.Out.Select(RecordWire.From)],
            [.. change.In.Select(RecordWire.From)],
            [.. records.Select(RecordWire.From)]
        );
}

/// <summary>A zone as it is to be.</summary>
/// <param name="Version">The version that was seen.</param>
public sealed record ChangeZoneBody(int Version, IReadOnlyList<RecordWire> Records);

/// <summary>Records to be judged, as a zone file or as a ready set put into what stands.</summary>
/// <param name="ZoneFile">RFC 1035, section 5; null: <paramref name="Set"/> is given.</param>
public sealed record TryZoneBody(string? ZoneFile, string? Set, string? Argument);

/// <summary>Reads records.</summary>
public static class RecordReader
{
    /// <summary>The words of the types, as zone files have them.</summary>
    public static readonly (string Word, RecordType Value)[] Types =
    [
        .. Enum.GetValues<RecordType>().Select(type => (ZoneFile.Word(type), type)),
    ];

    /// <summary>The words of the ready sets.</summary>
    public static readonly (string Word, ReadySet Value)[] Sets =
    [
        ("site-here", ReadySet.SiteHere),
        ("mail-here", ReadySet.MailHere),
        ("mail-elsewhere", ReadySet.MailElsewhere),
        ("nothing-but-mail", ReadySet.NothingButMail),
        ("prove-by-text", ReadySet.ProveByText),
    ];

    /// <summary>A longer text than elsewhere: a key in a record has thousands of characters.</summary>
    private const int LongestData = 2 * ZoneRules.LongestText;

    public static ImmutableArray<ResourceRecord> Read(Node list)
    {
        if (list.IsAbsent)
        {
            list.Required("The list of records");
        }

        return [.. list.Items(ZoneRules.MostRecords + 1).Select(ReadOne).OfType<ResourceRecord>()];
    }

    private static ResourceRecord? ReadOne(Node node)
    {
        node.IsObject();
        var (owner, type, data) = (
            node["owner"].RequiredText("What stands before the domain"),
            node["type"].Word(Types),
            Data(node["data"])
        );
        if (node["type"].IsAbsent)
        {
            node["type"].Required("The type");
        }

        var ttl = node["ttlSeconds"].Whole() ?? Pointing.TtlSeconds;
        return owner is not null && type is { } known && data is not null
            ? new ResourceRecord(Owner(owner), ttl, known, Tidied(known, data))
            {
                Preference = node["preference"].Whole(),
            }
            : null;
    }

    private static string? Data(Node node)
    {
        if (node.Element is not { ValueKind: System.Text.Json.JsonValueKind.String } text)
        {
            node.RequiredText("The value");
            return null;
        }

        var data = text.GetString()!;
        if (data.Length > LongestData)
        {
            node.Fault(
                FaultCodes.OutOfRange,
                $"This value has {data.Length} characters; at most {LongestData} are read."
            );
            return null;
        }

        return data;
    }

    private static string Owner(string typed) => typed.Trim().ToLowerInvariant() is { Length: > 0 } owner ? owner : "@";

    /// <summary>
    /// As typed, but for what does not change what is meant: spaces around it, capitals in names and addresses, a
    /// missing dot at a name's end.
    /// </summary>
    public static string Tidied(RecordType type, string data)
    {
        var text = data.Trim();
        return type switch
        {
            RecordType.Txt => text,
            RecordType.Caa => text,
            RecordType.Cname or RecordType.Mx => Ended(text.ToLowerInvariant()),
            RecordType.Srv => text.Split(' ', StringSplitOptions.RemoveEmptyEntries)
                is [var priority, var weight, var port, var target]
                ? $"{priority} {weight} {port} {Ended(target.ToLowerInvariant())}"
                : text,
            _ => text.ToLowerInvariant(),
        };
    }

    // A name of several parts is meant whole: who types mail.example.com does not mean mail.example.com.example.com.
    private static string Ended(string name) =>
        name.Length == 0 || name.EndsWith('.') || !name.Contains('.', StringComparison.Ordinal) ? name : name + ".";
}
