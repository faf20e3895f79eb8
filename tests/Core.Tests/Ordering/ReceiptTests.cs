using System.Xml.Linq;
using HomeStart.Formats;
using PdfSharp.Pdf.IO;
using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>Receipts add up to what was paid, to the penny, on paper and in UBL.</summary>
public class ReceiptTests
{
    private static readonly XNamespace Parts = "urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2";
    private static readonly XNamespace Basic = "urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2";

    /// <summary>Tax on top, tax inside, several lines, a discount, two sellers.</summary>
    public static TheoryData<string, string, int, string> Bought =>
        new()
        {
            { "tidemarsh", "slipway", 12, "tidemarsh" },
            { "tidemarsh", "slipway", 1, "nameyarrow" },
            { "loomgate", "warp", 12, "loomgate" },
            { "loomgate", "weft", 12, "flatstone" },
            { "quillhaven", "inkwell", 24, "quillhaven" },
            { "plainstone", "lintel", 1, "nameyarrow" },
        };

    [Theory]
    [MemberData(nameof(Bought))]
    public void Lines_make_the_net_and_net_and_tax_what_was_paid(string book, string plan, int every, string seller)
    {
        var site = Do(Choosing(book, plan, every), new ChooseDomain("A", Name(seller)));
        var (costing, order) = (Costed(site), Ordered(site));
        foreach (var payment in order.Things.Payments)
        {
            var receipt = Receipt.Of(order, payment.Book).ShouldNotBeNull();
            var bill = costing.Run.Bills.Single(bill => bill.Date == Today && bill.Book!.Id == payment.Book);
            var taxed = costing.Counting.Tax(bill.Book, bill.Sum);
            (receipt.Net.Units, receipt.Tax.Units, payment.Amount.Units).ShouldBe((taxed.Net, taxed.Tax, taxed.Total));
            receipt.Lines.Aggregate(Money.Zero(receipt.Net.Currency), (sum, line) => sum + line.Net).ShouldBe(receipt.Net);
            receipt.Lines.Length.ShouldBe(bill.Lines.Count);
            if (bill.Book!.Tax is { PricesInclude: false })
            {
                receipt.Lines.Select(line => line.Net).ShouldBe(receipt.Lines.Select(line => line.Item.Amount));
            }

            var xml = XDocument.Parse(UblInvoice.Write(receipt).ToString()).Root!;
            decimal Sum(string name) => xml.Descendants(Basic + name).Where(element => element.Parent!.Name != Parts + "InvoiceLine").Select(element => decimal.Parse(element.Value)).First();
            xml.Elements(Parts + "InvoiceLine").Sum(line => decimal.Parse(line.Element(Basic + "LineExtensionAmount")!.Value)).ShouldBe(Sum("LineExtensionAmount"));
            (Sum("TaxExclusiveAmount") + Sum("TaxAmount")).ShouldBe(Sum("TaxInclusiveAmount"));
            Sum("TaxInclusiveAmount").ShouldBe(decimal.Parse(payment.Amount.ToAmount()));
            xml.Descendants().Attributes("currencyID").ShouldAllBe(currency => currency.Value == payment.Amount.Currency.Code);
        }
    }

    [Fact]
    public void The_elements_stand_in_the_order_of_the_standard()
    {
        var xml = UblInvoice.Write(Receipt.Of(Ordered(Choosing("tidemarsh", "slipway", 12)), "tidemarsh")!).Root!;
        xml.Elements().Select(element => element.Name.LocalName).Distinct().ShouldBe(
        [
            "CustomizationID", "ID", "IssueDate", "InvoiceTypeCode", "DocumentCurrencyCode", "OrderReference", "AccountingSupplierParty", "AccountingCustomerParty", "TaxTotal", "LegalMonetaryTotal", "InvoiceLine",
        ]);
        xml.Descendants(Parts + "ClassifiedTaxCategory").ShouldAllBe(category => category.Element(Basic + "ID")!.Value == "S" && category.Element(Basic + "Percent")!.Value == "20");
        xml.Descendants(Parts + "InvoicePeriod").First().Elements().Select(day => day.Value).ShouldBe(["2026-12-01", "2027-11-30"]);
        xml.Descendants(Basic + "Name").Select(name => name.Value).ShouldContain("<Ada> & Wren");
    }

    [Fact]
    public void A_seller_who_charges_no_tax_and_a_rate_of_nothing_are_told_apart()
    {
        var order = Ordered(Choosing("tidemarsh", "slipway", 12));
        var payment = order.Things.Payments[0];
        Category(payment with { Tax = Money.Zero(payment.Amount.Currency), TaxPercent = null }).ShouldBe("O");
        Category(payment with { Tax = Money.Zero(payment.Amount.Currency), TaxPercent = ExactDecimal.Whole(0) }).ShouldBe("Z");

        string Category(Payment paid) =>
            UblInvoice.Write(Receipt.Of(order with { Things = order.Things with { Payments = [paid] } }, "tidemarsh")!).Descendants(Parts + "TaxCategory").Single().Element(Basic + "ID")!.Value;
    }

    [Fact]
    public void What_is_not_paid_was_paid_elsewhere_or_is_older_has_no_receipt()
    {
        var order = Ordered(Choosing("tidemarsh", "slipway", 12));
        Receipt.Of(order, "nameyarrow").ShouldBeNull();
        Receipt.Of(order with { State = OrderState.Working }, "tidemarsh").ShouldBeNull();
        Receipt.Of(order with { Things = order.Things with { Payments = [order.Things.Payments[0] with { Tax = null }] } }, "tidemarsh").ShouldBeNull();
        Receipt.Of(order, "tidemarsh")!.Number.ShouldBe(order.Reference + "-1");
    }

    [Fact]
    public void A_receipt_and_a_key_sheet_fit_on_a_page_each_and_say_what_was_paid()
    {
        var order = Ordered(Choosing("tidemarsh", "slipway", 12)) with { Account = new HostAccount("ac1", "https://panel.tidemarsh.example.net/", "ac1", "web1.tidemarsh.example.net", "203.0.113.9", "2001:db8::9", ["ns1.tidemarsh.example.net"], "sftp.tidemarsh.example.net", "mail.tidemarsh.example.net") };
        var receipt = OrderReports.Of(Receipt.Of(order, "tidemarsh")!);
        receipt.Rows[^1].Cells[^1].ShouldBe(order.Things.Total.ToAmount());
        receipt.Rows[^2].Label.ShouldBe("Tax at 20%");
        var sheet = OrderReports.KeySheet(order);
        sheet.Rows.Select(row => row.Label).ShouldContain("Log in");
        sheet.Rows.SelectMany(row => row.Cells).ShouldNotContain(cell => cell.Contains("secret-token", StringComparison.Ordinal));
        foreach (var report in new[] { receipt, sheet })
        {
            using var pdf = PdfReader.Open(new MemoryStream(PdfReport.Write(report, Today)), PdfDocumentOpenMode.Import);
            pdf.PageCount.ShouldBe(1);
        }
    }

    private static Order Ordered(Site site)
    {
        var things = Placing.Of(Costed(site)).Value.ShouldNotBeNull();
        return new Order(Guid.NewGuid(), Guid.NewGuid(), "A", Today, new Contact("<Ada> & Wren", "ada@ostlerwren.example", "4 Mill Lane", "Hexworth", "HX4 2AB", "GB", null), things)
        {
            State = OrderState.Completed, CardToken = "secret-token", CardEnding = "0004",
        };
    }
}
