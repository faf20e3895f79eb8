using System.Numerics;

namespace HomeStart.Core.Basics;

/// <summary>
/// A decimal number that is not below zero, held exactly as <c>Mantissa / 10^Scale</c>: percentages and currency rates
/// are used as written, never as floating point (costing rule 2).
/// </summary>
public readonly record struct ExactDecimal
{
    /// <summary>The longest text read; a longer one is no number an owner or a book would state.</summary>
    public const int LongestText = 40;

    private ExactDecimal(BigInteger mantissa, int scale) => (Mantissa, Scale) = (mantissa, scale);

    /// <summary>The digits without the point; never below zero.</summary>
    public BigInteger Mantissa { get; }

    /// <summary>How many decimals were written.</summary>
    public int Scale { get; }

    /// <summary>Whether it is nothing.</summary>
    public bool IsZero => Mantissa.IsZero;

    /// <summary>A whole number, not below zero.</summary>
    public static ExactDecimal Whole(int number) => new(number, 0);

    /// <summary>
    /// Reads ASCII digits with at most one point that has digits on both sides; no sign, no exponent, no white space.
    /// </summary>
    public static bool TryParse(string? text, out ExactDecimal number)
    {
        number = default;
        if (string.IsNullOrEmpty(text) || text.Length > LongestText)
        {
            return false;
        }

        var mantissa = BigInteger.Zero;
        var point = -1;
        for (var i = 0; i < text.Length; i++)
        {
            if (text[i] == '.' && point < 0 && i > 0 && i < text.Length - 1)
            {
                point = i;
            }
            else if (char.IsAsciiDigit(text[i]))
            {
                mantissa = (mantissa * 10) + (text[i] - '0');
            }
            else
            {
                return false;
            }
        }

        number = new ExactDecimal(mantissa, point < 0 ? 0 : text.Length - 1 - point);
        return true;
    }

    /// <summary>Whether it is not above a whole number.</summary>
    public bool IsAtMost(int limit) => Mantissa <= limit * BigInteger.Pow(10, Scale);

    /// <summary>This × 10^<paramref name="power"/>, or null where that is over 10^30.</summary>
    internal Minor? TryTimesPowerOfTen(int power)
    {
        var value = Mantissa * BigInteger.Pow(10, power - Scale);
        return value > BigInteger.Pow(10, 30) ? null : (Minor)value;
    }

    /// <summary>As it was written, zeros behind the point kept: "47.40".</summary>
    public override string ToString()
    {
        var digits = Mantissa.ToString().PadLeft(Scale + 1, '0');
        return Scale == 0 ? digits : $"{digits[..^Scale]}.{digits[^Scale..]}";
    }
}
