using System.Globalization;

namespace HomeStart.Core.Basics;

/// <summary>
/// A sum of money: a whole number of minor units of one currency (costing rule 1). Made by <see cref="TryParse"/> from
/// text, or from units that a rule worked out. Adding two currencies throws: a rate must be applied first.
/// </summary>
/// <param name="Units">Minor units; below zero for what is given back.</param>
/// <param name="Currency">What the units are of.</param>
public readonly record struct Money(Minor Units, Currency Currency)
{
    /// <summary>The largest amount that can be read, in minor units (10^12).</summary>
    public static readonly Minor Largest = 1_000_000_000_000;

    /// <summary>Nothing, in a currency.</summary>
    public static Money Zero(Currency currency) => new(0, currency);

    /// <exception cref="InvalidOperationException">The currencies differ.</exception>
    public static Money operator +(Money left, Money right) => new(left.Units + right.In(left.Currency), left.Currency);

    /// <exception cref="InvalidOperationException">The currencies differ.</exception>
    public static Money operator -(Money left, Money right) => new(left.Units - right.In(left.Currency), left.Currency);

    /// <summary>
    /// Reads "47.40", "47.4" or "47". A sign, an exponent, white space, more decimals than the currency has, or
    /// anything else is <see cref="AmountFault.NotAnAmount"/>; more than <see cref="Largest"/> is
    /// <see cref="AmountFault.TooLarge"/>.
    /// </summary>
    public static AmountFault TryParse(string? text, Currency currency, out Money money)
    {
        money = Zero(currency);
        return ExactDecimal.TryParse(text, out var number)
            ? TryOf(number, currency, out money)
            : AmountFault.NotAnAmount;
    }

    /// <summary>The amount that a number says in a currency; faults as in <see cref="TryParse"/>.</summary>
    public static AmountFault TryOf(ExactDecimal number, Currency currency, out Money money)
    {
        money = Zero(currency);
        if (number.Scale > currency.Decimals)
        {
            return AmountFault.NotAnAmount;
        }

        if (number.TryTimesPowerOfTen(currency.Decimals) is not { } units || units > Largest)
        {
            return AmountFault.TooLarge;
        }

        money = new Money(units, currency);
        return AmountFault.None;
    }

    /// <summary>The amount with exactly the currency's decimals and no currency: "47.40", "-3.00", "330".</summary>
    public string ToAmount()
    {
        var digits = Minor.Abs(Units).ToString(CultureInfo.InvariantCulture).PadLeft(Currency.Decimals + 1, '0');
        var whole = digits[..^Currency.Decimals];
        var text = Currency.Decimals == 0 ? digits : $"{whole}.{digits[^Currency.Decimals..]}";
        return Units < 0 ? "-" + text : text;
    }

    /// <summary>"47.40 GBP".</summary>
    public override string ToString() => $"{ToAmount()} {Currency.Code}";

    private Minor In(Currency currency) =>
        Currency == currency
            ? Units
            : throw new InvalidOperationException(
                $"{Currency.Code} cannot be added to {currency.Code} without a rate."
            );
}

/// <summary>What is wrong with the text of an amount.</summary>
public enum AmountFault
{
    /// <summary>It is an amount.</summary>
    None,

    /// <summary>It is none, or has more decimals than its currency.</summary>
    NotAnAmount,

    /// <summary>It is above <see cref="Money.Largest"/>.</summary>
    TooLarge,
}
