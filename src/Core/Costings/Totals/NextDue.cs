using System.Collections.Immutable;

namespace HomeStart.Core.Costings;

/// <param name="Bills">The bills of that date.</param>
public sealed record NextDue(DateOnly Date, Minor Total, bool AtLeast, ImmutableArray<Bill> Bills)
{
    /// <summary>Null: nothing falls due any more.</summary>
    internal static NextDue? Find(Costing costing)
    {
        var bills = BillsOf(costing.Run.Bills, costing.Counted.Length, costing.Counting);
        return bills.IsEmpty
            ? null
            : new NextDue(
                bills[0].Date,
                bills.Aggregate((Minor)0, (sum, bill) => sum + costing.ValueOf(bill)),
                bills.Any(bill => bill.IsAtLeast),
                bills
            );
    }

    /// <summary>
    /// The bills of the first date, from a place in the run on, on which anything is due; empty: there is none.
    /// </summary>
    internal static ImmutableArray<Bill> BillsOf(ImmutableArray<Bill> bills, int from, Counting counting)
    {
        for (var index = from; index < bills.Length; index++)
        {
            // A sum may count nothing once converted, and is due all the same.
            if (bills[index].IsAtLeast || counting.Counts(bills[index].Book, bills[index].Sum) != 0)
            {
                return OfDate(bills[index].Date);
            }
        }

        return [];

        ImmutableArray<Bill> OfDate(DateOnly date)
        {
            var first = from;
            while (bills[first].Date < date)
            {
                first++;
            }

            var end = first;
            while (end < bills.Length && bills[end].Date == date)
            {
                end++;
            }

            return bills[first..end];
        }
    }
}
