using System.Text.RegularExpressions;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Pages;

/// <summary>Tells the currency of a page.</summary>
internal static partial class PageCurrency
{
    [GeneratedRegex("£|€|₹|zł|Kč", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex OwnSign { get; }

    [GeneratedRegex(@"(?<!\p{L})(?:US|AU|A|CA|C|NZ|HK|S|MX|NT)\$(?!\s?[0-9])", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex BareSign { get; }

    private static readonly (string Name, string Code)[] CurrencyNames =
    [
        ("us dollar", "USD"),
        ("american dollar", "USD"),
        ("u.s. dollar", "USD"),
        ("australian dollar", "AUD"),
        ("canadian dollar", "CAD"),
        ("new zealand dollar", "NZD"),
        ("singapore dollar", "SGD"),
        ("hong kong dollar", "HKD"),
        ("pounds sterling", "GBP"),
        ("british pound", "GBP"),
        ("euros", "EUR"),
        ("in euro", "EUR"),
        ("swiss franc", "CHF"),
        ("swedish kron", "SEK"),
        ("norwegian kron", "NOK"),
        ("danish kron", "DKK"),
        ("indian rupee", "INR"),
        ("czech", "CZK"),
        ("polish zł", "PLN"),
        ("zlot", "PLN"),
        ("japanese yen", "JPY"),
        ("south african rand", "ZAR"),
        ("malaysian ringgit", "MYR"),
        ("philippine peso", "PHP"),
        ("mexican peso", "MXN"),
        ("turkish lira", "TRY"),
        ("hungarian forint", "HUF"),
        ("romanian lei", "RON"),
    ];

    [GeneratedRegex($@"\b(?:{CurrencySigns.Code})\b", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Code { get; }

    /// <summary>The places of a currency; 2 where it is not known.</summary>
    public static int DecimalsOf(string? code) =>
        code is not null && Currency.TryGet(code, out var currency) ? currency.Decimals : 2;

    /// <summary>The currency of the page: of most plan prices, of equals the first printed.</summary>
    public static (string? Currency, PageSpan At) Of(
        IReadOnlyList<Line> lines,
        IReadOnlyList<PageAmount> prices,
        IReadOnlyList<PageAmount> all
    )
    {
        // Where prices have a sign that can mean several currencies, another amount's sign says nothing of them unless
        // it can be the same.
        var signs = prices
            .Where(price => price.Currency is null)
            .Select(price => price.Sign)
            .Distinct(StringComparer.Ordinal)
            .ToList();
        foreach (var amounts in new[] { prices, all })
        {
            var known = amounts
                .Where(amount =>
                    amount.Currency is { } code && signs.TrueForAll(sign => CurrencySigns.MayBe(sign, code))
                )
                .ToList();
            if (known.Count > 0)
            {
                var most = known
                    .GroupBy(amount => amount.Currency)
                    .OrderByDescending(group => group.Count())
                    .ThenBy(group => group.Min(amount => amount.At.From))
                    .First();
                if (most.Count() * 2 >= amounts.Count(amount => amount.Sign.Length > 0))
                {
                    return (most.Key, most.First().At);
                }
            }
        }

        // "$" and "kr" alone, where the page says once whose they are; or figures without any sign.
        var sign = (prices.Concat(all).FirstOrDefault(amount => amount.Sign.Length > 0)?.Sign ?? "").TrimEnd('.');
        var said = new List<(string Code, PageSpan At)>();
        foreach (var line in lines.Where(line => line.Words.Length < 500))
        {
            foreach (Match match in Code.Matches(line.Words))
            {
                said.Add((match.Value, new PageSpan(line.From + match.Index, line.From + match.Index + match.Length)));
            }

            foreach (Match match in BareSign.Matches(line.Words))
            {
                said.Add(
                    (
                        CurrencySigns.CodeOf(match.Value)!,
                        new PageSpan(line.From + match.Index, line.From + match.Index + match.Length)
                    )
                );
            }

            foreach (var (name, code) in CurrencyNames)
            {
                if (line.Words.IndexOf(name, StringComparison.OrdinalIgnoreCase) is var at and >= 0)
                {
                    said.Add((code, new PageSpan(line.From + at, line.From + at + name.Length)));
                }
            }

            if (sign.Length == 0)
            {
                foreach (Match match in OwnSign.Matches(line.Words))
                {
                    said.Add(
                        (
                            CurrencySigns.CodeOf(match.Value)!,
                            new PageSpan(line.From + match.Index, line.From + match.Index + match.Length)
                        )
                    );
                }
            }
        }

        var fitting = said.Where(one => CurrencySigns.MayBe(sign, one.Code)).ToList();
        return fitting.Select(one => one.Code).Distinct(StringComparer.Ordinal).Count() == 1
            ? fitting[0]
            : (null, default);
    }
}
