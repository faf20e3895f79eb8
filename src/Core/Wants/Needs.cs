using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Wants;

/// <summary>What the site must do. A need that asks for nothing is left out: zero, none, false, empty (scan.md).</summary>
public sealed record Needs
{
    /// <summary>The names of the numbers a plan allows, in the order reasons are given.</summary>
    public static readonly ImmutableArray<string> NumberNames = ["websites", "storageGB", "monthlyVisits", "mailboxes", "databases", "subdomains", "transferGB"];

    /// <summary>By name of <see cref="NumberNames"/>; above zero.</summary>
    public ImmutableDictionary<string, decimal> Numbers { get; init; } = ImmutableDictionary<string, decimal>.Empty;

    public CertificateLevel Certificate { get; init; }

    /// <summary>Tags that must be provided: backup, privacy …</summary>
    public ImmutableArray<string> Extras { get; init; } = [];

    public ImmutableArray<string> Regions { get; init; } = [];

    public string? Platform { get; init; }

    public bool Installer { get; init; }

    public bool OwnIp { get; init; }

    public ImmutableArray<string> Support { get; init; } = [];

    public int MinRefundDays { get; init; }

    /// <summary>Minor units of the display currency; null: any sum.</summary>
    public Minor? MaxDueToday { get; init; }

    /// <summary>Takes what a book does not state as met.</summary>
    public bool AcceptUnknown { get; init; }

    public DomainNeed? Domain { get; init; }
}

/// <summary>From least to most.</summary>
public enum CertificateLevel
{
    None,
    Shared,
    Own,
    Wildcard,
}

/// <summary>The domain wanted: a route, a name and, by route, endings to choose from or the one it has.</summary>
public sealed record DomainNeed(DomainRoute Route, string? Name, ImmutableArray<string> Endings)
{
    public int Years { get; init; } = 1;
    public int InMonths { get; init; }
    public DateOnly? Expires { get; init; }
    /// <summary>For keep: what the outside registrar takes for a year, in <see cref="Currency"/>.</summary>
    public ExactDecimal? Renewal { get; init; }

    public Currency? Currency { get; init; }
}
