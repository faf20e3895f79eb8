namespace HomeStart.Formats.Scans;

/// <summary>
/// Needs as <c>POST /api/scans</c> takes them; what is not asked for is zero, "none", false, empty or null.
/// </summary>
public sealed record NeedsWire(
    decimal Websites,
    decimal StorageGB,
    decimal MonthlyVisits,
    decimal Mailboxes,
    decimal Databases,
    decimal Subdomains,
    decimal TransferGB,
    CertificateLevel Certificate,
    IReadOnlyList<string> Extras,
    IReadOnlyList<string> Regions,
    string? Platform,
    bool Installer,
    bool OwnIp,
    IReadOnlyList<string> Support,
    int MinRefundDays,
    bool SamePrice,
    string? MaxDueToday,
    bool AcceptUnknown,
    DomainNeedWire? Domain
)
{
    public static NeedsWire From(Needs needs, Currency display)
    {
        return new NeedsWire(
            Number("websites"),
            Number("storageGB"),
            Number("monthlyVisits"),
            Number("mailboxes"),
            Number("databases"),
            Number("subdomains"),
            Number("transferGB"),
            needs.Certificate,
            needs.Extras,
            needs.Regions,
            needs.Platform,
            needs.Installer,
            needs.OwnIp,
            needs.Support,
            needs.MinRefundDays,
            needs.SamePrice,
            needs.MaxDueToday is { } most ? new Money(most, display).ToAmount() : null,
            needs.AcceptUnknown,
            needs.Domain is { } domain ? DomainNeedWire.From(domain) : null
        );

        decimal Number(string name) => needs.Numbers.GetValueOrDefault(name);
    }
}

public sealed record DomainNeedWire(
    DomainRoute Route,
    string? Name,
    IReadOnlyList<string> Endings,
    string? Ending,
    int Years,
    int InMonths,
    DateOnly? Expires,
    string? Renewal,
    string? Currency
)
{
    internal static DomainNeedWire From(DomainNeed need) =>
        new(
            need.Route,
            need.Name,
            need.Endings,
            need.Endings.FirstOrDefault(),
            need.Years,
            need.InMonths,
            need.Expires,
            need.Renewal?.ToString(),
            need.Currency?.Code
        );
}
