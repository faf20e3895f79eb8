using System.Collections.Immutable;

namespace HomeStart.Core.Offers;

/// <summary>An extra of a book, for its hosting or for domains bought there.</summary>
public sealed record AddOn(string Id, string Name, AddOnFor For, ChargeEvery Every, PriceSteps Prices)
{
    /// <summary>The tag it meets in an owner's needs: backup, privacy, <c>certificate:own</c> …</summary>
    public string? Provides { get; init; }

    /// <summary>What one unit adds to a plan's numbers: 5 to mailboxes, say.</summary>
    public ImmutableSortedDictionary<string, FeatureValue> Adds { get; init; } =
        ImmutableSortedDictionary<string, FeatureValue>.Empty;

    /// <summary>The seller ticks it in advance. We never do.</summary>
    public bool Preselected { get; init; }

    /// <summary>What one of it is, where several can be bought: "mailbox".</summary>
    public string? Unit { get; init; }

    /// <summary>What its first period costs to an owner who takes it later; null: not stated.</summary>
    public Minor? PriceIfBoughtLater { get; init; }

    /// <summary>The words of the seller's page that it was read from; empty: it was not read from one.</summary>
    public ImmutableArray<PrintedWords> ReadFrom { get; init; } = [];

    /// <summary>One plain sentence: what it is for.</summary>
    public string? About { get; init; }
}

/// <summary>What an extra is bought with.</summary>
public enum AddOnFor
{
    /// <summary>The hosting.</summary>
    Hosting,

    /// <summary>A domain: once for each that takes it.</summary>
    Domain,
}

/// <summary>How often an extra is charged (costing rules 13 and 14).</summary>
public enum ChargeEvery
{
    /// <summary>On the first day alone.</summary>
    Once,

    /// <summary>For each month of a bill.</summary>
    Month,

    /// <summary>On each year's day.</summary>
    Year,

    /// <summary>With each bill of the plan.</summary>
    Cycle,
}
