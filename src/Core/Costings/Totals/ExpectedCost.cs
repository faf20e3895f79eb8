using HomeStart.Core.Basics;

namespace HomeStart.Core.Costings;

/// <summary>
/// What the bills are expected to come to, given the chance that the site still runs a year on (costing rule 28): the
/// one place where floating point is right, a chance being no amount.
/// </summary>
internal sealed class ExpectedCost
{
    private readonly DateOnly _start;
    private readonly double _chance;

    /// <summary>The settings must hold the chance.</summary>
    public ExpectedCost(CountSettings settings) =>
        (_start, _chance) = (settings.StartDate, double.Parse(settings.KeepChancePercent!.Value.ToString()) / 100);

    /// <summary>In minor units of the display currency, before rounding.</summary>
    public static double WorkOut(Costing costing)
    {
        var chance = new ExpectedCost(costing.Settings);
        var expected = 0.0;
        for (var index = 0; index < costing.Counted.Length; index++)
        {
            expected += chance.WorkOut(costing.Values[index], costing.Counted[index].Date);
        }

        return expected;
    }

    /// <summary>The part of it that one bill adds.</summary>
    public double WorkOut(Minor value, DateOnly date) =>
        (double)value * Math.Pow(_chance, Months.WholeBetween(_start, date) / 12.0);
}
