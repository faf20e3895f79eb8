using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Offers;

/// <summary>A hosting plan: what it allows, the ways to pay for it, the extras and the domain-year it holds.</summary>
public sealed record Plan(string Id, string Name)
{
    /// <summary>What it allows.</summary>
    public Features Features { get; init; } = Features.None;

    /// <summary>The ways to pay.</summary>
    public ImmutableArray<BillingOption> Billing { get; init; } = [];

    /// <summary>Ids of extras of the same book that cost nothing with this plan (costing rule 15).</summary>
    public ImmutableArray<string> Includes { get; init; } = [];

    /// <summary>The domain-year it gives; null: none.</summary>
    public IncludedDomain? IncludedDomain { get; init; }

    /// <summary>The words of the seller's page that it was read from; empty: it was not read from one.</summary>
    public ImmutableArray<PrintedWords> ReadFrom { get; init; } = [];

    /// <summary>The way to pay every so many months with a commitment; null where it is not sold so.</summary>
    public BillingOption? Option(int everyMonths, int commitMonths) =>
        Billing.FirstOrDefault(option => option.EveryMonths == everyMonths && option.CommitMonths == commitMonths);
}

/// <summary>
/// One way to pay for a plan: every <see cref="EveryMonths"/> (E), first committed to for <see cref="CommitMonths"/>
/// (C); together they name it. <see cref="Prices"/> has one step a bill; <see cref="SetupFee"/> is charged once, null
/// or zero: none.
/// </summary>
public sealed record BillingOption(int EveryMonths, int CommitMonths, Minor? SetupFee, PriceSteps Prices)
{
    /// <summary>The most months that come free on top of the first bill.</summary>
    public const int MostFreeMonths = 24;

    /// <summary>
    /// How many months come free on top of the first bill (costing rule 5): 0 to 24, above 0 only where the commitment
    /// is one bill.
    /// </summary>
    public int FreeMonths { get; init; }

    /// <summary>
    /// How many months after the start a bill falls, the first being 0: the free ones make the first bill's time
    /// longer.
    /// </summary>
    public int MonthsTo(int bill) => bill == 0 ? 0 : FreeMonths + (bill * EveryMonths);

    /// <summary>What an advertisement would say.</summary>
    public Minor FirstPerMonth => PerMonth(Prices.At(0).Units);

    /// <summary>After the last step; null where it is not stated.</summary>
    public Minor? LaterPerMonth => Prices.Steps[^1].Units is { } units ? PerMonth(units) : null;

    /// <summary>A price of one bill, a month, rounded.</summary>
    public Minor PerMonth(Minor price) => new Fraction(1, EveryMonths).Of(price);
}

/// <summary>The domain-year a plan gives, and when it applies (costing rule 16).</summary>
public sealed record IncludedDomain(
    int MinCommitMonths,
    ImmutableArray<string> Endings,
    bool Transfer,
    bool EveryYear,
    int ClaimWithinMonths
);

/// <summary>
/// What a plan allows, as its book words it. An absent feature is unknown, which is not the same as none.
/// </summary>
public sealed record Features(ImmutableSortedDictionary<string, FeatureValue> Values)
{
    /// <summary>Nothing is known.</summary>
    public static readonly Features None = new(
        ImmutableSortedDictionary.Create<string, FeatureValue>(StringComparer.Ordinal)
    );

    /// <summary>The value of a feature; null: not stated.</summary>
    public FeatureValue? this[string name] => Values.TryGetValue(name, out var value) ? value : null;
}

/// <summary>
/// One feature: exactly one of the four is set. The word "unlimited" stands for more than any number.
/// </summary>
public sealed record FeatureValue(
    decimal? Number = null,
    bool? Flag = null,
    string? Word = null,
    ImmutableArray<string>? Words = null
)
{
    /// <summary>The word for a number without a limit.</summary>
    public const string Unlimited = "unlimited";
}
