using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>Something that is had: hosting, or a domain.</summary>
/// <param name="index">The domain's place in the candidate; -1: hosting.</param>
internal sealed class Held(string key, string reference, int index, OfferBook book)
{
    public string Key => key;

    /// <summary>The plan's id, or the domain written out.</summary>
    public string Ref { get; set; } = reference;

    public int Index => index;

    public bool IsHosting => index < 0;

    public OfferBook Book => book;

    public HoldingState State { get; set; } = HoldingState.Live;

    public bool Renews { get; set; } = true;

    /// <summary>d of its own line that is not paid; null: all is.</summary>
    public DateOnly? MissedOn { get; set; }

    /// <summary>Of hosting: what it comes to before the day is over; null: it stays as it is.</summary>
    public HoldingState? Next { get; set; }

    /// <summary>Of a domain: whether it was claimed after the order.</summary>
    public bool IsClaimed { get; init; }

    /// <summary>Of a domain: how long its states last.</summary>
    public LapseRule? Lapse { get; init; }

    public List<UpkeepLine> Lines { get; } = [];

    public bool IsOver => State is HoldingState.Left or HoldingState.Gone;

    /// <summary>The latest end of what was paid and not ended by a change.</summary>
    public DateOnly? PaidUntil =>
        Lines.Where(line => line is { IsOwn: true, Fate: LineFate.Paid, IsCut: false }).Max(line => line.Cover?.Until);

    /// <summary>As it is kept.</summary>
    public HoldingThen Kept() =>
        new(key, index, Ref, book.Id, State, Renews)
        {
            MissedOn = MissedOn,
            IsClaimed = IsClaimed,
            Lapse = Lapse,
        };

    /// <summary>As it was kept, without its lines.</summary>
    public static Held Restore(HoldingThen kept, OfferBook book) =>
        new(kept.Holding, kept.Ref, kept.Place, book)
        {
            State = kept.State,
            Renews = kept.Renews,
            MissedOn = kept.MissedOn,
            IsClaimed = kept.IsClaimed,
            Lapse = kept.Lapse,
        };

    public void Stop()
    {
        foreach (var line in Lines.Where(line => line.Fate != LineFate.Paid))
        {
            line.Fate = LineFate.Stopped;
        }
    }
}
