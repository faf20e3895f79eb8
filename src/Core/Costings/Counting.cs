using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// What bills and amounts count for the owner: tax on top, inside or not charged, got back or not (costing rules 22 and 23), then converted to the display
/// currency (rule 24). Amounts are minor units.
/// </summary>
public sealed class Counting
{
    private readonly CountSettings _settings;
    private readonly Fraction _onTop;
    private readonly Fraction _netOfInclusive;
    private readonly Dictionary<Currency, Fraction> _rates = [];
    private readonly SortedSet<string> _missing = new(StringComparer.Ordinal);

    public Counting(CountSettings settings, Currency display)
    {
        (_settings, Display) = (settings, display);
        _onTop = Fraction.OfPercent(settings.TaxPercent);
        _netOfInclusive = Fraction.NetOfInclusive(settings.TaxPercent);
    }

    public Currency Display { get; }

    /// <summary>Codes of the currencies a figure needed a rate for that the owner has not given.</summary>
    public IReadOnlyCollection<string> MissingRates => _missing;

    /// <summary>Remembers also the rates another found missing.</summary>
    internal void TakeMissingRates(Counting other) => _missing.UnionWith(other._missing);

    public void ReportMissingRates(FaultList faults)
    {
        foreach (var currency in _missing)
        {
            faults.Add(FaultCodes.NoRate, $"display.rates.{currency}", $"Some of this is paid in {currency}: say what one {currency} is worth in {Display}.");
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

    /// <summary>Whether tax is added on top of a book's sums and counted: then it has a row of its own in the ledger.</summary>
    public bool AddsTax(OfferBook? book) => _settings.CountTax && book is { Tax: { Charged: true, PricesInclude: false } };

    /// <summary>An amount in the display currency, rounded; zero, and remembered as missing, where the owner gave no rate.</summary>
    public Minor Convert(Minor amount, Currency currency) => currency == Display ? amount : Rate(currency).Of(amount);

    /// <summary>The factor from minor units of a currency to minor units of the display currency.</summary>
    internal Fraction Rate(Currency currency)
    {
        if (_rates.TryGetValue(currency, out var known))
        {
            return known;
        }

        var rate = ExactDecimal.Whole(currency == Display ? 1 : 0);
        if (currency != Display && !_settings.Rates.TryGetValue(currency.Code, out rate))
        {
            _missing.Add(currency.Code);
        }

        return _rates[currency] = Fraction.OfRate(rate, currency, Display);
    }
}

/// <summary>A sum without and with its tax, in minor units.</summary>
public readonly record struct Taxed(Minor Net, Minor Tax)
{
    public Minor Total => Net + Tax;
}
