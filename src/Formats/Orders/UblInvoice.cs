using System.Collections.Immutable;
using System.Globalization;
using System.Xml;
using System.Xml.Linq;
using HomeStart.Formats.Foreign;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Orders;

/// <summary>
/// Reads what a seller's invoice says, and writes a receipt, or what is still to be paid, as an invoice in UBL 2.1
/// (ISO/IEC 19845). It names no profile: those ask for a seller's address and tax number, which are in no offer book.
/// </summary>
public static class UblInvoice
{
    private static readonly XNamespace Invoice = "urn:oasis:names:specification:ubl:schema:xsd:Invoice-2";
    private static readonly XNamespace Parts =
        "urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2";
    private static readonly XNamespace Basic = "urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2";

    /// <summary>Commercial invoice (UNTDID 1001).</summary>
    private const string Commercial = "380";

    /// <summary>One piece (UN/ECE recommendation 20).</summary>
    private const string Piece = "C62";

    /// <summary>What an invoice says; null: it is none.</summary>
    /// <exception cref="GuardException">It is larger or deeper than any invoice.</exception>
    public static InvoiceRead? Read(ReadOnlyMemory<byte> bytes, Guard guard)
    {
        if (Document(bytes, guard) is not { } root || root.Name != Invoice + "Invoice")
        {
            return null;
        }

        var supplier = root.Element(Parts + "AccountingSupplierParty");
        return new InvoiceRead(
            supplier
                ?.Descendants(Basic + "RegistrationName")
                .Concat(supplier.Descendants(Basic + "Name"))
                .Select(name => name.Value.Trim())
                .FirstOrDefault(name => name.Length > 0),
            root.Element(Basic + "ID")?.Value.Trim(),
            [
                .. root.Elements(Parts + "InvoiceLine")
                    .Take(BoughtThere.MostLines)
                    .Select(line =>
                        (
                            What: line.Element(Parts + "Item")?.Element(Basic + "Name")?.Value.Trim(),
                            Amount: AmountOf(line.Element(Basic + "LineExtensionAmount"))
                        )
                    )
                    .Where(line => line is { What.Length: > 0, Amount: not null })
                    .Select(line => new ReceiptEntry(line.What!, line.Amount!.Value)),
            ]
        );
    }

    // A document that names others, or that grows as it is read, is none of ours. It is gone through once before it is
    // built, so that nothing is built of one that nests too deep.
    private static XElement? Document(ReadOnlyMemory<byte> bytes, Guard guard)
    {
        try
        {
            using (var looked = Reader(bytes))
            {
                while (looked.Read())
                {
                    guard.Part(looked.Depth);
                }
            }

            using var reader = Reader(bytes);
            return XDocument.Load(reader).Root;
        }
        catch (XmlException)
        {
            return null;
        }
    }

    private static XmlReader Reader(ReadOnlyMemory<byte> bytes) =>
        XmlReader.Create(
            new MemoryStream(bytes.ToArray()),
            new XmlReaderSettings
            {
                CloseInput = true,
                DtdProcessing = DtdProcessing.Prohibit,
                XmlResolver = null,
                MaxCharactersInDocument = KeptFile.Largest,
            }
        );

    private static Money? AmountOf(XElement? element) =>
        element is not null
        && Currency.TryGet(element.Attribute("currencyID")?.Value, out var currency)
        && ExactDecimal.TryParse(element.Value.Trim(), out var number)
        && Money.TryOf(number, currency, out var money) == AmountFault.None
            ? money
            : null;

    public static XDocument Write(Receipt receipt)
    {
        var document = Written(receipt);
        foreach (var text in document.DescendantNodes().OfType<XText>())
        {
            text.Value = PlainText.Escaped(text.Value); // Kept from before there was a rule for what a text may hold.
        }

        return document;
    }

