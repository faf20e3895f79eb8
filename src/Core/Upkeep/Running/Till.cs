using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>What passes between the owner and one book.</summary>
internal sealed class Till(OfferBook book)
{
    public OfferBook Book => book;

    public Minor Balance { get; set; }

    /// <summary>By card, less what came back.</summary>
    public Minor ByCard { get; set; }

    public bool HasCharge { get; set; }

    public List<OpenBill> Open { get; } = [];

    /// <summary>As it was kept.</summary>
    /// <param name="lines">All lines of the state.</param>
    public static Till Restore(SellerAccount kept, OfferBook book, UpkeepLine[] lines)
    {
        var till = new Till(book)
        {
            Balance = kept.Balance,
            ByCard = kept.ByCard,
            HasCharge = kept.HasCharge,
        };
        till.Open.AddRange(
            kept.Open.Select(bill => new OpenBill(bill.Due, [.. bill.Lines.Select(place => lines[place])])
            {
                Attempts = bill.Attempts,
            })
        );
        return till;
    }

    /// <summary>As it is kept.</summary>
    /// <param name="places">Where each line stands in the state.</param>
    public SellerAccount Kept(Dictionary<UpkeepLine, int> places) =>
        new(
            book.Id,
            Balance,
            ByCard,
            HasCharge,
            [
                .. Open.Select(bill => new OpenBillThen(
                    bill.Due,
                    bill.Attempts,
                    [.. bill.Lines.Select(line => places[line])]
                )),
            ]
        );
}

/// <summary>A bill that is not paid yet.</summary>
internal sealed class OpenBill(DateOnly due, List<UpkeepLine> lines)
{
    /// <summary>On which days after the first an attempt is made again.</summary>
    private static readonly int[] Again = [0, 1, 3, 7];

    public DateOnly Due => due;

    public List<UpkeepLine> Lines => lines;

    public int Attempts { get; set; }

    /// <summary>The day of the next attempt; null: it is given up.</summary>
    public DateOnly? Next => Attempts < Again.Length ? due.AddDays(Again[Attempts]) : null;
}
