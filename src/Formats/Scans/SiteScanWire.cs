namespace HomeStart.Formats;

/// <summary>What a scan for a site found, with what its picture shows.</summary>
/// <param name="Points">Of every way to buy that fits, at most <see cref="ScanRequest.MostRows"/>, those whose sums are wholly stated.</param>
public sealed record SiteScanWire(ScanWire Scan, IReadOnlyList<ScanPointWire> Points)
{
    public static SiteScanWire Of(ScanResult listed, ScanResult all) =>
        new(ScanWire.Of(listed), [.. all.Rows.Where(row => row.Totals.AtLeast is { DueToday: false, Horizon: false }).Select(ScanPointWire.Of)]);
}

/// <summary>A way to buy, in short, and its two sums.</summary>
public sealed record ScanPointWire(string Book, string Plan, int EveryMonths, int CommitMonths, string? DomainBook, string? Ending, string DueToday, string Horizon)
{
    internal static ScanPointWire Of(ScanRow row)
    {
        var (hosting, domain, totals) = (row.Candidate.Hosting!, row.Candidate.Domains.FirstOrDefault(), row.Totals);
        return new ScanPointWire(
            hosting.Book!, hosting.Plan!, hosting.EveryMonths!.Value, hosting.CommitMonths!.Value, domain?.Book, domain?.Ending, Amount(totals.DueToday), Amount(totals.Horizon));

        string Amount(Int128 units) => new Money(units, row.Scanned.Settings.DisplayCurrency!).ToAmount();
    }
}
