using HomeStart.Formats.Sites;

namespace HomeStart.Formats.Books;

/// <summary>
/// A whole book as a price list to be read. Amounts are decimal strings in the book's currency; null is not stated.
/// </summary>
/// <param name="NotStated">What it does not say and an owner would want to know.</param>
public sealed record PriceListWire(
    BookWire Book,
    IReadOnlyList<PlanPricesWire> Plans,
    IReadOnlyList<DataCentrePriceWire> DataCentres,
    IReadOnlyList<ExtraPriceWire> Extras,
    IReadOnlyList<EndingPriceWire> Endings,
    IReadOnlyList<KnownCodeWire> Codes,
    RefundRuleWire? Refund,
    ChangeRuleWire? Change,
    IReadOnlyList<BookGapWire> NotStated
)
{
    public static PriceListWire From(OfferBook book, DateOnly today)
    {
        return new PriceListWire(
            BookWire.From(book, today),
            [
                .. book.Plans.Select(plan => new PlanPricesWire(
                    plan.Id,
                    [
                        .. plan.Billing.Select(option => new WayPricesWire(
                            option.EveryMonths,
                            option.CommitMonths,
                            option.FreeMonths,
                            Amount(option.SetupFee == 0 ? null : option.SetupFee),
                            [.. option.Prices.Steps.Select(step => new StepWire(step.Periods, Amount(step.Units)))],
                            Amount(option.FirstPerMonth)!,
                            Amount(option.LaterPerMonth)
                        )),
                    ]
                )),
            ],
            [
                .. book.DataCentres.Select(centre => new DataCentrePriceWire(
                    centre.Id,
                    centre.Name,
                    Amount(centre.PerMonth ?? 0)!
                )),
            ],
            [
                .. book.AddOns.Select(addOn => new ExtraPriceWire(
                    addOn.Id,
                    addOn.Name,
                    addOn.For == AddOnFor.Domain,
                    addOn.Every,
                    addOn.Unit,
                    addOn.Preselected,
                    addOn.About,
                    Amount(addOn.Prices.Steps[0].Units),
                    Amount(addOn.Prices.Steps[^1].Units),
                    Amount(addOn.PriceIfBoughtLater)
                )),
            ],
            [
                .. book.Domains.Select(price => new EndingPriceWire(
                    price.Ending,
                    Amount(price.Register),
                    Amount(price.Renew),
                    price.Transfer is not null,
                    Amount(price.Transfer?.Price),
                    price.MaxYears,
                    [.. price.Includes.Select(id => book.AddOn(id, AddOnFor.Domain)?.Name ?? id)],
                    price.Lapse is { } lapse
                        ? new LapseRuleWire(
                            lapse.GraceDays,
                            lapse.RedemptionDays,
                            Amount(lapse.RedemptionFee),
                            lapse.PendingDays
                        )
                        : null
                )),
            ],
            [.. book.Promotions.Select(promotion => KnownCodeWire.Write(promotion.Code ?? "", book, promotion))],
            book.Refund is { } refund
                ? new RefundRuleWire(
                    refund.Days,
                    refund.MinCommitMonths,
                    [.. refund.Excludes.Select(BookWriter.Match)],
                    refund.DeductsIncludedDomain
                )
                : null,
            book.Change is { } change ? new ChangeRuleWire(change.CreditsDays, change.FirstPrice) : null,
            BookGapWire.From(book)
        );

        string? Amount(Int128? units) => units is { } stated ? new Money(stated, book.Currency).ToAmount() : null;
    }
}

/// <summary>The ways to pay for a plan.</summary>
public sealed record PlanPricesWire(string Plan, IReadOnlyList<WayPricesWire> Ways);

/// <param name="FreeMonths">How many come on top of the first bill.</param>
/// <param name="SetupFee">Null: none.</param>
/// <param name="FirstPerMonth">The first bill over its months; <paramref name="LaterPerMonth"/> so of the last
/// step.</param>
public sealed record WayPricesWire(
    int EveryMonths,
    int CommitMonths,
    int FreeMonths,
    string? SetupFee,
    IReadOnlyList<StepWire> Steps,
    string FirstPerMonth,
    string? LaterPerMonth
);

/// <param name="Bills">For how many bills it holds; null: from then on.</param>
public sealed record StepWire(int? Bills, string? Amount);

public sealed record DataCentrePriceWire(string Id, string Name, string PerMonth);

public sealed record ExtraPriceWire(
    string Id,
    string Name,
    bool ForDomain,
    ChargeEvery Every,
    string? Unit,
    bool Preselected,
    string? About,
    string? First,
    string? Later,
    string? IfBoughtLater
);

/// <param name="Includes">The names of the extras that come with it.</param>
public sealed record EndingPriceWire(
    string Ending,
    string? Register,
    string? Renew,
    bool TakesTransfers,
    string? Transfer,
    int MaxYears,
    IReadOnlyList<string> Includes,
    LapseRuleWire? Lapse
);

/// <summary>What follows when it is not renewed; a null part is not stated.</summary>
public sealed record LapseRuleWire(int? GraceDays, int? RedemptionDays, string? RedemptionFee, int? PendingDays);

/// <summary>What changing plan does; a null part is not stated.</summary>
public sealed record ChangeRuleWire(bool? CreditsDays, bool? FirstPrice);

public sealed record RefundRuleWire(
    int Days,
    int MinCommitMonths,
    IReadOnlyList<string> Excludes,
    bool DeductsIncludedDomain
);

/// <param name="Name">What the book calls the plan, extra or data centre of <paramref name="Ref"/>; null where it is
/// none of these.</param>
public sealed record BookGapWire(BookPart Part, string Ref, string? Name)
{
    public static IReadOnlyList<BookGapWire> From(OfferBook book) =>
        [
            .. BookGap
                .Find(book)
                .Select(gap => new BookGapWire(gap.Part, gap.Ref, PartName.Find(book, gap.Part, gap.Ref))),
        ];
}

/// <summary>What a book calls a part of it.</summary>
internal static class PartName
{
    /// <summary>The name behind a reference such as "slipway 12/12"; null where the part has none.</summary>
    public static string? Find(OfferBook book, BookPart part, string reference) =>
        part switch
        {
            BookPart.Plan or BookPart.PlanFeatures or BookPart.IncludedDomain => book.Plan(reference)?.Name,
            BookPart.WayToPay
            or BookPart.FirstPrice
            or BookPart.LaterPrice
            or BookPart.SetupFee
            or BookPart.PriceSteps => book.Plan(reference[..Math.Max(0, reference.LastIndexOf(' '))])?.Name,
            BookPart.DataCentre => book.DataCentre(reference)?.Name,
            BookPart.Extra or BookPart.ExtraLater => book.AddOns.FirstOrDefault(addOn => addOn.Id == reference)?.Name,
            _ => null,
        };
}
