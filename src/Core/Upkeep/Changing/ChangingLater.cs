using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// "Can I start with the way to pay that binds least, and change later?": what the change would cost on one of several
/// days, and what is lost by it. Each is the upkeep of what would be bought, with that one decision (upkeep rule 14),
/// against having chosen the other way from the start.
/// </summary>
/// <param name="From">The way to pay that binds least.</param>
/// <param name="To">The way chosen; where that is <paramref name="From"/>, the other that costs least over the
/// horizon.</param>
/// <param name="Changes">By day; each on a day on which a bill falls due, so that nothing paid is cut short.</param>
public sealed record ChangingLater(
    BillingOption From,
    BillingOption To,
    OfferBook Book,
    ImmutableArray<ChangeOn> Changes,
    LostByChanging Lost
)
{
    // After how many months a change is looked at: a try, a season, half a year, a year.
    private static readonly ImmutableArray<int> _after = [1, 3, 6, 12];

    /// <summary>Null where the plan is paid in one way only, or what is chosen cannot be costed.</summary>
    public static ChangingLater? WorkOut(Candidate candidate, IReadOnlyList<OfferBook> books, CountSettings settings)
    {
        if (
            Coster.Cost(candidate, books, settings).Value?.Run.Purchase.Hosting
            is not { Plan.Billing.Length: > 1 } hosting
        )
        {
            return null;
        }

        var from = hosting.Plan.Billing.MinBy(option => (option.CommitMonths, option.EveryMonths))!;
        var to =
            hosting.Option != from
                ? hosting.Option
                : hosting.Plan.Billing.Where(option => option != from).MinBy(option => Rank(CostingOf(option)))!;
        if (TenureOf(from) is not { } shorter || TenureOf(to) is not { } longer)
        {
            return null;
        }

        var counting = new Counting(settings, settings.DisplayCurrency!);
        var whole = SumOf(longer.Through(LastDay(settings), []).Happened, counting, settings);
        var changes = DaysOf(from, settings)
            .Select(months => ChangeOn.WorkOut(shorter, hosting.Plan, to, months, whole, counting))
            .OfType<ChangeOn>();
        return new ChangingLater(
            from,
            to,
            hosting.Book,
            [.. changes],
            LostByChanging.Compare(CostingOf(from)!, CostingOf(to)!, to)
        );

        Costing? CostingOf(BillingOption option) => Coster.Cost(Paying(option), books, settings).Value;

        Tenure? TenureOf(BillingOption option) => Tenure.Begin(Paying(option), books, settings, new FaultList()).Value;

        Candidate Paying(BillingOption option) =>
            candidate with
            {
                Hosting = candidate.Hosting! with
                {
                    EveryMonths = option.EveryMonths,
                    CommitMonths = option.CommitMonths,
                },
            };
    }

    internal static DateOnly LastDay(CountSettings settings) => settings.End.AddDays(-1);

    /// <summary>
    /// What is paid in all, in the display currency. Nothing stands in a balance, as changes fall on the days of bills.
    /// </summary>
    internal static Sum SumOf(IEnumerable<Happening> happened, Counting counting, CountSettings settings) =>
        happened
            .OfType<Charged>()
            .Aggregate(default(Sum), (sum, charge) =>
                sum
                + new Sum(
                    counting.Convert(
                        (settings.CountTax ? charge.Total : charge.Net) - charge.FromBalance,
                        charge.Currency
                    ),
                    charge.IsAtLeast
                )
            );

    // The first bill from each of the months on, within what is counted.
    private static IEnumerable<int> DaysOf(BillingOption from, CountSettings settings) =>
        _after
            .Select(months => Enumerable.Range(1, Months.Run).Select(from.MonthsTo).First(bill => bill >= months))
            .Distinct()
            .Where(months => months < settings.HorizonMonths);

    private static (bool, Minor) Rank(Costing? costing) =>
        costing is null ? (true, Minor.MaxValue) : (costing.Totals.AtLeast.Horizon, costing.Totals.Horizon);
}

/// <summary>A change on one day.</summary>
/// <param name="Months">How long after the start.</param>
/// <param name="DueThen">What is charged for it, in the display currency.</param>
/// <param name="More">What is paid more over the horizon than by the other way from the start; below zero: less. Null:
/// a price of either is not stated.</param>
/// <param name="IsAssumed">Whether the book does not say what a change does, so that the usual was taken.</param>
public sealed record ChangeOn(DateOnly On, int Months, Sum DueThen, Minor? More, bool IsAssumed)
{
    internal static ChangeOn? WorkOut(
        Tenure tenure,
        Plan plan,
        BillingOption to,
        int months,
        Sum whole,
        Counting counting
    )
    {
        var on = tenure.Start.AddMonths(months);
        var years = tenure.Through(
            ChangingLater.LastDay(tenure.Settings),
            [new ChangePlan(on, plan.Id, to.EveryMonths, to.CommitMonths)]
        );
        if (years.Happened.Any(happening => happening is Refused))
        {
            return null;
        }

        var then = years
            .Happened.Take(years.AfterDecisions[on])
            .OfType<Charged>()
            .Where(charge => charge.On == on)
            .ToList();
        var sum = ChangingLater.SumOf(years.Happened, counting, tenure.Settings);
        return new ChangeOn(
            on,
            months,
            ChangingLater.SumOf(then, counting, tenure.Settings),
            sum.IsAtLeast || whole.IsAtLeast ? null : sum.Amount - whole.Amount,
            then.Exists(charge => charge.IsAssumed)
        );
    }
}

/// <summary>What is lost by starting with the shorter way to pay.</summary>
/// <param name="FirstPerMonth">The other way's first price a month, where a change does not give it; null: it does, or
/// it is no lower.</param>
/// <param name="LaterPerMonth">What is paid a month instead; null: not stated, or nothing is lost.</param>
/// <param name="DomainYear">What the plan's domain-year would have paid, in the book's currency; null: it is not
/// lost.</param>
/// <param name="Codes">Those that count for the other way only.</param>
/// <param name="Refund">Whether the money can be had back with the other way only.</param>
public sealed record LostByChanging(
    Money? FirstPerMonth,
    Money? LaterPerMonth,
    Money? DomainYear,
    ImmutableArray<string> Codes,
    bool Refund
)
{
    internal static LostByChanging Compare(Costing from, Costing to, BillingOption option)
    {
        var (book, there) = (to.Run.Purchase.Hosting!.Book, from.Run.Purchase.Hosting!.Option);
        var isLost = book.Change?.FirstPrice != true && option.LaterPerMonth != option.FirstPerMonth;
        var (with, without) = (Waived(to), Waived(from));
        var kept = from
            .Run.Codes.Where(code => code.Verdict == Verdict.Applied)
            .Select(code => code.Code)
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        return new LostByChanging(
            isLost ? new Money(option.FirstPerMonth, book.Currency) : null,
            isLost && option.LaterPerMonth is { } later ? new Money(later, book.Currency) : null,
            with > without ? new Money(with - without, book.Currency) : null,
            [
                .. to
                    .Run.Codes.Where(code => code.Verdict == Verdict.Applied && !kept.Contains(code.Code))
                    .Select(code => code.Code),
            ],
            book.Refund is { Days: > 0 } refund
                && option.CommitMonths >= refund.MinCommitMonths
                && there.CommitMonths < refund.MinCommitMonths
        );
    }

    private static Minor Waived(Costing costing) =>
        costing
            .Counted.SelectMany(bill => bill.Lines)
            .Where(line => line is { IsWaived: true, Kind: LineKind.Domain })
            .Aggregate(Minor.Zero, (sum, line) => sum + line.Waived);
}
