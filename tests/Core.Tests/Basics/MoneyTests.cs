using System.Numerics;
using CsCheck;

namespace HomeStart.Core.Tests;

public class MoneyTests
{
    [Fact]
    public void Parse_and_print_are_inverse() =>
        Gen.Select(
                Gen.Long[0, 1_000_000_000_000],
                Gen.Int[0, 3].Select(index => new[] { "JPY", "GBP", "KWD", "CLF" }[index])
            )
            .Sample(
                (units, code) =>
                {
                    var money = new Money(units, Currency.Get(code));
                    Money.TryParse(money.ToAmount(), money.Currency, out var read).ShouldBe(AmountFault.None);
                    read.ShouldBe(money);
                }
            );

    [Theory]
    [InlineData("47.4", "47.40")]
    [InlineData("47", "47.00")]
    [InlineData("007.1", "7.10")]
    [InlineData("0", "0.00")]
    public void Fewer_decimals_may_be_read(string text, string printed)
    {
        Money.TryParse(text, Currency.Get("GBP"), out var money).ShouldBe(AmountFault.None);
        money.ToAmount().ShouldBe(printed);
    }

    [Theory]
    [InlineData("0.05")]
    [InlineData("0.5")]
    [InlineData("8.875")]
    [InlineData("20")]
    [InlineData("0")]
    [InlineData("47.40")]
    public void A_number_is_written_as_it_was_read(string text)
    {
        ExactDecimal.TryParse(text, out var number).ShouldBeTrue();
        number.ToString().ShouldBe(text);
    }

    [Theory]
    [InlineData("10000000000.00", "GBP", AmountFault.None)]
    [InlineData("10000000000.01", "GBP", AmountFault.TooLarge)]
    [InlineData("1000000000000", "JPY", AmountFault.None)]
    [InlineData("1000000000001", "JPY", AmountFault.TooLarge)]
    public void The_largest_amount_is_a_million_million_minor_units(string text, string currency, AmountFault fault) =>
        Money.TryParse(text, Currency.Get(currency), out _).ShouldBe(fault);

    [Theory]
    [InlineData(false, false, false)]
    [InlineData(true, false, true)]
    [InlineData(false, true, true)]
    [InlineData(true, true, true)]
    public void Sums_are_at_least_where_either_is(bool left, bool right, bool both) =>
        (new Sum(3, left) + new Sum(4, right)).ShouldBe(new Sum(7, both));

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData(".5")]
    [InlineData("5.")]
    [InlineData("1 000")]
    [InlineData("1,5")]
    [InlineData("+1")]
    [InlineData("٣")]
    [InlineData("1.005")]
    [InlineData("0x1")]
    public void Anything_else_is_no_amount(string? text) =>
        Money.TryParse(text, Currency.Get("GBP"), out _).ShouldBe(AmountFault.NotAnAmount);

    [Fact]
    public void Two_currencies_cannot_be_added() =>
        Should.Throw<InvalidOperationException>(() =>
            Money.Zero(Currency.Get("GBP")) + Money.Zero(Currency.Get("USD"))
        );

    [Fact]
    public void Fractions_round_half_away_from_zero_the_same_for_small_and_huge_amounts() =>
        Gen.Select(Gen.Long, Gen.Int[1, int.MaxValue], Gen.Long[1, long.MaxValue])
            .Sample(
                (amount, numerator, denominator) =>
                {
                    var product = (BigInteger)amount * numerator;
                    var rounded =
                        BigInteger.Divide((2 * BigInteger.Abs(product)) + denominator, 2 * (BigInteger)denominator)
                        * product.Sign;
                    ((BigInteger)new Fraction(numerator, denominator).Of(amount)).ShouldBe(rounded);
                }
            );

    [Fact]
    public void Shares_add_up_and_none_is_a_unit_away_from_its_exact_part() =>
        Gen.Select(Gen.Long[0, 1_000_000], Gen.Int[-50, 1000].List[1, 12])
            .Where((_, weights) => weights.Sum() > 0)
            .Sample(
                (total, weights) =>
                {
                    var shares = Sharing.InProportion(total, [.. weights.Select(weight => (Minor)weight)]);
                    shares.Aggregate((Minor)0, (sum, share) => sum + share).ShouldBe(total);
                    foreach (var (share, weight) in shares.Zip(weights))
                    {
                        ((double)share - ((double)total * weight / weights.Sum())).ShouldBeInRange(-1.0001, 1.0001);
                    }
                }
            );

    [Fact]
    public void Whole_months_between_are_the_most_that_fit() =>
        Gen.Select(Gen.Int[0, 60000], Gen.Int[0, 6000])
            .Sample(
                (first, days) =>
                {
                    var start = new DateOnly(1970, 1, 1).AddDays(first);
                    var date = start.AddDays(days);
                    var months = Months.WholeBetween(start, date);
                    start.AddMonths(months).ShouldBeLessThanOrEqualTo(date);
                    start.AddMonths(months + 1).ShouldBeGreaterThan(date);
                }
            );
}
