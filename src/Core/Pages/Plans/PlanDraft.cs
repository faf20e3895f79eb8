using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>A plan as far as it is read.</summary>
internal sealed class PlanDraft(string? name, PageSpan? nameAt)
{
    public string? Name { get; set; } = name;

    public PageSpan? NameAt { get; set; } = nameAt;

    /// <summary>The note that its name's mark leads to.</summary>
    public Line? Note { get; set; }

    public List<WayDraft> Ways { get; } = [];

    public PageAmount? Setup { get; set; }

    /// <summary>Where it says that setting up is free.</summary>
    public PageSpan? FreeSetup { get; set; }

    public Dictionary<string, Feature> Features { get; } = new(StringComparer.Ordinal);

    public List<Feature> Includes { get; } = [];

    public DomainOffer? Domain { get; set; }

    /// <summary>Where it says that there is none.</summary>
    public bool HasNoDomain { get; set; }

    /// <summary>The lines it was read from.</summary>
    public List<Line> Lines { get; } = [];

    /// <summary>Whether a saving, or words like "introductory", make its prices first ones.</summary>
    public bool IsFirst { get; set; }

    public bool IsSame { get; set; }

    public bool IsUnstated { get; set; }

    /// <summary>Whether it renews at the regular rate, which is the one that is struck.</summary>
    public bool IsRegular { get; set; }

    /// <summary>What it renews at, said for all its ways.</summary>
    public PageAmount? Later { get; set; }

    public Paid? Paid { get; set; }

    public Term? Term { get; set; }

    /// <summary>Adds what a piece says, the first of a kind before later ones.</summary>
    public void Add(Feature feature)
    {
        if (feature.IsKind)
        {
            if (!Includes.Any(known => known.Key == feature.Key))
            {
                Includes.Add(feature);
            }
        }
        else
        {
            Features.TryAdd(feature.Key, feature);
        }
    }
}

/// <summary>One price as far as it is read.</summary>
internal sealed class WayDraft(PageAmount price, Line line)
{
    public PageAmount Price { get; set; } = price;

    public Line Line { get; } = line;

    public Term? Term { get; set; }

    public Per Per { get; set; } = price.Per;

    public Paid? Paid { get; set; }

    public PageSpan? PaidAt { get; set; }

    public Term? Free { get; set; }

    public PageAmount? Struck { get; set; }

    public PageAmount? Later { get; set; }

    public List<PageAmount> Totals { get; } = [];

    public PageAmount? Setup { get; set; }

    public PageSpan? FreeSetup { get; set; }

    /// <summary>Whether it is paid by the month and binds for no longer, as far as is known.</summary>
    public bool IsByTheMonth =>
        Term?.Months == 1 || (this is { Term: null, Price.Per: Per.Month, Paid: null or Pages.Paid.MonthlyFree });

    public bool IsFirst { get; set; }

    public bool IsSame { get; set; }

    public bool IsUnstated { get; set; }

    /// <summary>Whether it renews at the regular rate, which is the one that is struck.</summary>
    public bool IsRegular { get; set; }

    public bool IsFrom { get; set; }

    /// <summary>The savings that are said of it.</summary>
    public List<PageAmount> Savings { get; } = [];

    /// <summary>Whether the page gives a saving in per cent for it.</summary>
    public bool HasPercent { get; set; }
}

/// <summary>The domain in a plan's price, and its words.</summary>
internal sealed record DomainOffer(ImmutableArray<string> Endings, int? FromMonths, bool EveryYear, PageSpan At);
