using System.Collections.Immutable;
using BenchmarkDotNet.Attributes;

namespace HomeStart.Bench;

/// <summary>One candidate: hosting with two extras, a domain of the same book with one, a code.</summary>
[MemoryDiagnoser]
public class CostingBenchmarks
{
    private readonly ImmutableArray<OfferBook> _books;
    private readonly CountSettings _settings;
    private readonly Candidate _candidate;

    public CostingBenchmarks()
    {
        var market = LargeMarket.Request(hosts: 1, registrars: 1, endings: 1, hostsSell: true, horizonMonths: 120);
        (_books, _settings) = (market.Books, market.Settings);
        _candidate = new Candidate(
            new HostingChoice("host-000", "plan-0", 1, 1)
            {
                AddOns = [new AddOnChoice("backup"), new AddOnChoice("mailboxes", 2)],
                Codes = ["EXTRA0"],
            },
            [
                new DomainChoice(DomainRoute.Register)
                {
                    Book = "host-000",
                    Name = "ostlerwren",
                    Ending = "com",
                    AddOns = [new AddOnChoice("privacy")],
                },
            ]
        );
    }

    [Benchmark(Description = "plan alone, monthly, 120 months: totals")]
    public Totals PlanAlone() => Cost(new Candidate(new HostingChoice("host-000", "plan-0", 1, 1), [])).Totals;

    [Benchmark(Description = "with extras, domain and code, monthly, 120 months: totals")]
    public Totals WithAll() => Cost(_candidate).Totals;

    [Benchmark(Description = "the same with its ledger")]
    public Ledger WithLedger() => Cost(_candidate).Ledger;

    private Costing Cost(Candidate candidate) => Coster.Cost(candidate, _books, _settings).Value!;
}
