using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <content>
/// The owner's decisions: renewing, card, paying what was missed, leaving, claiming (rules 12, 13 and 15).
/// </content>
internal sealed partial class UpkeepRun
{
    /// <summary>Carries out a decision, or says why not.</summary>
    public void Decide(Decision decision)
    {
        var reason = decision switch
        {
            SetRenewing renewing => SetRenewing(renewing),
            SetCard card => SetCard(card),
            PayMissed pay => PayMissed(pay),
            Leave leave => Leave(leave),
            ChangePlan change => Change(change),
            AddExtra add => Add(add),
            DropExtra drop => Drop(drop),
            ClaimDomain claim => Claim(claim),
            _ => throw new InvalidOperationException($"There is no decision {decision.GetType().Name}."),
        };
        if (reason is { } why)
        {
            Say(new Refused(decision.On, decision.Do, why));
        }
    }

    private RefusalReason? SetRenewing(SetRenewing renewing)
    {
        if (HoldingOf(renewing.Holding) is not { } held)
        {
            return RefusalReason.Unknown;
        }

        if (held.Renews == renewing.Value)
        {
            return RefusalReason.Same;
        }

        held.Renews = renewing.Value;
        StopRenewing(held, renewing.On);
        return null;
    }

    // Whoever says no while a bill is open says it as though on its day; not where hosting is committed to.
    private void StopRenewing(Held held, DateOnly day)
    {
        if (
            held.Renews
            || !IsOnOpenBill(held, ownAlone: true)
            || (held.IsHosting && held.MissedOn < _hosting!.CommittedEnd)
        )
        {
            return;
        }

        if (held.IsHosting)
        {
            Lose(held, HoldingState.Ended, day);
        }
        else
        {
            TakeOut(held);
        }
    }

    private RefusalReason? SetCard(SetCard card)
    {
        if (_cardWorks == card.Works)
        {
            return RefusalReason.Same;
        }

        _cardWorks = card.Works;
        return null;
    }

    private RefusalReason? PayMissed(PayMissed pay)
    {
        if (HoldingOf(pay.Holding) is not { } held)
        {
            return RefusalReason.Unknown;
        }

        if (held.State is HoldingState.Pending or HoldingState.Gone or HoldingState.Left)
        {
            return RefusalReason.TooLate;
        }

        if (held.MissedOn is not { } missed)
        {
            return RefusalReason.NothingToPay;
        }

        var lines = held
            .Lines.Where(line =>
                (line.Date == missed && line.Fate is not (LineFate.Paid or LineFate.Stopped))
                || (line.Date > missed && line.Date < pay.On && line.Fate == LineFate.Missed)
            )
            .ToList();
        if (held.State == HoldingState.Redemption)
        {
            lines.Add(
                new UpkeepLine(
                    UpkeepLineKind.Redemption,
                    held.Ref,
                    held,
                    pay.On,
                    Price.FromUnits(held.Lapse?.RedemptionFee),
                    null
                )
            );
        }

        if (!Pay(TillOf(held.Book), pay.On, pay.On, lines))
        {
            return RefusalReason.CardStopped;
        }

        TakeOutPaid();
        return null;
    }

    private void TakeOutPaid()
    {
        foreach (var till in _tills.Values)
        {
            foreach (var bill in till.Open)
            {
                bill.Lines.RemoveAll(line => line.Fate is LineFate.Paid or LineFate.Stopped);
            }

            till.Open.RemoveAll(bill => bill.Lines.Count == 0);
        }
    }

    private RefusalReason? Leave(Leave leave)
    {
        if (_hosting is not { Held: var held })
        {
            return RefusalReason.Unknown;
        }

        if (held.State != HoldingState.Live)
        {
            return RefusalReason.NotLive;
        }

        if (
            held.Book.Refund is { Days: > 0 } rule
            && _tenure.Purchase.Hosting!.Option.CommitMonths >= rule.MinCommitMonths
            && leave.On <= _tenure.Start.AddDays(rule.Days)
        )
        {
            GiveBack(held, rule, leave.On);
            return null;
        }

        if (!held.Renews)
        {
            return RefusalReason.Same;
        }

        held.Renews = false;
        StopRenewing(held, leave.On);
        return null;
    }

