using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// The conditions of date, customer, plan and cycle, which bind codes and automatic promotions alike (costing rules 19
/// and 21).
/// </summary>
/// <param name="Hosting">What is bought from the promotion's own book; null: no hosting.</param>
internal readonly record struct PromotionConditions(DateOnly StartDate, bool IsNewCustomer, BoughtHosting? Hosting)
{
    public static PromotionConditions At(OfferBook book, Purchase purchase) =>
        new(
            purchase.StartDate,
            purchase.Customer.IsNewAt(book),
            ReferenceEquals(purchase.Hosting?.Book, book) ? purchase.Hosting : null
        );

    /// <summary>The first condition that does not hold; null: all do.</summary>
    public Verdict? Bar(Promotion promotion) =>
        StartDate < promotion.From ? Verdict.NotYet
        : StartDate > promotion.Until ? Verdict.Expired
        : promotion.NewCustomersOnly && !IsNewCustomer ? Verdict.NewCustomersOnly
        : !promotion.Plans.IsEmpty
        && !(Hosting is { Plan.Id: var plan } && promotion.Plans.Contains(plan, StringComparer.Ordinal))
            ? Verdict.OtherPlansOnly
        : promotion.MinEveryMonths is { } least && !(Hosting?.Option.EveryMonths >= least) ? Verdict.CycleTooShort
        : null;
}
