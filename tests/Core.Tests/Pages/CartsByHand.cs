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
    public void Sums_are_known_by_their_labels(string words, string sums)
    {
        var cart = ReadCart("Oak hosting, 12 months\n£36.00\n" + words);
        string.Join(' ', new[] { "subtotal", "tax", "total", "taxInside" }.Select(key => cart[key]?.ToString() ?? "-"))
            .ShouldBe(sums, StringCompareShould.IgnoreCase);
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
