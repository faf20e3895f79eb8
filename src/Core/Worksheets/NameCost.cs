using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// What a new name under an ending costs at one seller, as a part of a candidate: the costing with it less the costing
/// without any domain. Sums are minor units of the display currency, taxed as it counts.
/// </summary>
public sealed record NameCost(string Ending, EndingSeller Seller)
{
    /// <summary>The most years a name can be registered for at once.</summary>
    private const int MostYears = 10;

    /// <summary>What a premium name costs in place of the ending's own prices.</summary>
    public PremiumPrices? Premium { get; init; }

    /// <summary>Whether the seller is the candidate's host: nothing to be joined by hand.</summary>
    public bool IsSimplest { get; init; }

    /// <summary>
    /// Whether no other seller of the ending takes less over the horizon, as far as prices are stated.
    /// </summary>
    public bool IsCheapest { get; init; }

    /// <summary>
    /// What the simplest takes more than this over the horizon; null where there is no other, or a sum is only the
    /// least it can be.
    /// </summary>
    public Minor? SimplestCostsMore { get; init; }

    /// <summary>Over the horizon, registered for one year at first; null where it cannot be costed.</summary>
    public Sum? Horizon { get; init; }

    /// <summary>1, 2, 3 … over all whose sum is whole, the least first; those alike share one.</summary>
    public int? Rank { get; init; }

    /// <summary>Whether the plan's domain-year is spent on it, or why not.</summary>
    public required IncludedAnswer Included { get; init; }

    /// <summary>How its holder is kept out of the public record there.</summary>
    public required PrivacyThere Privacy { get; init; }

    /// <summary>For 1, 2, … years at once, as many as the seller takes.</summary>
    public ImmutableArray<NameYears> Years { get; init; } = [];

    /// <summary>Every ending at every seller, in the order of <see cref="EndingOffer"/>.</summary>
    public static ImmutableArray<NameCost> ListAll(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        CountSettings settings
    )
    {
        var without = Without(candidate, books, settings);
        var costs = EndingOffer
            .ListAll(candidate, books)
            .Select(offer =>
                Compared([
                    .. offer.Sellers.Select(seller =>
                        WorkOut(offer.Ending, seller, null, candidate, books, settings, without)
                    ),
                ])
            )
            .ToList();
        var order = costs
            .SelectMany(ending => ending)
            .Where(cost => cost.Horizon is { IsAtLeast: false })
            .Select(cost => cost.Horizon!.Value.Amount)
            .Order()
            .ToList();
        return
        [
            .. costs
                .SelectMany(ending => ending)
                .Select(cost =>
                    cost.Horizon is { IsAtLeast: false } sum ? cost with { Rank = 1 + order.IndexOf(sum.Amount) } : cost
                ),
        ];
    }

    /// <summary>
    /// A premium name at the one seller that gave its price; null where that seller does not offer the ending with the
    /// candidate.
    /// </summary>
    public static NameCost? OfPremium(
        string ending,
        string book,
        PremiumPrices premium,
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        CountSettings settings
    ) =>
        EndingOffer
            .ListAll(candidate, books)
            .FirstOrDefault(offer => offer.Ending == ending)
            ?.Sellers.FirstOrDefault(seller => seller.Book.Id == book)
            is { } seller
            ? WorkOut(ending, seller, premium, candidate, books, settings, Without(candidate, books, settings))
            : null;

    private static Costing? Without(Candidate candidate, IReadOnlyList<OfferBook> books, CountSettings settings) =>
        candidate.Hosting?.Plan is null ? null : Worksheet.CostingOf(candidate with { Domains = [] }, books, settings);

    private static NameCost WorkOut(
        string ending,
        EndingSeller seller,
        PremiumPrices? premium,
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        Costing? without
    )
    {
        var years = ImmutableArray.CreateBuilder<NameYears>();
        for (var count = 1; count <= Math.Min(seller.Price.MaxYears, MostYears); count++)
        {
            if (
                Worksheet.CostingOf(With(candidate, ending, seller.Book, premium, count), books, settings) is
                { } costing
            )
            {
                years.Add(NameYears.Compare(count, costing, without));
            }
        }

        var first = years.Count > 0 && years[0].Years == 1 ? years[0] : null;
        return new NameCost(ending, seller)
        {
            Premium = premium,
            IsSimplest = seller.Book.Id == candidate.Hosting?.Book,
            Horizon = first?.Horizon,
            Included = IncludedAnswer.Answer(candidate, ending, seller, premium is not null, books),
            Privacy = PrivacyThere.Find(candidate, seller),
            Years = NameYears.Nearest(years.ToImmutable()),
        };
    }

    // A candidate whose plan is not chosen yet is costed by its domain alone.
    private static Candidate With(
        Candidate candidate,
        string ending,
        OfferBook seller,
        PremiumPrices? premium,
        int years
    )
    {
        var name = new DomainChoice(DomainRoute.Register)
        {
            Book = seller.Id,
            Name = "name",
            Ending = ending,
            Years = years,
            Premium = premium,
            UseIncluded = candidate.Domains.FirstOrDefault()?.UseIncluded ?? true,
            Codes = candidate.Domains.FirstOrDefault() is { } before && before.Book == seller.Id ? before.Codes : [],
        };
        return candidate.Hosting?.Plan is null ? new Candidate(null, [name]) : candidate with { Domains = [name] };
    }

    private static ImmutableArray<NameCost> Compared(ImmutableArray<NameCost> sellers)
    {
        var whole = sellers.Where(cost => cost.Horizon is { IsAtLeast: false }).ToList();
        if (whole.Count < 2)
        {
            return sellers;
        }

        var least = whole.Min(cost => cost.Horizon!.Value.Amount);
        var simplest = whole.Find(cost => cost.IsSimplest);
        return
        [
            .. sellers.Select(cost =>
                !whole.Contains(cost)
                    ? cost
                    : cost with
                    {
                        IsCheapest = cost.Horizon!.Value.Amount == least,
                        SimplestCostsMore =
                            simplest is null || cost.IsSimplest
                                ? null
                                : simplest.Horizon!.Value.Amount - cost.Horizon.Value.Amount,
                    }
            ),
        ];
    }
}
