using System.Collections.Immutable;

namespace HomeStart.Core.Ordering;

/// <summary>A country an order can come from, and what an address there holds.</summary>
/// <param name="Code">ISO 3166, two capital letters.</param>
/// <param name="AsksPostcode">Whether addresses have a postcode.</param>
/// <param name="AsksState">Whether an address is not whole without its state or province.</param>
public sealed record Country(string Code, bool AsksPostcode, bool AsksState);

/// <summary>The countries orders can come from.</summary>
public static class Countries
{
    private static readonly ImmutableHashSet<string> WithoutPostcode = ["AE", "HK"];
    private static readonly ImmutableHashSet<string> WithState = ["AU", "CA", "IN", "US"];

    /// <summary>In the order of their codes.</summary>
    public static readonly ImmutableArray<Country> All =
    [
        .. (
            "AE AT AU BE BG CA CH CY CZ DE DK EE ES FI FR GB GR HK HR HU IE IN IS IT JP LT LU LV MT NL NO NZ PL PT "
            + "RO SE SG SI SK TR UA US ZA"
        )
            .Split(' ')
            .Select(code => new Country(code, !WithoutPostcode.Contains(code), WithState.Contains(code))),
    ];

    /// <summary>
    /// What an address in a country holds; one that is not known is asked for a postcode and no state.
    /// </summary>
    public static Country Get(string code) =>
        All.FirstOrDefault(country => country.Code == code) ?? new Country(code, AsksPostcode: true, AsksState: false);
}
