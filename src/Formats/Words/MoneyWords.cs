using System.Collections.Frozen;

namespace HomeStart.Formats.Words;

/// <summary>
/// Sums as a British reader has them, alike on every page, letter and sheet; the client writes them the same way
/// (<c>format/money.ts</c>).
/// </summary>
public static class MoneyWords
{
    // Those that the fonts of letters and sheets have; the others go by their code.
    private static readonly FrozenDictionary<string, string> Signs = new Dictionary<string, string>
    {
        ["GBP"] = "£",
        ["EUR"] = "€",
        ["USD"] = "US$",
        ["AUD"] = "A$",
        ["BRL"] = "R$",
        ["CAD"] = "CA$",
        ["CNY"] = "CN¥",
        ["HKD"] = "HK$",
        ["JPY"] = "JP¥",
        ["MXN"] = "MX$",
        ["NZD"] = "NZ$",
        ["TWD"] = "NT$",
        ["XCD"] = "EC$",
    }.ToFrozenDictionary();

    /// <summary>"£65.15", "US$1,200.00", "CHF 8.50" with a space that does not break.</summary>
    public static string Format(Money money)
    {
        var sign = Signs.GetValueOrDefault(money.Currency.Code, money.Currency.Code + "\u00a0");
        var amount = money.ToAmount().TrimStart('-');
        var dot = amount.IndexOf('.', StringComparison.Ordinal) is var at and >= 0 ? at : amount.Length;
        var whole = string.Join(
            ',',
            Enumerable
                .Range(0, (dot + 2) / 3)
                .Reverse()
                .Select(group => amount[Math.Max(0, dot - (3 * (group + 1)))..(dot - (3 * group))])
        );
        return $"{(money.Units < 0 ? "−" : "")}{sign}{whole}{amount[dot..]}";
    }
}
