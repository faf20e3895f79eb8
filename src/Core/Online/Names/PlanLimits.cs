using HomeStart.Core.Offers;

namespace HomeStart.Core.Online;

/// <summary>What a plan allows of something that is used up.</summary>
public enum PlanLimit
{
    /// <summary>Sites of their own.</summary>
    Websites,

    /// <summary>Parts before a name.</summary>
    Subdomains,

    /// <summary>Boxes for mail.</summary>
    Mailboxes,

    /// <summary>Databases.</summary>
    Databases,
}

/// <summary>How much of a plan is used up, and which plan would allow more.</summary>
/// <param name="Allowed">Null: without a limit.</param>
/// <param name="IsStated">Whether the book says so at all.</param>
public sealed record PlanUse(PlanLimit Limit, int Used, int? Allowed, bool IsStated)
{
    /// <summary>
    /// The plan of the same book that allows more and costs least each bill, paid the same way; null: there is none.
    /// </summary>
    public MorePlan? More { get; init; }

    /// <summary>Whether one more fits.</summary>
    public bool HasRoom => !IsStated || Allowed is null || Used < Allowed;

    /// <summary>What a plan allows of a thing; null: without a limit or not stated.</summary>
    public static int? AllowedBy(Plan plan, PlanLimit limit) =>
        plan.Features[FeatureOf(limit)]?.Number is { } number ? (int)Math.Clamp(number, 0, int.MaxValue) : null;

    /// <summary>How much is used up, and what would allow more.</summary>
    /// <param name="extra">What extras add to it.</param>
    public static PlanUse Measure(
        PlanLimit limit,
        int used,
        OfferBook book,
        Plan plan,
        BillingOption? option,
        int extra = 0
    )
    {
        var allowed = AllowedBy(plan, limit) is { } number ? number + extra : (int?)null;
        return new PlanUse(limit, used, allowed, plan.Features[FeatureOf(limit)] is not null)
        {
            More = option is { LaterPerMonth: { } now } ? Larger(limit, book, plan, option, now) : null,
        };
    }

    private static MorePlan? Larger(PlanLimit limit, OfferBook book, Plan plan, BillingOption option, Minor now) =>
        book
            .Plans.Where(other =>
                other.Id != plan.Id && (IsUnlimited(other, limit) || AllowedBy(other, limit) > AllowedBy(plan, limit))
            )
            .Select(other =>
                other.Option(option.EveryMonths, option.CommitMonths)?.LaterPerMonth is { } later
                    ? new MorePlan(other.Name, AllowedBy(other, limit), later - now)
                    : null
            )
            .OfType<MorePlan>()
            .MinBy(more => more.DearerPerMonth);

    private static bool IsUnlimited(Plan plan, PlanLimit limit) =>
        plan.Features[FeatureOf(limit)]?.Word == FeatureValue.Unlimited;

    /// <summary>What the books call it.</summary>
    internal static string FeatureOf(PlanLimit limit) =>
        limit switch
        {
            PlanLimit.Websites => "websites",
            PlanLimit.Subdomains => "subdomains",
            PlanLimit.Mailboxes => "mailboxes",
            _ => "databases",
        };
}

/// <param name="Allowed">Null: without a limit.</param>
/// <param name="DearerPerMonth">By how much it is dearer each month at the later prices, in minor units of the book's
/// currency; below zero: cheaper.</param>
public sealed record MorePlan(string Name, int? Allowed, Minor DearerPerMonth);
