namespace HomeStart.Core.Domains;

/// <summary>One record of a zone (RFC 1035).</summary>
/// <param name="Owner">Against the domain: <c>@</c> for itself, else what stands before it: <c>www</c>.</param>
/// <param name="Data">As a zone file has it, but a text without its quotation marks; names end with a dot.</param>
public sealed record ResourceRecord(string Owner, int TtlSeconds, RecordType Type, string Data)
{
    /// <summary>For MX: the preference, lowest first.</summary>
    public int? Preference { get; init; }
}

/// <summary>The types of records that are written here.</summary>
public enum RecordType
{
    /// <summary>An IPv4 address.</summary>
    A,

    /// <summary>An IPv6 address.</summary>
    Aaaa,

    /// <summary>Another name for a name.</summary>
    Cname,

    /// <summary>Where mail goes.</summary>
    Mx,

    /// <summary>A text, such as who may send mail.</summary>
    Txt,

    /// <summary>Who may make certificates for the name (RFC 8659).</summary>
    Caa,

    /// <summary>Where a service is found (RFC 2782).</summary>
    Srv,
}
