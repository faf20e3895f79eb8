namespace HomeStart.Formats.Domains;

/// <summary>The way from a domain to its host, as it is right now.</summary>
/// <param name="AskedAt">The real time at which everybody was asked.</param>
/// <param name="Seen">How many of the places are led to the host.</param>
/// <param name="MailServers">Where mail for the domain goes; null: nobody could say.</param>
public sealed record NameChainWire(
    string Domain,
    string Provider,
    bool IsJoined,
    DateTimeOffset AskedAt,
    IReadOnlyList<ChainLinkWire> Links,
    IReadOnlyList<PlaceSeenWire> Places,
    int Seen,
    IReadOnlyList<string>? MailServers,
    CertificateWire? Certificate
)
{
    /// <summary>Where the site is seen in this made-up world.</summary>
    public string Site { get; init; } = "";

    public static NameChainWire From(
        DomainName domain,
        string provider,
        NameChain chain,
        NameFacts facts,
        DateTimeOffset askedAt
    ) =>
        new(
            domain.Text,
            provider,
            chain.IsJoined,
            askedAt,
            [.. chain.Links.Select(link => new ChainLinkWire(link.Kind, link.State, link.Found, link.Wanted))],
            [.. chain.Places.Select(place => new PlaceSeenWire(place.Place, place.IsSeen))],
            chain.Places.Count(place => place.IsSeen == true),
            facts.Zone?.MailServers,
            facts.Certificate is { } certificate
                ? new CertificateWire(certificate.State, certificate.Until, certificate.Refusal)
                : null
        );
}

/// <param name="Wanted">To be set where it is wrong.</param>
public sealed record ChainLinkWire(
    ChainLinkKind Kind,
    LinkState State,
    IReadOnlyList<string> Found,
    IReadOnlyList<string> Wanted
);

/// <param name="IsSeen">Null: it did not answer.</param>
public sealed record PlaceSeenWire(string Place, bool? IsSeen);

/// <param name="Until">The last day it is good for.</param>
/// <param name="Refusal">In the host's words.</param>
public sealed record CertificateWire(CertificateState State, DateOnly? Until, string? Refusal);
