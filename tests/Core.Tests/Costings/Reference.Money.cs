using System.Globalization;
using System.Numerics;
using System.Text.Json;

namespace HomeStart.Core.Tests;

/// <summary>Tax, currencies and amounts (costing rules 1 to 3 and 22 to 24).</summary>
internal sealed partial class Reference
{
    private bool Inclusive(string book) =>
        Flag(Get(Book(book), "tax"), "charged") == false || Flag(Get(Book(book), "tax"), "pricesInclude") == true;

    private (BigInteger Net, BigInteger Tax) Taxed(string? book, BigInteger sum)
    {
        if (book is null || Flag(Get(Book(book), "tax"), "charged") == false)
        {
            return (sum, 0);
        }

        if (Flag(Get(Book(book), "tax"), "pricesInclude") == true)
        {
            var net = (R.From(sum) * R.From(100) / (R.From(100) + _tax)).Round();
            return (net, sum - net);
        }

        return (sum, (R.From(sum) * _tax / R.From(100)).Round());
    }

    private BigInteger Counts(string? book, BigInteger sum)
    {
        var (net, tax) = Taxed(book, sum);
        return _countTax ? net + tax : net;
    }

    private BigInteger Value(Invoice bill) => Convert(Counts(bill.Book, bill.Sum), bill.Currency);

    private BigInteger Sum(IEnumerable<Invoice> bills) =>
        bills.Aggregate(BigInteger.Zero, (sum, bill) => sum + Value(bill));

    private R RateOf(string currency) =>
        currency == _display
            ? R.From(1)
            : R.From(Text(Get(Get(_request, "display")!.Value, "rates"), currency)!)
                * R.From(BigInteger.Pow(10, Decimals(_display)))
                / R.From(BigInteger.Pow(10, Decimals(currency)));

    private BigInteger Convert(BigInteger amount, string currency) => (R.From(amount) * RateOf(currency)).Round();

    private static bool Same(string left, string right) =>
        left.Length == right.Length
        && left.Zip(right)
            .All(pair =>
                pair.First == pair.Second
                || (
                    char.IsAsciiLetter(pair.First)
                    && char.IsAsciiLetter(pair.Second)
                    && (pair.First | 32) == (pair.Second | 32)
                )
            );

    private string Show(BigInteger units) => Show(units, _display);

    internal static string Show(BigInteger units, string? currency)
    {
        var decimals = Decimals(currency!);
        var digits = BigInteger.Abs(units).ToString(CultureInfo.InvariantCulture).PadLeft(decimals + 1, '0');
        return (units.Sign < 0 ? "-" : "") + (decimals == 0 ? digits : digits[..^decimals] + "." + digits[^decimals..]);
    }

    private static int Decimals(string currency) =>
        currency switch
        {
            "JPY" or "ISK" => 0,
            "BHD" or "KWD" => 3,
            "CLF" => 4,
            _ => 2,
        };

    private static BigInteger Minor(string amount, string currency) =>
        (R.From(amount) * R.From(BigInteger.Pow(10, Decimals(currency)))).Round();

    internal static BigInteger? Amount(JsonElement element, string field, JsonElement book) =>
        Text(element, field) is { } text ? Minor(text, Text(book, "currency")!) : null;
}
