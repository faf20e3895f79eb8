using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>A candidate worked out over the owner's horizon (costing.md). Amounts without a currency of their own are minor units of <see cref="Currency"/>.</summary>
public sealed class Costing
{
    internal Costing(BillRun run, CountSettings settings, Counting counting)
    {
        (Run, Settings, Counting) = (run, settings, counting);
        FirstTermEnd = settings.StartDate.AddMonths(run.Purchase.CommitMonths);
        Counted = [.. run.Bills.TakeWhile(bill => bill.Date < settings.End)];
        Totals = TotalsOf.Costing(this);
        Ledger = Ledger.Of(this);
    }

    public BillRun Run { get; }

    public CountSettings Settings { get; }

    public Counting Counting { get; }

    public Currency Currency => Counting.Display;

    /// <summary>T: bills dated before it are counted.</summary>
    public DateOnly End => Settings.End;

    /// <summary>S + C: bills dated before it are the first term's.</summary>
    public DateOnly FirstTermEnd { get; }

    /// <summary>The bills dated before <see cref="End"/>.</summary>
    public ImmutableArray<Bill> Counted { get; }

    public Totals Totals { get; }

    public Ledger Ledger { get; }

    /// <summary>What a bill counts, in the display currency (costing rules 23 and 24).</summary>
    public Minor ValueOf(Bill bill) => Counting.Convert(Counting.Counts(bill.Book, bill.Sum), bill.Currency);
}
