using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Sites;
using HomeStart.Core.Wants;
using HomeStart.Core.Worksheets;

namespace HomeStart.Core.Comparing;

/// <summary>The shortlist side by side. Amounts are minor units of the display currency.</summary>
/// <param name="Base">The letter that every difference is against.</param>
/// <param name="Leads">Who has paid least so far, from when on; only among those whose totals are whole.</param>
/// <param name="Turns">Over how many months another would be the least: the nearest number below and above what is
/// counted.</param>
/// <param name="Differences">Base and one other, line by line; empty where either cannot be costed.</param>
public sealed record Comparison(
    string Base,
    ImmutableArray<Compared> Candidates,
    ImmutableArray<Lead> Leads,
    ImmutableArray<ShortlistTurn> Turns,
    ImmutableArray<LineDifference> Differences
)
{
    /// <param name="against">The letter of the other that is compared with the base line by line.</param>
    public static Comparison Compare(
        Site site,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        string? baseLetter,
        string? against
    )
    {
        var costings = site.Shortlist.Select(listed => Worksheet.CostingOf(listed.Candidate, books, settings)).ToList();
        var least = Shortlist.Least(costings, site.Needs);
        var at = Math.Max(
            0,
            site.Shortlist.IndexOf(
                site.Shortlist.FirstOrDefault(listed => listed.Letter == baseLetter) ?? site.Shortlist[0]
            )
        );
        var compared = site
            .Shortlist.Select(
                (listed, index) =>
                    Compared.Measure(listed, costings[index], costings[at], least.Contains(index), site.Needs)
            )
            .ToImmutableArray();
        compared =
        [
            .. compared.Select(known =>
                known with
                {
                    Undercuts = least.Count > 0 && known.Undercut(costings[least.First()]!),
                }
            ),
        ];
        var other = site.Shortlist.Index().FirstOrDefault(pair => pair.Item.Letter == against && pair.Index != at)
            is { Item: not null } found
            ? costings[found.Index]
            : null;
        return new Comparison(
            site.Shortlist[at].Letter,
            compared,
            Lead.FindAll(compared, settings),
            ShortlistTurn.FindAll(site, books, settings, least),
            costings[at] is { } one && other is not null ? LineDifference.Between(one, other) : []
        );
    }
}

/// <summary>One candidate among the others.</summary>
/// <param name="Costing">Null while it cannot be costed.</param>
/// <param name="Does">Whether it does what is needed.</param>
/// <param name="HorizonChange">Against the base; null for the base itself, where either cannot be costed, and where a
/// part of either is not stated.</param>
/// <param name="Paid">What is paid so far, at each date of a bill.</param>
/// <param name="Fits">How it meets the needs, with the extras it takes.</param>
public sealed record Compared(
    string Letter,
    Costing? Costing,
    bool IsLeast,
    bool Does,
    Minor? HorizonChange,
    Minor? TodayChange,
    ImmutableArray<Paid> Paid,
    ImmutableArray<NeedFit> Fits
)
{
    /// <summary>
    /// Whether it costs less than the least of those that do what is needed, and does not do it itself.
    /// </summary>
    public bool Undercuts { get; init; }

    internal bool Undercut(Costing least) =>
        !Does
        && Costing is { Totals: { AtLeast.Horizon: false, Horizon: var sum } }
        && Costing.Currency == least.Currency
        && sum < least.Totals.Horizon;

    internal static Compared Measure(
        ListedCandidate listed,
        Costing? costing,
        Costing? against,
        bool isLeast,
        Needs needs
    )
    {
        var comparable =
            costing is not null && against is not null && costing != against && costing.Currency == against.Currency;
        return new Compared(
            listed.Letter,
            costing,
            isLeast,
            costing is not null && Shortlist.Does(costing, needs),
            comparable && !costing!.Totals.AtLeast.Horizon && !against!.Totals.AtLeast.Horizon
                ? costing.Totals.Horizon - against.Totals.Horizon
                : null,
            comparable && !costing!.Totals.AtLeast.DueToday && !against!.Totals.AtLeast.DueToday
                ? costing.Totals.DueToday - against.Totals.DueToday
                : null,
            costing is null ? [] : PaidSoFar(costing),
            costing is null ? [] : BoughtFit.Check(costing.Run.Purchase, needs, costing.Settings.HorizonMonths)
        );
    }

    private static ImmutableArray<Paid> PaidSoFar(Costing costing)
    {
        var paid = ImmutableArray.CreateBuilder<Paid>();
        var sum = default(Sum);
        foreach (var (index, bill) in costing.Counted.Index())
        {
            sum += new Sum(costing.Values[index], bill.IsAtLeast);
            if (paid.Count > 0 && paid[^1].Date == bill.Date)
            {
                paid[^1] = new Paid(bill.Date, sum);
            }
            else
            {
                paid.Add(new Paid(bill.Date, sum));
            }
        }

        return paid.ToImmutable();
    }
}

/// <summary>What is paid in all by a day, that day's bills with it.</summary>
public readonly record struct Paid(DateOnly Date, Sum Sum);

/// <summary>Who has paid least so far from a date on, up to the next lead.</summary>
/// <param name="Letters">Equal ones all.</param>
/// <param name="Paid">What they have paid by that date.</param>
public sealed record Lead(DateOnly From, ImmutableArray<string> Letters, Minor Paid)
{
    internal static ImmutableArray<Lead> FindAll(ImmutableArray<Compared> candidates, CountSettings settings)
    {
        var whole = candidates.Where(known => known.Costing is { Totals.AtLeast.Horizon: false }).ToList();
        if (whole.Count < 2)
        {
            return [];
        }

        var leads = ImmutableArray.CreateBuilder<Lead>();
        foreach (
            var date in whole
                .SelectMany(known => known.Paid.Select(paid => paid.Date))
                .Append(settings.StartDate)
                .Distinct()
                .Order()
        )
        {
            var sums = whole.ConvertAll(known => known.Paid.LastOrDefault(paid => paid.Date <= date).Sum.Amount);
            var least = sums.Min();
            var letters = whole
                .Index()
                .Where(pair => sums[pair.Index] == least)
                .Select(pair => pair.Item.Letter)
                .ToImmutableArray();
            if (leads.Count == 0 || !leads[^1].Letters.SequenceEqual(letters))
            {
                leads.Add(new Lead(date, letters, least));
            }
        }

        return leads.ToImmutable();
    }
}
