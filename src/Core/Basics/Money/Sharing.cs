using System.Numerics;

namespace HomeStart.Core.Basics;

/// <summary>Sharing a whole number of minor units over parts so that nothing is lost (costing rule 20).</summary>
public static class Sharing
{
    /// <summary>
    /// Shares <paramref name="total"/> in proportion to <paramref name="weights"/>: each exact part is rounded towards
    /// minus infinity, the units left over go one each to the largest remainders, ties to the earlier part. Weights may
    /// be below zero, as a discount's row is; their sum must be above zero.
    /// </summary>
    /// <exception cref="ArgumentException">The weights add up to zero or less.</exception>
    public static Minor[] InProportion(Minor total, IReadOnlyList<Minor> weights)
    {
        var sum = weights.Aggregate((Minor)0, (so, weight) => so + weight);
        if (sum <= 0)
        {
            throw new ArgumentException("The weights must add up to more than zero.", nameof(weights));
        }

        return total == sum
            ? [.. weights]
            : Settle(total, weights.Select(weight => (BigInteger)total * (BigInteger)weight), (BigInteger)sum);
    }

    /// <summary>
    /// The weights themselves, converted by <paramref name="rate"/> and settled so that they add up to nothing, as the
    /// weights do (the last sentence of costing rule 30).
    /// </summary>
    public static Minor[] ToNothing(IReadOnlyList<Minor> weights, Fraction rate) =>
        Settle(0, weights.Select(weight => rate.Numerator * (BigInteger)weight), rate.Denominator);

    private static Minor[] Settle(Minor total, IEnumerable<BigInteger> numerators, BigInteger denominator)
    {
        var parts = numerators.Select(numerator => FloorDivide(numerator, denominator)).ToArray();
        var shares = parts.Select(part => (Minor)part.Floor).ToArray();
        var left = (int)(total - shares.Aggregate((Minor)0, (so, share) => so + share));
        foreach (
            var index in Enumerable.Range(0, parts.Length).OrderByDescending(index => parts[index].Remainder).Take(left)
        )
        {
            shares[index]++;
        }

        return shares;
    }

    private static (BigInteger Floor, BigInteger Remainder) FloorDivide(BigInteger numerator, BigInteger denominator)
    {
        var floor = BigInteger.DivRem(numerator, denominator, out var remainder);
        return remainder.Sign < 0 ? (floor - 1, remainder + denominator) : (floor, remainder);
    }
}
