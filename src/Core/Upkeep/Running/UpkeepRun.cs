using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// A state taken in hand, to be moved on by days and decisions and kept again. Its rules are in the files beside this
/// one, each about one of them.
/// </summary>
internal sealed partial class UpkeepRun
{
    private readonly Tenure _tenure;
    private readonly List<Held> _domains = [];
    private readonly HeldHosting? _hosting;
    private readonly SortedDictionary<string, Till> _tills = new(StringComparer.Ordinal);
    private readonly Dictionary<DateOnly, List<UpkeepLine>> _coming = [];
    private readonly SortedSet<DateOnly> _comingOn = [];
    private readonly ImmutableArray<Happening>.Builder _happened = ImmutableArray.CreateBuilder<Happening>();
    private readonly SortedDictionary<int, string> _grantsTaken = [];
    private readonly Dictionary<DateOnly, int> _afterDecisions = [];
    private DateOnly _day;
    private int _nextIndex;
    private bool _cardWorks = true;
    private bool _isQuietlyPaid;
    private readonly bool _isLookedAt;

    // The holdings and lines of the order, nothing paid yet.
    private UpkeepRun(Tenure tenure, BillRun bills)
    {
        var purchase = bills.Purchase;
        (_tenure, _day, _nextIndex) = (tenure, tenure.Start, tenure.Purchase.Domains.Length);
        if (purchase.Hosting is { } bought)
        {
            var held = new Held(HoldingAtEnd.HostingKey, bought.Plan.Id, -1, bought.Book);
            _hosting = HeldHosting.Begin(held, bought, tenure.Start);
            TillOf(bought.Book);
        }

        foreach (var domain in purchase.Domains)
        {
            var key = $"domain:{domain.Index}";
            _domains.Add(new Held(key, domain.Choice.Ref, domain.Index, domain.Book!) { Lapse = domain.Price!.Lapse });
            TillOf(domain.Book!);
        }

        foreach (var bill in bills.Bills)
        {
            foreach (var line in bill.Lines)
            {
                Plan(line, bill.Date);
            }
        }
    }

    // As it was kept; without the lines after a day where no further is looked.
    private UpkeepRun(Tenure tenure, UpkeepState state, DateOnly? until)
    {
        _isLookedAt = until is not null;
        (_tenure, _day, _nextIndex, _cardWorks) = (tenure, state.Day, state.NextDomain, state.CardWorks);
        foreach (var kept in state.Holdings)
        {
            var held = Held.Restore(kept, tenure.Book(kept.Book));
            if (held.IsHosting)
            {
                _hosting = HeldHosting.Restore(held, tenure.Purchase.Hosting!, state.Hosting!);
            }
            else
            {
                _domains.Add(held);
            }
        }

        var holdings = Holdings.ToDictionary(held => held.Key, StringComparer.Ordinal);
        var lines = new UpkeepLine[state.Lines.Length];
        for (var place = 0; place < lines.Length; place++)
        {
            if (state.Lines[place] is var kept && !(kept.On > until))
            {
                lines[place] = UpkeepLine.Restore(kept, holdings[kept.Holding]);
                Add(lines[place]);
            }
        }

        foreach (var account in state.Accounts)
        {
            _tills.Add(account.Book, Till.Restore(account, tenure.Book(account.Book), lines));
        }

        foreach (var (number, domain) in state.AllowancesTaken)
        {
            _grantsTaken.Add(number, domain);
        }
    }

    /// <summary>The day of the order, paid.</summary>
    public static UpkeepRun Opening(Tenure tenure)
    {
        var run = new UpkeepRun(tenure, tenure.Bills);
        foreach (var till in run._tills.Values)
        {
            run.Pay(till, tenure.Start, tenure.Start, run.LinesOn(tenure.Start, till) ?? [], isOrder: true);
        }

        return run;
    }

    /// <summary>A state, to be moved on.</summary>
    /// <param name="until">The last day that is looked at: what is found is not kept; null: it is.</param>
    public static UpkeepRun At(Tenure tenure, UpkeepState state, DateOnly? until = null) => new(tenure, state, until);

