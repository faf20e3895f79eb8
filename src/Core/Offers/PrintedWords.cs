namespace HomeStart.Core.Offers;

/// <summary>The seller's own words that something of a price list was read from.</summary>
/// <param name="Of">What: price, later, months, setup, limits, domain, register, renew or transfer.</param>
/// <param name="CommitMonths">Of which way to pay; null: of none alone.</param>
/// <param name="On">The day they were read.</param>
public sealed record PrintedWords(string Of, int? CommitMonths, string Words, DateOnly On)
{
    /// <summary>Longer words are cut: a sentence is enough.</summary>
    public const int Longest = 300;

    /// <summary>No part of a price list has more of them.</summary>
    public const int Most = 60;
}
