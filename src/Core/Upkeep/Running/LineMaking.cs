using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>The lines that a decision brings, up to the last day that is run to. Nothing is charged here.</summary>
internal static class LineMaking
{
    /// <summary>
    /// Those of another plan or way to pay, from a day on, with the extras that are had (upkeep rule 14).
    /// </summary>
    /// <param name="isFirst">Whether its first price counts; else the last of each list does throughout.</param>
    public static List<UpkeepLine> OfPlan(
        HeldHosting hosting,
        Plan plan,
        BillingOption option,
        DateOnly day,
        bool isFirst,
        DateOnly last
    )
    {
        var (held, every, lines) = (hosting.Held, option.EveryMonths, new List<UpkeepLine>());
        var extras = hosting
            .Extras.GroupBy(had => had.Id, (id, had) => (Id: id, Units: had.Sum(extra => extra.Quantity)))
            .Select(had => (Extra: held.Book.AddOn(had.Id!, AddOnFor.Hosting)!, had.Units))
            .Where(had => IsByCycle(had.Extra))
            .ToList();
        foreach (var (extra, _) in extras.Where(had => plan.Includes.Contains(had.Extra.Id, StringComparer.Ordinal)))
        {
            lines.Add(
                new UpkeepLine(UpkeepLineKind.AddOn, extra.Id, held, day, Price.Nothing, null)
                {
                    BookOrder = held.Book.AddOns.IndexOf(extra),
                    IsIncluded = true,
                    IsByCycle = true,
                }
            );
        }

        for (var (cycle, from) = (0, day); from <= last; cycle++)
        {
            var until = day.AddMonths((cycle + 1) * every);
            var cover = new Cover(from, until);
            var price = isFirst ? option.Prices.At(cycle) : ChargeSchedule.Lasting(option.Prices);
            lines.Add(new UpkeepLine(UpkeepLineKind.Plan, plan.Id, held, from, price, cover) { IsByCycle = true });
            if (hosting.DataCentre is { PerMonth: { } perMonth } centre && perMonth != 0)
            {
                var surcharge = Price.FromUnits(perMonth).Times(every);
                lines.Add(
                    new UpkeepLine(UpkeepLineKind.DataCentre, centre.Id, held, from, surcharge, cover)
                    {
                        IsByCycle = true,
                    }
                );
            }

            foreach (var (extra, had) in extras)
            {
                var units = plan.Includes.Contains(extra.Id, StringComparer.Ordinal) ? had - 1 : had;
                if (units > 0)
                {
                    var charge = (
                        isFirst
                            ? ChargeSchedule.WithBill(extra, cycle, every)
                            : ChargeSchedule.WithLaterBills(extra, every)
                    ).Times(units);
                    lines.Add(
                        new UpkeepLine(UpkeepLineKind.AddOn, extra.Id, held, from, charge, cover)
                        {
                            BookOrder = held.Book.AddOns.IndexOf(extra),
                            IsByCycle = true,
                        }
                    );
                }
            }

            from = until;
        }

        return lines;
    }

    /// <summary>Those of a hosting extra bought on a day after the order (upkeep rule 16).</summary>
    public static List<UpkeepLine> OfExtra(HeldHosting hosting, AddOn extra, int quantity, DateOnly day, DateOnly last)
    {
        var unit = extra.PriceIfBoughtLater is { } later
            ? Price.FromUnits(later)
            : ChargeSchedule.Lasting(extra.Prices);
        var price = unit.Times(quantity);
        var lines = new List<UpkeepLine>();
        switch (extra.Every)
        {
            case ChargeEvery.Once:
                lines.Add(Line(day, price, null));
                break;
            case ChargeEvery.Year:
                for (var year = 0; day.AddMonths(12 * year) <= last; year++)
                {
                    var from = day.AddMonths(12 * year);
                    lines.Add(Line(from, price, new Cover(from, day.AddMonths(12 * (year + 1)))));
                }

                break;
            default:
                var whole = extra.Every == ChargeEvery.Month ? price.Times(hosting.Option.EveryMonths) : price;
                var plans = hosting
                    .Held.Lines.Where(line =>
                        line is { Kind: UpkeepLineKind.Plan, IsCut: false, Fate: not LineFate.Stopped }
                    )
                    .ToList();
                if (
                    plans.Find(plan => plan.Cover is { } cover && cover.From <= day && day < cover.Until) is
                    { Cover: { } period }
                )
                {
                    var part = new Fraction(period.DaysFrom(day), period.Days).Of(whole.Units);
                    lines.Add(Line(day, whole with { Units = part }, new Cover(day, period.Until)));
                }

                lines.AddRange(plans.Where(plan => plan.Date > day).Select(plan => Line(plan.Date, whole, plan.Cover)));
                break;
        }

        return lines;

        UpkeepLine Line(DateOnly date, Price charged, Cover? cover) =>
            new(UpkeepLineKind.AddOn, extra.Id, hosting.Held, date, charged, cover)
            {
                BookOrder = hosting.Held.Book.AddOns.IndexOf(extra),
                IsByCycle = IsByCycle(extra),
            };
    }

    /// <summary>Those of a domain claimed on a day (upkeep rule 15).</summary>
    /// <param name="hosting">What is had then, while it is live.</param>
    /// <param name="isGiven">Whether a domain-year of the order pays its registration.</param>
    public static List<UpkeepLine> OfClaim(
        Tenure tenure,
        BoughtDomain resolved,
        Held held,
        BoughtHosting? hosting,
        DateOnly day,
        bool isGiven
    )
    {
        var domain = new BoughtDomain(held.Index, resolved.Choice, resolved.Book, resolved.Currency)
        {
            Price = resolved.Price,
            Register = resolved.Register,
            Renew = resolved.Renew,
            AddOns = resolved.AddOns,
        };
        var (run, own) = BillRun.OfDomainsAlone(
            tenure.Last.AddDays(1),
            new Purchase(day, tenure.Settings.Customer, hosting, [domain], [.. tenure.Books])
        );
        var lines = new List<UpkeepLine>();
        foreach (var bill in run.Bills)
        {
            foreach (var line in bill.Lines)
            {
                var isFirst = bill.Date == day && line.Kind == LineKind.Domain;
                Waiver? waiver = isGiven && isFirst ? new Waiver(own[0].Waivable.Units, own[0].RestIsStated) : null;
                lines.Add(UpkeepLine.From(line, bill.Date, held, isByCycle: false, waiver));
            }
        }

        return lines;
    }

    /// <summary>What is left of what was paid for a line, by days; null: nothing.</summary>
    public static UpkeepLine? Credit(UpkeepLine line, DateOnly day)
    {
        var cover = line.Cover!.Value;
        var left = new Fraction(cover.DaysFrom(day), cover.Days).Of(line.PaidAmount);
        return left == 0
            ? null
            : new UpkeepLine(UpkeepLineKind.Credit, line.Ref, line.Holding, day, Price.FromUnits(-left), null)
            {
                Credits = line.Kind,
            };
    }

    /// <summary>Whether an extra is charged with each bill of the plan.</summary>
    public static bool IsByCycle(AddOn extra) => extra.Every is ChargeEvery.Month or ChargeEvery.Cycle;
}
