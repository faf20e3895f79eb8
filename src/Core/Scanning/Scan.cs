using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>
/// Costs every way to buy against the needs (scan.md). A domain at a registrar costs the same whatever host it is paired with, so hosting and domains are costed
/// apart where they are bought apart, and each pair is an addition; what is bought at one book together is costed together.
/// </summary>
public sealed class Scan
{
    private readonly ScanRequest _request;
    private readonly Needs _needs;
    private readonly ImmutableArray<Want> _wants;
    private readonly int _all;
    private readonly Parts _parts;
    private readonly TopRows _rows;
    private readonly Front _front;
    private readonly RankOrder _order;
    private readonly ImmutableArray<DomainWay> _domains;
    private readonly Dictionary<DomainWay, Side> _foreignSides = [];
    private long _considered;
    private long _feasible;

    private Scan(ScanRequest request, FaultList faults)
    {
        // Parts are costed alone: each must be shown in the one currency of the whole.
        request = request with { Settings = request.Settings with { DisplayCurrency = request.Settings.DisplayCurrency ?? request.Books.FirstOrDefault()?.Currency } };
        (_request, _needs) = (request, request.Needs);
        _wants = Want.Of(_needs);
        _all = (1 << _wants.Length) - 1;
        _parts = new Parts(request, faults);
        _order = new RankOrder(request.Objective);
        _rows = new TopRows(_order, request.Top, request.ByPlan);
        _front = new Front(_order);
        _domains = DomainWays.Of(request);
    }

    /// <summary>Scans; null with what bars it (a rate that is missing) in <paramref name="faults"/>.</summary>
    /// <param name="progress">Told how many of how many plans are done.</param>
    public static ScanResult? Run(ScanRequest request, FaultList faults, IProgress<(int Done, int Of)>? progress, CancellationToken cancel)
    {
        try
        {
            return new Scan(request, faults).Run(progress, cancel);
        }
        catch (ScanFault)
        {
            return null;
        }
    }

    private ScanResult Run(IProgress<(int Done, int Of)>? progress, CancellationToken cancel)
    {
        var plans = _request.Books.SelectMany(book => book.Plans.Select(plan => (book, plan))).ToList();
        var rejected = ImmutableArray.CreateBuilder<RejectedPlan>();
        foreach (var (index, (book, plan)) in plans.Index())
        {
            cancel.ThrowIfCancellationRequested();
            var before = _feasible;
            var fit = new PlanScan(this, book, plan);
            fit.Run(cancel);
            if (_feasible == before)
            {
                rejected.Add(new RejectedPlan(book, plan, fit.Reasons()));
            }

            progress?.Report((index + 1, plans.Count));
        }

        return new ScanResult([.. _rows.Rows.Select(Row)], [.. _front.Found.Select(Row)], rejected.ToImmutable(), _considered, _feasible);
    }

    private ScanRow Row(Found found)
    {
        var candidate = found.ToCandidate();
        return new ScanRow(candidate, Coster.Cost(candidate, _request.Books, _request.Settings, new FaultList())!);
    }

    private Side ForeignSide(DomainWay domain) =>
        _foreignSides.TryGetValue(domain, out var side) ? side
        : _foreignSides[domain] = domain.Book is null ? Side.OfNothing(_wants) : Side.OfDomain(domain.Book, domain.Price!, null, _wants);

    /// <summary>One plan: its ways to pay and data centres against every domain.</summary>
    private sealed class PlanScan(Scan scan, OfferBook book, Plan plan)
    {
        private readonly Side _side = Side.OfPlan(book, plan, scan._wants, scan._needs.AcceptUnknown);
        private readonly ImmutableArray<DataCentre?> _centres = Centres(scan._needs, book);
        private readonly Dictionary<(HostWay Host, int Wants), ImmutableArray<Part>> _hostings = [];
        private Minor? _leastToday;
        private bool _someTodayMet;
        private bool _someTodayBarred;

