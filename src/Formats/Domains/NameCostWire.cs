using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Domains;

/// <summary>
/// What a new name under an ending costs at one seller as a part of the candidate; sums are in the display currency, as
/// it counts tax.
/// </summary>
/// <param name="Register">The first year's price, in the book's <paramref name="Currency"/>; null: not stated. So for
/// <paramref name="Renew"/>.</param>
/// <param name="IsSimplest">The seller is the candidate's host.</param>
/// <param name="IsCheapest">No other seller of the ending takes less over the horizon.</param>
/// <param name="SimplestCostsMore">What the simplest takes more over the horizon; below zero it takes less.</param>
/// <param name="Rank">1, 2, 3 … by what is taken over the horizon.</param>
/// <param name="ShownWithout">What the public record shows of the holder without contact privacy; null: not stated. So
/// for <paramref name="ShownWith"/>.</param>
/// <param name="IncludedFromMonths">Where the commitment is too short for the plan's domain-year: from which it is
/// given.</param>
public sealed record NameCostWire(
    string Ending,
    string Book,
    string Provider,
    string? Register,
    string? Renew,
    string Currency,
    bool IsSimplest,
    bool IsCheapest,
    string? SimplestCostsMore,
    SumWire? Horizon,
    int? Rank,
    IncludedWhy Included,
    int? IncludedFromMonths,
    PrivacyWay Privacy,
    string? PrivacyFirstYear,
    string? PrivacyLaterYear,
    string? PrivacyExtra,
    IReadOnlyList<string>? ShownWithout,
    IReadOnlyList<string>? ShownWith,
    IReadOnlyList<NameYearsWire> Years
)
{
    public static NameCostWire From(NameCost cost, Currency display)
    {
        var book = cost.Seller.Book;
        return new NameCostWire(
            cost.Ending,
            book.Id,
            book.Provider.Name,
            cost.Premium is { } premium
                ? premium.Register?.ToString()
                : Amount(cost.Seller.Price.Register, book.Currency),
            cost.Premium is { } again ? again.Renew?.ToString() : Amount(cost.Seller.Price.Renew, book.Currency),
            book.Currency.Code,
            cost.IsSimplest,
            cost.IsCheapest,
            Amount(cost.SimplestCostsMore, display),
            Sum(cost.Horizon),
            cost.Rank,
            cost.Included.Why,
            cost.Included.Why == IncludedWhy.Term ? cost.Included.FromMonths : null,
            cost.Privacy.Way,
            Amount(cost.Privacy.FirstYear, book.Currency),
            Amount(cost.Privacy.LaterYear, book.Currency),
            cost.Privacy.Extra,
            cost.Seller.Price.PublicRecord?.ShownWith(hasPrivacy: false),
            cost.Seller.Price.PublicRecord?.ShownWith(hasPrivacy: true),
            [
                .. cost.Years.Select(years => new NameYearsWire(
                    years.Years,
                    Sum(years.Today)!,
                    Sum(years.Horizon)!,
                    years.Expires,
                    years.DaysApart,
                    years.IsNearest
                )),
            ]
        );

        SumWire? Sum(Sum? sum) => sum is { } known ? SumWire.From(known, display) : null;

        static string? Amount(Int128? units, Currency currency) =>
            units is { } stated ? new Money(stated, currency).ToAmount() : null;
    }
}

/// <summary>Registered for so many years at once.</summary>
/// <param name="Today">What it adds to what is due today.</param>
/// <param name="Horizon">What it adds over the horizon.</param>
/// <param name="DaysApart">From the day it is paid until to the nearest end of a term of the hosting; null: there is
/// none.</param>
/// <param name="IsNearest">The fewest years that bring the two nearest, where one year does not.</param>
public sealed record NameYearsWire(
    int Years,
    SumWire Today,
    SumWire Horizon,
    DateOnly Expires,
    int? DaysApart,
    bool IsNearest
);
