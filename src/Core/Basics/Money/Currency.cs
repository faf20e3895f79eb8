using System.Collections.Frozen;
using System.Diagnostics.CodeAnalysis;

namespace HomeStart.Core.Basics;

/// <summary>An active ISO 4217 currency and the decimals its minor unit has (costing rule 1).</summary>
public sealed record Currency
{
    private const string WithoutDecimals = "BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF";
    private const string WithThree = "BHD IQD JOD KWD LYD OMR TND";
    private const string WithFour = "CLF UYW";

    // BGN left circulation in January 2026; older books still state prices in it.
    private const string WithTwo =
        "AED AFN ALL AMD AOA ARS AUD AWG AZN BAM BBD BDT BGN BMD BND BOB BOV BRL BSD BTN BWP BYN BZD CAD CDF "
        + "CHE CHF CHW CNY COP COU CRC CUP CVE CZK "
        + "DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GTQ GYD HKD HNL HTG HUF IDR ILS INR IRR JMD "
        + "KES KGS KHR KPW KYD KZT LAK LBP LKR LRD "
        + "LSL MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR MWK MXN MXV MYR MZN NAD NGN NIO NOK NPR NZD PAB PEN PGK "
        + "PHP PKR PLN QAR RON RSD RUB SAR SBD SCR "
        + "SDG SEK SGD SHP SLE SOS SRD SSP STN SVC SYP SZL THB TJS TMT TOP TRY TTD TWD TZS UAH USD USN UYU UZS "
        + "VED VES WST XCD XCG YER ZAR ZMW ZWG";

    private static readonly FrozenDictionary<string, Currency> Active = All()
        .ToFrozenDictionary(currency => currency.Code);

    private Currency(string code, int decimals) => (Code, Decimals) = (code, decimals);

    /// <summary>The codes of all, in their order.</summary>
    public static IReadOnlyList<string> Codes { get; } = [.. Active.Keys.Order(StringComparer.Ordinal)];

    /// <summary>Three capital letters.</summary>
    public string Code { get; }

    /// <summary>How many decimals an amount of it is written with: 0, 2, 3 or 4.</summary>
    public int Decimals { get; }

    /// <summary>Finds the currency of a code; false where no active currency has it.</summary>
    public static bool TryGet(string? code, [NotNullWhen(true)] out Currency? currency)
    {
        currency = null;
        return code is not null && Active.TryGetValue(code, out currency);
    }

    /// <summary>The currency of a code known to be active.</summary>
    /// <exception cref="ArgumentException">No active currency has the code.</exception>
    public static Currency Get(string code) =>
        TryGet(code, out var currency)
            ? currency
            : throw new ArgumentException($"{code} is not an active currency.", nameof(code));

    /// <summary>Its code.</summary>
    public override string ToString() => Code;

    private static IEnumerable<Currency> All() =>
        new[] { (WithoutDecimals, 0), (WithTwo, 2), (WithThree, 3), (WithFour, 4) }.SelectMany(group =>
            group.Item1.Split(' ').Select(code => new Currency(code, group.Item2))
        );
}
