using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;

namespace HomeStart.Core.Scanning;

/// <summary>
/// Costs every way to buy against the needs (scan.md). A domain at a registrar costs the same whatever host it is
/// paired with, so hosting and domains are costed apart where they are bought apart, and each pair is an addition;
/// pairs that cannot come before what is found already are not even added.
/// </summary>
public static class Scan
{
    /// <summary>What was found, or what bars a scan: a rate that is missing, or more work than is let in.</summary>
    /// <param name="progress">Told how many of how many plans are done, one call at a time.</param>
    public static Result<ScanResult> Run(
        ScanRequest request,
        IProgress<(int Done, int Of)>? progress,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        return Result.From(Run(request, faults, progress, cancel), faults);
    }

    private static ScanResult? Run(
        ScanRequest request,
        FaultList faults,
        IProgress<(int Done, int Of)>? progress,
        CancellationToken cancel
    )
    {
        // Parts are costed alone: each must be shown in the one currency of the whole.
        request = request with
        {
            Settings = request.Settings with
            {
                DisplayCurrency = request.Settings.DisplayCurrency ?? request.Books.FirstOrDefault()?.Currency,
            },
        };
        var market = new ScanMarket(request, faults, cancel);
        if (faults.Any || !new ScanWork(market, faults).IsBounded())
        {
            return null;
        }

        var plans = request.Books.SelectMany(book => book.Plans.Select(plan => (Book: book, Plan: plan))).ToList();
        var rejected = new RejectedPlan?[plans.Count];
        var gate = new Lock();
        var all = new Findings(request);
        var unconvertible = new HashSet<Currency>();
        var done = 0;
        Parallel.For(
            0,
            plans.Count,
            // Else it takes every thread there is, and whoever else asks waits.
            new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Environment.ProcessorCount },
            () => new ScanWorker(market, cancel),
            (index, _, worker) =>
            {
                rejected[index] = worker.Scan(plans[index].Book, plans[index].Plan);
                lock (gate)
                {
                    progress?.Report((++done, plans.Count));
                }

                return worker;
            },
            worker =>
            {
                lock (gate)
                {
                    all.Take(worker.Findings);
                    unconvertible.UnionWith(worker.Unconvertible);
                }
            }
        );
        market.ReportMissingRates(unconvertible, faults);
        return faults.Any ? null : Listed(request, all, [.. rejected.OfType<RejectedPlan>()], faults);
    }

    private static ScanResult? Listed(
        ScanRequest request,
        Findings found,
        ImmutableArray<RejectedPlan> rejected,
        FaultList faults
    )
    {
        var rows = found.Rows.Rows.Select(Row).ToList();
        var front = found.Front.Found.Select(Row).ToList();
        return faults.Any ? null : new ScanResult([.. rows!], [.. front!], rejected, found.Considered, found.Feasible);

        ScanRow? Row(Found row)
        {
            var candidate = row.ToCandidate();
            return Coster.Cost(candidate, request.Books, request.Settings, faults).Has(out var costing)
                ? new ScanRow(candidate, request, costing.Totals)
                : null;
        }
    }
}
