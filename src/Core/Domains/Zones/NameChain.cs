using System.Collections.Immutable;

namespace HomeStart.Core.Domains;

/// <summary>
/// What was found on the way from a domain to its host, each as somebody outside sees it. Null where nobody answered.
/// </summary>
/// <param name="Entry">Where the host takes names in.</param>
/// <param name="ServersAtRegistry">The name servers that the registry has for the domain.</param>
/// <param name="Zone">What whoever is in charge says.</param>
/// <param name="Places">What resolvers elsewhere say, by place: the addresses they give for the domain.</param>
public sealed record NameFacts(
    HostEntry Entry,
    ImmutableArray<string>? ServersAtRegistry,
    ZoneFacts? Zone,
    ImmutableArray<PlaceFacts> Places
)
{
    /// <summary>
    /// What the server behind the host's address answers for the domain, as an HTTP status; null: it does not answer.
    /// </summary>
    public int? ServerStatus { get; init; }

    /// <summary>How the certificate stands; null: nobody could say.</summary>
    public CertificateFacts? Certificate { get; init; }
}

/// <summary>What whoever is in charge of a domain says of it.</summary>
/// <param name="Exists">Whether there is such a name at all.</param>
/// <param name="Servers">The name servers that the zone itself names (NS).</param>
/// <param name="Addresses">Of the domain itself (A and AAAA).</param>
/// <param name="WwwAddresses">Of the name with <c>www</c> before it, wherever that leads (A).</param>
/// <param name="MailServers">Where mail goes, lowest preference first (MX).</param>
public sealed record ZoneFacts(
    bool Exists,
    ImmutableArray<string> Servers,
    ImmutableArray<string> Addresses,
    ImmutableArray<string> WwwAddresses,
    ImmutableArray<string> MailServers
);

/// <summary>What a resolver somewhere says.</summary>
/// <param name="Addresses">Null: it did not answer.</param>
public sealed record PlaceFacts(string Place, ImmutableArray<string>? Addresses);

/// <summary>How a certificate stands at the host.</summary>
/// <param name="Until">The last day it is good for; null where there is none.</param>
/// <param name="Refusal">Why the host could not get one, in its words.</param>
public sealed record CertificateFacts(CertificateState State, DateOnly? Until = null, string? Refusal = null);

/// <summary>How a certificate stands.</summary>
public enum CertificateState
{
    /// <summary>Nobody has asked for one.</summary>
    None,

    /// <summary>It was asked for, and comes when the name has spread.</summary>
    Waiting,

    /// <summary>It is there.</summary>
    There,

    /// <summary>It was refused.</summary>
    Refused,
}

/// <summary>The chain from a domain to its host: what is right, what is not, and what only needs waiting.</summary>
public sealed record NameChain(ImmutableArray<ChainLink> Links, ImmutableArray<PlaceSeen> Places)
{
    /// <summary>
    /// Whether everybody who was asked is led to the host, and finds a server there that knows the name.
    /// </summary>
    public bool IsJoined => Links.All(link => link.Kind == ChainLinkKind.Certificate || link.State == LinkState.Right);

    /// <summary>
    /// Judges what was found. A domain is joined by the host's name servers, or by records that lead there whoever
    /// keeps them.
    /// </summary>
    public static NameChain From(NameFacts facts)
    {
        var (entry, zone, places) = (facts.Entry, facts.Zone, facts.Places);
        var leads = zone is not null && entry.IsLedToBy(zone.Addresses);
        var isPointed =
            facts.ServersAtRegistry is { } servers && !entry.NameServers.IsEmpty && Same(servers, entry.NameServers);
        ImmutableArray<PlaceSeen> seen =
        [
            .. places.Select(place => new PlaceSeen(
                place.Place,
                place.Addresses is { } addresses ? entry.IsLedToBy(addresses) : null
            )),
        ];
        return new NameChain(
            [
                new(
                    ChainLinkKind.NameServers,
                    ServersState(facts.ServersAtRegistry, entry, isPointed, leads),
                    facts.ServersAtRegistry ?? [],
                    entry.NameServers
                ),
                ZoneLink(facts, isPointed),
                new(
                    ChainLinkKind.Address,
                    zone is null ? LinkState.Unknown
                        : leads ? LinkState.Right
                        : zone.Addresses.IsEmpty ? NotYet(isPointed)
                        : LinkState.Wrong,
                    zone?.Addresses ?? [],
                    entry.Addresses
                ),
                new(
                    ChainLinkKind.Www,
                    zone is null ? LinkState.Unknown
                        : entry.IsLedToBy(zone.WwwAddresses) ? LinkState.Right
                        : zone.WwwAddresses.IsEmpty ? NotYet(isPointed)
                        : LinkState.Wrong,
                    zone?.WwwAddresses ?? [],
                    [.. entry.Addresses.Take(1)]
                ),
                new(
                    ChainLinkKind.Everywhere,
                    seen.All(place => place.IsSeen == true) ? LinkState.Right
                        : seen.All(place => place.IsSeen is null) ? LinkState.Unknown
                        : LinkState.Waiting,
                    [],
                    []
                ),
                ServerLink(facts.ServerStatus, leads),
                CertificateLink(facts.Certificate, leads),
            ],
            seen
        );
    }

