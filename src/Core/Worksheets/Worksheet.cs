using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Sites;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Worksheets;

/// <summary>
/// One candidate worked out, with what every other choice would change: each what-if is the costing of the candidate
/// with that one thing chosen. Nothing here is kept; it is worked out anew from the site.
/// </summary>
public sealed record Worksheet(string Letter, Candidate Candidate)
{
    /// <summary>Null while something is missing or wrong.</summary>
    public Costing? Costing { get; init; }

    /// <summary>Why there is no costing, where that is not merely that something is not chosen yet.</summary>
    public ImmutableArray<Fault> Faults { get; init; } = [];

    /// <summary>The data centres of the plan's book, and none.</summary>
    public ImmutableArray<WhatIf<DataCentre?>> DataCentres { get; init; } = [];

    /// <summary>The currency of the plan's book; null: no plan is chosen.</summary>
    public Currency? HostCurrency { get; init; }

    /// <summary>Every way to pay for the plan chosen.</summary>
    public ImmutableArray<WhatIf<BillingOption>> WaysToPay { get; init; } = [];

    /// <summary>
    /// The extras of the plan's book and of the domain's, each with what taking it, or leaving it off, would change.
    /// </summary>
    public ImmutableArray<WhatIf<ExtraOffer>> Extras { get; init; } = [];

    /// <summary>The books where the domain chosen could be registered.</summary>
    public ImmutableArray<WhatIf<OfferBook>> DomainSellers { get; init; } = [];

    /// <summary>The endings that a domain of the candidate may have, with who sells them.</summary>
    public ImmutableArray<EndingOffer> Endings { get; init; } = [];

    /// <summary>Other ways to have the domain; null is without one.</summary>
    public ImmutableArray<WhatIf<DomainChoice?>> DomainWays { get; init; } = [];

    /// <summary>What would make refused codes count.</summary>
    public ImmutableArray<CodeCure> CodeCures { get; init; } = [];

    /// <summary>The codes that would take more off than those entered; null: none would.</summary>
    public WhatIf<ImmutableArray<string>>? BestCodes { get; init; }

    /// <summary>Where the codes entered are known at all, whatever is bought.</summary>
    public ImmutableArray<(string Code, OfferBook Book, Promotion Promotion)> KnownCodes { get; init; } = [];

    /// <summary>
    /// Which of several domains has the plan's domain-year; null: none, or there is nothing to choose.
    /// </summary>
    public IncludedYear? IncludedYear { get; init; }

    /// <summary>Until when the plan's domain-year must be claimed; null: it gives none.</summary>
    public LaterClaim? Claim { get; init; }

    /// <summary>The worksheet of a candidate.</summary>
    public static Worksheet Fill(
        ListedCandidate listed,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        Needs needs
    )
    {
        var candidate = listed.Candidate;
        var worked = Coster.Cost(Costable(candidate), books, settings);
        var costing = worked.Value;
        var whatIf = new WhatIfs(candidate, books, settings, costing);
        var siblings = SiblingsOf(candidate, books, whatIf);
        var codes = costing is null ? null : new CodeOutlooks(candidate, books, settings, costing, whatIf);
        return new Worksheet(listed.Letter, candidate)
        {
            Costing = costing,
            Faults = [.. worked.Faults.Faults],
            DataCentres =
            [
                .. Centres(candidate, books)
                    .Select(centre =>
                        whatIf.Try(centre, centre?.Id == candidate.Hosting!.DataCentre, At(candidate, centre))
                    ),
            ],
            HostCurrency = books.FirstOrDefault(book => book.Id == candidate.Hosting?.Book)?.Currency,
            WaysToPay =
            [
                .. Plan(candidate, books)
                    ?.Billing.Select(option => whatIf.Try(option, Chosen(candidate, option), Paying(candidate, option)))
                    ?? [],
            ],
            Extras =
            [
                .. ExtraOffer
                    .ListAll(candidate, books, needs, siblings)
                    .Select(offer => whatIf.Try(offer, offer.Quantity > 0, Toggled(candidate, offer))),
            ],
            DomainSellers =
            [
                .. DomainOptions
                    .Sellers(candidate, books)
                    .Select(book => whatIf.Try(book, book.Id == candidate.Domains[0].Book, SoldBy(candidate, book))),
            ],
            Endings = EndingOffer.ListAll(candidate, books),
            DomainWays =
            [
                .. DomainOptions
                    .ListAll(candidate, books)
                    .Select(way =>
                        whatIf.Try(
                            way,
                            way is not null && way == candidate.Domains[0],
                            candidate with
                            {
                                Domains = way is null
                                    ? candidate.Domains.RemoveAt(0)
                                    : candidate.Domains.SetItem(0, way),
                            }
                        )
                    ),
            ],
            CodeCures = codes?.Cures() ?? [],
            BestCodes = codes?.Best(),
            IncludedYear = IncludedYear.Find(Costable(candidate), books, settings),
            Claim = LaterClaim.Find(candidate, books, settings),
            KnownCodes =
            [
                .. CodeChange
                    .Entered(candidate)
                    .SelectMany(code =>
                        books
                            .Where(book => book.PromotionOf(code) is not null)
                            .Select(book => (code, book, book.PromotionOf(code)!))
                    ),
            ],
        };
    }

