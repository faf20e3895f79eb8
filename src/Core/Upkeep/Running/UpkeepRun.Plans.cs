using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <content>Another plan or way to pay, extras bought later and dropped (rules 14 and 16).</content>
internal sealed partial class UpkeepRun
{
    private RefusalReason? Change(ChangePlan change)
    {
        if (_hosting is not { Held: var held } hosting || held.Book.Plan(change.Plan) is not { } plan || plan.Option(change.EveryMonths, change.CommitMonths) is not { } option)
        {
            return RefusalReason.Unknown;
        }

        if (held.State != HoldingState.Live)
        {
            return RefusalReason.NotLive;
        }

        if (IsOnOpenBill(held, ownAlone: false))
        {
            return RefusalReason.OpenBill;
        }

        if (plan.Id == hosting.Plan.Id && option == hosting.Option)
        {
            return RefusalReason.Same;
        }

        var (day, rule) = (change.On, held.Book.Change);
        var covered = held.Lines.Where(line => line is { Fate: LineFate.Paid, IsByCycle: true, IsCut: false, Cover: { } cover } && cover.From <= day && day < cover.Until).ToList();
        List<UpkeepLine> credits = rule?.CreditsDays == true ? [.. UpkeepLine.InOrder(covered.OrderBy(line => line.Date)).Where(line => line.Kind != UpkeepLineKind.AddOn || hosting.Has(line.Ref)).Select(line => CreditOf(line, day)).OfType<UpkeepLine>()] : [];
        var isFirst = rule?.FirstPrice == true && !hosting.PlansHad.Contains(plan.Id);
        var made = NewLines(hosting, plan, option, day, isFirst);
        if (!Pay(TillOf(held.Book), day, day, [.. made.Where(line => line.Date == day), .. credits], isAssumed: rule is not { CreditsDays: not null, FirstPrice: not null }))
        {
            return RefusalReason.CardStopped;
        }

        foreach (var line in held.Lines.Where(line => line is { IsByCycle: true, Fate: not LineFate.Paid } && line.Date >= day))
        {
            line.Fate = LineFate.Stopped;
        }

        covered.ForEach(line => line.IsCut = true);
        foreach (var line in made)
        {
            Add(line);
        }

        held.Lines.AddRange(credits);
        (hosting.Plan, hosting.Option, held.Ref) = (plan, option, plan.Id);
        hosting.PlansHad.Add(plan.Id);
        if (option.CommitMonths > option.EveryMonths && day.AddMonths(option.CommitMonths) is var end && end > hosting.CommittedEnd)
        {
            hosting.CommittedEnd = end;
        }

        return null;
    }

    // What is left of what was paid, by days; null: nothing.
    private static UpkeepLine? CreditOf(UpkeepLine line, DateOnly day)
    {
        var cover = line.Cover!.Value;
        var left = new Fraction(cover.DaysFrom(day), cover.Days).Of(line.PaidAmount);
        return left == 0 ? null : new UpkeepLine(UpkeepLineKind.Credit, line.Ref, line.Holding, day, Price.Of(-left), null) { Credits = line };
    }

    private List<UpkeepLine> NewLines(HeldHosting hosting, Plan plan, BillingOption option, DateOnly day, bool isFirst)
    {
        var (held, every, lines) = (hosting.Held, option.EveryMonths, new List<UpkeepLine>());
        var extras = hosting.Extras.Where(had => had.Extra.AddOn.Every is ChargeEvery.Month or ChargeEvery.Cycle).GroupBy(had => had.Extra.AddOn.Id, (_, had) => had.Aggregate((sum, more) => (sum.Extra, sum.Units + more.Units))).ToList();
        foreach (var (extra, _) in extras.Where(had => plan.Includes.Contains(had.Extra.AddOn.Id, StringComparer.Ordinal)))
        {
            lines.Add(new UpkeepLine(UpkeepLineKind.AddOn, extra.AddOn.Id, held, day, Price.Nothing, null) { BookOrder = extra.BookOrder, IsIncluded = true, IsByCycle = true });
        }

        for (var (cycle, from) = (0, day); from <= _until; cycle++)
        {
            var until = day.AddMonths((cycle + 1) * every);
            var cover = new Cover(from, until);
            lines.Add(new UpkeepLine(UpkeepLineKind.Plan, plan.Id, held, from, isFirst ? option.Prices.At(cycle) : Last(option.Prices), cover) { IsByCycle = true });
            if (hosting.DataCentre is { PerMonth: { } perMonth } centre && perMonth != 0)
            {
                lines.Add(new UpkeepLine(UpkeepLineKind.DataCentre, centre.Id, held, from, Price.Of(perMonth).Times(every), cover) { IsByCycle = true });
            }

            foreach (var (extra, had) in extras)
            {
                var units = plan.Includes.Contains(extra.AddOn.Id, StringComparer.Ordinal) ? had - 1 : had;
                if (units > 0)
                {
                    lines.Add(new UpkeepLine(UpkeepLineKind.AddOn, extra.AddOn.Id, held, from, Charge(extra.AddOn, cycle, every, isFirst).Times(units), cover) { BookOrder = extra.BookOrder, IsByCycle = true });
                }
            }

            from = until;
        }

        return lines;
    }

