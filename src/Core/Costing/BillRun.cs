using System.Collections.Immutable;
using System.Runtime.InteropServices;

namespace HomeStart.Core;

/// <summary>
/// The one engine: every bill of a purchase from the start date over <see cref="Months.Run"/> months, discounts taken (costing rules 5 to 21). No horizon, no
/// tax, no display currency enters here; costing, ledger, what-ifs and scan all read from the run.
/// </summary>
public sealed class BillRun
{
    private readonly Dictionary<(DateOnly Date, OfferBook? Book, Currency Currency), Bill> _byKey = [];

    private BillRun(Purchase purchase) => Purchase = purchase;

    public Purchase Purchase { get; }

    /// <summary>By date, then book id (none first), then currency.</summary>
    public ImmutableArray<Bill> Bills { get; private set; } = [];

    /// <summary>Verdicts in the order of the request's books, then as entered.</summary>
    public ImmutableArray<CodeVerdict> Codes { get; private set; } = [];

    /// <summary>For each domain of the candidate: what became of the domain-year the plan gives.</summary>
    public ImmutableArray<InclusionVerdict> Inclusions { get; private set; } = [];

    /// <summary>Makes all bills of a purchase.</summary>
    public static BillRun Of(Purchase purchase)
    {
        var run = new BillRun(purchase);
        HostingCharges.Make(purchase, run);
        var domainLines = DomainCharges.Make(purchase, run);
        run.Bills = run.InOrder();
        run.Inclusions = Allowances.Spend(purchase, domainLines);
        run.Codes = Discounts.Take(purchase, run.Bills);
        return run;
    }

    /// <summary>Whether a date is inside the run: charges after it are not made.</summary>
    internal bool Holds(DateOnly date) => date < Purchase.StartDate.AddMonths(Months.Run);

    internal void Add(DateOnly date, OfferBook? book, Currency currency, BillLine line)
    {
        ref var bill = ref CollectionsMarshal.GetValueRefOrAddDefault(_byKey, (date, book, currency), out _);
        (bill ??= new Bill(date, book, currency)).Charged.Add(line);
    }

    private ImmutableArray<Bill> InOrder()
    {
        foreach (var bill in _byKey.Values)
        {
            bill.Charged.Sort(ByPlaceOnBill);
        }

        return [.. _byKey.Values
            .OrderBy(bill => bill.Date)
            .ThenBy(bill => bill.Book?.Id, StringComparer.Ordinal)
            .ThenBy(bill => bill.Currency.Code, StringComparer.Ordinal)];
    }

    // Rule 17: plan, data centre, set-up, domains as listed, extras in the book's order and then as their domains are listed.
    private static int ByPlaceOnBill(BillLine left, BillLine right) =>
        left.Kind != right.Kind ? left.Kind.CompareTo(right.Kind)
        : left.BookOrder != right.BookOrder ? left.BookOrder.CompareTo(right.BookOrder)
        : (left.Domain ?? -1).CompareTo(right.Domain ?? -1);
}
