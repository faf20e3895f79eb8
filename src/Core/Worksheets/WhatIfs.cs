using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// What choosing one thing would make of the candidate. Differences are minor units of the display currency; above zero
/// is dearer.
/// </summary>
/// <param name="Costing">Null where it cannot be costed.</param>
/// <param name="HorizonChange">Against the candidate as it is; null where either cannot be costed.</param>
public sealed record WhatIf<T>(T Choice, bool IsChosen, Costing? Costing, Minor? HorizonChange, Minor? TodayChange);

/// <summary>Costs alternatives of one candidate against it: each difference is that of two costings.</summary>
internal sealed class WhatIfs(Candidate candidate, IReadOnlyList<OfferBook> books, CountSettings settings, Costing? now)
{
    public WhatIf<T> Try<T>(T choice, bool isChosen, Candidate alternative)
    {
        // What is chosen is worked out already.
        var costing = isChosen && alternative == candidate ? now : Worksheet.CostingOf(alternative, books, settings);
        var comparable = costing is not null && now is not null && costing.Currency == now.Currency;
        return new WhatIf<T>(
            choice,
            isChosen,
            costing,
            comparable ? costing!.Totals.Horizon - now!.Totals.Horizon : null,
            comparable ? costing!.Totals.DueToday - now!.Totals.DueToday : null
        );
    }
}
