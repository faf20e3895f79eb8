using System.Collections.Immutable;
using System.Numerics;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>Finds what an owner should know before its day, from what stands and what is to come.</summary>
public static class OwnerNotices
{
    /// <summary>All of them by their day, then the most pressing first.</summary>
    /// <param name="cardExpires">The last day the card is good for; null: it is not known.</param>
    /// <param name="unconfirmed">Domains whose holder's address is not confirmed, and until when it must be.</param>
    public static ImmutableArray<Notice> ListAll(
        Outlook outlook,
        DateOnly? cardExpires,
        IReadOnlyDictionary<string, DateOnly> unconfirmed
    )
    {
        var holdings = outlook.Holdings;
        return
        [
            .. Unpaid(outlook)
                .Concat(Losing(outlook))
                .Concat(Unconfirmed(outlook, unconfirmed))
                .Concat(GiveBack(outlook))
                .Concat(
                    Allowance
                        .ListAll(outlook)
                        .Where(allowance => allowance.TakenBy is null && allowance.From <= outlook.DecidingOn)
                        .Select(AllowanceNotice)
                )
                .Concat(Card(outlook, cardExpires))
                .Concat(Commitment(outlook))
                .Concat(holdings.SelectMany(Step))
                .Concat(Ending(outlook))
                .Concat(outlook.Now.Hosting is { } hosting ? Apart(holdings, hosting.Option.EveryMonths) : [])
                .OrderBy(notice => notice.On)
                .ThenBy(notice => notice.Kind),
        ];
    }

    private static IEnumerable<Notice> Unpaid(Outlook outlook) =>
        outlook
            .Now.Open.Where(bill => bill.NextOn is not null)
            .Select(bill => new Notice(NoticeKind.Unpaid, bill.NextOn!.Value, null, bill.Total)
            {
                Book = bill.Book,
                Other = bill.Due,
            });

    // What is not live now comes to the next state by itself.
    private static IEnumerable<Notice> Losing(Outlook outlook) =>
        from held in outlook.Now.Holdings
        where
            held.State
                is HoldingState.Suspended
                    or HoldingState.Ended
                    or HoldingState.Grace
                    or HoldingState.Redemption
                    or HoldingState.Pending
            || outlook.Now.Open.Any(bill => bill.Holdings.Contains(held.Holding))
        let next = outlook
            .Coming.OfType<StateChanged>()
            .FirstOrDefault(state => state.Holding == held.Holding && state.State != HoldingState.Live)
        where next is not null
        select new Notice(NoticeKind.Losing, next.On, held.Holding, CostOfReturn(outlook, held)) { State = next.State };

    private static Money? CostOfReturn(Outlook outlook, HoldingAtEnd held) =>
        Return.Paying(outlook, held, outlook.DecidingOn)?.Cost;

    private static IEnumerable<Notice> Unconfirmed(
        Outlook outlook,
        IReadOnlyDictionary<string, DateOnly> unconfirmed
    ) =>
        outlook
            .Now.Holdings.Where(held =>
                unconfirmed.ContainsKey(held.Ref) && held.State is not (HoldingState.Gone or HoldingState.Left)
            )
            .Select(held => new Notice(NoticeKind.HolderNotConfirmed, unconfirmed[held.Ref], held.Holding, null));

    private static IEnumerable<Notice> GiveBack(Outlook outlook)
    {
        if (
            outlook.Tenure.Purchase.Hosting is not { } bought
            || bought.Book.Refund is not { Days: > 0 } rule
            || bought.Option.CommitMonths < rule.MinCommitMonths
        )
        {
            yield break;
        }

        var last = outlook.Tenure.Start.AddDays(rule.Days);
        if (outlook.DecidingOn <= last && outlook.Now.Holding(HoldingAtEnd.HostingKey) is { State: HoldingState.Live })
        {
            var back = Effect
                .WorkOut(outlook, new Leave(outlook.DecidingOn))
                .AtOnce.OfType<Refunded>()
                .FirstOrDefault();
            yield return new Notice(
                NoticeKind.GiveBack,
                last,
                HoldingAtEnd.HostingKey,
                back is null ? null : new Money(back.Total, back.Currency)
            );
        }
    }

    private static Notice AllowanceNotice(Allowance allowance) =>
        new(
            allowance.IsYearly ? NoticeKind.Allowance : NoticeKind.ClaimDomain,
            allowance.LastDay,
            null,
            allowance.Best?.Saves
        )
        {
            Book = allowance.Book,
            Endings = allowance.Endings,
        };

