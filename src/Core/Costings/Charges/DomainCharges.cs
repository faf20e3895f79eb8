using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>A domain's own line, with what an allowance would waive of it.</summary>
/// <param name="Waivable">The part an allowance waives: the first year's price, the transfer price, or one
/// renewal.</param>
/// <param name="RestIsStated">Whether all other parts of the line are stated.</param>
internal sealed record DomainLine(BoughtDomain Domain, DateOnly Date, BillLine Line, Price Waivable, bool RestIsStated);

/// <summary>
/// What the domains of a purchase cost and when, with their extras (costing rules 8 to 12, 14 and 15).
/// </summary>
internal static class DomainCharges
{
    /// <returns>The lines of bought domains that an allowance may waive, by date and then as the candidate lists the
    /// domains.</returns>
    public static IReadOnlyList<DomainLine> Make(Purchase purchase, BillRun run)
    {
        var lines = new List<DomainLine>();
        foreach (var domain in purchase.Domains)
        {
            switch (domain.Choice.Route)
            {
                case DomainRoute.Register or DomainRoute.Later:
                    Registered(purchase, domain, run, lines);
                    break;
                case DomainRoute.Transfer:
                    TransferredIn(purchase, domain, run, lines);
                    break;
                case DomainRoute.Keep:
                    KeptElsewhere(domain, run);
                    break;
                default:
                    break; // An address lent by the host costs nothing.
            }
        }

        return [.. lines.OrderBy(line => line.Date).ThenBy(line => line.Domain.Index)];
    }

    private static void Registered(Purchase purchase, BoughtDomain domain, BillRun run, List<DomainLine> lines)
    {
        var first =
            domain.Choice.Route == DomainRoute.Later
                ? purchase.StartDate.AddMonths(domain.Choice.InMonths)
                : purchase.StartDate;
        var years = domain.Choice.Years;
        var register = Price.FromUnits(domain.Register);
        var laterYears = Price.FromUnits(domain.Renew).Times(years - 1);
        Charge(first, 0, years, register + laterYears, register, laterYears.IsStated, first);
        for (var year = years; run.Holds(first.AddMonths(12 * year)); year++)
        {
            Charge(
                first.AddMonths(12 * year),
                year,
                1,
                Price.FromUnits(domain.Renew),
                Price.FromUnits(domain.Renew),
                true,
                first
            );
        }

        void Charge(DateOnly date, int year, int count, Price price, Price waivable, bool restIsStated, DateOnly origin)
        {
            if (run.Holds(date))
            {
                lines.Add(
                    Line(
                        purchase,
                        domain,
                        date,
                        year,
                        count,
                        price,
                        waivable,
                        restIsStated,
                        YearsFrom(origin, year, count),
                        run
                    )
                );
            }
        }
    }

    private static void TransferredIn(Purchase purchase, BoughtDomain domain, BillRun run, List<DomainLine> lines)
    {
        var expires = domain.Choice.Expires!.Value;
        var price = Price.FromUnits(domain.Price!.Transfer!.Price);
        lines.Add(Line(purchase, domain, purchase.StartDate, 0, 1, price, price, true, YearsFrom(expires, 0, 1), run));
        for (var year = 1; run.Holds(expires.AddMonths(12 * year)); year++)
        {
            var renew = Price.FromUnits(domain.Renew);
            lines.Add(
                Line(
                    purchase,
                    domain,
                    expires.AddMonths(12 * year),
                    year,
                    1,
                    renew,
                    renew,
                    true,
                    YearsFrom(expires, year, 1),
                    run
                )
            );
        }
    }

    private static void KeptElsewhere(BoughtDomain domain, BillRun run)
    {
        var expires = domain.Choice.Expires!.Value;
        for (var year = 0; run.Holds(expires.AddMonths(12 * year)); year++)
        {
            var cover = YearsFrom(expires, year, 1);
            run.Add(cover.From, null, domain.ChargedIn, OwnLine(domain, 1, Price.FromUnits(domain.Renew), cover));
        }
    }

    private static DomainLine Line(
        Purchase purchase,
        BoughtDomain domain,
        DateOnly date,
        int year,
        int count,
        Price price,
        Price waivable,
        bool restIsStated,
        Cover cover,
        BillRun run
    )
    {
        var line = OwnLine(domain, count, price, cover);
        run.Add(date, domain.Book, domain.ChargedIn, line);
        foreach (var bought in domain.AddOns)
        {
            AddExtra(purchase, domain, bought, date, year, count, cover, run);
        }

        return new DomainLine(domain, date, line, waivable, restIsStated);
    }

    private static void AddExtra(
        Purchase purchase,
        BoughtDomain domain,
        BoughtAddOn bought,
        DateOnly date,
        int year,
        int count,
        Cover cover,
        BillRun run
    )
    {
        var addOn = bought.AddOn;
        var price = ChargeSchedule.WithYears(addOn, year, count);
        if (IsIncluded(purchase, domain, addOn))
        {
            if (year == 0)
            {
                Add(Price.Nothing, null, new IncludedLine(price.OrNull));
            }
        }
        else if (addOn.Every != ChargeEvery.Once || year == 0)
        {
            Add(price, addOn.Every == ChargeEvery.Once ? null : cover);
        }

        void Add(Price charged, Cover? covers, IncludedLine? included = null) =>
            run.Add(
                date,
                domain.Book,
                domain.ChargedIn,
                new BillLine(LineKind.AddOn, addOn.Id, 1, charged, covers)
                {
                    BookOrder = bought.BookOrder,
                    DomainOfIt = domain.OnLines,
                    Included = included,
                }
            );
    }

    private static bool IsIncluded(Purchase purchase, BoughtDomain domain, AddOn addOn) =>
        domain.Price!.Includes.Contains(addOn.Id, StringComparer.Ordinal)
        || (
            purchase.Hosting is { } hosting
            && hosting.Book == domain.Book
            && hosting.Plan.Includes.Contains(addOn.Id, StringComparer.Ordinal)
        );

    private static BillLine OwnLine(BoughtDomain domain, int years, Price price, Cover cover) =>
        new(LineKind.Domain, domain.OnLines.Ref, years, price, cover)
        {
            DomainOfIt = domain.OnLines,
            BookOrder = domain.Index,
        };

    private static Cover YearsFrom(DateOnly origin, int year, int count) =>
        new(origin.AddMonths(12 * year), origin.AddMonths(12 * (year + count)));
}
