using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Worksheets;

/// <summary>What is bought against the needs, need by need.</summary>
public static class BoughtFit
{
    /// <summary>What is bought against the needs, with the extras taken.</summary>
    /// <param name="months">The months that are counted.</param>
    public static ImmutableArray<NeedFit> Check(Purchase purchase, Needs needs, int months)
    {
        if (purchase.Hosting is not { } hosting)
        {
            return [];
        }

        var had = hosting.Book.AddOns.Where(addOn =>
            addOn.For == AddOnFor.Hosting
            && hosting.Plan.Includes.Contains(addOn.Id, StringComparer.Ordinal)
            && hosting.AddOns.All(bought => bought.AddOn != addOn)
        );
        var taken = had.Select(addOn => new BoughtAddOn(addOn, 1, 0))
            .Concat(hosting.AddOns)
            .Concat(purchase.Domains.SelectMany(domain => domain.AddOns))
            .ToList();
        var wants = Want.ListAll(needs);
        return
        [
            .. PlanFit
                .Check(hosting.Book, hosting.Plan, hosting.Option, needs, months)
                .Select(
                    (fit, index) =>
                        index < wants.Length && (fit.Fit != Fit.Met || IsLost(fit)) ? ByExtra(fit, wants[index]) : fit
                ),
        ];

        // The plan's domain extras are lost where the domain is bought elsewhere.
        bool IsLost(NeedFit fit) =>
            fit.By is { For: AddOnFor.Domain }
            && !purchase.Domains.Any(domain => ReferenceEquals(domain.Book, hosting.Book));

        NeedFit ByExtra(NeedFit fit, Want want) =>
            By(want, hosting, taken) is { } by ? fit with { Fit = Fit.Met, By = by }
            : fit.Fit == Fit.Met ? fit with { Fit = Fit.WithExtra }
            : fit;
    }

    // The extra taken that meets a want which the plan does not.
    private static AddOn? By(Want want, BoughtHosting hosting, List<BoughtAddOn> taken)
    {
        if (want.Kind != WantKind.Number)
        {
            return taken.Find(bought => want.IsProvidedBy(bought.AddOn))?.AddOn;
        }

        if (
            Want.Amount(hosting.Plan.Features[want.Need]) is not { } number
            || taken.Find(bought => want.IsServedBy(bought.AddOn)) is not { } adding
        )
        {
            return null;
        }

        var missing = want.Number - number;
        foreach (var bought in taken)
        {
            missing -= want.IsServedBy(bought.AddOn)
                ? Math.Min(want.Number, want.Adds(bought.AddOn)!.Value) * bought.Quantity
                : 0;
        }

        return missing <= 0 ? adding.AddOn : null;
    }
}
