using System.Collections.Immutable;

namespace HomeStart.Core.Domains;

/// <summary>
/// What to set where a domain is kept, so that it leads to a host: either the host's name servers, or these records.
/// Mail that goes somewhere today is not to be lost by it.
/// </summary>
/// <param name="MailToday">The MX records it has today; null: nobody could say.</param>
/// <param name="IsMailKept">Whether mail stays where it goes today.</param>
public sealed record Pointing(
    DomainName Domain,
    HostEntry Entry,
    ImmutableArray<ResourceRecord>? MailToday,
    bool IsMailKept
)
{
    /// <summary>
    /// One hour: long enough to be light on name servers, short enough to mend a mistake on the same day.
    /// </summary>
    public const int TtlSeconds = 3600;

    /// <summary>
    /// Whether handing the domain to the host's name servers would stop mail that arrives today, or might.
    /// </summary>
    public bool StopsMail => MailToday is not { IsEmpty: true };

    /// <summary>Site first, then mail: A, AAAA, CNAME for www, MX, TXT.</summary>
    public ImmutableArray<ResourceRecord> Records =>
        [
            new("@", TtlSeconds, RecordType.A, Entry.IPv4),
            new("@", TtlSeconds, RecordType.Aaaa, Entry.IPv6),
            new("www", TtlSeconds, RecordType.Cname, Domain.Text + "."),
            .. IsMailKept ? MailToday ?? [] : Mail,
        ];

    // That its own mail server alone may send for the domain (SPF, RFC 7208).
    private ImmutableArray<ResourceRecord> Mail =>
        [
            new("@", TtlSeconds, RecordType.Mx, Entry.MailServer + ".") { Preference = 10 },
            new("@", TtlSeconds, RecordType.Txt, "v=spf1 mx -all"),
        ];
}
