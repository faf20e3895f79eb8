namespace HomeStart.Formats.Books;

/// <summary>
/// An offer book as the page shows it to choose from. Amounts are decimal strings in <see cref="Currency"/>; null is
/// not stated.
/// </summary>
/// <param name="IsOld">Read over 60 days ago.</param>
public sealed record BookWire(
    string Id,
    string Provider,
    IReadOnlyList<string>? Support,
    IReadOnlyList<string> Facts,
    DateOnly AsOf,
    bool IsOld,
    string Currency,
    bool PricesIncludeTax,
    int? RefundDays,
    IReadOnlyList<PlanWire> Plans,
    IReadOnlyList<DataCentreWire> DataCentres,
    IReadOnlyList<AddOnWire> AddOns,
    IReadOnlyList<DomainPriceWire> Domains
)
{
    /// <summary>Whether its seller is made up: a book that comes with Home Start, not the owner's.</summary>
    public bool IsExample { get; init; }

    /// <summary>Whether the visitor hides it: nothing is offered from it.</summary>
    public bool IsPutAway { get; init; }

    public static BookWire From(OfferBook book, DateOnly today)
    {
        return new BookWire(
            book.Id,
            book.Provider.Name,
            book.Provider.Support,
            book.Provider.Facts,
            book.AsOf,
            book.IsOldOn(today),
            book.Currency.Code,
            book.Tax.PricesInclude,
            book.Refund?.Days,
            [.. book.Plans.Select(plan => PlanWire.From(book, plan))],
            [.. book.DataCentres.Select(centre => new DataCentreWire(centre.Id, centre.Name, centre.Region))],
            [
                .. book.AddOns.Select(addOn => new AddOnWire(
                    addOn.Id,
                    addOn.Name,
                    addOn.For == AddOnFor.Domain,
                    addOn.Provides,
                    addOn.Unit,
                    addOn.ReadFrom
                )),
            ],
            [
                .. book.Domains.Select(price => new DomainPriceWire(
                    price.Ending,
                    Amount(price.Register),
                    Amount(price.Renew),
                    price.Transfer is not null,
                    price.MaxYears,
                    price.ReadFrom
                )),
            ]
        );

        string? Amount(Int128? units) => units is { } stated ? new Money(stated, book.Currency).ToAmount() : null;
    }
}

/// <param name="Features">Numbers, "unlimited", true or false, words; an absent one is unknown.</param>
/// <param name="Includes">The names of the extras it holds.</param>
/// <param name="ReadFrom">The words of the seller's page that it was read from.</param>
/// <param name="FirstPerMonth">The lowest first price a month, over its ways to pay: what an advertisement would
/// say.</param>
public sealed record PlanWire(
    string Id,
    string Name,
    IReadOnlyDictionary<string, object> Features,
    IReadOnlyList<string> Includes,
    IncludedDomainWire? IncludedDomain,
    string? FirstPerMonth,
    IReadOnlyList<PrintedWords> ReadFrom
)
{
    internal static PlanWire From(OfferBook book, Plan plan) =>
        new(
            plan.Id,
            plan.Name,
            plan.Features.Values.ToDictionary(feature => feature.Key, feature => Value(feature.Value)),
            [.. plan.Includes.Select(id => book.AddOns.FirstOrDefault(addOn => addOn.Id == id)?.Name).OfType<string>()],
            plan.IncludedDomain is { } given
                ? new IncludedDomainWire(given.MinCommitMonths, given.Endings, given.EveryYear)
                : null,
            Least(book, plan),
            plan.ReadFrom
        );

    private static string? Least(OfferBook book, Plan plan)
    {
        var months = plan.Billing.Select(option => option.FirstPerMonth).ToList();
        return months.Count == 0 ? null : new Money(months.Min(), book.Currency).ToAmount();
    }

    private static object Value(FeatureValue value) =>
        value.Number ?? value.Flag ?? value.Word ?? (object?)value.Words ?? "";
}

public sealed record IncludedDomainWire(int MinCommitMonths, IReadOnlyList<string> Endings, bool EveryYear);

public sealed record DataCentreWire(string Id, string Name, string? Region);

/// <param name="Provides">The tag it meets in needs.</param>
/// <param name="Unit">What one of it is, where several can be bought.</param>
/// <param name="ReadFrom">The words of the seller's page that it was read from.</param>
public sealed record AddOnWire(
    string Id,
    string Name,
    bool ForDomain,
    string? Provides,
    string? Unit,
    IReadOnlyList<PrintedWords> ReadFrom
);

/// <param name="ReadFrom">The words of the seller's page that it was read from.</param>
/// <param name="TakesTransfers">Whether a domain with this ending can be moved in.</param>
public sealed record DomainPriceWire(
    string Ending,
    string? Register,
    string? Renew,
    bool TakesTransfers,
    int MaxYears,
    IReadOnlyList<PrintedWords> ReadFrom
);
