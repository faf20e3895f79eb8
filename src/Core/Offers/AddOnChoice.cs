namespace HomeStart.Core.Offers;

/// <summary>An extra and how many of it.</summary>
public sealed record AddOnChoice(string? Id, int Quantity = 1)
{
    /// <summary>How many of one extra can be bought.</summary>
    public const int Largest = 10_000;
}