        public void Run(CancellationToken cancel)
        {
            var hosts = (from option in plan.Billing from centre in _centres select new HostWay(book, plan, option, centre)).ToList();
            scan._considered += (long)hosts.Count * scan._domains.Length;
            var fixedFaults = FixedReasons().Any();
            if (fixedFaults && scan._needs.MaxDueToday is null)
            {
                return;
            }

            foreach (var host in hosts)
            {
                cancel.ThrowIfCancellationRequested();
                foreach (var domain in scan._domains)
                {
                    Pair(host, domain, fixedFaults);
                }
            }
        }

        // All feasible candidates of one (plan, billing option, data centre, ending, domain book): the best is its row, all of them are offered to the front.
        private void Pair(HostWay host, DomainWay domain, bool isOut)
        {
            var isOwn = domain.Book == book;
            var names = isOwn ? Side.OfDomain(book, domain.Price!, plan, scan._wants) : scan.ForeignSide(domain);
            var lacking = scan._all & ~_side.Met & ~names.Met;
            var incurable = lacking & ~_side.Curable & ~names.Curable;
            if (incurable != 0 && scan._needs.MaxDueToday is null)
            {
                return;
            }

            isOut |= incurable != 0;
            lacking &= ~incurable;
            Found? best = null;
            var anyToday = false;
            for (var atDomain = lacking & names.Curable; ; atDomain = (atDomain - 1) & lacking & names.Curable)
            {
                var atHost = lacking & ~atDomain;
                if ((atHost & ~_side.Curable) == 0)
                {
                    Combine(host, domain, names, isOwn, atHost, atDomain, isOut, ref best, ref anyToday);
                }

                if (atDomain == 0)
                {
                    break;
                }
            }

            _someTodayMet |= anyToday;
            _someTodayBarred |= !anyToday;
            if (best is not null)
            {
                scan._feasible++;
                scan._rows.Offer(best);
            }
        }

        private void Combine(HostWay host, DomainWay domain, Side names, bool isOwn, int atHost, int atDomain, bool isOut, ref Found? best, ref bool anyToday)
        {
            var hostings = isOwn ? scan._parts.Together(host, _side, atHost, domain, names, atDomain) : Hostings(host, atHost);
            var domains = isOwn ? [Part.Nothing] : scan._parts.Domain(domain, names, atDomain);
            foreach (var hosting in hostings)
            {
                foreach (var name in domains)
                {
                    var today = hosting.Today + name.Today;
                    _leastToday = _leastToday is { } least && least <= today ? least : today;
                    if (!MeetsToday(today, hosting.TodayAtLeast || name.TodayAtLeast))
                    {
                        continue;
                    }

                    anyToday = true;
                    if (isOut)
                    {
                        continue;
                    }

                    var found = new Found(host, domain, hosting, name);
                    best = best is not null && scan._order.Compare(best, found) <= 0 ? best : found;
                    if (!found.TodayAtLeast && !found.HorizonAtLeast)
                    {
                        scan._front.Offer(found);
                    }
                }
            }
        }

        private ImmutableArray<Part> Hostings(HostWay host, int wants) =>
            _hostings.TryGetValue((host, wants), out var known) ? known : _hostings[(host, wants)] = scan._parts.Hosting(host, _side, wants);

        private bool MeetsToday(Minor today, bool isAtLeast) =>
            scan._needs.MaxDueToday is not { } most || (today <= most && (!isAtLeast || scan._needs.AcceptUnknown));

        /// <summary>Why no candidate of the plan is feasible: what bars every one on its own, else what bars some, in the order of the needs (scan rule 9).</summary>
        public ImmutableArray<Reason> Reasons()
        {
            var all = new List<(Reason Reason, bool BarsEvery)>();
            foreach (var (index, want) in scan._wants.Index().Where(pair => pair.Item.Kind != WantKind.Flag))
            {
                AddWant(all, index, want);
            }

            all.AddRange(FixedReasons().Where(reason => reason.Need is "regions" or "platform").Select(reason => (reason, true)));
            foreach (var (index, want) in scan._wants.Index().Where(pair => pair.Item.Kind == WantKind.Flag))
            {
                AddWant(all, index, want);
            }

            all.AddRange(FixedReasons().Where(reason => reason.Need is not ("regions" or "platform")).Select(reason => (reason, true)));
            AddToday(all);
            if (scan._domains.IsEmpty)
            {
                all.Add((new Reason("domain", null, new ReasonValue(Words: scan._needs.Domain!.Endings)), true));
            }

            return [.. all.Where(pair => pair.BarsEvery || !all.Exists(other => other.BarsEvery)).Select(pair => pair.Reason)];
        }

