using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>The hosting as it is had now, and what was had of it.</summary>
internal sealed class HeldHosting
{
    private readonly BoughtHosting _bought;

    private HeldHosting(Held held, BoughtHosting bought) => (Held, _bought) = (held, bought);

    public Held Held { get; }

    public required Plan Plan { get; set; }

    public required BillingOption Option { get; set; }

    public DataCentre? DataCentre => _bought.DataCentre;

    /// <summary>The plans that were had: none of them is new again.</summary>
    public required HashSet<string> PlansHad { get; init; }

    /// <summary>Until then it renews whatever the owner says (rule 7).</summary>
    public DateOnly CommittedEnd { get; set; }

    /// <summary>The extras that are had, with their units, in the order they were bought.</summary>
    public required List<AddOnChoice> Extras { get; init; }

    /// <summary>As it is had now, for what a domain claimed today is given.</summary>
    public BoughtHosting Now => _bought with { Plan = Plan, Option = Option };

    /// <summary>As it is on the day of the order.</summary>
    public static HeldHosting Begin(Held held, BoughtHosting bought, DateOnly start) =>
        new(held, bought)
        {
            Plan = bought.Plan,
            Option = bought.Option,
            PlansHad = [bought.Plan.Id],
            Extras = [.. bought.AddOns.Select(extra => new AddOnChoice(extra.AddOn.Id, extra.Quantity))],
            CommittedEnd =
                bought.Option.CommitMonths > bought.Option.EveryMonths
                    ? start.AddMonths(bought.Option.CommitMonths)
                    : DateOnly.MinValue,
        };

    /// <summary>As it was kept.</summary>
    public static HeldHosting Restore(Held held, BoughtHosting bought, HostingThen kept)
    {
        var plan = held.Book.Plan(kept.Plan)!;
        return new HeldHosting(held, bought)
        {
            Plan = plan,
            Option = plan.Option(kept.EveryMonths, kept.CommitMonths)!,
            PlansHad = [.. kept.PlansHad],
            Extras = [.. kept.Extras],
            CommittedEnd = kept.CommittedEnd ?? DateOnly.MinValue,
        };
    }

    /// <summary>As it is kept.</summary>
    public HostingThen Kept() =>
        new(Plan.Id, Option.EveryMonths, Option.CommitMonths, Committed, [.. PlansHad], [.. Extras]);

    /// <summary>Until when it is committed to; null: it is not.</summary>
    public DateOnly? Committed => CommittedEnd > DateOnly.MinValue ? CommittedEnd : null;

    public bool Has(string extra) => Extras.Exists(had => had.Id == extra);

    /// <summary>Whether the plan had now gives a domain of an ending (rule 4).</summary>
    public bool Gives(string? ending) =>
        Plan.IncludedDomain is { } given
        && Option.CommitMonths >= given.MinCommitMonths
        && ending is not null
        && given.Endings.Contains(ending, StringComparer.Ordinal);
}
