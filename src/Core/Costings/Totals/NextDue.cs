using System.Collections.Immutable;

namespace HomeStart.Core.Costings;

/// <param name="Bills">The bills of that date.</param>
public sealed record NextDue(DateOnly Date, Minor Total, bool AtLeast, ImmutableArray<Bill> Bills)
{
    /// <summary>Null: nothing falls due any more.</summary>
    internal static NextDue? Of(Costing costing)
    {
        var bills = costing.Run.Bills;
        for (var index = costing.Counted.Length; index < bills.Length; index++)
        {
            // A sum may count nothing once converted, and is due all the same.
            if (bills[index].IsAtLeast || costing.Counting.Counts(bills[index].Book, bills[index].Sum) != 0)
            {
                return On(bills[index].Date);
            }
        }

        return null;

        NextDue On(DateOnly date)
        {
            var first = costing.Counted.Length;
            while (bills[first].Date < date)
            {
                first++;
            }

            var due = BillSpan.Of(costing, first, date.AddDays(1));
            return new NextDue(date, due.Total, due.IsAtLeast, bills.Slice(first, due.Bills));
        }
    }
}