    private static Price Charge(AddOn extra, int cycle, int every, bool isFirst) =>
        extra.Every == ChargeEvery.Month ? isFirst ? extra.Prices.Sum(cycle * every, every) : Last(extra.Prices).Times(every)
        : isFirst ? extra.Prices.At(cycle) : Last(extra.Prices);

    private static Price Last(PriceSteps prices) => Price.Of(prices.Steps[^1].Units);

    private RefusalReason? Add(AddExtra add)
    {
        if (_hosting is not { Held: var held } hosting || held.Book.AddOn(add.Extra, AddOnFor.Hosting) is not { } extra)
        {
            return RefusalReason.Unknown;
        }

        if (held.State != HoldingState.Live)
        {
            return RefusalReason.NotLive;
        }

        var order = held.Book.AddOns.IndexOf(extra);
        var lines = LaterLines(hosting, extra, order, add.Quantity, add.On);
        if (!Pay(TillOf(held.Book), add.On, add.On, [.. lines.Where(line => line.Date == add.On)]))
        {
            return RefusalReason.CardStopped;
        }

        lines.ForEach(Add);
        hosting.Extras.Add((new BoughtAddOn(extra, add.Quantity, order), add.Quantity));
        return null;
    }

    private List<UpkeepLine> LaterLines(HeldHosting hosting, AddOn extra, int order, int quantity, DateOnly day)
    {
        var unit = extra.PriceIfBoughtLater is { } later ? Price.Of(later) : Last(extra.Prices);
        var price = unit.Times(quantity);
        var lines = new List<UpkeepLine>();
        switch (extra.Every)
        {
            case ChargeEvery.Once:
                lines.Add(Line(day, price, null));
                break;
            case ChargeEvery.Year:
                for (var year = 0; day.AddMonths(12 * year) <= _until; year++)
                {
                    lines.Add(Line(day.AddMonths(12 * year), price, new Cover(day.AddMonths(12 * year), day.AddMonths(12 * (year + 1)))));
                }

                break;
            default:
                var whole = extra.Every == ChargeEvery.Month ? price.Times(hosting.Option.EveryMonths) : price;
                var plans = hosting.Held.Lines.Where(line => line is { Kind: UpkeepLineKind.Plan, IsCut: false, Fate: not LineFate.Stopped }).ToList();
                if (plans.Find(plan => plan.Cover is { } cover && cover.From <= day && day < cover.Until) is { Cover: { } period })
                {
                    lines.Add(Line(day, whole with { Units = new Fraction(period.DaysFrom(day), period.Days).Of(whole.Units) }, new Cover(day, period.Until)));
                }

                lines.AddRange(plans.Where(plan => plan.Date > day).Select(plan => Line(plan.Date, whole, plan.Cover)));
                break;
        }

        return lines;

        UpkeepLine Line(DateOnly date, Price charged, Cover? cover) => new(UpkeepLineKind.AddOn, extra.Id, hosting.Held, date, charged, cover) { BookOrder = order, IsByCycle = extra.Every is ChargeEvery.Month or ChargeEvery.Cycle };
    }

    private RefusalReason? Drop(DropExtra drop)
    {
        if (_hosting is not { Held: var held } hosting || !hosting.Has(drop.Extra))
        {
            return RefusalReason.Unknown;
        }

        if (held.State != HoldingState.Live)
        {
            return RefusalReason.NotLive;
        }

        foreach (var line in held.Lines.Where(line => line.Kind == UpkeepLineKind.AddOn && line.Ref == drop.Extra && line.Date >= drop.On && line.Fate != LineFate.Paid))
        {
            line.Fate = LineFate.Stopped;
        }

        hosting.Extras.RemoveAll(had => had.Extra.AddOn.Id == drop.Extra);
        return null;
    }
}
