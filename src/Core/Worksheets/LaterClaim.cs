using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// Until when the domain-year of a candidate's plan must be claimed, and what it costs to miss that (costing rule 16).
/// </summary>
/// <param name="Before">The first day on which it is too late.</param>
/// <param name="EveryYear">Whether there is a new one each year.</param>
/// <param name="Missed">The first year's price then, in minor units of the book's currency, for the ending it is chosen
/// later under, or the first it may have; null: not stated.</param>
public sealed record LaterClaim(OfferBook Book, string Ending, DateOnly Before, bool EveryYear, Minor? Missed)
{
    /// <summary>Null where the plan gives none, or the commitment is too short for it.</summary>
    public static LaterClaim? Find(Candidate candidate, IReadOnlyList<OfferBook> books, CountSettings settings)
    {
        var book = books.FirstOrDefault(book => book.Id == candidate.Hosting?.Book);
        if (
            book?.Plan(candidate.Hosting!.Plan)?.IncludedDomain is not { Endings.IsEmpty: false } given
            || (candidate.Hosting!.CommitMonths ?? candidate.Hosting.EveryMonths) is not { } commit
            || commit < given.MinCommitMonths
        )
        {
            return null;
        }

        var chosen = candidate.Domains.FirstOrDefault()?.Ending;
        var ending = chosen is not null && given.Endings.Contains(chosen) ? chosen : given.Endings[0];
        var before = settings.StartDate.AddMonths(given.EveryYear ? 12 : given.ClaimWithinMonths);
        return new LaterClaim(book, ending, before, given.EveryYear, book.Domain(ending)?.Register);
    }
}
