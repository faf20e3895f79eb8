namespace HomeStart.Formats.Costings;

/// <summary>A sum in the display currency.</summary>
/// <param name="AtLeast">A part of it is not stated: it is this or more.</param>
public sealed record SumWire(string Amount, bool AtLeast)
{
    internal static SumWire From(Sum sum, Currency currency) =>
        new(new Money(sum.Amount, currency).ToAmount(), sum.IsAtLeast);
}
