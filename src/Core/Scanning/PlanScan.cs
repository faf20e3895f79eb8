using System.Collections.Immutable;
using HomeStart.Core.Offers;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Scanning;

/// <summary>One plan: its ways to pay and data centres against every domain.</summary>
internal sealed class PlanScan
{
    private readonly ScanMarket _market;
    private readonly Findings _findings;
    private readonly OfferBook _book;
    private readonly Plan _plan;
    private readonly Accounts _accounts;
    private readonly Purchases _purchases;
    private readonly RankOrder _order;
    private readonly Side _side;
    private readonly PlanReasons _reasons;
    private readonly TodayLimit _today;
    private readonly CancellationToken _cancel;
    private readonly bool _isPlanBarred;
    private readonly ImmutableArray<DomainOffer> _own;
    private readonly ImmutableArray<Away> _away;

    public PlanScan(
        ScanMarket market,
        Findings findings,
        OfferBook book,
        Plan plan,
        Accounts accounts,
        Purchases purchases,
        CancellationToken cancel
    )
    {
        (_market, _findings, _book, _plan, _accounts, _purchases, _cancel) = (
            market,
            findings,
            book,
            plan,
            accounts,
            purchases,
            cancel
        );
        var needs = market.Request.Needs;
        _order = new RankOrder(market.Request.Objective);
        _side = Side.OfPlan(book, plan, market.Wants, needs.AcceptUnknown);
        _today = new TodayLimit(needs);
        _own =
        [
            .. market
                .Domains.Where(domain => ReferenceEquals(domain.Way.Book, book))
                .Select(domain => new DomainOffer(
                    domain.Way,
                    Side.OfDomain(book, domain.Way.Price!, plan, market.Wants)
                )),
        ];
        _away =
        [
            .. market
                .Groups.Where(group => group.Pairs(book))
                .Select(group => new Away(group, group.CountWithout(book), group.Met, group.Curable))
                .Where(away => away.Count > 0),
        ];
        _reasons = new PlanReasons(market, book, plan, _side, _own);
        _isPlanBarred = _reasons.IsBarred;
    }

    public void Run()
    {
        var hosts = (
            from option in _plan.Billing
            from centre in _reasons.Centres
            select new HostWay(_book, _plan, option, centre)
        ).ToList();
        _findings.Considered += (long)hosts.Count * _reasons.Domains.Length;
        var names = new OwnNames(_accounts, _purchases);
        foreach (var host in hosts.Where(host => _today.IsSet || !IsBarred(host)))
        {
            var hosting = new HostingParts(host, _side, _accounts, _purchases, names);
            foreach (var domain in _own)
            {
                WithOwn(host, hosting, domain);
            }

            foreach (var away in _away)
            {
                WithAway(host, hosting, away);
            }
        }
    }

    public ImmutableArray<Reason> Reasons() => _reasons.All(_today);

    // A domain of the plan's own book: all candidates of the one pair.
    private void WithOwn(HostWay host, HostingParts hosting, DomainOffer domain)
    {
        if (Lack(host, domain.Side.Met, domain.Side.Curable) is not { } lack)
        {
            return;
        }

        var pair = new PairScan(this, host, domain.Way, lack.IsOut);
        foreach (var split in lack.Splits)
        {
            foreach (var part in hosting.With(domain, split))
            {
                pair.Offer(part, Part.Nothing, toFront: true);
            }
        }

        _today.Counted(pair.MeetsToday ? 1 : 0, 1);
        Offer(pair);
    }

    // Domains bought elsewhere: only those that can still come into the rows or onto the front are looked at one by
    // one.
    private void WithAway(HostWay host, HostingParts hosting, Away away)
    {
        if (Lack(host, away.Met, away.Curable) is not { } lack)
        {
            return;
        }

        var domains = away.Group.Making(lack.Splits);
        var parts = lack.Splits.Select(split => hosting.Alone(split.AtHost)).ToImmutableArray();
        var feasible = away.Count;
        if (_today.IsSet)
        {
            feasible = new TodayCount(_today, _book, parts, domains).Run(_cancel);
            _today.Counted(feasible, away.Count);
        }

        if (lack.IsOut || feasible == 0)
        {
            return;
        }

        _findings.Feasible += feasible;
        ToRows(host, parts, domains);
        ToFront(host, parts, domains);
    }

