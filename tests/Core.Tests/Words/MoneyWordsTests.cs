using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>Sums are written as the client writes them.</summary>
public class MoneyWordsTests
{
    [Theory]
    [InlineData("GBP", 6515, "£65.15")]
    [InlineData("GBP", 108320, "£1,083.20")]
    [InlineData("GBP", -108320, "−£1,083.20")]
    [InlineData("EUR", 123456789, "€1,234,567.89")]
    [InlineData("USD", 100, "US$1.00")]
    [InlineData("CHF", 850, "CHF\u00a08.50")]
    [InlineData("JPY", 12300, "JP¥12,300")]
    [InlineData("KWD", 1, "KWD\u00a00.001")]
    public void A_sum_has_its_sign_or_its_code(string currency, int units, string words) =>
        MoneyWords.Format(new Money(units, Currency.Get(currency))).ShouldBe(words);
}
