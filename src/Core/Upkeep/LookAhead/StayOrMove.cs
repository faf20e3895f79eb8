using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Scanning;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// Before hosting renews, or its price steps up: what staying costs from that day over the horizon, against the best of
/// everything in the books then.
/// </summary>
/// <param name="On">The day it renews: both are counted from it.</param>
/// <param name="Months">Over how many months.</param>
/// <param name="Domain">The domain that goes along, written out; null: none is had.</param>
/// <param name="Staying">What hosting and that domain cost, in the currency the site is counted in.</param>
/// <param name="Best">The least of everything else; null: nothing fits the needs.</param>
public sealed record StayOrMove(
    DateOnly On,
    int Months,
    string? Domain,
    Money Staying,
    bool StayingIsAtLeast,
    MoveTo? Best
)
{
    /// <summary>
    /// How many days before a renewal a move should begin: five for a domain to be let go, two until the news of new
    /// name servers is everywhere.
    /// </summary>
    public const int MovingDays = 7;

    /// <summary>What moving saves; below zero staying is cheaper. Null where there is nowhere to move to.</summary>
    public Money? Saving => Best is { } best ? Staying - best.Costs : null;

    /// <summary>The last day to begin, so that all is moved when it renews.</summary>
    public DateOnly LastDay => On.AddDays(-MovingDays);

    /// <summary>
    /// Works it out for the next renewal of hosting; null where none comes within what can be looked ahead.
    /// </summary>
    /// <param name="needs">What the site must do.</param>
    /// <param name="counted">How the site is counted: display currency, rates and tax.</param>
    /// <param name="books">All books there are now.</param>
    public static Result<StayOrMove> Compare(
        Outlook outlook,
        Needs needs,
        CountSettings counted,
        ImmutableArray<Offers.OfferBook> books,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        return Result.From(
            Renewal(outlook) is { } on ? Compare(outlook, on, needs, counted, books, faults, cancel) : null,
            faults
        );
    }

    /// <summary>
    /// The day hosting next costs more than before, else the day it next renews; null: it is not had, or does not
    /// renew.
    /// </summary>
    public static DateOnly? Renewal(Outlook outlook)
    {
        var holding = outlook.Holdings.FirstOrDefault(held =>
            held.Held is { IsHosting: true, State: HoldingState.Live }
        );
        return holding?.Next?.On;
    }

    private static StayOrMove? Compare(
        Outlook outlook,
        DateOnly on,
        Needs needs,
        CountSettings counted,
        ImmutableArray<Offers.OfferBook> books,
        FaultList faults,
        CancellationToken cancel
    )
    {
        // Both are counted over the same months: no further than what is had is run to.
        var months = Math.Min(counted.HorizonMonths, Basics.Months.WholeBetween(on, outlook.Tenure.Last));
        if (months < 1)
        {
            return null;
        }

        var display = counted.DisplayCurrency ?? outlook.Tenure.Purchase.OwnCurrency;
        var last = on.AddMonths(months).AddDays(-1);
        var counting = new Counting(counted, display);
        var goesAlong = outlook.Now.Holdings.FirstOrDefault(held =>
            held is { IsHosting: false, State: HoldingState.Live }
        );
        var years = outlook.Tenure.Ahead(outlook.Now.State, last, outlook.Planned);
        var (sum, isAtLeast) = ((Minor)0, false);
        foreach (var charged in years.Happened.OfType<Charged>().Where(charged => charged.On >= on))
        {
            var lines = charged
                .Lines.Where(line => line.Holding == HoldingAtEnd.HostingKey || line.Holding == goesAlong?.Holding)
                .Aggregate((Minor)0, (total, line) => total + line.Amount);
            if (!counting.CanConvert(charged.Currency))
            {
                faults.Add(
                    FaultCodes.NoRate,
                    $"display.rates.{charged.Currency.Code}",
                    new NoRate(charged.Currency.Code, display)
                );
                return null;
            }

            sum += counting.Convert(counting.Counts(outlook.Tenure.Book(charged.Book), lines), charged.Currency);
            isAtLeast |= charged.IsAtLeast;
        }

        var settings = counted with { StartDate = on, HorizonMonths = months, DisplayCurrency = display };
        var moves = new List<ScanRow>();
        foreach (var need in DomainNeeds(outlook, counting, needs, goesAlong, on))
        {
            var scan = Scan.Run(
                new ScanRequest(
                    books,
                    settings,
                    needs with
                    {
                        Domain = need,
                        MaxDueToday = null,
                    },
                    Objective.Horizon,
                    ByPlan: false,
                    Top: 1
                ),
                null,
                cancel
            );
            if (!scan.Has(out var found))
            {
                faults.Add(scan.Faults);
                return null;
            }

            moves.AddRange(found.Rows);
        }

        var best = moves.OrderBy(row => row.Totals.Horizon).FirstOrDefault();
        return new StayOrMove(
            on,
            months,
            goesAlong?.Ref,
            new Money(sum, display),
            isAtLeast,
            best is null ? null : new MoveTo(best, new Money(best.Totals.Horizon, display), best.Totals.AtLeast.Horizon)
        );
    }

    // The domain may be moved along, or stay where it is at what it renews for there.
    private static IEnumerable<DomainNeed?> DomainNeeds(
        Outlook outlook,
        Counting counting,
        Needs needs,
        HoldingAtEnd? domain,
        DateOnly on
    )
    {
        if (domain is null || DomainName.Parse(domain.Ref) is null)
        {
            yield return needs.Domain;
            yield break;
        }

        var dot = domain.Ref.IndexOf('.', StringComparison.Ordinal);
        var (name, ending) = (domain.Ref[..dot], domain.Ref[(dot + 1)..]);
        var expires = domain.PaidUntil > on ? domain.PaidUntil : on;
        yield return new DomainNeed(DomainRoute.Transfer, name, [ending]) { Expires = expires };
        var book = outlook.Tenure.Book(outlook.Now.Books[domain.Holding]);
        if (
            book.Domain(ending)?.Renew is { } renew
            && ExactDecimal.TryParse(new Money(counting.Counts(book, renew), book.Currency).ToAmount(), out var renewal)
        )
        {
            yield return new DomainNeed(DomainRoute.Keep, name, [ending])
            {
                Expires = expires,
                Renewal = renewal,
                Currency = book.Currency,
            };
        }
    }
}

/// <summary>The least of everything else.</summary>
/// <param name="Row">How it is bought.</param>
public sealed record MoveTo(ScanRow Row, Money Costs, bool IsAtLeast);
