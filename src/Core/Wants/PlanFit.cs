using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Wants;

/// <summary>How one plan meets one need.</summary>
/// <param name="Has">The plan's or provider's value; null: not stated, or a tag.</param>
/// <param name="By">The extra that meets it: had with the plan where it is met, else to be bought.</param>
public sealed record NeedFit(string Need, Fit Fit, ReasonValue? Has, ReasonValue Wants, AddOn? By);

/// <summary>How a plan meets a need.</summary>
public enum Fit
{
    /// <summary>By itself.</summary>
    Met,

    /// <summary>Only with an extra.</summary>
    WithExtra,

    /// <summary>It does not, and no extra makes it good.</summary>
    NotMet,

    /// <summary>The book does not say.</summary>
    NotStated,
}

/// <summary>
/// A plan against the needs, need by need, before anything is bought with it. The domain and what can be paid today are
/// not looked at.
/// </summary>
public static class PlanFit
{
    /// <summary>How a plan meets each need, in the order of the needs.</summary>
    /// <param name="option">The way to pay that is chosen; null: none is, so that any that keeps its price will
    /// do.</param>
    /// <param name="months">The months that are counted.</param>
    public static ImmutableArray<NeedFit> Check(
        OfferBook book,
        Plan plan,
        BillingOption? option,
        Needs needs,
        int months
    )
    {
        var strict = needs with { AcceptUnknown = false };
        var wants = Want.ListAll(strict);
        var side = Side.OfPlan(book, plan, wants, acceptUnknown: false);
        return
        [
            .. wants.Select((want, index) => Wanted(book, plan, want, (side.Met & (1 << index)) != 0)),
            .. ProviderNeeds.Check(strict, book, plan).Select(need => Fixed(need.Reason, need.IsMet)),
            .. needs.SamePrice
                ? [SamePrice(option is null ? plan.Billing : [option], needs, months)]
                : Array.Empty<NeedFit>(),
        ];
    }

    /// <summary>Whether each need is met; what is not stated, where the needs accept that.</summary>
    public static bool AreMet(ImmutableArray<NeedFit> fits, Needs needs) =>
        fits.All(fit => fit.Fit == Fit.Met || IsAccepted(fit, needs));

    /// <summary>Whether each need is met, or would be with an extra.</summary>
    public static bool CanBeMet(ImmutableArray<NeedFit> fits, Needs needs) =>
        fits.All(fit => fit.Fit is Fit.Met or Fit.WithExtra || IsAccepted(fit, needs));

    /// <summary>Whether nothing is asked of a plan.</summary>
    public static bool AsksNothing(Needs needs) =>
        Want.ListAll(needs).IsEmpty && !ProviderNeeds.Any(needs) && !needs.SamePrice;

    private static bool IsAccepted(NeedFit fit, Needs needs) => fit.Fit == Fit.NotStated && needs.AcceptUnknown;

    private static NeedFit SamePrice(ImmutableArray<BillingOption> options, Needs needs, int months)
    {
        var fit =
            AnyKeeps(acceptUnknown: false) ? Fit.Met
            : AnyKeeps(acceptUnknown: true) ? Fit.NotStated
            : Fit.NotMet;
        return new NeedFit(PriceNeed.Name, fit, null, PriceNeed.Unmet.Wants, null);

        bool AnyKeeps(bool acceptUnknown) =>
            options.Any(option => PriceNeed.IsMet(needs with { AcceptUnknown = acceptUnknown }, option, months));
    }

    private static NeedFit Wanted(OfferBook book, Plan plan, Want want, bool isMet)
    {
        var feature = plan.Features[want.Need];
        var has = want.Kind == WantKind.Tag ? null : ReasonValue.From(feature);
        // An extra of the domain that the plan holds is had where the domain is bought with it.
        var serving = book
            .AddOns.Where(addOn => want.IsProvidedBy(addOn) || (want.Kind == WantKind.Number && want.IsServedBy(addOn)))
            .ToList();
        var had = serving.Find(addOn => plan.Includes.Contains(addOn.Id, StringComparer.Ordinal));

        // An extra that adds to an unknown number does not cure it (scan rule 5).
        var curable = serving.Count > 0 && (want.Kind != WantKind.Number || feature is not null);
        var fit =
            isMet || had is { For: AddOnFor.Domain } ? Fit.Met
            : curable ? Fit.WithExtra
            : feature is null && want.Kind != WantKind.Tag ? Fit.NotStated
            : Fit.NotMet;
        return new NeedFit(
            want.Need,
            fit,
            has,
            want.Wanted,
            fit == Fit.Met ? had
                : fit == Fit.WithExtra ? serving[0]
                : null
        );
    }

    private static NeedFit Fixed(Reason reason, bool isMet) =>
        new(
            reason.Need,
            isMet ? Fit.Met
                : reason.Has is null ? Fit.NotStated
                : Fit.NotMet,
            reason.Has,
            reason.Wants,
            null
        );
}
