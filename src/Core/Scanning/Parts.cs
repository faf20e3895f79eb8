using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>
/// Costs parts of candidates, each once, and keeps those worth combining: a part goes where another is no dearer in any figure and comes first in every tie, because
/// every candidate with it is then beaten by the same candidate with the other.
/// </summary>
internal sealed class Parts(ScanRequest request, FaultList faults)
{
    private readonly Dictionary<(DomainWay Domain, int Wants), ImmutableArray<Part>> _domains = [];

    /// <summary>The hosting by itself, making good these wants.</summary>
    public ImmutableArray<Part> Hosting(HostWay host, Side side, int wants) =>
        Kept(side.SetsFor(wants).SelectMany(set => WithCodes(host.Book, codes => new Candidate(Choice(host, set, codes), []), set, [], atHost: true)));

    /// <summary>The domain by itself, at a book of its own.</summary>
    public ImmutableArray<Part> Domain(DomainWay domain, Side side, int wants)
    {
        if (domain.Choice is null or { Route: DomainRoute.Lent })
        {
            return [Part.Nothing];
        }

        if (!_domains.TryGetValue((domain, wants), out var known))
        {
            var parts = side.SetsFor(wants).SelectMany(set => WithCodes(domain.Book, codes => new Candidate(null, [domain.Choice with { AddOns = set, Codes = codes }]), [], set, atHost: false));
            _domains[(domain, wants)] = known = Kept(parts);
        }

        return known;
    }

    /// <summary>Hosting and domain at one book, whose bills, codes and allowance they share.</summary>
    public ImmutableArray<Part> Together(HostWay host, Side hosting, int hostWants, DomainWay domain, Side names, int domainWants) =>
        Kept(
            from hostSet in hosting.SetsFor(hostWants)
            from domainSet in names.SetsFor(domainWants)
            from part in WithCodes(host.Book, codes => new Candidate(Choice(host, hostSet, codes), [domain.Choice! with { AddOns = domainSet }]), hostSet, domainSet, atHost: true)
            select part);

    private static HostingChoice Choice(HostWay host, ImmutableArray<AddOnChoice> extras, ImmutableArray<string> codes) =>
        new(host.Book.Id, host.Plan.Id, host.Option.EveryMonths, host.Option.CommitMonths) { DataCentre = host.DataCentre?.Id, AddOns = extras, Codes = codes };

    // Rule 4: none; each code alone; all combinable ones together, less those that then do not count.
    private IEnumerable<Part> WithCodes(
        OfferBook? book, Func<ImmutableArray<string>, Candidate> candidate, ImmutableArray<AddOnChoice> hosting, ImmutableArray<AddOnChoice> domain, bool atHost)
    {
        yield return Cost(candidate([]), [], hosting, domain, atHost).Part;
        var all = book?.Promotions.Where(promotion => !promotion.IsAutomatic).ToList() ?? [];
        foreach (var code in all)
        {
            yield return Cost(candidate([code.Code!]), [code.Code!], hosting, domain, atHost).Part;
        }

        var combinable = all.Where(promotion => promotion.Combinable).Select(promotion => promotion.Code!).ToImmutableArray();
        if (combinable.Length > 1)
        {
            var (part, applied) = Cost(candidate(combinable), combinable, hosting, domain, atHost);
            yield return atHost
                ? Copy(part, applied, [])
                : Copy(part, [], applied);
        }
    }

    private (Part Part, ImmutableArray<string> Applied) Cost(
        Candidate candidate, ImmutableArray<string> codes, ImmutableArray<AddOnChoice> hosting, ImmutableArray<AddOnChoice> domain, bool atHost)
    {
        var costing = Coster.Cost(candidate, request.Books, request.Settings, faults) ?? throw new ScanFault();
        var totals = costing.Totals;
        var included = costing.Run.Bills.SelectMany(bill => bill.Lines).Where(line => line.IsIncluded).Select(line => line.Ref).ToHashSet();
        var part = new Part
        {
            TodayAtLeast = totals.AtLeast.DueToday,
            HorizonAtLeast = totals.AtLeast.Horizon,
            Today = totals.DueToday,
            Horizon = totals.Horizon,
            Expected = request.Objective == Objective.Expected ? ExpectedCost.Of(costing) : 0,
            Bought = hosting.Concat(domain).Count(choice => !included.Contains(choice.Id!)),
            HostingExtras = hosting,
            DomainExtras = domain,
            HostingCodes = atHost ? codes : [],
            DomainCodes = atHost ? [] : codes,
        };
        return (part, [.. costing.Run.Codes.Where(code => code.Verdict == Verdict.Applied).Select(code => code.Code)]);
    }

    private static Part Copy(Part part, ImmutableArray<string> hostingCodes, ImmutableArray<string> domainCodes) =>
        new()
        {
            TodayAtLeast = part.TodayAtLeast,
            HorizonAtLeast = part.HorizonAtLeast,
            Today = part.Today,
            Horizon = part.Horizon,
            Expected = part.Expected,
            Bought = part.Bought,
            HostingExtras = part.HostingExtras,
            DomainExtras = part.DomainExtras,
            HostingCodes = hostingCodes,
            DomainCodes = domainCodes,
        };

    private static ImmutableArray<Part> Kept(IEnumerable<Part> parts)
    {
        var kept = new List<Part>();
        foreach (var part in parts)
        {
            if (!kept.Exists(other => Beats(other, part)))
            {
                kept.RemoveAll(other => Beats(part, other));
                kept.Add(part);
            }
        }

        return [.. kept];
    }

    private static bool Beats(Part one, Part other) =>
        (!one.TodayAtLeast || other.TodayAtLeast) && (!one.HorizonAtLeast || other.HorizonAtLeast)
        && one.Today <= other.Today && one.Horizon <= other.Horizon && one.Expected <= other.Expected
        && one.Codes <= other.Codes && one.Bought <= other.Bought && Part.CompareTies(one, other) <= 0;
}

/// <summary>A candidate could not be costed; what bars it stands in the scan's faults.</summary>
internal sealed class ScanFault : Exception;
