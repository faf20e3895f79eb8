namespace HomeStart.Core.Advertising;

/// <summary>A number as an owner types it from a page.</summary>
public static class TypedNumber
{
    /// <summary>"£2.99", "2,99 €" and "1,299" with a point and no sign; anything else as it was typed, for whoever reads it to refuse.</summary>
    public static string Of(string typed) => AdAmount.In(typed) is [var amount] ? amount.Number : AdAmount.NumberOf(typed) ?? typed.Trim();

    /// <summary>The codes of the currencies that amounts in a text are written in.</summary>
    public static IEnumerable<string> CurrenciesIn(string text) => AdAmount.In(text).Select(amount => amount.Currency).OfType<string>();
}
