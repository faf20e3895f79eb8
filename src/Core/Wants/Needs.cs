using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Wants;

/// <summary>
/// What the site must do. A need that asks for nothing is left out: zero, none, false, empty (scan.md).
/// </summary>
public sealed record Needs
{
    /// <summary>The names of the numbers a plan allows, in the order reasons are given.</summary>
    public static readonly ImmutableArray<string> NumberNames =
    [
        "websites",
        "storageGB",
        "monthlyVisits",
        "mailboxes",
        "databases",
        "subdomains",
        "transferGB",
    ];

    /// <summary>By name of <see cref="NumberNames"/>; above zero.</summary>
    public ImmutableDictionary<string, decimal> Numbers { get; init; } = ImmutableDictionary<string, decimal>.Empty;

    /// <summary>The least certificate that will do.</summary>
    public CertificateLevel Certificate { get; init; }

    /// <summary>Tags that must be provided: backup, privacy …</summary>
    public ImmutableArray<string> Extras { get; init; } = [];

    /// <summary>Where a data centre must lie: any of these.</summary>
    public ImmutableArray<string> Regions { get; init; } = [];

    /// <summary>The platform it must run on; null: any.</summary>
    public string? Platform { get; init; }

    /// <summary>Whether a site engine must come ready to install.</summary>
    public bool Installer { get; init; }

    /// <summary>Whether it needs an IP address of its own.</summary>
    public bool OwnIp { get; init; }

    /// <summary>The channels by which the provider must help: all of these.</summary>
    public ImmutableArray<string> Support { get; init; } = [];

    /// <summary>The least days within which it can be given back.</summary>
    public int MinRefundDays { get; init; }

    /// <summary>Whether the plan must cost the same at every charge that is counted.</summary>
    public bool SamePrice { get; init; }

    /// <summary>Minor units of the display currency; null: any sum.</summary>
    public Minor? MaxDueToday { get; init; }

    /// <summary>Takes what a book does not state as met.</summary>
    public bool AcceptUnknown { get; init; }

    /// <summary>The domain it must have; null: none is asked.</summary>
    public DomainNeed? Domain { get; init; }
}

/// <summary>From least to most.</summary>
public enum CertificateLevel
{
    /// <summary>None.</summary>
    None,

    /// <summary>Shared with other sites.</summary>
    Shared,

    /// <summary>For this domain alone.</summary>
    Own,

    /// <summary>For all its subdomains too.</summary>
    Wildcard,
}

/// <summary>The domain wanted: a route, a name and, by route, endings to choose from or the one it has.</summary>
public sealed record DomainNeed(DomainRoute Route, string? Name, ImmutableArray<string> Endings)
{
    /// <summary>For register and later: for how many years it is first paid.</summary>
    public int Years { get; init; } = 1;

    /// <summary>For later: in how many months it is bought.</summary>
    public int InMonths { get; init; }

    /// <summary>For transfer and keep: until when it is paid already.</summary>
    public DateOnly? Expires { get; init; }

    /// <summary>For keep: what the outside registrar takes for a year, in <see cref="Currency"/>.</summary>
    public ExactDecimal? Renewal { get; init; }

    /// <summary>For keep: the currency of <see cref="Renewal"/>.</summary>
    public Currency? Currency { get; init; }
}
