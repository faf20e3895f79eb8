using System.Text.Json;
using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Scans;

/// <summary>
/// The body of <c>POST /api/scans</c>, for those who call; <see cref="ScanRequestReader"/> reads it with every fault at
/// its place.
/// </summary>
/// <param name="Objective">horizon, dueToday or expected; absent: horizon.</param>
/// <param name="Group">"plan": the best way of each plan alone.</param>
/// <param name="Top">How many rows; absent: 25.</param>
public sealed record ScanBody(
    DateOnly StartDate,
    int HorizonMonths,
    NeedsBody? Needs = null,
    OwnerBody? Owner = null,
    DisplayBody? Display = null,
    IReadOnlyList<JsonElement>? Books = null,
    string? Objective = null,
    string? Group = null,
    int? Top = null
);

/// <summary>Needs as they are sent; what is left out, zero, "none", false, empty or null asks for nothing.</summary>
public sealed record NeedsBody(
    decimal Websites = 0,
    decimal StorageGB = 0,
    decimal MonthlyVisits = 0,
    decimal Mailboxes = 0,
    decimal Databases = 0,
    decimal Subdomains = 0,
    decimal TransferGB = 0,
    CertificateLevel Certificate = CertificateLevel.None,
    IReadOnlyList<string>? Extras = null,
    IReadOnlyList<string>? Regions = null,
    string? Platform = null,
    bool Installer = false,
    bool OwnIp = false,
    IReadOnlyList<string>? Support = null,
    int MinRefundDays = 0,
    bool SamePrice = false,
    string? MaxDueToday = null,
    bool AcceptUnknown = false,
    DomainNeedBody? Domain = null
);

/// <param name="Endings">For register, later and transfer: any of these.</param>
/// <param name="Ending">For keep.</param>
public sealed record DomainNeedBody(
    DomainRoute Route,
    string? Name = null,
    IReadOnlyList<string>? Endings = null,
    string? Ending = null,
    int Years = 1,
    int InMonths = 0,
    DateOnly? Expires = null,
    string? Renewal = null,
    string? Currency = null
);
