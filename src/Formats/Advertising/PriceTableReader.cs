using System.Collections.Immutable;
using HomeStart.Formats.Json;
using HomeStart.Formats.Sites;

namespace HomeStart.Formats.Advertising;

/// <summary>Reads a table of prices from text: pasted from a page or spreadsheet, or a CSV file.</summary>
public static class PriceTableReader
{
    /// <summary>The longest text that is read, in characters.</summary>
    public const int Longest = 200_000;

    /// <summary>
    /// The table with the plans it makes; null plans while there are faults, a null table where the text holds none.
    /// </summary>
    public static (PriceTable? Table, PriceTableWire Wire, OfferBook? Book) Read(Node node, DateOnly today)
    {
        var faults = node.Faults;
        var text = node["text"].Element is { ValueKind: System.Text.Json.JsonValueKind.String } element
            ? element.GetString()!
            : "";
        if (text.Length is 0 or > Longest)
        {
            node["text"]
                .Fault(
                    text.Length == 0 ? FaultCodes.Required : FaultCodes.OutOfRange,
                    text.Length == 0
                        ? "Paste a table, or pick a CSV file."
                        : $"This has {text.Length} characters; at most {Longest} are read."
                );
        }

        var roles = Roles(node["roles"]);
        var table = text.Length is 0 or > Longest
            ? null
            : PriceTable.Read(TableCells.Split(text, PriceTable.Most), roles);
        if (table is null && !faults.Any)
        {
            node["text"]
                .Fault(
                    FaultCodes.BadType,
                    "This is no table: it needs a row of headings and a row of prices, parted by tabs, commas "
                        + "or semicolons."
                );
        }

        var provider = Said(node["provider"]) ?? (table is null ? null : TableBook.Same(table, ColumnKind.Seller));
        var currency = Said(node["currency"])
            ?? (table is null ? null : TableBook.Same(table, ColumnKind.Currency) ?? OnlyCurrency(table));
        var tax = Said(node["tax"]) ?? (table is null ? null : TableBook.Same(table, ColumnKind.Tax));
        var book = table is null ? null : Book(node, table, provider, currency, tax, today);
        return (table, Wire(faults, table, provider, currency, tax), faults.Any ? null : book);
    }

    private static OfferBook? Book(
        Node node,
        PriceTable table,
        string? provider,
        string? currencyCode,
        string? tax,
        DateOnly today
    )
    {
        if (provider is null)
        {
            node["provider"].Required("Who sells");
        }

        if (tax is not ("inside" or "on-top"))
        {
            node["tax"].Fault(FaultCodes.Required, "Say whether the prices include tax.");
        }

        if (!Currency.TryGet(currencyCode, out var currency))
        {
            node["currency"]
                .Fault(
                    currencyCode is null ? FaultCodes.Required : FaultCodes.Unknown,
                    currencyCode is null
                        ? "Choose the currency."
                        : $"“{currencyCode}” is not the code of a currency, such as GBP."
                );
            return null;
        }

        var plans = TableBook.PlansOf(table, currency, node["laterIsSame"].Flag() ?? false, Months(node["months"]));
        node.Faults.Add(plans.Faults);
        return new OfferBook("", new Provider(provider ?? "", null), today, currency)
        {
            Tax = new BookTax(tax == "inside", Charged: true),
            Plans = [.. plans.Value ?? []],
            Domains =
            [
                .. (plans.Value ?? [])
                    .SelectMany(plan => plan.IncludedDomain?.Endings ?? [])
                    .Distinct(StringComparer.Ordinal)
                    .Select(ending => new DomainPrice(ending, null, null, null, 10, [], null)),
            ],
        };
    }

    private static PriceTableWire Wire(
        FaultList faults,
        PriceTable? table,
        string? provider,
        string? currency,
        string? tax
    ) =>
        new(
            [.. faults.Faults.Select(FaultWire.From)],
            table?.WasTurned ?? false,
            [.. table?.Headings ?? []],
            [.. table?.Roles.Select(role => role.ToString()) ?? []],
            [.. table?.Rows.Select(row => (IReadOnlyList<string>)row) ?? []],
            provider,
            currency,
            tax,
            null,
            []
        );

    // The one currency that the amounts of a table are written in.
    private static string? OnlyCurrency(PriceTable table)
    {
        var codes = table
            .Rows.SelectMany(row => row)
            .SelectMany(TypedNumber.CurrenciesIn)
            .Distinct(StringComparer.Ordinal)
            .ToList();
        return codes.Count == 1 ? codes[0] : null;
    }

    private static ImmutableArray<ColumnRole>? Roles(Node node)
    {
        if (node.IsAbsent)
        {
            return null;
        }

        return
        [
            .. node.Items(PriceTable.Most)
                .Select(item =>
                {
                    if (!ColumnRole.TryParse(item.Text(), out var role))
                    {
                        item.Fault(FaultCodes.Unknown, "No column can be taken for this.");
                    }

                    return role;
                }),
        ];
    }

    private static int? Months(Node node)
    {
        if (node.Whole() is not { } months || months is >= 1 and <= CountSettings.LongestHorizon)
        {
            return node.Whole();
        }

        node.Faults.Add(FaultCodes.OutOfRange, node.Where, new MonthsOutOfRange(CountSettings.LongestHorizon, months));
        return null;
    }

    private static string? Said(Node node) => node.Text()?.Trim() is { Length: > 0 } text ? text : null;
}
