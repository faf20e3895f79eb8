using System.Collections.Immutable;
using BenchmarkDotNet.Attributes;

namespace HomeStart.Bench;

/// <summary>
/// A worksheet with every what-if: one book of 4 plans, 6 billing cycles, 3 data centres and 8 extras, its own domain,
/// a code, over 3 years.
/// </summary>
[MemoryDiagnoser]
public class WhatIfBenchmarks
{
    private readonly ImmutableArray<OfferBook> _books;
    private readonly CountSettings _settings;
    private readonly Needs _needs;
    private readonly ListedCandidate _listed;

    public WhatIfBenchmarks()
    {
        var market = LargeMarket.Request(hosts: 1, registrars: 1, endings: 1, hostsSell: true);
        var host = market.Books[0];
        var extras = Enumerable
            .Range(0, 8)
            .Select(index => host.AddOns[0] with { Id = $"extra-{index}", Provides = null });
        _books = market.Books.SetItem(
            0,
            host with
            {
                AddOns = [.. host.AddOns.Where(addOn => addOn.For == AddOnFor.Domain), .. extras],
            }
        );
        (_settings, _needs) = (market.Settings, market.Needs);
        _listed = new ListedCandidate(
            "A",
            new Candidate(
                new HostingChoice(host.Id, "plan-0", 12, 12)
                {
                    AddOns = [new AddOnChoice("extra-0"), new AddOnChoice("extra-1")],
                    Codes = ["EXTRA0"],
                },
                [
                    new DomainChoice(DomainRoute.Register)
                    {
                        Book = host.Id,
                        Name = "ostlerwren",
                        Ending = "com",
                    },
                ]
            )
        );
    }

    [Benchmark(Description = "all what-ifs of a worksheet")]
    public Worksheet Worksheet() => HomeStart.Core.Worksheets.Worksheet.Fill(_listed, _books, _settings, _needs);
}
