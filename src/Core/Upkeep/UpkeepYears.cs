using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>Days of what was bought: what happened on them, and how it stands at their end.</summary>
/// <param name="Balances">With every book that something was bought from.</param>
/// <param name="Paid">By card, less what was refunded, in every currency with a charge.</param>
public sealed record UpkeepYears(
    ImmutableArray<Happening> Happened,
    ImmutableArray<HoldingAtEnd> Holdings,
    ImmutableSortedDictionary<string, Money> Balances,
    ImmutableArray<Money> Paid
)
{
    private UpkeepState? _state;

    /// <summary>All that later days depend on, worked out where it is asked for.</summary>
    /// <exception cref="InvalidOperationException">These days were only looked at.</exception>
    public UpkeepState State =>
        _state ??= Keep?.Invoke() ?? throw new InvalidOperationException("These days were only looked at.");

    internal Func<UpkeepState>? Keep { get; init; }

    /// <summary>Whether the card works on the last day.</summary>
    public bool CardWorks { get; init; } = true;

    /// <summary>The hosting on the last day; null: none is had.</summary>
    public HostingAtEnd? Hosting { get; init; }

    /// <summary>Bills that wait for another attempt.</summary>
    public ImmutableArray<OpenAtEnd> Open { get; init; } = [];

    /// <summary>
    /// The allowances of the order that are used, or that a line of the order to come will use, each with the domain it
    /// pays for: 0 is that of the first year.
    /// </summary>
    public ImmutableSortedDictionary<int, string> AllowancesTaken { get; init; } =
        ImmutableSortedDictionary<int, string>.Empty;

    /// <summary>
    /// By day on which something was decided: how much had happened once that was carried out, before what fell due on
    /// the day.
    /// </summary>
    public IReadOnlyDictionary<DateOnly, int> AfterDecisions { get; init; } = ImmutableDictionary<DateOnly, int>.Empty;

    /// <summary>By holding: the id of the book it is had at.</summary>
    public ImmutableDictionary<string, string> Books { get; init; } = ImmutableDictionary<string, string>.Empty;

    /// <summary>A holding by its key; null: there is none.</summary>
    public HoldingAtEnd? Holding(string key) => Holdings.FirstOrDefault(held => held.Holding == key);
}

/// <summary>A holding on the last day.</summary>
/// <param name="PaidUntil">The latest end of what was paid; null: nothing was.</param>
public sealed record HoldingAtEnd(string Holding, string Ref, HoldingState State, bool Renews, DateOnly? PaidUntil)
{
    /// <summary>The key of the hosting.</summary>
    public const string HostingKey = "hosting";

    /// <summary>Whether it is the hosting.</summary>
    public bool IsHosting => Holding == HostingKey;
}

/// <summary>The hosting on the last day.</summary>
/// <param name="CommittedEnd">Until then it renews whatever the owner says; null: it is not committed to.</param>
/// <param name="Extras">Those of the hosting that are had, each once, with all its units.</param>
public sealed record HostingAtEnd(
    Plan Plan,
    BillingOption Option,
    DateOnly? CommittedEnd,
    ImmutableArray<AddOnChoice> Extras
);

/// <summary>A bill that could not be paid and is tried again.</summary>
/// <param name="NextOn">The day of the next attempt.</param>
/// <param name="Holdings">Whose lines it holds.</param>
public sealed record OpenAtEnd(
    string Book,
    DateOnly Due,
    Money Total,
    DateOnly? NextOn,
    ImmutableArray<string> Holdings
);
