using System.Collections.Immutable;

namespace HomeStart.Formats.Dns;

/// <summary>Types of records, by their numbers (RFC 1035, 2782, 3596, 8659).</summary>
public enum DnsType
{
    A = 1,
    Ns = 2,
    Cname = 5,
    Soa = 6,
    Mx = 15,
    Txt = 16,
    Aaaa = 28,
    Srv = 33,
    Caa = 257,
}

/// <summary>What a server says of a question, by its number.</summary>
public enum DnsCode
{
    Answered = 0,
    NotUnderstood = 1,
    ServerFailed = 2,

    /// <summary>There is no such name.</summary>
    NoSuchName = 3,
    NotImplemented = 4,
    Refused = 5,
}

/// <param name="Name">Without the dot at its end; the root is empty.</param>
/// <param name="Type">As a number: whatever is asked for, known here or not.</param>
public sealed record DnsQuestion(string Name, int Type);

/// <summary>A record as it travels.</summary>
/// <param name="Name">Its owner, without the dot at its end.</param>
/// <param name="Data">An address; a name without the dot at its end; a text; for SOA "primary mailbox serial refresh
/// retry expire minimum"; for SRV "priority weight port target"; for CAA as in a zone file.</param>
public sealed record DnsRecord(string Name, DnsType Type, int TtlSeconds, string Data)
{
    /// <summary>Of MX, lowest first.</summary>
    public int Preference { get; init; }
}

/// <summary>A question to name servers, or their answer (RFC 1035, section 4).</summary>
/// <param name="Authority">For a name or type that is not there: the SOA record whose last figure says for how long
/// that is remembered.</param>
public sealed record DnsMessage(
    int Id,
    DnsQuestion Question,
    DnsCode Code,
    ImmutableArray<DnsRecord> Answers,
    ImmutableArray<DnsRecord> Authority
)
{
    public bool IsResponse { get; init; }

    /// <summary>Whether whoever answers is in charge of the zone.</summary>
    public bool IsAuthoritative { get; init; }

    /// <summary>Whether the server may ask others on the asker's behalf, and would.</summary>
    public bool IsRecursive { get; init; }

    /// <summary>A question, as RFC 8484 wants it: its id is 0.</summary>
    public static DnsMessage Ask(string name, DnsType type) =>
        new(0, new DnsQuestion(name, (int)type), DnsCode.Answered, [], []) { IsRecursive = true };

    /// <summary>The answer to this question.</summary>
    public DnsMessage Answer(DnsCode code, ImmutableArray<DnsRecord> answers, ImmutableArray<DnsRecord> authority) =>
        this with
        {
            IsResponse = true,
            Code = code,
            Answers = answers,
            Authority = authority,
        };
}
