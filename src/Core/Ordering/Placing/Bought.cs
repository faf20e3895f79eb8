using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Sites;

namespace HomeStart.Core.Ordering;

/// <summary>What an order was made of, and how it was counted: what later years are worked out from.</summary>
/// <param name="CustomerOf">The books whose sellers knew the owner as a customer when it was placed.</param>
public sealed record Bought(Candidate Candidate, SiteSettings Settings, ImmutableArray<string> CustomerOf)
{
    /// <summary>How it is counted from the day of its order on.</summary>
    public CountSettings CountedFrom(DateOnly day) => (Settings with { StartDate = null }).On(day, [.. CustomerOf]);

    /// <summary>Without the domains that could not be had.</summary>
    public Bought Without(IEnumerable<MissedDomain> missed)
    {
        var names = missed.Select(one => one.Domain.Name?.Text).ToHashSet();
        return this with
        {
            Candidate = Candidate with
            {
                Domains = [.. Candidate.Domains.Where(domain => !names.Contains(domain.Domain?.Text))],
            },
        };
    }
}
