using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Costings;

/// <summary>How the owner counts: from when, over how long, with which tax, in which currency.</summary>
/// <param name="StartDate">S: the day of the first bill.</param>
/// <param name="HorizonMonths">H, 1 to 120.</param>
public sealed record CountSettings(DateOnly StartDate, int HorizonMonths)
{
    /// <summary>The most months that can be counted: ten years.</summary>
    public const int LongestHorizon = 120;

    /// <summary>0 to 1000, in percent.</summary>
    public ExactDecimal TaxPercent { get; init; } = ExactDecimal.Whole(0);

    /// <summary>False for an owner who reclaims the tax: then bills count with their net (costing rule 23).</summary>
    public bool CountTax { get; init; } = true;

    /// <summary>Where the owner is a customer already.</summary>
    public CustomerStatus Customer { get; init; } = CustomerStatus.New;

    /// <summary>
    /// How likely the site still runs a year on, 0 to 100 percent; null: not said, and nothing is expected (costing
    /// rule 28).
    /// </summary>
    public ExactDecimal? KeepChancePercent { get; init; }

    /// <summary>Null: the host's, without hosting the first domain's book's, else its own (costing rule 24).</summary>
    public Currency? DisplayCurrency { get; init; }

    /// <summary>By currency code: what one unit of it is worth in the display currency.</summary>
    public ImmutableDictionary<string, ExactDecimal> Rates { get; init; } =
        ImmutableDictionary<string, ExactDecimal>.Empty;

    /// <summary>T = S + H months.</summary>
    public DateOnly End => StartDate.AddMonths(HorizonMonths);
}
