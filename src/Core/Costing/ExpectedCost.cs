namespace HomeStart.Core;

/// <summary>
/// What the bills are expected to come to, given the chance that the site still runs a year on (costing rule 28): the one place where floating point is right, a chance
/// being no amount.
/// </summary>
internal static class ExpectedCost
{
    /// <summary>In minor units of the display currency, before rounding. The settings must hold the chance.</summary>
    public static double Of(Costing costing)
    {
        var chance = double.Parse(costing.Settings.KeepChancePercent!.Value.ToString()) / 100;
        return costing.Counted.Sum(bill => (double)costing.ValueOf(bill) * Math.Pow(chance, Months.WholeBetween(costing.Settings.StartDate, bill.Date) / 12.0));
    }
}