    private static IEnumerable<Notice> Card(Outlook outlook, DateOnly? expires)
    {
        var next = outlook
            .Coming.Select(happening =>
                happening switch
                {
                    Charged charged => (charged.On, new Money(charged.Total, charged.Currency), charged.Book),
                    Failed failed => (failed.On, new Money(failed.Total, failed.Currency), failed.Book),
                    _ => default,
                }
            )
            .Where(bill => bill.Book is not null);
        if (!outlook.Book.Payer.IsKnown && next.FirstOrDefault() is { Book: not null } first)
        {
            yield return new Notice(NoticeKind.NoCard, first.On, null, first.Item2) { Book = first.Book };
        }
        else if (expires is { } last && next.FirstOrDefault(bill => bill.On > last) is { Book: not null } bill)
        {
            yield return new Notice(NoticeKind.CardExpires, last, null, bill.Item2)
            {
                Book = bill.Book,
                Other = bill.On,
            };
        }
    }

    // Until that day it renews whatever is said, so that the day itself is the last on which saying no ends it there.
    private static IEnumerable<Notice> Commitment(Outlook outlook)
    {
        if (
            outlook.Now.Hosting is { CommittedEnd: { } end }
            && end > outlook.Today
            && end < outlook.End
            && outlook.Now.Holding(HoldingAtEnd.HostingKey) is { State: HoldingState.Live, Renews: true } held
        )
        {
            yield return new Notice(
                NoticeKind.CommitmentEnds,
                end,
                held.Holding,
                outlook
                    .Coming.OfType<Charged>()
                    .Where(charged =>
                        charged.On >= end && charged.Lines.Any(line => line is { Kind: UpkeepLineKind.Plan })
                    )
                    .Select(charged => (Money?)new Money(charged.Total, charged.Currency))
                    .FirstOrDefault()
            )
            {
                Book = outlook.Now.Books[held.Holding],
            };
        }
    }

    private static IEnumerable<Notice> Step(Holding holding)
    {
        if (holding.Next is { IsAtLeast: true } unstated)
        {
            yield return new Notice(NoticeKind.NotStated, unstated.On, holding.Held.Holding, null)
            {
                Book = holding.Book,
            };
        }
        else if (holding is { Last: { } last, Next: { } next } && next.IsDearerThan(last))
        {
            yield return new Notice(NoticeKind.PriceStep, next.On, holding.Held.Holding, next.Amount)
            {
                Against = last.Amount,
                Months = next.Months,
                Book = holding.Book,
            };
        }
    }

    private static IEnumerable<Notice> Ending(Outlook outlook) =>
        from held in outlook.Now.Holdings
        where held is { State: HoldingState.Live, Renews: false }
        let end = outlook
            .Coming.OfType<StateChanged>()
            .FirstOrDefault(state => state.Holding == held.Holding && state.State != HoldingState.Live)
        where end is not null
        select new Notice(NoticeKind.Ends, end.On, held.Holding, null)
        {
            State = end.State,
            Book = outlook.Now.Books[held.Holding],
        };

    private static IEnumerable<Notice> Apart(ImmutableArray<Holding> holdings, int months)
    {
        if (
            holdings.FirstOrDefault(holding =>
                holding.Held is { IsHosting: true, State: HoldingState.Live, PaidUntil: not null }
            )
            is not { } hosting
        )
        {
            yield break;
        }

        foreach (
            var domain in holdings.Where(holding =>
                holding.Held is { IsHosting: false, State: HoldingState.Live, PaidUntil: not null }
                && !Meet(hosting.Held.PaidUntil!.Value, months, holding.Held.PaidUntil.Value)
            )
        )
        {
            yield return new Notice(NoticeKind.Apart, Earlier(hosting, domain), domain.Held.Holding, null)
            {
                Other = Later(hosting, domain),
                Book = domain.Book,
            };
        }
    }

    // Whether a date on which hosting falls due, every so many months, is one on which the domain does, every twelve.
    private static bool Meet(DateOnly hosting, int months, DateOnly domain)
    {
        var between = ((domain.Year - hosting.Year) * 12) + domain.Month - hosting.Month;
        return hosting.AddMonths(between) == domain && between % (int)BigInteger.GreatestCommonDivisor(months, 12) == 0;
    }

    private static DateOnly Earlier(Holding one, Holding other) =>
        one.Held.PaidUntil < other.Held.PaidUntil ? one.Held.PaidUntil!.Value : other.Held.PaidUntil!.Value;

    private static DateOnly Later(Holding one, Holding other) =>
        one.Held.PaidUntil < other.Held.PaidUntil ? other.Held.PaidUntil!.Value : one.Held.PaidUntil!.Value;
}
