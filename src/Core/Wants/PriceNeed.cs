using HomeStart.Core.Offers;

namespace HomeStart.Core.Wants;

/// <summary>The need that a plan's price stays the same: it bars ways to pay, not plans (scan rule 5).</summary>
internal static class PriceNeed
{
    /// <summary>Its name among the needs.</summary>
    public const string Name = "samePrice";

    /// <summary>
    /// Whether every plan charge that falls within <paramref name="months"/> of the start has the first one's price. A
    /// charge whose price is not stated fails, unless the needs accept what is not stated.
    /// </summary>
    public static bool IsMet(Needs needs, BillingOption option, int months)
    {
        if (!needs.SamePrice)
        {
            return true;
        }

        var first = option.Prices.At(0);
        return Enumerable
            .Range(0, months)
            .TakeWhile(charge => option.MonthsTo(charge) < months)
            .Select(option.Prices.At)
            .All(price => price.IsStated ? price == first : needs.AcceptUnknown);
    }

    /// <summary>
    /// Why a way to pay is out. What it costs later is told by its price step, so that nothing is given as had.
    /// </summary>
    public static readonly Reason Unmet = new(Name, null, new ReasonValue(Flag: true));
}
