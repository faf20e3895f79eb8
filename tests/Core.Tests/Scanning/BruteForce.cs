using System.Collections.Immutable;

namespace HomeStart.Core.Tests;

/// <summary>
/// The scan once more, from the text of its rules alone: every candidate is written out and costed by itself, and
/// nothing is shared or left out.
/// </summary>
internal sealed class BruteForce(ScanRequest request)
{
    private readonly Needs _needs = request.Needs;

    public sealed record Way(
        OfferBook Book,
        Plan Plan,
        BillingOption Option,
        DataCentre? Centre,
        string? Ending,
        OfferBook? Seller
    );

    public sealed record Costed(Way Way, Candidate Candidate, Costing Costing, int Codes, int Bought);

    public long Considered { get; private set; }

    public long Feasible { get; private set; }

    public List<Costed> Rows { get; private set; } = [];

    public List<Costed> Front { get; private set; } = [];

    public List<(string Book, string Plan, string Reasons)> Rejected { get; } = [];

    public BruteForce Run()
    {
        var best = new List<Costed>();
        var all = new List<Costed>();
        foreach (var book in request.Books)
        {
            foreach (var plan in book.Plans)
            {
                var ways = Ways(book, plan).ToList();
                Considered += ways.Count;
                var feasible = ways.ConvertAll(way => Candidates(way).Where(MeetsToday).ToList());
                Feasible += feasible.Count(list => list.Count > 0);
                all.AddRange(feasible.SelectMany(list => list));
                best.AddRange(feasible.Where(list => list.Count > 0).Select(list => list.Order(Order).First()));
                if (feasible.TrueForAll(list => list.Count == 0))
                {
                    Rejected.Add((book.Id, plan.Id, string.Join(',', Reasons(book, plan, ways))));
                }
            }
        }

        var rows = best.Order(Order).ToList();
        Rows =
        [
            .. (request.ByPlan ? rows.DistinctBy(row => (row.Way.Book.Id, row.Way.Plan.Id)) : rows).Take(request.Top),
        ];
        var whole = all.Where(row => row.Costing.Totals.AtLeast is { DueToday: false, Horizon: false })
            .Order(Order)
            .ToList();
        Front =
        [
            .. whole
                .DistinctBy(row => (row.Costing.Totals.DueToday, row.Costing.Totals.Horizon))
                .Where(row => !whole.Exists(other => Beats(other, row)))
                .OrderBy(row => row.Costing.Totals.DueToday),
        ];
        return this;
    }

    private static bool Beats(Costed one, Costed other)
    {
        var (a, b) = (one.Costing.Totals, other.Costing.Totals);
        return a.DueToday <= b.DueToday && a.Horizon <= b.Horizon && (a.DueToday < b.DueToday || a.Horizon < b.Horizon);
    }

    private IEnumerable<(string? Ending, OfferBook? Seller)> DomainsFor(OfferBook book) =>
        Domains().Where(domain => !request.OneSeller || domain.Seller is null || domain.Seller == book);

    private IEnumerable<(string? Ending, OfferBook? Seller)> Domains() =>
        _needs.Domain is not { } need ? [(null, null)]
        : need.Route is DomainRoute.Keep or DomainRoute.Lent ? [(need.Endings.FirstOrDefault(), null)]
        : from ending in need.Endings
        from seller in request.Books
        let price = seller.Domain(ending)
        where
            price is not null
            && (need.Route == DomainRoute.Transfer ? price.Transfer is not null : need.Years <= price.MaxYears)
        select ((string?)ending, (OfferBook?)seller);

    private IEnumerable<Way> Ways(OfferBook book, Plan plan)
    {
        List<DataCentre?> centres = [.. book.DataCentres.Where(centre => _needs.Regions.Contains(centre.Region!))];
        if (_needs.Regions.IsEmpty || (book.DataCentres.IsEmpty && _needs.AcceptUnknown))
        {
            centres = [null];
        }

        return from option in plan.Billing
            from centre in centres
            from domain in DomainsFor(book)
            select new Way(book, plan, option, centre, domain.Ending, domain.Seller);
    }

