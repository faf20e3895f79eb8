using HomeStart.Core.Costings;
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

    /// <summary>Of hosting: what it comes to at the end of the day; null: it stays as it is.</summary>
    public HoldingState? Next { get; set; }

    /// <summary>Of a domain: whether it was claimed after the order.</summary>
    public bool IsClaimed { get; init; }

    /// <summary>Of a domain: how long its states last.</summary>
    public LapseRule? Lapse { get; init; }

    public List<UpkeepLine> Lines { get; } = [];

    public bool IsOver => State is HoldingState.Left or HoldingState.Gone;

    /// <summary>The latest end of what was paid and not ended by a change.</summary>
    public DateOnly? PaidUntil => Lines.Where(line => line is { IsOwn: true, Fate: LineFate.Paid, IsCut: false }).Max(line => line.Cover?.Until);

    public void Stop()
    {
        foreach (var line in Lines.Where(line => line.Fate != LineFate.Paid))
        {
            line.Fate = LineFate.Stopped;
        }
    }
}

/// <summary>The hosting as it is had now, and what was had of it.</summary>
internal sealed class HeldHosting(Held held, BoughtHosting bought, DateOnly start)
{
    public Held Held => held;

    public Plan Plan { get; set; } = bought.Plan;

    public BillingOption Option { get; set; } = bought.Option;

    public DataCentre? DataCentre => bought.DataCentre;

    /// <summary>The plans that were had: none of them is new again.</summary>
    public HashSet<string> PlansHad { get; } = [bought.Plan.Id];

    /// <summary>Until then it renews whatever the owner says (rule 7).</summary>
    public DateOnly CommittedEnd { get; set; } = bought.Option.CommitMonths > bought.Option.EveryMonths ? start.AddMonths(bought.Option.CommitMonths) : DateOnly.MinValue;

    /// <summary>The extras that are had, with their units, in the order they were bought.</summary>
    public List<(BoughtAddOn Extra, int Units)> Extras { get; } = [.. bought.AddOns.Select(extra => (extra, extra.Quantity))];

    /// <summary>As it is had now, for what a domain claimed today is given.</summary>
    public BoughtHosting Now => bought with { Plan = Plan, Option = Option };

    public bool Has(string extra) => Extras.Any(had => had.Extra.AddOn.Id == extra);

    /// <summary>Whether the plan had now gives a domain of an ending (rule 4).</summary>
    public bool Gives(string? ending) => Plan.IncludedDomain is { } given && Option.CommitMonths >= given.MinCommitMonths && ending is not null && given.Endings.Contains(ending, StringComparer.Ordinal);
}
