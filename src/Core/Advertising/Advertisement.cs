using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Advertising;

/// <summary>
/// What a seller's page says of one plan, in the order in which such pages say it. Amounts are minor units of
/// <paramref name="Currency"/>.
/// </summary>
/// <param name="Headline">The price in large print, and how it is paid.</param>
public sealed record Advertisement(string Provider, string Plan, Currency Currency, AdvertisedWay Headline)
{
    /// <summary>Further ways to pay for the same plan.</summary>
    public ImmutableArray<AdvertisedWay> OtherWays { get; init; } = [];

    /// <summary>Charged once, whichever way is paid; null: none is mentioned.</summary>
    public Minor? SetupFee { get; init; }

    /// <summary>The domain-year in the price; null: none.</summary>
    public AdvertisedDomain? Domain { get; init; }

    /// <summary>Whether the prices hold the tax.</summary>
    public bool TaxInside { get; init; }

    /// <summary>Days within which money comes back; null: not stated.</summary>
    public int? RefundDays { get; init; }

    /// <summary>Extras the seller's order form ticks in advance.</summary>
    public ImmutableArray<AdvertisedExtra> Ticked { get; init; } = [];

    /// <summary>
    /// The offer book it makes: one plan, what belongs to it, and unstated prices where the page is silent.
    /// </summary>
    /// <param name="id">The book's id.</param>
    /// <param name="readOn">The day the page was read.</param>
    public OfferBook ToBook(string id, DateOnly readOn)
    {
        var plan = new Plan(Slug.Make(Plan, "plan"), Plan)
        {
            Billing = [.. OtherWays.Prepend(Headline).Select(way => way.ToOption(SetupFee))],
            IncludedDomain = Domain is { } domain
                ? new IncludedDomain(
                    domain.FromMonths,
                    domain.Endings,
                    Transfer: false,
                    EveryYear: false,
                    ClaimWithinMonths: 12
                )
                : null,
        };
        return new OfferBook(id, new Provider(Provider, null), readOn, Currency)
        {
            Tax = new BookTax(TaxInside, Charged: true),
            Plans = [plan],
            AddOns =
            [
                .. Slug.Each(Ticked.Select(extra => extra.Name), "extra")
                    .Zip(Ticked, (extra, said) => said.ToAddOn(extra)),
            ],
            Domains =
            [
                .. (Domain?.Endings ?? []).Select(ending => new DomainPrice(ending, null, null, null, 10, [], null)),
            ],
            Refund = RefundDays is { } days ? new RefundRule(days, 0, [], DeductsIncludedDomain: false) : null,
        };
    }
}

/// <summary>A price, and how it is paid.</summary>
/// <param name="Months">The months the price holds for at first, 1 to 120.</param>
public sealed record AdvertisedWay(AdvertisedPrice Price, int Months, HowPaid Paid, LaterPrice Later)
{
    /// <summary>As an option of a plan: one price a bill, and what follows it.</summary>
    public BillingOption ToOption(Minor? setupFee)
    {
        var every = Paid == HowPaid.AtOnce ? Months : 1;
        var first = Price.ForBill(every, Months);
        var later = Later switch
        {
            { IsSame: true } => first,
            { Price: { } price } => price.ForBill(every, Months),
            _ => (Minor?)null,
        };
        PriceStep[] steps =
            later == first
                ? [new PriceStep(null, first)]
                : [new PriceStep(Paid == HowPaid.AtOnce ? 1 : Months, first), new PriceStep(null, later)];
        return new BillingOption(
            every,
            Paid == HowPaid.MonthlyFree ? 1 : Months,
            setupFee is { } fee && fee > 0 ? fee : null,
            new PriceSteps([.. steps])
        );
    }
}

/// <summary>An amount as a page words it: so much a month, a year, or for the whole term.</summary>
public sealed record AdvertisedPrice(Minor Amount, AdvertisedPer Per)
{
    /// <summary>What a bill for so many months of a term comes to, rounded once.</summary>
    public Minor ForBill(int everyMonths, int termMonths) =>
        Per switch
        {
            AdvertisedPer.Month => Amount * everyMonths,
            AdvertisedPer.Year => new Fraction(everyMonths, 12).Of(Amount),
            AdvertisedPer.Term => new Fraction(everyMonths, termMonths).Of(Amount),
            _ => throw new ArgumentOutOfRangeException(nameof(everyMonths), Per, null),
        };
}

/// <summary>What an advertised amount is for.</summary>
public enum AdvertisedPer
{
    /// <summary>A month.</summary>
    Month,

    /// <summary>A year.</summary>
    Year,

    /// <summary>The whole term.</summary>
    Term,
}

/// <summary>How an advertised price is paid.</summary>
public enum HowPaid
{
    /// <summary>The whole term in one bill.</summary>
    AtOnce,

    /// <summary>Each month, committed for the term.</summary>
    MonthlyBound,

    /// <summary>Each month, free to leave.</summary>
    MonthlyFree,
}

/// <summary>What follows the first term: the same price, another, or (neither) not stated.</summary>
public sealed record LaterPrice(bool IsSame, AdvertisedPrice? Price)
{
    /// <summary>The page does not say.</summary>
    public static readonly LaterPrice NotStated = new(false, null);

    /// <summary>The price holds for good.</summary>
    public static readonly LaterPrice Same = new(true, null);
}

/// <summary>A domain-year in the price.</summary>
/// <param name="FromMonths">The commitment from which it is given; 0: any.</param>
public sealed record AdvertisedDomain(ImmutableArray<string> Endings, int FromMonths);

/// <summary>An extra that the seller ticks in advance.</summary>
/// <param name="Every">Once, by the month or by the year.</param>
public sealed record AdvertisedExtra(string Name, Minor Amount, ChargeEvery Every)
{
    /// <summary>As an extra of the book, marked as ticked in advance.</summary>
    public AddOn ToAddOn(string id) =>
        new(id, Name, AddOnFor.Hosting, Every, new PriceSteps([new PriceStep(null, Amount)])) { Preselected = true };
}