    /// <summary>Lets all days to the end of one pass.</summary>
    public void PassTo(DateOnly day)
    {
        for (var next = NextOfInterest(); next <= day; next = NextOfInterest())
        {
            End(next);
        }

        _day = day > _day ? day : _day;
    }

    /// <summary>Lets days pass until something happens; null where nothing does up to a day.</summary>
    public DateOnly? PassToNext(DateOnly last)
    {
        var before = _happened.Count;
        for (var next = NextOfInterest(); next <= last; next = NextOfInterest())
        {
            End(next);
            if (_happened.Count > before || _isQuietlyPaid)
            {
                return next;
            }
        }

        return null;
    }

    /// <summary>Decisions on their days and the days between, to the end of one.</summary>
    /// <param name="isMorning">
    /// Only what is decided on the last day happens on it: what falls due on it does not.
    /// </param>
    public UpkeepYears Through(DateOnly until, IEnumerable<Decision> decisions, bool isMorning)
    {
        var inTime = decisions.Where(decision => decision.On > _tenure.Start && decision.On <= until);
        foreach (var ofDay in inTime.GroupBy(decision => decision.On).OrderBy(group => group.Key))
        {
            PassTo(ofDay.Key.AddDays(-1));
            foreach (var decision in ofDay)
            {
                Decide(decision);
            }

            _afterDecisions[ofDay.Key] = _happened.Count;
        }

        PassTo(isMorning ? until.AddDays(-1) : until);
        return Years();
    }

    /// <summary>The state now, and what happened on the way to it.</summary>
    public UpkeepStep Step() => new(Kept(), _happened.ToImmutable());

    private UpkeepYears Years() =>
        new(
            _happened.ToImmutable(),
            [.. Holdings.Select(held => new HoldingAtEnd(held.Key, held.Ref, held.State, held.Renews, held.PaidUntil))],
            _tills.Values.ToImmutableSortedDictionary(
                till => till.Book.Id,
                till => new Money(till.Balance, till.Book.Currency),
                StringComparer.Ordinal
            ),
            [
                .. _tills
                    .Values.Where(till => till.HasCharge)
                    .GroupBy(till => till.Book.Currency)
                    .Select(group => new Money(group.Aggregate((Minor)0, (sum, till) => sum + till.ByCard), group.Key)),
            ]
        )
        {
            Keep = _isLookedAt ? null : Kept,
            CardWorks = _cardWorks,
            Hosting = _hosting is { } hosting
                ? new HostingAtEnd(
                    hosting.Plan,
                    hosting.Option,
                    hosting.Committed,
                    [
                        .. hosting
                            .Extras.GroupBy(had => had.Id)
                            .Select(had => new AddOnChoice(had.Key, had.Sum(extra => extra.Quantity))),
                    ]
                )
                : null,
            Open = [.. _tills.Values.SelectMany(till => till.Open.Select(bill => OpenOf(till, bill)))],
            AllowancesTaken = _grantsTaken.ToImmutableSortedDictionary(),
            AfterDecisions = _afterDecisions,
            Books = Holdings.ToImmutableDictionary(held => held.Key, held => held.Book.Id),
        };

    private OpenAtEnd OpenOf(Till till, OpenBill bill) =>
        new(
            till.Book.Id,
            bill.Due,
            new Money(Worth(bill.Lines).Taxed(_tenure.Counting, till).Total, till.Book.Currency),
            bill.Next,
            [.. bill.Lines.Select(line => line.Holding.Key).Distinct()]
        );

    private UpkeepState Kept()
    {
        var places = new Dictionary<UpkeepLine, int>();
        var lines = ImmutableArray.CreateBuilder<LineThen>();
        foreach (var held in Holdings)
        {
            var paidUntil = held.PaidUntil;
            foreach (var line in held.Lines.Where(line => StillCounts(line, paidUntil)))
            {
                places.Add(line, lines.Count);
                lines.Add(line.Kept());
            }
        }

        return new UpkeepState(
            _day,
            [.. Holdings.Select(held => held.Kept())],
            [.. _tills.Values.Select(till => till.Kept(places))],
            lines.DrainToImmutable()
        )
        {
            CardWorks = _cardWorks,
            Hosting = _hosting?.Kept(),
            AllowancesTaken = _grantsTaken.ToImmutableSortedDictionary(),
            NextDomain = _nextIndex,
        };
    }

