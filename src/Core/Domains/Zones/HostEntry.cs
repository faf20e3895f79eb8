using System.Collections.Immutable;

namespace HomeStart.Core.Domains;

/// <summary>Where a hosting company takes in names that are pointed at it.</summary>
/// <param name="LentUnder">What its borrowed addresses end with; null: it lends none.</param>
/// <param name="LentRules">What holds for a borrowed address, one sentence each, in the host's words.</param>
public sealed record HostEntry(
    ImmutableArray<string> NameServers,
    string IPv4,
    string IPv6,
    string MailServer,
    string? LentUnder,
    ImmutableArray<string> LentRules
)
{
    /// <summary>Its addresses, as many as are known.</summary>
    public ImmutableArray<string> Addresses => [.. new[] { IPv4, IPv6 }.Where(address => address.Length > 0)];

    /// <summary>
    /// Whether addresses lead here: some do, and none leads anywhere else, so that no visitor goes astray.
    /// </summary>
    public bool IsLedToBy(IReadOnlyCollection<string> addresses) =>
        addresses.Count > 0 && addresses.All(address => Addresses.Contains(address));

    /// <summary>Whether any of a domain's MX records has its mail taken in here.</summary>
    public bool TakesMailOf(IEnumerable<ResourceRecord> mail) => mail.Any(record => record.Data == MailServer + ".");

    /// <summary>Whether a name is one of those that are lent here.</summary>
    public bool Lends(DomainName name) =>
        LentUnder is { } under && name.Text.EndsWith("." + under, StringComparison.Ordinal);

    /// <summary>The records of a zone with those that lead a name here, unless it leads somewhere already.</summary>
    /// <param name="owner">Against the zone's domain, as a record has it.</param>
    public ImmutableArray<ResourceRecord> Led(ImmutableArray<ResourceRecord> records, string owner) =>
        records.Any(record =>
            record.Owner == owner && record.Type is RecordType.A or RecordType.Aaaa or RecordType.Cname
        )
            ? records
            :
            [
                .. records,
                new(owner, Pointing.TtlSeconds, RecordType.A, IPv4),
                new(owner, Pointing.TtlSeconds, RecordType.Aaaa, IPv6),
            ];
}
