using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Reconciling;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Upkeep;

/// <summary>Writes what is had and what is to come of it.</summary>
public static class UpkeepPageWriter
{
    /// <summary>How many bills are listed.</summary>
    private const int MostBills = 60;

    /// <param name="name">What the order is for: its domain, or its plan.</param>
    public static TenureWire Write(
        Outlook outlook,
        string reference,
        string name,
        int version,
        bool isBehind,
        ImmutableArray<Notice> notices
    )
    {
        var (tenure, book, now) = (outlook.Tenure, outlook.Book, outlook.Now);
        var (movements, open) = (
            Movement.ListAll(book),
            ChargeConfirmations.Open(tenure, book).Select(movement => movement.Line).ToHashSet()
        );
        return new TenureWire(
            book.OrderId,
            reference,
            name,
            version,
            tenure.Start,
            outlook.DecidingOn,
            outlook.End,
            isBehind,
            isBehind && book.Problem is { } problem ? $"{problem.Who} did not carry on: {problem.Message}" : null,
            new PayerWire(
                book.Payer.CardEnding,
                book.Payer.Wallet,
                book.Payer.Expires,
                now.CardWorks,
                book.Payer.AtTheSellers
            )
        )
        {
            Holdings = [.. outlook.Holdings.Select(holding => Had(outlook, holding))],
            Balances =
            [
                .. now
                    .Balances.Where(balance => balance.Value.Units > 0)
                    .Select(balance => new BalanceWire(
                        UpkeepWords.Seller(tenure, balance.Key),
                        balance.Value.ToAmount(),
                        balance.Value.Currency.Code
                    )),
            ],
            Notices =
            [
                .. notices.Select(notice => new NoticeWire(
                    notice.Kind,
                    notice.On,
                    notice.Holding,
                    UpkeepWords.Notice(notice, tenure, now),
                    notice.Kind is not (NoticeKind.Apart or NoticeKind.GiveBack or NoticeKind.CommitmentEnds)
                )),
            ],
            Paid =
            [
                .. book
                    .Lines.OfType<Charged>()
                    .Select(charged => new PaidBillWire(
                        charged.On,
                        UpkeepWords.Seller(tenure, charged.Book),
                        new Money(charged.Total, charged.Currency).ToAmount(),
                        charged.Currency.Code
                    )),
            ],
            Bills = [.. outlook.Coming.OfType<Charged>().Take(MostBills).Select(charged => Bill(charged, tenure))],
            States =
            [
                .. book
                    .Lines.Concat(outlook.Coming)
                    .OfType<StateChanged>()
                    .Where(state => state.State != HoldingState.Live)
                    .Select(state => new ComingStateWire(
                        state.On,
                        UpkeepWords.Name(outlook.Ahead, state.Holding),
                        state.State,
                        UpkeepWords.State(state.State)
                    )),
            ],
            Staying = SumsWire.From(outlook.Staying),
            Effects =
            [
                .. Choices
                    .ListAll(outlook)
                    .Select(choice =>
                        Effect(outlook, choice.Group, Core.Upkeep.Effect.WorkOut(outlook, choice.Decision))
                    ),
            ],
            Allowances = [.. Allowance.ListAll(outlook).Select(allowance => Write(allowance, tenure))],
            Planned =
            [
                .. book
                    .Planned.Index()
                    .Select(planned => new PlannedWire(
                        planned.Index,
                        planned.Item.On,
                        UpkeepWords.Decision(planned.Item, tenure, now)
                    )),
            ],
            DayBook = DayBook(outlook),
            DiffersFrom = book.DiffersFrom,
            Movements =
            [
                .. movements
                    .Reverse()
                    .Take(MostBills)
                    .Select(movement => MovementWire.From(movement, outlook, open.Contains(movement.Line))),
            ],
            Overcharged =
            [
                .. ChargeCheck
                    .OverchargedOf(movements)
                    .Select(seller => new OverchargedWire(
                        seller.Key,
                        UpkeepWords.Seller(tenure, seller.Key),
                        seller.Value.ToAmount(),
                        seller.Value.Currency.Code
                    )),
            ],
            Paying = book.Otherwise is { } paying
                ? new PayingWire(
                    paying.Holding,
                    paying.Amount.ToAmount(),
                    paying.Amount.Currency.Code,
                    paying.Page,
                    paying.Until
                )
                : null,
        };
    }