    /// <summary>The costing of a candidate alone; null while something is missing or wrong.</summary>
    public static Costing? CostingOf(Candidate candidate, IReadOnlyList<OfferBook> books, CountSettings settings) =>
        Coster.Cost(Costable(candidate), books, settings).Value;

    // Codes entered before any hosting is chosen wait; they do not keep a domain from being costed by itself.
    private static Candidate Costable(Candidate candidate) =>
        candidate.Hosting is { Plan: null } ? candidate with { Hosting = null } : candidate;

    // The other plans of the same book, paid as this one is.
    private static ImmutableArray<WhatIf<Plan>> SiblingsOf(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        WhatIfs whatIf
    ) =>
        [
            .. from book in books
            where book.Id == candidate.Hosting?.Book
            from plan in book.Plans
            where plan.Id != candidate.Hosting!.Plan
            select whatIf.Try(
                plan,
                isChosen: false,
                PlanChange.To(candidate, new ChoosePlan("", book.Id, plan.Id), books, new FaultList())
            ),
        ];

    private static Plan? Plan(Candidate candidate, IReadOnlyList<OfferBook> books) =>
        books.FirstOrDefault(book => book.Id == candidate.Hosting?.Book)?.Plan(candidate.Hosting?.Plan);

    private static IEnumerable<DataCentre?> Centres(Candidate candidate, IReadOnlyList<OfferBook> books) =>
        Plan(candidate, books) is not null
        && books.First(book => book.Id == candidate.Hosting!.Book).DataCentres is { IsEmpty: false } centres
            ? [null, .. centres]
            : [];

    private static Candidate At(Candidate candidate, DataCentre? centre) =>
        candidate with
        {
            Hosting = candidate.Hosting! with { DataCentre = centre?.Id },
        };

    private static bool Chosen(Candidate candidate, BillingOption option) =>
        candidate.Hosting!.EveryMonths == option.EveryMonths
        && (candidate.Hosting.CommitMonths ?? option.EveryMonths) == option.CommitMonths;

    private static Candidate Paying(Candidate candidate, BillingOption option) =>
        candidate with
        {
            Hosting = candidate.Hosting! with { EveryMonths = option.EveryMonths, CommitMonths = option.CommitMonths },
        };

    private static Candidate Toggled(Candidate candidate, ExtraOffer offer)
    {
        return offer.AddOn.For switch
        {
            AddOnFor.Hosting => candidate with
            {
                Hosting = candidate.Hosting! with { AddOns = Toggle(candidate.Hosting.AddOns) },
            },
            AddOnFor.Domain => candidate with
            {
                Domains = candidate.Domains.SetItem(
                    0,
                    candidate.Domains[0] with
                    {
                        AddOns = Toggle(candidate.Domains[0].AddOns),
                    }
                ),
            },
        };

        ImmutableArray<AddOnChoice> Toggle(ImmutableArray<AddOnChoice> taken) =>
            offer.Quantity > 0
                ? taken.RemoveAll(choice => choice.Id == offer.AddOn.Id)
                : taken.Add(new AddOnChoice(offer.AddOn.Id));
    }

    private static Candidate SoldBy(Candidate candidate, OfferBook book)
    {
        var domain = candidate.Domains[0];
        return candidate with
        {
            Domains = candidate.Domains.SetItem(
                0,
                domain with
                {
                    Book = book.Id,
                    AddOns = PlanChange.Carried(domain.AddOns, AddOnFor.Domain, book, book),
                }
            ),
        };
    }
}
