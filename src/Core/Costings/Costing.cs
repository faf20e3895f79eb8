using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Costings;

/// <summary>
/// A candidate worked out over the owner's horizon (costing.md). Amounts without a currency of their own are minor
/// units of <see cref="Currency"/>.
/// </summary>
public sealed class Costing
{
    private Costing(BillRun run, CountSettings settings, Counting counting)
    {
        (Run, Settings, Counting) = (run, settings, counting);
        FirstTermEnd = settings.StartDate.AddMonths(run.Purchase.CommitMonths);
        Counted = run.Bills[..run.CountBefore(settings.End)];
        Values = ValuesOf(Counted);
        Totals = TotalsOf.Costing(this);
    }

    /// <summary>
    /// The bills, at least up to the end of the horizon, the end of the first term and what falls due next after the
    /// horizon.
    /// </summary>
    public BillRun Run { get; }

    /// <summary>How the owner counts.</summary>
    public CountSettings Settings { get; }

    /// <summary>What amounts count for the owner.</summary>
    public Counting Counting { get; }

    /// <summary>The display currency.</summary>
    public Currency Currency => Counting.Display;

    /// <summary>T: bills dated before it are counted.</summary>
    public DateOnly End => Settings.End;

    /// <summary>S + C: bills dated before it are the first term's.</summary>
    public DateOnly FirstTermEnd { get; }

    /// <summary>The bills dated before <see cref="End"/>.</summary>
    public ImmutableArray<Bill> Counted { get; }

    /// <summary>
    /// What each counted bill counts, in the display currency. Later ones are valued only where a figure needs them:
    /// their rate may not be there.
    /// </summary>
    public ImmutableArray<Minor> Values { get; }

    /// <summary>The sums of rules 25 to 29.</summary>
    public Totals Totals { get; }

    /// <summary>
    /// Made when it is first asked for: most costings, those of what-ifs and scans, are read only for their totals.
    /// </summary>
    public Ledger Ledger => field ??= Ledger.Build(this);

    /// <summary>
    /// The costing of a purchase; null with the rates that its figures need and the owner has not given in
    /// <paramref name="faults"/>.
    /// </summary>
    internal static Costing? Make(Purchase purchase, CountSettings settings, Counting counting, FaultList faults)
    {
        var run = RunOf(purchase, settings, counting);
        var needed = Needed(run, settings, counting);
        if (needed.All(counting.CanConvert))
        {
            return new Costing(run, settings, counting);
        }

        counting.ReportMissing(needed, faults);
        return null;
    }

    /// <summary>The bills of a purchase: a run no longer than its figures need.</summary>
    internal static BillRun RunOf(Purchase purchase, CountSettings settings, Counting counting)
    {
        var run = BillRun.Until(BillRun.FarEnough(purchase, settings.End), purchase);
        return run.SettlesCodes && !NextDue.BillsOf(run.Bills, run.CountBefore(settings.End), counting).IsEmpty
            ? run
            : BillRun.Whole(purchase);
    }

    // The currencies of the bills that are counted, of the first term's, and of those due next: later ones are not
    // shown.
    private static HashSet<Currency> Needed(BillRun run, CountSettings settings, Counting counting)
    {
        var termEnd = settings.StartDate.AddMonths(run.Purchase.CommitMonths);
        var shown = run.Bills.Take(run.CountBefore(termEnd > settings.End ? termEnd : settings.End));
        return
        [
            .. shown
                .Concat(NextDue.BillsOf(run.Bills, run.CountBefore(settings.End), counting))
                .Select(bill => bill.Currency),
        ];
    }

    /// <summary>What a bill counts, in the display currency (costing rules 23 and 24).</summary>
    public Minor ValueOf(Bill bill) => ValueOf(bill, bill.Sum);

    private Minor ValueOf(Bill bill, Minor sum) => Counting.Convert(Counting.Counts(bill.Book, sum), bill.Currency);

    // Bills of a price that holds come to the same: each different one is taxed and converted once.
    private ImmutableArray<Minor> ValuesOf(ImmutableArray<Bill> bills)
    {
        var values = new Minor[bills.Length];
        Bill? before = null;
        Minor sumBefore = 0;
        for (var index = 0; index < bills.Length; index++)
        {
            var bill = bills[index];
            var sum = bill.Sum;
            values[index] =
                before is not null
                && sum == sumBefore
                && ReferenceEquals(bill.Book, before.Book)
                && ReferenceEquals(bill.Currency, before.Currency)
                    ? values[index - 1]
                    : ValueOf(bill, sum);
            (before, sumBefore) = (bill, sum);
        }

        return System.Runtime.InteropServices.ImmutableCollectionsMarshal.AsImmutableArray(values);
    }
}
