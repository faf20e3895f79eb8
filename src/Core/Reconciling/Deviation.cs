using System.Collections.Immutable;

namespace HomeStart.Core.Reconciling;

/// <summary>One way in which what a seller asks for may differ from a candidate (reconciling.md, rule 2).</summary>
/// <param name="Ref">The extra, code, promotion, plan, data centre (null: none), or what is priced at its later
/// price.</param>
/// <param name="Domain">The place, in the candidate as it was sent, of a domain or of the domain an extra is
/// for.</param>
/// <param name="Number">Of years and quantities.</param>
/// <param name="Way">Of another way to pay: every how many months, and committed to how many.</param>
public sealed record Deviation(
    DeviationKind Kind,
    string? Ref = null,
    int? Domain = null,
    int? Number = null,
    (int Every, int Commit)? Way = null
);

/// <summary>The kinds, in the order they are tried.</summary>
public enum DeviationKind
{
    /// <summary>A line is not stated, so that any sum that is not below may be right.</summary>
    NotStated,

    /// <summary>Their sum is without tax.</summary>
    WithoutTax,

    /// <summary>Their sum has tax on top.</summary>
    TaxAdded,

    /// <summary>Their sum is for a month.</summary>
    AMonth,

    /// <summary>An extra more.</summary>
    ExtraAdded,

    /// <summary>Another quantity of an extra.</summary>
    Quantity,

    /// <summary>An extra less.</summary>
    ExtraLeftOut,

    /// <summary>A code did not count.</summary>
    CodeLeftOut,

    /// <summary>A code more.</summary>
    CodeAdded,

    /// <summary>Another code in place of all.</summary>
    CodeInstead,

    /// <summary>An automatic promotion is over.</summary>
    PromotionLeftOut,

    /// <summary>Paid another way.</summary>
    PaidOtherwise,

    /// <summary>Another plan.</summary>
    OtherPlan,

    /// <summary>A domain for another number of years.</summary>
    Years,

    /// <summary>A domain less.</summary>
    DomainLeftOut,

    /// <summary>The plan's domain-year was not given.</summary>
    IncludedNotGiven,

    /// <summary>Another data centre.</summary>
    DataCentre,

    /// <summary>No set-up fee.</summary>
    SetUpLeftOut,

    /// <summary>The later price from the start.</summary>
    LaterPrice,

    /// <summary>As a customer, or as none.</summary>
    OtherCustomer,
}

/// <summary>What is seen at a seller's page.</summary>
/// <param name="Total">In minor units of the book's currency.</param>
/// <param name="Date">The day of the bill.</param>
public sealed record SeenSum(string Book, Minor Total, DateOnly Date);

/// <summary>What gives exactly the sum that was seen.</summary>
public sealed record Explanation(ImmutableArray<Deviation> Deviations, Minor Total);

/// <summary>Why a seller's sum is not ours. Amounts are minor units of <paramref name="Currency"/>.</summary>
/// <param name="IsAtLeast">Whether a line of ours is not stated.</param>
/// <param name="Closest">Where nothing explains it: what comes nearest; without deviations where ours is as
/// near.</param>
public sealed record Reconciliation(
    Basics.Currency Currency,
    Minor Ours,
    Minor Seen,
    bool IsAtLeast,
    bool Agrees,
    ImmutableArray<Explanation> Explanations,
    Explanation? Closest
);
