using System.Xml.Linq;
using HomeStart.Formats.Exports;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;
using PdfSharp.Pdf.IO;
using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>Receipts add up to what was paid, to the penny, on paper and in UBL.</summary>
public class ReceiptTests
{
    private static readonly XNamespace Parts =
        "urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2";
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
            var receipt = Receipt.ForSeller(order, payment.Book).ShouldNotBeNull();
            var bill = costing.Run.Bills.Single(bill => bill.Date == Today && bill.Book!.Id == payment.Book);
            var taxed = costing.Counting.Tax(bill.Book, bill.Sum);
            (receipt.Net.Units, receipt.Tax.Units, payment.Amount.Units).ShouldBe((taxed.Net, taxed.Tax, taxed.Total));
            receipt
                .Lines.Aggregate(Money.Zero(receipt.Net.Currency), (sum, line) => sum + line.Net)
                .ShouldBe(receipt.Net);
            receipt.Lines.Length.ShouldBe(bill.Lines.Count);
            if (bill.Book!.Tax is { PricesInclude: false })
            {
                receipt.Lines.Select(line => line.Net).ShouldBe(receipt.Lines.Select(line => line.Item.Amount));
            }

            var xml = XDocument.Parse(UblInvoice.Write(receipt).ToString()).Root!;
            decimal Sum(string name) =>
                xml.Descendants(Basic + name)
                    .Where(element => element.Parent!.Name != Parts + "InvoiceLine")
                    .Select(element => decimal.Parse(element.Value))
                    .First();
            xml.Elements(Parts + "InvoiceLine")
                .Sum(line => decimal.Parse(line.Element(Basic + "LineExtensionAmount")!.Value))
                .ShouldBe(Sum("LineExtensionAmount"));
            (Sum("TaxExclusiveAmount") + Sum("TaxAmount")).ShouldBe(Sum("TaxInclusiveAmount"));
            Sum("TaxInclusiveAmount").ShouldBe(decimal.Parse(payment.Amount.ToAmount()));
            xml.Descendants()
                .Attributes("currencyID")
                .ShouldAllBe(currency => currency.Value == payment.Amount.Currency.Code);
        }
    }

    [Fact]
    public void The_elements_stand_in_the_order_of_the_standard()
    {
        var xml = UblInvoice
            .Write(Receipt.ForSeller(Ordered(Choosing("tidemarsh", "slipway", 12)), "tidemarsh")!)
            .Root!;
        xml.Elements()
            .Select(element => element.Name.LocalName)
            .Distinct()
            .ShouldBe([
                "ID",
                "IssueDate",
                "InvoiceTypeCode",
                "DocumentCurrencyCode",
                "OrderReference",
                "AccountingSupplierParty",
                "AccountingCustomerParty",
                "TaxTotal",
                "LegalMonetaryTotal",
                "InvoiceLine",
            ]);
        xml.Descendants(Parts + "ClassifiedTaxCategory")
            .ShouldAllBe(category =>
                category.Element(Basic + "ID")!.Value == "S" && category.Element(Basic + "Percent")!.Value == "20"
            );
        xml.Descendants(Parts + "InvoicePeriod")
            .First()
            .Elements()
            .Select(day => day.Value)
            .ShouldBe(["2026-12-01", "2027-11-30"]);
        xml.Descendants(Basic + "Name").Select(name => name.Value).ShouldContain("<Ada> & Wren");
    }

    [Fact]
    public void A_seller_who_charges_no_tax_and_a_rate_of_nothing_are_told_apart()
    {
        var order = Ordered(Choosing("tidemarsh", "slipway", 12));
        var payment = order.Things.Payments[0];
        Category(payment with { Tax = Money.Zero(payment.Amount.Currency), TaxPercent = null }).ShouldBe("O");
        Category(payment with { Tax = Money.Zero(payment.Amount.Currency), TaxPercent = ExactDecimal.Whole(0) })
            .ShouldBe("Z");

        string Category(Payment paid) =>
            UblInvoice
                .Write(Receipt.ForSeller(order with { Things = order.Things with { Payments = [paid] } }, "tidemarsh")!)
                .Descendants(Parts + "TaxCategory")
                .Single()
                .Element(Basic + "ID")!
                .Value;
    }

    [Fact]
    public void What_is_not_paid_was_paid_elsewhere_or_is_older_has_no_receipt()
    {
        var order = Ordered(Choosing("tidemarsh", "slipway", 12));
        Receipt.ForSeller(order, "nameyarrow").ShouldBeNull();
        Receipt.ForSeller(order with { State = OrderState.Working }, "tidemarsh").ShouldBeNull();
        Receipt
            .ForSeller(
                order with
                {
                    Things = order.Things with { Payments = [order.Things.Payments[0] with { Tax = null }] },
                },
                "tidemarsh"
            )
            .ShouldBeNull();
        Receipt.ForSeller(order, "tidemarsh")!.Number.ShouldBe(order.Reference + "-1");
    }

    [Fact]
    public void A_receipt_and_a_key_sheet_fit_on_a_page_each_and_say_what_was_paid()
    {
        var order = Ordered(Choosing("tidemarsh", "slipway", 12)) with
        {
            Account = new HostAccount(
                "ac1",
                "https://panel.tidemarsh.example.net/",
                "ac1",
                "web1.tidemarsh.example.net",
                "203.0.113.9",
                "2001:db8::9",
                ["ns1.tidemarsh.example.net"],
                "sftp.tidemarsh.example.net",
                "mail.tidemarsh.example.net"
            ),
        };
        var receipt = OrderReports.ForReceipt(Receipt.ForSeller(order, "tidemarsh")!);
        receipt.Rows[^1].Cells[^1].ShouldBe(order.Things.Total.ToAmount());
        receipt.Rows[^2].Label.ShouldBe("Tax at 20%");
        var sheet = OrderReports.KeySheet(order);
        sheet.Rows.Select(row => row.Label).ShouldContain("Log in");
        sheet
            .Rows.SelectMany(row => row.Cells)
            .ShouldNotContain(cell => cell.Contains("secret-token", StringComparison.Ordinal));
        foreach (var report in new[] { receipt, sheet })
        {
            using var pdf = PdfReader.Open(
                new MemoryStream(PdfReport.Write(report, Today)),
                PdfDocumentOpenMode.Import
            );
            pdf.PageCount.ShouldBe(1);
        }
    }

    [Fact]
    public void An_open_invoice_says_what_is_to_pay_and_until_when_and_a_paid_one_does_not()
    {
        var order = OrderFlow.Planned(
            ByInvoice(
                Ordered(Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", Name("nameyarrow")))),
                "tidemarsh"
            )
        );
        var waiting = order with
        {
            State = OrderState.NeedsTransfer,
            Steps =
            [
                .. order.Steps.Select(step =>
                    step is { Kind: StepKind.Hold, Way: PayWay.Invoice }
                        ? step with
                        {
                            Status = StepStatus.Pending,
                            Pending = new Pending(Until: Today.AddDays(14)),
                        }
                        : step
                ),
            ],
        };
        var invoice = Receipt.ForSeller(waiting, "tidemarsh").ShouldNotBeNull();
        (invoice.DueOn, invoice.Number).ShouldBe((Today.AddDays(14), Receipt.NumberOf(order, "tidemarsh")));
        Receipt.ForSeller(waiting, "nameyarrow").ShouldBeNull(); // It is held on a card, and not taken yet.
        Texts(invoice, "DueDate").ShouldBe(["2026-12-15"]);
        Texts(invoice, "PayableAmount").ShouldBe([invoice.Payment.Amount.ToAmount()]);
        Texts(invoice, "PrepaidAmount").ShouldBe(["0.00"]);
        OrderReports.ForReceipt(invoice).Title.ShouldStartWith("Invoice ");
        OrderReports.ForReceipt(invoice).Rows[^1].Label.ShouldBe("To pay");
        var paid = Receipt.ForSeller(order with { State = OrderState.Completed }, "tidemarsh")!;
        paid.DueOn.ShouldBeNull();
        Texts(paid, "DueDate").ShouldBeEmpty();
        Texts(paid, "PayableAmount").ShouldBe(["0.00"]);
        OrderReports.ForReceipt(paid).Title.ShouldStartWith("Receipt ");

        static List<string> Texts(Receipt receipt, string element) =>
            [.. UblInvoice.Write(receipt).Descendants(Basic + element).Select(found => found.Value)];
    }

    [Fact]
    public void How_it_was_paid_is_said_of_all_ways()
    {
        var order = Ordered(Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", Name("nameyarrow"))));
        PayWords.Paid(order).ShouldBe("by the card that ends in 0004");
        PayWords.Paid(ByInvoice(order, "tidemarsh")).ShouldBe("by the card that ends in 0004 and by bank transfer");
        var some = order.Things.Payments[0] with
        {
            FromBalance = new Money(100, order.Things.Payments[0].Amount.Currency),
            Way = PayWay.Wallet,
        };
        PayWords
            .Paid(order with { Things = order.Things with { Payments = [some] } })
            .ShouldBe("from your balance and by your wallet");
        PayWords
            .Paid(order with { Things = order.Things with { Payments = [some with { FromBalance = some.Amount }] } })
            .ShouldBe("from your balance");
        PayWords.Paid(order with { Things = order.Things with { Payments = [] } }).ShouldBe("with nothing due");
        (some.By(PayWay.Balance).Units, some.By(PayWay.Wallet)).ShouldBe(
            ((Minor)100, some.Amount - some.FromBalance!.Value)
        );
    }

    private static Order ByInvoice(Order order, string book) =>
        order with
        {
            Things = order.Things with
            {
                Payments =
                [
                    .. order.Things.Payments.Select(payment =>
                        payment.Book == book ? payment with { Way = PayWay.Invoice } : payment
                    ),
                ],
            },
        };

    private static Order Ordered(Site site)
    {
        var things = Placing.Prepare(Costed(site)).Value.ShouldNotBeNull();
        return new Order(
            Guid.NewGuid(),
            Guid.NewGuid(),
            "A",
            Today,
            new Contact("<Ada> & Wren", "ada@ostlerwren.example", "4 Mill Lane", "Hexworth", "HX4 2AB", "GB", null),
            things
        )
        {
            State = OrderState.Completed,
            CardToken = "secret-token",
            CardEnding = "0004",
        };
    }
}
