using System.Text.Json.Nodes;
using static HomeStart.Core.Tests.Readings;

namespace HomeStart.Core.Tests;

/// <summary>Single things a cart says, by hand, with the neighbour that says the opposite.</summary>
public sealed class CartsByHand
{
    [Theory]
    [InlineData("plus 20% VAT £7.20", false)]
    [InlineData("incl. 20% VAT £6.00", true)]
    public void The_tax_of_a_cart_is_within_its_total_or_beside_it(string tax, bool isInside)
    {
        var total = isInside ? "36.00" : "43.20";
        var cart = PageExamples.Read("cart", "txt", $"Oak hosting, 12 months\n£36.00\n{tax}\nTotal £{total}");
        (cart["taxInside"]!.GetValue<bool>(), cart["addsUp"]!.GetValue<bool>()).ShouldBe((isInside, true));
    }

    [Fact]
    public void What_a_cart_offers_is_no_line()
    {
        var cart = PageExamples.Read(
            "cart",
            "txt",
            "Oak hosting, 12 months\n£36.00\nAdd daily backup for £1.99\nTotal £36.00"
        );
        cart["lines"]!.AsArray().Count.ShouldBe(1);
        cart["notPlaced"]!
            .AsArray()
            .Select(left => $"{Said(left!["words"])} {Said(left["why"])}")
            .ShouldBe(["£1.99 offered"]);
    }

    [Theory]
    [InlineData("01/12/2026 - 30/11/2027", 12)]
    [InlineData("12/01/2026 – 12/01/2028", 24)]
    [InlineData("12/15/2026 to 12/14/2027", 12)]
    [InlineData("2026-12-01 – 2027-02-28", 3)]
    [InlineData("1 Dec 2026 – 31 Dec 2026", 1)]
    [InlineData("December 1, 2026 until November 30, 2029", 36)]
    [InlineData("01/12/2026 - 15/11/2027", null)]
    [InlineData("30/02/2026 - 28/02/2027", null)]
    public void A_period_is_as_many_months_as_its_dates_make_up(string period, int? months) =>
        (
            PageExamples.Read("cart", "txt", $"Stack hosting\n{period}\n£60.00\nTotal £60.00")["lines"]!
                .AsArray()
                .ShouldHaveSingleItem()!["months"]
                ?.GetValue<int>()
        ).ShouldBe(months);

    [Fact]
    public void A_credit_in_brackets_is_taken_off() =>
        Said(
                PageExamples.Read("cart", "txt", "Stack hosting\n£60.00\nCredit\n(£10.00)\nTotal £50.00")["discounts"]![
                    0
                ]!["amount"]
            )
            .ShouldBe("10.00");

    [Theory]
    [InlineData("Oak hosting, 36 months\n£1.99 × 36\n£71.64", "Oak hosting 36 1 71.64")]
    [InlineData("Mailbox 50 GB, 12 months\n£12.00", "Mailbox 50 GB 12 1 12.00")]
    [InlineData("3 × Mailbox, 12 months\n£36.00", "Mailbox 12 3 36.00")]
    [InlineData("Malware scan × 12 months @ £2.50\n£30.00", "Malware scan 12 1 30.00")]
    [InlineData("Domain privacy, per year, 2 × £3.00\n£6.00", "Domain privacy 12 2 6.00")]
    [InlineData("Oak hosting\n12 mo\n£36.00", "Oak hosting 12 1 36.00")]
    [InlineData("oakandelm.uk × 2 years\n£16.00", "oakandelm.uk 24 1 16.00")]
    [InlineData("oakandelm.uk\nRegistration, 1 year\n£9.99 FREE Remove", "oakandelm.uk 12 1 0.00")]
    [InlineData("Oak hosting, 1 Dec 2026 to 30 Nov 2027\n£72.00", "Oak hosting 12 1 72.00")]
    public void A_line_is_what_it_is_called_for_how_long_how_many_and_what_is_paid(string words, string line)
    {
        var read = ReadCart(words)["lines"]!.AsArray().ShouldHaveSingleItem()!;
        $"{read["name"]} {read["months"]} {read["quantity"]} {read["amount"]}".ShouldBe(line);
    }