    private IEnumerable<Costed> Candidates(Way way) =>
        Fixed(way.Book, way.Plan).Count > 0
        || !KeepsPrice(way.Option)
        || Lacks(way).Lacks.Exists(lack => lack.Cures.Count == 0)
            ? []
            : CandidatesAtAll(way);

    // Also those of a way that something bars: as if what cannot be made good were not asked for.
    private IEnumerable<Costed> CandidatesAtAll(Way way)
    {
        foreach (var (hosting, domain) in ExtraSets(way))
        {
            var hostCodes = CodeSets(way.Book);
            var domainCodes =
                way.Seller is null || way.Seller == way.Book
                    ?
                    [
                        [],
                    ]
                    : CodeSets(way.Seller);
            foreach (var candidate in from h in hostCodes from d in domainCodes select (h, d))
            {
                yield return Cost(way, hosting, domain, candidate.h, candidate.d);
            }
        }
    }

    private Costed Cost(
        Way way,
        ImmutableArray<AddOnChoice> hosting,
        ImmutableArray<AddOnChoice> domain,
        List<Promotion> hostCodes,
        List<Promotion> domainCodes
    )
    {
        var candidate = Build(
            way,
            hosting,
            domain,
            [.. hostCodes.Select(code => code.Code!)],
            [.. domainCodes.Select(code => code.Code!)]
        );
        var costing = Coster.Cost(candidate, request.Books, request.Settings).Value!;

        // Several codes entered together: those that do not count are left out.
        if (hostCodes.Count > 1 || domainCodes.Count > 1)
        {
            var applied = costing
                .Run.Codes.Where(code => code.Verdict == Verdict.Applied)
                .Select(code => (code.Book, code.Code))
                .ToHashSet();
            candidate = Build(
                way,
                hosting,
                domain,
                [
                    .. hostCodes
                        .Where(code => hostCodes.Count == 1 || applied.Contains((way.Book, code.Code!)))
                        .Select(code => code.Code!),
                ],
                [
                    .. domainCodes
                        .Where(code => domainCodes.Count == 1 || applied.Contains((way.Seller!, code.Code!)))
                        .Select(code => code.Code!),
                ]
            );
            costing = Coster.Cost(candidate, request.Books, request.Settings).Value!;
        }

        var included = costing
            .Run.Bills.SelectMany(bill =>
                bill.Lines.Where(line => line.IsIncluded).Select(line => (bill.Book, line.Ref))
            )
            .ToHashSet();
        var bought =
            hosting.Count(choice => choice.Quantity > 1 || !included.Contains((way.Book, choice.Id!)))
            + domain.Count(choice => !included.Contains((way.Seller, choice.Id!)));
        return new Costed(
            way,
            candidate,
            costing,
            candidate.Hosting!.Codes.Length + candidate.Domains.Sum(known => known.Codes.Length),
            bought
        );
    }

    private Candidate Build(
        Way way,
        ImmutableArray<AddOnChoice> hosting,
        ImmutableArray<AddOnChoice> domain,
        ImmutableArray<string> hostCodes,
        ImmutableArray<string> domainCodes
    )
    {
        var need = _needs.Domain;
        return new Candidate(
            new HostingChoice(way.Book.Id, way.Plan.Id, way.Option.EveryMonths, way.Option.CommitMonths)
            {
                DataCentre = way.Centre?.Id,
                AddOns = hosting,
                Codes = hostCodes,
            },
            need is null
                ? []
                :
                [
                    new DomainChoice(need.Route)
                    {
                        Book = way.Seller?.Id,
                        Name = need.Name,
                        Ending = way.Ending,
                        Years = need.Years,
                        InMonths = need.InMonths,
                        Expires = need.Expires,
                        Renewal = need.Renewal,
                        Currency = need.Currency,
                        AddOns = domain,
                        Codes = domainCodes,
                    },
                ]
        );
    }

    private static List<List<Promotion>> CodeSets(OfferBook book)
    {
        var codes = book.Promotions.Where(promotion => promotion.Code is not null).ToList();
        var together = codes.Where(code => code.Combinable).ToList();
        return
        [
            [],
            .. codes.Select(code => new List<Promotion> { code }),
            .. together.Count > 1 ? new[] { together } : [],
        ];
    }

