namespace HomeStart.Core.Basics;

/// <summary>Reading amounts into faults with their places.</summary>
public static class Amounts
{
    /// <summary>The amount in minor units, or null with the fault reported.</summary>
    public static Minor? Read(string? text, Currency currency, string where, FaultList faults) =>
        Read(Money.TryParse(text, currency, out var money), money, text, where, faults);

    /// <summary>So of an amount that was read before its currency was known.</summary>
    public static Minor? Read(ExactDecimal number, Currency currency, string where, FaultList faults) =>
        Read(Money.TryOf(number, currency, out var money), money, number.ToString(), where, faults);

    private static Minor? Read(AmountFault fault, Money money, string? text, string where, FaultList faults)
    {
        var currency = money.Currency;
        switch (fault)
        {
            case AmountFault.None:
                return money.Units;
            case AmountFault.TooLarge:
                faults.Add(
                    FaultCodes.OutOfRange,
                    where,
                    new AmountTooLarge(text, new Money(Money.Largest, currency).ToAmount())
                );
                return null;
            default:
                var example = new Money(currency.Decimals == 0 ? 47 : 4740, currency).ToAmount();
                faults.Add(FaultCodes.BadAmount, where, new NotAnAmount(text, currency, example));
                return null;
        }
    }
}
