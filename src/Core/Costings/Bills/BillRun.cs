using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// The one engine: every bill of a purchase from the start date over <see cref="Months.Run"/> months, discounts taken
/// (costing rules 5 to 21). No horizon, no tax, no display currency enters here; costing, ledger, what-ifs and scan all
/// read from the run.
/// </summary>
public sealed class BillRun
{
    // Always in the order of the run.
    private readonly List<Bill> _bills;
    private readonly DateOnly _end;

    private BillRun(Purchase purchase, DateOnly end)
    {
        (Purchase, _end) = (purchase, end);
        var months = Months.WholeBetween(purchase.StartDate, end);
        _bills = new List<Bill>(
            2 + (months / (purchase.Hosting?.Option.EveryMonths ?? 12)) + (purchase.Domains.Length * months / 12)
        );
    }

    /// <summary>What the bills are of.</summary>
    public Purchase Purchase { get; }

    /// <summary>By date, then book id (none first), then currency.</summary>
    public ImmutableArray<Bill> Bills { get; private set; } = [];

    /// <summary>Verdicts in the order of the request's books, then as entered.</summary>
    public ImmutableArray<CodeVerdict> Codes { get; private set; } = [];

    /// <summary>For each domain of the candidate: what became of the domain-year the plan gives.</summary>
    public ImmutableArray<InclusionVerdict> Inclusions { get; private set; } = [];

    /// <summary>Makes all bills of a purchase.</summary>
    public static BillRun Whole(Purchase purchase) => Until(purchase.StartDate.AddMonths(Months.Run), purchase);

    /// <summary>
    /// Makes only the bills dated before <paramref name="end"/>: the same ones, as nothing about a bill depends on
    /// later ones, but that verdicts look at the whole run (<see cref="SettlesCodes"/>), and with several codes decide
    /// which count.
    /// </summary>
    /// <param name="chargesHosting">False: only the domains' lines, as they are with this hosting.</param>
    internal static BillRun Until(DateOnly end, Purchase purchase, bool chargesHosting = true)
    {
        var run = new BillRun(purchase, end);
        if (chargesHosting)
        {
            HostingCharges.Make(purchase, run);
        }

        var domainLines = DomainCharges.Make(purchase, run);
        run.Bills = run.InOrder();
        run.Inclusions = Allowances.Spend(purchase, domainLines);
        run.Codes = Discounts.Take(purchase, run.Bills);
        return run;
    }

    /// <summary>
    /// The lines of domains before a day, without an allowance and without a discount: of one that is claimed after the
    /// order (upkeep rule 15).
    /// </summary>
    internal static (BillRun Run, IReadOnlyList<DomainLine> Lines) OfDomainsAlone(DateOnly end, Purchase purchase)
    {
        var run = new BillRun(purchase, end);
        var lines = DomainCharges.Make(purchase, run);
        run.Bills = run.InOrder();
        return (run, lines);
    }

    /// <summary>
    /// Up to where a run has to reach for the usual costing: past the horizon, the first term and the first line of
    /// every domain by a cycle and a year, so that what falls due next is in it.
    /// </summary>
    internal static DateOnly FarEnough(Purchase purchase, DateOnly horizonEnd)
    {
        var start = purchase.StartDate;
        var months = Math.Max(Months.WholeBetween(start, horizonEnd), purchase.CommitMonths);
        foreach (var domain in purchase.Domains)
        {
            months = Math.Max(months, domain.Choice.InMonths);
        }

        return start.AddMonths(
            Math.Min(Months.Run, months + Math.Max(12, purchase.Hosting?.Option.MonthsTo(1) ?? 0) + 1)
        );
    }

    /// <summary>
    /// Whether the run is long enough for the verdicts: a code that took nothing off may do so on a later bill.
    /// </summary>
    internal bool SettlesCodes => !Codes.Any(code => code.Verdict == Verdict.NothingToDiscount);

    /// <summary>How many bills are dated before a day.</summary>
    internal int CountBefore(DateOnly day)
    {
        var count = 0;
        while (count < Bills.Length && Bills[count].Date < day)
        {
            count++;
        }

        return count;
    }

    /// <summary>Whether a date is inside the run: charges after it are not made.</summary>
    internal bool Holds(DateOnly date) => date < _end;

    internal void Add(DateOnly date, OfferBook? book, Currency currency, BillLine line)
    {
        // Most lines follow the ones before: look at the end first.
        var place = _bills.Count;
        var order = place == 0 ? 1 : Compare(date, book, currency, _bills[^1]);
        if (order == 0)
        {
            place--;
        }
        else if (order < 0)
        {
            (place, order) = Find(date, book, currency);
        }

        if (order != 0)
        {
            _bills.Insert(place, new Bill(date, book, currency));
        }

        _bills[place].Add(line);
    }

    // The place of a bill, and 0 where it is there.
    private (int Place, int Order) Find(DateOnly date, OfferBook? book, Currency currency)
    {
        var (low, high) = (0, _bills.Count);
        while (low < high)
        {
            var middle = (low + high) / 2;
            var order = Compare(date, book, currency, _bills[middle]);
            if (order == 0)
            {
                return (middle, 0);
            }

            (low, high) = order < 0 ? (low, middle) : (middle + 1, high);
        }

        return (low, 1);
    }

    private static int Compare(DateOnly date, OfferBook? book, Currency currency, Bill bill)
    {
        if (date != bill.Date)
        {
            return date < bill.Date ? -1 : 1;
        }

        var order = ReferenceEquals(book, bill.Book) ? 0 : string.CompareOrdinal(book?.Id, bill.Book?.Id);
        return order != 0 || ReferenceEquals(currency, bill.Currency)
            ? order
            : string.CompareOrdinal(currency.Code, bill.Currency.Code);
    }

    private ImmutableArray<Bill> InOrder()
    {
        foreach (var bill in _bills)
        {
            bill.Sort(ByPlaceOnBill);
        }

        return [.. _bills];
    }

    // Rule 17: plan, data centre, set-up, domains as listed, extras in the book's order and then as their domains are
    // listed; what is had of an extra before what is bought of it.
    private static int ByPlaceOnBill(BillLine left, BillLine right) =>
        left.Kind != right.Kind ? left.Kind.CompareTo(right.Kind)
        : left.BookOrder != right.BookOrder ? left.BookOrder.CompareTo(right.BookOrder)
        : left.Domain != right.Domain ? (left.Domain ?? -1).CompareTo(right.Domain ?? -1)
        : right.IsIncluded.CompareTo(left.IsIncluded);
}
