using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <summary>What a decision is about.</summary>
public enum ChoiceGroup
{
    /// <summary>To pay what was missed.</summary>
    Pay,

    /// <summary>Whether something renews.</summary>
    Renewing,

    /// <summary>Another plan or way to pay.</summary>
    Plan,

    /// <summary>An extra bought later.</summary>
    Extra,

    /// <summary>An extra done without.</summary>
    Drop,

    /// <summary>To give it back.</summary>
    Leave,
}

/// <summary>What an owner could decide today.</summary>
public static class Choices
{
    /// <summary>
    /// Each with its group, in the order of the groups; what can be chosen for a name that is claimed is asked for by
    /// itself.
    /// </summary>
    public static IEnumerable<(ChoiceGroup Group, Decision Decision)> ListAll(Outlook outlook)
    {
        var day = outlook.DecidingOn;
        foreach (
            var held in outlook.Now.Holdings.Where(held =>
                held.State is not (HoldingState.Pending or HoldingState.Left or HoldingState.Gone)
                && (
                    held.State != HoldingState.Live
                    || outlook.Now.Open.Any(bill => bill.Holdings.Contains(held.Holding))
                )
            )
        )
        {
            yield return (ChoiceGroup.Pay, new PayMissed(day, held.Holding));
        }

        foreach (var held in outlook.Now.Holdings.Where(held => held.State == HoldingState.Live))
        {
            yield return (ChoiceGroup.Renewing, new SetRenewing(day, held.Holding, !held.Renews));
        }

        if (
            outlook.Now.Hosting is { } hosting
            && outlook.Now.Holding(HoldingAtEnd.HostingKey) is { State: HoldingState.Live }
        )
        {
            foreach (var choice in OfHosting(outlook, hosting, day))
            {
                yield return choice;
            }
        }
    }

    private static IEnumerable<(ChoiceGroup Group, Decision Decision)> OfHosting(
        Outlook outlook,
        HostingAtEnd hosting,
        DateOnly day
    )
    {
        var book = outlook.Tenure.Purchase.Hosting!.Book;
        foreach (
            var (plan, option) in book
                .Plans.SelectMany(plan => plan.Billing.Select(option => (plan, option)))
                .Where(way => way.plan.Id != hosting.Plan.Id || way.option != hosting.Option)
        )
        {
            yield return (ChoiceGroup.Plan, new ChangePlan(day, plan.Id, option.EveryMonths, option.CommitMonths));
        }

        foreach (var extra in book.AddOns.Where(extra => extra.For == AddOnFor.Hosting))
        {
            if (hosting.Extras.Any(had => had.Id == extra.Id))
            {
                yield return (ChoiceGroup.Drop, new DropExtra(day, extra.Id));
            }
            else if (!hosting.Plan.Includes.Contains(extra.Id))
            {
                yield return (ChoiceGroup.Extra, new AddExtra(day, extra.Id, 1));
            }
        }

        yield return (ChoiceGroup.Leave, new Leave(day));
    }
}

/// <summary>An extra bought later against one that was bought with the order.</summary>
public static class LateExtra
{
    /// <summary>
    /// What it would have cost from the day of the order to the end of the horizon, had it been taken then; null: it
    /// cannot be worked out.
    /// </summary>
    public static AmountsPaid? FromTheStart(Outlook outlook, string extra)
    {
        var purchase = outlook.Tenure.Purchase;
        if (outlook.Tenure.With(extra) is not { } whole || purchase.Hosting is null)
        {
            return null;
        }

        var with = whole.Through(outlook.LastDay, outlook.Book.Decisions);
        return AmountsPaid.Sum(with.Happened) - AmountsPaid.Sum(outlook.Happened.Concat(outlook.Coming));
    }
}
