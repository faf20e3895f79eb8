using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>How one plan meets one need.</summary>
/// <param name="Has">The plan's or provider's value; null: not stated, or a tag.</param>
/// <param name="By">The extra that meets it: had with the plan where it is met, else to be bought.</param>
public sealed record NeedFit(string Need, Fit Fit, ReasonValue? Has, ReasonValue Wants, AddOn? By);

public enum Fit
{
    Met,

    /// <summary>Only with an extra.</summary>
    WithExtra,
    NotMet,
    NotStated,
}

/// <summary>A plan against the needs, need by need, before anything is bought with it. The domain and what can be paid today are not looked at.</summary>
public static class PlanFit
{
    public static ImmutableArray<NeedFit> Of(OfferBook book, Plan plan, Needs needs)
    {
        var strict = needs with { AcceptUnknown = false };
        var wants = Want.Of(strict);
        var side = Side.OfPlan(book, plan, wants, acceptUnknown: false);
        return [.. wants.Select((want, index) => Wanted(book, plan, want, (side.Met & (1 << index)) != 0)), .. ProviderNeeds.Of(strict, book, plan).Select(need => Fixed(need.Reason, need.IsMet))];
    }

    /// <summary>What is bought against the needs, with the extras taken.</summary>
    public static ImmutableArray<NeedFit> Of(Purchase purchase, Needs needs)
    {
        if (purchase.Hosting is not { } hosting)
        {
            return [];
        }

        var had = hosting.Book.AddOns.Where(addOn => addOn.For == AddOnFor.Hosting && hosting.Plan.Includes.Contains(addOn.Id, StringComparer.Ordinal) && hosting.AddOns.All(bought => bought.AddOn != addOn));
        var taken = had.Select(addOn => new BoughtAddOn(addOn, 1, 0)).Concat(hosting.AddOns).Concat(purchase.Domains.SelectMany(domain => domain.AddOns)).ToList();
        var wants = Want.Of(needs);
        return [.. Of(hosting.Book, hosting.Plan, needs).Select((fit, index) => index < wants.Length && (fit.Fit != Fit.Met || IsLost(fit)) ? ByExtra(fit, wants[index]) : fit)];

        // The plan's domain extras are lost where the domain is bought elsewhere.
        bool IsLost(NeedFit fit) => fit.By is { For: AddOnFor.Domain } && !purchase.Domains.Any(domain => ReferenceEquals(domain.Book, hosting.Book));

        NeedFit ByExtra(NeedFit fit, Want want) =>
            By(want, hosting, taken) is { } by ? fit with { Fit = Fit.Met, By = by } : fit.Fit == Fit.Met ? fit with { Fit = Fit.WithExtra } : fit;
    }

    // The extra taken that meets a want which the plan does not.
    private static AddOn? By(Want want, BoughtHosting hosting, List<BoughtAddOn> taken)
    {
        if (want.Kind != WantKind.Number)
        {
            return taken.Find(bought => want.IsProvidedBy(bought.AddOn))?.AddOn;
        }

        if (Want.Amount(hosting.Plan.Features[want.Need]) is not { } number || taken.Find(bought => want.IsServedBy(bought.AddOn)) is not { } adding)
        {
            return null;
        }

        var missing = want.Number - number;
        foreach (var bought in taken)
        {
            missing -= want.IsServedBy(bought.AddOn) ? Math.Min(want.Number, want.Adds(bought.AddOn)!.Value) * bought.Quantity : 0;
        }

        return missing <= 0 ? adding.AddOn : null;
    }

    private static NeedFit Wanted(OfferBook book, Plan plan, Want want, bool isMet)
    {
        var feature = plan.Features[want.Need];
        var has = want.Kind == WantKind.Tag ? null : ReasonValue.Of(feature);
        // An extra of the domain that the plan holds is had where the domain is bought with it.
        var serving = book.AddOns.Where(addOn => want.IsProvidedBy(addOn) || (want.Kind == WantKind.Number && want.IsServedBy(addOn))).ToList();
        var had = serving.Find(addOn => plan.Includes.Contains(addOn.Id, StringComparer.Ordinal));

        // An extra that adds to an unknown number does not cure it (scan rule 5).
        var curable = serving.Count > 0 && (want.Kind != WantKind.Number || feature is not null);
        var fit = isMet || had is { For: AddOnFor.Domain } ? Fit.Met : curable ? Fit.WithExtra : feature is null && want.Kind != WantKind.Tag ? Fit.NotStated : Fit.NotMet;
        return new NeedFit(want.Need, fit, has, want.Wanted, fit == Fit.Met ? had : fit == Fit.WithExtra ? serving[0] : null);
    }

    private static NeedFit Fixed(Reason reason, bool isMet) =>
        new(reason.Need, isMet ? Fit.Met : reason.Has is null ? Fit.NotStated : Fit.NotMet, reason.Has, reason.Wants, null);
}
