using System.Collections.Frozen;

namespace HomeStart.Core.Pages;

/// <summary>Signs and codes of currencies as pages print them, and which currencies each can mean.</summary>
internal static class CurrencySigns
{
    /// <summary>A sign, in a pattern.</summary>
    public const string Sign =
        @"US\$|AU\$|A\$|CA\$|C\$|NZ\$|HK\$|S\$|R\$|MX\$|NT\$|£|€|\$|₹|₩|¥|₱|₺|₪|₫|₴|฿|₦|zł|Kč|kr\.?(?!\p{L})"
        + @"|Fr\.|Rs\.?(?!\p{L})|RM(?=\s?[0-9])|Rp\.?(?=\s?[0-9])|R(?=\s?[0-9])|Ft(?!\p{L})|lei(?!\p{L})|лв\.?";

    /// <summary>A name behind an amount, in a pattern: "54 euro".</summary>
    public const string Name = @"(?:[Ee]uros?|[Pp]ounds?(?: sterling)?|[Dd]ollars?|[Kk]ronor)(?!\p{L})";

    /// <summary>A code, in a pattern.</summary>
    public const string Code =
        "GBP|EUR|USD|AUD|CAD|NZD|CHF|SEK|NOK|DKK|ISK|PLN|CZK|HUF|RON|BGN|INR|PKR|LKR|BDT|JPY|CNY|KRW|TWD|SGD|HKD|MYR|IDR|THB|VND|ZAR|NGN|KES|GHS|EGP|BRL|MXN|ARS|CLP|ILS|UAH|AED|SAR";

    /// <summary>Every code that is read.</summary>
    public static readonly FrozenSet<string> Codes = Code.Split('|').ToFrozenSet(StringComparer.Ordinal);

    private static readonly FrozenDictionary<string, string> Sure = new Dictionary<string, string>
    {
        ["£"] = "GBP",
        ["€"] = "EUR",
        ["₹"] = "INR",
        ["₩"] = "KRW",
        ["₱"] = "PHP",
        ["₺"] = "TRY",
        ["₪"] = "ILS",
        ["₫"] = "VND",
        ["₴"] = "UAH",
        ["฿"] = "THB",
        ["₦"] = "NGN",
        ["zł"] = "PLN",
        ["Kč"] = "CZK",
        ["Ft"] = "HUF",
        ["лв"] = "BGN",
        ["Fr"] = "CHF",
        ["RM"] = "MYR",
        ["Rp"] = "IDR",
        ["US$"] = "USD",
        ["A$"] = "AUD",
        ["AU$"] = "AUD",
        ["C$"] = "CAD",
        ["CA$"] = "CAD",
        ["NZ$"] = "NZD",
        ["HK$"] = "HKD",
        ["S$"] = "SGD",
        ["R$"] = "BRL",
        ["MX$"] = "MXN",
        ["NT$"] = "TWD",
        ["R"] = "ZAR",
        ["euro"] = "EUR",
        ["euros"] = "EUR",
        ["pound"] = "GBP",
        ["pounds"] = "GBP",
        ["pounds sterling"] = "GBP",
        ["kronor"] = "SEK",
    }.ToFrozenDictionary(StringComparer.Ordinal);

    private static readonly FrozenDictionary<string, FrozenSet<string>> Shared = new Dictionary<
        string,
        FrozenSet<string>
    >
    {
        ["$"] = FrozenSet.ToFrozenSet(
            ["USD", "AUD", "CAD", "NZD", "SGD", "HKD", "MXN", "TWD", "ARS", "CLP", "COP"],
            StringComparer.Ordinal
        ),
        ["dollar"] = FrozenSet.ToFrozenSet(["USD", "AUD", "CAD", "NZD", "SGD", "HKD"], StringComparer.Ordinal),
        ["dollars"] = FrozenSet.ToFrozenSet(["USD", "AUD", "CAD", "NZD", "SGD", "HKD"], StringComparer.Ordinal),
        ["kr"] = FrozenSet.ToFrozenSet(["SEK", "NOK", "DKK", "ISK"], StringComparer.Ordinal),
        ["¥"] = FrozenSet.ToFrozenSet(["JPY", "CNY"], StringComparer.Ordinal),
        ["Rs"] = FrozenSet.ToFrozenSet(["INR", "PKR", "LKR"], StringComparer.Ordinal),
        ["lei"] = FrozenSet.ToFrozenSet(["RON"], StringComparer.Ordinal),
    }.ToFrozenDictionary(StringComparer.Ordinal);

    /// <summary>The code of a sign or code; null where it can mean several, or none.</summary>
    public static string? CodeOf(string sign) =>
        sign.TrimEnd('.') is var bare && Sure.TryGetValue(bare, out var code)
        || (bare.Length > 3 && Sure.TryGetValue(bare.ToLowerInvariant(), out code))
            ? code
        : Codes.Contains(bare) ? bare
        : null;

    /// <summary>Whether a sign can mean a currency; where there is no sign, any is possible.</summary>
    public static bool MayBe(string sign, string code) =>
        sign.TrimEnd('.') is var bare
        && (
            bare.Length == 0
            || (
                Shared.TryGetValue(bare.Length > 3 ? bare.ToLowerInvariant() : bare, out var codes)
                && codes.Contains(code)
            )
            || CodeOf(bare) == code
        );
}