    // Every lack, and what is had already.
    private IEnumerable<(ImmutableArray<AddOnChoice> Hosting, ImmutableArray<AddOnChoice> Domain)> ExtraSets(Way way)
    {
        var (had, lacks) = Lacks(way);
        IEnumerable<Dictionary<(AddOnFor, string), int>> sets =
        [
            had.Where(addOn => Serves(addOn)).ToDictionary(addOn => (addOn.For, addOn.Id), _ => 1),
        ];
        int Units(AddOn addOn) => had.Contains(addOn) ? 1 : 0;
        foreach (var lack in lacks.Where(lack => lack.Cures.Count > 0))
        {
            sets =
            [
                .. from set in sets
                from cure in lack.Cures
                select new Dictionary<(AddOnFor, string), int>(set)
                {
                    [(cure.AddOn.For, cure.AddOn.Id)] = Math.Max(
                        cure.Quantity + Units(cure.AddOn),
                        set.GetValueOrDefault((cure.AddOn.For, cure.AddOn.Id))
                    ),
                },
            ];
        }

        return sets.Select(set => (Taken(set, AddOnFor.Hosting), Taken(set, AddOnFor.Domain)));

        static ImmutableArray<AddOnChoice> Taken(Dictionary<(AddOnFor Sort, string Id), int> set, AddOnFor sort) =>
            [
                .. set.Where(pair => pair.Key.Sort == sort)
                    .Select(pair => new AddOnChoice(pair.Key.Id, pair.Value))
                    .OrderBy(choice => choice.Id, StringComparer.Ordinal),
            ];
    }

    private bool Serves(AddOn addOn) =>
        Needs.NumberNames.Any(name =>
            _needs.Numbers.ContainsKey(name)
            && addOn.For == AddOnFor.Hosting
            && Number(addOn.Adds.GetValueOrDefault(name)) > 0
        )
        || (addOn.Provides is { } tag && _needs.Extras.Contains(tag))
        || (_needs.Certificate > CertificateLevel.None && Level(addOn.Provides) >= (int)_needs.Certificate)
        || (_needs.Installer && addOn.Provides == "installer")
        || (_needs.OwnIp && addOn.Provides == "ownIp");

