using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>A domain-year that the plan gives: when it is there, who takes it, and where it would save most.</summary>
/// <param name="Number">0 for that of the first year.</param>
/// <param name="LastDay">The last day on which it can be used.</param>
/// <param name="Endings">Under which names it can be used.</param>
/// <param name="IsYearly">Whether there is a new one each year.</param>
public sealed record Allowance(
    string Book,
    int Number,
    DateOnly From,
    DateOnly LastDay,
    ImmutableArray<string> Endings,
    bool IsYearly
)
{
    /// <summary>
    /// The domain whose year or renewal takes it, as it was ordered, or that was claimed with it; null: it is there to
    /// be used.
    /// </summary>
    public string? TakenBy { get; init; }

    /// <summary>What it saves there, with tax; null: it is not taken, or not stated.</summary>
    public Money? SavesThere { get; init; }

    /// <summary>
    /// What a new name would save under each ending, the most first; empty unless it can be used now.
    /// </summary>
    public ImmutableArray<AllowanceUse> Uses { get; init; } = [];

    /// <summary>Where it would save most.</summary>
    public AllowanceUse? Best => Uses.FirstOrDefault();

    /// <summary>Those that can still be used, up to the horizon, the first first.</summary>
    public static ImmutableArray<Allowance> ListAll(Outlook outlook)
    {
        if (
            outlook.Tenure.Purchase.Hosting
                is not { Plan.IncludedDomain: { Endings.IsEmpty: false } given, Book: var book }
            || outlook.Now.Hosting is not { } hosting
            || outlook.Now.Holding(HoldingAtEnd.HostingKey) is not { State: HoldingState.Live }
        )
        {
            return [];
        }

        if (hosting.Plan.IncludedDomain is not { } now || hosting.Option.CommitMonths < now.MinCommitMonths)
        {
            return []; // The plan that is had now gives none (upkeep rule 4).
        }

        var endings = now.Endings.Where(ending => book.Domain(ending) is not null).ToImmutableArray();
        return
        [
            .. Windows(outlook.Tenure.Start, given)
                .Where(window => window.Last >= outlook.Today && window.From < outlook.End)
                .Select(window => WorkOut(outlook, book, endings, given.EveryYear, window)),
        ];
    }

    private static IEnumerable<(int Number, DateOnly From, DateOnly Last)> Windows(DateOnly start, IncludedDomain given)
    {
        if (!given.EveryYear)
        {
            yield return (0, start, start.AddMonths(given.ClaimWithinMonths).AddDays(-1));
            yield break;
        }

        for (var year = 0; year < Upkeep.Years.Longest / 12; year++)
        {
            yield return (year, start.AddMonths(12 * year), start.AddMonths(12 * (year + 1)).AddDays(-1));
        }
    }

    private static Allowance WorkOut(
        Outlook outlook,
        OfferBook book,
        ImmutableArray<string> endings,
        bool isYearly,
        (int Number, DateOnly From, DateOnly Last) window
    )
    {
        var allowance = new Allowance(book.Id, window.Number, window.From, window.Last, endings, isYearly);
        if (outlook.Tenure.AllowancesSpent.TryGetValue(window.Number, out var spent))
        {
            return allowance with { TakenBy = spent.Domain, SavesThere = outlook.WithTax(book.Id, spent.Waived) };
        }

        // A year to come may be spoken for by the renewal of a claimed name; this year's is, only once that renewal was
        // paid.
        if (
            (window.From > outlook.Today ? outlook.Ahead : outlook.Now).AllowancesTaken.TryGetValue(
                window.Number,
                out var domain
            )
        )
        {
            return allowance with { TakenBy = domain };
        }

        var isOpen = window.From <= outlook.DecidingOn && outlook.DecidingOn <= window.Last;
        return allowance with
        {
            Uses = isOpen
                ?
                [
                    .. endings
                        .Select(ending => AllowanceUse.Find(outlook, book, ending))
                        .OfType<AllowanceUse>()
                        .OrderByDescending(use => use.Saves?.Units ?? -1)
                        .ThenBy(use => use.Ending, StringComparer.Ordinal),
                ]
                : [],
        };
    }
}

/// <summary>A new name taken with an allowance.</summary>
/// <param name="Saves">What its first year costs without, with tax; null: not stated.</param>
/// <param name="Costs">What the name costs in all over the horizon: its later years.</param>
public sealed record AllowanceUse(string Ending, Money? Saves, AmountsPaid Costs)
{
    private const string AnyName = "a-new-name";

    internal static AllowanceUse? Find(Outlook outlook, OfferBook book, string ending)
    {
        var choice = new DomainChoice(DomainRoute.Register)
        {
            Book = book.Id,
            Name = AnyName,
            Ending = ending,
        };
        var effect = Effect.WorkOut(outlook, new ClaimDomain(outlook.DecidingOn, choice));
        return effect.Refused is not null
            ? null
            : new AllowanceUse(
                ending,
                book.Domain(ending)?.Register is { } price ? outlook.WithTax(book.Id, price) : null,
                effect.Difference
            );
    }
}
