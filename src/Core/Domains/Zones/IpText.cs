using System.Globalization;

namespace HomeStart.Core.Domains;

/// <summary>
/// Addresses as records have them: IPv4 in four numbers, IPv6 in groups of hexadecimal digits (RFC 4291, 2.2), without
/// anything around them.
/// </summary>
public static class IpText
{
    private const int Groups = 8;

    /// <summary>Whether a text is an IPv4 address, without leading zeros.</summary>
    public static bool IsV4(string text) =>
        text.Split('.') is { Length: 4 } parts
        && Array.TrueForAll(parts, part =>
            part.Length is > 0 and <= 3
            && part.All(char.IsAsciiDigit)
            && (part.Length == 1 || part[0] != '0')
            && int.Parse(part, CultureInfo.InvariantCulture) <= 255
        );

    /// <summary>Whether a text is an IPv6 address; the form that ends in an IPv4 address is not taken.</summary>
    public static bool IsV6(string text)
    {
        var halves = text.Split("::");
        var groups = halves.SelectMany(half => half.Length == 0 ? [] : half.Split(':')).ToList();
        return groups.TrueForAll(group => group.Length is > 0 and <= 4 && group.All(char.IsAsciiHexDigit))
            && (halves.Length == 1 ? groups.Count == Groups : halves.Length == 2 && groups.Count < Groups);
    }
}
