namespace HomeStart.Formats.Exports;

/// <summary>What a line or a row of the ledger is about, by the names of its book.</summary>
internal static class RowLabel
{
    public static string ForRow(RowKey key, Costing costing) =>
        key.Kind switch
        {
            RowKind.Code => key.Promotion?.Code is null ? $"Taken off by the seller: {key.Ref}" : $"Code {key.Ref}",
            RowKind.Tax => $"Tax, {costing.Settings.TaxPercent}%",
            _ => ForKind(Enum.Parse<LineKind>(key.Kind.ToString()), key.Ref!, key.Book),
        };

    public static string ForLine(BillLine line, Bill bill, Costing costing) =>
        ForKind(line.Kind, line.Ref, bill.Book)
        + (line.ForDomain is { } domain && costing.Run.Purchase.Domains.Length > 1 ? $" for {domain}" : "");

    private static string ForKind(LineKind kind, string reference, OfferBook? book) =>
        kind switch
        {
            LineKind.Plan => $"Plan {book?.Plan(reference)?.Name ?? reference}",
            LineKind.DataCentre => $"Data centre {book?.DataCentre(reference)?.Name ?? reference}",
            LineKind.Setup => "Setting it up, once",
            LineKind.Domain => $"Domain {reference}",
            _ => book?.AddOns.FirstOrDefault(addOn => addOn.Id == reference)?.Name ?? reference,
        };
}
