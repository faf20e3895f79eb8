using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// Whether the domain-year of a candidate's plan is spent on a new name, or why not (costing rule 16).
/// </summary>
/// <param name="FromMonths">For <see cref="IncludedWhy.Term"/>: from which commitment on.</param>
public sealed record IncludedAnswer(IncludedWhy Why, int? FromMonths = null)
{
    internal static IncludedAnswer Answer(
        Candidate candidate,
        string ending,
        EndingSeller seller,
        bool isPremium,
        IReadOnlyList<OfferBook> books
    )
    {
        var hosting = candidate.Hosting;
        if (
            books.FirstOrDefault(book => book.Id == hosting?.Book)?.Plan(hosting?.Plan)
            is not { IncludedDomain: { } given } plan
        )
        {
            return new IncludedAnswer(IncludedWhy.NoneGiven);
        }

        var option = plan.Billing.FirstOrDefault(option =>
            option.EveryMonths == hosting!.EveryMonths
            && option.CommitMonths == (hosting.CommitMonths ?? hosting.EveryMonths)
        );
        return new IncludedAnswer(
            seller.Book.Id != hosting!.Book ? IncludedWhy.Elsewhere
                : !given.Endings.Contains(ending) ? IncludedWhy.Ending
                : isPremium ? IncludedWhy.Premium
                : option is null || option.CommitMonths < given.MinCommitMonths ? IncludedWhy.Term
                : candidate.Domains.FirstOrDefault() is { UseIncluded: false } ? IncludedWhy.Off
                : IncludedWhy.Spent,
            given.MinCommitMonths
        );
    }
}

/// <summary>Why a plan's domain-year is spent on a name, or not.</summary>
public enum IncludedWhy
{
    /// <summary>It is.</summary>
    Spent,

    /// <summary>The plan gives none, or no plan is chosen.</summary>
    NoneGiven,

    /// <summary>The name is bought from another seller.</summary>
    Elsewhere,

    /// <summary>The plan gives it for other endings.</summary>
    Ending,

    /// <summary>The commitment is too short.</summary>
    Term,

    /// <summary>A premium name is never included.</summary>
    Premium,

    /// <summary>The owner turned it off.</summary>
    Off,
}
