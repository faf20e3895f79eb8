using System.Globalization;

namespace HomeStart.Counterparts;

/// <summary>
/// The standard rate of value added or sales tax that sellers charge a customer in a country, in percent. Elsewhere
/// they charge none.
/// </summary>
internal static class SalesTax
{
    private const string Rates =
        "GB 20 IE 23 FR 20 DE 19 AT 20 BE 21 BG 20 CY 19 CZ 21 DK 25 EE 24 ES 21 FI 25.5 GR 24 HR 25 HU 27 IT "
        + "22 LT 21 LU 17 LV 21 MT 18 NL 21 PL 23 PT 23 RO 21 SE 25 SI 22 SK 23 "
        + "NO 25 CH 8.1 IS 24 AU 10 NZ 15 JP 10 ZA 15 IN 18 SG 9";

    private static readonly Dictionary<string, ExactDecimal> ByCountry = Rates
        .Split(' ')
        .Chunk(2)
        .ToDictionary(
            pair => pair[0],
            pair =>
                ExactDecimal.TryParse(pair[1], out var rate)
                    ? rate
                    : throw new FormatException(string.Create(CultureInfo.InvariantCulture, $"{pair[1]} is no rate.")),
            StringComparer.Ordinal
        );

    public static ExactDecimal PercentIn(string country) => ByCountry.GetValueOrDefault(country, ExactDecimal.Whole(0));
}
