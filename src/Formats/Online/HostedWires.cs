using HomeStart.Formats.Json;

namespace HomeStart.Formats.Online;

/// <summary>A name that a hosting account answers for.</summary>
public sealed record HostedNameWire(string Name, string Use, string Folder, string? ForwardTo, bool KeepsPath)
{
    public static HostedNameWire From(HostedName name) =>
        new(
            name.Name.Text,
            HostedNameReader.Uses.Single(use => use.Value == name.Use).Word,
            name.Folder,
            name.ForwardTo,
            name.KeepsPath
        );
}

/// <summary>The names of an account as they are to be.</summary>
/// <param name="Version">The version that was seen.</param>
public sealed record ChangeNamesBody(int Version, IReadOnlyList<HostedNameWire> Names);

/// <summary>Reads names and their uses.</summary>
public static class HostedNameReader
{
    public static readonly (string Word, NameUse Value)[] Uses =
    [
        ("own-site", NameUse.OwnSite),
        ("same-site", NameUse.SameSite),
        ("forwarded", NameUse.Forwarded),
        ("resting", NameUse.Resting),
        ("mail-only", NameUse.MailOnly),
    ];

    public static HostedNames Read(Node list)
    {
        if (list.IsAbsent)
        {
            list.Required("The list of names");
        }

        return new HostedNames([.. list.Items(HostedNames.Most + 1).Select(ReadOne).OfType<HostedName>()]);
    }

    private static HostedName? ReadOne(Node node)
    {
        node.IsObject();
        var domain = DomainName.Parse(node["name"].RequiredText("The name")?.Trim().ToLowerInvariant());
        if (domain is null && !node["name"].IsAbsent)
        {
            node["name"].Fault(FaultCodes.BadType, "This is no domain: type a name such as shop.example.com.");
        }

        if (node["use"].IsAbsent)
        {
            node["use"].Required("What the name is for");
        }

        var use = node["use"].Word(Uses);
        return domain is null || use is null
            ? null
            : new HostedName(
                domain,
                use.Value,
                node["folder"].Text()?.Trim('/', ' ') ?? "",
                node["forwardTo"].Text()?.Trim() is { Length: > 0 } address ? address : null,
                node["keepsPath"].Flag() ?? false
            );
    }
}

/// <summary>The mail addresses of an account.</summary>
public sealed record MailSetUpWire(
    IReadOnlyList<string> Boxes,
    IReadOnlyList<MailForwardWire> Forwards,
    string? CatchAll
)
{
    public static MailSetUpWire From(MailSetUp mail) =>
        new(
            mail.Boxes,
            [.. mail.Forwards.Select(forward => new MailForwardWire(forward.From, forward.To))],
            mail.CatchAll
        );
}

public sealed record MailForwardWire(string From, string To);

/// <summary>The mail addresses of an account as they are to be.</summary>
/// <param name="Version">The version that was seen.</param>
public sealed record ChangeMailBody(
    int Version,
    IReadOnlyList<string> Boxes,
    IReadOnlyList<MailForwardWire> Forwards,
    string? CatchAll
);

/// <summary>Reads mail addresses.</summary>
public static class MailSetUpReader
{
    public static MailSetUp Read(Node node)
    {
        node.IsObject();
        return new MailSetUp(
            [.. node["boxes"].Texts(MailSetUp.MostAddresses + 1).Select(Tidied)],
            [
                .. node["forwards"]
                    .Items(MailSetUp.MostAddresses + 1)
                    .Select(forward => new MailForward(
                        Tidied(forward["from"].RequiredText("The address") ?? ""),
                        Tidied(forward["to"].RequiredText("Where its mail goes") ?? "")
                    )),
            ],
            node["catchAll"].Text() is { } all && all.Trim().Length > 0 ? Tidied(all) : null
        );
    }

    private static string Tidied(string address) => address.Trim().ToLowerInvariant();
}
