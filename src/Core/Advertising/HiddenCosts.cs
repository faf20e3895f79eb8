using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Advertising;

/// <summary>
/// What an advertised price comes to, which the large print does not say. Sums are in the book's own currency, counted
/// as the owner counts tax.
/// </summary>
/// <param name="PerMonth">The headline by the month, rounded.</param>
/// <param name="DueToday">What the first bill asks.</param>
/// <param name="FirstYear">All bills before a year is over.</param>
/// <param name="ThreeYears">All bills before three years are over.</param>
/// <param name="AfterFirstTerm">The price a month from the step on, with its day; null: it stays as it is.</param>
/// <param name="TickedInAdvance">What the extras add over three years if they are left ticked; null: none are.</param>
public sealed record HiddenCosts(
    Money PerMonth,
    Sum DueToday,
    Sum FirstYear,
    Sum ThreeYears,
    PriceStepUp? AfterFirstTerm,
    Money? TickedInAdvance
)
{
    private const int Years = 3;

    /// <summary>What the first way to pay of the only plan hides; null where it cannot be costed.</summary>
    public static HiddenCosts? Find(OfferBook book, CountSettings owner)
    {
        var settings = owner with { HorizonMonths = Years * 12, DisplayCurrency = book.Currency };
        var whole = Cost(book, settings, []);
        var firstYear = Cost(book, settings with { HorizonMonths = 12 }, []);
        if (whole is null || firstYear is null)
        {
            return null;
        }

        var ticked = book.AddOns.IsEmpty
            ? null
            : Cost(book, settings, [.. book.AddOns.Select(addOn => new AddOnChoice(addOn.Id, 1))]);
        return new HiddenCosts(
            whole.Totals.AdvertisedPerMonth!.Value,
            new Sum(whole.Totals.DueToday, whole.Totals.AtLeast.DueToday),
            new Sum(firstYear.Totals.Horizon, firstYear.Totals.AtLeast.Horizon),
            new Sum(whole.Totals.Horizon, whole.Totals.AtLeast.Horizon),
            StepOf(book, owner.StartDate),
            ticked is null ? null : new Money(ticked.Totals.Horizon - whole.Totals.Horizon, book.Currency)
        );
    }

    /// <summary>
    /// A candidate that buys what the page advertises: its first way to pay, the included domain taken once its name is
    /// known, nothing that is ticked.
    /// </summary>
    public static Candidate Bought(OfferBook book, ImmutableArray<AddOnChoice> extras)
    {
        var plan = book.Plans[0];
        var way = plan.Billing[0];
        var given =
            plan.IncludedDomain is { Endings: [var ending, ..] } included
            && way.CommitMonths >= included.MinCommitMonths
                ? ending
                : null;
        return new Candidate(
            new HostingChoice(book.Id, plan.Id, way.EveryMonths, way.CommitMonths) { AddOns = extras },
            given is null ? [] : [new DomainChoice(DomainRoute.Later) { Book = book.Id, Ending = given }]
        );
    }

    // Not the costing's own step: a term that ends with the three years has one too.
    private static PriceStepUp? StepOf(OfferBook book, DateOnly start)
    {
        var way = book.Plans[0].Billing[0];
        return way.Prices.FirstOtherThan(way.Prices.At(0)) is var (bill, price)
            ? new PriceStepUp(
                start.AddMonths(way.MonthsTo(bill)),
                new Money(way.FirstPerMonth, book.Currency),
                price.IsStated ? new Money(way.PerMonth(price.Units), book.Currency) : null
            )
            : null;
    }

    private static Costing? Cost(OfferBook book, CountSettings settings, ImmutableArray<AddOnChoice> extras) =>
        Coster.Cost(Bought(book, extras), [book], settings).Value;
}
