using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>The days of one run. Its rules are in the files beside this one, each about one of them.</summary>
internal sealed partial class UpkeepRun
{
    private readonly DateOnly _start;
    private readonly DateOnly _until;
    private readonly Counting _counting;
    private readonly IReadOnlyList<OfferBook> _books;
    private readonly CountSettings _settings;
    private readonly List<Held> _domains = [];
    private readonly HeldHosting? _hosting;
    private readonly SortedDictionary<string, Till> _tills = new(StringComparer.Ordinal);
    private readonly Dictionary<DateOnly, List<UpkeepLine>> _coming = [];
    private readonly ImmutableArray<Happening>.Builder _happened = ImmutableArray.CreateBuilder<Happening>();
    private readonly SortedDictionary<int, string> _grantsTaken = [];
    private readonly Dictionary<DateOnly, int> _afterDecisions = [];
    private readonly SortedSet<DateOnly> _quietDays = [];
    private readonly IncludedDomain? _orderGives;
    private readonly int _commitOfOrder;
    private int _nextIndex;
    private bool _cardWorks = true;

    /// <param name="bills">Of what is had, at least up to the last day; the same run may serve many.</param>
    /// <param name="nextIndex">The place of the first domain that is claimed.</param>
    public UpkeepRun(BillRun bills, IReadOnlyList<OfferBook> books, CountSettings settings, Counting counting, DateOnly until, int nextIndex)
    {
        var purchase = bills.Purchase;
        (_start, _until, _books, _settings, _counting, _nextIndex) = (settings.StartDate, until, books, settings, counting, nextIndex);
        if (purchase.Hosting is { } bought)
        {
            _hosting = new HeldHosting(new Held("hosting", bought.Plan.Id, -1, bought.Book), bought, _start);
            (_orderGives, _commitOfOrder) = (bought.Plan.IncludedDomain, bought.Option.CommitMonths);
            TillOf(bought.Book);
        }

        foreach (var domain in purchase.Domains)
        {
            _domains.Add(new Held($"domain:{domain.Index}", domain.Choice.Ref, domain.Index, domain.Book!) { Lapse = domain.Price!.Lapse });
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

    /// <param name="isMorning">Only what is decided on the last day happens on it: what falls due on it does not.</param>
    public UpkeepYears Through(IReadOnlyList<Decision> decisions, bool isMorning = false)
    {
        foreach (var till in _tills.Values)
        {
            Pay(till, _start, _start, LinesOn(_start, till) ?? [], isOrder: true);
        }

        var byDay = decisions.ToLookup(decision => decision.On);
        for (var day = _start.AddDays(1); day <= _until; day = day.AddDays(1))
        {
            foreach (var decision in byDay[day])
            {
                Decide(decision);
            }

            if (byDay.Contains(day))
            {
                _afterDecisions[day] = _happened.Count;
            }

            if (isMorning && day == _until)
            {
                break;
            }

            foreach (var till in _tills.Values)
            {
                Retry(till, day);
                Renew(till, day);
            }

            ChangeStates(day);
        }

        return new UpkeepYears(
            _happened.ToImmutable(), [.. Holdings.Select(held => new HoldingAtEnd(held.Key, held.Ref, held.State, held.Renews, held.PaidUntil))],
            _tills.Values.ToImmutableSortedDictionary(till => till.Book.Id, till => new Money(till.Balance, till.Book.Currency), StringComparer.Ordinal),
            [.. _tills.Values.Where(till => till.HasCharge).GroupBy(till => till.Book.Currency).Select(group => new Money(group.Aggregate((Minor)0, (sum, till) => sum + till.ByCard), group.Key))])
        {
            CardWorks = _cardWorks,
            Hosting = _hosting is { } hosting ? new HostingAtEnd(hosting.Plan, hosting.Option, hosting.CommittedEnd > DateOnly.MinValue ? hosting.CommittedEnd : null, [.. hosting.Extras.GroupBy(had => had.Extra.AddOn.Id).Select(had => new AddOnChoice(had.Key, had.Sum(extra => extra.Units)))]) : null,
            Open = [.. _tills.Values.SelectMany(till => till.Open.Select(bill => new OpenAtEnd(till.Book.Id, bill.Due, new Money(Worth(bill.Lines).Taxed(_counting, till).Total, till.Book.Currency), bill.Next, [.. bill.Lines.Select(line => line.Holding.Key).Distinct()])))],
            AllowancesTaken = _grantsTaken.ToImmutableSortedDictionary(),
            AfterDecisions = _afterDecisions,
            QuietDays = _quietDays,
            Books = Holdings.ToImmutableDictionary(held => held.Key, held => held.Book.Id),
        };
    }

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

    private List<UpkeepLine>? LinesOn(DateOnly day, Till till) => _coming.TryGetValue(day, out var lines) ? [.. lines.Where(line => line.Fate == LineFate.Coming && ReferenceEquals(line.Holding.Book, till.Book))] : null;

    // A line of the costing: of a domain where it names one, else of hosting. A grant that it takes is gone for claims.
    private void Plan(BillLine line, DateOnly date)
    {
        var held = line.Domain is { } index ? _domains.First(domain => domain.Index == index) : _hosting!.Held;
        if (line.IsWaived && _orderGives is { } given)
        {
            _grantsTaken.TryAdd(given.EveryYear ? Months.WholeBetween(_start, date) / 12 : 0, line.Ref);
        }

        if (date <= _until)
        {
            Add(UpkeepLine.Of(line, date, held, held.IsHosting && IsByCycle(line, held.Book)));
        }
    }

    private static bool IsByCycle(BillLine line, OfferBook book) =>
        line.Kind is LineKind.Plan or LineKind.DataCentre || (line.Kind == LineKind.AddOn && book.AddOn(line.Ref, AddOnFor.Hosting)?.Every is ChargeEvery.Month or ChargeEvery.Cycle);

    private void Add(UpkeepLine line)
    {
        line.Holding.Lines.Add(line);
        if (!_coming.TryGetValue(line.Date, out var lines))
        {
            _coming.Add(line.Date, lines = []);
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
