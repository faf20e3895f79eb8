using System.Collections.Immutable;

namespace HomeStart.Core.Domains;

/// <summary>What was found on the way from a domain to its host, each as somebody outside sees it. Null where nobody answered.</summary>
/// <param name="Entry">Where the host takes names in.</param>
/// <param name="ServersAtRegistry">The name servers that the registry has for the domain.</param>
/// <param name="Zone">What whoever is in charge says.</param>
/// <param name="Places">What resolvers elsewhere say, by place: the addresses they give for the domain.</param>
public sealed record NameFacts(HostEntry Entry, ImmutableArray<string>? ServersAtRegistry, ZoneFacts? Zone, ImmutableArray<PlaceFacts> Places);

/// <summary>What whoever is in charge of a domain says of it.</summary>
/// <param name="Exists">Whether there is such a name at all.</param>
/// <param name="Addresses">Of the domain itself (A).</param>
/// <param name="WwwAddresses">Of the name with <c>www</c> before it, wherever that leads (A).</param>
/// <param name="MailServers">Where mail goes, lowest preference first (MX).</param>
public sealed record ZoneFacts(bool Exists, ImmutableArray<string> Addresses, ImmutableArray<string> WwwAddresses, ImmutableArray<string> MailServers);

/// <summary>What a resolver somewhere says.</summary>
/// <param name="Addresses">Null: it did not answer.</param>
public sealed record PlaceFacts(string Place, ImmutableArray<string>? Addresses);

/// <summary>The chain from a domain to its host: what is right, what is not, and what only needs waiting.</summary>
public sealed record NameChain(ImmutableArray<ChainLink> Links, ImmutableArray<PlaceSeen> Places)
{
    /// <summary>Whether everybody who was asked is led to the host.</summary>
    public bool IsJoined => Links.All(link => link.State == LinkState.Right);

    /// <summary>Judges what was found. A domain is joined by the host's name servers, or by records that lead there whoever keeps them.</summary>
    public static NameChain Of(NameFacts facts)
    {
        var (entry, zone) = (facts.Entry, facts.Zone);
        var leads = zone is not null && LeadsTo(zone.Addresses, entry);
        var isPointed = facts.ServersAtRegistry is { IsEmpty: false } servers && Same(servers, entry.NameServers);
        ImmutableArray<PlaceSeen> places = [.. facts.Places.Select(place => new PlaceSeen(place.Place, place.Addresses is { } addresses ? LeadsTo(addresses, entry) : null))];
        return new NameChain(
        [
            new(ChainLinkKind.NameServers, facts.ServersAtRegistry is null ? LinkState.Unknown : isPointed || leads ? LinkState.Right : LinkState.Wrong, facts.ServersAtRegistry ?? [], entry.NameServers),
            new(ChainLinkKind.Zone, zone is null ? LinkState.Unknown : zone.Exists ? LinkState.Right : NotYet(isPointed), [], []),
            new(ChainLinkKind.Address, zone is null ? LinkState.Unknown : leads ? LinkState.Right : zone.Addresses.IsEmpty ? NotYet(isPointed) : LinkState.Wrong, zone?.Addresses ?? [], [entry.IPv4]),
            new(ChainLinkKind.Www, zone is null ? LinkState.Unknown : LeadsTo(zone.WwwAddresses, entry) ? LinkState.Right : zone.WwwAddresses.IsEmpty ? NotYet(isPointed) : LinkState.Wrong, zone?.WwwAddresses ?? [], [entry.IPv4]),
            new(ChainLinkKind.Everywhere, places.All(place => place.IsSeen == true) ? LinkState.Right : places.All(place => place.IsSeen is null) ? LinkState.Unknown : LinkState.Waiting, [], []),
        ], places);
    }

    // Just pointed at the host, what is not there yet will be; else somebody has to set it.
    private static LinkState NotYet(bool isPointed) => isPointed ? LinkState.Waiting : LinkState.Wrong;

    private static bool LeadsTo(ImmutableArray<string> addresses, HostEntry entry) => !addresses.IsEmpty && addresses.All(address => address == entry.IPv4);

    private static bool Same(ImmutableArray<string> found, ImmutableArray<string> wanted) =>
        found.Select(name => name.TrimEnd('.').ToLowerInvariant()).ToHashSet(StringComparer.Ordinal).SetEquals(wanted);
}

/// <param name="Kind">Which link it is.</param>
/// <param name="State">How it stands.</param>
/// <param name="Found">What was found there.</param>
/// <param name="Wanted">What should be there: to be set where it is wrong.</param>
public sealed record ChainLink(ChainLinkKind Kind, LinkState State, ImmutableArray<string> Found, ImmutableArray<string> Wanted);

/// <param name="Place">Where a resolver is.</param>
/// <param name="IsSeen">Whether it is led to the host; null: it did not answer.</param>
public sealed record PlaceSeen(string Place, bool? IsSeen);

/// <summary>The links, from the registry outwards.</summary>
public enum ChainLinkKind
{
    /// <summary>The name servers that the registry has.</summary>
    NameServers,

    /// <summary>Whoever is in charge knows the name.</summary>
    Zone,

    /// <summary>The domain leads to the host.</summary>
    Address,

    /// <summary>With <c>www</c> before it it does too.</summary>
    Www,

    /// <summary>Everybody has heard of it.</summary>
    Everywhere,
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