    private void ToRows(HostWay host, ImmutableArray<ImmutableArray<Part>> parts, DomainMarket domains)
    {
        var least = LeastRanks.Find(parts, _order);
        foreach (var domain in domains.BestFirstFor(least))
        {
            _cancel.ThrowIfCancellationRequested();
            if (!_findings.Rows.MightTake(host, least.With(domain.Least)))
            {
                return;
            }

            if (!ReferenceEquals(domain.Way.Book, _book))
            {
                var pair = new PairScan(this, host, domain.Way, isOut: false);
                foreach (var (split, hostings) in parts.Index())
                {
                    foreach (var part in hostings)
                    {
                        foreach (var name in domain.Parts[split])
                        {
                            pair.Offer(part, name, toFront: false);
                        }
                    }
                }

                if (pair.Best is { } best)
                {
                    _findings.Rows.Offer(best);
                }
            }
        }
    }

    private void ToFront(HostWay host, ImmutableArray<ImmutableArray<Part>> parts, DomainMarket domains)
    {
        foreach (var (split, names) in domains.FrontWithout(_book).Index())
        {
            foreach (var hosting in parts[split])
            {
                _cancel.ThrowIfCancellationRequested();
                foreach (var name in hosting.PartTotals is { TodayAtLeast: false, HorizonAtLeast: false } ? names : [])
                {
                    var sums = hosting.PartTotals + name.Part.PartTotals;
                    if (_findings.Front.Admits(sums.Today, sums.Horizon) && _today.IsMetBy(sums))
                    {
                        _findings.Front.Offer(new Found(host, name.Way, hosting, name.Part));
                    }
                }
            }
        }
    }

    private void Offer(PairScan pair)
    {
        if (pair.Best is { } best)
        {
            _findings.Feasible++;
            _findings.Rows.Offer(best);
        }
    }

    // What is lacking, and the ways to share it out; null: it cannot be made good, so that there is nothing to cost.
    // With a limit for today the least that would be due is worked out all the same, as if what bars the plan were not
    // asked for.
    private (ImmutableArray<Split> Splits, bool IsOut)? Lack(HostWay host, int metByDomain, int curableByDomain)
    {
        var lacking = _market.AllWants & ~_side.Met & ~metByDomain;
        var incurable = lacking & ~_side.Curable & ~curableByDomain;
        return incurable != 0 && !_today.IsSet
            ? null
            : (Split.ListAll(lacking & ~incurable, _side.Curable, curableByDomain), incurable != 0 || IsBarred(host));
    }

    private bool IsBarred(HostWay host) => _isPlanBarred || !_reasons.KeepsPrice(host.Option);

    private sealed record Away(DomainGroup Group, int Count, int Met, int Curable);

    // The best candidate of one (plan, billing option, data centre, ending, domain book).
    private sealed class PairScan(PlanScan scan, HostWay host, DomainWay domain, bool isOut)
    {
        public Found? Best { get; private set; }

        public bool MeetsToday { get; private set; }

        public void Offer(Part hosting, Part names, bool toFront)
        {
            var sums = hosting.PartTotals + names.PartTotals;
            scan._today.Saw(sums.Today);
            if (!scan._today.IsMetBy(sums))
            {
                return;
            }

            MeetsToday = true;
            if (isOut)
            {
                return;
            }

            var found = new Found(host, domain, hosting, names);
            Best = Best is not null && scan._order.Compare(Best, found) <= 0 ? Best : found;
            if (toFront && sums is { TodayAtLeast: false, HorizonAtLeast: false })
            {
                scan._findings.Front.Offer(found);
            }
        }
    }
}