    [Theory]
    [InlineData("Before tax: £36.00\nBTW 21%: £7.56\nTo pay: £43.56", "36.00 7.56 43.56 False")]
    [InlineData("Total (incl. VAT £6.00)\n£36.00", "- 6.00 36.00 True")]
    [InlineData("Total excl. VAT\n£36.00\nVAT\n£7.20\nTotal incl. VAT\n£43.20", "36.00 7.20 43.20 False")]
    [InlineData("Subtotal £36.00\nPaid by card £36.00", "36.00 - 36.00 -")]
    [InlineData("Total £36.00\nIncludes £6.00 VAT", "- 6.00 36.00 True")]
    [InlineData("Total GBP (VAT £6.00 included)\n£36.00", "- 6.00 36.00 True")]
    [InlineData("Total £36.00\nPaid by card £30.00", "- - 36.00 -")]
    [InlineData("Sum £36.00\nVAT 20 % £7.20\nCharged to your card £43.20", "36.00 7.20 43.20 False")]
    [InlineData("Sum £36.00\nCharged monthly £3.00", "- - 36.00 -")]
    [InlineData("Total today (incl. 20% VAT of £6.00): £36.00", "- 6.00 36.00 True")]
    public void Sums_are_known_by_their_labels(string words, string sums)
    {
        var cart = ReadCart("Oak hosting, 12 months\n£36.00\n" + words);
        string.Join(' ', new[] { "subtotal", "tax", "total", "taxInside" }.Select(key => cart[key]?.ToString() ?? "-"))
            .ShouldBe(sums, StringCompareShould.IgnoreCase);
    }

    [Theory]
    [InlineData("Alder Business · 36 months\n£36.00", "Alder Business")]
    [InlineData("Alder Business | 3 years\n£36.00", "Alder Business")]
    [InlineData("Extra mailboxes x 5 at £1.00 each £5.00", "Extra mailboxes")]
    [InlineData("Mail at home\n£36.00", "Mail at home")]
    public void A_name_ends_before_lengths_numbers_and_marks(string words, string name) =>
        Said(ReadCart($"{words}\nTotal £36.00")["lines"]![0]!["name"]).ShouldBe(name);

    [Theory]
    [InlineData("Transfer of oldwren.com, 1 year £12.90\nWeb M, 12 months £48.00", "domain plan")]
    [InlineData("Daily backup, 1 year £12.90\nWeb M, 12 months £48.00", "addOn addOn")]
    public void The_first_thing_with_a_length_beside_domains_is_the_plan(string words, string kinds) =>
        string.Join(' ', ReadCart($"{words}\nTotal £60.90")["lines"]!.AsArray().Select(line => Said(line!["kind"])))
            .ShouldBe(kinds);

    [Theory]
    [InlineData("<th>Discount</th><th>VAT</th><th>Line total</th>", "-£24.00", "20%", "£72.00", "72.00 0")]
    [InlineData("<th>Amount</th><th>VAT</th><th>Discount</th>", "£96.00", "20%", "-£24.00", "96.00 1")]
    public void What_is_off_before_the_sum_of_a_row_is_in_it(
        string heads,
        string first,
        string second,
        string third,
        string said
    )
    {
        var cart = PageExamples.Read(
            "cart",
            "html",
            $"<table><tr><th>Product</th>{heads}</tr><tr><td>Larch hosting (24 months)</td><td>{first}</td><td>{second}"
                + $"</td><td>{third}</td></tr></table><p>Total £72.00</p>"
        );
        $"{cart["lines"]![0]!["amount"]} {cart["discounts"]!.AsArray().Count}".ShouldBe(said);
        Said(cart["lines"]![0]!["name"]).ShouldBe("Larch hosting");
    }

    [Theory]
    [InlineData("All amounts in GBP", "36.00")]
    [InlineData("All amounts as agreed", null)]
    public void Amounts_without_a_sign_are_read_where_the_cart_says_its_currency(string words, string? amount) =>
        Said(
                ReadCart($"{words}\nOak hosting, 12 months 36.00\nTotal 36.00")["lines"]!
                    .AsArray()
                    .SingleOrDefault()
                    ?["amount"]
            )
            .ShouldBe(amount);

    [Theory]
    [InlineData("Next payment on 1 December 2027: £72.00", "later")]
    [InlineData("We saved you £72.00", "saving")]
    public void What_is_said_below_the_total_is_no_line(string words, string why) =>
        Said(ReadCart("Oak hosting, 12 months\n£36.00\nTotal £36.00\n" + words)["notPlaced"]![0]!["why"]).ShouldBe(why);

    [Theory]
    [InlineData("1x Larkrise Web plan\n£96.00\n1x Larkrise Web backup\n£12.00\nTotal £108.00")]
    [InlineData("Oak hosting, 12 months\n£36.00\nTotal excl. VAT\n£36.00\nVAT\n£7.20\nTotal incl. VAT\n£43.20")]
    public void No_line_of_a_cart_is_who_sells(string words) => ReadCart(words)["provider"].ShouldBeNull();
}