    private void GiveBack(Held hosting, RefundRule rule, DateOnly day)
    {
        var (till, lines) = (
            TillOf(hosting.Book),
            Holdings
                .Where(held => ReferenceEquals(held.Book, hosting.Book))
                .SelectMany(held => held.Lines)
                .Where(line => line.Fate == LineFate.Paid)
                .ToList()
        );
        var sum = lines
            .Where(line => line.Kind != UpkeepLineKind.Redemption && !rule.Excludes.Any(line.Is))
            .Aggregate((Minor)0, (total, line) => total + line.PaidAmount);
        if (rule.DeductsIncludedDomain)
        {
            sum -= lines
                .Where(line => line.Date == _tenure.Start)
                .Aggregate((Minor)0, (total, line) => total + (line.Waiver?.Units ?? 0));
        }

        var refund = Minor.Min(_tenure.Counting.Tax(till.Book, Minor.Max(0, sum)).Total, till.ByCard);
        if (refund > 0)
        {
            till.ByCard -= refund;
            Say(new Refunded(day, till.Book.Id, till.Book.Currency, refund));
        }

        till.Balance = 0;
        GoAway(hosting, day);
        foreach (
            var domain in _domains
                .Where(domain =>
                    ReferenceEquals(domain.Book, hosting.Book)
                    && domain.State != HoldingState.Gone
                    && GoesWithIt(domain, rule)
                )
                .ToList()
        )
        {
            GoAway(domain, day);
        }

        TakeOutPaid();
    }

    // A domain bought on the day of the order goes back with the hosting, unless it was excluded, or its year was taken
    // off what comes back.
    private bool GoesWithIt(Held domain, RefundRule rule) =>
        domain.Lines.FirstOrDefault(line => line.IsOwn && line.Date == _tenure.Start) is { } own
        && !rule.Excludes.Any(own.Is)
        && !(rule.DeductsIncludedDomain && own.Waiver?.Units > 0);

    private void GoAway(Held held, DateOnly day)
    {
        held.Stop();
        Become(held, HoldingState.Left, day);
    }

    private RefusalReason? Claim(ClaimDomain claim)
    {
        var (choice, faults) = (claim.Domain with { Route = DomainRoute.Register }, new FaultList());
        if (
            Resolver.ResolveDomain(choice, _tenure.Books, _tenure.Settings, faults) is not { Book: { } book } resolved
            || faults.Any
        )
        {
            return RefusalReason.Unknown;
        }

        if (_domains.Any(domain => Ascii.EqualsIgnoreCase(domain.Ref, choice.Ref) && !domain.IsOver))
        {
            return RefusalReason.Same;
        }

        var isNew = !_tills.ContainsKey(book.Id);
        var till = TillOf(book);
        var held = new Held($"domain:{_nextIndex}", choice.Ref, _nextIndex, book)
        {
            Lapse = resolved.Price!.Lapse,
            IsClaimed = true,
        };
        var grant = GrantFor(choice.Ending, book, claim.On);
        var lines = LineMaking.OfClaim(_tenure, resolved, held, LiveHosting, claim.On, isGiven: grant is not null);
        if (!Pay(till, claim.On, claim.On, [.. lines.Where(line => line.Date == claim.On)], isOrder: true))
        {
            if (isNew)
            {
                _tills.Remove(book.Id);
            }

            return RefusalReason.CardStopped;
        }

        if (grant is { } taken)
        {
            _grantsTaken.Add(taken, choice.Ref);
        }

        _nextIndex++;
        _domains.Add(held);
        foreach (var line in lines.Where(line => line.Date <= _tenure.Last))
        {
            Add(line);
        }

        Become(held, HoldingState.Live, claim.On);
        return null;
    }

    private BoughtHosting? LiveHosting => _hosting is { Held.State: HoldingState.Live } had ? had.Now : null;

    // The number of an allowance of the order that nobody took, there to be used on a day; null: there is none for this
    // domain.
    private int? GrantFor(string? ending, OfferBook book, DateOnly day)
    {
        if (
            OrderGives is not { } given
            || _hosting is not { Held: { State: HoldingState.Live } held } hosting
            || !ReferenceEquals(held.Book, book)
            || !hosting.Gives(ending)
        )
        {
            return null;
        }

        int? grant =
            given.EveryYear ? Months.WholeBetween(_tenure.Start, day) / 12
            : day < _tenure.Start.AddMonths(given.ClaimWithinMonths) ? 0
            : null;
        return grant is { } there && !_grantsTaken.ContainsKey(there) ? there : null;
    }
}
