using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <content>Another plan or way to pay, extras bought later and dropped (rules 14 and 16).</content>
internal sealed partial class UpkeepRun
{
    private RefusalReason? Change(ChangePlan change)
    {
        if (
            _hosting is not { Held: var held } hosting
            || held.Book.Plan(change.Plan) is not { } plan
            || plan.Option(change.EveryMonths, change.CommitMonths) is not { } option
        )
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
        var covered = held
            .Lines.Where(line =>
                line is { Fate: LineFate.Paid, IsByCycle: true, IsCut: false, Cover: { } cover }
                && cover.From <= day
                && day < cover.Until
            )
            .ToList();
        List<UpkeepLine> credits =
            rule?.CreditsDays == true
                ?
                [
                    .. UpkeepLine
                        .InOrder(covered.OrderBy(line => line.Date))
                        .Where(line => line.Kind != UpkeepLineKind.AddOn || hosting.Has(line.Ref))
                        .Select(line => LineMaking.Credit(line, day))
                        .OfType<UpkeepLine>(),
                ]
                : [];
        var isFirst = rule?.FirstPrice == true && !hosting.PlansHad.Contains(plan.Id);
        var made = LineMaking.OfPlan(hosting, plan, option, day, isFirst, _tenure.Last);
        if (
            !Pay(
                TillOf(held.Book),
                day,
                day,
                [.. made.Where(line => line.Date == day), .. credits],
                isAssumed: rule is not { CreditsDays: not null, FirstPrice: not null }
            )
        )
        {
            return RefusalReason.CardStopped;
        }

        foreach (
            var line in held.Lines.Where(line =>
                line is { IsByCycle: true, Fate: not LineFate.Paid } && line.Date >= day
            )
        )
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
        if (
            option.CommitMonths > option.EveryMonths
            && day.AddMonths(option.CommitMonths) is var end
            && end > hosting.CommittedEnd
        )
        {
            hosting.CommittedEnd = end;
        }

        return null;
    }

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

        var lines = LineMaking.OfExtra(hosting, extra, add.Quantity, add.On, _tenure.Last);
        if (!Pay(TillOf(held.Book), add.On, add.On, [.. lines.Where(line => line.Date == add.On)]))
        {
            return RefusalReason.CardStopped;
        }

        lines.ForEach(Add);
        hosting.Extras.Add(new AddOnChoice(extra.Id, add.Quantity));
        return null;
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

        foreach (
            var line in held.Lines.Where(line =>
                line.Kind == UpkeepLineKind.AddOn
                && line.Ref == drop.Extra
                && line.Date >= drop.On
                && line.Fate != LineFate.Paid
            )
        )
        {
            line.Fate = LineFate.Stopped;
        }

        hosting.Extras.RemoveAll(had => had.Id == drop.Extra);
        return null;
    }
}