    private static XDocument Written(Receipt receipt)
    {
        var (order, currency) = (receipt.Order, receipt.Payment.Amount.Currency.Code);
        return new XDocument(
            new XElement(
                Invoice + "Invoice",
                new XAttribute(XNamespace.Xmlns + "cac", Parts),
                new XAttribute(XNamespace.Xmlns + "cbc", Basic),
                new XElement(Basic + "ID", receipt.Number),
                new XElement(Basic + "IssueDate", Day(order.PlacedOn)),
                receipt.DueOn is { } due ? new XElement(Basic + "DueDate", Day(due)) : null,
                new XElement(Basic + "InvoiceTypeCode", Commercial),
                new XElement(Basic + "DocumentCurrencyCode", currency),
                new XElement(Parts + "OrderReference", new XElement(Basic + "ID", order.Reference)),
                new XElement(Parts + "AccountingSupplierParty", Party(receipt.Payment.Seller, null)),
                new XElement(
                    Parts + "AccountingCustomerParty",
                    Party(order.Contact.Organisation ?? order.Contact.Name, order.Contact)
                ),
                new XElement(
                    Parts + "TaxTotal",
                    Amount("TaxAmount", receipt.Tax),
                    new XElement(
                        Parts + "TaxSubtotal",
                        Amount("TaxableAmount", receipt.Net),
                        Amount("TaxAmount", receipt.Tax),
                        Category("TaxCategory", receipt)
                    )
                ),
                new XElement(
                    Parts + "LegalMonetaryTotal",
                    Amount("LineExtensionAmount", receipt.Net),
                    Amount("TaxExclusiveAmount", receipt.Net),
                    Amount("TaxInclusiveAmount", receipt.Payment.Amount),
                    Amount(
                        "PrepaidAmount",
                        receipt.DueOn is null ? receipt.Payment.Amount : Money.Zero(receipt.Net.Currency)
                    ),
                    Amount(
                        "PayableAmount",
                        receipt.DueOn is null ? Money.Zero(receipt.Net.Currency) : receipt.Payment.Amount
                    )
                ),
                receipt.Lines.Select((line, at) => Line(receipt, line, at + 1))
            )
        );
    }

    private static XElement Line(Receipt receipt, ReceiptLine line, int number) =>
        new(
            Parts + "InvoiceLine",
            new XElement(Basic + "ID", number),
            new XElement(Basic + "InvoicedQuantity", new XAttribute("unitCode", Piece), 1),
            Amount("LineExtensionAmount", line.Net),
            line.Item is { From: { } from, Until: { } until }
                ? new XElement(
                    Parts + "InvoicePeriod",
                    new XElement(Basic + "StartDate", Day(from)),
                    new XElement(Basic + "EndDate", Day(until.AddDays(-1)))
                )
                : null,
            new XElement(
                Parts + "Item",
                new XElement(Basic + "Name", ItemWords.Name(line.Item)),
                Category("ClassifiedTaxCategory", receipt)
            ),
            new XElement(Parts + "Price", Amount("PriceAmount", line.Net))
        );

    // Standard rate, zero rate, or outside the scope of the tax (UNCL 5305).
    private static XElement Category(string name, Receipt receipt) =>
        new(
            Parts + name,
            new XElement(
                Basic + "ID",
                receipt.Payment.TaxPercent is not { } percent ? "O"
                    : percent.IsZero ? "Z"
                    : "S"
            ),
            receipt.Payment.TaxPercent is { } rate ? new XElement(Basic + "Percent", rate.ToString()) : null,
            new XElement(Parts + "TaxScheme", new XElement(Basic + "ID", "VAT"))
        );

    private static XElement Party(string name, Contact? contact) =>
        new(
            Parts + "Party",
            new XElement(Parts + "PartyName", new XElement(Basic + "Name", name)),
            contact is null
                ? null
                : new XElement(
                    Parts + "PostalAddress",
                    new XElement(Basic + "StreetName", contact.Street),
                    new XElement(Basic + "CityName", contact.Town),
                    contact.Postcode.Length > 0 ? new XElement(Basic + "PostalZone", contact.Postcode) : null,
                    contact.State is { } state ? new XElement(Basic + "CountrySubentity", state) : null,
                    new XElement(Parts + "Country", new XElement(Basic + "IdentificationCode", contact.Country))
                ),
            new XElement(Parts + "PartyLegalEntity", new XElement(Basic + "RegistrationName", name)),
            contact is null
                ? null
                : new XElement(Parts + "Contact", new XElement(Basic + "ElectronicMail", contact.Mail))
        );

    private static XElement Amount(string name, Money money) =>
        new(Basic + name, new XAttribute("currencyID", money.Currency.Code), money.ToAmount());

    private static string Day(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}

/// <summary>What an invoice in UBL says.</summary>
/// <param name="Seller">Null: it names none.</param>
/// <param name="Number">The seller's number of it.</param>
/// <param name="Lines">Before tax.</param>
public sealed record InvoiceRead(string? Seller, string? Number, ImmutableArray<ReceiptEntry> Lines);