    /// <summary>One decision's effect.</summary>
    /// <param name="group">Where it stands on the page; null: it is asked for by itself, and more is said of
    /// it.</param>
    public static EffectWire Effect(Outlook outlook, ChoiceGroup? group, Effect effect)
    {
        var (tenure, now) = (outlook.Tenure, outlook.Now);
        return new EffectWire(
            Group(group),
            UpkeepWords.Decision(effect.Decisions[0], tenure, now).TrimEnd('.'),
            effect.Refused is { } refused ? UpkeepWords.Reason(refused) : null,
            effect.On,
            DecisionBodies.From(effect.Decisions[0])
        )
        {
            DueThen = SumsWire.From(effect.DueThen),
            Notes = [.. Notes(outlook, effect, isAsked: group is null)],
            Years =
            [
                .. effect.Years.Select(year => new EffectYearWire(
                    year.From,
                    year.Until,
                    SumsWire.From(year.Then),
                    SumsWire.From(year.Staying)
                )),
            ],
            Horizon = SumsWire.From(effect.Horizon),
            Staying = SumsWire.From(outlook.Staying),
            Difference = SumsWire.From(effect.Difference),
        };
    }

    public static IReadOnlyList<LapseStepWire> Lapse(Outlook outlook, HoldingAtEnd held) =>
        [
            .. LapseStep
                .ListAll(outlook, held)
                .Select(step => new LapseStepWire(
                    step.On,
                    step.State,
                    UpkeepWords.State(step.State),
                    step.Return is { } back ? MoneyWire.From(back.Cost) : null,
                    step.Return?.IsAtLeast ?? false,
                    step.IsAssumed
                )),
        ];

    public static StayOrMoveWire StayOrMove(StayOrMove answer, IEnumerable<OfferBook> books)
    {
        MoveToWire? best = null;
        if (
            answer.Best is { Row.Candidate: { Hosting: { } hosting } candidate } move
            && books.FirstOrDefault(book => book.Id == hosting.Book) is { } seller
        )
        {
            var domain = candidate.Domains.FirstOrDefault();
            var goes = domain?.Route switch
            {
                DomainRoute.Transfer =>
                    $", with {domain.Ref} moved to {books.First(book => book.Id == domain.Book).Provider.Name}",
                DomainRoute.Keep => $", with {domain.Ref} left where it is",
                _ => "",
            };
            best = new MoveToWire(
                seller.Provider.Name,
                seller.Plan(hosting.Plan)!.Name,
                $"{seller.Plan(hosting.Plan)!.Name} at {seller.Provider.Name}, paid "
                    + $"{DurationWords.Every(hosting.EveryMonths!.Value)}{goes}",
                MoneyWire.From(move.Costs),
                move.IsAtLeast,
                CandidateWire.From(candidate)
            );
        }

        return new StayOrMoveWire(
            answer.On,
            answer.LastDay,
            answer.Months,
            answer.Domain,
            MoneyWire.From(answer.Staying),
            answer.StayingIsAtLeast,
            best,
            answer.Saving is { } saving ? MoneyWire.From(saving) : null,
            MovingWords.Takes(
                answer.Domain,
                answer.Best?.Row.Candidate.Domains.FirstOrDefault()?.Route == DomainRoute.Transfer
            )
        );
    }

    private static string Group(ChoiceGroup? group) => group?.ToString().ToLowerInvariant() ?? "";

    private static HadWire Had(Outlook outlook, Holding holding)
    {
        var held = holding.Held;
        var owes =
            held.State != HoldingState.Live || outlook.Now.Open.Any(bill => bill.Holdings.Contains(held.Holding));
        return new HadWire(
            held.Holding,
            held.IsHosting ? outlook.Now.Hosting!.Plan.Name : held.Ref,
            UpkeepWords.Seller(outlook.Tenure, holding.Book),
            held.State,
            UpkeepWords.State(held.State),
            holding.Planned?.Renews ?? held.Renews,
            holding.Planned?.From,
            held.IsHosting && outlook.Now.Hosting!.CommittedEnd > outlook.Today
                ? outlook.Now.Hosting.CommittedEnd
                : null,
            held.PaidUntil,
            Due(holding.First),
            Due(holding.Next),
            holding is { First: { } first, Next: { } next } && next.IsDearerThan(first),
            owes && Return.Paying(outlook, held, outlook.DecidingOn) is { } back ? MoneyWire.From(back.Cost) : null
        );
    }

    private static PaymentDueWire? Due(Paying? paying) =>
        paying is null
            ? null
            : new PaymentDueWire(
                paying.On,
                paying.Amount.ToAmount(),
                paying.Amount.Currency.Code,
                paying.Months,
                paying.IsAtLeast
            );

    private static ComingBillWire Bill(Charged charged, Tenure tenure)
    {
        var book = tenure.Book(charged.Book);
        return new ComingBillWire(
            charged.On,
            book.Provider.Name,
            Amount(charged.Total),
            charged.Currency.Code,
            charged.IsAtLeast,
            Amount(charged.FromBalance),
            [.. charged.Lines.Select(line => new ComingLineWire(UpkeepWords.Line(line, book), Amount(line.Amount)))]
        );

        string Amount(Minor units) => new Money(units, charged.Currency).ToAmount();
    }

