using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Scanning;
using HomeStart.Core.Sites;

namespace HomeStart.Core.Worksheets;

/// <summary>What would make a refused code count: one thing changed.</summary>
/// <param name="Option">Paying like this.</param>
/// <param name="Plan">Choosing this plan, of <paramref name="Book"/>.</param>
/// <param name="Without">Taking this code off.</param>
/// <param name="Start">Starting on this day.</param>
/// <param name="Saves">What the code takes off over the horizon then, in minor units of the display currency; below
/// zero is less to pay.</param>
/// <param name="HorizonChange">What the whole change does to the total; null where the candidate as it is cannot be
/// costed.</param>
public sealed record CodeCure(
    string Code,
    OfferBook Book,
    BillingOption? Option,
    Plan? Plan,
    string? Without,
    DateOnly? Start,
    Minor Saves,
    Minor? HorizonChange
);

/// <summary>
/// The codes of one candidate: what would make the refused ones count, and the combination that takes most off.
/// </summary>
internal sealed class CodeOutlooks(
    Candidate candidate,
    IReadOnlyList<OfferBook> books,
    CountSettings settings,
    Costing costing,
    WhatIfs whatIfs
)
{
    /// <summary>For each refused code that something would make count.</summary>
    public ImmutableArray<CodeCure> Cures() =>
        [
            .. costing
                .Run.Codes.Where(code => code.Promotion is not null && code.Verdict != Verdict.Applied)
                .Select(CureOf)
                .OfType<CodeCure>(),
        ];

    /// <summary>
    /// Of none, each alone and all combinable together, per book bought from (scan rule 4): what makes the horizon
    /// least, with the fewest codes. Null where the codes entered do as well.
    /// </summary>
    public WhatIf<ImmutableArray<string>>? Best()
    {
        var purchase = costing.Run.Purchase;
        var seller = purchase.Domains.FirstOrDefault()?.Book;
        var atHost = SetsAt(purchase.Hosting?.Book);
        var atSeller = ReferenceEquals(seller, purchase.Hosting?.Book)
            ?
            [
                [],
            ]
            : SetsAt(seller);
        var best = (from host in atHost from domain in atSeller select WithCodes([.. host, .. domain]))
            .Where(tried => tried.HorizonChange < 0 && tried.Costing is { Totals.AtLeast.Horizon: false })
            .OrderBy(tried => tried.HorizonChange)
            .ThenBy(tried => tried.Choice.Length)
            .FirstOrDefault();
        return best is null
            ? null
            : best with
            {
                Choice = [.. best.Choice.Where(code => IsApplied(best.Costing!, code))],
            };

        ImmutableArray<ImmutableArray<string>> SetsAt(OfferBook? book) =>
            book is null
                ?
                [
                    [],
                ]
                : CodeSets.At(book, PromotionConditions.At(book, purchase));
    }

    private WhatIf<ImmutableArray<string>> WithCodes(ImmutableArray<string> codes) =>
        whatIfs.Try(codes, false, CodeChange.Using(candidate, codes, books, new FaultList()));

    private CodeCure? CureOf(CodeVerdict code)
    {
        var promotion = code.Promotion!;
        return code.Verdict switch
        {
            Verdict.CycleTooShort => Least(
                Options(code)
                    .Select(option => Tried(code, Paying(option)) is { } cure ? cure with { Option = option } : null)
            ),
            Verdict.OtherPlansOnly => Least(
                promotion
                    .Plans.Select(code.Book.Plan)
                    .OfType<Plan>()
                    .Select(plan =>
                        Tried(code, Choosing(code.Book, plan)) is { } cure ? cure with { Plan = plan } : null
                    )
            ),
            Verdict.CannotCombine => Tried(code, CodeChange.Without(candidate, code.CombinesNotWith!)) is { } cure
                ? cure with
                {
                    Without = code.CombinesNotWith,
                }
                : null,
            Verdict.NotYet => Tried(code, candidate, settings with { StartDate = promotion.From!.Value }) is { } cure
                ? cure with
                {
                    Start = promotion.From,
                }
                : null,
            _ => null,
        };
    }

    // The shortest cycle that is long enough.
    private IEnumerable<BillingOption> Options(CodeVerdict code)
    {
        var hosting = costing.Run.Purchase.Hosting;
        return ReferenceEquals(hosting?.Book, code.Book)
            ? hosting!
                .Plan.Billing.Where(option => option.EveryMonths >= code.Promotion!.MinEveryMonths)
                .OrderBy(option => option.EveryMonths)
                .ThenBy(option => option.CommitMonths)
                .Take(1)
            : [];
    }

    private Candidate Paying(BillingOption option) =>
        candidate with
        {
            Hosting = candidate.Hosting! with { EveryMonths = option.EveryMonths, CommitMonths = option.CommitMonths },
        };

    private Candidate Choosing(OfferBook book, Plan plan) =>
        PlanChange.To(candidate, new ChoosePlan("", book.Id, plan.Id), books, new FaultList());

    private static CodeCure? Least(IEnumerable<CodeCure?> cures) =>
        cures.OfType<CodeCure>().MinBy(cure => cure.HorizonChange);

    // Null where the code still does not count.
    private CodeCure? Tried(CodeVerdict code, Candidate alternative, CountSettings? counted = null)
    {
        if (
            Coster.Cost(alternative, books, counted ?? settings).Value is not { } then
            || then.Currency != costing.Currency
        )
        {
            return null;
        }

        var verdict = then.Run.Codes.FirstOrDefault(known =>
            ReferenceEquals(known.Book, code.Book) && Ascii.EqualsIgnoreCase(known.Code, code.Code)
        );
        return verdict is { Verdict: Verdict.Applied }
            ? new CodeCure(
                code.Code,
                code.Book,
                null,
                null,
                null,
                null,
                -Coster.Saves(then, verdict),
                then.Totals.Horizon - costing.Totals.Horizon
            )
            : null;
    }

    private static bool IsApplied(Costing then, string code) =>
        then.Run.Codes.Any(known => known.Verdict == Verdict.Applied && Ascii.EqualsIgnoreCase(known.Code, code));
}
