using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Online;

/// <summary>The kinds of documents that a host keeps for its customers.</summary>
public static class PanelKinds
{
    public const string Zone = "zone";
    public const string Space = "space";
    public const string Names = "names";
    public const string Mail = "mail";
    public const string Engines = "engines";
}

/// <summary>
/// How the documents of a host's panel are written and read, by whoever is on either side. What cannot be read is null:
/// whoever keeps it is not believed to be right.
/// </summary>
public static class PanelDocuments
{
    public static byte[] Write(IEnumerable<ResourceRecord> records) =>
        JsonSerializer.SerializeToUtf8Bytes(new { records = records.Select(RecordWire.From) }, WireJson.Options);

    public static byte[] Write(WebSpace space) =>
        JsonSerializer.SerializeToUtf8Bytes(new { files = space.Files }, WireJson.Options);

    public static byte[] Write(HostedNames names) =>
        JsonSerializer.SerializeToUtf8Bytes(new { names = names.Names.Select(HostedNameWire.From) }, WireJson.Options);

    public static byte[] Write(MailSetUp mail) =>
        JsonSerializer.SerializeToUtf8Bytes(MailSetUpWire.From(mail), WireJson.Options);

    public static byte[] Write(IEnumerable<InstalledEngine> engines) =>
        JsonSerializer.SerializeToUtf8Bytes(new { engines }, WireJson.Options);

    public static byte[] Write(IEnumerable<EngineOffer> offers) =>
        JsonSerializer.SerializeToUtf8Bytes(new { engines = offers }, WireJson.Options);

    public static ImmutableArray<ResourceRecord>? Records(ReadOnlyMemory<byte> bytes) =>
        Read<ImmutableArray<ResourceRecord>?>(bytes, node => RecordReader.Read(node["records"]));

    public static WebSpace? Space(ReadOnlyMemory<byte> bytes) =>
        Read(bytes, node => new WebSpace([
            .. node["files"].Items(FileRules.MostFiles).Select(File).OfType<SiteFile>(),
        ]));

    public static HostedNames? Names(ReadOnlyMemory<byte> bytes) =>
        Read(bytes, node => HostedNameReader.Read(node["names"]));

    public static MailSetUp? Mail(ReadOnlyMemory<byte> bytes) => Read(bytes, MailSetUpReader.Read);

    public static IReadOnlyList<InstalledEngine>? Engines(ReadOnlyMemory<byte> bytes) =>
        Read(bytes, node =>
            (IReadOnlyList<InstalledEngine>)[.. node["engines"].Items(HostedNames.Most).Select(Engine)]
        );

    public static IReadOnlyList<EngineOffer>? Offers(ReadOnlyMemory<byte> bytes) =>
        Read(bytes, node => (IReadOnlyList<EngineOffer>)[.. node["engines"].Items(HostedNames.Most).Select(Offer)]);

    private static SiteFile? File(Node node) =>
        node["path"].RequiredText("The path") is { } path
        && node["hash"].RequiredText("The hash") is { } hash
        && IsHash(hash)
        && node["size"].Element is { ValueKind: JsonValueKind.Number } number
        && number.TryGetInt64(out var size)
            ? new SiteFile(path, hash, size)
            : null;

    /// <summary>Whether a text is a SHA-256 in lower-case hexadecimal.</summary>
    public static bool IsHash(string text) => text.Length == 64 && text.All(char.IsAsciiHexDigitLower);

    private static InstalledEngine Engine(Node node) =>
        new(
            Text(node, "engine"),
            Text(node, "name"),
            Text(node, "version"),
            node["folder"].Text() ?? "",
            Text(node, "title"),
            Text(node, "user"),
            node["step"].Whole() ?? 0
        )
        {
            Files = [.. node["files"].Items(FileRules.MostFiles).Select(File).OfType<SiteFile>()],
        };

    private static EngineOffer Offer(Node node) =>
        new(
            Text(node, "id"),
            Text(node, "name"),
            Text(node, "version"),
            Text(node, "for"),
            node["databases"].Whole() ?? 0,
            node["storageMegabytes"].Whole() ?? 0
        );

    private static string Text(Node node, string field) => node[field].RequiredText(field) ?? "";

    private static T? Read<T>(ReadOnlyMemory<byte> bytes, Func<Node, T> read)
    {
        if (JsonText.Parse(bytes) is not ({ } document, _))
        {
            return default;
        }

        using (document)
        {
            var faults = new FaultList();
            var value = read(new Node(document.RootElement, "", faults));
            return faults.Any ? default : value;
        }
    }
}
