using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>The sums of a costing, in minor units of its display currency unless said otherwise (costing rules 25 to 29).</summary>
public sealed record Totals
{
    public required Minor DueToday { get; init; }
    public required Minor FirstTerm { get; init; }
    public required Minor Horizon { get; init; }
    public required Minor PerMonth { get; init; }

    /// <summary>Null where no bill is counted.</summary>
    public required DueOn? Peak { get; init; }

    /// <summary>What falls due first from the end of the horizon on.</summary>
    public required NextDue? Next { get; init; }
    public required Minor OwedAfterHorizon { get; init; }
    public required Minor UnusedAtEnd { get; init; }
    public required Refundable Refundable { get; init; }

    /// <summary>The first plan price a month, in the book's currency; null without hosting.</summary>
    public required Money? AdvertisedPerMonth { get; init; }

    /// <summary>Null unless the owner gave the chance of going on.</summary>
    public required Minor? Expected { get; init; }

    public required PriceStepUp? PriceStep { get; init; }

    /// <summary>Which of today, first term and horizon hold a line that is not stated.</summary>
    public required AtLeast AtLeast { get; init; }

    /// <summary>The lines not stated on counted bills.</summary>
    public required ImmutableArray<(Bill Bill, BillLine Line)> Unstated { get; init; }
}

public readonly record struct DueOn(DateOnly Date, Minor Total);

/// <param name="Bills">The bills of that date.</param>
public sealed record NextDue(DateOnly Date, Minor Total, bool AtLeast, ImmutableArray<Bill> Bills);

/// <summary>The plan's change of price, a month, in the book's currency; a null <paramref name="To"/> is not stated (costing rule 26).</summary>
public sealed record PriceStepUp(DateOnly Date, Money From, Money? To);

public readonly record struct AtLeast(bool DueToday, bool FirstTerm, bool Horizon);

/// <summary>What leaving inside the refund days gives back, or why nothing (costing rule 29).</summary>
/// <param name="LastDay">The last day to leave; null where there is no refund.</param>
public sealed record Refundable(Minor Amount, DateOnly? LastDay, NoRefund? Reason, int? MinCommitMonths);

public enum NoRefund
{
    NoHosting,
    NotOffered,
    CommitTooShort,
    NothingLeft,
}

/// <summary>Works the totals out.</summary>
internal static class TotalsOf
{
    public static Totals Costing(Costing costing)
    {
        var hosting = costing.Run.Purchase.Hosting;
        var counted = CountedSums.Of(costing);
        var beyond = Span.Of(costing, costing.Counted.Length, costing.FirstTermEnd);
        var owed = Span.Of(costing, costing.Counted.Length, costing.FirstTermEnd, hosting?.Book);
        return new Totals
        {
            DueToday = counted.Today,
            FirstTerm = counted.FirstTerm + beyond.Total,
            Horizon = counted.Horizon,
            PerMonth = new Fraction(1, costing.Settings.HorizonMonths).Of(counted.Horizon),
            Peak = counted.Peak,
            Next = Next(costing),
            OwedAfterHorizon = hosting is null ? 0 : owed.Total,
            UnusedAtEnd = Unused(costing),
            Refundable = Refund(costing),
            AdvertisedPerMonth = hosting is null ? null : PerMonth(hosting, hosting.Option.Prices.At(0).Units),
            Expected = costing.Settings.KeepChancePercent is null ? null : (Minor)Math.Round(ExpectedCost.Of(costing), MidpointRounding.AwayFromZero),
            PriceStep = Step(costing),
            AtLeast = counted.AtLeast with { FirstTerm = counted.AtLeast.FirstTerm || beyond.IsAtLeast },
            Unstated = counted.AtLeast.Horizon ? [.. costing.Counted.SelectMany(bill => bill.Lines.Where(line => line.IsUnstated).Select(line => (bill, line)))] : [],
        };
    }

    private static NextDue? Next(Costing costing)
    {
        var bills = costing.Run.Bills;
        for (var index = costing.Counted.Length; index < bills.Length; index++)
        {
            // A sum may count nothing once converted, and is due all the same.
            if (bills[index].IsAtLeast || costing.Counting.Counts(bills[index].Book, bills[index].Sum) != 0)
            {
                return On(bills[index].Date);
            }
        }

        return null;

        NextDue On(DateOnly date)
        {
            var first = costing.Counted.Length;
            while (bills[first].Date < date)
            {
                first++;
            }

            var due = Span.Of(costing, first, date.AddDays(1));
            return new NextDue(date, due.Total, due.IsAtLeast, bills.Slice(first, due.Bills));
        }
    }

    private static Minor Unused(Costing costing)
    {
        Minor unused = 0;
        foreach (var bill in costing.Counted)
        {
            foreach (var line in bill.Charged)
            {
                if (line.Cover is { } cover && cover.Until > costing.End)
                {
                    var left = new Fraction(cover.DaysFrom(costing.End), cover.Days).Of(line.AfterDiscounts);
                    unused += costing.Counting.Convert(costing.Counting.Counts(bill.Book, left), bill.Currency);
                }
            }
        }

        return unused;
    }

