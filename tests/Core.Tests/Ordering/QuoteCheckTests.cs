namespace HomeStart.Core.Tests;

/// <summary>
/// A seller's quote is held against the worksheet's bill of today, line by line, before anything is paid.
/// </summary>
public sealed class QuoteCheckTests
{
    private const QuoteDifferenceKind None = (QuoteDifferenceKind)(-1);

    private static readonly Costing Ours = Shop.Costed(
        Shop.Do(
            Shop.Choosing("tidemarsh", "slipway", 12),
            new SetExtra("A", "backup", false, 1),
            new EnterCode("A", "NEAPTIDE25")
        )
    );

    private static readonly Bill Today = Ours.Run.Bills.Single(bill => bill.Date == Shop.Today);

    [Fact]
    public void The_same_quote_differs_in_nothing() => Kinds(Same()).ShouldBeEmpty();

    [Fact]
    public void A_bill_that_is_not_there_is_a_total_of_theirs() =>
        QuoteCheck
            .Compare(Ours, Same() with { Book = "plainstone" })
            .ShouldHaveSingleItem()
            .ShouldBe(new QuoteDifference(QuoteDifferenceKind.Total, null, null, Same().Total));

    [Fact]
    public void A_code_that_the_seller_refuses_explains_what_its_lines_cost_more()
    {
        var refused = Same() with
        {
            Codes = [new QuotedCode("NEAPTIDE25", Verdict.Expired)],
            Lines = [.. Same().Lines.Select(line => line with { Left = line.Amount })],
            Total = Dearer(Same().Total),
        };
        var difference = QuoteCheck.Compare(Ours, refused).ShouldHaveSingleItem();
        (difference.Kind, difference.Ref, difference.TheirVerdict).ShouldBe(
            (QuoteDifferenceKind.Code, "NEAPTIDE25", Verdict.Expired)
        );
    }

    [Fact]
    public void A_code_the_seller_says_nothing_of_is_unknown_to_it() =>
        QuoteCheck
            .Compare(Ours, Same() with { Codes = [] })
            .ShouldHaveSingleItem()
            .TheirVerdict.ShouldBe(Verdict.Unknown);

    [Theory]
    [InlineData("amount", QuoteDifferenceKind.Price, None)]
    [InlineData("quantity", QuoteDifferenceKind.Price, None)]
    [InlineData("left", QuoteDifferenceKind.Discount, None)]
    [InlineData("gone", QuoteDifferenceKind.NotSold, None)]
    [InlineData("more", QuoteDifferenceKind.NotOurs, None)]
    [InlineData("another", QuoteDifferenceKind.NotSold, QuoteDifferenceKind.NotOurs)]
    [InlineData("total", QuoteDifferenceKind.Total, None)]
    [InlineData("tax", QuoteDifferenceKind.Tax, None)]
    public void Each_thing_that_is_otherwise_is_said(string what, QuoteDifferenceKind first, QuoteDifferenceKind second)
    {
        var same = Same();
        var line = same.Lines[0];
        var other = what switch
        {
            "amount" => With(line with { Amount = Dearer(line.Amount) }),
            "quantity" => With(line with { Quantity = 2 }),
            "left" => With(line with { Left = Dearer(line.Left) }),
            "another" => With(line with { Ref = "jetty" }),
            "gone" => same with { Lines = same.Lines.RemoveAt(0) },
            "more" => same with { Lines = same.Lines.Add(line with { Ref = "jetty" }) },
            "tax" => same with { TaxPercent = ExactDecimal.Whole(23), Total = Dearer(same.Total) },
            _ => same with { Total = Dearer(same.Total) },
        };
        Kinds(other).ShouldBe(new[] { first, second }.Where(kind => kind != None));

        Quote With(QuotedLine changed) => same with { Lines = same.Lines.SetItem(0, changed) };
    }

    private static IEnumerable<QuoteDifferenceKind> Kinds(Quote quote) =>
        QuoteCheck.Compare(Ours, quote).Select(difference => difference.Kind);

    private static Money Dearer(Money money) => money with { Units = money.Units + 100 };

    private static Quote Same() =>
        new(
            "q1",
            "tidemarsh",
            new Money(Ours.Counting.Tax(Today.Book, Today.Sum).Total, Today.Currency),
            new Money(0, Today.Currency),
            Shop.Settings.TaxPercent,
            new DateTimeOffset(2026, 12, 1, 12, 0, 0, TimeSpan.Zero)
        )
        {
            Lines =
            [
                .. Today.Lines.Select(line => new QuotedLine(
                    line.Kind,
                    line.Ref,
                    line.ForDomain,
                    line.Quantity,
                    new Money(line.Amount, Today.Currency),
                    new Money(line.AfterDiscounts, Today.Currency)
                )),
            ],
            Codes = [new QuotedCode("NEAPTIDE25", Verdict.Applied)],
        };
}
