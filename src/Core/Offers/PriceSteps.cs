using System.Collections.Immutable;

namespace HomeStart.Core.Offers;

/// <summary>
/// A price over time (costing rule 4): each step holds for its periods, the last one for good. A null amount is not
/// stated.
/// </summary>
public sealed class PriceSteps
{
    private readonly ImmutableArray<PriceStep> _steps;

    /// <summary>
    /// Steps that passed <see cref="BookRules"/>: at least one, the last without periods, the others with at least one.
    /// </summary>
    public PriceSteps(ImmutableArray<PriceStep> steps) => _steps = steps;

    /// <summary>The first first; the last has no end.</summary>
    public ImmutableArray<PriceStep> Steps => _steps;

    /// <summary>The price of the period with this number, counted from 0.</summary>
    public Price At(int period)
    {
        long end = 0;
        foreach (var step in _steps)
        {
            end += step.Periods ?? int.MaxValue;
            if (period < end)
            {
                return Price.FromUnits(step.Units);
            }
        }

        return Price.FromUnits(_steps[^1].Units);
    }

    /// <summary>The first period whose price differs, with its price; null: none does.</summary>
    public (int Period, Price Price)? FirstOtherThan(Price price)
    {
        long begin = 0;
        foreach (var step in _steps)
        {
            if (Price.FromUnits(step.Units) != price && begin <= int.MaxValue)
            {
                return ((int)begin, Price.FromUnits(step.Units));
            }

            begin += step.Periods ?? 0;
        }

        return null;
    }

    /// <summary>The prices of <paramref name="count"/> periods from <paramref name="first"/> on, added.</summary>
    public Price Sum(int first, int count)
    {
        var sum = Price.Nothing;
        long begin = 0;
        foreach (var step in _steps)
        {
            var end = step.Periods is { } periods ? begin + periods : long.MaxValue;
            var within = Math.Min(end, (long)first + count) - Math.Max(begin, first);
            if (within > 0)
            {
                sum += Price.FromUnits(step.Units).Times((int)within);
            }

            begin = end;
        }

        return sum;
    }
}

/// <summary>One step: <paramref name="Units"/> a period for so many periods; null periods: from here on.</summary>
public readonly record struct PriceStep(int? Periods, Minor? Units);

/// <summary>
/// A price in minor units, and whether every part of it is stated. An unstated part counts as zero (costing rule 4).
/// </summary>
public readonly record struct Price(Minor Units, bool IsStated)
{
    /// <summary>Stated to be nothing.</summary>
    public static readonly Price Nothing = new(0, IsStated: true);

    /// <summary>A price that is stated, or null for one that is not.</summary>
    public static Price FromUnits(Minor? units) => units is { } stated ? new Price(stated, true) : new Price(0, false);

    /// <summary>Both together: stated where both are.</summary>
    public static Price operator +(Price left, Price right) =>
        new(left.Units + right.Units, left.IsStated && right.IsStated);

    /// <summary>So many of it; none of it is nothing, stated or not.</summary>
    public Price Times(int count) => count == 0 ? Nothing : this with { Units = Units * count };

    /// <summary>The units; null where it is not stated.</summary>
    public Minor? OrNull => IsStated ? Units : null;
}