        private void AddWant(List<(Reason Reason, bool BarsEvery)> all, int index, Want want)
        {
            var bit = 1 << index;
            var bars = scan._domains.Select(domain =>
            {
                var names = domain.Book == book ? Side.OfDomain(book, domain.Price!, plan, scan._wants) : scan.ForeignSide(domain);
                return ((_side.Met | names.Met | _side.Curable | names.Curable) & bit) == 0;
            }).ToList();
            var none = scan._domains.IsEmpty && ((_side.Met | _side.Curable) & bit) == 0;
            if (none || bars.Exists(barred => barred))
            {
                all.Add((new Reason(want.Need, want.Kind == WantKind.Tag ? null : ReasonValue.Of(plan.Features[want.Need]), Wanted(want)), none || bars.TrueForAll(barred => barred)));
            }
        }

        private void AddToday(List<(Reason Reason, bool BarsEvery)> all)
        {
            if (!_someTodayBarred || _leastToday is not { } least)
            {
                return;
            }

            var reason = new Reason("maxDueToday", Sum(least), Sum(scan._needs.MaxDueToday!.Value));
            all.Add((reason, !_someTodayMet));

            ReasonValue Sum(Minor units) => new(Word: new Money(units, scan._request.Settings.DisplayCurrency!).ToAmount());
        }

        // What holds for the whole plan, whatever is bought with it.
        private IEnumerable<Reason> FixedReasons()
        {
            var needs = scan._needs;
            if (_centres.IsEmpty)
            {
                yield return new Reason("regions", new ReasonValue(Words: [.. book.DataCentres.Select(centre => centre.Region).OfType<string>().Distinct()]), new ReasonValue(Words: needs.Regions));
            }

            var platforms = plan.Features["platforms"];
            if (needs.Platform is { } platform && !(platforms is null ? needs.AcceptUnknown : platforms.Words?.Contains(platform, StringComparer.Ordinal) == true))
            {
                yield return new Reason("platform", ReasonValue.Of(platforms), new ReasonValue(Word: platform));
            }

            var support = book.Provider.Support;
            if (!needs.Support.IsEmpty && !(support is { } channels ? needs.Support.All(channel => channels.Contains(channel, StringComparer.Ordinal)) : needs.AcceptUnknown))
            {
                yield return new Reason("support", support is null ? null : new ReasonValue(Words: support), new ReasonValue(Words: needs.Support));
            }

            if (needs.MinRefundDays > 0 && !(book.Refund is { } refund ? refund.Days >= needs.MinRefundDays : needs.AcceptUnknown))
            {
                yield return new Reason("minRefundDays", book.Refund is null ? null : new ReasonValue(Number: book.Refund.Days), new ReasonValue(Number: needs.MinRefundDays));
            }
        }

        private static ReasonValue Wanted(Want want) =>
            want.Kind switch
            {
                WantKind.Number => new ReasonValue(Number: want.Number),
                WantKind.Certificate => new ReasonValue(Word: want.Level.ToString().ToLowerInvariant()),
                WantKind.Tag => new ReasonValue(Word: want.Tag),
                _ => new ReasonValue(Flag: true),
            };

        private static ImmutableArray<DataCentre?> Centres(Needs needs, OfferBook book) =>
            needs.Regions.IsEmpty ? [null]
            : book.DataCentres.IsEmpty ? needs.AcceptUnknown ? [null] : []
            : [.. book.DataCentres.Where(centre => centre.Region is not null && needs.Regions.Contains(centre.Region, StringComparer.Ordinal))];
    }
}
