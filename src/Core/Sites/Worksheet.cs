using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>
/// One candidate worked out, with what every other choice would change: each what-if is the costing of the candidate with that one thing chosen. Nothing here
/// is kept; it is worked out anew from the site.
/// </summary>
public sealed record Worksheet(string Letter, Candidate Candidate)
{
    /// <summary>Null while something is missing or wrong.</summary>
    public Costing? Costing { get; init; }

    /// <summary>Why there is no costing, where that is not merely that something is not chosen yet.</summary>
    public ImmutableArray<Fault> Faults { get; init; } = [];

    /// <summary>Every way to pay for the plan chosen.</summary>
    public ImmutableArray<WhatIf<BillingOption>> WaysToPay { get; init; } = [];

    /// <summary>The extras of the plan's book and of the domain's, each with what taking it, or leaving it off, would change.</summary>
    public ImmutableArray<WhatIf<ExtraOffer>> Extras { get; init; } = [];

    /// <summary>The books where the domain chosen could be registered.</summary>
    public ImmutableArray<WhatIf<OfferBook>> DomainSellers { get; init; } = [];

    public static Worksheet Of(ListedCandidate listed, IReadOnlyList<OfferBook> books, CountSettings settings)
    {
        var candidate = listed.Candidate;
        var faults = new FaultList();
        var costing = Coster.Cost(Costable(candidate), books, settings, faults);
        var whatIf = new WhatIfs(books, settings, costing);
        return new Worksheet(listed.Letter, candidate)
        {
            Costing = costing,
            Faults = [.. faults.Faults],
            WaysToPay = [.. Plan(candidate, books)?.Billing.Select(option => whatIf.Of(option, Chosen(candidate, option), Paying(candidate, option))) ?? []],
            Extras = [.. Offers(candidate, books).Select(offer => whatIf.Of(offer, offer.Quantity > 0, Toggled(candidate, offer)))],
            DomainSellers = [.. Sellers(candidate, books).Select(book => whatIf.Of(book, book.Id == candidate.Domains[0].Book, SoldBy(candidate, book)))],
        };
    }

    /// <summary>The costing of a candidate alone; null while something is missing or wrong.</summary>
    public static Costing? CostingOf(Candidate candidate, IReadOnlyList<OfferBook> books, CountSettings settings) =>
        Coster.Cost(Costable(candidate), books, settings, new FaultList());

    // Codes entered before any hosting is chosen wait; they do not keep a domain from being costed by itself.
    private static Candidate Costable(Candidate candidate) => candidate.Hosting is { Plan: null } ? candidate with { Hosting = null } : candidate;

    private static Plan? Plan(Candidate candidate, IReadOnlyList<OfferBook> books) =>
        books.FirstOrDefault(book => book.Id == candidate.Hosting?.Book)?.Plan(candidate.Hosting?.Plan);

    private static bool Chosen(Candidate candidate, BillingOption option) =>
        candidate.Hosting!.EveryMonths == option.EveryMonths && (candidate.Hosting.CommitMonths ?? option.EveryMonths) == option.CommitMonths;

    private static Candidate Paying(Candidate candidate, BillingOption option) =>
        candidate with { Hosting = candidate.Hosting! with { EveryMonths = option.EveryMonths, CommitMonths = option.CommitMonths } };

    private static IEnumerable<ExtraOffer> Offers(Candidate candidate, IReadOnlyList<OfferBook> books)
    {
        var domain = candidate.Domains is [{ IsBought: true } first, ..] ? first : null;
        var host = books.FirstOrDefault(book => book.Id == candidate.Hosting?.Book);
        var plan = host?.Plan(candidate.Hosting?.Plan);
        var seller = books.FirstOrDefault(book => book.Id == domain?.Book);
        var ofHosting = plan is null ? [] : host!.AddOns.Where(addOn => addOn.For == AddOnFor.Hosting).Select(addOn => new ExtraOffer(
            host, addOn, Quantity(candidate.Hosting!.AddOns, addOn), plan.Includes.Contains(addOn.Id, StringComparer.Ordinal)));
        var ofDomain = seller is null ? [] : seller.AddOns.Where(addOn => addOn.For == AddOnFor.Domain).Select(addOn => new ExtraOffer(
            seller, addOn, Quantity(domain!.AddOns, addOn), IsHad(addOn)));
        return ofHosting.Concat(ofDomain);

        bool IsHad(AddOn addOn) =>
            seller.Domain(domain!.Ending)?.Includes.Contains(addOn.Id, StringComparer.Ordinal) == true
            || (seller == host && plan?.Includes.Contains(addOn.Id, StringComparer.Ordinal) == true);
    }

    private static int Quantity(ImmutableArray<AddOnChoice> taken, AddOn addOn) => taken.FirstOrDefault(choice => choice.Id == addOn.Id)?.Quantity ?? 0;

    private static Candidate Toggled(Candidate candidate, ExtraOffer offer)
    {
        return offer.AddOn.For == AddOnFor.Hosting
            ? candidate with { Hosting = candidate.Hosting! with { AddOns = Toggle(candidate.Hosting.AddOns) } }
            : candidate with { Domains = candidate.Domains.SetItem(0, candidate.Domains[0] with { AddOns = Toggle(candidate.Domains[0].AddOns) }) };

        ImmutableArray<AddOnChoice> Toggle(ImmutableArray<AddOnChoice> taken) =>
            offer.Quantity > 0 ? taken.RemoveAll(choice => choice.Id == offer.AddOn.Id) : taken.Add(new AddOnChoice(offer.AddOn.Id));
    }

    private static IEnumerable<OfferBook> Sellers(Candidate candidate, IReadOnlyList<OfferBook> books) =>
        candidate.Domains is [{ Route: DomainRoute.Register or DomainRoute.Later, Ending: not null, Premium: null } domain, ..]
            ? books.Where(book => domain.Years <= book.Domain(domain.Ending)?.MaxYears && (book.Plans.IsEmpty || book.Id == candidate.Hosting?.Book || book.Id == domain.Book))
            : [];

    private static Candidate SoldBy(Candidate candidate, OfferBook book)
    {
        var domain = candidate.Domains[0];
        return candidate with { Domains = candidate.Domains.SetItem(0, domain with { Book = book.Id, AddOns = PlanChange.Carried(domain.AddOns, AddOnFor.Domain, book, book) }) };
    }
}

/// <summary>An extra that could be taken, and how many are.</summary>
/// <param name="IsHad">The plan or the domain price holds it already.</param>
public sealed record ExtraOffer(OfferBook Book, AddOn AddOn, int Quantity, bool IsHad);
