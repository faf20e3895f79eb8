using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>What became of the plan's domain-year for one domain of a candidate.</summary>
/// <param name="Domain">The domain's place in the candidate.</param>
/// <param name="Result">Whether an allowance was used on it, or what stood in the way.</param>
/// <param name="MinCommitMonths">The commitment from which the plan gives a domain-year; null where it gives
/// none.</param>
public sealed record InclusionVerdict(int Domain, InclusionResult Result, int? MinCommitMonths);

/// <summary>In the order in which costing rule 16 is read.</summary>
public enum InclusionResult
{
    /// <summary>An allowance was spent on it.</summary>
    Used,

    /// <summary>There is no hosting, or the plan gives no domain-year.</summary>
    NoneGiven,

    /// <summary>The domain is bought from another book than the hosting.</summary>
    OtherBook,

    /// <summary>The plan gives it from a longer commitment on.</summary>
    CommitTooShort,

    /// <summary>The plan gives it for other endings.</summary>
    OtherEnding,

    /// <summary>A premium name is never included.</summary>
    Premium,

    /// <summary>A transfer, where the plan gives registrations alone; or the domain is not bought.</summary>
    OtherRoute,

    /// <summary>The owner does not want it spent on this domain.</summary>
    TurnedOff,

    /// <summary>The allowance went to another domain, or had run out by this domain's date.</summary>
    UsedUp,
}

/// <summary>Spends the domain-years a plan gives on the domains they apply to (costing rule 16).</summary>
internal static class Allowances
{
    public static ImmutableArray<InclusionVerdict> Spend(Purchase purchase, IReadOnlyList<DomainLine> lines)
    {
        var given = purchase.Hosting?.Plan.IncludedDomain;
        var results = purchase.Domains.ToDictionary(
            domain => domain.Index,
            domain => Bar(purchase, domain) ?? InclusionResult.UsedUp
        );
        if (given is not null)
        {
            var spent = new HashSet<int>();
            foreach (
                var line in lines.Where(line =>
                    results[line.Domain.Index] is InclusionResult.UsedUp or InclusionResult.Used
                )
            )
            {
                if (GrantOn(given, purchase.StartDate, line.Date) is { } grant && spent.Add(grant))
                {
                    line.Line.Waive(line.Waivable, line.RestIsStated);
                    results[line.Domain.Index] = InclusionResult.Used;
                }
            }
        }

        return [.. results.Select(pair => new InclusionVerdict(pair.Key, pair.Value, given?.MinCommitMonths))];
    }

    // The number of the grant that is there to be used on a date, or null. Grants never overlap, so there is at most
    // one.
    private static int? GrantOn(IncludedDomain given, DateOnly start, DateOnly date)
    {
        if (given.EveryYear)
        {
            return Months.WholeBetween(start, date) / 12;
        }

        return date < start.AddMonths(given.ClaimWithinMonths) ? 0 : null;
    }

    private static InclusionResult? Bar(Purchase purchase, BoughtDomain domain)
    {
        if (purchase.Hosting is not { Plan.IncludedDomain: { } given } hosting)
        {
            return InclusionResult.NoneGiven;
        }

        return domain.Choice switch
        {
            { IsBought: false } => InclusionResult.OtherRoute,
            _ when domain.Book != hosting.Book => InclusionResult.OtherBook,
            _ when hosting.Option.CommitMonths < given.MinCommitMonths => InclusionResult.CommitTooShort,
            { Ending: var ending } when !given.Endings.Contains(ending!, StringComparer.Ordinal) =>
                InclusionResult.OtherEnding,
            { Premium: not null } => InclusionResult.Premium,
            { Route: DomainRoute.Transfer } when !given.Transfer => InclusionResult.OtherRoute,
            { UseIncluded: false } => InclusionResult.TurnedOff,
            _ => null,
        };
    }
}
