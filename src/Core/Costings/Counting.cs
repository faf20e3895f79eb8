using System.Collections.Frozen;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// What bills and amounts count for the owner: tax on top, inside or not charged, reclaimed or not (costing rules 22
/// and 23), then converted to the display currency (rule 24). Amounts are minor units. Immutable, so that any number of
/// threads may share one.
/// </summary>
public sealed class Counting
{
    private readonly CountSettings _settings;
    private readonly Fraction _onTop;
    private readonly Fraction _netOfInclusive;
    private readonly FrozenDictionary<string, Fraction> _rates;

    /// <summary>Counts as the settings say, in a display currency.</summary>
    public Counting(CountSettings settings, Currency display)
    {
        (_settings, Display) = (settings, display);
        _onTop = Fraction.OfPercent(settings.TaxPercent);
        _netOfInclusive = Fraction.NetOfInclusive(settings.TaxPercent);
        _rates = settings.Rates.IsEmpty
            ? FrozenDictionary<string, Fraction>.Empty
            : RatesTo(display, settings).ToFrozenDictionary();
    }

    /// <summary>The display currency.</summary>
    public Currency Display { get; }

    /// <summary>
    /// Whether amounts of a currency can be shown: it is the display currency, or the owner gave its rate.
    /// </summary>
    public bool CanConvert(Currency currency) => currency == Display || _rates.ContainsKey(currency.Code);

    /// <summary>Reports each currency that a figure needs and that has no rate, in the order of their codes.</summary>
    internal void ReportMissing(IEnumerable<Currency> needed, FaultList faults)
    {
        foreach (
            var code in needed
                .Where(currency => !CanConvert(currency))
                .Select(currency => currency.Code)
                .Distinct()
                .Order(StringComparer.Ordinal)
        )
        {
            faults.Add(FaultCodes.NoRate, $"display.rates.{code}", new NoRate(code, Display));
        }
    }

    /// <summary>The net, tax and total of a sum on one bill of a book; without a book nothing is taxed by us.</summary>
    public Taxed Tax(OfferBook? book, Minor sum)
    {
        if (book is null || !book.Tax.Charged)
        {
            return new Taxed(sum, 0);
        }

        if (book.Tax.PricesInclude)
        {
            var net = _netOfInclusive.Of(sum);
            return new Taxed(net, sum - net);
        }

        return new Taxed(sum, _onTop.Of(sum));
    }

    /// <summary>What a sum on a bill of a book counts, in the book's currency.</summary>
    public Minor Counts(OfferBook? book, Minor sum)
    {
        var taxed = Tax(book, sum);
        return _settings.CountTax ? taxed.Total : taxed.Net;
    }

    /// <summary>
    /// Whether tax is added on top of a book's sums and counted: then it has a row of its own in the ledger.
    /// </summary>
    public bool AddsTax(OfferBook? book) =>
        _settings.CountTax && book is { Tax: { Charged: true, PricesInclude: false } };

    /// <summary>An amount in the display currency, rounded.</summary>
    /// <exception cref="InvalidOperationException">The owner gave no rate for it: ask <see cref="CanConvert"/>
    /// first.</exception>
    public Minor Convert(Minor amount, Currency currency) => currency == Display ? amount : Rate(currency).Of(amount);

    /// <summary>The factor from minor units of a currency to minor units of the display currency.</summary>
    /// <exception cref="InvalidOperationException">The owner gave no rate for it.</exception>
    internal Fraction Rate(Currency currency) =>
        currency == Display ? new Fraction(1, 1)
        : _rates.TryGetValue(currency.Code, out var rate) ? rate
        : throw new InvalidOperationException($"There is no rate from {currency} to {Display}.");

    private static IEnumerable<KeyValuePair<string, Fraction>> RatesTo(Currency display, CountSettings settings)
    {
        foreach (var (code, rate) in settings.Rates)
        {
            if (Currency.TryGet(code, out var currency))
            {
                yield return KeyValuePair.Create(code, Fraction.OfRate(rate, currency, display));
            }
        }
    }
}

/// <summary>A sum without and with its tax, in minor units.</summary>
public readonly record struct Taxed(Minor Net, Minor Tax)
{
    /// <summary>With its tax.</summary>
    public Minor Total => Net + Tax;
}
