using HomeStart.Core.Basics;

namespace HomeStart.Core.Costings;

/// <summary>What is paid for days after the end of the horizon (costing rule 27).</summary>
internal static class Unused
{
    public static Minor Count(Costing costing)
    {
        Minor unused = 0;
        foreach (var bill in costing.Counted)
        {
            foreach (var line in bill.Charged)
            {
                if (line.Cover is { } cover && cover.Until > costing.End)
                {
                    var left = new Fraction(cover.DaysFrom(costing.End), cover.Days).Of(line.AfterDiscounts);
                    unused += costing.Counting.Convert(costing.Counting.Counts(bill.Book, left), bill.Currency);
                }
            }
        }

        return unused;
    }
}
