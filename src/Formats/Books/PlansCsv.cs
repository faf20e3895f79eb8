using System.Globalization;
using HomeStart.Formats.Exports;

namespace HomeStart.Formats.Books;

/// <summary>
/// The plans of a book as CSV for a spreadsheet: one row a plan and way to pay, under the headings that
/// <see cref="ColumnRole"/> reads back.
/// </summary>
public static class PlansCsv
{
    public static string Write(OfferBook book)
    {
        var steps = book
            .Plans.SelectMany(plan => plan.Billing)
            .Select(option => option.Prices.Steps.Length)
            .DefaultIfEmpty(1)
            .Max();
        var features = book
            .Plans.SelectMany(plan => plan.Features.Values.Where(pair => IsColumn(pair.Key)).Select(pair => pair.Key))
            .Distinct(StringComparer.Ordinal)
            .Order(StringComparer.Ordinal)
            .ToList();
        var hasFree = book.Plans.Any(plan => plan.Billing.Any(option => option.FreeMonths > 0));
        string[] head =
        [
            "seller",
            "currency",
            "tax",
            "plan",
            "every-months",
            "commit-months",
            .. hasFree ? ["free-months"] : (string[])[],
            "set-up-fee",
            .. Enumerable.Range(1, steps).SelectMany(step => (string[])[$"price-{step}", $"bills-{step}"]),
            "endings",
            "domain-from-months",
            .. features.Select(key => $"feature-{key}"),
        ];
        return CsvStyle.File([
            head,
            .. book.Plans.SelectMany(plan =>
                plan.Billing.Select(option => Row(book, plan, option, steps, features, hasFree))
            ),
        ]);
    }

    private static IEnumerable<string> Row(
        OfferBook book,
        Plan plan,
        BillingOption option,
        int steps,
        IReadOnlyList<string> features,
        bool hasFree
    )
    {
        var given = plan.IncludedDomain;
        return
        [
            CsvStyle.Text(book.Provider.Name),
            book.Currency.Code,
            book.Tax.PricesInclude ? "inside" : "on-top",
            CsvStyle.Text(plan.Name),
            Number(option.EveryMonths),
            Number(option.CommitMonths),
            .. hasFree ? [Number(option.FreeMonths)] : (string[])[],
            option.SetupFee is { } fee ? Amount(book, fee) : "",
            .. Enumerable
                .Range(0, steps)
                .SelectMany(step =>
                    step < option.Prices.Steps.Length ? Step(book, option.Prices.Steps[step]) : ["", ""]
                ),
            given is null ? "" : string.Join(", ", given.Endings),
            given is null ? "" : Number(given.MinCommitMonths),
            .. features.Select(key =>
                plan.Features[key] is { } value
                    ? value.Number?.ToString(CultureInfo.InvariantCulture) ?? value.Word ?? ""
                    : ""
            ),
        ];
    }

    private static string[] Step(OfferBook book, PriceStep step) =>
        [step.Units is { } units ? Amount(book, units) : "not stated", step.Periods is { } bills ? Number(bills) : ""];

    private static bool IsColumn(string feature) => ColumnRole.TryParse($"feature-{feature}", out _);

    private static string Amount(OfferBook book, Int128 units) => new Money(units, book.Currency).ToAmount();

    private static string Number(int number) => number.ToString(CultureInfo.InvariantCulture);
}
