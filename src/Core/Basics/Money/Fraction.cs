using System.Numerics;

namespace HomeStart.Core.Basics;

/// <summary>
/// A fixed factor of amounts, <c>numerator / denominator</c> with both above or equal to zero: a percentage, a rate, a
/// share of days. Built once, applied to many amounts; each application is exact and rounded once, half away from zero
/// (costing rule 2).
/// </summary>
public readonly struct Fraction
{
    private readonly BigInteger _numerator;
    private readonly BigInteger _denominator;

    // Set where both fit comfortably in 62 bits: the common case then needs no big integers. Zero denominator: does not
    // fit.
    private readonly long _smallNumerator;
    private readonly long _smallDenominator;

    /// <exception cref="ArgumentOutOfRangeException">The denominator is not above zero.</exception>
    public Fraction(BigInteger numerator, BigInteger denominator)
    {
        ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(denominator, BigInteger.Zero);
        (_numerator, _denominator) = (numerator, denominator);
        if (BigInteger.Abs(numerator) < int.MaxValue && denominator < long.MaxValue / 2)
        {
            (_smallNumerator, _smallDenominator) = ((long)numerator, (long)denominator);
        }
    }

    /// <summary>A percentage: 8.875 is 8875 / 100000.</summary>
    public static Fraction OfPercent(ExactDecimal percent) =>
        new(percent.Mantissa, 100 * BigInteger.Pow(10, percent.Scale));

    /// <summary>
    /// What turns minor units of one currency into minor units of another at a rate given for major units (costing rule
    /// 24).
    /// </summary>
    public static Fraction OfRate(ExactDecimal rate, Currency from, Currency to) =>
        new(rate.Mantissa * BigInteger.Pow(10, to.Decimals), BigInteger.Pow(10, rate.Scale + from.Decimals));

    /// <summary>The part that is net of a price with tax inside: 100 / (100 + rate) (costing rule 22).</summary>
    public static Fraction NetOfInclusive(ExactDecimal taxPercent)
    {
        var hundred = 100 * BigInteger.Pow(10, taxPercent.Scale);
        return new Fraction(hundred, hundred + taxPercent.Mantissa);
    }

    internal BigInteger Numerator => _numerator;

    internal BigInteger Denominator => _denominator;

    /// <summary>The amount times this fraction, rounded half away from zero.</summary>
    public Minor Of(Minor amount)
    {
        if (_smallDenominator != 0 && amount < int.MaxValue && amount > -int.MaxValue)
        {
            var product = (long)amount * _smallNumerator;
            var (quotient, remainder) = Math.DivRem(product, _smallDenominator);
            return Math.Abs(remainder) * 2 >= _smallDenominator ? quotient + Math.Sign(product) : quotient;
        }

        return (Minor)RoundedDivide(_numerator * (BigInteger)amount, _denominator);
    }

    private static BigInteger RoundedDivide(BigInteger numerator, BigInteger denominator)
    {
        var quotient = BigInteger.DivRem(numerator, denominator, out var remainder);
        return BigInteger.Abs(remainder) * 2 >= denominator ? quotient + numerator.Sign : quotient;
    }
}
