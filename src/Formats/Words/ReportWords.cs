using System.Globalization;

namespace HomeStart.Formats.Words;

/// <summary>
/// Days, sums and spans as a British reader has them, for reports. The invariant culture writes English months and
/// 1,083.20; no other ships with the application.
/// </summary>
internal static class ReportWords
{
    public static string Day(DateOnly day) => day.ToString("d MMM yyyy", CultureInfo.InvariantCulture);

    /// <summary>"1,083.20": with "at least" before it where a part is not stated.</summary>
    public static string Figure(Int128 units, Currency currency, bool isAtLeast = false) =>
        (isAtLeast ? "at least " : "")
        + decimal.Parse(new Money(units, currency).ToAmount(), CultureInfo.InvariantCulture)
            .ToString("N" + currency.Decimals, CultureInfo.InvariantCulture)
            .Replace('-', '−');

    /// <summary>"£1,083.20".</summary>
    public static string Sum(Int128 units, Currency currency, bool isAtLeast = false) =>
        (isAtLeast ? "at least " : "") + MoneyWords.Format(new Money(units, currency));

    public static string Column(int column) =>
        column switch
        {
            0 => "Today",
            1 => "Rest of year 1",
            _ => $"Year {column}",
        };

    /// <summary>"Tidemarsh Hosting, Slipway, every 12 months; ostlerwren.com".</summary>
    public static string Way(Costing costing)
    {
        var purchase = costing.Run.Purchase;
        var hosting = purchase.Hosting is { } bought
            ? $"{bought.Book.Provider.Name}, {bought.Plan.Name}, {Paid(bought.Option)}"
            : null;
        var domains = purchase
            .Domains.Where(domain => domain.Choice.Name is not null)
            .Select(domain => domain.Choice.Ref);
        return string.Join("; ", new[] { hosting }.Concat(domains).OfType<string>());
    }

    public static string Paid(BillingOption option)
    {
        var every = option.EveryMonths == 1 ? "monthly" : $"every {option.EveryMonths} months";
        return option.CommitMonths == option.EveryMonths
            ? every
            : $"{every}, committed for {option.CommitMonths} months";
    }

    public static string Counted(CountSettings settings) =>
        $"Counted over {DurationWords.Span(settings.HorizonMonths)} from {Day(settings.StartDate)}, in "
        + $"{settings.DisplayCurrency!.Code}, "
        + $"{(settings.CountTax ? $"with {settings.TaxPercent}% tax" : "without the tax, which is reclaimed")}.";

    /// <summary>Where the prices are from: each book bought from, and when it was read.</summary>
    public static IEnumerable<string> Sources(IEnumerable<Costing> costings) =>
        costings
            .SelectMany(costing => costing.Run.Bills.Select(bill => bill.Book))
            .OfType<OfferBook>()
            .DistinctBy(book => book.Id)
            .OrderBy(book => book.Id, StringComparer.Ordinal)
            .Select(book =>
                $"Prices of {book.Provider.Name}: its price list as read on {Day(book.AsOf)}, "
                + $"{(book.Tax.PricesInclude ? "tax inside" : "before tax")}, in {book.Currency.Code}."
            );
}