    private static AllowanceWire Write(Allowance allowance, Tenure tenure) =>
        new(
            allowance.Book,
            UpkeepWords.Seller(tenure, allowance.Book),
            allowance.From,
            allowance.LastDay,
            allowance.IsYearly,
            allowance.TakenBy,
            allowance.SavesThere is { } saves ? MoneyWire.From(saves) : null,
            [
                .. allowance.Uses.Select(use => new AllowanceUseWire(
                    use.Ending,
                    use.Saves is { } money ? MoneyWire.From(money) : null,
                    SumsWire.From(use.Costs)
                )),
            ]
        );

    // What was decided stands beside what happened; of a day, decisions first.
    private static List<DayLineWire> DayBook(Outlook outlook)
    {
        var (tenure, now) = (outlook.Tenure, outlook.Now);
        var decided = outlook.Book.Made.Select(decision =>
            (
                decision.On,
                Order: 0,
                Line: new DayLineWire(
                    decision.On,
                    UpkeepWords.Decision(decision, tenure, now),
                    decision is SetCard ? "card" : "decided"
                )
            )
        );
        var told = outlook.Book.Payer.AtTheSellers
            ? Movement
                .ListAll(outlook.Book)
                .ToDictionary(movement => movement.Line, movement => ChargeWords.Movement(movement, tenure))
            : [];
        var happened = outlook
            .Book.Lines.Index()
            .Select(line =>
                (
                    line.Item.On,
                    Order: 1,
                    Line: new DayLineWire(
                        line.Item.On,
                        told.GetValueOrDefault(line.Index) ?? UpkeepWords.Happening(line.Item, tenure, now),
                        Kind(line.Item)
                    )
                )
            );
        return
        [
            .. decided
                .Concat(happened)
                .OrderBy(line => line.On)
                .ThenBy(line => line.Order)
                .Select(line => line.Line)
                .Reverse(),
        ];
    }

    private static string Kind(Happening happening) =>
        happening is StateChanged { State: not HoldingState.Live }
            ? "lost"
            : char.ToLowerInvariant(happening.GetType().Name[0]) + happening.GetType().Name[1..];

    private static IEnumerable<string> Notes(Outlook outlook, Effect effect, bool isAsked)
    {
        foreach (var happening in effect.AtOnce.Where(happening => happening is Refunded or Credited))
        {
            yield return UpkeepWords.Happening(happening, outlook.Tenure, outlook.Now);
        }

        if (effect.Decisions[0] is Leave && effect.AtOnce.All(happening => happening is not StateChanged))
        {
            yield return "It cannot be given back any more: it only stops renewing.";
        }

        if (isAsked && effect.Decisions[0] is AddExtra add && LateExtra.FromTheStart(outlook, add.Extra) is { } start)
        {
            yield return "Had it been bought with the order, it would have come to "
                + $"{string.Join(" and ", start.Amounts.Values.DefaultIfEmpty(Money.Zero(outlook.Tenure.Purchase.OwnCurrency)).Select(MoneyWords.Format))}"
                + " by then.";
        }

        if (effect.IsAssumed)
        {
            yield return "What a change does is not stated: it is worked out without a credit, at the later price.";
        }

        foreach (var state in effect.States.Take(6))
        {
            yield return $"{UpkeepWords.Day(state.On)}: {UpkeepWords.Happening(state, outlook.Tenure, outlook.Now)}";
        }
    }
}

/// <summary>Decisions as they are sent.</summary>
public static class DecisionBodies
{
    public static DecisionBody From(Decision decision) =>
        decision switch
        {
            SetRenewing renewing => new DecisionBody(decision.On, decision.Do, renewing.Holding, Json(renewing.Value)),
            SetCard card => new DecisionBody(decision.On, decision.Do, Value: Json(card.Works ? "works" : "stops")),
            PayMissed pay => new DecisionBody(decision.On, decision.Do, pay.Holding),
            ChangePlan change => new DecisionBody(
                decision.On,
                decision.Do,
                Plan: change.Plan,
                EveryMonths: change.EveryMonths,
                CommitMonths: change.CommitMonths
            ),
            AddExtra add => new DecisionBody(decision.On, decision.Do, Extra: add.Extra, Quantity: add.Quantity),
            DropExtra drop => new DecisionBody(decision.On, decision.Do, Extra: drop.Extra),
            ClaimDomain { Domain: var domain } => new DecisionBody(
                decision.On,
                decision.Do,
                Domain: new DomainBody(
                    DomainRoute.Register,
                    domain.Book,
                    domain.Name,
                    domain.Ending,
                    domain.Years,
                    AddOns: [.. domain.AddOns.Select(extra => new AddOnChoiceBody(extra.Id ?? "", extra.Quantity))]
                )
            ),
            _ => new DecisionBody(decision.On, decision.Do),
        };

    private static JsonElement Json<T>(T value) => JsonSerializer.SerializeToElement(value);
}