    // Whether anything later can depend on a line: it is to come, or open, or missed and can be paid, or what it paid
    // lasts, or can be given back.
    private bool StillCounts(UpkeepLine line, DateOnly? paidUntil) =>
        line.Fate switch
        {
            LineFate.Coming or LineFate.Open => true,
            LineFate.Stopped => _tills.Values.Any(till => till.Open.Exists(bill => bill.Lines.Contains(line))),
            LineFate.Paid => line.Cover?.Until > _day
                || (line is { IsOwn: true, IsCut: false } && line.Cover?.Until == paidUntil)
                || (_hosting?.Held.Book.Refund is { } refund && _day <= _tenure.Start.AddDays(refund.Days)),
            _ => line.Holding is { IsOver: false, MissedOn: { } missed } && line.Date >= missed,
        };

    private IEnumerable<Held> Holdings => _hosting is null ? _domains : _domains.Prepend(_hosting.Held);

    private Held? HoldingOf(string key) => Holdings.FirstOrDefault(held => held.Key == key);

    private Till TillOf(OfferBook book)
    {
        if (!_tills.TryGetValue(book.Id, out var till))
        {
            _tills.Add(book.Id, till = new Till(book));
        }

        return till;
    }

    // Every day matters while a bill is open or something is on its way to being lost; else the next on which a line
    // falls due.
    private DateOnly NextOfInterest()
    {
        while (_comingOn.Count > 0 && _comingOn.Min <= _day)
        {
            _coming.Remove(_comingOn.Min);
            _comingOn.Remove(_comingOn.Min);
        }

        var isRestless =
            _tills.Values.Any(till => till.Open.Count > 0)
            || Holdings.Any(held => held.Next is not null || (held.MissedOn is not null && !held.IsOver));
        return isRestless && _day < DateOnly.MaxValue ? _day.AddDays(1)
            : _comingOn.Count > 0 ? _comingOn.Min
            : DateOnly.MaxValue;
    }

    private void End(DateOnly day)
    {
        foreach (var till in _tills.Values)
        {
            Retry(till, day);
            Renew(till, day);
        }

        ChangeStates(day);
        _day = day;
    }

    private List<UpkeepLine>? LinesOn(DateOnly day, Till till) =>
        _coming.TryGetValue(day, out var lines)
            ? [.. lines.Where(line => line.Fate == LineFate.Coming && ReferenceEquals(line.Holding.Book, till.Book))]
            : null;

    // A line of the costing: of a domain where it names one, else of hosting. A grant that it takes is gone for claims.
    private void Plan(BillLine line, DateOnly date)
    {
        var held = line.Domain is { } index ? _domains.First(domain => domain.Index == index) : _hosting!.Held;
        if (line.IsWaived && OrderGives is { } given)
        {
            _grantsTaken.TryAdd(given.EveryYear ? Months.WholeBetween(_tenure.Start, date) / 12 : 0, line.Ref);
        }

        if (date <= _tenure.Last)
        {
            Add(UpkeepLine.From(line, date, held, held.IsHosting && IsByCycle(line, held.Book)));
        }
    }

    private IncludedDomain? OrderGives => _tenure.Purchase.Hosting?.Plan.IncludedDomain;

    private static bool IsByCycle(BillLine line, OfferBook book) =>
        line.Kind is LineKind.Plan or LineKind.DataCentre
        || (
            line.Kind == LineKind.AddOn
            && book.AddOn(line.Ref, AddOnFor.Hosting)?.Every is ChargeEvery.Month or ChargeEvery.Cycle
        );

    private void Add(UpkeepLine line)
    {
        line.Holding.Lines.Add(line);
        if (line.Fate != LineFate.Coming)
        {
            return;
        }

        if (!_coming.TryGetValue(line.Date, out var lines))
        {
            _coming.Add(line.Date, lines = []);
            _comingOn.Add(line.Date);
        }

        lines.Add(line);
    }

    private void Say(Happening happening) => _happened.Add(happening);

    private void Become(Held held, HoldingState state, DateOnly on, bool isAssumed = false)
    {
        held.State = state;
        Say(new StateChanged(on, held.Key, state, isAssumed));
    }
}
