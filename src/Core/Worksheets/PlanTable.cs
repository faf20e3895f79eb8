using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Sites;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// Every plan with every way to pay for it: each worked out as the candidate would be with it, the least over the
/// horizon first.
/// </summary>
public sealed record PlanTable(ImmutableArray<WhatIf<PlanWay>> Ways)
{
    /// <summary>Ways whose total is whole come first; those that cannot be costed come last.</summary>
    public static PlanTable Build(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        Needs needs
    )
    {
        var whatIf = new WhatIfs(candidate, books, settings, Worksheet.CostingOf(candidate, books, settings));
        var ways = books.SelectMany(book =>
            book.Plans.SelectMany(plan => WaysOf(candidate, books, settings, needs, whatIf, book, plan))
        );
        return new PlanTable([
            .. ways.OrderBy(Rank)
                .ThenBy(way => way.Costing?.Totals.Horizon)
                .ThenBy(way => way.Costing?.Totals.DueToday),
        ]);
    }

    private static List<WhatIf<PlanWay>> WaysOf(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        Needs needs,
        WhatIfs whatIf,
        OfferBook book,
        Plan plan
    )
    {
        var ways = plan
            .Billing.Select(option =>
                whatIf.Try(
                    new PlanWay(
                        book,
                        plan,
                        option,
                        PlanFit.Check(book, plan, option, needs, settings.HorizonMonths),
                        IsLeast: false
                    ),
                    IsChosen(candidate.Hosting, book, plan, option),
                    IsChosen(candidate.Hosting, book, plan, option)
                        ? candidate
                        : Choosing(candidate, books, book, plan, option)
                )
            )
            .ToList();
        var least = ways.Where(way => way.Costing is not null)
            .OrderBy(Rank)
            .ThenBy(way => way.Costing!.Totals.Horizon)
            .FirstOrDefault();
        return ways.ConvertAll(way => way == least ? way with { Choice = way.Choice with { IsLeast = true } } : way);
    }

    private static int Rank(WhatIf<PlanWay> way) =>
        way.Costing is null ? 2
        : way.Costing.Totals.AtLeast.Horizon ? 1
        : 0;

    private static bool IsChosen(HostingChoice? hosting, OfferBook book, Plan plan, BillingOption option) =>
        hosting?.Book == book.Id
        && hosting.Plan == plan.Id
        && hosting.EveryMonths == option.EveryMonths
        && (hosting.CommitMonths ?? hosting.EveryMonths) == option.CommitMonths;

    private static Candidate Choosing(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        OfferBook book,
        Plan plan,
        BillingOption option
    ) =>
        PlanChange.To(
            candidate,
            new ChoosePlan("", book.Id, plan.Id)
            {
                EveryMonths = option.EveryMonths,
                CommitMonths = option.CommitMonths,
            },
            books,
            new FaultList()
        );
}

/// <summary>A plan and a way to pay for it, against the needs.</summary>
/// <param name="IsLeast">Of the ways to pay for the plan the one that costs least over the horizon; one with a price
/// not stated only where all have.</param>
public sealed record PlanWay(
    OfferBook Book,
    Plan Plan,
    BillingOption Option,
    ImmutableArray<NeedFit> Fits,
    bool IsLeast
);
