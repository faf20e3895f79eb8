using HomeStart.Core.Basics;
using HomeStart.Core.Costings;

namespace HomeStart.Core.Worksheets;

/// <summary>A costing in the figures of one sentence: today, what follows, the whole.</summary>
/// <param name="EachLaterYear">What each year after the first comes to, where all whole ones come to the same; else
/// null.</param>
/// <param name="StepTimes">How many times its first price the plan costs after the step, to one decimal; null without a
/// step or where the later price is not stated.</param>
public sealed record Summary(Sum Today, Sum RestOfFirstYear, Sum? EachLaterYear, Sum Horizon, string? StepTimes)
{
    /// <summary>The figures of a costing's sentence.</summary>
    public static Summary Summarise(Costing costing)
    {
        var columns = costing.Ledger.Sums;
        var later = columns.Skip(2).ToList();
        var same =
            later.Count > 0 && later.TrueForAll(year => year == later[0]) && costing.Settings.HorizonMonths % 12 == 0;
        return new Summary(
            columns[0],
            columns[1],
            same ? later[0] : null,
            new Sum(costing.Totals.Horizon, costing.Totals.AtLeast.Horizon),
            Times(costing.Totals.PriceStep)
        );
    }

    private static string? Times(PriceStepUp? step)
    {
        if (step is not { To: { } to } || step.From.Units == 0)
        {
            return null;
        }

        var tenths = new Fraction(10, (System.Numerics.BigInteger)step.From.Units).Of(to.Units);
        return tenths % 10 == 0 ? $"{tenths / 10}" : $"{tenths / 10}.{tenths % 10}";
    }
}
