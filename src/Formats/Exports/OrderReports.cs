using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Exports;

/// <summary>What is kept of an order on paper. No secret stands on any of it.</summary>
public static class OrderReports
{
    /// <summary>What one seller was paid, or is to be paid.</summary>
    public static Report ForReceipt(Receipt receipt)
    {
        var (order, payment) = (receipt.Order, receipt.Payment);
        return new Report(
            $"{(receipt.DueOn is null ? "Receipt" : "Invoice")} {receipt.Number}",
            [
                $"{payment.Seller} to {order.Contact.Name}, {order.Contact.Street}, {order.Contact.Town} "
                    + $"{order.Contact.Postcode}, {order.Contact.Country}.",
                receipt.DueOn is { } due
                    ? $"Order {order.Reference} of {ReportWords.Day(order.PlacedOn)}. To be paid by bank transfer "
                        + $"until {ReportWords.Day(due)}: give the number {receipt.Number}. Nothing is prepared "
                        + "before it is paid."
                    : $"Order {order.Reference} of {ReportWords.Day(order.PlacedOn)}, paid {PayWords.Paid(order)}.",
            ],
            ["", "From", "Until", payment.Amount.Currency.Code],
            [
                .. receipt.Lines.Select(line => new ReportRow(
                    ItemWords.Name(line.Item),
                    [Day(line.Item.From), Day(line.Item.Until), line.Net.ToAmount()]
                )),
                new ReportRow("Net", ["", "", receipt.Net.ToAmount()], IsTotal: true),
                new ReportRow(
                    payment.TaxPercent is { } percent ? $"Tax at {percent}%" : "No tax is charged",
                    ["", "", receipt.Tax.ToAmount()]
                ),
                new ReportRow(
                    receipt.DueOn is null ? "Paid" : "To pay",
                    ["", "", payment.Amount.ToAmount()],
                    IsTotal: true
                ),
            ],
            [
                "The seller’s address and tax number are not in its price list: ask for an invoice of theirs "
                    + "where you need one.",
            ]
        );
    }

    /// <summary>Where to log in, addresses and dates, to be found again in a year.</summary>
    public static Report KeySheet(Order order)
    {
        var sheet = KeySheetWire.From(order);
        return new Report(
            $"Key sheet for {sheet.Domain ?? sheet.Plan ?? order.Reference}",
            [
                order.There is null
                    ? Placed(order)
                    : $"Bought at the sellers’ own pages on {ReportWords.Day(order.PlacedOn)}. Kept here as "
                        + $"{order.Reference}, as it was filled in by hand. Passwords are not on it.",
            ],
            ["", ""],
            [
                .. Facts(sheet)
                    .Where(fact => fact.Value is { Length: > 0 })
                    .Select(fact => new ReportRow(fact.Name, [fact.Value!])),
                .. order
                    .There?.Receipts.Where(receipt => receipt.Reference is not null)
                    .Select(receipt => new ReportRow(
                        $"Reference at {SellerOf(order, receipt.Book)}",
                        [receipt.Reference!]
                    ))
                    ?? [],
                .. order
                    .Things.Items.Where(item => item.Until is not null)
                    .Select(item => new ReportRow(
                        $"{item.Name}, {item.Seller}",
                        [$"paid until {ReportWords.Day(item.Until!.Value)}"]
                    )),
            ],
            []
        );
    }

    private static string Placed(Order order) =>
        $"Order {order.Reference} of {ReportWords.Day(order.PlacedOn)}. Passwords are not on it, and are kept "
        + "nowhere here.";

    private static string SellerOf(Order order, string book) =>
        order.Things.Items.FirstOrDefault(item => item.Book == book)?.Seller ?? book;

    private static IEnumerable<(string Name, string? Value)> Facts(KeySheetWire sheet) =>
        [
            ("Host", sheet.Provider),
            ("Plan", sheet.Plan),
            ("Domain", sheet.Domain),
            ("Domain bought from", sheet.DomainSeller),
            ("Further domains", string.Join("; ", sheet.FurtherDomains)),
            ("Log in", sheet.LogIn),
            ("User name", sheet.User),
            ("Server", sheet.Server),
            ("IPv4", sheet.IPv4),
            ("IPv6", sheet.IPv6),
            ("Name servers", string.Join(", ", sheet.NameServers)),
            ("Files (SFTP)", sheet.FileServer),
            ("Mail server", sheet.MailServer),
            ("Holder", sheet.Holder),
            ("Mail address given", sheet.Mail),
            ("Notes", sheet.Notes),
        ];

    private static string Day(DateOnly? day) => day is { } known ? ReportWords.Day(known) : "";
}
