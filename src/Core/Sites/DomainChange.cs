using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Sites;

/// <summary>Changes the domains of a candidate. The first is the site's own; the others stand beside it.</summary>
internal static class DomainChange
{
    /// <summary>The candidate with another first domain; with null, without the one it has.</summary>
    public static Candidate Choose(Candidate candidate, DomainChoice? wanted, IReadOnlyList<OfferBook> books)
    {
        var others = candidate.Domains.Skip(1).Where(other => other.Name is null || other.Ref != wanted?.Ref);
        return candidate with { Domains = wanted is null ? [.. others] : [Kept(candidate, wanted, books), .. others] };
    }

    /// <summary>The candidate with one more domain, the plan's domain-year where it saves most.</summary>
    public static Candidate Add(
        Candidate candidate,
        DomainChoice added,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        FaultList faults
    )
    {
        if (candidate.Domains.Length >= Site.MostDomains)
        {
            faults.Add(FaultCodes.OutOfRange, "domain", new DomainsFull(Site.MostDomains));
        }

        if (candidate.Domains.Any(domain => domain.Name is not null && domain.Ref == added.Ref))
        {
            faults.Add(FaultCodes.Repeated, "domain", new DomainTwice(added.Ref));
        }

        return faults.Any
            ? candidate
            : IncludedYear.Placed(candidate with { Domains = candidate.Domains.Add(added) }, books, settings);
    }

    /// <summary>
    /// The candidate without one of its domains; where that had the plan's domain-year, it goes to the one of the
    /// others where it saves most.
    /// </summary>
    public static Candidate Drop(
        Candidate candidate,
        string dropped,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        FaultList faults
    )
    {
        if (candidate.Domains.FirstOrDefault(domain => domain.Ref == dropped) is not { } gone)
        {
            faults.Add(FaultCodes.Unknown, "domain", new NoSuchDomain(dropped));
            return candidate;
        }

        var left = candidate.Domains.Remove(gone);
        return gone.UseIncluded
            ? IncludedYear.Placed(
                candidate with
                {
                    Domains = [.. left.Select(domain => domain with { UseIncluded = true })],
                },
                books,
                settings
            )
            : candidate with
            {
                Domains = left,
            };
    }

    // Another name, ending or number of years keeps the extras and codes that the domain had, where its book still has
    // them.
    private static DomainChoice Kept(Candidate candidate, DomainChoice wanted, IReadOnlyList<OfferBook> books)
    {
        if (candidate.Domains is not [var before, ..] || !wanted.AddOns.IsEmpty || !wanted.IsBought)
        {
            return wanted;
        }

        var oldBook = books.FirstOrDefault(book => book.Id == before.Book);
        var newBook = books.FirstOrDefault(book => book.Id == wanted.Book);
        return wanted with
        {
            AddOns = PlanChange.Carried(before.AddOns, AddOnFor.Domain, oldBook, newBook),
            Codes = before.Codes,
        };
    }
}
