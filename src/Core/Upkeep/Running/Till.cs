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