    private (List<AddOn> Had, List<(string Need, List<(AddOn AddOn, int Quantity)> Cures)> Lacks) Lacks(Way way)
    {
        var hosting = way.Book.AddOns.Where(addOn => addOn.For == AddOnFor.Hosting).ToList();
        var ofDomain = way.Seller?.AddOns.Where(addOn => addOn.For == AddOnFor.Domain).ToList() ?? [];
        var had = hosting
            .Where(addOn => way.Plan.Includes.Contains(addOn.Id))
            .Concat(
                ofDomain.Where(addOn =>
                    (way.Seller == way.Book && way.Plan.Includes.Contains(addOn.Id))
                    || way.Seller!.Domain(way.Ending)!.Includes.Contains(addOn.Id)
                )
            )
            .ToList();
        var lacks = new List<(string, List<(AddOn, int)>)>();
        foreach (var name in Needs.NumberNames.Where(_needs.Numbers.ContainsKey))
        {
            var wanted = _needs.Numbers[name];
            var has = Number(way.Plan.Features[name]);
            var with =
                has
                + had.Where(addOn => addOn.For == AddOnFor.Hosting)
                    .Sum(addOn => Math.Min(1_000_000, Number(addOn.Adds.GetValueOrDefault(name)) ?? 0));
            if (has is null ? !_needs.AcceptUnknown : with < wanted)
            {
                lacks.Add(
                    (
                        name,
                        has is null
                            ? []
                            :
                            [
                                .. hosting
                                    .Where(addOn => Number(addOn.Adds.GetValueOrDefault(name)) > 0)
                                    .Select(addOn =>
                                        (
                                            addOn,
                                            Number(addOn.Adds[name]) >= 1_000_000
                                                ? 1
                                                : (int)
                                                    Math.Ceiling(
                                                        (wanted - with!.Value) / Number(addOn.Adds[name])!.Value
                                                    )
                                        )
                                    ),
                            ]
                    )
                );
            }
        }

        if (
            _needs.Certificate > CertificateLevel.None
            && !had.Exists(addOn => Level(addOn.Provides) >= (int)_needs.Certificate)
            && !(
                way.Plan.Features["certificate"] is { } feature
                    ? Level("certificate:" + feature.Word) >= (int)_needs.Certificate
                    : _needs.AcceptUnknown
            )
        )
        {
            lacks.Add(
                (
                    "certificate",
                    [
                        .. hosting
                            .Concat(ofDomain)
                            .Where(addOn => Level(addOn.Provides) >= (int)_needs.Certificate)
                            .Select(addOn => (addOn, 1)),
                    ]
                )
            );
        }

        foreach (var tag in _needs.Extras.Where(tag => !had.Exists(addOn => addOn.Provides == tag)))
        {
            lacks.Add(
                (
                    $"extras {tag}",
                    [.. hosting.Concat(ofDomain).Where(addOn => addOn.Provides == tag).Select(addOn => (addOn, 1))]
                )
            );
        }

        foreach (var (word, wanted) in new[] { ("installer", _needs.Installer), ("ownIp", _needs.OwnIp) })
        {
            if (
                wanted
                && !had.Exists(addOn => addOn.Provides == word)
                && !(way.Plan.Features[word] is { } value ? value.Flag == true : _needs.AcceptUnknown)
            )
            {
                lacks.Add(
                    (
                        word,
                        [.. hosting.Concat(ofDomain).Where(addOn => addOn.Provides == word).Select(addOn => (addOn, 1))]
                    )
                );
            }
        }

        return (had, lacks);
    }

    private bool MeetsToday(Costed costed) =>
        _needs.MaxDueToday is not { } most
        || (
            costed.Costing.Totals.DueToday <= most && (_needs.AcceptUnknown || !costed.Costing.Totals.AtLeast.DueToday)
        );

    private List<string> Fixed(OfferBook book, Plan plan)
    {
        var reasons = new List<string>();
        if (
            _needs.Platform is { } platform
            && !(plan.Features["platforms"]?.Words?.Contains(platform) ?? _needs.AcceptUnknown)
        )
        {
            reasons.Add("platform");
        }

        if (
            !_needs.Support.IsEmpty
            && !(book.Provider.Support is { } support ? _needs.Support.All(support.Contains) : _needs.AcceptUnknown)
        )
        {
            reasons.Add("support");
        }

        if (
            _needs.MinRefundDays > 0
            && !(book.Refund is { } refund ? refund.Days >= _needs.MinRefundDays : _needs.AcceptUnknown)
        )
        {
            reasons.Add("minRefundDays");
        }

        return reasons;
    }

    // Bill by bill, from the steps written out.
    private bool KeepsPrice(BillingOption option)
    {
        if (!_needs.SamePrice)
        {
            return true;
        }

        var prices = option
            .Prices.Steps.SelectMany(step => Enumerable.Repeat(step.Units, step.Periods ?? 200))
            .ToList();
        for (var (bill, month) = (0, 0); month < request.Settings.HorizonMonths; bill++)
        {
            if (prices[bill] is { } price ? price != prices[0] : !_needs.AcceptUnknown)
            {
                return false;
            }

            month += option.EveryMonths + (bill == 0 ? option.FreeMonths : 0);
        }

        return true;
    }