    // Half of the host's name servers and half of another's: the two contradict each other, and who is asked depends on
    // chance.
    private static LinkState ServersState(ImmutableArray<string>? found, HostEntry entry, bool isPointed, bool leads) =>
        found is not { } servers ? LinkState.Unknown
        : isPointed ? LinkState.Right
        : leads && !servers.Any(server => entry.NameServers.Contains(Plain(server))) ? LinkState.Right
        : LinkState.Wrong;

    private static ChainLink ZoneLink(NameFacts facts, bool isPointed) =>
        facts.Zone is not { } zone ? new(ChainLinkKind.Zone, LinkState.Unknown, [], [])
        : !zone.Exists ? new(ChainLinkKind.Zone, NotYet(isPointed), [], [])
        : facts.ServersAtRegistry is { IsEmpty: false } registry
        && !zone.Servers.IsEmpty
        && !Same(zone.Servers, registry)
            ? new(ChainLinkKind.Zone, LinkState.Wrong, zone.Servers, registry)
        : new(ChainLinkKind.Zone, LinkState.Right, [], []);

    // Any answer but "there is no such site" comes from a server that knows the name.
    private static ChainLink ServerLink(int? status, bool leads) =>
        new(
            ChainLinkKind.Server,
            status switch
            {
                null => leads ? LinkState.Unknown : LinkState.Waiting,
                421 => leads ? LinkState.Wrong : LinkState.Waiting,
                _ => LinkState.Right,
            },
            status is { } said and not 421 ? [$"HTTP {said}"] : [],
            []
        );

    private static ChainLink CertificateLink(CertificateFacts? certificate, bool leads) =>
        new(
            ChainLinkKind.Certificate,
            certificate?.State switch
            {
                null => LinkState.Unknown,
                CertificateState.There => LinkState.Right,
                CertificateState.Refused => LinkState.Wrong,
                CertificateState.Waiting => LinkState.Waiting,
                _ => leads ? LinkState.Wrong : LinkState.Waiting,
            },
            [],
            []
        );

    // Just pointed at the host, what is not there yet will be; else somebody has to set it.
    private static LinkState NotYet(bool isPointed) => isPointed ? LinkState.Waiting : LinkState.Wrong;

    private static bool Same(ImmutableArray<string> found, ImmutableArray<string> wanted) =>
        found.Select(Plain).ToHashSet(StringComparer.Ordinal).SetEquals(wanted.Select(Plain));

    private static string Plain(string name) => name.TrimEnd('.').ToLowerInvariant();
}

/// <param name="Kind">Which link it is.</param>
/// <param name="State">How it stands.</param>
/// <param name="Found">What was found there.</param>
/// <param name="Wanted">What should be there: to be set where it is wrong.</param>
public sealed record ChainLink(
    ChainLinkKind Kind,
    LinkState State,
    ImmutableArray<string> Found,
    ImmutableArray<string> Wanted
);

/// <param name="Place">Where a resolver is.</param>
/// <param name="IsSeen">Whether it is led to the host; null: it did not answer.</param>
public sealed record PlaceSeen(string Place, bool? IsSeen);

/// <summary>The links, from the registry outwards.</summary>
public enum ChainLinkKind
{
    /// <summary>The name servers that the registry has.</summary>
    NameServers,

    /// <summary>Whoever is in charge knows the name, and agrees with the registry about who that is.</summary>
    Zone,

    /// <summary>The domain leads to the host.</summary>
    Address,

    /// <summary>With <c>www</c> before it it does too.</summary>
    Www,

    /// <summary>Everybody has heard of it.</summary>
    Everywhere,

    /// <summary>The host's server answers for the name.</summary>
    Server,

    /// <summary>There is a certificate, so that browsers do not warn.</summary>
    Certificate,
}

/// <summary>How a link stands.</summary>
public enum LinkState
{
    /// <summary>As it should be.</summary>
    Right,

    /// <summary>Nothing is to be done but to wait.</summary>
    Waiting,

    /// <summary>Somebody has to set it.</summary>
    Wrong,

    /// <summary>Nobody answered.</summary>
    Unknown,
}
