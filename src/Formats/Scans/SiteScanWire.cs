namespace HomeStart.Formats.Scans;

/// <summary>What a scan for a site found, with what its picture shows.</summary>
/// <param name="Points">Of every way to buy that fits, at most <see cref="ScanRequest.MostRows"/>, those whose sums are
/// wholly stated.</param>
/// <param name="Lead">Why the first row stands first; null: there is no other plan to compare it with.</param>
public sealed record SiteScanWire(ScanWire Scan, ScanLeadWire? Lead, IReadOnlyList<ScanPointWire> Points)
{
    public static SiteScanWire From(ScanResult listed, ScanResult all, Objective objective) =>
        new(
            ScanWire.From(listed),
            ScanLead.Find(listed.Rows, objective) is { } lead ? ScanLeadWire.From(lead) : null,
            [
                .. all
                    .Rows.Where(row => row.Totals.AtLeast is { DueToday: false, Horizon: false })
                    .Select(ScanPointWire.From),
            ]
        );
}

/// <summary>What the first row costs less than the best of any other plan, by what the scan ranks by.</summary>
/// <param name="MoreToday">What the first takes more today; below zero: less. Null: not stated.</param>
public sealed record ScanLeadWire(string Book, string Plan, string Saves, string? MoreToday)
{
    internal static ScanLeadWire From(ScanLead lead)
    {
        var hosting = lead.Next.Candidate.Hosting!;
        return new ScanLeadWire(
            hosting.Book!,
            hosting.Plan!,
            Amount(lead.Saves),
            lead.MoreToday is { } more ? Amount(more) : null
        );

        string Amount(Int128 units) => new Money(units, lead.Next.Scanned.Settings.DisplayCurrency!).ToAmount();
    }
}

/// <summary>A way to buy, in short, and its two sums.</summary>
public sealed record ScanPointWire(
    string Book,
    string Plan,
    int EveryMonths,
    int CommitMonths,
    string? DomainBook,
    string? Ending,
    string DueToday,
    string Horizon
)
{
    internal static ScanPointWire From(ScanRow row)
    {
        var (hosting, domain, totals) = (row.Candidate.Hosting!, row.Candidate.Domains.FirstOrDefault(), row.Totals);
        return new ScanPointWire(
            hosting.Book!,
            hosting.Plan!,
            hosting.EveryMonths!.Value,
            hosting.CommitMonths!.Value,
            domain?.Book,
            domain?.Ending,
            Amount(totals.DueToday),
            Amount(totals.Horizon)
        );

        string Amount(Int128 units) => new Money(units, row.Scanned.Settings.DisplayCurrency!).ToAmount();
    }
}