    private IEnumerable<string> Reasons(OfferBook book, Plan plan, List<Way> ways)
    {
        var fixedReasons = Fixed(book, plan);
        if (
            ways.Count == 0
            && !_needs.Regions.IsEmpty
            && !book.DataCentres.Any(centre => _needs.Regions.Contains(centre.Region!))
            && !(book.DataCentres.IsEmpty && _needs.AcceptUnknown)
        )
        {
            fixedReasons.Add("regions");
        }

        // A reason is looked at for each domain there is, also where a region leaves no data centre to pair it with;
        // without any domain that itself is the reason.
        var looked = DomainsFor(book)
            .DefaultIfEmpty()
            .Select(domain => new Way(book, plan, plan.Billing[0], null, domain.Ending, domain.Seller))
            .ToList();
        if (!DomainsFor(book).Any())
        {
            fixedReasons.Add("domain");
        }

        if (!plan.Billing.Any(KeepsPrice))
        {
            fixedReasons.Add("samePrice");
        }

        var order = Needs
            .NumberNames.Append("certificate")
            .Concat(_needs.Extras.Select(tag => $"extras {tag}"))
            .Concat([
                "regions",
                "platform",
                "installer",
                "ownIp",
                "support",
                "minRefundDays",
                "samePrice",
                "maxDueToday",
                "domain",
            ])
            .ToList();
        var barred = looked.ConvertAll(way =>
            Lacks(way).Lacks.Where(lack => lack.Cures.Count == 0).Select(lack => lack.Need).ToHashSet()
        );
        var today = ways.ConvertAll(way => !CandidatesAtAll(way).Any(MeetsToday));
        var every = order
            .Where(need =>
                fixedReasons.Contains(need)
                || Every(need == "maxDueToday" ? today : barred.ConvertAll(set => set.Contains(need)))
            )
            .ToList();
        return Shown(
            every.Count > 0
                ? every
                : order.Where(need =>
                    need == "maxDueToday" ? today.Contains(true)
                    : need == "samePrice" ? !plan.Billing.All(KeepsPrice)
                    : barred.Exists(set => set.Contains(need))
                )
        );

        static bool Every(List<bool> bars) => bars.Count > 0 && bars.TrueForAll(bar => bar);

        IEnumerable<string> Shown(IEnumerable<string> needs) =>
            needs.Select(need =>
                need == "maxDueToday"
                    ? $"maxDueToday {new Money(ways.SelectMany(CandidatesAtAll).Min(candidate => candidate.Costing.Totals.DueToday), request.Settings.DisplayCurrency!).ToAmount()}"
                    : need
            );
    }

    private static decimal? Number(FeatureValue? value) => value?.Word == "unlimited" ? 1_000_000 : value?.Number;

    private static int Level(string? provides) =>
        provides switch
        {
            "certificate:shared" => 1,
            "certificate:own" => 2,
            "certificate:wildcard" => 3,
            _ => 0,
        };

    private IComparer<Costed> Order =>
        Comparer<Costed>.Create(
            (l, r) =>
            {
                foreach (var (a, b) in Key(l).Zip(Key(r)))
                {
                    var order = a is string text ? string.CompareOrdinal(text, (string)b) : a.CompareTo(b);
                    if (order != 0)
                    {
                        return order;
                    }
                }

                return 0;
            }
        );

    // Lists compare as text does when each id is followed by a character below all of an id's.
    private List<IComparable> Key(Costed row)
    {
        var totals = row.Costing.Totals;
        var (hosting, domain) = (row.Candidate.Hosting!, row.Candidate.Domains.FirstOrDefault());
        return
        [
            request.Objective == Objective.DueToday ? totals.AtLeast.DueToday : totals.AtLeast.Horizon,
            request.Objective switch
            {
                Objective.DueToday => totals.DueToday,
                Objective.Expected => totals.Expected!.Value,
                _ => totals.Horizon,
            },
            totals.DueToday,
            row.Codes,
            row.Bought,
            row.Way.Book.Id,
            row.Way.Plan.Id,
            row.Way.Option.EveryMonths,
            row.Way.Option.CommitMonths,
            row.Way.Centre?.Id ?? "",
            row.Way.Seller?.Id ?? "",
            row.Way.Ending ?? "",
            Joined(hosting.AddOns.Select(choice => choice.Id!)),
            Joined(domain?.AddOns.Select(choice => choice.Id!) ?? []),
            Joined(hosting.Codes),
            Joined(domain?.Codes ?? []),
            Joined(hosting.AddOns.Select(choice => choice.Quantity.ToString("D6"))),
        ];

        static string Joined(IEnumerable<string> words) => string.Concat(words.Select(word => word + "\u0001"));
    }
}
