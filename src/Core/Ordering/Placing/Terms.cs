using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Ordering;

/// <summary>
/// What buying a costing agrees to at each seller, from the facts of its book. What the book does not state is said to
/// be not stated.
/// </summary>
/// <param name="Of">The plan's name, or the domain written out.</param>
/// <param name="Date">When it renews, or the last day to give it back.</param>
/// <param name="Amount">Of a renewal: after discounts, before tax on top, in the book's currency; of a refund: what
/// comes back, in the display currency. Null: not stated.</param>
/// <param name="Months">How long it is committed to or renewed for, or the commitment that a refund needs.</param>
public sealed record Term(
    OfferBook Book,
    TermKind Kind,
    string? Of = null,
    DateOnly? Date = null,
    Money? Amount = null,
    int Months = 0
)
{
    /// <summary>For <see cref="TermKind.GivenBack"/>: what of it does not come back.</summary>
    public ImmutableArray<LineMatch> Without { get; init; } = [];
}

/// <summary>What a term is about.</summary>
public enum TermKind
{
    /// <summary>For how long the hosting is committed to, where that is longer than it is paid for.</summary>
    Committed,

    /// <summary>When something renews by itself and for how much.</summary>
    Renews,

    /// <summary>Until when it can be given back and what comes back.</summary>
    GivenBack,

    /// <summary>It can be given back only from a longer commitment on.</summary>
    GivenBackFrom,

    /// <summary>Whether it can be given back is not stated.</summary>
    GivingBackNotStated,

    /// <summary>A domain once registered is not given back.</summary>
    DomainKept,

    /// <summary>What notice is wanted before a renewal is not stated.</summary>
    NoticeNotStated,
}

/// <summary>Works out what is agreed to.</summary>
public static class Terms
{
    /// <summary>
    /// By seller, in the order of the bills of the first day; within it hosting, then domains, then giving back and
    /// notice.
    /// </summary>
    public static ImmutableArray<Term> Agreed(Costing costing)
    {
        var sellers = costing
            .Run.Bills.Where(bill => bill.Date == costing.Settings.StartDate && bill.Book is not null)
            .Select(bill => bill.Book!)
            .Distinct();
        return [.. sellers.SelectMany(book => OfSeller(costing, book))];
    }

    private static IEnumerable<Term> OfSeller(Costing costing, OfferBook book)
    {
        var purchase = costing.Run.Purchase;
        if (purchase.Hosting is { } hosting && ReferenceEquals(hosting.Book, book))
        {
            if (hosting.Option.CommitMonths > hosting.Option.EveryMonths)
            {
                yield return new Term(book, TermKind.Committed, hosting.Plan.Name, Months: hosting.Option.CommitMonths);
            }

            yield return Renewal(
                costing,
                book,
                LineKind.Plan,
                hosting.Plan.Id,
                hosting.Plan.Name,
                hosting.Option.EveryMonths
            );
        }

        foreach (
            var domain in purchase.Domains.Where(domain =>
                ReferenceEquals(domain.Book, book)
                && domain.Choice.Route is (DomainRoute.Register or DomainRoute.Transfer)
            )
        )
        {
            yield return Renewal(costing, book, LineKind.Domain, domain.Choice.Ref, domain.Choice.Ref, 12);
            if (domain.Choice.Route == DomainRoute.Register)
            {
                yield return new Term(book, TermKind.DomainKept, domain.Choice.Ref);
            }
        }

        if (purchase.Hosting is { } bought && ReferenceEquals(bought.Book, book))
        {
            yield return GivingBack(costing, book);
        }

        yield return new Term(book, TermKind.NoticeNotStated);
    }

    // The first line of it after today.
    private static Term Renewal(
        Costing costing,
        OfferBook book,
        LineKind kind,
        string reference,
        string name,
        int months
    )
    {
        foreach (
            var bill in costing.Run.Bills.Where(bill =>
                bill.Date > costing.Settings.StartDate && ReferenceEquals(bill.Book, book)
            )
        )
        {
            if (bill.Lines.FirstOrDefault(line => line.Kind == kind && line.Ref == reference) is { } line)
            {
                return new Term(
                    book,
                    TermKind.Renews,
                    name,
                    bill.Date,
                    line.IsUnstated ? null : new Money(line.AfterDiscounts, bill.Currency),
                    months
                );
            }
        }

        return new Term(book, TermKind.Renews, name, Months: months);
    }

    private static Term GivingBack(Costing costing, OfferBook book)
    {
        var refund = costing.Totals.Refundable;
        return refund.Reason switch
        {
            null => new Term(
                book,
                TermKind.GivenBack,
                Date: refund.LastDay,
                Amount: new Money(refund.Amount, costing.Currency)
            )
            {
                Without = book.Refund!.Excludes,
            },
            NoRefund.NothingLeft => new Term(
                book,
                TermKind.GivenBack,
                Date: refund.LastDay,
                Amount: Money.Zero(costing.Currency)
            )
            {
                Without = book.Refund!.Excludes,
            },
            NoRefund.CommitTooShort => new Term(book, TermKind.GivenBackFrom, Months: refund.MinCommitMonths ?? 0),
            _ => new Term(book, TermKind.GivingBackNotStated),
        };
    }
}