    private static PriceStepUp? Step(Costing costing)
    {
        if (costing.Run.Purchase.Hosting is not { } hosting)
        {
            return null;
        }

        var first = hosting.Option.Prices.At(0);
        if (hosting.Option.Prices.FirstOtherThan(first) is not var (cycle, price) || (long)cycle * hosting.Option.EveryMonths >= Months.Run)
        {
            return null;
        }

        var date = costing.Settings.StartDate.AddMonths(cycle * hosting.Option.EveryMonths);
        return date >= costing.End ? null : new PriceStepUp(date, PerMonth(hosting, first.Units), price.IsStated ? PerMonth(hosting, price.Units) : null);
    }

    private static Money PerMonth(BoughtHosting hosting, Minor price) => new(hosting.Option.PerMonth(price), hosting.Book.Currency);

    private static Refundable Refund(Costing costing)
    {
        if (costing.Run.Purchase.Hosting is not { } hosting)
        {
            return new Refundable(0, null, NoRefund.NoHosting, null);
        }

        if (hosting.Book.Refund is not { Days: > 0 } rule)
        {
            return new Refundable(0, null, NoRefund.NotOffered, null);
        }

        if (hosting.Option.CommitMonths < rule.MinCommitMonths)
        {
            return new Refundable(0, null, NoRefund.CommitTooShort, rule.MinCommitMonths);
        }

        Minor left = 0;
        Minor waived = 0;
        foreach (var bill in costing.Run.Bills)
        {
            if (bill.Date > costing.Settings.StartDate)
            {
                break;
            }

            foreach (var line in ReferenceEquals(bill.Book, hosting.Book) ? bill.Lines : [])
            {
                left += rule.Excludes.Any(match => match.Matches(line)) ? 0 : line.AfterDiscounts;
                waived += line.Waived;
            }
        }

        left = Minor.Max(0, left - (rule.DeductsIncludedDomain ? waived : 0));
        var amount = costing.Counting.Convert(costing.Counting.Counts(hosting.Book, left), hosting.Book.Currency);
        var lastDay = costing.Settings.StartDate.AddDays(rule.Days);
        return new Refundable(amount, lastDay, amount == 0 ? NoRefund.NothingLeft : null, rule.MinCommitMonths);
    }

    /// <summary>What the counted bills come to, in one pass over them.</summary>
    private readonly record struct CountedSums(Minor Today, Minor FirstTerm, Minor Horizon, DueOn? Peak, AtLeast AtLeast)
    {
        public static CountedSums Of(Costing costing)
        {
            var start = costing.Settings.StartDate;
            var (today, firstTerm, horizon) = ((Minor)0, (Minor)0, (Minor)0);
            var (todayAtLeast, firstTermAtLeast, horizonAtLeast) = (false, false, false);
            DueOn? peak = null;
            var day = new DueOn(start, 0);
            for (var index = 0; index < costing.Counted.Length; index++)
            {
                var bill = costing.Counted[index];
                var (date, value, isAtLeast) = (bill.Date, costing.Values[index], bill.IsAtLeast);
                horizon += value;
                horizonAtLeast |= isAtLeast;
                if (date == start)
                {
                    today += value;
                    todayAtLeast |= isAtLeast;
                }

                if (date < costing.FirstTermEnd)
                {
                    firstTerm += value;
                    firstTermAtLeast |= isAtLeast;
                }

                day = index > 0 && date == day.Date ? day with { Total = day.Total + value } : new DueOn(date, value);
                peak = peak is null || day.Total > peak.Value.Total || (peak.Value.Date == date && day.Total != peak.Value.Total) ? day : peak;
            }

            return new CountedSums(today, firstTerm, horizon, peak, new AtLeast(todayAtLeast, firstTermAtLeast, horizonAtLeast));
        }
    }

    /// <summary>The bills from one place in the run to a date, together.</summary>
    private readonly record struct Span(int Bills, Minor Total, bool IsAtLeast)
    {
        /// <param name="book">Only the bills of this book; null: of all.</param>
        public static Span Of(Costing costing, int first, DateOnly before, OfferBook? book = null)
        {
            var bills = costing.Run.Bills;
            var index = first;
            Minor total = 0;
            var isAtLeast = false;
            for (; index < bills.Length && bills[index].Date < before; index++)
            {
                if (book is null || ReferenceEquals(bills[index].Book, book))
                {
                    total += index < costing.Values.Length ? costing.Values[index] : costing.ValueOf(bills[index]);
                    isAtLeast |= bills[index].IsAtLeast;
                }
            }

            return new Span(index - first, total, isAtLeast);
        }
    }
}
