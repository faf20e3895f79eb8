using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>The bills from one place in the run to a date, together.</summary>
internal readonly record struct BillSpan(int Bills, Minor Total, bool IsAtLeast)
{
    /// <param name="book">Only the bills of this book; null: of all.</param>
    public static BillSpan Measure(Costing costing, int first, DateOnly before, OfferBook? book = null)
    {
        var bills = costing.Run.Bills;
        var index = first;
        Minor total = 0;
        var isAtLeast = false;
        for (; index < bills.Length && bills[index].Date < before; index++)
        {
            if (book is null || ReferenceEquals(bills[index].Book, book))
            {
                total += index < costing.Values.Length ? costing.Values[index] : costing.ValueOf(bills[index]);
                isAtLeast |= bills[index].IsAtLeast;
            }
        }

        return new BillSpan(index - first, total, isAtLeast);
    }
}
