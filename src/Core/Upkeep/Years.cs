using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// What happens after the order (upkeep.md): runs what was bought day by day through renewals, refused cards, lapses
/// and the owner's decisions. Pure: the same request gives the same years, and going on from where it stopped gives the
/// same as one go.
/// </summary>
public static class Years
{
    /// <summary>The most months that are run through.</summary>
    public const int Longest = 120;

    /// <summary>The years of a candidate; null with what bars it.</summary>
    /// <param name="until">The last day, from the day of the order on.</param>
    /// <param name="decisions">Those of a day in the order they are made.</param>
    public static Result<UpkeepYears> Run(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        DateOnly until,
        IReadOnlyList<Decision> decisions,
        FaultList faults
    ) => Tenure.Begin(candidate, books, settings, faults).As(tenure => tenure.Through(until, decisions));
}

/// <summary>What was bought, ready to be run through its years, as often as is asked.</summary>
public sealed class Tenure
{
    private readonly Purchase _had;
    private IReadOnlyDictionary<int, (string Domain, Minor Waived)>? _spent;
    private UpkeepStep? _opening;
    private BillRun? _bills;

    private Tenure(Candidate candidate, Purchase purchase, IReadOnlyList<OfferBook> books, CountSettings settings)
    {
        (Candidate, Purchase, Books, Settings) = (candidate, purchase, books, settings);
        Counting = new Counting(settings, purchase.OwnCurrency);

        // What is kept elsewhere, lent, or chosen later is not had.
        _had = purchase with
        {
            Domains =
            [
                .. purchase.Domains.Where(domain =>
                    domain.Choice.Route is DomainRoute.Register or DomainRoute.Transfer
                ),
            ],
        };
    }

    /// <summary>What was chosen.</summary>
    public Candidate Candidate { get; }

    /// <summary>What was bought on the day of the order.</summary>
    public Purchase Purchase { get; }

    /// <summary>The books it was bought from, and those beside them.</summary>
    public IReadOnlyList<OfferBook> Books { get; }

    /// <summary>S: the day of the order.</summary>
    public DateOnly Start => Settings.StartDate;

    /// <summary>The last day that is run to.</summary>
    public DateOnly Last => Start.AddMonths(Years.Longest);

    /// <summary>How it was counted when it was bought.</summary>
    public CountSettings Settings { get; }

    /// <summary>
    /// By their number: the domains of the order that use an allowance, and what it takes off their price, in minor
    /// units.
    /// </summary>
    public IReadOnlyDictionary<int, (string Domain, Minor Waived)> AllowancesSpent => _spent ??= Spent();

    /// <summary>A candidate that was bought; null with what bars it.</summary>
    public static Result<Tenure> Begin(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        FaultList faults
    )
    {
        var purchase = Resolver.Resolve(candidate, books, settings, faults);
        return Result.From(
            purchase is not null && CostingWork.IsBounded(purchase, faults)
                ? new Tenure(candidate, purchase, books, settings)
                : null,
            faults
        );
    }

    /// <summary>As it would be had one of a hosting extra been bought with it; null where that cannot be.</summary>
    public Tenure? With(string extra) =>
        Candidate.Hosting is { } hosting && hosting.AddOns.All(had => had.Id != extra)
            ? Begin(
                Candidate with
                {
                    Hosting = hosting with { AddOns = hosting.AddOns.Add(new AddOnChoice(extra)) },
                },
                Books,
                Settings,
                new FaultList()
            ).Value
            : null;

    /// <summary>The day of the order.</summary>
    public UpkeepStep Opening => _opening ??= UpkeepMachine.Open(this);

    /// <summary>Its days from the order up to the end of one.</summary>
    /// <param name="until">From the day of the order on.</param>
    /// <param name="decisions">Those of a day in the order they are made.</param>
    public UpkeepYears Through(DateOnly until, IEnumerable<Decision> decisions) =>
        FromTheOrder().Through(until, decisions, isMorning: false);

    /// <summary>
    /// Its days from the order up to the morning of one: what is decided on it counts, and what falls due on it is
    /// still to come.
    /// </summary>
    public UpkeepYears ToMorning(DateOnly day, IEnumerable<Decision> decisions) =>
        FromTheOrder().Through(day, decisions, isMorning: true);

    /// <summary>What happens after a state, up to the end of a day.</summary>
    public UpkeepYears Through(UpkeepState state, DateOnly until, IEnumerable<Decision> decisions) =>
        UpkeepRun.At(this, state).Through(until, decisions, isMorning: false);

    /// <summary>
    /// What would happen after a state, up to the end of a day: to be looked at, and not gone on from.
    /// </summary>
    public UpkeepYears Ahead(UpkeepState state, DateOnly until, IEnumerable<Decision> decisions) =>
        UpkeepRun.At(this, state, until).Through(until, decisions, isMorning: false);

    /// <summary>So, up to the morning of a day.</summary>
    public UpkeepYears AheadToMorning(UpkeepState state, DateOnly day, IEnumerable<Decision> decisions) =>
        UpkeepRun.At(this, state, day).Through(day, decisions, isMorning: true);

    /// <summary>What happens after a state, up to the morning of a day.</summary>
    public UpkeepYears ToMorning(UpkeepState state, DateOnly day, IEnumerable<Decision> decisions) =>
        UpkeepRun.At(this, state).Through(day, decisions, isMorning: true);

    /// <summary>How it stands at a state.</summary>
    public UpkeepYears At(UpkeepState state) => Through(state, state.Day, []);

    /// <summary>The book of an id.</summary>
    public OfferBook Book(string id) => Books.First(book => book.Id == id);

    internal Counting Counting { get; }

    internal BillRun Bills => _bills ??= MakeBills();

    // Only lines up to the last day fall due; later ones matter where they take an allowance that a claim could have,
    // or settle whether a code counts.
    private BillRun MakeBills()
    {
        var (enough, granted) = (
            Last.AddMonths(13),
            Start.AddMonths(_had.Hosting?.Plan.IncludedDomain?.ClaimWithinMonths ?? 0)
        );
        var whole = Start.AddMonths(Months.Run);
        var end = granted > enough ? granted : enough;
        var run = BillRun.Until(end < whole ? end : whole, _had);
        return run.SettlesCodes ? run : BillRun.Whole(_had);
    }

    private UpkeepRun FromTheOrder() => UpkeepRun.Opening(this);

    private Dictionary<int, (string Domain, Minor Waived)> Spent()
    {
        var spent = new Dictionary<int, (string, Minor)>();
        var isYearly = Purchase.Hosting?.Plan.IncludedDomain?.EveryYear ?? false;
        foreach (var bill in BillRun.Whole(_had).Bills)
        {
            foreach (var line in bill.Lines.Where(line => line is { IsWaived: true, Kind: LineKind.Domain }))
            {
                spent.TryAdd(isYearly ? Months.WholeBetween(Start, bill.Date) / 12 : 0, (line.Ref, line.Waived));
            }
        }

        return spent;
    }
}
